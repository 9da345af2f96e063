#include "core/image/code_print.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/image/open_input.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <memory>
#include <optional>
#include <turbojpeg.h>

namespace amber {
namespace {

constexpr int kBlock = 32;

std::size_t bytesOf(CodeType type) { return type == CodeType::Byte ? 1 : type == CodeType::Word ? 2 : 4; }

OIIO::TypeDesc readAs(CodeType type)
{
    return type == CodeType::Byte   ? OIIO::TypeDesc::UINT8
           : type == CodeType::Word ? OIIO::TypeDesc::UINT16
                                    : OIIO::TypeDesc::FLOAT;
}

}  // namespace

CodePrint::CodePrint(int width, int height, int channels, CodeType type)
    : m_width(width), m_height(height), m_channels(channels), m_across((width + kBlock - 1) / kBlock), m_type(type),
      m_sums(static_cast<std::size_t>(m_across) * ((height + kBlock - 1) / kBlock) * channels),
      m_columns(type == CodeType::Float ? 0 : static_cast<std::size_t>(width) * channels),
      m_light(type == CodeType::Float ? static_cast<std::size_t>(width) * channels : 0)
{
}

template <class Code>
void CodePrint::add(const Code* codes)
{
    // Columns first: additions that lie side by side.
    const auto count = static_cast<std::size_t>(m_width) * m_channels;
    if constexpr (std::is_floating_point_v<Code>) {
        for (std::size_t i = 0; i < count; ++i)
            m_light[i] += static_cast<double>(codes[i]);
    } else {
        std::uint32_t* columns = m_columns.data();
        for (std::size_t i = 0; i < count; ++i)
            columns[i] += codes[i];
    }
    if (m_next % kBlock != kBlock - 1 && m_next != m_height - 1)
        return;
    double* row = m_sums.data() + static_cast<std::size_t>(m_next / kBlock) * m_across * m_channels;
    for (int x = 0; x < m_width; ++x)
        for (int c = 0; c < m_channels; ++c) {
            const auto at = static_cast<std::size_t>(x) * m_channels + c;
            row[x / kBlock * m_channels + c] += m_type == CodeType::Float ? m_light[at] : m_columns[at];
        }
    std::fill(m_columns.begin(), m_columns.end(), 0U);
    std::fill(m_light.begin(), m_light.end(), 0.0);
}

void CodePrint::take(const void* codes, int rows)
{
    const std::size_t bytes = bytesOf(m_type) * static_cast<std::size_t>(m_width) * m_channels;
    const char* at = static_cast<const char*>(codes);
    for (int i = 0; i < rows && m_next < m_height; ++i, ++m_next, at += bytes) {
        m_rows += contentHash({at, bytes});
        if (m_type == CodeType::Byte)
            add(reinterpret_cast<const std::uint8_t*>(at));
        else if (m_type == CodeType::Word)
            add(reinterpret_cast<const std::uint16_t*>(at));
        else
            add(reinterpret_cast<const float*>(at));
    }
}

void CodePrint::takeEighths(const std::uint8_t* codes)
{
    constexpr int kEighth = 8;
    const int across = (m_width + kEighth - 1) / kEighth, down = (m_height + kEighth - 1) / kEighth;
    for (int y = 0; y < down; ++y)
        for (int x = 0; x < across; ++x) {
            const double pixels = static_cast<double>(std::min(kEighth, m_width - x * kEighth)) *
                                  std::min(kEighth, m_height - y * kEighth);
            double* to =
                m_sums.data() +
                (static_cast<std::size_t>(y * kEighth / kBlock) * m_across + x * kEighth / kBlock) * m_channels;
            for (int c = 0; c < m_channels; ++c)
                to[c] += pixels * *codes++;
        }
    m_next = m_height;
}

double CodePrint::differenceFrom(const CodePrint& other, double edge) const
{
    if (m_width != other.m_width || m_height != other.m_height || m_channels != other.m_channels ||
        m_next != other.m_next)
        return std::numeric_limits<double>::infinity();
    double most = 0;
    for (std::size_t i = 0; i < m_sums.size(); ++i) {
        const int block = static_cast<int>(i / static_cast<std::size_t>(m_channels)), column = block % m_across,
                  row = block / m_across;
        const double pixels = static_cast<double>(std::min(kBlock, m_width - column * kBlock)) *
                              std::min(kBlock, m_height - row * kBlock);
        const bool reaches = edge > 0 && ((m_width % 8 != 0 && column == m_across - 1) ||
                                          (m_height % 8 != 0 && row == (m_height - 1) / kBlock));
        const double apart = std::abs(m_sums[i] - other.m_sums[i]) / pixels;
        most = std::max(most, reaches ? std::max(0.0, apart - edge) / 2 : apart);
    }
    return most;
}

namespace {

/// By an eighth of the picture. Nothing where the file is none that the decoder of these reads.
std::optional<double> jpegDifference(const CodePrint& written, const std::filesystem::path& file)
{
    constexpr std::size_t kLimit = std::size_t{1} << 31;
    constexpr double kEdge = 128;  // what a block of single lines, filled up with the last of them, can be off by
    const auto bytes = readWholeFile(file, kLimit);
    const std::unique_ptr<void, int (*)(void*)> decoder(tjInitDecompress(), &tjDestroy);
    if (!bytes || !decoder)
        return std::nullopt;
    const auto* data = reinterpret_cast<const unsigned char*>(bytes->data());
    int width = 0, height = 0, sampling = 0, space = 0;
    if (tjDecompressHeader3(decoder.get(), data, bytes->size(), &width, &height, &sampling, &space) != 0)
        return std::nullopt;
    if (width != written.width() || height != written.height())
        return std::numeric_limits<double>::infinity();
    const int across = (width + 7) / 8, down = (height + 7) / 8;
    std::vector<std::uint8_t> codes(static_cast<std::size_t>(across) * down * 3);
    if (tjDecompress2(decoder.get(), data, bytes->size(), codes.data(), across, 0, down, TJPF_RGB,
                      TJFLAG_STOPONWARNING) != 0)
        return std::nullopt;
    CodePrint read(width, height, 3, CodeType::Byte);
    read.takeEighths(codes.data());
    return written.differenceFrom(read, kEdge);
}

}  // namespace

Status holdAgainst(const CodePrint& written, const std::filesystem::path& file, const char* plugin, double bound)
{
    constexpr int kRows = 64;
    if (std::string_view(plugin) == "jpeg" && bound > 0 && written.channels() == 3) {
        const auto apart = jpegDifference(written, file);
        if (apart && *apart <= bound)
            return {};
        return fail(apart ? "what was written reads back as another picture" : "what was written cannot be read back",
                    file.string());
    }
    OIIO::ImageSpec spec, config;
    config["oiio:UnassociatedAlpha"] = 1;
    const auto input = openInput(plugin, file, spec, config);
    if (!input)
        return tl::make_unexpected(input.error());
    const CodeType type = spec.format == OIIO::TypeDesc::UINT8    ? CodeType::Byte
                          : spec.format == OIIO::TypeDesc::UINT16 ? CodeType::Word
                                                                  : CodeType::Float;
    const OIIO::TypeDesc asked = spec.format == readAs(type) && spec.channelformats.empty()
                                     ? OIIO::TypeDesc(OIIO::TypeDesc::UNKNOWN)
                                     : readAs(type);
    CodePrint read(spec.width, spec.height, spec.nchannels, type);
    std::vector<std::uint8_t> codes(bytesOf(type) * static_cast<std::size_t>(spec.width) * spec.nchannels * kRows);
    for (int y = 0; y < spec.height; y += kRows) {
        const int rows = std::min(kRows, spec.height - y);
        if (!(*input)->read_scanlines(0, 0, spec.y + y, spec.y + y + rows, 0, 0, spec.nchannels, asked, codes.data()) ||
            (*input)->has_error())
            return fail("what was written cannot be read back: " + (*input)->geterror(), file.string());
        read.take(codes.data(), rows);
    }
    const double apart = written.differenceFrom(read);
    if (bound > 0 ? apart <= bound : apart == 0 && written.equals(read))
        return {};
    return fail("what was written reads back as another picture", file.string());
}

double boundOfQuality(int quality)
{
    constexpr double kMean = 16, kSum = 3, kCut = 4;
    const int q = std::clamp(quality, 1, 100), scale = q < 50 ? 5000 / q : 200 - 2 * q;
    return kSum * std::clamp((16 * scale + 50) / 100, 1, 255) / kMean + kCut;
}

}  // namespace amber
