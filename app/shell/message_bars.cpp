#include "app/shell/message_bars.h"

#include <QtWidgets>

namespace amber {
namespace {

struct Bar {
    QWidget* widget;
    QLabel* words;
    QHBoxLayout* row;
};

Bar makeBar(const QString& name, const QString& words, QWidget* parent)
{
    auto* bar = new QWidget(parent);
    bar->setObjectName(name);
    bar->setProperty("messageBar", true);
    bar->setAttribute(Qt::WA_StyledBackground);
    auto* label = new QLabel(bar);
    label->setObjectName(words);
    label->setWordWrap(true);
    label->setTextInteractionFlags(Qt::TextSelectableByMouse);
    auto* row = new QHBoxLayout(bar);
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    row->addWidget(label, 1);
    return {bar, label, row};
}

}  // namespace

MessageBars::MessageBars(QWidget* parent) : QWidget(parent), m_rows(new QVBoxLayout(this))
{
    m_rows->setContentsMargins(0, 0, 0, 0);
    m_rows->setSpacing(0);
    const Bar bar = makeBar("messageBar", "message", this);
    m_messageBar = bar.widget, m_message = bar.words;
    auto* close = new QToolButton(m_messageBar);
    close->setObjectName("messageClose");
    close->setText(tr("Close"));
    connect(close, &QToolButton::clicked, m_messageBar, &QWidget::hide);
    bar.row->addWidget(close, 0, Qt::AlignTop);
    m_messageBar->hide();
    m_rows->addWidget(m_messageBar);
}

void MessageBars::say(const QString& message)
{
    m_message->setText(message);
    m_messageBar->setVisible(!message.isEmpty());
}

void MessageBars::drop(const QString& name)
{
    for (auto it = m_questions.begin(); it != m_questions.end(); ++it)
        if (it->name == name) {
            it->bar->setParent(nullptr);  // nobody finds it any more; it goes once its button has been let go
            it->bar->deleteLater();
            m_questions.erase(it);
            showOne();
            return;
        }
}

void MessageBars::showOne()
{
    const auto answerable =
        std::find_if(m_questions.begin(), m_questions.end(), [](const Asked& q) { return q.isAnswerable; });
    const Asked* shown = answerable != m_questions.end() ? &*answerable
                         : m_questions.empty()           ? nullptr
                                                         : &m_questions.front();
    for (const Asked& q : m_questions) {
        q.count->setText(m_questions.size() > 1 ? tr("1 of %1").arg(m_questions.size()) : QString());
        q.bar->setVisible(&q == shown);
    }
}

void MessageBars::show(Task& task, const QString& name, const QString& words)
{
    constexpr int kMoment = 700;
    const Bar bar = makeBar(name + "Bar", name + "BarWords", this);
    bar.words->setText(words);
    bar.row->addWidget(makeTaskBar(task, name, bar.widget));
    bar.widget->hide();
    m_rows->addWidget(bar.widget);
    auto* moment = new QTimer(bar.widget);
    moment->setSingleShot(true);
    moment->setInterval(kMoment);
    connect(moment, &QTimer::timeout, bar.widget, &QWidget::show);
    connect(&task, &Task::began, moment, qOverload<>(&QTimer::start));
    connect(&task, &Task::ended, bar.widget, [moment, widget = bar.widget] {
        moment->stop();
        widget->hide();
    });
}

void MessageBars::ask(const LostFrames::Question& question)
{
    drop(question.name);
    if (question.words.isEmpty())
        return;
    const Bar bar = makeBar("question-" + question.name, "question-" + question.name + "-words", this);
    bar.words->setText(question.words);
    int number = 0;
    const auto add = [&, name = question.name](const QString& words, const std::function<void()>& act) {
        auto* button = new QPushButton(words, bar.widget);
        button->setObjectName(QStringLiteral("question-%1-%2").arg(name).arg(number++));
        // The answer may ask again under the same name: this one is gone before.
        connect(button, &QPushButton::clicked, this, [this, name, act] {
            drop(name);
            if (act)
                act();
        });
        bar.row->addWidget(button, 0, Qt::AlignTop);
    };
    for (const LostFrames::Answer& answer : question.answers)
        add(answer.words, answer.act);
    if (question.canWait)
        add(tr("Not now"), {});
    auto* count = new QLabel(bar.widget);
    count->setProperty("quiet", true);
    bar.row->insertWidget(1, count);
    m_questions.push_back({question.name, bar.widget, count, number > 0});
    m_rows->addWidget(bar.widget);
    showOne();
}

}  // namespace amber
