#include "core/match/certainty.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/match/through_look.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <tuple>

namespace amber {

std::vector<bool> coveredPixels(const std::vector<LinearRgb>& fitted, ImageView picture)
{
    constexpr double kCell = 0.04;
    std::set<std::tuple<int, int, int>> cells;
    const auto cell = [](const LinearRgb& c) {
        const OkLab lab = toOkLab(c);
        return std::tuple(static_cast<int>(std::floor(lab.L / kCell)), static_cast<int>(std::floor(lab.a / kCell)),
                          static_cast<int>(std::floor(lab.b / kCell)));
    };
    for (const LinearRgb& c : fitted) {
        const auto [l, a, b] = cell(c);
        for (int i = -1; i <= 1; ++i)
            for (int j = -1; j <= 1; ++j)
                for (int k = -1; k <= 1; ++k)
                    cells.insert({l + i, a + j, b + k});
    }
    std::vector<bool> covered;
    covered.reserve(static_cast<std::size_t>(picture.width) * picture.height);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + 3 * x;
            covered.push_back(cells.count(cell({p[0], p[1], p[2]})) > 0);
        }
    return covered;
}

double coverage(const std::vector<LinearRgb>& fitted, ImageView picture)
{
    const auto covered = coveredPixels(fitted, picture);
    return covered.empty() ? 0
                           : static_cast<double>(std::count(covered.begin(), covered.end(), true)) /
                                 static_cast<double>(covered.size());
}

namespace {

/// Difference of two colours of codes as a file would hold them.
double apart(const EncodedRgb& one, const EncodedRgb& two)
{
    return ciede2000(decode(RgbSpace::Srgb, one), decode(RgbSpace::Srgb, two));
}

EncodedRgb held(const EncodedRgb& c)
{
    return {std::clamp(c.r, 0.0, 1.0), std::clamp(c.g, 0.0, 1.0), std::clamp(c.b, 0.0, 1.0)};
}

double likelyError(const LinearRgb& made, const ForetoldColour& foretold)
{
    const double off = apart(held(encode(RgbSpace::Srgb, made)), foretold.code);
    double sum = off * off;
    for (int k = 0; k < 3; ++k) {
        EncodedRgb moved = foretold.code;
        double& channel = k == 0 ? moved.r : k == 1 ? moved.g : moved.b;
        // Towards the middle of the codes, where there is room.
        channel += channel > 0.5 ? -foretold.spread[k] : foretold.spread[k];
        const double spread = apart(held(moved), foretold.code);
        sum += spread * spread;
    }
    return std::sqrt(sum);
}

}  // namespace

ForetoldError foretoldError(const FittedLook& fit, ImageView picture)
{
    constexpr int kAcross = 20;
    constexpr double kLikely = 0.65, kBound = 1.1;
    std::vector<LinearRgb> colours;
    for (int j = 0; j < kAcross; ++j)
        for (int i = 0; i < kAcross; ++i) {
            const float* p = picture.row((2 * j + 1) * picture.height / (2 * kAcross)) +
                             3 * static_cast<std::ptrdiff_t>((2 * i + 1) * picture.width / (2 * kAcross));
            colours.push_back({p[0], p[1], p[2]});
        }
    const std::vector<LinearRgb> made = through(fit.look, colours);
    const std::vector<ForetoldColour> foretold = fit.model.foretell(colours);
    double sum = 0;
    for (std::size_t i = 0; i < colours.size(); ++i)
        sum += likelyError(made[i], foretold[i]);
    const double mean = sum / static_cast<double>(colours.size());
    return {kLikely * mean, kBound * mean};
}

}  // namespace amber
