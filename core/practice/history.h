// What was practised: every round ever played, in one file of the user's, to which lines are only ever added
// (practice.jsonl: one JSON object a line). From it: how well somebody sees, day by day, and what they take for what.
#pragma once

#include "core/practice/drill.h"
#include "core/practice/staircase.h"

#include <filesystem>

namespace amber {

struct Played {
    std::string made;     ///< "2026-05-04 10:11:12", UTC
    std::string sitting;  ///< rounds played one after another share it
    Drill drill = Drill::Family;
    double level = 0;
    bool isRight = false, isAmountRight = false;
    std::string right, said, picture;
    double seconds = 0, deltaE = 0;
    bool onOwn = false;                     ///< on the user's own frames
    double threshold = 0, uncertainty = 0;  ///< as it was believed after this round
};

class PracticeHistory {
public:
    /// $XDG_DATA_HOME/jolly-amber/practice.jsonl.
    static std::filesystem::path fileOfUser();
    /// A line that cannot be read is passed over and left where it is.
    explicit PracticeHistory(std::filesystem::path file);

    const std::vector<Played>& rounds() const { return m_rounds; }
    int unreadable() const { return m_unreadable; }
    /// Added to the file and flushed before it returns.
    Status add(const Played& played);

    /// The staircase with which a sitting begins: from what was believed last of this drill, a little less sure.
    Staircase staircase(Drill drill) const;

    /// One sitting of a drill, as a point of the plot.
    struct Sitting {
        std::string made;
        int rounds = 0, right = 0;
        double threshold = 0, uncertainty = 0, seconds = 0;  ///< seconds: mean of a round
    };
    std::vector<Sitting> sittings(Drill drill) const;

    /// What was taken for what, the commonest first.
    struct Confusion {
        std::string right, said;
        int times = 0, of = 0;  ///< so often when it was `right`
    };
    std::vector<Confusion> confusions(Drill drill) const;

    std::string csv() const;

private:
    std::filesystem::path m_file;
    std::vector<Played> m_rounds;
    int m_unreadable = 0;
};

/// "You take straw for leaf: 3 of 7 times." Empty when nothing was taken for anything twice.
std::string confusionWords(const std::vector<PracticeHistory::Confusion>& confusions);

}  // namespace amber
