// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/frame/placement_kernel.h"

#include <algorithm>
#include <cmath>
#include <cstdint>

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

/// Along one axis: the first of the four pixels that are read, and the four weights of the cubic of bicubic.h.
struct Taps {
    HWY_ALIGN std::int32_t first[kChunk + HWY_MAX_BYTES / sizeof(float)];
    HWY_ALIGN float weights[4 * (kChunk + HWY_MAX_BYTES / sizeof(float))];
};

/// `size` pixels lie along it; what lies far outside (or nowhere, behind a lean) is of the edge.
HWY_INLINE void FindTaps(const float* places, const float* factors, float scale, float middle, int size, int count,
                         Taps& taps)
{
    const D d;
    const hn::RebindToSigned<D> di;
    const int lanes = static_cast<int>(hn::Lanes(d));
    constexpr float kMore = 8;
    const V one = hn::Set(d, 1.0f), half = hn::Set(d, 0.5f), two = hn::Set(d, 2.0f), three = hn::Set(d, 3.0f);
    for (int i = 0; i < count; i += lanes) {
        V at = hn::MulAdd(hn::Mul(hn::Load(d, places + i), hn::Load(d, factors + i)), hn::Set(d, scale),
                          hn::Set(d, middle));
        at = hn::IfThenElse(hn::Gt(at, hn::Set(d, -kMore)), at, hn::Set(d, -kMore));
        at = hn::Min(at, hn::Set(d, static_cast<float>(size) + kMore));
        const V floor = hn::Floor(at), t = hn::Sub(at, floor);
        hn::Store(hn::Sub(hn::ConvertTo(di, floor), hn::Set(di, 1)), di, taps.first + i);
        const V th = hn::Mul(t, half), tth = hn::Mul(t, th);
        hn::StoreInterleaved4(hn::Mul(th, hn::MulSub(t, hn::Sub(two, t), one)),
                              hn::MulAdd(tth, hn::MulSub(three, t, hn::Set(d, 5.0f)), one),
                              hn::Mul(th, hn::MulAdd(t, hn::NegMulAdd(three, t, hn::Set(d, 4.0f)), one)),
                              hn::Mul(tth, hn::Sub(t, one)), d, taps.weights + 4 * i);
    }
}

/// What a tap of a row or column outside shows: pixels of the picture's edge repeat outward; the rows that are here
/// hold all that is asked.
HWY_INLINE float AtEdge(const SourceRowsView& source, int channel, int sourceRow, int height, int left, int top,
                        const float* across, const float* down)
{
    float sum = 0;
    for (int j = 0; j < 4; ++j) {
        const int line = std::clamp(std::clamp(top + j, 0, height - 1) - sourceRow, 0, source.rows - 1);
        const float* p = source.plane[channel] + line * source.stride;
        for (int i = 0; i < 4; ++i)
            sum += across[i] * down[j] * p[std::clamp(left + i, 0, source.width - 1)];
    }
    return sum;
}

/// Four sums of each pixel of a channel, still apart.
HWY_INLINE void SamplePlane(const SourceRowsView& source, int channel, int sourceRow, int height, const Taps& across,
                            const Taps& down, int count, float* sums)
{
    const D4 d;
    for (int n = 0; n < count; ++n) {
        const int left = across.first[n], top = down.first[n];
        const float *wx = across.weights + 4 * n, *wy = down.weights + 4 * n;
        if (left >= 0 && left + 3 < source.width && top >= sourceRow && top + 3 < sourceRow + source.rows) {
            const float* p = source.plane[channel] + (top - sourceRow) * source.stride + left;
            V4 sum = hn::Mul(hn::LoadU(d, p), hn::Set(d, wy[0]));
            for (int j = 1; j < 4; ++j)
                sum = hn::MulAdd(hn::LoadU(d, p + j * source.stride), hn::Set(d, wy[j]), sum);
            hn::Store(hn::Mul(sum, hn::Load(d, wx)), d, sums + 4 * n);
        } else {
            hn::Store(hn::Zero(d), d, sums + 4 * n);
            sums[4 * n] = AtEdge(source, channel, sourceRow, height, left, top, wx, wy);
        }
    }
}

HWY_INLINE void Factors(const float* table, const Places& places, int count, float* factors)
{
    for (int n = 0; n < count; ++n)
        factors[n] = table ? Read(table, places.entry[n]) : 1.0f;
}

HWY_INLINE void StorePixels(const V (&c)[3], int count, float* out)
{
    const D d;
    if (count == static_cast<int>(hn::Lanes(d)))
        return hn::StoreInterleaved3(c[0], c[1], c[2], d, out);
    HWY_ALIGN float rest[3 * HWY_MAX_BYTES / sizeof(float)];
    hn::StoreInterleaved3(c[0], c[1], c[2], d, rest);
    std::copy_n(rest, 3 * count, out);
}

