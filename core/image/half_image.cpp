#include "core/image/half_image.h"

#include <algorithm>
#include <bit>

namespace amber {
namespace {

constexpr float kLargest = 65504;

/// Rounded to the nearest, ties to even. Values under the normal range of halves are rounded to its steps.
std::uint16_t toHalf(float value)
{
    const float held = std::clamp(value, -kLargest, kLargest);
    const auto bits = std::bit_cast<std::uint32_t>(held);
    const std::uint32_t sign = bits >> 16 & 0x8000, size = bits & 0x7fffffff;
    if (size < 0x38800000) {
        // Subnormal: as many steps of 2^-24 as come nearest.
        const float steps = std::bit_cast<float>(size) * 16777216.0f;
        return static_cast<std::uint16_t>(sign | static_cast<std::uint32_t>(steps + 0.5f));
    }
    const std::uint32_t rounded = size + 0xfff + (size >> 13 & 1);
    return static_cast<std::uint16_t>(sign | ((rounded - 0x38000000) >> 13));
}

float toFloat(std::uint16_t half)
{
    const std::uint32_t sign = static_cast<std::uint32_t>(half & 0x8000) << 16, size = half & 0x7fffu;
    if (size < 0x400) {
        const float value = static_cast<float>(size) / 16777216.0f;
        return sign ? -value : value;
    }
    return std::bit_cast<float>(sign | ((size << 13) + 0x38000000));
}

}  // namespace

HalfImage::HalfImage(ImageView picture)
    : m_width(picture.width), m_height(picture.height),
      m_values(static_cast<std::size_t>(picture.width) * static_cast<std::size_t>(picture.height) * 3)
{
    auto to = m_values.begin();
    for (int y = 0; y < m_height; ++y)
        to = std::transform(picture.row(y), picture.row(y) + std::ptrdiff_t{3} * m_width, to, toHalf);
}

Image HalfImage::image() const
{
    Image image = Image::unset(m_width, m_height);
    std::transform(m_values.begin(), m_values.end(), image.mutableView().data, toFloat);
    return image;
}

}  // namespace amber
