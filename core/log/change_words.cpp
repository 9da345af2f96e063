#include "core/log/change_words.h"

#include "core/base/json_text.h"
#include "core/base/number_text.h"
#include "core/base/phrase.h"
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
    return r.isWhole() ? phrase("whole") : percent(r.right - r.left) + " × " + percent(r.bottom - r.top) + " %";
}

void addLens(Lines& lines, const Optics& before, const Optics& after)
{
    if (before.usesLens() != after.usesLens() || before.lens.name != after.lens.name)
        lines.push_back(after.usesLens() ? phrase("lens %1", {after.lens.name}) : phrase("no known lens"));
    addNumber(lines, phrase("bow"), before.bow, after.bow, 3, true, "");
    if (before.redFringe != after.redFringe || before.blueFringe != after.blueFringe)
        lines.push_back(phrase("colour fringes %1 red, %2 blue %",
                               {signedText(100 * after.redFringe, 3), signedText(100 * after.blueFringe, 3)}));
    addNumber(lines, phrase("falloff"), before.falloffStops, after.falloffStops, 2, true, phrase(" stops"));
    addNumber(lines, phrase("noise taken off"), 100 * before.noise, 100 * after.noise, 0, false, " %");
}

void addGeometry(Lines& lines, const Geometry& before, const Geometry& after)
{
    addNumber(lines, phrase("straightened"), before.straightenDegrees, after.straightenDegrees, 2, true,
              phrase(" degrees"));
    addNumber(lines, phrase("leaning up"), before.leanUp, after.leanUp, 3, true, "");
    addNumber(lines, phrase("leaning aside"), before.leanAside, after.leanAside, 3, true, "");
    addNumber(lines, phrase("stretch"), before.stretch, after.stretch, 3, false, "");
    if (!(before.crop == after.crop))
        lines.push_back(phrase("crop %1", {cropWords(before.crop)}) + kTo + cropWords(after.crop));
    const auto ratio = [](double r) { return r == 0 ? phrase("free") : shortText(r, 3); };
    if (before.ratio != after.ratio)
        lines.push_back(phrase("shape %1", {ratio(before.ratio)}) + kTo + ratio(after.ratio));
    if (before.crops != after.crops)
        lines.push_back(phrase("crops for other ratios: %1", {std::to_string(after.crops.size())}));
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
            lines.push_back(phrase("%1 removed", {kind + " " + nameOf(entry)}));
    for (const Json& entry : b) {
        const Json old = find(a, nameOf(entry));
        if (old.is_null())
            lines.push_back(phrase("%1 added", {kind + " " + nameOf(entry)}) + differing(Json::object(), entry));
        else if (old != entry)
            lines.push_back(kind + " " + nameOf(entry) + differing(old, entry));
    }
    if (lines.empty())
        lines.push_back(phrase("%1: in another order", {kind}));
    return lines;
}

std::string framesWords(const Json& before, const Json& after)
{
    const auto count = [](const Json& json) { return json.contains("frames") ? json["frames"].size() : 0; };
    if (!after.contains("frames"))
        return {};
    if (count(before) == 0)
        return ": " + countedPhrase(count(after), "%n frame", "%n frames");
    if (before["frames"] != after["frames"])
        return ": " + std::to_string(count(before)) + kTo + countedPhrase(count(after), "%n frame", "%n frames");
    return before.value("lead", 0) != after.value("lead", 0) ? phrase(": another frame stands for it")
                                                             : phrase(": changed");
}

std::string keyWords(const Json& before, const Json& after)
{
    if (before.empty())
        return {};
    if (before.value("tolerance", 0.0) != after.value("tolerance", 0.0))
        return phrase(": tolerance %1", {shortText(before.value("tolerance", 0.0))}) + kTo +
               shortText(after.value("tolerance", 0.0)) + " ΔE00";
    return before.value("target", Json()) != after.value("target", Json()) ? phrase(": another target")
                                                                           : phrase(": marked anew");
}

