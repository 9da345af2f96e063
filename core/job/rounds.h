// Rounds of an answer: what was handed over with a question, and what the client said to it. The question lies beside
// the files (question.json), the answer comes as a file (docs/formats/answer.schema.json).
#pragma once

#include "core/job/job_store.h"

namespace amber {

struct Round {
    std::int64_t record = 0;
    int number = 1;
    std::string folder;                   ///< as JobStore::keptPlace() gives it
    std::string recipe, asked, answered;  ///< when: "2026-05-04 10:11:12", UTC; answered is empty until it is
    struct File {
        std::string name;
        FrameId frame = 0;
        RevisionId revision = 0;  ///< of its look when it was handed over
        std::string look;
        bool isApproved = false;
        int remarks = 0;
    };
    std::vector<File> files;
    int approved() const;
    int remarks() const;
};

std::vector<Round> roundsOf(const JobStore& store);
/// A further round over these files; `folder` gets question.json (or, where that is another's, question-2.json).
Result<Round> ask(JobStore& store, const std::filesystem::path& folder, const std::string& recipe,
                  std::vector<Round::File> files);

struct Answer {
    int round = 0;
    struct Remark {
        std::string text;
        std::optional<Spot> place;
    };
    struct File {
        std::string name;
        bool isApproved = false;
        std::vector<Remark> remarks;
    };
    std::vector<File> files;
};
/// Fails with the field that is wrong.
Result<Answer> readAnswer(const std::filesystem::path& file);
std::string answerToText(const Answer& answer);
/// What a question asks about: the names of its files, in an answer without verdicts.
Result<Answer> readQuestion(const std::filesystem::path& file);

/// What the client said as pins: remarks open, approvals done; and the round as it is then. Fails when no round asked
/// for it, or that round was answered. The job is for one gesture; the round is kept after it (keepRound).
struct Answered {
    Job job;
    Round round;
    std::vector<std::string> unknown;  ///< files that the round does not have
};
Result<Answered> withAnswer(const JobStore& store, const Answer& answer);
Status keepRound(JobStore& store, const Round& round);
/// "Round 2: 3 approved, 2 remarks"
std::string roundWords(const Round& round);

}  // namespace amber
