#include "core/balance/colour_card.h"

#include "core/base/atomic_file.h"
#include "core/base/long_call.h"
#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <locale>
#include <opencv2/imgproc.hpp>
#include <sstream>

namespace amber {
namespace {

/// CIELAB relative to D65 to linear light of the working space (CIE 15:2018).
LinearRgb lightOfLab(const Lab& lab)
{
    const double fy = (lab.l + 16) / 116, fx = fy + lab.a / 500, fz = fy - lab.b / 200;
    const auto back = [](double f) { return f > 6.0 / 29 ? f * f * f : 3 * (6.0 / 29) * (6.0 / 29) * (f - 4.0 / 29); };
    constexpr Xyz kWhite{0.95047, 1.0, 1.08883};
    return apply(inverse(rgbToXyz(RgbSpace::Rec2020)), {kWhite.x * back(fx), kWhite.y * back(fy), kWhite.z * back(fz)});
}

Error lineError(const std::filesystem::path& path, int line, const std::string& what)
{
    return {"the card's description is wrong: " + what, path.string() + ", line " + std::to_string(line), {}, {}};
}

/// One line into the card; false when it says nothing that is known.
bool takeLine(std::istringstream& words, const std::string& kind, ColourCard& card)
{
    if (kind == "size")
        return static_cast<bool>(words >> card.width >> card.height);
    if (kind == "body")
        return static_cast<bool>(words >> card.body.l >> card.body.a >> card.body.b);
    if (kind == "mark") {
        ColourCard::Mark m;
        card.marks.push_back(m);
        ColourCard::Mark& last = card.marks.back();
        return static_cast<bool>(words >> last.x >> last.y >> last.radius >> last.hole) && last.radius > 0 &&
               last.hole >= 0 && last.hole < last.radius;
    }
    if (kind == "patch") {
        ColourCard::Patch p;
        if (!(words >> p.name >> p.kind >> p.x >> p.y >> p.radius >> p.lab.l >> p.lab.a >> p.lab.b) || p.radius <= 0)
            return false;
        card.patches.push_back(std::move(p));
        return true;
    }
    return false;
}

}  // namespace

Result<ColourCard> readColourCard(const std::filesystem::path& path)
{
    constexpr std::size_t kMostBytes = 100'000, kMostPatches = 500;
    const auto text = readWholeFile(path, kMostBytes);
    if (!text)
        return tl::make_unexpected(text.error());
    ColourCard card;
    std::istringstream lines(*text);
    std::string line;
    for (int n = 1; std::getline(lines, line); ++n) {
        std::istringstream words(line.substr(0, line.find('#')));
        words.imbue(std::locale::classic());
        std::string kind;
        if (!(words >> kind))
            continue;
        if (!takeLine(words, kind, card) || card.patches.size() > kMostPatches)
            return tl::make_unexpected(lineError(path, n, std::string("\"").append(line, 0, 60) + "\""));
    }
    const auto solid = std::find_if(card.marks.begin(), card.marks.end(), [](const auto& m) { return m.hole == 0; });
    if (card.marks.size() != 4 ||
        std::count_if(card.marks.begin(), card.marks.end(), [](const auto& m) { return m.hole == 0; }) != 1)
        return tl::make_unexpected(lineError(path, 0, "four marks were expected, one of them without a hole"));
    std::rotate(card.marks.begin(), solid, card.marks.end());
    if (card.patches.empty() || !(card.width > 0 && card.height > 0))
        return tl::make_unexpected(lineError(path, 0, "a size and patches were expected"));
    return card;
}

namespace {

struct Disc {
    cv::Point2f at;
    double radius;
    bool hasHole;
};

/// Dark discs on a lighter ground, with or without a light middle.
std::vector<Disc> discsOf(const cv::Mat& codes)
{
    constexpr double kLeastArea = 14, kMostShare = 0.01, kRound = 0.75;
    cv::Mat dark;
    const int block = std::max(15, codes.cols / 36) | 1;
    cv::adaptiveThreshold(codes, dark, 255, cv::ADAPTIVE_THRESH_MEAN_C, cv::THRESH_BINARY_INV, block, 10);
    std::vector<std::vector<cv::Point>> contours;
    std::vector<cv::Vec4i> family;
    cv::findContours(dark, contours, family, cv::RETR_CCOMP, cv::CHAIN_APPROX_NONE);
    std::vector<Disc> discs;
    for (std::size_t i = 0; i < contours.size(); ++i) {
        if (family[i][3] >= 0 || contours[i].size() < 8)  // a hole itself
            continue;
        const double area = cv::contourArea(contours[i]);
        if (area < kLeastArea || area > kMostShare * codes.total())
            continue;
        const cv::RotatedRect e = cv::fitEllipse(contours[i]);
        const double ellipse = CV_PI / 4 * e.size.width * e.size.height, longer = std::max(e.size.width, e.size.height),
                     shorter = std::min(e.size.width, e.size.height);
        if (ellipse <= 0 || area / ellipse < kRound || area / ellipse > 1.25 || shorter < 0.4F * longer)
            continue;
        double hole = 0;
        for (int child = family[i][2]; child >= 0; child = family[static_cast<std::size_t>(child)][0])
            hole = std::max(hole, cv::contourArea(contours[static_cast<std::size_t>(child)]));
        discs.push_back({e.center, std::sqrt(longer * shorter) / 2, hole > 0.04 * area});
    }
    return discs;
}

cv::Point2f mapped(const cv::Mat& h, double x, double y)
{
    const auto& m = h;
    const double w = m.at<double>(2, 0) * x + m.at<double>(2, 1) * y + m.at<double>(2, 2);
    return {static_cast<float>((m.at<double>(0, 0) * x + m.at<double>(0, 1) * y + m.at<double>(0, 2)) / w),
            static_cast<float>((m.at<double>(1, 0) * x + m.at<double>(1, 1) * y + m.at<double>(1, 2)) / w)};
}

/// How large a length at a place of the card is in the picture.
double scaleAt(const cv::Mat& h, double x, double y)
{
    const cv::Point2f a = mapped(h, x, y), b = mapped(h, x + 1, y), c = mapped(h, x, y + 1);
    return std::sqrt(std::abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)));
}

