#include "tests/support/made_faults.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/engine/plane.h"
#include "core/image/resize.h"

#include <cmath>
#include <functional>

namespace amber::test {
namespace {

using Grades = std::array<double, kGrades>;

void paint(Image& picture, const std::function<LinearRgb(double x, double y, const LinearRgb& is)>& colour)
{
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) {
            float* p = picture.mutableView().row(y) + std::ptrdiff_t{3} * x;
            const LinearRgb c =
                colour((x + 0.5) / picture.width(), (y + 0.5) / picture.height(), LinearRgb{p[0], p[1], p[2]});
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
}

/// A round patch of this share of the picture.
void disc(Image& picture, Spot middle, double share, const LinearRgb& colour)
{
    const double ratio = static_cast<double>(picture.width()) / picture.height();
    const double radius = std::sqrt(share * ratio / 3.14159265358979);
    paint(picture, [&](double x, double y, const LinearRgb& is) {
        return std::hypot((x - middle.x) * ratio, y - middle.y) < radius ? colour : is;
    });
}

LinearRgb grey(double code)
{
    const double light = decodeComponent(RgbSpace::Srgb, code / 255);
    return {light, light, light};
}

Area ellipseArea(Spot middle, double halfWidth, double halfHeight, double feather = 0.1)
{
    Area area;
    Ellipse e;
    e.middle = middle, e.halfWidth = halfWidth, e.halfHeight = halfHeight, e.feather = feather;
    area.parts.push_back({AreaPart::Join::Add, e, false, 1});
    return area;
}

Step stepOf(StepParameters parameters)
{
    Step step;
    step.parameters = std::move(parameters);
    return step;
}

void blur(Image& picture, const Region& place, double deviation)
{
    Plane planes[3] = {Plane(picture.width(), picture.height()), Plane(picture.width(), picture.height()),
                       Plane(picture.width(), picture.height())};
    for (int k = 0; k < 3; ++k) {
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x)
                planes[k].row(y)[x] = picture.view().row(y)[3 * x + k];
        planes[k] = gaussianMean(std::move(planes[k]), deviation);
    }
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x)
            if (place.contains((x + 0.5) / picture.width(), (y + 0.5) / picture.height()))
                for (int k = 0; k < 3; ++k)
                    picture.mutableView().row(y)[3 * x + k] = planes[k].row(y)[x];
}

void sharpen(Image& picture, double amount)
{
    Image soft = picture;
    blur(soft, {}, 0.9);
    for (int y = 0; y < picture.height(); ++y)
        for (int i = 0; i < 3 * picture.width(); ++i) {
            const auto curve = [](double v) { return encodeComponent(RgbSpace::Srgb, std::clamp(v, 0.0, 1.0)); };
            const double is = curve(picture.view().row(y)[i]), mean = curve(soft.view().row(y)[i]);
            picture.mutableView().row(y)[i] =
                static_cast<float>(decodeComponent(RgbSpace::Srgb, std::clamp(is + amount * (is - mean), 0.0, 1.0)));
        }
}

KeyColour keyAt(const Image& picture, const std::string& name, const Region& place)
{
    KeyColour key;
    key.name = name, key.frame = 1, key.place = place, key.marked = meanOf(picture.view(), place);
    return key;
}

Region around(Spot middle, double half) { return {middle.x - half, middle.y - half, middle.x + half, middle.y + half}; }

/// Chooses a place and grades; makes the fault on a clean picture.
using Maker = std::function<bool(CheckedPicture&, int grade, Random&)>;

Spot somewhere(Random& random) { return {random.between(0.3, 0.7), random.between(0.3, 0.7)}; }

bool tintedGrey(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kOff{2, 6, 10, 18};
    const Spot at = somewhere(random);
    const double turn = random.between(0, 6.283);
    disc(c.picture, at, 0.01, fromLab({60, kOff[grade] * std::cos(turn), kOff[grade] * std::sin(turn)}));
    c.keys.push_back(keyAt(c.picture, "grey card", around(at, 0.02)));
    c.keys.back().target = Lab{60, 0, 0};
    return true;
}

