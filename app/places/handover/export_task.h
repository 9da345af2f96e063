// An export running in the background.
#pragma once

#include "app/task/task.h"
#include "core/handover/job_batch.h"

namespace amber {

class ExportTask : public QObject {
    Q_OBJECT

public:
    explicit ExportTask(QObject* parent = nullptr) : QObject(parent), m_task(this) {}
    /// Starts; one export at a time.
    void start(const Look& lookForAll, const std::vector<Consignment>& consignments);
    void cancel() { m_task.cancel(); }
    bool isRunning() const { return m_task.isRunning(); }

signals:
    void progressed(int done, int total, double secondsLeft, const Delivery& latest);
    /// `fault` is empty unless nothing could be begun.
    void finished(const ExportReport& report, const QString& fault);

private:
    QElapsedTimer m_clock;
    Task m_task;  ///< goes first: cancels and waits for the pictures in flight
};

}  // namespace amber
