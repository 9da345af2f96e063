// What a picture's codes come to, kept while they are written, to hold the file against that was made of them (internal
// to core/image).
#pragma once

#include "core/base/result.h"

#include <cstdint>
#include <filesystem>
#include <string>
#include <vector>

namespace amber {

enum class CodeType { Byte, Word, Float };

/// Means of blocks of 32 by 32 pixels, and a hash of every row.
class CodePrint {
public:
    CodePrint(int width, int height, int channels, CodeType type);
    /// The next rows, in order, without gaps.
    void take(const void* codes, int rows);
    /// All of it at once, from a picture reduced to an eighth whose pixels are the means of blocks of 8 by 8, of which
    /// those at the right and lower edge reach beyond it. Says no rows.
    void takeEighths(const std::uint8_t* codes);
    /// Whether another print has the same rows.
    bool equals(const CodePrint& other) const { return m_rows == other.m_rows; }
    /// The most by which the means of a block differ from another's; a print of another shape differs without end.
    /// Where a block was taken from eighths that reach beyond the picture, what counts of a difference is what lies
    /// above `edge`, by half.
    double differenceFrom(const CodePrint& other, double edge = 0) const;
    int width() const { return m_width; }
    int height() const { return m_height; }
    int channels() const { return m_channels; }

private:
    template <class Code>
    void add(const Code* codes);
    int m_width, m_height, m_channels, m_across, m_next = 0;
    CodeType m_type;
    std::vector<double> m_sums;
    std::vector<std::uint32_t> m_columns;  ///< of the rows of blocks that are being taken: codes,
    std::vector<double> m_light;           ///< or floats
    std::string m_rows;
};

/// Reads the file with the reader called `plugin` (OpenImageIO's names) and holds it against the print: the same codes
/// (`bound` 0) or means of blocks no farther apart than `bound` codes. Of a JPEG file all is decoded that its means
/// need: every code word, of every block of 8 by 8 the first coefficient.
Status holdAgainst(const CodePrint& written, const std::filesystem::path& file, const char* plugin, double bound);

/// How far apart means of blocks may be for a quality of 1 to 100: what the coarsest rounding of a block's mean comes
/// to in the JPEG of that quality (ITU-T T.81, table K.1 scaled as the IJG's library does), through its colour
/// transform, and a few codes for what is cut off at black and white.
double boundOfQuality(int quality);

}  // namespace amber
