// amber job check: what could be wrong, for a use.
#include "cli/job.h"

#include "core/base/number_text.h"
#include "core/handover/job_batch.h"
#include "core/job/shoot_work.h"
#include "core/proof/shoot_checker.h"

#include <algorithm>
#include <cstdio>

namespace amber::cli {
namespace {

struct Options {
    std::string job, use = "screen";
    std::vector<std::string> frames;
    bool all = false, cures = false;
};

using Cures = std::function<CureTried(const Finding&)>;

Json described(const Finding& finding, const std::string& frame, const Acceptance* accepted, const Cures& cures)
{
    const Region& place = finding.measured.place;
    Json told = {{"frame", frame},
                 {"check", finding.kind->id},
                 {"part", finding.measured.part},
                 {"value", finding.measured.value},
                 {"limit", finding.limit},
                 {"unit", finding.kind->unit},
                 {"words", finding.measured.words},
                 {"because", finding.kind->because},
                 {"step", finding.measured.step + 1},
                 {"place", {place.left, place.top, place.right, place.bottom}}};
    if (accepted)
        told["accepted"] = accepted->reason;
    if (!cures || accepted)
        return told;
    const CureTried tried = cures(finding);
    if (tried.cure)
        told["cure"] = {
            {"words", tried.cure->words}, {"after", tried.cure->after}, {"keysMoved", tried.cure->keysMoved}};
    else
        told["noCure"] = tried.why;
    return told;
}

void print(const Finding& f, const std::string& frame, const Acceptance* accepted, const Cures& cures)
{
    std::printf("%-26s %-18s %s (limit %s %s)\n", frame.c_str(), f.kind->id, f.measured.words.c_str(),
                fixedText(f.limit, f.kind->decimals).c_str(), f.kind->unit);
    if (accepted)
        std::printf("%-26s %-18s accepted: %s\n", "", "", accepted->reason.c_str());
    if (!cures || accepted)
        return;
    const CureTried tried = cures(f);
    std::printf("%-26s %-18s %s%s\n", "", "",
                tried.cure ? (tried.cure->words + ": " + fixedText(tried.cure->after, f.kind->decimals)).c_str()
                           : "no cure: ",
                tried.cure ? "" : tried.why.c_str());
}

void printAll(const CheckedShoot& shoot, const CheckUse& use, const std::vector<std::string>& names)
{
    for (std::size_t i = 0; i < shoot.frames.size(); ++i)
        for (const CheckKind* kind : checkKinds())
            if (const auto own = shoot.frames[i].measured.find(kind->id); own != shoot.frames[i].measured.end())
                for (const Measured& m : own->second)
                    std::printf("%-26s %-18s %-24s %10s of %s %s%s\n", names[i].c_str(), kind->id, m.part.c_str(),
                                fixedText(m.value, kind->decimals + 1).c_str(),
                                fixedText(m.limit.value_or(use.limitOf(*kind)), kind->decimals).c_str(), kind->unit,
                                m.value > m.limit.value_or(use.limitOf(*kind)) ? "  !" : "");
}

void say(const CheckedShoot& shoot, const CheckUse& use, bool isAll, const Cures& cures, const JobStore& store,
         Session& session)
{
    const std::vector<Frame>& frames = store.frames();
    const auto nameOfFrame = [&](FrameId id) {
        const Frame* frame = frameOf(frames, id);
        return frame ? nameOf(*frame) : std::to_string(id);
    };
    std::vector<std::string> names;
    for (const CheckedShoot::Frame& f : shoot.frames) {
        names.push_back(nameOfFrame(f.frame));
        if (!f.fault.empty())
            session.report(Error{f.fault, names.back(), {}, {}}, 1);
    }
    if (isAll && !session.json)
        printAll(shoot, use, names);
    const std::vector<Finding> findings = shoot.findings(use);
    Json list = Json::array();
    std::size_t open = 0;
    for (const Finding& f : findings) {
        const Acceptance* accepted = acceptanceOf(f, use.name, store.job().accepted);
        open += accepted ? 0 : 1;
        if (session.json)
            list.push_back(described(f, nameOfFrame(f.frame), accepted, cures));
        else if (!isAll)
            print(f, nameOfFrame(f.frame), accepted, cures);
    }
    if (open > 0)
        session.status = std::max(session.status, 1);
    if (session.json)
        session.print(
            {{"use", use.name}, {"frames", shoot.frames.size()}, {"open", open}, {"findings", std::move(list)}});
    else
        std::printf("%zu frames, %zu findings open for %s, %zu accepted\n", shoot.frames.size(), open, use.name.c_str(),
                    findings.size() - open);
}

void runCheck(const Options& o, Session& session)
{
    auto store = openJob(o.job, false, session);
    if (!store)
        return;
    const auto use = useNamed(store->job(), o.use);
    const auto look = lookInHand(*store);
    const auto wanted = namedFrames(store->frames(), o.frames);
    if (!use)
        return session.report(use.error());
    if (!look)
        return session.report(look.error());
    if (!wanted)
        return session.report(wanted.error());
    std::vector<ReadFrame> frames =
        framesToCheck(store->job(), store->frames(), [&](LookId id) { return store->currentLook(id); });
    std::erase_if(frames, [&](const ReadFrame& f) {
        return std::find(wanted->begin(), wanted->end(), f.frame) == wanted->end();
    });
    ShootChecker checker;
    const std::vector<KeyColour>& keys = store->job().keys;
    const Cures cures = [&](const Finding& f) { return checker.cure(f, frames, keys, *look, *use); };
    if (const auto shoot = checker.check(frames, keys, *look))
        say(*shoot, *use, o.all, o.cures ? cures : Cures(), *store, session);
}

}  // namespace

void addJobCheck(CLI::App& job, Session& session)
{
    const auto o = std::make_shared<Options>();
    CLI::App* check = job.add_subcommand("check", "What could be wrong with the frames as they will be handed over");
    check->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
    check->add_option("--for", o->use, "For what: screen, print, archive, or a use of the job's own")
        ->capture_default_str();
    check->add_option("--frames", o->frames, "Only these frames, by name")->delimiter(',');
    check->add_flag("--all", o->all, "Everything that was measured, not only what is past its limit");
    check->add_flag("--cures", o->cures, "A cure for each, tried on a copy and measured; or why there is none");
    check->footer("Exit status 1 when something stands open.\nExample: amber job check shoot.amberjob --for print");
    check->callback([o, &session] { runCheck(*o, session); });
}

}  // namespace amber::cli
