#include "core/area/area_mask.h"

#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <opencv2/imgproc.hpp>
#include <utility>

namespace amber {
namespace {

cv::Mat matOf(Plane& plane) { return {plane.height, plane.width, CV_32F, plane.values.data()}; }

/// How far a place lies from a line between two others.
double distanceTo(Spot p, Spot a, Spot b, double& along)
{
    const double dx = b.x - a.x, dy = b.y - a.y, length2 = dx * dx + dy * dy;
    along = length2 > 0 ? std::clamp(((p.x - a.x) * dx + (p.y - a.y) * dy) / length2, 0.0, 1.0) : 0;
    return std::hypot(p.x - a.x - along * dx, p.y - a.y - along * dy);
}

/// Points along a smooth closed line (Catmull-Rom: E. Catmull, R. Rom, 1974).
std::vector<Spot> smoothed(const std::vector<Spot>& points)
{
    constexpr int kBetween = 12;
    const std::size_t n = points.size();
    std::vector<Spot> all;
    for (std::size_t i = 0; i < n; ++i) {
        const Spot &a = points[(i + n - 1) % n], &b = points[i], &c = points[(i + 1) % n], &d = points[(i + 2) % n];
        for (int k = 0; k < kBetween; ++k) {
            const double t = static_cast<double>(k) / kBetween, t2 = t * t, t3 = t2 * t;
            const auto at = [&](double p, double q, double r, double s) {
                return 0.5 * (2 * q + (r - p) * t + (2 * p - 5 * q + 4 * r - s) * t2 + (3 * q - p - 3 * r + s) * t3);
            };
            all.push_back({at(a.x, b.x, c.x, d.x), at(a.y, b.y, c.y, d.y)});
        }
    }
    return all;
}

/// Whether a place is inside a closed line (even-odd), and how far from it.
struct ToOutline {
    bool isInside = false;
    double distance = 1e9;
};
ToOutline toOutline(Spot p, const std::vector<Spot>& line)
{
    ToOutline to;
    for (std::size_t i = 0, j = line.size() - 1; i < line.size(); j = i++) {
        const Spot &a = line[i], &b = line[j];
        if ((a.y > p.y) != (b.y > p.y) && p.x < (b.x - a.x) * (p.y - a.y) / (b.y - a.y) + a.x)
            to.isInside = !to.isInside;
        double along;
        to.distance = std::min(to.distance, distanceTo(p, a, b, along));
    }
    return to;
}

template <class Change>
void forRows(Plane& plane, const Change& change)
{
    inParallel(plane.height, [&](int y) { change(y, plane.row(y)); });
}

void join(Plane& area, const AreaPart& how, const Plane& part)
{
    const auto density = static_cast<float>(how.density);
    forRows(area, [&](int y, float* w) {
        const float* v = part.row(y);
        for (int x = 0; x < area.width; ++x) {
            const float own = density * (how.isInverted ? 1 - v[x] : v[x]);
            w[x] = how.join == AreaPart::Join::Add   ? std::max(w[x], own)
                   : how.join == AreaPart::Join::Cut ? w[x] * (1 - own)
                                                     : w[x] * own;
        }
    });
}

/// Outward (above 0) or inward by so many pixels, along circles; the edge of the picture is no edge of the area. The
/// part of a pixel goes by a share of the next whole step.
void growBy(Plane& mask, double pixels)
{
    const auto stepped = [&](int radius) {
        cv::Mat to;
        const cv::Mat disc =
            cv::getStructuringElement(cv::MORPH_ELLIPSE, {2 * std::abs(radius) + 1, 2 * std::abs(radius) + 1});
        radius > 0 ? cv::dilate(matOf(mask), to, disc, {-1, -1}, 1, cv::BORDER_REPLICATE)
                   : cv::erode(matOf(mask), to, disc, {-1, -1}, 1, cv::BORDER_REPLICATE);
        return to;
    };
    const int whole = static_cast<int>(pixels), next = whole + (pixels > 0 ? 1 : -1);
    const double share = std::abs(pixels - whole);
    const cv::Mat a = whole == 0 ? matOf(mask).clone() : stepped(whole), b = stepped(next);
    cv::Mat to = matOf(mask);
    cv::addWeighted(a, 1 - share, b, share, 0, to);
}

/// Smoothed lists of segments with a box round each, so that a far pixel costs little.
struct Segment {
    Spot a, b;
    double widthA, widthB, left, top, right, bottom;
};

std::vector<Segment> segmentsOf(const Stroke& stroke, const std::function<Spot(Spot)>& inLongEdges)
{
    std::vector<Segment> all;
    for (std::size_t i = 0; i < stroke.points.size(); ++i) {
        const Stroke::Point &p = stroke.points[i], &q = stroke.points[std::min(i + 1, stroke.points.size() - 1)];
        if (i + 1 == stroke.points.size() && i > 0)
            break;
        const Spot a = inLongEdges(p.at), b = inLongEdges(q.at);
        const double wa = stroke.radius * p.pressure, wb = stroke.radius * q.pressure, w = std::max(wa, wb);
        all.push_back({a, b, wa, wb, std::min(a.x, b.x) - w, std::min(a.y, b.y) - w, std::max(a.x, b.x) + w,
                       std::max(a.y, b.y) + w});
    }
    return all;
}

}  // namespace

MaskGround::MaskGround(ImageView picture, double sourceRatio, const std::function<Spot(Spot)>& sourceOf)
    : m_picture(picture), m_wide(std::min(1.0, sourceRatio)), m_high(std::min(1.0, 1 / sourceRatio)),
      m_spots(static_cast<std::size_t>(picture.width) * picture.height)
{
    if (sourceRatio >= 1)
        m_wide = 1, m_high = 1 / sourceRatio;
    else
        m_wide = sourceRatio, m_high = 1;
    inParallel(picture.height, [&](int y) {
        for (int x = 0; x < picture.width; ++x)
            m_spots[static_cast<std::size_t>(y) * picture.width + x] =
                inLongEdges(sourceOf({(x + 0.5) / picture.width, (y + 0.5) / picture.height}));
    });
}

MaskGround::MaskGround(ImageView picture)
    : MaskGround(picture, static_cast<double>(picture.width) / picture.height, [](Spot s) { return s; })
{
}

double MaskGround::pixelsPerLongEdge() const
{
    // By the middle of the picture, where lenses and leans change least.
    const int x = m_picture.width / 2, y = m_picture.height / 2;
    if (x < 1)
        return std::max(m_picture.width, m_picture.height);
    const Spot &a = m_spots[static_cast<std::size_t>(y) * m_picture.width + x],
               &b = m_spots[static_cast<std::size_t>(y) * m_picture.width + x - 1];
    const double step = std::hypot(a.x - b.x, a.y - b.y);
    return step > 0 ? 1 / step : std::max(m_picture.width, m_picture.height);
}

template <class Weight>
Plane MaskGround::each(Weight weight) const
{
    Plane plane(m_picture.width, m_picture.height);
    inParallel(m_picture.height, [&](int y) {
        float* row = plane.row(y);
        const Spot* spots = m_spots.data() + static_cast<std::size_t>(y) * m_picture.width;
        for (int x = 0; x < m_picture.width; ++x)
            row[x] = static_cast<float>(weight(spots[x]));
    });
    return plane;
}

Plane MaskGround::of(const Ramp& ramp) const
{
    const Spot full = inLongEdges(ramp.full), none = inLongEdges(ramp.none);
    const double dx = none.x - full.x, dy = none.y - full.y, length2 = std::max(dx * dx + dy * dy, 1e-12);
    return each([&](Spot p) {
        const double t = ((p.x - full.x) * dx + (p.y - full.y) * dy) / length2;
        return 1 - smoothstep(0, 1, ramp.isMirrored ? std::abs(t) : t);
    });
}

Plane MaskGround::of(const Ellipse& ellipse) const
{
    const Spot middle = inLongEdges(ellipse.middle);
    const double turn = ellipse.turnDegrees * std::numbers::pi / 180, c = std::cos(turn), s = std::sin(turn);
    const double begin = std::min(1 - ellipse.feather, 1 - 1e-6);
    return each([&](Spot p) {
        const double x = p.x - middle.x, y = p.y - middle.y;
        const double u = (c * x + s * y) / ellipse.halfWidth, v = (c * y - s * x) / ellipse.halfHeight;
        return 1 - smoothstep(begin, 1, std::sqrt(u * u + v * v));
    });
}

Plane MaskGround::of(const Outline& outline) const
{
    if (outline.points.size() < 3)
        return Plane(m_picture.width, m_picture.height);
    std::vector<Spot> line = outline.isSmooth ? smoothed(outline.points) : outline.points;
    for (Spot& p : line)
        p = inLongEdges(p);
    const double half = 0.5 / pixelsPerLongEdge();  // its edge falls within a pixel
    return each([&](Spot p) {
        const ToOutline to = toOutline(p, line);
        const double inside = to.isInside ? to.distance : -to.distance;
        return std::clamp(0.5 + inside / (2 * half), 0.0, 1.0);
    });
}

Plane MaskGround::of(const Stroke& stroke) const
{
    const std::vector<Segment> segments = segmentsOf(stroke, [this](Spot s) { return inLongEdges(s); });
    return each([&](Spot p) {
        double most = 0;
        for (const Segment& s : segments) {
            if (p.x < s.left || p.x > s.right || p.y < s.top || p.y > s.bottom)
                continue;
            double along;
            const double distance = distanceTo(p, s.a, s.b, along), radius = std::lerp(s.widthA, s.widthB, along);
            if (distance < radius)
                most = std::max(most, 1 - smoothstep(std::min(1 - stroke.softness, 1 - 1e-6), 1, distance / radius));
        }
        return stroke.flow * most;
    });
}

Plane MaskGround::of(const ColourRange& range) const
{
    Plane plane(m_picture.width, m_picture.height);
    inParallel(m_picture.height, [&](int y) {
        const float* p = m_picture.row(y);
        for (int x = 0; x < m_picture.width; ++x, p += 3)
            plane.row(y)[x] = static_cast<float>(weightAt(range.colours, toOkLab(LinearRgb{p[0], p[1], p[2]})));
    });
    return plane;
}

Plane MaskGround::of(const Found& found) const
{
    const auto unpackedMask = found.mask ? unpacked(*found.mask) : Result<FoundMask>(FoundMask{1, 1, {0}});
    if (!unpackedMask)
        return Plane(m_picture.width, m_picture.height);
    const FoundMask& mask = *unpackedMask;
    const auto weight = [&](int x, int y) {
        return mask.weights[static_cast<std::size_t>(std::clamp(y, 0, mask.height - 1)) * mask.width +
                            std::clamp(x, 0, mask.width - 1)] /
               255.0;
    };
    return refined(each([&](Spot p) {
        const double u = p.x / m_wide * mask.width - 0.5, v = p.y / m_high * mask.height - 0.5;
        const int x = static_cast<int>(std::floor(u)), y = static_cast<int>(std::floor(v));
        const double upper = weight(x, y), lower = weight(x, y + 1),
                     above = upper + (u - x) * (weight(x + 1, y) - upper),
                     below = lower + (u - x) * (weight(x + 1, y + 1) - lower);
        return above + (v - y) * (below - above);
    }));
}

MaskGround::Known MaskGround::partOf(const AreaPart& part) const
{
    const auto made = [&] {
        return std::make_shared<const Plane>(std::visit([this](const auto& shape) { return of(shape); }, part.shape));
    };
    constexpr std::size_t kMost = 8;
    {
        const std::lock_guard lock(*m_mutex);
        const auto known =
            std::find_if(m_known.begin(), m_known.end(), [&](const auto& entry) { return entry.first == part.shape; });
        if (known != m_known.end()) {
            std::rotate(known, known + 1, m_known.end());
            return m_known.back().second;
        }
    }
    Known plane = made();
    const std::lock_guard lock(*m_mutex);
    m_known.emplace_back(part.shape, plane);
    if (m_known.size() > kMost)
        m_known.pop_front();
    return plane;
}

Plane MaskGround::maskOf(const Area& area) const
{
    longCall("areaMask");
    Plane mask(m_picture.width, m_picture.height);
    if (area.state == Area::State::NotHere)
        return mask;
    bool isFirst = true;
    for (const AreaPart& part : area.parts) {
        // The first is what there is, however it is joined to nothing; but to cut it from nothing leaves nothing.
        AreaPart how{part.join, Found{}, part.isInverted, part.density};
        if (std::exchange(isFirst, false) && part.join == AreaPart::Join::Within)
            how.join = AreaPart::Join::Add;
        join(mask, how, *partOf(part));
    }
    if (area.grow != 0)
        growBy(mask, area.grow * pixelsPerLongEdge());
    if (area.feather > 0)
        mask = gaussianMean(std::move(mask), area.feather * pixelsPerLongEdge());
    forRows(mask, [&](int, float* row) {
        for (int x = 0; x < mask.width; ++x)
            row[x] = static_cast<float>(area.density) * std::clamp(area.isInverted ? 1 - row[x] : row[x], 0.0f, 1.0f);
    });
    return mask;
}

Plane MaskGround::refined(const Plane& mask) const
{
    constexpr double kRadius = 4.0 / 1500, kEpsilon = 1e-4;
    const int radius = std::max(1, static_cast<int>(std::lround(kRadius * pixelsPerLongEdge())));
    return guidedByColour(m_picture, mask, radius, kEpsilon);
}

namespace {

/// How the guide's channels vary together (upper triangle, row by row), and each with the mask, within windows.
struct Moments {
    cv::Mat pairs[6], with[3], means[3], maskMean;
};

template <class Mean>
Moments momentsOf(const cv::Mat (&guide)[3], const cv::Mat& mask, const Mean& mean)
{
    Moments m;
    m.maskMean = mean(mask);
    for (int i = 0; i < 3; ++i) {
        m.means[i] = mean(guide[i]);
        m.with[i] = mean(guide[i].mul(mask)) - m.means[i].mul(m.maskMean);
    }
    for (int i = 0, at = 0; i < 3; ++i)
        for (int j = i; j < 3; ++j)
            m.pairs[at++] = mean(guide[i].mul(guide[j])) - m.means[i].mul(m.means[j]);
    return m;
}

/// At one pixel: the slopes of the mask on the guide, by the inverse of a symmetric matrix from its cofactors.
std::array<double, 3> slopesAt(const Moments& m, int y, int x, double epsilon)
{
    const auto of = [&](const cv::Mat& plane) { return static_cast<double>(plane.at<float>(y, x)); };
    const double c00 = of(m.pairs[0]) + epsilon, c01 = of(m.pairs[1]), c02 = of(m.pairs[2]),
                 c11 = of(m.pairs[3]) + epsilon, c12 = of(m.pairs[4]), c22 = of(m.pairs[5]) + epsilon;
    const double i00 = c11 * c22 - c12 * c12, i01 = c02 * c12 - c01 * c22, i02 = c01 * c12 - c02 * c11,
                 i11 = c00 * c22 - c02 * c02, i12 = c01 * c02 - c00 * c12, i22 = c00 * c11 - c01 * c01;
    const double whole = c00 * i00 + c01 * i01 + c02 * i02, p = of(m.with[0]), q = of(m.with[1]), r = of(m.with[2]);
    return {(i00 * p + i01 * q + i02 * r) / whole, (i01 * p + i11 * q + i12 * r) / whole,
            (i02 * p + i12 * q + i22 * r) / whole};
}

/// OKLab of a part of a picture, a plane each.
void takeGuide(ImageView picture, const cv::Rect& part, cv::Mat (&guide)[3])
{
    for (cv::Mat& plane : guide)
        plane.create(part.size(), CV_32F);
    for (int y = 0; y < part.height; ++y) {
        const float* p = picture.row(part.y + y) + 3 * part.x;
        for (int x = 0; x < part.width; ++x, p += 3) {
            const OkLab c = toOkLab(LinearRgb{p[0], p[1], p[2]});
            guide[0].at<float>(y, x) = static_cast<float>(c.L);
            guide[1].at<float>(y, x) = static_cast<float>(c.a);
            guide[2].at<float>(y, x) = static_cast<float>(c.b);
        }
    }
}

cv::Mat guidedPart(const cv::Mat (&guide)[3], const cv::Mat& mask, int radius, double epsilon)
{
    const auto mean = [radius](const cv::Mat& m) {
        cv::Mat to;
        cv::boxFilter(m, to, CV_32F, {2 * radius + 1, 2 * radius + 1}, {-1, -1}, true, cv::BORDER_REFLECT);
        return to;
    };
    const Moments moments = momentsOf(guide, mask, mean);
    cv::Mat slopes[3], rest(mask.size(), CV_32F);
    for (cv::Mat& slope : slopes)
        slope.create(mask.size(), CV_32F);
    for (int y = 0; y < mask.rows; ++y)
        for (int x = 0; x < mask.cols; ++x) {
            const auto s = slopesAt(moments, y, x, epsilon);
            double left = moments.maskMean.at<float>(y, x);
            for (int k = 0; k < 3; ++k) {
                slopes[k].at<float>(y, x) = static_cast<float>(s[static_cast<std::size_t>(k)]);
                left -= s[static_cast<std::size_t>(k)] * moments.means[k].at<float>(y, x);
            }
            rest.at<float>(y, x) = static_cast<float>(left);
        }
    cv::Mat sum = mean(rest);
    for (int k = 0; k < 3; ++k)
        sum += mean(slopes[k]).mul(guide[k]);
    cv::max(sum, 0, sum);
    cv::min(sum, 1, sum);
    return sum;
}

}  // namespace

/// Only near edges: where a mask is even within two windows, so is what comes of it.
Plane guidedByColour(ImageView picture, const Plane& mask, int radius, double epsilon)
{
    constexpr int kTile = 96;
    const cv::Size size(mask.width, mask.height);
    const cv::Mat input(size, CV_32F, const_cast<float*>(mask.values.data()));
    const int across = (size.width + kTile - 1) / kTile, down = (size.height + kTile - 1) / kTile;
    Plane refined(mask.width, mask.height);
    cv::Mat to = matOf(refined);
    inParallel(across * down, [&](int n) {
        const cv::Rect tile = cv::Rect(n % across * kTile, n / across * kTile, kTile, kTile) & cv::Rect({}, size);
        const cv::Rect part =
            cv::Rect(tile.x - 2 * radius, tile.y - 2 * radius, tile.width + 4 * radius, tile.height + 4 * radius) &
            cv::Rect({}, size);
        double least = 0, most = 0;
        cv::minMaxIdx(input(part), &least, &most);
        if (most - least <= 0) {
            to(tile) = least;
            return;
        }
        cv::Mat guide[3];
        takeGuide(picture, part, guide);
        guidedPart(guide, input(part), radius, epsilon)(cv::Rect(tile.tl() - part.tl(), tile.size())).copyTo(to(tile));
    });
    return refined;
}

}  // namespace amber
