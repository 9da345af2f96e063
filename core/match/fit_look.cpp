#include "core/match/fit_look.h"

#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/match/even_colours.h"
#include "core/match/rest_table.h"
#include "core/match/through_look.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {
namespace {

using ColourPairs = std::pair<std::vector<LinearRgb>, std::vector<LinearRgb>>;

/// OKLab L between 5 and 95 %.
double toneSpread(const std::vector<LinearRgb>& colours)
{
    std::vector<double> tones;
    for (const LinearRgb& c : colours)
        tones.push_back(toOkLab(c).L);
    const std::vector<double> ends = quantiles(tones, std::array{0.05, 0.95});
    return ends[1] - ends[0];
}

/// What of the pairs can be told from.
Result<ColourPairs> usablePairs(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after)
{
    constexpr std::size_t kLeast = 60;
    constexpr double kAlike = 0.03, kClipped = 0.5;
    ColourPairs pairs;
    std::size_t clipped = 0;
    for (std::size_t i = 0; i < std::min(before.size(), after.size()); ++i) {
        if (isAtAnEnd(after[i]))
            ++clipped;
        else
            pairs.first.push_back(before[i]), pairs.second.push_back(after[i]);
    }
    if (before.size() != after.size() || before.size() < kLeast)
        return fail("too few colours are seen in both pictures", {}, "at least " + std::to_string(kLeast),
                    std::to_string(std::min(before.size(), after.size())));
    if (static_cast<double>(clipped) > kClipped * static_cast<double>(before.size()) || pairs.first.size() < kLeast)
        return fail("most colours are clipped after the treatment: where they came from cannot be told", {}, {},
                    std::to_string(100 * clipped / before.size()) + " % clipped");
    if (toneSpread(pairs.first) < kAlike)
        return fail("the picture before is flat: its colours are all alike");
    if (toneSpread(pairs.second) < kAlike)
        return fail("the picture after is flat: nothing can be told from it");
    return pairs;
}

/// Common colours count for more, but not by as much as they are more common. The mean is 1.
std::vector<double> weightsOf(const std::vector<int>& members)
{
    std::vector<double> weights;
    double sum = 0;
    for (const int count : members)
        weights.push_back(std::sqrt(count)), sum += weights.back();
    for (double& w : weights)
        w *= static_cast<double>(weights.size()) / sum;
    return weights;
}

/// Colours of a lattice of sRGB codes.
std::vector<LinearRgb> lattice(int steps)
{
    std::vector<LinearRgb> colours;
    for (int n = 0; n < steps * steps * steps; ++n)
        colours.push_back(decode(RgbSpace::Srgb, {n % steps / (steps - 1.0), n / steps % steps / (steps - 1.0),
                                                  n / (steps * steps) / (steps - 1.0)}));
    return colours;
}

/// What the model makes of colours that were not seen, less sure ones with less say. Strong colours are rare in
/// pictures.
constexpr int kLatticeSteps = 9, kCoarseSteps = 6;
void addForetold(WeighedPairs& pairs, const TreatmentModel& model, int steps)
{
    constexpr double kShare = 1, kSure = 0.06, kStrong = 0.1;
    const std::vector<LinearRgb> colours = lattice(steps);
    const std::vector<ForetoldColour> foretold = model.foretell(colours);
    double sum = 0;
    std::vector<double> weights;
    for (std::size_t i = 0; i < colours.size(); ++i) {
        const OkLab lab = toOkLab(colours[i]);
        const double strength = std::hypot(lab.a, lab.b) / kStrong;
        weights.push_back(1 / (1 + strength * strength) * kSure * kSure / (kSure * kSure + foretold[i].variance()));
        sum += weights.back();
    }
    const double scale = kShare * static_cast<double>(pairs.seen) / sum;
    for (std::size_t i = 0; i < colours.size(); ++i)
        pairs.before.push_back(colours[i]),
            pairs.after.push_back(decode(RgbSpace::Srgb, TreatmentModel::held(colours[i], foretold[i]))),
            pairs.weights.push_back(scale * weights[i]);
}

/// What the steps cannot say of what was seen and of what the model foretells, as far as that is sure.
Step restStep(const Look& look, const TreatmentModel& model, std::vector<LinearRgb> from, std::vector<LinearRgb> to)
{
    constexpr int kSteps = 13;
    constexpr double kSure = 0.03;
    const std::vector<LinearRgb> colours = lattice(kSteps), made = through(look, colours);
    const std::vector<ForetoldColour> foretold = model.foretell(colours);
    for (std::size_t i = 0; i < colours.size(); ++i) {
        const EncodedRgb own = encode(RgbSpace::Srgb, made[i]), likely = foretold[i].code;
        const double sure = kSure * kSure / (kSure * kSure + foretold[i].variance());
        from.push_back(colours[i]);
        to.push_back(decode(RgbSpace::Srgb, {own.r + sure * (likely.r - own.r), own.g + sure * (likely.g - own.g),
                                             own.b + sure * (likely.b - own.b)}));
    }
    Step step;
    step.parameters = lookupTable(restTable(through(look, from), to), "what the steps cannot say");
    return step;
}

DifferenceSummary difference(const std::vector<LinearRgb>& some, const std::vector<LinearRgb>& others)
{
    std::vector<double> all;
    for (std::size_t i = 0; i < some.size(); ++i)
        all.push_back(ciede2000(some[i], others[i]));
    return summarise(std::move(all));
}

/// The model, and the steps fitted to what was seen and to what it foretells; not yet the table.
Result<FittedLook> modelAndSteps(const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to,
                                 const std::vector<int>& members, const std::function<bool(double)>& tell,
                                 const CancelToken& cancel)
{
    constexpr double kAlready = 0.05;
    FittedLook result;
    result.colours = static_cast<int>(from.size());
    result.untouched = difference(from, to);
    if (result.untouched.mean < kAlready)
        return fail("before and after do not differ: there is nothing to fit");
    result.model = TreatmentModel::learn(from, to, cancel);
    if (!tell(0.1))
        return fail("given up");
    WeighedPairs weighed{from, to, weightsOf(members), from.size(), result.model.leftOut()};
    addForetold(weighed, result.model, kLatticeSteps);
    auto stepped = fitSteps(weighed, tell, cancel);
    if (!stepped)
        return tl::make_unexpected(stepped.error());
    result.look = std::move(stepped->look), result.stages = std::move(stepped->stages);
    return result;
}

/// The field of a chessboard of hue by tone that a colour lies on; greys are a hue of their own.
bool isOnOddField(const LinearRgb& colour)
{
    constexpr double kGrey = 0.02, kHues = 6, kTones = 5;
    const OkLab lab = toOkLab(colour);
    const OkLch lch = toOkLch(lab);
    const int hue = lch.chroma < kGrey ? 0 : 1 + static_cast<int>(wrapDegrees(lch.hueDegrees) / 360 * kHues),
              tone = static_cast<int>(std::clamp(lab.L, 0.0, 0.999) * kTones);
    return (hue + tone) % 2 == 1;
}

/// The stages of steps fitted to one half of the board, told on the other.
std::vector<FitStage> stagesOnHalf(const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to,
                                   const std::vector<int>& members, bool odd, const CancelToken& cancel)
{
    constexpr std::size_t kLeast = 40;
    WeighedPairs pairs;
    std::vector<int> own;
    for (std::size_t i = 0; i < from.size(); ++i) {
        const bool isKept = isOnOddField(from[i]) == odd;
        (isKept ? pairs.keptBefore : pairs.before).push_back(from[i]);
        (isKept ? pairs.keptAfter : pairs.after).push_back(to[i]);
        if (!isKept)
            own.push_back(members[i]);
    }
    if (std::min(pairs.before.size(), pairs.keptBefore.size()) < kLeast)
        return {};
    pairs.weights = weightsOf(own), pairs.seen = pairs.before.size();
    const TreatmentModel model = TreatmentModel::learn(pairs.before, pairs.after, cancel);
    pairs.modelLeaves = model.leftOut();
    addForetold(pairs, model, kCoarseSteps);
    const auto stepped = fitSteps(
        pairs, [&](double) { return !cancel.isCancelled(); }, cancel);
    return stepped ? stepped->stages : std::vector<FitStage>{};
}

/// Tells of each stage what its kind does to colours that were kept from the fit, as a mean over both halves; a kind
/// that a half does without does nothing there.
void tellUnseen(std::vector<FitStage>& stages, std::vector<LinearRgb> from, std::vector<LinearRgb> to,
                const CancelToken& cancel)
{
    constexpr std::size_t kMost = 240;
    const std::vector<int> members = thinOut(from, to, kMost);
    std::array<std::vector<FitStage>, 2> halves;
    inParallel(halves.size(), [&](std::size_t i) { halves[i] = stagesOnHalf(from, to, members, i == 1, cancel); });
    if (halves[0].empty() || halves[1].empty())
        return;
    std::array<double, 2> last{halves[0].front().unseenBefore, halves[1].front().unseenBefore};
    for (FitStage& stage : stages) {
        stage.unseenBefore = (last[0] + last[1]) / 2;
        for (std::size_t h = 0; h < halves.size(); ++h)
            for (const FitStage& own : halves[h])
                if (own.what == stage.what)
                    last[h] = own.unseenAfter;
        stage.unseenAfter = (last[0] + last[1]) / 2;
    }
}

}  // namespace

