#include "core/frame/frame_balance.h"

#include "core/base/json_text.h"
#include "core/base/statistics.h"
#include "core/colour/rgb_space.h"
#include "core/frame/light_plan.h"
#include "core/optics/noise.h"

#include <algorithm>
#include <cmath>

namespace amber {

AMBER_COPIES_OF(FrameBalance)

bool InPicture::operator==(const InPicture& other) const
{
    return !balance == !other.balance && sourceRatio == other.sourceRatio && kept == other.kept &&
           (!balance || balance == other.balance || *balance == *other.balance);
}

Placement InPicture::placement() const
{
    constexpr int kHeight = 20000;  // any size serves: places are fractions
    return balance->placement(static_cast<int>(std::lround(kHeight * sourceRatio)), kHeight);
}

Region InPicture::placed(const Region& own) const
{
    const Region r = placement().inPlaced(own);
    const double w = kept.right - kept.left, h = kept.bottom - kept.top;
    return {(r.left - kept.left) / w, (r.top - kept.top) / h, (r.right - kept.left) / w, (r.bottom - kept.top) / h};
}

std::vector<const InPicture*> InPicture::layers(const FrameBalance& balance)
{
    std::vector<const InPicture*> all;
    for (const InPicture* in = &balance.inPicture; *in; in = &in->balance->inPicture)
        all.push_back(in);
    return all;
}

double InPicture::ratio() const
{
    const Placement all = placement();
    return all.width() * (kept.right - kept.left) / (all.height() * (kept.bottom - kept.top));
}

BalanceEnds solveEnds(ImageView picture, const Framing& framing, double blackBudget, double whiteBudget)
{
    constexpr double kMostBlack = 0.05, kLeastWhite = 0.67;
    const Image all = counted(picture, framing);
    std::vector<float> tops;
    for (int i = 0; i < all.width() * all.height(); ++i) {
        const float* p = all.view().data + 3 * i;
        const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
        tops.push_back(static_cast<float>(std::max({own.r, own.g, own.b})));
    }
    if (tops.empty())
        return {};
    return {std::clamp(quantile(tops, std::clamp(blackBudget, 0.0, 1.0)), 0.0, kMostBlack),
            std::max(quantile(tops, std::clamp(1 - whiteBudget, 0.0, 1.0)), kLeastWhite)};
}

LinearRgb balancedColour(const LinearRgb& c, const FrameBalance& balance, const Response& response)
{
    LinearRgb out = balanced(balance.light, response, c);
    const double scale = 1 / (balance.ends.white - balance.ends.black);
    return {(out.r - balance.ends.black) * scale, (out.g - balance.ends.black) * scale,
            (out.b - balance.ends.black) * scale};
}

void applyLight(const FrameBalance& balance, const Response& response, const Placement& placement, int firstRow,
                MutableImageView rows)
{
    LightPlan(balance.light, response, balance.ends.black, balance.ends.white, balance.optics.dims())
        .run(rows, &placement, firstRow);
}

Image balancedPicture(Image picture, const FrameBalance& balance, const Response& response)
{
    if (balance.optics.noise > 0)
        reduceNoise(picture.mutableView(), measureNoise(picture.view()), balance.optics.noise);
    const Placement placement = balance.placement(picture.width(), picture.height());
    Image out = placed(std::move(picture), balance.optics, balance.geometry);
    applyLight(balance, response, placement, 0, out.mutableView());
    return out;
}

namespace {

Json regionJson(const Region& r) { return {r.left, r.top, r.right, r.bottom}; }

Json opticsJson(const Optics& o)
{
    Json json{{"bow", o.bow},     {"red", o.redFringe},        {"blue", o.blueFringe},
              {"noise", o.noise}, {"falloff", o.falloffStops}, {"lensOff", o.lensOff}};
    if (!o.lens.name.empty())
        json["lens"] = {{"name", o.lens.name},
                        {"bow", o.lens.bow},
                        {"red", o.lens.red},
                        {"blue", o.lens.blue},
                        {"dimming", o.lens.dimming}};
    return json;
}

Json inPictureJson(const InPicture& in)
{
    return {{"balance", Json::parse(frameBalanceToText(*in.balance))},
            {"ratio", in.sourceRatio},
            {"kept", regionJson(in.kept)}};
}

}  // namespace

std::string frameBalanceToText(const FrameBalance& b)
{
    Json json{{"stops", b.light.exposureStops},
              {"kelvin", b.light.kelvin},
              {"tint", b.light.tint},
              {"fromKelvin", b.light.fromKelvin},
              {"fromTint", b.light.fromTint},
              {"black", b.ends.black},
              {"white", b.ends.white},
              {"straighten", b.geometry.straightenDegrees},
              {"leanUp", b.geometry.leanUp},
              {"leanAside", b.geometry.leanAside},
              {"stretch", b.geometry.stretch},
              {"crop", regionJson(b.geometry.crop)},
              {"ratio", b.geometry.ratio},
              {"response", b.response},
              {"exposureLocked", b.exposureLocked},
              {"whiteLocked", b.whiteLocked},
              {"endsLocked", b.endsLocked},
              {"keyStops", b.keyStops},
              {"because", b.because},
              {"confidence", b.confidence}};
    for (const RatioCrop& c : b.geometry.crops)
        json["crops"].push_back({{"ratio", c.ratio}, {"crop", regionJson(c.crop)}});
    if (!(b.optics == Optics{}))
        json["optics"] = opticsJson(b.optics);
    if (b.inPicture)
        json["inPicture"] = inPictureJson(b.inPicture);
    return jsonText(json);
}

namespace {

/// Reads what is there of an object; remembers what is not as it should be.
struct KeptFields {
    const Json& object;
    std::string wrong;

