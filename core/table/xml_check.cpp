#include "core/table/xml_check.h"

#include "core/table/table.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <set>
#include <vector>

namespace amber {
namespace {

constexpr std::size_t kDepthLimit = 32;

bool isSpace(char c) { return c == ' ' || c == '\t' || c == '\n' || c == '\r'; }

class Walk {
public:
    Walk(std::string_view text, const std::string& name, const XmlRules& rules)
        : m_text(text), m_name(name), m_rules(rules)
    {
    }

    Result<std::string> run()
    {
        while (m_at < m_text.size()) {
            const std::size_t open = std::min(m_text.find('<', m_at), m_text.size());
            if (auto good = characters(m_text.substr(m_at, open - m_at)); !good)
                return tl::make_unexpected(good.error());
            if (open == m_text.size())
                break;
            if (auto good = markup(); !good)
                return tl::make_unexpected(good.error());
        }
        if (!m_open.empty())
            return wrong("the file is cut short", "</" + m_open.back().name + ">");
        if (m_root.empty())
            return wrong("not an XML file", "an element");
        return m_root;
    }

private:
    struct Element {
        std::string name;
        const NumberRule* rule;     ///< null: any text
        std::size_t wanted, count;  ///< numbers; wanted 0: any
        int line = 1;               ///< that it begins in
        std::set<std::string> inside = {};
    };

    tl::unexpected<Error> wrong(std::string what, std::string expected = {}, std::string found = {}) const
    {
        return fail(std::move(what), m_name + ", line " + std::to_string(m_line), std::move(expected),
                    std::move(found));
    }

    static std::string list(const std::set<std::string, std::less<>>& names)
    {
        std::string all;
        for (const std::string& name : names)
            all += (all.empty() ? "<" : ", <") + name + ">";
        return all;
    }

    void advance(std::size_t to)
    {
        m_line += static_cast<int>(std::count(m_text.begin() + static_cast<std::ptrdiff_t>(m_at),
                                              m_text.begin() + static_cast<std::ptrdiff_t>(to), '\n'));
        m_at = to;
    }

    Status number(std::string_view word)
    {
        std::string_view digits = word;
        if (!digits.empty() && digits[0] == '+')
            digits.remove_prefix(1);
        double v = 0;
        const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), v);
        if (digits.empty() || error != std::errc{} || end != digits.data() + digits.size())
            return wrong("not a number", "a number with a decimal point", std::string(word.substr(0, 40)));
        if (!std::isfinite(v) || std::abs(v) > 1e30)
            return wrong("not a finite number", "a finite number", std::string(word.substr(0, 40)));
        Element& element = m_open.back();
        const NumberRule& rule = *element.rule;
        if (v < rule.least || (rule.aboveLeast && v == rule.least))
            return wrong("number outside its limits in <" + element.name + ">",
                         (rule.aboveLeast ? "more than " : "at least ") + std::to_string(static_cast<int>(rule.least)),
                         std::string(word.substr(0, 40)));
        if (++element.count > rule.most || (element.wanted > 0 && element.count > element.wanted))
            return wrong("too many numbers in <" + element.name + ">",
                         std::to_string(element.wanted > 0 ? element.wanted : rule.most));
        return {};
    }

    Status characters(std::string_view words)
    {
        const std::size_t end = m_at + words.size();
        const bool numbers = !m_open.empty() && m_open.back().rule;
        while (m_at < end) {
            const char c = m_text[m_at];
            if (isSpace(c)) {
                advance(m_at + 1);
                continue;
            }
            std::size_t stop = m_at;
            while (stop < end && !isSpace(m_text[stop]))
                ++stop;
            const std::string_view word = m_text.substr(m_at, stop - m_at);
            if (m_open.empty() && !(m_at == 0 && word == "\xEF\xBB\xBF"))
                return wrong("text outside the elements", {}, std::string(word.substr(0, 40)));
            for (std::size_t at = word.find('&'); at != std::string_view::npos; at = word.find('&', at + 1)) {
                static constexpr std::string_view kKnown[] = {"&amp;", "&lt;", "&gt;", "&quot;", "&apos;"};
                if (std::none_of(std::begin(kKnown), std::end(kKnown),
                                 [&](std::string_view known) { return word.substr(at, known.size()) == known; }))
                    return wrong("an entity that XML does not define", "&amp; &lt; &gt; &quot; &apos;",
                                 std::string(word.substr(at, 20)));
            }
            if (numbers)
                if (auto good = number(word); !good)
                    return good;
            advance(stop);
        }
        return {};
    }

    Status skipTo(std::string_view mark)
    {
        const std::size_t end = m_text.find(mark, m_at);
        if (end == std::string_view::npos)
            return wrong("the file is cut short", std::string(mark));
        advance(end + mark.size());
        return {};
    }

    Status markup()
    {
        const std::string_view rest = m_text.substr(m_at);
        if (rest.rfind("<!--", 0) == 0)
            return skipTo("-->");
        if (rest.rfind("<?xml ", 0) == 0 && m_root.empty())
            return skipTo("?>");
        if (rest.rfind("<?", 0) == 0)
            return wrong("an instruction among the elements", "<?xml … ?> at the top only",
                         std::string(rest.substr(0, 20)));
        if (rest.rfind("<!", 0) == 0)
            return wrong("a document type or entity, which table files do not need, is not read", "elements only",
                         std::string(rest.substr(0, 20)));
        // The tag ends at the first '>' outside quotes.
        std::size_t end = m_at + 1;
        for (char quote = 0; end < m_text.size() && (quote || m_text[end] != '>'); ++end) {
            const char c = m_text[end];
            if (quote)
                quote = c == quote ? 0 : quote;
            else if (c == '"' || c == '\'')
                quote = c;
            else if (c == '<')
                return wrong("a tag inside a tag", ">", "<");
        }
        if (end >= m_text.size())
            return wrong("the file is cut short", ">");
        const std::string_view tag = m_text.substr(m_at + 1, end - m_at - 1);
        const Status good = tag.rfind("/", 0) == 0 ? close(tag.substr(1)) : open(tag);
        advance(end + 1);
        return good;
    }

