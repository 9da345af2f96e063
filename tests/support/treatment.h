// Looks as artists make them, by seed.
#pragma once

#include "tests/support/random_look.h"

namespace amber::test {

/// A treatment as artists make them: of one to three kinds of step, none to its end.
inline Look treatment(std::uint64_t seed)
{
    Random random(seed);
    Look look;
    const auto add = [&](StepParameters p) {
        Step step;
        step.parameters = std::move(p);
        look.steps.push_back(std::move(step));
    };
    if (random.flip()) {
        ToneCurve curve;
        const double floor = random.between(0, 0.1), low = random.between(-0.06, 0.04),
                     high = random.between(-0.04, 0.06);
        curve.all = {{0, floor}, {0.3, 0.3 + low}, {0.7, 0.7 + high}, {1, random.between(0.9, 1)}};
        curve.mode = random.flip() ? ToneCurve::Mode::EveryChannel : ToneCurve::Mode::LightnessOnly;
        add(curve);
    }
    if (random.flip()) {
        Primaries p;
        p.redTurn = random.between(-8, 8), p.blueTurn = random.between(-8, 8),
        p.greenPurity = random.between(0.85, 1.15);
        add(p);
    }
    if (random.flip()) {
        HueShifts hues;
        for (HueFamily& family : hues.families)
            if (random.flip())
                family.move = {random.between(-15, 15), random.between(0.7, 1.3), random.between(-0.04, 0.04)};
        add(hues);
    }
    SplitToning tint;
    tint.dyes = {{random.between(0.1, 0.4), random.between(0, 360), random.between(0, 0.04), 0.45, {}},
                 {random.between(0.6, 0.95), random.between(0, 360), random.between(0.01, 0.05), 0.45, {}}};
    add(tint);
    return look;
}

}  // namespace amber::test
