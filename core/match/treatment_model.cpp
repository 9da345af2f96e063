#include "core/match/treatment_model.h"

#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"

#include <Eigen/Cholesky>
#include <Eigen/LU>
#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace amber {

struct TreatmentModel::Learned {
    std::vector<CodeTraits> at;
    int parts = kTreatmentParts;
    double scale = 1;
    Eigen::VectorXd pull;                 ///< K^-1 of the changes
    Eigen::LLT<Eigen::MatrixXd> factors;  ///< of K
    std::vector<PartEarned> earned;
};

namespace {

using Eigen::MatrixXd;
using Eigen::VectorXd;
using Index = Eigen::Index;

/// Of codes: rounding to 8 bits, what compression and resampling leave.
constexpr double kNoise = 2e-5;

Eigen::Vector3d codeOf(const LinearRgb& c)
{
    const EncodedRgb e = encode(RgbSpace::Srgb, c);
    return {std::clamp(e.r, 0.0, 1.0), std::clamp(e.g, 0.0, 1.0), std::clamp(e.b, 0.0, 1.0)};
}

LinearRgb colourOf(const Eigen::Vector3d& code)
{
    return decode(RgbSpace::Srgb,
                  {std::clamp(code[0], 0.0, 1.0), std::clamp(code[1], 0.0, 1.0), std::clamp(code[2], 0.0, 1.0)});
}

std::vector<CodeTraits> traitsOf(const std::vector<LinearRgb>& colours)
{
    std::vector<CodeTraits> all;
    all.reserve(colours.size());
    for (const LinearRgb& c : colours)
        all.emplace_back(encode(RgbSpace::Srgb, c));
    return all;
}

Eigen::Matrix3d sumOf(const PartCovariances& k, int parts)
{
    Eigen::Matrix3d sum = k.of[0];
    for (int part = 1; part < parts; ++part)
        sum += k.of[part];
    return sum;
}

/// Covariance of all changes with one another, for the parts up to each.
std::array<MatrixXd, kTreatmentParts> covariancesAmong(const std::vector<CodeTraits>& at)
{
    std::array<MatrixXd, kTreatmentParts> all;
    const auto n = static_cast<Index>(at.size());
    for (MatrixXd& k : all)
        k.resize(3 * n, 3 * n);
    inParallel(at.size(), [&](std::size_t row) {
        const auto i = static_cast<Index>(row);
        for (Index j = 0; j <= i; ++j) {
            const PartCovariances k = covariances(at[row], at[static_cast<std::size_t>(j)]);
            Eigen::Matrix3d sum = Eigen::Matrix3d::Zero();
            for (std::size_t part = 0; part < all.size(); ++part) {
                sum += k.of[part];
                all[part].block<3, 3>(3 * i, 3 * j) = sum, all[part].block<3, 3>(3 * j, 3 * i) = sum.transpose();
            }
        }
    });
    return all;
}

/// Regions of colour: greys and six hues, by three tones with as many colours each.
std::vector<int> regionsOf(const std::vector<CodeTraits>& at)
{
    constexpr double kGrey = 0.05;
    std::vector<double> lumas;
    for (const CodeTraits& c : at)
        lumas.push_back(c.luma);
    const std::vector<double> thirds = quantiles(lumas, std::array{1.0 / 3, 2.0 / 3});
    std::vector<int> regions;
    for (const CodeTraits& c : at) {
        const int tone = (c.luma > thirds[0]) + (c.luma > thirds[1]);
        const double turn = (std::atan2(c.hue.y(), c.hue.x()) + M_PI) / (2 * M_PI);
        const int hue = c.radius < kGrey ? 6 : std::min(5, static_cast<int>(6 * turn));
        regions.push_back(3 * hue + tone);
    }
    return regions;
}

/// Each colour as foretold from all regions but its own: the changes less K^-1(own, own)^-1 (K^-1 y)(own) (Rasmussen
/// and Williams, eq. 5.12, for blocks). `root` is L^-1.
VectorXd leftOut(const MatrixXd& root, const VectorXd& pull, const VectorXd& changes, const std::vector<int>& regions)
{
    std::map<int, std::vector<Index>> members;
    for (std::size_t i = 0; i < regions.size(); ++i)
        for (int c = 0; c < 3; ++c)
            members[regions[i]].push_back(3 * static_cast<Index>(i) + c);
    VectorXd foretold(changes.size());
    for (const auto& [region, own] : members) {
        const MatrixXd columns = root(Eigen::all, own);
        const VectorXd off = MatrixXd(columns.transpose() * columns).llt().solve(VectorXd(pull(own)));
        for (std::size_t i = 0; i < own.size(); ++i)
            foretold[own[i]] = changes[own[i]] - off[static_cast<Index>(i)];
    }
    return foretold;
}

struct Trial {
    int parts;
    double scale;
    double leftOut = 0;  ///< mean CIEDE2000
    Eigen::LLT<MatrixXd> factors = {};
    VectorXd pull = {};
    MatrixXd root = {};  ///< L^-1, with which K^-1 = L^-T L^-1
};

class Teacher {
public:
    Teacher(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after)
        : m_at(traitsOf(before)), m_after(after), m_changes(3 * before.size()),
          m_noise(VectorXd::Constant(static_cast<Index>(3 * before.size()), kNoise)), m_all(covariancesAmong(m_at)),
          m_regions(regionsOf(m_at))
    {
        for (std::size_t i = 0; i < after.size(); ++i)
            m_changes.segment<3>(3 * static_cast<Index>(i)) = codeOf(after[i]) - m_at[i].code;
    }

