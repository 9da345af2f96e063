// The response of a camera's own rendering: how scene light became the light of the picture file, one rising curve for
// the three channels of linear sRGB. Recovered from frames of one thing at known exposures (P. Debevec, J. Malik,
// SIGGRAPH 1997: least squares on the log of light with a smoothness term), so that exposure and white can be corrected
// as the camera would have.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"

#include <array>
#include <vector>

namespace amber {

class Response {
public:
    static constexpr int kKnots = 33;

    /// Scene light is picture light: raw files, and pictures about which nothing is known.
    Response() = default;
    /// By log2 of scene light at kKnots picture values whose cube roots are even from 0 to 1; rising. Mid-grey keeps
    /// its place.
    explicit Response(const std::array<double, kKnots>& logLight);

    bool isIdentity() const { return m_identity; }
    /// Picture light to scene light and back; odd, and continued beyond 0..1 by its end slopes.
    double toScene(double picture) const;
    double toPicture(double scene) const;
    const std::array<double, kKnots>& logLight() const { return m_log; }
    bool operator==(const Response&) const = default;

private:
    bool m_identity = true;
    std::array<double, kKnots> m_log{};
};

/// That of the base rendering of raw files (core/image/raw.h).
Response baseRendering();

/// One thing seen twice: the second picture was exposed by `stops` more.
struct ExposedPair {
    ImageView less, more;
    double stops = 1;
};
/// Fails with fewer than 200 usable values (a thing that is flat, or clipped in one of the two). Pictures of a pair
/// have one size.
Result<Response> recoverResponse(const std::vector<ExposedPair>& pairs);

}  // namespace amber
