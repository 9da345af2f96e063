#include "demo/camera/develop.h"

#include "core/colour/rgb_space.h"
#include "core/image/write.h"

#include <algorithm>
#include <cmath>
#include <exiv2/exiv2.hpp>
#include <libraw/libraw.h>

namespace amber::demo {
namespace {

template <class F>
Image everyPixel(ImageView in, F&& f)
{
    Image out(in.width, in.height);
    for (int y = 0; y < in.height; ++y)
        for (int x = 0; x < in.width; ++x) {
            const float* p = in.row(y) + 3 * x;
            const LinearRgb c = f(LinearRgb{p[0], p[1], p[2]});
            float* q = out.mutableView().row(y) + 3 * x;
            q[0] = static_cast<float>(c.r), q[1] = static_cast<float>(c.g), q[2] = static_cast<float>(c.b);
        }
    return out;
}

double tone(double x)
{
    x = std::max(x, 0.0);
    return std::min(1.0, x * (1.5 * x + 0.12) / ((1.32 * x + 0.72) * x + 0.20));
}

}  // namespace

Result<Image> readRaw(const std::filesystem::path& path)
{
    LibRaw raw;
    libraw_output_params_t& how = raw.imgdata.params;
    how.output_color = 0;  // the sensor's own colours
    how.output_bps = 16;
    how.gamm[0] = how.gamm[1] = 1;
    how.no_auto_bright = 1;
    how.use_camera_wb = how.use_auto_wb = 0;
    how.user_mul[0] = how.user_mul[1] = how.user_mul[2] = how.user_mul[3] = 1;
    how.user_qual = 3;
    how.adjust_maximum_thr = 0;
    how.no_auto_scale = 0;
    for (const int status : {raw.open_file(path.c_str()), raw.unpack(), raw.dcraw_process()})
        if (status != LIBRAW_SUCCESS)
            return fail(std::string("the raw file cannot be developed: ") + libraw_strerror(status), path.string());
    int status = 0;
    const std::unique_ptr<libraw_processed_image_t, decltype(&LibRaw::dcraw_clear_mem)> made(
        raw.dcraw_make_mem_image(&status), &LibRaw::dcraw_clear_mem);
    if (!made || made->bits != 16 || made->colors != 3)
        return fail("the raw file gives no picture", path.string());
    Image image(made->width, made->height);
    const auto* codes = reinterpret_cast<const std::uint16_t*>(made->data);
    float* out = image.mutableView().data;
    for (std::size_t i = 0; i < std::size_t{3} * made->width * made->height; ++i)
        out[i] = static_cast<float>(codes[i] / 65535.0);
    return image;
}

Image toScene(ImageView sensorColours, const Sensor& sensor)
{
    Matrix3 m = inverse(sensor.fromScene);
    for (auto& row : m.m)
        for (double& v : row)
            v *= sensor.headroom;
    return everyPixel(sensorColours, [&](const LinearRgb& c) { return apply(m, c); });
}

Image plainRendering(ImageView sensorColours, const Sensor& sensor, double asShotKelvin, double protectedStops)
{
    const Xyz white = lightOf(asShotKelvin);
    double n[3];
    sensor.neutral(white, n);
    Matrix3 m =
        inverse(rgbToXyz(RgbSpace::Srgb)) * bradford(white, whiteOf(RgbSpace::Srgb)) * inverse(sensor.fromXyz());
    for (auto& row : m.m)
        for (int k = 0; k < 3; ++k)
            row[k] *= n[k] * sensor.headroom * std::exp2(protectedStops);
    const Matrix3& working = toWorking(RgbSpace::Srgb);
    return everyPixel(sensorColours, [&](const LinearRgb& c) {
        const LinearRgb balanced{std::min(1.0, c.r / n[0]), std::min(1.0, c.g / n[1]), std::min(1.0, c.b / n[2])};
        const LinearRgb light = apply(m, balanced);
        return apply(working, {tone(light.r), tone(light.g), tone(light.b)});
    });
}

Status writeCameraJpeg(const std::filesystem::path& path, ImageView rendering, const CameraNotes& notes)
{
    OutputOptions options;
    options.quality = 90;
    if (auto written = writePicture(path, rendering, {}, options, {}); !written)
        return written;
    try {
        Exiv2::ExifData exif;
        const auto thousandths = [](double v) {
            return Exiv2::Rational(static_cast<int>(std::lround(v * 1000)), 1000);
        };
        exif["Exif.Image.Make"] = kMaker;
        exif["Exif.Image.Model"] = kModel;
        exif["Exif.Image.ImageDescription"] = notes.description;
        exif["Exif.Image.Copyright"] = kRights;
        exif["Exif.Image.DateTime"] = notes.time;
        exif["Exif.Photo.DateTimeOriginal"] = notes.time;
        exif["Exif.Photo.ExposureTime"] =
            notes.shutterSeconds < 1 ? Exiv2::Rational(1, static_cast<int>(std::lround(1 / notes.shutterSeconds)))
                                     : thousandths(notes.shutterSeconds);
        exif["Exif.Photo.FNumber"] = thousandths(notes.aperture);
        exif["Exif.Photo.FocalLength"] = thousandths(notes.focalLength);
        exif["Exif.Photo.ISOSpeedRatings"] = static_cast<std::uint16_t>(notes.iso);
        exif["Exif.Photo.LensModel"] = notes.lens;
        const Xyz white = lightOf(notes.asShotKelvin);
        const double sum = white.x + white.y + white.z;
        const auto value = Exiv2::Value::create(Exiv2::unsignedRational);
        value->read(std::to_string(std::lround(white.x / sum * 1e5)) + "/100000 " +
                    std::to_string(std::lround(white.y / sum * 1e5)) + "/100000");
        exif.add(Exiv2::ExifKey("Exif.Image.AsShotWhiteXY"), value.get());
        const auto image = Exiv2::ImageFactory::open(path.string());
        image->readMetadata();
        image->setExifData(exif);
        image->writeMetadata();
    } catch (const std::exception& error) {
        return fail(std::string("the camera's notes cannot be written: ") + error.what(), path.string());
    }
    return {};
}

}  // namespace amber::demo
