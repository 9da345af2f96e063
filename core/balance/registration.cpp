#include "core/balance/registration.h"

#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/image/bicubic.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <opencv2/calib3d.hpp>
#include <opencv2/features2d.hpp>

namespace amber {

struct Features::Data {
    std::vector<cv::KeyPoint> points;
    cv::Mat descriptions;
    int width = 0, height = 0;
    double edge() const { return std::max(width, height); }
};

namespace {

/// Tones as 8-bit codes: the first to the ninety-ninth percentile of OKLab L over the whole range.
cv::Mat tonesOf(ImageView picture)
{
    std::vector<float> tones;
    tones.reserve(static_cast<std::size_t>(picture.width) * picture.height);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + 3 * x;
            tones.push_back(static_cast<float>(toOkLab(LinearRgb{p[0], p[1], p[2]}).L));
        }
    std::vector<float> sorted = tones;
    const auto low = static_cast<float>(quantile(sorted, 0.01)),
               high = std::max(static_cast<float>(quantile(sorted, 0.99)), low + 1e-4f);
    cv::Mat codes(picture.height, picture.width, CV_8U);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            codes.at<std::uint8_t>(y, x) = static_cast<std::uint8_t>(
                std::clamp((tones[static_cast<std::size_t>(y) * picture.width + x] - low) / (high - low), 0.0f, 1.0f) *
                    255 +
                0.5f);
    return codes;
}

/// How far the points that agree lie from where they should.
std::vector<double> errorsOf(const Registration& r, const std::vector<cv::Point2f>& p,
                             const std::vector<cv::Point2f>& q, const std::vector<std::uint8_t>& agree)
{
    std::vector<double> errors;
    for (std::size_t i = 0; i < p.size(); ++i)
        if (agree[i]) {
            const double w = r.m[6] * p[i].x + r.m[7] * p[i].y + r.m[8];
            errors.push_back(std::hypot((r.m[0] * p[i].x + r.m[1] * p[i].y + r.m[2]) / w - q[i].x,
                                        (r.m[3] * p[i].x + r.m[4] * p[i].y + r.m[5]) / w - q[i].y));
        }
    return errors;
}

}  // namespace

Features featuresOf(ImageView picture)
{
    longCall("featuresOf");
    constexpr int kMost = 900;
    constexpr double kContrast = 0.015;
    auto data = std::make_shared<Features::Data>();
    data->width = picture.width, data->height = picture.height;
    if (picture.width >= 16 && picture.height >= 16)
        try {
            cv::SIFT::create(kMost, 3, kContrast)
                ->detectAndCompute(tonesOf(picture), cv::noArray(), data->points, data->descriptions);
        } catch (const cv::Exception&) {
            data->points.clear();  // a picture that it cannot work on has nothing to hold on to
        }
    return {std::move(data)};
}

/// Points of both whose descriptions are alike and unlike all others, in shares of the longer edge.
void pairUp(const Features::Data& a, const Features::Data& b, std::vector<cv::Point2f>& p, std::vector<cv::Point2f>& q)
{
    constexpr float kBetter = 0.8f;  // the nearest description must beat the second by so much
    std::vector<std::vector<cv::DMatch>> nearest;
    cv::BFMatcher(cv::NORM_L2).knnMatch(a.descriptions, b.descriptions, nearest, 2);
    for (const auto& pair : nearest)
        if (pair.size() == 2 && pair[0].distance < kBetter * pair[1].distance) {
            const cv::Point2f u = a.points[static_cast<std::size_t>(pair[0].queryIdx)].pt,
                              v = b.points[static_cast<std::size_t>(pair[0].trainIdx)].pt;
            p.emplace_back(u.x / a.edge(), u.y / a.edge());
            q.emplace_back(v.x / b.edge(), v.y / b.edge());
        }
}

namespace {
std::optional<Registration> registered(const Features& from, const Features& to)
{
    constexpr std::size_t kLeast = 16;
    if (!from.data || !to.data)
        return std::nullopt;
    const Features::Data &a = *from.data, &b = *to.data;
    if (a.points.size() < kLeast || b.points.size() < kLeast)
        return std::nullopt;
    std::vector<cv::Point2f> p, q;
    pairUp(a, b, p, q);
    if (p.size() < kLeast)
        return std::nullopt;
    constexpr double kNear = 0.004;
    std::vector<std::uint8_t> agree;
    cv::setRNGSeed(1);
    const cv::Mat h = cv::findHomography(p, q, cv::RANSAC, kNear, agree, 1500, 0.995);
    if (h.empty())
        return std::nullopt;
    Registration r;
    for (int i = 0; i < 9; ++i)
        r.m[static_cast<std::size_t>(i)] = h.at<double>(i / 3, i % 3);
    r.fromRatio = static_cast<double>(a.width) / a.height, r.toRatio = static_cast<double>(b.width) / b.height;
    std::vector<double> errors = errorsOf(r, p, q, agree);
    r.matches = static_cast<int>(errors.size());
    // By chance a few of many matches agree with some distorted view.
    if (errors.size() < kLeast || static_cast<double>(errors.size()) < 0.15 * static_cast<double>(p.size()))
        return std::nullopt;
    r.error = median(errors);
    const double scale = std::sqrt(std::abs(r.m[0] * r.m[4] - r.m[1] * r.m[3])) / std::abs(r.m[8]);
    if (r.m[0] * r.m[4] - r.m[1] * r.m[3] <= 0 || scale < 0.4 || scale > 2.5 ||
        std::hypot(r.m[6], r.m[7]) > 0.5 * std::abs(r.m[8]))
        return std::nullopt;
    return r;
}
}  // namespace

