// The stated bounds of the engine's vector functions, on every SIMD target of this machine.
#include "core/engine/render_plan.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/base/simd_math_test.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
}  // namespace HWY_NAMESPACE
#include "core/base/simd_math-inl.h"
namespace HWY_NAMESPACE {

/// 64 values of x in; of every function 64 values out, in the order of Function.
void AllFunctions(const float* x, float* out)
{
    const hn::ScalableTag<float> d;
    for (size_t i = 0; i < 64; i += hn::Lanes(d)) {
        const auto v = hn::LoadU(d, x + i);
        auto sine = v, cosine = v;
        SineCosine(d, v, sine, cosine);
        const decltype(sine) results[] = {
            CubeRoot(d, v),    Exp2(d, v), Exp2Short(d, v),      sine, cosine, Reciprocal(d, v),
            InverseRoot(d, v), Log2(d, v), Power(d, v, 1 / 2.4f)};
        for (size_t k = 0; k < 9; ++k)
            hn::StoreU(results[k], d, out + 64 * k + i);
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include <cmath>
#include <functional>
#include <gtest/gtest.h>
#include <random>

namespace amber {
HWY_EXPORT(AllFunctions);
namespace {

TEST(SimdMath, StaysWithinItsStatedBoundsOnEveryTarget)
{
    std::mt19937 random(3);
    const auto between = [&](double low, double high) {
        return std::uniform_real_distribution<double>(low, high)(random);
    };
    const auto size = [&] { return std::exp2(between(-99, 99)); };
    const struct {
        const char* name;
        std::function<double()> argument;
        double (*exact)(double);
        double bound;
        bool relative;
    } functions[] = {
        {"CubeRoot", [&] { return size() * (random() & 1 ? 1 : -1); }, [](double x) { return std::cbrt(x); }, 3e-7,
         true},
        {"Exp2", [&] { return between(-126, 126); }, [](double x) { return std::exp2(x); }, 3e-7, true},
        {"Exp2Short", [&] { return between(-126, 126); }, [](double x) { return std::exp2(x); }, 6e-6, true},
        {"sine", [&] { return between(-3.1416, 3.1416); }, [](double x) { return std::sin(x); }, 1e-6, false},
        {"cosine", [&] { return between(-3.1416, 3.1416); }, [](double x) { return std::cos(x); }, 1e-6, false},
        {"Reciprocal", size, [](double x) { return 1 / x; }, 5e-7, true},
        {"InverseRoot", size, [](double x) { return 1 / std::sqrt(x); }, 5e-6, true},
        {"Log2", size, [](double x) { return std::log2(x); }, 1e-5, false},
        {"Power", [&] { return std::exp2(between(-40, 2)); }, [](double x) { return std::pow(x, 1 / 2.4); }, 2e-6,
         true},
    };
    for (const std::string& target : simdTargets()) {
        useSimdTarget(target);
        for (std::size_t k = 0; k < std::size(functions); ++k)
            for (int round = 0; round < 2000; ++round) {
                float x[64], out[9 * 64];
                for (float& v : x)
                    v = static_cast<float>(functions[k].argument());
                HWY_DYNAMIC_DISPATCH(AllFunctions)(x, out);
                for (std::size_t i = 0; i < 64; ++i) {
                    const double exact = functions[k].exact(x[i]);
                    ASSERT_NEAR((out[64 * k + i] - exact) / (functions[k].relative ? std::abs(exact) : 1), 0,
                                functions[k].bound)
                        << functions[k].name << " of " << x[i] << " on " << target;
                }
            }
        float odd[64] = {0.0f, -0.0f, -200.0f, -3e38f}, out[9 * 64];
        HWY_DYNAMIC_DISPATCH(AllFunctions)(odd, out);
        EXPECT_LT(std::abs(out[0]), 1.1e-10f);
        EXPECT_LT(out[64 + 2], 2e-38f);
        EXPECT_LT(out[64 + 3], 2e-38f);
        EXPECT_FLOAT_EQ(out[64], 1);
    }
    useSimdTarget("");
}

}  // namespace
}  // namespace amber
#endif
