#include "app/places/balance/balance_model.h"

#include "app/document/frame_model.h"
#include "app/theme/theme.h"
#include "core/balance/balance_words.h"

namespace amber {

BalanceModel::BalanceModel(Document& document, FrameModel& frames, std::function<QPixmap(std::int64_t)> thumbnail,
                           QObject* parent)
    : QAbstractTableModel(parent), m_document(document), m_frames(frames), m_thumbnail(std::move(thumbnail))
{
    connect(&document, &Document::leaving, this, [this] {
        m_proposals.clear(), m_last.clear();
        beginResetModel();
        m_rows.clear();
        endResetModel();
    });
    connect(&document, &Document::opened, this, &BalanceModel::rebuild);
    connect(&document, &Document::lightsChanged, this, &BalanceModel::rebuild);
    connect(&document, &Document::framesChanged, this, &BalanceModel::rebuild);
    connect(&document.balances(), &Balances::changed, this, [this](std::int64_t frame) {
        if (const int row = rowOf(frame); row >= 0)
            emit dataChanged(index(row, 0), index(row, ColumnCount - 1));
    });
}

void BalanceModel::rebuild()
{
    beginResetModel();
    m_rows.clear();
    if (m_group >= static_cast<int>(m_document.job().lights.size()))
        m_group = -1;
    for (const Frame& frame : m_document.frames())
        if (m_group < 0 || m_document.job().lightOf(frame.id) == m_group)
            m_rows.push_back(frame.id);
    endResetModel();
}

void BalanceModel::setGroup(int group)
{
    m_group = group;
    rebuild();
}

int BalanceModel::rowOf(std::int64_t frame) const
{
    const auto found = std::find(m_rows.begin(), m_rows.end(), frame);
    return found == m_rows.end() ? -1 : static_cast<int>(found - m_rows.begin());
}

void BalanceModel::setProposals(const std::map<std::int64_t, Proposal>& proposals)
{
    m_proposals = proposals;
    for (const auto& [frame, proposal] : proposals)
        m_last[frame] = proposal;
    if (rowCount() > 0)
        emit dataChanged(index(0, 0), index(rowCount() - 1, ColumnCount - 1));
    emit ticksChanged();
}

void BalanceModel::settle(const std::vector<std::int64_t>& frames)
{
    for (const std::int64_t frame : frames)
        m_proposals.erase(frame);
    if (rowCount() > 0)
        emit dataChanged(index(0, 0), index(rowCount() - 1, ColumnCount - 1));
    emit ticksChanged();
}

const BalanceModel::Proposal* BalanceModel::proposal(std::int64_t frame) const
{
    const auto found = m_proposals.find(frame);
    return found == m_proposals.end() ? nullptr : &found->second;
}

std::map<std::int64_t, FrameBalance> BalanceModel::ticked() const
{
    std::map<std::int64_t, FrameBalance> all;
    for (const std::int64_t frame : m_rows)
        if (const Proposal* p = proposal(frame); p && p->isTicked)
            all[frame] = p->balance;
    return all;
}

FrameBalance BalanceModel::shown(std::int64_t frame) const
{
    const Proposal* p = proposal(frame);
    return p ? p->balance : m_document.balances().of(frame);
}

QString BalanceModel::groundWords(std::int64_t frame) const
{
    const auto last = m_last.find(frame);
    if (last == m_last.end())
        return text(m_document.balances().of(frame).because);
    return oneLine(text(last->second.balance.because));
}

QString BalanceModel::noteWords(std::int64_t frame) const
{
    const auto last = m_last.find(frame);
    const FrameBalance kept = m_document.balances().of(frame);
    QStringList words;
    if (last != m_last.end()) {
        if (!last->second.fault.empty())
            words << text(last->second.fault);
        if (const std::string trouble = troubleWords(last->second.solved); !trouble.empty())
            words << text(trouble);
    }
    if (kept.exposureLocked || kept.whiteLocked || kept.endsLocked)
        words << (kept.exposureLocked && kept.whiteLocked ? tr("exposure and white locked")
                  : kept.exposureLocked                   ? tr("exposure locked")
                  : kept.whiteLocked                      ? tr("white locked")
                                                          : tr("ends locked"));
    if (kept.keyStops != 0)
        words << tr("meant %1 stops from its lead").arg(theme::number(kept.keyStops, 2));
    return words.join(QStringLiteral(" · "));
}

QString BalanceModel::tipOf(FrameId frame, int column) const
{
    if (column == GroundColumn)
        return groundWords(frame);
    if (column == NoteColumn)
        return noteWords(frame);
    const FrameBalance kept = m_document.balances().of(frame);
    const Proposal* waiting = proposal(frame);
    return waiting ? tr("Proposed. Kept now: %1 stops, %2 K, tint %3")
                         .arg(theme::number(kept.light.exposureStops, 2), theme::number(lightOf(frame, kept).kelvin, 0),
                              theme::number(lightOf(frame, kept).tint, 1))
                   : tr("Kept");
}

Balance BalanceModel::lightOf(FrameId frame, const FrameBalance& balance) const
{
    const FrameFacts* facts = m_frames.factsOf(frame);
    return absoluteOf(balance.light, facts ? asShotOf(facts->capture) : AsShot{});
}

QString BalanceModel::wordsOf(FrameId frame, int column) const
{
    const FrameBalance balance = shown(frame);
    const auto last = m_last.find(frame);
    const Frame* entry = m_document.frame(frame);
    switch (column) {
    case FrameColumn: {
        const int group = m_document.job().lightOf(frame);
        const bool isLead = group >= 0 && m_document.job().lights[static_cast<std::size_t>(group)].lead == frame;
        return entry ? titleOf(*entry) + (isLead ? tr(" (lead)") : QString()) : QString();
    }
    case ExposureColumn:
        return theme::number(balance.light.exposureStops, 2);
    case WhiteColumn:
        return theme::number(lightOf(frame, balance).kelvin, 0);
    case TintColumn:
        return theme::number(lightOf(frame, balance).tint, 1);
    case GroundColumn:
        return groundWords(frame);
    case SureColumn:
        return last != m_last.end()     ? tr("%1 %").arg(std::lround(100 * last->second.solved.confidence))
               : balance.confidence > 0 ? tr("%1 %").arg(std::lround(100 * balance.confidence))
                                        : QString();
    case LeftColumn:
        return last != m_last.end() && last->second.solved.residual > 0 ? theme::number(last->second.solved.residual, 1)
                                                                        : QString();
    case NoteColumn:
        return noteWords(frame);
    default:
        return {};
    }
}

QVariant BalanceModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid())
        return {};
    const std::int64_t frame = frameAt(index.row());
    const Proposal* waiting = proposal(frame);
    if (role == IdRole)
        return QVariant::fromValue<qlonglong>(frame);
    if (role == Qt::CheckStateRole && index.column() == FrameColumn && waiting && waiting->fault.empty())
        return waiting->isTicked ? Qt::Checked : Qt::Unchecked;
    if (role == Qt::DecorationRole && index.column() == FrameColumn) {
        const QPixmap picture = m_thumbnail(frame);
        return picture.isNull() ? QVariant() : picture.scaled(48, 32, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    }
    if (role == Qt::TextAlignmentRole && index.column() >= ExposureColumn && index.column() <= LeftColumn &&
        index.column() != GroundColumn)
        return QVariant::fromValue(Qt::Alignment(Qt::AlignRight | Qt::AlignVCenter));
    if (role == Qt::FontRole && waiting && index.column() >= ExposureColumn && index.column() <= TintColumn)
        return theme::font(13, true);
    if (role == Qt::ToolTipRole)
        return tipOf(frame, index.column());
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole)
        return {};
    return wordsOf(frame, index.column());
}

