#include "core/match/place_fit.h"

#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/oklab.h"
#include "core/engine/render_plan.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <vector>

namespace amber {
namespace {

std::vector<OkLab> labsOf(ImageView picture)
{
    std::vector<OkLab> labs(static_cast<std::size_t>(picture.width) * static_cast<std::size_t>(picture.height));
    inParallel(picture.height, [&](int y) {
        const float* p = picture.row(y);
        OkLab* out = labs.data() + static_cast<std::ptrdiff_t>(y) * picture.width;
        for (int x = 0; x < picture.width; ++x, p += 3)
            out[x] = toOkLab(
                LinearRgb{std::clamp(p[0], 0.0f, 1.0f), std::clamp(p[1], 0.0f, 1.0f), std::clamp(p[2], 0.0f, 1.0f)});
    });
    return labs;
}

/// Cells of colour: what happens to all of one is no matter of place.
class Cells {
public:
    explicit Cells(const std::vector<OkLab>& colours)
    {
        const auto step = [](double v, double low, double high) {
            return std::clamp(static_cast<int>(kSteps * (v - low) / (high - low)), 0, kSteps - 1);
        };
        for (const OkLab& c : colours)
            m_of.push_back((step(c.L, 0, 1) * kSteps + step(c.a, -0.2, 0.2)) * kSteps + step(c.b, -0.2, 0.2));
    }
    /// Each value less the mean of its cell.
    std::vector<double> without(std::vector<double> values) const
    {
        std::vector<double> sum(kSteps * kSteps * kSteps, 0), count(sum.size(), 0);
        for (std::size_t i = 0; i < values.size(); ++i)
            sum[static_cast<std::size_t>(m_of[i])] += values[i], ++count[static_cast<std::size_t>(m_of[i])];
        for (std::size_t i = 0; i < values.size(); ++i)
            values[i] -= sum[static_cast<std::size_t>(m_of[i])] / count[static_cast<std::size_t>(m_of[i])];
        return values;
    }

private:
    static constexpr int kSteps = 24;
    std::vector<int> m_of;
};

std::vector<double> lightChange(const std::vector<OkLab>& from, const std::vector<OkLab>& to)
{
    std::vector<double> change;
    for (std::size_t i = 0; i < from.size(); ++i)
        change.push_back(to[i].L - from[i].L);
    return change;
}

double product(const std::vector<double>& a, const std::vector<double>& b)
{
    double sum = 0;
    for (std::size_t i = 0; i < a.size(); ++i)
        sum += a[i] * b[i];
    return sum;
}

template <class Parameters>
Image under(const Parameters& parameters, ImageView picture)
{
    Look look;
    look.steps.emplace_back();
    look.steps.back().parameters = parameters;
    Image out(picture.width, picture.height);
    if (const auto plan = RenderPlan::compile(look))
        render(*plan, picture, out.mutableView());
    return out;
}

/// Deviation of OKLab L from pixel to pixel, at the picture's own size and halved.
struct Fine {
    double own = 0, halved = 0;
};

/// A tone for each pixel.
struct Tones {
    int width = 0, height = 0;
    std::vector<double> L;
    double at(int x, int y) const { return L[static_cast<std::size_t>(y) * width + x]; }
};

Tones halved(const Tones& tones)
{
    Tones out{tones.width / 2, tones.height / 2, {}};
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x)
            out.L.push_back((tones.at(2 * x, 2 * y) + tones.at(2 * x + 1, 2 * y) + tones.at(2 * x, 2 * y + 1) +
                             tones.at(2 * x + 1, 2 * y + 1)) /
                            4);
    return out;
}

/// The deviation of what passes no plane, in the blocks that are evenest before the treatment (a third of them).
/// Nothing where even these hold half as much of their own: it may be texture made stronger.
double deviation(const Tones& of, const Tones& plain)
{
    constexpr int kBlock = 10;
    constexpr double kDark = 0.25, kLight = 0.9;
    std::vector<std::pair<double, double>> blocks;  // variance before, and of what is asked
    const auto fine = [](const Tones& t, int x, int y) {
        const double d = t.at(x, y) - t.at(x - 1, y) - t.at(x, y - 1) + t.at(x - 1, y - 1);
        return d * d / 4;
    };
    for (int v = 0; v + kBlock <= plain.height; v += kBlock)
        for (int u = 0; u + kBlock <= plain.width; u += kBlock) {
            double before = 0, asked = 0, mean = 0;
            for (int y = v + 1; y < v + kBlock; ++y)
                for (int x = u + 1; x < u + kBlock; ++x)
                    before += fine(plain, x, y), asked += fine(of, x, y), mean += plain.at(x, y);
            constexpr double kCount = (kBlock - 1) * (kBlock - 1);
            if (mean / kCount > kDark && mean / kCount < kLight)
                blocks.emplace_back(before / kCount, asked / kCount);
        }
    constexpr std::size_t kLeast = 12;
    if (blocks.size() < 3 * kLeast)
        return 0;
    std::sort(blocks.begin(), blocks.end());
    blocks.resize(blocks.size() / 3);
    std::vector<double> own, all;
    for (const auto& block : blocks)
        own.push_back(block.first), all.push_back(block.second);
    constexpr double kTexture = 0.5;
    const double found = std::sqrt(median(all));
    return std::sqrt(median(own)) < kTexture * found ? found : 0;
}

Fine fineOf(const Tones& change, const Tones& plain)
{
    return {deviation(change, plain), deviation(halved(change), halved(plain))};
}

Tones tonesOf(ImageView picture)
{
    Tones tones{picture.width, picture.height, {}};
    for (const OkLab& c : labsOf(picture))
        tones.L.push_back(c.L);
    return tones;
}

Tones changeOf(const Tones& from, const Tones& to)
{
    Tones change = to;
    for (std::size_t i = 0; i < change.L.size(); ++i)
        change.L[i] -= from.L[i];
    return change;
}

}  // namespace

