#include "core/area/again_by_colour.h"

#include "core/area/known_thing.h"
#include "core/area/thing_ground.h"
#include "core/base/parallel.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// How likely each pixel is the thing's, against what its pictures and this one show else, at the exposure that
/// explains most of the thing's colours.
cv::Mat likelihoodOf(const KnownThing& known, const cv::Mat& lab)
{
    constexpr double kOwnPicture = 0.3, kOther = 0.2, kLikely = 0.6;
    const cv::Mat everything(lab.size(), CV_8U, cv::Scalar(255));
    cv::Mat best;
    double most = -1;
    for (const double light : {0.8, 0.9, 1.0, 1.1, 1.2}) {
        const ColourModel here(lab, everything, light);
        cv::Mat likely(lab.size(), CV_32F);
        for (int y = 0; y < lab.rows; ++y)
            for (int x = 0; x < lab.cols; ++x) {
                const auto& c = lab.at<cv::Vec3f>(y, x);
                const double own = known.own.of(c, light);
                likely.at<float>(y, x) = static_cast<float>(
                    own / (own + kOwnPicture * here.of(c, light) + kOther * known.others.of(c, light) + 1e-6));
            }
        cv::GaussianBlur(likely, likely, {}, 0.6);
        const cv::Mat where = likely > kLikely;
        const double score = cv::countNonZero(where) > 0 ? ColourModel(lab, where, light).common(known.own) : 0;
        if (score > most)
            most = score, best = likely;
    }
    return best;
}

cv::Mat cutRound(const cv::Mat& piece, const cv::Mat& likely, const cv::Mat& lab)
{
    constexpr int kRounds = 3;
    constexpr double kKeep = 0.25, kUnlikely = 0.08, kLikely = 0.5;
    const int reach = static_cast<int>(0.15 * std::sqrt(static_cast<double>(cv::countNonZero(piece)))) + 2;
    cv::Mat start = told(piece.size(), Told::Outside);
    start.setTo(static_cast<int>(Told::LikelyOutside), grown(piece, reach));
    start.setTo(static_cast<int>(Told::LikelyInside), piece);
    start.setTo(static_cast<int>(Told::Inside), shrunk(piece, std::max(1, reach / 3)) & (likely > kLikely));
    start.setTo(static_cast<int>(Told::Outside), (likely < kUnlikely) & ~piece);
    const cv::Rect near = cv::boundingRect(grown(piece, reach + 4));
    cv::Mat cut = cv::Mat::zeros(piece.size(), CV_8U);
    graphCut(lab(near), start(near), kRounds).copyTo(cut(near));
    return cleaned(cut, kKeep);
}

/// What speaks for a cut. The weights are those of logistic regressions on some 4500 cuts in the demo's scenes: for the
/// order on all cuts, for the sureness on the first of each search. The offset holds the sureness 0.55 below what was
/// fitted, so that few absent things are offered; how all this foretells a light that it never saw: docs/areas.md.
Candidate judged(const cv::Mat& cut, const KnownThing& known, const cv::Mat& likely, const CutGround& ground)
{
    constexpr int kRound = 4;
    constexpr double kFloor = 0.01, kOffset = -15.95;
    const RegionEdge edge = edgeOf(ground.lab, ground.gradient, cut);
    const ThingForm form = formOf(cut), &near = known.nearest(form);
    const double alike = std::log(ColourModel(ground.lab, cut).likeness(known.own) * known.likeForm(form) *
                                      (0.3 + 0.7 * edge.separation) +
                                  kFloor),
                 stands = cv::mean(likely, cut)[0] - cv::mean(likely, grown(cut, kRound) & ~cut)[0];
    return {1.13 * alike + 6.67 * stands + 13.34 * edge.strength - 1.9 * std::abs(form.size - near.size) -
                2.6 * std::abs(form.aspect - near.aspect),
            cut, 1 / (1 + std::exp(-(2.59 * alike + 18.12 * edge.strength + kOffset)))};
}

}  // namespace

std::vector<Proposal> againByColour(const std::vector<MarkedThing>& marked, const ThingGround& ground)
{
    constexpr int kLeastPixels = 12, kBand = 7;
    constexpr double kOverlap = 0.5;
    constexpr std::size_t kMost = 3;
    const KnownThing known(marked);
    if (known.isNothing())
        return {};
    const CutGround& half = ground.half;
    const cv::Mat likely = likelihoodOf(known, half.lab);
    const std::vector<Candidate> pieces = piecesOf(known, likely, half.lab, half.gradient);
    std::vector<Candidate> cuts(pieces.size());
    inParallel(pieces.size(), [&](std::size_t i) {
        const cv::Mat cut = cutRound(pieces[i].mask, likely, half.lab);
        if (cv::countNonZero(cut) >= kLeastPixels)
            cuts[i] = judged(cut, known, likely, half);
    });
    cuts.erase(std::remove_if(cuts.begin(), cuts.end(), [](const Candidate& c) { return c.mask.empty(); }), cuts.end());
    sortAndPart(cuts, kOverlap, kMost);
    std::vector<Proposal> all;
    for (const Candidate& c : cuts)
        all.push_back({foundMaskOf(ground.sharpened(c.mask, kBand)),
                       all.empty() ? c.sureness : std::min(c.sureness, all.back().sureness),
                       "its colours and its form"});
    return all;
}

}  // namespace amber
