// JSON as text, for every file and every output. Never throws: bytes that are no UTF-8 (a camera's name, a path) become
// U+FFFD.
#pragma once

#include <nlohmann/json.hpp>
#include <string>

namespace amber {

using Json = nlohmann::ordered_json;

/// `indent` below 0: on one line. With `tabs` the indent counts tabs, else spaces.
inline std::string jsonText(const Json& json, int indent = -1, bool tabs = false)
{
    return json.dump(indent, tabs ? '\t' : ' ', false, Json::error_handler_t::replace);
}

/// The same for a text by itself.
inline std::string validUtf8(const std::string& text) { return Json::parse(jsonText(text)).get<std::string>(); }

}  // namespace amber
