// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/display/view_kernel.h"

#include <algorithm>
#include <array>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/display/view_kernel.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
using D = hn::ScalableTag<float>;
using DI = hn::RebindToSigned<D>;
using V = hn::Vec<D>;

/// Entries are taken one by one: gathering them is no faster on the machines there are.
HWY_INLINE V Between(const float* curve, V position)
{
    const D d;
    const DI di;
    const auto index = hn::ConvertTo(di, position);
    HWY_ALIGN std::int32_t at[HWY_MAX_BYTES / 4];
    HWY_ALIGN float low[HWY_MAX_BYTES / 4], high[HWY_MAX_BYTES / 4];
    hn::Store(index, di, at);
    for (size_t n = 0; n < hn::Lanes(d); ++n)
        low[n] = curve[at[n]], high[n] = curve[at[n] + 1];
    const V from = hn::Load(d, low), to = hn::Load(d, high);
    return hn::MulAdd(hn::Sub(position, hn::ConvertTo(d, index)), hn::Sub(to, from), from);
}

HWY_INLINE void Shape(const float* rgb, const float (&matrix)[3][3], const float* const (&curves)[3], float* values)
{
    const D d;
    const V zero = hn::Zero(d), one = hn::Set(d, 1.0f), steps = hn::Set(d, kCurveSteps);
    V in[3], out[3];
    hn::LoadInterleaved3(d, rgb, in[0], in[1], in[2]);
    for (int k = 0; k < 3; ++k) {
        V own = hn::MulAdd(hn::Set(d, matrix[k][0]), in[0],
                           hn::MulAdd(hn::Set(d, matrix[k][1]), in[1], hn::Mul(hn::Set(d, matrix[k][2]), in[2])));
        own = hn::IfThenElseZero(hn::Gt(own, zero), own);  // no number counts as black
        out[k] = Between(curves[k], hn::Mul(hn::Sqrt(hn::Min(own, one)), steps));
    }
    hn::StoreInterleaved3(out[0], out[1], out[2], d, values);
}

void ShapeRow(const float* rgb, const float (&matrix)[3][3], const float* const (&curves)[3], size_t count,
              float* values)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    size_t i = 0;
    for (; i + lanes <= count; i += lanes)
        Shape(rgb + 3 * i, matrix, curves, values + 3 * i);
    if (i < count) {
        float from[3 * HWY_MAX_BYTES / sizeof(float)] = {}, to[3 * HWY_MAX_BYTES / sizeof(float)];
        std::copy_n(rgb + 3 * i, 3 * (count - i), from);
        Shape(from, matrix, curves, to);
        std::copy_n(to, 3 * (count - i), values + 3 * i);
    }
}

HWY_INLINE void Pixels(const float* values, V dither, std::uint32_t* pixels)
{
    const D d;
    const DI di;
    const hn::Rebind<std::uint32_t, D> du;
    const V zero = hn::Zero(d), top = hn::Set(d, 255.0f);
    V in[3];
    hn::LoadInterleaved3(d, values, in[0], in[1], in[2]);
    hn::Vec<DI> code[3];
    for (int k = 0; k < 3; ++k)
        code[k] = hn::ConvertTo(di, hn::Min(hn::Max(hn::MulAdd(in[k], top, dither), zero), top));
    const auto all = hn::Or(hn::Or(hn::ShiftLeft<16>(code[0]), hn::ShiftLeft<8>(code[1])), code[2]);
    hn::StoreU(hn::Or(hn::BitCast(du, all), hn::Set(du, 0xff000000u)), du, pixels);
}

void PixelsOfRow(const float* values, size_t count, const float (&pattern)[8], std::uint32_t* pixels)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    HWY_ALIGN float repeated[HWY_MAX_BYTES / sizeof(float) + 8];
    for (size_t n = 0; n < lanes + 8; ++n)
        repeated[n] = pattern[n % 8];
    size_t i = 0;
    for (; i + lanes <= count; i += lanes)
        Pixels(values + 3 * i, hn::LoadU(d, repeated + i % 8), pixels + i);
    if (i < count) {
        float from[3 * HWY_MAX_BYTES / sizeof(float)] = {};
        std::uint32_t to[HWY_MAX_BYTES / sizeof(float)];
        std::copy_n(values + 3 * i, 3 * (count - i), from);
        Pixels(from, hn::LoadU(d, repeated + i % 8), to);
        std::copy_n(to, count - i, pixels + i);
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(ShapeRow);
HWY_EXPORT(PixelsOfRow);

void shapeRow(const float* rgb, const float (&matrix)[3][3], const float* const (&curves)[3], std::size_t count,
              float* values)
{
    HWY_DYNAMIC_DISPATCH(ShapeRow)(rgb, matrix, curves, count, values);
}

namespace {

/// Place in the order in which the pattern fills: two bits of x xor y and y for each of three halvings.
constexpr int orderOf(int x, int y)
{
    int order = 0;
    for (int bit = 0; bit < 3; ++bit)
        order = order * 4 + ((((x ^ y) >> bit) & 1) * 2 + ((y >> bit) & 1));
    return order;
}

constexpr auto kPattern = [] {
    std::array<std::array<float, 8>, 8> all{};
    for (int y = 0; y < 8; ++y)
        for (int x = 0; x < 8; ++x)
            all[static_cast<std::size_t>(y)][static_cast<std::size_t>(x)] =
                (static_cast<float>(orderOf(x, y)) + 0.5f) / 64;
    return all;
}();

}  // namespace

void pixelsOfRow(const float* values, std::size_t count, int y, std::uint32_t* pixels)
{
    float row[8];
    std::copy_n(kPattern[static_cast<std::size_t>(y & 7)].data(), 8, row);
    HWY_DYNAMIC_DISPATCH(PixelsOfRow)(values, count, row, pixels);
}

}  // namespace amber
#endif
