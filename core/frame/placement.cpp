#include "core/frame/placement.h"

#include "core/base/parallel.h"
#include "core/colour/rgb_space.h"
#include "core/frame/placement_kernel.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

Spot middleOf(const Region& r) { return {(r.left + r.right) / 2, (r.top + r.bottom) / 2}; }

Region carried(const Region& region, Spot to, double across, double down)
{
    const double w = (region.right - region.left) * across / 2, h = (region.bottom - region.top) * down / 2;
    return {to.x - w, to.y - h, to.x + w, to.y + h};
}

int sideOf(int source, double first, double last)
{
    return std::max(1, static_cast<int>(std::lround(source * (last - first))));
}

}  // namespace

Placement::Placement(const Optics& optics, const Geometry& geometry, int width, int height)
    : m_geometry(geometry), m_throw(std::make_shared<const Throw>(optics)),
      m_moves(optics.moves() || !geometry.isIdentity()), m_dims(optics.dims()), m_bends(optics.moves()),
      m_fringes(optics.hasFringes()), m_sourceWidth(width), m_sourceHeight(height),
      m_width(sideOf(width, geometry.crop.left, geometry.crop.right)),
      m_height(sideOf(height, geometry.crop.top, geometry.crop.bottom)), m_ratio(static_cast<double>(width) / height),
      m_unit(std::hypot(m_ratio, 1.0))
{
}

Spot Placement::trueSpot(double x, double y) const
{
    return turnedToSource(m_geometry, {(2 * x - 1) * m_ratio, 2 * y - 1});
}

Spot Placement::sourceOf(Spot place) const
{
    const Region& c = m_geometry.crop;
    Spot q = trueSpot(c.left + place.x * (c.right - c.left), c.top + place.y * (c.bottom - c.top));
    if (m_bends) {
        const double factor = m_throw->green(std::hypot(q.x, q.y) / m_unit);
        q = {q.x * factor, q.y * factor};
    }
    return {(q.x / m_ratio + 1) / 2, (q.y + 1) / 2};
}

Spot Placement::placeOf(Spot source) const
{
    Spot q{(2 * source.x - 1) * m_ratio, 2 * source.y - 1};
    if (m_bends) {
        const double factor = m_throw->trueFrom(std::hypot(q.x, q.y) / m_unit);
        q = {q.x * factor, q.y * factor};
    }
    const Spot p = sourceToTurned(m_geometry, q);
    const Region& c = m_geometry.crop;
    return {((p.x / m_ratio + 1) / 2 - c.left) / (c.right - c.left), ((p.y + 1) / 2 - c.top) / (c.bottom - c.top)};
}

Region Placement::inSource(const Region& region) const
{
    const Region& c = m_geometry.crop;
    return m_moves ? carried(region, sourceOf(middleOf(region)), c.right - c.left, c.bottom - c.top) : region;
}

Region Placement::inPlaced(const Region& region) const
{
    const Region& c = m_geometry.crop;
    return m_moves ? carried(region, placeOf(middleOf(region)), 1 / (c.right - c.left), 1 / (c.bottom - c.top))
                   : region;
}

std::pair<int, int> Placement::sourceRows(int row, int rows) const
{
    if (!m_moves)
        return {row, row + rows};
    // The map keeps order, so what lies farthest up and down comes from the band's edge.
    constexpr int kSteps = 64, kTaps = 4;
    constexpr double kFringe = 0.02;  // the most that red and blue lie apart, as a share of the height
    double first = m_sourceHeight, last = 0;
    for (const double y : {row + 0.0, row + static_cast<double>(rows)})
        for (int i = 0; i <= kSteps; ++i) {
            const double at = sourceOf({static_cast<double>(i) / kSteps, y / m_height}).y * m_sourceHeight;
            first = std::min(first, at), last = std::max(last, at);
        }
    const int more = kTaps + (m_fringes ? static_cast<int>(std::ceil(kFringe * m_sourceHeight)) : 0);
    const int from = std::clamp(static_cast<int>(std::floor(first)) - more, 0, m_sourceHeight - 1);
    return {from, std::clamp(static_cast<int>(std::ceil(last)) + more, from + 1, m_sourceHeight)};
}

