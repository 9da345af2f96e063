#include "core/measure/key_colour.h"

#include "core/base/json_text.h"
#include "core/colour/difference.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/measure/tone.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace amber {
namespace {

bool same(const Lab& a, const Lab& b) { return a.l == b.l && a.a == b.a && a.b == b.b; }

/// The patches the automatic search looks at: a grid of squares.
constexpr int kPatches = 24;
constexpr double kPatchDeviation = 0.03, kNeutralChromaLimit = 0.02, kEdge = 0.02;

struct PatchState {
    Region place;
    OkLab mean;
    double deviation = 0;
    LinearRgb colour;
};

std::vector<PatchState> patches(ImageView image, const Framing& framing)
{
    std::vector<PatchState> all;
    const int side = std::max(1, std::min(image.width, image.height) / kPatches);
    for (int top = 0; top + side <= image.height; top += side)
        for (int left = 0; left + side <= image.width; left += side) {
            PatchState p;
            p.place = {static_cast<double>(left) / image.width, static_cast<double>(top) / image.height,
                       static_cast<double>(left + side) / image.width, static_cast<double>(top + side) / image.height};
            if (!framing.counts((p.place.left + p.place.right) / 2, (p.place.top + p.place.bottom) / 2))
                continue;
            double square = 0;
            const double n = static_cast<double>(side) * side;
            for (int y = top; y < top + side; ++y)
                for (int x = left; x < left + side; ++x) {
                    const float* v = image.row(y) + 3 * x;
                    const LinearRgb c{v[0], v[1], v[2]};
                    const OkLab lab = toOkLab(c);
                    p.mean.L += lab.L / n, p.mean.a += lab.a / n, p.mean.b += lab.b / n, square += lab.L * lab.L / n;
                    p.colour.r += c.r / n, p.colour.g += c.g / n, p.colour.b += c.b / n;
                }
            p.deviation = std::sqrt(std::max(0.0, square - p.mean.L * p.mean.L));
            all.push_back(p);
        }
    return all;
}

}  // namespace

bool KeyColour::operator==(const KeyColour& o) const
{
    return name == o.name && frame == o.frame && place == o.place && marked == o.marked && tolerance == o.tolerance &&
           kind == o.kind && target.has_value() == o.target.has_value() && (!target || same(*target, *o.target));
}

Region pointPlace(double x, double y, int width, int height)
{
    const double half = kPointHalf * std::min(width, height);
    return {x - half / width, y - half / height, x + half / width, y + half / height};
}

LinearRgb meanOf(ImageView image, const Region& place)
{
    const auto bound = [](double v, int size) {
        return std::clamp(static_cast<int>(std::floor(v * size)), 0, size - 1);
    };
    std::vector<std::pair<double, LinearRgb>> pixels;
    const int left = bound(place.left, image.width), right = bound(place.right, image.width),
              top = bound(place.top, image.height), bottom = bound(place.bottom, image.height);
    const int stepX = std::max(1, (right - left) / 64), stepY = std::max(1, (bottom - top) / 64);
    for (int y = top; y <= bottom; y += stepY)
        for (int x = left; x <= right; x += stepX) {
            const float* p = image.row(y) + 3 * x;
            const LinearRgb c{p[0], p[1], p[2]};
            pixels.emplace_back(toOkLab(c).L, c);
        }
    return trimmedMean(pixels);
}

std::vector<KeyColour> automaticKeyColours(ImageView image, std::int64_t frame, const Framing& framing)
{
    const std::vector<PatchState> all = patches(image, framing);
    std::vector<KeyColour> found;
    const auto take = [&](KeyColour::Kind kind, auto&& fits, auto&& cost) {
        const PatchState* best = nullptr;
        for (const PatchState& p : all)
            if (fits(p) && (!best || cost(p) < cost(*best)))
                best = &p;
        if (!best)
            return;
        KeyColour key;
        key.kind = kind, key.frame = frame, key.place = best->place, key.marked = best->colour;
        key.name = kind == KeyColour::Kind::Neutral   ? "neutral"
                   : kind == KeyColour::Kind::Deepest ? "deepest dark"
                                                      : "brightest area";
        found.push_back(key);
    };
    const auto chroma = [](const PatchState& p) { return std::hypot(p.mean.a, p.mean.b); };
    take(
        KeyColour::Kind::Neutral,
        [&](const PatchState& p) {
            return p.mean.L > 0.35 && p.mean.L < 0.9 && p.deviation < kPatchDeviation &&
                   chroma(p) < kNeutralChromaLimit;
        },
        [&](const PatchState& p) { return chroma(p) + 0.1 * p.deviation; });
    take(
        KeyColour::Kind::Deepest, [&](const PatchState& p) { return p.mean.L > kEdge && p.mean.L < 0.45; },
        [](const PatchState& p) { return p.mean.L; });
    take(
        KeyColour::Kind::Brightest, [&](const PatchState& p) { return p.mean.L < 1 - kEdge && p.mean.L > 0.6; },
        [](const PatchState& p) { return -p.mean.L; });
    return found;
}