/// The mean of the inner part of a place of the card; nothing outside the picture.
std::optional<LinearRgb> readAt(ImageView picture, const cv::Mat& h, double x, double y, double radius)
{
    constexpr double kInner = 0.55;
    const cv::Point2f c = mapped(h, x, y);
    const double r = std::max(0.7, kInner * radius * scaleAt(h, x, y));
    double sum[3] = {}, count = 0;
    for (int v = static_cast<int>(c.y - r); v <= static_cast<int>(c.y + r + 1); ++v)
        for (int u = static_cast<int>(c.x - r); u <= static_cast<int>(c.x + r + 1); ++u) {
            if (std::hypot(u - c.x, v - c.y) > r)
                continue;
            if (u < 0 || v < 0 || u >= picture.width || v >= picture.height)
                return std::nullopt;
            for (int k = 0; k < 3; ++k)
                sum[k] += picture.row(v)[3 * u + k];
            ++count;
        }
    if (count == 0)
        return std::nullopt;
    return LinearRgb{sum[0] / count, sum[1] / count, sum[2] / count};
}

/// Of lightness and colour of the patches with those described, as correlation; light itself does not matter.
double likenessOf(const std::vector<std::pair<LinearRgb, LinearRgb>>& pairs)
{
    double worst = 1;
    for (int part = 0; part < 3; ++part) {
        double sx = 0, sy = 0, xx = 0, yy = 0, xy = 0;
        const auto n = static_cast<double>(pairs.size());
        for (const auto& [seen, known] : pairs) {
            const auto value = [&](const LinearRgb& c) {
                const LinearRgb own = apply(workingToCones(), c);
                const auto log = [](double v) { return std::log2(std::max(v, 1e-4)); };
                return part == 0 ? log(own.g) : part == 1 ? log(own.r) - log(own.g) : log(own.b) - log(own.g);
            };
            const double x = value(seen), y = value(known);
            sx += x, sy += y, xx += x * x, yy += y * y, xy += x * y;
        }
        const double spread = (xx - sx * sx / n) * (yy - sy * sy / n);
        worst = std::min(worst, spread > 1e-12 ? (xy - sx * sy / n) / std::sqrt(spread) : 0.0);
    }
    return std::max(0.0, worst);
}