    Status close(std::string_view tag)
    {
        while (!tag.empty() && isSpace(tag.back()))
            tag.remove_suffix(1);
        if (m_open.empty() || m_open.back().name != tag)
            return wrong("the elements do not nest",
                         m_open.empty() ? "no closing tag" : "</" + m_open.back().name + ">",
                         "</" + std::string(tag.substr(0, 40)) + ">");
        const Status whole = isWhole(m_open.back());
        m_open.pop_back();
        return whole;
    }

    Status isWhole(const Element& element) const
    {
        if (element.rule && (element.count == 0 || (element.wanted > 0 && element.count != element.wanted)))
            return wrong("too few numbers in <" + element.name + ">",
                         element.wanted > 0 ? std::to_string(element.wanted) : "at least one",
                         std::to_string(element.count));
        if (const auto needed = m_rules.needed.find(element.name);
            needed != m_rules.needed.end() && element.inside.count(needed->second) == 0)
            return fail("nothing in <" + element.name + "> says what it does",
                        m_name + ", line " + std::to_string(element.line), "<" + needed->second + ">");
        return {};
    }

    Status open(std::string_view tag)
    {
        const bool ends = !tag.empty() && tag.back() == '/';
        if (ends)
            tag.remove_suffix(1);
        std::size_t stop = 0;
        while (stop < tag.size() && !isSpace(tag[stop]))
            ++stop;
        Element element{std::string(tag.substr(0, stop)), nullptr, 0, 0, m_line};
        if (element.name.empty())
            return wrong("a tag without a name");
        if (m_open.empty() && !m_root.empty())
            return wrong("a second root element", {}, "<" + element.name.substr(0, 40) + ">");
        if (m_root.empty()) {
            if (m_rules.roots.count(element.name) == 0)
                return wrong("another kind of file", list(m_rules.roots), "<" + element.name.substr(0, 40) + ">");
            m_root = element.name;
        }
        if (!m_rules.elements.empty() && m_rules.elements.count(element.name) == 0)
            return wrong("an element that does not belong here", list(m_rules.elements),
                         "<" + element.name.substr(0, 40) + ">");
        if (const auto rule = m_rules.numbers.find(element.name); rule != m_rules.numbers.end()) {
            element.rule = &rule->second;
            element.wanted = rule->second.exactly;
            if (auto good = dimensions(tag.substr(stop), element); !good)
                return good;
        }
        if (!m_open.empty())
            m_open.back().inside.insert(element.name);
        if (ends)
            return isWhole(element);
        if (m_open.size() >= kDepthLimit)
            return wrong("elements nested too deep", "at most " + std::to_string(kDepthLimit));
        m_open.push_back(std::move(element));
        return {};
    }

    Status dimensions(std::string_view attributes, Element& element) const
    {
        const std::size_t at = attributes.find("dim");
        if (at == std::string_view::npos)
            return {};
        const std::size_t begin = attributes.find_first_of("\"'", at),
                          end = begin == std::string_view::npos ? begin : attributes.find(attributes[begin], begin + 1);
        if (end == std::string_view::npos)
            return wrong("dim has no value");
        std::string_view words = attributes.substr(begin + 1, end - begin - 1);
        std::vector<long long> sizes;
        while (!words.empty()) {
            if (isSpace(words[0])) {
                words.remove_prefix(1);
                continue;
            }
            long long v = 0;
            const auto [stop, error] = std::from_chars(words.data(), words.data() + words.size(), v);
            if (error != std::errc{} || v < 1 || v > 1'000'000'000 ||
                (stop != words.data() + words.size() && !isSpace(*stop)))
                return wrong("wrong size in dim", "whole numbers", std::string(words.substr(0, 40)));
            sizes.push_back(v);
            words.remove_prefix(static_cast<std::size_t>(stop - words.data()));
        }
        if (sizes.empty() || sizes.size() > 4)
            return wrong("wrong size in dim", "two to four numbers", std::to_string(sizes.size()));
        if (sizes.size() == 4) {
            for (int k = 0; k < 3; ++k)
                if (sizes[static_cast<std::size_t>(k)] < 2 || sizes[static_cast<std::size_t>(k)] > kTable3Limit)
                    return wrong("size outside the limits", "2 to " + std::to_string(kTable3Limit),
                                 std::to_string(sizes[static_cast<std::size_t>(k)]));
        } else if (sizes.size() == 2 && sizes[0] > kTable1Limit) {
            return wrong("size outside the limits", "at most " + std::to_string(kTable1Limit),
                         std::to_string(sizes[0]));
        }
        long long product = 1;
        for (long long size : sizes)
            product = std::min<long long>(product * size, 1'000'000'000'000);
        if (product > static_cast<long long>(element.rule->most))
            return wrong("size outside the limits", "at most " + std::to_string(element.rule->most) + " numbers",
                         std::to_string(product));
        element.wanted = static_cast<std::size_t>(product);
        return {};
    }

    std::string_view m_text;
    const std::string& m_name;
    const XmlRules& m_rules;
    std::size_t m_at = 0;
    int m_line = 1;
    std::string m_root;
    std::vector<Element> m_open;
};

}  // namespace

Result<std::string> checkXml(std::string_view text, const std::string& name, const XmlRules& rules)
{
    return Walk(text, name, rules).run();
}

}  // namespace amber
