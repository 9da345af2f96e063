// amber match reference and score: pictures brought to finished ones, and held against a look's reference.
#include "cli/match.h"

#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/match/nearest_look.h"
#include "core/match/relation.h"
#include "core/match/same_scene.h"
#include "core/match/take_asked.h"

#include <cstdio>
#include <optional>

namespace amber::cli {
namespace {

struct ReferenceOptions {
    std::string reference, out, to;
    std::vector<std::string> pictures, also, rows;
};

struct NearestOptions {
    std::string reference, picture;
    std::vector<std::string> looks;
};

struct ScoreOptions {
    std::string look;
    std::vector<std::string> pictures;
};

/// Rows by the names the command takes; families in small letters.
std::string nameOf(const LadderRow& row)
{
    constexpr const char* kNames[] = {"framing", "top",     "sides",  "corners", "black", "white", "mid",   "contrast",
                                      "darks",   "middles", "lights", "",        "local", "edges", "grain", "noise"};
    if (row.rung != Rung::Family)
        return kNames[static_cast<int>(row.rung)];
    std::string name = HueShifts::defaultFamilies()[static_cast<std::size_t>(row.family)].name;
    std::transform(name.begin(), name.end(), name.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return name;
}
constexpr const char* kRowNames =
    "framing, top, sides, corners, black, white, mid, contrast, darks, middles, lights, a "
    "family such as clay, local, edges, grain, noise";

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
                 {"lookPart", r.lookPart()},
                 {"forSteps", r.isForSteps()}};
        if (r.rung == Rung::Framing)
            row["eye"] = {{r.referenceEye.x, r.referenceEye.y}, {r.ourEye.x, r.ourEye.y}};
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
        const bool isCoarse = r.kind() == RungKind::Light || r.kind() == RungKind::Fall;
        char difference[32];
        std::snprintf(difference, sizeof difference, start ? "%.1f -> %.1f" : "%.1f",
                      start ? start->rows[i].difference : r.difference, r.difference);
        if (r.isSupported())
            std::printf("  %-9s %9.*f %9.*f %11s %7.0f %%%s\n", nameOf(r).c_str(), isCoarse ? 1 : 3, r.reference,
                        isCoarse ? 1 : 3, r.ours, difference, 100 * r.confidence, r.isWithin() ? "" : "  off");
        else if (r.kind() == RungKind::Frame || r.kind() == RungKind::Fall || r.kind() == RungKind::Texture)
            std::printf("  %-9s not measured\n", nameOf(r).c_str());
        else
            std::printf("  %-9s too little of it, left alone (%.1f %% of the reference, %.1f %% of ours)\n",
                        nameOf(r).c_str(), 100 * r.referenceSupport, 100 * r.ourSupport);
    }
    std::printf("  %d of %d rows within tolerance, distance %.2f; sure %.0f %% (size %.0f, compression %.0f, subject "
                "%.0f %%)\n",
                ladder.within(), ladder.supported(), ladder.distance(), 100 * ladder.confidence.all(),
                100 * ladder.confidence.size, 100 * ladder.confidence.compression, 100 * ladder.confidence.subject);
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
        const bool isOnTheWay =
            o.to.empty() ? isTakenWithAll(start.rows[i], start.rows[i]) : isTakenOnTheWay(start.rows[i], start.rows[i]);
        if (isNamed || (o.rows.empty() && !ended && isOnTheWay))
            rows.insert(i);
        ended = ended || name == o.to;
    }
    if (!asked.empty() || (!o.to.empty() && !ended))
        return fail("no such row", asked.empty() ? o.to : *asked.begin(), kRowNames);
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

/// Where the references show what ours show; what cannot be read is an error.
Result<std::vector<SameThings>> sameThings(const ReferenceOptions& o, const Ours& ours, std::vector<Image>& references)
{
    std::vector<std::string> paths{o.reference};
    paths.insert(paths.end(), o.also.begin(), o.also.end());
    for (const std::string& path : paths) {
        auto picture = readReduced(path, 1600, false);
        if (!picture)
            return tl::make_unexpected(picture.error());
        references.push_back(std::move(picture->image));
    }
    return sameThings(references, ours.pictures);
}

