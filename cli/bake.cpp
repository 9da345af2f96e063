#include "core/engine/bake.h"

#include "cli/command.h"
#include "core/image/read.h"
#include "core/table_files/table_file.h"

namespace amber::cli {
namespace {
constexpr int kOwnEdge = 240;

struct Options {
    std::string look, out, format, space = "srgb";
    std::vector<std::string> pictures;
    int size = 33;
    bool report = false;
};

/// The colours of the shoot over which the report is made as well.
Result<std::vector<LinearRgb>> coloursOf(const std::vector<std::string>& pictures)
{
    std::vector<LinearRgb> own;
    for (const std::string& path : pictures) {
        const auto picture = readReduced(path, kOwnEdge, true);
        if (!picture)
            return tl::make_unexpected(picture.error());
        const float* p = picture->image.view().data;
        for (int i = 0; i < picture->image.width() * picture->image.height(); ++i, p += 3)
            own.push_back({p[0], p[1], p[2]});
    }
    return own;
}

void tell(const Options& o, const TravelReport& travel, Session& session)
{
    if (!session.json) {
        (o.report ? std::cout : std::cerr) << describe(travel);
        return;
    }
    const auto numbers = [](const DifferenceSummary& d) {
        return Json{{"mean", d.mean}, {"percentile95", d.percentile95}, {"maximum", d.maximum}};
    };
    Json result{
        {"table", o.out}, {"carried", travel.carried}, {"left", travel.left}, {"lattice", numbers(travel.lattice)}};
    if (travel.ownCount > 0)
        result["own"] = numbers(travel.own);
    session.print(result);
}

void run(const Options& o, Session& session)
{
    const auto look = session.look(o.look);
    if (!look)
        return;
    const auto space = rgbSpaceFromName(o.space);
    if (!space)
        return session.report(space.error());
    const auto own = coloursOf(o.pictures);
    if (!own)
        return session.report(own.error());
    Result<TableFormat> format = tableFormatFromEnding(o.out);
    for (TableFormat known : {TableFormat::Cube, TableFormat::Clf, TableFormat::Hald, TableFormat::Cdl})
        if (o.format == nameOf(known))
            format = known;
    if (!format)
        return session.report(format.error());
    const auto travel = writeLookTable(*look, o.out, *format, o.size, *space, *own);
    if (!travel)
        return session.report(travel.error());
    tell(o, *travel, session);
}

}  // namespace

void addBake(CLI::App& app, Session& session)
{
    auto o = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand(
        "bake", "Write a look as a lookup table, encoded values in and out, with a report of how well it travels");
    command->add_option("look", o->look, "The look (.json)")->required();
    command->add_option("-o,--output", o->out, "The table to write")->required();
    command->add_option("--format", o->format, "cube, clf, hald or cdl (best fit); by the file's ending when left out")
        ->check(CLI::IsMember({"cube", "clf", "hald", "cdl"}));
    command
        ->add_option("--size", o->size,
                     "Lattice points along each edge; a Hald picture takes 4, 9, 16, 25, 36, 49, 64, …")
        ->check(CLI::Range(2, kTable3Limit))
        ->capture_default_str();
    command->add_option("--space", o->space, "Encoding of the table's values: srgb, p3, oprgb, rec2020")
        ->capture_default_str();
    command->add_option("--over", o->pictures, "Pictures of the shoot, over whose colours the report is made as well");
    command->add_flag("--report", o->report, "Print the travel report on stdout instead of stderr");
    command->footer(
        "Example: amber demo --dir D && amber bake D/looks/long-evening.json --size 33 -o long-evening.cube --report");
    command->callback([o, &session] { run(*o, session); });
}

}  // namespace amber::cli
