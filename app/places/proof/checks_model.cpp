#include "app/places/proof/checks_model.h"

#include "app/theme/theme.h"
#include "app/words/words.h"

#include <QtWidgets>
#include <algorithm>

namespace amber {

QString inUnit(const QString& number, const CheckKind& kind)
{
    const QString unit = ChecksModel::tr(kind.unit);
    return unit == QStringLiteral("°") ? number + unit : number + QChar(0xA0) + unit;
}

QString useTitle(const std::string& use)
{
    return use == "screen"    ? ChecksModel::tr("screen")
           : use == "print"   ? ChecksModel::tr("print")
           : use == "archive" ? ChecksModel::tr("archive")
                              : text(use);
}

ChecksModel::ChecksModel(const ShootAudit& audit, const Document& document,
                         std::function<QPixmap(std::int64_t)> thumbnail, QObject* parent)
    : QAbstractTableModel(parent), m_audit(audit), m_document(document), m_thumbnail(std::move(thumbnail))
{
}

void ChecksModel::renew()
{
    beginResetModel();
    m_rows.clear();
    std::map<std::int64_t, std::size_t> rowOf;
    for (const CheckedShoot::Frame& frame : m_audit.shoot().frames) {
        rowOf[frame.frame] = m_rows.size();
        m_rows.push_back({&frame, std::vector<std::vector<int>>(checkKinds().size()), 0});
    }
    const auto& findings = m_audit.findings();
    for (int i = 0; i < static_cast<int>(findings.size()); ++i) {
        const Finding& f = findings[static_cast<std::size_t>(i)];
        Row& row = m_rows[rowOf.at(f.frame)];
        const auto kind = std::find(checkKinds().begin(), checkKinds().end(), f.kind) - checkKinds().begin();
        row.findings[static_cast<std::size_t>(kind)].push_back(i);
        if (i < m_audit.openCount())
            row.worst = std::max(row.worst, f.severity());
    }
    std::stable_sort(m_rows.begin(), m_rows.end(), [](const Row& a, const Row& b) { return a.worst > b.worst; });
    endResetModel();
}

int ChecksModel::columnCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : 1 + static_cast<int>(checkKinds().size());
}

std::int64_t ChecksModel::frameAt(int row) const
{
    return row >= 0 && row < rowCount() ? m_rows[static_cast<std::size_t>(row)].frame->frame : 0;
}

bool ChecksModel::isEmptyColumn(int column) const
{
    return column > 0 && std::all_of(m_rows.begin(), m_rows.end(), [&](const Row& row) {
               return stateOf(row, static_cast<std::size_t>(column - 1)) == Cell::NotMeasured;
           });
}

std::vector<int> ChecksModel::findingsAt(const QModelIndex& cell) const
{
    if (!cell.isValid() || cell.row() >= rowCount())
        return {};
    const Row& row = m_rows[static_cast<std::size_t>(cell.row())];
    if (cell.column() > 0)
        return row.findings[static_cast<std::size_t>(cell.column() - 1)];
    std::vector<int> all;
    for (const auto& own : row.findings)
        all.insert(all.end(), own.begin(), own.end());
    std::sort(all.begin(), all.end());
    return all;
}

QModelIndex ChecksModel::cellOf(const Finding& finding) const
{
    const auto kind = std::find(checkKinds().begin(), checkKinds().end(), finding.kind) - checkKinds().begin();
    for (int row = 0; row < rowCount(); ++row)
        if (frameAt(row) == finding.frame)
            return index(row, 1 + static_cast<int>(kind));
    return {};
}

ChecksModel::Cell ChecksModel::stateOf(const Row& row, std::size_t kind) const
{
    const auto& own = row.findings[kind];
    if (!own.empty())
        return own.front() < m_audit.openCount() ? Cell::Open : Cell::Accepted;
    const auto measured = row.frame->measured.find(checkKinds()[kind]->id);
    return measured == row.frame->measured.end() || measured->second.empty() ? Cell::NotMeasured : Cell::Quiet;
}

