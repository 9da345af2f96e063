#include "core/look/steps/lookup_table/lookup_table.h"

#include "core/base/content_hash.h"
#include "core/table/cube_file.h"

#include <cmath>
#include <iomanip>
#include <locale>
#include <sstream>

namespace amber {
namespace {

constexpr const char* kCdlMark = "ASC-CDL";

void readSpace(FieldReader& reader, const char* name, RgbSpace& target)
{
    std::string text(nameOf(target));
    reader.text(name, text);
    if (const auto space = rgbSpaceFromName(text))
        target = *space;
    else
        reader.wrong(name, space.error().expected, text);
}

}  // namespace

std::string tableToText(const Table& table)
{
    const std::string parts = table.size1 > 0 || table.size3 > 0 ? formatCube(table) : "";
    if (!table.cdl)
        return parts;
    // A CDL goes before the other parts in a line of its own: its ten numbers, exact.
    std::ostringstream line;
    line.imbue(std::locale::classic());
    line << std::setprecision(17) << kCdlMark;
    for (const auto* three : {&table.cdl->slope, &table.cdl->offset, &table.cdl->power})
        for (double v : *three)
            line << ' ' << v;
    line << ' ' << table.cdl->saturation << '\n';
    return line.str() + parts;
}

Result<Table> tableFromText(const std::string& text, const std::string& name)
{
    if (text.rfind(kCdlMark, 0) != 0)
        return parseCube(text, name);
    const std::size_t end = std::min(text.find('\n'), text.size());
    std::istringstream line(text.substr(std::string_view(kCdlMark).size(), end));
    line.imbue(std::locale::classic());
    Cdl cdl;
    bool good = true;
    for (auto* three : {&cdl.slope, &cdl.offset, &cdl.power})
        for (double& v : *three)
            good = good && line >> v && std::isfinite(v);
    if (!good || !(line >> cdl.saturation) || !std::isfinite(cdl.saturation))
        return fail("a damaged CDL", name, "ten numbers");
    Table table;
    if (end + 1 < text.size()) {
        auto parts = parseCube(std::string_view(text).substr(end + 1), name);
        if (!parts)
            return parts;
        table = std::move(*parts);
    }
    table.cdl = cdl;
    return table;
}

std::string tableHash(const Table& table) { return contentHash(tableToText(table)); }

LookupTable lookupTable(Table table, std::string name)
{
    LookupTable step;
    step.name = std::move(name);
    step.hash = tableHash(table);
    step.table = std::make_shared<const Table>(std::move(table));
    return step;
}

Status validate(const LookupTable& step, const std::string& where)
{
    if (!step.hash.empty() && !step.table)
        return fail("the table's values are missing", where, "the table " + step.hash, step.name);
    if (!(step.mix >= 0 && step.mix <= 1))
        return fail("mix outside its limits", where + ".mix", "0 to 1", jsonText(step.mix));
    return {};
}

bool isIdentity(const LookupTable& step) { return !step.table || step.mix == 0; }

LinearRgb evaluate(const LookupTable& step, const LinearRgb& c)
{
    if (!step.table)
        return c;
    const EncodedRgb in = encode(step.inputSpace, c), out = evaluate(*step.table, in);
    const double m = step.mix;
    return decode(step.outputSpace, {in.r + m * (out.r - in.r), in.g + m * (out.g - in.g), in.b + m * (out.b - in.b)});
}

Json toJson(const LookupTable& step, bool embedTable)
{
    Json json{{"name", step.name},
              {"hash", step.hash},
              {"inputSpace", nameOf(step.inputSpace)},
              {"outputSpace", nameOf(step.outputSpace)},
              {"mix", step.mix}};
    if (embedTable && step.table)
        json["cube"] = tableToText(*step.table);
    addUnknown(json, step.unknownFields);
    return json;
}

template <>
Result<LookupTable> parse(const Json& json, const std::string& where)
{
    LookupTable step;
    FieldReader reader(json, where);
    reader.text("name", step.name);
    reader.text("hash", step.hash);
    reader.number("mix", step.mix, 0, 1);
    readSpace(reader, "inputSpace", step.inputSpace);
    readSpace(reader, "outputSpace", step.outputSpace);
    std::string cube;
    reader.text("cube", cube);
    if (auto good = reader.status(); !good)
        return tl::make_unexpected(good.error());
    if (!cube.empty()) {
        auto table = tableFromText(cube, where + ".cube");
        if (!table)
            return tl::make_unexpected(table.error());
        step.hash = tableHash(*table);
        step.table = std::make_shared<const Table>(std::move(*table));
    }
    step.unknownFields = reader.unknown();
    return step;
}

}  // namespace amber
