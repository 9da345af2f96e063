// The stand-ins that ship: three screens of clients, and a proof printer.
#pragma once

#include "core/display/device_profile.h"

namespace amber {

/// The screens first.
std::vector<DeviceProfile> shippedProfiles();

}  // namespace amber