/// Channels from where each was thrown; without fringes all from one place.
HWY_INLINE void PlaceChunk(const PlacedRow& row, const SourceRowsView& source, int sourceRow, int height,
                           const Places& places, int count, float* out)
{
    const D d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    Taps across, down;
    HWY_ALIGN float factors[kChunk + HWY_MAX_BYTES / sizeof(float)] = {};
    HWY_ALIGN float sums[3][4 * (kChunk + HWY_MAX_BYTES / sizeof(float))];
    constexpr int kTableOf[3] = {1, 0, 2};  // tables go green, red, blue
    const bool isApart = row.tables[1] != nullptr;
    for (int k = 0; k < 3; ++k) {
        if (isApart || k == 0) {
            Factors(row.tables[isApart ? kTableOf[k] : 0], places, count, factors);
            FindTaps(places.x, factors, row.scale[0], row.middle[0], source.width, count, across);
            FindTaps(places.y, factors, row.scale[1], row.middle[1], height, count, down);
        }
        SamplePlane(source, k, sourceRow, height, across, down, count, sums[k]);
    }
    for (int i = 0; i < count; i += lanes) {
        V c[3];
        for (int k = 0; k < 3; ++k) {
            V a, b, e, f;
            hn::LoadInterleaved4(d, sums[k] + 4 * i, a, b, e, f);
            c[k] = hn::Add(hn::Add(a, b), hn::Add(e, f));
        }
        if (isApart) {
            const V own[3] = {c[0], c[1], c[2]};
            for (int k = 0; k < 3; ++k)
                c[k] = hn::MulAdd(hn::Set(d, row.toWorking[k][0]), own[0],
                                  hn::MulAdd(hn::Set(d, row.toWorking[k][1]), own[1],
                                             hn::Mul(hn::Set(d, row.toWorking[k][2]), own[2])));
        }
        StorePixels(c, std::min(lanes, count - i), out + 3 * i);
    }
}

void PlaceRow(const PlacedRow& row, const SourceRowsView& source, int sourceRow, int height, int x, int count,
              float* out)
{
    Places places;
    for (int begin = 0; begin < count; begin += kChunk) {
        const int here = std::min(kChunk, count - begin);
        FindPlaces(row, x + begin, here, places);
        PlaceChunk(row, source, sourceRow, height, places, here, out + 3 * begin);
    }
}

void PlanesOfRow(const float* rgb, const float (*matrix)[3], int count, float* const (&planes)[3])
{
    const D d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    const auto change = [&](const float* from, float* r, float* g, float* b) HWY_ATTR {
        V in[3];
        hn::LoadInterleaved3(d, from, in[0], in[1], in[2]);
        V c[3] = {in[0], in[1], in[2]};
        for (int k = 0; matrix && k < 3; ++k)
            c[k] = hn::MulAdd(hn::Set(d, matrix[k][0]), in[0],
                              hn::MulAdd(hn::Set(d, matrix[k][1]), in[1], hn::Mul(hn::Set(d, matrix[k][2]), in[2])));
        hn::StoreU(c[0], d, r), hn::StoreU(c[1], d, g), hn::StoreU(c[2], d, b);
    };
    int i = 0;
    for (; i + lanes <= count; i += lanes)
        change(rgb + 3 * i, planes[0] + i, planes[1] + i, planes[2] + i);
    if (i < count) {
        float from[3 * HWY_MAX_BYTES / sizeof(float)] = {}, to[3][HWY_MAX_BYTES / sizeof(float)];
        std::copy_n(rgb + 3 * i, 3 * (count - i), from);
        change(from, to[0], to[1], to[2]);
        for (int k = 0; k < 3; ++k)
            std::copy_n(to[k], count - i, planes[k] + i);
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
HWY_EXPORT(PlanesOfRow);

void planesOfRow(const float* rgb, const float (*matrix)[3], int count, float* const (&planes)[3])
{
    HWY_DYNAMIC_DISPATCH(PlanesOfRow)(rgb, matrix, count, planes);
}
void placeRow(const PlacedRow& row, const SourceRowsView& source, int sourceRow, int height, int x, int count,
              float* out)
{
    HWY_DYNAMIC_DISPATCH(PlaceRow)(row, source, sourceRow, height, x, count, out);
}
void gainRow(const PlacedRow& row, const float* table, int count, float* out)
{
    HWY_DYNAMIC_DISPATCH(GainRow)(row, table, count, out);
}

}  // namespace amber
#endif
