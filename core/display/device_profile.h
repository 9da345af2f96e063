// ICC profiles of what pictures are shown on: screens, printers, the screens of others.
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <filesystem>
#include <string>
#include <vector>

namespace amber {

struct DeviceProfile {
    enum class Kind { Rgb, Cmyk };
    std::vector<std::uint8_t> icc;
    std::string title;  ///< its own description
    Kind kind = Kind::Rgb;
    bool isPrinter = false;
    bool operator==(const DeviceProfile& other) const { return icc == other.icc; }
};

/// Fails for damaged profiles, and for those that colours cannot be sent to (grey, device links, named colours, cameras
/// without a way back). `name` is used in messages.
Result<DeviceProfile> deviceProfile(std::vector<std::uint8_t> icc, const std::string& name);
/// Files over 32 MiB are no profiles.
Result<DeviceProfile> readDeviceProfile(const std::filesystem::path& path);

}  // namespace amber
