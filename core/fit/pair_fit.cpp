#include "core/fit/pair_fit.h"

#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/image/resize.h"
#include "core/match/light_groups.h"

#include <cmath>

namespace amber {
namespace {

constexpr int kEdge = 750;

Image small(ImageView picture, int edge)
{
    const Size size = fitted({picture.width, picture.height}, edge);
    return reduceByArea(picture, size.width, size.height);
}

}  // namespace

Result<PairFit> fitPair(ImageView before, ImageView after, const FitOptions& options, const std::function<void(double)>& progress, const CancelToken& cancel)
{
    constexpr double kMoved = 0.004, kAlike = 0.6;
    constexpr int kFirm = 30;
    const Image from = small(before, kEdge), to = small(after, kEdge);
    PairFit result;
    auto registration = registerFeatures(featuresOf(from.view()), featuresOf(to.view()));
    if (registration && registration->matches < kFirm)
        registration.reset();
    if (!registration) {
        // Too soft or too strongly treated for features: then the pictures must lie on one another as they are.
        const double ratio = static_cast<double>(from.width()) * to.height() / (static_cast<double>(to.width()) * from.height());
        const Image p = small(from.view(), 64), q = small(to.view(), 64);
        if (std::abs(ratio - 1) > 0.01 || p.width() != q.width() || p.height() != q.height() || std::abs(likeness(p.view(), q.view())) < kAlike)
            return fail("the pictures do not show the same thing: nothing in one was found in the other");
        registration = Registration{};
        registration->fromRatio = static_cast<double>(from.width()) / from.height(), registration->toRatio = static_cast<double>(to.width()) / to.height();
    } else {
        result.matches = registration->matches;
        double far = 0;
        for (const auto& [x, y] : {std::pair(0.0, 0.0), std::pair(1.0, 0.0), std::pair(0.0, 1.0), std::pair(1.0, 1.0)}) {
            const Registration::Place at = registration->map({x, y});
            far = std::max(far, std::hypot(at.x - x, at.y - y));
        }
        result.wasMoved = far > kMoved;
        // What lies as it is needs no resampling by a homography that is only nearly the identity.
        if (!result.wasMoved) {
            const Registration exact;
            registration->m = exact.m;
        }
    }
    const SeenTwice seen = coloursSeenTwice(from.view(), to.view(), *registration);
    auto fit = fitLook(seen.from, seen.to, options, progress, cancel);
    if (!fit)
        return tl::make_unexpected(fit.error());
    result.fit = std::move(*fit);
    result.registration = *registration;
    result.seen = seen.from;
    return result;
}

Result<FittedLook> fitTable(const Table& table, const FitOptions& options, const std::function<void(double)>& progress, const CancelToken& cancel)
{
    constexpr int kSteps = 13;
    std::vector<LinearRgb> before, after;
    for (int b = 0; b < kSteps; ++b)
        for (int g = 0; g < kSteps; ++g)
            for (int r = 0; r < kSteps; ++r) {
                const EncodedRgb code{r / (kSteps - 1.0), g / (kSteps - 1.0), b / (kSteps - 1.0)};
                const LinearRgb c = decode(RgbSpace::Srgb, code);
                const OkLab lab = toOkLab(c);
                // Strong colours are rare in pictures: every fourth of them is enough.
                if (std::hypot(lab.a, lab.b) > 0.14 && (r + 2 * g + 3 * b) % 4 != 0)
                    continue;
                before.push_back(c), after.push_back(decode(RgbSpace::Srgb, evaluate(table, code)));
            }
    return fitLook(before, after, options, progress, cancel);
}

}  // namespace amber
