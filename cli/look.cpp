#include "cli/command.h"
#include "core/analysis/net_effect.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/look/look_difference.h"

#include <filesystem>

namespace amber::cli {
namespace {

void show(const Look& look, Session& session)
{
    if (session.json)
        return session.print(Json::parse(lookToText(look, false)));
    std::cout << look.name << "\n";
    if (!look.intent.empty())
        std::cout << look.intent << "\n";
    for (std::size_t i = 0; i < look.steps.size(); ++i) {
        const Step& step = look.steps[i];
        std::cout << i + 1 << ". " << titleOf(step) << (step.enabled ? "" : " (off)")
                  << (step.enabled && isIdentity(step) ? " (changes nothing)" : "");
        if (step.strength != 1)
            std::cout << ", strength " << step.strength;
        std::cout << (step.note.empty() ? "" : ": " + step.note) << "\n";
    }
}

void diff(const Look& one, const Look& two, Session& session)
{
    const auto changes = parameterChanges(one, two);
    const DifferenceSummary d = measuredDifference(one, two);
    if (session.json) {
        Json list = Json::array();
        for (const auto& c : changes)
            list.push_back({{"field", c.field}, {"before", c.before}, {"after", c.after}});
        return session.print(
            {{"changes", std::move(list)}, {"mean", d.mean}, {"percentile95", d.percentile95}, {"maximum", d.maximum}});
    }
    for (const auto& c : changes)
        std::cout << c.field << ": " << (c.before.empty() ? "(nothing)" : c.before) << " -> "
                  << (c.after.empty() ? "(nothing)" : c.after) << "\n";
    std::printf("measured difference (CIEDE2000): mean %.3f, 95 %% %.3f, maximum %.3f\n", d.mean, d.percentile95,
                d.maximum);
}

Result<KeyColour> parseKey(const std::string& text)
{
    KeyColour key;
    double x = 0, y = 0;
    int used = 0;
    const std::size_t equals = text.find('=');
    if (equals == std::string::npos || equals == 0 ||
        std::sscanf(text.c_str() + equals + 1, "%lf,%lf%n", &x, &y, &used) != 2 ||
        equals + 1 + static_cast<std::size_t>(used) != text.size() || x < 0 || x > 1 || y < 0 || y > 1)
        return fail("wrong key colour", {}, "NAME=X,Y as fractions of the picture", text);
    key.name = text.substr(0, equals);
    key.place = {x, y, x, y};
    return key;
}

/// What every step does to one picture: the numbers the window shows.
void printEffects(const Json& steps, const Json& undoing)
{
    for (std::size_t s = 0; s < steps.size(); ++s) {
        std::printf("%zu. %-18s brightness %+.3f  contrast %+.3f  chroma %+.4f  cast %+.4f %+.4f\n", s + 1,
                    steps[s]["step"].get<std::string>().c_str(), steps[s]["brightness"].get<double>(),
                    steps[s]["contrast"].get<double>(), steps[s]["chroma"].get<double>(),
                    steps[s]["cast"][0].get<double>(), steps[s]["cast"][1].get<double>());
        for (const auto& [name, m] : steps[s]["keys"].items())
            std::printf("     %-16s dE00 %5.2f  (L* %+.2f  C* %+.2f  H* %+.2f)\n", name.c_str(),
                        m["deltaE"].get<double>(), m["lightness"].get<double>(), m["chroma"].get<double>(),
                        m["hue"].get<double>());
    }
    for (const auto& u : undoing)
        std::printf("steps %d and %d undo one another in %s: %.3f and %.3f leave %.3f\n", u["first"].get<int>(),
                    u["second"].get<int>(), u["aspect"].get<std::string>().c_str(), u["sizes"][0].get<double>(),
                    u["sizes"][1].get<double>(), u["remains"].get<double>());
}

Json describedSteps(const LookTrace& trace, const Look& look, const std::vector<KeyColour>& keys)
{
    Json steps = Json::array();
    for (int s = 0; s < trace.steps(); ++s) {
        const StepState &from = trace.before(s), &to = trace.after(s);
        Json moved = Json::object();
        for (std::size_t k = 0; k < keys.size(); ++k) {
            const KeyMove m = trace.move(s, static_cast<int>(k));
            moved[keys[k].name] = {
                {"deltaE", m.deltaE}, {"lightness", m.lightness}, {"chroma", m.chroma}, {"hue", m.hue}};
        }
        steps.push_back({{"step", titleOf(look.steps[static_cast<std::size_t>(s)])},
                         {"brightness", to.meanL - from.meanL},
                         {"contrast", to.contrast - from.contrast},
                         {"chroma", to.meanChroma - from.meanChroma},
                         {"cast", {to.castA - from.castA, to.castB - from.castB}},
                         {"keys", std::move(moved)}});
    }
    return steps;
}

Result<std::vector<KeyColour>> keysOf(const std::vector<std::string>& marked, ImageView full, ImageView samples)
{
    std::vector<KeyColour> keys;
    for (const std::string& text : marked) {
        auto key = parseKey(text);
        if (!key)
            return tl::make_unexpected(key.error());
        key->place = pointPlace(key->place.left, key->place.top, full.width, full.height);
        keys.push_back(*key);
    }
    for (const KeyColour& own : automaticKeyColours(samples, 0))
        keys.push_back(own);
    return keys;
}

void effects(const Look& look, const std::string& path, const std::vector<std::string>& marked, Session& session)
{
    constexpr int kSamples = 208, kReduced = 1200, kColours = 240;
    const auto picture = readPicture(path);
    if (!picture)
        return session.report(picture.error());
    const ImageView full = picture->image.view();
    const Size grid = fitted({full.width, full.height}, kSamples), small = fitted({full.width, full.height}, kReduced);
    const Image samples = sampleGrid(full, grid.width, grid.height);
    const bool spatial =
        std::any_of(look.steps.begin(), look.steps.end(), [](const Step& s) { return isSpatial(s) && !isIdentity(s); });
    const Image read = spatial ? reduceByArea(full, small.width, small.height) : samples;
    auto keys = keysOf(marked, full, samples.view());
    if (!keys)
        return session.report(keys.error());
    const auto trace =
        traceLook(look, read.view(), 0, *keys, {}, {RenderOptions::Stage::All, std::max(full.width, full.height)});
    if (!trace)
        return session.report(Error{"the look does not validate", path, {}, {}});
    Json steps = describedSteps(*trace, look, *keys);
    Json undoing = Json::array();
    for (const Undoing& u : findUndoing(look, someColours(samples.view(), kColours)))
        undoing.push_back({{"first", u.first + 1},
                           {"second", u.second + 1},
                           {"aspect", u.aspect == Undoing::Aspect::Lightness ? "lightness" : "colour"},
                           {"sizes", {u.firstSize, u.secondSize}},
                           {"remains", u.remains}});
    if (session.json)
        return session.print({{"picture", path}, {"steps", std::move(steps)}, {"undoing", std::move(undoing)}});
    printEffects(steps, undoing);
}

/// A step of every kind at its defaults: a starting point to edit that changes nothing yet.
Look template_(const std::string& name)
{
    Look look;
    look.name = name;
    look.steps = {Step{ToneCurve{}, true, 1, {}, {}}, Step{SplitToning{}, true, 1, {}, {}},
                  Step{HueShifts{}, true, 1, {}, {}}};
    return look;
}

struct Options {
    std::string one, two, name = "New look";
    std::vector<std::string> keys;
    bool empty = false;
};

void make(const Options& o, Session& session)
{
    std::error_code error;
    if (std::filesystem::exists(o.one, error))
        return session.report(Error{"exists already", o.one, "a new file name", {}});
    Look look = template_(o.name);
    if (o.empty)
        look.steps.clear();
    if (const auto written = writeLook(look, o.one); !written)
        session.report(written.error());
}

void check(const Options& o, Session& session)
{
    const auto look = session.look(o.one);
    if (!look)
        return;
    Json tears = Json::array();
    for (std::size_t i = 0; i < look->steps.size(); ++i)
        if (const auto* hues = std::get_if<HueShifts>(&look->steps[i].parameters))
            if (const TearMeter t = tearMeter(*hues); t.smallestHueSlope <= 0.25)
                tears.push_back("step " + std::to_string(i + 1) + ": hues " +
                                (t.smallestHueSlope <= 0 ? "fold over" : "nearly fold") + " between " + t.families);
    if (session.json)
        return session.print({{"good", true}, {"tears", tears}});
    for (const auto& tear : tears)
        std::cout << tear.get<std::string>() << "\n";
    std::cout << "good: " << look->steps.size() << " steps\n";
}

void compare(const Options& o, Session& session)
{
    const auto one = session.look(o.one);
    const auto two = one ? session.look(o.two) : one;
    if (one && two)
        diff(*one, *two, session);
}

void addFiles(CLI::App* command, const std::shared_ptr<Options>& o, Session& session)
{
    CLI::App* made = command->add_subcommand(
        "new", "Write a look to start from: a curve, dyes and families that change nothing yet");
    made->add_option("look", o->one, "The file to write (.json)")->required();
    made->add_option("--name", o->name, "Its name");
    made->add_flag("--empty", o->empty, "Without any steps");
    made->footer("Example: amber look new mine.json --name 'Long evening'");
    made->callback([o, &session] { make(*o, session); });
    CLI::App* shown = command->add_subcommand("show", "Print a look");
    shown->add_option("look", o->one)->required();
    shown->footer("Example: amber demo --dir D && amber look show D/looks/long-evening.json");
    shown->callback([o, &session] {
        if (const auto look = session.look(o->one))
            show(*look, session);
    });
    CLI::App* checked = command->add_subcommand("check", "Validate a look; says what is wrong and where");
    checked->add_option("look", o->one)->required();
    checked->footer("Example: amber demo --dir D && amber look check D/looks/long-evening.json");
    checked->callback([o, &session] { check(*o, session); });
}

void addMeasures(CLI::App* command, const std::shared_ptr<Options>& o, Session& session)
{
    CLI::App* measured =
        command->add_subcommand("effects", "What every step of a look does to a picture and to its key colours");
    measured->add_option("look", o->one)->required();
    measured->add_option("picture", o->two)->required();
    measured->add_option("--key", o->keys, "NAME=X,Y: a key colour at this place, in fractions; may be given again");
    measured->footer("Example: amber demo --dir D && amber look effects D/looks/long-evening.json "
                     "D/north-window-02.jpg --key glaze=0.62,0.55");
    measured->callback([o, &session] {
        if (const auto look = session.look(o->one))
            effects(*look, o->two, o->keys, session);
    });
    CLI::App* compared =
        command->add_subcommand("diff", "How two looks differ, in parameters and in measured CIEDE2000");
    compared->add_option("before", o->one)->required();
    compared->add_option("after", o->two)->required();
    compared->footer(
        "Example: amber demo --dir D && amber look diff D/looks/long-evening.json D/looks/chalk-morning.json");
    compared->callback([o, &session] { compare(*o, session); });
}

}  // namespace

void addLook(CLI::App& app, Session& session)
{
    CLI::App* command = app.add_subcommand("look", "Make, print, validate and compare looks");
    command->require_subcommand(1);
    const auto o = std::make_shared<Options>();
    addFiles(command, o, session);
    addMeasures(command, o, session);
    addLookSheet(*command, session);
}

}  // namespace amber::cli
