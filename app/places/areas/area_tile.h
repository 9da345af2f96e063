// One frame in the Areas place: its picture with the area of the role, and how it stands, in words.
#pragma once

#include <QStyledItemDelegate>

namespace amber {

class AreaTile : public QStyledItemDelegate {
public:
    explicit AreaTile(QObject* parent) : QStyledItemDelegate(parent) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return m_cell; }
    /// As many columns as fit, sharing the width evenly.
    void fit(int width);
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    void paintWords(QPainter& painter, const QRect& place, const QModelIndex& index) const;
    QSize m_cell{150, 140};
};

}  // namespace amber
