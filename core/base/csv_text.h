// Fields of a table as text, separated by commas (RFC 4180).
#pragma once

#include <string>

namespace amber {

/// In quotation marks, those inside doubled.
inline std::string csvField(const std::string& text)
{
    std::string quoted = "\"";
    for (const char c : text)
        quoted += c == '"' ? std::string("\"\"") : std::string(1, c);
    return quoted + '"';
}

}  // namespace amber
