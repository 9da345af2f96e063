#include "core/base/own_files.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"

#include <algorithm>
#include <cctype>
#include <cstdlib>

namespace amber {
namespace fs = std::filesystem;
namespace {

fs::path userFolder(const char* variable, const char* usual)
{
    const char* base = std::getenv(variable);
    const char* home = std::getenv("HOME");
    return (base && *base ? fs::path(base) : fs::path(home ? home : "/tmp") / usual) / "jolly-amber";
}

}  // namespace

fs::path userConfigFolder() { return userFolder("XDG_CONFIG_HOME", ".config"); }

fs::path userDataFolder() { return userFolder("XDG_DATA_HOME", ".local/share"); }

fs::path ownFile(const fs::path& folder, const std::string& name)
{
    std::string slug;
    for (const char c : name.substr(0, 40))
        slug += std::isalnum(static_cast<unsigned char>(c)) ? c : '-';
    return folder / (slug + "-" + contentHash(name).substr(0, 8) + ".json");
}

std::vector<fs::path> ownFilesIn(const fs::path& folder)
{
    std::error_code error;
    std::vector<fs::path> files;
    for (const auto& entry : fs::directory_iterator(folder, error))
        if (entry.path().extension() == ".json" && !AtomicFile::isTemporaryName(entry.path()))
            files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    return files;
}

}  // namespace amber
