// From the finished picture back to its source: what the lens threw elsewhere and how the frame is turned and cut as
// one map, so that pixels are resampled once.
#pragma once

#include "core/frame/geometry.h"
#include "core/optics/optics.h"

#include <memory>
#include <utility>
#include <vector>

namespace amber {

class SourcePlanes;

class Placement {
public:
    /// `width`, `height`: of the source, upright.
    Placement(const Optics& optics, const Geometry& geometry, int width, int height);

    /// Nothing lies elsewhere: pixels come through as they are (light may still change: dims()).
    bool isIdentity() const { return !m_moves; }
    bool dims() const { return m_dims; }
    bool hasFringes() const { return m_fringes; }
    int sourceWidth() const { return m_sourceWidth; }
    int width() const { return m_width; }
    int height() const { return m_height; }
    double ratio() const { return m_ratio; }

    /// A place of the finished picture (fractions) in the source, and back: where green lies.
    Spot sourceOf(Spot place) const;
    Spot placeOf(Spot source) const;
    /// A small region of the finished picture in the source, and back: its middle is carried over, its size kept as a
    /// share of the source.
    Region inSource(const Region& region) const;
    Region inPlaced(const Region& region) const;

    /// The rows of the source, from `first` on and before `second`, that rows of the finished picture are made of.
    std::pair<int, int> sourceRows(int row, int rows) const;
    /// Rows of the finished picture from `row` on, as many as `out` has, from rows of the source from `sourceRow` on:
    /// bicubic (bicubic.h); each channel of linear sRGB from where it was thrown.
    void run(ImageView sourceRows, int sourceRow, int row, MutableImageView out) const;
    /// The same from rows that were made ready, on this thread alone.
    void run(const SourcePlanes& source, int sourceRow, int row, MutableImageView out) const;
    /// What light is multiplied by along a row of the finished picture.
    void gains(int row, float* out) const;

private:
    Spot trueSpot(double x, double y) const;  ///< fractions of the turned picture to half heights of the source
    Geometry m_geometry;
    std::shared_ptr<const Throw> m_throw;
    bool m_moves, m_dims, m_bends, m_fringes;
    int m_sourceWidth, m_sourceHeight, m_width, m_height;
    double m_ratio, m_unit;  ///< half the diagonal in half heights
};

/// Rows of a source made ready for many pieces of the finished picture: a plane for each channel, in which four
/// neighbours are read at once.
class SourcePlanes {
public:
    /// Takes up `rows` rows of the source of `placement`; memory is kept.
    void reset(const Placement& placement, int rows);
    /// May be called for several rows at a time.
    void setRow(int row, const float* rgb);
    int width() const { return m_width; }
    int rows() const { return m_rows; }
    const float* data() const { return m_values.data(); }

private:
    std::vector<float> m_values;
    int m_width = 0, m_rows = 0;
    bool m_isApart = false;
};

/// The largest crop round the middle with this ratio of width to height (0: the source's) that shows nothing from
/// outside the source.
Region inscribedCrop(const Optics& optics, const Geometry& geometry, double sourceRatio, double wantedRatio);
/// Whether a crop shows nothing from outside the source.
bool isInside(const Optics& optics, const Geometry& geometry, double sourceRatio, const Region& crop);
/// The nearest to `crop` of its size or smaller that shows nothing from outside.
Region broughtInside(const Optics& optics, const Geometry& geometry, double sourceRatio, const Region& crop);

/// The finished picture; as it is when nothing lies elsewhere.
Image placed(Image picture, const Optics& optics, const Geometry& geometry);

}  // namespace amber
