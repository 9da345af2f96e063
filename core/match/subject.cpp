#include "core/match/subject.h"

#include "core/colour/difference.h"
#include "core/match/fingerprint.h"

#include <Eigen/Cholesky>
#include <algorithm>
#include <cmath>

namespace amber {
namespace {

#include "core/match/subject_spread.inc"

using Eigen::MatrixXd;
using Eigen::VectorXd;
using Index = Eigen::Index;

constexpr std::size_t kLightRows = 4, kCasts = 3;
constexpr double kColour = 100;
/// Variances of what looks do: to falls of light in L*, to textures in per cent (a logarithm).
constexpr double kLookOfFalls[] = {16, 9, 36}, kLookOfTextures[] = {625, 625, 6400, 100};
/// How much more the subject counts than its covariance says.
constexpr double kUnusual = 1.5;

double toneOfStar(double star) { return std::cbrt(luminanceOfStar(std::clamp(star, 0.0, 100.0))); }

/// From the lower triangle, row by row.
MatrixXd symmetric(const double* lower, Index n)
{
    MatrixXd m(n, n);
    for (Index i = 0; i < n; ++i)
        for (Index j = 0; j <= i; ++j)
            m(i, j) = m(j, i) = *lower++;
    return m;
}

struct Posterior {
    VectorXd mean;
    MatrixXd covariance;
};

/// Of those numbers that both pictures have.
Posterior posterior(const MatrixXd& subject, const MatrixXd& look, const VectorXd& difference,
                    const std::vector<Index>& known)
{
    Posterior result{VectorXd::Zero(difference.size()), MatrixXd::Zero(difference.size(), difference.size())};
    if (known.empty())
        return result;
    const MatrixXd t = look(known, known), all = t + 2 * kUnusual * subject(known, known),
                   gain = all.ldlt().solve(t).transpose();
    result.mean(known) = gain * VectorXd(difference(known));
    result.covariance(known, known) = t - gain * t;
    return result;
}

/// 2 P - 1, P the probability that the mean is nearer than nothing: the part along the mean is more than half of it.
double surenessOf(const VectorXd& mean, const MatrixXd& covariance)
{
    const double size = mean.norm();
    if (size <= 1e-9)
        return 0;
    const VectorXd along = mean / size;
    const double spread = std::sqrt(std::max(1e-12, along.dot(covariance * along)));
    return std::erf(size / (2 * spread) / std::sqrt(2.0));
}

VectorXd asVector(const std::vector<double>& values)
{
    return Eigen::Map<const VectorXd>(values.data(), static_cast<Index>(values.size()));
}

bool isHeld(const std::vector<ColourTrait>& one, const std::vector<ColourTrait>& two, std::size_t at, double least)
{
    return at < std::min(one.size(), two.size()) && std::min(one[at].share, two[at].share) >= least;
}

bool hasLight(const Fingerprint& f) { return f.tones.size() > tone_at::kWhite; }

/// How far other ways to find a cast find the same difference.
double agreementOfWays(const Fingerprint& reference, const Fingerprint& ours, std::size_t zone)
{
    if (!isHeld(reference.casts, ours.casts, zone, 1e-9))
        return 1;
    const double a = reference.casts[zone].a - ours.casts[zone].a, b = reference.casts[zone].b - ours.casts[zone].b;
    double off = 0, ways = 0;
    for (std::size_t i = zone; i < std::min(reference.otherCasts.size(), ours.otherCasts.size()); i += kCasts)
        if (isHeld(reference.otherCasts, ours.otherCasts, i, 1e-3)) {
            const ColourTrait &r = reference.otherCasts[i], &o = ours.otherCasts[i];
            off += std::pow(r.a - o.a - a, 2) + std::pow(r.b - o.b - b, 2), ++ways;
        }
    const double square = a * a + b * b;
    return ways > 0 && square > 0 ? square / (square + off / ways) : 1;
}

/// Light and casts: they say something of one another.
void addLightAndCasts(const Fingerprint& reference, const Fingerprint& ours, double least,
                      std::vector<LookShare>& shares)
{
    std::vector<Index> known;
    for (std::size_t i = 0; i < kLightRows && hasLight(reference) && hasLight(ours); ++i)
        known.push_back(static_cast<Index>(i));
    for (std::size_t k = 0; k < kCasts; ++k)
        if (isHeld(reference.casts, ours.casts, k, least))
            for (const std::size_t c : {0u, 1u})
                known.push_back(static_cast<Index>(kLightRows + 2 * k + c));
    constexpr auto kAll = static_cast<Index>(kLightRows + 2 * kCasts);
    const Posterior p = posterior(symmetric(kSubject, kAll), symmetric(kLook, kAll),
                                  asVector(lightAndCasts(reference)) - asVector(lightAndCasts(ours)), known);
    for (std::size_t i = 0; i < kLightRows; ++i) {
        const auto at = static_cast<Index>(i);
        shares.push_back({p.mean[at], 0, 0, surenessOf(p.mean.segment(at, 1), p.covariance.block(at, at, 1, 1))});
    }
    for (std::size_t k = 0; k < kCasts; ++k) {
        const auto at = static_cast<Index>(kLightRows + 2 * k);
        shares.push_back({0, p.mean[at] / kColour, p.mean[at + 1] / kColour,
                          surenessOf(p.mean.segment(at, 2), p.covariance.block(at, at, 2, 2)) *
                              agreementOfWays(reference, ours, k)});
    }
}

/// A tint that runs through the tones is a look's or the light's; one of the darks or the lights alone is a thing's
/// (shade, sky, foliage). What is neutral is told best at middle tones: the others are as sure as that, as far as they
/// lean the same way.
void followTheMiddle(std::vector<LookShare>& shares)
{
    const LookShare middle = shares[kLightRows + 1];
    for (const std::size_t k : {kLightRows, kLightRows + 2}) {
        LookShare& share = shares[k];
        const double sizes = std::hypot(share.a, share.b) * std::hypot(middle.a, middle.b),
                     alike = sizes > 0 ? (share.a * middle.a + share.b * middle.b) / sizes : 0;
        share.sureness = std::min(share.sureness, middle.sureness) * std::max(0.0, alike);
    }
}

LookShare familyShare(const Fingerprint& reference, const Fingerprint& ours, std::size_t family, double least)
{
    if (family >= std::size(kSubjectOfFamily) || !isHeld(reference.families, ours.families, family, least))
        return {};
    const Posterior p =
        posterior(symmetric(kSubjectOfFamily[family], 2), symmetric(kLookOfFamily[family], 2),
                  asVector(familyColour(reference, family)) - asVector(familyColour(ours, family)), {0, 1});
    return {0, p.mean[0] / kColour, p.mean[1] / kColour, surenessOf(p.mean, p.covariance)};
}

}  // namespace

std::vector<double> lightAndCasts(const Fingerprint& print)
{
    std::vector<double> x(kLightRows + 2 * kCasts, 0);
    if (hasLight(print))
        x[0] = starOf(print, tone_at::kBlack), x[1] = starOf(print, tone_at::kWhite),
        x[2] = starOf(print, tone_at::kMiddle), x[3] = starOf(print, tone_at::kHigh) - starOf(print, tone_at::kLow);
    for (std::size_t k = 0; k < std::min(kCasts, print.casts.size()); ++k)
        x[kLightRows + 2 * k] = kColour * print.casts[k].a, x[kLightRows + 2 * k + 1] = kColour * print.casts[k].b;
    return x;
}

std::vector<double> familyColour(const Fingerprint& print, std::size_t family)
{
    return {kColour * print.families[family].a, kColour * print.families[family].b};
}

std::vector<LookShare> placeShares(const Fingerprint& reference, const Fingerprint& ours)
{
    std::vector<LookShare> shares;
    const auto add = [&](bool isKnown, double difference, double subject, double look) {
        if (!isKnown)
            return shares.push_back({});
        const double gain = look / (look + 2 * kUnusual * subject), mean = gain * difference,
                     deviation = std::sqrt(look * (1 - gain));
        shares.push_back({mean, 0, 0, std::erf(std::abs(mean) / (2 * deviation) / std::sqrt(2.0))});
    };
    for (std::size_t i = 0; i < std::size(kSubjectOfFalls); ++i) {
        const bool isKnown = i < std::min(reference.falls.size(), ours.falls.size());
        add(isKnown, isKnown ? reference.falls[i].value - ours.falls[i].value : 0, kSubjectOfFalls[i], kLookOfFalls[i]);
    }
    for (std::size_t i = 0; i < std::size(kSubjectOfTextures); ++i) {
        const bool isKnown = i < std::min(reference.textures.size(), ours.textures.size()) &&
                             std::min(reference.textures[i].value, ours.textures[i].value) > 0;
        add(isKnown, isKnown ? 100 * std::log(reference.textures[i].value / ours.textures[i].value) : 0,
            kSubjectOfTextures[i], kLookOfTextures[i]);
    }
    return shares;
}

std::vector<LookShare> lookShares(const Fingerprint& reference, const Fingerprint& ours, double least)
{
    std::vector<LookShare> shares;
    addLightAndCasts(reference, ours, least, shares);
    followTheMiddle(shares);
    for (std::size_t i = 0; i < std::min(reference.families.size(), ours.families.size()); ++i)
        shares.push_back(familyShare(reference, ours, i, least));
    return shares;
}

Fingerprint likelyTarget(const Fingerprint& reference, const Fingerprint& ours, double least)
{
    const std::vector<LookShare> shares = lookShares(reference, ours, least), ofPlace = placeShares(reference, ours);
    Fingerprint target = reference;
    for (std::size_t i = 0; i < std::min(target.falls.size(), ours.falls.size()); ++i)
        target.falls[i].value = ours.falls[i].value + ofPlace[i].light;
    if (hasLight(reference) && hasLight(ours)) {
        const double middle = starOf(ours, tone_at::kMiddle),
                     contrast = starOf(ours, tone_at::kHigh) - starOf(ours, tone_at::kLow),
                     stretched = contrast > 1e-6 ? (contrast + shares[3].light) / contrast : 1;
        const auto put = [&](std::size_t quantile, double value) { target.tones[quantile].tone = toneOfStar(value); };
        put(tone_at::kBlack, starOf(ours, tone_at::kBlack) + shares[0].light),
            put(tone_at::kWhite, starOf(ours, tone_at::kWhite) + shares[1].light);
        put(tone_at::kMiddle, middle + shares[2].light);
        for (const std::size_t quantile : {tone_at::kLow, tone_at::kHigh})
            put(quantile, middle + shares[2].light + stretched * (starOf(ours, quantile) - middle));
    }
    const auto put = [&](ColourTrait& trait, const ColourTrait& own, const LookShare& share) {
        trait.a = own.a + share.a, trait.b = own.b + share.b;
    };
    for (std::size_t k = 0; k < std::min({kCasts, reference.casts.size(), ours.casts.size()}); ++k)
        put(target.casts[k], ours.casts[k], shares[kLightRows + k]);
    for (std::size_t i = 0; i < std::min(reference.families.size(), ours.families.size()); ++i)
        put(target.families[i], ours.families[i], shares[kLightRows + kCasts + i]);
    return target;
}

}  // namespace amber
