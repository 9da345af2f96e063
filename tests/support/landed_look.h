// What a look makes of a whole picture, and how far that is from another.
#pragma once

#include "core/colour/difference.h"
#include "core/engine/render_plan.h"
#include "core/image/image.h"

#include <algorithm>

namespace amber::test {

/// As a file would hold it.
inline Image through(const Look& look, const Image& picture)
{
    Image out = picture;
    render(RenderPlan::compile(look).value(), picture.view(), out.mutableView());
    for (int i = 0; i < out.width() * out.height() * 3; ++i)
        out.mutableView().data[i] = std::clamp(out.view().data[i], 0.0f, 1.0f);
    return out;
}

/// Mean CIEDE2000 of every fifth pixel of every fifth row.
inline double apart(const Image& one, const Image& two)
{
    double sum = 0;
    int n = 0;
    for (int y = 0; y < one.height(); y += 5)
        for (int x = 0; x < one.width(); x += 5, ++n) {
            const float *p = one.view().row(y) + 3 * x, *q = two.view().row(y) + 3 * x;
            sum += ciede2000(LinearRgb{p[0], p[1], p[2]}, LinearRgb{q[0], q[1], q[2]});
        }
    return sum / n;
}

}  // namespace amber::test
