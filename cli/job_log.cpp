// amber job log, replay, route: what was done, done again, and what is to be done next.
#include "cli/job.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/log/log.h"
#include "core/log/replay.h"
#include "core/look/look_difference.h"
#include "core/route/route.h"

#include <cstdio>

namespace amber::cli {
namespace {

struct LogChoices {
    std::string job, look, frame, kind, words, out;
    bool withReason = false, takenBack = false;
};

struct ReplayChoices {
    std::string job, look, note = "replayed";
    std::vector<std::int64_t> entries;
    std::int64_t from = 0;
    bool isTry = false;
};

struct RouteChoices {
    std::string job, route, stage;
    std::vector<std::string> frames;
    bool isOpen = false;
};

Result<LookId> lookNamed(const JobStore& store, const std::string& name)
{
    std::string names;
    for (const LookEntry& entry : store.looks()) {
        if (entry.name == name)
            return entry.id;
        names += (names.empty() ? "" : ", ") + entry.name;
    }
    return fail("the job has no such look", name, names);
}

/// The filter that was asked for; an error names what is not there.
Result<LogFilter> filterOf(const LogChoices& o, const JobStore& store)
{
    LogFilter filter;
    filter.words = o.words, filter.withReason = o.withReason, filter.takenBack = o.takenBack;
    for (std::size_t i = 0; i < kLogKinds.size(); ++i)
        if (o.kind == kLogKinds[i])
            filter.kind = static_cast<LogKind>(i);
    if (!o.look.empty()) {
        const auto look = lookNamed(store, o.look);
        if (!look)
            return tl::make_unexpected(look.error());
        filter.look = *look;
    }
    if (!o.frame.empty()) {
        const auto frames = namedFrames(store.frames(), {o.frame});
        if (!frames)
            return tl::make_unexpected(frames.error());
        filter.frame = frames->front();
    }
    return filter;
}

Json entryJson(const LogEntry& entry, const LogNames& names)
{
    Json frames = Json::array();
    for (const FrameId frame : entry.frames)
        frames.push_back(names.frame(frame));
    return {{"gesture", entry.gesture}, {"made", entry.made}, {"what", entry.what},        {"reason", entry.reason},
            {"lines", entry.lines},     {"frames", frames},   {"takenBack", !entry.isDone}};
}

void runLog(const LogChoices& o, Session& session)
{
    auto store = openJob(o.job, false, session);
    if (!store)
        return;
    const auto filter = filterOf(o, *store);
    const auto source = logSource(*store);
    if (!filter || !source)
        return session.report(filter ? source.error() : filter.error());
    std::vector<LogEntry> shown;
    for (LogEntry& entry : logOf(*source))
        if (passes(entry, *filter))
            shown.push_back(std::move(entry));
    const std::string title = store->file().stem().string();
    if (!o.out.empty()) {
        const std::string ending = std::filesystem::path(o.out).extension().string();
        const Result<std::string> bytes = ending == ".pdf"   ? logToPdf(shown, title)
                                          : ending == ".csv" ? Result<std::string>(logToCsv(shown))
                                                             : Result<std::string>(logToText(shown, title));
        const Status saved = bytes ? saveFile(o.out, *bytes) : Status(tl::make_unexpected(bytes.error()));
        if (!saved)
            return session.report(saved.error());
        return session.json ? session.print({{"file", o.out}, {"entries", shown.size()}})
                            : (void)std::printf("%s, %zu entries\n", o.out.c_str(), shown.size());
    }
    if (!session.json) {
        std::cout << logToText(shown, title);
        return;
    }
    Json all = Json::array();
    for (const LogEntry& entry : shown)
        all.push_back(entryJson(entry, source->names));
    session.print(all);
}

void runReplay(const ReplayChoices& o, Session& session)
{
    auto store = openJob(o.job, !o.isTry, session);
    if (!store)
        return;
    const auto look = lookNamed(*store, o.look);
    if (!look)
        return session.report(look.error());
    std::vector<std::int64_t> entries = o.entries;
    if (entries.empty())
        for (const Gesture& gesture : store->journal().value_or(std::vector<Gesture>{}))
            entries.push_back(gesture.id);
    const auto made = replay(*store, *look, entries, o.from);
    if (!made)
        return session.report(made.error());
    const auto now = store->currentLook(*look);
    const DifferenceSummary d = now ? measuredDifference(*now, made->look) : DifferenceSummary{};
    const std::string hash = contentHash(lookToText(made->look, true));
    if (!o.isTry) {
        Status kept = store->commitLook(*look, made->look, "Replayed " + std::to_string(made->done) + " entries");
        if (kept)
            kept = store->pin(*look, o.note);
        if (!kept)
            return session.report(kept.error());
    }
    if (session.json)
        return session.print({{"done", made->done},
                              {"leftOut", made->leftOut},
                              {"hash", hash},
                              {"isAsNow", now && *now == made->look},
                              {"mean", d.mean},
                              {"maximum", d.maximum}});
    std::printf("%d entries; %s; %s\n", made->done, hash.c_str(),
                now && *now == made->look ? "the look as it is" : differenceText({{}, d, {}}).c_str());
    for (const std::string& line : made->leftOut)
        std::printf("left out: %s\n", line.c_str());
}

Result<Route> routeNamed(const std::string& name)
{
    const OwnRoutes own = ownRoutes();
    std::string names;
    for (const auto* routes : {&shippedRoutes(), &own.routes})
        for (const Route& route : *routes) {
            if (route.name == name)
                return route;
            names += (names.empty() ? "" : ", ") + route.name;
        }
    return fail("no route of this name", name, names);
}

/// Sets the route and ticks that were asked for.
Status changeRoute(const RouteChoices& o, JobStore& store)
{
    if (!o.route.empty()) {
        const auto route = routeNamed(o.route);
        if (!route)
            return tl::make_unexpected(route.error());
        Desk desk = store.desk();
        desk.route = routeToText(*route);
        if (const Status kept = store.setDesk(desk); !kept)
            return kept;
    }
    if (o.stage.empty())
        return {};
    const Route route = routeOf(store.desk());
    const auto stage =
        std::find_if(route.stages.begin(), route.stages.end(), [&](const RouteStage& s) { return s.id == o.stage; });
    if (stage == route.stages.end())
        return fail("the route has no such stage", o.stage, "one of those that amber job route lists");
    const auto frames = namedFrames(store.frames(), o.frames);
    if (!frames)
        return tl::make_unexpected(frames.error());
    const auto lookNow = [&](LookId id) -> std::optional<Look> {
        auto look = store.currentLook(id);
        return look ? std::optional(std::move(*look)) : std::nullopt;
    };
    const RouteFacts facts = routeFacts(store.job(), store.frames(), store.desk().look, lookNow);
    return store.commit(withTick(store.job(), *stage, *frames, !o.isOpen, facts),
                        stage->title + (o.isOpen ? " left open" : " ticked"));
}

void runRoute(const RouteChoices& o, Session& session)
{
    auto store = openJob(o.job, !o.route.empty() || !o.stage.empty(), session);
    if (!store)
        return;
    if (const Status changed = changeRoute(o, *store); !changed)
        return session.report(changed.error());
    const Route route = routeOf(store->desk());
    const LogNames names = namesOf(store->frames(), {});
    const RouteFacts facts =
        routeFacts(store->job(), store->frames(), store->desk().look, [&](LookId id) -> std::optional<Look> {
            auto look = store->currentLook(id);
            return look ? std::optional(std::move(*look)) : std::nullopt;
        });
    const auto next = nextThing(route, store->job(), store->desk().frame, facts);
    Json stages = Json::array();
    for (const RouteStage& stage : route.stages) {
        const StageProgress progress = progressOf(stage, store->job(), facts);
        stages.push_back({{"id", stage.id}, {"title", stage.title}, {"ticked", progress.ticked}, {"of", progress.of}});
        if (!session.json)
            std::printf("%-24s %d of %d\n", stage.title.c_str(), progress.ticked, progress.of);
    }
    const std::string frame = next && next->frame != 0 ? names.frame(next->frame) : std::string();
    const std::string title = next ? route.stages[static_cast<std::size_t>(next->stage)].title : std::string();
    if (session.json)
        return session.print({{"route", route.name}, {"stages", stages}, {"next", title}, {"frame", frame}});
    std::printf("%s\n", next ? ("next: " + title + (frame.empty() ? "" : " of " + frame)).c_str() : "all is done");
}

}  // namespace

void addJobLog(CLI::App& job, Session& session)
{
    const auto l = std::make_shared<LogChoices>();
    CLI::App* log =
        job.add_subcommand("log", "The journal as sentences: what was done, on what, from which value to which, why");
    log->add_option("job", l->job, "The job (.amberjob), or its folder")->required();
    log->add_option("--look", l->look, "Only of this look");
    log->add_option("--frame", l->frame, "Only of this frame, by name");
    log->add_option("--kind", l->kind, "Only of this kind")
        ->check(CLI::IsMember(std::vector<std::string>(kLogKinds.begin(), kLogKinds.end())));
    log->add_option("--find", l->words, "Only what has all these words");
    log->add_flag("--reasons", l->withReason, "Only what a reason was given for");
    log->add_flag("--taken-back", l->takenBack, "Also what was taken back");
    log->add_option("-o,--out", l->out, "Write it: .txt, .csv or .pdf");
    log->footer("Example: amber job log shoot.amberjob --kind looks --find chroma");
    log->callback([l, &session] { runLog(*l, session); });
    const auto r = std::make_shared<ReplayChoices>();
    CLI::App* again =
        job.add_subcommand("replay", "A new version of a look from entries of the log, done again one after another");
    again->add_option("job", r->job, "The job (.amberjob), or its folder")->required();
    again->add_option("--look", r->look, "The look, by name")->required();
    again->add_option("--entries", r->entries, "Gestures by number, as amber job log --json gives them; without, all")
        ->delimiter(',');
    again->add_option("--from", r->from,
                      "Begin with the look as it was before this gesture; else before the first of them");
    again->add_option("--note", r->note, "Under which the version is pinned")->capture_default_str();
    again->add_flag("--dry-run", r->isTry, "Only say what would come of it");
    again->footer("Example: amber job replay shoot.amberjob --look \"Long evening\" --entries 4,6,9 --dry-run");
    again->callback([r, &session] { runReplay(*r, session); });
    const auto w = std::make_shared<RouteChoices>();
    CLI::App* route = job.add_subcommand("route", "The stages of the work: how far each is, and what comes next");
    route->add_option("job", w->job, "The job (.amberjob), or its folder")->required();
    route->add_option("--use", w->route,
                      "Work by this route: light first, white first, colour last, or one of your own");
    route->add_option("--tick", w->stage, "Tick this stage by hand, on --frames or on all");
    route->add_option("--frames", w->frames, "Frames, by name")->delimiter(',');
    route->add_flag("--open", w->isOpen, "Leave it open instead");
    route->footer("Example: amber job route shoot.amberjob --use \"white first\"");
    route->callback([w, &session] { runRoute(*w, session); });
}

}  // namespace amber::cli
