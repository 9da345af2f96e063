// amber job send, return, answer.
#include "cli/job.h"

#include "core/job/bring_in.h"
#include "core/job/rounds.h"
#include "core/job/shoot_work.h"
#include "core/retouch/take_back.h"

#include <cstdio>

namespace amber::cli {
namespace fs = std::filesystem;
namespace {

struct Options {
    std::string job, out, note, author, rights, frame;
    std::vector<std::string> frames, files;
    int steps = 0;
    double minutes = 0;
    bool wholeLook = false, cure = false;
};

LookId lookForAll(const JobStore& store)
{
    const auto looks = store.looks();
    const LookId chosen = store.desk().look;
    for (const LookEntry& entry : looks)
        if (entry.id == chosen)
            return chosen;
    return looks.empty() ? 0 : looks.front().id;
}

void sayDeliveries(const SendReport& report, const fs::path& folder, Session& session)
{
    Json files = Json::array();
    for (const Delivery& d : report.deliveries)
        if (!d.fault.empty())
            session.report(Error{d.fault, d.source.string(), {}, {}}, 1);
    for (const SentFile& sent : report.sent) {
        files.push_back({{"file", (folder / sent.name).string()},
                         {"identity", sent.identity},
                         {"spots", sent.spots.size()},
                         {"steps", sent.steps}});
        if (!session.json)
            std::printf("%-40s %zu spots proposed\n", sent.name.c_str(), sent.spots.size());
    }
    if (!report.warning.empty())
        session.report(Error{report.warning, {}, {}, {}}, 1);
    if (session.json)
        session.print({{"sent", std::move(files)}});
}

void runSend(const Options& o, Session& session)
{
    auto store = openJob(o.job, true, session);
    if (!store)
        return;
    const auto wanted = namedFrames(store->frames(), o.frames);
    if (!wanted)
        return session.report(wanted.error());
    SendChoices choices;
    choices.frames = *wanted, choices.steps = static_cast<std::size_t>(o.steps), choices.wholeLook = o.wholeLook;
    choices.note = o.note, choices.minutes = o.minutes, choices.author = o.author, choices.rights = o.rights;
    const SendOrder order = sendOrderOf(*store, store->frames(), lookForAll(*store), choices);
    for (const std::string& fault : order.faults)
        session.report(Error{fault, {}, {}, {}}, 1);
    const auto tell = progressOnTerminal("send");
    const auto report = sendOut(
        order, o.out, [&](int done, int total, const Delivery&) { tell(done, total); }, interrupt());
    if (!report)
        return session.report(report.error());
    if (const Status kept = addSent(*store, *report, o.out); !kept)
        return session.report(kept.error());
    sayDeliveries(*report, o.out, session);
}

/// Files, and the pictures of folders.
Result<std::vector<fs::path>> filesOf(const std::vector<std::string>& named)
{
    static const std::vector<std::string> kEndings{".tif", ".tiff", ".png", ".jpg", ".jpeg", ".webp"};
    std::vector<fs::path> files;
    for (const fs::path place : named) {
        std::error_code error;
        if (!fs::is_directory(place, error)) {
            files.push_back(place);
            continue;
        }
        const auto inside = picturesIn(place, kEndings);
        if (!inside)
            return tl::make_unexpected(inside.error());
        files.insert(files.end(), inside->begin(), inside->end());
    }
    return files;
}

/// One file taken back, as one gesture; or why it was not.
void takeOne(const Options& o, JobStore& store, const fs::path& file, std::optional<FrameId> frame, Json& said,
             Session& session)
{
    const auto back = takeBack(backOrderOf(store, store.frames(), file, frame), o.cure, interrupt());
    if (!back)
        return session.report(back.error(), 1);
    Json one{{"file", file.string()}, {"words", backWords(*back)}, {"taken", !back->isAsking}};
    if (back->isAsking) {
        std::string words = backWords(*back) + " Say whose it is with --frame:";
        for (std::size_t i = 0; i < std::min<std::size_t>(5, back->recognised.candidates.size()); ++i) {
            const SentFile& sent = sentFilesOf(store)[back->recognised.candidates[i].sent];
            one["candidates"].push_back(sent.name);
            words += (i > 0 ? ", " : " ") + fs::path(sent.name).stem().string();
        }
        session.report(Error{words, file.string(), {}, {}}, 1);
        said.push_back(std::move(one));
        return;
    }
    const auto job = withReturned(store, *back);
    if (!job)
        return session.report(job.error(), 1);
    const Frame* of = frameOf(store.frames(), back->sent.frame);
    const std::string name = of ? nameOf(*of) : back->sent.name;
    if (const Status kept = store.commit(*job, name + " came back retouched"); !kept)
        return session.report(kept.error(), 1);
    one["frame"] = name, one["touched"] = back->comparison.touched, one["restored"] = back->comparison.restored;
    one["drift"] = back->comparison.drift ? back->comparison.drift->mean : 0.0;
    one["picture"] = back->made.string();
    if (!session.json)
        std::printf("%-28s %s\n", name.c_str(), backWords(*back).c_str());
    said.push_back(std::move(one));
}

void runReturn(const Options& o, Session& session)
{
    auto store = openJob(o.job, true, session);
    if (!store)
        return;
    std::optional<FrameId> frame;
    if (!o.frame.empty()) {
        const auto named = namedFrames(store->frames(), {o.frame});
        if (!named)
            return session.report(named.error());
        frame = named->front();
    }
    const auto files = filesOf(o.files);
    if (!files)
        return session.report(files.error());
    if (frame && files->size() != 1)
        return session.report(Error{"one file at a time can be said to be a frame's", {}, {}, {}});
    Json said = Json::array();
    for (const fs::path& file : *files) {
        if (interrupt().isCancelled())
            break;
        takeOne(o, *store, file, frame, said, session);
    }
    if (session.json)
        session.print({{"returned", std::move(said)}});
}

void runAnswer(const Options& o, Session& session)
{
    auto store = openJob(o.job, true, session);
    if (!store)
        return;
    for (const std::string& file : o.files) {
        const auto answer = readAnswer(file);
        if (!answer) {
            session.report(answer.error(), 1);
            continue;
        }
        const auto answered = withAnswer(*store, *answer);
        if (!answered) {
            session.report(answered.error(), 1);
            continue;
        }
        const std::string words = roundWords(answered->round);
        Status kept = store->commit(answered->job, words);
        if (kept)
            kept = keepRound(*store, answered->round);
        if (!kept)
            return session.report(kept.error());
        for (const std::string& name : answered->unknown)
            session.report(Error{"the round has no such file", name, {}, {}}, 1);
        if (session.json)
            session.print({{"round", answered->round.number},
                           {"approved", answered->round.approved()},
                           {"remarks", answered->round.remarks()}});
        else
            std::printf("%s\n", words.c_str());
    }
}

}  // namespace

void addJobRetouch(CLI::App& job, Session& session)
{
    const auto o = std::make_shared<Options>();
    CLI::App* send = job.add_subcommand(
        "send", "Send frames out to be retouched: 16-bit files in a wide gamut, with a list of what is to be done");
    send->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
    send->add_option("--out", o->out, "Folder for the files and the list")->required();
    send->add_option("--frames", o->frames, "Only these frames, by name")->delimiter(',');
    send->add_option("--steps", o->steps, "So many first steps of each look go along; the others run afterwards")
        ->check(CLI::Range(0, 64));
    send->add_flag("--whole-look", o->wholeLook, "All steps go along");
    send->add_option("--note", o->note, "What is to be done");
    send->add_option("--minutes", o->minutes, "How long it may take, each")->check(CLI::Range(0.0, 10000.0));
    send->add_option("--author", o->author, "Said in every file");
    send->add_option("--rights", o->rights, "Said in every file");
    send->footer("Example: amber job send shoot.amberjob --out to-retouch --frames yard-03 --note \"Heal the bench\"");
    send->callback([o, &session] { runSend(*o, session); });
    CLI::App* back = job.add_subcommand(
        "return", "Take retouched files back: each comes to stand for its frame, with the steps that are in it");
    back->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
    back->add_option("files", o->files, "Files that came back, or folders of them")->required();
    back->add_option("--frame", o->frame, "Whose file it is, when it is not known by itself");
    back->add_flag("--cure", o->cure, "Colours that drifted are brought back");
    back->footer("Example: amber job return shoot.amberjob from-retouch --cure");
    back->callback([o, &session] { runReturn(*o, session); });
    CLI::App* answer =
        job.add_subcommand("answer", "Take a client's answer in: remarks become pins, tied to what they are about");
    answer->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
    answer->add_option("files", o->files, "Answers (.json)")->required();
    answer->footer("Example: amber job answer shoot.amberjob handed-over/answer-round-1.json");
    answer->callback([o, &session] { runAnswer(*o, session); });
}

}  // namespace amber::cli
