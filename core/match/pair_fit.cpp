#include "core/match/pair_fit.h"

#include "core/balance/light_groups.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/engine/bake.h"
#include "core/engine/render_plan.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/match/corner_fit.h"
#include "core/match/place_fit.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr int kEdge = 750;

Image small(ImageView picture, int edge)
{
    const Size size = fitted({picture.width, picture.height}, edge);
    return reduceByArea(picture, size.width, size.height);
}

/// Too soft or too strongly treated for features: then the pictures must lie on one another as they are.
Result<Registration> lyingAsTheyAre(ImageView from, ImageView to)
{
    constexpr double kAlike = 0.6;
    const double ratio = static_cast<double>(from.width) * to.height / (static_cast<double>(to.width) * from.height);
    const Image p = small(from, 64), q = small(to, 64);
    if (std::abs(ratio - 1) > 0.01 || p.width() != q.width() || p.height() != q.height() ||
        std::abs(likeness(p.view(), q.view())) < kAlike)
        return fail("the pictures do not show the same thing: nothing in one was found in the other");
    Registration registration;
    registration.fromRatio = static_cast<double>(from.width) / from.height;
    registration.toRatio = static_cast<double>(to.width) / to.height;
    return registration;
}

/// Also says how many things were found in both, and whether the pictures lie otherwise.
Result<Registration> laidOverEachOther(ImageView from, ImageView to, LaidPair& result)
{
    constexpr double kMoved = 0.004;
    constexpr int kFirm = 30;
    auto registration = registerFeatures(featuresOf(from), featuresOf(to));
    if (!registration || registration->matches < kFirm)
        return lyingAsTheyAre(from, to);
    result.matches = registration->matches;
    double far = 0;
    for (const auto& [x, y] : {std::pair(0.0, 0.0), std::pair(1.0, 0.0), std::pair(0.0, 1.0), std::pair(1.0, 1.0)}) {
        const Registration::Place at = registration->map({x, y});
        far = std::max(far, std::hypot(at.x - x, at.y - y));
    }
    result.wasMoved = far > kMoved;
    // What lies as it is needs no resampling by a homography that is only nearly the identity.
    if (!result.wasMoved)
        registration->m = Registration{}.m;
    return *registration;
}

/// What is seen of one pair: how it lies, and its colours, those after without the light of the corners.
struct SeenPair {
    LaidPair laid;
    PairColours colours;
    std::vector<LinearRgb> asTheyAre;  ///< the colours after, corners and all
    std::optional<Corners> corners;
};

Result<SeenPair> seenOf(const PicturePair& pair)
{
    constexpr int kAcross = 180;
    constexpr double kEvenMoved = 0.05, kEvenAsItLies = 0.12;
    const Image from = small(pair.before, kEdge), to = small(pair.after, kEdge);
    SeenPair result;
    const auto registration = laidOverEachOther(from.view(), to.view(), result.laid);
    if (!registration)
        return tl::make_unexpected(registration.error());
    result.laid.registration = *registration;
    const SeenTwice seen = coloursSeenTwice(from.view(), to.view(), *registration, kAcross,
                                            result.laid.wasMoved ? kEvenMoved : kEvenAsItLies);
    const double ratio = static_cast<double>(to.width()) / to.height();
    result.corners = cornersOf(seen, ratio);
    result.asTheyAre = seen.to, result.colours = {seen.from, seen.to};
    if (result.corners)
        result.colours.to = withoutCorners(seen, *result.corners, ratio);
    return result;
}

/// Edge darkening that more than half of the pairs have, by their middle.
std::optional<Corners> commonCorners(const std::vector<SeenPair>& pairs)
{
    std::vector<double> stops, begins;
    for (const SeenPair& pair : pairs)
        if (pair.corners)
            stops.push_back(pair.corners->stops), begins.push_back(pair.corners->begin);
    if (2 * stops.size() <= pairs.size())
        return std::nullopt;
    return Corners{median(stops), median(begins)};
}

/// Without colours that are clipped after the treatment, which must go before a pair's light is changed; unless they
/// are most of it.
void dropClipped(SeenPair& pair)
{
    SeenPair kept;
    for (std::size_t i = 0; i < pair.asTheyAre.size(); ++i)
        if (!isAtAnEnd(pair.asTheyAre[i])) {
            kept.colours.from.push_back(pair.colours.from[i]), kept.colours.to.push_back(pair.colours.to[i]);
            kept.asTheyAre.push_back(pair.asTheyAre[i]);
        }
    if (2 * kept.asTheyAre.size() >= pair.asTheyAre.size())
        pair.colours = std::move(kept.colours), pair.asTheyAre = std::move(kept.asTheyAre);
}

