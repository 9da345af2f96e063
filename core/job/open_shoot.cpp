#include "core/job/open_shoot.h"

#include "core/base/long_call.h"
#include "core/job/bring_in.h"
#include "core/job/find_frames.h"

#include <algorithm>

namespace amber {
namespace fs = std::filesystem;
namespace {

/// Fails for what is not there or cannot be looked at.
Result<bool> isFolder(const fs::path& path)
{
    std::error_code error;
    const fs::file_status kind = fs::status(path, error);
    if (fs::exists(kind))
        return fs::is_directory(kind);
    return kind.type() == fs::file_type::not_found ? fail("no such file or folder", path.string())
                                                   : fail("cannot be opened: " + error.message(), path.string());
}

/// Takes out of `pictures` those that may be lost frames of the job.
std::vector<fs::path> holdBack(std::vector<fs::path>& pictures, const std::vector<Frame>& frames)
{
    const auto isHeld = [&](const fs::path& picture) {
        const auto isIt = [&](const Frame& f) { return f.path == picture; };
        const auto mayBeIt = [&](const Frame& f) { return mayBe(f, picture); };
        return std::none_of(frames.begin(), frames.end(), isIt) && std::any_of(frames.begin(), frames.end(), mayBeIt);
    };
    const auto held = std::stable_partition(pictures.begin(), pictures.end(), std::not_fn(isHeld));
    std::vector<fs::path> all(held, pictures.end());
    pictures.erase(held, pictures.end());
    return all;
}

}  // namespace

Result<std::vector<fs::path>> picturesAmong(const std::vector<fs::path>& paths)
{
    std::vector<fs::path> all;
    for (const fs::path& path : paths) {
        const fs::path absolute = fs::absolute(path).lexically_normal();
        const auto folder = isFolder(path);
        if (!folder)
            return tl::make_unexpected(folder.error());
        if (!*folder) {
            all.push_back(absolute);
            continue;
        }
        const auto inside = picturesIn(absolute, pictureEndings());
        if (!inside)
            return tl::make_unexpected(inside.error());
        all.insert(all.end(), inside->begin(), inside->end());
    }
    return all;
}

Result<std::vector<fs::path>> takeIn(JobStore& store, std::vector<fs::path> pictures,
                                     const std::string& nameOfFirstLook)
{
    std::vector<fs::path> held = holdBack(pictures, store.frames());
    if (auto added = store.addFrames(pictures); !added)
        return tl::make_unexpected(added.error());
    if (store.job().looks.empty()) {
        Look look;
        look.name = nameOfFirstLook;
        if (const auto added = store.addLook(look); !added)
            return tl::make_unexpected(added.error());
    }
    return held;
}

namespace {

/// What these paths mean, without opening anything.
Result<OpenedShoot> meantBy(const std::vector<fs::path>& paths)
{
    if (paths.empty())
        return fail("nothing to open");
    const fs::path first = (fs::absolute(paths.front()) / "").lexically_normal().parent_path();
    const auto folder = isFolder(first);
    if (!folder)
        return tl::make_unexpected(folder.error());
    OpenedShoot shoot;
    shoot.folder = *folder ? first : first.parent_path();
    if (!*folder && first.extension() == ".amberjob") {
        shoot.file = first;
        return shoot;
    }
    auto pictures = picturesAmong(paths);
    if (!pictures)
        return tl::make_unexpected(pictures.error());
    shoot.pictures = std::move(*pictures);
    shoot.jobsInFolder = JobStore::jobsInFolder(shoot.folder).size();
    shoot.file = JobStore::fileForFolder(shoot.folder);
    shoot.liesElsewhere = shoot.jobsInFolder == 0 && shoot.file.parent_path() != shoot.folder;
    std::error_code error;
    if (shoot.pictures.empty() && !fs::exists(shoot.file, error))
        return fail("no pictures in this folder (JPEG, PNG, TIFF, WebP or raw)", first.string());
    return shoot;
}

}  // namespace

Result<OpenedShoot> openShoot(const std::vector<fs::path>& paths, const OpenAlready& openAlready,
                              const std::string& nameOfFirstLook)
{
    longCall("openShoot");
    auto shoot = meantBy(paths);
    if (!shoot)
        return shoot;
    std::error_code error;
    if (shoot->file == openAlready.file) {
        for (const Frame& frame : openAlready.frames)
            if (!frame.isLost && !fs::exists(frame.path, error))
                shoot->gone.push_back(frame.id);
        return shoot;
    }
    auto opened = JobStore::open(shoot->file);
    if (!opened)
        return tl::make_unexpected(opened.error());
    shoot->store.emplace(std::move(*opened));
    auto held = takeIn(*shoot->store, std::exchange(shoot->pictures, {}), nameOfFirstLook);
    if (!held)
        return tl::make_unexpected(held.error());
    shoot->heldBack = std::move(*held);
    return shoot;
}

}  // namespace amber
