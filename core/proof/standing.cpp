#include "core/proof/standing.h"

#include "core/engine/plane.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <opencv2/imgproc.hpp>
#include <vector>

namespace amber {
namespace {

constexpr double kRadian = 180 / 3.14159265358979;
constexpr int kEdge = 480;

/// In half heights from the middle, y down.
struct Piece {
    double x0, y0, x1, y1;
    double length() const { return std::hypot(x1 - x0, y1 - y0); }
    double middle() const { return (x0 + x1) / 2; }
    /// Degrees by which an upright leans to the right, and by which a level falls to the right.
    double fromUpright() const { return std::atan2(x0 - x1, y1 - y0) * kRadian; }
    double fromLevel() const { return std::atan2(y1 - y0, x1 - x0) * kRadian; }
};

std::vector<Piece> piecesOf(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kEdge);
    const Image small = reduceByArea(picture, size.width, size.height);
    const Plane light = lightnessOf(small.view());
    cv::Mat tones;
    cv::Mat(light.height, light.width, CV_32F, const_cast<float*>(light.values.data())).convertTo(tones, CV_8U, 255);
    std::vector<cv::Vec4f> found;
    cv::createLineSegmentDetector(cv::LSD_REFINE_STD)->detect(tones, found);
    std::vector<Piece> pieces;
    const double unit = size.height / 2.0, cx = size.width / 2.0, cy = size.height / 2.0;
    for (const cv::Vec4f& f : found) {
        Piece p{(f[0] - cx) / unit, (f[1] - cy) / unit, (f[2] - cx) / unit, (f[3] - cy) / unit};
        if (std::abs(p.y1 - p.y0) > std::abs(p.x1 - p.x0) ? p.y1 < p.y0 : p.x1 < p.x0)
            p = {p.x1, p.y1, p.x0, p.y0};
        pieces.push_back(p);
    }
    return pieces;
}

struct Agreement {
    double tilt = 0, lean = 0, length = 0;
    double left = 1e9, right = -1e9;
    int count = 0;
};

Agreement agreeing(const std::vector<Piece>& uprights, double tilt, double lean)
{
    constexpr double kNear = 0.7;
    Agreement a;
    double sw = 0, sx = 0, sy = 0, sxx = 0, sxy = 0;
    for (const Piece& p : uprights) {
        const double x = p.middle(), y = p.fromUpright(), w = p.length();
        if (std::abs(y - tilt - lean * kRadian * x) > kNear)
            continue;
        ++a.count, a.length += w;
        a.left = std::min(a.left, x), a.right = std::max(a.right, x);
        sw += w, sx += w * x, sy += w * y, sxx += w * x * x, sxy += w * x * y;
    }
    const double spread = sw * sxx - sx * sx;
    a.tilt = tilt, a.lean = lean;
    if (a.count >= 2 && spread > 1e-9) {
        const double slope = (sw * sxy - sx * sy) / spread;
        a.tilt = (sy - slope * sx) / sw, a.lean = slope / kRadian;
    }
    return a;
}

void tellUprights(const std::vector<Piece>& pieces, Standing& standing)
{
    constexpr double kReach = 18, kLong = 0.12, kApart = 0.3, kShare = 0.5, kLength = 4, kSpan = 0.8;
    constexpr int kEnough = 14;
    std::vector<Piece> uprights;
    double all = 0;
    for (const Piece& p : pieces)
        if (std::abs(p.fromUpright()) < kReach && p.length() > kLong)
            uprights.push_back(p), all += p.length();
    std::sort(uprights.begin(), uprights.end(), [](const Piece& a, const Piece& b) { return a.length() > b.length(); });
    uprights.resize(std::min<std::size_t>(uprights.size(), 60));
    Agreement best;
    for (const Piece& p : uprights)
        for (const Piece& q : uprights) {
            if (q.middle() - p.middle() < kApart)
                continue;
            const double lean = (q.fromUpright() - p.fromUpright()) / (q.middle() - p.middle()) / kRadian;
            if (std::abs(lean) > 0.3)
                continue;
            const Agreement a = agreeing(uprights, p.fromUpright() - lean * kRadian * p.middle(), lean);
            if (a.length > best.length)
                best = a;
        }
    best = agreeing(uprights, best.tilt, best.lean);
    if (best.count >= kEnough && best.length > kLength && best.length > kShare * all && best.right - best.left > kSpan)
        standing.uprightTilt = best.tilt, standing.lean = best.lean;
}

void tellLevel(const std::vector<Piece>& pieces, double halfWidth, Standing& standing)
{
    constexpr double kReach = 12, kLong = 0.08, kNear = 1.5, kOff = 0.012, kSupport = 0.7, kSpan = 1.5;
    std::vector<const Piece*> levels;
    for (const Piece& p : pieces)
        if (std::abs(p.fromLevel()) < kReach && p.length() > kLong)
            levels.push_back(&p);
    double most = 0, tilt = 0, span = 0;
    for (const Piece* p : levels)
        for (const Piece* q : levels) {
            if (q->middle() - p->middle() < 0.6 * halfWidth)
                continue;
            const double slope = (q->y0 + q->y1 - p->y0 - p->y1) / 2 / (q->middle() - p->middle());
            const double degrees = std::atan(slope) * kRadian;
            if (std::abs(degrees) > kReach || std::abs(p->fromLevel() - degrees) > kNear ||
                std::abs(q->fromLevel() - degrees) > kNear)
                continue;
            const double y = (p->y0 + p->y1) / 2 - slope * p->middle();
            double length = 0, left = 1e9, right = -1e9;
            for (const Piece* r : levels)
                if (std::abs(r->fromLevel() - degrees) < 2 * kNear &&
                    std::abs((r->y0 + r->y1) / 2 - y - slope * r->middle()) < kOff)
                    length += r->length(), left = std::min(left, r->x0), right = std::max(right, r->x1);
            if (length > most)
                most = length, tilt = degrees, span = right - left;
        }
    if (most > kSupport * halfWidth && span > kSpan * halfWidth)
        standing.levelTilt = tilt;
}

}  // namespace

Standing measureStanding(ImageView picture)
{
    Standing standing;
    if (picture.width < 16 || picture.height < 16)
        return standing;
    const std::vector<Piece> pieces = piecesOf(picture);
    tellUprights(pieces, standing);
    tellLevel(pieces, static_cast<double>(picture.width) / picture.height, standing);
    return standing;
}

}  // namespace amber
