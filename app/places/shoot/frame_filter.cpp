#include "app/places/shoot/frame_filter.h"

#include "app/document/frame_model.h"

namespace amber {

FrameFilter::FrameFilter(QObject* parent) : QSortFilterProxyModel(parent)
{
    setDynamicSortFilter(true);
    sort(0);
}

void FrameFilter::setGroup(int group)
{
    m_group = group;
    invalidate();
}

void FrameFilter::setLeastRating(int rating)
{
    m_leastRating = rating;
    invalidate();
}

void FrameFilter::setFindings(Findings findings)
{
    m_findings = findings;
    invalidate();
}

void FrameFilter::setOrder(Order order)
{
    m_order = order;
    invalidate();
}

bool FrameFilter::filterAcceptsRow(int row, const QModelIndex& parent) const
{
    const QModelIndex index = sourceModel()->index(row, 0, parent);
    if (m_group >= 0 && index.data(FrameModel::GroupRole).toInt() != m_group)
        return false;
    if (index.data(FrameModel::RatingRole).toInt() < m_leastRating)
        return false;
    switch (m_findings) {
    case Findings::Any:
        return true;
    case Findings::Bracket:
        return !index.data(FrameModel::BracketRole).toString().isEmpty();
    case Findings::Unreadable:
        return !index.data(FrameModel::FaultRole).toString().isEmpty();
    case Findings::Duplicate:
        return !index.data(FrameModel::DuplicateRole).toString().isEmpty();
    case Findings::Unsure: {
        constexpr double kUnsure = 0.45;
        const double sure = index.data(FrameModel::TroubleRole).toDouble();
        return sure > 0 && sure < kUnsure;
    }
    case Findings::NotDone:
        return !index.data(FrameModel::DoneRole).toBool();
    case Findings::Chosen:
        return index.data(FrameModel::InHandRole).toBool() || index.data(FrameModel::CompanionRole).toInt() > 0;
    }
    return true;
}

bool FrameFilter::lessThan(const QModelIndex& left, const QModelIndex& right) const
{
    const auto by = [&](int role) { return std::pair(left.data(role).toLongLong(), right.data(role).toLongLong()); };
    auto [a, b] = m_order == Order::Time     ? by(FrameModel::TimeRole)
                  : m_order == Order::Group  ? by(FrameModel::GroupRole)
                  : m_order == Order::Rating ? by(FrameModel::RatingRole)
                                             : std::pair(0LL, 0LL);
    if (m_order == Order::Hardest || m_order == Order::Far) {
        const int role = m_order == Order::Far ? FrameModel::FarRole : FrameModel::WeightRole;
        const double p = left.data(role).toDouble(), q = right.data(role).toDouble();
        return p != q ? p > q : left.row() < right.row();
    }
    if (m_order == Order::Rating)
        std::swap(a, b);
    return a != b ? a < b : left.row() < right.row();
}

}  // namespace amber
