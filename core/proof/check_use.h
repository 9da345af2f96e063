// For what frames are checked, and which findings were let stand: plain values, kept with a job.
#pragma once

#include <array>
#include <compare>
#include <cstdint>
#include <map>
#include <string>

namespace amber {

struct CheckKind;

/// For what frames are checked: a name and the limits that differ from those of the use it rests on.
struct CheckUse {
    std::string name;
    int base = 0;  ///< 0 screen, 1 print, 2 archive
    std::map<std::string, double> limits = {};
    bool operator==(const CheckUse&) const = default;
    double limitOf(const CheckKind& kind) const;
};
const std::array<CheckUse, 3>& checkUses();

/// A finding by what it is of, whatever it measures now: of a frame, for a use, by a check, of one of its parts.
struct FindingId {
    std::int64_t frame = 0;
    std::string use, check, part;
    auto operator<=>(const FindingId&) const = default;
};

/// A finding that was let stand, with why, and what was measured then.
struct Acceptance {
    double value = 0;
    std::string reason;
    bool operator==(const Acceptance&) const = default;
    /// It stands while what is measured is no worse than it was, but for a tenth.
    bool covers(double now) const { return now <= 1.1 * value; }
};
using Acceptances = std::map<FindingId, Acceptance>;

}  // namespace amber
