// Measures of one picture: tone, clipping, hue, key colours. One implementation for every screen, check and command.
#pragma once

#include "core/base/result.h"
#include "core/colour/rgb_space.h"
#include "core/image/image.h"

#include <array>
#include <string>
#include <utility>
#include <vector>

namespace amber {

inline constexpr int kToneBins = 128, kHueBins = 72;
/// The shares at which quantiles of L are given.
inline constexpr std::array<double, 9> kQuantiles{0.001, 0.01, 0.05, 0.25, 0.5, 0.75, 0.95, 0.99, 0.999};

struct ToneMeasures {
    std::array<double, 9> quantilesL{};  ///< OKLab L at kQuantiles
    double meanL = 0;
    double contrast = 0;  ///< L at 95 % less L at 5 %
    std::array<double, kToneBins>
        tone{};  ///< share of pixels by L from 0 to 1; what lies outside counts in the end bins
    std::array<double, 3> clippedLow{},
        clippedHigh{};  ///< share of pixels per channel at or beyond 0 and 1 of the output space
    double meanChroma = 0;
};

/// Stops from mid-grey (0.18) of a neutral with OKLab lightness L: log2(L^3 / 0.18).
double stopsOf(double lightness);

ToneMeasures measureTone(ImageView image, RgbSpace outputSpace);

/// Chroma by hue: `share` sums to 1 when anything is coloured; `chroma` is the 95 % quantile of chroma in each bin, 0
/// where empty.
struct HueMeasures {
    std::array<double, kHueBins> share{}, chroma{};
};
HueMeasures measureHue(ImageView image);
/// Both, in less time.
std::pair<ToneMeasures, HueMeasures> measureToneAndHue(ImageView image, RgbSpace outputSpace);
/// The share of a picture's chroma whose hue lies within these ranges (centre and width in degrees), 0..1.
double chromaWithin(const HueMeasures& measures, const std::vector<std::pair<double, double>>& ranges);

/// The mean of the middle 80 % of some colours, each with its lightness before it; puts them in the order of lightness.
LinearRgb trimmedMean(std::vector<std::pair<double, LinearRgb>>& byLightness);

/// A key colour: trimmed mean (the middle 80 % by lightness) of a round patch.
struct PatchMeasures {
    OkLch okLch;
    Lab lab;
    double spread = 0;  ///< mean CIEDE2000 of the patch's pixels from the mean
    int pixels = 0;
};
/// x and y are fractions of width and height, radius of the shorter side. Fails when no pixel lies in the patch.
Result<PatchMeasures> measurePatch(ImageView image, double x, double y, double radius);

}  // namespace amber