bool isAtAnEnd(const LinearRgb& after)
{
    const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), after);
    const double most = std::max({own.r, own.g, own.b});
    return most > 0.995 || most < 0.0004;
}

Result<FittedLook> fitLook(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after,
                           const FitOptions& options, const std::function<void(double)>& progress,
                           const CancelToken& cancel)
{
    longCall("fitLook");
    constexpr std::size_t kMost = 900;
    auto pairs = usablePairs(before, after);
    if (!pairs)
        return tl::make_unexpected(pairs.error());
    auto& [from, to] = *pairs;
    const std::vector<int> members = thinOut(from, to, kMost);
    const auto tell = [&](double at) {
        if (progress)
            progress(at);
        return !cancel.isCancelled();
    };
    auto result = modelAndSteps(from, to, members, tell, cancel);
    if (!result)
        return result;
    if (options.tellUnseen)
        tellUnseen(result->stages, from, to, cancel);
    if (options.table)
        result->look.steps.push_back(restStep(result->look, result->model, from, to));
    for (Step& step : result->look.steps)
        step.note = "fitted";
    result->left = difference(through(result->look, from), to);
    if (options.table)
        result->stages.push_back({"Table",
                                  result->stages.empty() ? result->untouched.mean : result->stages.back().after,
                                  result->left.mean, -1, -1});
    tell(1);
    return result;
}

}  // namespace amber
