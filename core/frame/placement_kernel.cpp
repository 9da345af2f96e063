// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/frame/placement_kernel.h"

#include <algorithm>
#include <cmath>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/frame/placement_kernel.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

using D = hn::ScalableTag<float>;
using D4 = hn::CappedTag<float, 4>;
using V = hn::Vec<D>;
using V4 = hn::Vec<D4>;

constexpr int kChunk = 64;
constexpr float kLastEntry = 1023.99f;

/// The places of some pixels in half heights of the source, as straight lines lie in it.
struct Places {
    HWY_ALIGN float x[kChunk + HWY_MAX_BYTES / sizeof(float)], y[kChunk + HWY_MAX_BYTES / sizeof(float)],
        entry[kChunk + HWY_MAX_BYTES / sizeof(float)];
};

HWY_INLINE void FindPlaces(const PlacedRow& row, int from, int count, Places& places)
{
    const D d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    for (int i = 0; i < count; i += lanes) {
        const V n = hn::Add(hn::Iota(d, 0), hn::Set(d, static_cast<float>(from + i)));
        const V tx = hn::MulAdd(n, hn::Set(d, row.step[0]), hn::Set(d, row.first[0])),
                ty = hn::MulAdd(n, hn::Set(d, row.step[1]), hn::Set(d, row.first[1]));
        const V w =
            hn::MulAdd(ty, hn::Set(d, row.leanUp), hn::NegMulAdd(tx, hn::Set(d, row.leanAside), hn::Set(d, 1.0f)));
        const V x = hn::Div(tx, w), y = hn::Div(ty, w);
        hn::Store(x, d, places.x + i), hn::Store(y, d, places.y + i);
        const V length = hn::Mul(hn::Sqrt(hn::MulAdd(x, x, hn::Mul(y, y))), hn::Set(d, row.perUnit));
        hn::Store(hn::Min(length, hn::Set(d, kLastEntry)), d, places.entry + i);
    }
}

HWY_INLINE float Read(const float* table, float entry)
{
    const int i = static_cast<int>(entry);
    return table[i] + (entry - static_cast<float>(i)) * (table[i + 1] - table[i]);
}

HWY_INLINE void Weights(float t, float* w)
{
    w[0] = ((-t + 2) * t - 1) * t * 0.5f;
    w[1] = ((3 * t - 5) * t * t + 2) * 0.5f;
    w[2] = ((-3 * t + 4) * t + 1) * t * 0.5f;
    w[3] = (t - 1) * t * t * 0.5f;
}

/// Whatever lies far outside (or nowhere, behind a lean) is of the edge.
HWY_INLINE float Near(float place, int size)
{
    constexpr float kMore = 8;
    return !(place > -kMore) ? -kMore : std::min(place, static_cast<float>(size) + kMore);
}

/// The cubic of bicubic.h. Pixels of the picture's edge repeat outward; the rows that are here hold all that is asked.
HWY_INLINE V4 Sample(ImageView source, int sourceRow, int height, float x, float y)
{
    const D4 d;
    x = Near(x, source.width), y = Near(y, height);
    const float fx = std::floor(x), fy = std::floor(y);
    float across[4], down[4];
    Weights(x - fx, across), Weights(y - fy, down);
    const int left = static_cast<int>(fx) - 1, top = static_cast<int>(fy) - 1;
    V4 sum = hn::Zero(d);
    if (left >= 0 && left + 4 < source.width && top >= sourceRow && top + 3 < sourceRow + source.height) {
        const float* p = source.row(top - sourceRow) + 3 * left;
        for (int j = 0; j < 4; ++j, p += source.rowStride) {
            V4 line = hn::Mul(hn::LoadU(d, p), hn::Set(d, across[0]));
            for (int i = 1; i < 4; ++i)
                line = hn::MulAdd(hn::LoadU(d, p + 3 * i), hn::Set(d, across[i]), line);
            sum = hn::MulAdd(line, hn::Set(d, down[j]), sum);
        }
        return sum;
    }
    HWY_ALIGN float edge[4] = {};
    for (int j = 0; j < 4; ++j) {
        const int line = std::clamp(std::clamp(top + j, 0, height - 1) - sourceRow, 0, source.height - 1);
        for (int i = 0; i < 4; ++i) {
            const float* p = source.row(line) + 3 * std::clamp(left + i, 0, source.width - 1);
            for (int k = 0; k < 3; ++k)
                edge[k] += across[i] * down[j] * p[k];
        }
    }
    return hn::Load(d, edge);
}

HWY_INLINE void PlacePixel(const PlacedRow& row, ImageView source, int sourceRow, int height, const Places& places,
                           int i, float* out)
{
    const D4 d;
    HWY_ALIGN float colour[4], own[3];
    const auto at = [&](const float* table) HWY_ATTR {
        const float factor = table ? Read(table, places.entry[i]) : 1.0f;
        return Sample(source, sourceRow, height, places.x[i] * factor * row.scale[0] + row.middle[0],
                      places.y[i] * factor * row.scale[1] + row.middle[1]);
    };
    if (!row.tables[1]) {
        hn::Store(at(row.tables[0]), d, colour);
        std::copy_n(colour, 3, out);
        return;
    }
    // Each channel from where it was thrown: tables go green, red, blue.
    constexpr int kTableOf[3] = {1, 0, 2};
    for (int k = 0; k < 3; ++k) {
        hn::Store(at(row.tables[kTableOf[k]]), d, colour);
        own[k] = row.toOwn[k][0] * colour[0] + row.toOwn[k][1] * colour[1] + row.toOwn[k][2] * colour[2];
    }
    for (int k = 0; k < 3; ++k)
        out[k] = row.toWorking[k][0] * own[0] + row.toWorking[k][1] * own[1] + row.toWorking[k][2] * own[2];
}

void PlaceRow(const PlacedRow& row, ImageView source, int sourceRow, int height, int x, int count, float* out)
{
    Places places;
    for (int begin = 0; begin < count; begin += kChunk) {
        const int here = std::min(kChunk, count - begin);
        FindPlaces(row, x + begin, here, places);
        for (int i = 0; i < here; ++i)
            PlacePixel(row, source, sourceRow, height, places, i, out + 3 * (begin + i));
    }
}

void GainRow(const PlacedRow& row, const float* table, int count, float* out)
{
    Places places;
    for (int begin = 0; begin < count; begin += kChunk) {
        const int here = std::min(kChunk, count - begin);
        FindPlaces(row, begin, here, places);
        for (int i = 0; i < here; ++i)
            out[begin + i] *= Read(table, places.entry[i]);
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(PlaceRow);
HWY_EXPORT(GainRow);

void placeRow(const PlacedRow& row, ImageView source, int sourceRow, int height, int x, int count, float* out)
{
    HWY_DYNAMIC_DISPATCH(PlaceRow)(row, source, sourceRow, height, x, count, out);
}
void gainRow(const PlacedRow& row, const float* table, int count, float* out)
{
    HWY_DYNAMIC_DISPATCH(GainRow)(row, table, count, out);
}

}  // namespace amber
#endif
