// Tone curve: points on the tone axis, joined by a monotone cubic.
//
// The axis is the signed cube root of linear light (for a neutral, OKLab L), so that equal steps look about equal.
// Mode every channel: each linear channel c of the working space becomes (f_c(f_all(cbrt c)))^3; contrast raises
// chroma. Mode lightness only: OKLab L becomes f_all(L), a and b are held, then f_red, f_green and f_blue act on the
// channels as above.
#pragma once

#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/look/steps/json_fields.h"
#include "core/look/steps/tone_curve/monotone_curve.h"

#include <string>

namespace amber {

struct ToneCurve {
    static constexpr const char* kType = "tone-curve";
    using Points = std::vector<CurvePoint>;
    enum class Mode { EveryChannel, LightnessOnly };

    Mode mode = Mode::EveryChannel;
    Points all{{0, 0}, {1, 1}};
    Points red{{0, 0}, {1, 1}};
    Points green{{0, 0}, {1, 1}};
    Points blue{{0, 0}, {1, 1}};
    std::string unknownFields;
    bool operator==(const ToneCurve&) const = default;
};

inline constexpr std::size_t kCurvePointLimit = 24;
/// Closest two points may come along the axis.
inline constexpr double kCurveGap = 0.002;

Status validate(const ToneCurve& step, const std::string& where);
bool isIdentity(const ToneCurve& step);
LinearRgb evaluate(const ToneCurve& step, const LinearRgb& c);
Json toJson(const ToneCurve& step);
template <>
Result<ToneCurve> parse(const Json& json, const std::string& where);

/// What a curve does, as numbers on the tone axis.
struct ToneCurveReadout {
    double floor;     ///< where black (0) lands: the fade
    double ceiling;   ///< where white (1) lands
    double midSlope;  ///< slope at mid-grey (cbrt 0.18)
    double toe;       ///< slope at 0.1
    double rollOff;   ///< slope at 0.9
};
ToneCurveReadout readout(const ToneCurve::Points& points);

}  // namespace amber
