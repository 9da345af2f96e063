#include "core/match/rest_table.h"

#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr int kSize = 17;

/// Sums of weighed moves, and of weights, at the points of the table.
class Sums {
public:
    Sums() : m_sums(static_cast<std::size_t>(kSize) * kSize * kSize) {}

    void add(const double at[3], const double move[3])
    {
        constexpr double kReach = 0.06, kFar = 2.5;
        int low[3], high[3];
        for (int k = 0; k < 3; ++k)
            low[k] = std::max(0, static_cast<int>(std::ceil((at[k] - kFar * kReach) * (kSize - 1)))),
            high[k] = std::min(kSize - 1, static_cast<int>((at[k] + kFar * kReach) * (kSize - 1)));
        for (int b = low[2]; b <= high[2]; ++b)
            for (int g = low[1]; g <= high[1]; ++g)
                for (int r = low[0]; r <= high[0]; ++r) {
                    const double dr = r / (kSize - 1.0) - at[0], dg = g / (kSize - 1.0) - at[1],
                                 db = b / (kSize - 1.0) - at[2],
                                 w = std::exp(-(dr * dr + dg * dg + db * db) / (2 * kReach * kReach));
                    Sum& sum = m_sums[static_cast<std::size_t>((b * kSize + g) * kSize + r)];
                    for (int k = 0; k < 3; ++k)
                        sum.move[k] += w * move[k];
                    sum.weight += w;
                }
    }

    double move(std::size_t point, std::size_t channel) const
    {
        constexpr double kPull = 0.6;
        return m_sums[point].move[channel] / (m_sums[point].weight + kPull);
    }
    std::size_t points() const { return m_sums.size(); }

private:
    struct Sum {
        double move[3] = {0, 0, 0}, weight = 0;
    };
    std::vector<Sum> m_sums;
};

}  // namespace

Table restTable(const std::vector<LinearRgb>& made, const std::vector<LinearRgb>& wanted)
{
    Sums sums;
    for (std::size_t i = 0; i < made.size(); ++i) {
        const EncodedRgb p = encode(RgbSpace::Srgb, made[i]), q = encode(RgbSpace::Srgb, wanted[i]);
        const double at[3] = {std::clamp(p.r, 0.0, 1.0), std::clamp(p.g, 0.0, 1.0), std::clamp(p.b, 0.0, 1.0)},
                     move[3] = {q.r - p.r, q.g - p.g, q.b - p.b};
        sums.add(at, move);
    }
    Table table = identityTable(kSize);
    table.title = "what the steps cannot say";
    for (std::size_t n = 0; n < sums.points(); ++n)
        for (std::size_t k = 0; k < 3; ++k) {
            float& value = table.values3[3 * n + k];
            value = std::clamp(value + static_cast<float>(sums.move(n, k)), 0.0f, 1.0f);
        }
    return table;
}

}  // namespace amber
