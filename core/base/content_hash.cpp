#include "core/base/content_hash.h"

#include "core/base/long_call.h"

#include <cstdio>
#include <filesystem>
#include <fstream>
#include <memory>
#include <vector>
#include <xxhash.h>

namespace amber {
namespace {

std::string hexadecimal(XXH128_hash_t hash)
{
    char text[33];
    std::snprintf(text, sizeof text, "%016llx%016llx", static_cast<unsigned long long>(hash.high64),
                  static_cast<unsigned long long>(hash.low64));
    return text;
}

}  // namespace

std::string contentHash(std::string_view bytes) { return hexadecimal(XXH3_128bits(bytes.data(), bytes.size())); }

Result<std::string> contentHashOfFile(const std::filesystem::path& path)
{
    // A look or a table that was just saved is read in a moment; a picture is not.
    constexpr std::uintmax_t kSmallBytes = std::uintmax_t{4} << 20;
    std::error_code error;
    if (const auto bytes = std::filesystem::file_size(path, error); !error && bytes > kSmallBytes)
        longCall("contentHashOfFile");
    std::ifstream in(path, std::ios::binary);
    if (!in)
        return fail("cannot be read", path.string());
    std::unique_ptr<XXH3_state_t, decltype(&XXH3_freeState)> state(XXH3_createState(), &XXH3_freeState);
    XXH3_128bits_reset(state.get());
    std::vector<char> block(1 << 20);
    while (in) {
        in.read(block.data(), static_cast<std::streamsize>(block.size()));
        XXH3_128bits_update(state.get(), block.data(), static_cast<std::size_t>(in.gcount()));
    }
    if (in.bad())
        return fail("cannot be read to its end", path.string());
    return hexadecimal(XXH3_128bits_digest(state.get()));
}

}  // namespace amber
