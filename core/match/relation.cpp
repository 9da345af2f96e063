#include "core/match/relation.h"

#include "core/image/resize.h"

namespace amber {
namespace {

constexpr int kFirm = 30;  // matches

Image forFeatures(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kFeatureEdge);
    return reduceByArea(picture, size.width, size.height);
}

}  // namespace

Relation relationOf(ImageView ours, const Features& held, const std::vector<SeenFrame>& both, const CancelToken& cancel)
{
    Relation relation;
    relation.registration = registerFeatures(featuresOf(forFeatures(ours).view()), held);
    if (relation.registration && relation.registration->matches < kFirm)
        relation.registration.reset();
    if (both.size() != 2)
        return relation;
    std::vector<BalanceEvidence> evidence;
    for (const SeenFrame& seen : both) {
        if (cancel.isCancelled())
            return relation;
        evidence.push_back(evidenceOf(seen.frame, forFeatures(seen.untouched).view(), seen.capture));
        evidence.back().response = seen.response;
    }
    if (const auto solved = balanceGroup(std::move(evidence), 0, {}, cancel); solved.size() == 2)
        relation.solved = solved[1];
    return relation;
}

}  // namespace amber
