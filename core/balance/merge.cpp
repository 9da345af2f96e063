#include "core/balance/merge.h"

#include "core/balance/registration.h"
#include "core/base/caught.h"
#include "core/base/parallel.h"
#include "core/colour/rgb_space.h"
#include "core/frame/balance.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <numeric>
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

Status fitToMerge(const std::vector<BracketFrame>& frames, double darkest, double lightest)
{
    const ImageView first = frames[0].picture;
    for (const BracketFrame& f : frames)
        if (f.picture.width != first.width || f.picture.height != first.height)
            return fail("the exposures of a bracket differ in size", {},
                        std::to_string(first.width) + " x " + std::to_string(first.height),
                        std::to_string(f.picture.width) + " x " + std::to_string(f.picture.height));
    if (lightest - darkest < 0.3)
        return fail("these frames were all exposed alike");
    return {};
}

Features featuresSmall(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kMergeEdge);
    return featuresOf(reduceByArea(picture, size.width, size.height).view());
}

/// The exposures laid over the reference; those that lie there already are as they came.
struct LaidOver {
    std::vector<Image> moved;
    std::vector<ImageView> views;
};

Result<LaidOver> layOver(const std::vector<BracketFrame>& frames, Merged& merged, const CancelToken& cancel)
{
    const int width = frames[0].picture.width, height = frames[0].picture.height;
    const Features target = featuresSmall(frames[merged.reference].picture);
    LaidOver laid{std::vector<Image>(frames.size()), std::vector<ImageView>(frames.size())};
    for (std::size_t i = 0; i < frames.size(); ++i) {
        if (cancel.isCancelled())
            return fail("given up");
        laid.views[i] = frames[i].picture;
        merged.shifts.push_back(0);
        if (i == merged.reference)
            continue;
        const auto r = registerFeatures(featuresSmall(frames[i].picture), target);
        if (!r)
            continue;
        // Under a fifth of a pixel of the small picture nothing is gained by resampling.
        const double shift = farthestShift(*r, width, height);
        if (shift < 0.2 * std::max(width, height) / kMergeEdge + 0.15)
            continue;
        merged.shifts.back() = shift;
        laid.moved[i] = laidOver(frames[i].picture, *r, width, height);
        laid.views[i] = laid.moved[i].view();
    }
    return laid;
}

/// Where something moved: compared in stops of light against the reference, in a picture of single pixels, then grown.
cv::Mat movedParts(ImageView picture, ImageView reference, double gain, const Response& response)
{
    cv::Mat differs(picture.height, picture.width, CV_32F, cv::Scalar(0));
    inParallel(picture.height, [&](int y) {
        for (int x = 0; x < picture.width; ++x) {
            const float *p = picture.row(y) + 3 * x, *q = reference.row(y) + 3 * x;
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
    cv::Mat smooth, grown;
    cv::blur(differs, smooth, {5, 5});
    const cv::Mat mask = smooth > kMoved;
    cv::dilate(mask, grown, cv::getStructuringElement(cv::MORPH_ELLIPSE, {9, 9}));
    return grown;
}

/// Exposures that lie over one another, and where they may not be used.
struct Stack {
    const std::vector<BracketFrame>& frames;
    const std::vector<ImageView>& laid;
    const std::vector<cv::Mat>& ghosts;
    std::size_t reference;
    double darkest;
    const Response& response;
};

/// Of one pixel; `ghost` tells whether an exposure was left out.
LinearRgb mergedPixel(const Stack& stack, int x, int y, bool& ghost)
{
    LinearRgb sum{};
    double weights = 0;
    for (std::size_t i = 0; i < stack.frames.size(); ++i) {
        const float* p = stack.laid[i].row(y) + 3 * x;
        if (!(p[0] == p[0]))
            continue;
        if (!stack.ghosts[i].empty() && stack.ghosts[i].at<std::uint8_t>(y, x)) {
            ghost = true;
            continue;
        }
        const LinearRgb c{p[0], p[1], p[2]};
        // The reference always has a say; so has what is out of everyone's range: the darkest there knows best above,
        // the lightest below.
        const double stops = stack.frames[i].stops, exposure = std::exp2(stops - stack.darkest);
        const double w = trust(apply(fromWorking(RgbSpace::Srgb), c)) * exposure +
                         (i == stack.reference ? 1e-4 : 1e-6) + (stops <= stack.darkest ? 2e-3 : 0);
        const LinearRgb scene = toSceneLight(stack.response, c);
        sum.r += w * scene.r / exposure, sum.g += w * scene.g / exposure, sum.b += w * scene.b / exposure;
        weights += w;
    }
    return toPictureLight(stack.response, {sum.r / weights, sum.g / weights, sum.b / weights});
}

/// Fills in the picture; the share of it where an exposure was left out.
double mergePixels(const Stack& stack, MutableImageView picture)
{
    std::vector<long long> ghostRows(static_cast<std::size_t>(picture.height));
    inParallel(picture.height, [&](int y) {
        float* out = picture.row(y);
        for (int x = 0; x < picture.width; ++x, out += 3) {
            bool ghost = false;
            const LinearRgb c = mergedPixel(stack, x, y, ghost);
            ghostRows[static_cast<std::size_t>(y)] += ghost;
            out[0] = static_cast<float>(c.r), out[1] = static_cast<float>(c.g), out[2] = static_cast<float>(c.b);
        }
    });
    const long long all = std::accumulate(ghostRows.begin(), ghostRows.end(), 0LL);
    return static_cast<double>(all) / (static_cast<double>(picture.width) * picture.height);
}

}  // namespace

namespace {
Result<Merged> merged(const std::vector<BracketFrame>& frames, const Response& response, const CancelToken& cancel)
{
    if (frames.size() < 2)
        return fail("a bracket has two exposures or more");
    const auto [darkest, lightest] = std::minmax_element(
        frames.begin(), frames.end(), [](const auto& p, const auto& q) { return p.stops < q.stops; });
    if (const Status fit = fitToMerge(frames, darkest->stops, lightest->stops); !fit)
        return tl::make_unexpected(fit.error());
    Merged merged;
    merged.stopsGained = lightest->stops - darkest->stops;
    double best = -1;
    for (std::size_t i = 0; i < frames.size(); ++i)
        if (const double w = wellExposed(frames[i].picture); w > best)
            best = w, merged.reference = i;
    const auto laid = layOver(frames, merged, cancel);
    if (!laid)
        return tl::make_unexpected(laid.error());
    if (cancel.isCancelled())
        return fail("given up");
    const BracketFrame& reference = frames[merged.reference];
    std::vector<cv::Mat> ghosts(frames.size());
    for (std::size_t i = 0; i < frames.size(); ++i)
        if (i != merged.reference)
            ghosts[i] =
                movedParts(laid->views[i], reference.picture, std::exp2(reference.stops - frames[i].stops), response);
    merged.picture = Image(reference.picture.width, reference.picture.height);
    merged.ghostShare = mergePixels({frames, laid->views, ghosts, merged.reference, darkest->stops, response},
                                    merged.picture.mutableView());
    return merged;
}
}  // namespace

Result<Merged> mergeBracket(const std::vector<BracketFrame>& frames, const Response& response,
                            const CancelToken& cancel)
{
    return caught({}, [&] { return merged(frames, response, cancel); });
}

}  // namespace amber
