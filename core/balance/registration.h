// The same things seen in two frames: one picture laid over another by matched features, and their colours where both
// show one thing.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/image/image.h"
#include "core/measure/framing.h"

#include <array>
#include <functional>
#include <memory>
#include <optional>
#include <vector>

namespace amber {

/// Scale-invariant features of a picture (D. Lowe, IJCV 60(2), 2004), of its tones brought to one range, so that
/// exposure matters little.
class Features {
public:
    struct Data;
    std::shared_ptr<const Data> data;  ///< null: none
};
/// From a picture of some 600 to 1000 pixels, linear light. A flat picture has none.
Features featuresOf(ImageView picture);

/// Where a place of one picture lies in another: a homography in fractions of the pictures' longer edges.
struct Registration {
    std::array<double, 9> m{1, 0, 0, 0, 1, 0, 0, 0, 1};
    int matches = 0;   ///< features that agree with it
    double error = 0;  ///< their median distance, in fractions of the longer edge
    /// In pictures' fractions of width and height.
    struct Place {
        double x = 0, y = 0;
    };
    double fromRatio = 1.5, toRatio = 1.5;  ///< width / height
    Place map(Place from) const;
};
/// Nothing when fewer than 16 features agree, or the pictures would have to be turned over or grossly distorted.
std::optional<Registration> registerFeatures(const Features& from, const Features& to);

/// From `to` to `from`.
Registration inverse(const Registration& registration);

/// Colours of an even grid of small patches of `from`, and of where they lie in `to`; patches with strong edges are
/// left out: `across` patches to a row, edges stronger than `even` of OKLab.
struct SeenTwice {
    std::vector<LinearRgb> from, to;
    std::vector<Registration::Place> places;  ///< in `to`
};
SeenTwice coloursSeenTwice(ImageView from, ImageView to, const Registration& registration, int across = 72,
                           double even = 0.05);
/// The same by any way from a place of `from` to that of `to`; what it does not lead to is left out.
using WayBetween = std::function<std::optional<Registration::Place>(Registration::Place)>;
SeenTwice coloursSeenTwice(ImageView from, ImageView to, const WayBetween& way, int across, double even);

/// `from` resampled (bicubic) to lie over a picture of `width` by `height`; what it does not cover is NaN.
Image laidOver(ImageView from, const Registration& registration, int width, int height);

}  // namespace amber
