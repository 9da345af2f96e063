#include "core/frame/geometry.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace amber {
namespace {

constexpr double kSameRatio = 0.002;

Spot stretched(double stretch, Spot p, double way)
{
    // Wider: from a narrower part of the source; taller: from a lower one. Nothing from outside comes in.
    const double x = stretch > 1 ? stretch : 1, y = stretch < 1 ? stretch : 1;
    return way > 0 ? Spot{p.x * x, p.y / y} : Spot{p.x / x, p.y * y};
}

}  // namespace

Spot turnedToSource(const Geometry& g, Spot p)
{
    p = stretched(g.stretch, p, -1);
    const double c = std::cos(g.straightenDegrees * kDegree), s = std::sin(g.straightenDegrees * kDegree);
    const Spot turned{c * p.x + s * p.y, -s * p.x + c * p.y};
    const double w = 1 + g.leanUp * turned.y - g.leanAside * turned.x;
    return {turned.x / w, turned.y / w};
}

Spot sourceToTurned(const Geometry& g, Spot q)
{
    // w = 1 + a y - b x with x = w qx, y = w qy.
    const double w = 1 / (1 - g.leanUp * q.y + g.leanAside * q.x);
    const Spot turned{q.x * w, q.y * w};
    const double c = std::cos(g.straightenDegrees * kDegree), s = std::sin(g.straightenDegrees * kDegree);
    return stretched(g.stretch, {c * turned.x - s * turned.y, s * turned.x + c * turned.y}, 1);
}

double shapeOf(const Region& crop, double sourceRatio)
{
    return (crop.right - crop.left) * sourceRatio / (crop.bottom - crop.top);
}

namespace {

const RatioCrop* drawnFor(const Geometry& g, double ratio)
{
    const auto found = std::find_if(g.crops.begin(), g.crops.end(),
                                    [&](const RatioCrop& c) { return std::abs(c.ratio / ratio - 1) < kSameRatio; });
    return found == g.crops.end() ? nullptr : &*found;
}

}  // namespace

Geometry croppedTo(const Geometry& geometry, double sourceRatio, double wantedRatio)
{
    Geometry result = geometry;
    if (wantedRatio <= 0)
        return result;
    const Region& c = geometry.crop;
    const double own = shapeOf(c, sourceRatio);
    if (std::abs(own / wantedRatio - 1) < kSameRatio)
        return result;
    if (const RatioCrop* drawn = drawnFor(geometry, wantedRatio)) {
        result.crop = drawn->crop;
        return result;
    }
    const double width = c.right - c.left, height = c.bottom - c.top;
    const double w = width * std::min(1.0, wantedRatio / own), h = height * std::min(1.0, own / wantedRatio);
    const double x = (c.left + c.right) / 2, y = (c.top + c.bottom) / 2;
    result.crop = {x - w / 2, y - h / 2, x + w / 2, y + h / 2};
    return result;
}

Geometry heldTo(const Geometry& geometry, double sourceRatio, double wantedRatio)
{
    Geometry result = croppedTo(geometry, sourceRatio, wantedRatio);
    result.ratio = wantedRatio;
    const double left = geometry.ratio;
    if (std::abs(left - wantedRatio) < kSameRatio)
        return result;
    const auto forget = [&](double ratio) {
        std::erase_if(result.crops, [&](const RatioCrop& c) { return std::abs(c.ratio / ratio - 1) < kSameRatio; });
    };
    if (wantedRatio > 0)
        forget(wantedRatio);
    if (left > 0) {
        forget(left);
        result.crops.push_back({left, geometry.crop});
    }
    return result;
}

}  // namespace amber
