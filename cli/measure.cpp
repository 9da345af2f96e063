#include "cli/command.h"
#include "core/image/read.h"
#include "core/measure/main_colours.h"
#include "core/measure/tone.h"

#include "core/colour/oklab.h"

namespace amber::cli {
namespace {

struct Patch {
    std::string name;
    double x, y, radius;
};

Result<Patch> parsePatch(const std::string& text)
{
    Patch p;
    const std::size_t equals = text.find('=');
    int used = 0;
    if (equals == std::string::npos || equals == 0 ||
        std::sscanf(text.c_str() + equals + 1, "%lf,%lf,%lf%n", &p.x, &p.y, &p.radius, &used) != 3 ||
        equals + 1 + static_cast<std::size_t>(used) != text.size())
        return fail("wrong patch", {}, "NAME=X,Y,R", text);
    p.name = text.substr(0, equals);
    return p;
}

Json toJson(const PatchMeasures& m)
{
    return {{"L", m.okLch.L},
            {"chroma", m.okLch.chroma},
            {"hue", m.okLch.hueDegrees},
            {"lab", {m.lab.l, m.lab.a, m.lab.b}},
            {"spread", m.spread},
            {"pixels", m.pixels}};
}

Result<Json> measure(const std::string& path, const std::vector<Patch>& patches)
{
    const auto picture = readPicture(path);
    if (!picture)
        return tl::make_unexpected(picture.error());
    const ImageView view = picture->image.view();
    const ToneMeasures tone = measureTone(view, RgbSpace::Srgb);
    Json colours = Json::array();
    for (const MainColour& c : mainColours(view, 6)) {
        const OkLch lch = toOkLch(toOkLab(c.colour));
        colours.push_back({{"share", c.share}, {"L", lch.L}, {"chroma", lch.chroma}, {"hue", lch.hueDegrees}});
    }
    Json stops = Json::array();
    for (double L : tone.quantilesL)
        stops.push_back(stopsOf(L));
    Json result{{"picture", path},
                {"width", view.width},
                {"height", view.height},
                {"bits", picture->info.bits},
                {"profile", picture->info.profile.title + (picture->info.profile.assumedSrgb ? " (assumed)" : "")},
                {"quantiles", kQuantiles},
                {"L", tone.quantilesL},
                {"stops", stops},
                {"meanL", tone.meanL},
                {"contrast", tone.contrast},
                {"clippedLow", tone.clippedLow},
                {"clippedHigh", tone.clippedHigh},
                {"mainColours", std::move(colours)}};
    for (const Patch& p : patches) {
        const auto m = measurePatch(view, p.x, p.y, p.radius);
        if (!m)
            return fail(m.error().what, path, m.error().expected, m.error().found);
        result["patches"][p.name] = toJson(*m);
    }
    return result;
}

void print(const Json& m)
{
    std::printf("%s  %d x %d, %d bit, %s\n", m["picture"].get<std::string>().c_str(), m["width"].get<int>(),
                m["height"].get<int>(), m["bits"].get<int>(), m["profile"].get<std::string>().c_str());
    std::printf("  tone       ");
    for (std::size_t i = 0; i < kQuantiles.size(); ++i)
        std::printf(" %g%%: %.3f", kQuantiles[i] * 100, m["L"][i].get<double>());
    std::printf("\n  mean L %.3f, contrast %.3f\n", m["meanL"].get<double>(), m["contrast"].get<double>());
    for (const char* end : {"clippedLow", "clippedHigh"})
        std::printf("  %-12s red %.3f %%, green %.3f %%, blue %.3f %%\n", end, m[end][0].get<double>() * 100,
                    m[end][1].get<double>() * 100, m[end][2].get<double>() * 100);
    for (const auto& c : m["mainColours"])
        std::printf("  colour      L %.3f  chroma %.3f  hue %5.1f  share %4.1f %%\n", c["L"].get<double>(),
                    c["chroma"].get<double>(), c["hue"].get<double>(), c["share"].get<double>() * 100);
    if (m.contains("patches"))
        for (const auto& [name, p] : m["patches"].items())
            std::printf("  patch %s: L %.3f  chroma %.3f  hue %.1f  L*a*b* %.2f %.2f %.2f  spread %.2f\n", name.c_str(),
                        p["L"].get<double>(), p["chroma"].get<double>(), p["hue"].get<double>(),
                        p["lab"][0].get<double>(), p["lab"][1].get<double>(), p["lab"][2].get<double>(),
                        p["spread"].get<double>());
}

}  // namespace

void addMeasure(CLI::App& app, Session& session)
{
    struct Options {
        std::vector<std::string> pictures, patches;
    };
    auto o = std::make_shared<Options>();
    CLI::App* command = app.add_subcommand("measure", "Tone, clipping, main colours and patches of pictures");
    command->add_option("pictures", o->pictures, "JPEG, PNG, TIFF or WebP")->required();
    command->add_option("--patch", o->patches, "NAME=X,Y,R as fractions of width, height and the shorter side")
        ->expected(1)
        ->take_all();
    command->footer("Example: amber demo --dir D && amber measure D/yard-01.jpg --patch grey=0.383,0.673,0.01");
    command->callback([o, &session] {
        std::vector<Patch> patches;
        for (const std::string& text : o->patches) {
            const auto patch = parsePatch(text);
            if (!patch)
                return session.report(patch.error());
            patches.push_back(*patch);
        }
        Json all = Json::array();
        std::size_t failed = 0;
        for (const std::string& path : o->pictures) {
            const auto m = measure(path, patches);
            if (!m) {
                ++failed;
                session.report(m.error(), 1);
            } else if (session.json) {
                all.push_back(*m);
            } else {
                print(*m);
            }
        }
        if (failed == o->pictures.size())
            session.status = 2;
        if (session.json)
            session.print(all);
    });
}

}  // namespace amber::cli
