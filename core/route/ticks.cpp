// What of a route is done.
#include "core/route/route.h"

#include <algorithm>

namespace amber {
namespace {

bool isAreasKnown(const Job& job, FrameId frame, const Look& look)
{
    for (const std::string& role : rolesInUse(look)) {
        const Area* area = job.areaOf(frame, role);
        if (!area || !area->counts())
            return false;
    }
    return true;
}

const Look* lookOn(const Job& job, FrameId frame, const RouteFacts& facts)
{
    const LookId chosen = job.lookOf(frame);
    const auto found = facts.looks.find(chosen != 0 ? chosen : facts.lookForAll);
    return found == facts.looks.end() ? nullptr : &found->second;
}

bool doesSomething(const Look& look)
{
    return std::any_of(look.steps.begin(), look.steps.end(), [](const Step& s) { return !isIdentity(s); });
}

bool isUpright(const FrameBalance& b) { return !b.geometry.isIdentity() || b.optics.moves() || b.optics.dims(); }

bool isFound(StageRule rule, const Job& job, FrameId frame, const RouteFacts& facts)
{
    const FrameState& state = job.frame(frame);
    const Balance& light = state.balance.light;
    const bool isSolved = !state.balance.because.empty();
    switch (rule) {
    case StageRule::Lights:
        return job.lightOf(frame) >= 0;
    case StageRule::Exposure:
        return isSolved || state.balance.exposureLocked || light.exposureStops != 0;
    case StageRule::White:
        return isSolved || state.balance.whiteLocked || light.kelvin != light.fromKelvin ||
               light.tint != light.fromTint;
    case StageRule::Upright:
        return isUpright(state.balance);
    case StageRule::Areas: {
        const Look* look = lookOn(job, frame, facts);
        return look && isAreasKnown(job, frame, *look);
    }
    case StageRule::Look: {
        const Look* look = lookOn(job, frame, facts);
        return look && doesSomething(*look);
    }
    case StageRule::Checked:
        return facts.openFindings &&
               std::find(facts.openFindings->begin(), facts.openFindings->end(), frame) == facts.openFindings->end();
    case StageRule::Pins:
        return job.openPins(frame).empty();
    case StageRule::Done:
        return state.isDone;
    default:
        return false;
    }
}

bool isFoundOfShoot(StageRule rule, const Job& job, const RouteFacts& facts)
{
    switch (rule) {
    case StageRule::Keys:
        return !job.keys.empty();
    case StageRule::HandedOver:
        return facts.wasHandedOver;
    case StageRule::Hand:
        return false;
    default:
        return !facts.frames.empty() && std::all_of(facts.frames.begin(), facts.frames.end(),
                                                    [&](FrameId frame) { return isFound(rule, job, frame, facts); });
    }
}

std::optional<bool> byHand(const Job& job, FrameId frame, const std::string& stage)
{
    const auto ticks = job.ticks.find(frame);
    if (ticks == job.ticks.end())
        return std::nullopt;
    const auto found = ticks->second.find(stage);
    return found == ticks->second.end() ? std::nullopt : std::optional(found->second);
}

}  // namespace

RouteFacts routeFacts(const Job& job, const std::vector<Frame>& frames, LookId lookForAll,
                      const std::function<std::optional<Look>(LookId)>& lookNow)
{
    RouteFacts facts;
    facts.lookForAll = lookForAll;
    for (const Frame& frame : frames)
        if (!frame.isLost && !job.frame(frame.id).isUnused)
            facts.frames.push_back(frame.id);
    for (const auto& [id, state] : job.looks)
        if (auto look = lookNow(id))
            facts.looks.emplace(id, std::move(*look));
    return facts;
}

Tick tickOf(const RouteStage& stage, const Job& job, FrameId frame, const RouteFacts& facts)
{
    const bool isOfShoot = stage.isOfShoot || frame == 0;
    if (const auto hand = byHand(job, isOfShoot ? 0 : frame, stage.id))
        return {*hand, true};
    if (stage.isOfShoot)
        return {isFoundOfShoot(stage.rule, job, facts), false};
    if (frame != 0 && byHand(job, 0, stage.id).value_or(false))
        return {true, true};
    if (frame != 0)
        return {isFound(stage.rule, job, frame, facts), false};
    const StageProgress progress = progressOf(stage, job, facts);
    return {progress.of > 0 && progress.ticked == progress.of, false};
}

Job withTick(Job job, const RouteStage& stage, const std::vector<FrameId>& frames, bool isOn, const RouteFacts& facts)
{
    for (const FrameId frame : stage.isOfShoot ? std::vector<FrameId>{0} : frames) {
        // Done is a tick of its own, which other places set as well.
        if (stage.rule == StageRule::Done && frame != 0) {
            job.frames[frame].isDone = isOn;
            continue;
        }
        const bool isFoundSo = (stage.isOfShoot || frame == 0 ? isFoundOfShoot(stage.rule, job, facts)
                                                              : isFound(stage.rule, job, frame, facts)) == isOn;
        if (isFoundSo)
            job.ticks[frame].erase(stage.id);
        else
            job.ticks[frame][stage.id] = isOn;
        if (job.ticks[frame].empty())
            job.ticks.erase(frame);
    }
    return job;
}

StageProgress progressOf(const RouteStage& stage, const Job& job, const RouteFacts& facts)
{
    if (stage.isOfShoot)
        return {tickOf(stage, job, 0, facts).isOn ? 1 : 0, 1};
    StageProgress progress{0, static_cast<int>(facts.frames.size())};
    for (const FrameId frame : facts.frames)
        progress.ticked += tickOf(stage, job, frame, facts).isOn;
    return progress;
}

std::optional<NextThing> nextThing(const Route& route, const Job& job, FrameId inHand, const RouteFacts& facts)
{
    const auto& frames = facts.frames;
    const auto here = std::find(frames.begin(), frames.end(), inHand);
    const std::size_t first = here == frames.end() ? 0 : static_cast<std::size_t>(here - frames.begin());
    for (std::size_t s = 0; s < route.stages.size(); ++s) {
        const RouteStage& stage = route.stages[s];
        if (stage.isOfShoot && !tickOf(stage, job, 0, facts).isOn)
            return NextThing{static_cast<int>(s), 0};
        for (std::size_t i = 0; i < frames.size() && !stage.isOfShoot; ++i)
            if (const FrameId frame = frames[(first + i) % frames.size()]; !tickOf(stage, job, frame, facts).isOn)
                return NextThing{static_cast<int>(s), frame};
    }
    return std::nullopt;
}

}  // namespace amber
