#include "core/match/take_asked.h"

#include "core/engine/role_masks.h"
#include "core/match/fall_step.h"
#include "core/match/texture.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// Where a texture is to end.
double wantedTexture(const LadderRow& row, const LadderRow& before, bool asIsLikely)
{
    return asIsLikely ? before.ours * std::exp(before.share.light / 100) : row.reference;
}

Texture textureOf(Rung rung)
{
    return static_cast<Texture>(static_cast<int>(rung) - static_cast<int>(Rung::LocalContrast));
}

bool knowsWhere(const OurPictures& ours, Rung rung)
{
    const auto masks = ours.masksOf(0);
    return masks && masks->knows(fallRole(rung).name);
}

struct PartedRows {
    std::set<std::size_t> colours, falls, textures;
};

/// What is asked for, by how it is taken.
Result<PartedRows> partedRows(const RowsAsked& asked, const Ladder& now)
{
    PartedRows parted;
    for (const std::size_t row : asked.rows) {
        if (row >= now.rows.size())
            return fail("there is no such row");
        const LadderRow& r = now.rows[row];
        if (!r.isSupported())
            return fail("there is too little of it in one of the pictures to be matched");
        if (isAcross(r.rung) && knowsWhere(asked.ours, r.rung))
            parted.falls.insert(row);
        else if (r.isForSteps())
            (r.kind() == RungKind::Texture ? parted.textures : parted.colours).insert(row);
    }
    return parted;
}

Result<Taken> takeColours(const RowsAsked& asked, const Fingerprint& reference, const std::set<std::size_t>& rows)
{
    return asked.asIsLikely && !asked.showsTheSame
               ? takeLikely(asked.look, asked.ours, reference, rows, asked.group)
               : takeRows(asked.look, asked.ours, reference, rows, asked.group, asked.showsTheSame);
}

}  // namespace

Result<Taken> take(const RowsAsked& asked, const CancelToken& cancel)
{
    LaddersAsked ladders{asked.look, asked.ours, asked.group,        asked.reference,  asked.large,
                         {},         {},         asked.showsTheSame, asked.atOurPlaces};
    const Ladders before = laddersOf(ladders);
    const auto parted = partedRows(asked, before.now);
    if (!parted)
        return tl::make_unexpected(parted.error());
    const auto& [colours, falls, textures] = *parted;
    if (colours.empty() && textures.empty() && falls.empty() && !asked.rows.empty())
        return fail("framing, light across the frame and noise are no steps of a look");
    auto taken = takeColours(asked, asked.atOurPlaces ? asked.atOurPlaces(before.members) : asked.reference, colours);
    if (!taken)
        return taken;
    for (const std::size_t row : falls) {
        auto with =
            takeFall(taken->look, asked.ours, before.now.rows[row].rung, before.now.rows[row].reference, asked.group);
        if (!with)
            return tl::make_unexpected(with.error());
        taken->look = std::move(*with), taken->moved.push_back(row);
    }
    for (const std::size_t row : textures) {
        const double wanted = wantedTexture(before.now.rows[row], before.start.rows[row], asked.asIsLikely);
        auto with =
            takeTexture(taken->look, forTexture(asked.large->view(), asked.reference.longEdge).view(),
                        textureOf(before.now.rows[row].rung), wanted, asked.group, asked.ours.masksOf(0), cancel);
        if (!with)
            return tl::make_unexpected(with.error());
        taken->look = std::move(*with), taken->moved.push_back(row);
    }
    ladders.look = taken->look, ladders.members = before.members, ladders.membersOf = before.membersOf;
    taken->before = before.now, taken->after = laddersOf(ladders).now;
    return taken;
}

}  // namespace amber
