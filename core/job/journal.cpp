#include "core/job/journal.h"

#include "core/base/json_text.h"
#include "core/job/kept_texts.h"

#include <array>
#include <set>

namespace amber {
namespace {

using Part = Change::Part;

constexpr std::array<std::pair<Part, const char*>, 19> kNames{{{Part::Balance, "balance"},
                                                               {Part::Framing, "framing"},
                                                               {Part::Rating, "rating"},
                                                               {Part::Done, "done"},
                                                               {Part::Unused, "unused"},
                                                               {Part::MergedFrom, "merged-from"},
                                                               {Part::FrameLook, "look-of-frame"},
                                                               {Part::Lights, "lights"},
                                                               {Part::Sets, "sets"},
                                                               {Part::KeyColours, "key-colours"},
                                                               {Part::KeyPlace, "key-place"},
                                                               {Part::Area, "area"},
                                                               {Part::Response, "response"},
                                                               {Part::Look, "look"},
                                                               {Part::CheckUses, "check-uses"},
                                                               {Part::Accepted, "accepted"},
                                                               {Part::StandIn, "stand-in"},
                                                               {Part::Pin, "pin"},
                                                               {Part::Ticks, "ticks"}}};

/// A camera whose response is known to be none.
constexpr const char* kIdentity = "identity";

Json toJson(const Region& r) { return {r.left, r.top, r.right, r.bottom}; }

Region regionFrom(const Json& json)
{
    return {json.at(0).get<double>(), json.at(1).get<double>(), json.at(2).get<double>(), json.at(3).get<double>()};
}

Json toJson(const Light& light)
{
    Json json{{"name", light.name}, {"lead", light.lead}, {"frames", light.frames}};
    if (light.look != 0)
        json["look"] = light.look;
    return json;
}

Json toJson(const FrameSet& set)
{
    return set.ofLight != 0 ? Json{{"name", set.name}, {"ofLight", set.ofLight}}
                            : Json{{"name", set.name}, {"frames", set.frames}};
}

Json toJson(const CheckUse& use) { return {{"name", use.name}, {"base", use.base}, {"limits", use.limits}}; }

std::string textOfBalance(const FrameState& s)
{
    if (!s.balanceFault.empty())
        return jsonText({{"unreadable", s.balanceFault}});
    return s.balance == FrameBalance{} ? std::string() : frameBalanceToText(s.balance);
}

std::string textOfFraming(const FrameState& s)
{
    if (s.framing.isWhole())
        return {};
    Json json{{"leftOut", Json::array()}};
    for (const Region& r : s.framing.leftOut)
        json["leftOut"].push_back(toJson(r));
    return jsonText(json);
}

template <class T>
std::string textOf(const std::vector<T>& all)
{
    Json list = Json::array();
    for (const T& one : all)
        list.push_back(toJson(one));
    return all.empty() ? std::string() : jsonText(list);
}

std::string textOf(const KeyPlace& p)
{
    return jsonText({{"place", toJson(p.place)}, {"confidence", p.confidence}, {"confirmed", p.isConfirmed}});
}

std::string textOf(const LookState& s) { return jsonText({{"name", s.name}, {"revision", s.revision}}); }

/// Of a thing that a frame has by a name: a key colour, a role.
std::string frameAndName(const std::pair<FrameId, std::string>& id)
{
    return std::to_string(id.first) + " " + id.second;
}

std::pair<FrameId, std::string> frameAndNameFrom(const std::string& subject)
{
    const auto space = subject.find(' ');
    if (space == std::string::npos)
        throw std::invalid_argument("a frame and a name were expected, not " + subject);
    return {std::stoll(subject), subject.substr(space + 1)};
}

/// Adds a change when its two texts differ.
struct Collector {
    std::vector<Change> all;
    void add(Part part, std::string subject, std::string before, std::string after)
    {
        if (before != after)
            all.push_back({part, std::move(subject), std::move(before), std::move(after)});
    }
};

/// For every key of either map: what `textOf` gives of its values; nothing for a value that is not there.
template <class Map, class Subject, class TextOf>
void addMap(Collector& to, Part part, const Map& before, const Map& after, Subject&& subject, TextOf&& text)
{
    std::set<typename Map::key_type> keys;
    for (const Map* map : {&before, &after})
        for (const auto& [key, value] : *map)
            keys.insert(key);
    for (const auto& key : keys) {
        const auto b = before.find(key), a = after.find(key);
        if (b != before.end() && a != after.end() && b->second == a->second)
            continue;
        to.add(part, subject(key), b == before.end() ? std::string() : text(b->second),
               a == after.end() ? std::string() : text(a->second));
    }
}

std::string flag(bool on) { return on ? "true" : ""; }

void addFrame(Collector& to, const std::string& id, const FrameState& before, const FrameState& after)
{
    if (!(before.balance == after.balance) || before.balanceFault != after.balanceFault)
        to.add(Part::Balance, id, textOfBalance(before), textOfBalance(after));
    to.add(Part::Framing, id, textOfFraming(before), textOfFraming(after));
    const auto stars = [](int rating) { return rating == 0 ? std::string() : std::to_string(rating); };
    to.add(Part::Rating, id, stars(before.rating), stars(after.rating));
    to.add(Part::Done, id, flag(before.isDone), flag(after.isDone));
    to.add(Part::Unused, id, flag(before.isUnused), flag(after.isUnused));
    const auto number = [](LookId look) { return look == 0 ? std::string() : std::to_string(look); };
    to.add(Part::FrameLook, id, number(before.look), number(after.look));
    const auto parents = [](const std::vector<FrameId>& all) { return all.empty() ? std::string() : jsonText(all); };
    to.add(Part::MergedFrom, id, parents(before.mergedFrom), parents(after.mergedFrom));
    const auto standIn = [](const FrameState& s) { return s.standIn ? standInToText(*s.standIn) : std::string(); };
    to.add(Part::StandIn, id, standIn(before), standIn(after));
}

/// What was said of frames, and ticked.
void addRemarks(Collector& to, const Job& before, const Job& after)
{
    addMap(
        to, Part::Accepted, before.accepted, after.accepted, [](const FindingId& id) { return subjectOf(id); },
        [](const Acceptance& a) {
            return jsonText({{"value", a.value}, {"reason", a.reason}});
        });
    addMap(
        to, Part::Pin, before.pins, after.pins, [](PinId id) { return std::to_string(id); },
        [](const Pin& pin) { return pinToText(pin); });
    addMap(
        to, Part::Ticks, before.ticks, after.ticks, [](FrameId id) { return std::to_string(id); },
        [](const HandTicks& ticks) { return ticksToText(ticks); });
}

/// Sets one thing of a job to the value that a text gives. Throws for a text that is none.
struct Setter {
    Job& job;
    const std::string& subject;
    const std::string& text;
    const MaskOf& maskOf;

