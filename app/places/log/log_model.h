// The log as a list: a row for each day, and under it one for each entry that passes the filter; the newest first.
#pragma once

#include "core/log/log.h"

#include <QAbstractListModel>
#include <QStyledItemDelegate>
#include <memory>

namespace amber {

class LogModel : public QAbstractListModel {
    Q_OBJECT

public:
    enum Role { IsDayRole = Qt::UserRole + 1, TimeRole, WhatRole, LinesRole, ReasonRole, TakenBackRole };

    explicit LogModel(QObject* parent = nullptr) : QAbstractListModel(parent) {}
    void setEntries(std::shared_ptr<const std::vector<LogEntry>> entries);
    void setFilter(const LogFilter& filter);
    const LogFilter& filter() const { return m_filter; }
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    /// Null for a day.
    const LogEntry* entry(const QModelIndex& index) const;
    /// The row of a gesture, or none.
    QModelIndex indexOf(std::int64_t gesture) const;
    /// What is shown, the oldest first.
    std::vector<LogEntry> shown() const;
    int shownCount() const { return m_shownCount; }
    const std::vector<LogEntry>& all() const;

private:
    void rebuild();
    struct Row {
        int entry = -1;  ///< -1: a day
        QString day;
        int count = 0;
    };
    static QVariant dayData(const Row& row, int role);
    std::shared_ptr<const std::vector<LogEntry>> m_entries;
    LogFilter m_filter;
    std::vector<Row> m_rows;
    int m_shownCount = 0;
};

class LogDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
};

}  // namespace amber
