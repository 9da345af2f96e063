#include "core/look/steps/split_toning/split_toning.h"

#include "core/base/phrase.h"
#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr std::array<std::string_view, 5> kLocks{"none", "complement", "split", "analogous", "triad"};

}  // namespace

Status validate(const SplitToning& step, const std::string& where)
{
    if (step.dyes.size() > kDyeLimit)
        return fail("too many dyes", where, phrase("at most %1", {std::to_string(kDyeLimit)}),
                    std::to_string(step.dyes.size()));
    const auto within = [](double v, double low, double high) { return v >= low && v <= high; };
    for (std::size_t i = 0; i < step.dyes.size(); ++i) {
        const Dye& d = step.dyes[i];
        if (!within(d.position, 0, 1) || !within(d.chroma, 0, 0.3) || !within(d.reach, 0.05, 1.5) ||
            !within(d.hueDegrees, 0, 360))
            return fail("dye outside its limits", where + ".dyes[" + std::to_string(i) + "]",
                        "position 0 to 1, hue 0 to 360, chroma 0 to 0.3, reach 0.05 to 1.5");
    }
    if (!within(step.balance, -0.5, 0.5))
        return fail("balance outside its limits", where + ".balance", "-0.5 to 0.5", jsonText(step.balance));
    return {};
}

bool isIdentity(const SplitToning& step)
{
    return std::all_of(step.dyes.begin(), step.dyes.end(), [](const Dye& d) { return d.chroma == 0; });
}

OkLab tintAt(const SplitToning& step, double lightness)
{
    const double L = std::clamp(lightness, 0.0, 1.0);
    double a = 0, b = 0, sum = 0;
    for (const Dye& dye : step.dyes) {
        const double u = std::abs(L - dye.position - step.balance) / dye.reach;
        if (u >= 1)
            continue;
        const double w = (1 - u * u) * (1 - u * u);
        const OkLab tint = toOkLab(OkLch{0, dye.chroma, dye.hueDegrees});
        a += w * tint.a, b += w * tint.b, sum += w;
    }
    if (sum <= 0)
        return {};
    const double over = std::max(sum - 1, 0.0);
    double scale = (std::min(sum, 1.0) + over / (1 + 4 * over)) / sum;
    if (!step.tintBlack)
        scale *= smoothstep(0, 1, L / kTintEnd);
    if (!step.tintWhite)
        scale *= smoothstep(0, 1, (1 - L) / kTintEnd);
    return {0, a * scale, b * scale};
}

LinearRgb evaluate(const SplitToning& step, const LinearRgb& c)
{
    OkLab lab = toOkLab(c);
    const OkLab tint = tintAt(step, lab.L);
    lab.a += tint.a, lab.b += tint.b;
    if (!step.holdLightness)
        lab.L *= 1 - std::hypot(tint.a, tint.b);
    return toLinearRgb(lab);
}

void applyLock(SplitToning& step, std::size_t leader)
{
    if (step.lock == SplitToning::Lock::None || leader >= step.dyes.size())
        return;
    static constexpr double kOffsets[][2] = {{0, 0}, {180, 0}, {150, 210}, {30, -30}, {120, 240}};
    const auto& offsets = kOffsets[static_cast<std::size_t>(step.lock)];
    std::size_t k = 0;
    for (std::size_t i = 0; i < step.dyes.size(); ++i)
        if (i != leader)
            step.dyes[i].hueDegrees = wrapDegrees(step.dyes[leader].hueDegrees + offsets[k++ % 2]);
}

Json toJson(const SplitToning& step)
{
    Json dyes = Json::array();
    for (const Dye& d : step.dyes) {
        Json dye{{"position", d.position}, {"hue", d.hueDegrees}, {"chroma", d.chroma}, {"reach", d.reach}};
        addUnknown(dye, d.unknownFields);
        dyes.push_back(std::move(dye));
    }
    Json json{{"dyes", std::move(dyes)},
              {"balance", step.balance},
              {"lock", kLocks[static_cast<std::size_t>(step.lock)]},
              {"holdLightness", step.holdLightness},
              {"tintBlack", step.tintBlack},
              {"tintWhite", step.tintWhite}};
    addUnknown(json, step.unknownFields);
    return json;
}

template <>
Result<SplitToning> parse(const Json& json, const std::string& where)
{
    SplitToning step;
    FieldReader reader(json, where);
    if (reader.find("dyes"))
        step.dyes.clear();
    reader.list("dyes", kDyeLimit, [&](const Json& entry, const std::string& at) -> Status {
        Dye dye;
        FieldReader fields(entry, at);
        fields.number("position", dye.position, 0, 1);
        fields.number("hue", dye.hueDegrees, 0, 360);
        fields.number("chroma", dye.chroma, 0, 0.3);
        fields.number("reach", dye.reach, 0.05, 1.5);
        dye.unknownFields = fields.unknown();
        step.dyes.push_back(dye);
        return fields.status();
    });
    reader.number("balance", step.balance, -0.5, 0.5);
    reader.choice("lock", step.lock, kLocks);
    reader.boolean("holdLightness", step.holdLightness);
    reader.boolean("tintBlack", step.tintBlack);
    reader.boolean("tintWhite", step.tintWhite);
    if (auto good = reader.status(); !good)
        return tl::make_unexpected(good.error());
    step.unknownFields = reader.unknown();
    return step;
}

}  // namespace amber
