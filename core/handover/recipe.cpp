#include "core/handover/recipe.h"

#include "core/base/atomic_file.h"
#include "core/base/json_text.h"
#include "core/base/own_files.h"
#include "core/base/written_files.h"
#include "core/image/resize.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr const char* kFormat = "jolly-amber-recipe";
constexpr std::size_t kFileLimit = std::size_t{1} << 20;
constexpr double kMillimetres = 25.4;  // of an inch

constexpr std::array<std::string_view, 4> kIntents{"relative", "perceptual", "saturation", "absolute"};
constexpr std::array<std::string_view, 3> kMetadata{"all", "without-place", "none"};
constexpr std::array<std::string_view, 5> kSizes{"own", "long-edge", "box", "megapixels", "print"};

/// Reads the fields of an object and tells the first that is wrong; those that nobody asked for are left over.
class Reader {
public:
    Reader(Json json, std::string file) : m_json(std::move(json)), m_file(std::move(file)) {}
    void text(const char* name, std::string& to)
    {
        if (const Json* v = take(name); v && !v->is_string())
            wrong(name, "text", *v);
        else if (v)
            to = v->get<std::string>();
    }
    template <class Number>
    void number(const char* name, Number& to, double low, double high)
    {
        const Json* v = take(name);
        if (!v)
            return;
        if (!v->is_number() || v->get<double>() < low || v->get<double>() > high)
            return wrong(name, "a number from " + jsonText(Json(low)) + " to " + jsonText(Json(high)), *v);
        to = static_cast<Number>(v->get<double>());
    }
    void flag(const char* name, bool& to)
    {
        if (const Json* v = take(name); v && !v->is_boolean())
            wrong(name, "true or false", *v);
        else if (v)
            to = v->get<bool>();
    }
    template <class Enum, std::size_t N>
    void choice(const char* name, Enum& to, const std::array<std::string_view, N>& names)
    {
        const Json* v = take(name);
        if (!v)
            return;
        const std::string is = v->is_string() ? v->get<std::string>() : std::string();
        if (const auto found = std::find(names.begin(), names.end(), is); found != names.end()) {
            to = static_cast<Enum>(found - names.begin());
            return;
        }
        std::string all;
        for (const std::string_view one : names)
            all += (all.empty() ? "" : ", ") + std::string(one);
        wrong(name, "one of " + all, *v);
    }
    template <class Value>
    void named(const char* name, Value& to, Result<Value> (*fromName)(std::string_view))
    {
        const Json* v = take(name);
        if (!v)
            return;
        const auto found = fromName(v->is_string() ? v->get<std::string>() : std::string());
        if (found)
            to = *found;
        else
            wrong(name, found.error().expected, *v);
    }
    const Status& status() const { return m_status; }
    const std::string& file() const { return m_file; }
    void fault(Status status)
    {
        if (m_status)
            m_status = std::move(status);
    }
    const Json* take(const char* name)
    {
        const auto found = m_json.find(name);
        if (found == m_json.end())
            return nullptr;
        m_asked.insert(name);
        return &*found;
    }
    std::string rest() const
    {
        Json left = Json::object();
        for (const auto& [name, value] : m_json.items())
            if (m_asked.count(name) == 0)
                left[name] = value;
        return left.empty() ? std::string() : jsonText(left);
    }

private:
    void wrong(const std::string& name, const std::string& expected, const Json& is)
    {
        fault(fail("\"" + name + "\" is not what a recipe has there", m_file, expected, jsonText(is)));
    }
    Json m_json;
    std::string m_file;
    std::set<std::string> m_asked;
    Status m_status;
};

constexpr double kMostPixels = 100000;

void readSize(Reader& reader, OutputSize& size)
{
    const Json* json = reader.take("size");
    if (!json)
        return;
    if (!json->is_object())
        return reader.fault(fail("\"size\" is no object", reader.file()));
    Reader own(*json, reader.file());
    own.choice("kind", size.kind, kSizes);
    own.number("width", size.width, 0, kMostPixels);
    own.number("height", size.height, 0, kMostPixels);
    reader.fault(own.status());
    if (size.kind != OutputSize::Kind::Own && size.width <= 0)
        reader.fault(fail("a size needs its width", reader.file(), "more than 0", "0"));
}

