// The journal: what every gesture changed, thing by thing, before and after. Undo and redo walk it; a log can show it.
#pragma once

#include "core/base/result.h"
#include "core/job/job.h"

namespace amber {

/// One thing that a gesture changed. `before` and `after` are JSON of the thing's value; empty is a thing as it is when
/// nothing was decided of it.
struct Change {
    enum class Part {
        Balance,     ///< of a frame
        Framing,     ///< of a frame
        Rating,      ///< of a frame
        Done,        ///< of a frame
        Unused,      ///< of a frame
        MergedFrom,  ///< of a frame
        FrameLook,   ///< of a frame: the look it is handed over with
        Lights,      ///< all of them
        Sets,        ///< all of them
        KeyColours,  ///< all of them
        KeyPlace,    ///< of a frame and a key colour: "12 a cup"
        Area,        ///< of a frame and a role: "12 sky"
        Response,    ///< of a camera
        Look,        ///< its name and revision
        CheckUses,   ///< all own ones
        Accepted,    ///< a finding, by subjectOf()
        StandIn,     ///< of a frame
        Pin,         ///< by its number
        Ticks        ///< of a frame, or of the shoot (0)
    };
    Part part = Part::Balance;
    std::string subject;  ///< the number of a frame or look, the name of a camera
    std::string before, after;
};

/// A gesture as the journal names it.
struct Gesture {
    std::int64_t id = 0;
    std::string what;    ///< "Curve point moved"
    std::string reason;  ///< when one was given
    std::string made;    ///< "2026-05-04 10:11:12", UTC
};

/// A gesture with what it changed.
struct JournalEntry {
    Gesture gesture;
    std::vector<Change> changes;
    bool isDone = true;  ///< false: taken back
};

/// What differs, in the order of the parts.
std::vector<Change> changesBetween(const Job& before, const Job& after);

/// The job with `changes` done (or, with `isUndo`, taken back). Fails for a text that is no value of its part, with
/// nothing changed. `maskOf` gives the masks that areas name.
Result<Job> changed(Job job, const std::vector<Change>& changes, bool isUndo, const MaskOf& maskOf = {});

/// A finding as the journal names it; and back. Throws for a text that names none.
std::string subjectOf(const FindingId& id);
FindingId findingFrom(const std::string& subject);

/// "balance", "key-place": as it is kept; and back.
const char* nameOf(Change::Part part);
Result<Change::Part> partFromName(const std::string& name);

}  // namespace amber
