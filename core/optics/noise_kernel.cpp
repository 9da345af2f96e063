// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/optics/noise_kernel.h"

#include "core/colour/rgb_space.h"
#include "core/colour/transfer_kernel.h"

#include <algorithm>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/optics/noise_kernel.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

#ifndef AMBER_NOISE_MATRICES
#define AMBER_NOISE_MATRICES
namespace amber {
struct NoiseMatrices {
    float toOwn[3][3], toWorking[3][3];
    NoiseMatrices()
    {
        for (int i = 0; i < 3; ++i)
            for (int k = 0; k < 3; ++k) {
                toOwn[i][k] = static_cast<float>(fromWorking(RgbSpace::Srgb).m[i][k]);
                toWorking[i][k] = static_cast<float>(amber::toWorking(RgbSpace::Srgb).m[i][k]);
            }
    }
};
inline const NoiseMatrices& noiseMatrices()
{
    static const NoiseMatrices all;
    return all;
}
}  // namespace amber
#endif

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
}  // namespace HWY_NAMESPACE
#include "core/base/simd_math-inl.h"
#include "core/colour/transfer-inl.h"
namespace HWY_NAMESPACE {

using D = hn::ScalableTag<float>;
using V = hn::Vec<D>;
constexpr size_t kMost = HWY_MAX_BYTES / sizeof(float);

HWY_INLINE void Multiply(const float (&m)[3][3], V (&c)[3])
{
    const D d;
    const V in[3] = {c[0], c[1], c[2]};
    for (int k = 0; k < 3; ++k)
        c[k] = hn::MulAdd(hn::Set(d, m[k][0]), in[0],
                          hn::MulAdd(hn::Set(d, m[k][1]), in[1], hn::Mul(hn::Set(d, m[k][2]), in[2])));
}

HWY_INLINE void ToLightness(const float* rgb, float* y, float* r, float* b)
{
    const D d;
    const TransferKernel curve(RgbSpace::Srgb);
    V c[3];
    hn::LoadInterleaved3(d, rgb, c[0], c[1], c[2]);
    Multiply(noiseMatrices().toOwn, c);
    for (V& channel : c)
        channel = Encode(d, curve, channel);
    const V sum = hn::MulAdd(hn::Set(d, 2.0f), c[1], hn::Add(c[0], c[2]));
    hn::StoreU(hn::Mul(sum, hn::Set(d, 0.25f)), d, y);
    hn::StoreU(hn::Sub(c[0], c[1]), d, r);
    hn::StoreU(hn::Sub(c[2], c[1]), d, b);
}

HWY_INLINE void FromLightness(const float* y, const float* r, const float* b, float* rgb)
{
    const D d;
    const TransferKernel curve(RgbSpace::Srgb);
    const V red = hn::LoadU(d, r), blue = hn::LoadU(d, b);
    const V green = hn::NegMulAdd(hn::Set(d, 0.25f), hn::Add(red, blue), hn::LoadU(d, y));
    V c[3] = {hn::Add(green, red), green, hn::Add(green, blue)};
    for (V& channel : c)
        channel = Decode(d, curve, channel);
    Multiply(noiseMatrices().toWorking, c);
    hn::StoreInterleaved3(c[0], c[1], c[2], d, rgb);
}

void ToLightnessRow(const float* rgb, int count, float* y, float* r, float* b)
{
    const int lanes = static_cast<int>(hn::Lanes(D()));
    int i = 0;
    for (; i + lanes <= count; i += lanes)
        ToLightness(rgb + 3 * i, y + i, r + i, b + i);
    if (i < count) {
        float in[3 * kMost] = {}, out[3][kMost];
        std::copy_n(rgb + 3 * i, 3 * (count - i), in);
        ToLightness(in, out[0], out[1], out[2]);
        std::copy_n(out[0], count - i, y + i), std::copy_n(out[1], count - i, r + i);
        std::copy_n(out[2], count - i, b + i);
    }
}

void FromLightnessRow(const float* y, const float* r, const float* b, int count, float* rgb)
{
    const int lanes = static_cast<int>(hn::Lanes(D()));
    int i = 0;
    for (; i + lanes <= count; i += lanes)
        FromLightness(y + i, r + i, b + i, rgb + 3 * i);
    if (i < count) {
        float in[3][kMost] = {}, out[3 * kMost];
        std::copy_n(y + i, count - i, in[0]), std::copy_n(r + i, count - i, in[1]);
        std::copy_n(b + i, count - i, in[2]);
        FromLightness(in[0], in[1], in[2], out);
        std::copy_n(out, 3 * (count - i), rgb + 3 * i);
    }
}

void SmoothRows(const float* const (&rows)[5], int count, float* out)
{
    const D d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    int i = 0;
    for (; i + lanes <= count; i += lanes) {
        const V outer = hn::Add(hn::LoadU(d, rows[0] + i), hn::LoadU(d, rows[4] + i)),
                inner = hn::Add(hn::LoadU(d, rows[1] + i), hn::LoadU(d, rows[3] + i));
        const V sum =
            hn::MulAdd(hn::Set(d, 0.25f), inner,
                       hn::MulAdd(hn::Set(d, 0.375f), hn::LoadU(d, rows[2] + i), hn::Mul(hn::Set(d, 0.0625f), outer)));
        hn::StoreU(sum, d, out + i);
    }
    for (; i < count; ++i)
        out[i] = 0.0625f * (rows[0][i] + rows[4][i]) + 0.25f * (rows[1][i] + rows[3][i]) + 0.375f * rows[2][i];
}

void ShrinkRow(const float* fine, const float* coarse, const float* tone, const float* thresholds, int entries,
               int count, float* sum)
{
    const auto last = static_cast<float>(entries - 1);
    for (int i = 0; i < count; ++i) {
        const float place = std::clamp(tone[i] * last, 0.0f, last - 0.001f);
        const int at = static_cast<int>(place);
        const float limit = thresholds[at] + (place - static_cast<float>(at)) * (thresholds[at + 1] - thresholds[at]);
        const float detail = fine[i] - coarse[i], power = detail * detail, most = limit * limit;
        sum[i] += power > most ? detail * (1 - most / power) : 0.0f;
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(ToLightnessRow);
HWY_EXPORT(FromLightnessRow);
HWY_EXPORT(SmoothRows);
HWY_EXPORT(ShrinkRow);

void toLightnessRow(const float* rgb, int count, float* y, float* r, float* b)
{
    HWY_DYNAMIC_DISPATCH(ToLightnessRow)(rgb, count, y, r, b);
}
void fromLightnessRow(const float* y, const float* r, const float* b, int count, float* rgb)
{
    HWY_DYNAMIC_DISPATCH(FromLightnessRow)(y, r, b, count, rgb);
}
void smoothRows(const float* const (&rows)[5], int count, float* out)
{
    HWY_DYNAMIC_DISPATCH(SmoothRows)(rows, count, out);
}
void shrinkRow(const float* fine, const float* coarse, const float* tone, const float* thresholds, int entries,
               int count, float* sum)
{
    HWY_DYNAMIC_DISPATCH(ShrinkRow)(fine, coarse, tone, thresholds, entries, count, sum);
}

}  // namespace amber
#endif