namespace {

/// A row of the finished picture; `y` in fractions of the turned picture.
PlacedRow placedRow(const Geometry& g, const Throw& thrown, double ratio, int sourceWidth, int sourceHeight, int width,
                    double y)
{
    // Turning and stretching is linear along a row; leaning is left to the kernel.
    Geometry upright = g;
    upright.leanUp = upright.leanAside = 0;
    const auto at = [&](double x) {
        const double across = g.crop.left + x * (g.crop.right - g.crop.left);
        return turnedToSource(upright, {(2 * across - 1) * ratio, 2 * y - 1});
    };
    const Spot first = at(0.5 / width), next = at(1.5 / width);
    PlacedRow row{};
    row.first[0] = static_cast<float>(first.x), row.first[1] = static_cast<float>(first.y);
    row.step[0] = static_cast<float>(next.x - first.x), row.step[1] = static_cast<float>(next.y - first.y);
    row.leanUp = static_cast<float>(g.leanUp), row.leanAside = static_cast<float>(g.leanAside);
    row.perUnit = static_cast<float>(Throw::kEntries / Throw::kFarthest / std::hypot(ratio, 1.0));
    row.scale[0] = row.scale[1] = static_cast<float>(sourceHeight / 2.0);
    row.scale[0] = static_cast<float>(sourceWidth / (2 * ratio));
    row.middle[0] = static_cast<float>(sourceWidth / 2.0 - 0.5);
    row.middle[1] = static_cast<float>(sourceHeight / 2.0 - 0.5);
    copyMatrix(row.toWorking, toWorking(RgbSpace::Srgb));
    row.tables[0] = thrown.greenTable().data(), row.tables[1] = thrown.redTable().data(),
    row.tables[2] = thrown.blueTable().data();
    return row;
}

}  // namespace

void SourcePlanes::reset(const Placement& placement, int rows)
{
    m_isApart = placement.hasFringes();
    m_width = placement.sourceWidth(), m_rows = rows;
    const std::size_t size = static_cast<std::size_t>(m_width) * rows * 3;
    if (m_values.size() < size)
        m_values.resize(size);
}

void SourcePlanes::setRow(int row, const float* rgb)
{
    static const auto toOwn = [] {
        std::array<std::array<float, 3>, 3> m;
        for (std::size_t i = 0; i < 3; ++i)
            for (std::size_t k = 0; k < 3; ++k)
                m[i][k] = static_cast<float>(fromWorking(RgbSpace::Srgb).m[i][k]);
        return m;
    }();
    float matrix[3][3];
    for (std::size_t i = 0; i < 3; ++i)
        std::copy_n(toOwn[i].data(), 3, matrix[i]);
    const std::size_t plane = static_cast<std::size_t>(m_width) * m_rows, at = static_cast<std::size_t>(row) * m_width;
    float* const planes[3] = {m_values.data() + at, m_values.data() + plane + at, m_values.data() + 2 * plane + at};
    planesOfRow(rgb, m_isApart ? matrix : nullptr, m_width, planes);
}

void Placement::run(const SourcePlanes& source, int sourceRow, int firstRow, MutableImageView out) const
{
    const Region& c = m_geometry.crop;
    const std::size_t plane = static_cast<std::size_t>(source.width()) * source.rows();
    const SourceRowsView view{{source.data(), source.data() + plane, source.data() + 2 * plane},
                              source.width(),
                              source.rows(),
                              source.width()};
    for (int i = 0; i < out.height; ++i) {
        const double y = c.top + (firstRow + i + 0.5) / m_height * (c.bottom - c.top);
        PlacedRow row = placedRow(m_geometry, *m_throw, m_ratio, m_sourceWidth, m_sourceHeight, m_width, y);
        if (!m_fringes)
            row.tables[1] = row.tables[2] = nullptr;
        if (!m_bends)
            row.tables[0] = nullptr;
        placeRow(row, view, sourceRow, m_sourceHeight, 0, out.width, out.row(i));
    }
}

void Placement::run(ImageView source, int sourceRow, int firstRow, MutableImageView out) const
{
    constexpr int kRows = 16;
    SourcePlanes planes;
    planes.reset(*this, source.height);
    inParallel(source.height, [&](int y) { planes.setRow(y, source.row(y)); });
    inParallel((out.height + kRows - 1) / kRows, [&](int part) {
        MutableImageView some = out;
        some.data = out.row(part * kRows), some.height = std::min(kRows, out.height - part * kRows);
        run(planes, sourceRow, firstRow + part * kRows, some);
    });
}

