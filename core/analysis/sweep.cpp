#include "core/analysis/sweep.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr double kMid = 0.5646;  // cbrt(0.18)
constexpr int kHalvings = 24;

bool isValid(const Step& step)
{
    Look look;
    look.steps.push_back(step);
    return validate(look).has_value();
}

/// Adds degrees to every hue a step holds. False when it holds none.
bool turnHues(StepParameters& parameters, double degrees)
{
    return std::visit(
        [&]<class T>(T& s) {
            if constexpr (std::is_same_v<T, SplitToning>) {
                for (Dye& dye : s.dyes)
                    dye.hueDegrees = wrapDegrees(dye.hueDegrees + degrees);
                return true;
            } else if constexpr (std::is_same_v<T, HueShifts>) {
                for (HueFamily& f : s.families)
                    f.move.turnDegrees = hueDifference(0, wrapDegrees(f.move.turnDegrees + degrees));
                return true;
            } else if constexpr (std::is_same_v<T, Chroma>) {
                s.shelterHue = wrapDegrees(s.shelterHue + degrees);
                return true;
            } else if constexpr (std::is_same_v<T, Wash>) {
                for (auto& stop : s.stops)
                    stop.hue = wrapDegrees(stop.hue + degrees);
                return true;
            } else {
                return false;
            }
        },
        parameters);
}

/// An S through mid-grey with this slope there, ends held.
ToneCurve::Points sCurve(double slope)
{
    ToneCurve::Points points;
    Contrast contrast;
    contrast.slope = slope, contrast.pivot = kMid;
    for (double x : {0.0, 0.15, 0.35, kMid, 0.78, 0.92, 1.0})
        points.push_back({x, std::clamp(toneAt(contrast, x), 0.0, 1.0)});
    return points;
}

}  // namespace

std::optional<Step> withNumber(const Step& step, const std::string& pointer, double value)
{
    Step result = step;
    if (pointer.empty()) {
        result.strength = value;
        return value >= 0 && value <= 2 ? std::optional(result) : std::nullopt;
    }
    Json parameters = parametersOf(step);
    const Json::json_pointer place(pointer);
    if (!parameters.contains(place) || !parameters[place].is_number())
        return std::nullopt;
    parameters[place] = value;
    auto fresh = withParameters(step, parameters);
    if (!fresh)
        return std::nullopt;
    result.parameters = std::move(*fresh);
    return isValid(result) ? std::optional(result) : std::nullopt;
}

std::pair<double, double> limitsOf(const Step& step, const std::string& pointer)
{
    if (pointer.empty())
        return {0, 2};
    const Json parameters = parametersOf(step);
    const Json::json_pointer place(pointer);
    if (!parameters.contains(place) || !parameters[place].is_number())
        return {0, 0};
    const double here = parameters[place].get<double>();
    const auto reach = [&](double way) {
        double good = here, bad = here + way * 512;
        for (int i = 0; i < 2 * kHalvings; ++i) {
            const double middle = (good + bad) / 2;
            (withNumber(step, pointer, middle) ? good : bad) = middle;
        }
        const double rounded = std::round(good * 1e4) / 1e4;
        return withNumber(step, pointer, rounded) ? rounded : good;
    };
    return {reach(-1), reach(1)};
}

std::vector<SweepWay> sweepWaysOf(const Step& step)
{
    std::vector<SweepWay> ways{{SweepWay::Kind::Strength}};
    StepParameters probe = step.parameters;
    if (turnHues(probe, 10))
        ways.push_back({SweepWay::Kind::Hue});
    if (std::holds_alternative<ToneCurve>(step.parameters)) {
        ways.push_back({SweepWay::Kind::Curve});
        return ways;
    }
    if (std::holds_alternative<UnknownStep>(step.parameters))
        return ways;
    const Json all = parametersOf(step).flatten();
    for (const auto& [pointer, value] : all.items())
        if (value.is_number() && pointer.find("/table") != 0)
            ways.push_back({SweepWay::Kind::Parameter, pointer});
    return ways;
}

std::pair<double, double> sweepRange(const Step& step, const SweepWay& way)
{
    switch (way.kind) {
    case SweepWay::Kind::Strength:
        return {0, 1.5};
    case SweepWay::Kind::Hue:
        return {0, 360};
    case SweepWay::Kind::Curve:
        return {0.6, 2};
    case SweepWay::Kind::Parameter:
        return limitsOf(step, way.pointer);
    }
    return {0, 1};
}

std::optional<Look> swept(const Look& look, std::size_t index, const SweepWay& way, double value)
{
    if (index >= look.steps.size())
        return std::nullopt;
    Look result = look;
    Step& step = result.steps[index];
    step.enabled = true;
    switch (way.kind) {
    case SweepWay::Kind::Strength:
        step.strength = value;
        break;
    case SweepWay::Kind::Hue:
        if (!turnHues(step.parameters, value))
            return std::nullopt;
        break;
    case SweepWay::Kind::Curve:
        if (auto* curve = std::get_if<ToneCurve>(&step.parameters))
            curve->all = sCurve(value);
        else
            return std::nullopt;
        break;
    case SweepWay::Kind::Parameter:
        if (auto fresh = withNumber(step, way.pointer, value))
            step = std::move(*fresh);
        else
            return std::nullopt;
        break;
    }
    return validate(result) ? std::optional(result) : std::nullopt;
}

std::vector<double> sweepValues(const SweepWay& way, double low, double high, int count)
{
    const bool round = way.kind == SweepWay::Kind::Hue && high - low >= 360;
    std::vector<double> values;
    for (int i = 0; i < count; ++i)
        values.push_back(low + (high - low) * i / std::max(1, round ? count : count - 1));
    return values;
}

double strengthForChange(const Step& step, const std::vector<LinearRgb>& colours, double wanted)
{
    Step tried = step;
    tried.enabled = true;
    const auto change = [&](double strength) {
        tried.strength = strength;
        double sum = 0;
        for (const LinearRgb& c : colours)
            sum += ciede2000(c, evaluate(tried, c));
        return sum / static_cast<double>(std::max<std::size_t>(1, colours.size()));
    };
    double low = 0, high = 2;
    if (change(high) < wanted)
        return high;
    while (high - low > 5e-4)
        (change((low + high) / 2) < wanted ? low : high) = (low + high) / 2;
    return (low + high) / 2;
}

double nextNoticeable(const Look& look, std::size_t index, const std::string& pointer, bool up,
                      const std::vector<LinearRgb>& colours)
{
    const Step& step = look.steps[index];
    const double here = pointer.empty() ? step.strength : parametersOf(step)[Json::json_pointer(pointer)].get<double>();
    const auto [low, high] = limitsOf(step, pointer);
    const double end = up ? high : low;
    std::vector<Lab> now;
    for (const LinearRgb& c : colours)
        now.push_back(toLab(evaluate(look, c)));
    const auto change = [&](double value) {
        Look tried = look;
        if (auto fresh = withNumber(step, pointer, value))
            tried.steps[index] = std::move(*fresh);
        double most = 0;
        for (std::size_t i = 0; i < colours.size(); ++i)
            most = std::max(most, ciede2000(now[i], toLab(evaluate(tried, colours[i]))));
        return most;
    };
    if (change(end) <= 1)
        return end;
    double good = 0, bad = 1;  // shares of the way to the end
    for (int i = 0; i < kHalvings; ++i) {
        const double middle = (good + bad) / 2;
        (change(here + middle * (end - here)) <= 1 ? good : bad) = middle;
    }
    return here + good * (end - here);
}

}  // namespace amber
