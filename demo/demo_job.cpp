#include "demo/demo_job.h"

#include "core/area/area.h"
#include "core/base/atomic_file.h"
#include "core/base/json_text.h"
#include "core/image/read.h"
#include "core/job/job_store.h"
#include "core/look/look_json.h"

#include <algorithm>
#include <array>
#include <cstdlib>

namespace amber {
namespace fs = std::filesystem;
namespace {

std::vector<fs::path> sortedFiles(const fs::path& folder)
{
    std::vector<fs::path> files;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folder, error))
        if (entry.is_regular_file())
            files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    return files;
}

fs::path shippedFiles()
{
    std::error_code error;
    std::vector<fs::path> places;
    if (const char* chosen = std::getenv("JOLLY_AMBER_DEMO"))
        places.emplace_back(chosen);
    places.push_back(fs::read_symlink("/proc/self/exe", error).parent_path() / "../share/jolly-amber/demo");
    places.emplace_back(AMBER_DEMO_DIR);
    for (const fs::path& place : places)
        if (fs::is_directory(place / "frames", error))
            return place;
    return {};
}

Status copyInto(const std::vector<fs::path>& files, const fs::path& folder)
{
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return fail("the folder cannot be made: " + error.message(), folder.string());
    for (const fs::path& file : files)
        if (!fs::exists(folder / file.filename(), error))
            if (auto copied = copyFileAtomically(file, folder / file.filename()); !copied)
                return copied;
    return {};
}

/// The practice job: two frames of each light.
bool inSmallJob(const std::string& name)
{
    static const std::array small{"north-window-02", "north-window-06", "lamp-shelf-02",   "lamp-shelf-04",
                                  "yard-02",         "yard-08",         "dusk-terrace-02", "dusk-terrace-03"};
    return std::find(small.begin(), small.end(), name) != small.end();
}

/// The look to begin with.
Result<LookId> addLooks(JobStore& job, const fs::path& folder)
{
    std::int64_t first = 0;
    for (const fs::path& path : sortedFiles(folder)) {
        auto loaded = readLook(path);
        if (!loaded)
            return tl::make_unexpected(loaded.error());
        const auto id = job.addLook(loaded->look, {});
        if (!id)
            return tl::make_unexpected(id.error());
        if (first == 0 || path.stem() == "long-evening")
            first = *id;
    }
    return first;
}

/// A mask as it is shipped: 8-bit grey.
Result<FoundMask> readMask(const fs::path& path)
{
    const auto picture = readPicture(path);
    if (!picture)
        return tl::make_unexpected(picture.error());
    FoundMask mask{picture->image.width(), picture->image.height(), {}};
    for (int y = 0; y < mask.height; ++y)
        for (int x = 0; x < mask.width; ++x)
            mask.weights.push_back(picture->image.view().row(y)[3 * x] > 0.5f ? 255 : 0);
    return mask;
}

/// Where the roles of the looks lie, as somebody confirmed it: "role.frame.png"; and in which frames they are not.
Status addAreas(JobStore& job, const fs::path& folder)
{
    Job after = job.job();
    const auto idOf = [&](const std::string& stem) {
        for (const Frame& frame : job.frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return FrameId{0};
    };
    for (const fs::path& path : sortedFiles(folder)) {
        const std::string stem = path.stem().string(), role = stem.substr(0, stem.find('.'));
        const FrameId frame = idOf(stem.substr(stem.find('.') + 1));
        if (path.extension() != ".png" || !frame)
            continue;
        const auto mask = readMask(path);
        if (!mask)
            return tl::make_unexpected(mask.error());
        Area area;
        area.state = Area::State::Confirmed;
        area.parts.push_back({AreaPart::Join::Add, foundOf(*mask, "marked once, found again, looked at", 1), false, 1});
        after.areas[{frame, role}] = std::move(area);
    }
    constexpr std::size_t kMost = 1 << 20;
    const auto text = readWholeFile(folder / "not-here.json", kMost);
    if (!text)
        return tl::make_unexpected(text.error());
    const Json absent = Json::parse(*text, nullptr, false);
    if (!absent.is_object())
        return fail("the frames in which roles are not cannot be read", (folder / "not-here.json").string());
    for (const auto& [role, frames] : absent.items())
        for (const Json& name : frames)
            if (const FrameId frame = idOf(name.get<std::string>())) {
                Area area;
                area.state = Area::State::NotHere;
                after.areas[{frame, role}] = std::move(area);
            }
    return job.adopt(after);
}

/// One frame in hand, and one companion of every other kind of light.
Status layOut(JobStore& job, LookId look)
{
    const auto idOf = [&all = job.frames()](const char* name) {
        const auto found = std::find_if(all.begin(), all.end(), [&](const Frame& f) { return f.path.stem() == name; });
        return found == all.end() ? FrameId{0} : found->id;
    };
    Desk desk;
    desk.frame = idOf("north-window-02");
    desk.look = look;
    desk.companions.emplace();
    for (const char* name : {"lamp-shelf-02", "lamp-shelf-04", "yard-08", "dusk-terrace-02", "dusk-terrace-04"})
        if (const FrameId id = idOf(name))
            desk.companions->push_back(id);
    return job.setDesk(desk);
}

Status copyFiles(const fs::path& shipped, const std::vector<fs::path>& frames, const fs::path& folder, DemoSize size)
{
    if (auto copied = copyInto(frames, folder); !copied)
        return copied;
    for (const char* part : {"looks", "tables", "reference", "pair", "profiles", "card", "lenses", "raw"})
        if (size == DemoSize::Full || std::string_view(part) != "raw")
            if (auto copied = copyInto(sortedFiles(shipped / part), folder / part); !copied)
                return copied;
    return {};
}

}  // namespace

Result<fs::path> writeDemoJob(const fs::path& folder, DemoSize size)
{
    const fs::path shipped = shippedFiles();
    if (shipped.empty())
        return fail("the demo's files were not found; set JOLLY_AMBER_DEMO to their folder");
    auto frames = sortedFiles(shipped / "frames");
    if (size == DemoSize::Small)
        frames.erase(std::remove_if(frames.begin(), frames.end(),
                                    [](const fs::path& p) { return !inSmallJob(p.stem().string()); }),
                     frames.end());
    if (const Status copied = copyFiles(shipped, frames, folder, size); !copied)
        return tl::make_unexpected(copied.error());
    const fs::path file = JobStore::fileForFolder(folder);
    auto job = JobStore::open(file);
    if (!job)
        return tl::make_unexpected(job.error());
    if (!job->frames().empty())
        return file;
    std::vector<fs::path> copies;
    for (const fs::path& frame : frames)
        copies.push_back(folder / frame.filename());
    if (auto added = job->addFrames(copies); !added)
        return tl::make_unexpected(added.error());
    const auto look = addLooks(*job, folder / "looks");
    if (!look)
        return tl::make_unexpected(look.error());
    if (const Status marked = addAreas(*job, shipped / "areas"); !marked)
        return tl::make_unexpected(marked.error());
    if (const Status kept = layOut(*job, *look); !kept)
        return tl::make_unexpected(kept.error());
    return file;
}

}  // namespace amber
