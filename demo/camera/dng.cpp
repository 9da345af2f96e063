#include "demo/camera/dng.h"

#include "core/base/atomic_file.h"

#include <cmath>
#include <memory>
#include <tiffio.h>

namespace amber::demo {
namespace {

constexpr int kStandardLightA = 17, kD65 = 21;  // EXIF light sources

std::vector<float> floats(const Matrix3& m)
{
    std::vector<float> values;
    for (const auto& row : m.m)
        for (const double v : row)
            values.push_back(static_cast<float>(v));
    return values;
}

bool setTags(TIFF* file, const Mosaic& mosaic, const Sensor& sensor, const CameraNotes& notes)
{
    const std::uint8_t version[4] = {1, 4, 0, 0}, backward[4] = {1, 1, 0, 0}, pattern[4] = {0, 1, 1, 2},
                       planes[3] = {0, 1, 2};
    const std::uint16_t two[2] = {2, 2};
    const auto black = static_cast<float>(sensor.black);
    const float blacks[4] = {black, black, black, black};
    const auto white = static_cast<std::uint32_t>(sensor.white);
    const std::vector<float> matrix = floats(sensor.fromXyz());
    double neutral[3];
    sensor.neutral(lightOf(notes.asShotKelvin), neutral);
    const float asShot[3] = {static_cast<float>(neutral[0]), static_cast<float>(neutral[1]),
                             static_cast<float>(neutral[2])};
    const std::string name = std::string(kMaker) + " " + kModel;
    return TIFFSetField(file, TIFFTAG_SUBFILETYPE, 0) && TIFFSetField(file, TIFFTAG_IMAGEWIDTH, mosaic.width) &&
           TIFFSetField(file, TIFFTAG_IMAGELENGTH, mosaic.height) && TIFFSetField(file, TIFFTAG_BITSPERSAMPLE, 16) &&
           TIFFSetField(file, TIFFTAG_SAMPLESPERPIXEL, 1) &&
           TIFFSetField(file, TIFFTAG_COMPRESSION, COMPRESSION_NONE) &&
           TIFFSetField(file, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_CFA) &&
           TIFFSetField(file, TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG) &&
           TIFFSetField(file, TIFFTAG_ROWSPERSTRIP, mosaic.height) &&
           TIFFSetField(file, TIFFTAG_ORIENTATION, ORIENTATION_TOPLEFT) && TIFFSetField(file, TIFFTAG_MAKE, kMaker) &&
           TIFFSetField(file, TIFFTAG_MODEL, kModel) &&
           TIFFSetField(file, TIFFTAG_IMAGEDESCRIPTION, notes.description.c_str()) &&
           TIFFSetField(file, TIFFTAG_COPYRIGHT, kRights) && TIFFSetField(file, TIFFTAG_DATETIME, notes.time.c_str()) &&
           TIFFSetField(file, TIFFTAG_DNGVERSION, version) &&
           TIFFSetField(file, TIFFTAG_DNGBACKWARDVERSION, backward) &&
           TIFFSetField(file, TIFFTAG_UNIQUECAMERAMODEL, name.c_str()) &&
           TIFFSetField(file, TIFFTAG_CFAREPEATPATTERNDIM, two) && TIFFSetField(file, TIFFTAG_CFAPATTERN, 4, pattern) &&
           TIFFSetField(file, TIFFTAG_CFAPLANECOLOR, 3, planes) && TIFFSetField(file, TIFFTAG_CFALAYOUT, 1) &&
           TIFFSetField(file, TIFFTAG_BLACKLEVELREPEATDIM, two) && TIFFSetField(file, TIFFTAG_BLACKLEVEL, 4, blacks) &&
           TIFFSetField(file, TIFFTAG_WHITELEVEL, 1, &white) &&
           TIFFSetField(file, TIFFTAG_COLORMATRIX1, 9, matrix.data()) &&
           TIFFSetField(file, TIFFTAG_COLORMATRIX2, 9, matrix.data()) &&
           TIFFSetField(file, TIFFTAG_CALIBRATIONILLUMINANT1, kStandardLightA) &&
           TIFFSetField(file, TIFFTAG_CALIBRATIONILLUMINANT2, kD65) &&
           TIFFSetField(file, TIFFTAG_ASSHOTNEUTRAL, 3, asShot) &&
           TIFFSetField(file, TIFFTAG_BASELINEEXPOSURE, std::log2(sensor.headroom) + notes.protectedStops);
}

bool setExif(TIFF* file, const CameraNotes& notes)
{
    const auto iso = static_cast<std::uint16_t>(notes.iso);
    return TIFFSetField(file, EXIFTAG_EXPOSURETIME, notes.shutterSeconds) &&
           TIFFSetField(file, EXIFTAG_FNUMBER, notes.aperture) &&
           TIFFSetField(file, EXIFTAG_ISOSPEEDRATINGS, 1, &iso) &&
           TIFFSetField(file, EXIFTAG_FOCALLENGTH, notes.focalLength) &&
           TIFFSetField(file, EXIFTAG_DATETIMEORIGINAL, notes.time.c_str()) &&
           TIFFSetField(file, EXIFTAG_LENSMODEL, notes.lens.c_str());
}

bool writeAll(const std::filesystem::path& path, const Mosaic& mosaic, const Sensor& sensor, const CameraNotes& notes)
{
    const std::unique_ptr<TIFF, decltype(&TIFFClose)> file(TIFFOpen(path.c_str(), "wl"), &TIFFClose);
    if (!file || !setTags(file.get(), mosaic, sensor, notes))
        return false;
    for (int y = 0; y < mosaic.height; ++y)
        if (TIFFWriteScanline(file.get(),
                              const_cast<std::uint16_t*>(&mosaic.numbers[static_cast<std::size_t>(y) * mosaic.width]),
                              static_cast<std::uint32_t>(y), 0) < 0)
            return false;
    std::uint64_t exif = 0;  // the place is reserved first, then filled in once the EXIF directory is written
    return TIFFSetField(file.get(), TIFFTAG_EXIFIFD, exif) && TIFFWriteDirectory(file.get()) &&
           TIFFCreateEXIFDirectory(file.get()) == 0 && setExif(file.get(), notes) &&
           TIFFWriteCustomDirectory(file.get(), &exif) && TIFFSetDirectory(file.get(), 0) &&
           TIFFSetField(file.get(), TIFFTAG_EXIFIFD, exif) && TIFFRewriteDirectory(file.get());
}

}  // namespace

Status writeDng(const std::filesystem::path& path, const Mosaic& mosaic, const Sensor& sensor, const CameraNotes& notes)
{
    AtomicFile target(path);
    TIFFSetWarningHandler(nullptr);
    TIFFSetErrorHandler(nullptr);
    if (!writeAll(target.temporaryPath(), mosaic, sensor, notes))
        return fail("the raw file cannot be written", path.string());
    return target.commit();
}

}  // namespace amber::demo
