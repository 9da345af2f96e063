// Pieces of a picture at its own size, taken while it is read a band of rows at a time: what noise, edges and sharpness
// are told by, without holding the whole picture.
#pragma once

#include "core/image/image.h"
#include "core/image/resize.h"

#include <vector>

namespace amber {

struct DetailTile {
    int left = 0, top = 0;  ///< pixels of the picture
    Image pixels;
};

/// Six by four tiles, fewer in a picture that is smaller than they are together, evenly spread.
class DetailTiles {
public:
    DetailTiles(Size full, int edge);
    /// Rows of the picture from `firstRow` on, in any order.
    void take(int firstRow, ImageView rows);
    std::vector<DetailTile> result() { return std::move(m_tiles); }

private:
    std::vector<DetailTile> m_tiles;
};

}  // namespace amber
