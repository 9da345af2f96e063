// Split toning: dyes along the tone axis.
//
// A dye at position p with reach R has the weight w = (1 - u^2)^2, u = |L - p - balance| / R, for u < 1, else 0.
// The tint at lightness L is the weighted mean of the dyes' (a, b) times g(W), W = sum of the weights:
//   g(W) = W for W <= 1, else 1 + (W - 1) / (1 + 4 (W - 1))
// so one dye lands with exactly its chroma and dyes in one place deepen one another by at most a quarter. The tint is
// C1 in L. It is added to OKLab a, b. L is held, or, when asked, multiplied by (1 - |tint|), as chroma costs light in a
// print. Unless the ends are tinted, the tint fades to nothing over the last 0.12 before black and before white
// (smoothstep). L is limited to 0..1 for the weights.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/look/steps/json_fields.h"

#include <string>

namespace amber {

struct Dye {
    double position = 0.5;   ///< on the tone axis, 0..1
    double hueDegrees = 60;  ///< OKLCh hue
    double chroma = 0;       ///< OKLCh chroma, 0..0.3
    double reach = 0.4;      ///< half width on the tone axis, 0.05..1.5
    std::string unknownFields;
    bool operator==(const Dye&) const = default;
};

struct SplitToning {
    static constexpr const char* kType = "split-toning";
    enum class Lock { None, Complement, Split, Analogous, Triad };

    std::vector<Dye> dyes{{0.25, 250, 0, 0.45, {}}, {0.8, 70, 0, 0.45, {}}};
    double balance = 0;  ///< slides all dyes along the axis, -0.5..0.5
    Lock lock = Lock::None;
    bool holdLightness = true;
    bool tintBlack = false;
    bool tintWhite = false;
    std::string unknownFields;
    bool operator==(const SplitToning&) const = default;
};

inline constexpr std::size_t kDyeLimit = 12;

Status validate(const SplitToning& step, const std::string& where);
bool isIdentity(const SplitToning& step);
LinearRgb evaluate(const SplitToning& step, const LinearRgb& c);
/// The tint (a, b) that a colour of lightness L receives; .L is unused.
OkLab tintAt(const SplitToning& step, double L);
/// The hues with the lock applied: the dye `leader` keeps its hue, the others follow in their order (complement +180 in
/// turn; split +150, +210; analogous +30, -30; triad +120, +240).
void applyLock(SplitToning& step, std::size_t leader);
Json toJson(const SplitToning& step);
template <>
Result<SplitToning> parse(const Json& json, const std::string& where);

/// Width of the fade of the tint before black and white.
inline constexpr double kTintEnd = 0.12;

}  // namespace amber
