// Pixel buffers and views. Pixels are interleaved RGB floats; views never own.
#pragma once

#include "core/base/unset_floats.h"

#include <cstddef>

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
    /// Of zeros.
    Image(int width, int height)
        : m_width(width), m_height(height), m_pixels(static_cast<std::size_t>(width) * height * 3, 0.0f)
    {
    }
    /// Of whatever lies there: for those that write every pixel.
    static Image unset(int width, int height)
    {
        Image image;
        image.m_width = width, image.m_height = height;
        image.m_pixels.resize(static_cast<std::size_t>(width) * height * 3);
        return image;
    }

    int width() const { return m_width; }
    int height() const { return m_height; }
    bool isEmpty() const { return m_pixels.empty(); }
    ImageView view() const { return {m_pixels.data(), m_width, m_height, std::ptrdiff_t{3} * m_width}; }
    MutableImageView mutableView() { return {m_pixels.data(), m_width, m_height, std::ptrdiff_t{3} * m_width}; }

private:
    int m_width = 0, m_height = 0;
    UnsetFloats m_pixels;
};

}  // namespace amber
