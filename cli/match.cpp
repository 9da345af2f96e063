// amber match: a look found from a pair of pictures, or from a lookup table.
#include "cli/command.h"

#include "core/fit/pair_fit.h"
#include "core/image/read.h"
#include "core/table/table_file.h"

#include <cstdio>

namespace amber::cli {
namespace {

Json numbers(const DifferenceSummary& d) { return {{"mean", d.mean}, {"percentile95", d.percentile95}, {"maximum", d.maximum}}; }

Json described(const FittedLook& fit)
{
    Json stages = Json::array();
    for (const FitStage& stage : fit.stages)
        stages.push_back({{"step", stage.what}, {"before", stage.before}, {"after", stage.after}, {"explained", fit.untouched.mean > 0 ? (stage.before - stage.after) / fit.untouched.mean : 0}});
    return {{"colours", fit.colours}, {"untouched", numbers(fit.untouched)}, {"left", numbers(fit.left)}, {"stages", stages}};
}

void say(const FittedLook& fit)
{
    std::printf("%d colours; mean dE00 %.2f before, %.2f left (95 %% %.2f, most %.2f)\n", fit.colours, fit.untouched.mean, fit.left.mean, fit.left.percentile95, fit.left.maximum);
    for (const FitStage& stage : fit.stages)
        std::printf("  %-22s %6.2f -> %5.2f   explains %3.0f %%\n", stage.what.c_str(), stage.before, stage.after, fit.untouched.mean > 0 ? 100 * (stage.before - stage.after) / fit.untouched.mean : 0);
}

struct PairOptions {
    std::string before, after, out;
    std::vector<std::string> others;
    bool table = false;
};

struct TableOptions {
    std::string table, out;
    bool rest = false;
};

bool write(Session& session, Look look, const std::string& out, const std::string& name)
{
    look.name = name;
    const auto written = writeLook(look, out);
    if (!written)
        session.report(written.error());
    return written.has_value();
}

}  // namespace

void addMatch(CLI::App& app, Session& session)
{
    CLI::App* match = app.add_subcommand("match", "Find an editable look from a pair of pictures or from a table");
    match->require_subcommand(1);
    auto p = std::make_shared<PairOptions>();
    CLI::App* pair = match->add_subcommand("pair", "From one picture before and after an unknown treatment");
    pair->add_option("before", p->before, "The picture untouched")->required();
    pair->add_option("after", p->after, "The same picture treated; it may be cropped, turned or scaled a little")->required();
    pair->add_option("-o,--output", p->out, "The look to write")->required();
    pair->add_flag("--table", p->table, "Add a small smooth table for what the steps cannot say");
    pair->add_option("--for", p->others, "Pictures the look is meant for: how much of their colours the pair covers");
    pair->footer("Example: amber demo --dir D && amber match pair D/pair/before.jpg D/pair/after.jpg --table -o found.json");
    pair->callback([p, &session] {
        const auto before = readReduced(p->before, 1500, false), after = readReduced(p->after, 1500, false);
        if (!before || !after)
            return session.report(before ? after.error() : before.error());
        auto fit = fitPair(before->image.view(), after->image.view(), {p->table});
        if (!fit) {
            fit.error().where = p->after;
            return session.report(fit.error());
        }
        if (!write(session, fit->fit.look, p->out, std::filesystem::path(p->after).stem().string()))
            return;
        Json covered = Json::object();
        for (const std::string& path : p->others) {
            const auto picture = readReduced(path, 320, true);
            if (!picture) {
                session.report(picture.error(), 1);
                continue;
            }
            covered[path] = coverage(fit->seen, picture->image.view());
        }
        if (session.json) {
            Json report = described(fit->fit);
            report["look"] = p->out, report["moved"] = fit->wasMoved, report["matches"] = fit->matches;
            if (!covered.empty())
                report["covered"] = covered;
            return session.print(report);
        }
        say(fit->fit);
        for (const auto& [path, share] : covered.items())
            std::printf("  %s: %.0f %% of its colours lie near fitted ones%s\n", path.c_str(), 100 * share.get<double>(), share.get<double>() < 0.8 ? "; elsewhere the look is a guess" : "");
    });
    auto t = std::make_shared<TableOptions>();
    CLI::App* table = match->add_subcommand("table", "From a lookup table between sRGB codes");
    table->add_option("table", t->table, "A table of any kind that amber reads")->required();
    table->add_option("-o,--output", t->out, "The look to write")->required();
    table->add_flag("--table", t->rest, "Add a small smooth table for what the steps cannot say");
    table->footer("Example: amber demo --dir D && amber match table D/tables/kiln-glow.cube -o found.json");
    table->callback([t, &session] {
        const auto file = readTableFile(t->table);
        if (!file)
            return session.report(file.error());
        const auto fit = fitTable(file->table, {t->rest});
        if (!fit)
            return session.report(fit.error());
        if (!write(session, fit->look, t->out, std::filesystem::path(t->table).stem().string()))
            return;
        if (!session.json)
            return say(*fit);
        Json report = described(*fit);
        report["look"] = t->out;
        session.print(report);
    });
}

}  // namespace amber::cli
