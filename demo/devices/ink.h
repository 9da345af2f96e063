// A print of the house: four inks on a paper of ours, as a Yule-Nielsen modified Neugebauer model.
//
//   X(c, m, y, k)^(1/n) = sum over the 16 overprints p of  w_p X_p^(1/n),   n = 1.8
// with Demichel's weights w_p = product of a_i or (1 - a_i), and dots that spread: a = t + 4 g t (1 - t).
// (J. A. C. Yule, W. J. Nielsen, TAPPI Proc. 1951; H. E. J. Neugebauer, Z. wiss. Photogr. 36, 1937.)
#pragma once

#include "core/colour/types.h"

#include <array>

namespace amber::demo {

using Inks = std::array<double, 4>;  ///< cyan, magenta, yellow, black: 0 bare paper, 1 solid

struct InkPaper {
    Xyz paper{0.8160, 0.8420, 0.6640};  ///< the bare paper, D50 (matte, a little warm)
    /// What each solid ink lets through, by X, Y, Z.
    double through[4][3] = {{0.235, 0.305, 0.760}, {0.390, 0.225, 0.285}, {0.835, 0.860, 0.165}, {0.062, 0.060, 0.062}};
    double spread = 0.16;   ///< g: 0.5 prints as 0.66
    double inkLimit = 2.8;  ///< of the sum of the four

    Xyz printed(const Inks& inks) const;
    /// CIELAB with the paper as white (media-relative), D50.
    Lab relativeLab(const Inks& inks) const;
    /// Inks within the limit whose print comes nearest to a media-relative colour; black takes over as it darkens.
    Inks inksFor(const Lab& wanted) const;
};

}  // namespace amber::demo