Json written(const OutputSize& size)
{
    Json json{{"kind", kSizes[static_cast<std::size_t>(size.kind)]}};
    if (size.width > 0)
        json["width"] = size.width;
    if (size.height > 0)
        json["height"] = size.height;
    return json;
}

fs::path recipeFolder() { return userConfigFolder() / "recipes"; }

Result<Recipe> recipeIn(const fs::path& file)
{
    const auto text = readWholeFile(file, kFileLimit);
    return text ? recipeFromText(*text, file.string()) : tl::make_unexpected(text.error());
}

}  // namespace

const std::vector<Recipe>& shippedRecipes()
{
    static const std::vector<Recipe> all = [] {
        Recipe web;
        web.name = "web", web.size = {OutputSize::Kind::LongEdge, 2048, 0}, web.weight = 400, web.quality = 98;
        web.sharpening = 0.5, web.metadata = MetadataRule::Keep::WithoutPlace, web.subfolder = "web";
        Recipe full;
        full.name = "full", full.quality = 95, full.subfolder = "full";
        Recipe print;
        print.name = "print", print.format = FileFormat::Tiff16, print.space = RgbSpace::OpRgb;
        print.size = {OutputSize::Kind::Print, 300, 300}, print.ppi = 300, print.sharpening = 1;
        print.floor = 0.02, print.ceiling = 0.985, print.use = "print", print.subfolder = "print";
        Recipe layers;
        layers.name = "layers", layers.format = FileFormat::Tiff16, layers.space = RgbSpace::ProPhoto;
        layers.use = "archive", layers.subfolder = "layers";
        return std::vector<Recipe>{web, full, print, layers};
    }();
    return all;
}

std::string recipeToText(const Recipe& r)
{
    Json json{{"format", kFormat},
              {"version", 1},
              {"name", r.name},
              {"file", nameOf(r.format)},
              {"quality", r.quality},
              {"weight", r.weight},
              {"space", nameOf(r.space)},
              {"profile", r.profile},
              {"intent", kIntents[static_cast<std::size_t>(r.intent)]},
              {"size", written(r.size)},
              {"ratio", r.ratio},
              {"ppi", r.ppi},
              {"sharpening", r.sharpening},
              {"floor", r.floor},
              {"ceiling", r.ceiling},
              {"dither", r.dither},
              {"pattern", r.pattern},
              {"subfolder", r.subfolder},
              {"metadata", kMetadata[static_cast<std::size_t>(r.metadata)]},
              {"use", r.use}};
    if (const Json rest = Json::parse(r.unknownFields, nullptr, false); rest.is_object())
        json.update(rest);
    return jsonText(json, 1, true) + "\n";
}

namespace {

/// What fields mean to one another.
void checkTogether(const Recipe& r, Reader& reader)
{
    reader.fault(checkPattern(r.pattern));
    if (r.name.empty())
        reader.fault(fail("a recipe needs a name", reader.file()));
    if (const fs::path folder(r.subfolder);
        folder.is_absolute() || std::find(folder.begin(), folder.end(), "..") != folder.end())
        reader.fault(
            fail("a recipe's subfolder lies in the folder of the delivery", reader.file(), "a name", r.subfolder));
    if (r.size.kind == OutputSize::Kind::Print && r.ppi <= 0)
        reader.fault(fail("a print needs its pixels per inch", reader.file(), "more than 0", "0"));
}

}  // namespace

Result<Recipe> recipeFromText(const std::string& text, const std::string& file)
{
    const Json json = Json::parse(text, nullptr, false);
    if (!json.is_object() || json.value("format", Json()) != kFormat)
        return fail("not a recipe", file);
    Reader reader(json, file);
    Recipe r;
    std::string format;
    int version = 1;
    reader.text("format", format);
    reader.number("version", version, 1, 1e6);
    reader.text("name", r.name);
    reader.named("file", r.format, &fileFormatFromName);
    reader.number("quality", r.quality, 1, 100);
    reader.number("weight", r.weight, 0, 1e7);
    reader.named("space", r.space, &rgbSpaceFromName);
    reader.text("profile", r.profile);
    reader.choice("intent", r.intent, kIntents);
    readSize(reader, r.size);
    reader.number("ratio", r.ratio, 0, 100);
    reader.number("ppi", r.ppi, 0, 10000);
    reader.number("sharpening", r.sharpening, 0, 3);
    reader.number("floor", r.floor, 0, 0.4);
    reader.number("ceiling", r.ceiling, 0.6, 1);
    reader.flag("dither", r.dither);
    reader.text("pattern", r.pattern);
    reader.text("subfolder", r.subfolder);
    reader.choice("metadata", r.metadata, kMetadata);
    reader.text("use", r.use);
    checkTogether(r, reader);
    if (!reader.status())
        return tl::make_unexpected(reader.status().error());
    r.unknownFields = reader.rest();
    return r;
}

