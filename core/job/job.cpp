#include "core/job/job.h"

#include <algorithm>

namespace amber {

AMBER_COPIES_OF(FrameState)
AMBER_COPIES_OF(Job)
AMBER_COPIES_OF(Desk)

const Frame* frameOf(const std::vector<Frame>& frames, FrameId id)
{
    const auto found = std::find_if(frames.begin(), frames.end(), [&](const Frame& f) { return f.id == id; });
    return found == frames.end() ? nullptr : &*found;
}

const FrameState& Job::frame(FrameId id) const
{
    static const FrameState untouched;
    const auto found = frames.find(id);
    return found == frames.end() ? untouched : found->second;
}

int Job::lightOf(FrameId frame) const
{
    const auto has = [&](const Light& light) {
        return std::find(light.frames.begin(), light.frames.end(), frame) != light.frames.end();
    };
    const auto found = std::find_if(lights.begin(), lights.end(), has);
    return found == lights.end() ? -1 : static_cast<int>(found - lights.begin());
}

FrameId Job::leadOf(FrameId frame) const
{
    const int light = lightOf(frame);
    return light < 0 ? 0 : lights[static_cast<std::size_t>(light)].lead;
}

LookId Job::lookOf(FrameId id) const
{
    if (const LookId own = frame(id).look; own != 0)
        return own;
    const int light = lightOf(id);
    return light < 0 ? 0 : lights[static_cast<std::size_t>(light)].look;
}

const CheckUse* Job::useOf(const std::string& name) const
{
    for (const CheckUse& use : uses)
        if (use.name == name)
            return &use;
    for (const CheckUse& use : checkUses())
        if (use.name == name)
            return &use;
    return nullptr;
}

const FrameSet* Job::setOf(const std::string& name) const
{
    const auto found = std::find_if(sets.begin(), sets.end(), [&](const FrameSet& s) { return s.name == name; });
    return found == sets.end() ? nullptr : &*found;
}

std::vector<FrameId> Job::framesOf(const FrameSet& set) const
{
    if (set.ofLight == 0)
        return set.frames;
    const int light = lightOf(set.ofLight);
    return light < 0 ? std::vector<FrameId>{} : lights[static_cast<std::size_t>(light)].frames;
}

PictureName Job::pictureName(FrameId frame) const
{
    PictureName name(std::to_string(frame));
    // Another look that was chosen on purpose runs whole.
    if (const auto& in = this->frame(frame).standIn; in && (lookOf(frame) == 0 || lookOf(frame) == in->look))
        name.inside = in->inside;
    for (const bool ofLights : {false, true})
        for (const FrameSet& set : sets)
            if ((set.ofLight != 0) == ofLights) {
                const bool isIn = ofLights ? lightOf(frame) >= 0 && lightOf(frame) == lightOf(set.ofLight)
                                           : std::find(set.frames.begin(), set.frames.end(), frame) != set.frames.end();
                if (isIn)
                    name.sets.push_back(set.name);
            }
    return name;
}

Response Job::responseOf(const FrameBalance& balance) const
{
    static const Response raw = baseRendering();
    if (balance.response == "raw")
        return raw;
    const auto found = responses.find(balance.response);
    return found == responses.end() ? Response{} : found->second;
}

std::string Job::responseNameOf(const FrameBalance& balance, bool isRaw, const std::string& camera) const
{
    if (!balance.response.empty())
        return balance.response;
    return isRaw ? "raw" : responses.count(camera) > 0 ? camera : std::string();
}

const KeyPlace* Job::confirmedPlace(FrameId frame, const std::string& key) const
{
    const auto found = keyPlaces.find({frame, key});
    return found != keyPlaces.end() && found->second.isConfirmed ? &found->second : nullptr;
}

const Area* Job::areaOf(FrameId frame, const std::string& role) const
{
    const auto found = areas.find({frame, role});
    return found == areas.end() ? nullptr : &found->second;
}

std::map<std::string, Area> Job::areasOf(FrameId frame) const
{
    std::map<std::string, Area> own;
    for (auto at = areas.lower_bound({frame, {}}); at != areas.end() && at->first.first == frame; ++at)
        own[at->first.second] = at->second;
    return own;
}

std::vector<PinId> Job::openPins(FrameId frame) const
{
    std::vector<PinId> open;
    for (const auto& [id, pin] : pins)
        if (pin.frame == frame && !pin.isDone)
            open.push_back(id);
    return open;
}

std::string Job::balanceFault(FrameId id) const
{
    const FrameState& state = frame(id);
    if (!state.balanceFault.empty())
        return state.balanceFault;
    const std::string& response = state.balance.response;
    const bool isKnown = response.empty() || response == "raw" || responses.count(response) > 0;
    return isKnown ? std::string() : "the response of its camera, " + response + ", is not in the job";
}

}  // namespace amber
