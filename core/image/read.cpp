#include "core/image/read.h"

#include "core/base/atomic_file.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/image/metadata.h"
#include "core/image/open_input.h"
#include "core/image/raw.h"
#include "core/image/resize.h"
#include "core/image/rows.h"

#include <cstring>
#include <fstream>
#include <limits>
#include <turbojpeg.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr int kBandRows = 64;
constexpr std::size_t kFileLimitBytes = std::size_t{4} << 30;

std::string sniff(const unsigned char* b, std::size_t n)
{
    const auto starts = [&](const char* magic, std::size_t size, std::size_t at = 0) {
        return n >= at + size && std::memcmp(b + at, magic, size) == 0;
    };
    if (starts("\xFF\xD8\xFF", 3))
        return "jpeg";
    if (starts("\x89PNG\r\n\x1a\n", 8))
        return "png";
    if (starts("II*\0", 4) || starts("MM\0*", 4) || starts("II+\0", 4) || starts("MM\0+", 4))
        return "tiff";
    if (starts("RIFF", 4) && starts("WEBP", 4, 8))
        return "webp";
    return {};
}

/// A raw file, by its first bytes and its name: many of them look like TIFF files.
bool wantsRaw(const fs::path& path)
{
    std::error_code error;
    if (!fs::is_regular_file(path, error))
        return false;
    unsigned char head[16] = {};
    std::ifstream in(path, std::ios::binary);
    in.read(reinterpret_cast<char*>(head), sizeof head);
    if (in.gcount() < 16)
        return false;
    const std::string format = sniff(head, sizeof head);
    std::string ending = path.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return (format.empty() || (format == "tiff" && ending != ".tif" && ending != ".tiff")) && isRawFile(path);
}

/// A JPEG without its end marker was cut short; decoders fill the rest with grey and call it done.
bool jpegIsWhole(const fs::path& path)
{
    std::ifstream in(path, std::ios::binary | std::ios::ate);
    const auto size = static_cast<long long>(in.tellg());
    const long long tail = std::min<long long>(size, 65536);
    std::string bytes(static_cast<std::size_t>(tail), '\0');
    in.seekg(size - tail);
    in.read(bytes.data(), tail);
    return bytes.rfind("\xFF\xD9") != std::string::npos;
}

struct Opened {
    std::unique_ptr<OIIO::ImageInput> input;
    OIIO::ImageSpec spec;
    std::string format;
    int orientation = 1;
    int bits = 8;
    int colourChannels = 3;
    bool associatedAlpha = false;  ///< colours are stored multiplied by their coverage
    std::vector<std::uint8_t> icc;
};

Result<Opened> open(const fs::path& path)
{
    const std::string name = path.string();
    std::error_code error;
    const auto status = fs::status(path, error);
    if (error || status.type() == fs::file_type::not_found)
        return fail("no such file", name);
    if (status.type() != fs::file_type::regular)
        return fail("not a file", name);
    unsigned char head[16] = {};
    std::ifstream in(path, std::ios::binary);
    if (!in)
        return fail("cannot be opened: " + std::string(std::strerror(errno)), name);
    in.read(reinterpret_cast<char*>(head), sizeof head);
    Opened opened;
    opened.format = sniff(head, static_cast<std::size_t>(in.gcount()));
    if (in.gcount() == 0)
        return fail("the file is empty", name);
    if (opened.format.empty())
        return fail("not a picture this program reads", name, "JPEG, PNG, TIFF, WebP or a raw file from a camera");
    if (opened.format == "jpeg" && !jpegIsWhole(path))
        return fail("the picture is cut short", name, "a JPEG with its end marker");

    OIIO::ImageSpec config;
    config["oiio:UnassociatedAlpha"] = 1;
    config["jpeg:com_attributes"] = 0;
    auto input = openInput(opened.format, path, opened.spec, config);
    if (!input)
        return tl::make_unexpected(input.error());
    opened.input = std::move(*input);
    const OIIO::ImageSpec& spec = opened.spec;
    if (spec.width < 1 || spec.height < 1 || static_cast<long long>(spec.width) * spec.height > kPixelLimit)
        return fail("picture too large", name, "at most 400 megapixels",
                    std::to_string(spec.width) + " x " + std::to_string(spec.height));
    std::string kind;
    for (const char* attribute : {"jpeg:ColorSpace", "tiff:ColorSpace", "oiio:ColorSpace"})
        kind += std::string(spec.get_string_attribute(attribute));
    const int ink = spec.get_int_attribute("tiff:PhotometricInterpretation", -1);
    if (kind.find("CMYK") != std::string::npos || kind.find("YCCK") != std::string::npos ||
        kind.find("YCbCrK") != std::string::npos || ink == 5)
        return fail("CMYK pictures are not read: convert it to RGB first", name);
    if (spec.format == OIIO::TypeDesc::UINT8)
        opened.bits = 8;
    else if (spec.format == OIIO::TypeDesc::UINT16)
        opened.bits = 16;
    else
        return fail("this pixel type is not read", name, "8 or 16 bits a channel", spec.format.c_str());
    if (spec.nchannels < 1 || (spec.nchannels == 2 && spec.alpha_channel != 1) || spec.nchannels > 5)
        return fail("unexpected number of channels", name, "grey or RGB, with or without alpha",
                    std::to_string(spec.nchannels));
    opened.colourChannels = spec.nchannels >= 3 ? 3 : 1;
    opened.associatedAlpha = spec.alpha_channel >= 0 && spec.get_int_attribute("oiio:UnassociatedAlpha", 0) == 0;
    opened.orientation = spec.get_int_attribute("Orientation", 1);
    if (opened.format == "webp") {
        WebpExtras extras = readWebpExtras(path);
        opened.icc = std::move(extras.icc);
        opened.orientation = extras.orientation;
        opened.associatedAlpha = false;
    }
    if (opened.orientation < 1 || opened.orientation > 8)
        opened.orientation = 1;
    if (const auto* attribute = spec.find_attribute("ICCProfile")) {
        const auto* data = static_cast<const std::uint8_t*>(attribute->data());
        opened.icc.assign(data, data + attribute->type().size());
    }
    return opened;
}