/// Holds the pairs against one another and puts together what goes together, each in the light of the treatment.
PairColours together(std::vector<SeenPair>& pairs, std::vector<LinearRgb>& asTheyAre, const CancelToken& cancel)
{
    std::vector<PairColours> colours;
    for (std::size_t p = 0; p < pairs.size() && pairs.size() > 1; ++p)
        dropClipped(pairs[p]);
    for (const SeenPair& pair : pairs)
        colours.push_back(pair.colours);
    const std::vector<Agreement> agree = agreement(colours, cancel);
    PairColours all;
    for (std::size_t p = 0; p < pairs.size(); ++p) {
        pairs[p].laid.agreement = agree[p];
        if (agree[p].isLeftOut)
            continue;
        const double factor = std::exp2(-agree[p].stops);
        for (std::size_t i = 0; i < colours[p].from.size(); ++i) {
            const LinearRgb& c = colours[p].to[i];
            all.from.push_back(colours[p].from[i]), all.to.push_back({factor * c.r, factor * c.g, factor * c.b});
            asTheyAre.push_back(pairs[p].asTheyAre[i]);
        }
    }
    return all;
}

/// A pair that lies as it is, before under the steps found and after in the light of the treatment.
struct AlignedPair {
    Image coloured, after;
};
AlignedPair aligned(const PicturePair& pair, const Look& look, double stops, int edge)
{
    AlignedPair result{small(pair.before, edge), small(pair.after, edge)};
    if (const auto plan = RenderPlan::compile(look)) {
        const Image before = result.coloured;
        render(*plan, before.view(), result.coloured.mutableView());
    }
    const auto factor = static_cast<float>(std::exp2(-stops));
    for (int i = 0; i < 3 * result.after.width() * result.after.height(); ++i)
        result.after.mutableView().data[i] *= factor;
    return result;
}

/// Pairs that can be held against each other pixel by pixel.
std::vector<std::size_t> aligningPairs(const std::vector<PicturePair>& pairs, const PairFit& fit)
{
    std::vector<std::size_t> which;
    for (std::size_t i = 0; i < pairs.size(); ++i)
        if (const LaidPair& laid = fit.pairs[i]; !laid.wasMoved && !laid.agreement.isLeftOut &&
                                                 pairs[i].before.width == pairs[i].after.width &&
                                                 pairs[i].before.height == pairs[i].after.height)
            which.push_back(i);
    return which;
}

double& sizeOf(LocalContrast& step) { return step.size; }
double& sizeOf(OutputSharpening& step) { return step.radius; }
double& sizeOf(Grain& step) { return step.size; }

/// What more than half of these pairs have besides, by the middle of them.
template <class Parameters>
std::optional<Parameters> common(const std::vector<PicturePair>& pairs, const PairFit& fit, int edge,
                                 std::optional<Parameters> (*find)(ImageView, ImageView))
{
    const std::vector<std::size_t> which = aligningPairs(pairs, fit);
    std::vector<double> amounts, sizes;
    for (const std::size_t i : which) {
        const AlignedPair pair = aligned(pairs[i], fit.fit.look, fit.pairs[i].agreement.stops, edge);
        if (auto one = find(pair.coloured.view(), pair.after.view()))
            amounts.push_back(one->amount), sizes.push_back(sizeOf(*one));
    }
    if (2 * amounts.size() <= which.size())
        return std::nullopt;
    Parameters middle;
    middle.amount = median(amounts), sizeOf(middle) = median(sizes);
    return middle;
}

template <class Parameters>
void add(PairFit& result, const char* what, Parameters found)
{
    Step step;
    step.parameters = found, step.note = "fitted";
    result.fit.look.steps.push_back(step);
    result.byPlace.push_back({what, found.amount, sizeOf(found)});
}

/// The look of what is seen of the pairs' colours.
Result<PairFit> colourFit(const std::vector<PicturePair>& pairs, const FitOptions& options,
                          const std::function<void(double)>& progress, const CancelToken& cancel)
{
    std::vector<Result<SeenPair>> read(pairs.size());
    inParallel(pairs.size(), [&](std::size_t i) { read[i] = seenOf(pairs[i]); });
    std::vector<SeenPair> seen;
    for (Result<SeenPair>& one : read) {
        if (!one) {
            if (pairs.size() > 1)
                one.error().where = "pair " + std::to_string(seen.size() + 1);
            return tl::make_unexpected(one.error());
        }
        seen.push_back(std::move(*one));
    }
    std::vector<LinearRgb> asTheyAre;
    const PairColours all = together(seen, asTheyAre, cancel);
    auto fit = fitLook(all.from, all.to, options, progress, cancel);
    if (!fit)
        return tl::make_unexpected(fit.error());
    if (const auto corners = commonCorners(seen)) {
        std::vector<double> untouched;
        for (std::size_t i = 0; i < all.from.size(); ++i)
            untouched.push_back(ciede2000(all.from[i], asTheyAre[i]));
        const DifferenceSummary whole = summarise(untouched);
        fit->stages.insert(fit->stages.begin(), {"Edge darkening", whole.mean, fit->untouched.mean, -1, -1});
        fit->untouched = whole;
        fit->look.steps.push_back(edgeStep(*corners));
    }
    PairFit result;
    result.fit = std::move(*fit), result.seen = all.from;
    for (const SeenPair& pair : seen)
        result.pairs.push_back(pair.laid);
    return result;
}

