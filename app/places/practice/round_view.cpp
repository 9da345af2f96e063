#include "app/places/practice/round_view.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"

#include <QMouseEvent>
#include <QPainter>

namespace amber {
namespace {
constexpr double kGap = 12, kCaption = 22;
}

RoundView::RoundView(QWidget* parent) : QWidget(parent)
{
    setObjectName("roundView");
    setAccessibleName(tr("The pictures of this round"));
    setMinimumSize(360, 240);
    connect(&ScreenView::instance(), &ScreenView::changed, this, qOverload<>(&QWidget::update));
}

void RoundView::show(const DrillRound& round)
{
    m_pictures.clear(), m_captions.clear(), m_message.clear();
    m_chosen = m_right = -1, m_isPainted = false;
    for (std::size_t i = 0; i < round.shown.size(); ++i) {
        m_pictures.push_back(toScreen(round.shown[i].view()));
        m_captions << (round.shown.size() == 9       ? QString::number(i + 1)
                       : round.shown.size() == 1     ? QString()
                       : round.drill == Drill::Match ? (i == 0 ? tr("reference") : tr("yours"))
                                                     : (i == 0 ? tr("first") : tr("second")));
    }
    m_mark = round.mark ? std::optional(QPointF(round.mark->x, round.mark->y)) : std::nullopt;
    update();
}

void RoundView::setMoved(const Image& picture)
{
    if (m_pictures.size() == 2)
        m_pictures[1] = toScreen(picture.view());
    update();
}

void RoundView::setMessage(const QString& words)
{
    m_pictures.clear();
    m_message = words;
    update();
}

void RoundView::setChosen(int tile)
{
    m_chosen = tile;
    update();
}

void RoundView::reveal(int tile)
{
    m_right = tile;
    update();
}

QRectF RoundView::tile(int index) const
{
    const int count = tiles(), columns = count == 9 ? 3 : std::max(1, count), rows = count == 9 ? 3 : 1;
    const QSizeF cell((width() - kGap * (columns + 1)) / columns, (height() - kGap * (rows + 1)) / rows);
    const double caption = count == 1 ? 0 : kCaption;
    const QImage& picture = m_pictures[static_cast<std::size_t>(index)];
    const QSizeF fitted = QSizeF(picture.size()).scaled(cell - QSizeF(0, caption), Qt::KeepAspectRatio);
    const QPointF at(kGap + (index % columns) * (cell.width() + kGap),
                     kGap + (index / columns) * (cell.height() + kGap));
    return {at + QPointF((cell.width() - fitted.width()) / 2, (cell.height() - caption - fitted.height()) / 2), fitted};
}

void RoundView::paintTile(QPainter& painter, int i) const
{
    const QRectF area = tile(i);
    painter.drawImage(area, m_pictures[static_cast<std::size_t>(i)]);
    const bool isRight = i == m_right, isChosen = i == m_chosen;
    QString words = m_captions[i];
    if (isRight)
        words += tr("  this one");
    painter.setFont(theme::font(13, isRight || isChosen));
    painter.setPen(theme::kWallInk);
    painter.drawText(QRectF(area.left(), area.bottom() + 2, area.width(), kCaption - 4),
                     Qt::AlignLeft | Qt::AlignVCenter, words);
    if (isChosen) {
        painter.setPen(QPen(theme::kAmber, 2));
        painter.drawRect(area.adjusted(-3, -3, 3, 3));
    }
    if (isRight) {
        painter.setPen(QPen(theme::kWallInk, 1, Qt::DashLine));
        painter.drawRect(area.adjusted(-6, -6, 6, 6));
    }
}

void RoundView::paintMark(QPainter& painter) const
{
    const QRectF area = tile(0);
    const QPointF at = area.topLeft() + QPointF(m_mark->x() * area.width(), m_mark->y() * area.height());
    painter.setRenderHint(QPainter::Antialiasing);
    for (const auto& [ink, width] : {std::pair(QColor(0, 0, 0, 200), 3.0), std::pair(QColor(0xFA, 0xFA, 0xFA), 1.4)}) {
        painter.setPen(QPen(ink, width));
        painter.drawEllipse(at, 11, 11);
    }
}

void RoundView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kWall);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.setPen(theme::kWallInk);
    painter.setFont(theme::font(13));
    if (m_pictures.empty()) {
        painter.drawText(rect().adjusted(40, 40, -40, -40), Qt::AlignCenter | Qt::TextWordWrap, m_message);
        return;
    }
    for (int i = 0; i < tiles(); ++i)
        paintTile(painter, i);
    if (m_mark)
        paintMark(painter);
    m_isPainted = true;
}

void RoundView::mousePressEvent(QMouseEvent* event)
{
    for (int i = 0; i < tiles(); ++i)
        if (tile(i).contains(event->position()))
            emit tileClicked(i);
}

}  // namespace amber
