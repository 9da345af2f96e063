// What treatments of pictures tend to do to colours, before any of one was seen: the covariance of a Gaussian process
// (C. Rasmussen, C. Williams, Gaussian Processes for Machine Learning, MIT Press 2006) over the change of codes.
//
// A colour is a triple of sRGB codes; a treatment adds a change to each channel. The change is taken for a sum of
// parts, from simple to free, each drawn at random with a spread of its own:
//
//   Curve     one curve of the channel's own code, and a lift by luma, for all channels alike
//   Channels  what each channel's curve does besides, and tints by luma
//   Mixing    channels mixed into one another, in code, in light and in density, also by luma; saturation by luma
//   Families  saturation by saturation and by hue, hues turned and lightened by hue
//   Anywhere  smooth changes of any kind, at three widths
//
// The spreads are those under which 60 seeded treatments of five families (laws in CIELAB, in luma and chroma, by
// response curves of film, by gradient maps, and of our own steps) are most likely, found by the gradient of the log
// marginal likelihood (their eq. 5.9) on colours of twenty pictures. The treatments that the fit is judged by are of
// other families.
#pragma once

#include "core/colour/types.h"

#include <Eigen/Core>

namespace amber {

enum class TreatmentPart { Curve, Channels, Mixing, Families, Anywhere };
inline constexpr int kTreatmentParts = 5;

/// What the covariance needs to know of a colour.
struct CodeTraits {
    explicit CodeTraits(const EncodedRgb& code);
    Eigen::Vector3d code, aboveLuma, aboveMean, turn, belowMost;
    Eigen::Matrix3d mix, mixOfLight, mixOfDensity;  ///< row c: what each channel adds to c when mixed in, 0 for greys
    double luma, range, saturation, radius;
    Eigen::Vector2d hue;  ///< a unit vector; zero for greys
};

/// Covariance of the changes of two colours by one part: entry (c, d) is channel c of the first with d of the second.
struct PartCovariances {
    Eigen::Matrix3d of[kTreatmentParts];
};
PartCovariances covariances(const CodeTraits& one, const CodeTraits& two);

}  // namespace amber
