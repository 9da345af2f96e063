#include "core/retouch/grey_print.h"

#include "core/colour/rgb_space.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>
#include <sstream>

namespace amber {
namespace {

constexpr double kLeast = 0.35, kFiner = 1.015;
constexpr int kFewest = 24;  // pixels of a side: less says nothing

cv::Mat matOf(const GreyPrint& print)
{
    return {print.height, print.width, CV_8U, const_cast<std::uint8_t*>(print.grey.data())};
}

/// One size of the part tried everywhere in the whole.
GreyPlace bestAt(const cv::Mat& whole, const cv::Mat& part, double width)
{
    const int w = static_cast<int>(std::lround(width)),
              h = static_cast<int>(std::lround(width * part.rows / part.cols));
    GreyPlace found;
    if (w > whole.cols || h > whole.rows || w < kFewest || h < kFewest)
        return found;
    cv::Mat scaled, scores;
    cv::resize(part, scaled, {w, h}, 0, 0, cv::INTER_AREA);
    cv::matchTemplate(whole, scaled, scores, cv::TM_CCOEFF_NORMED);
    cv::Point at;
    cv::minMaxLoc(scores, nullptr, &found.likeness, nullptr, &at);
    if (!std::isfinite(found.likeness))
        found.likeness = -1;
    const double x = whole.cols, y = whole.rows;
    found.place = {at.x / x, at.y / y, std::min(1.0, (at.x + w) / x), std::min(1.0, (at.y + h) / y)};
    return found;
}

}  // namespace

GreyPrint greyPrintOf(ImageView picture)
{
    const Size size = fitted({picture.width, picture.height}, kGreyPrintEdge);
    const Image small = reduceByArea(picture, size.width, size.height);
    GreyPrint print{size.width, size.height, {}};
    for (int i = 0; i < size.width * size.height; ++i) {
        const float* p = small.view().data + std::ptrdiff_t{3} * i;
        const double luminance = 0.2627 * p[0] + 0.6780 * p[1] + 0.0593 * p[2];  // BT.2020, table 4
        const double code = encodeComponent(RgbSpace::Srgb, std::clamp(luminance, 0.0, 1.0)) * 255;
        print.grey.push_back(static_cast<std::uint8_t>(std::lround(code)));
    }
    return print;
}

std::string greyPrintToText(const GreyPrint& print)
{
    static constexpr const char* kDigits = "0123456789abcdef";
    std::string text = std::to_string(print.width) + " " + std::to_string(print.height) + " ";
    for (const std::uint8_t v : print.grey)
        text += {kDigits[v >> 4], kDigits[v & 15]};
    return text;
}

GreyPrint greyPrintFromText(const std::string& text)
{
    std::istringstream in(text);
    in.imbue(std::locale::classic());
    GreyPrint print;
    std::string digits;
    if (!(in >> print.width >> print.height >> digits) || print.width < 1 || print.height < 1 ||
        print.width > kGreyPrintEdge || print.height > kGreyPrintEdge ||
        digits.size() != 2 * static_cast<std::size_t>(print.width) * print.height ||
        digits.find_first_not_of("0123456789abcdef") != std::string::npos)
        return {};
    const auto digit = [](char c) { return c <= '9' ? c - '0' : c - 'a' + 10; };
    for (std::size_t i = 0; i < digits.size(); i += 2)
        print.grey.push_back(static_cast<std::uint8_t>(16 * digit(digits[i]) + digit(digits[i + 1])));
    return print;
}

GreyPlace placeIn(const GreyPrint& whole, const GreyPrint& part)
{
    if (whole.grey.empty() || part.grey.empty())
        return {};
    const cv::Mat all = matOf(whole), piece = matOf(part);
    GreyPlace best;
    double bestWidth = 0;
    const auto consider = [&](double width) {
        if (const GreyPlace found = bestAt(all, piece, width); found.likeness > best.likeness)
            best = found, bestWidth = width;
    };
    for (double width = whole.width; width >= kLeast * whole.width; width /= 1 + 4 * (kFiner - 1))
        consider(width);
    // A part as high as the whole, to the pixel.
    consider(static_cast<double>(whole.height) * piece.cols / piece.rows);
    for (const double coarse = bestWidth; const double by : {-3, -2, -1, 1, 2, 3})
        consider(std::min<double>(whole.width, coarse * std::pow(kFiner, by)));
    return best;
}

}  // namespace amber
