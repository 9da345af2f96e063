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

}  // namespace

std::optional<FoundPlace> findAgain(const KeyColour& key, ImageView marked, ImageView other,
                                    const std::optional<Registration>& registration)
{
    const OkLab wanted = toOkLab(meanOf(marked, key.place));
    const double width = key.place.right - key.place.left, height = key.place.bottom - key.place.top;
    if (registration) {
        const Registration::Place at = registration->map({key.place.left + width / 2, key.place.top + height / 2});
        const Region place{at.x - width / 2, at.y - height / 2, at.x + width / 2, at.y + height / 2};
        if (place.left >= 0 && place.top >= 0 && place.right <= 1 && place.bottom <= 1) {
            const LinearRgb colour = meanOf(other, place);
            const double d = apart(wanted, toOkLab(colour));
            // Many features that agree are no chance: then the place is the same thing even where its colour is off.
            const bool isFirm = registration->matches >= kFirm;
            if (d < (isFirm ? kCarriedFirmly : kCarried))
                return FoundPlace{
                    place, colour,
                    isFirm ? 0.95 / (1 + std::pow(d / kCarriedFirmly, 4)) : 1 / (1 + std::pow(d / kFar, 2)), true};
        }
    }
    const Image from = small(marked), to = small(other);
    const auto pixels = [](double share, int size, int least) {
        return std::clamp(static_cast<int>(std::lround(share * size)), least, size);
    };
    const int w = pixels(width, to.width(), 3), h = pixels(height, to.height(), 3);
    Sums here(from.view()), there(to.view());
    const int fw = pixels(width, from.width(), 3), fh = pixels(height, from.height(), 3);
    const int fx = std::clamp(static_cast<int>(key.place.left * from.width()), 0, from.width() - fw),
              fy = std::clamp(static_cast<int>(key.place.top * from.height()), 0, from.height() - fh);
    const double spread = here.mean(fx, fy, fx + fw, fy + fh).spread;
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
