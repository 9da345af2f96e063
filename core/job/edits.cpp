#include "core/job/edits.h"

#include <algorithm>
#include <cmath>
#include <iterator>

namespace amber {
namespace {

std::vector<Region*> marksOf(Job& job, FrameId frame)
{
    std::vector<Region*> marks;
    for (KeyColour& key : job.keys)
        if (key.frame == frame)
            marks.push_back(&key.place);
    for (auto& [id, place] : job.keyPlaces)
        if (id.first == frame)
            marks.push_back(&place.place);
    if (job.frames.count(frame) > 0)
        for (Region& region : job.frames[frame].framing.leftOut)
            marks.push_back(&region);
    return marks;
}

void carryMarks(Job& job, FrameId frame, const FrameBalance& before, const FrameBalance& after, const RatioOf& ratioOf)
{
    const std::vector<Region*> marks = marksOf(job, frame);
    if ((before.geometry == after.geometry && before.optics == after.optics) || marks.empty())
        return;
    constexpr double kUsualRatio = 1.5;
    constexpr int kHeight = 20000;  // any size serves: fractions are carried
    const int width = static_cast<int>(std::lround(kHeight * ratioOf(frame).value_or(kUsualRatio)));
    const Placement from = before.placement(width, kHeight), to = after.placement(width, kHeight);
    for (Region* mark : marks)
        *mark = to.inPlaced(from.inSource(*mark));
}

}  // namespace

Job withMarks(Job job, FrameId frame, const std::function<Region(const Region&)>& place)
{
    for (Region* mark : marksOf(job, frame))
        *mark = place(*mark);
    return job;
}

Job withBalances(Job job, const std::map<FrameId, FrameBalance>& balances, const RatioOf& ratioOf)
{
    for (const auto& [id, balance] : balances) {
        carryMarks(job, id, job.frame(id).balance, balance, ratioOf);
        FrameState& state = job.frames[id];
        state.balance = balance;
        state.balanceFault.clear();
    }
    return job;
}

std::map<FrameId, FrameBalance> lightTogether(const std::map<FrameId, FrameBalance>& balances, FrameId inHand,
                                              LightPart part, double value, Together how,
                                              const std::function<AsShot(FrameId)>& asShotOf)
{
    std::map<FrameId, FrameBalance> changed;
    const auto own = balances.find(inHand);
    if (own == balances.end())
        return changed;
    const double shift = shiftOf(part, valueOf(own->second, part, asShotOf(inHand)), value);
    for (const auto& [id, balance] : balances) {
        if (id != inHand && isLocked(balance, part))
            continue;
        const AsShot asShot = asShotOf(id);
        const bool isMoved = how == Together::Shift && id != inHand;
        changed[id] =
            withValue(balance, part, isMoved ? shifted(part, valueOf(balance, part, asShot), shift) : value, asShot);
        // What goes with the frame in hand is not meant for each by itself: it is not locked there.
        if (id != inHand) {
            changed[id].exposureLocked = balance.exposureLocked, changed[id].whiteLocked = balance.whiteLocked;
            changed[id].endsLocked = balance.endsLocked;
        }
    }
    return changed;
}

Job withChosenExposure(Job job, const std::vector<FrameId>& bracket, FrameId chosen)
{
    for (const FrameId id : bracket)
        job.frames[id].isUnused = id != chosen;
    return job;
}

Job withFramesInLight(Job job, const std::vector<FrameId>& frames, int light, const std::string& newName)
{
    const auto isMoved = [&](FrameId f) { return std::find(frames.begin(), frames.end(), f) != frames.end(); };
    // A set of a light goes on with the frames that stay in it.
    for (FrameSet& set : job.sets)
        if (isMoved(set.ofLight) && job.lightOf(set.ofLight) != light)
            for (const FrameId stays : job.framesOf(set))
                if (!isMoved(stays)) {
                    set.ofLight = stays;
                    break;
                }
    for (std::size_t i = 0; i < job.lights.size(); ++i) {
        Light& from = job.lights[i];
        if (static_cast<int>(i) == light)
            continue;
        std::erase_if(from.frames, isMoved);
        if (isMoved(from.lead) && !from.frames.empty())
            from.lead = from.frames.front();
    }
    if (light < 0) {
        job.lights.push_back({newName, frames.front(), frames});
    } else {
        std::vector<FrameId>& to = job.lights[static_cast<std::size_t>(light)].frames;
        std::copy_if(frames.begin(), frames.end(), std::back_inserter(to),
                     [&](FrameId f) { return std::find(to.begin(), to.end(), f) == to.end(); });
    }
    std::erase_if(job.lights, [](const Light& l) { return l.frames.empty(); });
    return job;
}

std::vector<Light> withLooksOf(std::vector<Light> lights, const Job& before)
{
    for (Light& light : lights) {
        std::map<LookId, std::size_t> votes;
        for (const FrameId frame : light.frames)
            if (const int was = before.lightOf(frame); was >= 0)
                ++votes[before.lights[static_cast<std::size_t>(was)].look];
        const auto fewer = [](const auto& a, const auto& b) { return a.second < b.second; };
        if (const auto most = std::max_element(votes.begin(), votes.end(), fewer); most != votes.end())
            light.look = most->first;
    }
    return lights;
}

Job withLook(Job job, const std::vector<FrameId>& frames, LookId look)
{
    for (const FrameId frame : frames)
        job.frames[frame].look = look;
    return job;
}

Job withLightLook(Job job, int light, LookId look)
{
    Light& to = job.lights.at(static_cast<std::size_t>(light));
    to.look = look;
    return withLook(std::move(job), std::vector<FrameId>(to.frames), 0);
}

std::vector<FrameId> framesWithLook(const Job& job, const std::vector<Frame>& frames, LookId look, LookId forAll)
{
    std::vector<FrameId> all;
    for (const Frame& frame : frames)
        if (const LookId chosen = job.lookOf(frame.id); (chosen != 0 ? chosen : forAll) == look)
            all.push_back(frame.id);
    return all;
}

Job withSet(Job job, const std::string& name, const std::vector<FrameId>& frames)
{
    for (FrameSet& set : job.sets)
        if (set.name == name) {
            set = {name, frames, 0};
            return job;
        }
    job.sets.push_back({name, frames, 0});
    return job;
}

const FrameSet* setOfLight(const Job& job, int light)
{
    const auto found = std::find_if(job.sets.begin(), job.sets.end(), [&](const FrameSet& s) {
        return s.ofLight != 0 && light >= 0 && job.lightOf(s.ofLight) == light;
    });
    return found == job.sets.end() ? nullptr : &*found;
}

Job withSetOfLight(Job job, int light)
{
    if (setOfLight(job, light))
        return job;
    const Light& of = job.lights.at(static_cast<std::size_t>(light));
    std::string name = of.name;
    for (int i = 2; job.setOf(name); ++i)
        name = of.name + " " + std::to_string(i);
    job.sets.push_back({name, {}, of.lead});
    return job;
}

Job withoutSet(Job job, const std::string& name)
{
    std::erase_if(job.sets, [&](const FrameSet& s) { return s.name == name; });
    return job;
}

Job withMergedFrame(Job job, const std::vector<FrameId>& bracket, FrameId merged, const MergedAs& as)
{
    if (const int light = job.lightOf(bracket.front()); light >= 0)
        job.lights[static_cast<std::size_t>(light)].frames.push_back(merged);
    FrameState& state = job.frames[merged];
    state.mergedFrom = bracket;
    state.balance = job.frame(bracket.front()).balance;
    state.balance.geometry = {}, state.balance.ends = {};
    state.balance.response = as.responseName;
    state.balance.light.exposureStops = as.stopsUp;
    state.balance.because = "merged; shown as light as its reference";
    if (!as.responseName.empty() && as.responseName != "raw" && job.responses.count(as.responseName) == 0)
        job.responses[as.responseName] = as.response;
    return job;
}

Job withInBalance(Job job, const std::vector<FrameId>& frames, const std::string& role, Area::InBalance inBalance)
{
    for (const FrameId frame : frames)
        if (const auto area = job.areas.find({frame, role}); area != job.areas.end())
            area->second.inBalance = inBalance;
    return job;
}

Area::InBalance inBalanceOf(const Job& job, const std::string& role)
{
    std::optional<Area::InBalance> all;
    for (const auto& [id, area] : job.areas)
        if (id.second == role && area.state != Area::State::NotHere) {
            if (all && *all != area.inBalance)
                return Area::InBalance::Counts;
            all = area.inBalance;
        }
    return all.value_or(Area::InBalance::Counts);
}

Region cardInPlaced(const ShownCard& card, const FrameBalance& balance)
{
    constexpr int kHeight = 20000;
    const auto layers = InPicture::layers(balance);
    Region place = card.region;
    for (auto in = layers.rbegin(); in != layers.rend(); ++in)
        place = (*in)->placed(place);
    const double ratio = layers.empty() ? card.ratio : layers.front()->ratio();
    return balance.placement(static_cast<int>(std::lround(kHeight * ratio)), kHeight).inPlaced(place);
}

Framing countedFraming(const Job& job, const Frame& frame)
{
    Framing framing = job.frame(frame.id).framing;
    if (frame.card)
        framing.leftOut.push_back(cardInPlaced(*frame.card, job.frame(frame.id).balance));
    return framing;
}

bool showsCard(const Job& job, const Frame& frame, double ratio)
{
    if (!frame.card)
        return false;
    constexpr double kTrace = 0.02;
    FrameBalance balance = job.frame(frame.id).balance;
    if (ratio > 0)
        balance.geometry = croppedTo(balance.geometry, frame.card->ratio, ratio);
    const Region card = cardInPlaced(*frame.card, balance);
    const double width = std::min(card.right, 1.0) - std::max(card.left, 0.0),
                 height = std::min(card.bottom, 1.0) - std::max(card.top, 0.0);
    const double whole = (card.right - card.left) * (card.bottom - card.top);
    return width > 0 && height > 0 && whole > 0 && width * height > kTrace * whole;
}

}  // namespace amber
