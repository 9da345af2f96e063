#include "core/job/rounds.h"

#include "core/base/atomic_file.h"
#include "core/base/json_text.h"
#include "core/base/phrase.h"
#include "core/base/utc_time.h"
#include "core/base/written_files.h"

#include <algorithm>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr const char *kRecord = "round", *kQuestion = "jolly-amber question", *kAnswer = "jolly-amber answer";
constexpr std::size_t kFileLimit = 16'000'000;

std::string roundText(const Round& r)
{
    Json files = Json::array();
    for (const Round::File& f : r.files)
        files.push_back({{"name", f.name},
                         {"frame", f.frame},
                         {"revision", f.revision},
                         {"look", f.look},
                         {"approved", f.isApproved},
                         {"remarks", f.remarks}});
    return jsonText({{"number", r.number},
                     {"folder", r.folder},
                     {"recipe", r.recipe},
                     {"asked", r.asked},
                     {"answered", r.answered},
                     {"files", std::move(files)}});
}

Round roundFrom(const std::string& text)
{
    const Json json = Json::parse(text);
    const auto word = [](const Json& of, const char* name) { return of.at(name).get<std::string>(); };
    Round r;
    r.number = json.at("number").get<int>();
    r.folder = word(json, "folder"), r.recipe = word(json, "recipe"), r.asked = word(json, "asked");
    r.answered = word(json, "answered");
    for (const Json& f : json.at("files"))
        r.files.push_back({word(f, "name"), f.at("frame").get<FrameId>(), f.at("revision").get<RevisionId>(),
                           word(f, "look"), f.at("approved").get<bool>(), f.at("remarks").get<int>()});
    return r;
}

/// Reads a JSON file of ours of this kind. Throws for a field that is not as it should be.
template <class Take>
Result<Answer> readFile(const fs::path& file, const char* kind, const Take& take)
{
    const auto bytes = readWholeFile(file, kFileLimit);
    if (!bytes)
        return tl::make_unexpected(bytes.error());
    const Json json = Json::parse(*bytes, nullptr, false);
    if (!json.is_object() || json.value("kind", Json()) != kind)
        return fail("it is none", file.string(), std::string("\"kind\": \"") + kind + "\"");
    if (json.value("format", Json()) != 1)
        return fail("it was written by a newer version", file.string());
    try {
        Answer answer;
        answer.round = json.at("round").get<int>();
        for (const Json& f : json.at("files")) {
            answer.files.push_back({f.at("name").get<std::string>(), false, {}});
            take(f, answer.files.back());
        }
        return answer;
    } catch (const std::exception& error) {
        return fail("it cannot be read: " + std::string(error.what()), file.string());
    }
}

}  // namespace

int Round::approved() const
{
    return static_cast<int>(std::count_if(files.begin(), files.end(), [](const File& f) { return f.isApproved; }));
}

int Round::remarks() const
{
    int all = 0;
    for (const File& f : files)
        all += f.remarks;
    return all;
}

std::vector<Round> roundsOf(const JobStore& store)
{
    std::vector<Round> all;
    for (const Record& record : store.records(kRecord).value_or(std::vector<Record>{}))
        try {
            all.push_back(roundFrom(record.json));
            all.back().record = record.id;
        } catch (const std::exception&) {
            continue;  // written by a newer version
        }
    return all;
}

Result<Round> ask(JobStore& store, const fs::path& folder, const std::string& recipe, std::vector<Round::File> files)
{
    if (files.empty())
        return fail("there is nothing to ask about");
    Round round;
    const auto before = roundsOf(store);
    round.number = before.empty() ? 1 : before.back().number + 1;
    round.folder = store.keptPlace(folder), round.recipe = recipe, round.asked = utcNow();
    round.files = std::move(files);
    Json names = Json::array();
    for (const Round::File& f : round.files)
        names.push_back({{"name", f.name}});
    const Json question{{"kind", kQuestion}, {"format", 1}, {"round", round.number}, {"files", std::move(names)}};
    WrittenFiles written = WrittenFiles::ofFolder(folder);
    fs::path file = folder / "question.json";
    std::error_code error;
    for (int n = 2; fs::exists(fs::symlink_status(file, error)) && !written.seemsOurs(file); ++n)
        file = folder / ("question-" + std::to_string(n) + ".json");
    if (const Status saved = writeFileAtomically(file, jsonText(question, 1, true) + "\n", &written); !saved)
        return tl::make_unexpected(saved.error());
    const auto record = store.addRecord(kRecord, roundText(round));
    if (!record)
        return tl::make_unexpected(record.error());
    round.record = *record;
    return round;
}

