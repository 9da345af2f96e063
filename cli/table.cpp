#include "core/table/table.h"

#include "cli/command.h"
#include "core/engine/render_plan.h"
#include "core/image/write.h"
#include "core/table/table_report.h"
#include "core/table_files/table_file.h"

namespace amber::cli {
namespace {

/// With what had to be done to take it in on stderr.
Result<TableFile> readTable(const std::string& path, Session& session)
{
    auto file = readTableFile(path);
    if (!file)
        session.report(file.error());
    else if (!file->remark.empty())
        std::cerr << "amber: " << path << ": " << file->remark << "\n";
    return file;
}

void convert(const std::string& from, const std::string& to, Session& session)
{
    const auto file = readTable(from, session);
    if (!file)
        return;
    const auto format = tableFormatFromEnding(to);
    if (!format)
        return session.report(format.error());
    if (const auto written = writeTableFile(to, file->table, *format); !written)
        return session.report(written.error());
    if (session.json)
        session.print({{"table", to}, {"format", nameOf(*format)}, {"remark", file->remark}});
}

void apply(const std::string& tablePath, const std::string& picturePath, const std::string& out, Session& session)
{
    auto file = readTable(tablePath, session);
    if (!file)
        return;
    auto picture = readEncoded(picturePath);
    if (!picture)
        return session.report(picture.error());
    // The engine's own table step, told that the values are what the table takes: nothing is encoded or decoded around
    // it.
    LookupTable step = lookupTable(std::move(file->table), tablePath);
    step.inputSpace = step.outputSpace = RgbSpace::Linear;
    Look look;
    look.steps.push_back({step, true, 1, {}, {}});
    const auto plan = RenderPlan::compile(look);
    if (!plan)
        return session.report(plan.error());
    render(*plan, picture->image.view(), picture->image.mutableView());
    if (const auto written = writeEncoded(out, *picture); !written)
        return session.report(written.error());
    if (session.json)
        session.print({{"picture", out}});
}

Json describedTable(const TableFile& file, const TableReport& r)
{
    const Table& table = file.table;
    return {{"format", nameOf(file.format)},
            {"title", table.title},
            {"remark", file.remark},
            {"size1", table.size1},
            {"size3", table.size3},
            {"domainMin", table.size1 > 0 ? table.domainMin1 : table.domainMin3},
            {"domainMax", table.size1 > 0 ? table.domainMax1 : table.domainMax3},
            {"monotone", r.monotone},
            {"neutralDrift", r.neutralDrift},
            {"foldedCells", r.foldedCells},
            {"cells", r.cells},
            {"gamutReach", r.reach},
            {"strongestChroma", r.strongestChroma},
            {"outside", r.outside},
            {"lowest", r.lowest},
            {"highest", r.highest},
            {"largestChangeOfGreys", r.largestChange}};
}

void info(const std::string& path, Session& session)
{
    const auto file = readTable(path, session);
    if (!file)
        return;
    const Table* const table = &file->table;
    const TableReport r = report(*table);
    const auto& low = table->size1 > 0 ? table->domainMin1 : table->domainMin3;
    const auto& high = table->size1 > 0 ? table->domainMax1 : table->domainMax3;
    if (session.json)
        return session.print(describedTable(*file, r));
    std::printf("kind           %s\n", std::string(nameOf(file->format)).c_str());
    std::printf("title          %s\n", table->title.empty() ? "(none)" : table->title.c_str());
    if (table->cdl) {
        const Cdl& c = *table->cdl;
        std::printf("slope          %g %g %g\noffset         %g %g %g\npower          %g %g %g\nsaturation     %g\n",
                    c.slope[0], c.slope[1], c.slope[2], c.offset[0], c.offset[1], c.offset[2], c.power[0], c.power[1],
                    c.power[2], c.saturation);
    }
    if (table->size1 > 0)
        std::printf("1D part        %d samples\n", table->size1);
    if (table->size3 > 0)
        std::printf("3D part        %d x %d x %d\n", table->size3, table->size3, table->size3);
    std::printf("domain         %g %g %g to %g %g %g\n", low[0], low[1], low[2], high[0], high[1], high[2]);
    std::printf("values         %g to %g\n", r.lowest, r.highest);
    std::printf("monotone       %s\n", r.monotone ? "yes" : "no");
    std::printf("neutral drift  %.4f (largest spread of the channels on the grey axis)\n", r.neutralDrift);
    if (r.cells > 0)
        std::printf("folded cells   %d of %d\n", r.foldedCells, r.cells);
    std::printf("gamut reach    %.1f %% of the colours it takes, chroma up to %.3f (sRGB itself 0.323), %.2f %% beyond "
                "0 to 1\n",
                100 * r.reach, r.strongestChroma, 100 * r.outside);
}

}  // namespace

void addTable(CLI::App& app, Session& session)
{
    CLI::App* command = app.add_subcommand("table", "Lookup tables");
    command->require_subcommand(1);
    struct Options {
        std::string table, picture, out;
    };
    auto o = std::make_shared<Options>();
    CLI::App* applied = command->add_subcommand(
        "apply", "A table over the file's own encoded values, tetrahedral, nothing else done to them");
    applied->add_option("table", o->table, "The table (.cube, .clf, Hald .png, .cc, .ccc or .cdl)")->required();
    applied->add_option("picture", o->picture, "JPEG, PNG, TIFF or WebP")->required();
    applied->add_option("-o,--output", o->out, "The picture to write (.png, .tif, .jpg)")->required();
    applied->footer(
        "Example: amber demo --dir D && amber table apply D/tables/kiln-glow.cube D/yard-01.jpg -o yard.png");
    applied->callback([o, &session] { apply(o->table, o->picture, o->out, session); });
    CLI::App* described = command->add_subcommand(
        "info", "What a table is: kind, size, domain, monotone or not, neutral drift, folded cells, gamut reach");
    described->add_option("table", o->table, "The table (.cube, .clf, Hald .png, .cc, .ccc or .cdl)")->required();
    described->footer("Example: amber demo --dir D && amber table info D/tables/kiln-glow.cube");
    CLI::App* converted = command->add_subcommand("convert", "The same table as another kind of file, by its ending");
    converted->add_option("table", o->table, "The table (.cube, .clf, Hald .png, .cc, .ccc or .cdl)")->required();
    converted->add_option("-o,--output", o->out, "The file to write")->required();
    converted->footer("Example: amber demo --dir D && amber table convert D/tables/kiln-glow.cube -o kiln-glow.clf");
    converted->callback([o, &session] { convert(o->table, o->out, session); });
    described->callback([o, &session] { info(o->table, session); });
}

}  // namespace amber::cli
