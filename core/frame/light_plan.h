// The light and the ends of one frame, made ready for many pixels: picture light to scene light by the response, what
// the lens took from it given back, exposure and white, and forward again; then the ends.
#pragma once

#include "core/frame/balance.h"

#include <memory>

namespace amber {

class Placement;

class LightPlan {
public:
    /// `black` becomes 0 and `white` becomes 1, in picture light. `dims`: gains will be given.
    LightPlan(const Balance& light, const Response& response, double black, double white, bool dims);
    ~LightPlan();
    LightPlan(const LightPlan&) = delete;
    LightPlan& operator=(const LightPlan&) = delete;
    bool isIdentity() const;
    /// In place; `gains`, one per pixel, multiply scene light and may be null. To 1e-4 of the exact response, whose
    /// ends it continues.
    void run(const float* gains, int count, float* rgb) const;
    /// Rows of the finished picture from `firstRow` on, shared out over the cores; gains come from `placement`.
    void run(MutableImageView rows, const Placement* placement, int firstRow) const;

private:
    struct State;
    std::unique_ptr<State> m_state;
};

}  // namespace amber
