// Pages for people: text, pictures and lines laid on paper by Cairo and Pango; made into one PDF file (ISO 32000), or
// into pictures. Lengths are in points (1/72 inch) from the upper left corner of the page. One thread at a time.
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <memory>
#include <string>
#include <vector>

namespace amber {

/// 8-bit sRGB pixels, 0xffRRGGBB, rows without gaps.
struct PagePicture {
    int width = 0, height = 0;
    std::vector<std::uint32_t> pixels;
    /// The same as a JPEG file: it is what is put into a PDF, when it is not empty.
    std::string jpeg = {};
};

class Pages {
public:
    struct TextStyle {
        double size = 10;
        bool isStrong = false, isSlanted = false;
        double ink = 0.1;  ///< 0 black to 1 white
    };
    static constexpr double kA4Width = 595.28, kA4Height = 841.89;

    /// A PDF file; `title` goes into the file's own description.
    explicit Pages(const std::string& title, double width = kA4Width, double height = kA4Height);
    /// Pictures of white paper, with so many pixels to a point.
    Pages(double width, double height, double pixelsPerPoint);
    ~Pages();
    Pages(const Pages&) = delete;
    Pages& operator=(const Pages&) = delete;

    double width() const { return m_width; }
    double height() const { return m_height; }
    /// Height that a text takes, broken into lines within `width`.
    double textHeight(const std::string& text, double width, const TextStyle& style);
    /// Returns the height taken.
    double text(double x, double y, double width, const std::string& text, const TextStyle& style,
                bool isRightAligned = false);
    /// One line: what does not fit in is left out with a mark.
    void oneLine(double x, double y, double width, const std::string& text, const TextStyle& style);
    /// Scaled to this width; returns the height.
    double picture(double x, double y, double width, const PagePicture& picture);
    void line(double x, double y, double toX, double toY, double thickness = 0.5, double ink = 0.6);
    void box(double x, double y, double width, double height, std::uint32_t rgb);
    /// What follows goes on another page.
    void nextPage();
    /// The bytes of the PDF file. Nothing can be added after it.
    Result<std::string> finish();
    /// The pages as pictures. Nothing can be added after it.
    Result<std::vector<PagePicture>> pictures();

private:
    struct Surface;
    std::unique_ptr<Surface> m_surface;
    double m_width, m_height;
};

}  // namespace amber
