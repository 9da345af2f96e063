// How a frame stands, against its own straight edges (core/proof/standing.h), after what it is turned by. One line
// across the picture may be an edge that runs away from the eye, so it has to lean by more than uprights have to.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"

#include <cmath>

namespace amber {
namespace {

void addTilt(double degrees, std::optional<double> limit, std::vector<Measured>& out)
{
    constexpr double kMeant = 12;
    if (std::abs(degrees) < kMeant)
        out.push_back({std::abs(degrees),
                       {},
                       degrees > 0 ? phrase("the frame leans %1° to the right", {fixedText(degrees, 1)})
                                   : phrase("the frame leans %1° to the left", {fixedText(-degrees, 1)}),
                       {},
                       -1,
                       limit});
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const Standing& standing = frame.evidence().standing;
    const Geometry& geometry = frame.frame().balance.geometry;
    constexpr double kLevelLimit = 2.5, kLeanLimit = 6, kMeant = 15, kDegrees = 180 / 3.14159265358979;
    if (standing.uprightTilt)
        addTilt(*standing.uprightTilt + geometry.straightenDegrees, std::nullopt, out);
    else if (standing.levelTilt)
        addTilt(*standing.levelTilt + geometry.straightenDegrees, kLevelLimit, out);
    if (!standing.lean)
        return;
    const double lean = std::abs(std::atan(*standing.lean - geometry.leanUp)) * kDegrees;
    if (lean < kMeant)
        out.push_back(
            {lean, {}, phrase("uprights lean together by %1°", {fixedText(lean, 1)}), "uprights", -1, kLeanLimit});
}

}  // namespace

const CheckKind kTilt{"tilt",          "Tilt",  "°",    1, "A horizon that is nearly level looks like a mistake.",
                      {0.8, 0.8, 0.8}, measure, nullptr};

}  // namespace amber
