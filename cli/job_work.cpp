// amber job balance, consistency.
#include "cli/job.h"

#include "core/balance/balance_words.h"
#include "core/image/read.h"
#include "core/job/edits.h"
#include "core/job/shoot_work.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace amber::cli {
namespace {

struct Options {
    std::string job;
    bool take = false;
};

std::string nameOfId(const std::vector<Frame>& frames, FrameId id)
{
    const Frame* frame = frameOf(frames, id);
    return frame ? nameOf(*frame) : std::to_string(id);
}

/// To so many parts of one, and never a zero below zero.
double rounded(double value, int parts) { return std::round(value * parts) / parts + 0.0; }

void printProposals(const std::vector<BalanceProposal>& proposals, const std::vector<Frame>& frames, bool taken,
                    Session& session)
{
    Json list = Json::array();
    for (const BalanceProposal& p : proposals) {
        const Balance& light = p.balance.light;
        const std::string note = p.fault.empty() ? troubleWords(p.solved) : p.fault;
        if (!p.fault.empty())
            session.report(Error{p.fault, {}, {}, {}}, 1);
        list.push_back({{"frame", nameOfId(frames, p.frame)},
                        {"stops", light.exposureStops},
                        {"kelvin", light.kelvin},
                        {"tint", light.tint},
                        {"sure", p.solved.confidence},
                        {"restsOn", p.balance.because},
                        {"note", note},
                        {"taken", taken && p.isSound()}});
        if (!session.json)
            std::printf("%-26s %+6.2f stops %6.0f K  tint %+6.1f  %3.0f %%  %s%s%s\n",
                        nameOfId(frames, p.frame).c_str(), rounded(light.exposureStops, 100), light.kelvin,
                        rounded(light.tint, 10), 100 * p.solved.confidence, p.balance.because.c_str(),
                        note.empty() ? "" : " · ", note.c_str());
    }
    if (session.json)
        session.print({{"frames", std::move(list)}});
}

Status takeSound(JobStore& store, const std::vector<BalanceProposal>& proposals, const std::vector<Frame>& frames)
{
    std::map<FrameId, FrameBalance> sound;
    for (const BalanceProposal& p : proposals)
        if (p.isSound())
            sound[p.frame] = p.balance;
    const auto ratioOf = [&](FrameId id) -> std::optional<double> {
        const Frame* frame = frameOf(frames, id);
        const auto info = frame ? readPictureInfo(frame->path) : fail("no such frame");
        return info ? std::optional(static_cast<double>(info->width) / info->height) : std::nullopt;
    };
    return store.commit(withBalances(store.job(), sound, ratioOf),
                        sound.size() == 1 ? "Balance of 1 frame"
                                          : "Balance of " + std::to_string(sound.size()) + " frames");
}

void runBalance(const Options& o, Session& session)
{
    auto store = openJob(o.job, o.take, session);
    if (!store)
        return;
    const std::vector<Frame>& frames = store->frames();
    const ReadFrames read = readAllFacts(frames, session);
    Job job = store->job();
    job.lights = job.lights.empty() ? proposedLights(read) : withNewFrames(job.lights, read);
    if (o.take)
        if (const Status kept = store->adopt(job); !kept)
            return session.report(kept.error());
    const auto asked = framesToBalance(job, frames, read.ids, bracketsOf(read));
    const auto solved = balanceShoot(asked.frames, progressOnTerminal("balance"), interrupt(),
                                     cardsIn(cardFoldersOf(store->file(), frames)));
    if (!solved)
        return session.report(Error{"cancelled; nothing was changed", {}, {}, {}}, 1);
    job = withResponses(job, *solved);
    const auto proposals = proposalsOf(job, frames, asked, *solved);
    if (o.take) {
        Status done = store->adopt(job);
        if (done)
            done = store->setCards(cardsOf(asked, *solved));
        if (done)
            done = takeSound(*store, proposals, frames);
        if (!done)
            return session.report(done.error());
    }
    printProposals(proposals, frames, o.take, session);
}

Json described(const ConsistencyTable& table, const std::vector<FrameReading>& readings,
               const std::vector<KeyColour>& keys, const std::vector<Frame>& frames)
{
    const auto column = [&](std::size_t c) {
        return c < keys.size() ? keys[c].name : c == keys.size() ? "brightness" : "contrast";
    };
    Json rows = Json::array(), outliers = Json::array();
    for (std::size_t r = 0; r < readings.size(); ++r) {
        Json cells = Json::object();
        for (std::size_t c = 0; c < table.rows[r].size(); ++c)
            if (const ConsistencyCell& cell = table.rows[r][c]; cell.isMeasured)
                cells[column(c)] = {{"before", cell.before}, {"after", cell.after}, {"within", cell.isWithin}};
        rows.push_back({{"frame", nameOfId(frames, readings[r].frame)},
                        {"lead", readings[r].isLead},
                        {"fault", readings[r].fault},
                        {"cells", std::move(cells)}});
    }
    for (const Outlier& out : table.outliers)
        outliers.push_back({{"frame", nameOfId(frames, out.frame)},
                            {"column", column(out.column)},
                            {"difference", out.difference},
                            {"tolerance", out.tolerance}});
    return {{"within", table.within},
            {"withinBefore", table.withinBefore},
            {"spread", table.allSpread},
            {"rows", std::move(rows)},
            {"outliers", std::move(outliers)}};
}

void runConsistency(const Options& o, Session& session)
{
    auto store = openJob(o.job, false, session);
    if (!store)
        return;
    const std::vector<Frame>& frames = store->frames();
    const Job& job = store->job();
    const auto look = lookInHand(*store);
    if (!look)
        return session.report(look.error());
    if (job.lights.empty())
        return session.report(
            Error{"the job's lights are not told apart yet; see amber job light --propose", {}, {}, {}});
    if (job.keys.empty())
        return session.report(Error{"the job has no key colours; see amber job key", {}, {}, {}});
    const auto readings = readShoot(framesToRead(job, frames, [&](LookId id) { return store->currentLook(id); }),
                                    job.keys, *look, progressOnTerminal("consistency"), interrupt());
    for (const FrameReading& r : readings)
        if (!r.fault.empty())
            session.report(Error{r.fault, nameOfId(frames, r.frame), {}, {}}, 1);
    const ConsistencyTable table = consistency(readings, job.keys);
    if (session.json)
        return session.print(described(table, readings, job.keys, frames));
    std::vector<std::string> names;
    for (const FrameReading& r : readings)
        names.push_back(nameOfId(frames, r.frame));
    std::cout << consistencyCsv(table, job.keys, names);
}

}  // namespace

void addJobWork(CLI::App& job, Session& session)
{
    const auto o = std::make_shared<Options>();
    const auto sub = [&](const char* name, const char* words) {
        CLI::App* command = job.add_subcommand(name, words);
        command->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
        return command;
    };
    CLI::App* balance = sub("balance", "Solve every frame's balance against the lead of its light");
    balance->add_flag("--take", o->take, "Take what is sound; without, nothing changes");
    balance->footer("Example: amber job balance shoot.amberjob --take --json");
    balance->callback([o, &session] { runBalance(*o, session); });
    CLI::App* table =
        sub("consistency", "The consistency table: key colours and tones of every frame against its lead");
    table->footer("Example: amber job consistency shoot.amberjob --json");
    table->callback([o, &session] { runConsistency(*o, session); });
}

}  // namespace amber::cli
