// What a picture's codes come to, kept while they are written, to hold the file against that was made of them (internal
// to core/image).
#pragma once

#include "core/base/result.h"

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
    /// Whether another print has the same rows.
    bool equals(const CodePrint& other) const { return m_rows == other.m_rows; }
    /// The most by which the means of a block differ from another's; a print of another shape differs without end.
    double differenceFrom(const CodePrint& other) const;

private:
    template <class Code>
    void add(const Code* codes);
    int m_width, m_height, m_channels, m_across, m_next = 0;
    CodeType m_type;
    std::vector<double> m_sums;
    std::string m_rows;
};

/// Reads the file with the reader called `plugin` (OpenImageIO's names) and holds it against the print: the same codes
/// (`bound` 0) or means of blocks no farther apart than `bound` codes.
Status holdAgainst(const CodePrint& written, const std::filesystem::path& file, const char* plugin, double bound);

/// How far apart means of blocks may be for a quality of 1 to 100: what the coarsest rounding of a block's mean comes
/// to in the JPEG of that quality (ITU-T T.81, table K.1 scaled as the IJG's library does), through its colour
/// transform, and a few codes for what is cut off at black and white.
double boundOfQuality(int quality);

}  // namespace amber
