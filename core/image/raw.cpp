#include "core/image/raw.h"

#include "core/base/parallel.h"

#include <algorithm>
#include <cmath>
#include <cstring>
#include <libraw/libraw.h>

namespace amber {
namespace {

constexpr double kKnee = 0.5, kMidGreyOfSaturation = 0.127, kMidGrey = 0.18;
const double kWhite = std::exp2(kRawHeadroomStops), kBend = (kWhite - kKnee) / (1 - kKnee) - 1;
const double kEndSlope = (1 - kKnee) / (kBend + 1) / (kWhite - kKnee);

Error failed(const char* what, int status, const std::filesystem::path& path)
{
    return {std::string(what) + ": " + (status > 0 ? std::strerror(status) : libraw_strerror(status)),
            path.string(),
            {},
            {}};
}

Result<std::unique_ptr<LibRaw>> opened(const std::filesystem::path& path)
{
    auto raw = std::make_unique<LibRaw>();
    // Files from anywhere: no more memory than the largest sensors need.
    raw->imgdata.params.max_raw_memory_mb = 3000;
    if (const int status = raw->open_file(path.c_str()); status != LIBRAW_SUCCESS)
        return tl::make_unexpected(failed("not a raw file this program reads", status, path));
    const auto& sizes = raw->imgdata.sizes;
    if (static_cast<long long>(sizes.raw_width) * sizes.raw_height > kPixelLimit)
        return fail("picture too large", path.string(), "at most 400 megapixels",
                    std::to_string(sizes.raw_width) + " x " + std::to_string(sizes.raw_height));
    return raw;
}

PictureInfo infoOf(const LibRaw& raw)
{
    PictureInfo info;
    info.format = "raw";
    const auto& sizes = raw.imgdata.sizes;
    const bool turned = sizes.flip & 4;
    info.width = turned ? sizes.height : sizes.width, info.height = turned ? sizes.width : sizes.height;
    info.bits = 16;
    info.profile.title = "raw, base rendering";
    return info;
}

using DevelopedRaw = std::unique_ptr<libraw_processed_image_t, decltype(&LibRaw::dcraw_clear_mem)>;

/// The sensor's own colours in 16 bits, one colour per pixel filled in to three.
Result<DevelopedRaw> developed(LibRaw& raw, const std::filesystem::path& path, bool quick)
{
    libraw_output_params_t& how = raw.imgdata.params;
    how.output_color = 0;  // the sensor's own colours; the matrix is ours
    how.output_bps = 16;
    how.gamm[0] = how.gamm[1] = 1;
    how.no_auto_bright = 1;
    how.use_camera_wb = 1;
    how.highlight = 1;  // multipliers of 1 and less: nothing is cut off
    how.user_qual = 3;
    how.half_size = quick;
    how.adjust_maximum_thr = 0;
    if (const int status = raw.unpack(); status != LIBRAW_SUCCESS)
        return tl::make_unexpected(failed("damaged or cut short", status, path));
    if (raw.imgdata.process_warnings & LIBRAW_WARN_RAWSPEED_PROBLEM)
        return fail("damaged or cut short", path.string());
    if (const int status = raw.dcraw_process(); status != LIBRAW_SUCCESS)
        return tl::make_unexpected(failed("the raw file cannot be developed", status, path));
    int status = 0;
    DevelopedRaw made(raw.dcraw_make_mem_image(&status), &LibRaw::dcraw_clear_mem);
    if (!made || made->bits != 16 || (made->colors != 3 && made->colors != 1))
        return fail("the raw file gives no picture of three colours", path.string());
    return made;
}

/// How the sensor's numbers become light.
struct SensorColour {
    int channels;
    double saturation[3];  ///< where each channel ends, of the largest number
    double gain;
    Matrix3 toSrgb;
};

SensorColour sensorColourOf(const libraw_data_t& data, int channels)
{
    const libraw_colordata_t& colour = data.color;
    SensorColour sensor{channels, {}, 0, {{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}}};
    // What LibRaw multiplied by: a channel saturates at its own number of these.
    double top = 0, least = 1, sum = 0;
    for (int k = 0; k < 3; ++k)
        top = std::max(top, sensor.saturation[k] = colour.pre_mul[k] > 0 ? colour.pre_mul[k] : 1);
    for (double& s : sensor.saturation)
        s /= top, least = std::min(least, s);
    const float baseline = colour.dng_levels.baseline_exposure;
    const bool told = data.idata.dng_version && baseline > -10 && baseline < 10;
    sensor.gain = (told ? std::exp2(baseline) : kMidGrey / kMidGreyOfSaturation) / least / 65535;
    for (int i = 0; i < 3; ++i)
        for (int k = 0; k < 3; ++k)
            sum += std::abs(colour.rgb_cam[i][k]);
    if (channels == 3 && sum > 0)
        for (int i = 0; i < 3; ++i)
            for (int k = 0; k < 3; ++k)
                sensor.toSrgb.m[i][k] = colour.rgb_cam[i][k];
    return sensor;
}

void developRow(const SensorColour& sensor, const std::uint16_t* in, float* out, int width)
{
    const bool coloured = sensor.channels == 3;
    for (int x = 0; x < width; ++x, in += sensor.channels, out += 3) {
        double v[3], full = 0, strongest = 0;
        for (int k = 0; k < 3; ++k) {
            v[k] = in[coloured ? k : 0];
            full = std::max(full, v[k] / (65535 * (coloured ? sensor.saturation[k] : 1)));
            strongest = std::max(strongest, v[k]);
        }
        // Towards saturation colour goes: which of the channels ended first says nothing.
        const double t = std::clamp((full - 0.92) / 0.07, 0.0, 1.0), neutral = t * t * (3 - 2 * t);
        for (double& channel : v)
            channel = (channel + neutral * (strongest - channel)) * sensor.gain;
        LinearRgb c = apply(sensor.toSrgb, {v[0], v[1], v[2]});
        c = apply(toWorking(RgbSpace::Srgb), {baseCurve(c.r), baseCurve(c.g), baseCurve(c.b)});
        out[0] = static_cast<float>(c.r), out[1] = static_cast<float>(c.g), out[2] = static_cast<float>(c.b);
    }
}

}  // namespace

double baseCurve(double scene)
{
    if (scene <= kKnee)
        return scene;
    if (scene >= kWhite)
        return 1 + kEndSlope * (scene - kWhite);
    const double u = (scene - kKnee) / (kWhite - kKnee);
    return kKnee + (1 - kKnee) * (kBend + 1) * u / (kBend * u + 1);
}

double baseCurveInverse(double picture)
{
    if (picture <= kKnee)
        return picture;
    if (picture >= 1)
        return kWhite + (picture - 1) / kEndSlope;
    const double v = (picture - kKnee) / (1 - kKnee);
    return kKnee + (kWhite - kKnee) * v / (kBend + 1 - kBend * v);
}

double rawSaturation()
{
    constexpr double kNearly = 0.97;  // channels run together just before the end
    return baseCurve(kNearly * kWhite);
}

bool isRawFile(const std::filesystem::path& path)
{
    LibRaw raw;
    return raw.open_file(path.c_str()) == LIBRAW_SUCCESS;
}

namespace {

using Three = std::array<double, 3>;

Matrix3 matrixOf(const float (&m)[4][3])
{
    Matrix3 out{};
    for (int i = 0; i < 3; ++i)
        for (int k = 0; k < 3; ++k)
            out.m[i][k] = m[i][k];
    return out;
}

bool isSolvable(const Matrix3& m)
{
    const auto& a = m.m;
    return std::abs(a[0][0] * (a[1][1] * a[2][2] - a[1][2] * a[2][1]) -
                    a[0][1] * (a[1][0] * a[2][2] - a[1][2] * a[2][0]) +
                    a[0][2] * (a[1][0] * a[2][1] - a[1][1] * a[2][0])) > 1e-9;
}

/// Of (x, y), by C. McCamy (Color Res. Appl. 17(2), 1992).
double nearKelvin(double x, double y)
{
    const double n = (x - 0.3320) / (0.1858 - y);
    return std::clamp(((449 * n + 3525) * n + 6823.3) * n + 5520.33, 1500.0, 25000.0);
}

double kelvinOfIlluminant(int illuminant)
{
    return illuminant == 17 ? 2856 : illuminant == 23 ? 5003 : illuminant == 20 ? 5503 : illuminant == 22 ? 7504 : 6504;
}

}  // namespace

std::optional<std::array<double, 2>> rawWhite(const std::filesystem::path& path)
{
    const auto file = opened(path);
    if (!file)
        return std::nullopt;
    const libraw_colordata_t& colour = (*file)->imgdata.color;
    Three neutral{};
    for (std::size_t k = 0; k < 3; ++k) {
        if (!(colour.cam_mul[k] > 0))
            return std::nullopt;
        neutral[k] = 1.0 / colour.cam_mul[k];
    }
    const auto& two = colour.dng_color;
    const bool isBetween = two[0].illuminant != 0 && two[1].illuminant != 0 && two[0].colormatrix[0][0] != 0 &&
                           two[1].colormatrix[0][0] != 0 &&
                           kelvinOfIlluminant(two[0].illuminant) != kelvinOfIlluminant(two[1].illuminant);
    double x = 0.3127, y = 0.3290;
    for (int round = 0; round < 30; ++round) {
        Matrix3 matrix = matrixOf(colour.cam_xyz);
        if (isBetween) {
            const double a = 1 / kelvinOfIlluminant(two[0].illuminant), b = 1 / kelvinOfIlluminant(two[1].illuminant),
                         share = std::clamp((1 / nearKelvin(x, y) - b) / (a - b), 0.0, 1.0);
            const Matrix3 one = matrixOf(two[0].colormatrix), other = matrixOf(two[1].colormatrix);
            for (int i = 0; i < 3; ++i)
                for (int k = 0; k < 3; ++k)
                    matrix.m[i][k] = share * one.m[i][k] + (1 - share) * other.m[i][k];
        }
        if (!isSolvable(matrix))
            return std::nullopt;
        const LinearRgb xyz = apply(inverse(matrix), {neutral[0], neutral[1], neutral[2]});
        const double sum = xyz.r + xyz.g + xyz.b, nextX = xyz.r / sum, nextY = xyz.g / sum;
        if (!(nextX > 0.15 && nextX < 0.7 && nextY > 0.15 && nextY < 0.7))
            return std::nullopt;
        const bool isSettled = std::abs(nextX - x) + std::abs(nextY - y) < 1e-7;
        x = nextX, y = nextY;
        if (isSettled)
            break;
    }
    return std::array{x, y};
}

Result<PictureInfo> readRawInfo(const std::filesystem::path& path)
{
    const auto raw = opened(path);
    if (!raw)
        return tl::make_unexpected(raw.error());
    return infoOf(**raw);
}

Result<Picture> readRaw(const std::filesystem::path& path, bool quick)
{
    auto file = opened(path);
    if (!file)
        return tl::make_unexpected(file.error());
    LibRaw& raw = **file;
    const PictureInfo info = infoOf(raw);
    const auto made = developed(raw, path, quick);
    if (!made)
        return tl::make_unexpected(made.error());
    const SensorColour sensor = sensorColourOf(raw.imgdata, (*made)->colors);
    Picture picture;
    picture.info = info;
    picture.image = Image((*made)->width, (*made)->height);
    const auto* codes = reinterpret_cast<const std::uint16_t*>((*made)->data);
    const auto perRow = static_cast<std::size_t>((*made)->width) * (*made)->colors;
    inParallel(picture.image.height(), [&](int y) {
        developRow(sensor, codes + static_cast<std::size_t>(y) * perRow, picture.image.mutableView().row(y),
                   picture.image.width());
    });
    if (!quick)
        picture.info.width = (*made)->width, picture.info.height = (*made)->height;
    return picture;
}

}  // namespace amber
