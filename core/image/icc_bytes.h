// LittleCMS profiles as bytes that are the same every time.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

namespace amber {

/// Gives the profile (a cmsHPROFILE) its title and a free-to-use notice and writes it out, with a fixed creation date
/// (2026-01-01) and the profile ID of ICC.1 7.2.18, so that equal profiles are equal bytes.
std::vector<std::uint8_t> iccBytes(void* profile, const std::string& title);

}  // namespace amber
