#include "core/match/fingerprint.h"

#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/image/metadata.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/look/steps/hue_shifts/hue_shifts.h"
#include "core/look/steps/smoothstep.h"
#include "core/match/framing_offer.h"
#include "core/match/light_by_place.h"
#include "core/match/texture.h"
#include "core/measure/tone.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace amber {
namespace {

std::array<double, kCastZones> zonesAt(double L)
{
    const double black = 1 - smoothstep(kBlackZone[0], kBlackZone[1], L),
                 white = smoothstep(kWhiteZone[0], kWhiteZone[1], L);
    return {black, 1 - black - white, white};
}

/// The families' shares of a hue, for a fully coloured pixel, by even steps round the circle; only what is mostly of
/// one family counts.
constexpr std::size_t kHues = 720;
const std::vector<std::vector<float>>& sharesByHue()
{
    static const auto table = [] {
        const HueShifts hues;
        std::vector<std::vector<float>> all(kHues);
        for (std::size_t i = 0; i < kHues; ++i) {
            const auto weights =
                weightsAt(hues, toOkLab(OkLch{0.5, 1e3, (static_cast<double>(i) + 0.5) * 360 / kHues}));
            for (std::size_t k = 0; k < hues.families.size(); ++k)
                all[i].push_back(static_cast<float>(std::max(0.0, 2 * weights[k] - 1)));
        }
        return all;
    }();
    return table;
}

struct Cast {
    double L = 0, a = 0, b = 0, share = 0;
};

/// What is little coloured in a zone: nearer and nearer to its mean. A mean too far from grey is a coloured thing
/// (leaves, a wall), unless most of the picture is of that colour, as in a toned print.
Cast castIn(const std::vector<OkLab>& labs, std::size_t zone)
{
    constexpr double kFirst = 0.06, kThen = 0.02, kGrey = 0.03, kFar = 0.042, kMost = 0.6;
    constexpr int kRounds = 10;
    Cast cast;
    double within = 0, all = 0;
    for (int round = 0; round < kRounds; ++round) {
        const double s = round < kRounds / 2 ? kFirst : kThen;
        Cast sum;
        within = all = 0;
        for (const OkLab& c : labs) {
            const double z = zonesAt(c.L)[zone];
            if (z <= 0)
                continue;
            const double da = c.a - cast.a, db = c.b - cast.b, near = 1 + (da * da + db * db) / (s * s);
            // The leaning to grey finds the right heap; its middle is then found without it.
            const double t = round < kRounds / 2 ? near * (1 + (c.a * c.a + c.b * c.b) / (kGrey * kGrey)) : near,
                         w = z / (t * t);
            sum.share += w, sum.L += w * c.L, sum.a += w * c.a, sum.b += w * c.b;
            within += z / near, all += z;
        }
        if (sum.share <= 0)
            return {};
        cast = {sum.L / sum.share, sum.a / sum.share, sum.b / sum.share, sum.share / static_cast<double>(labs.size())};
    }
    if (std::hypot(cast.a, cast.b) > kFar && within < kMost * all)
        return {};
    return cast;
}

std::vector<OkLab> labsOf(const std::vector<Image>& pictures)
{
    std::vector<OkLab> labs;
    for (const Image& picture : pictures)
        for (int y = 0; y < picture.height(); ++y) {
            const float* p = picture.view().row(y);
            for (int x = 0; x < picture.width(); ++x, p += 3)
                labs.push_back(toOkLab(LinearRgb{std::clamp(p[0], 0.0f, 1.0f), std::clamp(p[1], 0.0f, 1.0f),
                                                 std::clamp(p[2], 0.0f, 1.0f)}));
        }
    return labs;
}

/// How much brighter or darker the corners are than the middle: a straight line in the square of the distance, through
/// the median of rings.
double cornersOf(ImageView picture)
{
    constexpr int kRings = 8;
    std::vector<double> rings[kRings];
    const double half = std::hypot(picture.width, picture.height) / 2;
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + 3 * x;
            const double r = std::hypot(x + 0.5 - picture.width / 2.0, y + 0.5 - picture.height / 2.0) / half;
            rings[std::min(kRings - 1, static_cast<int>(r * r * kRings))].push_back(
                stopsOf(toOkLab(LinearRgb{p[0], p[1], p[2]}).L));
        }
    double n = 0, sx = 0, sy = 0, sxx = 0, sxy = 0;
    for (int i = 0; i < kRings; ++i) {
        if (rings[i].empty())
            continue;
        const double x = (i + 0.5) / kRings, y = median(rings[i]);
        ++n, sx += x, sy += y, sxx += x * x, sxy += x * y;
    }
    const double d = n * sxx - sx * sx;
    return d > 0 ? std::clamp((n * sxy - sx * sy) / d, -20.0, 20.0) : 0;
}

