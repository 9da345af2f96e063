#include "tests/support/area_truth.h"

#include "core/base/json_text.h"

#include <OpenImageIO/imageio.h>
#include <algorithm>
#include <cmath>
#include <fstream>
#include <map>
#include <set>
#include <stdexcept>

namespace amber::test {
namespace {

namespace fs = std::filesystem;
const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";

/// By their numbers in truth.py.
const std::map<std::string, int> kParts{
    {"vase", 1},        {"leaf", 2},     {"bowl", 3},       {"lemon", 4},         {"cloth", 5},       {"cup_amber", 6},
    {"cup_celadon", 7}, {"plate", 8},    {"small_bowl", 9}, {"jug", 10},          {"skin", 11},       {"sleeve", 12},
    {"card", 13},       {"candle", 14},  {"flame", 15},     {"table", 20},        {"wall", 21},       {"hills", 22},
    {"sky", 23},        {"foliage", 24}, {"hair", 30},      {"person_cloth", 31}, {"person_skin", 32}};

const Json& frameOf(const std::string& name)
{
    static const Json shoot = [] {
        std::ifstream file(kDemo / "shoot/shoot.json");
        return Json::parse(file);
    }();
    for (const Json& frame : shoot["frames"])
        if (frame["name"] == name)
            return frame;
    throw std::runtime_error("no frame " + name);
}

/// What each pixel of a frame shows, as its lens threw it.
struct Ids {
    int width = 0, height = 0;
    std::vector<std::uint8_t> things, parts;
};

Ids idsOf(const std::string& name)
{
    const Json& frame = frameOf(name);
    const fs::path path = kDemo / "truth" / (frame["render"].get<std::string>() + ".png");
    const auto in = OIIO::ImageInput::open(path.string());
    if (!in)
        throw std::runtime_error("no truth " + path.string());
    const auto& spec = in->spec();
    std::vector<std::uint8_t> pixels(static_cast<std::size_t>(spec.width) * spec.height * spec.nchannels);
    in->read_image(0, 0, 0, spec.nchannels, OIIO::TypeDesc::UINT8, pixels.data());
    const Json lens = frame.value("lens", Json::object());
    const double bow = lens.value("distortion", 0.0), zoom = lens.value("zoom", 1.0), aside = lens.value("shiftX", 0.0),
                 down = lens.value("shiftY", 0.0);
    Ids ids{spec.width, spec.height, {}, {}};
    const double half = std::hypot(spec.width, spec.height) / 2;
    for (int y = 0; y < spec.height; ++y)
        for (int x = 0; x < spec.width; ++x) {
            const double u = (x + 0.5 - spec.width / 2.0) / half, v = (y + 0.5 - spec.height / 2.0) / half,
                         s = (1 + bow * (u * u + v * v)) / zoom;
            const int fx = static_cast<int>(std::floor((0.5 + aside) * spec.width + half * u * s)),
                      fy = static_cast<int>(std::floor((0.5 + down) * spec.height + half * v * s));
            const std::uint8_t* p =
                pixels.data() + (static_cast<std::size_t>(std::clamp(fy, 0, spec.height - 1)) * spec.width +
                                 static_cast<std::size_t>(std::clamp(fx, 0, spec.width - 1))) *
                                    static_cast<std::size_t>(spec.nchannels);
            ids.things.push_back(static_cast<std::uint8_t>(std::lround((p[0] - 8) / 8.0)));
            ids.parts.push_back(static_cast<std::uint8_t>(std::lround(p[1] / 5.0)));
        }
    return ids;
}

}  // namespace

std::vector<std::string> demoFrames()
{
    std::ifstream file(kDemo / "shoot/shoot.json");
    const Json shoot = Json::parse(file);
    std::vector<std::string> names;
    for (const Json& frame : shoot["frames"])
        if (fs::exists(kDemo / "truth" / (frame["render"].get<std::string>() + ".png")) &&
            fs::exists(demoPicture(frame["name"])))
            names.push_back(frame["name"]);
    return names;
}

fs::path demoPicture(const std::string& frame) { return kDemo / "frames" / (frame + ".jpg"); }

std::string sceneOf(const std::string& frame) { return frameOf(frame)["render"]; }

FoundMask truthOf(const std::string& frame, const std::string& part, int thing)
{
    const Ids ids = idsOf(frame);
    const int wanted = kParts.at(part);
    FoundMask mask{ids.width, ids.height, {}};
    for (std::size_t i = 0; i < ids.parts.size(); ++i)
        mask.weights.push_back(ids.parts[i] == wanted && (thing == 0 || ids.things[i] == thing) ? 255 : 0);
    return mask;
}

std::vector<TrueThing> thingsOf(const std::string& frame, double leastShare)
{
    const Ids ids = idsOf(frame);
    std::map<std::pair<int, int>, int> counts;
    for (std::size_t i = 0; i < ids.parts.size(); ++i)
        if (ids.things[i] > 0)
            ++counts[{ids.things[i], ids.parts[i]}];
    const std::set<std::string> kNoThings{"leaf", "card", "flame", "candle"};
    std::vector<TrueThing> things;
    for (const auto& [key, count] : counts)
        for (const auto& [part, number] : kParts)
            if (number == key.second && !kNoThings.contains(part) &&
                count >= leastShare * static_cast<double>(ids.parts.size()))
                things.push_back({part, key.first});
    return things;
}

double shareOf(const FoundMask& mask)
{
    return static_cast<double>(
               std::count_if(mask.weights.begin(), mask.weights.end(), [](auto w) { return w > 127; })) /
           static_cast<double>(std::max<std::size_t>(1, mask.weights.size()));
}

double overlapOf(const FoundMask& found, const FoundMask& truth)
{
    std::size_t both = 0, any = 0;
    for (int y = 0; y < truth.height; ++y)
        for (int x = 0; x < truth.width; ++x) {
            const bool a = found.weights[static_cast<std::size_t>(y * found.height / truth.height) * found.width +
                                         x * found.width / truth.width] > 127,
                       b = truth.weights[static_cast<std::size_t>(y) * truth.width + x] > 127;
            both += a && b, any += a || b;
        }
    return any == 0 ? 1 : static_cast<double>(both) / static_cast<double>(any);
}

}  // namespace amber::test
