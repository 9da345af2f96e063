#include "core/frame/light_plan.h"

#include "core/base/parallel.h"
#include "core/colour/rgb_space.h"
#include "core/frame/light_kernel.h"
#include "core/frame/placement.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

struct CurveValues {
    std::vector<float> values;
    double top = 1, slope = 1;

    template <class Curve>
    void fill(double highest, const Curve& curve)
    {
        constexpr auto kSize = static_cast<std::size_t>(CurveTable::kSize);
        top = highest;
        values.resize(kSize + 2);
        for (std::size_t i = 0; i <= kSize; ++i) {
            const double t = static_cast<double>(i) / kSize;
            values[i] = static_cast<float>(curve(top * t * t * t));
        }
        values[kSize + 1] = values[kSize];
        slope = (curve(top * 1.001) - curve(top)) / (top * 0.001);
    }
    CurveTable table() const
    {
        return {values.empty() ? nullptr : values.data(), static_cast<float>(top), static_cast<float>(slope)};
    }
};

}  // namespace

struct LightPlan::State {
    LightNumbers numbers;
    CurveValues toScene, toPicture;
    bool isIdentity = false;
};

LightPlan::LightPlan(const Balance& light, const Response& response, double black, double white, bool dims)
    : m_state(std::make_unique<State>())
{
    State& s = *m_state;
    const bool lit = !light.isIdentity() || dims, curved = lit && !response.isIdentity();
    s.isIdentity = !lit && black == 0 && white == 1;
    if (curved) {
        // Scene light is tabled up to what a picture's white came from, and half a stop on.
        s.toScene.fill(1.2, [&](double v) { return response.toScene(v); });
        s.toPicture.fill(response.toScene(1.0) * 1.4, [&](double v) { return response.toPicture(v); });
    }
    s.numbers.toScene = s.toScene.table(), s.numbers.toPicture = s.toPicture.table();
    // One matrix between the two curves: into and out of linear sRGB, whose channels the response is of, belongs to it.
    const Matrix3 in = fromWorking(RgbSpace::Srgb), out = toWorking(RgbSpace::Srgb);
    copyMatrix(s.numbers.before, in), copyMatrix(s.numbers.after, out);
    copyMatrix(s.numbers.middle, curved ? in * balanceMatrix(light) * out : balanceMatrix(light));
    s.numbers.black = static_cast<float>(black);
    s.numbers.scale = static_cast<float>(1 / (white - black));
}

LightPlan::~LightPlan() = default;

bool LightPlan::isIdentity() const { return m_state->isIdentity; }

void LightPlan::run(const float* gains, int count, float* rgb) const
{
    if (!m_state->isIdentity)
        lightRow(m_state->numbers, gains, count, rgb);
}

void LightPlan::run(MutableImageView rows, const Placement* placement, int firstRow) const
{
    if (m_state->isIdentity)
        return;
    const bool dims = placement && placement->dims();
    inParallel(rows.height, [&](int y) {
        std::vector<float> gains(dims ? static_cast<std::size_t>(rows.width) : 0);
        if (dims)
            placement->gains(firstRow + y, gains.data());
        run(dims ? gains.data() : nullptr, rows.width, rows.row(y));
    });
}

}  // namespace amber
