// What a lookup table is and how sane it is.
#pragma once

#include "core/table/table.h"

namespace amber {

struct TableReport {
    bool monotone = true;     ///< every component never falls while its own input rises, along the table's samples
    double neutralDrift = 0;  ///< largest spread between the three components along the grey diagonal, encoded units
    int foldedCells = 0;      ///< 3D cells of which a tetrahedron is turned inside out (negative determinant)
    int cells = 0;
    double reach =
        1;  ///< gamut reach: volume its colours fill, of the volume of the colours it takes, in encoded values
    double strongestChroma =
        0;  ///< largest OKLCh chroma it gives, its values read as sRGB; the strongest colour of sRGB has 0.323
    double outside = 0;              ///< share of its colours with a component beyond 0..1
    double lowest = 0, highest = 0;  ///< range of the values
    double largestChange = 0;        ///< largest distance of a value from its input, encoded units
};

/// A table with a CDL is judged by 33 samples to the edge, whatever else it has.
TableReport report(const Table& table);

}  // namespace amber
