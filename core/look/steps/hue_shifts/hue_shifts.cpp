#include "core/look/steps/hue_shifts/hue_shifts.h"

#include "core/base/phrase.h"
#include "core/colour/oklab.h"
#include "core/look/steps/smoothstep.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace amber {
namespace {

void add(HueMove& sum, const HueMove& move, double weight)
{
    sum.turnDegrees += weight * move.turnDegrees;
    sum.chroma += weight * (move.chroma - 1);
    sum.lightness += weight * move.lightness;
}

Json moveToJson(const HueMove& move, Json json = Json::object())
{
    json["turn"] = move.turnDegrees;
    json["chroma"] = move.chroma;
    json["lightness"] = move.lightness;
    return json;
}

void readMove(FieldReader& fields, HueMove& move)
{
    fields.number("turn", move.turnDegrees, -180, 180);
    fields.number("chroma", move.chroma, 0, 3);
    fields.number("lightness", move.lightness, -0.3, 0.3);
}

double bent(double chroma, double ceiling)
{
    const double knee = kFamilyKnee * ceiling;
    if (chroma <= knee)
        return chroma;
    const double t = (chroma - knee) / (ceiling - knee);
    return knee + (ceiling - knee) * t / (1 + t);
}

bool within(double v, double low, double high) { return v >= low && v <= high; }

Status validateMove(const HueMove& m, const std::string& where)
{
    if (!within(m.turnDegrees, -180, 180) || !within(m.chroma, 0, 3) || !within(m.lightness, -0.3, 0.3))
        return fail("move outside its limits", where, "turn -180 to 180, chroma 0 to 3, lightness -0.3 to 0.3");
    return {};
}

}  // namespace

std::vector<HueFamily> HueShifts::defaultFamilies()
{
    return {{"Rose", 10, 46, {}, {}},  {"Clay", 52, 44, {}, {}},    {"Straw", 98, 46, {}, {}},
            {"Leaf", 142, 48, {}, {}}, {"Lagoon", 196, 54, {}, {}}, {"Dusk", 256, 58, {}, {}},
            {"Plum", 318, 54, {}, {}}};
}

Status validate(const HueShifts& step, const std::string& where)
{
    if (step.families.size() > kFamilyLimit)
        return fail("too many families", where, phrase("at most %1", {std::to_string(kFamilyLimit)}),
                    std::to_string(step.families.size()));
    for (std::size_t i = 0; i < step.families.size(); ++i) {
        const HueFamily& f = step.families[i];
        const std::string at = where + ".families[" + std::to_string(i) + "]";
        if (!within(f.centreDegrees, 0, 360) || !within(f.widthDegrees, 15, 180))
            return fail("family outside its limits", at, "centre 0 to 360, width 15 to 180");
        if (!within(f.ceiling, 0.02, HueFamily::kNoCeiling))
            return fail("ceiling outside its limits", at, "0.02 to 0.4", jsonText(f.ceiling));
        if (auto good = validateMove(f.move, at); !good)
            return good;
    }
    const std::pair<const char*, const HueMove*> zones[] = {
        {".nearBlacks", &step.nearBlacks}, {".greys", &step.greys}, {".nearWhites", &step.nearWhites}};
    for (const auto& [name, move] : zones)
        if (auto good = validateMove(*move, where + name); !good)
            return good;
    return {};
}

bool isIdentity(const HueShifts& step)
{
    const HueMove none;
    return step.nearBlacks == none && step.greys == none && step.nearWhites == none &&
           std::all_of(step.families.begin(), step.families.end(),
                       [&](const HueFamily& f) { return f.move == none && f.ceiling >= HueFamily::kNoCeiling; });
}

double familySharpness(const HueFamily& family)
{
    return std::numbers::ln2 / (1 - std::cos(family.widthDegrees * kDegree / 2));
}

