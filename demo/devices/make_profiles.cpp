// amber_profiles: writes the ICC profiles of the demo's stand-ins, a proof printer and three client screens.
//
//   amber_profiles FOLDER
#include "core/base/atomic_file.h"
#include "core/image/icc_bytes.h"
#include "demo/camera/sensor.h"
#include "demo/devices/ink.h"

#include <cmath>
#include <functional>
#include <iostream>
#include <lcms2.h>
#include <memory>

namespace amber::demo {
namespace {

struct CloseProfile {
    void operator()(void* p) const { cmsCloseProfile(p); }
};
using Profile = std::unique_ptr<void, CloseProfile>;

struct Screen {
    const char *file, *title;
    double kelvin, red[2], green[2], blue[2], gamma, black, candela;
};

// All made up: a phone turned down, a laptop with a warm panel, a projector in a room that is not dark.
const Screen kScreens[] = {
    {"screen-dim-phone.icc",
     "Client screen: dim phone",
     6900,
     {0.655, 0.325},
     {0.275, 0.645},
     {0.150, 0.058},
     2.3,
     0.0,
     90},
    {"screen-warm-laptop.icc",
     "Client screen: warm laptop",
     5600,
     {0.605, 0.345},
     {0.330, 0.575},
     {0.158, 0.098},
     2.1,
     0.002,
     210},
    {"screen-pale-projector.icc",
     "Client screen: pale projector",
     6200,
     {0.625, 0.340},
     {0.310, 0.610},
     {0.150, 0.075},
     1.9,
     0.055,
     60},
};

Profile screenProfile(const Screen& screen)
{
    const Xyz w = lightOf(screen.kelvin);
    const double sum = w.x + w.y + w.z;
    const cmsCIExyY white{w.x / sum, w.y / sum, 1};
    const cmsCIExyYTRIPLE primaries{
        {screen.red[0], screen.red[1], 1}, {screen.green[0], screen.green[1], 1}, {screen.blue[0], screen.blue[1], 1}};
    std::vector<cmsUInt16Number> values(1024);
    for (std::size_t i = 0; i < values.size(); ++i)
        values[i] = static_cast<cmsUInt16Number>(std::lround(
            65535 * (screen.black + (1 - screen.black) * std::pow(static_cast<double>(i) / 1023, screen.gamma))));
    cmsToneCurve* curve = cmsBuildTabulatedToneCurve16(nullptr, 1024, values.data());
    cmsToneCurve* curves[3] = {curve, curve, curve};
    Profile profile(cmsCreateRGBProfile(&white, &primaries, curves));
    cmsFreeToneCurve(curve);
    const cmsCIEXYZ luminance{0, screen.candela, 0};
    cmsWriteTag(profile.get(), cmsSigLuminanceTag, &luminance);
    return profile;
}

using Sampler = std::function<void(const cmsUInt16Number* in, cmsUInt16Number* out)>;

/// A colour table between identity curves, as the ICC version 4 table types ask for.
void writeTable(const Profile& profile, cmsTagSignature tag, unsigned points, unsigned in, unsigned out,
                const Sampler& sampler)
{
    cmsPipeline* pipeline = cmsPipelineAlloc(nullptr, in, out);
    cmsStage* table = cmsStageAllocCLut16bit(nullptr, points, in, out, nullptr);
    cmsStageSampleCLut16bit(
        table,
        [](const cmsUInt16Number* from, cmsUInt16Number* to, void* cargo) -> cmsInt32Number {
            (*static_cast<const Sampler*>(cargo))(from, to);
            return TRUE;
        },
        const_cast<Sampler*>(&sampler), 0);
    cmsPipelineInsertStage(pipeline, cmsAT_END, cmsStageAllocToneCurves(nullptr, in, nullptr));
    cmsPipelineInsertStage(pipeline, cmsAT_END, table);
    cmsPipelineInsertStage(pipeline, cmsAT_END, cmsStageAllocToneCurves(nullptr, out, nullptr));
    cmsWriteTag(profile.get(), tag, pipeline);
    cmsPipelineFree(pipeline);
}

Profile printerProfile(const InkPaper& print)
{
    Profile profile(cmsCreateProfilePlaceholder(nullptr));
    cmsSetProfileVersion(profile.get(), 4.3);
    cmsSetDeviceClass(profile.get(), cmsSigOutputClass);
    cmsSetColorSpace(profile.get(), cmsSigCmykData);
    cmsSetPCS(profile.get(), cmsSigLabData);
    const cmsCIEXYZ paper{print.paper.x, print.paper.y, print.paper.z};
    cmsWriteTag(profile.get(), cmsSigMediaWhitePointTag, &paper);
    const double darkest = print.relativeLab(print.inksFor({0, 0, 0})).l;
    const Sampler toLab = [&](const cmsUInt16Number* in, cmsUInt16Number* out) {
        const Lab lab = print.relativeLab({in[0] / 65535.0, in[1] / 65535.0, in[2] / 65535.0, in[3] / 65535.0});
        const cmsCIELab value{lab.l, lab.a, lab.b};
        cmsFloat2LabEncoded(out, &value);
    };
    const auto toInks = [&](bool scaled) -> Sampler {
        return [&print, darkest, scaled](const cmsUInt16Number* in, cmsUInt16Number* out) {
            cmsCIELab value;
            cmsLabEncoded2Float(&value, in);
            const Inks inks =
                print.inksFor({scaled ? darkest + value.L * (100 - darkest) / 100 : value.L, value.a, value.b});
            for (std::size_t k = 0; k < 4; ++k)
                out[k] = static_cast<cmsUInt16Number>(std::lround(65535 * inks[k]));
        };
    };
    for (const auto tag : {cmsSigAToB0Tag, cmsSigAToB1Tag})
        writeTable(profile, tag, 9, 4, 3, toLab);
    writeTable(profile, cmsSigBToA0Tag, 17, 3, 4,
               toInks(true));  // perceptual: the scale of tones is pressed onto the paper's
    writeTable(profile, cmsSigBToA1Tag, 17, 3, 4, toInks(false));
    return profile;
}

int run(const std::filesystem::path& folder)
{
    std::filesystem::create_directories(folder);
    const auto write = [&](const std::string& file, const Profile& profile, const char* title) {
        const auto bytes = iccBytes(profile.get(), title);
        const auto status =
            bytes.empty()
                ? Status(fail("the profile cannot be made", file))
                : writeFileAtomically(folder / file,
                                      std::string_view(reinterpret_cast<const char*>(bytes.data()), bytes.size()));
        if (!status)
            std::cerr << "amber_profiles: " << status.error().message() << "\n";
        return status.has_value();
    };
    bool all = true;
    for (const Screen& screen : kScreens)
        all &= write(screen.file, screenProfile(screen), screen.title);
    all &= write("printer-kiln-felt.icc", printerProfile(InkPaper{}), "Proof printer: Kiln felt, matte");
    return all ? 0 : 1;
}

}  // namespace
}  // namespace amber::demo

int main(int argc, char** argv)
{
    if (argc != 2) {
        std::cerr << "usage: amber_profiles FOLDER\n";
        return 2;
    }
    return amber::demo::run(argv[1]);
}