bool movedSkin(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kTurn{8, 55, 75, 100};
    const Spot at = somewhere(random);
    disc(c.picture, at, 0.02, fromLab({random.between(45, 75), random.between(12, 18), random.between(16, 24)}));
    c.keys.push_back(keyAt(c.picture, "Ada's skin", around(at, 0.02)));
    HueShifts shifts;
    shifts.families = {{"skin", 55, 90, {}, {}}};
    shifts.families[0].move.turnDegrees = (random.flip() ? 1 : -1) * kTurn[grade] * 0.6;
    c.look.steps.push_back(stepOf(shifts));
    return true;
}

bool tornHues(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kApart{6, 70, 100, 130};
    // A smooth ramp of hues.
    const double from = random.between(0, 360);
    paint(c.picture, [&](double x, double y, const LinearRgb& is) {
        return y > 0.35 && y < 0.65 ? toLinearRgb(toOkLab(OkLch{0.6, 0.1, wrapDegrees(from + 60 * x)})) : is;
    });
    HueShifts shifts;
    shifts.families = {{"one", wrapDegrees(from + 20), 22, {}, {}}, {"other", wrapDegrees(from + 40), 22, {}, {}}};
    shifts.families[0].move.turnDegrees = -kApart[grade] / 2, shifts.families[1].move.turnDegrees = kApart[grade] / 2;
    c.look.steps.push_back(stepOf(shifts));
    return true;
}

bool offPlan(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kShare{0.004, 0.06, 0.12, 0.25};
    paint(c.picture, [&](double, double, const LinearRgb& is) {
        const OkLab lab = toOkLab(is);
        return toLinearRgb(OkLab{lab.L, 0.35 * lab.a, 0.35 * lab.b});
    });
    c.look.card.plan = {{60, 60, {}}, {240, 60, {}}};
    disc(c.picture, somewhere(random), kShare[grade],
         toLinearRgb(toOkLab(OkLch{0.6, 0.17, random.flip() ? 145. : 330.})));
    return true;
}

bool sunkSubject(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kPulled{0.1, 0.55, 0.75, 0.92};
    const Spot at = somewhere(random);
    disc(c.picture, at, 0.06, fromLab({75, 5, 10}));
    // Its surroundings, dark; the look brings them nearer.
    const double ratio = static_cast<double>(c.picture.width()) / c.picture.height();
    paint(c.picture, [&](double x, double y, const LinearRgb& is) {
        const double r = std::hypot((x - at.x) * ratio, y - at.y);
        return r < 0.5 && r > std::sqrt(0.06 * ratio / 3.14159) ? fromLab({35, 0, -5}) : is;
    });
    Contrast flat;
    flat.slope = 1 - kPulled[grade] * 0.7, flat.holdBrightness = false;
    c.look.steps.push_back(stepOf(flat));
    Chroma less;
    less.even = 1 - kPulled[grade];
    c.look.steps.push_back(stepOf(less));
    const double radius = std::sqrt(0.06 * ratio / 3.14159265);
    c.areas["subject"] = ellipseArea(at, radius / std::max(1.0, ratio), radius / std::max(1.0, ratio), 0.02);
    c.look.roles.push_back({"subject", Role::Kind::Subject, {}, 1, {}});
    return true;
}

bool distractor(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kStops{0.1, 1.2, 1.6, 2};
    const Spot corner{random.flip() ? 0.06 : 0.94, random.between(0.1, 0.9)};
    c.areas["subject"] = ellipseArea({0.5, 0.5}, 0.15, 0.15);
    c.areas["corner"] = ellipseArea(corner, 0.035, 0.035, 0.2);
    c.look.roles = {{"subject", Role::Kind::Subject, {}, 1, {}}, {"corner", Role::Kind::Free, {}, 1, {}}};
    disc(c.picture, corner, 0.005, grey(118));
    Step lift = stepOf(Contrast{});
    std::get<Contrast>(lift.parameters).exposure = kStops[grade];
    std::get<Contrast>(lift.parameters).holdBrightness = false;
    lift.guard.where.role = "corner";
    c.look.steps.push_back(lift);
    return true;
}

