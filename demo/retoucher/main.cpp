// amber_retoucher: a retoucher's stand-in, to try the way out and back without one.
#include "demo/retoucher/retoucher.h"

#include <CLI/CLI.hpp>
#include <cstdio>

int main(int argc, char** argv)
{
    CLI::App app{"A retoucher's stand-in: heals spots, paints, lets colours drift, crops, saves otherwise"};
    std::string from, to;
    amber::RetouchEdits edits;
    std::vector<double> crop;
    bool bare = false;
    app.add_option("from", from, "File that was sent")->required();
    app.add_option("to", to, "File to write: .tif, .png or .jpg")->required();
    app.add_option("--heal", edits.heal, "So many spots are healed");
    app.add_option("--paint", edits.paint, "A soft place is made lighter by this share");
    app.add_option("--shift", edits.shift, "Colours drift by about so many CIEDE2000");
    app.add_option("--bits", edits.bits, "Saved with 8 or 16 bits")->check(CLI::IsMember({8, 16}));
    app.add_option("--crop", crop, "Left, top, right, bottom in fractions")->expected(4)->delimiter(',');
    app.add_option("--scale", edits.scale, "Saved smaller")->check(CLI::Range(0.05, 1.0));
    app.add_flag("--mirror", edits.mirror, "Turned over");
    app.add_flag("--bare", bare, "Saved without any metadata");
    app.add_option("--seed", edits.seed, "Another seed, other places");
    CLI11_PARSE(app, argc, argv);
    if (!crop.empty())
        edits.crop = {crop[0], crop[1], crop[2], crop[3]};
    edits.withMetadata = !bare;
    const auto truth = amber::retouch(from, to, edits);
    if (!truth) {
        std::fprintf(stderr, "amber_retoucher: %s\n", truth.error().message().c_str());
        return 1;
    }
    std::printf("{\"shifted\": %.4f, \"touched\": %.6f}\n", truth->shifted, truth->touched);
    return 0;
}
