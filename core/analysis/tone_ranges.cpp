#include "core/analysis/tone_ranges.h"

#include "core/colour/oklab.h"
#include "core/look/steps/tone_bands/tone_bands.h"

namespace amber {
namespace {

/// OKLab lightness of light at 18 %, on which what is not touched lies.
constexpr OkLab kRest{0.5646, 0, 0};
constexpr double kFeather = 0.02;

}  // namespace

std::array<ToneRange, 5> toneRanges(ImageView picture)
{
    std::array<ToneRange, 5> ranges;
    for (std::size_t i = 0; i < ranges.size(); ++i) {
        ToneRange& range = ranges[i];
        // Feathers of neighbours meet in their middle, so that the shares add up to the whole.
        const double half = kBandSpacing / 2 - kFeather / 2;
        range.guard.toneLow = i == 0 ? 0 : kBandCentres[i] - half;
        range.guard.toneHigh = i + 1 == ranges.size() ? 1 : kBandCentres[i] + half;
        range.guard.toneFeather = kFeather;
        range.picture = Image(picture.width, picture.height);
        double sum = 0;
        for (int y = 0; y < picture.height; ++y) {
            const float* in = picture.row(y);
            float* out = range.picture.mutableView().row(y);
            for (int x = 0; x < picture.width; ++x, in += 3, out += 3) {
                const OkLab lab = toOkLab(LinearRgb{in[0], in[1], in[2]});
                const double weight = weightAt(range.guard, lab);
                sum += weight;
                const LinearRgb mixed =
                    toLinearRgb({kRest.L + weight * (lab.L - kRest.L), weight * lab.a, weight * lab.b});
                out[0] = static_cast<float>(mixed.r), out[1] = static_cast<float>(mixed.g),
                out[2] = static_cast<float>(mixed.b);
            }
        }
        const double count = static_cast<double>(picture.width) * picture.height;
        range.share = count > 0 ? sum / count : 0;
    }
    return ranges;
}

}  // namespace amber