struct Candidate {
    cv::Mat toPicture;
    std::array<cv::Point2f, 4> marks;
    double likeness = 0;
    std::vector<FoundCard::Reading> readings;
};

/// Whether four discs can be the marks: their sizes are those the card has there.
bool sizesFit(const cv::Mat& h, const ColourCard& card, const std::array<const Disc*, 4>& discs)
{
    for (std::size_t i = 0; i < 4; ++i) {
        const double wanted = card.marks[i].radius * scaleAt(h, card.marks[i].x, card.marks[i].y);
        if (wanted < 1.5 || discs[i]->radius < 0.55 * wanted || discs[i]->radius > 1.6 * wanted)
            return false;
    }
    return true;
}

std::optional<Candidate> tried(ImageView picture, const ColourCard& card, const std::array<const Disc*, 4>& discs)
{
    constexpr double kLeast = 0.6;
    std::array<cv::Point2f, 4> from, to;
    for (std::size_t i = 0; i < 4; ++i) {
        from[i] = {static_cast<float>(card.marks[i].x), static_cast<float>(card.marks[i].y)};
        to[i] = discs[i]->at;
    }
    Candidate c{cv::getPerspectiveTransform(from.data(), to.data()), to, 0, {}};
    if (!sizesFit(c.toPicture, card, discs))
        return std::nullopt;
    std::vector<std::pair<LinearRgb, LinearRgb>> pairs;
    for (std::size_t i = 0; i < card.patches.size(); ++i) {
        const ColourCard::Patch& p = card.patches[i];
        const auto seen = readAt(picture, c.toPicture, p.x, p.y, p.radius);
        if (!seen)
            return std::nullopt;
        c.readings.push_back({i, *seen});
        pairs.emplace_back(*seen, lightOfLab(p.lab));
    }
    c.likeness = likenessOf(pairs);
    return c.likeness >= kLeast ? std::optional(std::move(c)) : std::nullopt;
}

/// The three rings and the disc in the card's order: clockwise, the disc first; nothing when they are no convex four.
std::optional<std::array<const Disc*, 4>> inOrderOf(const Disc& solid, const std::array<const Disc*, 3>& rings)
{
    cv::Point2f middle = solid.at;
    for (const Disc* r : rings)
        middle += r->at;
    middle *= 0.25F;
    const auto angle = [&](const Disc& d) { return std::atan2(d.at.y - middle.y, d.at.x - middle.x); };
    std::array<const Disc*, 3> sorted = rings;
    const double first = angle(solid);
    const auto after = [&](const Disc* d) { return std::fmod(angle(*d) - first + 4 * CV_PI, 2 * CV_PI); };
    std::sort(sorted.begin(), sorted.end(), [&](const Disc* a, const Disc* b) { return after(a) < after(b); });
    const std::array<const Disc*, 4> all{&solid, sorted[0], sorted[1], sorted[2]};
    for (std::size_t i = 0; i < 4; ++i) {
        const cv::Point2f a = all[i]->at, b = all[(i + 1) % 4]->at, c = all[(i + 2) % 4]->at;
        if ((b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x) <= 0)  // y is down: clockwise turns are positive
            return std::nullopt;
    }
    return all;
}

