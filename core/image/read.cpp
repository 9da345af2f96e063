#include "core/image/read.h"

#include "core/base/atomic_file.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/image/metadata.h"
#include "core/image/opened_picture.h"
#include "core/image/raw.h"
#include "core/image/resize.h"
#include "core/image/rows.h"

#include <limits>
#include <turbojpeg.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr int kBandRows = 32;
constexpr std::size_t kFileLimitBytes = std::size_t{4} << 30;

/// Colours that were stored multiplied by their coverage, as they were before.
template <class Code>
void divideByAlpha(std::vector<Code>& codes, int channels, int alphaChannel)
{
    constexpr bool kIsLight = std::is_floating_point_v<Code>;
    constexpr double kTop = kIsLight ? 1 : static_cast<double>(std::numeric_limits<Code>::max());
    for (std::size_t i = 0; i < codes.size(); i += static_cast<std::size_t>(channels))
        if (const double alpha = codes[i + static_cast<std::size_t>(alphaChannel)]; alpha > 0 && alpha < kTop)
            for (int k = 0; k < alphaChannel; ++k) {
                Code& code = codes[i + static_cast<std::size_t>(k)];
                const double own = code * kTop / alpha;
                code = static_cast<Code>(kIsLight ? own : std::min(kTop, own + 0.5));
            }
}

template <class Code>
Result<std::vector<Code>> readCodes(OpenedPicture& opened, const fs::path& path)
{
    std::vector<Code> codes(static_cast<std::size_t>(opened.spec.width) * opened.spec.height * opened.spec.nchannels);
    const bool read =
        opened.input->read_image(0, 0, 0, opened.spec.nchannels, OIIO::BaseTypeFromC<Code>::value, codes.data());
    if (!read || opened.input->has_error()) {
        const std::string why = opened.input->geterror();
        return fail("damaged or cut short" + (why.empty() ? "" : ": " + why), path.string());
    }
    if (opened.associatedAlpha)
        divideByAlpha(codes, opened.spec.nchannels, opened.spec.alpha_channel);
    return codes;
}

/// Where the upright pixel (x, y) comes from (EXIF 2.32, tag 0x0112).
std::size_t uprightSource(int orientation, int x, int y, int storedWidth, int storedHeight)
{
    int sx = x, sy = y;
    switch (orientation) {
    case 2:
        sx = storedWidth - 1 - x;
        break;
    case 3:
        sx = storedWidth - 1 - x, sy = storedHeight - 1 - y;
        break;
    case 4:
        sy = storedHeight - 1 - y;
        break;
    case 5:
        sx = y, sy = x;
        break;
    case 6:
        sx = y, sy = storedHeight - 1 - x;
        break;
    case 7:
        sx = storedWidth - 1 - y, sy = storedHeight - 1 - x;
        break;
    case 8:
        sx = storedWidth - 1 - y, sy = x;
        break;
    default:
        break;
    }
    return static_cast<std::size_t>(sy) * storedWidth + sx;
}

/// Converts codes row by row with `convertRow(codes, count, rgb)`, turning the picture upright.
template <class Code, class ConvertRow>
void developInto(const OpenedPicture& opened, const std::vector<Code>& codes, const ConvertRow& convertRow,
                 Image& image, std::vector<float>& alpha)
{
    const int channels = opened.spec.nchannels, width = opened.spec.width, height = opened.spec.height;
    const bool turned = opened.orientation >= 5;
    image = Image::unset(turned ? height : width, turned ? width : height);
    const MutableImageView out = image.mutableView();
    const int alphaChannel = opened.spec.alpha_channel;
    if (alphaChannel >= 0)
        alpha.resize(static_cast<std::size_t>(width) * height);
    const float scale = opened.bits == 8 ? 255.0f : opened.bits == 16 ? 65535.0f : 1.0f;
    inParallel(out.height, [&](int y) {
        std::vector<Code> line;
        const Code* in = codes.data() + static_cast<std::size_t>(y) * width * channels;
        if (opened.orientation != 1) {
            line.resize(static_cast<std::size_t>(out.width) * channels);
            for (int x = 0; x < out.width; ++x)
                std::memcpy(&line[static_cast<std::size_t>(x) * channels],
                            &codes[uprightSource(opened.orientation, x, y, width, height) * channels],
                            sizeof(Code) * channels);
            in = line.data();
        }
        convertRow(in, out.width, out.row(y));
        if (alphaChannel >= 0)
            for (int x = 0; x < out.width; ++x)
                alpha[static_cast<std::size_t>(y) * out.width + x] =
                    static_cast<float>(in[static_cast<std::size_t>(x) * channels + alphaChannel]) / scale;
    });
}