Result<PictureInfo> describe(const Opened& opened, const fs::path& path)
{
    PictureInfo info;
    info.format = opened.format;
    info.bits = opened.bits;
    const bool turned = opened.orientation >= 5;
    info.width = turned ? opened.spec.height : opened.spec.width;
    info.height = turned ? opened.spec.width : opened.spec.height;
    info.hasAlpha = opened.spec.alpha_channel >= 0;
    auto profile = sourceProfile(opened.icc, opened.colourChannels, opened.bits);
    if (!profile)
        return fail(profile.error().what, path.string(), profile.error().expected, profile.error().found);
    info.profile = std::move(*profile);
    return info;
}

/// Colours that were stored multiplied by their coverage, as they were before.
template <class Code>
void divideByAlpha(std::vector<Code>& codes, int channels, int alphaChannel)
{
    constexpr double kTop = std::numeric_limits<Code>::max();
    for (std::size_t i = 0; i < codes.size(); i += static_cast<std::size_t>(channels))
        if (const double alpha = codes[i + static_cast<std::size_t>(alphaChannel)]; alpha > 0 && alpha < kTop)
            for (int k = 0; k < alphaChannel; ++k)
                codes[i + static_cast<std::size_t>(k)] =
                    static_cast<Code>(std::min(kTop, codes[i + static_cast<std::size_t>(k)] * kTop / alpha + 0.5));
}

template <class Code>
Result<std::vector<Code>> readCodes(Opened& opened, const fs::path& path)
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
void developInto(const Opened& opened, const std::vector<Code>& codes, const ConvertRow& convertRow, Image& image,
                 std::vector<float>& alpha)
{
    const int channels = opened.spec.nchannels, width = opened.spec.width, height = opened.spec.height;
    const bool turned = opened.orientation >= 5;
    image = Image(turned ? height : width, turned ? width : height);
    const MutableImageView out = image.mutableView();
    const int alphaChannel = opened.spec.alpha_channel;
    if (alphaChannel >= 0)
        alpha.resize(static_cast<std::size_t>(width) * height);
    const float scale = opened.bits == 8 ? 255.0f : 65535.0f;
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
Status develop(Opened& opened, const fs::path& path, Picture& picture)
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
std::optional<Picture> readScaledJpeg(const Opened& opened, const fs::path& path, const PictureInfo& info, int longEdge)
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
    Opened small;
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
    const auto opened = open(path);
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
    auto opened = open(path);
    if (!opened)
        return tl::make_unexpected(opened.error());
    auto info = describe(*opened, path);
    if (!info)
        return tl::make_unexpected(info.error());
    Picture picture;
    picture.info = std::move(*info);
    const Status done = opened->bits == 8 ? develop<std::uint8_t>(*opened, path, picture)
                                          : develop<std::uint16_t>(*opened, path, picture);
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
        const auto opened = open(path);
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
}  // namespace

Result<Picture> readReduced(const fs::path& path, int longEdge, bool quick)
{
    longCall("readReduced");
    return caught(path.string(), [&] { return reducedPicture(path, longEdge, quick); });
}