std::optional<Candidate> bestOf(ImageView picture, const ColourCard& card, const std::vector<Disc>& discs)
{
    constexpr std::size_t kMostRings = 24, kMostSolids = 120;
    std::vector<const Disc*> rings, solids;
    for (const Disc& d : discs)
        (d.hasHole ? rings : solids).push_back(&d);
    const auto larger = [](const Disc* a, const Disc* b) { return a->radius > b->radius; };
    std::sort(rings.begin(), rings.end(), larger), std::sort(solids.begin(), solids.end(), larger);
    rings.resize(std::min(rings.size(), kMostRings)), solids.resize(std::min(solids.size(), kMostSolids));
    std::optional<Candidate> best;
    for (std::size_t a = 0; a < rings.size(); ++a)
        for (std::size_t b = a + 1; b < rings.size(); ++b)
            for (std::size_t c = b + 1; c < rings.size(); ++c) {
                // Marks are of one size, give or take what perspective does.
                if (rings[c]->radius < 0.5 * rings[a]->radius)
                    continue;
                for (const Disc* s : solids)
                    if (s->radius > 0.5 * rings[a]->radius && s->radius < 2 * rings[c]->radius)
                        if (const auto order = inOrderOf(*s, {rings[a], rings[b], rings[c]}))
                            if (auto found = tried(picture, card, *order);
                                found && (!best || found->likeness > best->likeness))
                                best = std::move(found);
            }
    return best;
}

/// Stops between the lightest and the darkest of the body's places, each the median of a few.
double shadeOf(ImageView picture, const cv::Mat& h, const ColourCard& card)
{
    constexpr int kAcross = 9, kDown = 6;
    std::vector<double> stops;
    for (int j = 1; j < kDown; ++j)
        for (int i = 1; i < kAcross; ++i) {
            const double x = card.width * i / kAcross, y = card.height * j / kDown, clear = 2;
            const bool isFree = std::none_of(card.patches.begin(), card.patches.end(), [&](const ColourCard::Patch& p) {
                // A stair reaches down to the card's foot line.
                const double reach = p.radius + clear;
                return std::abs(x - p.x) < reach && y > p.y - reach && (p.kind == "stair" || y < p.y + reach);
            });
            if (isFree)
                if (const auto seen = readAt(picture, h, x, y, 2.0))
                    stops.push_back(std::log2(std::max(1e-5, luminanceOf(*seen))));
        }
    if (stops.size() < 8)
        return 0;
    constexpr std::array<double, 2> kQuarters{0.1, 0.9};
    const auto q = quantiles(stops, std::span<const double>(kQuarters));
    return q[1] - q[0];
}

}  // namespace

std::optional<FoundCard> findCard(ImageView picture, const ColourCard& card)
{
    longCall("findCard");
    constexpr int kEdge = 1600;
    const Size size = fitted({picture.width, picture.height}, kEdge);
    const Image small = reduceByArea(picture, size.width, size.height);
    cv::Mat codes(size.height, size.width, CV_8U);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float* p = small.view().row(y) + 3 * x;
            codes.at<std::uint8_t>(y, x) = static_cast<std::uint8_t>(
                std::lround(255 * std::cbrt(std::clamp(luminanceOf({p[0], p[1], p[2]}), 0.0, 1.0))));
        }
    std::optional<Candidate> best;
    try {
        best = bestOf(small.view(), card, discsOf(codes));
    } catch (const cv::Exception&) {
        return std::nullopt;
    }
    if (!best)
        return std::nullopt;
    FoundCard found;
    found.likeness = best->likeness;
    found.readings = std::move(best->readings);
    for (std::size_t i = 0; i < 4; ++i)
        found.marks[i] = {(best->marks[i].x + 0.5) / size.width, (best->marks[i].y + 0.5) / size.height};
    Region r{1, 1, 0, 0};
    for (const auto& [x, y] : {std::pair(0.0, 0.0), {card.width, 0.0}, {card.width, card.height}, {0.0, card.height}}) {
        const cv::Point2f at = mapped(best->toPicture, x, y);
        r.left = std::min(r.left, static_cast<double>(at.x) / size.width),
        r.right = std::max(r.right, static_cast<double>(at.x) / size.width);
        r.top = std::min(r.top, static_cast<double>(at.y) / size.height),
        r.bottom = std::max(r.bottom, static_cast<double>(at.y) / size.height);
    }
    found.region = {std::max(0.0, r.left), std::max(0.0, r.top), std::min(1.0, r.right), std::min(1.0, r.bottom)};
    found.shadeStops = shadeOf(small.view(), best->toPicture, card);
    return found;
}

