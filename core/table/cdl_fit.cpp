#include "core/table/cdl_fit.h"

#include <Eigen/Dense>
#include <algorithm>

namespace amber {
namespace {

constexpr int kNumbers = 10, kRounds = 200;

Cdl cdlOf(const Eigen::VectorXd& p)
{
    Cdl cdl;
    for (int k = 0; k < 3; ++k) {
        const auto i = static_cast<std::size_t>(k);
        cdl.slope[i] = std::clamp(p[k], 0.0, 8.0), cdl.offset[i] = std::clamp(p[3 + k], -2.0, 2.0),
        cdl.power[i] = std::clamp(p[6 + k], 0.1, 8.0);
    }
    cdl.saturation = std::clamp(p[9], 0.0, 8.0);
    return cdl;
}

Eigen::VectorXd residuals(const Cdl& cdl, const std::vector<EncodedRgb>& inputs, const std::vector<EncodedRgb>& outputs)
{
    Eigen::VectorXd r(static_cast<Eigen::Index>(3 * inputs.size()));
    for (std::size_t i = 0; i < inputs.size(); ++i) {
        const EncodedRgb v = evaluate(cdl, inputs[i]);
        const auto at = static_cast<Eigen::Index>(3 * i);
        r[at] = v.r - outputs[i].r, r[at + 1] = v.g - outputs[i].g, r[at + 2] = v.b - outputs[i].b;
    }
    return r;
}

}  // namespace

Cdl fitCdl(const std::vector<EncodedRgb>& inputs, const std::vector<EncodedRgb>& outputs)
{
    Eigen::VectorXd p(kNumbers);
    p << 1, 1, 1, 0, 0, 0, 1, 1, 1, 1;
    Eigen::VectorXd r = residuals(cdlOf(p), inputs, outputs);
    double damping = 1e-3;
    for (int round = 0; round < kRounds && damping < 1e8; ++round) {
        constexpr double kStep = 1e-5;
        Eigen::MatrixXd slopes(r.size(), kNumbers);
        for (int k = 0; k < kNumbers; ++k) {
            Eigen::VectorXd up = p, down = p;
            up[k] += kStep, down[k] -= kStep;
            slopes.col(k) =
                (residuals(cdlOf(up), inputs, outputs) - residuals(cdlOf(down), inputs, outputs)) / (2 * kStep);
        }
        const Eigen::MatrixXd normal = slopes.transpose() * slopes;
        const Eigen::VectorXd gradient = slopes.transpose() * r;
        bool better = false;
        for (int attempt = 0; attempt < 12 && !better; ++attempt) {
            Eigen::MatrixXd damped = normal;
            damped.diagonal() += damping * (normal.diagonal().array() + 1e-9).matrix();
            const Eigen::VectorXd next = p - damped.ldlt().solve(gradient),
                                  there = residuals(cdlOf(next), inputs, outputs);
            better = there.squaredNorm() < r.squaredNorm();
            if (better) {
                const bool still = r.squaredNorm() - there.squaredNorm() < 1e-12 * r.squaredNorm();
                p = next, r = there;
                damping = std::max(damping / 5, 1e-9);
                if (still)
                    return cdlOf(p);
            } else {
                damping *= 4;
            }
        }
        if (!better)
            break;
    }
    return cdlOf(p);
}

}  // namespace amber