Result<Answer> readQuestion(const fs::path& file)
{
    return readFile(file, kQuestion, [](const Json&, Answer::File&) {});
}

Result<Answer> readAnswer(const fs::path& file)
{
    return readFile(file, kAnswer, [](const Json& json, Answer::File& f) {
        const auto verdict = json.at("verdict").get<std::string>();
        if (verdict != "approved" && verdict != "changes")
            throw std::runtime_error("verdict: approved or changes was expected, not " + verdict);
        f.isApproved = verdict == "approved";
        for (const Json& r : json.value("remarks", Json::array())) {
            Answer::Remark remark{r.at("text").get<std::string>(), std::nullopt};
            if (r.contains("x") && r.contains("y"))
                remark.place =
                    Spot{std::clamp(r.at("x").get<double>(), 0.0, 1.0), std::clamp(r.at("y").get<double>(), 0.0, 1.0)};
            f.remarks.push_back(std::move(remark));
        }
    });
}

std::string answerToText(const Answer& answer)
{
    Json files = Json::array();
    for (const Answer::File& f : answer.files) {
        Json file{{"name", f.name}, {"verdict", f.isApproved ? "approved" : "changes"}, {"remarks", Json::array()}};
        for (const Answer::Remark& r : f.remarks) {
            Json remark{{"text", r.text}};
            if (r.place)
                remark["x"] = r.place->x, remark["y"] = r.place->y;
            file["remarks"].push_back(std::move(remark));
        }
        files.push_back(std::move(file));
    }
    return jsonText({{"kind", kAnswer}, {"format", 1}, {"round", answer.round}, {"files", std::move(files)}}, 1, true) +
           "\n";
}

Result<Answered> withAnswer(const JobStore& store, const Answer& answer)
{
    std::vector<Round> rounds = roundsOf(store);
    const auto round =
        std::find_if(rounds.begin(), rounds.end(), [&](const Round& r) { return r.number == answer.round; });
    if (round == rounds.end())
        return fail("no round asked for this answer", "round " + std::to_string(answer.round));
    if (!round->answered.empty())
        return fail("this round was answered", "round " + std::to_string(answer.round), {}, round->answered);
    Answered result{store.job(), {}, {}};
    const std::string when = utcNow();
    for (const Answer::File& said : answer.files) {
        const auto file = std::find_if(round->files.begin(), round->files.end(),
                                       [&](const Round::File& f) { return f.name == said.name; });
        if (file == round->files.end()) {
            result.unknown.push_back(said.name);
            continue;
        }
        Pin pin;
        pin.from = Pin::From::Client, pin.frame = file->frame, pin.revision = file->revision, pin.made = when;
        pin.about = file->look + ", round " + std::to_string(round->number);
        file->isApproved = said.isApproved, file->remarks = static_cast<int>(said.remarks.size());
        for (const Answer::Remark& remark : said.remarks) {
            pin.text = remark.text, pin.place = remark.place;
            result.job.pins[result.job.nextPin()] = pin;
        }
        if (said.isApproved) {
            pin.text = "approved", pin.place.reset(), pin.isDone = true;
            result.job.pins[result.job.nextPin()] = pin;
        }
    }
    round->answered = when;
    result.round = *round;
    return result;
}

Status keepRound(JobStore& store, const Round& round) { return store.setRecord(round.record, roundText(round)); }

std::string roundWords(const Round& round)
{
    const int approved = round.approved(), remarks = round.remarks();
    return countedPhrase(static_cast<std::size_t>(remarks), "Round %1: %2 approved, %n remark",
                         "Round %1: %2 approved, %n remarks", {std::to_string(round.number), std::to_string(approved)});
}

}  // namespace amber
