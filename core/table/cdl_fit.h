// The ASC CDL that comes nearest to a set of colour pairs.
#pragma once

#include "core/table/table.h"

namespace amber {

/// Least squares over encoded values, the ten numbers found by the Levenberg-Marquardt method (K. Levenberg, 1944; D.
/// Marquardt, SIAM J. Appl. Math. 11(2), 1963) from the identity. Slope and saturation 0 to 8, offset -2 to 2, power
/// 0.1 to 8. As many inputs as outputs.
Cdl fitCdl(const std::vector<EncodedRgb>& inputs, const std::vector<EncodedRgb>& outputs);

}  // namespace amber
