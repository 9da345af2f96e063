#include "app/places/areas/area_tile.h"

#include "app/places/areas/areas_model.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kSmallest = 142, kInset = 12, kWords = 36;

bool isOpen(const QModelIndex& index)
{
    const auto standing = static_cast<AreasModel::Standing>(index.data(AreasModel::StandingRole).toInt());
    return standing == AreasModel::Standing::Proposed || standing == AreasModel::Standing::Open ||
           standing == AreasModel::Standing::NotFound;
}

}  // namespace

void AreaTile::fit(int width)
{
    const int cell = std::max(kSmallest, width / std::max(1, width / kSmallest));
    m_cell = {cell, (cell - kInset) * 2 / 3 + kWords + kInset};
}

/// Its name, and below it how it stands: strongly while somebody has to look at it.
void AreaTile::paintWords(QPainter& painter, const QRect& place, const QModelIndex& index) const
{
    const QRect name(place.left(), place.top(), place.width(), place.height() / 2),
        words(place.left(), name.bottom(), place.width(), place.height() / 2);
    painter.setPen(theme::kWallInk);
    painter.setFont(theme::font(12));
    painter.drawText(
        name, Qt::AlignLeft | Qt::AlignVCenter,
        painter.fontMetrics().elidedText(index.data(Qt::DisplayRole).toString(), Qt::ElideMiddle, place.width()));
    painter.setFont(theme::font(12, isOpen(index)));
    painter.drawText(
        words, Qt::AlignLeft | Qt::AlignVCenter,
        painter.fontMetrics().elidedText(index.data(AreasModel::WordsRole).toString(), Qt::ElideRight, place.width()));
}

void AreaTile::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    painter->save();
    painter->setRenderHint(QPainter::SmoothPixmapTransform);
    const QRect cell = option.rect.adjusted(kInset / 2, kInset / 2, -kInset / 2, -kInset / 2);
    if (option.state & QStyle::State_Selected)
        painter->fillRect(cell.adjusted(-5, -5, 5, 5), theme::kPressed);
    const QRect place(cell.left(), cell.top(), cell.width(), cell.height() - kWords);
    if (const auto picture = index.data(Qt::DecorationRole).value<QPixmap>(); !picture.isNull()) {
        const QSize size = picture.size().scaled(place.size(), Qt::KeepAspectRatio);
        const QRect shown(place.left() + (place.width() - size.width()) / 2, place.bottom() + 1 - size.height(),
                          size.width(), size.height());
        painter->drawPixmap(shown, picture);
        if (const auto veil = index.data(AreasModel::VeilRole).value<QImage>(); !veil.isNull())
            painter->drawImage(shown, veil);
    } else {
        painter->setPen(QPen(theme::kWallInk, 1, Qt::DotLine));
        painter->drawRect(place.adjusted(0, 0, -1, -1));
    }
    paintWords(*painter, QRect(cell.left(), place.bottom() + 2, cell.width(), kWords - 2), index);
    if (option.state & QStyle::State_HasFocus)
        theme::paintFocus(*painter, QRectF(cell).adjusted(-5, -5, 5, 5));
    painter->restore();
}

}  // namespace amber
