// amber match: a look found from a pair of pictures, from a lookup table, or from references; and pictures held against
// a look's reference.
#include "cli/command.h"

#include "core/base/parallel.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/match/certainty.h"
#include "core/match/ladder.h"
#include "core/match/pair_fit.h"
#include "core/match/relation.h"
#include "core/match/same_scene.h"
#include "core/table_files/table_file.h"

#include <cmath>
#include <cstdio>
#include <optional>

namespace amber::cli {
namespace {

Json numbers(const DifferenceSummary& d)
{
    return {{"mean", d.mean}, {"percentile95", d.percentile95}, {"maximum", d.maximum}};
}

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
    for (const FitStage& stage : fit.stages)
        stages.push_back(
            {{"step", stage.what},
             {"before", stage.before},
             {"after", stage.after},
             {"explained", fit.untouched.mean > 0 ? (stage.before - stage.after) / fit.untouched.mean : 0}});
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
    for (const FitStage& stage : fit.stages)
        std::printf("  %-22s %6.2f -> %5.2f   explains %3.0f %%\n", stage.what.c_str(), stage.before, stage.after,
                    fit.untouched.mean > 0 ? 100 * (stage.before - stage.after) / fit.untouched.mean : 0);
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

struct ReferenceOptions {
    std::string reference, out, to;
    std::vector<std::string> pictures, also, rows;
};

struct ScoreOptions {
    std::string look;
    std::vector<std::string> pictures;
};

/// Rows by the names the command takes: black, white, mid, contrast, darks, middles, lights, then the families in small
/// letters.
std::string nameOf(const LadderRow& row)
{
    constexpr const char* kNames[] = {"black", "white", "mid", "contrast", "darks", "middles", "lights"};
    if (row.rung != Rung::Family)
        return kNames[static_cast<int>(row.rung)];
    std::string name = HueShifts::defaultFamilies()[static_cast<std::size_t>(row.family)].name;
    std::transform(name.begin(), name.end(), name.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return name;
}

Json described(const Ladder& ladder, const Ladder* start)
{
    Json rows = Json::array();
    for (std::size_t i = 0; i < ladder.rows.size(); ++i) {
        const LadderRow& r = ladder.rows[i];
        Json row{{"row", nameOf(r)},
                 {"reference", r.reference},
                 {"ours", r.ours},
                 {"difference", r.difference},
                 {"tolerance", r.tolerance},
                 {"support", {r.referenceSupport, r.ourSupport}},
                 {"supported", r.isSupported()},
                 {"confidence", r.confidence},
                 {"lookPart", r.lookPart()}};
        if (start)
            row["before"] = start->rows[i].difference;
        rows.push_back(std::move(row));
    }
    return {{"rows", std::move(rows)},
            {"within", ladder.within()},
            {"of", ladder.supported()},
            {"distance", ladder.distance()},
            {"confidence",
             {{"all", ladder.confidence.all()},
              {"size", ladder.confidence.size},
              {"compression", ladder.confidence.compression},
              {"subject", ladder.confidence.subject}}}};
}

void say(const Ladder& ladder, const Ladder* start)
{
    std::printf("  %-9s %9s %9s %11s %9s\n", "row", "reference", "ours", "difference", "sure");
    for (std::size_t i = 0; i < ladder.rows.size(); ++i) {
        const LadderRow& r = ladder.rows[i];
        const bool isLight = r.rung <= Rung::Contrast;
        char difference[32];
        std::snprintf(difference, sizeof difference, start ? "%.1f -> %.1f" : "%.1f",
                      start ? start->rows[i].difference : r.difference, r.difference);
        if (r.isSupported())
            std::printf("  %-9s %9.*f %9.*f %11s %7.0f %%%s\n", nameOf(r).c_str(), isLight ? 1 : 3, r.reference,
                        isLight ? 1 : 3, r.ours, difference, 100 * r.confidence, r.isWithin() ? "" : "  off");
        else
            std::printf("  %-9s too little of it, left alone (%.1f %% of the reference, %.1f %% of ours)\n",
                        nameOf(r).c_str(), 100 * r.referenceSupport, 100 * r.ourSupport);
    }
    std::printf("  %d of %d rows within tolerance, distance %.2f; sure %.0f %% (size %.0f, compression %.0f, subject "
                "%.0f %%)\n",
                ladder.within(), ladder.supported(), ladder.distance(), 100 * ladder.confidence.all(),
                100 * ladder.confidence.size, 100 * ladder.confidence.compression, 100 * ladder.confidence.subject);
}

bool write(Session& session, Look look, const std::string& out, const std::string& name)
{
    look.name = name;
    const auto written = writeLook(look, out);
    if (!written)
        session.report(written.error());
    return written.has_value();
}

/// The pictures before and after of all pairs, one after another; nothing when one could not be read, which is said.
std::optional<std::vector<Image>> picturesOf(const PairOptions& o, Session& session)
{
    std::vector<std::string> paths{o.before, o.after};
    for (const auto& [before, after] : o.further)
        paths.push_back(before), paths.push_back(after);
    std::vector<std::optional<Result<Picture>>> read(paths.size());
    inParallel(paths.size(), [&](std::size_t i) { read[i] = readReduced(paths[i], 1500, false); });
    std::vector<Image> pictures;
    for (auto& picture : read) {
        if (!*picture) {
            session.report(picture->error());
            return std::nullopt;
        }
        pictures.push_back(std::move((*picture)->image));
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
        pairs.push_back({(*pictures)[i].view(), (*pictures)[i + 1].view()});
    auto fit = fitPairs(pairs, {o.table});
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

void runTable(const TableOptions& o, Session& session)
{
    const auto file = readTableFile(o.table);
    if (!file)
        return session.report(file.error());
    const auto fit = fitTable(file->table, {o.rest});
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

/// The rows that are asked for: those named, or those up to the one named, or all that are sure enough.
Result<std::set<std::size_t>> chosenRows(const ReferenceOptions& o, const Ladder& start)
{
    std::set<std::size_t> rows;
    std::set<std::string> asked(o.rows.begin(), o.rows.end());
    bool ended = false;
    for (std::size_t i = 0; i < start.rows.size(); ++i) {
        const std::string name = nameOf(start.rows[i]);
        const bool isNamed = asked.erase(name) > 0;
        const bool isOnTheWay = o.to.empty() ? isTakenWithAll(start.rows[i], start.rows[i])
                                             : start.rows[i].isSupported() && !start.rows[i].mayBeAnotherThing();
        if (isNamed || (o.rows.empty() && !ended && isOnTheWay))
            rows.insert(i);
        ended = ended || name == o.to;
    }
    if (!asked.empty() || (!o.to.empty() && !ended))
        return fail("no such row", asked.empty() ? o.to : *asked.begin(),
                    "black, white, mid, contrast, darks, middles, lights, or a family");
    return rows;
}

Result<Fingerprint> fingerprintOf(const ReferenceOptions& o)
{
    std::vector<Fingerprint> prints;
    std::vector<std::string> references{o.reference};
    references.insert(references.end(), o.also.begin(), o.also.end());
    for (const std::string& path : references) {
        auto print = fingerprintOfFile(path);
        if (!print)
            return tl::make_unexpected(print.error());
        prints.push_back(std::move(*print));
    }
    return combined(prints);
}

/// Our pictures as they are read, and small for the ladder.
struct Ours {
    std::vector<Image> pictures, small;
};
Ours readOurs(const std::vector<std::string>& paths, Session& session)
{
    Ours ours;
    for (const std::string& path : paths) {
        auto picture = readReduced(path, 1600, false);
        if (!picture) {
            session.report(picture.error(), 1);
            continue;
        }
        ours.small.push_back(forMatching(picture->image.view()));
        ours.pictures.push_back(std::move(picture->image));
    }
    return ours;
}

/// Where the references show the things of our pictures.
std::vector<SameThings> sameThings(const std::vector<Image>& references, const std::vector<Image>& ours)
{
    std::vector<SameThings> same;
    for (const Image& reference : references) {
        const Size size = fitted({reference.width(), reference.height()}, kFeatureEdge);
        const Features features = featuresOf(reduceByArea(reference.view(), size.width, size.height).view());
        for (const Image& picture : ours)
            if (const auto lies = relationOf(picture.view(), features, {}).registration)
                same.push_back({picture.view(), reference.view(), *lies});
    }
    return same;
}

/// Where references and ours show the same things, what both show decides; nothing when they do not.
std::optional<Result<TakenScene>> takenScene(const ReferenceOptions& o, const Look& look, const Ours& ours,
                                             const std::string& group)
{
    std::vector<Image> references;
    std::vector<std::string> paths{o.reference};
    paths.insert(paths.end(), o.also.begin(), o.also.end());
    for (const std::string& path : paths) {
        auto picture = readReduced(path, 1600, false);
        if (!picture)
            return tl::make_unexpected(picture.error());
        references.push_back(std::move(picture->image));
    }
    const auto same = sameThings(references, ours.pictures);
    if (same.empty())
        return std::nullopt;
    return takeScene(look, same, ours.small, *look.reference, group);
}

/// What is asked for: rows all the way; else all that is sure.
Result<Taken> takeAsked(const ReferenceOptions& o, const Look& look, const Ours& ours, const std::string& group,
                        Json& report)
{
    const bool isAll = o.rows.empty() && o.to.empty();
    if (const auto scene = isAll ? takenScene(o, look, ours, group) : std::nullopt) {
        if (!*scene)
            return tl::make_unexpected(scene->error());
        report = {{"colours", (*scene)->colours},
                  {"untouched", numbers((*scene)->untouched)},
                  {"left", numbers((*scene)->left)}};
        return (*scene)->taken;
    }
    const Ladder start =
        ladderOf(*look.reference, measuredThrough(look, ours.small, membershipBefore(look, ours.small, group)));
    const auto rows = chosenRows(o, start);
    if (!rows)
        return tl::make_unexpected(rows.error());
    return isAll ? takeLikely(look, ours.small, *look.reference, *rows, group)
                 : takeRows(look, ours.small, *look.reference, *rows, group);
}

void runReference(const ReferenceOptions& o, Session& session)
{
    auto reference = fingerprintOf(o);
    if (!reference)
        return session.report(reference.error());
    const Ours ours = readOurs(o.pictures, session);
    if (ours.small.empty()) {
        session.status = 2;
        return;
    }
    Look look;
    look.reference = std::move(*reference);
    const std::string group = std::filesystem::path(o.reference).stem().string();
    Json scene;
    const auto taken = takeAsked(o, look, ours, group, scene);
    if (!taken)
        return session.report(taken.error());
    if (!write(session, taken->look, o.out, group))
        return;
    if (!session.json) {
        if (!scene.is_null())
            std::printf("  both show the same things: %d colours decide, mean dE00 %.2f -> %.2f\n",
                        scene["colours"].get<int>(), scene["untouched"]["mean"].get<double>(),
                        scene["left"]["mean"].get<double>());
        else if (o.rows.empty() && o.to.empty() && taken->look.steps.empty())
            std::printf("  nothing is surely the look's: no step was made; name rows with --rows, or --to\n");
        return say(taken->after, &taken->before);
    }
    Json report = described(taken->after, &taken->before);
    report["look"] = o.out;
    if (!scene.is_null())
        report["sameThings"] = scene;
    session.print(report);
}

void runScore(const ScoreOptions& o, Session& session)
{
    const auto look = session.look(o.look);
    if (!look)
        return;
    if (!look->reference)
        return session.report(
            {"this look keeps no reference", o.look, "a look made by amber match reference, or in Match", {}});
    std::string group;
    for (const Step& step : look->steps)
        group = group.empty() ? step.group : group;
    Json reports = Json::object();
    for (const std::string& path : o.pictures) {
        const auto picture = readReduced(path, 1600, false);
        if (!picture) {
            session.report(picture.error(), 1);
            continue;
        }
        std::vector<Image> ours;
        ours.push_back(forMatching(picture->image.view()));
        const Ladder ladder =
            ladderOf(*look->reference, measuredThrough(*look, ours, membershipBefore(*look, ours, group)));
        reports[path] = described(ladder, nullptr);
        if (!session.json) {
            std::printf("%s\n", path.c_str());
            say(ladder, nullptr);
        }
    }
    if (session.json)
        session.print(reports);
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
    CLI::App* table = match->add_subcommand("table", "From a lookup table between sRGB codes");
    table->add_option("table", t->table, "A table of any kind that amber reads")->required();
    table->add_option("-o,--output", t->out, "The look to write")->required();
    table->add_flag("--table", t->rest, "Add a small smooth table for what the steps cannot say");
    table->footer("Example: amber demo --dir D && amber match table D/tables/kiln-glow.cube -o found.json");
    table->callback([t, &session] { runTable(*t, session); });
}

void addReferenceFit(CLI::App* match, Session& session)
{
    auto r = std::make_shared<ReferenceOptions>();
    CLI::App* reference =
        match->add_subcommand("reference", "From a finished picture: of the same scene by what both show; of something "
                                           "else what is surely its look's, or rows");
    reference->add_option("reference", r->reference, "The finished picture")->required();
    reference->add_option("pictures", r->pictures, "Our pictures, taken as one")->required();
    reference->add_option("-o,--output", r->out, "The look to write; the reference's fingerprint is kept in it")
        ->required();
    reference->add_option("--also", r->also, "Further references: where they differ, the tolerance widens");
    reference
        ->add_option("--rows", r->rows,
                     "Only these rows, all the way: black, white, mid, contrast, darks, middles, lights, or a family "
                     "such as clay")
        ->delimiter(',');
    reference->add_option("--to", r->to, "Every row up to this one, all the way, but what may be another thing");
    reference->footer("Example: amber demo --dir D && amber match reference D/reference/orchard.jpg D/yard-04.jpg "
                      "D/yard-08.jpg --to lights -o found.json");
    reference->callback([r, &session] { runReference(*r, session); });
}

void addScore(CLI::App* match, Session& session)
{
    auto c = std::make_shared<ScoreOptions>();
    CLI::App* score = match->add_subcommand("score", "How far pictures under a look lie from the reference it keeps");
    score->add_option("look", c->look, "A look that was matched to a reference")->required();
    score->add_option("pictures", c->pictures, "Pictures before the look")->required();
    score->footer("Example: amber demo --dir D && amber match reference D/reference/orchard.jpg D/yard-04.jpg "
                  "--to lights -o found.json && amber match score found.json D/yard-06.jpg");
    score->callback([c, &session] { runScore(*c, session); });
}

}  // namespace

void addMatch(CLI::App& app, Session& session)
{
    CLI::App* match = app.add_subcommand("match", "Find an editable look from a pair of pictures or from a table");
    match->require_subcommand(1);
    addPair(match, session);
    addTableFit(match, session);
    addReferenceFit(match, session);
    addScore(match, session);
}

}  // namespace amber::cli
