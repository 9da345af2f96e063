// Changing the size of pictures.
#pragma once

#include "core/image/image.h"

#include <memory>
#include <vector>

namespace amber {

struct Size {
    int width = 0, height = 0;
    bool operator==(const Size&) const = default;
};

/// Each output pixel is the mean of the area it covers (exact fractional weights). Size must be 1 or more and not
/// larger than the source.
Image reduceByArea(ImageView source, int width, int height);

/// The same, bit for bit, of a picture that comes a band of rows at a time and never lies in memory as a whole.
class AreaReducer {
public:
    AreaReducer(int sourceWidth, int sourceHeight, int width, int height);
    ~AreaReducer();
    /// The next rows of the source, from the top.
    void take(ImageView rows);
    /// The reduced picture, once all rows were taken.
    Image result();

private:
    struct State;
    std::unique_ptr<State> m_state;
};

/// A picture reduced while it is made in bands, several at once: rows are made narrower wherever they are, and taken
/// in order. The means are reduceByArea()'s, but for the rounding of single precision.
class BandReducer {
public:
    /// `to` is not larger than `from`.
    BandReducer(Size from, Size to);
    ~BandReducer();
    /// Rows of the source made as narrow as the result, appended to `narrow`. Thread safe.
    void makeNarrow(ImageView rows, std::vector<float>& narrow) const;
    /// The next rows, made narrow.
    void take(const std::vector<float>& narrow);
    /// The reduced picture, once all rows were taken.
    Image result();

private:
    struct State;
    std::unique_ptr<State> m_state;
};

/// Which column or row of `from` the i-th of `to` single pixels is.
int gridIndex(int i, int from, int to);

/// Single pixels of the source on an even grid, `width` by `height` of them: a smaller picture whose pixels are not
/// averaged, so that its distribution, clipping and noise are those of the source. Size must be 1 or more and not
/// larger than the source.
Image sampleGrid(ImageView source, int width, int height);

/// The size with the longer edge at most `longEdge` (0: as it is), the ratio kept, never enlarged, never under 1.
Size fitted(Size size, int longEdge);

/// Reduced (never enlarged) so far that it fits into width x height.
Image reducedToFit(ImageView image, int width, int height);

}  // namespace amber
