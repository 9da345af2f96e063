#include "core/table/xml_check.h"

#include "core/base/phrase.h"
#include "core/table/table.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <expat.h>
#include <memory>
#include <set>
#include <vector>

namespace amber {
namespace {

constexpr std::size_t kDepthLimit = 32, kWordLimit = 60;

bool isSpace(char c) { return c == ' ' || c == '\t' || c == '\n' || c == '\r'; }

std::string list(const std::set<std::string, std::less<>>& names)
{
    std::string all;
    for (const std::string& name : names)
        all += (all.empty() ? "<" : ", <") + name + ">";
    return all;
}

std::string tag(const std::string& name) { return std::string("<").append(name, 0, 40) + ">"; }

/// Holds what expat finds against the rules. The first fault ends the walk.
class Walk {
public:
    Walk(const std::string& name, const XmlRules& rules)
        : m_name(name), m_rules(rules), m_parser(XML_ParserCreate(nullptr), XML_ParserFree)
    {
        XML_SetUserData(m_parser.get(), this);
        XML_SetElementHandler(m_parser.get(), started, ended);
        XML_SetCharacterDataHandler(m_parser.get(), characters);
        XML_SetStartDoctypeDeclHandler(m_parser.get(), documentType);
        XML_SetProcessingInstructionHandler(m_parser.get(), instruction);
    }

    Result<std::string> run(std::string_view text)
    {
        const XML_Status parsed = XML_Parse(m_parser.get(), text.data(), static_cast<int>(text.size()), XML_TRUE);
        if (m_fault)
            return tl::make_unexpected(*m_fault);
        if (parsed != XML_STATUS_OK)
            return tl::make_unexpected(faultOf(XML_GetErrorCode(m_parser.get())));
        return m_root;
    }

private:
    struct Element {
        std::string name;
        const NumberRule* rule = nullptr;   ///< null: any text
        std::size_t wanted = 0, count = 0;  ///< numbers; wanted 0: any
        int line = 1;                       ///< that it begins in
        std::set<std::string> inside = {};
    };
    using Fault = std::optional<Error>;

    static Walk& of(void* data) { return *static_cast<Walk*>(data); }
    static void started(void* data, const XML_Char* name, const XML_Char** attributes)
    {
        of(data).take([&](Walk& walk) { return walk.open(name, attributes); });
    }
    static void ended(void* data, const XML_Char*)
    {
        of(data).take([](Walk& walk) { return walk.close(); });
    }
    static void characters(void* data, const XML_Char* text, int length)
    {
        of(data).take([&](Walk& walk) { return walk.read(std::string_view(text, static_cast<std::size_t>(length))); });
    }
    static void documentType(void* data, const XML_Char*, const XML_Char*, const XML_Char*, int)
    {
        of(data).take([](Walk& walk) {
            return walk.wrong("a document type or entity, which table files do not need, is not read", "elements only");
        });
    }
    static void instruction(void* data, const XML_Char* target, const XML_Char*)
    {
        of(data).take([&](Walk& walk) {
            return walk.wrong("an instruction among the elements", "<?xml … ?> at the top only",
                              "<?" + std::string(target).substr(0, 20));
        });
    }

    template <class Handle>
    void take(Handle&& handle)
    {
        if (m_fault)
            return;
        m_fault = handle(*this);
        if (m_fault)
            XML_StopParser(m_parser.get(), XML_FALSE);
    }

    Error wrong(std::string what, std::string expected = {}, std::string found = {}, int line = 0) const
    {
        if (line == 0)
            line = static_cast<int>(XML_GetCurrentLineNumber(m_parser.get()));
        return Error{std::move(what), m_name + ", line " + std::to_string(line), std::move(expected), std::move(found)};
    }

    /// What expat itself refuses, in our words.
    Error faultOf(XML_Error code) const
    {
        const std::string open = m_open.empty() ? std::string() : "</" + m_open.back().name + ">";
        switch (code) {
        case XML_ERROR_NO_ELEMENTS:
            return m_open.empty() ? wrong("not an XML file", "an element") : wrong("the file is cut short", open);
        case XML_ERROR_UNCLOSED_TOKEN:
        case XML_ERROR_PARTIAL_CHAR:
        case XML_ERROR_UNCLOSED_CDATA_SECTION:
            return wrong("the file is cut short", open.empty() ? ">" : open);
        case XML_ERROR_TAG_MISMATCH:
            return wrong("the elements do not nest", open);
        case XML_ERROR_UNDEFINED_ENTITY:
            return wrong("an entity that XML does not define", "&amp; &lt; &gt; &quot; &apos;");
        case XML_ERROR_JUNK_AFTER_DOC_ELEMENT:
            return wrong("a second root element, or text outside the elements", "one element that holds all others");
        case XML_ERROR_MISPLACED_XML_PI:
            return wrong("an instruction among the elements", "<?xml … ?> at the top only");
        default:
            return wrong(std::string("not XML: ") + XML_ErrorString(code));
        }
    }

