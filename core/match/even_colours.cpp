#include "core/match/even_colours.h"

#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <tuple>

namespace amber {
namespace {

/// A small cell of OKLab by the mean of what lies in it.
struct Cell {
    LinearRgb from{0, 0, 0}, to{0, 0, 0};
    int members = 0;
    OkLab at{};
    double far = std::numeric_limits<double>::max();  ///< to the nearest cell taken; negative when taken itself
};

std::vector<Cell> cellsOf(const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to)
{
    constexpr double kTones = 32, kColours = 50;
    std::map<std::tuple<int, int, int>, Cell> byPlace;
    const auto add = [](LinearRgb& sum, const LinearRgb& c) { sum.r += c.r, sum.g += c.g, sum.b += c.b; };
    for (std::size_t i = 0; i < from.size(); ++i) {
        const OkLab c = toOkLab(from[i]);
        Cell& cell = byPlace[{static_cast<int>(std::floor(c.L * kTones)), static_cast<int>(std::floor(c.a * kColours)),
                              static_cast<int>(std::floor(c.b * kColours))}];
        add(cell.from, from[i]), add(cell.to, to[i]), ++cell.members;
    }
    std::vector<Cell> cells;
    for (auto& [place, cell] : byPlace) {
        for (LinearRgb* sum : {&cell.from, &cell.to})
            *sum = {sum->r / cell.members, sum->g / cell.members, sum->b / cell.members};
        cell.at = toOkLab(cell.from);
        cells.push_back(cell);
    }
    return cells;
}

}  // namespace

std::vector<int> thinOut(std::vector<LinearRgb>& from, std::vector<LinearRgb>& to, std::size_t most)
{
    constexpr double kChroma = 2;  // a, b against L
    std::vector<Cell> cells = cellsOf(from, to);
    from.clear(), to.clear();
    auto next = std::max_element(cells.begin(), cells.end(),
                                 [](const Cell& p, const Cell& q) { return p.members < q.members; });
    const std::size_t count = std::min(most, cells.size());
    std::vector<int> members;
    while (from.size() < count) {
        const OkLab taken = next->at;
        from.push_back(next->from), to.push_back(next->to), members.push_back(next->members);
        next->far = -1;
        for (Cell& c : cells)
            if (c.far >= 0)
                c.far = std::min(
                    c.far, std::hypot(c.at.L - taken.L, kChroma * (c.at.a - taken.a), kChroma * (c.at.b - taken.b)));
        next = std::max_element(cells.begin(), cells.end(), [](const Cell& p, const Cell& q) { return p.far < q.far; });
    }
    return members;
}

}  // namespace amber
