#include "app/places/handover/delivery_model.h"

#include "app/document/document.h"

#include <QFileInfo>
#include <QLocale>

namespace amber {

void DeliveryModel::clear()
{
    beginResetModel();
    m_deliveries.clear();
    m_sizes.clear();
    endResetModel();
}

void DeliveryModel::add(const Delivery& delivery)
{
    const auto row = std::upper_bound(m_deliveries.begin(), m_deliveries.end(), delivery,
                                      [](const Delivery& a, const Delivery& b) { return a.source < b.source; }) -
                     m_deliveries.begin();
    beginInsertRows({}, static_cast<int>(row), static_cast<int>(row));
    m_deliveries.insert(m_deliveries.begin() + row, delivery);
    m_sizes.insert(m_sizes.begin() + row, delivery.fault.empty() ? QFileInfo(text(delivery.target)).size() : 0);
    endInsertRows();
}

int DeliveryModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(m_deliveries.size());
}

QVariant DeliveryModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid())
        return {};
    const Delivery& d = m_deliveries[static_cast<std::size_t>(index.row())];
    if (role == Qt::TextAlignmentRole && index.column() == SizeColumn)
        return QVariant::fromValue(Qt::Alignment(Qt::AlignRight | Qt::AlignVCenter));
    if (role == Qt::ToolTipRole)
        return d.fault.empty() ? text(d.target) : text(d.fault);
    if (role != Qt::DisplayRole)
        return {};
    switch (index.column()) {
    case PictureColumn:
        return oneLine(text(d.source.filename()));
    case RecipeColumn:
        return text(d.recipe);
    case ResultColumn:
        return !d.fault.empty() ? tr("failed: %1").arg(text(d.fault)) : d.isKept ? tr("as it was") : tr("written");
    case FileColumn:
        return oneLine(text(d.target.filename()));
    case SizeColumn:
        return d.fault.empty() ? QLocale().formattedDataSize(m_sizes[static_cast<std::size_t>(index.row())], 1,
                                                             QLocale::DataSizeSIFormat)
                               : QString();
    default:
        return {};
    }
}

QVariant DeliveryModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (role == Qt::TextAlignmentRole && section == SizeColumn)
        return QVariant::fromValue(Qt::Alignment(Qt::AlignRight | Qt::AlignVCenter));
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    const QString names[] = {tr("Picture"), tr("Recipe"), tr("Result"), tr("File"), tr("Size")};
    return names[section];
}

}  // namespace amber
