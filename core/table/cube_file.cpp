#include "core/table/cube_file.h"

#include "core/base/atomic_file.h"
#include "core/base/phrase.h"

#include <charconv>
#include <cmath>

namespace amber {
namespace {

constexpr std::size_t kFileLimitBytes = std::size_t{256} << 20;

class CubeParser {
public:
    CubeParser(std::string_view text, const std::string& name) : m_text(text), m_name(name) {}

    Result<Table> parse()
    {
        while (nextLine()) {
            std::string_view rest = m_line;
            const std::string_view word = takeWord(rest);
            if (word.empty() || word[0] == '#')
                continue;
            const bool letter = std::isalpha(static_cast<unsigned char>(word[0])) != 0;
            Status good = letter && !isNumberWord(word) ? keyword(word, rest) : values(m_line);
            if (!good)
                return tl::make_unexpected(good.error());
        }
        return finish();
    }

private:
    tl::unexpected<Error> wrong(std::string what, std::string expected = {}, std::string found = {}) const
    {
        return fail(std::move(what), m_name + ", line " + std::to_string(m_number), std::move(expected),
                    std::move(found));
    }

    /// "nan" and "inf" start with letters but are values, so that they are named as the fault they are.
    static bool isNumberWord(std::string_view word)
    {
        std::string lower;
        for (char c : word)
            lower += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        return lower.rfind("nan", 0) == 0 || lower.rfind("inf", 0) == 0;
    }

    bool nextLine()
    {
        if (m_at >= m_text.size())
            return false;
        const std::size_t end = std::min(m_text.find_first_of("\r\n", m_at), m_text.size());
        m_line = m_text.substr(m_at, end - m_at);
        m_at = end + 1;
        if (end + 1 < m_text.size() && m_text[end] == '\r' && m_text[end + 1] == '\n')
            ++m_at;
        ++m_number;
        if (m_number == 1 && m_line.rfind("\xEF\xBB\xBF", 0) == 0)
            m_line.remove_prefix(3);
        return true;
    }

    static std::string_view takeWord(std::string_view& rest)
    {
        const std::size_t begin = rest.find_first_not_of(" \t");
        if (begin == std::string_view::npos) {
            rest = {};
            return {};
        }
        const std::size_t end = std::min(rest.find_first_of(" \t", begin), rest.size());
        const std::string_view word = rest.substr(begin, end - begin);
        rest.remove_prefix(end);
        return word;
    }

    Result<double> number(std::string_view word) const
    {
        double v = 0;
        std::string_view digits = word;
        if (!digits.empty() && digits[0] == '+')
            digits.remove_prefix(1);
        const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), v);
        if (digits.empty() || error != std::errc{} || end != digits.data() + digits.size())
            return wrong("not a number", "a number with a decimal point", std::string(word.substr(0, 40)));
        if (!std::isfinite(v) || std::abs(v) > 1e30)
            return wrong("not a finite number", "a finite number", std::string(word.substr(0, 40)));
        return v;
    }

    Status numbers(std::string_view rest, double* out, int count) const
    {
        for (int i = 0; i < count; ++i) {
            const std::string_view word = takeWord(rest);
            if (word.empty())
                return wrong("too few numbers", std::to_string(count), std::to_string(i));
            const auto v = number(word);
            if (!v)
                return tl::make_unexpected(v.error());
            out[i] = *v;
        }
        const std::string_view more = takeWord(rest);
        if (!more.empty() && more[0] != '#')
            return wrong("too many values in the line", std::to_string(count), std::string(more.substr(0, 40)));
        return {};
    }

    Status size(std::string_view rest, int& target, int limit) const
    {
        double v = 0;
        if (auto good = numbers(rest, &v, 1); !good)
            return good;
        if (target != 0)
            return wrong("the size is given twice");
        if (v != std::floor(v) || v < 2 || v > limit)
            return wrong("size outside the limits", phrase("%1 to %2", {"2", std::to_string(limit)}),
                         std::string(rest));
        target = static_cast<int>(v);
        return {};
    }

    Status keyword(std::string_view word, std::string_view rest)
    {
        double v[3];
        if (word == "TITLE") {
            const std::size_t begin = rest.find('"'), end = rest.rfind('"');
            m_table.title = begin != std::string_view::npos && end > begin
                                ? std::string(rest.substr(begin + 1, end - begin - 1))
                                : std::string(rest.substr(std::min(rest.size(), rest.find_first_not_of(" \t"))));
            return {};
        }
        if (!m_rows.empty())
            return wrong("a keyword among the values", {}, std::string(word.substr(0, 40)));
        if (word == "LUT_1D_SIZE")
            return size(rest, m_table.size1, kTable1Limit);
        if (word == "LUT_3D_SIZE")
            return size(rest, m_table.size3, kTable3Limit);
        if (word == "DOMAIN_MIN" || word == "DOMAIN_MAX") {
            if (auto good = numbers(rest, v, 3); !good)
                return good;
            auto& one = word == "DOMAIN_MIN" ? m_table.domainMin1 : m_table.domainMax1;
            auto& three = word == "DOMAIN_MIN" ? m_table.domainMin3 : m_table.domainMax3;
            one = three = {v[0], v[1], v[2]};
            return checkDomain(word == "DOMAIN_MAX");
        }
        if (word == "LUT_1D_INPUT_RANGE" || word == "LUT_3D_INPUT_RANGE") {
            if (auto good = numbers(rest, v, 2); !good)
                return good;
            const bool one = word == "LUT_1D_INPUT_RANGE";
            (one ? m_table.domainMin1 : m_table.domainMin3) = {v[0], v[0], v[0]};
            (one ? m_table.domainMax1 : m_table.domainMax3) = {v[1], v[1], v[1]};
            return checkDomain(true);
        }
        return wrong("unknown keyword", {}, std::string(word.substr(0, 40)));
    }