bool roughSkin(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kAmount{0.05, 0.9, 1.3, 2};
    const Spot at{random.between(0.3, 0.7), random.between(0.3, 0.7)};
    const double ratio = static_cast<double>(c.picture.width()) / c.picture.height();
    paint(c.picture, [&](double x, double y, const LinearRgb& is) {
        if (std::hypot((x - at.x) * ratio, y - at.y) > 0.16)
            return is;
        const double l = 62 + 3 * std::sin(260 * x) * std::sin(260 / ratio * y + 40 * x);
        return fromLab({l, 15, 19});
    });
    c.keys.push_back(keyAt(c.picture, "Ada's skin", around(at, 0.08)));
    LocalContrast local;
    local.amount = kAmount[grade], local.size = 2.5;
    c.look.steps.push_back(stepOf(local));
    return true;
}

bool drifted(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kStops{0.12, 1, 1.3, 1.8};
    Contrast lift;
    lift.exposure = (random.flip() ? 1 : -1) * kStops[grade], lift.holdBrightness = false;
    c.look.steps.push_back(stepOf(lift));
    return true;
}

bool banded(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kSlope{1.1, 2.9, 3.6, 4.4};
    // A wall that goes over from tone to tone, in the file's 256 codes.
    const double from = random.between(90, 130);
    paint(c.picture, [&](double x, double y, const LinearRgb& is) {
        return y < 0.5 ? grey(std::round(from + 16 * x + 6 * y)) : is;
    });
    ToneCurve steep;
    const double middle = (from + 10) / 255, reach = 0.08;
    const double tone = std::cbrt(decodeComponent(RgbSpace::Srgb, middle));
    const double half = std::min(0.45, kSlope[grade] * reach);
    steep.all = {
        {0, 0}, {tone - reach, std::max(0.02, tone - half)}, {tone + reach, std::min(0.98, tone + half)}, {1, 1}};
    c.look.steps.push_back(stepOf(steep));
    return true;
}

bool haloed(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kStops{0.02, 0.5, 0.7, 1.0};
    // A dark roof before a light sky, and a light border along it, as careless local work leaves it.
    const double line = random.between(0.4, 0.6);
    paint(c.picture, [&](double, double y, const LinearRgb& is) {
        const OkLab lab = toOkLab(is);
        return y < line ? toLinearRgb(OkLab{0.72 + 0.1 * lab.L, 0.2 * lab.a, 0.2 * lab.b - 0.02})
                        : toLinearRgb(OkLab{0.15 + 0.25 * lab.L, lab.a, lab.b});
    });
    Area border;
    Stroke stroke;
    for (int i = 0; i <= 20; ++i)
        stroke.points.push_back({{i / 20.0, line - 0.006}, 1});
    stroke.radius = 0.014, stroke.softness = 0.6;
    border.parts.push_back({AreaPart::Join::Add, stroke, false, 1});
    c.areas["border"] = border;
    c.look.roles.push_back({"border", Role::Kind::Free, {}, 1, {}});
    Step lift = stepOf(Contrast{});
    std::get<Contrast>(lift.parameters).exposure = kStops[grade];
    std::get<Contrast>(lift.parameters).holdBrightness = false;
    lift.guard.where.role = "border";
    c.look.steps.push_back(lift);
    return true;
}

bool sharpenedTwice(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kAmount{0.15, 2, 2.6, 3.5};
    // Plain shapes, so that there are edges to tell by.
    for (int i = 0; i < 14; ++i)
        disc(c.picture, {random.between(0.05, 0.95), random.between(0.05, 0.95)}, 0.006,
             fromLab({random.flip() ? 25. : 75., random.between(-8, 8), random.between(-8, 8)}));
    blur(c.picture, {}, 0.8);
    sharpen(c.picture, kAmount[grade]);
    OutputSharpening output;
    output.amount = 1;
    c.look.steps.push_back(stepOf(output));
    return true;
}

bool turned(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kDegrees{0.3, 1.4, 2.5, 5};
    Geometry geometry;
    geometry.straightenDegrees = (random.flip() ? 1 : -1) * kDegrees[grade];
    const double ratio = static_cast<double>(c.picture.width()) / c.picture.height();
    const Standing before = measureStanding(c.picture.view());
    if (!before.uprightTilt || std::abs(*before.uprightTilt) > 0.25)
        return false;
    geometry.crop = inscribedCrop({}, geometry, ratio, 0);
    c.picture = placed(std::move(c.picture), {}, geometry);
    return true;
}

