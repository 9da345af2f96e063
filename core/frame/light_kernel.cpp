// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/frame/light_kernel.h"

#include <algorithm>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/frame/light_kernel.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
}  // namespace HWY_NAMESPACE
#include "core/base/simd_math-inl.h"
namespace HWY_NAMESPACE {

using D = hn::ScalableTag<float>;
using V = hn::Vec<D>;

HWY_INLINE void Times(const float (&m)[3][3], V (&c)[3])
{
    const D d;
    const V in[3] = {c[0], c[1], c[2]};
    for (int k = 0; k < 3; ++k)
        c[k] = hn::MulAdd(hn::Set(d, m[k][0]), in[0],
                          hn::MulAdd(hn::Set(d, m[k][1]), in[1], hn::Mul(hn::Set(d, m[k][2]), in[2])));
}

/// Entries are looked up one by one: machines that gather vectors from memory do it no faster.
HWY_INLINE void Through(const CurveTable& table, V (&c)[3])
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    constexpr auto kLast = static_cast<float>(CurveTable::kSize);
    V place[3];
    for (int k = 0; k < 3; ++k)
        place[k] = hn::Min(hn::Mul(hn::Abs(c[k]), hn::Set(d, 1 / table.top)), hn::Set(d, 1.0f));
    CubeRoots(d, place);
    HWY_ALIGN float at[HWY_MAX_BYTES / sizeof(float)];
    for (int k = 0; k < 3; ++k) {
        hn::Store(hn::Mul(hn::Min(place[k], hn::Set(d, 1.0f)), hn::Set(d, kLast)), d, at);
        for (size_t n = 0; n < lanes; ++n) {
            const int i = static_cast<int>(at[n]);
            at[n] = table.values[i] + (at[n] - static_cast<float>(i)) * (table.values[i + 1] - table.values[i]);
        }
        const V beyond = hn::Max(hn::Sub(hn::Abs(c[k]), hn::Set(d, table.top)), hn::Zero(d));
        c[k] = hn::CopySign(hn::MulAdd(beyond, hn::Set(d, table.slope), hn::Load(d, at)), c[k]);
    }
}

HWY_INLINE void LightPixels(const LightNumbers& n, const float* gains, float* rgb)
{
    const D d;
    V c[3];
    hn::LoadInterleaved3(d, rgb, c[0], c[1], c[2]);
    const bool curved = n.toScene.values != nullptr;
    if (curved) {
        Times(n.before, c);
        Through(n.toScene, c);
    }
    if (gains)
        for (V& channel : c)
            channel = hn::Mul(channel, hn::LoadU(d, gains));
    Times(n.middle, c);
    if (curved) {
        Through(n.toPicture, c);
        Times(n.after, c);
    }
    for (V& channel : c)
        channel = hn::Mul(hn::Sub(channel, hn::Set(d, n.black)), hn::Set(d, n.scale));
    hn::StoreInterleaved3(c[0], c[1], c[2], d, rgb);
}

void LightRow(const LightNumbers& numbers, const float* gains, int count, float* rgb)
{
    const D d;
    const int lanes = static_cast<int>(hn::Lanes(d));
    int i = 0;
    for (; i + lanes <= count; i += lanes)
        LightPixels(numbers, gains ? gains + i : nullptr, rgb + 3 * i);
    if (i < count) {
        float last[3 * HWY_MAX_BYTES / sizeof(float)] = {}, lastGains[HWY_MAX_BYTES / sizeof(float)] = {};
        std::copy_n(rgb + 3 * i, 3 * (count - i), last);
        if (gains)
            std::copy_n(gains + i, count - i, lastGains);
        LightPixels(numbers, gains ? lastGains : nullptr, last);
        std::copy_n(last, 3 * (count - i), rgb + 3 * i);
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(LightRow);

void lightRow(const LightNumbers& numbers, const float* gains, int count, float* rgb)
{
    HWY_DYNAMIC_DISPATCH(LightRow)(numbers, gains, count, rgb);
}

}  // namespace amber
#endif
