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
    const RungKind kind = row.kind();
    if (row.rung == Rung::Contrast || (kind != RungKind::Light && kind != RungKind::Cast && kind != RungKind::Family))
        return std::nullopt;
    if (kind == RungKind::Light) {
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
    return r && amber::isTakenOnTheWay(*r, static_cast<std::size_t>(at) < m_start.rows.size()
                                               ? m_start.rows[static_cast<std::size_t>(at)]
                                               : *r);
}

bool LadderModel::isYetToBeTaken(int at) const
{
    if (!isTakenWithAll(at))
        return false;
    const double start = m_start.rows[static_cast<std::size_t>(at)].difference;
    return start - row(at)->difference < 0.5 * m_start.rows[static_cast<std::size_t>(at)].lookPart() * start;
}

QString LadderModel::nameOf(const LadderRow& row)
{
    switch (row.rung) {
    case Rung::Framing:
        return tr("Framing");
    case Rung::TopToBottom:
        return tr("Top to bottom");
    case Rung::LeftToRight:
        return tr("Left to right");
    case Rung::MiddleToCorners:
        return tr("Middle to corners");
    case Rung::LocalContrast:
        return tr("Local contrast");
    case Rung::Edges:
        return tr("Edges");
    case Rung::Grain:
        return tr("Grain");
    case Rung::Noise:
        return tr("Colour noise");
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

QString LadderModel::whyNot(const LadderRow& r)
{
    switch (r.kind()) {
    case RungKind::Frame:
    case RungKind::Fall:
    case RungKind::Texture:
        return tr("not measured");
    default:
        break;
    }
    if (r.referenceSupport < kLeastSupport)
        return tr("too little in the reference");
    return r.ourSupport < kLeastSupport ? tr("too little in ours") : tr("ours too near grey");
}

QString LadderModel::numberOf(const LadderRow& r, double difference)
{
    const bool isPerCent = r.kind() == RungKind::Frame || r.kind() == RungKind::Texture;
    return isPerCent ? tr("%1 %").arg(std::lround(difference)) : theme::number(difference, 1);
}

QString LadderModel::wordsOf(int at) const
{
    const LadderRow* r = row(at);
    if (!r)
        return {};
    if (!r->isSupported())
        return whyNot(*r);
    const double start = static_cast<std::size_t>(at) < m_start.rows.size()
                             ? m_start.rows[static_cast<std::size_t>(at)].difference
                             : r->difference;
    const QString now = numberOf(*r, r->difference);
    if (std::abs(start - r->difference) >= 0.05)
        return tr("%1 → %2").arg(numberOf(*r, start), now);
    if (r->isWithin() || r->kind() == RungKind::Frame || isTakenWithAll(at))
        return now;
    if (r->rung == Rung::Noise || r->rung == Rung::Grain)
        return r->isForSteps() ? now : tr("%1, the file's own").arg(now);
    return r->mayBeAnotherThing() ? tr("%1, may be another thing").arg(now)
                                  : tr("%1, perhaps %2 % the look's").arg(now).arg(std::lround(100 * r->lookPart()));
}

QString LadderModel::valueOf(const LadderRow& r, bool reference)
{
    const double value = reference ? r.reference : r.ours;
    switch (r.kind()) {
    case RungKind::Frame: {
        const Spot& eye = reference ? r.referenceEye : r.ourEye;
        return tr("%1, at %2, %3 %")
            .arg(theme::number(value, 2))
            .arg(std::lround(100 * eye.x))
            .arg(std::lround(100 * eye.y));
    }
    case RungKind::Fall:
        return (value > 0 ? QStringLiteral("+") : QString()) + theme::number(value, 1);
    case RungKind::Light:
        return theme::number(value, 1);
    case RungKind::Texture:
        return theme::number(value, 2);
    default:
        break;
    }
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
        if (!r.isSupported() || r.kind() == RungKind::Frame)
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

namespace {

/// What a row measures, for those that are neither tones nor colours.
QString meaningOf(const LadderRow& r)
{
    switch (r.rung) {
    case Rung::Framing:
        return LadderModel::tr(
            "Width to height, and where the eye goes first, across and down. Taking it cuts this frame, "
            "not the look; Ctrl+Z in Balance takes it back");
    case Rung::TopToBottom:
        return LadderModel::tr(
            "L* of the top less that of the bottom. Taking it adds a curve for a role that lies over "
            "the top of this frame");
    case Rung::LeftToRight:
        return LadderModel::tr(
            "L* of the left less that of the right. Taking it adds a curve for a role that lies over "
            "the left of this frame");
    case Rung::MiddleToCorners:
        return LadderModel::tr("L* of the middle less that of the corners; taken by edge darkening");
    case Rung::LocalContrast:
        return LadderModel::tr("Mean difference from the surroundings, L*; taken by local contrast");
    case Rung::Edges:
        return LadderModel::tr("How steep edges are: 1 is from one pixel to the next; taken by fine detail");
    case Rung::Grain:
        return LadderModel::tr("Variation from pixel to pixel in even places, L*; grain is added, never taken away");
    case Rung::Noise:
        return LadderModel::tr("Variation of colour from pixel to pixel in even places: the file's, and no look's");
    default:
        return {};
    }
}

}  // namespace

QString LadderModel::tipOf(const LadderRow& r) const
{
    const QString meaning = meaningOf(r);
    const QString lies =
        !meaning.isEmpty() ? tr("%1.\n%2 in the reference, %3 in ours; tolerance %4")
                                 .arg(meaning, valueOf(r, true), valueOf(r, false), numberOf(r, r.tolerance))
        : r.kind() == RungKind::Light
            ? tr("%1: L* %2 in the reference, %3 in ours; tolerance %4")
                  .arg(nameOf(r), theme::number(r.reference, 1), theme::number(r.ours, 1),
                       theme::number(r.tolerance, 1))
            : tr("%1: %2 % of the reference and %3 % of ours; ΔE %4, tolerance %5")
                  .arg(nameOf(r), theme::number(100 * r.referenceSupport, 1), theme::number(100 * r.ourSupport, 1),
                       theme::number(r.difference, 1), theme::number(r.tolerance, 1));
    if (!r.isSupported() || r.isOfOneThing || r.kind() == RungKind::Frame)
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
        return tr("Difference, 0 to 16 or to 160 %");
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
    const double full = row->kind() == RungKind::Texture || row->kind() == RungKind::Frame ? kFullPerCent : kFull;
    const auto at = [&](double difference) { return area.left() + std::min(1.0, difference / full) * area.width(); };
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
