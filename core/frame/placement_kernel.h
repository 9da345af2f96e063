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
    float toWorking[3][3];  ///< of the channels that were thrown apart
};

/// Rows of a source in planes, a channel each: as it is, or as own light when channels were thrown apart.
struct SourceRowsView {
    const float* plane[3];
    int width, rows;
    std::ptrdiff_t stride;
};
/// One row of interleaved pixels into three planes; with `matrix`, times that.
void planesOfRow(const float* rgb, const float (*matrix)[3], int count, float* const (&planes)[3]);
/// `count` pixels from `x` on, from the rows of `source`, whose first is row `sourceRow` of `height`.
void placeRow(const PlacedRow& row, const SourceRowsView& source, int sourceRow, int height, int x, int count,
              float* out);
/// `out` times the table at the length of each pixel.
void gainRow(const PlacedRow& row, const float* table, int count, float* out);

}  // namespace amber
