#include "core/area/again_by_colour.h"

#include "core/area/colour_model.h"
#include "core/area/thing_ground.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// What of a region's form is compared: M.-K. Hu's first two moments (IRE Trans. Inf. Theory 8, 1962) among them.
struct Form {
    double aspect, filled, size;  ///< log width / height, share of its hull, log of its share of the picture
    std::array<double, 2> moments;
};

Form formOf(const cv::Mat& mask)
{
    std::vector<std::vector<cv::Point>> lines;
    cv::findContours(mask, lines, cv::RETR_EXTERNAL, cv::CHAIN_APPROX_NONE);
    Form form{0, 0, -20, {}};
    if (lines.empty())
        return form;
    const auto& line = *std::max_element(lines.begin(), lines.end(), [](const auto& a, const auto& b) {
        return cv::contourArea(a) < cv::contourArea(b);
    });
    std::vector<cv::Point> hull;
    cv::convexHull(line, hull);
    const cv::Rect box = cv::boundingRect(mask);
    double moments[7];
    cv::HuMoments(cv::moments(line), moments);
    const int area = cv::countNonZero(mask);
    form.aspect = std::log(static_cast<double>(box.width) / box.height);
    form.filled = area / (cv::contourArea(hull) + 1);
    form.size = std::log(static_cast<double>(area) / static_cast<double>(mask.total()));
    form.moments = {moments[0], moments[1]};
    return form;
}

double unlike(const Form& a, const Form& b)
{
    return 1.2 * std::abs(a.aspect - b.aspect) + 2 * std::abs(a.filled - b.filled) + 0.35 * std::abs(a.size - b.size) +
           1.5 * (std::abs(a.moments[0] - b.moments[0]) + std::abs(a.moments[1] - b.moments[1]));
}

/// What is known of the thing from where it was marked.
struct Known {
    ColourModel own, others;  ///< of the thing; of what else its pictures show
    std::vector<Form> forms;
    double likeForm(const cv::Mat& mask) const
    {
        const Form form = formOf(mask);
        double least = 1e9;
        for (const Form& f : forms)
            least = std::min(least, unlike(f, form));
        return std::exp(-least);
    }
};

Known knownOf(const std::vector<MarkedThing>& marked)
{
    Known known;
    std::vector<ColourModel> own, others;
    for (const MarkedThing& thing : marked) {
        if (!thing.picture.ground)
            continue;
        const cv::Mat& lab = thing.picture.ground->half.lab;
        cv::Mat mask;
        cv::resize(matOf(thing.mask), mask, lab.size(), 0, 0, cv::INTER_AREA);
        mask = mask > 127;
        if (cv::countNonZero(mask) == 0)
            continue;
        own.emplace_back(lab, mask), others.emplace_back(lab, ~mask);
        known.forms.push_back(formOf(mask));
    }
    known.own = ColourModel::meanOf(own), known.others = ColourModel::meanOf(others);
    return known;
}

/// How likely each pixel is the thing's, against what its pictures and this one show else, at the exposure that
/// explains most of the thing's colours.
cv::Mat likelihoodOf(const Known& known, const cv::Mat& lab)
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

struct Candidate {
    double score;
    cv::Mat mask;
};

void sortAndPart(std::vector<Candidate>& all, double mostOverlap, std::size_t most)
{
    std::stable_sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.score > b.score; });
    std::vector<Candidate> apart;
    for (Candidate& c : all)
        if (apart.size() < most && std::all_of(apart.begin(), apart.end(), [&](const Candidate& other) {
                return overlap(c.mask, other.mask) < mostOverlap;
            }))
            apart.push_back(std::move(c));
    all = std::move(apart);
}

/// Pieces of what is likely, of a size that may be the thing.
std::vector<Candidate> piecesOf(const Known& known, const cv::Mat& likely, const cv::Mat& lab)
{
    constexpr int kLeastPixels = 28;
    constexpr double kSmaller = 0.12, kLarger = 8;
    double smallest = 1, largest = 0;
    for (const Form& f : known.forms)
        smallest = std::min(smallest, std::exp(f.size)), largest = std::max(largest, std::exp(f.size));
    std::vector<Candidate> all;
    const auto total = static_cast<double>(lab.total());
    for (const double limit : {0.5, 0.65, 0.8}) {
        cv::Mat open, labels, stats, centres;
        cv::morphologyEx(likely > limit, open, cv::MORPH_OPEN, cv::getStructuringElement(cv::MORPH_CROSS, {3, 3}));
        const int count = cv::connectedComponentsWithStats(open, labels, stats, centres, 4, CV_32S);
        for (int i = 1; i < count; ++i) {
            const int area = stats.at<int>(i, cv::CC_STAT_AREA);
            if (area < std::max<double>(kLeastPixels, kSmaller * smallest * total) || area > kLarger * largest * total)
                continue;
            const cv::Mat piece = filled(labels == i);
            all.push_back(
                {ColourModel(lab, piece).likeness(known.own) * known.likeForm(piece) * cv::mean(likely, piece)[0],
                 piece});
        }
    }
    sortAndPart(all, 0.6, 4);
    return all;
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

/// What share of offers with such a score was right (overlap 0.8 and more) on the demo's scenes, in straight lines.
double surenessOf(double score)
{
    constexpr std::array<std::pair<double, double>, 6> kSeen{
        {{0, 0}, {0.25, 0.12}, {0.35, 0.35}, {0.45, 0.62}, {0.5, 0.9}, {0.7, 0.98}}};
    for (std::size_t i = 1; i < kSeen.size(); ++i)
        if (score <= kSeen[i].first)
            return kSeen[i - 1].second +
                   (kSeen[i].second - kSeen[i - 1].second) * rising(score, kSeen[i - 1].first, kSeen[i].first);
    return kSeen.back().second;
}

}  // namespace

std::vector<Proposal> againByColour(const std::vector<MarkedThing>& marked, const ThingGround& ground)
{
    constexpr int kLeastPixels = 12;
    constexpr int kBand = 7;
    const Known known = knownOf(marked);
    if (known.forms.empty())
        return {};
    const cv::Mat likely = likelihoodOf(known, ground.half.lab);
    std::vector<Candidate> cuts;
    for (const Candidate& piece : piecesOf(known, likely, ground.half.lab)) {
        const cv::Mat cut = cutRound(piece.mask, likely, ground.half.lab);
        if (cv::countNonZero(cut) < kLeastPixels)
            continue;
        const RegionEdge edge = edgeOf(ground.half.lab, ground.half.gradient, cut);
        cuts.push_back({ColourModel(ground.half.lab, cut).likeness(known.own) * known.likeForm(cut) *
                            (0.3 + 0.7 * edge.separation),
                        cut});
    }
    sortAndPart(cuts, 0.5, 3);
    std::vector<Proposal> all;
    for (const Candidate& c : cuts)
        all.push_back({foundMaskOf(ground.sharpened(c.mask, kBand)), surenessOf(c.score), "its colours and its form"});
    return all;
}

}  // namespace amber
