// amber job key, amber job look.
#include "cli/job.h"

#include "core/image/read.h"
#include "core/job/edits.h"
#include "core/job/shoot_work.h"

#include <algorithm>
#include <cstdio>

namespace amber::cli {
namespace {

struct KeyOptions {
    std::string job, name, frame, removed;
    std::vector<double> at, region, target;
    double tolerance = 3;
    bool isPlace = false;
};

struct LookOptions {
    std::string job, look, light;
    std::vector<std::string> frames;
};

constexpr int kMarkEdge = 1600;

void listKeys(const JobStore& store, Session& session)
{
    Json list = Json::array();
    for (const KeyColour& k : store.job().keys) {
        Json entry{{"name", k.name},
                   {"frame", k.frame},
                   {"place", {k.place.left, k.place.top, k.place.right, k.place.bottom}},
                   {"tolerance", k.tolerance}};
        if (k.target)
            entry["target"] = {k.target->l, k.target->a, k.target->b};
        list.push_back(std::move(entry));
        if (!session.json)
            std::printf("%-24s on frame %lld, within %.1f\n", k.name.c_str(), static_cast<long long>(k.frame),
                        k.tolerance);
    }
    if (session.json)
        session.print({{"keys", std::move(list)}});
}

/// Marks a key colour on a frame: its colour is read there, on the frame as its balance places it.
Result<KeyColour> markedKey(const KeyOptions& o, const Job& job, const Frame& frame)
{
    const auto picture = readReduced(frame.path, kMarkEdge, false);
    if (!picture)
        return tl::make_unexpected(picture.error());
    const FrameBalance& balance = job.frame(frame.id).balance;
    const Image stands = placed(Image(picture->image), balance.optics, balance.geometry);
    KeyColour key;
    key.name = o.name, key.frame = frame.id, key.tolerance = o.tolerance;
    key.place = o.region.empty() ? pointPlace(o.at[0], o.at[1], stands.width(), stands.height())
                                 : Region{o.region[0], o.region[1], o.region[2], o.region[3]};
    if (!(key.place.left < key.place.right) || !(key.place.top < key.place.bottom))
        return fail("a region has a left edge before its right one and a top above its bottom");
    key.marked = meanOf(stands.view(), key.place);
    if (!o.target.empty())
        key.target = Lab{o.target[0], o.target[1], o.target[2]};
    return key;
}

Result<Job> withKey(const KeyOptions& o, Job job, const std::vector<Frame>& frames)
{
    if (!o.removed.empty()) {
        const auto removed = std::erase_if(job.keys, [&](const KeyColour& k) { return k.name == o.removed; });
        return removed > 0 ? Result<Job>(job) : fail("the job has no such key colour", {}, {}, o.removed);
    }
    if (o.frame.empty())
        return fail("which frame? --frame is missing");
    const auto ids = namedFrames(frames, {o.frame});
    if (!ids)
        return tl::make_unexpected(ids.error());
    const Frame* frame = frameOf(frames, ids->front());
    if (o.at.empty() == o.region.empty())
        return fail("where is it? either --at or --region is needed");
    const auto key = markedKey(o, job, *frame);
    if (!key)
        return tl::make_unexpected(key.error());
    if (o.isPlace) {
        job.keyPlaces[{frame->id, o.name}] = {key->place, 1, true};
        return job;
    }
    std::erase_if(job.keys, [&](const KeyColour& k) { return k.name == o.name; });
    job.keys.push_back(*key);
    return job;
}

void runKey(const KeyOptions& o, Session& session)
{
    const bool changes = !o.name.empty() || !o.removed.empty();
    auto store = openJob(o.job, changes, session);
    if (!store)
        return;
    const std::vector<Frame>& frames = store->frames();
    if (changes) {
        const auto after = withKey(o, store->job(), frames);
        const char* what = !o.removed.empty() ? "Key colour taken off"
                           : o.isPlace        ? "Place confirmed"
                                              : "Key colour marked";
        const Status done = after ? store->commit(*after, what) : tl::make_unexpected(after.error());
        if (!done)
            return session.report(done.error());
    }
    listKeys(*store, session);
}

/// The frames a look is meant for: those named, or those of a light.
Result<std::vector<FrameId>> framesFor(const LookOptions& o, const Job& job, const std::vector<Frame>& frames)
{
    if (!o.frames.empty())
        return namedFrames(frames, o.frames);
    for (const Light& light : job.lights)
        if (light.name == o.light)
            return light.frames;
    return fail("the job has no such light", {}, {}, o.light);
}

void runLook(const LookOptions& o, Session& session)
{
    auto store = openJob(o.job, true, session);
    const auto look = store ? session.look(o.look) : fail("no job");
    if (!store || !look)
        return;
    std::vector<FrameId> wanted;
    if (!o.light.empty() || !o.frames.empty()) {
        const auto found = framesFor(o, store->job(), store->frames());
        if (!found)
            return session.report(found.error());
        wanted = *found;
    }
    const auto id = store->addLook(*look, "Look brought in");
    if (!id)
        return session.report(id.error());
    Status done;
    if (wanted.empty()) {
        Desk desk = store->desk();
        desk.look = *id;
        done = store->setDesk(desk);
    } else {
        Job after = store->job();
        // Of a light: of all its frames, also of those that come later.
        const auto light =
            std::find_if(after.lights.begin(), after.lights.end(), [&](const Light& l) { return l.name == o.light; });
        after = o.frames.empty() && light != after.lights.end()
                    ? withLightLook(after, static_cast<int>(light - after.lights.begin()), *id)
                    : withLook(after, wanted, *id);
        done = store->commit(after, "Look given to " + std::to_string(wanted.size()) + " frames");
    }
    if (!done)
        return session.report(done.error());
    if (session.json)
        session.print({{"look", look->name}, {"id", *id}, {"frames", wanted}});
    else
        std::printf("%s: %s\n", look->name.c_str(),
                    wanted.empty() ? "in hand, on all frames that have none of their own"
                                   : ("on " + std::to_string(wanted.size()) + " frames").c_str());
}

}  // namespace

void addJobLook(CLI::App& job, Session& session)
{
    const auto k = std::make_shared<KeyOptions>();
    CLI::App* key = job.add_subcommand("key", "The key colours of a job: see them, mark them, confirm where they lie");
    key->add_option("job", k->job, "The job (.amberjob), or its folder")->required();
    key->add_option("name", k->name, "The key colour to mark; one of the same name goes");
    key->add_option("--frame", k->frame, "The frame it is marked on");
    key->add_option("--at", k->at, "X,Y as fractions of the frame as it stands")->delimiter(',')->expected(2);
    key->add_option("--region", k->region, "LEFT,TOP,RIGHT,BOTTOM as fractions")->delimiter(',')->expected(4);
    key->add_option("--target", k->target, "L*,a*,b* it should have; without: what it is when marked")
        ->delimiter(',')
        ->expected(3);
    key->add_option("--tolerance", k->tolerance, "CIEDE2000")->check(CLI::Range(0.1, 50.0))->capture_default_str();
    key->add_flag("--place", k->isPlace, "Not marked: confirmed to lie there on this frame");
    key->add_option("--remove", k->removed, "Take this one off the list");
    key->footer("Example: amber job key shoot.amberjob glaze --frame north-window-02 --at 0.62,0.55");
    key->callback([k, &session] { runKey(*k, session); });
    const auto l = std::make_shared<LookOptions>();
    CLI::App* look = job.add_subcommand("look", "Bring a look into a job: in hand, or for some frames");
    look->add_option("job", l->job, "The job (.amberjob), or its folder")->required();
    look->add_option("look", l->look, "The look (.json)")->required();
    auto* light = look->add_option("--light", l->light, "For the frames of this light");
    look->add_option("--frames", l->frames, "For these frames, by name")->delimiter(',')->excludes(light);
    look->footer("Example: amber job look shoot.amberjob D/looks/long-evening.json");
    look->callback([l, &session] { runLook(*l, session); });
}

}  // namespace amber::cli
