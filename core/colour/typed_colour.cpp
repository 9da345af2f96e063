#include "core/colour/typed_colour.h"

#include "core/colour/difference.h"
#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <numbers>
#include <optional>
#include <vector>

namespace amber {
namespace {

constexpr const char* kExpected = "#RRGGBB, lab L a b, lch L C h, or oklch L C h";

/// A text's words in lower case, parted by whatever parts numbers.
std::vector<std::string> wordsOf(const std::string& text)
{
    std::vector<std::string> words(1);
    for (const char c : text) {
        const bool isBetween = std::string_view(" \t\n,;/()[]").find(c) != std::string_view::npos;
        if (!isBetween)
            words.back() += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        else if (!words.back().empty())
            words.emplace_back();
    }
    if (words.back().empty())
        words.pop_back();
    return words;
}

std::optional<double> numberOf(std::string word)
{
    if (!word.empty() && word.front() == '+')
        word.erase(0, 1);
    double value = 0;
    const auto [end, error] = std::from_chars(word.data(), word.data() + word.size(), value);
    return error == std::errc() && end == word.data() + word.size() && std::isfinite(value) ? std::optional(value)
                                                                                            : std::nullopt;
}

std::optional<LinearRgb> fromHex(std::string word)
{
    if (!word.empty() && word.front() == '#')
        word.erase(0, 1);
    unsigned codes = 0;
    const auto [end, error] = std::from_chars(word.data(), word.data() + word.size(), codes, 16);
    if (word.size() != 6 || error != std::errc() || end != word.data() + word.size())
        return std::nullopt;
    return decode(RgbSpace::Srgb, {(codes >> 16 & 255) / 255.0, (codes >> 8 & 255) / 255.0, (codes & 255) / 255.0});
}

bool isWithin(double value, double low, double high) { return value >= low && value <= high; }

}  // namespace

Result<LinearRgb> colourFromText(const std::string& text)
{
    const auto words = wordsOf(text);
    const auto none = [&] { return fail("no colour", {}, kExpected, text.substr(0, 60)); };
    if (words.size() == 1)
        if (const auto hex = fromHex(words[0]))
            return *hex;
    if (words.size() != 4)
        return none();
    double v[3] = {};
    for (std::size_t i = 0; i < 3; ++i) {
        const auto number = numberOf(words[i + 1]);
        if (!number)
            return none();
        v[i] = *number;
    }
    if (words[0] == "lab" && isWithin(v[0], 0, 100) && isWithin(v[1], -160, 160) && isWithin(v[2], -160, 160))
        return fromLab({v[0], v[1], v[2]});
    const double h = v[2] * std::numbers::pi / 180;
    if (words[0] == "lch" && isWithin(v[0], 0, 100) && isWithin(v[1], 0, 200) && isWithin(v[2], -360, 360))
        return fromLab({v[0], v[1] * std::cos(h), v[1] * std::sin(h)});
    if (words[0] == "oklch" && isWithin(v[0], 0, 1) && isWithin(v[1], 0, 0.5) && isWithin(v[2], -360, 360))
        return toLinearRgb(toOkLab(OkLch{v[0], v[1], wrapDegrees(v[2])}));
    return none();
}

Result<Lab> targetFromText(const std::string& text, const Lab& now)
{
    const auto words = wordsOf(text);
    if (words.size() == 2 && (words[1] == "stops" || words[1] == "stop")) {
        const auto stops = numberOf(words[0]);
        if (!stops || !isWithin(*stops, -8, 2.4))
            return fail("no target", {}, "-8 to 2.4 stops from mid-grey", text.substr(0, 60));
        constexpr double kMidGrey = 0.18;
        return Lab{lightnessStar(std::cbrt(kMidGrey * std::exp2(*stops))), now.a, now.b};
    }
    const auto colour = colourFromText(text);
    if (!colour)
        return tl::make_unexpected(colour.error());
    return toLab(*colour);
}

std::string hexOf(const LinearRgb& c)
{
    const EncodedRgb srgb = encode(RgbSpace::Srgb, c);
    char text[8];
    const auto code = [](double v) { return static_cast<unsigned>(std::lround(255 * std::clamp(v, 0.0, 1.0))); };
    std::snprintf(text, sizeof text, "#%02x%02x%02x", code(srgb.r), code(srgb.g), code(srgb.b));
    return text;
}

}  // namespace amber
