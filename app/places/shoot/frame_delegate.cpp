#include "app/places/shoot/frame_delegate.h"

#include "app/document/frame_model.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kThinnest = 3, kSmallestCell = 216, kInset = 14, kCaptionHeight = 26;

/// What the frame is chosen for, or how it stands; the most urgent comes first.
QString roleOf(const QModelIndex& index)
{
    if (index.data(FrameModel::ChangedRole).toBool())
        return FrameModel::tr("another content");
    if (index.data(FrameModel::InHandRole).toBool())
        return FrameModel::tr("in hand");
    // Ordered by a key colour: how far off it is.
    if (const double far = index.data(FrameModel::FarRole).toDouble(); far >= 0)
        return FrameModel::tr("ΔE %1").arg(theme::number(far, 1));
    if (const int companion = index.data(FrameModel::CompanionRole).toInt(); companion > 0)
        return FrameModel::tr("companion %1").arg(companion);
    if (const QString bracket = index.data(FrameModel::BracketRole).toString(); !bracket.isEmpty())
        return bracket;
    // A look that lands on all frames alike needs no mark.
    const QString look = index.data(FrameModel::LookRole).toString();
    if (index.data(FrameModel::DoneRole).toBool())
        return look.isEmpty() ? FrameModel::tr("done") : FrameModel::tr("%1, done").arg(look);
    return look;
}

/// The rating: so many squares in the lower corner of the picture.
void paintRating(QPainter& painter, const QRect& shown, int stars)
{
    for (int i = 0; i < stars; ++i) {
        const QRect mark(shown.left() + 6 + 11 * i, shown.bottom() - 13, 8, 8);
        painter.fillRect(mark.adjusted(-1, -1, 1, 1), QColor(0, 0, 0, 150));
        painter.fillRect(mark, QColor(0xFA, 0xFA, 0xFA));
    }
}

}  // namespace

FrameDelegate::FrameDelegate(FrameModel& model, QObject* parent) : QStyledItemDelegate(parent), m_model(model)
{
    fit(kSmallestCell);
}

void FrameDelegate::fit(int width)
{
    const int cell = width / std::max(1, width / kSmallestCell);
    m_cell = {cell, (cell - kInset) * 2 / 3 + kCaptionHeight + kInset};
    m_fitted.clear();
}

QRect FrameDelegate::paintPicture(QPainter& painter, const QRect& place, const QModelIndex& index) const
{
    const auto picture = index.data(Qt::DecorationRole).value<QPixmap>();
    if (picture.isNull()) {
        paintMissing(painter, place, index);
        return place;
    }
    // However long a picture is, something of it is seen.
    const QSize size = picture.size().scaled(place.size(), Qt::KeepAspectRatio).expandedTo({kThinnest, kThinnest});
    const QRect shown(place.left() + (place.width() - size.width()) / 2, place.bottom() + 1 - size.height(),
                      size.width(), size.height());
    // Reduced once for the size of the cell, not at every paint: scrolling must not wait for it.
    QPixmap* fitted = m_fitted.object(picture.cacheKey());
    if (!fitted) {
        const qreal ratio = painter.device()->devicePixelRatioF();
        fitted = new QPixmap(picture.scaled(shown.size() * ratio, Qt::IgnoreAspectRatio, Qt::SmoothTransformation));
        fitted->setDevicePixelRatio(ratio);
        m_fitted.insert(picture.cacheKey(), fitted);
    }
    painter.drawPixmap(shown.topLeft(), *fitted);
    return shown;
}

void FrameDelegate::paintMissing(QPainter& painter, const QRect& place, const QModelIndex& index) const
{
    m_model.want(static_cast<const QSortFilterProxyModel*>(index.model())->mapToSource(index));
    painter.setPen(QPen(theme::kWallInk, 1, Qt::DotLine));
    painter.drawRect(place.adjusted(0, 0, -1, -1));
    painter.setPen(theme::kWallInk);
    painter.setFont(theme::font(13));
    painter.drawText(place.adjusted(8, 8, -8, -8), Qt::AlignCenter | Qt::TextWordWrap,
                     index.data(FrameModel::FaultRole).toString().isEmpty() ? FrameModel::tr("reading…")
                     : index.data(FrameModel::LostRole).toBool()            ? FrameModel::tr("Not where it was")
                                                                            : FrameModel::tr("Cannot be read"));
}

void FrameDelegate::paintCaption(QPainter& painter, const QRect& caption, const QModelIndex& index) const
{
    painter.setPen(theme::kWallInk);
    painter.setFont(theme::font(13, index.data(FrameModel::InHandRole).toBool()));
    constexpr int kLeastName = 56;
    const QString role =
        painter.fontMetrics().elidedText(roleOf(index), Qt::ElideRight, caption.width() - kLeastName - 20);
    const int wide = painter.fontMetrics().horizontalAdvance(role);
    const int room = caption.width() - (role.isEmpty() ? 0 : wide + 20);
    painter.drawText(caption, Qt::AlignLeft | Qt::AlignVCenter,
                     painter.fontMetrics().elidedText(index.data(Qt::DisplayRole).toString(), Qt::ElideMiddle, room));
    if (role.isEmpty())
        return;
    const QRect tag(caption.right() - wide - 11, caption.top(), wide + 12, 18);
    painter.fillRect(tag, theme::kPaper);
    painter.setPen(theme::kInk);
    painter.drawText(tag, Qt::AlignCenter, role);
}

void FrameDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    painter->save();
    painter->setRenderHint(QPainter::SmoothPixmapTransform);
    const QRect cell = option.rect.adjusted(kInset / 2, kInset / 2, -kInset / 2, -kInset / 2);
    const QRect place(cell.left(), cell.top(), cell.width(), cell.height() - kCaptionHeight);
    const QRect shown = paintPicture(*painter, place, index);
    paintRating(*painter, shown, index.data(FrameModel::RatingRole).toInt());
    paintCaption(*painter, QRect(cell.left(), place.bottom() + 4, cell.width(), 18), index);
    if (index.data(FrameModel::InHandRole).toBool())
        painter->fillRect(QRect(shown.left(), shown.bottom() + 1, shown.width(), 3), theme::kAmber);
    if (option.state & QStyle::State_HasFocus)
        theme::paintFocus(*painter, QRectF(cell).adjusted(-5, -5, 5, 3));
    painter->restore();
}

}  // namespace amber
