#include "core/analysis/palette_test.h"

#include "core/colour/oklab.h"
#include "core/measure/main_colours.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {
namespace {

constexpr int kColours = 12;

LinearRgb pixel(ImageView image, int x, int y)
{
    const float* p = image.row(y) + 3 * x;
    return {p[0], p[1], p[2]};
}

LinearRgb pixelAt(ImageView image, double x, double y)
{
    return pixel(image, std::clamp(static_cast<int>(x * image.width), 0, image.width - 1),
                 std::clamp(static_cast<int>(y * image.height), 0, image.height - 1));
}

/// Signed degrees from the edge of the nearest hue of the plan; 0 inside of it.
double offPlan(const std::vector<PlanHue>& plan, double hueDegrees, int& nearest)
{
    double least = 1e9;
    for (std::size_t i = 0; i < plan.size(); ++i) {
        const double from = hueDifference(plan[i].hue, hueDegrees);
        const double off = std::max(0.0, std::abs(from) - plan[i].width / 2);
        if (off < std::abs(least))
            least = std::copysign(off, from), nearest = static_cast<int>(i);
    }
    return least;
}

void judge(PaletteColour& colour, const std::vector<PlanHue>& plan)
{
    const OkLch after = toOkLch(toOkLab(colour.after));
    colour.weight = colour.share * after.chroma;
    if (after.chroma < kQuietChroma) {
        colour.standing = PaletteColour::Standing::Quiet;
        return;
    }
    colour.degreesOff = offPlan(plan, after.hueDegrees, colour.hue);
    colour.standing = colour.degreesOff == 0 ? PaletteColour::Standing::Lands : PaletteColour::Standing::Fights;
}

std::vector<Image> through(const RenderPlan& plan, const std::vector<Image>& pictures)
{
    std::vector<Image> after;
    for (const Image& picture : pictures) {
        after.emplace_back(picture.width(), picture.height());
        render(plan, picture.view(), after.back().mutableView(), {},
               {RenderOptions::Stage::All, std::max(picture.width(), picture.height())});
    }
    return after;
}

}  // namespace

std::vector<PlanHue> planOf(const std::vector<Image>& pictures)
{
    constexpr int kBins = 72;
    constexpr double kWidth = 60, kLeast = 0.15;
    std::array<double, kBins> colour{};
    double all = 0;
    for (const Image& image : pictures)
        for (int y = 0; y < image.height(); y += 2)
            for (int x = 0; x < image.width(); x += 2)
                if (const OkLch c = toOkLch(toOkLab(pixel(image.view(), x, y))); c.chroma >= kQuietChroma)
                    colour[static_cast<std::size_t>(c.hueDegrees / 360 * kBins) % kBins] += c.chroma, all += c.chroma;
    std::vector<PlanHue> plan;
    constexpr int kReach = static_cast<int>(kWidth / 360 * kBins / 2);
    for (int round = 0; round < 2 && all > 0; ++round) {
        double most = 0, middle = 0;
        int best = 0;
        for (int i = 0; i < kBins; ++i) {
            double within = 0, moment = 0;
            for (int j = -kReach; j <= kReach; ++j) {
                const double here = colour[static_cast<std::size_t>((i + j + kBins) % kBins)];
                within += here, moment += j * here;
            }
            if (within > most)
                most = within, middle = moment, best = i;
        }
        if (most < kLeast * all)
            break;
        plan.push_back({wrapDegrees((best + 0.5 + middle / most) * 360 / kBins), kWidth, {}});
        for (int j = -kReach; j <= kReach; ++j)
            colour[static_cast<std::size_t>((best + j + kBins) % kBins)] = 0;
    }
    return plan;
}

Result<PaletteTest> paletteTest(const Look& look, ImageView picture, const std::vector<Image>& own)
{
    const auto plan = RenderPlan::compile(look);
    if (!plan)
        return tl::make_unexpected(plan.error());
    PaletteTest test;
    test.plan = look.card.plan;
    if (test.plan.empty())
        test.plan = planOf(through(*plan, own)), test.isPlanFound = true;
    if (test.plan.empty())
        return fail("the look has no colour plan, and there is no coloured frame to take one from", look.name,
                    "hues in the look's intent", "none");
    test.after = Image(picture.width, picture.height);
    render(*plan, picture, test.after.mutableView(), {},
           {RenderOptions::Stage::All, std::max(picture.width, picture.height)});
    double all = 0;
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const OkLch c = toOkLch(toOkLab(pixel(test.after.view(), x, y)));
            int nearest = -1;
            all += c.chroma;
            if (c.chroma >= kQuietChroma)
                (offPlan(test.plan, c.hueDegrees, nearest) == 0 ? test.landing : test.fighting) += c.chroma;
        }
    if (all > 0)
        test.landing /= all, test.fighting /= all;
    for (const MainColour& main : mainColours(picture, kColours)) {
        PaletteColour colour{pixelAt(picture, main.x, main.y), pixelAt(test.after.view(), main.x, main.y), main.share,
                             main.x, main.y};
        judge(colour, test.plan);
        (colour.standing == PaletteColour::Standing::Lands    ? test.lands
         : colour.standing == PaletteColour::Standing::Fights ? test.fights
                                                              : test.quiet)
            .push_back(colour);
    }
    for (auto* list : {&test.lands, &test.fights, &test.quiet})
        std::stable_sort(list->begin(), list->end(),
                         [](const PaletteColour& a, const PaletteColour& b) { return a.weight > b.weight; });
    return test;
}

}  // namespace amber
