#include "core/match/nearest_look.h"

#include "core/base/parallel.h"

#include <algorithm>

namespace amber {

std::vector<NearLook> nearestLooks(const std::vector<Look>& looks, const OurPictures& ours,
                                   const Fingerprint& reference, bool showsTheSame)
{
    const Membership members = membershipOf(ours.small, false);
    std::vector<NearLook> all(looks.size());
    inParallel(looks.size(), [&](std::size_t i) {
        all[i].look = i;
        all[i].leaves = ladderOf(reference, measuredThrough(looks[i], ours, members), showsTheSame).distance();
        if (looks[i].reference)
            all[i].own = ladderOf(reference, *looks[i].reference, showsTheSame).distance();
    });
    std::stable_sort(all.begin(), all.end(), [](const NearLook& p, const NearLook& q) { return p.leaves < q.leaves; });
    return all;
}

}  // namespace amber
