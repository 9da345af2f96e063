// Frames of one scene as a camera takes them: other exposures, other lights, the view a little moved.
#pragma once

#include "core/frame/frame_balance.h"
#include "core/image/write.h"

#include <QString>
#include <exiv2/exiv2.hpp>
#include <filesystem>
#include <gtest/gtest.h>
#include <random>

namespace amber::test {

/// One scene of coloured things on a textured ground, seen as a camera without any rendering would, `stops` lighter and
/// under another light.
inline void writeTake(const std::filesystem::path& path, double stops, double kelvin, int minute, int shift = 0)
{
    constexpr int kWidth = 480, kHeight = 320;
    Image image(kWidth, kHeight);
    const Matrix3 light = inverse(balanceMatrix({-stops, kelvin, 0}));
    std::mt19937 engine(5);
    std::vector<double> grain(40 * 40);
    for (double& g : grain)
        g = 0.75 + 0.5 * (engine() % 1000) / 1000.0;
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x) {
            const int sx = x + shift;
            LinearRgb c{0.13, 0.125, 0.12};
            const double g = grain[static_cast<std::size_t>((y / 9) % 40 * 40 + (sx / 11) % 40)];
            c = {c.r * g, c.g * g, c.b * g};
            const auto disc = [&](int cx, int cy, int r, LinearRgb of) {
                if ((sx - cx) * (sx - cx) + (y - cy) * (y - cy) < r * r)
                    c = of;
            };
            disc(110, 100, 50, {0.10, 0.22, 0.14}), disc(250, 180, 60, {0.30, 0.12, 0.04}),
                disc(390, 90, 45, {0.30, 0.26, 0.05}), disc(400, 240, 40, {0.08, 0.10, 0.24});
            c = apply(light, c);
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    ASSERT_TRUE(writePicture(path, image.view(), {}, {FileFormat::Jpeg, RgbSpace::Srgb, 97}, {}));
    auto file = Exiv2::ImageFactory::open(path.string());
    file->readMetadata();
    Exiv2::ExifData& exif = file->exifData();
    exif["Exif.Image.Model"] = "Made-up One";
    exif["Exif.Photo.DateTimeOriginal"] = QString("2026:05:04 10:%1:00").arg(minute, 2, 10, QChar('0')).toStdString();
    exif["Exif.Photo.ExposureTime"] =
        Exiv2::URational(static_cast<std::uint32_t>(std::lround(1000000 * std::exp2(stops) / 60)), 1000000);
    exif["Exif.Photo.FNumber"] = Exiv2::URational(4, 1);
    exif["Exif.Photo.ISOSpeedRatings"] = std::uint16_t(100);
    file->writeMetadata();
}

}  // namespace amber::test
