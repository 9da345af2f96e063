// How difficult the next round is, and how well somebody sees, from answers alone: a Bayesian staircase (QUEST:
// A. B. Watson, D. G. Pelli, Perception & Psychophysics 33, 1983; the next level is the posterior mean: P. E.
// King-Smith et al., Vision Research 34, 1994).
//
// With x = log10 of the level (how strong the difference is) and T the threshold, an answer is right with
//   p(x) = g + (1 - g - s) (1 - exp(-10^(slope (x - T)) k))
// g the share of lucky guesses, s that of slips; k puts p(T) at kAim. The belief about T is kept on a grid.
#pragma once

#include <array>

namespace amber {

class Staircase {
public:
    static constexpr double kAim = 0.75, kSlip = 0.02, kSlope = 2.0;

    /// `start`: the threshold that is expected, as a level; `spread`: how unsure that is, as a standard deviation of
    /// its log10; levels stay within `least` and `most`. `guess`: the share of right answers by guessing alone, below
    /// kAim.
    Staircase(double start, double spread, double least, double most, double guess);

    /// The level of the next round.
    double level() const;
    void answered(double level, bool isRight);
    /// The level at which three of four answers are right, as it is believed now.
    double threshold() const;
    /// The standard deviation of its log10.
    double uncertainty() const;

    /// The share of right answers at a level, for somebody with this threshold.
    static double rightAt(double level, double threshold, double guess);

private:
    static constexpr int kCells = 241;
    double at(int cell) const { return m_low + (m_high - m_low) * cell / (kCells - 1); }
    double mean() const;
    double m_low, m_high, m_guess;
    double m_least, m_most;
    std::array<double, kCells> m_belief{};
};

}  // namespace amber
