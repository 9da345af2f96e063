#include "core/optics/optics.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr std::array<double, 5> kNone{1, 0, 0, 0, 0};

double polynomial(const std::array<double, 5>& c, double r)
{
    return c[0] + r * (c[1] + r * (c[2] + r * (c[3] + r * c[4])));
}

/// thrown / true for true = thrown (1 + bow thrown^2), by Newton's method; beyond the fold of a barrel it stays there.
double bent(double bow, double length)
{
    double thrown = length;
    for (int i = 0; i < 30; ++i) {
        const double slope = 1 + 3 * bow * thrown * thrown;
        if (slope < 0.05)
            break;
        thrown -= (thrown * (1 + bow * thrown * thrown) - length) / slope;
    }
    return length > 0 ? std::clamp(thrown / length, 0.2, 5.0) : 1;
}

double lightLeft(const Optics& o, double thrown)
{
    const double r2 = thrown * thrown;
    double left = std::exp2(-o.falloffStops * r2);
    if (o.usesLens())
        left *= 1 + r2 * (o.lens.dimming[0] + r2 * (o.lens.dimming[1] + r2 * o.lens.dimming[2]));
    return left;
}

}  // namespace

bool Optics::hasFringes() const
{
    return redFringe != 0 || blueFringe != 0 || (usesLens() && !(lens.red == kNone && lens.blue == kNone));
}

bool Optics::moves() const { return bow != 0 || hasFringes() || (usesLens() && !(lens.bow == kNone)); }

bool Optics::dims() const { return falloffStops != 0 || (usesLens() && !(lens.dimming == std::array<double, 3>{})); }

Throw::Throw(const Optics& o)
{
    constexpr double kLeastLight = 0.05, kCorner = 1.25;  // what lies farther out is not in the picture
    for (std::size_t i = 0; i < m_green.size(); ++i) {
        const double length = static_cast<double>(i) * kFarthest / kEntries;
        double factor = bent(o.bow, length);
        // Fitted numbers hold within the picture; beyond it the last of them is kept.
        if (o.usesLens())
            factor *= polynomial(o.lens.bow, std::min(length * factor, kCorner));
        const double thrown = length * factor, inside = std::min(thrown, kCorner);
        const double red = o.usesLens() ? polynomial(o.lens.red, inside) : 1,
                     blue = o.usesLens() ? polynomial(o.lens.blue, inside) : 1;
        m_green[i] = static_cast<float>(factor);
        m_red[i] = static_cast<float>(factor * red * (1 + o.redFringe));
        m_blue[i] = static_cast<float>(factor * blue * (1 + o.blueFringe));
        m_gain[i] = static_cast<float>(1 / std::max(kLeastLight, lightLeft(o, inside)));
    }
}

double Throw::at(const Table& table, double length)
{
    const double place = std::clamp(length, 0.0, kFarthest) * (kEntries / kFarthest);
    const auto i = std::min(static_cast<std::size_t>(place), static_cast<std::size_t>(kEntries));
    return table[i] + (place - static_cast<double>(i)) * (table[i + 1] - table[i]);
}

double Throw::trueFrom(double thrown) const
{
    double length = thrown;
    for (int i = 0; i < 60; ++i) {
        const double next = thrown / green(length);
        if (std::abs(next - length) < 1e-12)
            break;
        length = next;
    }
    return thrown > 0 ? length / thrown : 1 / green(0);
}

}  // namespace amber