namespace {
constexpr std::array<const char*, 4> kKindNames{"marked", "neutral", "deepest", "brightest"};
}  // namespace

std::string keyColoursToText(const std::vector<KeyColour>& keys)
{
    Json list = Json::array();
    for (const KeyColour& k : keys) {
        Json entry{{"name", k.name},
                   {"frame", k.frame},
                   {"place", {k.place.left, k.place.top, k.place.right, k.place.bottom}},
                   {"marked", {k.marked.r, k.marked.g, k.marked.b}},
                   {"tolerance", k.tolerance}};
        if (k.target)
            entry["target"] = {k.target->l, k.target->a, k.target->b};
        if (k.kind != KeyColour::Kind::Marked)
            entry["kind"] = kKindNames[static_cast<std::size_t>(k.kind)];
        list.push_back(entry);
    }
    return jsonText(list);
}

Result<std::vector<KeyColour>> keyColoursFromText(const std::string& text)
{
    std::vector<KeyColour> keys;
    if (text.empty())
        return keys;
    const Json list = Json::parse(text, nullptr, false);
    if (!list.is_array())
        return fail("the key colours cannot be read", {}, "a list", text.substr(0, 60));
    for (const auto& entry : list)
        try {
            KeyColour k;
            k.name = entry.at("name").get<std::string>();
            k.frame = entry.at("frame").get<std::int64_t>();
            const auto place = entry.at("place").get<std::vector<double>>(),
                       marked = entry.at("marked").get<std::vector<double>>();
            k.place = {place.at(0), place.at(1), place.at(2), place.at(3)};
            k.marked = {marked.at(0), marked.at(1), marked.at(2)};
            k.tolerance = entry.at("tolerance").get<double>();
            if (entry.contains("target")) {
                const auto t = entry.at("target").get<std::vector<double>>();
                k.target = Lab{t.at(0), t.at(1), t.at(2)};
            }
            const std::string kind = entry.value("kind", kKindNames[0]);
            const auto known = std::find(kKindNames.begin(), kKindNames.end(), kind);
            if (known == kKindNames.end())
                return fail("the key colours cannot be read", {}, "a kind of key colour", kind);
            k.kind = static_cast<KeyColour::Kind>(known - kKindNames.begin());
            keys.push_back(std::move(k));
        } catch (const std::exception& error) {
            return fail("the key colours cannot be read: " + std::string(error.what()), {}, {},
                        jsonText(entry).substr(0, 60));
        }
    return keys;
}

LinearRgb absentColour(ImageView image)
{
    std::vector<OkLab> seen;
    const int step = std::max(1, static_cast<int>(std::sqrt(static_cast<double>(image.width) * image.height / 3000)));
    for (int y = step / 2; y < image.height; y += step)
        for (int x = step / 2; x < image.width; x += step) {
            const float* p = image.row(y) + 3 * x;
            seen.push_back(toOkLab(LinearRgb{p[0], p[1], p[2]}));
        }
    LinearRgb best;
    double farthest = -1;
    for (double L : {0.75, 0.55})
        for (int i = 0; i < 24; ++i) {
            const LinearRgb own = reduceToGamut(
                RgbSpace::Srgb, apply(fromWorking(RgbSpace::Srgb), toLinearRgb(toOkLab(OkLch{L, 0.3, 15.0 * i}))));
            const LinearRgb c = apply(toWorking(RgbSpace::Srgb), own);
            const OkLab lab = toOkLab(c);
            double nearest = std::numeric_limits<double>::max();
            for (const OkLab& s : seen)
                nearest = std::min(nearest, std::hypot(lab.L - s.L, lab.a - s.a, lab.b - s.b));
            // Chroma breaks ties: what is strong is seen.
            if (nearest + 0.2 * std::hypot(lab.a, lab.b) > farthest)
                farthest = nearest + 0.2 * std::hypot(lab.a, lab.b), best = c;
        }
    return best;
}

}  // namespace amber