std::vector<double> weightsAt(const HueShifts& step, const OkLab& c)
{
    const double chroma = std::hypot(c.a, c.b), hue = std::atan2(c.b, c.a);
    const double coloured = chroma * chroma / (chroma * chroma + kNeutralChroma * kNeutralChroma);
    std::vector<double> weights;
    double sum = kRestWeight;
    for (const HueFamily& family : step.families) {
        weights.push_back(std::exp(familySharpness(family) * (std::cos(hue - family.centreDegrees * kDegree) - 1)));
        sum += weights.back();
    }
    for (double& w : weights)
        w *= coloured / sum;
    const double black = 1 - smoothstep(kBlackZone[0], kBlackZone[1], c.L),
                 white = smoothstep(kWhiteZone[0], kWhiteZone[1], c.L);
    weights.push_back((1 - coloured) * black);
    weights.push_back((1 - coloured) * (1 - black - white));
    weights.push_back((1 - coloured) * white);
    weights.push_back(coloured * kRestWeight / sum);
    return weights;
}

LinearRgb evaluate(const HueShifts& step, const LinearRgb& c)
{
    OkLab lab = toOkLab(c);
    const std::vector<double> weights = weightsAt(step, lab);
    HueMove sum;
    const std::size_t n = step.families.size();
    for (std::size_t i = 0; i < n; ++i)
        add(sum, step.families[i].move, weights[i]);
    add(sum, step.nearBlacks, weights[n]);
    add(sum, step.greys, weights[n + 1]);
    add(sum, step.nearWhites, weights[n + 2]);
    const double moved = sum.chroma * std::hypot(lab.a, lab.b);
    double over = 0;
    for (std::size_t i = 0; i < n; ++i)
        if (step.families[i].ceiling < HueFamily::kNoCeiling)
            over += weights[i] * (moved - bent(moved, step.families[i].ceiling));
    const double factor = moved > 0 ? sum.chroma * (1 - over / moved) : sum.chroma;
    const double turn = sum.turnDegrees * kDegree, cosine = std::cos(turn), sine = std::sin(turn);
    return toLinearRgb(OkLab{lab.L + sum.lightness, factor * (cosine * lab.a - sine * lab.b),
                             factor * (sine * lab.a + cosine * lab.b)});
}

HueMove moveAtHue(const HueShifts& step, double hueDegrees)
{
    const std::vector<double> weights = weightsAt(step, toOkLab(OkLch{0.5, 1e3, hueDegrees}));
    HueMove sum;
    for (std::size_t i = 0; i < step.families.size(); ++i)
        add(sum, step.families[i].move, weights[i]);
    return sum;
}

TearMeter tearMeter(const HueShifts& step)
{
    TearMeter meter;
    constexpr int kSamples = 720;
    constexpr double kStep = 360.0 / kSamples;
    HueMove last = moveAtHue(step, 0);
    for (int i = 1; i <= kSamples; ++i) {
        const HueMove here = moveAtHue(step, i * kStep);
        const double slope = 1 + (here.turnDegrees - last.turnDegrees) / kStep;
        if (slope < meter.smallestHueSlope) {
            meter.smallestHueSlope = slope;
            meter.atDegrees = wrapDegrees((i - 0.5) * kStep);
        }
        meter.largestChromaSlope = std::max(meter.largestChromaSlope, std::abs(here.chroma - last.chroma) / kStep * 10);
        meter.largestLightnessSlope =
            std::max(meter.largestLightnessSlope, std::abs(here.lightness - last.lightness) / kStep * 10);
        last = here;
    }
    if (meter.smallestHueSlope < 1 && !step.families.empty()) {
        const auto nearest = [&](int direction) {
            const HueFamily* best = &step.families.front();
            const auto gap = [&](const HueFamily& f) {
                return wrapDegrees(direction * (f.centreDegrees - meter.atDegrees));
            };
            for (const HueFamily& f : step.families)
                if (gap(f) < gap(*best))
                    best = &f;
            return best->name;
        };
        meter.families = nearest(-1) + " and " + nearest(1);
    }
    return meter;
}

