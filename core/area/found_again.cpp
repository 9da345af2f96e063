#include "core/area/found_again.h"

#include "core/area/again_by_colour.h"
#include "core/area/again_by_place.h"
#include "core/base/long_call.h"

#include <algorithm>

namespace amber {

AgainPicture againPictureOf(ImageView picture, Landmarks known)
{
    return {thingPictureOf(picture), known ? std::move(known) : landmarksOf(picture),
            std::make_shared<std::map<Landmarks, std::vector<LandmarkPair>>>()};
}

std::vector<Proposal> findAgain(const std::vector<MarkedThing>& marked, const AgainPicture& picture)
{
    longCall("findAgain");
    constexpr double kSure = 0.9;
    if (!picture.ground)
        return {};
    std::vector<Proposal> placed;
    for (const MarkedThing& thing : marked) {
        if (!placed.empty() && placed.back().sureness >= kSure)
            break;
        if (auto proposal = againByPlace(thing, picture))
            placed.push_back(std::move(*proposal));
    }
    const auto surer = [](const Proposal& a, const Proposal& b) { return a.sureness > b.sureness; };
    std::stable_sort(placed.begin(), placed.end(), surer);
    if (!placed.empty())
        return {placed.front()};
    return againByColour(marked, *picture.ground);
}

}  // namespace amber
