#include "core/job/kept_texts.h"

#include "core/base/json_text.h"

#include <array>
#include <stdexcept>

namespace amber {
namespace {
constexpr std::array<const char*, 3> kFrom{"artist", "check", "client"};
}

std::string standInToText(const StandIn& s)
{
    return jsonText({{"file", s.file}, {"look", s.look}, {"inside", s.inside}});
}

StandIn standInFromText(const std::string& text)
{
    const Json json = Json::parse(text);
    return {json.at("file").get<std::int64_t>(), json.at("look").get<LookId>(),
            json.at("inside").get<std::vector<std::string>>()};
}

std::string pinToText(const Pin& pin)
{
    Json json{{"frame", pin.frame}, {"from", kFrom[static_cast<std::size_t>(pin.from)]},
              {"text", pin.text},   {"about", pin.about},
              {"made", pin.made},   {"revision", pin.revision},
              {"done", pin.isDone}};
    if (pin.place)
        json["place"] = {pin.place->x, pin.place->y};
    if (pin.step)
        json["step"] = {{"look", pin.step->look}, {"kind", pin.step->kind}, {"which", pin.step->which}};
    return jsonText(json);
}

Pin pinFromText(const std::string& text)
{
    const Json json = Json::parse(text);
    Pin pin;
    const auto from = std::find(kFrom.begin(), kFrom.end(), json.at("from").get<std::string>());
    if (from == kFrom.end())
        throw std::invalid_argument("whose pin it is was expected");
    pin.from = static_cast<Pin::From>(from - kFrom.begin());
    pin.frame = json.at("frame").get<FrameId>(), pin.text = json.at("text").get<std::string>();
    pin.about = json.at("about").get<std::string>(), pin.made = json.at("made").get<std::string>();
    pin.revision = json.at("revision").get<RevisionId>(), pin.isDone = json.at("done").get<bool>();
    if (const auto place = json.find("place"); place != json.end())
        pin.place = Spot{place->at(0).get<double>(), place->at(1).get<double>()};
    if (const auto step = json.find("step"); step != json.end())
        pin.step = PinnedStep{step->at("look").get<LookId>(), step->at("kind").get<std::string>(),
                              step->at("which").get<int>()};
    return pin;
}

std::string ticksToText(const HandTicks& ticks) { return jsonText(Json(ticks)); }

HandTicks ticksFromText(const std::string& text) { return Json::parse(text).get<HandTicks>(); }

std::string handOverToText(const HandOver& h)
{
    return jsonText({{"recipes", h.recipes},
                     {"byHand", h.byHand},
                     {"frames", h.frames},
                     {"of", h.of},
                     {"author", h.author},
                     {"rights", h.rights},
                     {"folder", h.folder},
                     {"outside", h.outside}});
}

HandOver handOverFromText(const std::string& text)
{
    const Json json = Json::parse(text);
    HandOver h;
    h.recipes = json.at("recipes").get<std::vector<std::string>>();
    for (auto [name, value] : {std::pair{"byHand", &h.byHand},
                               {"frames", &h.frames},
                               {"of", &h.of},
                               {"author", &h.author},
                               {"rights", &h.rights},
                               {"folder", &h.folder},
                               {"outside", &h.outside}})
        *value = json.at(name).get<std::string>();
    return h;
}

}  // namespace amber
