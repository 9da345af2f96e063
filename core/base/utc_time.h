// Times as texts, UTC.
#pragma once

#include <string>

namespace amber {

/// "2026-05-04 10:11:12" of seconds since 1970.
std::string utcText(long long seconds);
/// The same of now.
std::string utcNow();

}  // namespace amber
