// A JPEG file in memory, for pages.
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <string>
#include <vector>

namespace amber {

/// Pixels 0xffRRGGBB, rows without gaps, chroma at half size; quality 1..100. No profile: sRGB by custom.
Result<std::string> jpegBytes(int width, int height, const std::vector<std::uint32_t>& pixels, int quality);

}  // namespace amber
