#include "core/image/write.h"

#include "core/base/atomic_file.h"
#include "core/base/parallel.h"
#include "core/base/written_files.h"
#include "core/colour/gamut.h"
#include "core/image/code_print.h"
#include "core/image/metadata.h"
#include "core/image/open_input.h"
#include "core/image/output_profile.h"
#include "core/image/rows.h"
#include "core/image/simd_rows.h"

#include <OpenImageIO/filesystem.h>
#include <array>
#include <cmath>
#include <cstring>
#include <optional>

namespace amber {
namespace {

struct FormatEntry {
    std::string_view name, extension;
    const char* plugin;
    int bits;
};
constexpr std::array<FormatEntry, 8> kFormats{{{"jpeg", ".jpg", "jpeg", 8},
                                               {"png8", ".png", "png", 8},
                                               {"png16", ".png", "png", 16},
                                               {"tiff8", ".tif", "tiff", 8},
                                               {"tiff16", ".tif", "tiff", 16},
                                               {"webp", ".webp", "webp", 8},
                                               {"exr", ".exr", "openexr", 16},
                                               {"exr32", ".exr", "openexr", 32}}};

const FormatEntry& entry(FileFormat format) { return kFormats[static_cast<std::size_t>(format)]; }

template <class Code>
constexpr float kTop = sizeof(Code) == 1 ? 255.0f : 65535.0f;

template <class Code>
void encodeRows(ImageView linear, RgbSpace space, Code* codes)
{
    const Matrix3& matrix = fromWorking(space);
    float m[3][3];
    for (int i = 0; i < 3; ++i)
        for (int j = 0; j < 3; ++j)
            m[i][j] = static_cast<float>(matrix.m[i][j]);
    const auto width = static_cast<std::size_t>(linear.width);
    inParallel(linear.height, [&](int y) {
        codesOfRow(linear.row(y), space, m, width, codes + static_cast<std::size_t>(y) * width * 3);
    });
}

std::vector<std::uint8_t> embeddedProfile(const std::filesystem::path& path, const char* plugin)
{
    OIIO::ImageSpec spec;
    if (!openInput(plugin, path, spec))
        return {};
    const auto* attribute = spec.find_attribute("ICCProfile");
    if (!attribute)
        return {};
    const auto* data = static_cast<const std::uint8_t*>(attribute->data());
    return {data, data + attribute->type().size()};
}

struct Codes {
    int width, height, channels;
    CodeType type;
    const void* data;
    OIIO::TypeDesc read() const
    {
        return type == CodeType::Byte   ? OIIO::TypeDesc::UINT8
               : type == CodeType::Word ? OIIO::TypeDesc::UINT16
                                        : OIIO::TypeDesc::FLOAT;
    }
};

CodeType codesOf(FileFormat format)
{
    return isLight(format) ? CodeType::Float : bitsOf(format) == 8 ? CodeType::Byte : CodeType::Word;
}

/// What a file says of its pixels, beside the pixels.
struct Told {
    const std::vector<std::uint8_t>& icc;
    int quality = 95;
    double ppi = 0;
    const OutputOptions* options = nullptr;
};

/// As EXR has them.
void sayPrimaries(OIIO::ImageSpec& spec, RgbSpace space)
{
    const Chromaticities& c = chromaticitiesOf(space);
    std::vector<float> all;
    for (const auto* xy : {c.red, c.green, c.blue, c.white})
        all.insert(all.end(), {static_cast<float>(xy[0]), static_cast<float>(xy[1])});
    spec.attribute("chromaticities", OIIO::TypeDesc(OIIO::TypeDesc::FLOAT, 8), all.data());
}

OIIO::ImageSpec specOf(const char* plugin, const Codes& codes, const Told& told)
{
    const bool isHalf = told.options && told.options->format == FileFormat::Exr;
    OIIO::ImageSpec spec(codes.width, codes.height, codes.channels, isHalf ? OIIO::TypeDesc::HALF : codes.read());
    if (codes.channels == 4)
        spec.alpha_channel = 3;
    spec["oiio:UnassociatedAlpha"] = 1;
    const std::string_view kind(plugin);
    if (!told.icc.empty() && kind != "webp")
        spec.attribute("ICCProfile", OIIO::TypeDesc(OIIO::TypeDesc::UINT8, static_cast<int>(told.icc.size())),
                       told.icc.data());
    if (told.ppi > 0) {
        spec["XResolution"] = static_cast<float>(told.ppi), spec["YResolution"] = static_cast<float>(told.ppi);
        spec["ResolutionUnit"] = "in";
    }
    if (kind == "jpeg") {
        spec["compression"] = "jpeg:" + std::to_string(told.quality);
        spec["jpeg:subsampling"] = told.quality >= 88 ? "4:4:4" : "4:2:0";
    } else if (kind == "webp") {
        spec["compression"] = "webp:" + std::to_string(told.quality);
    } else if (kind == "png") {
        spec["png:compressionLevel"] = 3;
    } else if (kind == "tiff") {
        // Photographs of 16 bits hardly become smaller by it (3 %), and take three times as long.
        spec["compression"] = codes.type == CodeType::Word ? "none" : "lzw";
        // Else the library puts in the time of writing, and no two files are alike: EXIF's blanks for what is not known
        // (EXIF 2.32, 4.6.4), until the source's own comes over it.
        spec["DateTime"] = "    :  :     :  :  ";
    } else {
        // Whole floats of photographs hardly become smaller, and take half a minute for 24 megapixels.
        spec["compression"] = isHalf ? "zip" : "none";
        if (told.options)
            sayPrimaries(spec, told.options->space);
    }
    return spec;
}

/// Opens a file for codes of this kind under its temporary name.
Result<std::unique_ptr<OIIO::ImageOutput>> openOutput(const std::filesystem::path& temporary,
                                                      const std::filesystem::path& target, const char* plugin,
                                                      const Codes& codes, const Told& told)
{
    auto output = OIIO::ImageOutput::create(plugin);
    if (!output || !output->open(temporary.string(), specOf(plugin, codes, told)))
        return fail("cannot be written: " + (output ? output->geterror() : OIIO::geterror()), target.string());
    return output;
}

Status closeOutput(OIIO::ImageOutput& output, bool written, const std::filesystem::path& target)
{
    const std::string why = output.geterror();
    if (!output.close() || !written)
        return fail("cannot be written: " + (why.empty() ? std::string("the disk may be full") : why), target.string());
    return {};
}

CodePrint printOf(const Codes& codes)
{
    CodePrint print(codes.width, codes.height, codes.channels, codes.type);
    print.take(codes.data, codes.height);
    return print;
}

/// Writes codes under the temporary name.
Status writeCodes(const std::filesystem::path& temporary, const std::filesystem::path& target, const char* plugin,
                  const Codes& codes, const Told& told)
{
    auto output = openOutput(temporary, target, plugin, codes, told);
    if (!output)
        return tl::make_unexpected(output.error());
    return closeOutput(**output, (*output)->write_image(codes.read(), codes.data), target);
}

/// How far a file's pixels may be from the codes that it was made of.
double boundOf(FileFormat format, int quality)
{
    constexpr double kHalf = 0.02;  // of light up to 16: half floats have 11 bits
    return format == FileFormat::Exr ? kHalf : hasQuality(format) ? boundOfQuality(quality) : 0;
}

std::vector<std::uint8_t> profileIn(const std::filesystem::path& path, const char* plugin)
{
    return std::string_view(plugin) == "webp" ? readWebpExtras(path).icc : embeddedProfile(path, plugin);
}

/// Read back as a whole.
Status verify(const std::filesystem::path& temporary, const std::filesystem::path& target, const char* plugin,
              const std::vector<std::uint8_t>& icc, const CodePrint& print, double bound)
{
    const bool hasPicture = std::string_view(plugin) != "openexr";
    if (const auto info = hasPicture ? readPictureInfo(temporary) : Result<PictureInfo>(PictureInfo{}); !info)
        return fail("what was written cannot be read back: " + info.error().what, target.string());
    if (!icc.empty() && profileIn(temporary, plugin) != icc)
        return fail("the colour profile did not arrive in the file", target.string());
    if (const Status held = holdAgainst(print, temporary, plugin, bound); !held)
        return fail(held.error().what, target.string());
    return {};
}

/// What follows the pixels: metadata, a look at what was written, the final name.
Status complete(AtomicFile& file, const std::filesystem::path& path, const OutputOptions& options, int quality,
                const std::filesystem::path& source, const CodePrint& print)
{
    MetadataRule rule = options.metadata;
    if (options.format == FileFormat::Webp)
        rule.profile = profileOf(options);
    if (!isLight(options.format))
        if (const Status copied = copyMetadata(source, file.temporaryPath(), rule); !copied)
            return fail(copied.error().what, path.string());
    if (const Status good = verify(file.temporaryPath(), path, entry(options.format).plugin, profileOf(options), print,
                                   boundOf(options.format, quality));
        !good)
        return good;
    return file.commit();
}

/// Codes as bytes, with coverage as the fourth of each pixel.
template <class Code>
std::vector<std::uint8_t> withAlpha(const std::vector<std::uint8_t>& rgb, const std::vector<float>& alpha)
{
    std::vector<std::uint8_t> all(alpha.size() * 4 * sizeof(Code));
    for (std::size_t i = 0; i < alpha.size(); ++i) {
        std::copy_n(&rgb[3 * i * sizeof(Code)], 3 * sizeof(Code), &all[4 * i * sizeof(Code)]);
        const auto own = static_cast<Code>(alpha[i] * kTop<Code> + 0.5f);
        std::memcpy(&all[(4 * i + 3) * sizeof(Code)], &own, sizeof(Code));
    }
    return all;
}

}  // namespace

Image overWhite(ImageView linear, const std::vector<float>& alpha)
{
    Image result = Image::unset(linear.width, linear.height);
    for (int y = 0; y < linear.height; ++y)
        for (int x = 0; x < linear.width; ++x) {
            const float a = alpha[static_cast<std::size_t>(y) * linear.width + x];
            for (int k = 0; k < 3; ++k)
                result.mutableView().row(y)[x * 3 + k] = linear.row(y)[x * 3 + k] * a + (1 - a);
        }
    return result;
}

std::string_view nameOf(FileFormat format) { return entry(format).name; }
std::string_view extensionOf(FileFormat format) { return entry(format).extension; }
int bitsOf(FileFormat format) { return entry(format).bits; }
bool isLight(FileFormat format) { return format == FileFormat::Exr || format == FileFormat::Exr32; }

bool hasQuality(FileFormat format) { return format == FileFormat::Jpeg || format == FileFormat::Webp; }

const std::vector<std::uint8_t>& profileOf(const OutputOptions& options)
{
    static const std::vector<std::uint8_t> none;
    if (isLight(options.format))
        return none;
    return options.profile ? options.profile->bytes() : iccProfile(options.space);
}

Result<FileFormat> fileFormatFromName(std::string_view name)
{
    for (std::size_t i = 0; i < kFormats.size(); ++i)
        if (kFormats[i].name == name)
            return static_cast<FileFormat>(i);
    return fail("unknown file format", {}, "jpeg, png8, png16, tiff8, tiff16, webp, exr or exr32", std::string(name));
}

void encodeToCodes(ImageView linear, RgbSpace space, std::uint8_t* codes) { encodeRows(linear, space, codes); }
void encodeToCodes(ImageView linear, RgbSpace space, std::uint16_t* codes) { encodeRows(linear, space, codes); }

namespace {

/// A number from 0 to 2^32 - 1 by place: no two runs differ (a finalizer of MurmurHash3, A. Appleby, public domain).
std::uint32_t scattered(std::uint32_t v)
{
    v ^= v >> 16, v *= 0x85ebca6bU, v ^= v >> 13, v *= 0xc2b2ae35U;
    return v ^ (v >> 16);
}

/// 16-bit codes to 8 bits with noise of a triangle of two codes before rounding: the error has no mean and no variance
/// that depend on the value (S. Lipshitz, R. Wannamaker, J. Vanderkooy, J. AES 40(5), 1992).
void dithered(const std::uint16_t* from, int width, int row, std::uint8_t* to)
{
    for (int i = 0; i < 3 * width; ++i) {
        const std::uint32_t at =
            scattered(static_cast<std::uint32_t>(row) * 0x9e3779b9U + static_cast<std::uint32_t>(i));
        const double noise = ((at & 0xffff) + static_cast<double>(at >> 16)) / 65536.0 - 1;
        to[i] = static_cast<std::uint8_t>(std::clamp(from[i] / 257.0 + noise + 0.5, 0.0, 255.0));
    }
}

template <class Code>
void encodeWith(ImageView linear, const OutputOptions& options, Code* codes)
{
    if (!options.profile)
        return encodeRows(linear, options.space, codes);
    const auto width = static_cast<std::size_t>(linear.width);
    inParallel(linear.height, [&](int y) {
        options.profile->convert(linear.row(y), width, codes + static_cast<std::size_t>(y) * width * 3);
    });
}

void encodeLinear(ImageView linear, RgbSpace space, float* out)
{
    const Matrix3& m = fromWorking(space);
    inParallel(linear.height, [&](int y) {
        const float* in = linear.row(y);
        if (space == RgbSpace::Linear) {
            std::copy_n(in, 3 * linear.width, out + static_cast<std::size_t>(y) * linear.width * 3);
            return;
        }
        float* to = out + static_cast<std::size_t>(y) * linear.width * 3;
        for (int x = 0; x < linear.width; ++x, in += 3, to += 3) {
            const LinearRgb c = apply(m, LinearRgb{in[0], in[1], in[2]});
            to[0] = static_cast<float>(c.r), to[1] = static_cast<float>(c.g), to[2] = static_cast<float>(c.b);
        }
    });
}

}  // namespace

void encodeToBytes(ImageView linear, const OutputOptions& options, int firstRow, std::vector<std::uint8_t>& codes)
{
    const std::size_t count = static_cast<std::size_t>(linear.width) * linear.height * 3;
    switch (codesOf(options.format)) {
    case CodeType::Float:
        codes.resize(4 * count);
        return encodeLinear(linear, options.space, reinterpret_cast<float*>(codes.data()));
    case CodeType::Word:
        codes.resize(2 * count);
        return encodeWith(linear, options, reinterpret_cast<std::uint16_t*>(codes.data()));
    case CodeType::Byte:
        codes.resize(count);
        if (!options.dither)
            return encodeWith(linear, options, codes.data());
        std::vector<std::uint16_t> fine(count);
        encodeWith(linear, options, fine.data());
        inParallel(linear.height, [&](int y) {
            const std::size_t at = static_cast<std::size_t>(y) * linear.width * 3;
            dithered(fine.data() + at, linear.width, firstRow + y, codes.data() + at);
        });
    }
}

Status writePicture(const std::filesystem::path& path, ImageView linear, const std::vector<float>& alpha,
                    const OutputOptions& options, const std::filesystem::path& source, WrittenFiles* written)
{
    const FormatEntry& format = entry(options.format);
    const CodeType type = codesOf(options.format);
    Image flattened;
    const bool keepAlpha = !alpha.empty() && options.format != FileFormat::Jpeg && type != CodeType::Float;
    if (!alpha.empty() && !keepAlpha) {
        flattened = overWhite(linear, alpha);
        linear = flattened.view();
    }
    AtomicFile file(path, written);
    std::vector<std::uint8_t> codes;
    encodeToBytes(linear, options, 0, codes);
    if (keepAlpha)
        codes = type == CodeType::Byte ? withAlpha<std::uint8_t>(codes, alpha) : withAlpha<std::uint16_t>(codes, alpha);
    const Codes all{linear.width, linear.height, keepAlpha ? 4 : 3, type, codes.data()};
    if (const Status encoded = writeCodes(file.temporaryPath(), path, format.plugin, all,
                                          {profileOf(options), options.quality, options.metadata.ppi, &options});
        !encoded)
        return encoded;
    return complete(file, path, options, options.quality, source, printOf(all));
}

Result<std::string> packCodes(int width, int height, const std::vector<std::uint8_t>& codes,
                              const OutputOptions& options)
{
    const char* plugin = entry(options.format).plugin;
    const Codes all{width, height, 3, CodeType::Byte, codes.data()};
    std::vector<unsigned char> bytes;
    OIIO::Filesystem::IOVecOutput memory(bytes);
    auto output = OIIO::ImageOutput::create(plugin);
    OIIO::ImageSpec spec = specOf(plugin, all, {profileOf(options), options.quality, options.metadata.ppi, &options});
    if (!output || !output->supports("ioproxy") || !output->set_ioproxy(&memory) || !output->open("memory", spec) ||
        !output->write_image(OIIO::TypeDesc::UINT8, codes.data()) || !output->close())
        return fail("cannot be packed: " + (output ? output->geterror() : OIIO::geterror()));
    return std::string(bytes.begin(), bytes.end());
}

Status writePacked(const std::filesystem::path& path, std::string_view bytes, int width, int height,
                   const std::vector<std::uint8_t>& codes, const OutputOptions& options,
                   const std::filesystem::path& source, WrittenFiles* written)
{
    AtomicFile file(path, written);
    if (const Status put = file.write(bytes); !put)
        return put;
    return complete(file, path, options, options.quality, source,
                    printOf({width, height, 3, CodeType::Byte, codes.data()}));
}

Status writeEncoded(const std::filesystem::path& path, const EncodedPicture& picture)
{
    constexpr int kEncodedQuality = 95;  // as Told has it
    std::string extension = path.extension().string();
    for (char& c : extension)
        c = static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
    const char* plugin = extension == ".jpg" || extension == ".jpeg"   ? "jpeg"
                         : extension == ".png"                         ? "png"
                         : extension == ".tif" || extension == ".tiff" ? "tiff"
                                                                       : nullptr;
    if (!plugin)
        return fail("unknown file ending", path.string(), ".jpg, .png or .tif", extension);
    const ImageView view = picture.image.view();
    const int bits = std::string_view(plugin) == "jpeg" ? 8 : picture.bits;
    const bool keepAlpha = !picture.alpha.empty() && std::string_view(plugin) != "jpeg";
    WrittenFiles saved = WrittenFiles::ofUser();
    AtomicFile file(path, &saved);
    const CodeType type = bits == 8 ? CodeType::Byte : CodeType::Word;
    std::optional<CodePrint> print;
    const auto run = [&]<class Code>(Code) {
        const std::size_t count = static_cast<std::size_t>(view.width) * view.height * 3;
        std::vector<std::uint8_t> codes(count * sizeof(Code));
        for (std::size_t i = 0; i < count; ++i)
            reinterpret_cast<Code*>(codes.data())[i] =
                static_cast<Code>(std::clamp(view.data[i], 0.0f, 1.0f) * kTop<Code> + 0.5f);
        if (keepAlpha)
            codes = withAlpha<Code>(codes, picture.alpha);
        const Codes all{view.width, view.height, keepAlpha ? 4 : 3, type, codes.data()};
        print.emplace(printOf(all));
        return writeCodes(file.temporaryPath(), path, plugin, all, {picture.icc});
    };
    if (const Status written = bits == 8 ? run(std::uint8_t{}) : run(std::uint16_t{}); !written)
        return written;
    const double bound = std::string_view(plugin) == "jpeg" ? boundOfQuality(kEncodedQuality) : 0;
    if (const Status good = verify(file.temporaryPath(), path, plugin, picture.icc, *print, bound); !good)
        return good;
    return file.commit();
}

Status writeGrey(const std::filesystem::path& path, int width, int height, const std::vector<std::uint8_t>& codes)
{
    if (path.extension() != ".png")
        return fail("unknown file ending", path.string(), ".png", path.extension().string());
    WrittenFiles saved = WrittenFiles::ofUser();
    AtomicFile file(path, &saved);
    if (const Status written =
            writeCodes(file.temporaryPath(), path, "png", {width, height, 1, CodeType::Byte, codes.data()},
                       {std::vector<std::uint8_t>()});
        !written)
        return written;
    return file.commit();
}

struct RowWriter::State {
    std::filesystem::path target;
    OutputOptions options;
    AtomicFile file;
    std::unique_ptr<OIIO::ImageOutput> output;
    CodePrint print;
    int next = 0;
    bool good = true;
};

RowWriter::RowWriter(std::unique_ptr<State> state) : m_state(std::move(state)) {}
RowWriter::~RowWriter() = default;

Result<std::unique_ptr<RowWriter>> RowWriter::open(const std::filesystem::path& target, int width, int height,
                                                   const OutputOptions& options, WrittenFiles* written)
{
    std::unique_ptr<State> state(new State{target, options, AtomicFile(target, written), nullptr,
                                           CodePrint(width, height, 3, codesOf(options.format))});
    auto output = openOutput(state->file.temporaryPath(), target, entry(options.format).plugin,
                             {width, height, 3, codesOf(options.format), nullptr},
                             {profileOf(options), options.quality, options.metadata.ppi, &options});
    if (!output)
        return tl::make_unexpected(output.error());
    state->output = std::move(*output);
    return std::unique_ptr<RowWriter>(new RowWriter(std::move(state)));
}

void RowWriter::toCodes(ImageView rows, int firstRow, std::vector<std::uint8_t>& codes) const
{
    encodeToBytes(rows, m_state->options, firstRow, codes);
}

Status RowWriter::write(int rows, const std::vector<std::uint8_t>& codes)
{
    State& s = *m_state;
    const OIIO::TypeDesc type = Codes{0, 0, 3, codesOf(s.options.format), nullptr}.read();
    s.good = s.good && s.output->write_scanlines(s.next, s.next + rows, 0, type, codes.data());
    s.next += rows;
    s.print.take(codes.data(), rows);
    if (s.good)
        return {};
    const std::string why = s.output->geterror();
    return fail("cannot be written: " + (why.empty() ? std::string("the disk may be full") : why), s.target.string());
}

Status RowWriter::finish(const std::filesystem::path& source)
{
    if (const Status closed = closeOutput(*m_state->output, m_state->good, m_state->target); !closed)
        return closed;
    return complete(m_state->file, m_state->target, m_state->options, m_state->options.quality, source, m_state->print);
}

}  // namespace amber
