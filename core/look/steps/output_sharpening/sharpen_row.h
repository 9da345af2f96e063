// One row of output sharpening, by vectors.
#pragma once

#include <array>
#include <cstddef>
#include <vector>

namespace amber {

/// A row with those above and below it; beyond the picture's edge the outermost stands for them.
struct ThreeRows {
    const float *above, *here, *below;
};

struct SharpenNumbers {
    float amount, limit;       ///< how far lightness may leave the range of its neighbours
    float edgeLow, edgeScale;  ///< an edge's range becomes the mask by smoothstep((range - edgeLow) edgeScale)
};

/// Smallest and largest of each column's three values, of lightness and of its mean, with one more at either end.
class SharpenScratch {
public:
    explicit SharpenScratch(std::size_t width) { m_rows.fill(std::vector<float>(width + 2)); }
    float* row(std::size_t i) { return m_rows[i].data(); }

private:
    std::array<std::vector<float>, 4> m_rows;
};

/// change[x] = clamp(L + amount mask (L - mean), range of L over 3 x 3 widened by limit) - L, the mask by the range of
/// the mean over 3 x 3. `mask` may be null: it is not kept.
void sharpenRow(const ThreeRows& light, const ThreeRows& mean, std::size_t width, const SharpenNumbers& numbers,
                SharpenScratch& scratch, float* change, float* mask);

}  // namespace amber
