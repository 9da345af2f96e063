#include "app/screen/screen_page.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"
#include "core/colour/difference.h"
#include "core/colour/gamut.h"
#include "core/colour/rgb_space.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kHead = 20, kGap = 14;
constexpr int kNearBlack[] = {0, 1, 2, 3, 4, 6, 8, 10, 12, 16, 20, 24};
constexpr int kNearWhite[] = {255, 254, 253, 252, 251, 249, 247, 245, 243, 239, 235, 231};

LinearRgb greyOf(double code) { return decode(RgbSpace::Srgb, {code / 255, code / 255, code / 255}); }

void head(QPainter& painter, const QRect& area, const QString& words)
{
    painter.setFont(theme::font(12));
    painter.setPen(theme::kWallInk);
    painter.drawText(QRect(area.left(), area.top(), area.width(), kHead), Qt::AlignVCenter | Qt::AlignLeft,
                     painter.fontMetrics().elidedText(words, Qt::ElideRight, area.width()));
}

/// Where a field is as grey as the wall, its edge is seen.
void outline(QPainter& painter, const QRect& field)
{
    painter.setPen(theme::kWallInk);
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(field.adjusted(0, 0, -1, -1));
}

struct Patch {
    const char* name;
    Lab lab;
};
/// All within sRGB.
const Patch kPatches[] = {
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "shade"), {20, 0, 0}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "stone"), {50, 0, 0}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "chalk"), {85, 0, 0}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "fair skin"), {72, 16, 18}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "dark skin"), {40, 14, 16}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "leaf"), {45, -22, 28}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "sky"), {65, -6, -28}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "brick"), {45, 38, 28}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "straw"), {80, 4, 40}},
    {QT_TRANSLATE_NOOP("amber::ScreenPage", "plum"), {32, 24, -16}},
};

/// Across the width from black to `full`, which is encoded, in sRGB codes.
QImage ramp(const EncodedRgb& full, int width)
{
    Image light(width, 1);
    for (int x = 0; x < width; ++x) {
        const double t = static_cast<double>(x) / std::max(1, width - 1);
        const LinearRgb c = decode(RgbSpace::Srgb, {full.r * t, full.g * t, full.b * t});
        float* p = light.mutableView().row(0) + 3 * x;
        p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
    }
    return toScreen(light.view());
}

}  // namespace

ScreenPage::ScreenPage(QWidget* parent) : QWidget(parent)
{
    setObjectName("screenPage");
    setAccessibleName(tr("Page of known greys and colours"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    connect(&ScreenView::instance(), &ScreenView::changed, this, [this] { update(); });
}

void ScreenPage::paintEnds(QPainter& painter, const QRect& area, bool isBlack) const
{
    head(painter, area,
         isBlack ? tr("Near black: every step should part from the one before it, from 4 on at the latest")
                 : tr("Near white: every step should part from the one before it, from 252 on at the latest"));
    const auto& codes = isBlack ? kNearBlack : kNearWhite;
    const QRect field = area.adjusted(0, kHead, 0, 0);
    painter.fillRect(field, screenColour(greyOf(codes[0])));
    constexpr int kCount = static_cast<int>(std::size(kNearBlack));
    for (int i = 1; i < kCount; ++i) {
        const int left = field.left() + field.width() * i / kCount,
                  right = field.left() + field.width() * (i + 1) / kCount;
        const QRect patch(left, field.top() + 6, right - left - 4, field.height() - 26);
        painter.fillRect(patch, screenColour(greyOf(codes[i])));
        painter.setFont(theme::font(11));
        painter.setPen(screenColour(greyOf(isBlack ? 120 : 110)));
        painter.drawText(QRect(left, patch.bottom() + 2, patch.width(), 17), Qt::AlignCenter,
                         QString::number(codes[i]));
    }
}

void ScreenPage::paintGreys(QPainter& painter, const QRect& area) const
{
    head(painter, area, tr("Greys, L* 0 to 100 by fives: even steps, none of them coloured"));
    const QRect field = area.adjusted(0, kHead, 0, 0);
    for (int i = 0; i <= 20; ++i) {
        const int left = field.left() + field.width() * i / 21, right = field.left() + field.width() * (i + 1) / 21;
        painter.fillRect(QRect(left, field.top(), right - left, field.height()),
                         screenColour(fromLab({5.0 * i, 0, 0})));
    }
    outline(painter, field);
}

void ScreenPage::paintRamps(QPainter& painter, const QRect& area) const
{
    head(painter, area, tr("Ramps: no bands, no colour in the grey one"));
    const EncodedRgb ends[] = {{1, 1, 1}, {1, 0, 0}, {0, 1, 0}, {0, 0, 1}};
    const QRect field = area.adjusted(0, kHead, 0, 0);
    for (int i = 0; i < 4; ++i) {
        const int top = field.top() + field.height() * i / 4, bottom = field.top() + field.height() * (i + 1) / 4;
        painter.drawImage(QRect(field.left(), top, field.width(), bottom - top),
                          ramp(ends[i], std::max(2, field.width())));
    }
}

void ScreenPage::paintPatches(QPainter& painter, const QRect& area) const
{
    head(painter, area, tr("Known colours: L*, a*, b* below, to hold an instrument against"));
    const QRect field = area.adjusted(0, kHead, 0, 0);
    constexpr int kColumns = 5;
    const int height = field.height() / 2;
    for (int i = 0; i < static_cast<int>(std::size(kPatches)); ++i) {
        const int left = field.left() + field.width() * (i % kColumns) / kColumns,
                  right = field.left() + field.width() * (i % kColumns + 1) / kColumns,
                  top = field.top() + height * (i / kColumns);
        const Patch& patch = kPatches[i];
        const bool isLast = i % kColumns == kColumns - 1;
        const QRect square(left, top, right - left - (isLast ? 0 : 8), height - 36);
        painter.fillRect(square, screenColour(fromLab(patch.lab)));
        outline(painter, square);
        painter.setPen(theme::kWallInk);
        painter.setFont(theme::font(12));
        painter.drawText(QRect(left, square.bottom() + 2, square.width(), 16), Qt::AlignLeft, tr(patch.name));
        const QString minus = QStringLiteral("\u2212");
        painter.setFont(theme::font(11));
        painter.drawText(
            QRect(left, square.bottom() + 17, square.width(), 16), Qt::AlignLeft,
            QStringLiteral("%1  %2  %3").arg(patch.lab.l).arg(patch.lab.a).arg(patch.lab.b).replace('-', minus));
    }
}

void ScreenPage::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kWall);
    const QRect area = rect().adjusted(16, 10, -16, -14);
    // Shares of the height left by the gaps: two stairs, greys, ramps, patches.
    const int shares[] = {19, 19, 14, 22, 40};
    int total = 0;
    for (const int s : shares)
        total += s;
    const int free = area.height() - 4 * kGap;
    int top = area.top();
    for (int i = 0; i < 5; ++i) {
        const QRect part(area.left(), top, area.width(), free * shares[i] / total);
        i == 0   ? paintEnds(painter, part, true)
        : i == 1 ? paintEnds(painter, part, false)
        : i == 2 ? paintGreys(painter, part)
        : i == 3 ? paintRamps(painter, part)
                 : paintPatches(painter, part);
        top = part.bottom() + 1 + kGap;
    }
}

}  // namespace amber
