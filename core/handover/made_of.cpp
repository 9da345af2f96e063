#include "core/handover/made_of.h"

#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/base/json_text.h"
#include "core/look/look_json.h"

namespace amber {
namespace {

/// All that belongs to the picture, beside its light.
std::string restOf(const PictureOwn& own)
{
    std::string all = responseToText(own.response) + "\n" + own.name.own;
    for (const std::string& set : own.name.sets)
        all += "\n" + set;
    for (const std::string& kind : own.name.inside)
        all += "\n" + kind;
    for (const auto& [name, value] : own.says)
        all += "\n" + name + "=" + value;
    for (const auto& [role, area] : own.areas)
        all += "\n" + role + " " + areaToText(area);
    return all;
}

/// Of the recipe and what else is said in the files; a profile by its content.
std::string hashOf(const Shipment& shipment)
{
    std::string all = recipeToText(shipment.recipe) + shipment.author + "\n" + shipment.rights;
    if (!shipment.recipe.profile.empty())
        all += contentHashOfFile(shipment.recipe.profile).value_or("");
    return contentHash(all);
}

}  // namespace

Result<MadeOf> madeOf(const std::filesystem::path& source, const Look& look, const PictureOwn& own,
                      const Shipment& shipment)
{
    if (std::error_code error; !std::filesystem::exists(source, error))
        return fail("no such file", source.string());
    const auto hash = contentHashOfFile(source);
    if (!hash)
        return tl::make_unexpected(hash.error());
    MadeOf made;
    made.source = source.filename().string(), made.sourceHash = *hash;
    made.look = look.name, made.lookHash = contentHash(lookToText(look, false));
    made.recipe = shipment.recipe.name, made.recipeHash = hashOf(shipment);
    made.balance = frameBalanceToText(own.balance);
    made.ownHash = contentHash(restOf(own));
    made.program = AMBER_VERSION;
    made.quality = hasQuality(shipment.recipe.format) ? shipment.recipe.quality : 0;
    return made;
}

std::string factsText(const MadeOf& m)
{
    Json json{{"source", m.source},     {"sourceHash", m.sourceHash}, {"look", m.look},
              {"lookHash", m.lookHash}, {"recipe", m.recipe},         {"recipeHash", m.recipeHash},
              {"ownHash", m.ownHash},   {"program", m.program},       {"quality", m.quality}};
    json["balance"] = Json::parse(m.balance, nullptr, false);
    return jsonText(json);
}

std::optional<MadeOf> factsFromText(const std::string& text)
{
    const Json json = Json::parse(text, nullptr, false);
    if (!json.is_object())
        return std::nullopt;
    const auto word = [&](const char* name) {
        const auto found = json.find(name);
        return found != json.end() && found->is_string() ? found->get<std::string>() : std::string();
    };
    MadeOf m{word("source"), word("sourceHash"), word("look"), word("lookHash"),
             word("recipe"), word("recipeHash"), {},           word("ownHash"),
             word("program")};
    if (const auto q = json.find("quality"); q != json.end() && q->is_number_integer())
        m.quality = q->get<int>();
    if (const auto balance = json.find("balance"); balance != json.end())
        m.balance = jsonText(*balance);
    return m;
}

std::optional<MadeOf> asBefore(const WrittenFiles& written, const std::filesystem::path& target, const MadeOf& made)
{
    const auto listed = written.of(target);
    if (!listed || !written.seemsOurs(target))
        return std::nullopt;
    // By way of text, as it was listed.
    const auto then = factsFromText(listed->facts), now = factsFromText(factsText(made));
    if (!then || !now || *then != *now)
        return std::nullopt;
    const auto hash = contentHashOfFile(target);
    return hash && *hash == listed->hash ? then : std::nullopt;
}

std::string dayOf(const std::string& captureTime)
{
    if (captureTime.size() < 10)
        return "undated";
    std::string day = captureTime.substr(0, 10);
    day[4] = day[7] = '-';
    return day;
}

}  // namespace amber