    Status checkDomain(bool complete) const
    {
        for (std::size_t k = 0; complete && k < 3; ++k)
            if (m_table.domainMin1[k] >= m_table.domainMax1[k] || m_table.domainMin3[k] >= m_table.domainMax3[k])
                return wrong("the domain is reversed or empty", "minimum below maximum");
        return {};
    }

    std::size_t wanted() const
    {
        return static_cast<std::size_t>(m_table.size1) +
               static_cast<std::size_t>(m_table.size3) * m_table.size3 * m_table.size3;
    }

    Status values(std::string_view line)
    {
        double v[3];
        if (auto good = numbers(line, v, 3); !good)
            return good;
        if (wanted() == 0)
            return wrong("values before the size", "LUT_1D_SIZE or LUT_3D_SIZE first");
        if (m_rows.empty())
            m_rows.reserve(wanted() * 3);
        if (m_rows.size() / 3 >= wanted())
            return wrong("too many rows", std::to_string(wanted()));
        for (double component : v)
            m_rows.push_back(static_cast<float>(component));
        return {};
    }

    Result<Table> finish()
    {
        if (wanted() == 0)
            return fail("not a .cube table", m_name, "LUT_1D_SIZE or LUT_3D_SIZE");
        if (m_rows.size() / 3 != wanted())
            return fail("too few rows", m_name, std::to_string(wanted()), std::to_string(m_rows.size() / 3));
        if (auto good = checkDomain(true); !good)
            return tl::make_unexpected(good.error());
        const Table whole;  // a part that is not there has the plain domain
        if (m_table.size1 == 0)
            m_table.domainMin1 = whole.domainMin1, m_table.domainMax1 = whole.domainMax1;
        if (m_table.size3 == 0)
            m_table.domainMin3 = whole.domainMin3, m_table.domainMax3 = whole.domainMax3;
        const auto split = m_rows.begin() + static_cast<std::ptrdiff_t>(m_table.size1) * 3;
        m_table.values1.assign(m_rows.begin(), split);
        m_table.values3.assign(split, m_rows.end());
        return std::move(m_table);
    }

    std::string_view m_text, m_line;
    std::string m_name;
    std::size_t m_at = 0;
    int m_number = 0;
    Table m_table;
    std::vector<float> m_rows;
};

void append(std::string& text, double v)
{
    char digits[40];
    const auto end = std::to_chars(digits, digits + sizeof digits, v, std::chars_format::general, 9).ptr;
    text.append(digits, end);
}

void appendRow(std::string& text, const char* word, double a, double b, double c)
{
    text += word;
    append(text, a), text += ' ', append(text, b), text += ' ', append(text, c);
    text += '\n';
}

}  // namespace

Result<Table> parseCube(std::string_view text, const std::string& name) { return CubeParser(text, name).parse(); }

Result<Table> readCube(const std::filesystem::path& path)
{
    const auto bytes = readWholeFile(path, kFileLimitBytes);
    if (!bytes)
        return tl::make_unexpected(bytes.error());
    return parseCube(*bytes, path.string());
}

std::string formatCube(const Table& table)
{
    std::string text;
    if (!table.title.empty())
        text += "TITLE \"" + table.title + "\"\n";
    if (table.size1 > 0)
        text += "LUT_1D_SIZE " + std::to_string(table.size1) + "\n";
    if (table.size3 > 0)
        text += "LUT_3D_SIZE " + std::to_string(table.size3) + "\n";
    const auto& low = table.size3 > 0 && table.size1 == 0 ? table.domainMin3 : table.domainMin1;
    const auto& high = table.size3 > 0 && table.size1 == 0 ? table.domainMax3 : table.domainMax1;
    if (table.size1 > 0 && table.size3 > 0) {
        text += "LUT_1D_INPUT_RANGE ", append(text, low[0]), text += ' ', append(text, high[0]), text += '\n';
        text += "LUT_3D_INPUT_RANGE ", append(text, table.domainMin3[0]), text += ' ',
            append(text, table.domainMax3[0]), text += '\n';
    } else {
        appendRow(text, "DOMAIN_MIN ", low[0], low[1], low[2]);
        appendRow(text, "DOMAIN_MAX ", high[0], high[1], high[2]);
    }
    for (const auto* values : {&table.values1, &table.values3})
        for (std::size_t i = 0; i + 2 < values->size(); i += 3)
            appendRow(text, "", (*values)[i], (*values)[i + 1], (*values)[i + 2]);
    return text;
}

}  // namespace amber
