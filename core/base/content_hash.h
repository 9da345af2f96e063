// Names bytes by their content: XXH3, 128 bit, as 32 lower-case hexadecimal digits. Not for security.
#pragma once

#include "core/base/result.h"

#include <filesystem>
#include <string_view>

namespace amber {

std::string contentHash(std::string_view bytes);
Result<std::string> contentHashOfFile(const std::filesystem::path& path);

}  // namespace amber
