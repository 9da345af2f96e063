// Hues torn apart or folded by the look, over the colours that the frame holds: two hues three degrees apart that come
// out more than three and a half times as far apart, or the other way round.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/oklab.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

#include <cmath>

namespace amber {
namespace {

constexpr double kColour = 0.035;

/// How much farther apart two near hues come out; below 0: the other way round.
double stretchAt(const Look& look, std::size_t steps, const OkLch& c)
{
    constexpr double kApart = 3;
    const auto hueOf = [&](double turned) {
        const LinearRgb in = toLinearRgb(toOkLab(OkLch{c.L, c.chroma, wrapDegrees(c.hueDegrees + turned)}));
        return toOkLch(toOkLab(evaluate(look, in, steps)));
    };
    const OkLch one = hueOf(-kApart / 2), two = hueOf(kApart / 2);
    // What lost its colour has no hue to be torn.
    if (std::min(one.chroma, two.chroma) < kColour / 2)
        return 1;
    return hueDifference(one.hueDegrees, two.hueDegrees) / kApart;
}

constexpr double kTorn = 3.5;

bool isTorn(double stretch) { return stretch > kTorn || stretch < 0; }

/// Stretches under the whole look; colours that are alike are looked at once.
class Stretches {
public:
    explicit Stretches(const Look& look) : m_look(look) {}
    double at(const OkLch& c)
    {
        if (c.chroma < kColour)
            return 1;
        const std::array key{static_cast<int>(16 * c.L), static_cast<int>(25 * c.chroma),
                             static_cast<int>(c.hueDegrees / 3)};
        const auto [entry, isNew] = m_known.try_emplace(key, 1);
        if (isNew)
            entry->second = stretchAt(m_look, kStepLimit, c);
        return entry->second;
    }

private:
    const Look& m_look;
    std::map<std::array<int, 3>, double> m_known;
};

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    constexpr int kEvery = 5;
    PixelSet torn(frame.width() / kEvery, frame.height() / kEvery);
    Stretches stretches(frame.look());
    OkLch worst;
    double most = 0;
    for (int y = 0; y < torn.height; ++y)
        for (int x = 0; x < torn.width; ++x) {
            const std::size_t at = static_cast<std::size_t>(y * kEvery) * frame.width() + x * kEvery;
            const OkLch c = toOkLch(frame.labBefore()[at]);
            const double s = stretches.at(c), bad = s < 0 ? kTorn - s : s;
            torn.at(x, y) = isTorn(s);
            if (bad > most)
                most = bad, worst = c;
        }
    const double share = torn.share();
    Region place;
    if (const auto patches = patchesOf(torn); !patches.empty())
        place = patches.front().place;
    int step = -1;
    for (std::size_t i = 0; share > 0 && step < 0 && i < frame.look().steps.size(); ++i)
        if (isTorn(stretchAt(frame.look(), i + 1, worst)))
            step = static_cast<int>(i);
    out.push_back({100 * share,
                   place,
                   phrase("%1 % of the frame has hues that are torn apart or folded", {fixedText(100 * share, 1)}),
                   {},
                   step,
                   {}});
}

}  // namespace

const CheckKind kTornHues{
    "torn-hues", "Torn hues", "%",    1, "Colours that were one break into blotches with hard borders.",
    {1, 1, 1},   measure,     nullptr};

}  // namespace amber
