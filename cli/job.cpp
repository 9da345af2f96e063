// amber job: a whole shoot, as the window keeps it.
#include "cli/job.h"

#include "core/job/edits.h"
#include "core/job/open_shoot.h"
#include "core/job/shoot_work.h"

#include <algorithm>
#include <csignal>
#include <cstdio>
#include <unistd.h>

namespace amber::cli {
namespace fs = std::filesystem;
namespace {

struct Options {
    std::string job, name, lead;
    std::vector<std::string> pictures, frames;
    bool propose = false;
};

void listFrames(JobStore& store, Session& session)
{
    Json list = Json::array();
    for (const Frame& frame : store.frames()) {
        const FrameState& state = store.job().frame(frame.id);
        const int light = store.job().lightOf(frame.id);
        const std::string lightName = light < 0 ? "" : store.job().lights[static_cast<std::size_t>(light)].name;
        const std::string fault = frame.isLost ? "it is not where it was" : frame.fault;
        list.push_back({{"id", frame.id},
                        {"name", nameOf(frame)},
                        {"path", frame.path.string()},
                        {"light", lightName},
                        {"rating", state.rating},
                        {"done", state.isDone},
                        {"unused", state.isUnused},
                        {"fault", fault}});
        if (!session.json)
            std::printf("%4lld  %-28s %-24s %s%s\n", static_cast<long long>(frame.id), nameOf(frame).c_str(),
                        lightName.c_str(), std::string(static_cast<std::size_t>(state.rating), '*').c_str(),
                        fault.empty() ? "" : (" " + fault).c_str());
    }
    if (session.json)
        session.print({{"job", store.file().string()}, {"frames", std::move(list)}});
}

void addPictures(JobStore& store, const std::vector<std::string>& pictures, Session& session)
{
    const auto paths = picturesAmong({pictures.begin(), pictures.end()});
    if (!paths)
        return session.report(paths.error());
    if (const Status added = store.addFrames(*paths); !added)
        return session.report(added.error());
    listFrames(store, session);
}

void makeJob(const Options& o, Session& session)
{
    if (fs::exists(o.job))
        return session.report(Error{"there is a file of this name already", o.job, {}, {}});
    if (fs::path(o.job).extension() != ".amberjob")
        return session.report(Error{"the name of a job ends with .amberjob", o.job, {}, {}});
    const auto paths = picturesAmong({o.pictures.begin(), o.pictures.end()});
    if (!paths)
        return session.report(paths.error());
    auto store = JobStore::open(o.job);
    if (!store)
        return session.report(store.error());
    if (const auto taken = takeIn(*store, *paths, "New look"); !taken)
        return session.report(taken.error());
    listFrames(*store, session);
}

void listLights(const JobStore& store, const std::vector<Frame>& frames, Session& session)
{
    const auto name = [&](FrameId id) {
        const Frame* frame = frameOf(frames, id);
        return frame ? nameOf(*frame) : std::to_string(id);
    };
    Json list = Json::array();
    for (const Light& light : store.job().lights) {
        Json names = Json::array();
        for (const FrameId id : light.frames)
            names.push_back(name(id));
        if (!session.json)
            std::printf("%s: %zu frames, lead %s\n", light.name.c_str(), light.frames.size(), name(light.lead).c_str());
        list.push_back({{"name", light.name}, {"lead", name(light.lead)}, {"frames", std::move(names)}});
    }
    if (session.json)
        session.print({{"lights", std::move(list)}});
}

/// Frames to a light of this name, which is made when there is none.
Result<Job> movedTo(const Job& job, const std::vector<FrameId>& frames, const std::string& name)
{
    const auto isIt = [&](const Light& light) { return light.name == name; };
    const auto found = std::find_if(job.lights.begin(), job.lights.end(), isIt);
    const int light = found == job.lights.end() ? -1 : static_cast<int>(found - job.lights.begin());
    return withFramesInLight(job, frames, light, name);
}

Result<Job> withLead(Job job, FrameId frame)
{
    const int light = job.lightOf(frame);
    if (light < 0)
        return fail("the frame is in no light");
    job.lights[static_cast<std::size_t>(light)].lead = frame;
    return job;
}

void runLight(const Options& o, Session& session)
{
    const bool changes = o.propose || !o.name.empty() || !o.lead.empty();
    auto store = openJob(o.job, changes, session);
    if (!store)
        return;
    const std::vector<Frame>& frames = store->frames();
    Status done;
    if (o.propose) {
        Job after = store->job();
        after.lights = proposedLights(readAllFacts(frames, session));
        done = store->commit(after, "Lights told apart anew");
    }
    if (done && !o.name.empty()) {
        const auto ids = o.frames.empty() ? fail("which frames? --frames is missing") : namedFrames(frames, o.frames);
        const auto after = ids ? movedTo(store->job(), *ids, o.name) : tl::make_unexpected(ids.error());
        done = after ? store->commit(*after, "Frames moved to another light") : tl::make_unexpected(after.error());
    }
    if (done && !o.lead.empty()) {
        const auto ids = namedFrames(frames, {o.lead});
        const auto after = ids ? withLead(store->job(), ids->front()) : tl::make_unexpected(ids.error());
        done = after ? store->commit(*after, "Lead of a light chosen") : tl::make_unexpected(after.error());
    }
    if (!done)
        return session.report(done.error());
    listLights(*store, frames, session);
}

}  // namespace

Result<Look> lookInHand(const JobStore& store)
{
    const Job& job = store.job();
    if (job.looks.empty())
        return fail("the job has no look", store.file().string());
    const LookId look = store.desk().look;
    return store.currentLook(job.looks.count(look) > 0 ? look : job.looks.begin()->first);
}

Result<CheckUse> useNamed(const Job& job, const std::string& name)
{
    if (const CheckUse* use = job.useOf(name))
        return *use;
    std::string known = "screen, print, archive";
    for (const CheckUse& own : job.uses)
        known += ", " + own.name;
    return fail("no use of this name; there are " + known, {}, {}, name);
}

CancelToken& interrupt()
{
    static CancelToken token;
    return token;
}

std::function<void(int, int)> progressOnTerminal(const char* what)
{
    std::signal(SIGINT, [](int) { interrupt().cancel(); });
    const bool isTerminal = ::isatty(STDERR_FILENO) != 0;
    return [isTerminal, what](int done, int total) {
        if (isTerminal)
            std::cerr << "\r" << what << " " << done << " of " << total << "\033[K" << (done == total ? "\n" : "");
    };
}

std::optional<JobStore> openJob(const std::string& file, bool toChange, Session& session)
{
    std::error_code error;
    const fs::path path = fs::is_directory(file, error) ? JobStore::fileForFolder(file) : fs::path(file);
    if (!fs::exists(path, error)) {
        session.report(Error{"no such job", path.string(), {}, {}});
        return std::nullopt;
    }
    auto store = JobStore::open(path);
    if (!store) {
        session.report(store.error());
        return std::nullopt;
    }
    if (toChange && store->isReadOnly()) {
        session.report(Error{store->notKept() == JobStore::NotKept::OpenElsewhere
                                 ? "the job is open in another program, and nothing would be kept"
                                 : "the job lies where nothing can be written",
                             path.string(),
                             {},
                             {}});
        return std::nullopt;
    }
    for (const Unreadable& u : store->unreadable())
        std::cerr << "amber: " << path.string() << ": " << u.part << (u.subject.empty() ? "" : " of frame " + u.subject)
                  << " cannot be read, and is left as it is\n";
    return std::move(*store);
}

Result<std::vector<FrameId>> namedFrames(const std::vector<Frame>& frames, const std::vector<std::string>& names)
{
    std::vector<FrameId> ids;
    for (const Frame& frame : frames)
        if (names.empty())
            ids.push_back(frame.id);
    for (const std::string& name : names) {
        const auto isIt = [&](const Frame& f) {
            return nameOf(f) == name || f.path.filename() == name || std::to_string(f.id) == name;
        };
        const auto found = std::find_if(frames.begin(), frames.end(), isIt);
        if (found == frames.end())
            return fail("the job has no such frame", {}, {}, name);
        ids.push_back(found->id);
    }
    return ids;
}

ReadFrames readAllFacts(const std::vector<Frame>& frames, Session& session)
{
    ReadFrames read;
    for (const Frame& frame : frames) {
        const auto facts = frame.isLost ? fail("it is not where it was", frame.path.string()) : readFacts(frame.path);
        if (!facts) {
            session.report(facts.error(), 1);
            continue;
        }
        read.ids.push_back(frame.id);
        read.facts.push_back(*facts);
    }
    return read;
}

void addJobFrames(CLI::App& job, Session& session)
{
    const auto o = std::make_shared<Options>();
    const auto sub = [&](const char* name, const char* words) {
        CLI::App* command = job.add_subcommand(name, words);
        command->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
        return command;
    };
    CLI::App* fresh = sub("new", "Make a job of pictures, and of the pictures in folders");
    fresh->add_option("pictures", o->pictures, "Pictures and folders")->required();
    fresh->footer("Example: amber demo --dir D && amber job new /tmp/shoot.amberjob D");
    fresh->callback([o, &session] { makeJob(*o, session); });
    CLI::App* add = sub("add", "Bring further pictures into a job, where they lie; known ones are passed over");
    add->add_option("pictures", o->pictures, "Pictures and folders")->required();
    add->footer("Example: amber job add shoot.amberjob D/raw");
    add->callback([o, &session] {
        if (auto store = openJob(o->job, true, session))
            addPictures(*store, o->pictures, session);
    });
    CLI::App* list = sub("list", "The frames of a job");
    list->footer("Example: amber job list shoot.amberjob --json");
    list->callback([o, &session] {
        if (auto store = openJob(o->job, false, session))
            listFrames(*store, session);
    });
    CLI::App* light = sub("light", "The light groups of a job: see them, tell them apart, arrange them");
    light->add_flag("--propose", o->propose, "Tell them apart anew, by time, exposure, camera and light");
    light->add_option("--to", o->name, "Move --frames to the light of this name; it is made when there is none");
    light->add_option("--frames", o->frames, "Frames, by name")->delimiter(',');
    light->add_option("--lead", o->lead, "The frame that stands for its light");
    light->footer("Example: amber job light shoot.amberjob --propose");
    light->callback([o, &session] { runLight(*o, session); });
}

void addJob(CLI::App& app, Session& session)
{
    CLI::App* job = app.add_subcommand("job", "A whole shoot: frames, lights, key colours, balances, looks, delivery");
    job->require_subcommand(1);
    addJobFrames(*job, session);
    addJobLook(*job, session);
    addJobArea(*job, session);
    addJobWork(*job, session);
    addJobHandover(*job, session);
    addJobRetouch(*job, session);
    addJobCheck(*job, session);
    addJobReport(*job, session);
    addJobLog(*job, session);
}

}  // namespace amber::cli
