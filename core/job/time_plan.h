// The time plan: what a frame may take in each stage, what was spent, when the shoot will be done.
#pragma once

#include <array>
#include <cstdint>
#include <map>
#include <string>
#include <vector>

namespace amber {

enum class Stage { Balance, Look, Proof };
inline constexpr int kStages = 3;

/// Seconds of active work. A pause longer than kIdleSeconds between two acts is a pause: it does not count.
using StageTimes = std::array<double, kStages>;
inline constexpr double kIdleSeconds = 60;

/// Adds up acts: each counts from the one before it, at the place and frame that were in hand, unless that was too long
/// ago.
class ActiveClock {
public:
    /// `now` in seconds, rising. Nothing is counted for acts elsewhere (stage -1).
    void act(double now, std::int64_t frame, int stage);
    /// What came together since it was last taken, by frame.
    std::map<std::int64_t, StageTimes> take();

private:
    double m_last = -1e18;
    std::int64_t m_frame = 0;
    int m_stage = -1;
    std::map<std::int64_t, StageTimes> m_times;
};

struct PlannedFrame {
    double weight = 1;  ///< hard frames count for more: 2 takes twice the budget
    StageTimes spent{};
    bool isDone = false;  ///< ticked off by the artist
};
struct TimePlan {
    StageTimes minutesPerFrame{1, 2, 0.5};  ///< budget per frame and stage
    double hoursPerDay = 5;
    bool operator==(const TimePlan&) const = default;
};
struct TimeForecast {
    double budgetHours = 0;  ///< for all frames, weighted
    double spentHours = 0;
    double leftHours =
        0;  ///< for frames not done: at the pace of those that are, or at the budget while fewer than three are
    int done = 0, frames = 0, overBudget = 0;
    double daysLeft = 0;
    StageTimes spentMinutes{};  ///< by stage
};
TimeForecast forecast(const TimePlan& plan, const std::vector<PlannedFrame>& frames);

}  // namespace amber
