#include "app/task/task.h"

#include "app/task/post.h"
#include "core/base/log.h"

#include <QtWidgets>

namespace amber {

Task::~Task()
{
    m_cancel.cancel();
    if (m_thread.joinable())
        m_thread.join();
}

void Task::start(std::function<void(const Progress&, const CancelToken&)> work, std::function<void(bool)> then)
{
    if (m_running)
        return;
    if (m_thread.joinable())
        m_thread.join();
    m_running = true;
    m_cancel = CancelToken();
    m_clock.start();
    emit began();
    m_thread = std::thread([this, work = std::move(work), then = std::move(then), cancel = m_cancel] {
        QString fault;
        try {
            work(
                [this](int done, int total) {
                    const double left =
                        done > 0 ? static_cast<double>(m_clock.elapsed()) / 1000 / done * (total - done) : 0;
                    post(this, [this, done, total, left] { emit progressed(done, total, left); });
                },
                cancel);
        } catch (const std::bad_alloc&) {
            fault = tr("There was not enough memory for it.");
            logWarning("a task had not enough memory");
        } catch (const std::exception& error) {
            fault = QString::fromUtf8(error.what());
            logWarning(std::string("a task broke: ") + error.what());
        }
        post(this, [this, then, cancel, fault] {
            m_running = false;
            then(cancel.isCancelled() || !fault.isEmpty());
            if (!fault.isEmpty())
                emit broke(fault);
            emit ended();
        });
    });
}

QString progressWords(int done, int total, double secondsLeft)
{
    if (done <= 0 || secondsLeft < 1)
        return QCoreApplication::translate("Task", "%L1 of %L2").arg(done).arg(total);
    return secondsLeft < 90 ? QCoreApplication::translate("Task", "%L1 of %L2, %3 s left")
                                  .arg(done)
                                  .arg(total)
                                  .arg(std::lround(secondsLeft))
                            : QCoreApplication::translate("Task", "%L1 of %L2, %3 min left")
                                  .arg(done)
                                  .arg(total)
                                  .arg(std::lround(secondsLeft / 60));
}

QWidget* makeTaskBar(Task& task, const QString& name, QWidget* parent)
{
    auto* box = new QWidget(parent);
    box->setObjectName(name);
    auto* bar = new QProgressBar(box);
    bar->setObjectName(name + "Progress");
    bar->setTextVisible(false);
    bar->setFixedSize(120, 8);
    auto* words = new QLabel(box);
    words->setObjectName(name + "Words");
    words->setProperty("quiet", true);
    auto* cancel = new QPushButton(QCoreApplication::translate("Task", "Cancel"), box);
    cancel->setObjectName(name + "Cancel");
    QObject::connect(cancel, &QPushButton::clicked, &task, &Task::cancel);
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    row->addWidget(bar);
    row->addWidget(words);
    row->addWidget(cancel);
    box->hide();
    QObject::connect(&task, &Task::began, box, [box, bar, words] {
        bar->setRange(0, 0);
        words->clear();
        box->show();
    });
    QObject::connect(&task, &Task::progressed, box, [bar, words](int done, int total, double left) {
        bar->setRange(0, total);
        bar->setValue(done);
        words->setText(progressWords(done, total, left));
    });
    QObject::connect(&task, &Task::ended, box, &QWidget::hide);
    return box;
}

}  // namespace amber
