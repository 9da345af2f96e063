#include "core/route/route.h"

#include "core/base/atomic_file.h"
#include "core/base/json_text.h"
#include "core/base/own_files.h"

#include <algorithm>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr const char* kFormat = "jolly-amber-route";
constexpr std::size_t kFileLimit = std::size_t{1} << 20, kTextLimit = 80;

fs::path routeFolder() { return userConfigFolder() / "routes"; }

Result<Route> routeIn(const fs::path& file)
{
    const auto text = readWholeFile(file, kFileLimit);
    return text ? routeFromText(*text, file.string()) : tl::make_unexpected(text.error());
}

Route routeOfStages(const char* name, const std::vector<const char*>& ids)
{
    Route route{name, {}, {}};
    for (const char* id : ids)
        route.stages.push_back(
            *std::find_if(knownStages().begin(), knownStages().end(), [&](const RouteStage& s) { return s.id == id; }));
    return route;
}

template <std::size_t N>
std::string listed(const std::array<std::string_view, N>& names)
{
    std::string all;
    for (const std::string_view name : names)
        all += (all.empty() ? "" : ", ") + std::string(name);
    return all;
}

template <std::size_t N>
Result<int> indexOf(const std::array<std::string_view, N>& names, const std::string& name, const std::string& where)
{
    const auto found = std::find(names.begin(), names.end(), name);
    if (found == names.end())
        return fail("not known", where, listed(names), name);
    return static_cast<int>(found - names.begin());
}

Result<std::string> shortTextIn(const Json& json, const char* name, const std::string& where)
{
    const auto found = json.find(name);
    if (found == json.end() || !found->is_string())
        return fail("a text was expected", where + "." + name, "a text",
                    found == json.end() ? "nothing" : jsonText(*found));
    std::string text = found->get<std::string>();
    if (text.empty() || text.size() > kTextLimit)
        return fail("too short or too long", where + "." + name, "1 to 80 bytes", std::to_string(text.size()));
    return text;
}

Result<RouteStage> stageFrom(const Json& json, const std::string& where)
{
    if (!json.is_object())
        return fail("a stage was expected", where, "an object", jsonText(json));
    RouteStage stage;
    std::string rule, place;
    for (auto [name, text] :
         {std::pair{"id", &stage.id}, {"title", &stage.title}, {"rule", &rule}, {"place", &place}}) {
        auto read = shortTextIn(json, name, where);
        if (!read)
            return tl::make_unexpected(read.error());
        *text = std::move(*read);
    }
    const auto ruleIndex = indexOf(kStageRules, rule, where + ".rule");
    const auto placeIndex = indexOf(kRoutePlaces, place, where + ".place");
    if (!ruleIndex || !placeIndex)
        return tl::make_unexpected(ruleIndex ? placeIndex.error() : ruleIndex.error());
    stage.rule = static_cast<StageRule>(*ruleIndex), stage.place = *placeIndex;
    const Json shoot = json.value("shoot", Json(false));
    if (!shoot.is_boolean())
        return fail("true or false was expected", where + ".shoot", "true or false", jsonText(shoot));
    stage.isOfShoot = shoot.get<bool>();
    return stage;
}

}  // namespace

const std::vector<RouteStage>& knownStages()
{
    using R = StageRule;
    static const std::vector<RouteStage> all{
        {"lights", "Tell the lights apart", R::Lights, true, 0},
        {"keys", "Mark key colours", R::Keys, true, 3},
        {"exposure", "Exposure", R::Exposure, false, 1},
        {"white", "White balance", R::White, false, 1},
        {"upright", "Upright, lens and crop", R::Upright, false, 1},
        {"areas", "Areas", R::Areas, false, 2},
        {"look", "Look", R::Look, false, 3},
        {"match", "Match", R::Hand, true, 4},
        {"checked", "Checks", R::Checked, false, 5},
        {"pins", "Pins closed", R::Pins, false, 3},
        {"done", "Done", R::Done, false, 0},
        {"handed-over", "Hand over", R::HandedOver, true, 6},
    };
    return all;
}

