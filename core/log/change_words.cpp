#include "core/log/change_words.h"

#include "core/base/json_text.h"
#include "core/base/number_text.h"
#include "core/job/kept_texts.h"
#include "core/look/step_edits.h"

#include <algorithm>

namespace amber {
namespace {

using Part = Change::Part;
using Lines = std::vector<std::string>;
constexpr const char* kTo = " → ";

void addNumber(Lines& lines, const std::string& name, double before, double after, int decimals, bool isSigned,
               const std::string& unit)
{
    if (before == after)
        return;
    const auto words = [&](double v) { return isSigned && v != 0 ? signedText(v, decimals) : shortText(v, decimals); };
    lines.push_back(name + " " + words(before) + kTo + words(after) + unit);
}

std::string cropWords(const Region& r)
{
    const auto percent = [](double share) { return fixedText(100 * share, 0); };
    return r.isWhole() ? "whole" : percent(r.right - r.left) + " × " + percent(r.bottom - r.top) + " %";
}

void addLens(Lines& lines, const Optics& before, const Optics& after)
{
    if (before.usesLens() != after.usesLens() || before.lens.name != after.lens.name)
        lines.push_back(after.usesLens() ? "lens " + after.lens.name : "no known lens");
    addNumber(lines, "bow", before.bow, after.bow, 3, true, "");
    if (before.redFringe != after.redFringe || before.blueFringe != after.blueFringe)
        lines.push_back("colour fringes " + signedText(100 * after.redFringe, 3) + " red, " +
                        signedText(100 * after.blueFringe, 3) + " blue %");
    addNumber(lines, "falloff", before.falloffStops, after.falloffStops, 2, true, " stops");
    addNumber(lines, "noise taken off", 100 * before.noise, 100 * after.noise, 0, false, " %");
}

void addGeometry(Lines& lines, const Geometry& before, const Geometry& after)
{
    addNumber(lines, "straightened", before.straightenDegrees, after.straightenDegrees, 2, true, " degrees");
    addNumber(lines, "leaning up", before.leanUp, after.leanUp, 3, true, "");
    addNumber(lines, "leaning aside", before.leanAside, after.leanAside, 3, true, "");
    addNumber(lines, "stretch", before.stretch, after.stretch, 3, false, "");
    if (!(before.crop == after.crop))
        lines.push_back("crop " + cropWords(before.crop) + kTo + cropWords(after.crop));
    const auto ratio = [](double r) { return r == 0 ? std::string("free") : shortText(r, 3); };
    if (before.ratio != after.ratio)
        lines.push_back("shape " + ratio(before.ratio) + kTo + ratio(after.ratio));
    if (before.crops != after.crops)
        lines.push_back("crops for other ratios: " + std::to_string(after.crops.size()));
}

/// Lines, each behind a name.
Lines named(const std::string& name, Lines lines)
{
    for (std::string& line : lines)
        line = name + ": " + line;
    return lines;
}

template <class T>
T taken(Result<T> result)
{
    if (!result)
        throw std::invalid_argument(result.error().message());
    return std::move(*result);
}

Json jsonOf(const std::string& text) { return text.empty() ? Json() : Json::parse(text); }

/// Of a list of named things: which came, went and differ.
Lines listWords(const std::string& kind, const std::string& before, const std::string& after,
                const std::function<std::string(const Json&, const Json&)>& differing)
{
    const Json none = Json::array(), a = before.empty() ? none : jsonOf(before),
               b = after.empty() ? none : jsonOf(after);
    const auto nameOf = [](const Json& entry) { return entry.value("name", std::string()); };
    const auto find = [&](const Json& list, const std::string& name) {
        const auto found = std::find_if(list.begin(), list.end(), [&](const Json& e) { return nameOf(e) == name; });
        return found == list.end() ? Json() : *found;
    };
    Lines lines;
    for (const Json& entry : a)
        if (find(b, nameOf(entry)).is_null())
            lines.push_back(kind + " " + nameOf(entry) + " removed");
    for (const Json& entry : b) {
        const Json old = find(a, nameOf(entry));
        if (old.is_null())
            lines.push_back(kind + " " + nameOf(entry) + " added" + differing(Json::object(), entry));
        else if (old != entry)
            lines.push_back(kind + " " + nameOf(entry) + differing(old, entry));
    }
    if (lines.empty())
        lines.push_back(kind + "s in another order");
    return lines;
}

std::string framesWords(const Json& before, const Json& after)
{
    const auto count = [](const Json& json) { return json.contains("frames") ? json["frames"].size() : 0; };
    if (!after.contains("frames"))
        return {};
    if (count(before) == 0)
        return ": " + std::to_string(count(after)) + (count(after) == 1 ? " frame" : " frames");
    if (before["frames"] != after["frames"])
        return ": " + std::to_string(count(before)) + kTo + std::to_string(count(after)) + " frames";
    return before.value("lead", 0) != after.value("lead", 0) ? ": another frame stands for it" : ": changed";
}

std::string keyWords(const Json& before, const Json& after)
{
    if (before.empty())
        return {};
    if (before.value("tolerance", 0.0) != after.value("tolerance", 0.0))
        return ": tolerance " + shortText(before.value("tolerance", 0.0)) + kTo +
               shortText(after.value("tolerance", 0.0)) + " ΔE00";
    return before.value("target", Json()) != after.value("target", Json()) ? ": another target" : ": marked anew";
}

Lines areaWords(const Change& change, const LogNames& names)
{
    const auto space = change.subject.find(' ');
    const std::string role = space == std::string::npos ? std::string() : change.subject.substr(space + 1);
    const std::string whose = names.frame(frameOf(change)) + ": area " + role;
    if (change.after.empty())
        return {whose + " taken away"};
    const Json a = change.before.empty() ? Json::object() : jsonOf(change.before), b = jsonOf(change.after);
    const auto state = [](const Json& json) { return json.value("state", std::string("by-hand")); };
    if (change.before.empty())
        return {whose + " " + (state(b) == "proposed" ? "proposed" : state(b) == "not-here" ? "is not here" : "drawn")};
    Lines lines;
    if (state(a) != state(b))
        lines.push_back(whose + " " +
                        (state(b) == "not-here"  ? "is not here"
                         : state(b) == "by-hand" ? "by hand"
                                                 : state(b)));
    for (const char* name : {"density", "feather", "grow"})
        if (a.value(name, Json()) != b.value(name, Json()))
            lines.push_back(whose + " " + name + " " +
                            shortText(a.value(name, name == std::string("density") ? 1.0 : 0.0)) + kTo +
                            shortText(b.value(name, name == std::string("density") ? 1.0 : 0.0)));
    if (lines.empty())
        lines.push_back(whose + " drawn anew");
    return lines;
}

Lines lookWords(const Change& change, const LogNames& names)
{
    const auto revision = [](const std::string& text) { return jsonOf(text).at("revision").get<RevisionId>(); };
    if (change.after.empty())
        return {"look " + jsonOf(change.before).at("name").get<std::string>() + " taken away"};
    const std::string name = jsonOf(change.after).at("name").get<std::string>();
    if (change.before.empty())
        return {"look " + name + " added"};
    const Look before = taken(names.lookAt(revision(change.before))),
               after = taken(names.lookAt(revision(change.after)));
    Lines lines = differenceWords(before, after);
    const std::string old = jsonOf(change.before).at("name").get<std::string>();
    if (lines.empty())
        lines.push_back(old == name ? std::string("nothing that shows") : "name " + old + kTo + name);
    return named(name, std::move(lines));
}

Lines pinWords(const Change& change, const LogNames& names)
{
    const Pin pin = pinFromText(change.after.empty() ? change.before : change.after);
    const std::string where = pin.step ? "step " + pin.step->kind : names.frame(pin.frame);
    if (change.after.empty())
        return {where + ": pin taken away: " + pin.text};
    if (!change.before.empty()) {
        const Pin old = pinFromText(change.before);
        if (old.isDone != pin.isDone)
            return {where + (pin.isDone ? ": pin closed: " : ": pin open again: ") + pin.text};
        return {where + ": pin now says: " + pin.text};
    }
    return {where + (pin.from == Pin::From::Client ? ": the client says: " : ": pin: ") +
            (pin.text.empty() ? "approved" : pin.text)};
}

Lines tickWords(const Change& change, const LogNames& names)
{
    const HandTicks none, a = change.before.empty() ? none : ticksFromText(change.before),
                          b = change.after.empty() ? none : ticksFromText(change.after);
    const std::string whose = frameOf(change) == 0 ? std::string("the shoot") : names.frame(frameOf(change));
    Lines lines;
    for (const auto& [stage, on] : b)
        if (const auto old = a.find(stage); old == a.end() || old->second != on)
            lines.push_back(whose + ": " + stage + (on ? " ticked" : " left open"));
    for (const auto& [stage, on] : a)
        if (b.count(stage) == 0)
            lines.push_back(whose + ": " + stage + " as it was found again");
    return lines;
}

Lines frameWords(const Change& change, const LogNames& names)
{
    const std::string frame = names.frame(frameOf(change));
    const bool isOn = !change.after.empty();
    switch (change.part) {
    case Part::Rating: {
        const auto stars = [](const std::string& text) {
            return text.empty() ? std::string("no stars") : text + (text == "1" ? " star" : " stars");
        };
        return {frame + ": " + stars(change.before) + kTo + stars(change.after)};
    }
    case Part::Done:
        return {frame + (isOn ? ": done" : ": not done")};
    case Part::Unused:
        return {frame + (isOn ? ": left out" : ": used again")};
    case Part::MergedFrom:
        return {frame +
                (isOn ? ": merged of " + std::to_string(jsonOf(change.after).size()) + " exposures" : ": not merged")};
    case Part::FrameLook:
        return {frame + (isOn ? ": a look of its own" : ": no look of its own")};
    case Part::StandIn:
        return {frame + (isOn ? ": a file that came back stands for it" : ": its own picture again")};
    default: {
        const auto count = [](const std::string& text) {
            return text.empty() ? std::size_t{0} : jsonOf(text).at("leftOut").size();
        };
        return {frame + ": regions left out " + std::to_string(count(change.before)) + kTo +
                std::to_string(count(change.after))};
    }
    }
}

Lines balanceWords(const Change& change, const LogNames& names)
{
    const std::string frame = names.frame(frameOf(change));
    const auto read = [](const std::string& text) { return taken(frameBalanceFromText(text)); };
    return named(frame, balanceDifferences(read(change.before), read(change.after)));
}

Lines shootWords(const Change& change, const LogNames& names)
{
    switch (change.part) {
    case Part::Lights:
        return listWords("light", change.before, change.after, framesWords);
    case Part::Sets:
        return listWords("set", change.before, change.after, framesWords);
    case Part::KeyColours:
        return listWords("key colour", change.before, change.after, keyWords);
    case Part::KeyPlace:
        return {names.frame(frameOf(change)) + ": key colour" + change.subject.substr(change.subject.find(' ')) +
                (change.after.empty() ? " no longer found" : " found")};
    case Part::Response:
        return {"camera " + change.subject + (change.after.empty() ? ": response forgotten" : ": response measured")};
    case Part::CheckUses:
        return listWords("use", change.before, change.after,
                         [](const Json& before, const Json&) { return before.empty() ? "" : ": other limits"; });
    default: {
        const FindingId id = findingFrom(change.subject);
        const std::string what = names.frame(id.frame) + ": " + id.check + (id.part.empty() ? "" : " of " + id.part);
        if (change.after.empty())
            return {what + " is a finding again"};
        const std::string why = jsonOf(change.after).at("reason").get<std::string>();
        return {what + " let stand at " + shortText(jsonOf(change.after).at("value").get<double>()) +
                (why.empty() ? "" : ": " + why)};
    }
    }
}

Lines wordsOf(const Change& change, const LogNames& names)
{
    switch (change.part) {
    case Part::Balance:
        return balanceWords(change, names);
    case Part::Look:
        return lookWords(change, names);
    case Part::Area:
        return areaWords(change, names);
    case Part::Pin:
        return pinWords(change, names);
    case Part::Ticks:
        return tickWords(change, names);
    case Part::Framing:
    case Part::Rating:
    case Part::Done:
    case Part::Unused:
    case Part::MergedFrom:
    case Part::FrameLook:
    case Part::StandIn:
        return frameWords(change, names);
    default:
        return shootWords(change, names);
    }
}

}  // namespace

std::string LogNames::frame(FrameId id) const
{
    const auto found = frames.find(id);
    return found == frames.end() ? "a frame that is gone" : found->second;
}

LogNames namesOf(const std::vector<Frame>& frames, std::function<Result<Look>(RevisionId)> lookAt)
{
    LogNames names{{}, std::move(lookAt)};
    for (const Frame& frame : frames)
        names.frames[frame.id] = validUtf8(frame.own().stem().string());
    return names;
}

LogKind kindOf(Part part)
{
    switch (part) {
    case Part::Balance:
    case Part::Response:
        return LogKind::Balance;
    case Part::Area:
        return LogKind::Areas;
    case Part::Look:
    case Part::FrameLook:
        return LogKind::Looks;
    case Part::KeyColours:
    case Part::KeyPlace:
        return LogKind::Colours;
    case Part::CheckUses:
    case Part::Accepted:
        return LogKind::Proof;
    case Part::Pin:
        return LogKind::Pins;
    case Part::StandIn:
        return LogKind::HandOver;
    default:
        return LogKind::Frames;
    }
}

FrameId frameOf(const Change& change)
{
    switch (change.part) {
    case Part::Lights:
    case Part::Sets:
    case Part::KeyColours:
    case Part::Response:
    case Part::Look:
    case Part::CheckUses:
        return 0;
    case Part::Pin:
        try {
            return pinFromText(change.after.empty() ? change.before : change.after).frame;
        } catch (const std::exception&) {
            return 0;
        }
    default:
        try {
            return std::stoll(change.subject);
        } catch (const std::exception&) {
            return 0;
        }
    }
}

LookId lookOf(const Change& change)
{
    try {
        return change.part == Part::Look ? std::stoll(change.subject) : 0;
    } catch (const std::exception&) {
        return 0;
    }
}

std::vector<std::string> balanceDifferences(const FrameBalance& before, const FrameBalance& after)
{
    Lines lines;
    addNumber(lines, "exposure", before.light.exposureStops, after.light.exposureStops, 2, true, " stops");
    addNumber(lines, "white", before.light.kelvin, after.light.kelvin, 0, false, " K");
    addNumber(lines, "tint", before.light.tint, after.light.tint, 1, true, "");
    addNumber(lines, "black end", before.ends.black, after.ends.black, 4, false, "");
    addNumber(lines, "white end", before.ends.white, after.ends.white, 3, false, "");
    addLens(lines, before.optics, after.optics);
    addGeometry(lines, before.geometry, after.geometry);
    if (before.response != after.response)
        lines.push_back("response " + (after.response.empty() ? std::string("none") : after.response));
    addNumber(lines, "key", before.keyStops, after.keyStops, 2, true, " stops");
    const auto lock = [&](const char* name, bool a, bool b) {
        if (a != b)
            lines.push_back(std::string(name) + (b ? " locked" : " free"));
    };
    lock("exposure", before.exposureLocked, after.exposureLocked);
    lock("white", before.whiteLocked, after.whiteLocked), lock("ends", before.endsLocked, after.endsLocked);
    if (lines.empty() && !(before == after))
        lines.push_back(before.because == after.because ? "measured anew" : "rests on " + after.because);
    return lines;
}

std::vector<std::string> sentencesOf(const Change& change, const LogNames& names)
{
    try {
        return wordsOf(change, names);
    } catch (const std::exception&) {
        return {"something that this version cannot read (" + std::string(nameOf(change.part)) + ")"};
    }
}

}  // namespace amber
