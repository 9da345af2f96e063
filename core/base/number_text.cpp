#include "core/base/number_text.h"

#include <array>
#include <charconv>

namespace amber {

std::string fixedText(double value, int decimals)
{
    std::array<char, 400> digits{};
    const auto end =
        std::to_chars(digits.data(), digits.data() + digits.size(), value, std::chars_format::fixed, decimals).ptr;
    std::string text(digits.data(), end);
    const bool isNothing = text.find_first_not_of("-0.") == std::string::npos;
    return isNothing && text.front() == '-' ? text.substr(1) : text;
}

std::string signedText(double value, int decimals)
{
    const std::string text = fixedText(value, decimals);
    return text.front() != '-' && text.find_first_not_of("0.") != std::string::npos ? "+" + text : text;
}

std::string shortText(double value, int decimals)
{
    std::string text = fixedText(value, decimals);
    if (text.find('.') == std::string::npos)
        return text;
    text.erase(text.find_last_not_of('0') + 1);
    if (text.back() == '.')
        text.pop_back();
    return text;
}

}  // namespace amber
