// Light borders along strong edges and along the edges of areas: how far lightness overshoots there after the look
// (core/area/area_measures.h).
#include "core/area/area_measures.h"
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"
#include "core/proof/patches.h"

#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

/// What is light against what is dark, parted where they part best (N. Otsu, IEEE Trans. SMC 9(1), 1979): a roof line.
Plane lightAgainstDark(const CheckedFrame& frame)
{
    cv::Mat tones(frame.height(), frame.width(), CV_8U);
    for (int y = 0; y < frame.height(); ++y)
        for (int x = 0; x < frame.width(); ++x)
            tones.at<std::uint8_t>(y, x) = cv::saturate_cast<std::uint8_t>(
                255 * frame.labBefore()[static_cast<std::size_t>(y) * frame.width() + x].L);
    cv::Mat smooth, parted;
    cv::medianBlur(tones, smooth, 5);
    cv::threshold(smooth, parted, 0, 1, cv::THRESH_BINARY | cv::THRESH_OTSU);
    Plane plane(frame.width(), frame.height());
    for (int y = 0; y < frame.height(); ++y)
        for (int x = 0; x < frame.width(); ++x)
            plane.row(y)[x] = parted.at<std::uint8_t>(y, x);
    return gaussianMean(std::move(plane), 0.7);
}

using BeforeAndAfter = std::pair<Plane, Plane>;

void add(const BeforeAndAfter& lightness, const Plane& mask, const std::string& part, std::vector<Measured>& out)
{
    if (shareOf(mask) < 0.01 || shareOf(mask) > 0.99)
        return;
    const double halo = haloOf(lightness.first, lightness.second, mask);
    const std::string by = fixedText(100 * halo, 1);
    out.push_back({100 * halo,
                   {},
                   part.empty() ? phrase("lightness overshoots by %1 hundredths along strong edges", {by})
                                : phrase("lightness overshoots by %1 hundredths along the edge of %2", {by, part}),
                   part,
                   -1,
                   {}});
}

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    if (frame.look().steps.empty())
        return;
    const BeforeAndAfter lightness{lightnessOf(frame.balanced()), lightnessOf(frame.finished())};
    add(lightness, lightAgainstDark(frame), {}, out);
    for (const std::string& role : rolesInUse(frame.look()))
        if (const auto mask = frame.masks().find(role); mask != frame.masks().end())
            add(lightness, mask->second, role, out);
}

}  // namespace

const CheckKind kHalo{
    "halo",    "Halo",  "hundredths", 1, "A light border round dark things says that a machine was at work.",
    {8, 8, 8}, measure, nullptr};

}  // namespace amber