std::optional<Registration> registerFeatures(const Features& from, const Features& to)
{
    longCall("registerFeatures");
    try {
        return registered(from, to);
    } catch (const cv::Exception&) {
        return std::nullopt;  // points that it cannot make a view of show no common one
    }
}

Registration::Place Registration::map(Place from) const
{
    const double x = from.x * std::min(1.0, fromRatio), y = from.y * std::min(1.0, 1 / fromRatio);
    const double w = m[6] * x + m[7] * y + m[8];
    return {(m[0] * x + m[1] * y + m[2]) / w / std::min(1.0, toRatio),
            (m[3] * x + m[4] * y + m[5]) / w / std::min(1.0, 1 / toRatio)};
}

namespace {

struct Patch {
    LinearRgb mean;
    bool even = false;
};

/// The mean of a small square, and whether it is of one colour.
Patch patchAt(ImageView image, double x, double y, int half, double even)
{
    // A place on the edge of two pixels, found in two ways, must not fall into one and then into the other.
    constexpr double kHair = 1e-6;
    const int cx = static_cast<int>(x * image.width + kHair), cy = static_cast<int>(y * image.height + kHair);
    if (cx - half < 0 || cy - half < 0 || cx + half >= image.width || cy + half >= image.height)
        return {};
    Patch patch;
    OkLab low{9, 9, 9}, high{-9, -9, -9};
    int n = 0;
    for (int v = cy - half; v <= cy + half; ++v)
        for (int u = cx - half; u <= cx + half; ++u, ++n) {
            const float* p = image.row(v) + 3 * u;
            const LinearRgb c{p[0], p[1], p[2]};
            const OkLab lab = toOkLab(c);
            patch.mean.r += c.r, patch.mean.g += c.g, patch.mean.b += c.b;
            low = {std::min(low.L, lab.L), std::min(low.a, lab.a), std::min(low.b, lab.b)};
            high = {std::max(high.L, lab.L), std::max(high.a, lab.a), std::max(high.b, lab.b)};
        }
    patch.mean = {patch.mean.r / n, patch.mean.g / n, patch.mean.b / n};
    patch.even = !std::isnan(patch.mean.r) && std::hypot(high.L - low.L, high.a - low.a, high.b - low.b) < even;
    return patch;
}

}  // namespace

SeenTwice coloursSeenTwice(ImageView from, ImageView to, const Registration& registration, int across, double even)
{
    return coloursSeenTwice(
        from, to, [&](Registration::Place at) { return std::optional(registration.map(at)); }, across, even);
}

SeenTwice coloursSeenTwice(ImageView from, ImageView to, const WayBetween& way, int across, double even)
{
    SeenTwice seen;
    const int down = std::max(1, across * from.height / std::max(1, from.width)),
              half = std::max(1, std::max(from.width, from.height) / 400);
    for (int j = 0; j < down; ++j)
        for (int i = 0; i < across; ++i) {
            const Registration::Place at{(i + 0.5) / across, (j + 0.5) / down};
            const auto there = way(at);
            if (!there)
                continue;
            const Patch p = patchAt(from, at.x, at.y, half, even), q = patchAt(to, there->x, there->y, half, even);
            if (p.even && q.even)
                seen.from.push_back(p.mean), seen.to.push_back(q.mean), seen.places.push_back(*there);
        }
    return seen;
}

Registration inverse(const Registration& registration)
{
    Registration back = registration;
    const cv::Mat inverse = cv::Mat(3, 3, CV_64F, back.m.data()).inv();
    for (int i = 0; i < 9; ++i)
        back.m[static_cast<std::size_t>(i)] = inverse.at<double>(i / 3, i % 3);
    std::swap(back.fromRatio, back.toRatio);
    return back;
}

Image laidOver(ImageView from, const Registration& registration, int width, int height)
{
    const Registration back = inverse(registration);
    Image out(width, height);
    inParallel(height, [&](int y) {
        float* q = out.mutableView().row(y);
        for (int x = 0; x < width; ++x, q += 3) {
            const Registration::Place at = back.map({(x + 0.5) / width, (y + 0.5) / height});
            const double u = at.x * from.width - 0.5, v = at.y * from.height - 0.5;
            if (u < -0.5 || v < -0.5 || u > from.width - 0.5 || v > from.height - 0.5) {
                q[0] = q[1] = q[2] = std::numeric_limits<float>::quiet_NaN();
                continue;
            }
            sampleBicubic(from, u, v, q);
        }
    });
    return out;
}

}  // namespace amber
