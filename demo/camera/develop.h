// Raw files of the simulated camera back to light, and the camera's own plain JPEG.
#pragma once

#include "core/base/result.h"
#include "core/image/image.h"
#include "demo/camera/dng.h"

#include <filesystem>

namespace amber::demo {

/// What the sensor saw, its own three colours, 1 = saturation: demosaiced by LibRaw (adaptive homogeneity-directed),
/// nothing else done.
Result<Image> readRaw(const std::filesystem::path& path);

/// Sensor colours to scene-linear BT.709 at the nominal exposure (undoes nothing of the light).
Image toScene(ImageView sensorColours, const Sensor& sensor);

/// The camera's plain rendering in linear working-space light, 0..1: whites of the as-shot light become neutral
/// (clipped channels clip together, then Bradford to D65), and each BT.709 channel x goes through
///   y = x (1.5 x + 0.12) / (1.32 x^2 + 0.72 x + 0.20),
/// steep in the shadows, rolling off toward white with detail up to two stops above it. What was let in less to
/// protect the lights is made up for first.
Image plainRendering(ImageView sensorColours, const Sensor& sensor, double asShotKelvin, double protectedStops = 0);

/// Writes the plain rendering as JPEG (sRGB, quality 90) with the camera's EXIF data and the white it chose
/// (AsShotWhiteXY of TIFF/DNG).
Status writeCameraJpeg(const std::filesystem::path& path, ImageView rendering, const CameraNotes& notes);

}  // namespace amber::demo
