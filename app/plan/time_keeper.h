// Keeps the active time of frames and stages, what is done, and the plan. Kept with the job.
#pragma once

#include "app/document/document.h"
#include "core/job/time_plan.h"

#include <QElapsedTimer>

class QTimer;

namespace amber {

class TimeKeeper : public QObject {
    Q_OBJECT

public:
    explicit TimeKeeper(Document& document, QObject* parent = nullptr);
    /// The artist did something in a stage (-1: elsewhere) with the frame in hand.
    void act(int stage);
    /// Since work began, or since the last pause of three minutes.
    int minutesSinceRest() const;
    void flush();

    StageTimes spent(std::int64_t frame) const;
    bool isDone(FrameId frame) const { return m_document.job().frame(frame).isDone; }
    void setDone(const std::vector<std::int64_t>& frames, bool done);
    const TimePlan& plan() const;
    void setPlan(const TimePlan& plan);
    /// How hard a frame is: 1, more for what is unsure, clipped or bracketed.
    void setWeights(std::function<double(std::int64_t)> weights) { m_weights = std::move(weights); }
    double weight(std::int64_t frame) const { return m_weights ? m_weights(frame) : 1; }
    TimeForecast forecastNow() const;
    /// By stage, of the frames that are not done: at the pace of those that are, or at the budget while these are few.
    StageTimes minutesAhead() const;

signals:
    void changed();

private:
    Document& m_document;
    ActiveClock m_clock;
    QElapsedTimer m_now;
    qint64 m_lastAct = 0, m_workSince = 0;  ///< milliseconds
    QTimer* m_timer;
    std::function<double(std::int64_t)> m_weights;
};

}  // namespace amber
