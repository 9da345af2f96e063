#include "cli/command.h"
#include "core/handover/export.h"

#include <csignal>
#include <optional>
#include <tbb/global_control.h>
#include <unistd.h>

namespace amber::cli {
namespace {

struct Options {
    std::string look, format = "jpeg", space = "srgb", out;
    std::vector<std::string> pictures;
    int quality = 92, longEdge = 0, threads = 0;
};

CancelToken& interrupt()
{
    static CancelToken token;
    return token;
}

void run(const Options& o, Session& session)
{
    const auto look = session.look(o.look);
    if (!look)
        return;
    Shipment shipment;
    const auto format = fileFormatFromName(o.format);
    const auto space = rgbSpaceFromName(o.space);
    if (!format)
        return session.report(format.error());
    if (!space)
        return session.report(space.error());
    shipment.recipe.format = *format, shipment.recipe.space = *space, shipment.recipe.quality = o.quality;
    if (o.longEdge > 0)
        shipment.recipe.size = {OutputSize::Kind::LongEdge, static_cast<double>(o.longEdge), 0};
    shipment.folder = o.out;

    std::optional<tbb::global_control> limit;
    if (o.threads > 0)
        limit.emplace(tbb::global_control::max_allowed_parallelism, static_cast<std::size_t>(o.threads));
    std::signal(SIGINT, [](int) { interrupt().cancel(); });
    const bool terminal = ::isatty(STDERR_FILENO) != 0;
    const auto progress = [&](int done, int total, const Delivery& latest) {
        if (terminal)
            std::cerr << "\r" << done << " of " << total << "  " << latest.source.filename().string() << "\033[K"
                      << (done == total ? "\n" : "");
    };
    const auto report = exportPictures(*look, {o.pictures.begin(), o.pictures.end()}, shipment, progress, interrupt());
    if (!report)
        return session.report(report.error());
    session.deliver(*report, look->name, o.pictures.size());
}

}  // namespace

void addApply(CLI::App& app, Session& session)
{
    auto o = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand(
        "apply",
        "Render a look over pictures that are in no job (balances and what a job knows of them do not count: see amber "
        "job handover), names kept; a file that it did not write there is never replaced, the new one gets another "
        "name");
    command->add_option("look", o->look, "The look (.json)")->required();
    command->add_option("pictures", o->pictures, "JPEG, PNG, TIFF or WebP")->required();
    command->add_option("--out", o->out, "Folder for the results")->required();
    command->add_option("--format", o->format, "jpeg, png8, png16, tiff8, tiff16, webp or exr")->capture_default_str();
    command->add_option("--quality", o->quality, "Quality of JPEG and WebP")
        ->check(CLI::Range(1, 100))
        ->capture_default_str();
    command->add_option("--space", o->space, "srgb, p3, oprgb, prophoto or rec2020")->capture_default_str();
    command->add_option("--long-edge", o->longEdge, "Reduce to this many pixels (0: as it is)")
        ->check(CLI::Range(0, 100000));
    command->add_option("--threads", o->threads, "Threads (0: all)")->check(CLI::Range(0, 1024));
    command->footer("Example: amber demo --dir D && amber apply D/looks/long-evening.json D/*.jpg --out D/out");
    command->callback([o, &session] { run(*o, session); });
}

}  // namespace amber::cli
