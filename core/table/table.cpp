#include "core/table/table.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// Position in samples, 0..size-1, of a value in the domain.
double position(double v, double low, double high, int size)
{
    const double t = (v - low) / (high - low) * (size - 1);
    return t > 0 ? std::min(t, static_cast<double>(size - 1)) : 0.0;
}

EncodedRgb evaluate1(const Table& table, const EncodedRgb& c)
{
    const double in[3] = {c.r, c.g, c.b};
    double out[3];
    for (std::size_t k = 0; k < 3; ++k) {
        const double p = position(in[k], table.domainMin1[k], table.domainMax1[k], table.size1);
        const auto i = static_cast<std::size_t>(std::min(static_cast<int>(p), table.size1 - 2));
        const double t = p - static_cast<double>(i), a = table.values1[i * 3 + k], b = table.values1[(i + 1) * 3 + k];
        out[k] = a + t * (b - a);
    }
    return {out[0], out[1], out[2]};
}

EncodedRgb evaluate3(const Table& table, const EncodedRgb& c)
{
    const int n = table.size3;
    const double in[3] = {c.r, c.g, c.b};
    double t[3];
    std::size_t corner = 0;
    const std::size_t step[3] = {3, std::size_t{3} * n, std::size_t{3} * n * n};
    for (std::size_t k = 0; k < 3; ++k) {
        const double p = position(in[k], table.domainMin3[k], table.domainMax3[k], n);
        const int i = std::min(static_cast<int>(p), n - 2);
        t[k] = p - i;
        corner += static_cast<std::size_t>(i) * step[k];
    }
    // Walk from the low corner to the high one, along the axis with the largest fraction first.
    std::array<int, 3> order{0, 1, 2};
    std::stable_sort(order.begin(), order.end(), [&](int a, int b) { return t[a] > t[b]; });
    double out[3];
    std::size_t at = corner;
    for (std::size_t k = 0; k < 3; ++k)
        out[k] = (1 - t[order[0]]) * table.values3[at + k];
    for (int s = 0; s < 3; ++s) {
        at += step[order[s]];
        const double weight = t[order[s]] - (s < 2 ? t[order[s + 1]] : 0);
        for (std::size_t k = 0; k < 3; ++k)
            out[k] += weight * table.values3[at + k];
    }
    return {out[0], out[1], out[2]};
}

}  // namespace

EncodedRgb evaluate(const Cdl& cdl, const EncodedRgb& c)
{
    const double in[3] = {c.r, c.g, c.b};
    double v[3];
    const auto limited = [](double x) { return x > 0 ? std::min(x, 1.0) : 0.0; };
    for (std::size_t k = 0; k < 3; ++k)
        v[k] = std::pow(limited(in[k] * cdl.slope[k] + cdl.offset[k]), cdl.power[k]);
    const double luma = 0.2126 * v[0] + 0.7152 * v[1] + 0.0722 * v[2];
    const auto saturated = [&](double x) { return limited(luma + cdl.saturation * (x - luma)); };
    return {saturated(v[0]), saturated(v[1]), saturated(v[2])};
}

EncodedRgb evaluate(const Table& table, const EncodedRgb& c)
{
    EncodedRgb v = table.cdl ? evaluate(*table.cdl, c) : c;
    if (table.size1 > 0)
        v = evaluate1(table, v);
    if (table.size3 > 0)
        v = evaluate3(table, v);
    return v;
}

Table identityTable(int size3)
{
    Table table;
    table.size3 = size3;
    table.values3.reserve(std::size_t{3} * size3 * size3 * size3);
    const float top = static_cast<float>(size3 - 1);
    for (int b = 0; b < size3; ++b)
        for (int g = 0; g < size3; ++g)
            for (int r = 0; r < size3; ++r)
                table.values3.insert(table.values3.end(), {static_cast<float>(r) / top, static_cast<float>(g) / top,
                                                           static_cast<float>(b) / top});
    return table;
}

}  // namespace amber