void Placement::gains(int rowIndex, float* out) const
{
    const Region& c = m_geometry.crop;
    const double y = c.top + (rowIndex + 0.5) / m_height * (c.bottom - c.top);
    std::fill_n(out, m_width, 1.0f);
    if (m_dims)
        gainRow(placedRow(m_geometry, *m_throw, m_ratio, m_sourceWidth, m_sourceHeight, m_width, y),
                m_throw->gainTable().data(), m_width, out);
}

namespace {

/// Whether a crop of the turned picture shows nothing from outside; the geometry's own crop does not matter.
class Inside {
public:
    Inside(const Optics& optics, Geometry geometry, double ratio)
        : m_whole(optics, uncut(std::move(geometry)), kSide, static_cast<int>(std::lround(kSide / ratio)))
    {
    }
    bool operator()(const Region& crop) const
    {
        for (int i = 0; i <= kSteps; ++i) {
            const double t = static_cast<double>(i) / kSteps, x = crop.left + t * (crop.right - crop.left),
                         y = crop.top + t * (crop.bottom - crop.top);
            if (!shows(x, crop.top) || !shows(x, crop.bottom) || !shows(crop.left, y) || !shows(crop.right, y))
                return false;
        }
        return true;
    }

private:
    static constexpr int kSide = 100000, kSteps = 24;
    static Geometry uncut(Geometry g)
    {
        g.crop = {};
        return g;
    }
    bool shows(double x, double y) const
    {
        constexpr double kSlack = 1e-6;
        const Spot s = m_whole.sourceOf({x, y});
        return s.x >= -kSlack && s.x <= 1 + kSlack && s.y >= -kSlack && s.y <= 1 + kSlack;
    }
    Placement m_whole;
};

Region scaled(const Region& crop, double by)
{
    const Spot m = middleOf(crop);
    const double w = (crop.right - crop.left) * by / 2, h = (crop.bottom - crop.top) * by / 2;
    return {m.x - w, m.y - h, m.x + w, m.y + h};
}

/// The largest of low..1 that fits, found by halving; `low` when none does.
template <class Fits>
double largest(double low, const Fits& fits)
{
    if (fits(1))
        return 1;
    double high = 1;
    for (int i = 0; i < 40; ++i) {
        const double middle = (low + high) / 2;
        (fits(middle) ? low : high) = middle;
    }
    return low;
}

}  // namespace

Region inscribedCrop(const Optics& optics, const Geometry& geometry, double ratio, double wantedRatio)
{
    constexpr double kLeast = 0.05;
    const double wanted = wantedRatio > 0 ? wantedRatio : ratio;
    const double w = std::min(1.0, wanted / ratio) / 2, h = std::min(1.0, ratio / wanted) / 2;
    const Region whole{0.5 - w, 0.5 - h, 0.5 + w, 0.5 + h};
    const Inside inside(optics, geometry, ratio);
    return scaled(whole, largest(kLeast, [&](double by) { return inside(scaled(whole, by)); }));
}

bool isInside(const Optics& optics, const Geometry& geometry, double ratio, const Region& crop)
{
    return Inside(optics, geometry, ratio)(crop);
}

Region broughtInside(const Optics& optics, const Geometry& geometry, double ratio, const Region& crop)
{
    constexpr double kLeast = 0.02;
    const Inside inside(optics, geometry, ratio);
    if (inside(crop))
        return crop;
    // Towards the middle as far as need be; what is too large even there is made smaller.
    const Spot at = middleOf(crop);
    const auto moved = [&](double way) {
        const double dx = (0.5 - at.x) * way, dy = (0.5 - at.y) * way;
        return Region{crop.left + dx, crop.top + dy, crop.right + dx, crop.bottom + dy};
    };
    if (!inside(moved(1))) {
        const Region central = moved(1);
        return scaled(central, largest(kLeast, [&](double by) { return inside(scaled(central, by)); }));
    }
    return moved(1 - largest(0, [&](double stay) { return inside(moved(1 - stay)); }));
}

Image placed(Image picture, const Optics& optics, const Geometry& geometry)
{
    const Placement placement(optics, geometry, picture.width(), picture.height());
    if (placement.isIdentity())
        return picture;
    Image out = Image::unset(placement.width(), placement.height());
    placement.run(picture.view(), 0, 0, out.mutableView());
    return out;
}

}  // namespace amber
