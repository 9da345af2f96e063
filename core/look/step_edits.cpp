#include "core/look/step_edits.h"

#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/look/value_words.h"

#include <algorithm>
#include <map>

namespace amber {
namespace {

/// 3 for equal steps, 2 for one kind and title (so that of two curves each keeps its own), else none.
int likeness(const Step& a, const Step& b)
{
    if (a == b)
        return 5;
    if (typeOf(a) != typeOf(b))
        return 0;
    return a.parameters == b.parameters ? 3 : 2;
}

/// Longest weighted common subsequence.
std::vector<int> aligned(const std::vector<Step>& a, const std::vector<Step>& b)
{
    std::vector<std::vector<int>> best(a.size() + 1, std::vector<int>(b.size() + 1, 0));
    for (std::size_t i = a.size(); i-- > 0;)
        for (std::size_t j = b.size(); j-- > 0;) {
            const int like = likeness(a[i], b[j]);
            best[i][j] = std::max({best[i + 1][j], best[i][j + 1], like > 0 ? like + best[i + 1][j + 1] : 0});
        }
    std::vector<int> pairs(a.size(), -1);
    for (std::size_t i = 0, j = 0; i < a.size() && j < b.size();) {
        const int like = likeness(a[i], b[j]);
        if (like > 0 && best[i][j] == like + best[i + 1][j + 1])
            pairs[i++] = static_cast<int>(j++);
        else if (best[i][j] == best[i + 1][j])
            ++i;
        else
            ++j;
    }
    return pairs;
}

std::vector<int> inverse(const std::vector<int>& pairs, std::size_t size)
{
    std::vector<int> back(size, -1);
    for (std::size_t i = 0; i < pairs.size(); ++i)
        if (pairs[i] >= 0)
            back[static_cast<std::size_t>(pairs[i])] = static_cast<int>(i);
    return back;
}

std::string at(const Look& look, int step)
{
    return std::to_string(step + 1) + " " + phrase(titleOf(look.steps[static_cast<std::size_t>(step)]).c_str());
}

Json guardJson(const Guard& guard)
{
    Json json = toJson(guard);
    if (guard.where.isBound())
        json["where"] = toJson(guard.where);
    return json;
}

void addStepDifferences(std::vector<std::string>& lines, const std::string& title, const Step& a, const Step& b)
{
    std::vector<std::string> own;
    if (a.enabled != b.enabled)
        own.push_back(b.enabled ? phrase("switched on") : phrase("switched off"));
    if (a.strength != b.strength)
        own.push_back(phrase("strength %1", {shortText(a.strength)}) + " → " + shortText(b.strength));
    if (!(a.parameters == b.parameters)) {
        const std::size_t before = own.size();
        addDifferences(own, {}, parametersOf(a), parametersOf(b));
        if (own.size() == before)
            own.push_back(phrase("changed"));
    }
    if (!(a.guard == b.guard))
        addDifferences(own, phrase("guard"), guardJson(a.guard), guardJson(b.guard));
    if (a.note != b.note)
        own.push_back(b.note.empty() ? phrase("reason taken away") : phrase("reason: %1", {b.note}));
    if (a.group != b.group)
        own.push_back(b.group.empty() ? phrase("out of group %1", {a.group}) : phrase("in group %1", {b.group}));
    if (a.perPicture != b.perPicture || a.held != b.held)
        own.push_back(phrase("values of single frames"));
    for (const std::string& line : own)
        lines.push_back(title + ": " + line);
}

void addLookDifferences(std::vector<std::string>& lines, const Look& a, const Look& b)
{
    if (a.name != b.name)
        lines.push_back(phrase("name %1", {a.name}) + " → " + b.name);
    if (a.intent != b.intent)
        lines.push_back(b.intent.empty() ? phrase("mood taken away") : phrase("mood: %1", {b.intent}));
    if (!(a.card == b.card))
        addDifferences(lines, phrase("intent"), toJson(a.card), toJson(b.card));
    if (!(a.reference == b.reference))
        lines.push_back(b.reference ? phrase("reference noted") : phrase("reference taken away"));
    for (const Role& role : b.roles)
        if (!roleOf(a, role.name))
            lines.push_back(phrase("role %1 added", {role.name}));
    for (const Role& role : a.roles)
        if (!roleOf(b, role.name))
            lines.push_back(phrase("role %1 removed", {role.name}));
        else if (!(*roleOf(b, role.name) == role))
            lines.push_back(phrase("role %1 changed", {role.name}));
}

/// The values that differ between `before` and `after`, set on `json`; lists of the same things entry by entry.
void carry(Json& json, const Json& before, const Json& after)
{
    if (before == after)
        return;
    if (json.is_object() && before.is_object() && after.is_object()) {
        for (const auto& [key, value] : after.items()) {
            const Json old = before.contains(key) ? before[key] : Json();
            if (json.contains(key))
                carry(json[key], old, value);
            else if (!(old == value))
                json[key] = value;
        }
        for (const auto& [key, value] : before.items())
            if (!after.contains(key))
                json.erase(key);
        return;
    }
    const bool areLists = json.is_array() && before.is_array() && after.is_array();
    if (areLists && json.size() == before.size() && before.size() == after.size() && json.size() > 0 &&
        json.front().is_object()) {
        for (std::size_t i = 0; i < json.size(); ++i)
            carry(json[i], before[i], after[i]);
        return;
    }
    json = after;
}

/// False when its values cannot be put together.
bool carryStep(Step& step, const Step& before, const Step& after)
{
    const auto take = [](auto& mine, const auto& a, const auto& b) {
        if (!(a == b))
            mine = b;
    };
    take(step.enabled, before.enabled, after.enabled), take(step.strength, before.strength, after.strength);
    take(step.note, before.note, after.note), take(step.guard, before.guard, after.guard);
    take(step.perPicture, before.perPicture, after.perPicture), take(step.held, before.held, after.held);
    take(step.group, before.group, after.group), take(step.unknownFields, before.unknownFields, after.unknownFields);
    if (before.parameters == after.parameters)
        return true;
    if (step.parameters == before.parameters) {
        step.parameters = after.parameters;
        return true;
    }
    Json json = parametersOf(step);
    carry(json, parametersOf(before), parametersOf(after));
    auto parameters = withParameters(step, json);
    if (!parameters)
        return false;
    step.parameters = std::move(*parameters);
    return true;
}

/// A look being gone over, with what each of its steps was in `before`, or will be in `after`.
struct Hand {
    Look look;
    std::vector<int> was, is;
    std::map<int, Step> lifted;  ///< those that move, by what they were

