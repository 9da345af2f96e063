// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/image/oklab_picture.h"

#include "core/base/parallel.h"
#include "core/colour/oklab.h"

#include <algorithm>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/image/oklab_picture.cpp"
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

HWY_INLINE void Multiply(const Matrix3& m, const V (&in)[3], V (&out)[3])
{
    const D d;
    const auto entry = [&](int k, int j) { return hn::Set(d, static_cast<float>(m.m[k][j])); };
    for (int k = 0; k < 3; ++k)
        out[k] = hn::MulAdd(entry(k, 0), in[0], hn::MulAdd(entry(k, 1), in[1], hn::Mul(entry(k, 2), in[2])));
}

void OkLabsOfRow(const float* rgb, size_t count, const Matrix3& toLms, const Matrix3& toLab, OkLab* labs)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    HWY_ALIGN float from[3 * HWY_MAX_BYTES / sizeof(float)] = {}, to[3][HWY_MAX_BYTES / sizeof(float)];
    for (size_t i = 0; i < count; i += lanes) {
        const size_t here = std::min(lanes, count - i);
        std::copy_n(rgb + 3 * i, 3 * here, from);
        V in[3], cones[3], lab[3];
        hn::LoadInterleaved3(d, from, in[0], in[1], in[2]);
        Multiply(toLms, in, cones);
        CubeRoots(d, cones);
        Multiply(toLab, cones, lab);
        for (int k = 0; k < 3; ++k)
            hn::Store(lab[k], d, to[k]);
        for (size_t n = 0; n < here; ++n)
            labs[i + n] = {to[0][n], to[1][n], to[2][n]};
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(OkLabsOfRow);

std::vector<OkLab> okLabsOf(ImageView picture)
{
    const auto width = static_cast<std::size_t>(picture.width);
    std::vector<OkLab> labs(width * static_cast<std::size_t>(picture.height));
    const auto run = HWY_DYNAMIC_DISPATCH(OkLabsOfRow);
    inParallel(picture.height, [&](int y) {
        run(picture.row(y), width, workingToLms(), lmsRootToOkLab(), labs.data() + static_cast<std::size_t>(y) * width);
    });
    return labs;
}

}  // namespace amber
#endif
