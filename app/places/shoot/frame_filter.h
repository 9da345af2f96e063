// Which frames the contact sheet shows, and in what order.
#pragma once

#include <QSortFilterProxyModel>

namespace amber {

class FrameFilter : public QSortFilterProxyModel {
    Q_OBJECT

public:
    enum class Order { AsOpened, Time, Group, Rating, Hardest, Far };
    enum class Findings { Any, Bracket, Unreadable, Chosen, Duplicate, Unsure, NotDone };

    explicit FrameFilter(QObject* parent = nullptr);
    void setGroup(int group);  ///< -1: all
    int group() const { return m_group; }
    void setLeastRating(int rating);
    void setFindings(Findings findings);
    void setOrder(Order order);

protected:
    bool filterAcceptsRow(int row, const QModelIndex& parent) const override;
    bool lessThan(const QModelIndex& left, const QModelIndex& right) const override;

private:
    int m_group = -1, m_leastRating = 0;
    Findings m_findings = Findings::Any;
    Order m_order = Order::AsOpened;
};

}  // namespace amber
