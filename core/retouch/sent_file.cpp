#include "core/retouch/sent_file.h"

#include "core/base/caught.h"
#include "core/base/json_text.h"

namespace amber {
namespace {

Json spotsJson(const std::vector<DustSpot>& spots)
{
    Json list = Json::array();
    for (const DustSpot& s : spots)
        list.push_back({s.at.x, s.at.y, s.radius, s.strength});
    return list;
}

/// Fails, where it is asked for, as an exception that covers what is wrong with the text.
template <class T>
T taken(Result<T> result)
{
    if (!result)
        throw std::invalid_argument(result.error().message());
    return std::move(*result);
}

SentFile fromJson(const Json& json, const MaskOf& maskOf)
{
    SentFile s;
    const auto word = [&](const char* name) { return json.at(name).get<std::string>(); };
    s.identity = word("identity"), s.name = word("name"), s.place = word("place"), s.lookName = word("lookName");
    s.note = word("note"), s.small = word("small"), s.made = word("made");
    s.frame = json.at("frame").get<FrameId>(), s.standIn = json.at("standIn").get<std::int64_t>();
    s.width = json.at("width").get<int>(), s.height = json.at("height").get<int>();
    s.sourceRatio = json.at("sourceRatio").get<double>(), s.minutes = json.at("minutes").get<double>();
    s.look = json.at("look").get<LookId>(), s.revision = json.at("revision").get<RevisionId>();
    s.steps = json.at("steps").get<std::size_t>(), s.cameBack = json.at("cameBack").get<std::int64_t>();
    s.inside = json.at("inside").get<std::vector<std::string>>();
    s.picture = PictureName(word("picture"), json.at("sets").get<std::vector<std::string>>());
    s.picture.inside = json.at("before").get<std::vector<std::string>>();
    s.balance = taken(frameBalanceFromText(json.at("balance").dump()));
    s.response = taken(responseFromText(word("response")));
    s.originalResponse = taken(responseFromText(word("originalResponse")));
    for (const auto& [role, area] : json.at("areas").items())
        s.areas[role] = taken(areaFromText(area.dump(), maskOf));
    for (const Json& spot : json.at("spots"))
        s.spots.push_back(
            {{spot.at(0).get<double>(), spot.at(1).get<double>()}, spot.at(2).get<double>(), spot.at(3).get<double>()});
    return s;
}

}  // namespace

std::string sentFileToText(const SentFile& s)
{
    Json json{{"identity", s.identity},
              {"frame", s.frame},
              {"name", s.name},
              {"place", s.place},
              {"standIn", s.standIn},
              {"width", s.width},
              {"height", s.height},
              {"sourceRatio", s.sourceRatio},
              {"look", s.look},
              {"lookName", s.lookName},
              {"revision", s.revision},
              {"steps", s.steps},
              {"inside", s.inside},
              {"picture", s.picture.own},
              {"sets", s.picture.sets},
              {"before", s.picture.inside},
              {"balance", Json::parse(frameBalanceToText(s.balance))},
              {"response", responseToText(s.response)},
              {"originalResponse", responseToText(s.originalResponse)},
              {"areas", Json::object()},
              {"note", s.note},
              {"minutes", s.minutes},
              {"spots", spotsJson(s.spots)},
              {"small", s.small},
              {"made", s.made},
              {"cameBack", s.cameBack}};
    for (const auto& [role, area] : s.areas)
        json["areas"][role] = Json::parse(areaToText(area));
    return jsonText(json);
}

Result<SentFile> sentFileFromText(const std::string& text, const MaskOf& maskOf)
{
    try {
        return fromJson(Json::parse(text), maskOf);
    } catch (const std::exception& error) {
        return fail("what was sent out cannot be read: " + std::string(error.what()));
    }
}

std::vector<SentFile> sentFilesOf(const JobStore& store)
{
    std::vector<SentFile> all;
    for (const Record& record : store.records(kSentRecord).value_or(std::vector<Record>{}))
        if (auto sent = sentFileFromText(record.json, store.masks())) {
            sent->record = record.id;
            if (sent->made.empty())
                sent->made = record.made;
            all.push_back(std::move(*sent));
        }
    return all;
}

}  // namespace amber
