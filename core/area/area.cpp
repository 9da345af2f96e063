#include "core/area/area.h"

#include "core/base/content_hash.h"
#include "core/base/json_text.h"

#include <algorithm>
#include <zlib.h>

namespace amber {
namespace {

constexpr std::array<std::string_view, 3> kJoins{"add", "cut", "within"};
constexpr double kFarthest = 10;  // places may lie beside the picture, but not out of all bounds
constexpr int kMaskEdge = 4096;

Json toJson(const Spot& s) { return {s.x, s.y}; }

Json shapeToJson(const Ramp& r)
{
    return {{"full", toJson(r.full)}, {"none", toJson(r.none)}, {"mirrored", r.isMirrored}};
}

Json shapeToJson(const Ellipse& e)
{
    return {{"middle", toJson(e.middle)},
            {"halfWidth", e.halfWidth},
            {"halfHeight", e.halfHeight},
            {"turn", e.turnDegrees},
            {"feather", e.feather}};
}

Json shapeToJson(const Outline& o)
{
    Json points = Json::array();
    for (const Spot& p : o.points)
        points.push_back(toJson(p));
    return {{"points", points}, {"smooth", o.isSmooth}};
}

Json shapeToJson(const Stroke& s)
{
    Json points = Json::array();
    for (const Stroke::Point& p : s.points)
        points.push_back({p.at.x, p.at.y, p.pressure});
    return {{"points", points}, {"radius", s.radius}, {"softness", s.softness}, {"flow", s.flow}};
}

Json shapeToJson(const ColourRange& r) { return {{"colours", amber::toJson(r.colours)}}; }

Json shapeToJson(const Found& f) { return {{"mask", f.hash}, {"from", f.from}, {"sureness", f.sureness}}; }

/// Numbers of a list entry, `count` of them.
Status readNumbers(const Json& json, const std::string& where, std::initializer_list<double*> to)
{
    if (!json.is_array() || json.size() != to.size())
        return fail("wrong value", where, std::to_string(to.size()) + " numbers", json.dump());
    std::size_t i = 0;
    for (double* value : to) {
        const Json& v = json[i++];
        if (!v.is_number() || !(std::abs(v.get<double>()) <= kFarthest))
            return fail("wrong value", where, "numbers near the picture", v.dump());
        *value = v.get<double>();
    }
    return {};
}

void readSpot(FieldReader& fields, const char* name, Spot& spot, Status& good)
{
    if (const Json* v = fields.find(name); v && good)
        good = readNumbers(*v, name, {&spot.x, &spot.y});
}

struct ShapeReader {
    FieldReader& fields;
    const MaskOf& maskOf;
    Status good = {};

