// From an area to the weight of every place of a picture.
#pragma once

#include "core/area/area.h"
#include "core/engine/plane.h"
#include "core/image/image.h"

#include <deque>
#include <functional>
#include <memory>
#include <mutex>

namespace amber {

/// The long edge to which a picture is reduced for its masks: those of a proxy and of the whole picture agree, and are
/// read between their pixels (core/engine/role_masks.h).
inline constexpr int kMaskLongEdge = 1500;

/// A finished picture (balanced, turned, cut) and where its places lie in the source, made once for all its areas.
class MaskGround {
public:
    /// `sourceRatio`: width / height of the source; `sourceOf`: a place of the picture in the source.
    MaskGround(ImageView picture, double sourceRatio, const std::function<Spot(Spot)>& sourceOf);
    /// The picture is the whole source.
    explicit MaskGround(ImageView picture);

    /// 0..1 for every pixel. What was found or drawn with a brush follows the edges of the picture (guided filter with
    /// a colour guide: K. He, J. Sun, X. Tang, IEEE PAMI 35(6), 2013); growing goes along circles, feathering by a
    /// Gaussian. One without parts has 0 everywhere (1 when it is
    /// inverted), and one that is not here has 0.
    Plane maskOf(const Area& area) const;

    int width() const { return m_picture.width; }
    int height() const { return m_picture.height; }

private:
    using Known = std::shared_ptr<const Plane>;
    Known partOf(const AreaPart& part) const;
    template <class Weight>
    Plane each(Weight weight) const;
    Plane of(const Ramp& ramp) const;
    Plane of(const Ellipse& ellipse) const;
    Plane of(const Outline& outline) const;
    Plane of(const Stroke& stroke) const;
    Plane of(const ColourRange& range) const;
    Plane of(const Found& found) const;
    Spot inLongEdges(Spot s) const { return {s.x * m_wide, s.y * m_high}; }
    double pixelsPerLongEdge() const;
    Plane refined(const Plane& mask) const;

    ImageView m_picture;
    double m_wide, m_high;      ///< of the source, in its longer edges
    std::vector<Spot> m_spots;  ///< of each pixel, in longer edges of the source
    /// Masks of parts, the one asked for last at the end: while one part is dragged the others stay.
    mutable std::deque<std::pair<decltype(AreaPart::shape), Known>> m_known;
    std::unique_ptr<std::mutex> m_mutex = std::make_unique<std::mutex>();
};

/// The guided filter of a mask by a picture's OKLab, radius in pixels.
Plane guidedByColour(ImageView picture, const Plane& mask, int radius, double epsilon);

}  // namespace amber
