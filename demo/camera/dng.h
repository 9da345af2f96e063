// Digital negative files (DNG, specification 1.4) of the simulated camera, written with libtiff.
#pragma once

#include "core/base/result.h"
#include "demo/camera/sensor.h"

#include <filesystem>
#include <string>

namespace amber::demo {

/// What the camera writes beside the numbers.
struct CameraNotes {
    std::string description;  ///< "north window, frame 3"
    std::string time;         ///< "2026:03:11 10:07:20"
    double shutterSeconds = 0.01, aperture = 4, focalLength = 60;
    int iso = 100;
    double asShotKelvin = 6504;  ///< the white the camera chose
    double protectedStops = 0;   ///< so much less light was let in, to keep the lights; renderings make up for it
    std::string lens = "Ombrel 60 mm f/2.8";
};

inline constexpr const char* kMaker = "Ombrel";
inline constexpr const char* kModel = "Bellows One";
inline constexpr const char* kRights = "Ombrel Stoneware (made up)";

/// Uncompressed, one directory and its EXIF directory; whole or not at all.
Status writeDng(const std::filesystem::path& path, const Mosaic& mosaic, const Sensor& sensor,
                const CameraNotes& notes);

}  // namespace amber::demo