/// Light as colour at a zone's tone.
OkLab atTone(const LinearRgb& light, double L)
{
    const OkLab lab = toOkLab(light);
    return lab.L > 1e-9 ? OkLab{L, lab.a * L / lab.L, lab.b * L / lab.L} : OkLab{L, 0, 0};
}

struct Zones {
    LinearRgb sum[kCastZones]{};
    double weight[kCastZones]{}, L[kCastZones]{};
    void add(const LinearRgb& c, double tone)
    {
        const auto zones = zonesAt(tone);
        for (std::size_t k = 0; k < kCastZones; ++k) {
            const double w = zones[k];
            sum[k].r += w * c.r, sum[k].g += w * c.g, sum[k].b += w * c.b;
            weight[k] += w, L[k] += w * tone;
        }
    }
};

/// By changes from pixel to pixel, then by the sixth power.
std::vector<ColourTrait> otherCastsOf(const std::vector<Image>& pictures)
{
    constexpr double kPower = 6;
    Zones edges, powers;
    std::size_t pixels = 0;
    for (const Image& picture : pictures)
        for (int y = 0; y + 1 < picture.height(); ++y)
            for (int x = 0; x + 1 < picture.width(); ++x, ++pixels) {
                const float *p = picture.view().row(y) + 3 * x, *below = picture.view().row(y + 1) + 3 * x;
                double c[3], change[3], power[3];
                for (int k = 0; k < 3; ++k) {
                    const auto light = [](float v) { return std::clamp(static_cast<double>(v), 0.0, 1.0); };
                    c[k] = light(p[k]);
                    change[k] = std::hypot(light(p[k + 3]) - c[k], light(below[k]) - c[k]);
                    power[k] = c[k] * c[k] * c[k] * c[k] * c[k] * c[k];
                }
                const double L = toOkLab(LinearRgb{c[0], c[1], c[2]}).L;
                edges.add({change[0], change[1], change[2]}, L), powers.add({power[0], power[1], power[2]}, L);
            }
    std::vector<ColourTrait> casts;
    for (const bool isPower : {false, true})
        for (std::size_t k = 0; k < kCastZones; ++k) {
            const Zones& z = isPower ? powers : edges;
            const double w = std::max(z.weight[k], 1e-12);
            LinearRgb light{z.sum[k].r / w, z.sum[k].g / w, z.sum[k].b / w};
            if (isPower)
                light = {std::pow(light.r, 1 / kPower), std::pow(light.g, 1 / kPower), std::pow(light.b, 1 / kPower)};
            const OkLab cast = atTone(light, z.L[k] / w);
            casts.push_back(
                {cast.L, cast.a, cast.b, pixels ? std::min(1.0, z.weight[k] / static_cast<double>(pixels)) : 0, 0, {}});
        }
    return casts;
}

/// The mean over the pictures that have any.
std::vector<ValueTrait> fallsOf(const std::vector<Image>& pictures)
{
    Falls sum{};
    int found = 0;
    for (const Image& picture : pictures)
        if (const auto falls = lightByPlace(picture.view())) {
            for (std::size_t k = 0; k < kFalls; ++k)
                sum[k] += (*falls)[k];
            ++found;
        }
    std::vector<ValueTrait> traits;
    for (std::size_t k = 0; k < kFalls && found; ++k)
        traits.push_back({sum[k] / found, 0, {}});
    return traits;
}

/// Quantiles of each picture, and of several their mean: what they have in common.
std::vector<ToneTrait> tonesOf(const std::vector<Image>& pictures, const std::vector<OkLab>& labs)
{
    std::vector<ToneTrait> tones(std::size(kQuantiles));
    std::size_t at = 0;
    for (const Image& picture : pictures) {
        std::vector<float> own;
        const std::size_t count =
            static_cast<std::size_t>(picture.width()) * static_cast<std::size_t>(picture.height());
        for (std::size_t i = at; i < at + count; ++i)
            own.push_back(static_cast<float>(labs[i].L));
        at += count;
        const std::vector<double> found = quantiles(own, kQuantiles);
        for (std::size_t i = 0; i < tones.size(); ++i)
            tones[i].tone += found[i] / static_cast<double>(pictures.size());
    }
    return tones;
}

/// A sum of weighted colours as their mean; nothing for no weight.
ColourTrait meanTrait(const ColourTrait& sum, std::size_t pixels)
{
    if (sum.share <= 0)
        return {};
    return {sum.L / sum.share,
            sum.a / sum.share,
            sum.b / sum.share,
            std::min(1.0, sum.share / static_cast<double>(pixels)),
            0,
            {}};
}

void addTo(ColourTrait& sum, const OkLab& c, double weight)
{
    sum.share += weight, sum.L += weight * c.L, sum.a += weight * c.a, sum.b += weight * c.b;
}

