// What must hold for anything a reader takes in; a fuzzer stops where it does not.
#pragma once

#include "core/table/table.h"

#include <cmath>
#include <cstdlib>

namespace amber {

inline void demand(bool holds)
{
    if (!holds)
        std::abort();
}

inline void demandSane(const Table& table)
{
    demand(table.size1 >= 0 && table.size1 <= kTable1Limit && table.size3 >= 0 && table.size3 <= kTable3Limit);
    const auto n = static_cast<std::size_t>(table.size3);
    demand(table.values1.size() == 3 * static_cast<std::size_t>(table.size1) && table.values3.size() == 3 * n * n * n);
    for (const auto* values : {&table.values1, &table.values3})
        for (float v : *values)
            demand(std::isfinite(v));
    for (double v : {-1.0, 0.0, 0.31, 1.0, 7.0}) {
        const EncodedRgb c = evaluate(table, {v, 1 - v, v / 3});
        demand(std::isfinite(c.r) && std::isfinite(c.g) && std::isfinite(c.b));
    }
}

}  // namespace amber
