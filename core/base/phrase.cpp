#include "core/base/phrase.h"

#include <algorithm>
#include <limits>
#include <mutex>
#include <shared_mutex>

namespace amber {
namespace {

std::shared_mutex g_mutex;
Catalogue g_catalogue;
char g_decimalSign = '.';

std::string inLanguage(const char* english, int count)
{
    const std::shared_lock lock(g_mutex);
    std::string found = g_catalogue ? g_catalogue(english, count) : std::string();
    return found.empty() ? english : found;
}

std::string withDecimalSign(std::string part, char sign)
{
    const auto point = part.find('.');
    if (sign != '.' && point != std::string::npos && point > 0 && point + 1 < part.size() &&
        part.find_first_not_of("0123456789", part[0] == '+' || part[0] == '-' ? 1 : 0) == point &&
        part.find_first_not_of("0123456789", point + 1) == std::string::npos)
        part[point] = sign;
    return part;
}

std::string filled(const std::string& text, std::initializer_list<std::string> parts, const std::string& count)
{
    const char sign = [] {
        const std::shared_lock lock(g_mutex);
        return g_decimalSign;
    }();
    std::string whole;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char next = text[i] == '%' && i + 1 < text.size() ? text[i + 1] : '\0';
        const std::size_t place = next >= '1' && next <= '9' ? static_cast<std::size_t>(next - '1') : parts.size();
        if (place < parts.size())
            whole += withDecimalSign(parts.begin()[place], sign), ++i;
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

void setCatalogue(Catalogue catalogue, char decimalSign)
{
    const std::unique_lock lock(g_mutex);
    g_catalogue = std::move(catalogue);
    g_decimalSign = decimalSign;
}

}  // namespace amber
