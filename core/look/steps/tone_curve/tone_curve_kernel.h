// What the fast engine needs of a tone curve, prepared once per change.
#pragma once

#include "core/look/steps/kernel_domain.h"
#include "core/look/steps/tone_curve/tone_curve.h"

namespace amber {

/// Cubics of one curve as planes of floats.
struct CurveKernel {
    std::vector<float> begin, c0, c1, c2, c3;
    bool isStraight = true;

    CurveKernel() = default;
    explicit CurveKernel(const ToneCurve::Points& points)
    {
        isStraight = std::all_of(points.begin(), points.end(), [](const CurvePoint& p) { return p.x == p.y; });
        const MonotoneCurve curve(points);
        for (const auto& s : curve.segments()) {
            begin.push_back(static_cast<float>(s.begin));
            c0.push_back(static_cast<float>(s.c0)), c1.push_back(static_cast<float>(s.c1));
            c2.push_back(static_cast<float>(s.c2)), c3.push_back(static_cast<float>(s.c3));
        }
    }
};

struct ToneCurveKernel {
    bool lightnessOnly;
    CurveKernel all, channels[3];

    bool hasChannels() const { return !(channels[0].isStraight && channels[1].isStraight && channels[2].isStraight); }
    /// Channels are moved as roots, lightness alone in OKLab; both together begin and end in RGB.
    Domain domain() const { return !lightnessOnly ? Domain::Roots : hasChannels() ? Domain::Rgb : Domain::OkLab; }

    explicit ToneCurveKernel(const ToneCurve& step)
        : lightnessOnly(step.mode == ToneCurve::Mode::LightnessOnly),
          all(step.all), channels{CurveKernel(step.red), CurveKernel(step.green), CurveKernel(step.blue)}
    {
    }
};

inline ToneCurveKernel kernelOf(const ToneCurve& step) { return ToneCurveKernel(step); }

}  // namespace amber
