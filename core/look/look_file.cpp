#include "core/look/look_file.h"

#include <algorithm>
#include <cctype>
#include <fstream>
#include <string>

namespace amber {
namespace {

std::string endingOf(const std::filesystem::path& path)
{
    std::string ending = path.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return ending;
}

}  // namespace

bool hasLookEnding(const std::filesystem::path& path)
{
    const std::string ending = endingOf(path);
    return ending == kLookEnding || ending == ".json";
}

bool isLookFile(const std::filesystem::path& path)
{
    const std::string ending = endingOf(path);
    if (ending != ".json")
        return ending == kLookEnding;
    std::string begin(4096, '\0');
    std::ifstream file(path, std::ios::binary);
    file.read(begin.data(), static_cast<std::streamsize>(begin.size()));
    begin.resize(static_cast<std::size_t>(std::max<std::streamsize>(0, file.gcount())));
    return begin.find("\"jolly-amber-look\"") != std::string::npos;
}

}  // namespace amber