Lines areaWords(const Change& change, const LogNames& names)
{
    const auto space = change.subject.find(' ');
    const std::string role = space == std::string::npos ? std::string() : change.subject.substr(space + 1);
    const std::string whose = phrase("%1: area %2", {names.frame(frameOf(change)), role});
    if (change.after.empty())
        return {phrase("%1 taken away", {whose})};
    const Json a = change.before.empty() ? Json::object() : jsonOf(change.before), b = jsonOf(change.after);
    const auto state = [](const Json& json) { return json.value("state", std::string("by-hand")); };
    if (change.before.empty())
        return {state(b) == "proposed"   ? phrase("%1 proposed", {whose})
                : state(b) == "not-here" ? phrase("%1 is not here", {whose})
                                         : phrase("%1 drawn", {whose})};
    Lines lines;
    if (state(a) != state(b))
        lines.push_back(state(b) == "not-here"   ? phrase("%1 is not here", {whose})
                        : state(b) == "by-hand"  ? phrase("%1 by hand", {whose})
                        : state(b) == "proposed" ? phrase("%1 proposed", {whose})
                                                 : phrase("%1 confirmed", {whose}));
    for (const char* name : {"density", "feather", "grow"})
        if (a.value(name, Json()) != b.value(name, Json()))
            lines.push_back(whose + " " + phrase(name) + " " +
                            shortText(a.value(name, name == std::string("density") ? 1.0 : 0.0)) + kTo +
                            shortText(b.value(name, name == std::string("density") ? 1.0 : 0.0)));
    if (lines.empty())
        lines.push_back(phrase("%1 drawn anew", {whose}));
    return lines;
}

Lines lookWords(const Change& change, const LogNames& names)
{
    const auto revision = [](const std::string& text) { return jsonOf(text).at("revision").get<RevisionId>(); };
    if (change.after.empty())
        return {phrase("look %1 taken away", {jsonOf(change.before).at("name").get<std::string>()})};
    const std::string name = jsonOf(change.after).at("name").get<std::string>();
    if (change.before.empty())
        return {phrase("look %1 added", {name})};
    const Look before = taken(names.lookAt(revision(change.before))),
               after = taken(names.lookAt(revision(change.after)));
    Lines lines = differenceWords(before, after);
    const std::string old = jsonOf(change.before).at("name").get<std::string>();
    if (lines.empty())
        lines.push_back(old == name ? phrase("nothing that shows") : phrase("name %1", {old}) + kTo + name);
    return named(name, std::move(lines));
}

Lines pinWords(const Change& change, const LogNames& names)
{
    const Pin pin = pinFromText(change.after.empty() ? change.before : change.after);
    const std::string where = pin.step ? phrase("step %1", {phrase(pin.step->kind.c_str())}) : names.frame(pin.frame);
    if (change.after.empty())
        return {phrase("%1: pin taken away: %2", {where, pin.text})};
    if (!change.before.empty()) {
        const Pin old = pinFromText(change.before);
        if (old.isDone != pin.isDone)
            return {pin.isDone ? phrase("%1: pin closed: %2", {where, pin.text})
                               : phrase("%1: pin open again: %2", {where, pin.text})};
        return {phrase("%1: pin now says: %2", {where, pin.text})};
    }
    const std::string says = pin.text.empty() ? phrase("approved") : pin.text;
    return {pin.from == Pin::From::Client ? phrase("%1: the client says: %2", {where, says})
                                          : phrase("%1: pin: %2", {where, says})};
}

Lines tickWords(const Change& change, const LogNames& names)
{
    const HandTicks none, a = change.before.empty() ? none : ticksFromText(change.before),
                          b = change.after.empty() ? none : ticksFromText(change.after);
    const std::string whose = frameOf(change) == 0 ? phrase("the shoot") : names.frame(frameOf(change));
    Lines lines;
    for (const auto& [stage, on] : b)
        if (const auto old = a.find(stage); old == a.end() || old->second != on)
            lines.push_back(on ? phrase("%1: %2 ticked", {whose, phrase(stage.c_str())})
                               : phrase("%1: %2 left open", {whose, phrase(stage.c_str())}));
    for (const auto& [stage, on] : a)
        if (b.count(stage) == 0)
            lines.push_back(phrase("%1: %2 as it was found again", {whose, phrase(stage.c_str())}));
    return lines;
}

