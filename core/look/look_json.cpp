#include "core/look/look_json.h"

#include "core/base/atomic_file.h"
#include "core/look/scope.h"

namespace amber {
namespace {

constexpr std::size_t kFileLimitBytes = std::size_t{256} << 20;

Json stepToJson(const Step& step, bool embedTables)
{
    Json json{{"type", typeOf(step)}, {"enabled", step.enabled}, {"strength", step.strength}};
    if (!step.note.empty())
        json["note"] = step.note;
    if (!step.group.empty())
        json["group"] = step.group;
    if (Guard open; (open.where = step.guard.where, !(step.guard == open)))
        json["guard"] = toJson(step.guard);
    if (!(step.guard.where == RoleBinding{}))
        json["where"] = toJson(step.guard.where);
    if (!step.perPicture.empty())
        json["perPicture"] = step.perPicture;
    for (const auto& [holder, values] : step.held)
        if (!embedTables || setOfHolder(holder))
            json["held"][holder] = Json::parse(values);
    const auto* table = std::get_if<LookupTable>(&step.parameters);
    json["parameters"] = table ? toJson(*table, embedTables) : parametersOf(step);
    addUnknown(json, step.unknownFields);
    return json;
}

/// Reads the parameters of the kind named `type`, the I-th of the variant or a later one.
template <std::size_t I = 0>
Status readParameters(const std::string& type, const Json& json, const std::string& where, Step& step)
{
    using T = std::variant_alternative_t<I, StepKinds>;
    if constexpr (std::is_same_v<T, UnknownStep>) {
        step.parameters = UnknownStep{type, jsonText(json)};
        return {};
    } else {
        if (type != T::kType)
            return readParameters<I + 1>(type, json, where, step);
        auto parsed = parse<T>(json, where);
        if (!parsed)
            return tl::make_unexpected(parsed.error());
        step.parameters = std::move(*parsed);
        return {};
    }
}

/// The kept fields of a step's parameters and of the lists in them, each with its place.
std::vector<std::pair<std::string, std::string>> unknownIn(const StepParameters& parameters)
{
    std::vector<std::pair<std::string, std::string>> all;
    const auto addList = [&](const char* name, const auto& list) {
        for (std::size_t i = 0; i < list.size(); ++i)
            all.emplace_back(std::string(".").append(name) + "[" + std::to_string(i) + "]", list[i].unknownFields);
    };
    std::visit(
        [&](const auto& s) {
            if constexpr (requires { s.unknownFields; })
                all.emplace_back("", s.unknownFields);
            if constexpr (requires { s.dyes; })
                addList("dyes", s.dyes);
            if constexpr (requires { s.families; })
                addList("families", s.families);
            if constexpr (requires { s.stops; })
                addList("stops", s.stops);
            if constexpr (requires { s.zoneUnknownFields; })
                for (const std::string& unknown : s.zoneUnknownFields)
                    all.emplace_back(" (zones)", unknown);
        },
        parameters);
    return all;
}

void warn(std::vector<std::string>& warnings, const std::string& unknown, const std::string& where)
{
    if (unknown.empty())
        return;
    const Json fields = Json::parse(unknown);
    for (const auto& [name, value] : fields.items())
        warnings.push_back(where + ": the field '" + name +
                           "' is not known to this version; it is kept but has no effect");
}

/// What pictures and sets of pictures have of their own.
void readOwn(FieldReader& fields, Step& step)
{
    fields.list("perPicture", 64, [&](const Json& entry, const std::string& at) -> Status {
        if (!entry.is_string())
            return fail("wrong value", at, "the name of a parameter", entry.type_name());
        step.perPicture.insert(entry.get<std::string>());
        return {};
    });
    const auto read = [&](const char* name, auto&& counts) {
        const Json* held = fields.find(name);
        if (!held || !held->is_object())
            return;
        for (const auto& [holder, values] : held->items()) {
            Json those = Json::object();
            for (const auto& [part, value] : values.items())
                if (values.is_object() && counts(part))
                    those[part] = value;
            if (!those.empty())
                step.held[holder] = jsonText(those);
        }
    };
    // Before there were sets, only what was kept per picture counted.
    read("own", [&](const std::string& part) { return step.perPicture.count(part) > 0; });
    read("held", [](const std::string&) { return true; });
}

/// By which role it works.
Status readBinding(FieldReader& fields, const std::string& where, Step& step)
{
    const Json* binding = fields.find("where");
    if (!binding)
        return {};
    auto parsed = parse<RoleBinding>(*binding, where + ".where");
    if (!parsed)
        return tl::make_unexpected(parsed.error());
    step.guard.where = std::move(*parsed);
    return {};
}

Status readStep(const Json& json, const std::string& where, LoadedLook& loaded)
{
    Step step;
    FieldReader fields(json, where);
    std::string type;
    fields.text("type", type);
    if (type.empty())
        fields.wrong("type", "the kind of step", "nothing");
    fields.boolean("enabled", step.enabled);
    fields.number("strength", step.strength, 0, 2);
    fields.text("note", step.note);
    fields.text("group", step.group);
    const Json* parameters = fields.find("parameters");
    if (const Json* guard = fields.find("guard")) {
        auto parsed = parse<Guard>(*guard, where + ".guard");
        if (!parsed)
            return tl::make_unexpected(parsed.error());
        step.guard = std::move(*parsed);
    }
    if (auto good = readBinding(fields, where, step); !good)
        return good;
    readOwn(fields, step);
    if (auto good = fields.status(); !good)
        return good;
    if (auto good = readParameters(type, parameters ? *parameters : Json::object(), where + ".parameters", step); !good)
        return good;
    step.unknownFields = fields.unknown();
    if (std::holds_alternative<UnknownStep>(step.parameters))
        loaded.warnings.push_back(where + ": the step '" + type +
                                  "' is not known to this version; it is kept but has no effect");
    warn(loaded.warnings, step.unknownFields, where);
    warn(loaded.warnings, step.guard.unknownFields, where + ".guard");
    warn(loaded.warnings, step.guard.where.unknownFields, where + ".where");
    for (const auto& [place, unknown] : unknownIn(step.parameters))
        warn(loaded.warnings, unknown, where + ".parameters" + place);
    loaded.look.steps.push_back(std::move(step));
    return {};
}

void warnOfUnknownRoles(LoadedLook& loaded, const std::string& name)
{
    for (std::size_t i = 0; i < loaded.look.steps.size(); ++i)
        if (const std::string& role = loaded.look.steps[i].guard.where.role;
            !role.empty() && !roleOf(loaded.look, role))
            loaded.warnings.push_back(name + ".steps[" + std::to_string(i) + "].where: the look has no role '" + role +
                                      "'; the step has no effect");
}

template <class Part>
Status readPart(const Json& json, const std::string& where, Part& part, std::vector<std::string>& warnings)
{
    auto parsed = parse<Part>(json, where);
    if (!parsed)
        return tl::make_unexpected(parsed.error());
    part = std::move(*parsed);
    warn(warnings, part.unknownFields, where);
    return {};
}

}  // namespace

std::string lookToText(const Look& look, bool embedTables)
{
    Json steps = Json::array();
    for (const Step& step : look.steps)
        steps.push_back(stepToJson(step, embedTables));
    Json json{{"format", "jolly-amber-look"},
              {"version", std::max(look.fileVersion, Look::kVersion)},
              {"name", look.name},
              {"intent", look.intent}};
    if (look.card != IntentCard{}) {
        IntentCard card = look.card;
        if (embedTables)  // a look that travels knows no frames
            card.references.clear();
        json["intentCard"] = toJson(card);
    }
    if (look.reference)
        json["reference"] = toJson(*look.reference);
    if (!look.roles.empty()) {
        json["roles"] = Json::array();
        for (const Role& role : look.roles)
            json["roles"].push_back(toJson(role));
    }
    json["steps"] = std::move(steps);
    addUnknown(json, look.unknownFields);
    return jsonText(json, 1, true) + "\n";
}

Result<LoadedLook> lookFromText(const std::string& text, const std::string& name)
{
    const Json json = Json::parse(text, nullptr, false);
    if (json.is_discarded())
        return fail("not a look: the file is not JSON", name);
    LoadedLook loaded;
    FieldReader reader(json, name);
    std::string format;
    double version = 0;
    reader.text("format", format);
    reader.number("version", version, 1, 1e6);
    if (reader.status() && format != "jolly-amber-look")
        reader.wrong("format", "jolly-amber-look", format.empty() ? "nothing" : format);
    loaded.look.fileVersion = std::max(static_cast<int>(version), Look::kVersion);
    reader.text("name", loaded.look.name);
    reader.text("intent", loaded.look.intent);
    if (const Json* card = reader.find("intentCard"))
        if (const Status read = readPart(*card, name + ".intentCard", loaded.look.card, loaded.warnings); !read)
            return tl::make_unexpected(read.error());
    if (const Json* reference = reader.find("reference"))
        if (const Status read =
                readPart(*reference, name + ".reference", loaded.look.reference.emplace(), loaded.warnings);
            !read)
            return tl::make_unexpected(read.error());
    reader.list("roles", kRoleLimit, [&](const Json& entry, const std::string& where) -> Status {
        return readPart(entry, where, loaded.look.roles.emplace_back(), loaded.warnings);
    });
    reader.list("steps", kStepLimit,
                [&](const Json& entry, const std::string& where) { return readStep(entry, where, loaded); });
    if (auto good = reader.status(); !good)
        return tl::make_unexpected(good.error());
    loaded.look.unknownFields = reader.unknown();
    warnOfUnknownRoles(loaded, name);
    warn(loaded.warnings, loaded.look.unknownFields, name);
    if (version > Look::kVersion)
        loaded.warnings.insert(loaded.warnings.begin(), name + ": written by a newer version (format " +
                                                            std::to_string(static_cast<int>(version)) +
                                                            ", this one knows " + std::to_string(Look::kVersion) + ")");
    return loaded;
}

Result<LoadedLook> readLook(const std::filesystem::path& path)
{
    const auto text = readWholeFile(path, kFileLimitBytes);
    if (!text)
        return tl::make_unexpected(text.error());
    auto loaded = lookFromText(*text, path.filename().string());
    if (!loaded)
        return loaded;
    if (auto good = validate(loaded->look); !good) {
        Error error = good.error();
        error.where = path.filename().string() + ": " + error.where;
        return tl::make_unexpected(error);
    }
    return loaded;
}

Status writeLook(const Look& look, const std::filesystem::path& path) { return saveFile(path, lookToText(look, true)); }

}  // namespace amber