bool BalanceModel::setData(const QModelIndex& index, const QVariant& value, int role)
{
    const auto found = m_proposals.find(frameAt(index.row()));
    if (role != Qt::CheckStateRole || found == m_proposals.end())
        return false;
    found->second.isTicked = value.toInt() == Qt::Checked;
    emit dataChanged(index, index);
    emit ticksChanged();
    return true;
}

Qt::ItemFlags BalanceModel::flags(const QModelIndex& index) const
{
    const auto flags = QAbstractTableModel::flags(index);
    const Proposal* waiting = proposal(frameAt(index.row()));
    return index.column() == FrameColumn && waiting && waiting->fault.empty() ? flags | Qt::ItemIsUserCheckable : flags;
}

QVariant BalanceModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (orientation != Qt::Horizontal)
        return {};
    const QString kNames[] = {tr("Frame"),    tr("Stops"), tr("White, K"), tr("Tint"),
                              tr("Rests on"), tr("Sure"),  tr("Left, ΔE"), tr("Note")};
    const QString kTips[] = {tr("Ticked frames are taken"),
                             tr("Exposure"),
                             tr("The light that becomes white; above 6504 K the picture grows warmer"),
                             tr("Green above 0, magenta below"),
                             tr("What the solver found to go by, the firmest first: key colours, the same "
                                "things in two frames, the camera's settings, the colours as a whole"),
                             tr("How sure the solver is"),
                             tr("Median CIEDE2000 left between what is seen in both frames"),
                             tr("Why a frame cannot be brought onto the others, and what you set")};
    if (role == Qt::DisplayRole)
        return kNames[section];
    if (role == Qt::ToolTipRole)
        return kTips[section];
    if (role == Qt::TextAlignmentRole)
        return QVariant::fromValue(Qt::Alignment(
            (section >= ExposureColumn && section <= LeftColumn && section != GroundColumn ? Qt::AlignRight
                                                                                           : Qt::AlignLeft) |
            Qt::AlignVCenter));
    return {};
}

}  // namespace amber
