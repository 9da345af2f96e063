// amber match: a look found from pairs of pictures or from a lookup table.
#include "cli/match.h"

#include "core/base/parallel.h"
#include "core/engine/bake.h"
#include "core/image/read.h"
#include "core/match/certainty.h"
#include "core/match/pair_fit.h"
#include "core/table_files/table_file.h"

#include <cmath>
#include <cstdio>
#include <optional>

namespace amber::cli {

Json numbers(const DifferenceSummary& d)
{
    return {{"mean", d.mean}, {"percentile95", d.percentile95}, {"maximum", d.maximum}};
}

bool write(Session& session, Look look, const std::string& out, const std::string& name)
{
    look.name = name;
    const auto written = writeLook(look, out);
    if (!written)
        session.report(written.error());
    return written.has_value();
}

namespace {

/// What models of the treatment, from simple to free, make of regions of colour that they have not seen.
Json leftOut(const FittedLook& fit)
{
    Json all = Json::array();
    for (const PartEarned& part : fit.model.earned())
        all.push_back({{"model", titleOf(part.upTo)}, {"mean", part.leftOut}, {"chosen", part.chosen}});
    return all;
}

Json described(const FittedLook& fit)
{
    Json stages = Json::array();
    for (const FitStage& stage : fit.stages) {
        stages.push_back(
            {{"step", stage.what},
             {"before", stage.before},
             {"after", stage.after},
             {"explained", fit.untouched.mean > 0 ? (stage.before - stage.after) / fit.untouched.mean : 0}});
        if (stage.unseenAfter >= 0)
            stages.back()["unseen"] = {{"before", stage.unseenBefore}, {"after", stage.unseenAfter}};
    }
    return {{"colours", fit.colours},
            {"untouched", numbers(fit.untouched)},
            {"left", numbers(fit.left)},
            {"stages", stages},
            {"leftOut", leftOut(fit)}};
}

void say(const FittedLook& fit)
{
    std::printf("%d colours; mean dE00 %.2f before, %.2f left (95 %% %.2f, most %.2f)\n", fit.colours,
                fit.untouched.mean, fit.left.mean, fit.left.percentile95, fit.left.maximum);
    for (const FitStage& stage : fit.stages) {
        std::printf("  %-22s %6.2f -> %5.2f   explains %3.0f %%", stage.what.c_str(), stage.before, stage.after,
                    fit.untouched.mean > 0 ? 100 * (stage.before - stage.after) / fit.untouched.mean : 0);
        if (stage.unseenAfter >= 0)
            std::printf("   on colour kept from it %5.2f -> %5.2f", stage.unseenBefore, stage.unseenAfter);
        std::printf("\n");
    }
    std::printf("  regions of colour left out and foretold from the others, mean dE00:\n");
    for (const PartEarned& part : fit.model.earned())
        std::printf("    %-34s %6.2f%s\n", titleOf(part.upTo).c_str(), part.leftOut, part.chosen ? "   taken" : "");
}

struct PairOptions {
    std::string before, after, out;
    std::vector<std::pair<std::string, std::string>> further;
    std::vector<std::string> others;
    bool table = false;
};

struct TableOptions {
    std::string table, out;
    bool rest = false;
};

/// The pictures before and after of all pairs, one after another; nothing when one could not be read, which is said.
std::optional<std::vector<Picture>> picturesOf(const PairOptions& o, Session& session)
{
    std::vector<std::string> paths{o.before, o.after};
    for (const auto& [before, after] : o.further)
        paths.push_back(before), paths.push_back(after);
    std::vector<std::optional<Result<Picture>>> read(paths.size());
    inParallel(paths.size(), [&](std::size_t i) { read[i] = readReduced(paths[i], 1500, false); });
    std::vector<Picture> pictures;
    for (auto& picture : read) {
        if (!*picture) {
            session.report(picture->error());
            return std::nullopt;
        }
        pictures.push_back(std::move(**picture));
    }
    return pictures;
}

Json described(const std::vector<LaidPair>& pairs)
{
    Json all = Json::array();
    for (const LaidPair& pair : pairs)
        all.push_back({{"moved", pair.wasMoved},
                       {"matches", pair.matches},
                       {"known", pair.agreement.known},
                       {"stops", pair.agreement.stops},
                       {"off", pair.agreement.off},
                       {"contradicts", pair.agreement.contradicts},
                       {"leftOut", pair.agreement.isLeftOut}});
    return all;
}

void say(const std::vector<LaidPair>& pairs)
{
    for (std::size_t i = 0; i < pairs.size() && pairs.size() > 1; ++i) {
        const Agreement& a = pairs[i].agreement;
        if (a.known == 0) {
            std::printf("  pair %zu: the others tell nothing of its colours\n", i + 1);
            continue;
        }
        std::printf("  pair %zu: mean dE00 %.2f from what the others foretell", i + 1, a.off);
        if (a.stops != 0)
            std::printf(", treated %.2f stops %s", std::abs(a.stops), a.stops > 0 ? "lighter" : "darker");
        std::printf("%s\n", a.isLeftOut     ? "; it contradicts the others and is left out"
                            : a.contradicts ? "; it contradicts the other"
                                            : "");
    }
}

/// Of each picture the look is meant for: the share of its colours that was seen, and how far the look will end from
/// the treatment.
Json foretold(const PairFit& fit, const std::vector<std::string>& paths, Session& session)
{
    Json all = Json::object();
    for (const std::string& path : paths) {
        const auto picture = readReduced(path, 320, true);
        if (!picture) {
            session.report(picture.error(), 1);
            continue;
        }
        const ForetoldError error = foretoldError(fit.fit, picture->image.view());
        all[path] = {
            {"covered", coverage(fit.seen, picture->image.view())}, {"likely", error.mean}, {"bound", error.bound}};
    }
    return all;
}

void runPair(const PairOptions& o, Session& session)
{
    const auto pictures = picturesOf(o, session);
    if (!pictures)
        return;
    std::vector<PicturePair> pairs;
    for (std::size_t i = 0; i + 1 < pictures->size(); i += 2)
        pairs.push_back({(*pictures)[i].image.view(), (*pictures)[i + 1].image.view(),
                         isAtOwnSize((*pictures)[i]) && isAtOwnSize((*pictures)[i + 1])});
    auto fit = fitPairs(pairs, {o.table, true});
    if (!fit) {
        if (fit.error().where.empty())
            fit.error().where = o.after;
        return session.report(fit.error());
    }
    if (!write(session, fit->fit.look, o.out, std::filesystem::path(o.after).stem().string()))
        return;
    const Json others = foretold(*fit, o.others, session);
    if (session.json) {
        Json report = described(fit->fit);
        report["look"] = o.out, report["pairs"] = described(fit->pairs);
        report["byPlace"] = Json::array();
        for (const PlaceStep& step : fit->byPlace)
            report["byPlace"].push_back({{"step", step.what}, {"amount", step.amount}, {"size", step.size}});
        report["moved"] = fit->pairs.front().wasMoved, report["matches"] = fit->pairs.front().matches;
        for (const auto& [path, told] : others.items())
            report["covered"][path] = told["covered"];
        if (!others.empty())
            report["foretold"] = others;
        return session.print(report);
    }
    say(fit->fit);
    say(fit->pairs);
    for (const PlaceStep& step : fit->byPlace)
        std::printf("  besides, by place: %s %.3f of size %.1f\n", step.what.c_str(), step.amount, step.size);
    for (const auto& [path, told] : others.items())
        std::printf("  %s: %.0f %% of its colours seen; likely %.1f dE00 from the treatment, 9 of 10 below %.1f\n",
                    path.c_str(), 100 * told["covered"].get<double>(), told["likely"].get<double>(),
                    told["bound"].get<double>());
}

/// Of a table file, or of another look; what of that lies by place cannot be fitted, which is said.
Result<FittedLook> fittedTable(const TableOptions& o, Session& session)
{
    if (std::filesystem::path(o.table).extension() != ".json") {
        const auto file = readTableFile(o.table);
        if (!file)
            return tl::make_unexpected(file.error());
        return fitTable(file->table, {o.rest, false});
    }
    auto loaded = readLook(o.table);
    if (!loaded)
        return tl::make_unexpected(loaded.error());
    const std::size_t left = loaded->look.steps.size() - pointwisePart(loaded->look).steps.size();
    if (left > 0 && !session.json)
        std::printf("%zu of its steps work by place and are left out\n", left);
    return fitOtherLook(loaded->look, {o.rest, false});
}

void runTable(const TableOptions& o, Session& session)
{
    const auto fit = fittedTable(o, session);
    if (!fit)
        return session.report(fit.error());
    if (!write(session, fit->look, o.out, std::filesystem::path(o.table).stem().string()))
        return;
    if (!session.json)
        return say(*fit);
    Json report = described(*fit);
    report["look"] = o.out;
    session.print(report);
}

void addPair(CLI::App* match, Session& session)
{
    auto p = std::make_shared<PairOptions>();
    CLI::App* pair = match->add_subcommand("pair", "From one picture before and after an unknown treatment");
    pair->add_option("before", p->before, "The picture untouched")->required();
    pair->add_option("after", p->after, "The same picture treated; it may be cropped, turned or scaled a little")
        ->required();
    pair->add_option("-o,--output", p->out, "The look to write")->required();
    pair->add_option("--pair", p->further, "A further picture before and after the same treatment; may be given again");
    pair->add_flag("--table", p->table, "Add a small smooth table for what the steps cannot say");
    pair->add_option("--for", p->others,
                     "Pictures the look is meant for: how far it will end from the treatment there");
    pair->footer(
        "Example: amber demo --dir D && amber match pair D/pair/before.jpg D/pair/after.jpg --table -o found.json");
    pair->callback([p, &session] { runPair(*p, session); });
}

void addTableFit(CLI::App* match, Session& session)
{
    auto t = std::make_shared<TableOptions>();
    CLI::App* table = match->add_subcommand("table", "From a lookup table between sRGB codes, or from another look");
    table->add_option("table", t->table, "A table of any kind that amber reads, or a look (.json)")->required();
    table->add_option("-o,--output", t->out, "The look to write")->required();
    table->add_flag("--table", t->rest, "Add a small smooth table for what the steps cannot say");
    table->footer("Example: amber demo --dir D && amber match table D/tables/kiln-glow.cube -o found.json");
    table->callback([t, &session] { runTable(*t, session); });
}

}  // namespace

void addMatch(CLI::App& app, Session& session)
{
    CLI::App* match = app.add_subcommand("match", "Find an editable look from a pair of pictures or from a table");
    match->require_subcommand(1);
    addPair(match, session);
    addTableFit(match, session);
    addReferenceFit(match, session);
    addNearest(match, session);
    addScore(match, session);
}

}  // namespace amber::cli
