#include "app/places/handover/export_task.h"

#include "app/task/post.h"

namespace amber {

void ExportTask::start(const Look& look, const std::vector<Consignment>& consignments)
{
    if (isRunning())
        return;
    m_clock.start();
    auto report = std::make_shared<std::optional<Result<ExportReport>>>();
    m_task.start(
        [this, report, look, consignments](const Task::Progress&, const CancelToken& cancel) {
            const auto progress = [this](int done, int total, const Delivery& latest) {
                const double left = static_cast<double>(m_clock.elapsed()) / 1000 / done * (total - done);
                post(this, [this, done, total, left, latest] { emit progressed(done, total, left, latest); });
            };
            *report = exportAll(look, consignments, progress, cancel);
        },
        [this, report](bool) {
            const Result<ExportReport> done =
                *report ? std::move(**report)
                        : fail(tr("The work broke off. What was written is whole.").toStdString());
            emit finished(done.value_or(ExportReport{}),
                          done ? QString() : QString::fromStdString(done.error().message()));
        });
}

}  // namespace amber
