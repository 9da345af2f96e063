// A picture kept in half floats (IEEE 754 binary16): a cache of half the size, good to a relative 2^-11 within
// 6e-5 .. 65504 and finite beyond.
#pragma once

#include "core/image/image.h"

#include <cstdint>

namespace amber {

class HalfImage {
public:
    HalfImage() = default;
    explicit HalfImage(ImageView picture);
    /// Of the numbers of one that was kept, as values() gave them.
    HalfImage(int width, int height, std::vector<std::uint16_t> values)
        : m_width(width), m_height(height), m_values(std::move(values))
    {
    }
    const std::vector<std::uint16_t>& values() const { return m_values; }
    Image image() const;
    bool isEmpty() const { return m_values.empty(); }
    int width() const { return m_width; }
    int height() const { return m_height; }
    std::size_t bytes() const { return m_values.size() * sizeof(std::uint16_t); }

private:
    int m_width = 0, m_height = 0;
    std::vector<std::uint16_t> m_values;
};

}  // namespace amber
