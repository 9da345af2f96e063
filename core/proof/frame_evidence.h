// What a frame says of itself before any look: read once from its file, kept small, so that another look, light or use
// is checked without reading again.
#pragma once

#include "core/area/faces.h"
#include "core/image/detail_tiles.h"
#include "core/image/half_image.h"
#include "core/image/read.h"
#include "core/optics/noise.h"
#include "core/proof/readings.h"
#include "core/proof/standing.h"

namespace amber {

/// Strong edges of a picture at its own size: how wide they are, and by how much they overshoot. Read across edges
/// whose two sides are flat for some pixels, on OKLab L: the way from 10 % to 90 % of the step, and what lies beyond
/// the two sides within four pixels, as a share of the step (after ISO 12233:2017, 5.3, edge profiles).
struct EdgeFacts {
    int edges = 0;
    double width = 0;      ///< pixels, of the sharpest quarter
    double overshoot = 0;  ///< median of the mean of both sides
    static constexpr int kEnough = 30;
    bool isKnown() const { return edges >= kEnough; }
};
EdgeFacts edgesOf(const std::vector<DetailTile>& tiles);

/// How soft the strongest edges of a part of a picture are: their deviation in pixels. An edge of deviation s loses,
/// when it is blurred by b, the share 1 - s / sqrt(s^2 + b^2) of its gradient (F. Crete and others, SPIE 6492, 2007,
/// for blurring again as the measure). 0: no edge tells.
double softnessOf(const Plane& light, const Plane& blurred, const Region& place);

/// A part of the source and how soft it is, in pixels of a reduction to kLookEdge.
struct PartFacts {
    Region place;
    double softness = 0;
};

struct FrameEvidence {
    std::int64_t frame = 0;
    int width = 0, height = 0;  ///< of the source
    int bits = 8;
    HalfImage source;         ///< as read, kCheckEdge pixels long
    std::vector<Face> faces;  ///< in fractions of the source
    Standing standing;
    Noise noise;
    EdgeFacts edges;
    std::vector<std::pair<Region, double>>
        flatNoise;  ///< of tiles of the source: deviation of L in the flattest places
    /// Of a grid over the picture and of each face; empty when no face is as sure as kFaceForFocus.
    std::vector<PartFacts> parts;
    std::vector<double> faceSoftness;
    std::string fault;
};
inline constexpr int kCheckEdge = 360;
inline constexpr double kFaceForFocus = 0.5;

/// Of a picture as it was read: reduced to no less than kLookEdge (or its own size), and its pieces.
inline constexpr int kLookEdge = 1800, kFaceEdge = 640, kDetailEdge = 192;
FrameEvidence frameEvidence(std::int64_t frame, ReducedPicture picture);
/// Read from its file; a frame that cannot be read says why.
FrameEvidence readEvidence(const ReadFrame& frame);

}  // namespace amber
