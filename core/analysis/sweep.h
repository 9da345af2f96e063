// Variants of a look round one quantity, and the size of a change: the strength that gives a wanted change, the step of
// one just noticeable difference.
#pragma once

#include "core/look/look.h"

#include <optional>

namespace amber {

/// What a sweep turns.
struct SweepWay {
    enum class Kind {
        Strength,   ///< of the step
        Hue,        ///< all hues the step holds (dyes, families' turns, stops, sheltered hue) by so many degrees
        Curve,      ///< an S of this slope at mid-grey in the place of the tone curve's points
        Parameter,  ///< one number, by its JSON pointer
    } kind = Kind::Strength;
    std::string pointer = {};
    bool operator==(const SweepWay&) const = default;
};

/// What makes sense for this kind of step, strength first.
std::vector<SweepWay> sweepWaysOf(const Step& step);
/// The range a sweep over the whole way covers: 0..1.5 for strength, the whole circle for hue, slopes 0.6..2 for the
/// curve, and for a number the limits its field allows (found by trying).
std::pair<double, double> sweepRange(const Step& step, const SweepWay& way);
/// The look with the step at this value. Nothing when the value is not allowed.
std::optional<Look> swept(const Look& look, std::size_t step, const SweepWay& way, double value);
/// Values from low to high, `count` of them; for hue the high end, which is the low end again, is left out.
std::vector<double> sweepValues(const SweepWay& way, double low, double high, int count);

/// The largest and the smallest value of a step's number that its description allows.
std::pair<double, double> limitsOf(const Step& step, const std::string& pointer);

/// Strength 0..2 at which the step changes these colours (as they enter it) by `wanted` CIEDE2000 in the mean, to 1e-3;
/// the end of the range when it cannot.
double strengthForChange(const Step& step, const std::vector<LinearRgb>& colours, double wanted);

/// The next value of a number, upwards or downwards, at which the look as a whole has changed by one just noticeable
/// difference: the largest CIEDE2000 over these colours (as they enter the look) is 1. The limit of the field when it
/// comes first. An empty pointer means the strength.
double nextNoticeable(const Look& look, std::size_t step, const std::string& pointer, bool up,
                      const std::vector<LinearRgb>& colours);

/// A step with one number set; nothing when that is not allowed.
std::optional<Step> withNumber(const Step& step, const std::string& pointer, double value);

}  // namespace amber
