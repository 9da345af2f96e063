// One frame of the contact sheet: picture, name, and what it is chosen for, in words.
#pragma once

#include <QCache>
#include <QPixmap>
#include <QStyledItemDelegate>

namespace amber {

class FrameModel;

class FrameDelegate : public QStyledItemDelegate {
public:
    FrameDelegate(FrameModel& model, QObject* parent);

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return m_cell; }
    /// As many columns as fit, sharing the width evenly.
    void fit(int width);
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    /// Where the picture was painted.
    QRect paintPicture(QPainter& painter, const QRect& place, const QModelIndex& index) const;
    void paintMissing(QPainter& painter, const QRect& place, const QModelIndex& index) const;
    void paintCaption(QPainter& painter, const QRect& caption, const QModelIndex& index) const;
    static constexpr int kFittedLimit = 240;  ///< some screens of them
    FrameModel& m_model;
    mutable QCache<qint64, QPixmap> m_fitted{kFittedLimit};
    QSize m_cell;
};

}  // namespace amber
