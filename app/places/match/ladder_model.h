// The ladder as a table: reference, ours, and their difference drawn on one scale, with where it was before the match.
#pragma once

#include "core/match/ladder.h"

#include <QAbstractTableModel>
#include <QStyledItemDelegate>

namespace amber {

class LadderModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Column { Name, Reference, Ours, Difference, Numbers, Sure, ColumnCount };

    explicit LadderModel(QObject* parent = nullptr) : QAbstractTableModel(parent) {}
    /// `start`: the same rows without the steps of the match.
    void show(const Ladder& ladder, const Ladder& start);
    const Ladder& ladder() const { return m_ladder; }
    const Ladder& start() const { return m_start; }
    const LadderRow* row(int row) const;
    /// Supported, and sure enough, or already matched: its start decides.
    bool isTakenWithAll(int row) const;
    /// Taken with all, and not brought even half of the likely way yet: what was asked for by hand stays as it is.
    bool isYetToBeTaken(int row) const;
    /// Taken with the rows down to a later one: supported, and not likely another thing.
    bool isTakenOnTheWay(int row) const;
    static QString nameOf(const LadderRow& row);
    /// Why a row is left alone, or how it lies.
    QString wordsOf(int row) const;

    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(m_ladder.rows.size()); }
    int columnCount(const QModelIndex& = {}) const override { return ColumnCount; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    static QString whyNot(const LadderRow& r);
    static QString numberOf(const LadderRow& r, double difference);
    static QString valueOf(const LadderRow& r, bool reference);
    QVariant wordsAt(const LadderRow& r, const QModelIndex& index) const;
    static QVariant swatchAt(const LadderRow& r, int column);
    QString tipOf(const LadderRow& r) const;
    Ladder m_ladder, m_start;
};

/// Draws the difference: the tolerance as a band from the left, the start as a ring, now as a disc.
class DifferenceDelegate : public QStyledItemDelegate {
    Q_OBJECT

public:
    DifferenceDelegate(LadderModel& model, QObject* parent) : QStyledItemDelegate(parent), m_model(model) {}
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    /// At the right end of the scale.
    static constexpr double kFull = 16, kFullPerCent = 160;

private:
    LadderModel& m_model;
};

}  // namespace amber
