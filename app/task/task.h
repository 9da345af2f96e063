// Long work in the background: progress, time left, cancel. One piece of work at a time.
#pragma once

#include "core/base/cancel.h"

#include <QElapsedTimer>
#include <QObject>
#include <functional>
#include <thread>

class QWidget;

namespace amber {

class Task : public QObject {
    Q_OBJECT

public:
    using Progress = std::function<void(int done, int total)>;

    explicit Task(QObject* parent = nullptr) : QObject(parent) {}
    /// Cancels and waits.
    ~Task() override;

    /// `work` runs on a thread of its own and may call its progress from any thread; `then` runs on this object's
    /// thread afterwards, also when it was cancelled. What `work` throws (no memory, a library's fault) ends it like a
    /// cancel, and is said by broke(). Nothing happens while other work is running.
    void start(std::function<void(const Progress&, const CancelToken&)> work, std::function<void(bool cancelled)> then);
    void cancel() { m_cancel.cancel(); }
    bool isRunning() const { return m_running; }

signals:
    void began();
    void progressed(int done, int total, double secondsLeft);
    void ended();
    void broke(const QString& why);

private:
    std::thread m_thread;
    CancelToken m_cancel;
    QElapsedTimer m_clock, m_told;
    bool m_running = false;
};

/// How far a task is, in words: "12 of 41, 8 s left".
QString progressWords(int done, int total, double secondsLeft);
/// A bar, words and a button to cancel, shown while the task runs.
QWidget* makeTaskBar(Task& task, const QString& name, QWidget* parent);

}  // namespace amber