namespace {

/// What becomes of L besides what becomes of its colour, against the same of steps on trial.
class BesidesColour {
public:
    BesidesColour(ImageView coloured, ImageView after)
        : m_coloured(coloured), m_from(labsOf(coloured)), m_cells(m_from),
          m_left(m_cells.without(lightChange(m_from, labsOf(after))))
    {
    }
    double whole() const { return product(m_left, m_left); }

    template <class Parameters>
    struct Trial {
        Parameters step;
        double explained = 0;
    };
    /// The step with its amount by least squares from the one it has.
    template <class Parameters>
    Trial<Parameters> tried(Parameters step, double least, double most) const
    {
        const std::vector<double> detail = m_cells.without(lightChange(m_from, labsOf(under(step, m_coloured).view())));
        const double square = product(detail, detail), along = product(m_left, detail);
        if (square <= 0)
            return {step, 0};
        step.amount = std::clamp(step.amount * along / square, least, most);
        return {step, along * along / square};
    }
    /// The best of several.
    template <class Parameters>
    Trial<Parameters> best(const std::vector<Parameters>& steps, double least, double most) const
    {
        std::vector<Trial<Parameters>> trials(steps.size());
        inParallel(steps.size(), [&](std::size_t i) { trials[i] = tried(steps[i], least, most); });
        return *std::max_element(trials.begin(), trials.end(),
                                 [](const auto& p, const auto& q) { return p.explained < q.explained; });
    }

private:
    ImageView m_coloured;
    std::vector<OkLab> m_from;
    Cells m_cells;
    std::vector<double> m_left;
};

}  // namespace

std::optional<LocalContrast> fittedLocalContrast(ImageView coloured, ImageView after)
{
    constexpr double kLeast = 0.1, kWorth = 0.1, kMost = 1.5;
    const BesidesColour besides(coloured, after);
    std::vector<LocalContrast> steps;
    for (const double size : {1, 2, 3, 5, 8}) {
        steps.emplace_back();
        steps.back().amount = 0.5, steps.back().size = size;
    }
    const auto best = besides.best(steps, -1, kMost);
    if (best.explained <= kWorth * besides.whole() || std::abs(best.step.amount) < kLeast)
        return std::nullopt;
    return best.step;
}

std::optional<OutputSharpening> fittedSharpening(ImageView coloured, ImageView after)
{
    constexpr double kLeast = 0.15, kWorth = 1.0 / 30, kMost = 3;
    const BesidesColour besides(coloured, after);
    std::vector<OutputSharpening> steps;
    for (const double radius : {0.4, 0.7, 1.0, 1.5, 2.2}) {
        steps.emplace_back();
        steps.back().amount = 0.7, steps.back().radius = radius;
    }
    auto best = besides.best(steps, 0, kMost);
    if (best.step.amount < kLeast)
        return std::nullopt;
    best = besides.tried(best.step, 0, kMost);
    if (best.explained <= kWorth * besides.whole() || best.step.amount < kLeast)
        return std::nullopt;
    return best.step;
}

std::optional<Grain> fittedGrain(ImageView coloured, ImageView after)
{
    constexpr int kSmallest = 1000;
    constexpr double kFile = 0.006, kTrial = 0.04;
    if (std::max(coloured.width, coloured.height) < kSmallest)
        return std::nullopt;
    const Tones plain = tonesOf(coloured);
    const Fine fine = fineOf(changeOf(plain, tonesOf(after)), plain);
    if (fine.own < kFile)
        return std::nullopt;
    std::optional<Grain> best;
    double nearest = 0;
    for (const double size : {0.3, 0.5, 0.8, 1.2, 2.0}) {
        Grain grain;
        grain.amount = kTrial, grain.size = size;
        const Fine trial = fineOf(changeOf(plain, tonesOf(under(grain, coloured).view())), plain);
        if (trial.own <= 0 || trial.halved <= 0 || fine.halved <= 0)
            continue;
        const double off = std::abs(std::log((trial.halved / trial.own) / (fine.halved / fine.own)));
        grain.amount = std::clamp(kTrial * fine.own / trial.own, 0.0, 0.12);
        if (!best || off < nearest)
            best = grain, nearest = off;
    }
    return best;
}

}  // namespace amber
