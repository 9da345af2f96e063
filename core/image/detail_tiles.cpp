#include "core/image/detail_tiles.h"

#include <algorithm>

namespace amber {
namespace {

/// Where tiles begin along one side.
std::vector<int> beginnings(int length, int edge, int most)
{
    const int count = std::clamp(length / edge, 1, most);
    std::vector<int> all;
    for (int i = 0; i < count; ++i)
        all.push_back(static_cast<int>((i + 0.5) * length / count - edge / 2.0));
    for (int& at : all)
        at = std::clamp(at, 0, std::max(0, length - edge));
    return all;
}

}  // namespace

DetailTiles::DetailTiles(Size full, int edge)
{
    constexpr int kAcross = 6, kDown = 4;
    for (const int top : beginnings(full.height, edge, kDown))
        for (const int left : beginnings(full.width, edge, kAcross))
            m_tiles.push_back({left, top, Image(std::min(edge, full.width), std::min(edge, full.height))});
}

void DetailTiles::take(int firstRow, ImageView rows)
{
    for (DetailTile& tile : m_tiles) {
        const int from = std::max(firstRow, tile.top);
        const int to = std::min(firstRow + rows.height, tile.top + tile.pixels.height());
        for (int y = from; y < to; ++y)
            std::copy_n(rows.row(y - firstRow) + std::ptrdiff_t{3} * tile.left, std::ptrdiff_t{3} * tile.pixels.width(),
                        tile.pixels.mutableView().row(y - tile.top));
    }
}

}  // namespace amber
