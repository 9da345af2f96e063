#include "core/match/treatment_prior.h"

#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

/// Variances of the parts' members; a change of 1 is the whole range of codes.
constexpr double kSlope = 0.0191, kCurve = 0.00808, kLift = 0.00247;
constexpr double kChannelCurve = 0.000343, kTint = 0.000633;
constexpr double kMix = 0.00538, kMixByLuma = 0.00149, kMixOfLight = 0.000593, kMixOfDensity = 0.000836,
                 kSaturationByLuma = 0.0108;
constexpr double kSaturationByRange = 0.0378, kSaturationByHue = 0.00362, kTurnByHue = 0.00508, kLightByHue = 0.0114,
                 kBelowMostBySaturation = 0.0112;
constexpr double kWide = 0.00283, kMiddle = 0.000205, kNarrow = 0.000187;
/// Widths over which the members change, as shares of the range of codes.
constexpr double kCurveWidth = 0.25, kLumaWidth = 0.35, kSaturationWidth = 0.3, kNarrowWidth = 0.175;

constexpr double kLeastLight = 2e-3, kLeastMost = 0.02;

/// Row c: value j less value c, times what a change of the value is in code.
Eigen::Matrix3d mixOf(const Eigen::Vector3d& value, const Eigen::Vector3d& codeByValue)
{
    Eigen::Matrix3d m;
    for (int c = 0; c < 3; ++c)
        for (int j = 0; j < 3; ++j)
            m(c, j) = (value[j] - value[c]) * codeByValue[c];
    return m;
}

double bell(double one, double two, double width)
{
    const double d = (one - two) / width;
    return std::exp(-0.5 * d * d);
}

Eigen::Matrix3d bellsOf(const Eigen::Vector3d& one, const Eigen::Vector3d& two, double width)
{
    Eigen::Matrix3d k;
    for (int c = 0; c < 3; ++c)
        for (int d = 0; d < 3; ++d)
            k(c, d) = bell(one[c], two[d], width);
    return k;
}

}  // namespace

CodeTraits::CodeTraits(const EncodedRgb& c)
    : code(std::clamp(c.r, 0.0, 1.0), std::clamp(c.g, 0.0, 1.0), std::clamp(c.b, 0.0, 1.0)),
      luma(code.dot(Eigen::Vector3d(0.3, 0.59, 0.11)))
{
    const double most = code.maxCoeff(), mean = code.mean();
    range = most - code.minCoeff(), saturation = range / std::max(most, kLeastMost);
    aboveLuma = code.array() - luma, aboveMean = code.array() - mean, belowMost = most - code.array();
    const Eigen::Vector3d first = Eigen::Vector3d(2, -1, -1) / std::sqrt(6.0),
                          second = Eigen::Vector3d(0, 1, -1) / std::sqrt(2.0);
    const Eigen::Vector2d plane(code.dot(first), code.dot(second));
    radius = plane.norm(), turn = plane.x() * second - plane.y() * first;
    hue = radius > 1e-9 ? Eigen::Vector2d(plane / radius) : Eigen::Vector2d::Zero();

    Eigen::Vector3d light, density, codeByLight, codeByDensity;
    for (int k = 0; k < 3; ++k) {
        light[k] = decodeComponent(RgbSpace::Srgb, code[k]), density[k] = std::log(light[k] + kLeastLight);
        // The slope of the curve's upper part stands for all of it: the lower one is straight and as steep there.
        codeByLight[k] = std::pow(1.055, 2.4) / (2.4 * std::pow(code[k] + 0.055, 1.4));
        codeByDensity[k] = (light[k] + kLeastLight) * codeByLight[k];
    }
    mix = mixOf(code, Eigen::Vector3d::Ones()), mixOfLight = mixOf(light, codeByLight),
    mixOfDensity = mixOf(density, codeByDensity);
}

PartCovariances covariances(const CodeTraits& one, const CodeTraits& two)
{
    const Eigen::Matrix3d all = Eigen::Matrix3d::Ones(), own = Eigen::Matrix3d::Identity(), between = own - all / 3;
    const auto outer = [](const Eigen::Vector3d& p, const Eigen::Vector3d& q) {
        return Eigen::Matrix3d(p * q.transpose());
    };
    const auto channelwise = [](const Eigen::Matrix3d& p, const Eigen::Matrix3d& q) {
        return Eigen::Matrix3d((p.cwiseProduct(q)).rowwise().sum().asDiagonal());
    };
    const Eigen::Matrix3d curve = bellsOf(one.code, two.code, kCurveWidth);
    const double byLuma = bell(one.luma, two.luma, kLumaWidth), byHue = std::exp(one.hue.dot(two.hue) - 1),
                 narrow = std::exp(-0.5 * (one.code - two.code).squaredNorm() / (kNarrowWidth * kNarrowWidth)),
                 middle = std::sqrt(std::sqrt(narrow)), wide = std::sqrt(std::sqrt(middle));
    const Eigen::Vector3d half = Eigen::Vector3d::Constant(0.5);
    PartCovariances k;
    k.of[0] = kSlope * outer(one.code - half, two.code - half) + kCurve * curve + kLift * byLuma * all;
    k.of[1] = kChannelCurve * curve.cwiseProduct(own) + kTint * byLuma * between;
    k.of[2] = (kMix + kMixByLuma * byLuma) * channelwise(one.mix, two.mix) +
              kMixOfLight * channelwise(one.mixOfLight, two.mixOfLight) +
              kMixOfDensity * channelwise(one.mixOfDensity, two.mixOfDensity) +
              kSaturationByLuma * byLuma * outer(one.aboveLuma, two.aboveLuma);
    k.of[3] = kSaturationByRange * bell(one.range, two.range, kSaturationWidth) * outer(one.aboveLuma, two.aboveLuma) +
              byHue * (kSaturationByHue * outer(one.aboveMean, two.aboveMean) + kTurnByHue * outer(one.turn, two.turn) +
                       kLightByHue * one.radius * two.radius * all) +
              kBelowMostBySaturation * bell(one.saturation, two.saturation, kSaturationWidth) *
                  outer(one.belowMost, two.belowMost);
    k.of[4] = kWide * wide * all + (kMiddle * middle + kNarrow * narrow) * own;
    return k;
}

}  // namespace amber
