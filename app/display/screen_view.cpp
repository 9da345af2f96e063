#include "app/display/screen_view.h"

#include "core/colour/rgb_space.h"

namespace amber {

ScreenView& ScreenView::instance()
{
    static ScreenView one;
    return one;
}

std::shared_ptr<const ViewTransform> ScreenView::view() const
{
    const std::lock_guard lock(m_mutex);
    return m_view;
}

void ScreenView::set(std::shared_ptr<const ViewTransform> view, bool outside)
{
    {
        const std::lock_guard lock(m_mutex);
        if (m_view == view && m_outside == outside)
            return;
        m_view = std::move(view);
    }
    m_outside = outside;
    emit changed();
}

QImage toScreen(ImageView linear, const ViewTransform& view)
{
    QImage image(linear.width, linear.height, QImage::Format_RGB32);
    view.apply(linear, reinterpret_cast<std::uint32_t*>(image.bits()),
               static_cast<std::size_t>(image.bytesPerLine()) / sizeof(QRgb));
    return image;
}

QImage toScreen(ImageView linear) { return toScreen(linear, *ScreenView::instance().view()); }

QColor screenColour(const LinearRgb& c)
{
    const float light[3] = {static_cast<float>(c.r), static_cast<float>(c.g), static_cast<float>(c.b)};
    std::uint32_t pixel = 0;
    ScreenView::instance().view()->apply({light, 1, 1, 3}, &pixel, 1);
    return QColor::fromRgb(pixel);
}

QImage onScreen(const QImage& srgb)
{
    const auto view = ScreenView::instance().view();
    if (view == ViewTransform::srgb() || srgb.isNull())
        return srgb;
    static const auto decoded = [] {
        std::array<double, 256> all{};
        for (std::size_t i = 0; i < all.size(); ++i)
            all[i] = decodeComponent(RgbSpace::Srgb, static_cast<double>(i) / 255);
        return all;
    }();
    const QImage codes = srgb.convertToFormat(QImage::Format_RGB32);
    Image light(codes.width(), codes.height());
    for (int y = 0; y < codes.height(); ++y) {
        const auto* in = reinterpret_cast<const QRgb*>(codes.constScanLine(y));
        float* out = light.mutableView().row(y);
        for (int x = 0; x < codes.width(); ++x, out += 3) {
            const LinearRgb c =
                apply(toWorking(RgbSpace::Srgb), LinearRgb{decoded[static_cast<std::size_t>(qRed(in[x]))],
                                                           decoded[static_cast<std::size_t>(qGreen(in[x]))],
                                                           decoded[static_cast<std::size_t>(qBlue(in[x]))]});
            out[0] = static_cast<float>(c.r), out[1] = static_cast<float>(c.g), out[2] = static_cast<float>(c.b);
        }
    }
    return toScreen(light.view(), *view);
}

void layOverOutside(ImageView linear, const ViewTransform& view, QImage& picture)
{
    std::vector<std::uint8_t> marks(static_cast<std::size_t>(linear.width) * linear.height);
    view.markOutside(linear, marks.data());
    // A chequer of dark and light dots reads on any colour, and is no hatching of clipped pixels.
    for (int y = 0; y < picture.height(); ++y) {
        auto* row = reinterpret_cast<QRgb*>(picture.scanLine(y));
        for (int x = 0; x < picture.width(); ++x)
            if (marks[static_cast<std::size_t>(y) * linear.width + x] && (x / 2 + y / 2) % 2 == 0)
                row[x] = (x / 2) % 2 == 0 ? qRgb(12, 12, 12) : qRgb(250, 250, 250);
    }
}

}  // namespace amber
