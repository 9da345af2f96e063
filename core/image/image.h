// Pixel buffers and views. Pixels are interleaved RGB floats; views never own.
#pragma once

#include <cstddef>
#include <vector>

namespace amber {

/// Read-only pixels: `height` rows of `width` RGB triples, rows `rowStride` floats apart.
struct ImageView {
    const float* data = nullptr;
    int width = 0, height = 0;
    std::ptrdiff_t rowStride = 0;
    const float* row(int y) const { return data + y * rowStride; }
};

struct MutableImageView {
    float* data = nullptr;
    int width = 0, height = 0;
    std::ptrdiff_t rowStride = 0;
    float* row(int y) const { return data + y * rowStride; }
    operator ImageView() const { return {data, width, height, rowStride}; }
};

/// Owns its pixels. Values are linear light in the working space unless the function that made it says otherwise.
class Image {
public:
    Image() = default;
    Image(int width, int height)
        : m_width(width), m_height(height), m_pixels(static_cast<std::size_t>(width) * height * 3)
    {
    }

    int width() const { return m_width; }
    int height() const { return m_height; }
    bool isEmpty() const { return m_pixels.empty(); }
    ImageView view() const { return {m_pixels.data(), m_width, m_height, std::ptrdiff_t{3} * m_width}; }
    MutableImageView mutableView() { return {m_pixels.data(), m_width, m_height, std::ptrdiff_t{3} * m_width}; }

private:
    int m_width = 0, m_height = 0;
    std::vector<float> m_pixels;
};

}  // namespace amber
