#include "core/base/phrase.h"

#include <algorithm>
#include <limits>
#include <mutex>
#include <shared_mutex>

namespace amber {
namespace {

std::shared_mutex g_mutex;
Catalogue g_catalogue;

std::string inLanguage(const char* english, int count)
{
    const std::shared_lock lock(g_mutex);
    std::string found = g_catalogue ? g_catalogue(english, count) : std::string();
    return found.empty() ? english : found;
}

std::string filled(const std::string& text, std::initializer_list<std::string> parts, const std::string& count)
{
    std::string whole;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char next = text[i] == '%' && i + 1 < text.size() ? text[i + 1] : '\0';
        const std::size_t place = next >= '1' && next <= '9' ? static_cast<std::size_t>(next - '1') : parts.size();
        if (place < parts.size())
            whole += parts.begin()[place], ++i;
        else if (next == 'n' && !count.empty())
            whole += count, ++i;
        else
            whole += text[i];
    }
    return whole;
}

}  // namespace

std::string phrase(const char* english, std::initializer_list<std::string> parts)
{
    return filled(inLanguage(english, -1), parts, {});
}

std::string countedPhrase(std::size_t count, const char* one, const char* many,
                          std::initializer_list<std::string> parts)
{
    constexpr std::size_t kMost = std::numeric_limits<int>::max();
    std::string text = inLanguage(many, static_cast<int>(std::min(count, kMost)));
    if (text == many && count == 1)
        text = one;
    return filled(text, parts, std::to_string(count));
}

void setCatalogue(Catalogue catalogue)
{
    const std::unique_lock lock(g_mutex);
    g_catalogue = std::move(catalogue);
}

}  // namespace amber