    int of(const std::vector<int>& which, int step) const
    {
        const auto found = std::find(which.begin(), which.end(), step);
        return found == which.end() ? -1 : static_cast<int>(found - which.begin());
    }
    void erase(int place)
    {
        look.steps.erase(look.steps.begin() + place), was.erase(was.begin() + place), is.erase(is.begin() + place);
    }
    void insert(int place, Step step, int oldStep, int newStep)
    {
        look.steps.insert(look.steps.begin() + place, std::move(step));
        was.insert(was.begin() + place, oldStep), is.insert(is.begin() + place, newStep);
    }
    /// Behind the nearest step that stands before `step` in `after` and is here; else in front of the nearest behind.
    int placeFor(int step, int count) const
    {
        for (int before = step - 1; before >= 0; --before)
            if (const int found = of(is, before); found >= 0)
                return found + 1;
        for (int behind = step + 1; behind < count; ++behind)
            if (const int found = of(is, behind); found >= 0)
                return found;
        return static_cast<int>(look.steps.size());
    }
};

void redoEdit(Hand& hand, std::vector<std::string>& leftOut, const StepEdit& edit, const Look& before,
              const Look& after)
{
    const int count = static_cast<int>(after.steps.size());
    if (edit.kind == StepEdit::Kind::Added) {
        if (hand.look.steps.size() < kStepLimit)
            hand.insert(hand.placeFor(edit.after, count), after.steps[static_cast<std::size_t>(edit.after)], -1,
                        edit.after);
        else
            leftOut.push_back(phrase("%1 added: no room", {at(after, edit.after)}));
        return;
    }
    if (edit.kind == StepEdit::Kind::Moved) {
        if (const auto step = hand.lifted.find(edit.before); step != hand.lifted.end())
            hand.insert(hand.placeFor(edit.after, count), std::move(step->second), edit.before, edit.after);
        else
            leftOut.push_back(phrase("%1: the step is not there", {at(before, edit.before)}));
        return;
    }
    const int here = hand.of(hand.was, edit.before);
    if (here < 0) {
        leftOut.push_back(phrase("%1: the step is not there", {at(before, edit.before)}));
    } else if (edit.kind == StepEdit::Kind::Removed) {
        hand.erase(here);
    } else if (!carryStep(hand.look.steps[static_cast<std::size_t>(here)],
                          before.steps[static_cast<std::size_t>(edit.before)],
                          after.steps[static_cast<std::size_t>(edit.after)])) {
        leftOut.push_back(phrase("%1: its values do not fit", {at(before, edit.before)}));
    }
}

}  // namespace

std::vector<int> pairedSteps(const Look& before, const Look& after)
{
    std::vector<int> pairs = aligned(before.steps, after.steps);
    std::vector<int> back = inverse(pairs, after.steps.size());
    for (const bool onlyEqual : {true, false})
        for (std::size_t i = 0; i < pairs.size(); ++i)
            for (std::size_t j = 0; j < back.size() && pairs[i] < 0; ++j)
                if (const int like = likeness(before.steps[i], after.steps[j]);
                    back[j] < 0 && like > 0 && (like == 5 || !onlyEqual))
                    pairs[i] = static_cast<int>(j), back[j] = static_cast<int>(i);
    return pairs;
}

std::vector<StepEdit> stepEdits(const Look& before, const Look& after)
{
    const std::vector<int> pairs = pairedSteps(before, after), inOrder = aligned(before.steps, after.steps);
    const std::vector<int> back = inverse(pairs, after.steps.size());
    std::vector<StepEdit> edits;
    for (std::size_t i = 0; i < pairs.size(); ++i)
        if (pairs[i] < 0)
            edits.push_back({StepEdit::Kind::Removed, static_cast<int>(i), -1});
    for (std::size_t j = 0; j < back.size(); ++j) {
        const int i = back[j], to = static_cast<int>(j);
        if (i < 0) {
            edits.push_back({StepEdit::Kind::Added, -1, to});
            continue;
        }
        if (inOrder[static_cast<std::size_t>(i)] != to)
            edits.push_back({StepEdit::Kind::Moved, i, to});
        if (!(before.steps[static_cast<std::size_t>(i)] == after.steps[j]))
            edits.push_back({StepEdit::Kind::Changed, i, to});
    }
    return edits;
}

std::vector<std::string> differenceWords(const Look& before, const Look& after)
{
    std::vector<std::string> lines;
    addLookDifferences(lines, before, after);
    for (const StepEdit& edit : stepEdits(before, after)) {
        if (edit.kind == StepEdit::Kind::Added)
            lines.push_back(phrase("%1: added", {at(after, edit.after)}));
        else if (edit.kind == StepEdit::Kind::Removed)
            lines.push_back(phrase("%1: removed", {at(before, edit.before)}));
        else if (edit.kind == StepEdit::Kind::Moved)
            lines.push_back(phrase("%1: moved to place %2", {at(before, edit.before), std::to_string(edit.after + 1)}));
        else
            addStepDifferences(lines, at(after, edit.after), before.steps[static_cast<std::size_t>(edit.before)],
                               after.steps[static_cast<std::size_t>(edit.after)]);
    }
    return lines;
}

Redone redone(const Look& look, const Look& before, const Look& after)
{
    if (look == before)
        return {after, {}};
    Hand hand{look, inverse(pairedSteps(before, look), look.steps.size()), {}, {}};
    const std::vector<int> pairs = pairedSteps(before, after);
    for (const int step : hand.was)
        hand.is.push_back(step < 0 ? -1 : pairs[static_cast<std::size_t>(step)]);
    std::vector<std::string> leftOut;
    const std::vector<StepEdit> edits = stepEdits(before, after);
    // What moves is lifted out first, so that it is in nobody's way.
    for (const StepEdit& edit : edits)
        if (const int here = hand.of(hand.was, edit.before); edit.kind == StepEdit::Kind::Moved && here >= 0) {
            hand.lifted[edit.before] = hand.look.steps[static_cast<std::size_t>(here)];
            hand.erase(here);
        }
    for (const StepEdit& edit : edits)
        redoEdit(hand, leftOut, edit, before, after);
    const auto take = [](auto& mine, const auto& a, const auto& b) {
        if (!(a == b))
            mine = b;
    };
    take(hand.look.name, before.name, after.name), take(hand.look.intent, before.intent, after.intent);
    take(hand.look.card, before.card, after.card), take(hand.look.reference, before.reference, after.reference);
    take(hand.look.unknownFields, before.unknownFields, after.unknownFields);
    // A role that came between stays.
    std::vector<Role> roles = after.roles;
    for (const Role& role : hand.look.roles)
        if (!roleOf(before, role.name) && !roleOf(after, role.name))
            roles.push_back(role);
    hand.look.roles = std::move(roles);
    hand.look.fileVersion = std::max(hand.look.fileVersion, after.fileVersion);
    return {std::move(hand.look), std::move(leftOut)};
}

}  // namespace amber
