#include "core/area/known_thing.h"

#include "core/area/thing_ground.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

constexpr int kLeastPixels = 28;

double unlike(const ThingForm& a, const ThingForm& b)
{
    return 1.2 * std::abs(a.aspect - b.aspect) + 2 * std::abs(a.filled - b.filled) + 0.35 * std::abs(a.size - b.size) +
           1.5 * (std::abs(a.moments[0] - b.moments[0]) + std::abs(a.moments[1] - b.moments[1]));
}

/// A silhouette as a filter: the mean over it less the mean round it.
struct Silhouette {
    cv::Mat mask, filter;
};

Silhouette silhouetteOf(const cv::Mat& thing, double scale)
{
    constexpr int kLeast = 4;
    constexpr double kRim = 0.12;
    const auto scaled = [&](int length) { return std::max(kLeast, static_cast<int>(std::lround(length * scale))); };
    Silhouette s;
    cv::resize(thing, s.mask, {scaled(thing.cols), scaled(thing.rows)}, 0, 0, cv::INTER_AREA);
    const int rim = std::max(2, static_cast<int>(std::lround(kRim * std::sqrt(static_cast<double>(s.mask.total())))));
    cv::copyMakeBorder(s.mask, s.mask, rim, rim, rim, rim, cv::BORDER_CONSTANT, cv::Scalar(0));
    s.mask = s.mask > 127;
    const cv::Mat ring = grown(s.mask, rim) & ~s.mask;
    s.filter = cv::Mat(s.mask.size(), CV_32F, cv::Scalar(0));
    s.filter.setTo(1.0 / std::max(1, cv::countNonZero(s.mask)), s.mask);
    s.filter.setTo(-1.0 / std::max(1, cv::countNonZero(ring)), ring);
    return s;
}

void addSilhouettes(const KnownThing& known, const cv::Mat& likely, std::vector<Candidate>& all)
{
    constexpr double kLeast = 0.3, kOverlap = 0.6;
    constexpr int kEach = 2;
    constexpr std::size_t kMost = 3;
    std::vector<Candidate> found;
    for (const cv::Mat& mask : known.masks)
        for (const double scale : {0.6, 0.75, 0.9, 1.0, 1.1, 1.3, 1.6}) {
            const Silhouette s = silhouetteOf(mask(cv::boundingRect(mask)), scale);
            if (s.mask.cols >= likely.cols || s.mask.rows >= likely.rows || cv::countNonZero(s.mask) < kLeastPixels)
                continue;
            cv::Mat stands;
            cv::matchTemplate(likely, s.filter, stands, cv::TM_CCORR);
            for (int n = 0; n < kEach; ++n) {
                double best = 0;
                cv::Point at;
                cv::minMaxLoc(stands, nullptr, &best, nullptr, &at);
                if (best < kLeast)
                    break;
                cv::Mat piece = cv::Mat::zeros(likely.size(), CV_8U);
                s.mask.copyTo(piece(cv::Rect(at, s.mask.size())));
                found.push_back({best, piece});
                cv::circle(stands, at, std::max(s.mask.cols, s.mask.rows) / 2, cv::Scalar(-1), -1);
            }
        }
    sortAndPart(found, kOverlap, kMost);
    std::move(found.begin(), found.end(), std::back_inserter(all));
}

/// Connected pieces of what is set in `where`, of a size that may be the thing's.
void addPieces(const KnownThing& known, const cv::Mat& where, const cv::Mat& likely, const cv::Mat& lab, bool isParted,
               std::vector<Candidate>& all)
{
    constexpr double kSmaller = 0.12, kLarger = 8, kHalfLikely = 0.3;
    double smallest = 1, largest = 0;
    for (const ThingForm& f : known.forms)
        smallest = std::min(smallest, std::exp(f.size)), largest = std::max(largest, std::exp(f.size));
    const auto total = static_cast<double>(lab.total());
    cv::Mat open, labels, stats, centres;
    cv::morphologyEx(where, open, cv::MORPH_OPEN, cv::getStructuringElement(cv::MORPH_CROSS, {3, 3}));
    const int count = cv::connectedComponentsWithStats(open, labels, stats, centres, 4, CV_32S);
    for (int i = 1; i < count; ++i) {
        const int area = stats.at<int>(i, cv::CC_STAT_AREA);
        if (area < std::max<double>(kLeastPixels, kSmaller * smallest * total) || area > kLarger * largest * total)
            continue;
        const cv::Mat own = labels == i, piece = filled(isParted ? grown(own, 1) & (likely > kHalfLikely) : own);
        all.push_back(
            {ColourModel(lab, piece).likeness(known.own) * known.likeForm(formOf(piece)) * cv::mean(likely, piece)[0],
             piece});
    }
}

}  // namespace

ThingForm formOf(const cv::Mat& mask)
{
    std::vector<std::vector<cv::Point>> lines;
    cv::findContours(mask, lines, cv::RETR_EXTERNAL, cv::CHAIN_APPROX_NONE);
    ThingForm form;
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

KnownThing::KnownThing(const std::vector<MarkedThing>& marked)
{
    std::vector<ColourModel> ofThing, ofOthers;
    for (const MarkedThing& thing : marked) {
        if (!thing.picture.ground)
            continue;
        const cv::Mat& lab = thing.picture.ground->half.lab;
        cv::Mat mask;
        cv::resize(matOf(thing.mask), mask, lab.size(), 0, 0, cv::INTER_AREA);
        mask = mask > 127;
        if (cv::countNonZero(mask) == 0)
            continue;
        ofThing.emplace_back(lab, mask), ofOthers.emplace_back(lab, ~mask);
        forms.push_back(formOf(mask)), masks.push_back(mask);
    }
    own = ColourModel::meanOf(ofThing), others = ColourModel::meanOf(ofOthers);
}

const ThingForm& KnownThing::nearest(const ThingForm& form) const
{
    return *std::min_element(forms.begin(), forms.end(),
                             [&](const auto& a, const auto& b) { return unlike(a, form) < unlike(b, form); });
}

double KnownThing::likeForm(const ThingForm& form) const { return std::exp(-unlike(nearest(form), form)); }

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

std::vector<Candidate> piecesOf(const KnownThing& known, const cv::Mat& likely, const cv::Mat& lab,
                                const cv::Mat& gradient)
{
    constexpr double kOverlap = 0.6, kFloor = CutGround::kFloor;
    constexpr std::size_t kMost = 6;
    const double usual = medianWhere(gradient, told(gradient.size(), Told::Inside)) + kFloor;
    std::vector<Candidate> all;
    for (const double limit : {0.5, 0.65, 0.8}) {
        addPieces(known, likely > limit, likely, lab, false, all);
        for (const double edge : {4.0, 8.0})
            addPieces(known, (likely > limit) & (gradient < edge * usual), likely, lab, true, all);
    }
    sortAndPart(all, kOverlap, kMost);
    addSilhouettes(known, likely, all);
    return all;
}

}  // namespace amber
