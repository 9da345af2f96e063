#include "core/area/faces.h"

#include "core/area/regions.h"
#include "core/area/thing.h"
#include "core/base/long_call.h"
#include "core/engine/plane.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <map>
#include <opencv2/imgproc.hpp>
#include <opencv2/objdetect.hpp>

namespace amber {
namespace {

namespace fs = std::filesystem;

constexpr int kWidth = 640;

/// Each thread has its own: detecting changes it. None when the file is not installed.
cv::CascadeClassifier* cascade(const char* name)
{
    thread_local std::map<std::string, cv::CascadeClassifier> known;
    const auto found = known.find(name);
    if (found != known.end())
        return found->second.empty() ? nullptr : &found->second;
    cv::CascadeClassifier& made = known[name];
    for (const char* folder : {"/usr/share/opencv4/haarcascades", "/usr/share/opencv/haarcascades"})
        if (const fs::path file = fs::path(folder) / name; fs::exists(file) && made.empty())
            made.load(file.string());
    return made.empty() ? nullptr : &made;
}

/// Lightness, its tones spread evenly.
cv::Mat greyOf(ImageView picture)
{
    const bool isLarge = picture.width > kWidth;
    const Plane light =
        isLarge
            ? lightnessOf(reduceByArea(picture, kWidth, std::max(1, picture.height * kWidth / picture.width)).view())
            : lightnessOf(picture);
    cv::Mat grey;
    cv::Mat(light.height, light.width, CV_32F, const_cast<float*>(light.values.data())).convertTo(grey, CV_8U, 255);
    cv::equalizeHist(grey, grey);
    return grey;
}

struct Seen {
    cv::Rect place;
    int support;  ///< how many places beside each other saw it
};
constexpr const char* kFaceCascade = "haarcascade_frontalface_alt2.xml";
constexpr double kLeastOfAll = 36.0 / 640, kLeastOfLarge = 0.08;

std::vector<Seen> seenIn(const cv::Mat& grey, const cv::Rect& part, double leastWidth)
{
    constexpr int kNeighbours = 4;
    const int least = static_cast<int>(std::lround(leastWidth * grey.cols));
    std::vector<cv::Rect> found;
    std::vector<int> support;
    cascade(kFaceCascade)->detectMultiScale(grey(part), found, support, 1.1, kNeighbours, 0, cv::Size(least, least));
    std::vector<Seen> seen;
    for (std::size_t i = 0; i < found.size(); ++i)
        seen.push_back({found[i] + part.tl(), i < support.size() ? support[i] : 0});
    return seen;
}

/// Parts that touch become one.
void join(std::vector<cv::Rect>& parts, cv::Rect one)
{
    for (std::size_t i = 0; i < parts.size();)
        if ((parts[i] & one).area() > 0)
            one |= parts[i], parts.erase(parts.begin() + static_cast<std::ptrdiff_t>(i)), i = 0;
        else
            ++i;
    parts.push_back(one);
}

/// Looked for only round where coarser steps of size see one at all. (Quicker kinds of features do not see faces that
/// are out of focus.)
std::vector<Seen> seenLarge(const cv::Mat& grey)
{
    constexpr double kStep = 1.3, kRoom = 0.5, kSmaller = 0.9, kCoarseWidth = 520;
    const cv::Rect whole({0, 0}, grey.size());
    const double scale = std::min(1.0, kCoarseWidth / grey.cols);
    cv::Mat small;
    cv::resize(grey, small, {}, scale, scale, cv::INTER_AREA);
    const int least = static_cast<int>(kSmaller * kLeastOfLarge * small.cols);
    std::vector<cv::Rect> hints, parts;
    cascade(kFaceCascade)->detectMultiScale(small, hints, kStep, 0, 0, cv::Size(least, least));
    for (const cv::Rect& hint : hints) {
        const double room = kRoom * hint.width, size = (hint.width + 2 * room) / scale;
        join(parts, cv::Rect(cv::Rect2d((hint.x - room) / scale, (hint.y - room) / scale, size, size)) & whole);
    }
    std::vector<Seen> seen;
    for (const cv::Rect& part : parts)
        for (const Seen& one : seenIn(grey, part, kLeastOfLarge))
            seen.push_back(one);
    return seen;
}

/// Two eyes in the upper half, side by side.
bool hasEyes(const cv::Mat& grey, const cv::Rect& face)
{
    cv::CascadeClassifier* eyes = cascade("haarcascade_eye.xml");
    if (!eyes)
        return false;
    const cv::Rect upper(face.x, face.y, face.width, face.height * 3 / 5);
    std::vector<cv::Rect> found;
    cv::Mat large;
    constexpr double kWide = 160;
    const double scale = std::max(1.0, kWide / face.width);
    cv::resize(grey(upper), large, {}, scale, scale, cv::INTER_LINEAR);
    eyes->detectMultiScale(large, found, 1.1, 4, 0, cv::Size(large.cols / 7, large.cols / 7));
    const auto isLeft = [&](const cv::Rect& e) { return e.x + e.width / 2 < large.cols / 2; };
    return std::any_of(found.begin(), found.end(), isLeft) && !std::all_of(found.begin(), found.end(), isLeft);
}

/// From the forehead down over the cheeks.
Stroke strokeOver(const Region& face)
{
    const double width = face.right - face.left, high = face.bottom - face.top;
    const auto at = [&](double x, double y) { return Stroke::Point{{face.left + x * width, face.top + y * high}, 1}; };
    return {{at(0.5, 0.25), at(0.32, 0.6), at(0.5, 0.75), at(0.68, 0.6), at(0.5, 0.3)}, 0.08 * width, 0.5, 1};
}

/// What lies in the face, less what is not of its colours; else the oval of the face.
cv::Mat skinOf(const ThingPicture& ground, const Region& face)
{
    constexpr double kLeast = 0.5, kRoom = 0.9;
    cv::Mat skin;
    for (const Proposal& p : proposeThing(ground, strokeOver(face)))
        if (skin.empty())
            skin = matOf(p.mask);
    if (skin.empty())
        return skin;
    const double width = (face.right - face.left) * skin.cols, high = (face.bottom - face.top) * skin.rows;
    const cv::Point middle(static_cast<int>((face.left + face.right) / 2 * skin.cols),
                           static_cast<int>((face.top + face.bottom) / 2 * skin.rows));
    const auto oval = [&](double share) {
        cv::Mat mask = cv::Mat::zeros(skin.size(), CV_8U);
        cv::ellipse(mask, middle, {static_cast<int>(share * width), static_cast<int>(share * 1.2 * high)}, 0, 0, 360,
                    255, cv::FILLED);
        return mask;
    };
    const cv::Mat inner = oval(0.36);
    skin &= oval(kRoom);
    if (cv::countNonZero(skin & inner) < kLeast * cv::countNonZero(inner))
        return inner;
    return skin;
}

}  // namespace

std::vector<Face> facesOf(ImageView picture, FaceSearch search)
{
    constexpr int kSmallest = 64;
    constexpr double kPlain = 0.45, kWithEyes = 0.72, kFirm = 12, kMore = 0.12;
    std::vector<Face> faces;
    if (!cascade(kFaceCascade) || picture.width < kSmallest || picture.height < kSmallest)
        return faces;
    const cv::Mat grey = greyOf(picture);
    for (const auto& [f, support] :
         search == FaceSearch::All ? seenIn(grey, {{0, 0}, grey.size()}, kLeastOfAll) : seenLarge(grey)) {
        const double firm = std::min(1.0, support / kFirm);
        faces.push_back(
            {{static_cast<double>(f.x) / grey.cols, static_cast<double>(f.y) / grey.rows,
              static_cast<double>(f.x + f.width) / grey.cols, static_cast<double>(f.y + f.height) / grey.rows},
             (hasEyes(grey, f) ? kWithEyes : kPlain) + kMore * firm});
    }
    std::stable_sort(faces.begin(), faces.end(), [](const Face& a, const Face& b) { return a.sureness > b.sureness; });
    return faces;
}

Proposal proposeFaces(ImageView picture)
{
    longCall("proposeFaces");
    Proposal skin;
    skin.mask = {1, 1, {0}};
    skin.from = "no face is seen: mark skin on one frame";
    cv::Mat all;
    int count = 0;
    ThingPicture ground;
    for (const Face& face : facesOf(picture)) {
        if (face.sureness < Proposal::kProposeFrom)
            continue;
        if (!ground)
            ground = thingPictureOf(picture);
        const cv::Mat one = ground ? skinOf(ground, face.place) : cv::Mat();
        if (one.empty())
            continue;
        all = all.empty() ? one : cv::Mat(all | one);
        skin.sureness = count == 0 ? face.sureness : std::min(skin.sureness, face.sureness);
        ++count;
    }
    if (count == 0)
        return skin;
    skin.mask = foundMaskOf(all);
    skin.from = count == 1 ? "a face with two eyes" : std::to_string(count) + " faces with two eyes each";
    return skin;
}

}  // namespace amber
