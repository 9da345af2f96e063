#include "core/balance/find_again.h"

#include "core/colour/oklab.h"
#include "core/image/resize.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {
namespace {

constexpr int kSearchEdge = 240;
constexpr double kLightnessSay = 0.5, kNear = 0.022, kFar = 0.045, kCarried = 0.07, kCarriedFirmly = 0.25;  // OKLab
constexpr int kFirm = 40;
constexpr double kByColour = 0.8;  // a colour alone never makes quite sure

double apart(const OkLab& p, const OkLab& q)
{
    return std::sqrt(std::pow(kLightnessSay * (p.L - q.L), 2) + std::pow(p.a - q.a, 2) + std::pow(p.b - q.b, 2));
}

/// Sums over rectangles from the upper left corner: L, a, b and L squared.
class Sums {
public:
    explicit Sums(ImageView picture)
        : m_width(picture.width), m_height(picture.height),
          m_sums(static_cast<std::size_t>(picture.width + 1) * (picture.height + 1))
    {
        for (int y = 0; y < m_height; ++y) {
            std::array<double, 4> row{};
            for (int x = 0; x < m_width; ++x) {
                const float* p = picture.row(y) + 3 * x;
                const OkLab lab = toOkLab(LinearRgb{p[0], p[1], p[2]});
                const std::array values{lab.L, lab.a, lab.b, lab.L * lab.L};
                for (std::size_t k = 0; k < 4; ++k)
                    row[k] += values[k], at(x + 1, y + 1)[k] = at(x + 1, y)[k] + row[k];
            }
        }
    }
    struct Mean {
        OkLab colour;
        double spread = 0;  ///< standard deviation of L
    };
    Mean mean(int left, int top, int right, int bottom)
    {
        const double n = static_cast<double>(right - left) * (bottom - top);
        std::array<double, 4> v{};
        for (std::size_t k = 0; k < 4; ++k)
            v[k] = (at(right, bottom)[k] - at(left, bottom)[k] - at(right, top)[k] + at(left, top)[k]) / n;
        return {{v[0], v[1], v[2]}, std::sqrt(std::max(0.0, v[3] - v[0] * v[0]))};
    }

private:
    std::array<double, 4>& at(int x, int y)
    {
        return m_sums[static_cast<std::size_t>(y) * static_cast<std::size_t>(m_width + 1) +
                      static_cast<std::size_t>(x)];
    }
    int m_width, m_height;
    std::vector<std::array<double, 4>> m_sums;
};

Image small(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kSearchEdge);
    return reduceByArea(picture, size.width, size.height);
}

/// Where the same things lie in both pictures: the place itself, when its colour is not far off.
std::optional<FoundPlace> carriedOver(const Region& from, const OkLab& wanted, ImageView other,
                                      const Registration& registration)
{
    const double width = from.right - from.left, height = from.bottom - from.top;
    const Registration::Place at = registration.map({from.left + width / 2, from.top + height / 2});
    const Region place{at.x - width / 2, at.y - height / 2, at.x + width / 2, at.y + height / 2};
    if (place.left < 0 || place.top < 0 || place.right > 1 || place.bottom > 1)
        return std::nullopt;
    const LinearRgb colour = meanOf(other, place);
    const double d = apart(wanted, toOkLab(colour));
    // Many features that agree are no chance: then the place is the same thing even where its colour is off.
    const bool isFirm = registration.matches >= kFirm;
    if (d >= (isFirm ? kCarriedFirmly : kCarried))
        return std::nullopt;
    return FoundPlace{place, colour,
                      isFirm ? 0.95 / (1 + std::pow(d / kCarriedFirmly, 4)) : 1 / (1 + std::pow(d / kFar, 2)), true};
}

int pixels(double share, int size, int least)
{
    return std::clamp(static_cast<int>(std::lround(share * size)), least, size);
}

/// How unevenly coloured the marked place is.
double spreadAt(const Region& place, const Image& picture)
{
    const int w = pixels(place.right - place.left, picture.width(), 3),
              h = pixels(place.bottom - place.top, picture.height(), 3);
    const int x = std::clamp(static_cast<int>(place.left * picture.width()), 0, picture.width() - w),
              y = std::clamp(static_cast<int>(place.top * picture.height()), 0, picture.height() - h);
    return Sums(picture.view()).mean(x, y, x + w, y + h).spread;
}

}  // namespace

std::optional<FoundPlace> findAgain(const KeyColour& key, ImageView marked, ImageView other,
                                    const std::optional<Registration>& registration)
{
    const OkLab wanted = toOkLab(meanOf(marked, key.place));
    if (registration)
        if (const auto carried = carriedOver(key.place, wanted, other, *registration))
            return carried;
    const Image from = small(marked), to = small(other);
    const int w = pixels(key.place.right - key.place.left, to.width(), 3),
              h = pixels(key.place.bottom - key.place.top, to.height(), 3);
    const double spread = spreadAt(key.place, from);
    Sums there(to.view());
    double least = 1e9;
    int bestX = 0, bestY = 0;
    for (int y = 0; y + h <= to.height(); ++y)
        for (int x = 0; x + w <= to.width(); ++x) {
            const Sums::Mean m = there.mean(x, y, x + w, y + h);
            const double d = apart(wanted, m.colour) + 0.5 * std::max(0.0, m.spread - spread - 0.01);
            if (d < least)
                least = d, bestX = x, bestY = y;
        }
    if (least > kFar)
        return std::nullopt;
    const Region place{static_cast<double>(bestX) / to.width(), static_cast<double>(bestY) / to.height(),
                       static_cast<double>(bestX + w) / to.width(), static_cast<double>(bestY + h) / to.height()};
    return FoundPlace{place, meanOf(other, place), kByColour / (1 + std::pow(least / kNear, 2)), false};
}

}  // namespace amber
