// The best quality whose file does not pass a weight.
#pragma once

#include "core/image/write.h"

namespace amber {

struct PackedPicture {
    std::string bytes;
    int quality = 0;
    int packed = 0;  ///< how often the whole picture was packed
};

/// Packs codes (8 bits, three components, rows without gaps) so that the file has at most `limit` bytes, of which
/// `beside` are left for what is not the picture; at most options.quality. How size goes with quality is told by a
/// sixteenth of the picture (tiles spread over it), packed at a few qualities; the whole is then packed once or twice
/// more than once. Fails when the lowest quality is too heavy.
Result<PackedPicture> packWithin(int width, int height, const std::vector<std::uint8_t>& codes,
                                 const OutputOptions& options, std::size_t limit, std::size_t beside = 0);

}  // namespace amber