const std::vector<Route>& shippedRoutes()
{
    static const std::vector<Route> all{
        routeOfStages("light first", {"lights", "exposure", "upright", "white", "keys", "look", "areas", "checked",
                                      "pins", "done", "handed-over"}),
        routeOfStages("white first", {"lights", "white", "exposure", "upright", "keys", "look", "areas", "checked",
                                      "pins", "done", "handed-over"}),
        routeOfStages("colour last", {"upright", "lights", "exposure", "areas", "white", "keys", "look", "checked",
                                      "pins", "done", "handed-over"})};
    return all;
}

std::string routeToText(const Route& route)
{
    Json stages = Json::array();
    for (const RouteStage& s : route.stages)
        stages.push_back({{"id", s.id},
                          {"title", s.title},
                          {"rule", kStageRules[static_cast<std::size_t>(s.rule)]},
                          {"place", kRoutePlaces[static_cast<std::size_t>(s.place)]},
                          {"shoot", s.isOfShoot}});
    Json json{{"format", kFormat}, {"version", 1}, {"name", route.name}, {"stages", std::move(stages)}};
    if (const Json rest = Json::parse(route.unknownFields, nullptr, false); rest.is_object())
        json.update(rest);
    return jsonText(json, 1, true) + "\n";
}

Result<Route> routeFromText(const std::string& text, const std::string& file)
{
    Json json = Json::parse(text, nullptr, false);
    if (!json.is_object() || json.value("format", Json()) != kFormat)
        return fail("not a route", file);
    Route route;
    auto name = shortTextIn(json, "name", file);
    if (!name)
        return tl::make_unexpected(name.error());
    route.name = std::move(*name);
    const Json stages = json.value("stages", Json());
    if (!stages.is_array() || stages.empty() || stages.size() > kStageLimit)
        return fail("stages were expected", file + ": stages", "a list of 1 to 24",
                    stages.is_array() ? std::to_string(stages.size()) : "none");
    for (std::size_t i = 0; i < stages.size(); ++i) {
        auto stage = stageFrom(stages[i], file + ": stages[" + std::to_string(i) + "]");
        if (!stage)
            return tl::make_unexpected(stage.error());
        for (const RouteStage& earlier : route.stages)
            if (earlier.id == stage->id)
                return fail("two stages of one id", file + ": stages[" + std::to_string(i) + "]", "ids of their own",
                            stage->id);
        route.stages.push_back(std::move(*stage));
    }
    for (const char* known : {"format", "version", "name", "stages"})
        json.erase(known);
    if (!json.empty())
        route.unknownFields = jsonText(json);
    return route;
}

OwnRoutes ownRoutes()
{
    OwnRoutes own;
    for (const fs::path& file : ownFilesIn(routeFolder()))
        if (auto route = routeIn(file))
            own.routes.push_back(std::move(*route));
        else
            own.faults.push_back(route.error().message());
    std::sort(own.routes.begin(), own.routes.end(), [](const Route& a, const Route& b) { return a.name < b.name; });
    return own;
}

Status keepRoute(const Route& route)
{
    const auto isNamed = [&](const Route& r) { return r.name == route.name; };
    if (std::any_of(shippedRoutes().begin(), shippedRoutes().end(), isNamed))
        return fail("a route that ships has this name", route.name, "another name");
    const std::string text = routeToText(route);
    if (const auto good = routeFromText(text, route.name); !good)
        return tl::make_unexpected(good.error());
    std::error_code error;
    fs::create_directories(routeFolder(), error);
    return saveFile(ownFile(routeFolder(), route.name), text);
}

Status forgetRoute(const std::string& name)
{
    for (const fs::path& file : ownFilesIn(routeFolder()))
        if (const auto route = routeIn(file); route && route->name == name) {
            std::error_code error;
            fs::remove(file, error);
            return error ? fail("cannot be removed: " + error.message(), file.string()) : Status();
        }
    return fail("no own route of this name", name);
}

Route routeOf(const Desk& desk)
{
    auto route = desk.route.empty() ? Result<Route>(shippedRoutes().front()) : routeFromText(desk.route, "route");
    return route ? std::move(*route) : shippedRoutes().front();
}

}  // namespace amber
