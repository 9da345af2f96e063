#include "core/log/replay.h"

#include "core/base/json_text.h"
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/engine/render_plan.h"
#include "core/log/change_words.h"
#include "core/look/look_difference.h"
#include "core/look/step_edits.h"

#include <algorithm>

namespace amber {
namespace {

/// What one gesture made of a look; 0: there was none, or none is left.
struct Versions {
    RevisionId before = 0, after = 0;
};

RevisionId revisionIn(const std::string& text)
{
    const Json json = text.empty() ? Json() : Json::parse(text, nullptr, false);
    return json.is_object() ? json.value("revision", RevisionId{0}) : 0;
}

Result<std::vector<Versions>> versionsOf(const JobStore& store, LookId look, const std::vector<std::int64_t>& gestures)
{
    std::vector<Versions> all;
    for (const std::int64_t gesture : gestures) {
        const auto changes = store.changesOf(gesture);
        if (!changes)
            return tl::make_unexpected(changes.error());
        for (const Change& change : *changes)
            if (change.part == Change::Part::Look && lookOf(change) == look && !change.after.empty())
                all.push_back({revisionIn(change.before), revisionIn(change.after)});
    }
    return all;
}

}  // namespace

Result<Replayed> replay(const JobStore& store, LookId look, const std::vector<std::int64_t>& gestures,
                        std::int64_t from)
{
    const auto versions = versionsOf(store, look, gestures);
    const auto begins = from != 0 ? versionsOf(store, look, {from}) : versions;
    if (!versions || !begins)
        return tl::make_unexpected(versions ? begins.error() : versions.error());
    if (versions->empty() || begins->empty())
        return fail("none of these changed the look", {}, "gestures of this look", std::to_string(gestures.size()));
    // A look that came into being by it is there to begin with.
    const Versions first = begins->front();
    auto start = store.lookAt(first.before != 0 ? first.before : first.after);
    if (!start)
        return tl::make_unexpected(start.error());
    Replayed result{std::move(*start), 0, {}};
    for (const Versions& v : *versions) {
        if (v.before == 0) {
            ++result.done;
            continue;
        }
        const auto before = store.lookAt(v.before), after = store.lookAt(v.after);
        if (!before || !after)
            return tl::make_unexpected(before ? after.error() : before.error());
        Redone again = redone(result.look, *before, *after);
        result.done += !(again.look == result.look);
        result.look = std::move(again.look);
        result.leftOut.insert(result.leftOut.end(), again.leftOut.begin(), again.leftOut.end());
    }
    if (auto good = validate(result.look); !good)
        return tl::make_unexpected(good.error());
    return result;
}

Result<VersionDifference> versionDifference(const Look& before, const Look& after,
                                            const std::vector<std::pair<std::string, Image>>& pictures)
{
    const auto one = RenderPlan::compile(before), other = RenderPlan::compile(after);
    if (!one || !other)
        return tl::make_unexpected(one ? other.error() : one.error());
    VersionDifference result{differenceWords(before, after), measuredDifference(before, after), {}};
    for (const auto& [name, picture] : pictures) {
        const RenderOptions options{RenderOptions::Stage::All, std::max(picture.width(), picture.height())};
        VersionDifference::OnPicture on{
            name, {}, Image(picture.width(), picture.height()), Image(picture.width(), picture.height())};
        render(*one, picture.view(), on.before.mutableView(), {}, options);
        render(*other, picture.view(), on.after.mutableView(), {}, options);
        if (auto difference = pictureDifference(on.before.view(), on.after.view()))
            on.difference = *difference;
        result.pictures.push_back(std::move(on));
    }
    return result;
}

std::string differenceText(const VersionDifference& difference)
{
    std::string text;
    for (const std::string& line : difference.words)
        text += line + "\n";
    if (difference.words.empty())
        text += phrase("the same values") + "\n";
    const DifferenceSummary& c = difference.colours;
    text += phrase("over all colours: ΔE00 mean %1, 95 % below %2, at most %3",
                   {fixedText(c.mean, 2), fixedText(c.percentile95, 2), fixedText(c.maximum, 2)}) +
            "\n";
    for (const auto& on : difference.pictures)
        text += phrase("on %1: ΔE00 mean %2, 95 % below %3, at most %4",
                       {on.name, fixedText(on.difference.mean, 2), fixedText(on.difference.percentile95, 2),
                        fixedText(on.difference.maximum, 2)}) +
                "\n";
    return text;
}

std::int64_t doneBy(const std::vector<JournalEntry>& entries, FrameId frame)
{
    std::int64_t by = 0;
    const std::string subject = std::to_string(frame);
    for (const JournalEntry& entry : entries)
        for (const Change& change : entry.changes)
            if (entry.isDone && change.part == Change::Part::Done && change.subject == subject)
                by = change.after.empty() ? 0 : entry.gesture.id;
    return by;
}

std::vector<std::string> frameDifferences(const Job& before, const Job& after, FrameId frame, LookId lookForAll,
                                          const std::function<Result<Look>(RevisionId)>& lookAt)
{
    const FrameState &a = before.frame(frame), &b = after.frame(frame);
    std::vector<std::string> lines = balanceDifferences(a.balance, b.balance);
    if (!(a.framing == b.framing))
        lines.push_back(phrase("regions left out %1", {std::to_string(a.framing.leftOut.size())}) + " → " +
                        std::to_string(b.framing.leftOut.size()));
    if (a.standIn != b.standIn)
        lines.push_back(b.standIn ? phrase("another file stands for it") : phrase("its own picture again"));
    const auto areas = before.areasOf(frame), now = after.areasOf(frame);
    for (const auto& [role, area] : now)
        if (const auto old = areas.find(role); old == areas.end() || !(old->second == area))
            lines.push_back(old == areas.end() ? phrase("area %1 added", {role}) : phrase("area %1 changed", {role}));
    for (const auto& [role, area] : areas)
        if (now.count(role) == 0)
            lines.push_back(phrase("area %1 taken away", {role}));
    const auto chosen = [&](const Job& job) { return job.lookOf(frame) != 0 ? job.lookOf(frame) : lookForAll; };
    const auto old = before.looks.find(chosen(before)), current = after.looks.find(chosen(after));
    if (old == before.looks.end() || current == after.looks.end())
        return lines;
    if (old->first != current->first)
        lines.push_back(phrase("look %1", {old->second.name}) + " → " + current->second.name);
    else if (old->second.revision != current->second.revision)
        if (const auto one = lookAt(old->second.revision), other = lookAt(current->second.revision); one && other)
            for (const std::string& line : differenceWords(*one, *other))
                lines.push_back(current->second.name + ": " + line);
    return lines;
}

}  // namespace amber