    void solve(Trial& trial) const
    {
        MatrixXd k = trial.scale * m_all[static_cast<std::size_t>(trial.parts - 1)];
        k.diagonal() += m_noise;
        trial.factors.compute(k);
        trial.pull = trial.factors.solve(m_changes);
        trial.root = trial.factors.matrixL().solve(MatrixXd::Identity(m_changes.size(), m_changes.size()));
        const VectorXd foretold = leftOut(trial.root, trial.pull, m_changes, m_regions);
        double sum = 0;
        for (std::size_t i = 0; i < m_at.size(); ++i)
            sum += ciede2000(colourOf(m_at[i].code + foretold.segment<3>(3 * static_cast<Index>(i))), m_after[i]);
        trial.leftOut = sum / static_cast<double>(m_at.size());
    }

    /// Colours that all others together foretell badly are no part of one treatment: the more noise the farther off.
    void doubt()
    {
        Trial trial{kTreatmentParts, 1};
        solve(trial);
        const MatrixXd& root = trial.root;
        std::vector<double> off;
        for (Index i = 0; i < m_changes.size(); i += 3) {
            const Eigen::Matrix3d own = root.middleCols<3>(i).transpose() * root.middleCols<3>(i);
            off.push_back((own.inverse() * trial.pull.segment<3>(i)).norm());
        }
        std::vector<double> sorted = off;
        const double usual = std::max(3 * median(sorted), 3 * std::sqrt(kNoise));
        for (std::size_t i = 0; i < off.size(); ++i) {
            const double beyond = std::max(0.0, off[i] * off[i] - usual * usual);
            m_noise.segment<3>(3 * static_cast<Index>(i)).setConstant(kNoise + beyond);
        }
    }

    const std::vector<CodeTraits>& at() const { return m_at; }

private:
    std::vector<CodeTraits> m_at;
    std::vector<LinearRgb> m_after;
    VectorXd m_changes, m_noise;
    std::array<MatrixXd, kTreatmentParts> m_all;
    std::vector<int> m_regions;
};

}  // namespace

std::string titleOf(TreatmentPart upTo)
{
    constexpr const char* kTitles[] = {"one curve", "a curve for each channel, tints", "channels mixed, saturation",
                                       "hue families", "anything smooth"};
    return kTitles[static_cast<int>(upTo)];
}