std::vector<ColourTrait> castsOf(const std::vector<OkLab>& labs, const Membership& members)
{
    std::vector<ColourTrait> casts(kCastZones);
    for (std::size_t i = 0; i < labs.size(); ++i) {
        const auto zones = zonesAt(labs[i].L);
        for (std::size_t k = 0; k < kCastZones; ++k)
            addTo(casts[k], labs[i], zones[k] * members.neutral[i]);
    }
    for (ColourTrait& cast : casts)
        cast = meanTrait(cast, labs.size());
    return casts;
}

/// Without the cast that lies over them.
std::vector<ColourTrait> familiesOf(const std::vector<OkLab>& labs, const Membership& members,
                                    const std::vector<ColourTrait>& casts)
{
    std::vector<ColourTrait> families(members.families);
    for (std::size_t i = 0; i < labs.size(); ++i) {
        OkLab own = labs[i];
        const auto zones = zonesAt(own.L);
        for (std::size_t k = 0; k < kCastZones; ++k)
            own.a -= zones[k] * casts[k].a, own.b -= zones[k] * casts[k].b;
        for (std::size_t k = 0; k < members.families; ++k)
            if (const double w = members.ofFamilies[i * members.families + k]; w > 0)
                addTo(families[k], own, w);
    }
    for (ColourTrait& family : families)
        family = meanTrait(family, labs.size());
    return families;
}

/// One of several, colours counted by how much of each picture has them.
template <class TraitOf>
ColourTrait meanOfTraits(const std::vector<Fingerprint>& all, const TraitOf& traitOf)
{
    ColourTrait mean;
    double most = 0;
    for (const Fingerprint& one : all)
        if (const ColourTrait* t = traitOf(one))
            addTo(mean, {t->L, t->a, t->b}, t->share), most = std::max(most, t->share);
    if (mean.share > 0)
        mean.L /= mean.share, mean.a /= mean.share, mean.b /= mean.share;
    for (const Fingerprint& one : all)
        if (const ColourTrait* t = traitOf(one); t && t->share > most / 10)
            mean.spread = std::max(mean.spread, std::hypot(t->a - mean.a, t->b - mean.b));
    mean.share /= static_cast<double>(all.size());
    return mean;
}

/// Of a number of each picture the mean and half the range.
template <class ValueOf>
std::pair<double, double> middleAndSpread(const std::vector<Fingerprint>& all, const ValueOf& value)
{
    double low = value(all.front()), high = low, sum = 0;
    for (const Fingerprint& one : all) {
        const double v = value(one);
        low = std::min(low, v), high = std::max(high, v), sum += v;
    }
    return {sum / static_cast<double>(all.size()), (high - low) / 2};
}

void combineValues(const std::vector<Fingerprint>& all, std::vector<ValueTrait> Fingerprint::*list, Fingerprint& f)
{
    for (std::size_t i = 0; i < (f.*list).size(); ++i)
        std::tie((f.*list)[i].value, (f.*list)[i].spread) = middleAndSpread(all, [&](const Fingerprint& one) {
            return i < (one.*list).size() ? (one.*list)[i].value : (f.*list)[i].value;
        });
}

}  // namespace

Image forMatching(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kMatchEdge);
    return reduceByArea(picture, size.width, size.height);
}

Membership membershipOf(const std::vector<Image>& pictures, bool isFinished)
{
    constexpr double kNear = 0.02;
    Membership m;
    const std::vector<OkLab> labs = labsOf(pictures);
    std::array<Cast, kCastZones> casts;
    for (std::size_t k = 0; k < kCastZones; ++k)
        casts[k] = castIn(labs, k);
    const auto& shares = sharesByHue();
    m.families = shares.front().size();
    m.neutral.reserve(labs.size()), m.ofFamilies.reserve(labs.size() * m.families);
    for (const OkLab& c : labs) {
        const auto zones = zonesAt(c.L);
        double a = c.a, b = c.b, found = 0;
        for (std::size_t k = 0; k < kCastZones; ++k)
            a -= zones[k] * casts[k].a, b -= zones[k] * casts[k].b, found += casts[k].share > 0 ? zones[k] : 0;
        const double square = a * a + b * b, t = 1 + square / (kNear * kNear);
        m.neutral.push_back(static_cast<float>(found / (t * t)));
        if (!isFinished)
            a = c.a, b = c.b;
        const double chroma = a * a + b * b, coloured = chroma / (chroma + kNeutralChroma * kNeutralChroma);
        const auto& row =
            shares[static_cast<std::size_t>((std::atan2(b, a) / (2 * std::numbers::pi) + 1) * kHues) % kHues];
        for (std::size_t k = 0; k < m.families; ++k)
            m.ofFamilies.push_back(static_cast<float>(coloured * row[k]));
    }
    return m;
}

