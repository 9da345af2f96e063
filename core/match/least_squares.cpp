#include "core/match/least_squares.h"

#include "core/base/parallel.h"

#include <algorithm>
#include <ceres/ceres.h>

namespace amber {
namespace {

class NumericCost : public ceres::CostFunction {
public:
    NumericCost(const LeastSquares& problem, const std::vector<double>& start) : m_problem(problem)
    {
        set_num_residuals(static_cast<int>(problem.residuals(start).size()));
        mutable_parameter_block_sizes()->push_back(static_cast<int>(start.size()));
    }

    bool Evaluate(double const* const* parameters, double* residuals, double** jacobians) const override
    {
        const auto count = static_cast<std::size_t>(parameter_block_sizes()[0]);
        const std::vector<double> x(parameters[0], parameters[0] + count);
        const std::vector<double> here = m_problem.residuals(x);
        std::copy(here.begin(), here.end(), residuals);
        if (!jacobians || !jacobians[0])
            return true;
        inParallel(count, [&](std::size_t k) {
            std::vector<double> y = x;
            y[k] += m_problem.step;
            const std::vector<double> there = m_problem.residuals(y);
            for (std::size_t i = 0; i < here.size(); ++i)
                jacobians[0][i * count + k] = (there[i] - here[i]) / m_problem.step;
        });
        return true;
    }

private:
    const LeastSquares& m_problem;
};

class Stop : public ceres::IterationCallback {
public:
    Stop(const CancelToken& cancel, double enough) : m_cancel(cancel), m_enough(enough) {}
    ceres::CallbackReturnType operator()(const ceres::IterationSummary& now) override
    {
        return m_cancel.isCancelled()    ? ceres::SOLVER_ABORT
               : 2 * now.cost < m_enough ? ceres::SOLVER_TERMINATE_SUCCESSFULLY
                                         : ceres::SOLVER_CONTINUE;
    }

private:
    const CancelToken& m_cancel;
    double m_enough;
};

}  // namespace

void solveLeastSquares(const LeastSquares& problem, std::vector<double>& x, const CancelToken& cancel)
{
    if (x.empty())
        return;
    ceres::Problem ceresProblem;
    ceresProblem.AddResidualBlock(new NumericCost(problem, x), nullptr, x.data());
    Stop stop(cancel, problem.enough);
    ceres::Solver::Options options;
    options.max_num_iterations = problem.iterations;
    options.linear_solver_type = ceres::DENSE_NORMAL_CHOLESKY;
    options.logging_type = ceres::SILENT;
    options.function_tolerance = 1e-5;
    options.num_threads = 1;
    options.callbacks.push_back(&stop);
    ceres::Solver::Summary summary;
    ceres::Solve(options, &ceresProblem, &summary);
}

}  // namespace amber
