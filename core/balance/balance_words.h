// What a solved balance rests on, and what troubles it, in words.
#pragma once

#include "core/balance/group_balance.h"

#include <string>

namespace amber {

/// `other`: the name of the frame it was seen together with.
std::string groundWords(const SolvedBalance& solved, const std::string& other);
/// Empty when nothing troubles it.
std::string troubleWords(const SolvedBalance& solved);

}  // namespace amber
