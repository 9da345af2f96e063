#include "core/frame/frame_balance.h"

#include "core/base/json_text.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/base/statistics.h"
#include "core/colour/rgb_space.h"
#include "core/image/bicubic.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

constexpr double kRadians = std::numbers::pi / 180;

/// Turned picture to source, in units of half the height round the middle.
Spot toSource(const Geometry& g, Spot p)
{
    const double c = std::cos(g.straightenDegrees * kRadians), s = std::sin(g.straightenDegrees * kRadians);
    const Spot turned{c * p.x + s * p.y, -s * p.x + c * p.y};
    const double w = 1 + g.leanUp * turned.y - g.leanAside * turned.x;
    return {turned.x / w, turned.y / w};
}

Spot fromSource(const Geometry& g, Spot q)
{
    // w = 1 + a y - b x with x = w qx, y = w qy.
    const double w = 1 / (1 - g.leanUp * q.y + g.leanAside * q.x);
    const Spot turned{q.x * w, q.y * w};
    const double c = std::cos(g.straightenDegrees * kRadians), s = std::sin(g.straightenDegrees * kRadians);
    return {c * turned.x - s * turned.y, s * turned.x + c * turned.y};
}

/// `light` is the geometry without its crop.
bool isInside(const Geometry& light, double ratio, double x, double y)
{
    const Spot q = toSource(light, {(2 * x - 1) * ratio, 2 * y - 1});
    return std::abs(q.x) <= ratio + 1e-9 && std::abs(q.y) <= 1 + 1e-9;
}

}  // namespace

Spot sourceOf(const Geometry& g, double ratio, Spot place)
{
    const double x = g.crop.left + place.x * (g.crop.right - g.crop.left),
                 y = g.crop.top + place.y * (g.crop.bottom - g.crop.top);
    const Spot q = toSource(g, {(2 * x - 1) * ratio, 2 * y - 1});
    return {(q.x / ratio + 1) / 2, (q.y + 1) / 2};
}

Spot placeOf(const Geometry& g, double ratio, Spot source)
{
    const Spot p = fromSource(g, {(2 * source.x - 1) * ratio, 2 * source.y - 1});
    return {((p.x / ratio + 1) / 2 - g.crop.left) / (g.crop.right - g.crop.left),
            ((p.y + 1) / 2 - g.crop.top) / (g.crop.bottom - g.crop.top)};
}

namespace {

Region carried(const Region& region, Spot to, double across, double down)
{
    const double w = (region.right - region.left) * across / 2, h = (region.bottom - region.top) * down / 2;
    return {to.x - w, to.y - h, to.x + w, to.y + h};
}

Spot middleOf(const Region& r) { return {(r.left + r.right) / 2, (r.top + r.bottom) / 2}; }

}  // namespace

Region regionInSource(const Geometry& g, double ratio, const Region& region)
{
    return g.isIdentity() ? region
                          : carried(region, sourceOf(g, ratio, middleOf(region)), g.crop.right - g.crop.left,
                                    g.crop.bottom - g.crop.top);
}

Region regionInPlaced(const Geometry& g, double ratio, const Region& region)
{
    return g.isIdentity() ? region
                          : carried(region, placeOf(g, ratio, middleOf(region)), 1 / (g.crop.right - g.crop.left),
                                    1 / (g.crop.bottom - g.crop.top));
}

Region inscribedCrop(const Geometry& geometry, double ratio, double wantedRatio)
{
    const double wanted = wantedRatio > 0 ? wantedRatio : ratio;
    const double wide = std::min(1.0, wanted / ratio), high = std::min(1.0, ratio / wanted);
    const auto fits = [&](double scale) {
        for (int i = 0; i <= 20; ++i) {
            const double t = scale * (i / 10.0 - 1) / 2, w = scale * wide / 2, h = scale * high / 2;
            for (const auto& [x, y] :
                 {std::pair(t * wide, -h), std::pair(t * wide, h), std::pair(-w, t * high), std::pair(w, t * high)})
                if (!isInside(geometry, ratio, 0.5 + x, 0.5 + y))
                    return false;
        }
        return true;
    };
    double low = 0.05, high1 = 1;
    if (fits(1))
        low = 1;
    for (int i = 0; i < 40 && low < 1; ++i) {
        const double middle = (low + high1) / 2;
        (fits(middle) ? low : high1) = middle;
    }
    return {0.5 - low * wide / 2, 0.5 - low * high / 2, 0.5 + low * wide / 2, 0.5 + low * high / 2};
}

Geometry croppedTo(const Geometry& geometry, double ratio, double wantedRatio)
{
    Geometry result = geometry;
    if (wantedRatio <= 0)
        return result;
    const Region& c = geometry.crop;
    const double width = c.right - c.left, height = c.bottom - c.top, own = width * ratio / height;
    const double w = width * std::min(1.0, wantedRatio / own), h = height * std::min(1.0, own / wantedRatio);
    const Spot middle = middleOf(c);
    result.crop = {middle.x - w / 2, middle.y - h / 2, middle.x + w / 2, middle.y + h / 2};
    return result;
}

void placedSize(const Geometry& g, int& width, int& height)
{
    width = std::max(1, static_cast<int>(std::lround(width * (g.crop.right - g.crop.left))));
    height = std::max(1, static_cast<int>(std::lround(height * (g.crop.bottom - g.crop.top))));
}

