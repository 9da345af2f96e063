#include "core/base/result.h"

#include "core/base/phrase.h"

namespace amber {
namespace {

/// In the language of the screen: the whole, or what stands before the system's own words for it.
std::string spoken(const std::string& text)
{
    std::string said = phrase(text.c_str());
    const auto colon = text.find(": ");
    if (said != text || colon == std::string::npos)
        return said;
    return phrase(text.substr(0, colon).c_str()) + text.substr(colon);
}

}  // namespace

std::string Error::message() const
{
    const std::string text = where.empty() ? spoken(what) : where + ": " + spoken(what);
    if (!expected.empty() && !found.empty())
        return text + phrase(" (expected %1, found %2)", {spoken(expected), found});
    if (!expected.empty())
        return text + phrase(" (expected %1)", {spoken(expected)});
    return found.empty() ? text : text + phrase(" (found %1)", {found});
}

}  // namespace amber