template <class Code>
Status develop(OpenedPicture& opened, const fs::path& path, Picture& picture)
{
    const auto codes = readCodes<Code>(opened, path);
    if (!codes)
        return tl::make_unexpected(codes.error());
    const int channels = opened.spec.nchannels;
    const SourceTransform& transform = *picture.info.profile.transform;
    developInto(
        opened, *codes, [&](const Code* in, int count, float* rgb) { transform.convert(in, channels, count, rgb); },
        picture.image, picture.alpha);
    return {};
}

int scaleOfJpeg(int width, int height, int longEdge)
{
    int divisor = 1;
    while (divisor < 8 && std::max(width, height) / (divisor * 2) >= longEdge)
        divisor *= 2;
    return divisor;
}

/// JPEGs at 1/2, 1/4 or 1/8 of their size, as long as the long edge stays at least `longEdge`.
std::optional<Picture> readScaledJpeg(const OpenedPicture& opened, const fs::path& path, const PictureInfo& info,
                                      int longEdge)
{
    const auto bytes = readWholeFile(path, kFileLimitBytes);
    if (!bytes)
        return std::nullopt;
    struct Destroy {
        void operator()(void* h) const { tjDestroy(h); }
    };
    const std::unique_ptr<void, Destroy> decoder(tjInitDecompress());
    const auto* data = reinterpret_cast<const unsigned char*>(bytes->data());
    int width = 0, height = 0, sampling = 0, space = 0;
    if (tjDecompressHeader3(decoder.get(), data, bytes->size(), &width, &height, &sampling, &space) != 0)
        return std::nullopt;
    const int divisor = scaleOfJpeg(width, height, longEdge);
    if (divisor == 1)
        return std::nullopt;
    OpenedPicture small;
    small.orientation = opened.orientation;
    small.spec = OIIO::ImageSpec(TJSCALED(width, (tjscalingfactor{1, divisor})),
                                 TJSCALED(height, (tjscalingfactor{1, divisor})), 3, OIIO::TypeDesc::UINT8);
    std::vector<std::uint8_t> codes(static_cast<std::size_t>(small.spec.width) * small.spec.height * 3);
    if (tjDecompress2(decoder.get(), data, bytes->size(), codes.data(), small.spec.width, 0, small.spec.height,
                      TJPF_RGB, TJFLAG_FASTDCT) != 0)
        return std::nullopt;
    Picture picture;
    picture.info = info;
    developInto(
        small, codes,
        [&](const std::uint8_t* in, int count, float* rgb) { info.profile.transform->convert(in, 3, count, rgb); },
        picture.image, picture.alpha);
    return picture;
}

Picture reduced(Picture picture, int longEdge)
{
    const Size size = fitted({picture.image.width(), picture.image.height()}, longEdge);
    if (size.width != picture.image.width() || size.height != picture.image.height()) {
        picture.image = reduceByArea(picture.image.view(), size.width, size.height);
        picture.alpha.clear();
    }
    return picture;
}

}  // namespace

namespace {
Result<PictureInfo> infoOf(const fs::path& path)
{
    if (wantsRaw(path))
        return readRawInfo(path);
    const auto opened = openPicture(path);
    if (!opened)
        return tl::make_unexpected(opened.error());
    return describe(*opened, path);
}
}  // namespace

Result<PictureInfo> readPictureInfo(const fs::path& path)
{
    return caught(path.string(), [&] { return infoOf(path); });
}

namespace {
Result<Picture> wholePicture(const fs::path& path)
{
    if (wantsRaw(path))
        return readRaw(path, false);
    auto opened = openPicture(path);
    if (!opened)
        return tl::make_unexpected(opened.error());
    auto info = describe(*opened, path);
    if (!info)
        return tl::make_unexpected(info.error());
    Picture picture;
    picture.info = std::move(*info);
    const Status done = opened->bits == 8    ? develop<std::uint8_t>(*opened, path, picture)
                        : opened->bits == 16 ? develop<std::uint16_t>(*opened, path, picture)
                                             : develop<float>(*opened, path, picture);
    if (!done)
        return tl::make_unexpected(done.error());
    return picture;
}
}  // namespace