Fingerprint measureForMatch(const std::vector<Image>& pictures, const Membership& members)
{
    Fingerprint f;
    const std::vector<OkLab> labs = labsOf(pictures);
    if (labs.empty() || members.neutral.size() != labs.size())
        return f;
    f.references = static_cast<double>(pictures.size());
    f.tones = tonesOf(pictures, labs);
    f.casts = castsOf(labs, members), f.otherCasts = otherCastsOf(pictures);
    f.families = familiesOf(labs, members, f.casts);
    f.falls = fallsOf(pictures);
    return f;
}

double starOf(const Fingerprint& f, std::size_t quantile)
{
    return quantile < f.tones.size() ? lightnessStar(f.tones[quantile].tone) : 0;
}

std::vector<ValueTrait> frameTraits(const std::vector<Image>& pictures)
{
    std::vector<ValueTrait> traits(3);
    for (const Image& picture : pictures) {
        const Spot eye = eyeGoesTo(picture.view());
        const double own[] = {static_cast<double>(picture.width()) / picture.height(), eye.x, eye.y};
        for (std::size_t k = 0; k < traits.size(); ++k)
            traits[k].value += own[k] / static_cast<double>(pictures.size());
    }
    return traits;
}

std::vector<ValueTrait> textureTraits(ImageView picture)
{
    std::vector<ValueTrait> traits;
    for (const double value : texturesOf(picture))
        traits.push_back({value, 0, {}});
    return traits;
}

Fingerprint fingerprintOf(ImageView picture, const std::string& name, double longEdge, double quality)
{
    std::vector<Image> small;
    small.push_back(forMatching(picture));
    Fingerprint f = measureForMatch(small, membershipOf(small, true));
    f.name = name, f.longEdge = longEdge, f.quality = quality;
    f.cornerStops = cornersOf(small.front().view());
    f.frame = frameTraits(small);
    f.frame[0].value = static_cast<double>(picture.width) / picture.height;
    f.textures = textureTraits(forTexture(picture, longEdge).view());
    f.grain = f.textures[static_cast<std::size_t>(Texture::Grain)].value / 100;
    return f;
}

Result<Fingerprint> fingerprintOfFile(const std::filesystem::path& path)
{
    constexpr int kEdge = 1600;
    const auto picture = readReduced(path, kEdge, true);
    if (!picture)
        return tl::make_unexpected(picture.error());
    constexpr double kSmallest = 64, kFlat = 4;
    const double edge = std::max(picture->info.width, picture->info.height);
    if (edge < kSmallest)
        return fail("too small to be measured", path.filename().string(), "at least 64 pixels",
                    std::to_string(static_cast<int>(edge)));
    Fingerprint f = fingerprintOf(picture->image.view(), path.filename().string(), edge,
                                  picture->info.format == "jpeg" ? jpegQuality(path) : 100);
    if (lightnessStar(f.tones[6].tone) - lightnessStar(f.tones[2].tone) < kFlat)
        return fail("the picture is flat: there is nothing to match to", path.filename().string());
    return f;
}

Fingerprint combined(const std::vector<Fingerprint>& all)
{
    if (all.size() < 2)
        return all.empty() ? Fingerprint{} : all.front();
    Fingerprint f = all.front();
    f.references = 0;
    const auto range = [&](auto&& value) { return middleAndSpread(all, value); };
    for (const Fingerprint& one : all) {
        f.references += one.references;
        f.longEdge = std::min(f.longEdge, one.longEdge), f.quality = std::min(f.quality, one.quality);
        if (&one != &all.front())
            f.name += ", " + one.name;
    }
    for (std::size_t i = 0; i < f.tones.size(); ++i)
        std::tie(f.tones[i].tone, f.tones[i].spread) =
            range([&](const Fingerprint& one) { return i < one.tones.size() ? one.tones[i].tone : f.tones[i].tone; });
    const auto colours = [&](std::vector<ColourTrait> Fingerprint::*list) {
        for (std::size_t i = 0; i < (f.*list).size(); ++i)
            (f.*list)[i] = meanOfTraits(all, [&](const Fingerprint& one) -> const ColourTrait* {
                return i < (one.*list).size() ? &(one.*list)[i] : nullptr;
            });
    };
    colours(&Fingerprint::casts), colours(&Fingerprint::otherCasts), colours(&Fingerprint::families);
    for (const auto list : {&Fingerprint::frame, &Fingerprint::falls, &Fingerprint::textures})
        combineValues(all, list, f);
    f.grain = range([](const Fingerprint& one) { return one.grain; }).first;
    f.cornerStops = range([](const Fingerprint& one) { return one.cornerStops; }).first;
    return f;
}

}  // namespace amber
