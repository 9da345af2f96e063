// Light and ends of a row of pixels, by Highway with run-time dispatch (internal to core/frame).
#pragma once

namespace amber {

/// A response (or its inverse) at values whose cube roots are even from 0 to that of `top`; odd, and beyond `top`
/// straight on by `slope`.
struct CurveTable {
    static constexpr int kSize = 4096;
    const float* values = nullptr;  ///< kSize + 2 of them; null: the identity
    float top = 1, slope = 1;
};

/// out = after * curve(middle * gain * curve(before * in)) - black. Without curves `before` and `after` are not looked
/// at.
struct LightNumbers {
    CurveTable toScene, toPicture;
    float before[3][3], middle[3][3], after[3][3];
    float scale = 1, black = 0;
};

/// In place; `gains` (one per pixel) may be null.
void lightRow(const LightNumbers& numbers, const float* gains, int count, float* rgb);

}  // namespace amber
