// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/engine/weighted_sum.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/engine/weighted_sum.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;

/// Four vectors at once stay in registers over all taps: one load and one product a tap.
void WeightedSum(const float* const* rows, const float* weights, size_t taps, size_t count, float* out)
{
    const hn::ScalableTag<float> d;
    const size_t n = hn::Lanes(d);
    size_t x = 0;
    for (; x + 4 * n <= count; x += 4 * n) {
        auto a = hn::Zero(d), b = hn::Zero(d), c = hn::Zero(d), e = hn::Zero(d);
        for (size_t k = 0; k < taps; ++k) {
            const auto w = hn::Set(d, weights[k]);
            const float* from = rows[k] + x;
            a = hn::MulAdd(w, hn::LoadU(d, from), a), b = hn::MulAdd(w, hn::LoadU(d, from + n), b);
            c = hn::MulAdd(w, hn::LoadU(d, from + 2 * n), c), e = hn::MulAdd(w, hn::LoadU(d, from + 3 * n), e);
        }
        hn::StoreU(a, d, out + x), hn::StoreU(b, d, out + x + n);
        hn::StoreU(c, d, out + x + 2 * n), hn::StoreU(e, d, out + x + 3 * n);
    }
    // The last ones by the same rule, a lane each: which pixels a row has before them makes no difference.
    const hn::CappedTag<float, 1> one;
    for (; x < count; ++x) {
        auto a = hn::Zero(one);
        for (size_t k = 0; k < taps; ++k)
            a = hn::MulAdd(hn::Set(one, weights[k]), hn::LoadU(one, rows[k] + x), a);
        hn::StoreU(a, one, out + x);
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(WeightedSum);

void weightedSum(const float* const* rows, const float* weights, std::size_t taps, std::size_t count, float* out)
{
    HWY_DYNAMIC_DISPATCH(WeightedSum)(rows, weights, taps, count, out);
}

}  // namespace amber
#endif
