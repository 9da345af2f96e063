// amber_client: a client's stand-in. Waits for a question in a folder and answers it after a moment, as a file beside
// it: most pictures are approved, some get a remark at a place.
#include "core/base/atomic_file.h"
#include "core/job/rounds.h"

#include <CLI/CLI.hpp>
#include <chrono>
#include <cstdio>
#include <random>
#include <thread>

namespace {

/// What clients say; nobody in particular.
constexpr const char* kRemarks[] = {"A little warmer, please", "The cloth is too bright here",
                                    "Can this mark go?",       "More of the blue in the glaze",
                                    "Too dark for our page",   "Please less contrast"};

amber::Answer answerTo(const amber::Answer& question, unsigned seed, double share)
{
    std::mt19937 random(seed);
    std::uniform_real_distribution<double> part(0, 1);
    amber::Answer answer = question;
    for (auto& file : answer.files) {
        file.isApproved = part(random) >= share;
        if (file.isApproved)
            continue;
        const auto which = static_cast<std::size_t>(part(random) * std::size(kRemarks)) % std::size(kRemarks);
        file.remarks.push_back({kRemarks[which], amber::Spot{0.2 + 0.6 * part(random), 0.2 + 0.6 * part(random)}});
    }
    return answer;
}

}  // namespace

int main(int argc, char** argv)
{
    CLI::App app{"A client's stand-in: answers the question in a delivery's folder"};
    std::string folder, out;
    double after = 1, share = 0.25;
    unsigned seed = 1;
    app.add_option("folder", folder, "Folder of the delivery, with question.json")->required();
    app.add_option("--out", out, "Folder for the answer; the delivery's when it is not given");
    app.add_option("--after", after, "Seconds to think")->check(CLI::Range(0.0, 3600.0));
    app.add_option("--remarks", share, "Share of the pictures that get a remark")->check(CLI::Range(0.0, 1.0));
    app.add_option("--seed", seed, "Another seed, other answers");
    CLI11_PARSE(app, argc, argv);
    const auto question = amber::readQuestion(std::filesystem::path(folder) / "question.json");
    if (!question) {
        std::fprintf(stderr, "amber_client: %s\n", question.error().message().c_str());
        return 1;
    }
    std::this_thread::sleep_for(std::chrono::duration<double>(after));
    const auto file = std::filesystem::path(out.empty() ? folder : out) /
                      ("answer-round-" + std::to_string(question->round) + ".json");
    if (const auto saved = amber::writeFileAtomically(file, amber::answerToText(answerTo(*question, seed, share)));
        !saved) {
        std::fprintf(stderr, "amber_client: %s\n", saved.error().message().c_str());
        return 1;
    }
    std::printf("%s\n", file.c_str());
    return 0;
}
