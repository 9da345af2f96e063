// How a frame is turned, set upright, stretched and cut.
#pragma once

#include "core/image/spot.h"
#include "core/measure/framing.h"

#include <string>
#include <vector>

namespace amber {

/// The crop that a frame has for one ratio of width to height.
struct RatioCrop {
    double ratio = 1;
    Region crop;
    bool operator==(const RatioCrop&) const = default;
};

/// Lean is the keystone: how much nearer the upper (right) edge is to be seen than the middle, as a share. Crops are in
/// fractions of the turned picture, which has the size of the source.
struct Geometry {
    double straightenDegrees = 0;      ///< clockwise, -45..45
    double leanUp = 0, leanAside = 0;  ///< -0.4..0.4
    double stretch = 1;                ///< things are made this much wider (below 1: taller), 0.8..1.25
    Region crop;                       ///< what is seen, measured and delivered
    double ratio = 0;                  ///< that the crop is held to; 0: free
    std::vector<RatioCrop> crops;      ///< drawn for other ratios, by which some deliveries are cut
    bool operator==(const Geometry&) const = default;
    /// Nothing moves and nothing is cut.
    bool isIdentity() const { return turnsNothing() && crop.isWhole(); }
    bool turnsNothing() const { return straightenDegrees == 0 && leanUp == 0 && leanAside == 0 && stretch == 1; }
};
/// Of the turned picture, in units of half the height round the middle, to the source as straight lines would lie in
/// it, and back.
Spot turnedToSource(const Geometry& geometry, Spot p);
Spot sourceToTurned(const Geometry& geometry, Spot q);

/// The shape of a crop: width / height in pixels, for a source of this ratio.
double shapeOf(const Region& crop, double sourceRatio);
/// The same turn with the crop for this ratio: the one that was drawn for it, else the largest inside the crop it has,
/// round its middle; 0 leaves it.
Geometry croppedTo(const Geometry& geometry, double sourceRatio, double wantedRatio);
/// The same turn held to this ratio (0: free) from now on: the crop it has is kept for its own ratio.
Geometry heldTo(const Geometry& geometry, double sourceRatio, double wantedRatio);

}  // namespace amber