namespace {
Result<ReducedPicture> reducedWithSamples(const fs::path& path, int longEdge, int sampleEdge)
{
    const auto reader = RowReader::open(path);
    if (!reader)
        return tl::make_unexpected(reader.error());
    if (!*reader) {
        auto picture = readPicture(path);
        if (!picture)
            return tl::make_unexpected(picture.error());
        const Size full{picture->image.width(), picture->image.height()}, grid = fitted(full, sampleEdge);
        Image samples = sampleGrid(picture->image.view(), grid.width, grid.height);
        Picture small = reduced(std::move(*picture), longEdge);
        return ReducedPicture{std::move(small.info), std::move(small.image), std::move(samples)};
    }
    RowReader& rows = **reader;
    const Size full{rows.info().width, rows.info().height}, size = fitted(full, longEdge),
                                                            grid = fitted(full, sampleEdge);
    AreaReducer reducer(full.width, full.height, size.width, size.height);
    Image samples(grid.width, grid.height), band(full.width, std::min(full.height, kBandRows));
    std::vector<std::uint8_t> codes;
    int sample = 0;
    for (int y = 0; y < full.height; y += kBandRows) {
        MutableImageView light = band.mutableView();
        light.height = std::min(kBandRows, full.height - y);
        if (const Status read = rows.read(light.height, codes); !read)
            return tl::make_unexpected(read.error());
        inParallel(light.height, [&](int i) {
            MutableImageView one = light;
            one.data = light.row(i), one.height = 1;
            rows.toLinear(codes.data() + static_cast<std::size_t>(i) * rows.bytesPerRow(), one);
        });
        for (; sample < grid.height && gridIndex(sample, full.height, grid.height) < y + light.height; ++sample) {
            const float* in = light.row(gridIndex(sample, full.height, grid.height) - y);
            for (int x = 0; x < grid.width; ++x)
                std::copy_n(in + std::ptrdiff_t{3} * gridIndex(x, full.width, grid.width), 3,
                            samples.mutableView().row(sample) + std::ptrdiff_t{3} * x);
        }
        ImageView taken = band.view();
        taken.height = light.height;
        reducer.take(taken);
    }
    return ReducedPicture{rows.info(), reducer.result(), std::move(samples)};
}
}  // namespace

Result<ReducedPicture> readReducedWithSamples(const fs::path& path, int longEdge, int sampleEdge)
{
    longCall("readReducedWithSamples");
    return caught(path.string(), [&] { return reducedWithSamples(path, longEdge, sampleEdge); });
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
    auto opened = open(path);
    if (!opened)
        return tl::make_unexpected(opened.error());
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

struct RowReader::State {
    Opened opened;
    PictureInfo info;
    fs::path path;
    int next = 0;
};

RowReader::RowReader(std::unique_ptr<State> state) : m_state(std::move(state)) {}
RowReader::~RowReader() = default;

Result<std::unique_ptr<RowReader>> RowReader::open(const fs::path& path)
{
    if (wantsRaw(path))
        return std::unique_ptr<RowReader>();
    auto opened = amber::open(path);
    if (!opened)
        return tl::make_unexpected(opened.error());
    if (opened->orientation != 1 || opened->spec.alpha_channel >= 0)
        return std::unique_ptr<RowReader>();
    auto info = describe(*opened, path);
    if (!info)
        return tl::make_unexpected(info.error());
    return std::unique_ptr<RowReader>(
        new RowReader(std::unique_ptr<State>(new State{std::move(*opened), std::move(*info), path})));
}

const PictureInfo& RowReader::info() const { return m_state->info; }
std::size_t RowReader::bytesPerRow() const
{
    return static_cast<std::size_t>(m_state->info.width) * m_state->opened.spec.nchannels *
           (m_state->info.bits == 8 ? 1 : 2);
}

Status RowReader::read(int rows, std::vector<std::uint8_t>& codes)
{
    State& s = *m_state;
    codes.resize(bytesPerRow() * static_cast<std::size_t>(rows));
    const auto type = s.info.bits == 8 ? OIIO::TypeDesc::UINT8 : OIIO::TypeDesc::UINT16;
    const int from = s.opened.spec.y + s.next;
    const bool read =
        s.opened.input->read_scanlines(0, 0, from, from + rows, 0, 0, s.opened.spec.nchannels, type, codes.data());
    s.next += rows;
    if (read && !s.opened.input->has_error())
        return {};
    const std::string why = s.opened.input->geterror();
    return fail("damaged or cut short" + (why.empty() ? "" : ": " + why), s.path.string());
}

void RowReader::toLinear(const std::uint8_t* codes, MutableImageView rows) const
{
    const State& s = *m_state;
    const SourceTransform& transform = *s.info.profile.transform;
    for (int y = 0; y < rows.height; ++y) {
        const std::uint8_t* in = codes + static_cast<std::size_t>(y) * bytesPerRow();
        if (s.info.bits == 8)
            transform.convert(in, s.opened.spec.nchannels, rows.width, rows.row(y));
        else
            transform.convert(reinterpret_cast<const std::uint16_t*>(in), s.opened.spec.nchannels, rows.width,
                              rows.row(y));
    }
}

}  // namespace amber
