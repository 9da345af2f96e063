// An export running in the background.
#pragma once

#include "core/handover/export.h"

#include <QElapsedTimer>
#include <QObject>
#include <thread>

namespace amber {

class ExportTask : public QObject {
    Q_OBJECT

public:
    explicit ExportTask(QObject* parent = nullptr) : QObject(parent) {}
    /// Cancels and waits for the pictures in flight.
    ~ExportTask() override;

    /// Starts; one export at a time.
    void start(const Look& look, const std::vector<std::filesystem::path>& sources, const Recipe& recipe, const std::vector<PictureOwn>& own);
    void cancel() { m_cancel.cancel(); }
    bool isRunning() const { return m_running; }

signals:
    void progressed(int done, int total, double secondsLeft, const Delivery& latest);
    /// `fault` is empty unless nothing could be begun.
    void finished(const ExportReport& report, const QString& fault);

private:
    std::thread m_thread;
    CancelToken m_cancel;
    QElapsedTimer m_clock;
    bool m_running = false;
};

}  // namespace amber
