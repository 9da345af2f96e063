#include "core/match/texture.h"

#include "core/base/parallel.h"
#include "core/base/phrase.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/match/merge_group.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace amber {
namespace {

struct LabGrid {
    int width = 0, height = 0;
    std::vector<OkLab> all;
    const OkLab& at(int x, int y) const { return all[static_cast<std::size_t>(y) * width + x]; }
};

LabGrid labGridOf(ImageView picture)
{
    LabGrid labs{picture.width, picture.height, {}};
    labs.all.resize(static_cast<std::size_t>(picture.width) * static_cast<std::size_t>(picture.height));
    inParallel(picture.height, [&](int y) {
        const float* p = picture.row(y);
        OkLab* out = labs.all.data() + static_cast<std::ptrdiff_t>(y) * picture.width;
        for (int x = 0; x < picture.width; ++x, p += 3)
            out[x] = toOkLab(
                LinearRgb{std::clamp(p[0], 0.0f, 1.0f), std::clamp(p[1], 0.0f, 1.0f), std::clamp(p[2], 0.0f, 1.0f)});
    });
    return labs;
}

Image under(const Look& look, ImageView picture, const std::shared_ptr<const RoleMasks>& masks = {})
{
    Image out(picture.width, picture.height);
    if (const auto plan = RenderPlan::compile(look))
        render(*plan, picture, out.mutableView(), {}, {RenderOptions::Stage::All, 0, 0, 0, masks});
    return out;
}

template <class Parameters>
Look ofOneStep(const Parameters& parameters)
{
    Look look;
    look.steps.emplace_back();
    look.steps.back().parameters = parameters;
    return look;
}

double localContrastOf(ImageView picture)
{
    constexpr int kEdge = 320;  // grain is gone
    const Size size = fitted({picture.width, picture.height}, kEdge);
    const Image small = reduceByArea(picture, size.width, size.height);
    LocalContrast flat;
    flat.amount = -1;
    const LabGrid own = labGridOf(small.view()), surroundings = labGridOf(under(ofOneStep(flat), small.view()).view());
    double sum = 0;
    for (std::size_t i = 0; i < own.all.size(); ++i)
        sum += std::abs(own.all[i].L - surroundings.all[i].L);
    return 100 * sum / static_cast<double>(own.all.size());
}

double edgesOf(const LabGrid& labs)
{
    constexpr int kReach = 3;
    constexpr double kStrong = 0.12;
    std::vector<double> steep;
    const auto across = [&](int x, int y, int dx, int dy) {
        double low = 2, high = -1, most = 0, before = 0;
        for (int k = -kReach; k <= kReach; ++k) {
            const double L = labs.at(x + k * dx, y + k * dy).L;
            low = std::min(low, L), high = std::max(high, L);
            if (k > -kReach)
                most = std::max(most, std::abs(L - before));
            before = L;
        }
        if (high - low > kStrong)
            steep.push_back(most / (high - low));
    };
    constexpr int kEvery = 4;
    for (int y = kReach; y + kReach < labs.height; y += kEvery)
        for (int x = kReach; x + kReach < labs.width; x += kEvery)
            across(x, y, 1, 0), across(x, y, 0, 1);
    constexpr std::size_t kEnough = 50;
    return steep.size() < kEnough ? 0 : median(steep);
}

/// Variances of what passes no plane, per block at mid tones: of L, and of a and b.
void addBlock(const LabGrid& labs, int u, int v, std::vector<double>& ofL, std::vector<double>& ofColour)
{
    constexpr int kBlock = 8;
    constexpr double kDark = 0.3, kLight = 0.85, kCount = (kBlock - 1) * (kBlock - 1);
    double mean = 0, sumL = 0, sumColour = 0;
    for (int y = v; y < v + kBlock; ++y)
        for (int x = u; x < u + kBlock; ++x) {
            mean += labs.at(x, y).L / (kBlock * kBlock);
            if (x == u || y == v)
                continue;
            const OkLab &p = labs.at(x, y), &left = labs.at(x - 1, y), &above = labs.at(x, y - 1),
                        &corner = labs.at(x - 1, y - 1);
            const double L = p.L - left.L - above.L + corner.L, a = p.a - left.a - above.a + corner.a,
                         b = p.b - left.b - above.b + corner.b;
            // Its variance is four times that of the grain.
            sumL += L * L / (4 * kCount), sumColour += (a * a + b * b) / (4 * kCount);
        }
    if (mean >= kDark && mean <= kLight)
        ofL.push_back(std::sqrt(sumL)), ofColour.push_back(std::sqrt(sumColour));
}

/// The texture's step in the group; made when it is missing.
template <class T>
std::size_t ownStep(Look& look, const std::string& group)
{
    for (std::size_t i = 0; i < look.steps.size(); ++i)
        if (look.steps[i].group == group && std::holds_alternative<T>(look.steps[i].parameters)) {
            look.steps[i].enabled = true;
            return i;
        }
    Step made;
    made.parameters = T{};
    made.group = group;
    const std::size_t at = std::is_same_v<T, Grain> ? look.steps.size() : beforePaper(look);
    look.steps.insert(look.steps.begin() + static_cast<std::ptrdiff_t>(at), made);
    return at;
}

/// The amount between these limits at which the measure, which grows with it, is as wanted.
template <class T>
Result<Look> broughtTo(Look look, ImageView picture, Texture texture, double wanted, const std::string& group,
                       std::pair<double, double> limits, const std::shared_ptr<const RoleMasks>& masks,
                       const CancelToken& cancel)
{
    constexpr int kHalvings = 9;
    const std::size_t step = ownStep<T>(look, group);
    if (look.steps.size() > kStepLimit)
        return fail("the look has no room for further steps", {}, phrase("at most %1", {std::to_string(kStepLimit)}),
                    std::to_string(look.steps.size() - 1));
    auto [low, high] = limits;
    double& amount = std::get<T>(look.steps[step].parameters).amount;
    for (int i = 0; i < kHalvings && !cancel.isCancelled(); ++i) {
        amount = (low + high) / 2;
        const double is = texturesOf(under(look, picture, masks).view())[static_cast<std::size_t>(texture)];
        (is < wanted ? low : high) = amount;
    }
    amount = std::round(1000 * (low + high) / 2) / 1000;
    return look;
}

}  // namespace

