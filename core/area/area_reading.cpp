#include "core/area/area_reading.h"

#include "core/base/number_text.h"

#include <cmath>
#include <cstdlib>

namespace amber {
namespace {

/// The look without the steps that are bound to a role.
Look without(Look look, const std::string& role)
{
    for (Step& step : look.steps)
        if (step.guard.where.role == role)
            step.strength = 0;
    return look;
}

Image rendered(const Look& look, ImageView picture, const RenderOptions& options)
{
    Image out(picture.width, picture.height);
    if (const auto plan = RenderPlan::compile(look))
        render(*plan, picture, out.mutableView(), {}, options);
    return out;
}

/// 0.084 is "+8"; hundredths that round to nothing have no sign.
std::string hundredths(double value)
{
    const long n = std::lround(100 * value);
    return (n < 0 ? "−" : n > 0 ? "+" : "") + std::to_string(std::labs(n));
}

std::string fromTo(double before, double after)
{
    const std::string a = hundredths(before), b = hundredths(after);
    return a == b ? a : a + " → " + b;
}

}  // namespace

AreaReading readArea(const std::string& role, const std::map<std::string, Plane>& masks, const Look& look,
                     ImageView picture)
{
    AreaReading reading;
    const auto own = masks.find(role);
    if (own == masks.end())
        return reading;
    RenderOptions options;
    auto all = std::make_shared<RoleMasks>();
    for (const auto& [name, mask] : masks) {
        all->set(name, mask);
        if (const double share = name == role ? 0 : overlapOf(own->second, mask); share > 0)
            reading.overlaps[name] = share;
    }
    if (const Role* kept = roleOf(look, role))
        for (const auto& [name, share] : reading.overlaps)
            reading.overlapsTooMuch = reading.overlapsTooMuch || share > kept->mostOverlap;
    options.masks = all;
    const Image others = rendered(without(look, role), picture, options), whole = rendered(look, picture, options);
    reading.share = shareOf(own->second);
    reading.before = separationOf(picture, own->second), reading.after = separationOf(whole.view(), own->second);
    reading.halo = haloOf(others.view(), whole.view(), own->second);
    reading.leak = leakOf(others.view(), whole.view(), own->second);
    return reading;
}

std::string wordsOf(const AreaReading& r)
{
    constexpr double kOverlap = 0.01, kHue = 1;
    std::string words = fixedText(100 * r.share, 1) + " % of the frame";
    words += " · stands out by lightness " + fromTo(r.before.lightness, r.after.lightness) + ", chroma " +
             fromTo(r.before.chroma, r.after.chroma);
    if (std::abs(r.after.hueDegrees) >= kHue)
        words += ", hue " + hundredths(r.after.hueDegrees / 100) + "°";
    words +=
        " · halo " + std::to_string(std::lround(100 * r.halo)) + ", leak " + std::to_string(std::lround(100 * r.leak));
    for (const auto& [role, overlap] : r.overlaps)
        if (overlap >= kOverlap)
            words += " · " + std::to_string(std::lround(100 * overlap)) + " % lies in " + role;
    return words + (r.overlapsTooMuch ? ", more than the look allows" : "");
}

}  // namespace amber
