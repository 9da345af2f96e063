// amber_shoot: takes the pictures of the demo shoot from its rendered scenes.
//
//   amber_shoot --renders DIR --to DEMO
//
// reads DEMO/shoot/shoot.json, and for every frame in it DIR/<render>.exr (scene-linear) and DIR/<render>.json (where
// the card's patches lie); writes DEMO/frames/*.jpg, DEMO/raw/*.dng, DEMO/truth.json and the extra pictures. The same
// every time.
//
//   amber_shoot --manifest --to DEMO
//
// writes DEMO/manifest.json: hash, bytes and, of pictures, size, profile and time of every shipped file.
#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/colour/rgb_space.h"
#include "core/image/metadata.h"
#include "core/image/read.h"
#include "demo/camera/develop.h"
#include "demo/camera/finish.h"
#include "demo/camera/lens.h"

#include <CLI/CLI.hpp>
#include <OpenImageIO/imageio.h>
#include <array>
#include <cmath>
#include <iostream>
#include <map>
#include <nlohmann/json.hpp>
#include <optional>

namespace amber::demo {
namespace {

namespace fs = std::filesystem;
using Json = nlohmann::ordered_json;

Result<Image> readScene(const fs::path& path)
{
    const auto input = OIIO::ImageInput::open(path.string());
    if (!input || input->spec().nchannels < 3)
        return fail("cannot be read: " + OIIO::geterror(), path.string());
    Image image(input->spec().width, input->spec().height);
    if (!input->read_image(0, 0, 0, 3, OIIO::TypeDesc::FLOAT, image.mutableView().data))
        return fail("cannot be read: " + input->geterror(), path.string());
    return image;
}

Result<Json> readJson(const fs::path& path)
{
    const auto text = readWholeFile(path, 10'000'000);
    if (!text)
        return tl::make_unexpected(text.error());
    Json json = Json::parse(*text, nullptr, false);
    if (json.is_discarded())
        return fail("is not JSON", path.string());
    return json;
}

LinearRgb meanOfDisc(ImageView scene, double cx, double cy, double radius)
{
    double sum[3] = {}, count = 0;
    for (int y = std::max(0, static_cast<int>(cy - radius));
         y <= std::min(scene.height - 1, static_cast<int>(cy + radius)); ++y)
        for (int x = std::max(0, static_cast<int>(cx - radius));
             x <= std::min(scene.width - 1, static_cast<int>(cx + radius)); ++x)
            if (std::hypot(x + 0.5 - cx, y + 0.5 - cy) <= radius) {
                for (int k = 0; k < 3; ++k)
                    sum[k] += scene.row(y)[3 * x + k];
                ++count;
            }
    return {sum[0] / count, sum[1] / count, sum[2] / count};
}

constexpr double kInnerPart = 0.6;  // of a patch's radius: its soft edge stays out

Json patchesOf(ImageView scene, const Json& card)
{
    Json patches = Json::object();
    for (const auto& [name, place] : card["patches"].items()) {
        const double x = place[0], y = place[1], r = kInnerPart * place[2].get<double>();
        const LinearRgb c = meanOfDisc(scene, x, y, r);
        const auto six = [](double v) { return std::round(v * 1e6) / 1e6; };
        patches[name] = {
            {"x", x}, {"y", y}, {"radius", std::round(r * 100) / 100}, {"scene", {six(c.r), six(c.g), six(c.b)}}};
    }
    return patches;
}

/// The white of the light on the card: what its middle grey throws back, with Y = 1.
std::optional<Xyz> whiteOnCard(const Json& patches)
{
    if (!patches.contains("middle"))
        return std::nullopt;
    const auto& c = patches["middle"]["scene"];
    const Matrix3& m = rgbToXyz(RgbSpace::Srgb);
    const LinearRgb xyz = apply(m, {c[0], c[1], c[2]});
    return Xyz{xyz.r / xyz.g, 1, xyz.b / xyz.g};
}

Json chromaticity(const Xyz& white)
{
    const double sum = white.x + white.y + white.z;
    const auto five = [](double v) { return std::round(v * 1e5) / 1e5; };
    return {five(white.x / sum), five(white.y / sum)};
}

Lens lensOf(const Json& frame)
{
    Lens lens;
    const Json given = frame.value("lens", Json::object());
    lens.falloffStops = given.value("falloffStops", 0.0);
    lens.distortion = given.value("distortion", 0.0);
    lens.redFringe = given.value("redFringe", 0.0), lens.blueFringe = given.value("blueFringe", 0.0);
    lens.zoom = given.value("zoom", 1.0);
    lens.shiftX = given.value("shiftX", 0.0);
    lens.shiftY = given.value("shiftY", 0.0);
    lens.lowPass = 0.17;  // against coloured moire in linen
    return lens;
}

struct Shoot {
    Json list;
    fs::path renders, to;
    std::map<std::string, Xyz> whites;  // by group, from its card
    std::map<std::string, int>
        numbers;  // of every exposure within its group, in the list's order, whichever are taken now
    Json truth = Json::array();
};

std::string timeOf(const Json& group, int number)
{
    const int minute = group["begins"][1].get<int>() + 3 * number;
    char text[32];
    std::snprintf(text, sizeof text, "%s %02d:%02d:%02d", group["day"].get<std::string>().c_str(),
                  group["begins"][0].get<int>() + minute / 60, minute % 60, (number * 17) % 60);
    return text;
}

/// The exposure an entry shows: its own, or the one it shares (a finish changes the picture, not the exposure).
std::string exposureOf(const Json& entry) { return entry.value("same_exposure_as", entry["name"].get<std::string>()); }

/// The picture of one entry of the list: scene, lens, exposure, raw file, the camera's plain rendering.
struct Taken {
    CameraNotes notes;
    Image rendering;
    Image clean;  // the same without noise, when its truth is wanted
    Json patches = Json::object(), marks, stands;
    double kelvin = 0;
    Xyz white;
};

CameraNotes notesOf(const Shoot& shoot, const Json& frame, const std::string& exposed)
{
    const double stops = frame["stops"];
    const Json& settings = shoot.list["groups"][frame["group"].get<std::string>()];
    CameraNotes notes;
    notes.description = frame["name"];
    notes.time = timeOf(settings, shoot.numbers.at(exposed));
    notes.iso = frame.value("iso", settings["iso"].get<int>());
    notes.aperture = settings["aperture"];
    notes.lens = frame.value("lens_name", notes.lens), notes.focalLength = frame.value("focal", notes.focalLength);
    notes.protectedStops = frame.value("protects", 0.0);
    // More sensitive, as much shorter: the noise is all that differs.
    notes.shutterSeconds = settings["shutter"].get<double>() * std::exp2(stops - frame.value("protects", 0.0)) *
                           settings["iso"].get<double>() / notes.iso;
    notes.asShotKelvin = frame.value("as_shot", settings["as_shot"].get<double>());
    return notes;
}

/// The camera's plain rendering of what its lens threw, by way of the raw file.
Result<Image> rendered(ImageView thrown, const Exposure& how, const CameraNotes& notes, const fs::path& file)
{
    const Sensor sensor;
    if (auto written = writeDng(file, expose(thrown, sensor, how), sensor, notes); !written)
        return tl::make_unexpected(written.error());
    const auto seen = readRaw(file);
    return seen ? Result<Image>(plainRendering(seen->view(), sensor, notes.asShotKelvin, notes.protectedStops))
                : tl::make_unexpected(seen.error());
}

/// The light on the scene and what its card is made of, by the render.
void light(Shoot& shoot, const Json& frame, const Json& card, Image& scene, Taken& taken)
{
    const std::string group = frame["group"];
    const Json& settings = shoot.list["groups"][group];
    taken.kelvin = frame.value("light_kelvin", settings["kelvin"].get<double>());
    if (!card.is_null())
        taken.patches = patchesOf(scene.view(), card), taken.marks = card["marks"];
    if (const auto white = whiteOnCard(taken.patches))
        shoot.whites.emplace(group, *white);
    taken.white = shoot.whites.count(group) ? shoot.whites[group] : lightOf(taken.kelvin);
    if (frame.contains("light_kelvin")) {
        const Xyz from = lightOf(settings["kelvin"]), to = lightOf(taken.kelvin);
        changeLight(scene, from, to);
        taken.white = {taken.white.x * to.x / from.x, 1, taken.white.z * to.z / from.z};
    }
}

Result<Taken> take(Shoot& shoot, const Json& frame, const fs::path& dng)
{
    const std::string exposed = exposureOf(frame), render = frame["render"];
    auto scene = readScene(shoot.renders / (render + ".exr"));
    const auto placed = readJson(shoot.renders / (render + ".json"));
    if (!scene)
        return tl::make_unexpected(scene.error());
    if (!placed)
        return tl::make_unexpected(placed.error());
    Taken taken;
    taken.stands = placed->value("stands", Json());
    light(shoot, frame, (*placed)["card"], *scene, taken);
    const CameraNotes& notes = taken.notes = notesOf(shoot, frame, exposed);
    const double stops = frame["stops"].get<double>() - notes.protectedStops;
    const Exposure exposure{stops, notes.iso, std::stoull(contentHash(exposed).substr(0, 15), nullptr, 16), true};
    const Image thrown = throughLens(scene->view(), lensOf(frame));
    if (frame.contains("iso")) {
        Exposure quiet = exposure;
        quiet.noise = false;
        const fs::path file = fs::temp_directory_path() / "amber-quiet.dng";
        auto clean = rendered(thrown.view(), quiet, notes, file);
        fs::remove(file);
        if (!clean)
            return tl::make_unexpected(clean.error());
        taken.clean = std::move(*clean);
    }
    auto rendering = rendered(thrown.view(), exposure, notes, dng);
    if (!rendering)
        return tl::make_unexpected(rendering.error());
    taken.rendering = std::move(*rendering);
    return taken;
}

/// y = (r + 2 g + b) / 4, r - g and b - g of encoded sRGB.
std::array<double, 3> apartOf(ImageView picture, int x, int y)
{
    const float* p = picture.row(y) + 3 * x;
    const EncodedRgb e = encode(RgbSpace::Srgb, {p[0], p[1], p[2]});
    return {(e.r + 2 * e.g + e.b) / 4, e.r - e.g, e.b - e.g};
}

/// Whether the scene is even round a pixel: what differs there is noise, and not an edge that JPEG could not hold.
bool isFlat(ImageView clean, int x, int y)
{
    constexpr int kRound = 4;
    constexpr double kEven = 0.02;
    if (x < kRound || y < kRound || x >= clean.width - kRound || y >= clean.height - kRound)
        return false;
    const auto here = apartOf(clean, x, y);
    for (int v = -kRound; v <= kRound; v += 2)
        for (int u = -kRound; u <= kRound; u += 2)
            for (std::size_t k = 0; k < 3; ++k)
                if (std::abs(apartOf(clean, x + u, y + v)[k] - here[k]) > kEven)
                    return false;
    return true;
}

/// The noise in the even places of a written picture, against its rendering without any: standard deviations by eighths
/// of the tone axis, of lightness and of both colours together.
Result<Json> noiseOf(const fs::path& file, ImageView clean)
{
    const auto noisy = readPicture(file);
    if (!noisy)
        return tl::make_unexpected(noisy.error());
    constexpr std::size_t kTones = 8;
    double light[kTones] = {}, colour[kTones] = {}, count[kTones] = {};
    for (int y = 0; y < clean.height; ++y)
        for (int x = 0; x < clean.width; ++x) {
            if (!isFlat(clean, x, y))
                continue;
            const std::array<double, 3> v[2] = {apartOf(clean, x, y), apartOf(noisy->image.view(), x, y)};
            const auto tone = static_cast<std::size_t>(std::clamp(v[0][0], 0.0, 0.999) * kTones);
            const auto square = [](double d) { return d * d; };
            light[tone] += square(v[1][0] - v[0][0]), ++count[tone];
            colour[tone] += (square(v[1][1] - v[0][1]) + square(v[1][2] - v[0][2])) / 2;
        }
    Json noise{{"lightness", Json::array()}, {"colour", Json::array()}};
    for (std::size_t i = 0; i < kTones; ++i)
        for (const auto& [name, sum] : {std::pair("lightness", light[i]), std::pair("colour", colour[i])})
            noise[name].push_back(count[i] > 2000 ? std::round(1e6 * std::sqrt(sum / count[i])) / 1e6 : 0);
    return noise;
}

Status takeFrame(Shoot& shoot, const Json& frame)
{
    const std::string name = frame["name"];
    const bool keepsRaw = frame.value("raw", false);
    const fs::path dng = (keepsRaw ? shoot.to / "raw" : fs::temp_directory_path()) / (name + ".dng");
    const auto taken = take(shoot, frame, dng);
    if (!keepsRaw)
        fs::remove(dng);
    if (!taken)
        return tl::make_unexpected(taken.error());
    Json entry = {{"name", name},
                  {"group", frame["group"]},
                  {"render", frame["render"]},
                  {"stops", frame["stops"]},
                  {"kelvin", taken->kelvin},
                  {"as_shot_kelvin", taken->notes.asShotKelvin},
                  {"white", chromaticity(taken->white)}};
    for (const char* fact :
         {"bracket", "mixed", "clipped", "tilt_degrees", "lens", "lens_name", "iso", "protects", "note"})
        if (frame.contains(fact))
            entry[fact] = frame[fact];
    if (const Json& people = shoot.list["people"]; people.contains(entry["render"].get<std::string>()))
        entry["person"] = people[entry["render"].get<std::string>()];
    if (frame["group"] == "shop-front" && !taken->stands.is_null())
        entry["stands"] = taken->stands;
    if (!taken->patches.empty())
        entry["patches"] = taken->patches, entry["marks"] = taken->marks;
    const fs::path file = shoot.to / "frames" / (name + ".jpg");
    if (const Status written = writeCameraJpeg(file, taken->rendering.view(), taken->notes); !written)
        return written;
    if (!taken->clean.isEmpty()) {
        const auto noise = noiseOf(file, taken->clean.view());
        if (!noise)
            return tl::make_unexpected(noise.error());
        entry["noise"] = *noise;
    }
    shoot.truth.push_back(entry);
    return {};
}

/// The reference and the before/after pair: a rendering, with a finish when the list gives one.
Status takeExtra(Shoot& shoot, const Json& extra)
{
    const std::string file = extra["file"];
    const fs::path dng = fs::temp_directory_path() / "amber-extra.dng";
    auto taken = take(shoot, extra, dng);
    fs::remove(dng);
    if (!taken)
        return tl::make_unexpected(taken.error());
    if (extra.contains("finish")) {
        const Json& given = extra["finish"];
        Finish finish;
        for (std::size_t i = 0; i < 9; ++i)
            finish.mix.m[i / 3][i % 3] = given["mix"][i];
        for (std::size_t i = 0; i < 3; ++i)
            finish.veil[i] = given["veil"][i];
        finish.relief = given["relief"], finish.radius = given["radius"], finish.cornerStops = given["cornerStops"];
        taken->rendering = finished(taken->rendering.view(), finish);
    }
    fs::create_directories((shoot.to / file).parent_path());
    return writeCameraJpeg(shoot.to / file, taken->rendering.view(), taken->notes);
}

/// Every shipped file of the demo, in order of name.
int writeManifest(const fs::path& demo)
{
    std::vector<fs::path> files;
    for (const char* folder :
         {"frames", "raw", "looks", "tables", "profiles", "reference", "pair", "card", "lenses", "areas"})
        for (const auto& entry : fs::directory_iterator(demo / folder))
            files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    std::string text = "{\n";
    for (const fs::path& file : files) {
        Json facts = {{"hash", contentHashOfFile(file).value_or("")}, {"bytes", fs::file_size(file)}};
        if (const auto info = readPictureInfo(file); file.extension() == ".jpg" && info)
            facts.update(Json{{"width", info->width},
                              {"height", info->height},
                              {"profile", info->profile.title},
                              {"time", captureTime(file)}});
        text += (text.size() > 2 ? ",\n " : " ") + Json(fs::relative(file, demo).string()).dump() + ": " + facts.dump();
    }
    fs::remove(demo / "manifest.json");
    const auto written = writeFileAtomically(demo / "manifest.json", text + "\n}\n");
    if (!written)
        std::cerr << "amber_shoot: " << written.error().message() << "\n";
    return written ? 0 : 1;
}

/// What is known of the other frames stays; all stand in the list's order.
void mergeTruth(Shoot& shoot)
{
    const auto known = readJson(shoot.to / "truth.json");
    const auto in = [](const Json& all, const std::string& name) -> const Json* {
        for (const Json& entry : all)
            if (entry["name"] == name)
                return &entry;
        return nullptr;
    };
    Json merged = Json::array();
    for (const Json& frame : shoot.list["frames"]) {
        const Json* entry = in(shoot.truth, frame["name"]);
        if (!entry && known)
            entry = in((*known)["frames"], frame["name"]);
        if (entry)
            merged.push_back(*entry);
    }
    shoot.truth = std::move(merged);
}

Status writeTruth(const Shoot& shoot)
{
    std::string text = "{\n \"about\": \"What is known of the demo shoot because it is made. Tests are scored "
                       "against it; the application never reads it. "
                       "scene: linear BT.709 before the exposure; white: CIE xy of the light on the card; radius: "
                       "of the part that was averaged.\",\n \"frames\": [\n";
    for (std::size_t i = 0; i < shoot.truth.size(); ++i)
        text += "  " + shoot.truth[i].dump() + (i + 1 < shoot.truth.size() ? ",\n" : "\n");
    fs::remove(shoot.to / "truth.json");  // made by this program, like what takes its place
    return writeFileAtomically(shoot.to / "truth.json", text + " ]\n}\n");
}

int run(const fs::path& renders, const fs::path& to, const std::vector<std::string>& only)
{
    const auto list = readJson(to / "shoot/shoot.json");
    if (!list) {
        std::cerr << "amber_shoot: " << list.error().message() << "\n";
        return 1;
    }
    Shoot shoot{*list, renders, to, {}, {}, Json::array()};
    std::map<std::string, int> inGroup;
    for (const char* part : {"frames", "extras"})
        for (const Json& entry : shoot.list[part])
            if (exposureOf(entry) == entry["name"])
                shoot.numbers[entry["name"]] = inGroup[entry["group"]]++;
    fs::create_directories(to / "frames");
    fs::create_directories(to / "raw");
    int failed = 0;
    const auto takeAll = [&](const char* part, Status (*takeOne)(Shoot&, const Json&)) {
        for (const Json& entry : shoot.list[part]) {
            const std::string name = entry["name"];
            if (!only.empty() && std::find(only.begin(), only.end(), name) == only.end())
                continue;
            if (const Status status = takeOne(shoot, entry); !status) {
                std::cerr << "amber_shoot: " << name << ": " << status.error().message() << "\n";
                ++failed;
            }
        }
    };
    takeAll("frames", takeFrame), takeAll("extras", takeExtra);
    if (failed == 0) {
        if (!only.empty())
            mergeTruth(shoot);
        if (const Status written = writeTruth(shoot); !written) {
            std::cerr << "amber_shoot: " << written.error().message() << "\n";
            return 1;
        }
    }
    return failed ? 1 : 0;
}

}  // namespace
}  // namespace amber::demo

int main(int argc, char** argv)
{
    CLI::App app("Takes the pictures of the demo shoot from its rendered scenes");
    std::string renders, to;
    std::vector<std::string> only;
    bool manifest = false;
    app.add_option("--renders", renders, "The folder with the rendered scenes");
    app.add_flag("--manifest", manifest, "Write the manifest of what is there; takes no pictures");
    app.add_option("--to", to, "The demo folder")->required();
    app.add_option("frames", only, "Only these frames; what truth.json knows of the others stays");
    CLI11_PARSE(app, argc, argv);
    try {
        return manifest ? amber::demo::writeManifest(to) : amber::demo::run(renders, to, only);
    } catch (const std::exception& error) {  // a key or a folder that is not there
        std::cerr << "amber_shoot: " << error.what() << "\n";
        return 1;
    }
}
