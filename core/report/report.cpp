#include "core/report/report.h"

#include "core/base/json_text.h"

#include <algorithm>

namespace amber {
namespace {

Json lookJson(const Report::LookPart& look)
{
    Json json{{"name", look.name},  {"intent", look.intent},  {"hash", look.hash},        {"frames", look.frames},
              {"asked", look.card}, {"steps", Json::array()}, {"versions", Json::array()}};
    for (const auto& step : look.steps)
        json["steps"].push_back({{"title", step.title}, {"reason", step.reason}, {"recipe", step.recipe}});
    for (const auto& [made, note] : look.versions)
        json["versions"].push_back({{"made", made}, {"note", note}});
    return json;
}

Json consistencyJson(const Report::Consistency& table)
{
    Json json{{"within", table.within},   {"withinAsTheyCame", table.withinBefore},
              {"spread", table.spread},   {"spreadAsTheyCame", table.spreadBefore},
              {"columns", table.columns}, {"frames", Json::array()}};
    for (const auto& row : table.rows) {
        Json apart = Json::array();
        for (const auto& value : row.apart)
            apart.push_back(value ? Json(*value) : Json());
        json["frames"].push_back({{"frame", row.frame}, {"isLead", row.isLead}, {"apart", std::move(apart)}});
    }
    return json;
}

}  // namespace

int Report::open() const
{
    return static_cast<int>(
        std::count_if(findings.begin(), findings.end(), [](const FindingPart& f) { return !f.isAccepted; }));
}

namespace {

void addDeliveries(Json& json, const Report& r)
{
    json["deliveries"] = Json::array();
    for (const auto& d : r.deliveries)
        json["deliveries"].push_back(
            {{"recipe", d.recipe}, {"folder", d.folder}, {"when", d.when}, {"files", d.files}});
    json["rounds"] = Json::array();
    for (const auto& round : r.rounds) {
        Json remarks = Json::array();
        for (const auto& remark : round.remarks)
            remarks.push_back(
                {{"frame", remark.frame}, {"text", remark.text}, {"about", remark.about}, {"isDone", remark.isDone}});
        json["rounds"].push_back({{"number", round.number},
                                  {"asked", round.asked},
                                  {"answered", round.answered},
                                  {"files", round.files},
                                  {"approved", round.approved},
                                  {"remarks", std::move(remarks)}});
    }
}

}  // namespace

std::string reportJson(const Report& r)
{
    Json json{
        {"format", "jolly-amber-report"}, {"version", 1},           {"job", r.job}, {"use", r.use}, {"made", r.made},
        {"looks", Json::array()},         {"lights", Json::array()}};
    for (const auto& look : r.looks)
        json["looks"].push_back(lookJson(look));
    for (const auto& light : r.lights)
        json["lights"].push_back({{"name", light.name}, {"lead", light.lead}, {"frames", light.frames}});
    json["consistency"] = r.consistency ? consistencyJson(*r.consistency) : Json();
    json["checked"] = r.checked;
    json["open"] = r.open();
    json["findings"] = Json::array();
    for (const auto& f : r.findings)
        json["findings"].push_back({{"frame", f.frame},
                                    {"check", f.check},
                                    {"words", f.words},
                                    {"value", f.value},
                                    {"limit", f.limit},
                                    {"unit", f.unit},
                                    {"because", f.because},
                                    {"isAccepted", f.isAccepted},
                                    {"reason", f.reason}});
    json["unread"] = Json::array();
    for (const auto& [frame, why] : r.unread)
        json["unread"].push_back({{"frame", frame}, {"why", why}});
    json["reasons"] = Json::array();
    for (const auto& reason : r.reasons)
        json["reasons"].push_back({{"made", reason.made}, {"what", reason.what}, {"reason", reason.reason}});
    addDeliveries(json, r);
    return jsonText(json, 2) + "\n";
}

std::string inWords(const Report::DeliveryPart& d)
{
    return d.recipe + ": " + (d.files == 1 ? "1 file" : std::to_string(d.files) + " files") + " in " + d.folder + ", " +
           d.when;
}

std::string inWords(const Report::RoundPart& r)
{
    return "Round " + std::to_string(r.number) + ", asked " + r.asked + ": " +
           (r.answered.empty()
                ? std::string("not answered yet")
                : std::to_string(r.approved) + " of " + std::to_string(r.files) + " approved, " + r.answered);
}

std::string inWords(const Report::RoundPart::Remark& r)
{
    return r.frame + ": " + r.text + (r.isDone ? " (done)" : " (open)");
}

}  // namespace amber
