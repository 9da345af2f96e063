#include "core/image/write.h"

#include "core/base/atomic_file.h"
#include "core/base/parallel.h"
#include "core/base/written_files.h"
#include "core/colour/gamut.h"
#include "core/image/metadata.h"
#include "core/image/open_input.h"
#include "core/image/rows.h"
#include "core/image/simd_rows.h"

#include <array>
#include <cmath>

namespace amber {
namespace {

struct FormatEntry {
    std::string_view name, extension;
    const char* plugin;
    int bits;
};
constexpr std::array<FormatEntry, 5> kFormats{{{"jpeg", ".jpg", "jpeg", 8},
                                               {"png8", ".png", "png", 8},
                                               {"png16", ".png", "png", 16},
                                               {"tiff8", ".tif", "tiff", 8},
                                               {"tiff16", ".tif", "tiff", 16}}};

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
    int width, height, channels, bits;
    const void* data;
};

/// Opens a file for codes of this kind under its temporary name.
Result<std::unique_ptr<OIIO::ImageOutput>> openOutput(const std::filesystem::path& temporary,
                                                      const std::filesystem::path& target, const char* plugin,
                                                      const Codes& codes, int quality,
                                                      const std::vector<std::uint8_t>& icc)
{
    OIIO::ImageSpec spec(codes.width, codes.height, codes.channels,
                         codes.bits == 8 ? OIIO::TypeDesc::UINT8 : OIIO::TypeDesc::UINT16);
    if (codes.channels == 4)
        spec.alpha_channel = 3;
    spec["oiio:UnassociatedAlpha"] = 1;
    if (!icc.empty())
        spec.attribute("ICCProfile", OIIO::TypeDesc(OIIO::TypeDesc::UINT8, static_cast<int>(icc.size())), icc.data());
    const std::string_view kind(plugin);
    if (kind == "jpeg") {
        spec["compression"] = "jpeg:" + std::to_string(quality);
        spec["jpeg:subsampling"] = quality >= 88 ? "4:4:4" : "4:2:0";
    } else if (kind == "png") {
        spec["png:compressionLevel"] = 3;
    } else {
        spec["compression"] = "lzw";
    }
    auto output = OIIO::ImageOutput::create(plugin);
    if (!output || !output->open(temporary.string(), spec))
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

/// Writes codes under the temporary name.
Status writeCodes(const std::filesystem::path& temporary, const std::filesystem::path& target, const char* plugin,
                  const Codes& codes, int quality, const std::vector<std::uint8_t>& icc)
{
    auto output = openOutput(temporary, target, plugin, codes, quality, icc);
    if (!output)
        return tl::make_unexpected(output.error());
    return closeOutput(
        **output, (*output)->write_image(codes.bits == 8 ? OIIO::TypeDesc::UINT8 : OIIO::TypeDesc::UINT16, codes.data),
        target);
}

Status verify(const std::filesystem::path& temporary, const std::filesystem::path& target, const char* plugin,
              const std::vector<std::uint8_t>& icc)
{
    if (const auto info = readPictureInfo(temporary); !info)
        return fail("what was written cannot be read back: " + info.error().what, target.string());
    if (!icc.empty() && embeddedProfile(temporary, plugin) != icc)
        return fail("the colour profile did not arrive in the file", target.string());
    return {};
}

/// What follows the pixels: metadata, a look at what was written, the final name.
Status complete(AtomicFile& file, const std::filesystem::path& path, const OutputOptions& options,
                const std::filesystem::path& source)
{
    if (!source.empty())
        if (const Status copied = copyMetadata(source, file.temporaryPath()); !copied)
            return fail(copied.error().what, path.string());
    if (const Status good = verify(file.temporaryPath(), path, entry(options.format).plugin, iccProfile(options.space));
        !good)
        return good;
    return file.commit();
}

template <class Code>
std::vector<Code> withAlpha(const std::vector<Code>& rgb, const std::vector<float>& alpha)
{
    std::vector<Code> all(alpha.size() * 4);
    for (std::size_t i = 0; i < alpha.size(); ++i) {
        std::copy_n(&rgb[i * 3], 3, &all[i * 4]);
        all[i * 4 + 3] = static_cast<Code>(alpha[i] * kTop<Code> + 0.5f);
    }
    return all;
}

Image overWhite(ImageView linear, const std::vector<float>& alpha)
{
    Image result(linear.width, linear.height);
    for (int y = 0; y < linear.height; ++y)
        for (int x = 0; x < linear.width; ++x) {
            const float a = alpha[static_cast<std::size_t>(y) * linear.width + x];
            for (int k = 0; k < 3; ++k)
                result.mutableView().row(y)[x * 3 + k] = linear.row(y)[x * 3 + k] * a + (1 - a);
        }
    return result;
}

}  // namespace

std::string_view nameOf(FileFormat format) { return entry(format).name; }
std::string_view extensionOf(FileFormat format) { return entry(format).extension; }
int bitsOf(FileFormat format) { return entry(format).bits; }

Result<FileFormat> fileFormatFromName(std::string_view name)
{
    for (std::size_t i = 0; i < kFormats.size(); ++i)
        if (kFormats[i].name == name)
            return static_cast<FileFormat>(i);
    return fail("unknown file format", {}, "jpeg, png8, png16, tiff8 or tiff16", std::string(name));
}

void encodeToCodes(ImageView linear, RgbSpace space, std::uint8_t* codes) { encodeRows(linear, space, codes); }
void encodeToCodes(ImageView linear, RgbSpace space, std::uint16_t* codes) { encodeRows(linear, space, codes); }

Status writePicture(const std::filesystem::path& path, ImageView linear, const std::vector<float>& alpha,
                    const OutputOptions& options, const std::filesystem::path& source, WrittenFiles* written)
{
    const FormatEntry& format = entry(options.format);
    Image flattened;
    const bool keepAlpha = !alpha.empty() && options.format != FileFormat::Jpeg;
    if (!alpha.empty() && !keepAlpha) {
        flattened = overWhite(linear, alpha);
        linear = flattened.view();
    }
    AtomicFile file(path, written);
    const auto run = [&]<class Code>(Code) {
        std::vector<Code> codes(static_cast<std::size_t>(linear.width) * linear.height * 3);
        encodeRows(linear, options.space, codes.data());
        if (keepAlpha)
            codes = withAlpha(codes, alpha);
        return writeCodes(file.temporaryPath(), path, format.plugin,
                          {linear.width, linear.height, keepAlpha ? 4 : 3, format.bits, codes.data()}, options.quality,
                          iccProfile(options.space));
    };
    if (const Status encoded = format.bits == 8 ? run(std::uint8_t{}) : run(std::uint16_t{}); !encoded)
        return encoded;
    return complete(file, path, options, source);
}

Status writeEncoded(const std::filesystem::path& path, const EncodedPicture& picture)
{
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
    const auto run = [&]<class Code>(Code) {
        std::vector<Code> codes(static_cast<std::size_t>(view.width) * view.height * 3);
        for (std::size_t i = 0; i < codes.size(); ++i)
            codes[i] = static_cast<Code>(std::clamp(view.data[i], 0.0f, 1.0f) * kTop<Code> + 0.5f);
        if (keepAlpha)
            codes = withAlpha(codes, picture.alpha);
        return writeCodes(file.temporaryPath(), path, plugin,
                          {view.width, view.height, keepAlpha ? 4 : 3, bits, codes.data()}, 95, picture.icc);
    };
    if (const Status written = bits == 8 ? run(std::uint8_t{}) : run(std::uint16_t{}); !written)
        return written;
    if (const Status good = verify(file.temporaryPath(), path, plugin, picture.icc); !good)
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
            writeCodes(file.temporaryPath(), path, "png", {width, height, 1, 8, codes.data()}, 0, {});
        !written)
        return written;
    return file.commit();
}

