#include "core/look/steps/grain/grain_kernel.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <random>

namespace amber {
namespace {

constexpr int kCells = 1024;

/// The grain field as a summed-area table (F. Crow, SIGGRAPH 1984). Every row and column of the field sums to zero, so
/// the table repeats with the field.
class Field {
public:
    Field() : m_sums(static_cast<std::size_t>(kCells) * kCells)
    {
        std::vector<double> field = smoothed(noise());
        centre(field);
        double square = 0;
        for (double v : field)
            square += v * v;
        const double scale = std::sqrt(kCells * kCells / square);
        std::vector<double> above(kCells, 0.0);  // sums of all cells above and to the left
        for (int y = 0; y < kCells; ++y) {
            double left = 0;
            for (int x = 0; x < kCells; ++x) {
                const std::size_t i = static_cast<std::size_t>(y) * kCells + x;
                m_sums[i] = static_cast<float>(above[x]);
                above[x] += left;
                left += scale * field[i];
            }
        }
    }
    /// Row of the table at a height between cells, linear.
    void sums(double v, std::array<float, kCells + 1>& row) const
    {
        const double whole = std::floor(v);
        const auto t = static_cast<float>(v - whole);
        const auto at = [](double y) {
            return static_cast<std::size_t>(static_cast<long long>(y) & (kCells - 1)) * kCells;
        };
        const float *upper = &m_sums[at(whole)], *lower = &m_sums[at(whole + 1)];
        for (int x = 0; x < kCells; ++x)
            row[x] = upper[x] + t * (lower[x] - upper[x]);
        row[kCells] = row[0];
    }

private:
    static std::vector<double> noise()
    {
        // mt19937 and this way of making Gaussian numbers (Box and Muller, 1958) are the same on every machine.
        std::mt19937 random(20261);
        const auto unit = [&] { return (random() + 0.5) / 4294967296.0; };
        std::vector<double> field(static_cast<std::size_t>(kCells) * kCells);
        for (double& v : field) {
            const double size = std::sqrt(-2 * std::log(unit()));
            v = size * std::cos(6.283185307179586 * unit());
        }
        return field;
    }
    /// Means over a cell and its neighbours: grains of about two cells.
    static std::vector<double> smoothed(const std::vector<double>& field)
    {
        std::vector<double> result(field.size());
        for (int y = 0; y < kCells; ++y)
            for (int x = 0; x < kCells; ++x)
                for (int j = -1; j <= 1; ++j)
                    for (int i = -1; i <= 1; ++i)
                        result[static_cast<std::size_t>(y) * kCells + x] +=
                            field[static_cast<std::size_t>((y + j) & (kCells - 1)) * kCells +
                                  ((x + i) & (kCells - 1))] *
                            (2 - std::abs(i)) * (2 - std::abs(j));
        return result;
    }
    static void centre(std::vector<double>& field)
    {
        for (int pass = 0; pass < 2; ++pass)
            for (int k = 0; k < kCells; ++k) {
                const auto at = [&](int i) -> double& {
                    return pass == 0 ? field[static_cast<std::size_t>(k) * kCells + i]
                                     : field[static_cast<std::size_t>(i) * kCells + k];
                };
                double sum = 0;
                for (int i = 0; i < kCells; ++i)
                    sum += at(i);
                for (int i = 0; i < kCells; ++i)
                    at(i) -= sum / kCells;
            }
    }
    std::vector<float> m_sums;
};

const Field& field()
{
    static const Field one;
    return one;
}

}  // namespace

void GrainKernel::grainRow(int layer, const Place& place, int count, float* grain) const
{
    const double cell = 2000 / (step.size * std::max(place.width, place.height));  // cells to a pixel
    // Each seed and layer has the picture's middle elsewhere in the field (multiplicative hashing by the golden ratio).
    const double number = step.seed * 3 + layer + 1,
                 shiftX = std::fmod(number * 0.6180339887498949, 1.0) * kCells - cell * place.width / 2,
                 shiftY = std::fmod(number * 0.7548776662466927, 1.0) * kCells - cell * place.height / 2;
    std::array<float, kCells + 1> top, bottom, row;
    field().sums(shiftY + place.y * cell, top);
    field().sums(shiftY + (place.y + 1) * cell, bottom);
    for (std::size_t i = 0; i < row.size(); ++i)
        row[i] = bottom[i] - top[i];
    const auto sum = [&](double u) {
        const double whole = std::floor(u);
        const auto i = static_cast<std::size_t>(static_cast<long long>(whole) & (kCells - 1));
        return row[i] + static_cast<float>(u - whole) * (row[i + 1] - row[i]);
    };
    const auto scale = static_cast<float>(1 / (cell * cell));
    float left = sum(shiftX + place.x * cell);
    for (int i = 0; i < count; ++i) {
        const float right = sum(shiftX + (place.x + i + 1) * cell);
        grain[i] = (right - left) * scale;
        left = right;
    }
}

OkLab GrainKernel::at(const void*, const Place& place, const OkLab& c) const
{
    const double L = std::clamp(c.L, 0.0, 1.0), weight = step.amount * (1 - step.midtones * (1 - 4 * L * (1 - L)));
    float n[3] = {};
    for (int layer = 0; layer < (step.colour > 0 ? 3 : 1); ++layer)
        grainRow(layer, place, 1, n + layer);
    return {std::cbrt(c.L * c.L * (c.L + 3 * weight * n[0])), c.a + weight * step.colour / 2 * n[1],
            c.b + weight * step.colour / 2 * n[2]};
}

}  // namespace amber
