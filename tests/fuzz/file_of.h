// Bytes as a file, for readers that take files only.
#pragma once

#include <cstdio>
#include <filesystem>
#include <string>
#include <unistd.h>

namespace amber {

inline std::filesystem::path fileOf(const unsigned char* data, std::size_t size, const char* ending)
{
    const std::filesystem::path path =
        std::filesystem::temp_directory_path() / ("amber-fuzz-" + std::to_string(getpid()) + ending);
    std::FILE* file = std::fopen(path.c_str(), "wb");
    std::fwrite(data, 1, size, file);
    std::fclose(file);
    return path;
}

}  // namespace amber
