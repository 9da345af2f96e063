#include "demo/devices/ink.h"

#include "core/colour/difference.h"

#include <algorithm>
#include <cmath>

namespace amber::demo {
namespace {

constexpr double kYuleNielsen = 1.8;
constexpr double kTrapping = 0.9;  // an ink on another holds a little less

/// Gaussian elimination of a symmetric 4 x 4 system.
void solve(double a[4][5])
{
    for (int i = 0; i < 4; ++i) {
        for (int j = 0; j < 4; ++j)
            if (j != i) {
                const double f = a[j][i] / a[i][i];
                for (int k = i; k < 5; ++k)
                    a[j][k] -= f * a[i][k];
            }
    }
    for (int i = 0; i < 4; ++i)
        a[i][4] /= a[i][i];
}

void keepWithin(Inks& inks, double limit)
{
    for (double& v : inks)
        v = std::clamp(v, 0.0, 1.0);
    const double colours = inks[0] + inks[1] + inks[2], room = limit - inks[3];
    if (colours > room)
        for (int k = 0; k < 3; ++k)
            inks[static_cast<std::size_t>(k)] *= room / colours;
}

constexpr double kHoldBlack = 900;  // how firmly black keeps to its share: squared dE per squared ink

/// One damped step of Gauss and Newton towards the wanted colour.
Inks nearer(const InkPaper& paper, const Inks& inks, const Lab& wanted, double black, double damping)
{
    const Lab here = paper.relativeLab(inks);
    double slope[3][4], system[4][5] = {};
    for (std::size_t k = 0; k < 4; ++k) {
        Inks moved = inks;
        const double h = moved[k] < 0.5 ? 1e-4 : -1e-4;
        moved[k] += h;
        const Lab there = paper.relativeLab(moved);
        slope[0][k] = (there.l - here.l) / h, slope[1][k] = (there.a - here.a) / h,
        slope[2][k] = (there.b - here.b) / h;
    }
    const double left[3] = {wanted.l - here.l, wanted.a - here.a, wanted.b - here.b};
    for (int i = 0; i < 4; ++i) {
        for (int r = 0; r < 3; ++r) {
            for (int j = 0; j < 4; ++j)
                system[i][j] += slope[r][i] * slope[r][j];
            system[i][4] += slope[r][i] * left[r];
        }
        system[i][i] += damping * 40;
    }
    system[3][3] += kHoldBlack;
    system[3][4] += kHoldBlack * (black - inks[3]);
    solve(system);
    Inks next = inks;
    for (std::size_t k = 0; k < 4; ++k)
        next[k] += system[k][4];
    keepWithin(next, paper.inkLimit);
    return next;
}

}  // namespace

Xyz InkPaper::printed(const Inks& inks) const
{
    double area[4], sum[3] = {};
    for (std::size_t k = 0; k < 4; ++k)
        area[k] = inks[k] + 4 * spread * inks[k] * (1 - inks[k]);
    for (unsigned p = 0; p < 16; ++p) {
        double weight = 1, colour[3] = {paper.x, paper.y, paper.z};
        int layers = 0;
        for (unsigned k = 0; k < 4; ++k) {
            const bool inked = p >> k & 1u;
            weight *= inked ? area[k] : 1 - area[k];
            if (inked) {
                for (int i = 0; i < 3; ++i)
                    colour[i] *= std::pow(through[k][i], layers == 0 ? 1 : kTrapping);
                ++layers;
            }
        }
        for (int i = 0; i < 3; ++i)
            sum[i] += weight * std::pow(colour[i], 1 / kYuleNielsen);
    }
    return {std::pow(sum[0], kYuleNielsen), std::pow(sum[1], kYuleNielsen), std::pow(sum[2], kYuleNielsen)};
}

Lab InkPaper::relativeLab(const Inks& inks) const
{
    const Xyz c = printed(inks);
    return toLab(Xyz{c.x / paper.x * 0.9642, c.y / paper.y, c.z / paper.z * 0.8249});
}

Inks InkPaper::inksFor(const Lab& wanted) const
{
    const double black = std::clamp(std::pow(std::max(0.0, (62 - wanted.l) / 62), 1.6), 0.0, 0.92) *
                         std::clamp(1.15 - std::hypot(wanted.a, wanted.b) / 90, 0.25, 1.0);
    const auto distance = [&](const Inks& inks) {
        const Lab lab = relativeLab(inks);
        return std::pow(lab.l - wanted.l, 2) + std::pow(lab.a - wanted.a, 2) + std::pow(lab.b - wanted.b, 2) +
               kHoldBlack * std::pow(inks[3] - black, 2);
    };
    Inks best{};
    double bestDistance = 1e30;
    for (const Inks& start : {Inks{0.2, 0.2, 0.2, black}, Inks{0.7, 0.3, 0.3, black}, Inks{0.2, 0.7, 0.5, black}}) {
        Inks inks = start;
        double now = distance(inks), damping = 1;
        for (int step = 0; step < 40; ++step) {
            const Inks next = nearer(*this, inks, wanted, black, damping);
            if (const double there = distance(next); there < now) {
                inks = next, now = there, damping *= 0.4;
            } else if ((damping *= 4) > 1e6) {
                break;
            }
        }
        if (now < bestDistance)
            best = inks, bestDistance = now;
    }
    return best;
}

}  // namespace amber::demo
