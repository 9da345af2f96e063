#include "core/look/afterwards.h"

#include "core/base/statistics.h"

#include <algorithm>

namespace amber {
namespace {

constexpr double kAlike = 1e-9;

bool isAlike(const Json& a, const Json& b)
{
    return a.is_number() && b.is_number() ? std::abs(a.get<double>() - b.get<double>()) < kAlike : a == b;
}

/// The values of a part by their pointers. A part that is one value, or a list, is it itself.
std::map<std::string, Json> leavesOf(const Json& value)
{
    std::map<std::string, Json> leaves;
    if (value.is_object()) {
        for (const auto& [name, leaf] : value.items())
            if (name != "name")
                leaves["/" + name] = leaf;
    } else {
        leaves[{}] = value;
    }
    return leaves;
}

Json usualOf(const std::vector<Json>& values)
{
    if (std::all_of(values.begin(), values.end(), [](const Json& v) { return v.is_number(); })) {
        std::vector<double> numbers;
        for (const Json& v : values)
            numbers.push_back(v.get<double>());
        return median(numbers);
    }
    const auto times = [&](const Json& v) { return std::count(values.begin(), values.end(), v); };
    return *std::max_element(values.begin(), values.end(),
                             [&](const Json& a, const Json& b) { return times(a) < times(b); });
}

}  // namespace

std::vector<ChangedAfterwards> changedAfterwards(const Look& look, const std::vector<PictureName>& pictures)
{
    std::vector<ChangedAfterwards> all;
    for (std::size_t i = 0; i < look.steps.size(); ++i) {
        const Step& step = look.steps[i];
        for (const std::string& part : heldParts(step)) {
            const auto travels = leavesOf(valueOf(step, part));
            std::map<std::string, std::vector<Json>> others;
            for (const PictureName& picture : pictures)
                if (const std::string holder = holderFor(step, picture, part); !holder.empty())
                    for (const auto& [pointer, value] : leavesOf(*heldValue(step, holder, part)))
                        if (const auto usual = travels.find(pointer);
                            usual == travels.end() || !isAlike(usual->second, value))
                            others[pointer].push_back(value);
            for (const auto& [pointer, values] : others) {
                const auto from = travels.find(pointer);
                all.push_back(
                    {i, part, pointer, values.size(), from == travels.end() ? Json() : from->second, usualOf(values)});
            }
        }
    }
    std::stable_sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.pictures > b.pictures; });
    return all;
}

std::size_t picturesThatDiffer(const Step& step, const std::vector<PictureName>& pictures)
{
    const std::set<std::string> parts = heldParts(step);
    return static_cast<std::size_t>(std::count_if(pictures.begin(), pictures.end(), [&](const PictureName& picture) {
        return std::any_of(parts.begin(), parts.end(), [&](const std::string& part) {
            const std::string holder = holderFor(step, picture, part);
            return !holder.empty() && !isAlike(*heldValue(step, holder, part), valueOf(step, part));
        });
    }));
}

Look improved(Look look, const ChangedAfterwards& change)
{
    Step& step = look.steps.at(change.step);
    Json value = valueOf(step, change.part);
    if (change.pointer.empty())
        value = change.usual;
    else
        value[Json::json_pointer(change.pointer)] = change.usual;
    auto better = withValue(step, change.part, value);
    if (!better)
        return look;
    for (const std::string& holder : holdersOf(step, change.part))
        if (heldValue(step, holder, change.part) == valueOf(*better, change.part))
            *better = withoutHeld(std::move(*better), holder, change.part);
    step = std::move(*better);
    return look;
}

}  // namespace amber
