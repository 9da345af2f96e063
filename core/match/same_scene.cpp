#include "core/match/same_scene.h"

#include "core/balance/depth_flow.h"
#include "core/base/long_call.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
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

Result<Image> under(const Look& look, ImageView picture)
{
    Image out = reduced(picture);
    const auto plan = RenderPlan::compile(look);
    if (!plan)
        return tl::make_unexpected(plan.error());
    if (!plan->isIdentity())
        render(*plan, reduced(picture).view(), out.mutableView());
    return out;
}

/// Colours seen in both. Things before and behind one another move against each other from another side.
Result<SeenTwice> seenOf(const SameThings& things, const Look& look)
{
    const auto ours = under(look, things.ours);
    if (!ours)
        return tl::make_unexpected(ours.error());
    const Image theirs = reduced(things.reference);
    const DepthFlow flow(ours->view(), theirs.view(), things.registration);
    return coloursSeenTwice(
        ours->view(), theirs.view(), [&](Registration::Place at) { return flow.map(at); }, kAcross, kEven);
}

/// Of several pictures the reference as a whole.
Fingerprint seenThere(const Fingerprint& reference, const std::vector<SameThings>& things,
                      const std::vector<Image>& small, const Membership& members)
{
    return things.size() == 1 && small.size() == 1 ? printAtOurPlaces(reference, things[0], small[0], members)
                                                   : reference;
}

}  // namespace

Fingerprint printAtOurPlaces(const Fingerprint& print, const SameThings& things, const Image& small,
                             const Membership& members)
{
    // As small as ours: the ends of tones go by how much was taken together.
    const Image laid =
        laidOver(forMatching(things.reference).view(), inverse(things.registration), small.width(), small.height());
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
    Fingerprint result = print;
    result.tones = there.tones, result.casts = there.casts, result.families = there.families;
    return result;
}

Result<TakenScene> takeScene(const Look& look, const std::vector<SameThings>& things, const std::vector<Image>& small,
                             const Fingerprint& reference, const std::string& group, const CancelToken& cancel)
{
    longCall("takeScene");
    const Look rest = withoutGroup(look, group);
    std::vector<LinearRgb> from, to;
    for (const SameThings& one : things) {
        const auto seen = seenOf(one, rest);
        if (!seen)
            return tl::make_unexpected(seen.error());
        from.insert(from.end(), seen->from.begin(), seen->from.end());
        to.insert(to.end(), seen->to.begin(), seen->to.end());
    }
    auto fit = fitLook(from, to, {}, {}, cancel);
    if (!fit)
        return tl::make_unexpected(fit.error());
    TakenScene result{{}, fit->colours, fit->untouched, fit->left};
    if (rest.steps.size() + fit->look.steps.size() > kStepLimit)
        return fail("the look has no room for further steps", {}, "at most " + std::to_string(kStepLimit),
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
