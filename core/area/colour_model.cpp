#include "core/area/colour_model.h"

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace amber {

ColourModel::ColourModel() : m_shares(kColours * kColours * kTones, 0) {}

int ColourModel::binOf(const cv::Vec3f& lab, double light)
{
    constexpr float kDark = 0.05f, kRange = 0.3f, kTop = 1.03f;
    const float tone = std::max(lab[0], kDark);
    const auto colour = [&](float c) {
        return std::clamp(static_cast<int>((c / tone + kRange) / (2 * kRange) * kColours), 0, kColours - 1);
    };
    const int l = std::clamp(static_cast<int>(tone * static_cast<float>(light) / kTop * kTones), 0, kTones - 1);
    return (l * kColours + colour(lab[1])) * kColours + colour(lab[2]);
}

ColourModel::ColourModel(const cv::Mat& lab, const cv::Mat& mask, double light) : ColourModel()
{
    double count = 0;
    for (int y = 0; y < lab.rows; ++y)
        for (int x = 0; x < lab.cols; ++x)
            if (mask.at<std::uint8_t>(y, x)) {
                m_shares[static_cast<std::size_t>(binOf(lab.at<cv::Vec3f>(y, x), light))] += 1;
                ++count;
            }
    for (float& share : m_shares)
        share /= static_cast<float>(std::max(count, 1.0));
    blur();
}

/// A Gaussian along each axis; what would leave stays at the end.
void ColourModel::blur()
{
    constexpr int kReach = 3;
    const auto along = [&](int stride, int length, double deviation) {
        std::array<float, 2 * kReach + 1> weights{};
        float sum = 0;
        for (int k = -kReach; k <= kReach; ++k)
            sum += weights[static_cast<std::size_t>(k + kReach)] =
                static_cast<float>(std::exp(-k * k / (2 * deviation * deviation)));
        std::vector<float> to(m_shares.size(), 0);
        for (int i = 0; i < static_cast<int>(m_shares.size()); ++i) {
            const int at = i / stride % length;
            for (int k = -kReach; k <= kReach; ++k)
                to[static_cast<std::size_t>(i + (std::clamp(at + k, 0, length - 1) - at) * stride)] +=
                    m_shares[static_cast<std::size_t>(i)] * weights[static_cast<std::size_t>(k + kReach)] / sum;
        }
        m_shares = std::move(to);
    };
    along(1, kColours, 1);
    along(kColours, kColours, 1);
    along(kColours * kColours, kTones, 1.2);
}

ColourModel ColourModel::meanOf(const std::vector<ColourModel>& models)
{
    ColourModel mean;
    for (const ColourModel& m : models)
        for (std::size_t i = 0; i < m.m_shares.size(); ++i)
            mean.m_shares[i] += m.m_shares[i] / static_cast<float>(models.size());
    return mean;
}

float ColourModel::of(const cv::Vec3f& lab, double light) const
{
    return m_shares[static_cast<std::size_t>(binOf(lab, light))];
}

double ColourModel::likeness(const ColourModel& other) const
{
    double sum = 0;
    for (std::size_t i = 0; i < m_shares.size(); ++i)
        sum += std::sqrt(static_cast<double>(m_shares[i]) * other.m_shares[i]);
    return sum;
}

double ColourModel::common(const ColourModel& other) const
{
    double sum = 0;
    for (std::size_t i = 0; i < m_shares.size(); ++i)
        sum += std::min(m_shares[i], other.m_shares[i]);
    return sum;
}

}  // namespace amber
