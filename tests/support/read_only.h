// A folder that this process cannot write to, as on a read-only medium.
#pragma once

#include <filesystem>
#include <sys/stat.h>
#include <unistd.h>

namespace amber::test {

/// While it lives. File modes stop nobody who is root: then the process goes on as nobody meanwhile, and may pass
/// through `outer`.
class ReadOnly {
public:
    ReadOnly(const std::filesystem::path& outer, const std::filesystem::path& folder) : m_folder(folder)
    {
        ::chmod(outer.c_str(), 0755);
        for (const auto& entry : std::filesystem::recursive_directory_iterator(folder))
            ::chmod(entry.path().c_str(), entry.is_directory() ? 0555 : 0444);
        ::chmod(folder.c_str(), 0555);
        if (::geteuid() == 0)
            m_wasRoot = ::seteuid(65534) == 0;
    }
    ~ReadOnly()
    {
        if (m_wasRoot)
            (void)!::seteuid(0);
        ::chmod(m_folder.c_str(), 0755);
        for (const auto& entry : std::filesystem::recursive_directory_iterator(m_folder))
            ::chmod(entry.path().c_str(), entry.is_directory() ? 0755 : 0644);
    }
    ReadOnly(const ReadOnly&) = delete;
    ReadOnly& operator=(const ReadOnly&) = delete;

private:
    std::filesystem::path m_folder;
    bool m_wasRoot = false;
};

}  // namespace amber::test
