// Lookup table: a table that maps encoded colours of a declared space to encoded colours of another.
//
// working -> linear of `inputSpace` -> its transfer function -> table (inputs limited to its domain) -> result mixed
// with the table's input in `mix` -> decoded from `outputSpace` -> working. With no table the step is the identity.
#pragma once

#include "core/base/result.h"
#include "core/colour/rgb_space.h"
#include "core/look/steps/json_fields.h"
#include "core/table/table.h"

#include <memory>
#include <string>

namespace amber {

struct LookupTable {
    static constexpr const char* kType = "lookup-table";
    std::string name;                    ///< the file it came from, for people
    std::string hash;                    ///< content hash of the table's values; empty when there is no table
    std::shared_ptr<const Table> table;  ///< may be missing when only the hash is known
    RgbSpace inputSpace = RgbSpace::Srgb;
    RgbSpace outputSpace = RgbSpace::Srgb;
    double mix = 1;  ///< 0..1, in the encoded values
    std::string unknownFields;
    bool operator==(const LookupTable& o) const
    {
        return name == o.name && hash == o.hash && inputSpace == o.inputSpace && outputSpace == o.outputSpace &&
               mix == o.mix && unknownFields == o.unknownFields;
    }
};

/// A step holding `table`, named, with its hash.
LookupTable lookupTable(Table table, std::string name);
/// The hash that names a table's content.
std::string tableHash(const Table& table);
/// A table as bytes (its .cube text, exact for floats) and back.
std::string tableToText(const Table& table);
Result<Table> tableFromText(const std::string& text, const std::string& name);

Status validate(const LookupTable& step, const std::string& where);
bool isIdentity(const LookupTable& step);
LinearRgb evaluate(const LookupTable& step, const LinearRgb& c);
/// With `embedTable` the values go along, so that the file is complete; else only the hash.
Json toJson(const LookupTable& step, bool embedTable);
template <>
Result<LookupTable> parse(const Json& json, const std::string& where);

}  // namespace amber
