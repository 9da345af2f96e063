#include "app/places/proof/consistency_model.h"

#include "app/theme/theme.h"

namespace amber {

ConsistencyModel::ConsistencyModel(Document& document, std::function<QPixmap(std::int64_t)> thumbnail, QObject* parent)
    : QAbstractTableModel(parent), m_document(document), m_thumbnail(std::move(thumbnail))
{
}

void ConsistencyModel::show(const std::vector<FrameReading>& readings, const std::vector<KeyColour>& keys)
{
    const bool sameShape = readings.size() == m_readings.size() && keys.size() == m_keys.size();
    if (!sameShape)
        beginResetModel();
    m_readings = readings;
    m_keys = keys;
    m_table = consistency(m_readings, m_keys);
    if (!sameShape)
        endResetModel();
    else if (rowCount() > 0)
        emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
}

const FrameReading* ConsistencyModel::reading(std::int64_t frame) const
{
    const auto found =
        std::find_if(m_readings.begin(), m_readings.end(), [&](const FrameReading& r) { return r.frame == frame; });
    return found == m_readings.end() ? nullptr : &*found;
}

const FrameReading* ConsistencyModel::leadOf(const FrameReading& reading) const
{
    const auto found = std::find_if(m_readings.begin(), m_readings.end(),
                                    [&](const FrameReading& r) { return r.isLead && r.group == reading.group; });
    return found == m_readings.end() ? nullptr : &*found;
}

QString ConsistencyModel::columnTitle(int column) const
{
    if (column == 0)
        return tr("Frame");
    const auto k = static_cast<std::size_t>(column - 1);
    return k < m_keys.size() ? keyColourTitle(m_keys[k]) : k == m_keys.size() ? tr("brightness") : tr("contrast");
}

QVariant ConsistencyModel::frameData(const FrameReading& r, int role) const
{
    const Frame* frame = m_document.frame(r.frame);
    if (role == Qt::DisplayRole)
        return frame ? titleOf(*frame) + (r.isLead ? tr(" (lead)") : QString()) : QString();
    if (role == Qt::DecorationRole) {
        const QPixmap picture = m_thumbnail(r.frame);
        return picture.isNull() ? QVariant() : picture.scaled(42, 28, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    }
    if (role == Qt::ToolTipRole)
        return text(r.fault);
    return {};
}

QString ConsistencyModel::cellWords(const FrameReading& r, const ConsistencyCell& cell, double doubt)
{
    if (!cell.isMeasured)
        return QStringLiteral("–");
    if (r.isLead)
        return tr("lead");
    return theme::number(cell.after, 1) + (doubt > 0.5 ? QStringLiteral(" ?") : QString()) +
           (cell.isOutlier   ? QStringLiteral(" !!")
            : !cell.isWithin ? QStringLiteral(" !")
                             : QString());
}

QString ConsistencyModel::cellTip(const ConsistencyCell& cell, double doubt)
{
    if (!cell.isMeasured)
        return tr("Not seen in this frame");
    QStringList words{
        tr("%1 from its lead; as it came %2").arg(theme::number(cell.after, 2), theme::number(cell.before, 2))};
    if (cell.toTarget)
        words << tr("%1 from its target").arg(theme::number(*cell.toTarget, 2));
    if (doubt > 0.5)
        words << tr("found by its colour, not confirmed");
    return words.join('\n');
}

QVariant ConsistencyModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid())
        return {};
    const FrameReading& r = m_readings[static_cast<std::size_t>(index.row())];
    if (role == LeadRole)
        return r.isLead;
    if (index.column() == 0)
        return frameData(r, role);
    const auto k = static_cast<std::size_t>(index.column() - 1);
    const ConsistencyCell& cell = m_table.rows[static_cast<std::size_t>(index.row())][k];
    const double doubt = k < r.doubt.size() ? r.doubt[k] : 0;
    switch (role) {
    case Qt::DisplayRole:
    case Qt::AccessibleTextRole:
        return cellWords(r, cell, doubt);
    case Qt::ToolTipRole:
        return cellTip(cell, doubt);
    case Qt::TextAlignmentRole:
        return QVariant::fromValue(Qt::Alignment(Qt::AlignRight | Qt::AlignVCenter));
    case Qt::FontRole:
        return !cell.isWithin && !r.isLead ? QVariant(theme::font(13, true)) : QVariant();
    case Qt::ForegroundRole:
        return r.isLead || !cell.isMeasured ? QVariant(theme::kQuietInk) : QVariant();
    case Qt::BackgroundRole:
        return cell.isMeasured && !cell.isWithin && !r.isLead ? QVariant(theme::kPressed) : QVariant();
    case WithinRole:
        return cell.isWithin;
    case MeasuredRole:
        return cell.isMeasured;
    case OutlierRole:
        return cell.isOutlier;
    case DoubtRole:
        return doubt;
    default:
        return {};
    }
}

QVariant ConsistencyModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (orientation != Qt::Horizontal)
        return {};
    if (role == Qt::TextAlignmentRole)
        return QVariant::fromValue(Qt::Alignment((section == 0 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter));
    if (role == Qt::DisplayRole)
        return columnTitle(section);
    if (role != Qt::ToolTipRole || section == 0)
        return {};
    const auto k = static_cast<std::size_t>(section - 1);
    if (k >= m_keys.size())
        return tr("L* points to the lead of the light; tolerance %1").arg(kToneTolerance[k - m_keys.size()]);
    return tr("CIEDE2000 to the lead of the light; tolerance %1. 95 % of the frames lie within %2; as they came within "
              "%3")
        .arg(theme::number(m_keys[k].tolerance, 1), theme::number(m_table.spread[k], 1),
             theme::number(m_table.spreadBefore[k], 1));
}

}  // namespace amber