bool noisy(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kDeviation{0.012, 0.065, 0.09, 0.13};
    std::mt19937_64 engine(static_cast<std::uint64_t>(random.whole(1, 1 << 30)));
    std::normal_distribution<double> spread(0, kDeviation[grade]);
    paint(c.picture, [&](double, double, const LinearRgb& is) {
        const auto with = [&](double v) {
            return decodeComponent(
                RgbSpace::Srgb,
                std::clamp(encodeComponent(RgbSpace::Srgb, std::clamp(v, 0.0, 1.0)) + spread(engine), 0.0, 1.0));
        };
        return LinearRgb{with(is.r), with(is.g), with(is.b)};
    });
    return true;
}

bool softFace(CheckedPicture& c, int grade, Random&)
{
    constexpr Grades kBlur{0.3, 3.5, 5, 8};
    const std::vector<Face> faces = facesOf(c.picture.view());
    if (faces.empty() || faces.front().sureness < 0.6)
        return false;
    Region place = faces.front().place;
    const double w = place.right - place.left, h = place.bottom - place.top;
    place = {place.left - 0.3 * w, place.top - 0.4 * h, place.right + 0.3 * w, place.bottom + 0.4 * h};
    blur(c.picture, place, kBlur[grade] * std::max(c.picture.width(), c.picture.height()) / 900.0);
    return true;
}

bool otherLight(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kShare{0.0, 0.35, 0.5, 0.65};
    // Several frames of one scene of quiet colours; a part of this one in a far bluer light.
    for (int i = 0; i < 4; ++i)
        c.beside.push_back(c.picture);
    Balance blue;
    blue.kelvin = random.flip() ? 3600 : 11000;
    const bool fromLeft = random.flip();
    const Matrix3 m = balanceMatrix(blue);
    paint(c.picture, [&](double x, double, const LinearRgb& is) {
        return (fromLeft ? x : 1 - x) < kShare[grade] ? apply(m, is) : is;
    });
    return true;
}

bool inconsistent(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kOff{1.5, 9, 14, 22};
    const Spot at = somewhere(random);
    const Lab glaze{55, 25, 30};
    const double turn = random.between(0, 6.283);
    Image lead = c.picture;
    disc(lead, at, 0.01, fromLab(glaze));
    c.beside.push_back(lead);
    disc(c.picture, at, 0.01,
         fromLab({glaze.l, glaze.a + kOff[grade] * std::cos(turn), glaze.b + kOff[grade] * std::sin(turn)}));
    c.keys.push_back(keyAt(lead, "glaze", around(at, 0.02)));
    return true;
}

/// A thing whose swatch is another colour than it comes to.
bool offItsSwatch(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kOff{1.2, 6.5, 10, 16};
    const Spot at = somewhere(random);
    const LinearRgb glaze = fromLab({random.between(45, 65), 4, 8});
    disc(c.picture, at, 0.01, glaze);
    c.keys.push_back(keyAt(c.picture, "celadon", around(at, 0.02)));
    Lab target = toLab(evaluate(c.look, glaze));
    const double turn = random.between(0, 6.283);
    target.a += kOff[grade] * std::cos(turn), target.b += kOff[grade] * std::sin(turn);
    c.keys.back().target = target;
    return true;
}

/// An area that comes again on another frame in another colour.
Maker cameAgain(const char* role, Role::Kind kind, Lab is, Grades off)
{
    return [=](CheckedPicture& c, int grade, Random& random) {
        const Spot at = somewhere(random);
        const double turn = random.between(0, 6.283);
        Image lead = c.picture;
        disc(lead, at, 0.03, fromLab(is));
        c.beside.push_back(lead);
        disc(c.picture, at, 0.03,
             fromLab({is.l, is.a + off[static_cast<std::size_t>(grade)] * std::cos(turn),
                      is.b + off[static_cast<std::size_t>(grade)] * std::sin(turn)}));
        c.areas[role] = ellipseArea(at, 0.06, 0.06, 0.02);
        c.look.roles.push_back({role, kind, {}, 1, {}});
        return true;
    };
}

Maker discOf(const Grades& shares, double code)
{
    return [shares, code](CheckedPicture& c, int grade, Random& random) {
        disc(c.picture, somewhere(random), shares[static_cast<std::size_t>(grade)], grey(code));
        return true;
    };
}