Image placed(Image picture, const Geometry& geometry)
{
    if (geometry.isIdentity())
        return picture;
    int width = picture.width(), height = picture.height();
    placedSize(geometry, width, height);
    Image out(width, height);
    const ImageView in = picture.view();
    const double ratio = static_cast<double>(in.width) / in.height;
    inParallel(height, [&](int y) {
        float* q = out.mutableView().row(y);
        for (int x = 0; x < width; ++x, q += 3) {
            const Spot at = sourceOf(geometry, ratio, {(x + 0.5) / width, (y + 0.5) / height});
            sampleBicubic(in, at.x * in.width - 0.5, at.y * in.height - 0.5, q);
        }
    });
    return out;
}

namespace {

/// An angle against the level, in degrees, and its weight.
using Vote = std::pair<double, double>;

/// Long straight edges near the level vote, by the square of their length; those of round things are short and point
/// all ways.
std::vector<Vote> levelVotes(ImageView small)
{
    constexpr double kReach = 10, kLeast = 0.05;  // degrees; shares of the width
    cv::Mat codes(small.height, small.width, CV_8U);
    for (int y = 0; y < small.height; ++y)
        for (int x = 0; x < small.width; ++x) {
            const float* p = small.row(y) + 3 * x;
            codes.at<std::uint8_t>(y, x) = static_cast<std::uint8_t>(
                std::lround(255 * std::cbrt(std::clamp(luminanceOf({p[0], p[1], p[2]}), 0.0, 1.0))));
        }
    std::vector<cv::Vec4f> lines;
    try {
        cv::createLineSegmentDetector(cv::LSD_REFINE_STD)->detect(codes, lines);
    } catch (const cv::Exception&) {
        return {};
    }
    std::vector<Vote> votes;
    for (const cv::Vec4f& l : lines) {
        const double dx = l[2] - l[0], dy = l[3] - l[1], length = std::hypot(dx, dy) / small.width;
        double angle = std::atan2(dy, dx) / kRadians;
        angle = angle > 90 ? angle - 180 : angle < -90 ? angle + 180 : angle;
        if (length > kLeast && std::abs(angle) < kReach)
            votes.emplace_back(angle, length * length);
    }
    return votes;
}

}  // namespace

std::optional<double> measuredTilt(ImageView picture)
{
    longCall("measuredTilt");
    // What does not hold together is no tilt.
    constexpr double kEnough = 0.02, kTogether = 0.7, kShare = 0.45;  // shares of the width; degrees; of the votes
    constexpr int kEdge = 1000;
    const Size size = fitted({picture.width, picture.height}, kEdge);
    const std::vector<Vote> votes = levelVotes(reduceByArea(picture, size.width, size.height).view());
    double total = 0, best = 0, most = 0, sum = 0;
    const auto within = [&](double middle) {
        double weights = 0;
        for (const auto& [angle, weight] : votes)
            weights += std::abs(angle - middle) < kTogether ? weight : 0;
        return weights;
    };
    for (const auto& [angle, weight] : votes) {
        total += weight;
        if (const double w = within(angle); w > most)
            most = w, best = angle;
    }
    if (total < kEnough || most < kShare * total)
        return std::nullopt;
    for (const auto& [angle, weight] : votes)
        sum += std::abs(angle - best) < kTogether ? weight * angle : 0;
    return -sum / most;
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

void applyLight(const FrameBalance& balance, const Response& response, MutableImageView picture)
{
    applyBalance(balance.light, response, picture);
    if (balance.ends == BalanceEnds{})
        return;
    const auto black = static_cast<float>(balance.ends.black),
               scale = static_cast<float>(1 / (balance.ends.white - balance.ends.black));
    inParallel(picture.height, [&](int y) {
        float* p = picture.row(y);
        for (int i = 0; i < 3 * picture.width; ++i)
            p[i] = (p[i] - black) * scale;
    });
}

Image balancedPicture(Image picture, const FrameBalance& balance, const Response& response)
{
    Image out = placed(std::move(picture), balance.geometry);
    applyLight(balance, response, out.mutableView());
    return out;
}

std::string frameBalanceToText(const FrameBalance& b)
{
    const Region& c = b.geometry.crop;
    return jsonText({{"stops", b.light.exposureStops},
                     {"kelvin", b.light.kelvin},
                     {"tint", b.light.tint},
                     {"black", b.ends.black},
                     {"white", b.ends.white},
                     {"straighten", b.geometry.straightenDegrees},
                     {"leanUp", b.geometry.leanUp},
                     {"leanAside", b.geometry.leanAside},
                     {"crop", {c.left, c.top, c.right, c.bottom}},
                     {"response", b.response},
                     {"exposureLocked", b.exposureLocked},
                     {"whiteLocked", b.whiteLocked},
                     {"endsLocked", b.endsLocked},
                     {"keyStops", b.keyStops},
                     {"because", b.because},
                     {"confidence", b.confidence}});
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
    if (!kept.wrong.empty())
        return fail("the balance cannot be read", kept.wrong, {}, jsonText(j[kept.wrong]).substr(0, 60));
    return b;
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