HueShifts tapered(HueShifts step)
{
    constexpr int kSteps = 400;
    constexpr double kShare = 0.1;
    for (int i = 0; i < kSteps; ++i) {
        const TearMeter meter = tearMeter(step);
        if (meter.smallestHueSlope >= kSafeHueSlope || step.families.size() < 2)
            break;
        const auto nearest = [&](int direction) {
            HueFamily* best = &step.families.front();
            const auto gap = [&](const HueFamily& f) {
                return wrapDegrees(direction * (f.centreDegrees - meter.atDegrees));
            };
            for (HueFamily& f : step.families)
                if (gap(f) < gap(*best))
                    best = &f;
            return best;
        };
        HueFamily *a = nearest(-1), *b = nearest(1);
        if (std::abs(a->move.turnDegrees) > std::abs(b->move.turnDegrees))
            std::swap(a, b);
        const double apart = b->move.turnDegrees - a->move.turnDegrees;
        if (std::abs(apart) > 0.5 && i < kSteps / 2)
            a->move.turnDegrees += kShare * apart;
        else
            for (HueFamily& f : step.families)
                f.move.turnDegrees *= 1 - kShare / 2;
    }
    for (HueFamily& f : step.families)
        f.move.turnDegrees = std::round(f.move.turnDegrees * 10) / 10;
    return step;
}

Json toJson(const HueShifts& step)
{
    Json families = Json::array();
    for (const HueFamily& f : step.families) {
        Json family =
            moveToJson(f.move, Json{{"name", f.name}, {"centre", f.centreDegrees}, {"width", f.widthDegrees}});
        if (f.ceiling < HueFamily::kNoCeiling)
            family["ceiling"] = f.ceiling;
        addUnknown(family, f.unknownFields);
        families.push_back(std::move(family));
    }
    Json json{{"families", std::move(families)}};
    const std::pair<const char*, const HueMove*> zones[] = {
        {"nearBlacks", &step.nearBlacks}, {"greys", &step.greys}, {"nearWhites", &step.nearWhites}};
    for (std::size_t i = 0; i < 3; ++i) {
        json[zones[i].first] = moveToJson(*zones[i].second);
        addUnknown(json[zones[i].first], step.zoneUnknownFields[i]);
    }
    addUnknown(json, step.unknownFields);
    return json;
}

template <>
Result<HueShifts> parse(const Json& json, const std::string& where)
{
    HueShifts step;
    FieldReader reader(json, where);
    if (reader.find("families"))
        step.families.clear();
    reader.list("families", kFamilyLimit, [&](const Json& entry, const std::string& at) -> Status {
        HueFamily family;
        FieldReader fields(entry, at);
        fields.text("name", family.name);
        fields.number("centre", family.centreDegrees, 0, 360);
        fields.number("width", family.widthDegrees, 15, 180);
        readMove(fields, family.move);
        fields.number("ceiling", family.ceiling, 0.02, HueFamily::kNoCeiling);
        family.unknownFields = fields.unknown();
        step.families.push_back(family);
        return fields.status();
    });
    const std::pair<const char*, HueMove*> zones[] = {
        {"nearBlacks", &step.nearBlacks}, {"greys", &step.greys}, {"nearWhites", &step.nearWhites}};
    for (std::size_t i = 0; i < 3; ++i)
        if (const Json* zone = reader.find(zones[i].first)) {
            FieldReader fields(*zone, where + "." + zones[i].first);
            readMove(fields, *zones[i].second);
            if (auto good = fields.status(); !good)
                return tl::make_unexpected(good.error());
            step.zoneUnknownFields[i] = fields.unknown();
        }
    if (auto good = reader.status(); !good)
        return tl::make_unexpected(good.error());
    step.unknownFields = reader.unknown();
    return step;
}

}  // namespace amber
