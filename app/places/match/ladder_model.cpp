#include "app/places/match/ladder_model.h"

#include "app/display/screen_view.h"
#include "app/document/document.h"
#include "app/theme/theme.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <QtWidgets>

namespace amber {
namespace {

QIcon swatch(const LinearRgb& colour)
{
    QPixmap pixmap(34, 14);
    pixmap.fill(screenColour(colour));
    QIcon icon(pixmap);
    icon.addPixmap(pixmap, QIcon::Selected);  // a colour stays as it is when its row is chosen
    return icon;
}

/// The colour of a row as it is to be seen: a grey, a tinted grey, or a family's mean over its cast.
std::optional<LinearRgb> colourOf(const LadderRow& row, bool reference)
{
    const double star = reference ? row.reference : row.ours;
    if (row.rung == Rung::Contrast)
        return std::nullopt;
    if (row.rung < Rung::Contrast) {
        const double grey = luminanceOfStar(std::clamp(star, 0.0, 100.0));
        return LinearRgb{grey, grey, grey};
    }
    const OkLab c = reference ? row.referenceColour : row.ourColour;
    // Both at one lightness: colour is what is compared.
    return toLinearRgb(OkLab{std::clamp((row.referenceColour.L + row.ourColour.L) / 2, 0.2, 0.9), c.a, c.b});
}

}  // namespace

void LadderModel::show(const Ladder& ladder, const Ladder& start)
{
    const bool same = ladder.rows.size() == m_ladder.rows.size();
    if (!same)
        beginResetModel();
    m_ladder = ladder, m_start = start;
    if (!same)
        endResetModel();
    else if (rowCount() > 0)
        emit dataChanged(index(0, 0), index(rowCount() - 1, ColumnCount - 1));
}

const LadderRow* LadderModel::row(int row) const
{
    return row >= 0 && row < rowCount() ? &m_ladder.rows[static_cast<std::size_t>(row)] : nullptr;
}

bool LadderModel::isTakenWithAll(int at) const
{
    const LadderRow* r = row(at);
    const LadderRow* from =
        r && static_cast<std::size_t>(at) < m_start.rows.size() ? &m_start.rows[static_cast<std::size_t>(at)] : r;
    return r && amber::isTakenWithAll(*r, *from);
}

bool LadderModel::isTakenOnTheWay(int at) const
{
    const LadderRow* r = row(at);
    return r && r->isSupported() &&
           !(static_cast<std::size_t>(at) < m_start.rows.size() ? m_start.rows[static_cast<std::size_t>(at)] : *r)
                .mayBeAnotherThing();
}

bool LadderModel::isYetToBeTaken(int at) const
{
    if (!isTakenWithAll(at))
        return false;
    const double start = m_start.rows[static_cast<std::size_t>(at)].difference;
    return start - row(at)->difference < 0.5 * m_start.rows[static_cast<std::size_t>(at)].lookPart() * start;
}

QString LadderModel::nameOf(const LadderRow& row) const
{
    switch (row.rung) {
    case Rung::BlackEnd:
        return tr("Black end");
    case Rung::WhiteEnd:
        return tr("White end");
    case Rung::Mid:
        return tr("Mid");
    case Rung::Contrast:
        return tr("Contrast");
    case Rung::CastDarks:
        return tr("Cast in darks");
    case Rung::CastMiddles:
        return tr("Cast in middles");
    case Rung::CastLights:
        return tr("Cast in lights");
    case Rung::Family:
        return text(HueShifts::defaultFamilies()[static_cast<std::size_t>(row.family)].name);
    }
    return {};
}

QString LadderModel::wordsOf(int at) const
{
    const LadderRow* r = row(at);
    if (!r)
        return {};
    if (!r->isSupported()) {
        if (r->referenceSupport < kLeastSupport)
            return tr("too little in the reference");
        if (r->ourSupport < kLeastSupport)
            return tr("too little in ours");
        return tr("ours too near grey");
    }
    const double start = static_cast<std::size_t>(at) < m_start.rows.size()
                             ? m_start.rows[static_cast<std::size_t>(at)].difference
                             : r->difference;
    const bool isUntouched = std::abs(start - r->difference) < 0.05;
    if (!isTakenWithAll(at) && !r->isWithin() && isUntouched)
        return r->mayBeAnotherThing() ? tr("%1, may be another thing").arg(theme::number(r->difference, 1))
                                      : tr("%1, perhaps %2 % the look's")
                                            .arg(theme::number(r->difference, 1))
                                            .arg(std::lround(100 * r->lookPart()));
    return isUntouched ? theme::number(r->difference, 1)
                       : tr("%1 → %2").arg(theme::number(start, 1), theme::number(r->difference, 1));
}

QString LadderModel::valueOf(const LadderRow& r, bool reference)
{
    if (r.rung <= Rung::Contrast)
        return theme::number(reference ? r.reference : r.ours, 1);
    const OkLch lch = toOkLch(reference ? r.referenceColour : r.ourColour);
    return lch.chroma < 0.002
               ? tr("neutral")
               : tr("%1 at %2°").arg(theme::number(lch.chroma, 3)).arg(std::lround(lch.hueDegrees) % 360);
}

QVariant LadderModel::wordsAt(const LadderRow& r, const QModelIndex& index) const
{
    const auto row = static_cast<std::size_t>(index.row());
    switch (index.column()) {
    case Name:
        return nameOf(r);
    case Reference:
        return r.referenceSupport < kLeastSupport ? QString() : valueOf(r, true);
    case Ours:
        return r.ourSupport < kLeastSupport ? QString() : valueOf(r, false);
    case Numbers:
        return wordsOf(index.row());
    case Sure:
        if (!r.isSupported())
            return QString();
        return tr("%1 %").arg(
            std::lround(100 * (row < m_start.rows.size() ? m_start.rows[row].confidence : r.confidence)));
    default:
        return {};
    }
}

QVariant LadderModel::swatchAt(const LadderRow& r, int column)
{
    if (column != Reference && column != Ours)
        return {};
    const bool reference = column == Reference;
    const auto colour = colourOf(r, reference);
    if (!colour || (reference ? r.referenceSupport : r.ourSupport) < kLeastSupport)
        return {};
    return swatch(*colour);
}

QString LadderModel::tipOf(const LadderRow& r) const
{
    const QString lies =
        r.rung <= Rung::Contrast
            ? tr("%1: L* %2 in the reference, %3 in ours; tolerance %4")
                  .arg(nameOf(r), theme::number(r.reference, 1), theme::number(r.ours, 1),
                       theme::number(r.tolerance, 1))
            : tr("%1: %2 % of the reference and %3 % of ours; ΔE %4, tolerance %5")
                  .arg(nameOf(r), theme::number(100 * r.referenceSupport, 1), theme::number(100 * r.ourSupport, 1),
                       theme::number(r.difference, 1), theme::number(r.tolerance, 1));
    if (!r.isSupported() || m_ladder.confidence.subject == 1)
        return lies;
    return lies + tr("\nLikely %1 % of the difference is the look's, the rest its subject's. All of it is taken when "
                     "you ask for this row.")
                      .arg(std::lround(100 * r.lookPart()));
}

QVariant LadderModel::data(const QModelIndex& index, int role) const
{
    const LadderRow* r = row(index.row());
    if (!r)
        return {};
    switch (role) {
    case Qt::DisplayRole:
        return wordsAt(*r, index);
    case Qt::DecorationRole:
        return swatchAt(*r, index.column());
    case Qt::ForegroundRole:
        return r->isSupported() ? theme::kInk : theme::kQuietInk;
    case Qt::FontRole:
        return index.column() == Name && r->isSupported() && !r->isWithin() ? theme::font(13, true) : theme::font(13);
    case Qt::TextAlignmentRole:
        return index.column() == Sure ? QVariant(Qt::AlignRight | Qt::AlignVCenter)
                                      : QVariant(Qt::AlignLeft | Qt::AlignVCenter);
    case Qt::ToolTipRole:
        return tipOf(*r);
    case Qt::AccessibleTextRole:
        return QStringList{nameOf(*r), wordsOf(index.row())}.join(QStringLiteral(": "));
    default:
        return {};
    }
}

QVariant LadderModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (orientation != Qt::Horizontal)
        return {};
    if (role == Qt::TextAlignmentRole)
        return section == Sure ? QVariant(Qt::AlignRight | Qt::AlignVCenter)
                               : QVariant(Qt::AlignLeft | Qt::AlignVCenter);
    if (role != Qt::DisplayRole)
        return {};
    switch (section) {
    case Name:
        return tr("Row");
    case Reference:
        return tr("Reference");
    case Ours:
        return tr("Ours");
    case Difference:
        return tr("Difference, L* or ΔE00 (0 to 16)");
    case Numbers:
        return tr("From → now");
    case Sure:
        return tr("Sure");
    default:
        return {};
    }
}

void DifferenceDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    QStyleOptionViewItem plain = option;
    plain.text.clear();
    QStyledItemDelegate::paint(painter, plain, index);
    const LadderRow* row = m_model.row(index.row());
    if (!row || !row->isSupported())
        return;
    painter->save();
    painter->setRenderHint(QPainter::Antialiasing);
    const QRectF area = QRectF(option.rect).adjusted(8, 0, -14, 0);
    const double y = area.center().y();
    const auto at = [&](double difference) { return area.left() + std::min(1.0, difference / kFull) * area.width(); };
    painter->fillRect(QRectF(area.left(), y - 5, at(row->tolerance) - area.left(), 10), theme::kHairline);
    painter->setPen(QPen(theme::kGhost, 1));
    painter->drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
    painter->drawLine(QPointF(area.left(), y - 7), QPointF(area.left(), y + 7));
    const auto start = static_cast<std::size_t>(index.row()) < m_model.start().rows.size()
                           ? m_model.start().rows[static_cast<std::size_t>(index.row())].difference
                           : row->difference;
    painter->setPen(QPen(theme::kShape, 2));
    painter->drawLine(QPointF(at(row->difference), y), QPointF(at(start), y));
    painter->setPen(QPen(theme::kShape, 1.5));
    painter->setBrush(theme::kPaper);
    painter->drawEllipse(QPointF(at(start), y), 4, 4);
    painter->setPen(Qt::NoPen);
    painter->setBrush(theme::kInk);
    // Within tolerance a disc, outside a square: not by place alone.
    if (row->isWithin())
        painter->drawEllipse(QPointF(at(row->difference), y), 5, 5);
    else
        painter->drawRect(QRectF(at(row->difference) - 4.5, y - 4.5, 9, 9));
    painter->restore();
}

}  // namespace amber
