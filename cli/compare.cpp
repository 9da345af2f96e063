#include "cli/command.h"
#include "core/image/read.h"
#include "core/measure/picture_difference.h"

namespace amber::cli {

void addCompare(CLI::App& app, Session& session)
{
    struct Options {
        std::string one, two;
    };
    auto o = std::make_shared<Options>();
    CLI::App* command =
        app.add_subcommand("compare", "CIEDE2000 between two pictures of one size, and where it is largest");
    command->add_option("a", o->one)->required();
    command->add_option("b", o->two)->required();
    command->footer("Example: amber demo --dir D && amber compare D/yard-01.jpg D/yard-01.jpg");
    command->callback([o, &session] {
        const auto one = readPicture(o->one);
        if (!one)
            return session.report(one.error());
        const auto two = readPicture(o->two);
        if (!two)
            return session.report(two.error());
        const auto d = pictureDifference(one->image.view(), two->image.view());
        if (!d)
            return session.report(d.error());
        if (session.json)
            return session.print({{"mean", d->mean},
                                  {"percentile50", d->percentile50},
                                  {"percentile95", d->percentile95},
                                  {"percentile99", d->percentile99},
                                  {"maximum", d->maximum},
                                  {"x", d->x},
                                  {"y", d->y}});
        std::printf("CIEDE2000: mean %.4f, 50 %% %.4f, 95 %% %.4f, 99 %% %.4f, maximum %.4f at %d, %d\n", d->mean,
                    d->percentile50, d->percentile95, d->percentile99, d->maximum, d->x, d->y);
    });
}

}  // namespace amber::cli
