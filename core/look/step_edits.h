// What was done between two versions of a look, step by step: which steps came, went, moved and changed. In words for
// the log, and done again on another version for a replay.
//
// Steps have no name of their own, so those of the two versions are paired: first in order, by the alignment with the
// most equal steps and, of those left, the most of one kind; then, out of order, by kind. What is paired out of order
// has moved.
#pragma once

#include "core/look/look.h"

namespace amber {

struct StepEdit {
    enum class Kind { Added, Removed, Moved, Changed } kind = Kind::Changed;
    int before = -1, after = -1;  ///< which step, of either version; -1: of none
    bool operator==(const StepEdit&) const = default;
};

/// For every step of `before` the one of `after` that it has become, or -1.
std::vector<int> pairedSteps(const Look& before, const Look& after);
/// A step that moved and changed is listed twice. Removed ones first, then in the order of `after`.
std::vector<StepEdit> stepEdits(const Look& before, const Look& after);

/// "Curve: strength 1 → 0.8", one line for each thing that differs; also name, mood, intent and roles.
std::vector<std::string> differenceWords(const Look& before, const Look& after);

/// What was done from `before` to `after`, done on `look`: steps that came, went, moved and changed, and of these the
/// values that changed. When `look` is `before`, this is `after`. What cannot be done, as its step is not there, is
/// told in words.
struct Redone {
    Look look;
    std::vector<std::string> leftOut;
};
Redone redone(const Look& look, const Look& before, const Look& after);

}  // namespace amber
