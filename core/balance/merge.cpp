#include "core/balance/merge.h"

#include "core/balance/registration.h"
#include "core/base/caught.h"
#include "core/base/parallel.h"
#include "core/colour/rgb_space.h"
#include "core/frame/balance.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

constexpr int kMergeEdge = 1000;
constexpr double kLow = 0.004, kHigh = 0.96, kMoved = 0.22;  // picture values; stops

/// How well a pixel of linear sRGB components was exposed: 0 at the ends, 1 in between.
double trust(const LinearRgb& own)
{
    const double top = std::max({own.r, own.g, own.b});
    const double up = std::clamp((kHigh - top) / 0.25, 0.0, 1.0), down = std::clamp((top - kLow) / 0.03, 0.0, 1.0);
    return up * up * (3 - 2 * up) * down;
}

double wellExposed(ImageView picture)
{
    double sum = 0;
    for (int y = 0; y < picture.height; y += 8)
        for (int x = 0; x < picture.width; x += 8) {
            const float* p = picture.row(y) + 3 * x;
            sum += trust(apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]})) * ((picture.row(y)[3 * x]) > 0.02);
        }
    return sum;
}

double farthestShift(const Registration& r, int width, int height)
{
    double far = 0;
    for (const auto& [x, y] : {std::pair(0.0, 0.0), std::pair(1.0, 0.0), std::pair(0.0, 1.0), std::pair(1.0, 1.0)}) {
        const Registration::Place at = r.map({x, y});
        far = std::max(far, std::hypot((at.x - x) * width, (at.y - y) * height));
    }
    return far;
}

}  // namespace

namespace {
Result<Merged> merged(const std::vector<BracketFrame>& frames, const Response& response, const CancelToken& cancel)
{
    if (frames.size() < 2)
        return fail("a bracket has two exposures or more");
    const int width = frames[0].picture.width, height = frames[0].picture.height;
    double darkest = frames[0].stops, lightest = frames[0].stops;
    for (const BracketFrame& f : frames) {
        if (f.picture.width != width || f.picture.height != height)
            return fail("the exposures of a bracket differ in size", {},
                        std::to_string(width) + " x " + std::to_string(height),
                        std::to_string(f.picture.width) + " x " + std::to_string(f.picture.height));
        darkest = std::min(darkest, f.stops), lightest = std::max(lightest, f.stops);
    }
    if (lightest - darkest < 0.3)
        return fail("these frames were all exposed alike");

    Merged merged;
    merged.stopsGained = lightest - darkest;
    double best = -1;
    for (std::size_t i = 0; i < frames.size(); ++i)
        if (const double w = wellExposed(frames[i].picture); w > best)
            best = w, merged.reference = i;
    const auto small = [](ImageView picture) {
        const Size size = fitted({picture.width, picture.height}, kMergeEdge);
        return reduceByArea(picture, size.width, size.height);
    };
    const Features target = featuresOf(small(frames[merged.reference].picture).view());
    std::vector<Image> moved(frames.size());
    std::vector<ImageView> laid(frames.size());
    for (std::size_t i = 0; i < frames.size(); ++i) {
        if (cancel.isCancelled())
            return fail("given up");
        laid[i] = frames[i].picture;
        merged.shifts.push_back(0);
        if (i == merged.reference)
            continue;
        const auto r = registerFeatures(featuresOf(small(frames[i].picture).view()), target);
        if (!r)
            continue;
        // Under a fifth of a pixel of the small picture nothing is gained by resampling.
        const double shift = farthestShift(*r, width, height);
        if (shift < 0.2 * std::max(width, height) / kMergeEdge + 0.15)
            continue;
        merged.shifts.back() = shift;
        moved[i] = laidOver(frames[i].picture, *r, width, height);
        laid[i] = moved[i].view();
    }
    if (cancel.isCancelled())
        return fail("given up");

    // Where something moved: compared in stops of light against the reference, in a picture of single pixels, then
    // grown.
    const ImageView reference = laid[merged.reference];
    std::vector<cv::Mat> ghosts(frames.size());
    for (std::size_t i = 0; i < frames.size(); ++i) {
        if (i == merged.reference)
            continue;
        cv::Mat differs(height, width, CV_32F, cv::Scalar(0));
        const double gain = std::exp2(frames[merged.reference].stops - frames[i].stops);
        inParallel(height, [&](int y) {
            for (int x = 0; x < width; ++x) {
                const float *p = laid[i].row(y) + 3 * x, *q = reference.row(y) + 3 * x;
                if (!(p[0] == p[0]))
                    continue;
                const LinearRgb a{p[0], p[1], p[2]}, b{q[0], q[1], q[2]};
                const double ta = trust(apply(fromWorking(RgbSpace::Srgb), a)),
                             tb = trust(apply(fromWorking(RgbSpace::Srgb), b));
                if (ta < 0.3 || tb < 0.3)
                    continue;
                const double ya = luminanceOf(toSceneLight(response, a)) * gain,
                             yb = luminanceOf(toSceneLight(response, b));
                differs.at<float>(y, x) = ya > 0 && yb > 0 ? static_cast<float>(std::abs(std::log2(ya / yb))) : 0;
            }
        });
        cv::Mat smooth;
        cv::blur(differs, smooth, {5, 5});
        cv::Mat mask = smooth > kMoved;
        cv::dilate(mask, ghosts[i], cv::getStructuringElement(cv::MORPH_ELLIPSE, {9, 9}));
    }

    merged.picture = Image(width, height);
    std::vector<long long> ghostRows(static_cast<std::size_t>(height));
    inParallel(height, [&](int y) {
        float* out = merged.picture.mutableView().row(y);
        for (int x = 0; x < width; ++x, out += 3) {
            LinearRgb sum{};
            double weights = 0;
            bool ghost = false;
            for (std::size_t i = 0; i < frames.size(); ++i) {
                const float* p = laid[i].row(y) + 3 * x;
                if (!(p[0] == p[0]))
                    continue;
                if (!ghosts[i].empty() && ghosts[i].at<std::uint8_t>(y, x)) {
                    ghost = true;
                    continue;
                }
                const LinearRgb c{p[0], p[1], p[2]};
                // The reference always has a say; so has what is out of everyone's range: the darkest there knows best
                // above, the lightest below.
                const double exposure = std::exp2(frames[i].stops - darkest);
                const double own = trust(apply(fromWorking(RgbSpace::Srgb), c));
                const double w =
                    own * exposure + (i == merged.reference ? 1e-4 : 1e-6) + (frames[i].stops <= darkest ? 2e-3 : 0);
                const LinearRgb scene = toSceneLight(response, c);
                sum.r += w * scene.r / exposure, sum.g += w * scene.g / exposure, sum.b += w * scene.b / exposure;
                weights += w;
            }
            ghostRows[static_cast<std::size_t>(y)] += ghost;
            const LinearRgb c = toPictureLight(response, {sum.r / weights, sum.g / weights, sum.b / weights});
            out[0] = static_cast<float>(c.r), out[1] = static_cast<float>(c.g), out[2] = static_cast<float>(c.b);
        }
    });
    long long ghosted = 0;
    for (long long n : ghostRows)
        ghosted += n;
    merged.ghostShare = static_cast<double>(ghosted) / (static_cast<double>(width) * height);
    return merged;
}
}  // namespace

Result<Merged> mergeBracket(const std::vector<BracketFrame>& frames, const Response& response,
                            const CancelToken& cancel)
{
    return caught({}, [&] { return merged(frames, response, cancel); });
}

}  // namespace amber
