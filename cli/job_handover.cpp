// amber job handover, merge, verify; amber recipe.
#include "cli/job.h"

#include "core/base/number_text.h"
#include "core/base/written_files.h"
#include "core/handover/job_batch.h"
#include "core/handover/preflight.h"
#include "core/handover/verify.h"
#include "core/job/shoot_work.h"

#include <cstdio>

namespace amber::cli {
namespace {

struct Options {
    std::string job, out, part = "1/1", author, rights, recipeFile, recipeName;
    std::vector<std::string> frames, recipes;
    DeliveryChoices choices;
    bool allButUnused = false, withCard = false, ask = false, dryRun = false, done = false, closed = false;
    std::string light;
    int rating = 0;
};

/// Those that were named, or the one that options describe.
Result<std::vector<Recipe>> recipesOf(const Options& o)
{
    std::vector<Recipe> recipes;
    for (const std::string& name : o.recipes) {
        auto recipe = recipeNamed(name);
        if (!recipe)
            return tl::make_unexpected(recipe.error());
        recipes.push_back(std::move(*recipe));
    }
    if (!recipes.empty())
        return recipes;
    auto recipe = recipeOf(o.choices);
    if (!recipe)
        return tl::make_unexpected(recipe.error());
    return std::vector<Recipe>{std::move(*recipe)};
}

/// K/N.
Result<std::pair<int, int>> partOf(const std::string& text)
{
    int part = 0, parts = 0, used = 0;
    if (std::sscanf(text.c_str(), "%d/%d%n", &part, &parts, &used) != 2 || used != static_cast<int>(text.size()) ||
        part < 1 || parts < part)
        return fail("not a part of a delivery", {}, "K/N with 1 <= K <= N, as 2/4", text);
    return std::pair(part, parts);
}

void seekCardsIn(JobStore& store, const std::vector<FrameId>& wanted, std::vector<Frame>& frames)
{
    for (const auto& [id, card] : seekCards(frames, wanted, cardsIn(cardFoldersOf(store.file(), frames)),
                                            progressOnTerminal("looking for the colour card"), interrupt()))
        for (Frame& frame : frames)
            if (frame.id == id)
                frame.card = card;
}

Result<ExportReport> shipAll(const Options& o, JobStore& store, const std::vector<Frame>& frames, const Look& look,
                             const std::vector<FrameId>& wanted, const std::vector<Recipe>& recipes,
                             const std::pair<int, int>& part)
{
    std::vector<Shipment> shipments;
    for (const Recipe& recipe : recipes) {
        Shipment shipment = shipmentOf(recipe, o.out, frames);
        shipment.author = o.author, shipment.rights = o.rights;
        shipment.part = part.first, shipment.parts = part.second;
        shipments.push_back(std::move(shipment));
    }
    const auto consignments = consignmentsOf(
        store.job(), frames, wanted, [&](LookId id) { return store.currentLook(id); }, std::move(shipments),
        o.withCard);
    std::set<FrameId> said;
    for (const Consignment& c : consignments)
        for (const FrameId id : c.batch.withCard)
            if (const Frame* frame = frameOf(frames, id); frame && said.insert(id).second)
                std::cerr << "amber: " << nameOf(*frame) << " is left out: it shows the colour card (--with-card)\n";
    const auto tell = progressOnTerminal("hand over");
    return exportAll(
        look, consignments, [&](int done, int total, const Delivery&) { tell(done, total); }, interrupt());
}

/// Those that were named, of what was chosen besides.
Result<std::vector<FrameId>> wantedFrames(const Options& o, const JobStore& store)
{
    auto wanted = namedFrames(store.frames(), o.frames);
    if (!wanted)
        return wanted;
    const auto rule = [](const char* frames, std::string of = {}) {
        HandOver choices;
        choices.frames = frames, choices.of = std::move(of);
        return choices;
    };
    const std::pair<bool, HandOver> rules[] = {{o.allButUnused, rule("used")},
                                               {o.done, rule("done")},
                                               {o.closed, rule("closed")},
                                               {o.rating > 0, rule("rated", std::to_string(o.rating))},
                                               {!o.light.empty(), rule("light", o.light)}};
    for (const auto& [counts, chosen] : rules)
        if (counts) {
            const auto left = framesToHandOver(store.job(), store.frames(), chosen);
            const std::set<FrameId> stay(left.begin(), left.end());
            std::erase_if(*wanted, [&](FrameId id) { return stay.count(id) == 0; });
        }
    return wanted;
}

/// What would be written, and what should be known first.
void sayPreflight(const Options& o, const JobStore& store, const std::vector<Frame>& frames, const Look& look,
                  const std::vector<FrameId>& wanted, const std::vector<Recipe>& recipes, Session& session)
{
    PreflightOrder order{store.job(), frames, wanted, {}, look, {}};
    for (const Recipe& recipe : recipes)
        order.shipments.push_back(shipmentOf(recipe, o.out, frames));
    order.batch = batchOf(store.job(), frames, wanted, [&](LookId id) { return store.currentLook(id); },
                          {o.withCard, recipes.front().ratio});
    const Preflight found = preflight(order, interrupt());
    static constexpr const char* kWeights[] = {"stops", "asks", "says"};
    Json points = Json::array();
    for (const PreflightPoint& p : found.points) {
        Json names = Json::array();
        for (const FrameId id : p.frames)
            if (const Frame* frame = frameOf(frames, id))
                names.push_back(nameOf(*frame));
        const char* weight = kWeights[static_cast<int>(p.weight)];
        points.push_back({{"weight", weight}, {"words", p.words}, {"frames", std::move(names)}});
        if (!session.json)
            std::printf("%-6s %s\n", weight, p.words.c_str());
    }
    const std::size_t files = order.batch.frames.size() * recipes.size();
    if (session.json)
        session.print({{"files", files}, {"bytes", found.bytes}, {"room", found.room}, {"points", std::move(points)}});
    else
        std::printf("%zu files, %s; nothing was written\n", files, bytesInWords(found.bytes).c_str());
    if (found.stops())
        session.report(Error{"something stands in the way", {}, {}, {}}, 1);
}

void askAbout(const Options& o, JobStore& store, const std::vector<Frame>& frames, const ExportReport& report,
              const Recipe& first, Session& session)
{
    const auto entries = store.looks();
    const LookId forAll = store.desk().look != 0 ? store.desk().look : entries.empty() ? 0 : entries.front().id;
    const auto round = ask(store, shipmentOf(first, o.out, frames).target(), first.name,
                           roundFilesOf(store, frames, forAll, report, first.name));
    if (!round)
        return session.report(round.error(), 1);
    if (!session.json)
        std::printf("round %d: an answer is asked for\n", round->number);
}

void runHandover(const Options& o, Session& session)
{
    auto store = openJob(o.job, o.ask, session);
    if (!store)
        return;
    std::vector<Frame> frames = store->frames();
    const auto look = lookInHand(*store);
    const auto wanted = wantedFrames(o, *store);
    const auto recipes = recipesOf(o);
    const auto part = partOf(o.part);
    const std::initializer_list<const Error*> errors{look ? nullptr : &look.error(), wanted ? nullptr : &wanted.error(),
                                                     recipes ? nullptr : &recipes.error(),
                                                     part ? nullptr : &part.error()};
    for (const Error* error : errors)
        if (error)
            return session.report(*error);
    if (!o.withCard)
        seekCardsIn(*store, *wanted, frames);
    if (o.dryRun)
        return sayPreflight(o, *store, frames, *look, *wanted, *recipes, session);
    const auto report = shipAll(o, *store, frames, *look, *wanted, *recipes, *part);
    if (!report)
        return session.report(report.error());
    session.deliver(*report, look->name, wanted->size() * recipes->size());
    if (o.ask)
        askAbout(o, *store, frames, *report, recipes->front(), session);
}

void runMerge(const Options& o, Session& session)
{
    // Every folder of the delivery may have lists of parts.
    std::set<std::filesystem::path> folders{o.out};
    std::error_code error;
    for (auto at = std::filesystem::recursive_directory_iterator(o.out, error);
         !error && at != std::filesystem::recursive_directory_iterator(); at.increment(error))
        if (at->is_directory(error))
            folders.insert(at->path());
    if (error)
        return session.report(Error{"cannot be read: " + error.message(), o.out, {}, {}});
    int merged = 0;
    for (const auto& folder : folders) {
        const auto lists = WrittenFiles::mergeParts(folder);
        if (!lists)
            return session.report(lists.error());
        merged += *lists;
    }
    if (session.json)
        return session.print({{"parts", merged}});
    std::printf("%d %s merged\n", merged, merged == 1 ? "list of a part" : "lists of parts");
}

const char* wordOf(VerifiedFile::Is is)
{
    switch (is) {
    case VerifiedFile::Is::Whole:
        return "whole";
    case VerifiedFile::Is::Changed:
        return "changed";
    case VerifiedFile::Is::Missing:
        return "missing";
    default:
        return "unread";
    }
}

void runVerify(const Options& o, Session& session)
{
    const auto verified = verifyDelivery(o.out, progressOnTerminal("verify"), interrupt());
    if (!verified)
        return session.report(verified.error());
    Json files = Json::array(), others = Json::array();
    for (const VerifiedFile& file : verified->files) {
        files.push_back({{"file", file.file.string()}, {"is", wordOf(file.is)}});
        if (file.is != VerifiedFile::Is::Whole)
            session.report(Error{file.words, file.file.string(), {}, {}}, 1);
    }
    for (const auto& other : verified->others)
        others.push_back(other.string());
    if (session.json)
        return session.print(
            {{"files", std::move(files)}, {"wrong", verified->wrong()}, {"others", std::move(others)}});
    std::printf("%zu of %zu files are as they were written", verified->files.size() - verified->wrong(),
                verified->files.size());
    if (!verified->others.empty())
        std::printf("; %zu beside them are in no list", verified->others.size());
    std::printf("\n");
}

/// A line of what a recipe makes.
std::string summaryOf(const Recipe& r)
{
    std::string words(nameOf(r.format));
    if (hasQuality(r.format))
        words += r.weight > 0 ? " within " + shortText(r.weight) + " kB" : " quality " + std::to_string(r.quality);
    words += ", " + (r.profile.empty() ? std::string(nameOf(r.space)) : r.profile);
    const auto number = [](double v) { return shortText(v); };
    switch (r.size.kind) {
    case OutputSize::Kind::Own:
        return words + ", own size";
    case OutputSize::Kind::LongEdge:
        return words + ", long edge " + number(r.size.width) + " px";
    case OutputSize::Kind::Box:
        return words + ", within " + number(r.size.width) + " x " + number(r.size.height) + " px";
    case OutputSize::Kind::Megapixels:
        return words + ", " + number(r.size.width) + " megapixels";
    default:
        return words + ", within " + number(r.size.width) + " x " + number(r.size.height) + " mm at " + number(r.ppi) +
               " ppi";
    }
}

void runRecipes(Session& session)
{
    const OwnRecipes own = ownRecipes();
    Json list = Json::array();
    for (const auto* recipes : {&shippedRecipes(), &own.recipes})
        for (const Recipe& r : *recipes) {
            const bool ships = recipes == &shippedRecipes();
            list.push_back({{"name", r.name}, {"ships", ships}, {"makes", summaryOf(r)}});
            if (!session.json)
                std::printf("%-16s %-6s %s\n", r.name.c_str(), ships ? "" : "own", summaryOf(r).c_str());
        }
    for (const std::string& fault : own.faults)
        session.report(Error{fault, {}, {}, {}}, 1);
    if (session.json)
        session.print({{"recipes", std::move(list)}});
}

void addChoices(CLI::App& hand, Options& o)
{
    DeliveryChoices& d = o.choices;
    hand.add_option("--recipe", o.recipes,
                    "Recipes by name (see amber recipe list) or file; without, the options below")
        ->delimiter(',');
    hand.add_option("--part", o.part, "Of N machines that share the work this is the K-th: K/N")->capture_default_str();
    hand.add_option("--author", o.author, "Said in every file");
    hand.add_option("--rights", o.rights, "Said in every file");
    hand.add_option("--format", d.format, "jpeg, png8, png16, tiff8, tiff16, webp, exr or exr32")
        ->capture_default_str();
    hand.add_option("--space", d.space, "srgb, p3, oprgb, prophoto or rec2020")->capture_default_str();
    hand.add_option("--quality", d.quality, "Quality of JPEG and WebP")
        ->check(CLI::Range(1, 100))
        ->capture_default_str();
    hand.add_option("--long-edge", d.longEdge, "Reduce to this many pixels (0: as it is)")
        ->check(CLI::Range(0, 100000));
    hand.add_option("--ratio", d.ratio, "Cut to this width / height (0: as it is)")->check(CLI::Range(0.0, 10.0));
    hand.add_option("--frames", o.frames, "Only these frames, by name")->delimiter(',');
    hand.add_flag("--with-card", o.withCard, "Also frames that show the colour card; without, they are left out");
    hand.add_option("--light", o.light, "Only frames of this light");
    hand.add_option("--rating", o.rating, "Only frames with so many stars or more")->check(CLI::Range(1, 5));
    hand.add_flag("--done", o.done, "Only frames that are ticked off");
    hand.add_flag("--closed", o.closed, "Only frames without open pins");
    hand.add_flag("--ask", o.ask, "Ask the client for an answer about the files of the first recipe");
    hand.add_flag("--dry-run", o.dryRun, "Say what is to be known before, and write nothing");
    hand.add_flag("--all-but-unused", o.allButUnused, "Without exposures of which another was chosen");
}

}  // namespace

void addJobHandover(CLI::App& job, Session& session)
{
    const auto o = std::make_shared<Options>();
    CLI::App* hand = job.add_subcommand(
        "handover",
        "Write the frames, balanced and with their looks: the files the window writes; what has not changed "
        "since it was written is left as it is");
    hand->add_option("job", o->job, "The job (.amberjob), or its folder")->required();
    hand->add_option("--out", o->out, "Folder for the files")->required();
    addChoices(*hand, *o);
    hand->footer("Example: amber job handover shoot.amberjob --out handed-over --recipe web,full");
    hand->callback([o, &session] { runHandover(*o, session); });
    CLI::App* merge =
        job.add_subcommand("merge", "Bring the lists of the parts of a delivery together (see handover --part)");
    merge->add_option("folder", o->out, "Folder of the delivery")->required();
    merge->footer("Example: amber job merge handed-over");
    merge->callback([o, &session] { runMerge(*o, session); });
    CLI::App* verify =
        job.add_subcommand("verify", "Hold a delivery against its manifest: every file read and compared");
    verify->add_option("folder", o->out, "Folder of the delivery")->required();
    verify->footer("Example: amber job verify handed-over");
    verify->callback([o, &session] { runVerify(*o, session); });
}

void addRecipe(CLI::App& app, Session& session)
{
    const auto o = std::make_shared<Options>();
    CLI::App* recipe = app.add_subcommand("recipe", "How files are made for one kind of receiver");
    recipe->require_subcommand(1);
    CLI::App* list = recipe->add_subcommand("list", "Those that ship and your own");
    list->footer("Example: amber recipe list");
    list->callback([&session] { runRecipes(session); });
    CLI::App* show = recipe->add_subcommand("show", "A recipe as the JSON that can be changed and kept");
    show->add_option("recipe", o->recipeName, "Name or file")->required();
    show->footer("Example: amber recipe show web");
    show->callback([o, &session] {
        if (const auto found = recipeNamed(o->recipeName))
            std::cout << recipeToText(*found);
        else
            session.report(found.error());
    });
    CLI::App* keep = recipe->add_subcommand("keep", "Keep a recipe file among your own, under the name in it");
    keep->add_option("file", o->recipeFile, "Recipe (.json)")->required();
    keep->footer("Example: amber recipe keep catalogue.json");
    keep->callback([o, &session] {
        const auto read = recipeNamed(o->recipeFile);
        const Status kept = read ? keepRecipe(*read) : tl::make_unexpected(read.error());
        if (!kept)
            session.report(kept.error());
    });
    CLI::App* forget = recipe->add_subcommand("forget", "Take one of your own away");
    forget->add_option("name", o->recipeName, "Name")->required();
    forget->footer("Example: amber recipe forget catalogue");
    forget->callback([o, &session] {
        if (const Status gone = forgetRecipe(o->recipeName); !gone)
            session.report(gone.error());
    });
}

}  // namespace amber::cli
