#include "core/look/value_words.h"

#include "core/base/number_text.h"
#include "core/base/phrase.h"

namespace amber {
namespace {

constexpr const char* kTo = " → ";

bool isListOfThings(const Json& value) { return value.is_array() && !value.empty() && value.front().is_object(); }

/// A value on one side of an arrow: a list of many numbers only by how many it has.
std::string shortWords(const Json& value)
{
    constexpr std::size_t kMost = 4;
    if (value.is_null())
        return phrase("none");
    if (value.is_array() && value.size() > kMost)
        return countedPhrase(value.size(), "%n entry", "%n entries");
    const std::string words = wordsOfValue(value);
    return words.empty() ? phrase("none") : words;
}

std::string entryName(const std::string& list, const Json& entry, std::size_t i)
{
    const auto name = entry.find("name");
    const bool isNamed = name != entry.end() && name->is_string() && !name->get<std::string>().empty();
    return list + " " + (isNamed ? name->get<std::string>() : std::to_string(i + 1));
}

/// Points of a curve: the one that moved, when it was only one.
void addListDifference(std::vector<std::string>& lines, const std::string& name, const Json& before, const Json& after)
{
    if (before.is_array() && before.size() == after.size()) {
        std::size_t differing = 0, at = 0;
        for (std::size_t i = 0; i < before.size(); ++i)
            if (before[i] != after[i])
                ++differing, at = i;
        if (differing == 1 && before.size() > 1 && before[at].is_array()) {
            lines.push_back(name + " " + std::to_string(at + 1) + ": " + wordsOfValue(before[at]) + kTo +
                            wordsOfValue(after[at]));
            return;
        }
    }
    const bool isLonger = before.is_array() && before.size() != after.size() && after.is_array();
    if (isLonger)
        lines.push_back(name + ": " + std::to_string(before.size()) + kTo +
                        countedPhrase(after.size(), "%n entry", "%n entries"));
    else if (after.is_array() && after.size() > 4)
        lines.push_back(phrase("%1 changed", {name}));
    else
        lines.push_back(name + " " + shortWords(before) + kTo + shortWords(after));
}

}  // namespace

std::string spacedWords(const std::string& name)
{
    std::string words;
    for (const char c : name)
        if (c >= 'A' && c <= 'Z')
            words += ' ', words += static_cast<char>(c - 'A' + 'a');
        else
            words += c == '-' ? ' ' : c;
    return phrase(words.c_str());
}

std::string wordsOfValue(const Json& value)
{
    if (value.is_number())
        return shortText(value.get<double>());
    if (value.is_boolean())
        return value.get<bool>() ? phrase("yes") : phrase("no");
    if (value.is_string())
        return spacedWords(value.get<std::string>());
    std::string words;
    for (const auto& [name, entry] : value.items()) {
        const std::string between = value.is_object() || entry.is_array() ? std::string(", ") : phrase(" to ");
        words +=
            (words.empty() ? "" : between) + (value.is_object() ? spacedWords(name) + " " : "") + wordsOfValue(entry);
    }
    return words;
}

void addDifferences(std::vector<std::string>& lines, const std::string& name, const Json& before, const Json& after)
{
    if (before == after)
        return;
    const auto under = [&](const std::string& inner) { return name.empty() ? inner : name + " " + inner; };
    if (before.is_object() && after.is_object()) {
        for (const auto& [key, value] : before.items())
            addDifferences(lines, under(spacedWords(key)), value, after.contains(key) ? after[key] : Json());
        for (const auto& [key, value] : after.items())
            if (!before.contains(key))
                addDifferences(lines, under(spacedWords(key)), Json(), value);
        return;
    }
    if (isListOfThings(before) && isListOfThings(after) && before.size() == after.size()) {
        for (std::size_t i = 0; i < before.size(); ++i)
            addDifferences(lines, entryName(name, after[i], i), before[i], after[i]);
        return;
    }
    if (before.is_array() || after.is_array())
        addListDifference(lines, name, before, after);
    else
        lines.push_back(name + " " + shortWords(before) + kTo + shortWords(after));
}

}  // namespace amber
