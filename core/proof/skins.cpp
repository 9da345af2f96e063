#include "core/proof/skins.h"

#include "core/area/area_measures.h"
#include "core/colour/oklab.h"
#include "core/look/role_kind.h"

#include <cmath>

namespace amber {
namespace {

/// The middle of a face: cheeks and nose, without hair and background.
Region middleOf(const Region& face)
{
    const double w = face.right - face.left, h = face.bottom - face.top;
    return {face.left + 0.3 * w, face.top + 0.4 * h, face.right - 0.3 * w, face.bottom - 0.25 * h};
}

/// Whether a colour could be skin at all: a face that was found in clay or cloth has another hue or none.
bool couldBeSkin(const LinearRgb& c)
{
    const OkLch lch = toOkLch(toOkLab(c));
    return lch.chroma > 0.02 && lch.chroma < 0.16 && std::abs(hueDifference(lch.hueDegrees, 50)) < 35;
}

LinearRgb meanUnderMask(ImageView picture, const Plane& mask) { return toLinearRgb(amber::meanUnder(picture, mask)); }

}  // namespace

bool meansSkin(const std::string& name)
{
    const std::string low = lowered(name);
    for (const char* word : {"skin", "face", "hand", "arm", "cheek", "body"})
        if (low.find(word) != low.npos)
            return true;
    return false;
}

std::vector<Skin> skinsOf(const CheckedFrame& frame)
{
    std::vector<Skin> skins;
    for (const CheckedFrame::Key& key : frame.keys())
        if (meansSkin(key.colour->name))
            skins.push_back({key.colour->name, key.place, key.before, key.after, key.colour});
    for (const auto& [name, mask] : frame.rolesOf(Role::Kind::Skin))
        if (shareOf(*mask) > 0.0005)
            skins.push_back(
                {name, placeOf(*mask), meanUnderMask(frame.balanced(), *mask), meanUnderMask(frame.finished(), *mask)});
    if (!skins.empty())
        return skins;
    for (std::size_t i = 0; i < frame.faces().size(); ++i) {
        constexpr double kSure = 0.5;
        const Region place = middleOf(frame.faces()[i]);
        const LinearRgb before = meanOf(frame.balanced(), place);
        if (i < frame.evidence().faces.size() && frame.evidence().faces[i].sureness >= kSure && couldBeSkin(before))
            skins.push_back({"face " + std::to_string(i + 1), place, before, meanOf(frame.finished(), place)});
    }
    return skins;
}

Region placeOf(const Plane& mask)
{
    Region place{1, 1, 0, 0};
    const double w = mask.width, h = mask.height;
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x)
            if (mask.row(y)[x] > 0.5F)
                place = {std::min(place.left, x / w), std::min(place.top, y / h), std::max(place.right, (x + 1) / w),
                         std::max(place.bottom, (y + 1) / h)};
    return place;
}

}  // namespace amber