struct RowWriter::State {
    std::filesystem::path target;
    OutputOptions options;
    AtomicFile file;
    std::unique_ptr<OIIO::ImageOutput> output;
    int next = 0;
    bool good = true;
};

RowWriter::RowWriter(std::unique_ptr<State> state) : m_state(std::move(state)) {}
RowWriter::~RowWriter() = default;

Result<std::unique_ptr<RowWriter>> RowWriter::open(const std::filesystem::path& target, int width, int height,
                                                   const OutputOptions& options, WrittenFiles* written)
{
    std::unique_ptr<State> state(new State{target, options, AtomicFile(target, written), nullptr});
    auto output =
        openOutput(state->file.temporaryPath(), target, entry(options.format).plugin,
                   {width, height, 3, bitsOf(options.format), nullptr}, options.quality, iccProfile(options.space));
    if (!output)
        return tl::make_unexpected(output.error());
    state->output = std::move(*output);
    return std::unique_ptr<RowWriter>(new RowWriter(std::move(state)));
}

void RowWriter::toCodes(ImageView rows, std::vector<std::uint8_t>& codes) const
{
    const bool eight = bitsOf(m_state->options.format) == 8;
    codes.resize(static_cast<std::size_t>(rows.width) * rows.height * 3 * (eight ? 1 : 2));
    if (eight)
        encodeToCodes(rows, m_state->options.space, codes.data());
    else
        encodeToCodes(rows, m_state->options.space, reinterpret_cast<std::uint16_t*>(codes.data()));
}

Status RowWriter::write(int rows, const std::vector<std::uint8_t>& codes)
{
    State& s = *m_state;
    const auto type = bitsOf(s.options.format) == 8 ? OIIO::TypeDesc::UINT8 : OIIO::TypeDesc::UINT16;
    s.good = s.good && s.output->write_scanlines(s.next, s.next + rows, 0, type, codes.data());
    s.next += rows;
    if (s.good)
        return {};
    const std::string why = s.output->geterror();
    return fail("cannot be written: " + (why.empty() ? std::string("the disk may be full") : why), s.target.string());
}

Status RowWriter::finish(const std::filesystem::path& source)
{
    if (const Status closed = closeOutput(*m_state->output, m_state->good, m_state->target); !closed)
        return closed;
    return complete(m_state->file, m_state->target, m_state->options, source);
}

}  // namespace amber
