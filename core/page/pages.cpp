#include "core/page/pages.h"

#include <algorithm>
#include <cairo-pdf.h>
#include <cmath>
#include <pango/pangocairo.h>

namespace amber {
namespace {

/// Frees what the two libraries count by references.
template <auto Free>
struct Freed {
    template <class T>
    void operator()(T* thing) const
    {
        Free(thing);
    }
};
using SurfaceHandle = std::unique_ptr<cairo_surface_t, Freed<cairo_surface_destroy>>;
using ContextHandle = std::unique_ptr<cairo_t, Freed<cairo_destroy>>;
using LayoutHandle = std::unique_ptr<PangoLayout, Freed<g_object_unref>>;
using FontHandle = std::unique_ptr<PangoFontDescription, Freed<pango_font_description_free>>;

cairo_status_t append(void* bytes, const unsigned char* data, unsigned int length)
{
    static_cast<std::string*>(bytes)->append(reinterpret_cast<const char*>(data), length);
    return CAIRO_STATUS_SUCCESS;
}

double points(int pangoUnits) { return static_cast<double>(pangoUnits) / PANGO_SCALE; }

}  // namespace

struct Pages::Surface {
    std::string bytes;  ///< of the PDF
    SurfaceHandle surface;
    ContextHandle context;
    double pixelsPerPoint = 0;  ///< 0: a PDF
    std::vector<PagePicture> done;

    void beginPicture(double width, double height)
    {
        surface.reset(cairo_image_surface_create(CAIRO_FORMAT_RGB24,
                                                 static_cast<int>(std::lround(width * pixelsPerPoint)),
                                                 static_cast<int>(std::lround(height * pixelsPerPoint))));
        context.reset(cairo_create(surface.get()));
        cairo_set_source_rgb(context.get(), 1, 1, 1);
        cairo_paint(context.get());
        cairo_scale(context.get(), pixelsPerPoint, pixelsPerPoint);
    }
    void endPicture()
    {
        cairo_surface_flush(surface.get());
        PagePicture page{
            cairo_image_surface_get_width(surface.get()), cairo_image_surface_get_height(surface.get()), {}};
        const unsigned char* rows = cairo_image_surface_get_data(surface.get());
        const int stride = cairo_image_surface_get_stride(surface.get());
        page.pixels.resize(static_cast<std::size_t>(page.width) * static_cast<std::size_t>(page.height));
        for (int y = 0; rows && y < page.height; ++y) {
            const auto* row = reinterpret_cast<const std::uint32_t*>(rows + static_cast<std::ptrdiff_t>(y) * stride);
            for (int x = 0; x < page.width; ++x)
                page.pixels[static_cast<std::size_t>(y) * static_cast<std::size_t>(page.width) +
                            static_cast<std::size_t>(x)] = row[x] | 0xff000000U;
        }
        done.push_back(std::move(page));
    }

