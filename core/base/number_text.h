// Numbers in words, the same in every locale.
#pragma once

#include <string>

namespace amber {

/// "0.50"; what rounds to nothing has no sign.
std::string fixedText(double value, int decimals);
/// With a plus before what is above nothing: "+0.5".
std::string signedText(double value, int decimals);
/// With at most so many decimals, and no more than it needs: "0.5", "2".
std::string shortText(double value, int decimals = 3);

}  // namespace amber
