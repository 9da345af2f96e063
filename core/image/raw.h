// Raw files: every camera format that LibRaw reads, in a plain base rendering.
//
// Demosaiced (adaptive homogeneity-directed), the white the camera chose made neutral, its colours to the working space
// by its matrix, channels that saturate taken for neutral at the strongest of the three. Brightness by the file's
// baseline exposure, or so that mid-grey lies at 12.7 % of saturation (ISO 12232:2019, saturation-based speed). Then
// one curve per linear sRGB channel,
//   x <= t: y = x;  x > t: y = t + (1 - t) (k + 1) u / (k u + 1),  u = (x - t) / (w - t),  k = (w - t) / (1 - t) - 1,
//   t = 0.5,  w = 2^2.5,
// of slope 1 up to t and rolling off to white two and a half stops above it. Nothing is cut off: the curve goes on with
// its end slope, and the balance takes frames back through it, so that all the sensor saw can be brought back by
// exposure.
#pragma once

#include "core/image/read.h"

#include <array>
#include <optional>

namespace amber {

inline constexpr double kRawHeadroomStops = 2.5;
double baseCurve(double scene);
double baseCurveInverse(double picture);
/// The least value of a linear sRGB channel of a picture so rendered that was at the sensor's end.
double rawSaturation();

/// CIE 1931 (x, y) of the light that the camera balanced for: its as-shot neutral through the matrix of the camera,
/// that between two lights by the temperature found (DNG specification 1.4, "Translating Camera Neutral Coordinates to
/// White Balance xy Coordinates"). Nothing when the file does not say.
std::optional<std::array<double, 2>> rawWhite(const std::filesystem::path& path);

/// True when LibRaw knows the file. Files with a TIFF head and a name that ends in .tif or .tiff are taken for
/// pictures.
bool isRawFile(const std::filesystem::path& path);
Result<PictureInfo> readRawInfo(const std::filesystem::path& path);
/// With `quick` at half the size, without interpolation.
Result<Picture> readRaw(const std::filesystem::path& path, bool quick);

}  // namespace amber