QString ChecksModel::tipOf(const Row& row, std::size_t kind) const
{
    const CheckKind& check = *checkKinds()[kind];
    const auto measured = row.frame->measured.find(check.id);
    if (measured == row.frame->measured.end() || measured->second.empty())
        return tr("%1: nothing to measure on this frame").arg(tr(check.title));
    QStringList lines{tr(check.title)};
    for (const Measured& m : measured->second) {
        const double limit = m.limit.value_or(m_audit.use().limitOf(check));
        lines << tr("%1 (limit %2)").arg(sentence(m.words), inUnit(theme::decimal(limit, check.decimals), check));
    }
    return lines.join('\n');
}

QVariant ChecksModel::frameData(const Row& row, int role) const
{
    const Frame* frame = m_document.frame(row.frame->frame);
    const QString title = frame ? titleOf(*frame) : QString();
    if (role == Qt::DisplayRole)
        return title;
    if (role == Qt::ToolTipRole)
        return row.frame->fault.empty() ? title : tr("%1: %2").arg(title, text(row.frame->fault));
    if (role == Qt::DecorationRole && m_thumbnail)
        return QIcon(m_thumbnail(row.frame->frame));
    return {};
}

QVariant ChecksModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid() || index.row() >= rowCount())
        return {};
    const Row& row = m_rows[static_cast<std::size_t>(index.row())];
    if (index.column() == 0)
        return frameData(row, role);
    const auto kind = static_cast<std::size_t>(index.column() - 1);
    const Cell state = stateOf(row, kind);
    const auto& own = row.findings[kind];
    switch (role) {
    case CellRole:
        return static_cast<int>(state);
    case SeverityRole:
        return own.empty() ? 0.0 : m_audit.findings()[static_cast<std::size_t>(own.front())].severity();
    case Qt::ToolTipRole:
        return tipOf(row, kind);
    case Qt::AccessibleTextRole:
        return state == Cell::Open ? tr("open, %1 times its limit").arg(data(index, SeverityRole).toDouble(), 0, 'f', 1)
               : state == Cell::Accepted ? tr("accepted")
               : state == Cell::Quiet    ? tr("within its limit")
                                         : tr("not measured");
    default:
        return {};
    }
}

QVariant ChecksModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (orientation != Qt::Horizontal || (role != Qt::DisplayRole && role != Qt::ToolTipRole))
        return {};
    if (section == 0)
        return role == Qt::DisplayRole ? QVariant(tr("Frame")) : QVariant();
    const CheckKind& kind = *checkKinds()[static_cast<std::size_t>(section - 1)];
    return role == Qt::DisplayRole ? tr(kind.title) : tr(kind.because);
}

void ChecksDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    if (index.column() == 0)
        return QStyledItemDelegate::paint(painter, option, index);
    painter->save();
    painter->setRenderHint(QPainter::Antialiasing);
    const QRectF cell = QRectF(option.rect).adjusted(2, 4, -2, -4);
    const auto state = static_cast<ChecksModel::Cell>(index.data(ChecksModel::CellRole).toInt());
    const QPointF middle = QRectF(option.rect).center();
    if (state == ChecksModel::Cell::Open) {
        const double severity = index.data(ChecksModel::SeverityRole).toDouble();
        painter->setPen(Qt::NoPen);
        painter->setBrush(theme::kInk);
        painter->drawRoundedRect(cell, 3, 3);
        painter->setPen(theme::kRaised);
        painter->setFont(theme::font(12, true));
        painter->drawText(cell, Qt::AlignCenter, severity < 9.95 ? theme::number(severity, 1) : QStringLiteral("›9"));
    } else if (state == ChecksModel::Cell::Accepted) {
        painter->setPen(QPen(theme::kInk, 1.6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        painter->drawPolyline(
            QPolygonF({middle + QPointF(-5, 0), middle + QPointF(-1.5, 4), middle + QPointF(5.5, -4.5)}));
    } else if (state == ChecksModel::Cell::Quiet) {
        painter->setPen(Qt::NoPen);
        painter->setBrush(theme::kGhost);
        painter->drawEllipse(middle, 1.6, 1.6);
    }
    if (option.state & QStyle::State_Selected) {
        painter->setPen(QPen(theme::kAmber, 2));
        painter->setBrush(Qt::NoBrush);
        painter->drawRoundedRect(QRectF(option.rect).adjusted(1, 2, -1, -2), 4, 4);
    }
    painter->restore();
}

}  // namespace amber
