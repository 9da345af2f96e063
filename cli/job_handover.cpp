// amber job handover, merge, verify; amber recipe.
#include "cli/job.h"

#include "core/base/number_text.h"
#include "core/base/written_files.h"
#include "core/handover/job_batch.h"
#include "core/handover/verify.h"
#include "core/job/shoot_work.h"

#include <cstdio>

namespace amber::cli {
namespace {

struct Options {
    std::string job, out, part = "1/1", author, rights, recipeFile, recipeName;
    std::vector<std::string> frames, recipes;
    DeliveryChoices choices;
    bool allButUnused = false, withCard = false;
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

/// By all recipes; those that cut to the same ratio together, as the same frames show the colour card then.
Result<ExportReport> shipAll(const Options& o, JobStore& store, const std::vector<Frame>& frames, const Look& look,
                             const std::vector<FrameId>& wanted, std::vector<Recipe> recipes,
                             const std::pair<int, int>& part)
{
    ExportReport all;
    std::set<FrameId> said;
    const auto tell = progressOnTerminal("hand over");
    while (!recipes.empty()) {
        const double ratio = recipes.front().ratio;
        std::vector<Shipment> shipments;
        std::erase_if(recipes, [&](const Recipe& recipe) {
            if (recipe.ratio != ratio)
                return false;
            Shipment shipment = shipmentOf(recipe, o.out, frames);
            shipment.author = o.author, shipment.rights = o.rights;
            shipment.part = part.first, shipment.parts = part.second;
            shipments.push_back(std::move(shipment));
            return true;
        });
        const auto batch =
            batchOf(store.job(), frames, wanted, [&](LookId id) { return store.currentLook(id); }, {o.withCard, ratio});
        for (const FrameId id : batch.withCard)
            if (const Frame* frame = frameOf(frames, id); frame && said.insert(id).second)
                std::cerr << "amber: " << nameOf(*frame) << " is left out: it shows the colour card (--with-card)\n";
        auto report = exportPictures(
            look, batch.sources, shipments, [&](int done, int total, const Delivery&) { tell(done, total); },
            interrupt(), batch.own);
        if (!report)
            return report;
        all.deliveries.insert(all.deliveries.end(), report->deliveries.begin(), report->deliveries.end());
        all.cancelled = all.cancelled || report->cancelled;
        all.warning = report->warning.empty() ? all.warning : report->warning;
    }
    return all;
}

void runHandover(const Options& o, Session& session)
{
    auto store = openJob(o.job, false, session);
    if (!store)
        return;
    std::vector<Frame> frames = store->frames();
    const auto look = lookInHand(*store);
    auto wanted = namedFrames(frames, o.frames);
    const auto recipes = recipesOf(o);
    const auto part = partOf(o.part);
    const std::initializer_list<const Error*> errors{look ? nullptr : &look.error(), wanted ? nullptr : &wanted.error(),
                                                     recipes ? nullptr : &recipes.error(),
                                                     part ? nullptr : &part.error()};
    for (const Error* error : errors)
        if (error)
            return session.report(*error);
    if (o.allButUnused)
        std::erase_if(*wanted, [&](FrameId id) { return store->job().frame(id).isUnused; });
    if (!o.withCard)
        seekCardsIn(*store, *wanted, frames);
    const auto report = shipAll(o, *store, frames, *look, *wanted, *recipes, *part);
    if (!report)
        return session.report(report.error());
    session.deliver(*report, look->name, wanted->size() * recipes->size());
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
    hand.add_option("--format", d.format, "jpeg, png8, png16, tiff8, tiff16, webp or exr")->capture_default_str();
    hand.add_option("--space", d.space, "srgb, p3, oprgb, prophoto or rec2020")->capture_default_str();
    hand.add_option("--quality", d.quality, "Quality of JPEG and WebP")
        ->check(CLI::Range(1, 100))
        ->capture_default_str();
    hand.add_option("--long-edge", d.longEdge, "Reduce to this many pixels (0: as it is)")
        ->check(CLI::Range(0, 100000));
    hand.add_option("--ratio", d.ratio, "Cut to this width / height (0: as it is)")->check(CLI::Range(0.0, 10.0));
    hand.add_option("--frames", o.frames, "Only these frames, by name")->delimiter(',');
    hand.add_flag("--with-card", o.withCard, "Also frames that show the colour card; without, they are left out");
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