bool ranAway(CheckedPicture& c, int grade, Random& random)
{
    constexpr Grades kFactor{1.0, 2.0, 2.3, 2.5};
    // Leaves in the shade.
    const double hue = random.between(125, 150);
    paint(c.picture, [&](double x, double y, const LinearRgb& is) {
        return y > 0.6
                   ? toLinearRgb(toOkLab(OkLch{0.3 + 0.2 * std::pow(std::sin(30 * x) * std::cos(20 * y), 2), 0.1, hue}))
                   : is;
    });
    Chroma more;
    more.even = kFactor[grade];
    c.look.steps.push_back(stepOf(more));
    return true;
}

const std::map<std::string, Maker>& makers()
{
    static const std::map<std::string, Maker> all{
        {"bare-paper", discOf({0.015, 0.035, 0.06, 0.12}, 255)},
        {"blocked-blacks", discOf({0.03, 0.08, 0.12, 0.2}, 0)},
        {"near-clipping", discOf({0.02, 0.055, 0.1, 0.18}, 252)},
        {"casts", tintedGrey},
        {"mixed-light", otherLight},
        {"skin", movedSkin},
        {"runaway-chroma", ranAway},
        {"torn-hues", tornHues},
        {"off-plan", offPlan},
        {"separation", sunkSubject},
        {"distractors", distractor},
        {"contrast-price", roughSkin},
        {"brightness", drifted},
        {"banding", banded},
        {"halo", haloed},
        {"doubled-sharpening", sharpenedTwice},
        {"tilt", turned},
        {"noise", noisy},
        {"focus", softFace},
        {"consistency", inconsistent},
        {"swatch", offItsSwatch},
        {"same-person", cameAgain("Ada's hands", Role::Kind::Skin, {60, 15, 20}, {1.5, 12, 16, 24})},
        {"same-backdrop", cameAgain("paper", Role::Kind::Ground, {70, 2, 6}, {1, 7, 11, 16})}};
    return all;
}

ReducedPicture asRead(const Image& picture)
{
    ReducedPicture read;
    read.info.format = "jpeg", read.info.width = picture.width(), read.info.height = picture.height();
    const Size size = fitted({picture.width(), picture.height()}, kLookEdge);
    read.image = reduceByArea(picture.view(), size.width, size.height);
    DetailTiles tiles({picture.width(), picture.height()}, kDetailEdge);
    tiles.take(0, picture.view());
    read.details = tiles.result();
    return read;
}

/// A calm look: a little contrast, a little less chroma.
Look calmLook()
{
    Look look;
    Contrast contrast;
    contrast.slope = 1.06;
    look.steps.push_back(stepOf(contrast));
    Chroma chroma;
    chroma.even = 0.96;
    look.steps.push_back(stepOf(chroma));
    return look;
}

}  // namespace

CheckedPicture cleanPicture(const Image& picture)
{
    CheckedPicture clean;
    clean.picture = picture, clean.look = calmLook();
    return clean;
}

std::optional<CheckedPicture> madeFault(const std::string& check, int grade, const Image& picture, std::uint64_t seed)
{
    CheckedPicture made = cleanPicture(picture);
    Random random(seed);
    const auto maker = makers().find(check);
    if (maker == makers().end() || !maker->second(made, grade, random))
        return std::nullopt;
    return made;
}

FrameToCure frameOf(const CheckedPicture& checked, std::size_t index)
{
    FrameToCure made;
    ReadFrame& frame = made.frame;
    frame.frame = static_cast<std::int64_t>(index) + 1, frame.areas = checked.areas;
    frame.balance = index == 0 ? checked.balance : FrameBalance{};
    frame.name = PictureName(std::to_string(frame.frame)), frame.isLead = index == 1;
    for (const KeyColour& key : checked.keys)
        frame.places[key.name] = {key.place, 1};
    made.evidence = std::make_shared<const FrameEvidence>(
        frameEvidence(frame.frame, asRead(index == 0 ? checked.picture : checked.beside.at(index - 1))));
    return made;
}

FrameMeasured measuredOf(const CheckedPicture& checked, const std::string& check)
{
    std::vector<FrameMeasured> measured;
    std::vector<FrameSummary> summaries;
    const CheckKind* kind = checkKind(check);
    for (std::size_t i = 0; i <= checked.beside.size(); ++i) {
        const FrameToCure made = frameOf(checked, i);
        const CheckedFrame own(made.frame, *made.evidence, checked.look, checked.keys);
        measured.push_back(check.empty() ? measureFrame(own) : FrameMeasured{});
        summaries.push_back(summaryOf(own));
        if (kind && kind->measure)
            kind->measure(own, measured.back()[check]);
    }
    std::vector<FrameMeasured*> together;
    for (FrameMeasured& m : measured)
        together.push_back(&m);
    compareFrames(summaries, checked.keys, together);
    return measured.front();
}