Lines frameWords(const Change& change, const LogNames& names)
{
    const std::string frame = names.frame(frameOf(change));
    const bool isOn = !change.after.empty();
    switch (change.part) {
    case Part::Rating: {
        const auto stars = [](const std::string& text) {
            return text.empty() ? phrase("no stars") : countedPhrase(std::stoul(text), "%n star", "%n stars");
        };
        return {frame + ": " + stars(change.before) + kTo + stars(change.after)};
    }
    case Part::Done:
        return {frame + (isOn ? phrase(": done") : phrase(": not done"))};
    case Part::Unused:
        return {frame + (isOn ? phrase(": left out") : phrase(": used again"))};
    case Part::MergedFrom:
        return {frame + (isOn ? countedPhrase(jsonOf(change.after).size(), ": merged of %n exposure",
                                              ": merged of %n exposures")
                              : phrase(": not merged"))};
    case Part::FrameLook:
        return {frame + (isOn ? phrase(": a look of its own") : phrase(": no look of its own"))};
    case Part::StandIn:
        return {frame + (isOn ? phrase(": a file that came back stands for it") : phrase(": its own picture again"))};
    default: {
        const auto count = [](const std::string& text) {
            return text.empty() ? std::size_t{0} : jsonOf(text).at("leftOut").size();
        };
        return {phrase("%1: regions left out %2", {frame, std::to_string(count(change.before))}) + kTo +
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
        return listWords(phrase("light"), change.before, change.after, framesWords);
    case Part::Sets:
        return listWords(phrase("set"), change.before, change.after, framesWords);
    case Part::KeyColours:
        return listWords(phrase("key colour"), change.before, change.after, keyWords);
    case Part::KeyPlace: {
        const std::string key = change.subject.substr(change.subject.find(' '));
        return {change.after.empty() ? phrase("%1: key colour%2 no longer found", {names.frame(frameOf(change)), key})
                                     : phrase("%1: key colour%2 found", {names.frame(frameOf(change)), key})};
    }
    case Part::Response:
        return {change.after.empty() ? phrase("camera %1: response forgotten", {change.subject})
                                     : phrase("camera %1: response measured", {change.subject})};
    case Part::CheckUses:
        return listWords(phrase("use"), change.before, change.after, [](const Json& before, const Json&) {
            return before.empty() ? std::string() : phrase(": other limits");
        });
    default: {
        const FindingId id = findingFrom(change.subject);
        const std::string what = names.frame(id.frame) + ": " + phrase(id.check.c_str()) +
                                 (id.part.empty() ? std::string() : phrase(" of %1", {phrase(id.part.c_str())}));
        if (change.after.empty())
            return {phrase("%1 is a finding again", {what})};
        const std::string why = jsonOf(change.after).at("reason").get<std::string>();
        return {phrase("%1 let stand at %2", {what, shortText(jsonOf(change.after).at("value").get<double>())}) +
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
    return found == frames.end() ? phrase("a frame that is gone") : found->second;
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
    addNumber(lines, phrase("exposure"), before.light.exposureStops, after.light.exposureStops, 2, true,
              phrase(" stops"));
    addNumber(lines, phrase("white"), before.light.kelvin, after.light.kelvin, 0, false, " K");
    addNumber(lines, phrase("tint"), before.light.tint, after.light.tint, 1, true, "");
    addNumber(lines, phrase("black end"), before.ends.black, after.ends.black, 4, false, "");
    addNumber(lines, phrase("white end"), before.ends.white, after.ends.white, 3, false, "");
    addLens(lines, before.optics, after.optics);
    addGeometry(lines, before.geometry, after.geometry);
    if (before.response != after.response)
        lines.push_back(phrase("response %1", {after.response.empty() ? phrase("none") : after.response}));
    addNumber(lines, phrase("key"), before.keyStops, after.keyStops, 2, true, phrase(" stops"));
    const auto lock = [&](const std::string& name, bool a, bool b) {
        if (a != b)
            lines.push_back(b ? phrase("%1 locked", {name}) : phrase("%1 free", {name}));
    };
    lock(phrase("exposure"), before.exposureLocked, after.exposureLocked);
    lock(phrase("white"), before.whiteLocked, after.whiteLocked),
        lock(phrase("ends"), before.endsLocked, after.endsLocked);
    if (lines.empty() && !(before == after))
        lines.push_back(before.because == after.because ? phrase("measured anew")
                                                        : phrase("rests on %1", {after.because}));
    return lines;
}

std::vector<std::string> sentencesOf(const Change& change, const LogNames& names)
{
    try {
        return wordsOf(change, names);
    } catch (const std::exception&) {
        return {phrase("something that this version cannot read (%1)", {std::string(nameOf(change.part))})};
    }
}

}  // namespace amber