OwnRecipes ownRecipes()
{
    OwnRecipes own;
    for (const fs::path& file : ownFilesIn(recipeFolder()))
        if (auto recipe = recipeIn(file))
            own.recipes.push_back(std::move(*recipe));
        else
            own.faults.push_back(recipe.error().message());
    std::sort(own.recipes.begin(), own.recipes.end(), [](const Recipe& a, const Recipe& b) { return a.name < b.name; });
    std::sort(own.faults.begin(), own.faults.end());
    return own;
}

Status keepRecipe(const Recipe& recipe)
{
    const auto isNamed = [&](const Recipe& r) { return r.name == recipe.name; };
    if (std::any_of(shippedRecipes().begin(), shippedRecipes().end(), isNamed))
        return fail("a recipe that ships has this name", recipe.name, "another name");
    const std::string text = recipeToText(recipe);
    if (const auto good = recipeFromText(text, recipe.name); !good)
        return tl::make_unexpected(good.error());
    std::error_code error;
    fs::create_directories(recipeFolder(), error);
    return saveFile(ownFile(recipeFolder(), recipe.name), text);
}

Status forgetRecipe(const std::string& name)
{
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(recipeFolder(), error))
        if (const auto recipe = recipeIn(entry.path()); recipe && recipe->name == name) {
            fs::remove(entry.path(), error);
            return error ? fail("cannot be removed: " + error.message(), entry.path().string()) : Status();
        }
    return fail("no own recipe of this name", name);
}

Result<Recipe> recipeNamed(const std::string& nameOrFile)
{
    OwnRecipes own = ownRecipes();
    std::string names;
    for (const auto* recipes : {&shippedRecipes(), &std::as_const(own.recipes)})
        for (const Recipe& recipe : *recipes) {
            if (recipe.name == nameOrFile)
                return recipe;
            names += (names.empty() ? "" : ", ") + recipe.name;
        }
    if (fs::path(nameOrFile).extension() == ".json")
        return recipeIn(nameOrFile);
    return fail("no recipe of this name", nameOrFile, names + ", or a file (.json)");
}

namespace {

/// By what a picture is to be multiplied to fill a box, which lies as the picture does. No height: the long edge alone.
double scaleInto(Size own, double a, double b)
{
    const double longer = std::max(own.width, own.height), shorter = std::min(own.width, own.height);
    return b > 0 ? std::min(std::max(a, b) / longer, std::min(a, b) / shorter) : a / longer;
}

double scaleBy(const Recipe& recipe, Size own)
{
    const double unit = recipe.size.kind == OutputSize::Kind::Print ? recipe.ppi / kMillimetres : 1;
    return scaleInto(own, recipe.size.width * unit, recipe.size.height * unit);
}

}  // namespace

double ppiBy(const Recipe& recipe, Size own)
{
    return recipe.size.kind == OutputSize::Kind::Print ? recipe.ppi / std::max(1.0, scaleBy(recipe, own)) : recipe.ppi;
}

Size sizeBy(const Recipe& recipe, Size own)
{
    const OutputSize& size = recipe.size;
    const auto scaled = [&](double scale) {
        return Size{std::max(1, static_cast<int>(std::lround(own.width * std::min(1.0, scale)))),
                    std::max(1, static_cast<int>(std::lround(own.height * std::min(1.0, scale))))};
    };
    switch (size.kind) {
    case OutputSize::Kind::Own:
        return own;
    case OutputSize::Kind::LongEdge:
        return fitted(own, static_cast<int>(std::lround(size.width)));
    case OutputSize::Kind::Box:
    case OutputSize::Kind::Print:
        return scaled(scaleBy(recipe, own));
    case OutputSize::Kind::Megapixels:
        break;
    }
    const double scale = std::min(1.0, std::sqrt(size.width * 1e6 / own.width / own.height));
    return {std::max(1, static_cast<int>(own.width * scale)), std::max(1, static_cast<int>(own.height * scale))};
}

