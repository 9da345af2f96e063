// What local contrast and fine detail cost: chroma lost in reds, and skin made rougher, with those steps against
// without.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/oklab.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/skins.h"

#include <cmath>

namespace amber {
namespace {

std::set<std::size_t> localSteps(const Look& look)
{
    std::set<std::size_t> steps;
    for (std::size_t i = 0; i < look.steps.size(); ++i)
        if (!isIdentity(look.steps[i]) && (std::holds_alternative<LocalContrast>(look.steps[i].parameters) ||
                                           std::holds_alternative<FineDetail>(look.steps[i].parameters)))
            steps.insert(i);
    return steps;
}

/// The mean step between neighbours of L within a region.
double roughness(ImageView picture, const Region& place)
{
    double sum = 0;
    int count = 0;
    for (int y = static_cast<int>(place.top * picture.height); y + 1 < place.bottom * picture.height; ++y)
        for (int x = static_cast<int>(place.left * picture.width); x + 1 < place.right * picture.width; ++x) {
            const auto at = [&](int px, int py) {
                const float* p = picture.row(py) + std::ptrdiff_t{3} * px;
                return toOkLab(LinearRgb{p[0], p[1], p[2]}).L;
            };
            sum += std::hypot(at(x + 1, y) - at(x, y), at(x, y + 1) - at(x, y)), ++count;
        }
    return count > 0 ? sum / count : 0;
}

void measureReds(const CheckedFrame& frame, ImageView plain, int step, std::vector<Measured>& out)
{
    double with = 0, without = 0;
    std::size_t count = 0;
    for (std::size_t i = 0; i < frame.pixels(); ++i) {
        const float* p = plain.data + 3 * i;
        const OkLch c = toOkLch(toOkLab(LinearRgb{p[0], p[1], p[2]}));
        if (c.chroma < 0.06 || std::abs(hueDifference(c.hueDegrees, 30)) > 30)
            continue;
        const OkLch is = toOkLch(frame.labAfter()[i]);
        with += is.chroma / std::max(0.05, is.L), without += c.chroma / std::max(0.05, c.L), ++count;
    }
    if (count < frame.pixels() / 500 || without <= 0)
        return;
    const double lost = std::max(0.0, 1 - with / without);
    out.push_back({100 * lost,
                   {},
                   phrase("reds lose %1 % of their chroma to local contrast", {fixedText(100 * lost, 1)}),
                   "reds",
                   step,
                   {}});
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const std::set<std::size_t> steps = localSteps(frame.look());
    if (steps.empty())
        return;
    const Image plain = frame.without(steps);
    const int step = steps.size() == 1 ? static_cast<int>(*steps.begin()) : -1;
    measureReds(frame, plain.view(), step, out);
    for (const Skin& skin : skinsOf(frame)) {
        const double was = roughness(plain.view(), skin.place), is = roughness(frame.finished(), skin.place);
        const double more = was > 0 ? std::max(0.0, is / was - 1) : 0;
        // A quarter rougher weighs as much as a tenth of the reds.
        out.push_back({40 * more,
                       skin.place,
                       phrase("%1 is %2 % rougher by local contrast", {skin.name, fixedText(100 * more, 0)}),
                       skin.name,
                       step,
                       {}});
    }
}

}  // namespace

const CheckKind kContrastPrice{"contrast-price",
                               "Local contrast's price",
                               "%",
                               1,
                               "Local contrast pays with drained reds and rough skin.",
                               {10, 10, 10},
                               measure,
                               nullptr};

}  // namespace amber