Result<Picture> readPicture(const fs::path& path)
{
    longCall("readPicture");
    return caught(path.string(), [&] { return wholePicture(path); });
}

namespace {
Result<Picture> reducedPicture(const fs::path& path, int longEdge, bool quick)
{
    if (quick && wantsRaw(path)) {
        auto picture = readRaw(path, true);
        return picture ? reduced(std::move(*picture), longEdge) : std::move(picture);
    }
    if (quick) {
        const auto opened = openPicture(path);
        if (!opened)
            return tl::make_unexpected(opened.error());
        if (opened->format == "jpeg" && opened->colourChannels == 3) {
            const auto info = describe(*opened, path);
            if (!info)
                return tl::make_unexpected(info.error());
            if (auto picture = readScaledJpeg(*opened, path, *info, longEdge))
                return reduced(std::move(*picture), longEdge);
        }
    }
    auto read = readReducedWithSamples(path, longEdge, 1);
    if (!read)
        return tl::make_unexpected(read.error());
    return Picture{std::move(read->info), std::move(read->image), {}};
}

Result<ReducedPicture> reducedWhole(const fs::path& path, int longEdge, int sampleEdge, int tileEdge)
{
    auto picture = readPicture(path);
    if (!picture)
        return tl::make_unexpected(picture.error());
    const Size full{picture->image.width(), picture->image.height()}, grid = fitted(full, sampleEdge);
    Image samples = sampleGrid(picture->image.view(), grid.width, grid.height);
    std::vector<DetailTile> details = {};
    if (tileEdge > 0) {
        DetailTiles tiles(full, tileEdge);
        tiles.take(0, picture->image.view());
        details = tiles.result();
    }
    Picture small = reduced(std::move(*picture), longEdge);
    return ReducedPicture{std::move(small.info), std::move(small.image), std::move(samples), std::move(details)};
}

}  // namespace

Result<Picture> readReduced(const fs::path& path, int longEdge, bool quick)
{
    longCall("readReduced");
    return caught(path.string(), [&] { return reducedPicture(path, longEdge, quick); });
}

namespace {
/// The next rows as linear light.
Status readLight(RowReader& rows, MutableImageView light, std::vector<std::uint8_t>& codes)
{
    if (Status read = rows.read(light.height, codes); !read)
        return read;
    inParallel(light.height, [&](int i) {
        MutableImageView one = light;
        one.data = light.row(i), one.height = 1;
        rows.toLinear(codes.data() + static_cast<std::size_t>(i) * rows.bytesPerRow(), one);
    });
    return {};
}

Result<ReducedPicture> reducedWithSamples(const fs::path& path, int longEdge, int sampleEdge, int tileEdge)
{
    const auto reader = RowReader::open(path);
    if (!reader)
        return tl::make_unexpected(reader.error());
    if (!*reader)
        return reducedWhole(path, longEdge, sampleEdge, tileEdge);
    RowReader& rows = **reader;
    const Size full{rows.info().width, rows.info().height}, size = fitted(full, longEdge),
                                                            grid = fitted(full, sampleEdge);
    AreaReducer reducer(full.width, full.height, size.width, size.height);
    Image samples(grid.width, grid.height), band(full.width, std::min(full.height, kBandRows));
    std::optional<DetailTiles> tiles;
    if (tileEdge > 0)
        tiles.emplace(full, tileEdge);
    std::vector<std::uint8_t> codes;
    int sample = 0;
    for (int y = 0; y < full.height; y += kBandRows) {
        MutableImageView light = band.mutableView();
        light.height = std::min(kBandRows, full.height - y);
        if (const Status read = readLight(rows, light, codes); !read)
            return tl::make_unexpected(read.error());
        for (; sample < grid.height && gridIndex(sample, full.height, grid.height) < y + light.height; ++sample) {
            const float* in = light.row(gridIndex(sample, full.height, grid.height) - y);
            for (int x = 0; x < grid.width; ++x)
                std::copy_n(in + std::ptrdiff_t{3} * gridIndex(x, full.width, grid.width), 3,
                            samples.mutableView().row(sample) + std::ptrdiff_t{3} * x);
        }
        ImageView taken = band.view();
        taken.height = light.height;
        reducer.take(taken);
        if (tiles)
            tiles->take(y, taken);
    }
    return ReducedPicture{rows.info(), reducer.result(), std::move(samples),
                          tiles ? tiles->result() : std::vector<DetailTile>{}};
}
}  // namespace

