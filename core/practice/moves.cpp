#include "core/practice/moves.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <vector>

namespace amber {
namespace {

using ColourMove = std::function<LinearRgb(const LinearRgb&)>;

/// Gains of red, green and blue that leave the luminance of a grey.
ColourMove gains(double r, double g, double b)
{
    const double luminance = luminanceOfStar(toLab(LinearRgb{r, g, b}).l);
    return [=](const LinearRgb& c) { return LinearRgb{c.r * r / luminance, c.g * g / luminance, c.b * b / luminance}; };
}

ColourMove stops(double by)
{
    const double gain = std::exp2(by);
    return [=](const LinearRgb& c) { return LinearRgb{c.r * gain, c.g * gain, c.b * gain}; };
}

ColourMove chromaTimes(double factor)
{
    return [=](const LinearRgb& c) {
        OkLab lab = toOkLab(c);
        lab.a *= factor, lab.b *= factor;
        return toLinearRgb(lab);
    };
}

ColourMove contrastTimes(double factor)
{
    const double grey = std::cbrt(0.18);
    return [=](const LinearRgb& c) {
        OkLab lab = toOkLab(c);
        lab.L = std::max(0.0, grey + (lab.L - grey) * factor);
        return toLinearRgb(lab);
    };
}

ColourMove warmer(double by) { return gains(std::exp2(by), 1, std::exp2(-by)); }

ColourMove greener(double by) { return gains(std::exp2(-by / 2), std::exp2(by / 2), std::exp2(-by / 2)); }

/// `by` from 0 on.
ColourMove moveOf(Move move, double by)
{
    switch (move) {
    case Move::Warmer:
        return warmer(by);
    case Move::Cooler:
        return warmer(-by);
    case Move::Greener:
        return greener(by);
    case Move::Pinker:
        return greener(-by);
    case Move::Lighter:
        return stops(by);
    case Move::Darker:
        return stops(-by);
    case Move::Stronger:
        return chromaTimes(1 + by);
    case Move::Paler:
        return chromaTimes(std::max(0.0, 1 - by));
    }
    return stops(0);
}

LinearRgb pixel(ImageView image, int x, int y)
{
    const float* p = image.row(y) + 3 * x;
    return {p[0], p[1], p[2]};
}

/// As a screen shows it: what is brighter than white is white.
LinearRgb shown(const LinearRgb& c)
{
    return {std::clamp(c.r, 0.0, 1.0), std::clamp(c.g, 0.0, 1.0), std::clamp(c.b, 0.0, 1.0)};
}

std::vector<LinearRgb> someOf(ImageView image)
{
    constexpr int kSide = 24;
    std::vector<LinearRgb> colours;
    for (int i = 0; i < kSide; ++i)
        for (int j = 0; j < kSide; ++j)
            colours.push_back(
                pixel(image, (2 * j + 1) * image.width / (2 * kSide), (2 * i + 1) * image.height / (2 * kSide)));
    return colours;
}

double meanDifference(const std::vector<LinearRgb>& colours, const ColourMove& move)
{
    double sum = 0;
    for (const LinearRgb& c : colours)
        sum += ciede2000(shown(c), shown(move(c)));
    return colours.empty() ? 0 : sum / static_cast<double>(colours.size());
}

Image moved(const Image& image, const ColourMove& move)
{
    Image out(image.width(), image.height());
    const ImageView in = image.view();
    const MutableImageView to = out.mutableView();
    for (int y = 0; y < in.height; ++y)
        for (int x = 0; x < in.width; ++x) {
            const LinearRgb c = move(pixel(in, x, y));
            float* p = to.row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    return out;
}

}  // namespace

std::string wordOf(Move move)
{
    constexpr std::array<const char*, 8> kWords{"warmer",  "cooler", "greener",  "pinker",
                                                "lighter", "darker", "stronger", "paler"};
    return kWords[static_cast<std::size_t>(move)];
}

Image movedBy(const Image& image, Move move, double deltaE)
{
    const std::vector<LinearRgb> colours = someOf(image.view());
    double low = 0, high = move == Move::Paler ? 1 : 3;
    for (int i = 0; i < 24; ++i) {
        const double middle = (low + high) / 2;
        (meanDifference(colours, moveOf(move, middle)) < deltaE ? low : high) = middle;
    }
    return moved(image, moveOf(move, (low + high) / 2));
}

Image exposed(const Image& image, double by) { return moved(image, stops(by)); }

Image movedAlong(const Image& image, const std::string& axis, double value)
{
    if (axis == "exposure")
        return moved(image, stops(value));
    if (axis == "warmth")
        return moved(image, warmer(0.4 * value));
    if (axis == "tint")
        return moved(image, greener(0.4 * value));
    if (axis == "chroma")
        return moved(image, chromaTimes(1 + 0.8 * value));
    return moved(image, contrastTimes(std::exp2(0.6 * value)));
}

}  // namespace amber
