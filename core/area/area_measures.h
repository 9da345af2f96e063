// What areas come to, measured on a picture and on what a look makes of it.
#pragma once

#include "core/area/area_mask.h"
#include "core/colour/types.h"
#include "core/engine/render_plan.h"

#include <optional>
#include <vector>

namespace amber {

/// The mean OKLab of a picture under a mask, by its weights; all 0 under an empty one. Same sizes here and below.
OkLab meanUnder(ImageView picture, const Plane& mask);

/// How an area stands out from what lies round it, to a fiftieth of the longer edge: its mean less theirs.
struct Separation {
    double lightness = 0, chroma = 0;  ///< OKLab L and C
    double hueDegrees = 0;             ///< -180..180; 0 while either has no hue (C below 0.01)
};
Separation separationOf(ImageView picture, const Plane& mask);

/// Lightness that overshoots along an area's edge: how far log(L after / L before) leaves the range between what is
/// usual inside and outside within a few edge widths; the ninety-fifth percentile over the edge. 0: no halo is seen;
/// 0.01 is about one hundredth of lightness.
double haloOf(ImageView before, ImageView after, const Plane& mask);
/// The same of OKLab L.
double haloOf(const Plane& before, const Plane& after, const Plane& mask);

/// What changed outside an area, clear of its edge: the mean OKLab distance.
double leakOf(ImageView before, ImageView after, const Plane& mask);

double shareOf(const Plane& mask);
/// The share of one area's weight that lies in another: sum of the smaller weights over the first's.
double overlapOf(const Plane& mask, const Plane& other);

/// By what two areas may measure alike.
enum class AreaMeasure { Lightness, Chroma };
/// The strength of a step, 0 to 2, at which the area `here` measures as `there` does under the whole look; nothing when
/// no strength does. Bisection: the measure is taken to move one way with strength.
std::optional<double> strengthThatEquals(const Look& look, std::size_t step, ImageView picture,
                                         const RenderOptions& options, const Plane& here, const Plane& there,
                                         AreaMeasure measure);

/// A small patch that draws the eye away from the subject.
struct Distractor {
    double left = 0, top = 0, right = 1, bottom = 1;  ///< fractions of the picture
    double weight = 0;  ///< how unlike its surroundings, how large, how far from the subject; for ranking
    double lightness = 0, chroma = 0;  ///< its mean less that of its surroundings
};
/// The strongest first, eight at most; none lies in the subject. Contrast to surroundings of an eighth of the width
/// (after L. Itti, C. Koch, E. Niebur, IEEE PAMI 20(11), 1998).
std::vector<Distractor> distractorsOf(ImageView picture, const Plane& subject);
/// By how much each pixel differs from those surroundings: OKLab distance, a and b counted 1.5 times. 240 pixels wide.
Plane conspicuityOf(ImageView picture);

}  // namespace amber