/// The pictures after without this local contrast: the detail that it gave to what the colours made of those before.
std::vector<Image> withoutLocalContrast(const std::vector<PicturePair>& pairs, const PairFit& fit,
                                        const LocalContrast& local)
{
    Look look;
    look.steps.emplace_back();
    look.steps.back().parameters = local;
    std::vector<Image> afters;
    for (std::size_t i = 0; i < pairs.size(); ++i) {
        AlignedPair lifted = aligned(pairs[i], fit.fit.look, 0, kEdge);
        const Image plain = lifted.coloured;
        if (const auto plan = RenderPlan::compile(look))
            render(*plan, plain.view(), lifted.coloured.mutableView());
        for (int k = 0; k < 3 * plain.width() * plain.height(); ++k) {
            const float with = lifted.coloured.view().data[k];
            if (with > 1e-4f)
                lifted.after.mutableView().data[k] *= std::clamp(plain.view().data[k] / with, 0.25f, 4.0f);
        }
        afters.push_back(std::move(lifted.after));
    }
    return afters;
}

}  // namespace

bool isAtOwnSize(const Picture& picture) { return picture.image.width() == picture.info.width; }

Result<PairFit> fitPairs(const std::vector<PicturePair>& pairs, const FitOptions& options,
                         const std::function<void(double)>& progress, const CancelToken& cancel)
{
    longCall("fitPairs");
    constexpr int kGrainEdge = 1500;
    auto result = colourFit(pairs, options, progress, cancel);
    if (!result)
        return result;
    if (auto local = common(pairs, *result, kEdge, fittedLocalContrast)) {
        // Once more, with colours that it does not bend.
        if (aligningPairs(pairs, *result).size() == pairs.size()) {
            const std::vector<Image> afters = withoutLocalContrast(pairs, *result, *local);
            std::vector<PicturePair> plain = pairs;
            for (std::size_t i = 0; i < pairs.size(); ++i)
                plain[i].after = afters[i].view();
            if (auto again = colourFit(plain, options, {}, cancel)) {
                again->pairs = std::move(result->pairs), again->seen = std::move(result->seen);
                result = std::move(again);
                if (const auto better = common(pairs, *result, kEdge, fittedLocalContrast))
                    local = better;
            }
        }
        add(*result, "Local contrast", *local);
    }
    if (std::all_of(pairs.begin(), pairs.end(), [](const PicturePair& pair) { return pair.isAtOwnSize; }))
        if (const auto sharpening = common(pairs, *result, kGrainEdge, fittedSharpening))
            add(*result, "Output sharpening", *sharpening);
    if (const auto grain = common(pairs, *result, kGrainEdge, fittedGrain))
        add(*result, "Grain", *grain);
    return result;
}

Result<PairFit> fitPair(ImageView before, ImageView after, const FitOptions& options,
                        const std::function<void(double)>& progress, const CancelToken& cancel)
{
    return fitPairs({{before, after}}, options, progress, cancel);
}

Result<FittedLook> fitTable(const Table& table, const FitOptions& options, const std::function<void(double)>& progress,
                            const CancelToken& cancel)
{
    longCall("fitTable");
    constexpr int kSteps = 13;
    std::vector<LinearRgb> before, after;
    for (int b = 0; b < kSteps; ++b)
        for (int g = 0; g < kSteps; ++g)
            for (int r = 0; r < kSteps; ++r) {
                const EncodedRgb code{r / (kSteps - 1.0), g / (kSteps - 1.0), b / (kSteps - 1.0)};
                const LinearRgb c = decode(RgbSpace::Srgb, code);
                const OkLab lab = toOkLab(c);
                // Strong colours are rare in pictures: every fourth of them is enough.
                if (std::hypot(lab.a, lab.b) > 0.14 && (r + 2 * g + 3 * b) % 4 != 0)
                    continue;
                before.push_back(c), after.push_back(decode(RgbSpace::Srgb, evaluate(table, code)));
            }
    return fitLook(before, after, options, progress, cancel);
}

Result<FittedLook> fitOtherLook(const Look& look, const FitOptions& options,
                                const std::function<void(double)>& progress, const CancelToken& cancel)
{
    constexpr int kEdgeOfTable = 33;
    const auto table = bake(look, kEdgeOfTable);
    if (!table)
        return tl::make_unexpected(table.error());
    return fitTable(*table, options, progress, cancel);
}

}  // namespace amber
