#include "core/handover/weight.h"

#include "core/base/phrase.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace amber {
namespace {

constexpr int kTile = 64;      // a whole number of every format's blocks
constexpr int kOneOf = 16;     // tiles
constexpr int kFewTiles = 24;  // a picture with fewer stands for itself

struct Sample {
    int width = 0, height = 0;
    double times = 1;  ///< how many of it make the picture
    std::vector<std::uint8_t> codes;
};

/// Tiles from every place, one under another: two columns and rows on, so that they do not follow the picture's own
/// columns.
Sample sampleOf(int width, int height, const std::vector<std::uint8_t>& codes)
{
    const int across = width / kTile, down = height / kTile;
    if (across * down < kFewTiles * kOneOf)
        return {width, height, 1, codes};
    Sample sample;
    sample.width = kTile;
    for (int n = 0; n * kOneOf < across * down; ++n) {
        const int at = (n * kOneOf + 5 * n) % (across * down), left = at % across * kTile, top = at / across * kTile;
        for (int y = top; y < top + kTile; ++y) {
            const auto from = codes.begin() + 3 * (static_cast<std::ptrdiff_t>(y) * width + left);
            sample.codes.insert(sample.codes.end(), from, from + 3 * kTile);
        }
        sample.height += kTile;
    }
    sample.times = static_cast<double>(width) * height / sample.width / sample.height;
    return sample;
}

/// Sizes by quality, told by a sample and set right by what the whole weighed.
class Foretold {
public:
    Foretold(Sample sample, OutputOptions options) : m_sample(std::move(sample)), m_options(std::move(options)) {}
    double at(int quality)
    {
        const auto found = m_known.find(quality);
        return m_factor * (found != m_known.end() ? found->second : m_known[quality] = told(quality));
    }
    void learn(int quality, std::size_t bytes) { m_factor *= static_cast<double>(bytes) / at(quality); }
    /// The highest quality that does not pass `limit`; 0: none.
    int within(double limit, int most)
    {
        int low = 0, high = most;
        while (low < high) {
            const int middle = (low + high + 1) / 2;
            if (at(middle) <= limit)
                low = middle;
            else
                high = middle - 1;
        }
        return low;
    }

private:
    double told(int quality)
    {
        m_options.quality = quality;
        const auto bytes = packCodes(m_sample.width, m_sample.height, m_sample.codes, m_options);
        return bytes ? m_sample.times * static_cast<double>(bytes->size()) : 1e18;
    }
    Sample m_sample;
    OutputOptions m_options;
    double m_factor = 1;
    std::map<int, double> m_known;
};

}  // namespace

Result<PackedPicture> packWithin(int width, int height, const std::vector<std::uint8_t>& codes,
                                 const OutputOptions& options, std::size_t limit, std::size_t beside)
{
    constexpr int kTries = 12;
    constexpr double kRoom = 0.995;
    const double room = static_cast<double>(limit) - static_cast<double>(beside);
    Foretold foretold(sampleOf(width, height, codes), options);
    std::optional<PackedPicture> best;
    int packed = 0, low = 0, high = options.quality + 1;  // fits; does not
    int next = std::max(1, foretold.within(room, options.quality));
    for (int i = 0; i < kTries && next > low && next < high; ++i) {
        OutputOptions own = options;
        own.quality = next;
        auto bytes = packCodes(width, height, codes, own);
        if (!bytes)
            return tl::make_unexpected(bytes.error());
        ++packed;
        foretold.learn(next, bytes->size());
        if (static_cast<double>(bytes->size()) <= room) {
            low = next;
            best = PackedPicture{std::move(*bytes), next, 0};
        } else {
            high = next;
        }
        // What is told of neighbours is sure enough to stop at.
        const int told = foretold.within(kRoom * room, high - 1);
        next = best ? told : std::clamp(told, 1, high - 1);
        if (high == 1)
            break;
    }
    if (!best)
        return fail("the file cannot be made that light at this size", {},
                    phrase("at most %1 bytes", {std::to_string(limit)}));
    best->packed = packed;
    return std::move(*best);
}

}  // namespace amber