    void read(Ramp& r)
    {
        readSpot(fields, "full", r.full, good), readSpot(fields, "none", r.none, good);
        fields.boolean("mirrored", r.isMirrored);
    }
    void read(Ellipse& e)
    {
        readSpot(fields, "middle", e.middle, good);
        fields.number("halfWidth", e.halfWidth, 0.0005, 4), fields.number("halfHeight", e.halfHeight, 0.0005, 4);
        fields.number("turn", e.turnDegrees, -360, 360), fields.number("feather", e.feather, 0, 1);
    }
    void read(Outline& o)
    {
        fields.list("points", kPointLimit, [&](const Json& entry, const std::string& at) -> Status {
            Spot& p = o.points.emplace_back();
            return readNumbers(entry, at, {&p.x, &p.y});
        });
        fields.boolean("smooth", o.isSmooth);
    }
    void read(Stroke& s)
    {
        fields.list("points", kPointLimit, [&](const Json& entry, const std::string& at) -> Status {
            Stroke::Point& p = s.points.emplace_back();
            return readNumbers(entry, at, {&p.at.x, &p.at.y, &p.pressure});
        });
        fields.number("radius", s.radius, 0.0005, 0.5), fields.number("softness", s.softness, 0, 1);
        fields.number("flow", s.flow, 0, 1);
    }
    void read(ColourRange& r)
    {
        const Json* colours = fields.find("colours");
        if (!colours)
            return;
        auto guard = parse<Guard>(*colours, "colours");
        if (guard)
            r.colours = *guard;
        else
            good = tl::make_unexpected(guard.error());
    }
    void read(Found& f)
    {
        fields.text("mask", f.hash), fields.text("from", f.from), fields.number("sureness", f.sureness, 0, 1);
        f.mask = maskOf ? maskOf(f.hash) : nullptr;
        if (!f.mask && good)
            good = fail("the mask of an area is not there", "mask", "a mask of this hash", f.hash);
    }
};

template <std::size_t I = 0>
Status readShape(const std::string& name, ShapeReader& reader, AreaPart& part)
{
    if constexpr (I == std::variant_size_v<decltype(AreaPart::shape)>) {
        return fail("not a shape this version knows", "shape", "ramp, ellipse, outline, stroke, range or found", name);
    } else {
        using T = std::variant_alternative_t<I, decltype(AreaPart::shape)>;
        if (name != T::kShape)
            return readShape<I + 1>(name, reader, part);
        T shape;
        reader.read(shape);
        part.shape = std::move(shape);
        return reader.good;
    }
}

Status readPart(const Json& json, const std::string& where, const MaskOf& maskOf, Area& area)
{
    AreaPart part;
    FieldReader fields(json, where);
    std::string shape;
    fields.text("shape", shape);
    fields.choice("join", part.join, kJoins);
    fields.boolean("inverted", part.isInverted), fields.number("density", part.density, 0, 1);
    ShapeReader reader{fields, maskOf};
    if (auto good = readShape(shape, reader, part); !good)
        return good;
    area.parts.push_back(std::move(part));
    return fields.status();
}

}  // namespace

AMBER_COPIES_OF(Area)

double Area::sureness() const
{
    double least = 1;
    for (const AreaPart& part : parts)
        if (const auto* found = std::get_if<Found>(&part.shape))
            least = std::min(least, found->sureness);
    return least;
}

std::string areaToText(const Area& area)
{
    Json parts = Json::array();
    for (const AreaPart& part : area.parts) {
        Json json = std::visit(
            [](const auto& shape) {
                Json all{{"shape", shape.kShape}};
                all.update(shapeToJson(shape));
                return all;
            },
            part.shape);
        json["join"] = kJoins[static_cast<std::size_t>(part.join)];
        json["inverted"] = part.isInverted, json["density"] = part.density;
        parts.push_back(std::move(json));
    }
    return jsonText({{"state", kAreaStates[static_cast<std::size_t>(area.state)]},
                     {"density", area.density},
                     {"feather", area.feather},
                     {"grow", area.grow},
                     {"inverted", area.isInverted},
                     {"inBalance", kInBalance[static_cast<std::size_t>(area.inBalance)]},
                     {"parts", std::move(parts)}});
}

Result<Area> areaFromText(const std::string& text, const MaskOf& maskOf)
{
    const Json json = Json::parse(text, nullptr, false);
    if (json.is_discarded())
        return fail("an area is not JSON", "area");
    Area area;
    FieldReader fields(json, "area");
    fields.choice("state", area.state, kAreaStates);
    fields.number("density", area.density, 0, 1), fields.number("feather", area.feather, 0, 0.1);
    fields.number("grow", area.grow, -0.05, 0.05), fields.boolean("inverted", area.isInverted);
    fields.choice("inBalance", area.inBalance, kInBalance);
    fields.list("parts", kPartLimit,
                [&](const Json& entry, const std::string& where) { return readPart(entry, where, maskOf, area); });
    if (auto good = fields.status(); !good)
        return tl::make_unexpected(good.error());
    return area;
}

Found foundOf(const FoundMask& mask, std::string from, double sureness)
{
    PackedMask bytes = packed(mask);
    std::string hash = contentHash(*bytes);
    return {std::move(bytes), std::move(hash), std::move(from), sureness};
}

PackedMask packed(const FoundMask& mask)
{
    uLongf size = compressBound(static_cast<uLong>(mask.weights.size()));
    const std::string head = std::to_string(mask.width) + " " + std::to_string(mask.height) + "\n";
    std::string bytes(head.size() + size, '\0');
    std::copy(head.begin(), head.end(), bytes.begin());
    compress2(reinterpret_cast<Bytef*>(bytes.data() + head.size()), &size, mask.weights.data(),
              static_cast<uLong>(mask.weights.size()), Z_BEST_COMPRESSION);
    bytes.resize(head.size() + size);
    return std::make_shared<const std::string>(std::move(bytes));
}

Result<FoundMask> unpacked(const std::string& bytes)
{
    FoundMask mask;
    int head = 0;
    if (std::sscanf(bytes.c_str(), "%5d %5d%n", &mask.width, &mask.height, &head) != 2 || mask.width < 1 ||
        mask.height < 1 || mask.width > kMaskEdge || mask.height > kMaskEdge ||
        static_cast<std::size_t>(head) + 1 > bytes.size() || bytes[static_cast<std::size_t>(head)] != '\n')
        return fail("not a mask", "mask", "its size", "something else");
    mask.weights.resize(static_cast<std::size_t>(mask.width) * mask.height);
    uLongf size = static_cast<uLongf>(mask.weights.size());
    const auto from = static_cast<std::size_t>(head) + 1;
    if (uncompress(mask.weights.data(), &size, reinterpret_cast<const Bytef*>(bytes.data() + from),
                   static_cast<uLong>(bytes.size() - from)) != Z_OK ||
        size != mask.weights.size())
        return fail("a mask is damaged", "mask", std::to_string(mask.weights.size()) + " weights",
                    std::to_string(size));
    return mask;
}

int partOfSameThing(const Area& area, const FoundMask& mask)
{
    constexpr std::uint8_t kHalf = 127;
    for (std::size_t i = 0; i < area.parts.size(); ++i) {
        const auto* found = std::get_if<Found>(&area.parts[i].shape);
        const auto known = found && found->mask ? unpacked(*found->mask) : fail("no mask");
        if (!known || area.parts[i].join != AreaPart::Join::Add)
            continue;
        std::size_t both = 0, one = 0, other = 0;
        for (int y = 0; y < mask.height; ++y)
            for (int x = 0; x < mask.width; ++x) {
                const bool a = mask.weights[static_cast<std::size_t>(y) * mask.width + x] > kHalf,
                           b = known->weights[static_cast<std::size_t>(y * known->height / mask.height) * known->width +
                                              x * known->width / mask.width] > kHalf;
                both += a && b, one += a, other += b;
            }
        if (both > 0 && 2 * both >= std::min(one, other))
            return static_cast<int>(i);
    }
    return -1;
}

}  // namespace amber
