#include "core/match/same_scene.h"

#include "core/balance/depth_flow.h"
#include "core/base/long_call.h"
#include "core/base/phrase.h"
#include "core/base/statistics.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/match/corner_fit.h"
#include "core/match/light_by_place.h"
#include "core/match/merge_group.h"
#include "core/match/through_look.h"

#include <cmath>

namespace amber {
namespace {

/// More colours than a pair of one view needs: not all of them are what they are taken for.
constexpr int kEdge = 750, kAcross = 180;
constexpr double kEven = 0.05;

Image reduced(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kEdge);
    return reduceByArea(picture, size.width, size.height);
}

Result<Image> under(const Look& look, ImageView picture, const std::shared_ptr<const RoleMasks>& masks)
{
    Image out = reduced(picture);
    const auto plan = RenderPlan::compile(look);
    if (!plan)
        return tl::make_unexpected(plan.error());
    if (!plan->isIdentity())
        render(*plan, reduced(picture).view(), out.mutableView(), {}, {RenderOptions::Stage::All, 0, 0, 0, masks});
    return out;
}

/// Colours seen in both. Things before and behind one another move against each other from another side.
struct SceneColours {
    SeenTwice seen;
    double ratio = 1;
    std::optional<Corners> corners;  ///< light that falls off in the reference's corners and not in ours
};

Result<SceneColours> seenOf(const SameThings& things, const Look& look)
{
    const auto ours = under(look, things.ours, things.masks);
    if (!ours)
        return tl::make_unexpected(ours.error());
    const Image theirs = reduced(things.reference);
    const DepthFlow flow(ours->view(), theirs.view(), things.registration);
    SeenTwice seen = coloursSeenTwice(
        ours->view(), theirs.view(), [&](Registration::Place at) { return flow.map(at); }, kAcross, kEven);
    const double ratio = static_cast<double>(theirs.width()) / theirs.height();
    const auto corners = cornersOf(seen, ratio);
    return SceneColours{std::move(seen), ratio, corners};
}

/// The look from ours to the references; what falls off in the corners of all of them becomes edge darkening.
Result<FittedLook> fittedTo(const std::vector<SameThings>& things, const Look& rest, const CancelToken& cancel)
{
    std::vector<LinearRgb> from, to;
    std::vector<double> stops, begins;
    std::vector<SceneColours> scenes;
    for (const SameThings& one : things) {
        auto scene = seenOf(one, rest);
        if (!scene)
            return tl::make_unexpected(scene.error());
        if (scene->corners)
            stops.push_back(scene->corners->stops), begins.push_back(scene->corners->begin);
        scenes.push_back(std::move(*scene));
    }
    const bool hasCorners = stops.size() == scenes.size();
    for (const SceneColours& scene : scenes) {
        from.insert(from.end(), scene.seen.from.begin(), scene.seen.from.end());
        const auto light = hasCorners ? withoutCorners(scene.seen, *scene.corners, scene.ratio) : scene.seen.to;
        to.insert(to.end(), light.begin(), light.end());
    }
    auto fit = fitLook(from, to, {}, {}, cancel);
    if (fit && hasCorners)
        fit->look.steps.push_back(edgeStep({median(stops), median(begins)}));
    return fit;
}

/// Of several pictures the reference as a whole.
Fingerprint seenThere(const Fingerprint& reference, const std::vector<SameThings>& things, const OurPictures& small,
                      const Membership& members)
{
    return things.size() == 1 && small.small.size() == 1
               ? printAtOurPlaces(reference, things[0], small.small[0], members)
               : reference;
}

}  // namespace

Fingerprint printAtOurPlaces(const Fingerprint& print, const SameThings& things, const Image& small,
                             const Membership& members)
{
    // As small as ours: the ends of tones go by how much was taken together.
    Image laid =
        laidOver(forMatching(things.reference).view(), inverse(things.registration), small.width(), small.height());
    Fingerprint result = print;
    if (const auto falls = lightByPlace(laid.view())) {
        result.falls.clear();
        for (const double fall : *falls)
            result.falls.push_back({fall, 0, {}});
    }
    // Light by place is a row of its own: tones are compared without what of it the reference alone has.
    if (const auto only = fallsBeside(small.view(), laid.view()))
        laid = levelled(laid.view(), *only);
    std::vector<LinearRgb> colours;
    Membership own;
    own.families = members.families;
    for (int y = 0; y < laid.height(); ++y)
        for (int x = 0; x < laid.width(); ++x) {
            const float* p = laid.view().row(y) + 3 * x;
            if (std::isnan(p[0]))
                continue;
            const auto i =
                static_cast<std::size_t>(y) * static_cast<std::size_t>(laid.width()) + static_cast<std::size_t>(x);
            colours.push_back({p[0], p[1], p[2]});
            own.neutral.push_back(members.neutral[i]);
            for (std::size_t k = 0; k < members.families; ++k)
                own.ofFamilies.push_back(members.ofFamilies[i * members.families + k]);
        }
    const std::size_t all = static_cast<std::size_t>(small.width()) * static_cast<std::size_t>(small.height());
    if (2 * colours.size() < all)
        return print;
    std::vector<Image> row;
    row.push_back(asRow(colours));
    const Fingerprint there = measureForMatch(row, own);
    result.tones = there.tones, result.casts = there.casts, result.families = there.families;
    return result;
}

Result<TakenScene> takeScene(const Look& look, const std::vector<SameThings>& things, const OurPictures& small,
                             const Fingerprint& reference, const std::string& group, const CancelToken& cancel)
{
    longCall("takeScene");
    const Look rest = withoutGroup(look, group);
    auto fit = fittedTo(things, rest, cancel);
    if (!fit)
        return tl::make_unexpected(fit.error());
    TakenScene result{{}, fit->colours, fit->untouched, fit->left};
    if (rest.steps.size() + fit->look.steps.size() > kStepLimit)
        return fail("the look has no room for further steps", {}, phrase("at most %1", {std::to_string(kStepLimit)}),
                    std::to_string(rest.steps.size() + fit->look.steps.size()));
    const Membership members = membershipBefore(look, small, group);
    const Fingerprint there = seenThere(reference, things, small, members);
    const auto measured = [&](const Look& l) { return ladderOf(there, measuredThrough(l, small, members), true); };
    Taken& taken = result.taken;
    taken.before = measured(look);
    taken.look = rest;
    for (Step& step : fit->look.steps)
        step.group = group;
    taken.look.steps.insert(taken.look.steps.begin() + static_cast<std::ptrdiff_t>(beforePaper(rest)),
                            fit->look.steps.begin(), fit->look.steps.end());
    taken.after = measured(taken.look);
    for (std::size_t i = 0; i < taken.after.rows.size(); ++i)
        taken.moved.push_back(i);
    if (auto good = validate(taken.look); !good)
        return tl::make_unexpected(good.error());
    return result;
}

}  // namespace amber
