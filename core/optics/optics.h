// What a lens did to a frame and how much noise is taken off it: a value, and the maps that undo it. Lengths are
// fractions of half the picture's diagonal, from the middle: 1 in the corners. "True" is where a thing would lie if
// straight lines stayed straight; "thrown" is where the lens put it.
#pragma once

#include <array>
#include <string>
#include <vector>

namespace amber {

/// A lens out of a lens file: thrown = true * (b0 + b1 true + b2 true^2 + b3 true^3 + b4 true^4) for green, the fringes
/// of red and blue the same way from where green was thrown, and the share of light that is left at a thrown length
/// 1 + d0 r^2 + d1 r^4 + d2 r^6.
struct KnownLens {
    std::string name;  ///< maker and model; empty: none is known
    std::array<double, 5> bow{1, 0, 0, 0, 0}, red{1, 0, 0, 0, 0}, blue{1, 0, 0, 0, 0};
    std::array<double, 3> dimming{};
    bool operator==(const KnownLens&) const = default;
};

struct Optics {
    KnownLens lens;
    bool lensOff = false;     ///< the known lens was chosen away
    double bow = 0;           ///< of what no file knows: true = thrown * (1 + bow thrown^2), -0.3..0.3
    double redFringe = 0;     ///< red is thrown this share farther out than green, -0.01..0.01
    double blueFringe = 0;    ///< and blue
    double falloffStops = 0;  ///< light that the corners lack, as the square of the length, -1..4
    double noise = 0;         ///< how much of the measured noise is taken off, 0..1
    bool operator==(const Optics&) const = default;
    bool usesLens() const { return !lensOff && !lens.name.empty(); }
    /// Whether anything lies elsewhere than it was thrown, in any channel.
    bool moves() const;
    bool hasFringes() const;
    bool dims() const;
};

/// The optics of a frame as functions of length, made once for its pixels.
class Throw {
public:
    explicit Throw(const Optics& optics);
    /// Where green, red and blue of a true length were thrown, as a factor of it.
    double green(double length) const { return at(m_green, length); }
    double red(double length) const { return at(m_red, length); }
    double blue(double length) const { return at(m_blue, length); }
    /// The inverse of `green`, as a factor of the thrown length.
    double trueFrom(double thrown) const;
    /// What light at this true length is multiplied by.
    double gain(double length) const { return at(m_gain, length); }

    /// Tables over length, even from 0 to kFarthest, read between their entries.
    static constexpr int kEntries = 1024;
    static constexpr double kFarthest = 2;
    using Table = std::array<float, kEntries + 2>;
    const Table& greenTable() const { return m_green; }
    const Table& redTable() const { return m_red; }
    const Table& blueTable() const { return m_blue; }
    const Table& gainTable() const { return m_gain; }

private:
    static double at(const Table& table, double length);
    Table m_green, m_red, m_blue, m_gain;
};

}  // namespace amber
