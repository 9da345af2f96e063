#include "core/look/steps/tone_curve/tone_curve.h"

#include "core/base/phrase.h"
#include "core/colour/oklab.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr std::array<std::string_view, 2> kModes{"every-channel", "lightness-only"};
const ToneCurve::Points kStraight{{0, 0}, {1, 1}};

double cubed(double v) { return v * v * v; }

bool isStraight(const ToneCurve::Points& points)
{
    return std::all_of(points.begin(), points.end(), [](const CurvePoint& p) { return p.x == p.y; });
}

Status validatePoints(const ToneCurve::Points& points, const std::string& where)
{
    if (points.size() < 2 || points.size() > kCurvePointLimit)
        return fail("number of curve points", where, phrase("%1 to %2", {"2", std::to_string(kCurvePointLimit)}),
                    std::to_string(points.size()));
    for (std::size_t i = 0; i < points.size(); ++i) {
        const auto inside = [](double v) { return v >= -1 && v <= 3; };
        if (!inside(points[i].x) || !inside(points[i].y))
            return fail("curve point off the axis", where, "-1 to 3",
                        jsonText(points[i].x) + ", " + jsonText(points[i].y));
        if (i > 0 && points[i].x - points[i - 1].x < kCurveGap * 0.999)
            return fail("curve points must rise along the axis, at least 0.002 apart", where, {},
                        jsonText(points[i].x));
        if (i > 0 && points[i].y < points[i - 1].y)
            return fail("the curve must not fall", where, "at least " + jsonText(points[i - 1].y),
                        jsonText(points[i].y));
    }
    return {};
}

Json pointsToJson(const ToneCurve::Points& points)
{
    Json list = Json::array();
    for (const CurvePoint& p : points)
        list.push_back(Json::array({p.x, p.y}));
    return list;
}

void readPoints(FieldReader& reader, const char* name, ToneCurve::Points& target)
{
    if (!reader.find(name))
        return;
    target.clear();
    reader.list(name, kCurvePointLimit, [&](const Json& entry, const std::string& where) -> Status {
        if (!entry.is_array() || entry.size() != 2 || !entry[0].is_number() || !entry[1].is_number())
            return fail("wrong value", where, "a pair [x, y]", jsonText(entry).substr(0, 80));
        target.push_back({entry[0].get<double>(), entry[1].get<double>()});
        return {};
    });
}

}  // namespace

MonotoneCurve::MonotoneCurve(const std::vector<CurvePoint>& p)
{
    const std::size_t n = p.size();
    std::vector<double> secant(n - 1), m(n);
    for (std::size_t i = 0; i + 1 < n; ++i)
        secant[i] = (p[i + 1].y - p[i].y) / (p[i + 1].x - p[i].x);
    m[0] = secant[0], m[n - 1] = secant[n - 2];
    for (std::size_t i = 1; i + 1 < n; ++i)
        m[i] = secant[i - 1] == 0 || secant[i] == 0 ? 0 : (secant[i - 1] + secant[i]) / 2;
    for (std::size_t i = 0; i + 1 < n; ++i) {
        if (secant[i] == 0) {
            m[i] = m[i + 1] = 0;
            continue;
        }
        const double radius = std::hypot(m[i] / secant[i], m[i + 1] / secant[i]);
        if (radius > 3)
            m[i] *= 3 / radius, m[i + 1] *= 3 / radius;
    }
    m_segments.push_back({p[0].x, p[0].y, m[0], 0, 0});
    for (std::size_t i = 0; i + 1 < n; ++i) {
        const double h = p[i + 1].x - p[i].x;
        m_segments.push_back({p[i].x, p[i].y, m[i], (3 * secant[i] - 2 * m[i] - m[i + 1]) / h,
                              (m[i] + m[i + 1] - 2 * secant[i]) / (h * h)});
    }
    m_segments.push_back({p[n - 1].x, p[n - 1].y, m[n - 1], 0, 0});
}

const MonotoneCurve::Segment& MonotoneCurve::segmentAt(double x) const
{
    std::size_t i = 0;
    while (i + 1 < m_segments.size() && x >= m_segments[i + 1].begin)
        ++i;
    return m_segments[i];
}

double MonotoneCurve::operator()(double x) const
{
    const Segment& s = segmentAt(x);
    const double t = x - s.begin;
    return s.c0 + t * (s.c1 + t * (s.c2 + t * s.c3));
}

double MonotoneCurve::slope(double x) const
{
    const Segment& s = segmentAt(x);
    const double t = x - s.begin;
    return s.c1 + t * (2 * s.c2 + t * 3 * s.c3);
}

Status validate(const ToneCurve& step, const std::string& where)
{
    const std::pair<const char*, const ToneCurve::Points*> curves[] = {
        {".all", &step.all}, {".red", &step.red}, {".green", &step.green}, {".blue", &step.blue}};
    for (const auto& [name, points] : curves)
        if (auto good = validatePoints(*points, where + name); !good)
            return good;
    return {};
}

bool isIdentity(const ToneCurve& step)
{
    return isStraight(step.all) && isStraight(step.red) && isStraight(step.green) && isStraight(step.blue);
}

LinearRgb evaluate(const ToneCurve& step, const LinearRgb& c)
{
    const MonotoneCurve all(step.all), red(step.red), green(step.green), blue(step.blue);
    LinearRgb v = c;
    if (step.mode == ToneCurve::Mode::LightnessOnly) {
        OkLab lab = toOkLab(c);
        lab.L = all(lab.L);
        v = toLinearRgb(lab);
        return {cubed(red(std::cbrt(v.r))), cubed(green(std::cbrt(v.g))), cubed(blue(std::cbrt(v.b)))};
    }
    return {cubed(red(all(std::cbrt(v.r)))), cubed(green(all(std::cbrt(v.g)))), cubed(blue(all(std::cbrt(v.b))))};
}

Json toJson(const ToneCurve& step)
{
    Json json{{"mode", kModes[static_cast<std::size_t>(step.mode)]}, {"all", pointsToJson(step.all)}};
    if (step.red != kStraight)
        json["red"] = pointsToJson(step.red);
    if (step.green != kStraight)
        json["green"] = pointsToJson(step.green);
    if (step.blue != kStraight)
        json["blue"] = pointsToJson(step.blue);
    addUnknown(json, step.unknownFields);
    return json;
}

template <>
Result<ToneCurve> parse(const Json& json, const std::string& where)
{
    ToneCurve step;
    FieldReader reader(json, where);
    reader.choice("mode", step.mode, kModes);
    readPoints(reader, "all", step.all);
    readPoints(reader, "red", step.red);
    readPoints(reader, "green", step.green);
    readPoints(reader, "blue", step.blue);
    if (auto good = reader.status(); !good)
        return tl::make_unexpected(good.error());
    step.unknownFields = reader.unknown();
    return step;
}

ToneCurveReadout readout(const ToneCurve::Points& points)
{
    const MonotoneCurve curve(points);
    return {curve(0), curve(1), curve.slope(std::cbrt(0.18)), curve.slope(0.1), curve.slope(0.9)};
}

}  // namespace amber