Result<OutputOptions> outputOptions(const Recipe& recipe, const std::string& author, const std::string& rights)
{
    OutputOptions options{recipe.format, recipe.space, recipe.quality};
    options.dither = recipe.dither;
    options.metadata = {recipe.metadata, author, rights, recipe.ppi};
    if (recipe.profile.empty())
        return options;
    auto profile = OutputProfile::read(recipe.profile, recipe.intent);
    if (!profile)
        return tl::make_unexpected(profile.error());
    options.profile = std::move(*profile);
    return options;
}

namespace {

/// Fields and the text between them, in order.
struct PatternPart {
    std::string text, field;
    int digits = 0;
};

Result<std::vector<PatternPart>> partsOf(const std::string& pattern)
{
    static const std::set<std::string> known{"name", "number", "light", "look", "date", "recipe"};
    std::vector<PatternPart> parts;
    for (std::size_t at = 0; at < pattern.size();) {
        const std::size_t open = pattern.find('{', at);
        parts.push_back({pattern.substr(at, open == pattern.npos ? pattern.npos : open - at), {}, 0});
        if (open == pattern.npos)
            break;
        const std::size_t close = pattern.find('}', open);
        if (close == pattern.npos)
            return fail("a field of the name is not closed", {}, "}", pattern.substr(open));
        std::string field = pattern.substr(open + 1, close - open - 1);
        PatternPart part;
        if (const std::size_t colon = field.find(':'); colon != field.npos) {
            part.digits = std::atoi(field.c_str() + colon + 1);
            field.erase(colon);
            if (field != "number" || part.digits < 1 || part.digits > 9)
                return fail("only a number has digits in a name", {}, "{number:1} to {number:9}", pattern);
        }
        if (known.count(field) == 0)
            return fail("a name has no such field", {}, "name, number, light, look, date or recipe", field);
        part.field = field;
        parts.push_back(part);
        at = close + 1;
    }
    return parts;
}

std::string digitsOf(int number, int digits)
{
    std::string text = std::to_string(number);
    return std::string(static_cast<std::size_t>(std::max(0, digits - static_cast<int>(text.size()))), '0') + text;
}

/// What file systems do not take in a name becomes a hyphen; the end is cut between characters.
std::string asFileName(std::string name)
{
    for (char& c : name)
        if (static_cast<unsigned char>(c) < 0x20 || c == 0x7f ||
            std::string_view("/\\:*?\"<>|").find(c) != std::string_view::npos)
            c = '-';
    if (name.size() > kNameBytes) {
        std::size_t end = kNameBytes;
        while (end > 0 && (static_cast<unsigned char>(name[end]) & 0xc0) == 0x80)
            --end;
        name.resize(end);
    }
    while (!name.empty() && (name.back() == '.' || name.back() == ' '))
        name.pop_back();
    name.erase(0, std::min(name.find_first_not_of(". "), name.size()));
    return name.empty() ? "picture" : name;
}

}  // namespace

Status checkPattern(const std::string& pattern)
{
    const auto parts = partsOf(pattern);
    if (!parts)
        return tl::make_unexpected(parts.error());
    const bool tells = std::any_of(parts->begin(), parts->end(),
                                   [](const PatternPart& p) { return p.field == "name" || p.field == "number"; });
    return tells ? Status() : fail("names would all be the same", {}, "{name} or {number} in the pattern", pattern);
}

std::string nameBy(const Recipe& recipe, const NameParts& is)
{
    std::string name;
    for (const PatternPart& part : partsOf(recipe.pattern).value_or(std::vector<PatternPart>{{"", "name", 0}}))
        name += part.text + (part.field == "name"     ? is.name
                             : part.field == "number" ? digitsOf(is.number, part.digits)
                             : part.field == "light"  ? is.light
                             : part.field == "look"   ? is.look
                             : part.field == "date"   ? is.date
                             : part.field == "recipe" ? recipe.name
                                                      : std::string());
    return asFileName(std::move(name));
}

}  // namespace amber