    FrameState& frame() const { return job.frames[std::stoll(subject)]; }
    Json json() const { return Json::parse(text); }

    void set(Part part) const
    {
        if (setOfFrame(part))
            return;
        switch (part) {
        case Part::Lights:
            return setLights();
        case Part::Sets:
            return setSets();
        case Part::KeyColours:
            job.keys = taken(keyColoursFromText(text));
            return;
        case Part::KeyPlace:
            return setKeyPlace();
        case Part::Area:
            return setArea();
        case Part::Response:
            return setResponse();
        case Part::Look:
            return setLook();
        case Part::CheckUses:
            return setUses();
        case Part::Accepted:
            return setAccepted();
        case Part::Pin:
            return setPin();
        case Part::Ticks:
            return setTicks();
        default:
            return;
        }
    }

    /// False for what belongs to no one frame alone.
    bool setOfFrame(Part part) const
    {
        const auto isOn = [&] { return !text.empty() && json().get<bool>(); };
        if (part == Part::Balance)
            setBalance();
        else if (part == Part::Framing)
            setFraming();
        else if (part == Part::Rating)
            frame().rating = text.empty() ? 0 : json().get<int>();
        else if (part == Part::Done)
            frame().isDone = isOn();
        else if (part == Part::Unused)
            frame().isUnused = isOn();
        else if (part == Part::MergedFrom)
            frame().mergedFrom = text.empty() ? std::vector<FrameId>{} : json().get<std::vector<FrameId>>();
        else if (part == Part::StandIn)
            frame().standIn = text.empty() ? std::nullopt : std::optional(standInFromText(text));
        else if (part == Part::FrameLook)
            frame().look = text.empty() ? 0 : json().get<LookId>();
        else
            return false;
        return true;
    }

