// The one blend between two levels that every step uses.
#pragma once

#include <algorithm>

namespace amber {

/// 0 up to `low`, 1 from `high` on, 3 t^2 - 2 t^3 between: C1.
inline double smoothstep(double low, double high, double x)
{
    const double t = std::clamp((x - low) / (high - low), 0.0, 1.0);
    return t * t * (3 - 2 * t);
}

}  // namespace amber
