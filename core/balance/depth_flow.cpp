#include "core/balance/depth_flow.h"

#include "core/base/long_call.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>
#include <opencv2/video/tracking.hpp>

namespace amber {

struct DepthFlow::Data {
    Registration registration;
    cv::Mat there, back;  ///< pixels of `to`: from where a thing was laid to where it is, and back
    int width = 0, height = 0;
};

namespace {

/// OKLab L by its rank among all of the picture, as 8-bit codes; what is not covered is black.
cv::Mat ranksOf(ImageView picture)
{
    cv::Mat codes(picture.height, picture.width, CV_8U);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x) {
            const float* p = picture.row(y) + 3 * x;
            const double L = std::isnan(p[0]) ? 0 : toOkLab(LinearRgb{p[0], p[1], p[2]}).L;
            codes.at<std::uint8_t>(y, x) = static_cast<std::uint8_t>(std::lround(255 * std::clamp(L, 0.0, 1.0)));
        }
    cv::equalizeHist(codes, codes);
    return codes;
}

cv::Vec2f at(const cv::Mat& flow, double x, double y)
{
    const int u = std::clamp(static_cast<int>(std::lround(x)), 0, flow.cols - 1),
              v = std::clamp(static_cast<int>(std::lround(y)), 0, flow.rows - 1);
    return flow.at<cv::Vec2f>(v, u);
}

}  // namespace

DepthFlow::DepthFlow(ImageView from, ImageView to, const Registration& registration)
{
    longCall("DepthFlow");
    auto data = std::make_shared<Data>();
    data->registration = registration, data->width = to.width, data->height = to.height;
    try {
        const cv::Mat laid = ranksOf(laidOver(from, registration, to.width, to.height).view()), seen = ranksOf(to);
        const auto flow = cv::DISOpticalFlow::create(cv::DISOpticalFlow::PRESET_MEDIUM);
        flow->setUseMeanNormalization(true);
        flow->setFinestScale(0);
        flow->calc(laid, seen, data->there);
        flow->calc(seen, laid, data->back);
    } catch (const cv::Exception&) {
        data->there = cv::Mat::zeros(to.height, to.width, CV_32FC2);  // too small to be followed: by its plane alone
        data->back = data->there;
    }
    m_data = std::move(data);
}

std::optional<Registration::Place> DepthFlow::map(Registration::Place from) const
{
    constexpr double kSame = 0.0015;
    const Data& d = *m_data;
    const Registration::Place plane = d.registration.map(from);
    const double x = plane.x * d.width - 0.5, y = plane.y * d.height - 0.5;
    if (x < 0 || y < 0 || x > d.width - 1 || y > d.height - 1)
        return std::nullopt;
    const cv::Vec2f there = at(d.there, x, y), back = at(d.back, x + there[0], y + there[1]);
    if (std::hypot(there[0] + back[0], there[1] + back[1]) > std::max(0.75, kSame * std::max(d.width, d.height)))
        return std::nullopt;
    return Registration::Place{(x + there[0] + 0.5) / d.width, (y + there[1] + 0.5) / d.height};
}

}  // namespace amber