std::optional<FrameBalance> balancedByCard(const FrameBalance& balance, const FoundCard& found, const ColourCard& card,
                                           const Response& response, const AsShot& asShot)
{
    constexpr double kDark = 0.02, kBright = 0.85, kDarkest = 25, kLightest = 85;
    LinearRgb sum{};
    std::vector<double> stops;
    for (const FoundCard::Reading& r : found.readings) {
        const ColourCard::Patch& p = card.patches[r.patch];
        const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), r.colour);
        if (!p.isNeutral() || p.lab.l < kDarkest || p.lab.l > kLightest || std::min({own.r, own.g, own.b}) < kDark ||
            std::max({own.r, own.g, own.b}) > kBright)
            continue;
        const LinearRgb scene = toSceneLight(response, r.colour), known = lightOfLab(p.lab);
        sum = {sum.r + scene.r, sum.g + scene.g, sum.b + scene.b};
        stops.push_back(std::log2(luminanceOf(known) / luminanceOf(scene)));
    }
    if (stops.empty())
        return std::nullopt;
    auto white = neutralised(balance, toPictureLight(response, sum), response, asShot);
    if (white)
        white->light.exposureStops = median(stops);
    return white;
}

CardCheck checkByCard(const FoundCard& found, const ColourCard& card, const FrameBalance& balanced,
                      const Response& response)
{
    CardCheck check;
    double sum = 0, n = 0, sx = 0, sy = 0, xx = 0, xy = 0;
    for (const FoundCard::Reading& r : found.readings) {
        const ColourCard::Patch& p = card.patches[r.patch];
        const LinearRgb light = balancedColour(r.colour, balanced, response);
        const double off = ciede2000(light, lightOfLab(p.lab)), seen = toLab(light).l;
        sum += off;
        if (off > check.most)
            check.most = off, check.worst = r.patch;
        if (p.isNeutral())
            ++n, sx += p.lab.l, sy += seen, xx += p.lab.l * p.lab.l, xy += p.lab.l * seen;
    }
    if (!found.readings.empty())
        check.mean = sum / static_cast<double>(found.readings.size());
    if (const double spread = xx - sx * sx / std::max(1.0, n); n > 1 && spread > 0)
        check.toneSlope = (xy - sx * sy / n) / spread;
    return check;
}

std::vector<ColourCard> cardsIn(const std::filesystem::path& folder)
{
    std::vector<std::filesystem::path> files;
    std::error_code error;
    for (std::filesystem::directory_iterator at(folder, error), end; !error && at != end; at.increment(error))
        if (at->path().extension() == ".txt")
            files.push_back(at->path());
    std::sort(files.begin(), files.end());
    std::vector<ColourCard> cards;
    for (const auto& file : files)
        if (auto card = readColourCard(file))
            cards.push_back(std::move(*card));
    return cards;
}

std::optional<SeenCard> findCardOf(ImageView picture, const std::vector<ColourCard>& cards)
{
    for (std::size_t i = 0; i < cards.size(); ++i)
        if (auto found = findCard(picture, cards[i]))
            return SeenCard{i, std::move(*found)};
    return std::nullopt;
}

}  // namespace amber
