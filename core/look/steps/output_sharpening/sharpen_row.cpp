// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/look/steps/output_sharpening/sharpen_row.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/look/steps/output_sharpening/sharpen_row.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

/// `work(tag, x)` for whole vectors, then a lane each: which pixels a row has before them makes no difference.
template <class Work>
HWY_INLINE void AlongRow(size_t width, Work&& work)
{
    const hn::ScalableTag<float> d;
    const hn::CappedTag<float, 1> one;
    size_t x = 0;
    for (; x + hn::Lanes(d) <= width; x += hn::Lanes(d))
        work(d, x);
    for (; x < width; ++x)
        work(one, x);
}

HWY_INLINE void ColumnRanges(const ThreeRows& rows, size_t width, float* low, float* high)
{
    AlongRow(width, [&](auto d, size_t x) HWY_ATTR {
        const auto a = hn::LoadU(d, rows.above + x), b = hn::LoadU(d, rows.here + x), c = hn::LoadU(d, rows.below + x);
        hn::StoreU(hn::Min(hn::Min(a, b), c), d, low + x + 1);
        hn::StoreU(hn::Max(hn::Max(a, b), c), d, high + x + 1);
    });
    low[0] = low[1], high[0] = high[1];
    low[width + 1] = low[width], high[width + 1] = high[width];
}

void SharpenRow(const ThreeRows& light, const ThreeRows& mean, size_t width, const SharpenNumbers& n,
                SharpenScratch& scratch, float* change, float* mask)
{
    float *edgeLow = scratch.row(0), *edgeHigh = scratch.row(1), *low = scratch.row(2), *high = scratch.row(3);
    ColumnRanges(mean, width, edgeLow, edgeHigh);
    ColumnRanges(light, width, low, high);
    AlongRow(width, [&](auto d, size_t x) HWY_ATTR {
        const auto least = [&](const float* of) HWY_ATTR {
            return hn::Min(hn::Min(hn::LoadU(d, of + x), hn::LoadU(d, of + x + 1)), hn::LoadU(d, of + x + 2));
        };
        const auto most = [&](const float* of) HWY_ATTR {
            return hn::Max(hn::Max(hn::LoadU(d, of + x), hn::LoadU(d, of + x + 1)), hn::LoadU(d, of + x + 2));
        };
        const auto zero = hn::Zero(d), one = hn::Set(d, 1.0f);
        const auto range = hn::Sub(most(edgeHigh), least(edgeLow));
        const auto scaled = hn::Mul(hn::Sub(range, hn::Set(d, n.edgeLow)), hn::Set(d, n.edgeScale));
        const auto t = hn::Min(hn::Max(scaled, zero), one);
        const auto weight = hn::Mul(hn::Mul(t, t), hn::NegMulAdd(hn::Set(d, 2.0f), t, hn::Set(d, 3.0f)));
        if (mask)
            hn::StoreU(weight, d, mask + x);
        const auto l = hn::LoadU(d, light.here + x), m = hn::LoadU(d, mean.here + x);
        const auto sharp = hn::MulAdd(hn::Mul(hn::Set(d, n.amount), weight), hn::Sub(l, m), l);
        const auto limit = hn::Set(d, n.limit);
        const auto held = hn::Min(hn::Max(sharp, hn::Sub(least(low), limit)), hn::Add(most(high), limit));
        hn::StoreU(hn::Sub(held, l), d, change + x);
    });
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(SharpenRow);

void sharpenRow(const ThreeRows& light, const ThreeRows& mean, std::size_t width, const SharpenNumbers& numbers,
                SharpenScratch& scratch, float* change, float* mask)
{
    HWY_DYNAMIC_DISPATCH(SharpenRow)(light, mean, width, numbers, scratch, change, mask);
}

}  // namespace amber
#endif
