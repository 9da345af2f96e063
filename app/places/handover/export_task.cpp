#include "app/places/handover/export_task.h"

#include <QPointer>

namespace amber {

ExportTask::~ExportTask()
{
    m_cancel.cancel();
    if (m_thread.joinable())
        m_thread.join();
}

void ExportTask::start(const Look& look, const std::vector<std::filesystem::path>& sources, const Recipe& recipe, const std::vector<PictureOwn>& own)
{
    if (m_running)
        return;
    if (m_thread.joinable())
        m_thread.join();
    m_running = true;
    m_cancel = CancelToken();
    m_clock.start();
    m_thread = std::thread([this, look, sources, recipe, own, cancel = m_cancel] {
        const auto progress = [this](int done, int total, const Delivery& latest) {
            const double left = static_cast<double>(m_clock.elapsed()) / 1000 / done * (total - done);
            QMetaObject::invokeMethod(this, [this, done, total, left, latest] { emit progressed(done, total, left, latest); });
        };
        const auto report = exportPictures(look, sources, recipe, progress, cancel, own);
        QMetaObject::invokeMethod(this, [this, report] {
            m_running = false;
            emit finished(report.value_or(ExportReport{}), report ? QString() : QString::fromStdString(report.error().message()));
        });
    });
}

}  // namespace amber
