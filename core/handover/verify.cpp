#include "core/handover/verify.h"

#include "core/base/content_hash.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/base/written_files.h"

#include <algorithm>
#include <atomic>
#include <set>

namespace amber {
namespace fs = std::filesystem;
namespace {

bool isList(const fs::path& file)
{
    return file.extension() == ".json" && file.filename().string().starts_with("manifest");
}

VerifiedFile verifiedFile(const fs::path& file, const WrittenFiles::File& listed)
{
    using Is = VerifiedFile::Is;
    std::error_code error;
    if (fs::symlink_status(file, error).type() == fs::file_type::not_found)
        return {file, Is::Missing, "is not there"};
    const auto bytes = fs::file_size(file, error);
    if (!error && bytes != listed.bytes)
        return {file, Is::Changed,
                "has " + std::to_string(bytes) + " bytes, was written with " + std::to_string(listed.bytes)};
    const auto hash = contentHashOfFile(file);
    if (!hash)
        return {file, Is::Unread, hash.error().what};
    return *hash == listed.hash ? VerifiedFile{file, Is::Whole, {}}
                                : VerifiedFile{file, Is::Changed, "is not what was written"};
}

/// Folders with lists, and all files that are none.
Status lookInto(const fs::path& folder, std::set<fs::path>& withLists, std::set<fs::path>& files)
{
    std::error_code error;
    for (auto at = fs::recursive_directory_iterator(folder, fs::directory_options::skip_permission_denied, error);
         !error && at != fs::recursive_directory_iterator(); at.increment(error)) {
        if (!at->is_regular_file(error))
            continue;
        if (isList(at->path()))
            withLists.insert(at->path().parent_path());
        else if (at->path().filename().string().front() != '.')
            files.insert(at->path());
    }
    return error ? fail("cannot be read: " + error.message(), folder.string()) : Status();
}

}  // namespace

int Verified::wrong() const
{
    return static_cast<int>(std::count_if(files.begin(), files.end(),
                                          [](const VerifiedFile& f) { return f.is != VerifiedFile::Is::Whole; }));
}

Result<Verified> verifyDelivery(const fs::path& folder, const std::function<void(int, int)>& progress,
                                const CancelToken& cancel)
{
    longCall("verifyDelivery");
    std::error_code error;
    if (!fs::is_directory(folder, error))
        return fail("no such folder", folder.string());
    std::set<fs::path> folders, present;
    if (const Status looked = lookInto(folder, folders, present); !looked)
        return tl::make_unexpected(looked.error());
    Verified verified;
    std::vector<std::pair<fs::path, WrittenFiles::File>> listed;
    for (const fs::path& own : folders) {
        const std::vector<WrittenFiles::File> files = WrittenFiles::listedIn(own);
        verified.lists += files.empty() ? 0 : 1;
        for (const WrittenFiles::File& file : files)
            listed.emplace_back(own / WrittenFiles::fileName(file.name).filename(), file);
    }
    if (verified.lists == 0)
        return fail("there is no manifest of a delivery here", folder.string());
    verified.files.resize(listed.size());
    std::atomic<int> done = 0;
    inParallel(listed.size(), [&](std::size_t i) {
        if (cancel.isCancelled())
            return;
        verified.files[i] = verifiedFile(listed[i].first, listed[i].second);
        if (progress)
            progress(++done, static_cast<int>(listed.size()));
    });
    if (cancel.isCancelled())
        return fail("cancelled", folder.string());
    for (const VerifiedFile& file : verified.files)
        present.erase(file.file);
    verified.others.assign(present.begin(), present.end());
    return verified;
}

}  // namespace amber
