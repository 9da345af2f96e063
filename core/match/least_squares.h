// Least squares over a few numbers whose derivatives nobody knows.
#pragma once

#include "core/base/cancel.h"

#include <functional>
#include <vector>

namespace amber {

struct LeastSquares {
    /// Residuals at a place; called from several threads at once. Always as many.
    std::function<std::vector<double>(const std::vector<double>&)> residuals;
    int iterations = 10;
    double enough = 0;   ///< a sum of squares that needs no further work
    double step = 2e-3;  ///< of the forward differences by which derivatives are taken
};

/// Moves `x` to smaller residuals: Levenberg and Marquardt by Ceres (S. Agarwal, K. Mierle, The Ceres Solver Team),
/// normal equations.
void solveLeastSquares(const LeastSquares& problem, std::vector<double>& x, const CancelToken& cancel = {});

}  // namespace amber
