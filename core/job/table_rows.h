// Rows of tables, read column by column. For the files of this folder only; throws what SQLite throws, and
// std::runtime_error for a value that is none of the type.
#pragma once

#include "core/job/job_file.h"

#include <cmath>
#include <optional>
#include <stdexcept>

namespace amber {

/// One row, read column by column in the order they were asked for. Throws for a value that is none of the type.
class Row {
public:
    explicit Row(SQLite::Statement& query) : m_query(query) {}
    double real()
    {
        const SQLite::Column c = m_query.getColumn(m_at++);
        if (!(c.isFloat() || c.isInteger()) || !std::isfinite(c.getDouble()))
            throw std::runtime_error("a number was expected in " + std::string(c.getName()));
        return c.getDouble();
    }
    std::int64_t whole()
    {
        const SQLite::Column c = m_query.getColumn(m_at++);
        if (!c.isInteger())
            throw std::runtime_error("a whole number was expected in " + std::string(c.getName()));
        return c.getInt64();
    }
    int small() { return static_cast<int>(whole()); }
    bool flag() { return whole() != 0; }
    std::string text() { return m_query.getColumn(m_at++).getString(); }
    Region region()
    {
        Region r;
        r.left = real(), r.top = real(), r.right = real(), r.bottom = real();
        if (!(r.left < r.right) || !(r.top < r.bottom))
            throw std::runtime_error("a region has no size");
        return r;
    }
    /// Nothing when the column is empty.
    std::optional<double> maybe()
    {
        return m_query.getColumn(m_at).isNull() ? (++m_at, std::nullopt) : std::optional(real());
    }

private:
    SQLite::Statement& m_query;
    int m_at = 0;
};

/// Calls `take` with every row.
template <class Take>
void forRows(const JobFile& file, const char* query, Take&& take)
{
    SQLite::Statement statement(file.sql, query);
    while (statement.executeStep()) {
        Row row(statement);
        take(row);
    }
}

}  // namespace amber
