#include "core/job/time_plan.h"

#include "core/base/json_text.h"
#include <algorithm>
#include <cmath>
#include <numeric>

namespace amber {

void ActiveClock::act(double now, std::int64_t frame, int stage)
{
    if (m_stage >= 0 && m_stage < kStages && m_frame != 0 && now > m_last && now - m_last <= kIdleSeconds)
        m_times[m_frame][static_cast<std::size_t>(m_stage)] += now - m_last;
    m_last = now, m_frame = frame, m_stage = stage;
}

std::map<std::int64_t, StageTimes> ActiveClock::take() { return std::exchange(m_times, {}); }

TimeForecast forecast(const TimePlan& plan, const std::vector<PlannedFrame>& frames)
{
    constexpr int kEnough = 3;
    const double perFrame = std::accumulate(plan.minutesPerFrame.begin(), plan.minutesPerFrame.end(), 0.0);
    TimeForecast f;
    f.frames = static_cast<int>(frames.size());
    double doneMinutes = 0, doneWeight = 0, leftWeight = 0, leftSpent = 0, budget = 0;
    for (const PlannedFrame& frame : frames) {
        double minutes = 0;
        for (std::size_t s = 0; s < kStages; ++s)
            minutes += frame.spent[s] / 60, f.spentMinutes[s] += frame.spent[s] / 60;
        budget += frame.weight * perFrame;
        f.spentHours += minutes / 60;
        f.overBudget += minutes > frame.weight * perFrame;
        if (frame.isDone)
            ++f.done, doneMinutes += minutes, doneWeight += frame.weight;
        else
            leftWeight += frame.weight, leftSpent += minutes;
    }
    f.budgetHours = budget / 60;
    const double pace = f.done >= kEnough && doneMinutes > 0 ? doneMinutes / doneWeight : perFrame;
    f.leftHours = std::max(0.0, leftWeight * pace - leftSpent) / 60;
    f.daysLeft = plan.hoursPerDay > 0 ? f.leftHours / plan.hoursPerDay : 0;
    return f;
}

}  // namespace amber
