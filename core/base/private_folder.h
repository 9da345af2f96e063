// A temporary folder that only this user can look into or write to; gone with the object.
#pragma once

#include <cstdlib>
#include <filesystem>
#include <optional>
#include <string>
#include <utility>

namespace amber {

class PrivateFolder {
public:
    /// Nothing when none can be made: the disk for temporary files is full or cannot be written.
    static std::optional<PrivateFolder> make()
    {
        std::error_code error;
        std::string name = (std::filesystem::temp_directory_path(error) / "amber-XXXXXX").string();
        if (error || !::mkdtemp(name.data()))
            return std::nullopt;
        return PrivateFolder(name);
    }
    ~PrivateFolder()
    {
        std::error_code ignored;
        if (!m_path.empty())
            std::filesystem::remove_all(m_path, ignored);
    }
    PrivateFolder(PrivateFolder&& other) noexcept : m_path(std::exchange(other.m_path, {})) {}
    PrivateFolder& operator=(PrivateFolder&&) = delete;
    const std::filesystem::path& path() const { return m_path; }

private:
    explicit PrivateFolder(std::filesystem::path path) : m_path(std::move(path)) {}
    std::filesystem::path m_path;
};

}  // namespace amber
