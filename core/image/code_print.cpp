#include "core/image/code_print.h"

#include "core/base/content_hash.h"
#include "core/image/open_input.h"

#include <algorithm>
#include <cmath>
#include <limits>

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
      m_sums(static_cast<std::size_t>(m_across) * ((height + kBlock - 1) / kBlock) * channels)
{
}

template <class Code>
void CodePrint::add(const Code* codes)
{
    double* row = m_sums.data() + static_cast<std::size_t>(m_next / kBlock) * m_across * m_channels;
    for (int block = 0; block < m_across; ++block) {
        const int pixels = std::min(kBlock, m_width - block * kBlock);
        for (int x = 0; x < pixels; ++x)
            for (int c = 0; c < m_channels; ++c)
                row[block * m_channels + c] += static_cast<double>(*codes++);
    }
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

double CodePrint::differenceFrom(const CodePrint& other) const
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
        most = std::max(most, std::abs(m_sums[i] - other.m_sums[i]) / pixels);
    }
    return most;
}

Status holdAgainst(const CodePrint& written, const std::filesystem::path& file, const char* plugin, double bound)
{
    constexpr int kRows = 64;
    OIIO::ImageSpec spec, config;
    config["oiio:UnassociatedAlpha"] = 1;
    const auto input = openInput(plugin, file, spec, config);
    if (!input)
        return tl::make_unexpected(input.error());
    const CodeType type = spec.format == OIIO::TypeDesc::UINT8    ? CodeType::Byte
                          : spec.format == OIIO::TypeDesc::UINT16 ? CodeType::Word
                                                                  : CodeType::Float;
    CodePrint read(spec.width, spec.height, spec.nchannels, type);
    std::vector<std::uint8_t> codes(bytesOf(type) * static_cast<std::size_t>(spec.width) * spec.nchannels * kRows);
    for (int y = 0; y < spec.height; y += kRows) {
        const int rows = std::min(kRows, spec.height - y);
        if (!(*input)->read_scanlines(0, 0, spec.y + y, spec.y + y + rows, 0, 0, spec.nchannels, readAs(type),
                                      codes.data()) ||
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
