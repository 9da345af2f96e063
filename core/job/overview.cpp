#include "core/job/overview.h"

#include <algorithm>
#include <array>
#include <ctime>

namespace amber {
namespace {

std::string lightName(std::size_t number, std::int64_t seconds)
{
    std::string name = "Light " + std::to_string(number);
    const std::time_t taken = static_cast<std::time_t>(seconds);
    std::tm t{};
    if (seconds <= 0 || !::gmtime_r(&taken, &t))
        return name;
    static constexpr std::array kMonths{"Jan", "Feb", "Mar", "Apr", "May", "Jun",
                                        "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"};
    const auto two = [](int n) { return std::string(n < 10 ? "0" : "").append(std::to_string(n)); };
    return name + ", " + std::to_string(t.tm_mday) + " " + kMonths[static_cast<std::size_t>(t.tm_mon)] + " " +
           two(t.tm_hour) + ":" + two(t.tm_min);
}

}  // namespace

std::vector<Light> proposedLights(const ReadFrames& read)
{
    std::vector<Light> lights;
    for (const LightGroup& group : lightGroups(read.facts)) {
        Light light;
        light.name = lightName(lights.size() + 1, read.facts[group.frames.front()].capture.seconds);
        light.lead = read.ids[group.lead];
        for (const std::size_t i : group.frames)
            light.frames.push_back(read.ids[i]);
        lights.push_back(std::move(light));
    }
    return lights;
}

std::vector<Light> withNewFrames(std::vector<Light> lights, const ReadFrames& read)
{
    std::map<FrameId, std::size_t> lightOf;
    for (std::size_t i = 0; i < lights.size(); ++i)
        for (const FrameId id : lights[i].frames)
            lightOf[id] = i;
    if (std::all_of(read.ids.begin(), read.ids.end(), [&](FrameId id) { return lightOf.count(id) > 0; }))
        return lights;
    for (const LightGroup& group : lightGroups(read.facts)) {
        std::vector<FrameId> fresh;
        std::map<std::size_t, int> known;
        for (const std::size_t i : group.frames)
            if (const auto light = lightOf.find(read.ids[i]); light != lightOf.end())
                ++known[light->second];
            else
                fresh.push_back(read.ids[i]);
        if (fresh.empty())
            continue;
        if (known.empty()) {
            lights.push_back({lightName(lights.size() + 1, 0), fresh.front(), fresh});
            continue;
        }
        const auto fewer = [](const auto& a, const auto& b) { return a.second < b.second; };
        auto& frames = lights[std::max_element(known.begin(), known.end(), fewer)->first].frames;
        frames.insert(frames.end(), fresh.begin(), fresh.end());
    }
    return lights;
}

std::vector<FrameBracket> bracketsOf(const ReadFrames& read)
{
    std::vector<FrameBracket> all;
    for (const Bracket& bracket : findBrackets(read.facts)) {
        all.push_back({{}, read.ids[bracket.proposed]});
        for (const std::size_t i : bracket.frames)
            all.back().frames.push_back(read.ids[i]);
    }
    return all;
}

std::map<FrameId, FrameId> duplicatesOf(const std::vector<Frame>& frames)
{
    std::map<std::string, FrameId> first;
    std::map<FrameId, FrameId> duplicates;
    for (const Frame& frame : frames)
        if (!frame.hash.empty() && !frame.isLost)
            if (const auto [known, isNew] = first.emplace(frame.hash, frame.id); !isNew)
                duplicates[frame.id] = known->second;
    return duplicates;
}

double difficultyOf(const FrameState& state, const FrameFacts* facts, bool isInBracket)
{
    constexpr double kNotSolved = 0.25, kBracket = 0.5, kClipping = 4;
    const double sure = state.balance.confidence;
    double weight = 1 + (sure > 0 ? 1 - sure : kNotSolved) + (isInBracket ? kBracket : 0);
    if (facts)
        weight += std::min(1.0, kClipping * (facts->clippedHigh + 0.5 * facts->clippedLow));
    return weight;
}

}  // namespace amber