    Fault number(const std::string& word, int line)
    {
        std::string_view digits = word;
        if (!digits.empty() && digits[0] == '+')
            digits.remove_prefix(1);
        double v = 0;
        const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), v);
        if (digits.empty() || error != std::errc{} || end != digits.data() + digits.size())
            return wrong("not a number", "a number with a decimal point", word.substr(0, 40), line);
        if (!std::isfinite(v) || std::abs(v) > 1e30)
            return wrong("not a finite number", "a finite number", word.substr(0, 40), line);
        Element& element = m_open.back();
        const NumberRule& rule = *element.rule;
        if (v < rule.least || (rule.aboveLeast && v == rule.least))
            return wrong("number outside its limits in <" + element.name + ">",
                         (rule.aboveLeast ? "more than " : "at least ") + std::to_string(static_cast<int>(rule.least)),
                         word.substr(0, 40), line);
        if (++element.count > rule.most || (element.wanted > 0 && element.count > element.wanted))
            return wrong("too many numbers in <" + element.name + ">",
                         std::to_string(element.wanted > 0 ? element.wanted : rule.most), {}, line);
        return std::nullopt;
    }

    /// Text comes in pieces: a word may go on in the next one.
    Fault read(std::string_view text)
    {
        if (m_open.empty() || !m_open.back().rule)
            return std::nullopt;
        int line = static_cast<int>(XML_GetCurrentLineNumber(m_parser.get()));
        for (const char c : text) {
            if (isSpace(c)) {
                if (Fault fault = endWord())
                    return fault;
                line += c == '\n';
                continue;
            }
            if (m_word.empty())
                m_wordLine = line;
            m_word += c;
            if (m_word.size() > kWordLimit)
                return wrong("not a number", "a number with a decimal point", m_word.substr(0, 40), m_wordLine);
        }
        return std::nullopt;
    }

    Fault endWord()
    {
        if (m_word.empty())
            return std::nullopt;
        const std::string word = std::exchange(m_word, {});
        return number(word, m_wordLine);
    }

    Fault close()
    {
        if (Fault fault = endWord())
            return fault;
        const Element element = std::move(m_open.back());
        m_open.pop_back();
        return isWhole(element);
    }

    Fault isWhole(const Element& element) const
    {
        if (element.rule && (element.count == 0 || (element.wanted > 0 && element.count != element.wanted)))
            return wrong("too few numbers in <" + element.name + ">",
                         element.wanted > 0 ? std::to_string(element.wanted) : "at least one",
                         std::to_string(element.count));
        if (const auto needed = m_rules.needed.find(element.name);
            needed != m_rules.needed.end() && element.inside.count(needed->second) == 0)
            return wrong("nothing in <" + element.name + "> says what it does", "<" + needed->second + ">", {},
                         element.line);
        return std::nullopt;
    }

    Fault open(const std::string& name, const XML_Char** attributes)
    {
        if (Fault fault = endWord())
            return fault;
        if (m_root.empty()) {
            if (m_rules.roots.count(name) == 0)
                return wrong("another kind of file", list(m_rules.roots), tag(name));
            m_root = name;
        }
        if (!m_rules.elements.empty() && m_rules.elements.count(name) == 0)
            return wrong("an element that does not belong here", list(m_rules.elements), tag(name));
        if (m_open.size() >= kDepthLimit)
            return wrong("elements nested too deep", phrase("at most %1", {std::to_string(kDepthLimit)}));
        Element element;
        element.name = name;
        element.line = static_cast<int>(XML_GetCurrentLineNumber(m_parser.get()));
        if (const auto rule = m_rules.numbers.find(name); rule != m_rules.numbers.end()) {
            element.rule = &rule->second;
            element.wanted = rule->second.exactly;
            for (const XML_Char** a = attributes; *a; a += 2)
                if (std::string_view(a[0]) == "dim")
                    if (Fault fault = dimensions(a[1], element))
                        return fault;
        }
        if (!m_open.empty())
            m_open.back().inside.insert(name);
        m_open.push_back(std::move(element));
        return std::nullopt;
    }

    Fault dimensions(std::string_view words, Element& element) const
    {
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
        return sized(sizes, element);
    }

    Fault sized(const std::vector<long long>& sizes, Element& element) const
    {
        if (sizes.empty() || sizes.size() > 4)
            return wrong("wrong size in dim", "two to four numbers", std::to_string(sizes.size()));
        if (sizes.size() == 4) {
            for (std::size_t k = 0; k < 3; ++k)
                if (sizes[k] < 2 || sizes[k] > kTable3Limit)
                    return wrong("size outside the limits", phrase("%1 to %2", {"2", std::to_string(kTable3Limit)}),
                                 std::to_string(sizes[k]));
        } else if (sizes.size() == 2 && sizes[0] > kTable1Limit) {
            return wrong("size outside the limits", phrase("at most %1", {std::to_string(kTable1Limit)}),
                         std::to_string(sizes[0]));
        }
        long long product = 1;
        for (const long long size : sizes)
            product = std::min<long long>(product * size, 1'000'000'000'000);
        if (product > static_cast<long long>(element.rule->most))
            return wrong("size outside the limits", "at most " + std::to_string(element.rule->most) + " numbers",
                         std::to_string(product));
        element.wanted = static_cast<std::size_t>(product);
        return std::nullopt;
    }

    const std::string& m_name;
    const XmlRules& m_rules;
    std::unique_ptr<XML_ParserStruct, void (*)(XML_Parser)> m_parser;
    Fault m_fault;
    std::string m_root, m_word;
    int m_wordLine = 1;
    std::vector<Element> m_open;
};

}  // namespace

Result<std::string> checkXml(std::string_view text, const std::string& name, const XmlRules& rules)
{
    constexpr std::size_t kMostBytes = std::size_t{1} << 30;
    if (text.size() > kMostBytes)
        return fail("the file is too large", name, "at most 1 GiB");
    return Walk(name, rules).run(text);
}

}  // namespace amber