    LayoutHandle layout(const std::string& text, double width, const TextStyle& style) const
    {
        LayoutHandle made(pango_cairo_create_layout(context.get()));
        const FontHandle font(pango_font_description_from_string("Inter, Sans"));
        pango_font_description_set_absolute_size(font.get(), style.size * PANGO_SCALE);
        pango_font_description_set_weight(font.get(), style.isStrong ? PANGO_WEIGHT_SEMIBOLD : PANGO_WEIGHT_NORMAL);
        pango_font_description_set_style(font.get(), style.isSlanted ? PANGO_STYLE_ITALIC : PANGO_STYLE_NORMAL);
        pango_layout_set_font_description(made.get(), font.get());
        pango_layout_set_width(made.get(), static_cast<int>(width * PANGO_SCALE));
        pango_layout_set_wrap(made.get(), PANGO_WRAP_WORD_CHAR);
        pango_layout_set_line_spacing(made.get(), 1.15F);
        pango_layout_set_text(made.get(), text.data(), static_cast<int>(text.size()));
        return made;
    }
};

Pages::Pages(const std::string& title, double width, double height)
    : m_surface(std::make_unique<Surface>()), m_width(width), m_height(height)
{
    m_surface->surface.reset(cairo_pdf_surface_create_for_stream(append, &m_surface->bytes, width, height));
    cairo_pdf_surface_set_metadata(m_surface->surface.get(), CAIRO_PDF_METADATA_TITLE, title.c_str());
    cairo_pdf_surface_set_metadata(m_surface->surface.get(), CAIRO_PDF_METADATA_CREATOR, "Jolly Amber");
    m_surface->context.reset(cairo_create(m_surface->surface.get()));
}

Pages::Pages(double width, double height, double pixelsPerPoint)
    : m_surface(std::make_unique<Surface>()), m_width(width), m_height(height)
{
    m_surface->pixelsPerPoint = pixelsPerPoint;
    m_surface->beginPicture(width, height);
}

Pages::~Pages() = default;

double Pages::textHeight(const std::string& text, double width, const TextStyle& style)
{
    int height = 0;
    pango_layout_get_size(m_surface->layout(text, width, style).get(), nullptr, &height);
    return points(height);
}

double Pages::text(double x, double y, double width, const std::string& text, const TextStyle& style,
                   bool isRightAligned)
{
    cairo_t* to = m_surface->context.get();
    const LayoutHandle layout = m_surface->layout(text, width, style);
    if (isRightAligned)
        pango_layout_set_alignment(layout.get(), PANGO_ALIGN_RIGHT);
    int height = 0;
    pango_layout_get_size(layout.get(), nullptr, &height);
    cairo_set_source_rgb(to, style.ink, style.ink, style.ink);
    cairo_move_to(to, x, y);
    pango_cairo_show_layout(to, layout.get());
    return points(height);
}

void Pages::oneLine(double x, double y, double width, const std::string& text, const TextStyle& style)
{
    cairo_t* to = m_surface->context.get();
    const LayoutHandle layout = m_surface->layout(text, width, style);
    pango_layout_set_height(layout.get(), -1);
    pango_layout_set_ellipsize(layout.get(), PANGO_ELLIPSIZE_END);
    cairo_set_source_rgb(to, style.ink, style.ink, style.ink);
    cairo_move_to(to, x, y);
    pango_cairo_show_layout(to, layout.get());
}

double Pages::picture(double x, double y, double width, const PagePicture& picture)
{
    if (picture.width <= 0 || picture.height <= 0)
        return 0;
    cairo_t* to = m_surface->context.get();
    // Cairo reads the pixels while the page is made: a copy of its own outlives this call.
    const SurfaceHandle image(cairo_image_surface_create(CAIRO_FORMAT_RGB24, picture.width, picture.height));
    cairo_surface_flush(image.get());
    unsigned char* rows = cairo_image_surface_get_data(image.get());
    const int stride = cairo_image_surface_get_stride(image.get());
    const bool isWhole =
        picture.pixels.size() == static_cast<std::size_t>(picture.width) * static_cast<std::size_t>(picture.height);
    for (int row = 0; rows && isWhole && row < picture.height; ++row)
        std::copy_n(picture.pixels.data() + static_cast<std::ptrdiff_t>(row) * picture.width, picture.width,
                    reinterpret_cast<std::uint32_t*>(rows + static_cast<std::ptrdiff_t>(row) * stride));
    cairo_surface_mark_dirty(image.get());
    if (!picture.jpeg.empty()) {
        auto* bytes = new std::string(picture.jpeg);
        cairo_surface_set_mime_data(
            image.get(), CAIRO_MIME_TYPE_JPEG, reinterpret_cast<const unsigned char*>(bytes->data()), bytes->size(),
            [](void* kept) { delete static_cast<std::string*>(kept); }, bytes);
    }
    const double scale = width / picture.width;
    cairo_save(to);
    cairo_translate(to, x, y);
    cairo_scale(to, scale, scale);
    cairo_set_source_surface(to, image.get(), 0, 0);
    cairo_paint(to);
    cairo_restore(to);
    return scale * picture.height;
}

void Pages::line(double x, double y, double toX, double toY, double thickness, double ink)
{
    cairo_t* to = m_surface->context.get();
    cairo_set_source_rgb(to, ink, ink, ink);
    cairo_set_line_width(to, thickness);
    cairo_move_to(to, x, y);
    cairo_line_to(to, toX, toY);
    cairo_stroke(to);
}

void Pages::box(double x, double y, double width, double height, std::uint32_t rgb)
{
    cairo_t* to = m_surface->context.get();
    cairo_set_source_rgb(to, (rgb >> 16 & 255) / 255.0, (rgb >> 8 & 255) / 255.0, (rgb & 255) / 255.0);
    cairo_rectangle(to, x, y, width, height);
    cairo_fill(to);
}

void Pages::nextPage()
{
    if (m_surface->pixelsPerPoint <= 0)
        return cairo_show_page(m_surface->context.get());
    m_surface->endPicture();
    m_surface->beginPicture(m_width, m_height);
}

Result<std::string> Pages::finish()
{
    m_surface->context.reset();
    cairo_surface_finish(m_surface->surface.get());
    if (const cairo_status_t status = cairo_surface_status(m_surface->surface.get()); status != CAIRO_STATUS_SUCCESS)
        return fail("the pages could not be made", {}, {}, cairo_status_to_string(status));
    return std::move(m_surface->bytes);
}

Result<std::vector<PagePicture>> Pages::pictures()
{
    if (const cairo_status_t status = cairo_surface_status(m_surface->surface.get()); status != CAIRO_STATUS_SUCCESS)
        return fail("the pages could not be made", {}, {}, cairo_status_to_string(status));
    m_surface->endPicture();
    m_surface->context.reset();
    return std::move(m_surface->done);
}

}  // namespace amber
