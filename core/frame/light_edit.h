// One number of a frame's light, read and set: by hand on one frame, or on several together.
#pragma once

#include "core/frame/frame_balance.h"

#include <array>

namespace amber {

enum class LightPart { Exposure, Kelvin, Tint, Black, White };

/// Its limits, and the value in the frame's own numbers: kelvin and tint are those of the light (absoluteOf()).
struct LightRange {
    double low, high;
};
LightRange rangeOf(LightPart part);
double valueOf(const FrameBalance& balance, LightPart part, const AsShot& asShot);
/// Set by hand: brought to its limits, and locked, so that solving leaves it.
FrameBalance withValue(FrameBalance balance, LightPart part, double value, const AsShot& asShot);
bool isLocked(const FrameBalance& balance, LightPart part);

/// By how much a value was moved, and a value moved by as much: kelvin in mired, which are even to the eye.
double shiftOf(LightPart part, double from, double to);
double shifted(LightPart part, double value, double shift);

/// The white that makes a colour of the untouched picture neutral; exposure stays. Nothing for black.
std::optional<FrameBalance> neutralised(FrameBalance balance, const LinearRgb& untouched, const Response& response,
                                        const AsShot& asShot);

/// For what a delivery is: the shares of pixels that may end at black and at white.
struct EndsUse {
    const char* name;
    double blackBudget, whiteBudget;
};
/// screen: a little of both; print: no bare paper, some black; archive: nothing lost.
const std::array<EndsUse, 3>& endsUses();
/// Ends for frames that are lit alike, together: from all their pixels, balanced but for the ends.
BalanceEnds solveEnds(const std::vector<Image>& lit, const EndsUse& use);

}  // namespace amber
