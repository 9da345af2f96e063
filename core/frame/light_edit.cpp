#include "core/frame/light_edit.h"

#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>

namespace amber {

LightRange rangeOf(LightPart part)
{
    switch (part) {
    case LightPart::Exposure:
        return {-6, 6};
    case LightPart::Kelvin:
        return {2000, 25000};
    case LightPart::Tint:
        return {-50, 50};
    case LightPart::Black:
        return {-0.2, 0.3};
    case LightPart::White:
        return {0.3, 4};
    }
    return {0, 0};
}

double valueOf(const FrameBalance& b, LightPart part, const AsShot& asShot)
{
    switch (part) {
    case LightPart::Exposure:
        return b.light.exposureStops;
    case LightPart::Kelvin:
        return absoluteOf(b.light, asShot).kelvin;
    case LightPart::Tint:
        return absoluteOf(b.light, asShot).tint;
    case LightPart::Black:
        return b.ends.black;
    case LightPart::White:
        return b.ends.white;
    }
    return 0;
}

FrameBalance withValue(FrameBalance b, LightPart part, double value, const AsShot& asShot)
{
    constexpr double kLeastRange = 0.05;  // between the ends
    const LightRange range = rangeOf(part);
    value = std::clamp(value, range.low, range.high);
    switch (part) {
    case LightPart::Exposure:
        b.light.exposureStops = value, b.exposureLocked = true;
        break;
    case LightPart::Kelvin:
    case LightPart::Tint:
        b.light = absoluteOf(b.light, asShot);
        (part == LightPart::Kelvin ? b.light.kelvin : b.light.tint) = value, b.whiteLocked = true;
        break;
    case LightPart::Black:
        b.ends.black = std::min(value, b.ends.white - kLeastRange), b.endsLocked = true;
        break;
    case LightPart::White:
        b.ends.white = std::max(value, b.ends.black + kLeastRange), b.endsLocked = true;
        break;
    }
    return b;
}

bool isLocked(const FrameBalance& b, LightPart part)
{
    return part == LightPart::Exposure                            ? b.exposureLocked
           : part == LightPart::Kelvin || part == LightPart::Tint ? b.whiteLocked
                                                                  : b.endsLocked;
}

double shiftOf(LightPart part, double from, double to)
{
    return part == LightPart::Kelvin ? 1e6 / from - 1e6 / to : to - from;
}

double shifted(LightPart part, double value, double shift)
{
    if (part != LightPart::Kelvin)
        return value + shift;
    const LightRange range = rangeOf(part);
    return 1e6 / std::clamp(1e6 / value - shift, 1e6 / range.high, 1e6 / range.low);
}

std::optional<FrameBalance> neutralised(FrameBalance b, const LinearRgb& untouched, const Response& response,
                                        const AsShot& asShot)
{
    const LinearRgb scene = toSceneLight(response, untouched);
    const LinearRgb cones = apply(workingToCones(), scene), white = apply(workingToCones(), {1, 1, 1});
    if (!(cones.r > 1e-6 && cones.g > 1e-6 && cones.b > 1e-6))
        return std::nullopt;
    const double stops = b.light.exposureStops;
    b.light = absoluteOf(
        fromConeGains({std::log2(white.r / cones.r), std::log2(white.g / cones.g), std::log2(white.b / cones.b)}),
        asShot);
    b.light.exposureStops = stops;
    b.light.kelvin = std::clamp(b.light.kelvin, rangeOf(LightPart::Kelvin).low, rangeOf(LightPart::Kelvin).high);
    b.light.tint = std::clamp(b.light.tint, rangeOf(LightPart::Tint).low, rangeOf(LightPart::Tint).high);
    return b;
}

const std::array<EndsUse, 3>& endsUses()
{
    static const std::array<EndsUse, 3> all{{{"screen", 0.001, 0.001}, {"print", 0.003, 0}, {"archive", 0, 0}}};
    return all;
}

BalanceEnds solveEnds(const std::vector<Image>& lit, const EndsUse& use)
{
    int pixels = 0;
    for (const Image& image : lit)
        pixels += image.width() * image.height();
    Image all(std::max(1, pixels), 1);
    float* to = all.mutableView().data;
    for (const Image& image : lit)
        to = std::copy_n(image.view().data, std::size_t{3} * image.width() * image.height(), to);
    return pixels == 0 ? BalanceEnds{} : solveEnds(all.view(), {}, use.blackBudget, use.whiteBudget);
}

}  // namespace amber
