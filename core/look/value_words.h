// Values of looks in words, for people to read.
#pragma once

#include "core/look/look.h"

namespace amber {

/// "towardsHue" -> "towards hue".
std::string spacedWords(const std::string& name);
/// A value: "0.5", "yes", "hue 60, width 40".
std::string wordsOfValue(const Json& value);
/// What differs between two values, one line each: "families skin turn 0 → 4". `name` stands before each.
void addDifferences(std::vector<std::string>& lines, const std::string& name, const Json& before, const Json& after);

}  // namespace amber
