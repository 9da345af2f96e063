// Lookup tables: a 1D part, a 3D part, or a 1D part followed by a 3D part; or, in the place of both, an ASC CDL.
#pragma once

#include "core/colour/types.h"

#include <array>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace amber {

/// ASC CDL 1.2: v = clamp(slope in + offset)^power per channel; then, with Y = 0.2126 r + 0.7152 g + 0.0722 b, clamp(Y
/// + saturation (v - Y)). Values are limited to 0..1 at both places.
struct Cdl {
    std::array<double, 3> slope{1, 1, 1}, offset{0, 0, 0}, power{1, 1, 1};
    double saturation = 1;
    bool operator==(const Cdl&) const = default;
};
EncodedRgb evaluate(const Cdl& cdl, const EncodedRgb& c);

/// Table values map encoded components to encoded components; what the encoding is, the user of the table declares.
struct Table {
    std::string title;
    std::optional<Cdl> cdl;  ///< before the other parts
    std::array<double, 3> domainMin1{0, 0, 0}, domainMax1{1, 1, 1};
    std::array<double, 3> domainMin3{0, 0, 0}, domainMax3{1, 1, 1};
    int size1 = 0;               ///< samples of the 1D part, 0 when there is none
    int size3 = 0;               ///< samples along each edge of the 3D part, 0 when there is none
    std::vector<float> values1;  ///< size1 RGB triples
    std::vector<float> values3;  ///< size3^3 RGB triples, red changing fastest
    bool operator==(const Table&) const = default;
};

/// Sizes taken in: a 1D part of 2..65536 samples, a 3D part of 2..129 to the edge.
inline constexpr int kTable1Limit = 65536, kTable3Limit = 129;

/// Evaluation in double precision, the definition. Inputs are clamped to the domain. The 1D part is linear between
/// samples; the 3D part is tetrahedral (the cube is cut along its grey diagonal into six tetrahedra by the order of the
/// three fractions; J. Kasson, W. Plouffe, S. Nin, Proc. SPIE 1909, 1993). NaN counts as the domain's minimum.
EncodedRgb evaluate(const Table& table, const EncodedRgb& c);

/// A 3D table that returns its input.
Table identityTable(int size3);

}  // namespace amber
