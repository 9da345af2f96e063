// Quantiles of numbers.
#pragma once

#include <algorithm>
#include <cstddef>
#include <span>
#include <vector>

namespace amber {

/// The values below which the shares `ascending` (0 to 1) of `values` lie, between two values by a straight line (R. J.
/// Hyndman, Y. Fan, The American Statistician 50(4), 1996, definition 7). Puts `values` in another order; they may not
/// be empty.
template <class T>
std::vector<double> quantiles(std::vector<T>& values, std::span<const double> ascending)
{
    std::vector<double> found;
    auto from = values.begin();  // each parts what lies above the one before
    for (const double share : ascending) {
        const double place = share * static_cast<double>(values.size() - 1);
        const auto below = static_cast<std::size_t>(place);
        const auto at = values.begin() + static_cast<std::ptrdiff_t>(below);
        std::nth_element(from, at, values.end());
        const double above = place > static_cast<double>(below) ? *std::min_element(at + 1, values.end()) : *at;
        found.push_back(*at + (place - static_cast<double>(below)) * (above - *at));
        from = at;
    }
    return found;
}

template <class T>
double quantile(std::vector<T>& values, double share)
{
    return quantiles(values, std::span(&share, 1)).front();
}

template <class T>
double median(std::vector<T>& values)
{
    return quantile(values, 0.5);
}

}  // namespace amber
