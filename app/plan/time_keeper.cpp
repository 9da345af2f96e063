#include "app/plan/time_keeper.h"

#include <QTimer>

namespace amber {

TimeKeeper::TimeKeeper(Document& document, QObject* parent)
    : QObject(parent), m_document(document), m_timer(new QTimer(this))
{
    m_now.start();
    m_timer->setInterval(20000);
    connect(m_timer, &QTimer::timeout, this, &TimeKeeper::flush);
    m_timer->start();
    connect(&document, &Document::leaving, this, [this] { (void)m_clock.take(); });
    for (const auto changing : {&Document::opened, &Document::doneChanged})
        connect(&document, changing, this, &TimeKeeper::changed);
}

void TimeKeeper::act(int stage)
{
    constexpr qint64 kRest = 3 * 60000;
    const qint64 now = m_now.elapsed();
    if (now - m_lastAct > kRest)
        m_workSince = now;
    m_lastAct = now;
    m_clock.act(static_cast<double>(now) / 1000, m_document.selection().frameInHand(), stage);
}

int TimeKeeper::minutesSinceRest() const { return static_cast<int>((m_now.elapsed() - m_workSince) / 60000); }

void TimeKeeper::flush()
{
    const auto more = m_clock.take();
    if (more.empty())
        return;
    m_document.changeDesk([&](Desk& desk) {
        for (const auto& [frame, times] : more)
            for (std::size_t s = 0; s < kStages; ++s)
                desk.spent[frame][s] += times[s];
    });
    emit changed();
}

StageTimes TimeKeeper::spent(FrameId frame) const
{
    const auto found = m_document.desk().spent.find(frame);
    return found == m_document.desk().spent.end() ? StageTimes{} : found->second;
}

void TimeKeeper::setDone(const std::vector<FrameId>& frames, bool done)
{
    Job after = m_document.job();
    for (const FrameId frame : frames)
        after.frames[frame].isDone = done;
    m_document.commit(after, done ? tr("Ticked off") : tr("Tick taken off"));
}

const TimePlan& TimeKeeper::plan() const { return m_document.desk().plan; }

void TimeKeeper::setPlan(const TimePlan& plan)
{
    m_document.changeDesk([&](Desk& desk) { desk.plan = plan; });
    emit changed();
}

StageTimes TimeKeeper::minutesAhead() const
{
    constexpr int kEnough = 3;
    StageTimes ahead{}, doneSpent{}, openSpent{};
    double doneWeight = 0, openWeight = 0;
    int done = 0;
    for (const Frame& frame : m_document.frames()) {
        const bool is = isDone(frame.id);
        const StageTimes times = spent(frame.id);
        (is ? doneWeight : openWeight) += weight(frame.id);
        done += is;
        for (std::size_t s = 0; s < kStages; ++s)
            (is ? doneSpent : openSpent)[s] += times[s] / 60;
    }
    for (std::size_t s = 0; s < kStages; ++s) {
        const double pace = done >= kEnough && doneSpent[s] > 0 ? doneSpent[s] / doneWeight : plan().minutesPerFrame[s];
        ahead[s] = std::max(0.0, openWeight * pace - openSpent[s]);
    }
    return ahead;
}

TimeForecast TimeKeeper::forecastNow() const
{
    std::vector<PlannedFrame> frames;
    for (const Frame& frame : m_document.frames())
        frames.push_back({weight(frame.id), spent(frame.id), isDone(frame.id)});
    return forecast(plan(), frames);
}

}  // namespace amber