TreatmentModel TreatmentModel::learn(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after,
                                     const CancelToken& cancel)
{
    constexpr std::size_t kMost = 240;
    const auto count = static_cast<long>(std::min(kMost, before.size()));
    Teacher teacher({before.begin(), before.begin() + count}, {after.begin(), after.begin() + count});
    teacher.doubt();
    std::vector<Trial> trials;
    for (int parts = 1; parts <= kTreatmentParts; ++parts)
        trials.push_back({parts, 1});
    trials.push_back({kTreatmentParts, 4}), trials.push_back({kTreatmentParts, 0.25});
    inParallel(trials.size(), [&](std::size_t i) {
        if (!cancel.isCancelled())
            teacher.solve(trials[i]);
    });
    // A simpler model that foretells as well is to be had for less.
    constexpr double kAsWell = 1.02, kUnseen = 0.03;
    double least = trials[0].leftOut;
    for (const Trial& trial : trials)
        least = std::min(least, trial.leftOut);
    const auto chosen = std::find_if(trials.begin(), trials.end(),
                                     [&](const Trial& trial) { return trial.leftOut <= kAsWell * least + kUnseen; });
    auto learned = std::make_shared<Learned>();
    for (int parts = 1; parts <= kTreatmentParts; ++parts)
        learned->earned.push_back(
            {static_cast<TreatmentPart>(parts - 1),
             parts == chosen->parts ? chosen->leftOut : trials[static_cast<std::size_t>(parts - 1)].leftOut,
             parts == chosen->parts});
    learned->at = teacher.at(), learned->parts = chosen->parts, learned->scale = chosen->scale;
    learned->pull = chosen->pull, learned->factors = chosen->factors;
    TreatmentModel model;
    model.m_learned = std::move(learned);
    return model;
}

std::vector<ForetoldColour> TreatmentModel::foretell(const std::vector<LinearRgb>& colours) const
{
    constexpr std::size_t kAtOnce = 64;
    const Learned& known = *m_learned;
    std::vector<ForetoldColour> all(colours.size());
    if (known.pull.size() == 0)  // given up while learning
        return all;
    inParallel((colours.size() + kAtOnce - 1) / kAtOnce, [&](std::size_t part) {
        const std::size_t begin = part * kAtOnce, end = std::min(colours.size(), begin + kAtOnce);
        const std::vector<CodeTraits> at =
            traitsOf({colours.begin() + static_cast<long>(begin), colours.begin() + static_cast<long>(end)});
        MatrixXd k(known.pull.size(), 3 * static_cast<Index>(at.size()));
        for (std::size_t i = 0; i < known.at.size(); ++i)
            for (std::size_t j = 0; j < at.size(); ++j)
                k.block<3, 3>(3 * static_cast<Index>(i), 3 * static_cast<Index>(j)) =
                    known.scale * sumOf(covariances(known.at[i], at[j]), known.parts);
        const VectorXd changes = k.transpose() * known.pull;
        const MatrixXd half = known.factors.matrixL().solve(k);
        for (std::size_t j = 0; j < at.size(); ++j) {
            const auto column = 3 * static_cast<Index>(j);
            const Eigen::Vector3d code = at[j].code + changes.segment<3>(column);
            const Eigen::Matrix3d own = known.scale * sumOf(covariances(at[j], at[j]), known.parts);
            ForetoldColour& foretold = all[begin + j];
            foretold.code = {std::clamp(code[0], 0.0, 1.0), std::clamp(code[1], 0.0, 1.0),
                             std::clamp(code[2], 0.0, 1.0)};
            for (int c = 0; c < 3; ++c)
                foretold.spread[c] = std::sqrt(std::max(0.0, own(c, c) - half.col(column + c).squaredNorm()));
        }
    });
    return all;
}

EncodedRgb TreatmentModel::held(const LinearRgb& colour, const ForetoldColour& foretold)
{
    constexpr double kUnsure = 0.5;
    const Eigen::Vector3d from = codeOf(colour),
                          change = Eigen::Vector3d(foretold.code.r, foretold.code.g, foretold.code.b) - from;
    const double size = change.squaredNorm(), kept = size > 0 ? size / (size + kUnsure * foretold.variance()) : 0;
    const Eigen::Vector3d to = from + kept * change;
    return {to[0], to[1], to[2]};
}

double TreatmentModel::leftOut() const
{
    for (const PartEarned& part : m_learned->earned)
        if (part.chosen)
            return part.leftOut;
    return 0;
}

const std::vector<PartEarned>& TreatmentModel::earned() const { return m_learned->earned; }

}  // namespace amber