Image withFaceOf(const Image& from, const Region& face, const Image& to, std::uint64_t seed)
{
    constexpr double kRoomAcross = 0.9, kRoomDown = 1.1;  // of the oval, in halves of the face
    Random random(seed);
    const double wide = random.between(0.12, 0.24) * to.width(), scale = wide / (face.right - face.left) / from.width(),
                 high = (face.bottom - face.top) * from.height() * scale, light = random.between(0.6, 1.2);
    const double cx = random.between(wide, to.width() - wide), cy = random.between(high, to.height() - high);
    // Reduced first: a pixel of it then tells of all it covers.
    const Image small = scale < 1 ? reduceByArea(from.view(), std::max(1, static_cast<int>(from.width() * scale)),
                                                 std::max(1, static_cast<int>(from.height() * scale)))
                                  : from;
    const double perPixel = scale < 1 ? 1 : 1 / scale;
    const double fx = (face.left + face.right) / 2 * small.width(), fy = (face.top + face.bottom) / 2 * small.height();
    Image out = to;
    for (int y = 0; y < to.height(); ++y)
        for (int x = 0; x < to.width(); ++x) {
            const double r = std::hypot((x - cx) / (kRoomAcross * wide), (y - cy) / (kRoomDown * high));
            const int sx = static_cast<int>(std::lround(fx + (x - cx) * perPixel)),
                      sy = static_cast<int>(std::lround(fy + (y - cy) * perPixel));
            if (r >= 1 || sx < 0 || sy < 0 || sx >= small.width() || sy >= small.height())
                continue;
            const double share = std::clamp((1 - r) / 0.1, 0.0, 1.0);
            const float* is = small.view().row(sy) + std::ptrdiff_t{3} * sx;
            float* at = out.mutableView().row(y) + std::ptrdiff_t{3} * x;
            for (int k = 0; k < 3; ++k)
                at[k] += static_cast<float>(share * (light * is[k] - at[k]));
        }
    return out;
}

Image paintedScene(std::uint64_t seed, int width, int height)
{
    Random random(seed);
    Image picture(width, height);
    const double table = random.between(0.55, 0.75);
    const OkLch wall{random.between(0.6, 0.8), random.between(0.01, 0.05), random.between(0, 360)},
        wood{random.between(0.3, 0.5), random.between(0.03, 0.07), random.between(40, 80)};
    const double pane = random.between(0.06, 0.1);
    paint(picture, [&](double x, double y, const LinearRgb&) {
        OkLch c = y < table ? wall : wood;
        c.L += (y < table ? 0.12 : 0.06) * (0.5 - x) - 0.05 * y;
        // A window whose bars are upright and level.
        if (y < table - 0.1 && y > 0.05 && x > 0.05 && x < 0.05 + 8 * pane &&
            std::abs(std::fmod(x - 0.05, pane) - pane / 2) > 0.42 * pane)
            c.L -= 0.2;
        return toLinearRgb(toOkLab(c));
    });
    for (int i = random.whole(4, 7); i > 0; --i)
        disc(picture, {random.between(0.1, 0.9), table + random.between(-0.06, 0.12)}, random.between(0.006, 0.03),
             toLinearRgb(
                 toOkLab(OkLch{random.between(0.35, 0.75), random.between(0.03, 0.11), random.between(0, 360)})));
    blur(picture, {}, 0.7);
    std::mt19937_64 engine(seed);
    std::normal_distribution<double> spread(0, 0.004);
    paint(picture, [&](double, double, const LinearRgb& is) {
        const double d = spread(engine);
        const auto with = [&](double v) {
            return decodeComponent(RgbSpace::Srgb,
                                   std::clamp(encodeComponent(RgbSpace::Srgb, std::clamp(v, 0.0, 1.0)) + d, 0.0, 1.0));
        };
        return LinearRgb{with(is.r), with(is.g), with(is.b)};
    });
    return picture;
}

}  // namespace amber::test
