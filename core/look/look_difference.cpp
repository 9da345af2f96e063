#include "core/look/look_difference.h"

#include "core/look/look_json.h"

#include <map>

namespace amber {
namespace {

std::map<std::string, std::string> flat(const Look& look)
{
    std::map<std::string, std::string> fields;
    const Json flattened = Json::parse(lookToText(look, false)).flatten();
    for (const auto& [path, value] : flattened.items())
        fields[path.substr(1)] = jsonText(value);
    return fields;
}

}  // namespace

std::vector<ParameterChange> parameterChanges(const Look& before, const Look& after)
{
    const auto old = flat(before), fresh = flat(after);
    std::vector<ParameterChange> changes;
    for (const auto& [field, value] : old) {
        const auto now = fresh.find(field);
        if (now == fresh.end() || now->second != value)
            changes.push_back({field, value, now == fresh.end() ? "" : now->second});
    }
    for (const auto& [field, value] : fresh)
        if (!old.count(field))
            changes.push_back({field, "", value});
    return changes;
}

DifferenceSummary measuredDifference(const Look& one, const Look& two)
{
    constexpr int kEdge = 17;
    std::vector<double> differences;
    for (int i = 0; i < kEdge * kEdge * kEdge; ++i) {
        const LinearRgb c = decode(RgbSpace::Srgb, {(i % kEdge) / (kEdge - 1.0), (i / kEdge % kEdge) / (kEdge - 1.0),
                                                    (i / kEdge / kEdge) / (kEdge - 1.0)});
        differences.push_back(ciede2000(evaluate(one, c), evaluate(two, c)));
    }
    return summarise(std::move(differences));
}

}  // namespace amber
