// Measuring the fingerprint of a finished picture. The same numbers are read off a reference and off a picture under
// the look in hand, so that their difference means something.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/image/image.h"
#include "core/look/fingerprint.h"

#include <filesystem>
#include <vector>

namespace amber {

inline constexpr std::size_t kCastZones = 3;
/// Both a reference and our own picture are reduced to this before they are measured.
inline constexpr int kMatchEdge = 128;

/// Reduced by area to kMatchEdge.
Image forMatching(ImageView picture);

/// Which pixels of a picture are little coloured, and which belong to a hue family. Read off our picture before a match
/// changes it, so that the same things are followed while they change; off a reference as it is.
struct Membership {
    std::vector<float> neutral;     ///< 0..1 per pixel
    std::vector<float> ofFamilies;  ///< 0..1 per pixel and family
    std::size_t families = 0;
};
/// Casts are found first: in each zone of hue shifts (near-blacks, greys, near-whites) the mean (a, b) of what is
/// little coloured, by going to the weighted mean again and again with the weight z / (1 + d^2 / s^2)^2, d the distance
/// from the mean so far, starting at no cast; s is 0.06, the weight besides falling with chroma by 1 / (1 + C^2 /
/// 0.03^2)^2, then 0.02 without that (mean shift: Y. Cheng, IEEE PAMI 17(8), 1995). A mean more than 0.042 from grey is
/// no cast but a coloured thing, unless 0.6 of the zone lie within s of it. A pixel is neutral by 1 / (1 + d^2 /
/// 0.02^2)^2, d its distance from the cast at its tone; it belongs to a family by max(0, 2 w - 1), w the family's share
/// of its hue (hue_shifts.h), times C^2 / (C^2 + 0.03^2): of a finished picture hue and chroma are those against the
/// cast, of ours they are its own, as hue shifts will see them.
Membership membershipOf(const std::vector<Image>& smallPictures, bool isFinished);

/// Tones (quantiles of OKLab L, of several pictures their mean), casts (mean of the neutral pixels by zone), families
/// (mean of their pixels, a and b against the cast at their tone) and falls of light of small pictures, light clamped
/// to 0..1. Casts also in two ways that ask for no neutral pixels: the mean change of light from pixel to pixel is
/// neutral (J. van de Weijer, T. Gevers, A. Gijsenij, IEEE TIP 16(9), 2007), and the sixth power of light is (G.
/// Finlayson, E. Trezzi, Color Imaging Conference 2004), each by zone.
Fingerprint measureForMatch(const std::vector<Image>& smallPictures, const Membership& members);

/// Into kQuantiles: 1, 5, 50, 95, 99 %.
namespace tone_at {
inline constexpr std::size_t kBlack = 1, kLow = 2, kMiddle = 4, kHigh = 6, kWhite = 7;
}
/// L* of one of them; 0 when tones were not measured.
double starOf(const Fingerprint& f, std::size_t quantile);

/// Ratio, and where the eye goes; the mean of several.
std::vector<ValueTrait> frameTraits(const std::vector<Image>& smallPictures);
/// texturesOf(picture) as traits.
std::vector<ValueTrait> textureTraits(ImageView picture);

/// All of a picture. `picture` as large as there is, at least kMatchEdge; `quality` and the file's own size come from
/// the file.
Fingerprint fingerprintOf(ImageView picture, const std::string& name, double longEdge, double quality);
/// Of a file. Fails for what cannot be read, for less than 64 pixels, and for a flat picture (L* at 95 % less than 4
/// above that at 5 %).
Result<Fingerprint> fingerprintOfFile(const std::filesystem::path& path);

/// One of several: the middle of what they say, the spread being half the range. None: an empty one.
Fingerprint combined(const std::vector<Fingerprint>& references);

}  // namespace amber
