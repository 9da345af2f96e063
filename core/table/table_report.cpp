#include "core/table/table_report.h"

#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

using Vector = std::array<double, 3>;

double determinant(const Vector& a, const Vector& b, const Vector& c)
{
    return a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
}

class Lattice {
public:
    explicit Lattice(const Table& table) : m_table(table) {}
    Vector at(int r, int g, int b) const
    {
        const std::size_t n = static_cast<std::size_t>(m_table.size3);
        const float* v = &m_table.values3[3 * (static_cast<std::size_t>(r) +
                                               n * (static_cast<std::size_t>(g) + n * static_cast<std::size_t>(b)))];
        return {v[0], v[1], v[2]};
    }
    /// True when one of the six tetrahedra of the cell is turned inside out.
    bool isFolded(int r, int g, int b) const
    {
        bool folded = false;
        eachTetrahedron(r, g, b, [&](double sixfold) { folded = folded || sixfold < -1e-12; });
        return folded;
    }
    /// Of the cell's six tetrahedra, turned or not.
    double volume(int r, int g, int b) const
    {
        double sum = 0;
        eachTetrahedron(r, g, b, [&](double sixfold) { sum += std::abs(sixfold) / 6; });
        return sum;
    }

private:
    /// Six times the signed volume of each.
    template <class Take>
    void eachTetrahedron(int r, int g, int b, const Take& take) const
    {
        static constexpr int kOrders[6][3] = {{0, 1, 2}, {0, 2, 1}, {1, 0, 2}, {1, 2, 0}, {2, 0, 1}, {2, 1, 0}};
        static constexpr double kSign[6] = {1, -1, -1, 1, 1, -1};
        for (int o = 0; o < 6; ++o) {
            int p[3] = {r, g, b};
            Vector edges[3], last = at(r, g, b);
            for (int s = 0; s < 3; ++s) {
                ++p[kOrders[o][s]];
                const Vector next = at(p[0], p[1], p[2]);
                for (std::size_t k = 0; k < 3; ++k)
                    edges[s][k] = next[k] - last[k];
                last = next;
            }
            take(kSign[o] * determinant(edges[0], edges[1], edges[2]));
        }
    }
    const Table& m_table;
};

void include(TableReport& result, const std::vector<float>& values)
{
    for (float v : values) {
        result.lowest = std::min<double>(result.lowest, v);
        result.highest = std::max<double>(result.highest, v);
    }
}

/// The table's colours over its whole domain, `edge` to the edge.
Table sampled(const Table& table, int edge)
{
    Table result = identityTable(edge);
    const bool first = table.size1 > 0;
    result.domainMin3 = first ? table.domainMin1 : table.domainMin3,
    result.domainMax3 = first ? table.domainMax1 : table.domainMax3;
    for (std::size_t i = 0; i < result.values3.size(); i += 3) {
        const auto in = [&](std::size_t k) {
            return result.domainMin3[k] + result.values3[i + k] * (result.domainMax3[k] - result.domainMin3[k]);
        };
        const EncodedRgb out = evaluate(table, {in(0), in(1), in(2)});
        result.values3[i] = static_cast<float>(out.r), result.values3[i + 1] = static_cast<float>(out.g),
        result.values3[i + 2] = static_cast<float>(out.b);
    }
    return result;
}

void measureReach(TableReport& result, const Table& table)
{
    constexpr int kEdge = 25;
    const Table samples = sampled(table, kEdge);
    const Lattice lattice(samples);
    double volume = 0, domain = 1;
    for (std::size_t k = 0; k < 3; ++k)
        domain *= samples.domainMax3[k] - samples.domainMin3[k];
    for (int i = 0; i < (kEdge - 1) * (kEdge - 1) * (kEdge - 1); ++i)
        volume += lattice.volume(i % (kEdge - 1), i / (kEdge - 1) % (kEdge - 1), i / (kEdge - 1) / (kEdge - 1));
    result.reach = volume / domain;
    int outside = 0;
    for (std::size_t i = 0; i < samples.values3.size(); i += 3) {
        const double v[3] = {samples.values3[i], samples.values3[i + 1], samples.values3[i + 2]};
        constexpr double kSlack = 1e-6;
        outside += std::any_of(v, v + 3, [](double c) { return c < -kSlack || c > 1 + kSlack; });
        result.strongestChroma =
            std::max(result.strongestChroma, toOkLch(toOkLab(decode(RgbSpace::Srgb, {v[0], v[1], v[2]}))).chroma);
    }
    result.outside = outside / (kEdge * kEdge * kEdge * 1.0);
}

constexpr double kSlack = 1e-7;  // of one float step near 1

void checkCells(TableReport& result, const Table& table)
{
    const Lattice lattice(table);
    const int n = table.size3;
    for (int b = 0; b < n; ++b)
        for (int g = 0; g < n; ++g)
            for (int r = 0; r < n; ++r) {
                const Vector v = lattice.at(r, g, b);
                if (r + 1 < n)
                    result.monotone = result.monotone && lattice.at(r + 1, g, b)[0] >= v[0] - kSlack;
                if (g + 1 < n)
                    result.monotone = result.monotone && lattice.at(r, g + 1, b)[1] >= v[1] - kSlack;
                if (b + 1 < n)
                    result.monotone = result.monotone && lattice.at(r, g, b + 1)[2] >= v[2] - kSlack;
                if (r + 1 < n && g + 1 < n && b + 1 < n) {
                    ++result.cells;
                    result.foldedCells += lattice.isFolded(r, g, b);
                }
            }
}

}  // namespace

TableReport report(const Table& table)
{
    if (table.cdl)
        return report(sampled(table, 33));
    TableReport result;
    measureReach(result, table);
    const auto& first = table.size3 > 0 ? table.values3 : table.values1;
    result.lowest = result.highest = first.empty() ? 0 : first[0];
    include(result, table.values1);
    include(result, table.values3);
    for (std::size_t i = 3; i < table.values1.size(); ++i)
        result.monotone = result.monotone && table.values1[i] >= table.values1[i - 3] - kSlack;
    checkCells(result, table);
    const auto& low = table.size1 > 0 ? table.domainMin1 : table.domainMin3;
    const auto& high = table.size1 > 0 ? table.domainMax1 : table.domainMax3;
    for (int i = 0; i <= 256; ++i) {
        const double t = i / 256.0;
        const EncodedRgb in{low[0] + t * (high[0] - low[0]), low[1] + t * (high[1] - low[1]),
                            low[2] + t * (high[2] - low[2])};
        const EncodedRgb out = evaluate(table, in);
        result.neutralDrift =
            std::max(result.neutralDrift, std::max({out.r, out.g, out.b}) - std::min({out.r, out.g, out.b}));
        result.largestChange =
            std::max({result.largestChange, std::abs(out.r - in.r), std::abs(out.g - in.g), std::abs(out.b - in.b)});
    }
    return result;
}

}  // namespace amber
