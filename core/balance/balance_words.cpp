#include "core/balance/balance_words.h"

#include "core/base/phrase.h"

#include <cmath>

namespace amber {

std::string groundWords(const SolvedBalance& s, const std::string& other)
{
    switch (s.ground) {
    case Ground::Lead:
        return phrase("stands for its light");
    case Ground::ByHand:
        return phrase("set by hand");
    case Ground::KeyColours:
        return countedPhrase(static_cast<std::size_t>(s.support), "%n key colour, %1", "%n key colours, %1", {other});
    case Ground::SameThings:
        return phrase("same things as %1", {other});
    case Ground::SettingsAndColours:
        return s.residual >= 0 ? phrase("settings; same things as %1", {other}) : phrase("settings and colours");
    case Ground::ColoursOnly:
        return phrase("colours as a whole");
    }
    return {};
}

std::string troubleWords(const SolvedBalance& s)
{
    const std::string percent = std::to_string(std::lround(100 * s.measured)) + " %";
    switch (s.trouble) {
    case Trouble::None:
        return {};
    case Trouble::MixedLight:
        return phrase("mixed light: %1 of it lies in another light", {percent});
    case Trouble::ClippedSource:
        return phrase("clipped: %1 of it is lost at white", {percent});
    case Trouble::OtherContent:
        return phrase("other content: %1 has colours no other frame has", {percent});
    case Trouble::StandsAlone:
        return phrase("stands alone: no other frame in its light");
    }
    return {};
}

}  // namespace amber
