// How a picture's colours lie by their cone ratios, which a change of light moves as a whole: a map over log2 L/M and
// log2 S/M of square roots of shares, blurred.
#pragma once

#include "core/frame/response.h"
#include "core/image/image.h"

#include <vector>

namespace amber {

class RatioMap {
public:
    static constexpr double kBin = 0.03, kPresent = 0.01;
    static constexpr int kAcross = 90, kDown = 200;  // L/M from -1.2, S/M from -4
    RatioMap(ImageView picture, const Response& response);

    /// What of this map, moved by (lm, sm), lies where `others` have nothing, as a share of the whole; and how much of
    /// that `others` would cover were it lit otherwise: moved along the line that daylight takes.
    using Presence = std::vector<int>;
    struct Foreign {
        double share = 0, coveredOtherwise = 0;
    };
    Foreign foreign(const Presence& all, double lm, double sm) const;
    /// Counts this map, moved, among those that are present somewhere.
    void countIn(Presence& all, double lm, double sm) const;

    /// The shift that brings this one onto `other` best, and how well: 1 for equal distributions (Bhattacharyya).
    struct Shift {
        double lm = 0, sm = 0, likeness = 0;
    };
    Shift onto(const RatioMap& other) const;

private:
    double scoreOf(const RatioMap& other, int across, int down) const;
    std::vector<float> m_map;
    std::vector<std::size_t> m_used;
};

}  // namespace amber