    void number(const char* name, double& value, double low, double high)
    {
        if (const auto found = object.find(name); found == object.end())
            return;
        else if (found->is_number() && std::isfinite(found->get<double>()))
            value = std::clamp(found->get<double>(), low, high);
        else
            wrong = name;
    }
    template <class Value>
    void plain(const char* name, Value& value, bool (Json::*is)() const noexcept)
    {
        if (const auto found = object.find(name); found == object.end())
            return;
        else if (((*found).*is)())
            value = found->get<Value>();
        else
            wrong = name;
    }
    template <std::size_t N>
    void numbers(const char* name, std::array<double, N>& values)
    {
        const auto found = object.find(name);
        if (found == object.end())
            return;
        if (!found->is_array() || found->size() != N ||
            !std::all_of(found->begin(), found->end(), [](const Json& v) { return v.is_number(); }))
            wrong = name;
        else
            for (std::size_t i = 0; i < N; ++i)
                values[i] = std::clamp((*found)[i].get<double>(), -10.0, 10.0);
    }
    void region(const char* name, Region& value)
    {
        const auto found = object.find(name);
        if (found == object.end())
            return;
        wrong = name;
        if (!found->is_array() || found->size() != 4 ||
            !std::all_of(found->begin(), found->end(), [](const Json& v) { return v.is_number(); }))
            return;
        const auto side = [&](std::size_t i) { return std::clamp((*found)[i].get<double>(), 0.0, 1.0); };
        const Region r{side(0), side(1), side(2), side(3)};
        if (r.right - r.left > 0.01 && r.bottom - r.top > 0.01)
            value = r, wrong.clear();
    }
};

void takeLens(const Json& json, KnownLens& lens, std::string& wrong)
{
    KeptFields kept{json, {}};
    kept.plain("name", lens.name, &Json::is_string);
    kept.numbers("bow", lens.bow), kept.numbers("red", lens.red), kept.numbers("blue", lens.blue);
    kept.numbers("dimming", lens.dimming);
    if (!kept.wrong.empty())
        wrong = "lens " + kept.wrong;
}

std::string takeOptics(const Json& json, Optics& o)
{
    if (!json.is_object())
        return "optics";
    KeptFields kept{json, {}};
    kept.number("bow", o.bow, -0.3, 0.3);
    kept.number("red", o.redFringe, -0.01, 0.01), kept.number("blue", o.blueFringe, -0.01, 0.01);
    kept.number("falloff", o.falloffStops, -1, 4);
    kept.number("noise", o.noise, 0, 1);
    kept.plain("lensOff", o.lensOff, &Json::is_boolean);
    if (const auto lens = json.find("lens"); lens != json.end())
        takeLens(*lens, o.lens, kept.wrong);
    return kept.wrong;
}

std::string takeInPicture(const Json& json, InPicture& in)
{
    if (!json.is_object() || !json.contains("balance"))
        return "inPicture";
    KeptFields kept{json, {}};
    kept.number("ratio", in.sourceRatio, 0.01, 100), kept.region("kept", in.kept);
    auto balance = frameBalanceFromText(json["balance"].dump());
    if (!kept.wrong.empty() || !balance)
        return "inPicture";
    in.balance = std::make_shared<const FrameBalance>(std::move(*balance));
    return {};
}

std::string takeCrops(const Json& list, std::vector<RatioCrop>& crops)
{
    if (!list.is_array())
        return "crops";
    for (const Json& entry : list) {
        RatioCrop crop;
        if (!entry.is_object())
            return "crops";
        KeptFields kept{entry, {}};
        kept.number("ratio", crop.ratio, 0.05, 20), kept.region("crop", crop.crop);
        if (!kept.wrong.empty())
            return "crops";
        crops.push_back(crop);
    }
    return {};
}

}  // namespace

Result<FrameBalance> frameBalanceFromText(const std::string& text)
{
    FrameBalance b;
    if (text.empty())
        return b;
    const Json j = Json::parse(text, nullptr, false);
    if (!j.is_object())
        return fail("the balance cannot be read", {}, "an object", text.substr(0, 60));
    KeptFields kept{j, {}};
    kept.region("crop", b.geometry.crop);
    kept.number("stops", b.light.exposureStops, -8, 8);
    kept.number("kelvin", b.light.kelvin, 2000, 25000);
    kept.number("tint", b.light.tint, -50, 50);
    kept.number("fromKelvin", b.light.fromKelvin, 1500, 30000);
    kept.number("fromTint", b.light.fromTint, -100, 100);
    kept.number("black", b.ends.black, -0.5, 0.5);
    kept.number("white", b.ends.white, b.ends.black + 0.05, 4);
    kept.number("straighten", b.geometry.straightenDegrees, -45, 45);
    kept.number("leanUp", b.geometry.leanUp, -0.4, 0.4);
    kept.number("leanAside", b.geometry.leanAside, -0.4, 0.4);
    kept.plain("exposureLocked", b.exposureLocked, &Json::is_boolean);
    kept.plain("whiteLocked", b.whiteLocked, &Json::is_boolean);
    kept.plain("endsLocked", b.endsLocked, &Json::is_boolean);
    kept.number("keyStops", b.keyStops, -8, 8);
    kept.number("confidence", b.confidence, 0, 1);
    kept.plain("response", b.response, &Json::is_string);
    kept.plain("because", b.because, &Json::is_string);
    kept.number("stretch", b.geometry.stretch, 0.8, 1.25);
    kept.number("ratio", b.geometry.ratio, 0, 20);
    if (const auto crops = j.find("crops"); crops != j.end() && kept.wrong.empty())
        kept.wrong = takeCrops(*crops, b.geometry.crops);
    if (const auto in = j.find("inPicture"); in != j.end() && kept.wrong.empty())
        kept.wrong = takeInPicture(*in, b.inPicture);
    if (const auto optics = j.find("optics"); optics != j.end() && kept.wrong.empty())
        kept.wrong = takeOptics(*optics, b.optics);
    if (!kept.wrong.empty())
        return fail("the balance cannot be read", kept.wrong, {}, text.substr(0, 60));
    return b;
}

std::string inPictureToText(const InPicture& in) { return in ? jsonText(inPictureJson(in)) : std::string(); }

Result<InPicture> inPictureFromText(const std::string& text)
{
    InPicture in;
    if (text.empty())
        return in;
    const std::string wrong = takeInPicture(Json::parse(text, nullptr, false), in);
    if (!wrong.empty())
        return fail("the balance cannot be read", wrong, {}, text.substr(0, 60));
    return in;
}

std::string responseToText(const Response& response)
{
    return response.isIdentity() ? std::string() : jsonText(response.logLight());
}

Result<Response> responseFromText(const std::string& text)
{
    if (text.empty())
        return Response{};
    const Json j = Json::parse(text, nullptr, false);
    if (!j.is_array() || j.size() != Response::kKnots ||
        !std::all_of(j.begin(), j.end(), [](const Json& v) { return v.is_number(); }))
        return fail("a camera's response cannot be read", {}, {}, text.substr(0, 60));
    std::array<double, Response::kKnots> knots{};
    for (std::size_t i = 0; i < knots.size(); ++i)
        knots[i] = j[i].get<double>();
    return Response(knots);
}

}  // namespace amber
