// What of the difference from a reference is likely its look's, and what is its subject's.
//
// Rows of the ladder as one vector x: L* of black end, white end, mid, contrast; 100 a and 100 b of the casts in darks,
// middles and lights; each family by itself, 100 a and 100 b. Over ungraded photographs x has the covariance S; looks
// change x by vectors of covariance T about none (both learned, subject_spread.inc). A reference of another subject
// differs from ours by d = t + s1 - s2, t what its look did, s1 and s2 the two subjects, so that
//   E(t | d) = T (T + 2 S)^-1 d,   cov(t | d) = T - T (T + 2 S)^-1 T
// (the posterior of jointly normal vectors: C. Bishop, Pattern Recognition and Machine Learning, 2006, 2.3.1).
// Photographs that are far from the usual are more common than a normal distribution has them: S counts more for it.
// Several references count as one: held against hidden treatments, their number did not make the share any truer.
// How sure a cast in darks or lights is goes by the cast in middles, and each cast by other ways to
// find it (Fingerprint::otherCasts): as d^2 / (d^2 + o^2), d its difference and o the mean distance of the others from
// it.
#pragma once

#include "core/colour/types.h"
#include "core/look/fingerprint.h"

#include <vector>

namespace amber {

/// Of one row: what is likely the look's.
struct LookShare {
    double light = 0;     ///< L*
    double a = 0, b = 0;  ///< OKLab, of casts and families
    double sureness =
        0;  ///< 0..1: 2 P - 1, P the probability that going there brings ours nearer to what the look does
};

/// Four rows of light, three casts, then the families, as far as both prints hold them with `least` of the picture; of
/// others nothing. In the order of the ladder's rows.
std::vector<LookShare> lookShares(const Fingerprint& reference, const Fingerprint& ours, double least);

/// The same of the three falls of light (`light`: L*), then of the four textures (`light`: per cent), each by itself:
/// nothing where one of the prints does not have it. What subjects do was learned from the same photographs; what looks
/// do is taken to be a few stops at corners, ramps of some L*, a quarter more or less of local contrast and edges, and
/// grain of its own size.
std::vector<LookShare> placeShares(const Fingerprint& reference, const Fingerprint& ours);

/// Where ours would be if what is likely the look's were done to it: a reference to be matched.
Fingerprint likelyTarget(const Fingerprint& reference, const Fingerprint& ours, double least);

/// What is measured of the ladder's light and casts (10 numbers) and of a family (2), as the vectors above.
std::vector<double> lightAndCasts(const Fingerprint& print);
std::vector<double> familyColour(const Fingerprint& print, std::size_t family);

}  // namespace amber