Result<ReducedPicture> readReducedWithSamples(const fs::path& path, int longEdge, int sampleEdge)
{
    longCall("readReducedWithSamples");
    return caught(path.string(), [&] { return reducedWithSamples(path, longEdge, sampleEdge, 0); });
}

Result<ReducedPicture> readReducedWithDetails(const fs::path& path, int longEdge, int tileEdge)
{
    longCall("readReducedWithDetails");
    return caught(path.string(), [&] { return reducedWithSamples(path, longEdge, 1, tileEdge); });
}

namespace {
/// Decoded codes and linear light stand side by side while a picture is developed; LibRaw holds the sensor's numbers
/// and two copies of four channels.
std::size_t bytesToRead(const PictureInfo& info)
{
    constexpr std::size_t kLight = 3 * sizeof(float), kAlpha = sizeof(float), kRaw = 2 + 2 * 4 * 2;
    const std::size_t code = static_cast<std::size_t>(info.bits / 8) * (info.hasAlpha ? 4 : 3);
    return static_cast<std::size_t>(info.width) * info.height *
           (kLight + (info.isRaw() ? kRaw : code + (info.hasAlpha ? kAlpha : 0)));
}
}  // namespace

std::size_t bytesToRead(const fs::path& path)
{
    const auto info = readPictureInfo(path);
    return info ? bytesToRead(*info) : 0;
}

std::size_t bytesToReadReduced(const fs::path& path, int longEdge, bool quick)
{
    const auto info = readPictureInfo(path);
    if (!info)
        return 0;
    std::error_code error;
    const auto whole = fs::file_size(path, error);
    if (const int divisor = quick && info->format == "jpeg" ? scaleOfJpeg(info->width, info->height, longEdge) : 1;
        divisor > 1)
        return bytesToRead(*info) / static_cast<std::size_t>(divisor * divisor) + (error ? 0 : whole);
    const auto reader = RowReader::open(path);
    if (!reader || !*reader)
        return bytesToRead(*info);
    const Size size = fitted({info->width, info->height}, longEdge);
    return (static_cast<std::size_t>(info->width) * (kBandRows + 2) +
            static_cast<std::size_t>(size.width) * size.height) *
               3 * sizeof(float) +
           (*reader)->bytesPerRow() * kBandRows;
}

namespace {
Result<EncodedPicture> encodedPicture(const fs::path& path)
{
    auto opened = openPicture(path);
    if (!opened)
        return tl::make_unexpected(opened.error());
    if (opened->isLight())
        return fail("light has no codes", path.string(), "JPEG, PNG, TIFF or WebP", "EXR");
    EncodedPicture result;
    result.icc = opened->icc;
    result.format = opened->format;
    result.bits = opened->bits;
    const int channels = opened->spec.nchannels, green = channels >= 3 ? 1 : 0, blue = channels >= 3 ? 2 : 0;
    const float scale = opened->bits == 8 ? 255.0f : 65535.0f;
    const auto spread = [&](const auto* in, int count, float* rgb) {
        for (int i = 0; i < count; ++i, in += channels, rgb += 3)
            rgb[0] = in[0] / scale, rgb[1] = in[green] / scale, rgb[2] = in[blue] / scale;
    };
    const auto run = [&]<class Code>(Code) -> Status {
        const auto codes = readCodes<Code>(*opened, path);
        if (!codes)
            return tl::make_unexpected(codes.error());
        developInto(*opened, *codes, spread, result.image, result.alpha);
        return {};
    };
    const Status done = opened->bits == 8 ? run(std::uint8_t{}) : run(std::uint16_t{});
    if (!done)
        return tl::make_unexpected(done.error());
    return result;
}
}  // namespace

Result<EncodedPicture> readEncoded(const fs::path& path)
{
    return caught(path.string(), [&] { return encodedPicture(path); });
}

}  // namespace amber