    template <class T>
    static T taken(Result<T> result)
    {
        if (!result)
            throw std::invalid_argument(result.error().message());
        return std::move(*result);
    }
    void setArea() const
    {
        if (text.empty())
            job.areas.erase(frameAndNameFrom(subject));
        else
            job.areas[frameAndNameFrom(subject)] = taken(areaFromText(text, maskOf));
    }
    void setResponse() const
    {
        if (text.empty())
            job.responses.erase(subject);
        else
            job.responses[subject] = json() == kIdentity ? Response{} : taken(responseFromText(text));
    }
    void setBalance() const
    {
        FrameState& state = frame();
        state.balance = {}, state.balanceFault.clear();
        const Json kept = text.empty() ? Json::object() : json();
        if (kept.is_object() && kept.contains("unreadable"))
            state.balanceFault = kept["unreadable"].get<std::string>();
        else
            state.balance = taken(frameBalanceFromText(text));
    }
    void setFraming() const
    {
        Framing framing;
        if (!text.empty()) {
            const Json kept = json();
            // What format 3 called the planned crop is the frame's crop now, and no part of this.
            for (const Json& r : kept.at("leftOut"))
                framing.leftOut.push_back(regionFrom(r));
        }
        frame().framing = std::move(framing);
    }
    void setLights() const
    {
        std::vector<Light> lights;
        if (!text.empty()) {
            const Json list = json();
            for (const Json& l : list)
                lights.push_back({l.at("name").get<std::string>(), l.at("lead").get<FrameId>(),
                                  l.at("frames").get<std::vector<FrameId>>(), l.value("look", LookId{0})});
        }
        job.lights = std::move(lights);
    }
    void setSets() const
    {
        std::vector<FrameSet> sets;
        for (const Json list = text.empty() ? Json::array() : json(); const Json& s : list)
            sets.push_back({s.at("name").get<std::string>(), s.value("frames", std::vector<FrameId>{}),
                            s.value("ofLight", FrameId{0})});
        job.sets = std::move(sets);
    }
    void setKeyPlace() const
    {
        const KeyPlaceId id = frameAndNameFrom(subject);
        if (text.empty()) {
            job.keyPlaces.erase(id);
            return;
        }
        const Json p = json();
        job.keyPlaces[id] = {regionFrom(p.at("place")), p.at("confidence").get<double>(),
                             p.at("confirmed").get<bool>()};
    }
    void setLook() const
    {
        const LookId id = std::stoll(subject);
        if (text.empty()) {
            job.looks.erase(id);
            return;
        }
        const Json l = json();
        job.looks[id] = {l.at("name").get<std::string>(), l.at("revision").get<RevisionId>()};
    }
    void setUses() const
    {
        std::vector<CheckUse> uses;
        for (const Json list = text.empty() ? Json::array() : json(); const Json& u : list)
            uses.push_back({u.at("name").get<std::string>(), u.at("base").get<int>(),
                            u.at("limits").get<std::map<std::string, double>>()});
        job.uses = std::move(uses);
    }
    void setPin() const
    {
        if (text.empty())
            job.pins.erase(std::stoll(subject));
        else
            job.pins[std::stoll(subject)] = pinFromText(text);
    }
    void setTicks() const
    {
        if (text.empty())
            job.ticks.erase(std::stoll(subject));
        else
            job.ticks[std::stoll(subject)] = ticksFromText(text);
    }
    void setAccepted() const
    {
        const FindingId id = findingFrom(subject);
        if (text.empty()) {
            job.accepted.erase(id);
            return;
        }
        const Json a = json();
        job.accepted[id] = {a.at("value").get<double>(), a.at("reason").get<std::string>()};
    }
};

}  // namespace

std::string subjectOf(const FindingId& id)
{
    return std::to_string(id.frame) + " " + jsonText({id.use, id.check, id.part});
}

FindingId findingFrom(const std::string& subject)
{
    const auto [frame, rest] = frameAndNameFrom(subject);
    const Json names = Json::parse(rest);
    return {frame, names.at(0).get<std::string>(), names.at(1).get<std::string>(), names.at(2).get<std::string>()};
}

const char* nameOf(Part part)
{
    for (const auto& [known, name] : kNames)
        if (known == part)
            return name;
    return "";
}

Result<Part> partFromName(const std::string& name)
{
    for (const auto& [part, known] : kNames)
        if (name == known)
            return part;
    return fail("no part of a job has this name", {}, {}, name);
}

std::vector<Change> changesBetween(const Job& before, const Job& after)
{
    Collector to;
    std::set<FrameId> ids;
    for (const Job* job : {&before, &after})
        for (const auto& [id, state] : job->frames)
            ids.insert(id);
    for (const FrameId id : ids)
        if (!(before.frame(id) == after.frame(id)))
            addFrame(to, std::to_string(id), before.frame(id), after.frame(id));
    if (!(before.lights == after.lights))
        to.add(Part::Lights, {}, textOf(before.lights), textOf(after.lights));
    if (before.sets != after.sets)
        to.add(Part::Sets, {}, textOf(before.sets), textOf(after.sets));
    if (!(before.keys == after.keys)) {
        const auto text = [](const auto& keys) { return keys.empty() ? std::string() : keyColoursToText(keys); };
        to.add(Part::KeyColours, {}, text(before.keys), text(after.keys));
    }
    addMap(to, Part::KeyPlace, before.keyPlaces, after.keyPlaces, frameAndName,
           [](const auto& p) { return textOf(p); });
    addMap(to, Part::Area, before.areas, after.areas, frameAndName, [](const Area& a) { return areaToText(a); });
    addMap(
        to, Part::Response, before.responses, after.responses, [](const std::string& name) { return name; },
        [](const Response& r) { return r.isIdentity() ? jsonText(kIdentity) : responseToText(r); });
    addMap(
        to, Part::Look, before.looks, after.looks, [](LookId id) { return std::to_string(id); },
        [](const auto& l) { return textOf(l); });
    if (before.uses != after.uses)
        to.add(Part::CheckUses, {}, textOf(before.uses), textOf(after.uses));
    addRemarks(to, before, after);
    return to.all;
}

Result<Job> changed(Job job, const std::vector<Change>& changes, bool isUndo, const MaskOf& maskOf)
{
    for (const Change& change : changes)
        try {
            Setter{job, change.subject, isUndo ? change.before : change.after, maskOf}.set(change.part);
        } catch (const std::exception& error) {
            return fail("the journal cannot be read here, and nothing was changed: " + std::string(error.what()),
                        nameOf(change.part), {}, change.subject);
        }
    std::erase_if(job.frames, [](const auto& entry) { return entry.second == FrameState{}; });
    return job;
}

}  // namespace amber
