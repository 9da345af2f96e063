// Rows of a placed picture, by Highway with run-time dispatch (internal to core/frame).
#pragma once

#include "core/image/image.h"

namespace amber {

/// Along a row the turned place is first + x step, in half heights; the source place is that by 1 + leanUp y -
/// leanAside x, then by what `tables` (optics.h: green, red, blue; null: none) say of its length.
struct PlacedRow {
    float first[2], step[2];
    float leanUp, leanAside;
    float perUnit;              ///< entries of a table for one half height
    float scale[2], middle[2];  ///< half heights to pixels of the source
    const float* tables[3];
    float toOwn[3][3], toWorking[3][3];  ///< the channels that were thrown apart
};

/// `count` pixels from `x` on, from the rows of `source`, whose first is row `sourceRow` of `height`.
void placeRow(const PlacedRow& row, ImageView source, int sourceRow, int height, int x, int count, float* out);
/// `out` times the table at the length of each pixel.
void gainRow(const PlacedRow& row, const float* table, int count, float* out);

}  // namespace amber
