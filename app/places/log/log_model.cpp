#include "app/places/log/log_model.h"

#include "app/theme/theme.h"
#include "app/words/words.h"

#include <QDate>
#include <QLocale>
#include <QPainter>

namespace amber {
namespace {

constexpr int kDayHeight = 34, kTitleHeight = 22, kLineHeight = 18, kFoot = 6, kMost = 2, kTimeWidth = 56, kInset = 12;

/// The lines that a row has room for.
QStringList shortLines(const QModelIndex& index)
{
    const QStringList all = index.data(LogModel::LinesRole).toStringList();
    QStringList lines = all.mid(0, all.size() > kMost ? kMost - 1 : kMost);
    if (all.size() > kMost)
        lines << LogModel::tr("and %n more", nullptr, static_cast<int>(all.size()) - kMost + 1);
    return lines;
}

}  // namespace

void LogModel::setEntries(std::shared_ptr<const std::vector<LogEntry>> entries)
{
    m_entries = std::move(entries);
    rebuild();
}

void LogModel::setFilter(const LogFilter& filter)
{
    m_filter = filter;
    rebuild();
}

void LogModel::rebuild()
{
    beginResetModel();
    m_rows.clear(), m_shownCount = 0;
    std::size_t day = 0;
    for (int i = static_cast<int>(all().size()) - 1; i >= 0; --i) {
        const LogEntry& entry = all()[static_cast<std::size_t>(i)];
        if (!passes(entry, m_filter))
            continue;
        if (m_rows.empty() || m_rows[day].day != text(entry.day))
            day = m_rows.size(), m_rows.push_back({-1, text(entry.day), 0});
        ++m_rows[day].count, ++m_shownCount;
        m_rows.push_back({i, {}, 0});
    }
    endResetModel();
}

const std::vector<LogEntry>& LogModel::all() const
{
    static const std::vector<LogEntry> kNone;
    return m_entries ? *m_entries : kNone;
}

int LogModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(m_rows.size());
}

Qt::ItemFlags LogModel::flags(const QModelIndex& index) const
{
    return entry(index) ? Qt::ItemIsEnabled | Qt::ItemIsSelectable : Qt::NoItemFlags;
}

const LogEntry* LogModel::entry(const QModelIndex& index) const
{
    if (!index.isValid() || index.row() >= rowCount())
        return nullptr;
    const int at = m_rows[static_cast<std::size_t>(index.row())].entry;
    return at < 0 ? nullptr : &all()[static_cast<std::size_t>(at)];
}

QModelIndex LogModel::indexOf(std::int64_t gesture) const
{
    for (int row = 0; row < rowCount(); ++row)
        if (const LogEntry* e = entry(index(row)); e && e->gesture == gesture && gesture != 0)
            return index(row);
    return {};
}

std::vector<LogEntry> LogModel::shown() const
{
    std::vector<LogEntry> entries;
    for (const LogEntry& e : all())
        if (passes(e, m_filter))
            entries.push_back(e);
    return entries;
}

QVariant LogModel::dayData(const Row& row, int role)
{
    if (role == IsDayRole)
        return true;
    if (role != Qt::DisplayRole && role != WhatRole)
        return {};
    const QDate day = QDate::fromString(row.day, Qt::ISODate);
    return tr("%1, %n entries", nullptr, row.count)
        .arg(day.isValid() ? QLocale().toString(day, QLocale::LongFormat) : row.day);
}

QVariant LogModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid() || index.row() >= rowCount())
        return {};
    const LogEntry* e = entry(index);
    if (!e)
        return dayData(m_rows[static_cast<std::size_t>(index.row())], role);
    QStringList lines;
    switch (role) {
    case Qt::DisplayRole:
    case Qt::AccessibleTextRole:
        for (const std::string& line : e->lines)
            lines << sentence(line);
        return tr("%1 %2").arg(text(e->time), text(e->what)) + (lines.isEmpty() ? QString() : QStringLiteral(": ")) +
               lines.mid(0, 4).join(QStringLiteral("; "));
    case IsDayRole:
        return false;
    case TimeRole:
        return text(e->time);
    case WhatRole:
        return text(e->what);
    case LinesRole:
        for (const std::string& line : e->lines)
            lines << sentence(line);
        return lines;
    case ReasonRole:
        return text(e->reason);
    case TakenBackRole:
        return !e->isDone;
    default:
        return {};
    }
}

QSize LogDelegate::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    if (index.data(LogModel::IsDayRole).toBool())
        return {option.rect.width(), kDayHeight};
    const int lines =
        static_cast<int>(shortLines(index).size()) + (index.data(LogModel::ReasonRole).toString().isEmpty() ? 0 : 1);
    return {option.rect.width(), kTitleHeight + lines * kLineHeight + kFoot};
}

void LogDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    painter->save();
    const QRect area = option.rect;
    const auto line = [&](int top, int left, const QFont& font, const QColor& ink, const QString& words, int height) {
        painter->setFont(font), painter->setPen(ink);
        const QRect place(area.left() + left, top, area.width() - left - kInset, height);
        painter->drawText(place, Qt::AlignLeft | Qt::AlignVCenter,
                          QFontMetrics(font).elidedText(words, Qt::ElideRight, place.width()));
    };
    if (index.data(LogModel::IsDayRole).toBool()) {
        line(area.top() + 6, kInset, theme::font(13, true), theme::kInk, index.data(LogModel::WhatRole).toString(),
             kDayHeight - 8);
        painter->setPen(theme::kHairline);
        painter->drawLine(area.left() + kInset, area.bottom(), area.right() - kInset, area.bottom());
        return painter->restore();
    }
    if (option.state & QStyle::State_Selected) {
        painter->fillRect(area, theme::kRaised);
        painter->fillRect(QRect(area.left(), area.top(), 4, area.height()), theme::kAmber);
    }
    const bool isTakenBack = index.data(LogModel::TakenBackRole).toBool();
    QFont title = theme::font(13), slanted = theme::font(13);
    title.setStrikeOut(isTakenBack), slanted.setItalic(true);
    int top = area.top() + 3;
    line(top, kInset, theme::font(13), theme::kQuietInk, index.data(LogModel::TimeRole).toString(), kTitleHeight - 3);
    line(top, kTimeWidth, title, isTakenBack ? theme::kQuietInk : theme::kInk,
         index.data(LogModel::WhatRole).toString(), kTitleHeight - 3);
    top += kTitleHeight - 3;
    if (const QString reason = index.data(LogModel::ReasonRole).toString(); !reason.isEmpty()) {
        line(top, kTimeWidth, slanted, theme::kInk, LogModel::tr("because: %1").arg(reason), kLineHeight);
        top += kLineHeight;
    }
    for (const QString& words : shortLines(index)) {
        line(top, kTimeWidth, theme::font(13), theme::kQuietInk, words, kLineHeight);
        top += kLineHeight;
    }
    painter->restore();
}

}  // namespace amber
