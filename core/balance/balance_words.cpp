#include "core/balance/balance_words.h"

#include <cmath>

namespace amber {

std::string groundWords(const SolvedBalance& s, const std::string& other)
{
    switch (s.ground) {
    case Ground::Lead:
        return "stands for its light";
    case Ground::ByHand:
        return "set by hand";
    case Ground::KeyColours:
        return std::to_string(s.support) + (s.support == 1 ? " key colour, " : " key colours, ") + other;
    case Ground::SameThings:
        return "same things as " + other;
    case Ground::SettingsAndColours:
        return s.residual >= 0 ? "settings; same things as " + other : "settings and colours";
    case Ground::ColoursOnly:
        return "colours as a whole";
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
        return "mixed light: " + percent + " of it lies in another light";
    case Trouble::ClippedSource:
        return "clipped: " + percent + " of it is lost at white";
    case Trouble::OtherContent:
        return "other content: " + percent + " has colours no other frame has";
    case Trouble::StandsAlone:
        return "stands alone: no other frame in its light";
    }
    return {};
}

}  // namespace amber