Textures texturesOf(ImageView picture)
{
    constexpr int kBlock = 8;
    const LabGrid labs = labGridOf(picture);
    std::vector<double> ofL, ofColour;
    for (int v = 0; v + kBlock <= labs.height; v += kBlock)
        for (int u = 0; u + kBlock <= labs.width; u += kBlock)
            addBlock(labs, u, v, ofL, ofColour);
    const auto evenest = [](std::vector<double>& of) { return of.empty() ? 0 : 100 * quantile(of, 0.1); };
    return {localContrastOf(picture), edgesOf(labs), evenest(ofL), evenest(ofColour)};
}

Image forTexture(ImageView picture, double referenceEdge)
{
    const int edge = referenceEdge > 0 ? std::min(kTextureEdge, static_cast<int>(referenceEdge)) : kTextureEdge;
    const Size size = fitted({picture.width, picture.height}, edge);
    return reduceByArea(picture, size.width, size.height);
}

Result<Look> takeTexture(const Look& look, ImageView picture, Texture texture, double wanted, const std::string& group,
                         const std::shared_ptr<const RoleMasks>& masks, const CancelToken& cancel)
{
    switch (texture) {
    case Texture::LocalContrast:
        return broughtTo<LocalContrast>(look, picture, texture, wanted, group, {-1, 2}, masks, cancel);
    case Texture::Edges:
        return broughtTo<FineDetail>(look, picture, texture, wanted, group, {-1, 3}, masks, cancel);
    case Texture::Grain:
        return broughtTo<Grain>(look, picture, texture, wanted, group, {0, 0.12}, masks, cancel);
    case Texture::Noise:
        break;
    }
    return fail("noise is of the file and not of the look");
}

}  // namespace amber