/// What is asked for: rows all the way; else all that is sure, and of the same scene what both show.
Result<Taken> takeAsked(const ReferenceOptions& o, const Look& look, const Ours& ours, const std::string& group,
                        Json& report)
{
    std::vector<Image> references;
    const auto same = sameThings(o, ours, references);
    if (!same)
        return tl::make_unexpected(same.error());
    const bool isAll = o.rows.empty() && o.to.empty();
    if (isAll && !same->empty()) {
        auto scene = takeScene(look, *same, ours.small, *look.reference, group);
        if (!scene)
            return tl::make_unexpected(scene.error());
        report = {
            {"colours", scene->colours}, {"untouched", numbers(scene->untouched)}, {"left", numbers(scene->left)}};
        return std::move(scene->taken);
    }
    RowsAsked asked;
    asked.look = look, asked.ours = ours.small, asked.reference = *look.reference, asked.group = group;
    asked.large = std::make_shared<Image>(ours.pictures.front());
    asked.showsTheSame = !same->empty(), asked.asIsLikely = isAll;
    if (same->size() == 1 && ours.small.size() == 1)
        asked.atOurPlaces = [&](const Membership& members) {
            return printAtOurPlaces(*look.reference, same->front(), ours.small.front(), members);
        };
    const Ladder start = laddersOf({asked.look,
                                    asked.ours,
                                    group,
                                    asked.reference,
                                    asked.large,
                                    {},
                                    {},
                                    asked.showsTheSame,
                                    asked.atOurPlaces})
                             .start;
    const auto rows = chosenRows(o, start);
    if (!rows)
        return tl::make_unexpected(rows.error());
    asked.rows = *rows;
    return take(asked);
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

void runNearest(const NearestOptions& o, Session& session)
{
    const auto reference = fingerprintOfFile(o.reference);
    if (!reference)
        return session.report(reference.error());
    const Ours ours = readOurs({o.picture}, session);
    if (ours.small.empty()) {
        session.status = 2;
        return;
    }
    std::vector<Look> looks;
    std::vector<std::string> names;
    for (const std::string& path : o.looks)
        if (auto look = session.look(path))
            looks.push_back(std::move(*look)), names.push_back(path);
    Json report = Json::array();
    for (const NearLook& near : nearestLooks(looks, ours.small, *reference, false)) {
        report.push_back({{"look", names[near.look]}, {"leaves", near.leaves}});
        if (near.own)
            report.back()["ownReference"] = *near.own;
        if (!session.json)
            std::printf("%6.2f left  %s\n", near.leaves, names[near.look].c_str());
    }
    if (session.json)
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
        LaddersAsked asked;
        asked.look = *look, asked.ours = std::move(ours), asked.group = group, asked.reference = *look->reference;
        asked.large = std::make_shared<Image>(picture->image);
        const Ladder ladder = laddersOf(asked).now;
        reports[path] = described(ladder, nullptr);
        if (!session.json) {
            std::printf("%s\n", path.c_str());
            say(ladder, nullptr);
        }
    }
    if (session.json)
        session.print(reports);
}

}  // namespace

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
                     std::string("Only these rows, all the way: ") + kRowNames +
                         "; framing, top, sides and noise are only measured")
        ->delimiter(',');
    reference->add_option("--to", r->to, "Every row up to this one, all the way, but what may be another thing");
    reference->footer("Example: amber demo --dir D && amber match reference D/reference/orchard.jpg D/yard-04.jpg "
                      "D/yard-08.jpg --to lights -o found.json");
    reference->callback([r, &session] { runReference(*r, session); });
}

void addNearest(CLI::App* match, Session& session)
{
    auto n = std::make_shared<NearestOptions>();
    CLI::App* nearest = match->add_subcommand("nearest", "Which of several looks comes nearest to a finished picture");
    nearest->add_option("reference", n->reference, "The finished picture")->required();
    nearest->add_option("picture", n->picture, "Our picture, before any look")->required();
    nearest->add_option("looks", n->looks, "Looks")->required();
    nearest->footer("Example: amber demo --dir D && amber match nearest D/reference/orchard.jpg D/yard-04.jpg "
                    "D/looks/*.json");
    nearest->callback([n, &session] { runNearest(*n, session); });
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

}  // namespace amber::cli
