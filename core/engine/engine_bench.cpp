// Speed of the engine, from a picture that fits the cache to 24 megapixels, beside memcpy of the same bytes in the same
// run.
#include "core/base/atomic_file.h"
#include "core/display/view_transform.h"
#include "core/engine/render_plan.h"
#include "core/handover/export.h"
#include "core/image/read.h"
#include "core/image/write.h"
#include "tests/support/random_look.h"

#include <benchmark/benchmark.h>
#include <cstring>
#include <tbb/global_control.h>
#include <turbojpeg.h>

namespace amber {
namespace {

using test::Random;

/// Widths of 3:2 pictures: 24 thousand pixels to 24 megapixels.
constexpr int kWidths[] = {192, 1500, 6000};

/// A photograph of the demo enlarged, with noise of a sensor, as real pictures have it: neighbours alike, no two equal.
const Image& picture(int width)
{
    static std::map<int, Image> all;
    static const auto photograph = readPicture(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/frames/yard-01.jpg");
    Image& image = all[width];
    if (!image.isEmpty())
        return image;
    if (!photograph) {
        std::fprintf(stderr, "amber_bench: %s\n", photograph.error().message().c_str());
        std::exit(2);
    }
    image = Image(width, width * 2 / 3);
    Random random(7);
    const ImageView from = photograph->image.view();
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < width; ++x)
            for (int k = 0; k < 3; ++k)
                image.mutableView().row(y)[3 * x + k] =
                    from.row(y * from.height / image.height())[3 * (x * from.width / width) + k] *
                    static_cast<float>(random.between(0.96, 1.04));
    return image;
}

/// Every pixel anywhere: the worst case for tables, whose samples are then never near those read before.
const Image& randomPicture(int width)
{
    static std::map<int, Image> all;
    Image& image = all[width];
    if (image.isEmpty())
        image = Random(7).picture(width, width * 2 / 3, 0.001, 0.95);
    return image;
}

void report(benchmark::State& state, const Image& image)
{
    const auto pixels = static_cast<std::int64_t>(image.width()) * image.height();
    state.SetItemsProcessed(state.iterations() * pixels);
    state.SetBytesProcessed(state.iterations() * pixels * 12);
}

void copy(benchmark::State& state)
{
    const Image& in = picture(static_cast<int>(state.range(0)));
    Image out(in.width(), in.height());
    for (auto _ : state) {
        std::memcpy(out.mutableView().data, in.view().data,
                    sizeof(float) * 3 * static_cast<std::size_t>(in.width()) * in.height());
        benchmark::ClobberMemory();
    }
    report(state, in);
}

Look lookOf(std::vector<StepParameters> kinds)
{
    Look look;
    for (StepParameters& parameters : kinds)
        look.steps.push_back({std::move(parameters), true, 1, {}, {}});
    return look;
}

/// Steps as a look in use has them.
ToneCurve aCurve()
{
    ToneCurve step;
    step.all = {{0, 0.03}, {0.2, 0.17}, {0.5, 0.52}, {0.8, 0.85}, {1, 0.98}};
    return step;
}
Ends someEnds()
{
    Ends step;
    step.black = 0.02, step.white = 0.97, step.floor = 0.03, step.ceiling = 0.99;
    return step;
}
SplitToning someDyes()
{
    SplitToning step;
    step.dyes = {{0.2, 255, 0.03, 0.5, {}}, {0.5, 60, 0.01, 0.4, {}}, {0.8, 75, 0.03, 0.5, {}}};
    return step;
}
HueShifts someHues()
{
    HueShifts step;
    step.families[1].move = {-6, 1.1, 0.01}, step.families[3].move = {12, 0.8, -0.02},
    step.families[5].move = {-9, 0.9, -0.03};
    return step;
}
Chroma someChroma()
{
    Chroma step;
    step.even = 0.95, step.reserved = 0.3, step.shelter = 0.8;
    return step;
}
LookupTable aTable(bool linear)
{
    LookupTable step = lookupTable(Random(9).table(0, 33), "33");
    if (linear)
        step.inputSpace = step.outputSpace = RgbSpace::Linear;
    return step;
}
Look fiveSteps() { return lookOf({someEnds(), aCurve(), someDyes(), someHues(), someChroma()}); }

void run(benchmark::State& state, const Look& look, int threads, const Image& (*source)(int) = picture)
{
    const tbb::global_control limit(tbb::global_control::max_allowed_parallelism, static_cast<std::size_t>(threads));
    const Image& in = source(static_cast<int>(state.range(0)));
    Image out(in.width(), in.height());
    const auto plan = RenderPlan::compile(look);
    for (auto _ : state)
        benchmark::DoNotOptimize(render(*plan, in.view(), out.mutableView()));
    report(state, in);
}

/// The photograph as a 24-megapixel JPEG on disk.
const std::filesystem::path& largeJpeg()
{
    static const std::filesystem::path path = [] {
        const auto target = std::filesystem::temp_directory_path() / "amber-bench-24.jpg";
        std::filesystem::remove(target);
        if (const Status written =
                writePicture(target, picture(6000).view(), {}, {FileFormat::Jpeg, RgbSpace::Srgb, 92}, {});
            !written)
            std::exit(2);
        return target;
    }();
    return path;
}

/// Decoding and encoding alone, by libjpeg-turbo's own interface: what no export can do without.
void codec(benchmark::State& state)
{
    const auto bytes = readWholeFile(largeJpeg(), std::size_t{1} << 30);
    for (auto _ : state) {
        tjhandle in = tjInitDecompress(), out = tjInitCompress();
        const auto* data = reinterpret_cast<const unsigned char*>(bytes->data());
        int width = 0, height = 0, sampling = 0, space = 0;
        tjDecompressHeader3(in, data, bytes->size(), &width, &height, &sampling, &space);
        std::vector<unsigned char> codes(static_cast<std::size_t>(width) * height * 3);
        tjDecompress2(in, data, bytes->size(), codes.data(), width, 0, height, TJPF_RGB, TJFLAG_ACCURATEDCT);
        unsigned char* jpeg = nullptr;
        unsigned long size = 0;
        tjCompress2(out, codes.data(), width, 0, height, TJPF_RGB, &jpeg, &size, TJSAMP_444, 92, TJFLAG_ACCURATEDCT);
        benchmark::DoNotOptimize(jpeg);
        tjFree(jpeg);
        tjDestroy(in), tjDestroy(out);
    }
}

/// So many names of the photograph, by recipes, into an empty folder each time: a file that is there would be left.
void exportJpegs(benchmark::State& state, int count, const std::vector<std::string>& recipes)
{
    const auto folder = std::filesystem::temp_directory_path() / "amber-bench-out";
    std::vector<std::filesystem::path> sources;
    std::filesystem::create_directories(folder / "in");
    for (int i = 0; i < count; ++i) {
        sources.push_back(folder / "in" / (std::to_string(i) + ".jpg"));
        std::error_code there;
        std::filesystem::create_hard_link(largeJpeg(), sources.back(), there);
    }
    std::vector<Shipment> shipments;
    for (const std::string& name : recipes)
        shipments.push_back({name.empty() ? Recipe{} : *recipeNamed(name), folder / "out", {}, {}, {}});
    for (auto _ : state) {
        const auto report = exportPictures(fiveSteps(), sources, shipments, {}, {});
        if (!report || report->failed())
            state.SkipWithError("the export failed");
        state.PauseTiming();
        std::filesystem::remove_all(folder / "out");
        state.ResumeTiming();
    }
    state.counters["ms_each"] =
        benchmark::Counter(count, benchmark::Counter::kIsIterationInvariantRate | benchmark::Counter::kInvert);
    std::filesystem::remove_all(folder);
}

void encodePicture(benchmark::State& state)
{
    const Image& in = picture(static_cast<int>(state.range(0)));
    std::vector<std::uint8_t> codes(static_cast<std::size_t>(in.width()) * in.height() * 3);
    for (auto _ : state) {
        encodeToCodes(in.view(), RgbSpace::Srgb, codes.data());
        benchmark::ClobberMemory();
    }
    report(state, in);
}

/// A picture as large as a window shows it, to the codes of a screen; all cores.
void view(benchmark::State& state, const char* profile, bool isProof)
{
    const auto device = !*profile
                            ? Result<DeviceProfile>(DeviceProfile{})
                            : readDeviceProfile(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/profiles" / profile);
    ViewOptions options;
    if (isProof)
        options.proof = *device;
    const auto made = ViewTransform::make(isProof || !*profile ? std::nullopt : std::optional(*device), options);
    const Image& in = picture(1200);
    std::vector<std::uint32_t> pixels(static_cast<std::size_t>(in.width()) * in.height());
    for (auto _ : state) {
        (*made)->apply(in.view(), pixels.data(), static_cast<std::size_t>(in.width()));
        benchmark::ClobberMemory();
    }
    report(state, in);
}

void compile(benchmark::State& state)
{
    const Look look = fiveSteps();
    for (auto _ : state)
        benchmark::DoNotOptimize(RenderPlan::compile(look));
}

Contrast someContrast()
{
    Contrast contrast;
    contrast.slope = 1.2;
    return contrast;
}

/// Hue shifts held back from two colours.
Look shelteredHues()
{
    Look sheltered = lookOf({someHues()});
    sheltered.steps[0].guard.shelters = {{"skin", 1, {}, {}}, {"glaze", 1, {0.6, 0.08, 160, 0.4, 0.1, 30}, {}}};
    return sheltered;
}

std::vector<std::pair<const char*, Look>> spatialLooks()
{
    LocalContrast local;
    local.amount = 0.5;
    FineDetail detail;
    detail.amount = 0.7;
    Haze haze;
    haze.amount = 0.4;
    Glow glow;
    glow.amount = 0.5;
    EdgeDarkening edges;
    edges.net = -1;
    Grain grain;
    grain.amount = 0.03;
    OutputSharpening sharpening;
    sharpening.amount = 1;
    return {{"local_contrast", lookOf({local})},
            {"fine_detail", lookOf({detail})},
            {"haze", lookOf({haze})},
            {"glow", lookOf({glow})},
            {"edge_darkening", lookOf({edges})},
            {"grain", lookOf({grain})},
            {"output_sharpening", lookOf({sharpening})}};
}

std::vector<std::pair<const char*, Look>> timedLooks()
{
    ToneBands bands;
    bands.dark = 0.4, bands.bright = -0.3;
    Primaries primaries;
    primaries.redTurn = 5, primaries.bluePurity = 1.1;
    Wash wash;
    wash.amount = 0.3;
    EvenTowards even;
    even.towardsHue = even.towardsChroma = 0.6;
    return {{"five_steps", fiveSteps()},
            {"ends", lookOf({someEnds()})},
            {"tone_curve", lookOf({aCurve()})},
            {"split_toning", lookOf({someDyes()})},
            {"hue_shifts", lookOf({someHues()})},
            {"chroma", lookOf({someChroma()})},
            {"contrast", lookOf({someContrast()})},
            {"tone_bands", lookOf({bands})},
            {"primaries", lookOf({primaries})},
            {"warmth", lookOf({Warmth{40, -3, {}}})},
            {"even_towards", lookOf({even})},
            {"hue_shifts_sheltered", shelteredHues()},
            {"wash", lookOf({wash})},
            {"table_33", lookOf({aTable(true)})},
            {"table_33_encoding", lookOf({aTable(false)})}};
}

}  // namespace
void addExports()
{
    for (const auto& [name, count, recipes] :
         {std::tuple("jpeg_24_export_five_steps", 1, std::vector<std::string>{""}),
          std::tuple("jpeg_24_export_five_steps_ten", 10, std::vector<std::string>{""}),
          std::tuple("jpeg_24_export_web", 1, std::vector<std::string>{"web"}),
          std::tuple("jpeg_24_export_full", 1, std::vector<std::string>{"full"}),
          std::tuple("jpeg_24_export_web_full_print", 1, std::vector<std::string>{"web", "full", "print"})})
        benchmark::RegisterBenchmark(name,
                                     [count, recipes](benchmark::State& state) { exportJpegs(state, count, recipes); })
            ->Unit(benchmark::kMillisecond)
            ->UseRealTime();
}

}  // namespace amber

int main(int argc, char** argv)
{
    using namespace amber;
    const auto add = [](const std::string& name, auto&& work) {
        auto* bench = benchmark::RegisterBenchmark(name.c_str(), work)->Unit(benchmark::kMillisecond)->UseRealTime();
        for (int width : kWidths)
            bench->Arg(width);
    };
    add("memcpy", copy);
    auto timed = timedLooks();
    for (auto& one : spatialLooks())
        timed.push_back(std::move(one));
    for (const auto& [name, look] : timed)
        for (int threads : {1, 2})
            add(std::string(name) + "/threads:" + std::to_string(threads),
                [look = look, threads](benchmark::State& state) { run(state, look, threads); });
    add("table_33_random/threads:1",
        [](benchmark::State& state) { run(state, lookOf({aTable(true)}), 1, randomPicture); });
    add("encode_srgb8", encodePicture);
    benchmark::RegisterBenchmark("jpeg_24_decode_and_encode", codec)->Unit(benchmark::kMillisecond)->UseRealTime();
    addExports();
    for (const auto& [name, profile, isProof] :
         {std::tuple("view_srgb", "", false), std::tuple("view_screen", "screen-pale-projector.icc", false),
          std::tuple("view_proof", "printer-kiln-felt.icc", true)})
        benchmark::RegisterBenchmark(name, [=](benchmark::State& state) { view(state, profile, isProof); })
            ->Unit(benchmark::kMillisecond)
            ->UseRealTime();
    benchmark::RegisterBenchmark("compile_plan", compile);
    // Every SIMD target of this machine for the look that is timed most; the best is what the others use.
    for (const std::string& target : simdTargets())
        add("five_steps/" + target + "/threads:1", [target](benchmark::State& state) {
            useSimdTarget(target);
            run(state, fiveSteps(), 1);
            useSimdTarget("");
        });
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
}
