#include "app/bench/scope_model.h"

#include "app/bench/scope_words.h"
#include "app/theme/theme.h"
#include "core/look/afterwards.h"

namespace amber {
ScopeModel::ScopeModel(Document& document, QObject* parent) : QAbstractTableModel(parent), m_document(document) {}

int ScopeModel::rowOf(const std::string& part) const
{
    const auto found = std::find_if(m_rows.begin(), m_rows.end(), [&](const Row& r) { return r.part == part; });
    return found == m_rows.end() ? -1 : static_cast<int>(found - m_rows.begin());
}

ScopeModel::Row ScopeModel::rowFor(const Step& step, const Step& shown, const std::string& part,
                                   const std::vector<PictureName>& all) const
{
    const Json value = valueOf(shown, part), travels = valueOf(step, part);
    const std::string holder = holderFor(step, m_document.looks().pictureInHand(), part);
    const auto others = std::count_if(all.begin(), all.end(), [&](const PictureName& picture) {
        const std::string held = holderFor(step, picture, part);
        return !held.empty() && *heldValue(step, held, part) != travels;
    });
    const QString guard = shown.guard.isOpen() ? QObject::tr("open") : QObject::tr("on");
    return {part,
            {partTitle(shown, part), part == step_part::kGuard ? guard : valueWords(value),
             holder.empty() && step.perPicture.count(part) > 0 ? QObject::tr("each frame its own")
                                                               : holderWords(m_document.job(), holder),
             others == 0 ? QString() : QObject::tr("%1 of %2 frames").arg(others).arg(all.size())},
            !holder.empty()};
}

void ScopeModel::refresh()
{
    std::vector<Row> rows;
    const auto index = static_cast<std::size_t>(m_document.looks().selectedStep());
    if (const Step* shown = m_document.looks().step(); shown && index < m_document.looks().look().steps.size()) {
        const Step& step = m_document.looks().look().steps[index];
        std::vector<PictureName> all;
        if (!step.held.empty())
            for (const FrameId frame : m_document.looks().framesOfLook())
                all.push_back(m_document.looks().pictureName(frame));
        for (const std::string& part : partsOf(*shown)) {
            rows.push_back(rowFor(step, *shown, part, all));
        }
    }
    if (rows == m_rows)
        return;
    const bool isSame =
        rows.size() == m_rows.size() && std::equal(rows.begin(), rows.end(), m_rows.begin(),
                                                   [](const Row& a, const Row& b) { return a.part == b.part; });
    if (isSame) {
        m_rows = std::move(rows);
        emit dataChanged(this->index(0, 0), this->index(rowCount() - 1, ColumnCount - 1));
    } else {
        beginResetModel();
        m_rows = std::move(rows);
        endResetModel();
    }
}

int ScopeModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(m_rows.size());
}

int ScopeModel::columnCount(const QModelIndex& parent) const { return parent.isValid() ? 0 : ColumnCount; }

QVariant ScopeModel::data(const QModelIndex& index, int role) const
{
    if (!checkIndex(index, CheckIndexOption::IndexIsValid))
        return {};
    const Row& row = m_rows[static_cast<std::size_t>(index.row())];
    if (role == Qt::DisplayRole || role == Qt::ToolTipRole)
        return row.words[index.column()];
    if (role == Qt::FontRole && row.isHeld)
        return theme::font(14, true);
    return {};
}

QVariant ScopeModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    static const char* const kNames[] = {QT_TR_NOOP("Of this step"), QT_TR_NOOP("Here"), QT_TR_NOOP("Whose value"),
                                         QT_TR_NOOP("Another value on")};
    if (orientation != Qt::Horizontal || section < 0 || section >= ColumnCount)
        return {};
    if (role == Qt::DisplayRole)
        return tr(kNames[section]);
    if (role == Qt::TextAlignmentRole)
        return int(Qt::AlignLeft | Qt::AlignVCenter);
    return {};
}

}  // namespace amber
