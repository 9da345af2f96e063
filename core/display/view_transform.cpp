#include "core/display/view_transform.h"

#include "core/base/parallel.h"
#include "core/colour/difference.h"
#include "core/display/view_kernel.h"
#include "core/engine/render_plan.h"
#include "core/image/lcms.h"
#include "core/image/profile.h"
#include "core/image/write.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

constexpr int kCube = 65, kGamutCube = 33, kBand = 16;
constexpr double kOutside = 0.01;   // of encoded values
constexpr double kDifferent = 3.0;  // CIEDE2000

/// What of a row is a number; `row` holds count * 3 values.
using Row = std::vector<float>;

/// Runs body(first row, rows) over bands of the picture.
template <class Body>
void inBands(ImageView picture, const Body& body)
{
    inParallel((picture.height + kBand - 1) / kBand,
               [&](int band) { body(band * kBand, std::min(kBand, picture.height - band * kBand)); });
}

using Curve = std::vector<float>;

template <class F>
Curve sampled(const F& f)
{
    Curve curve(kCurveSteps + 2);
    for (int i = 0; i <= kCurveSteps; ++i)
        curve[static_cast<std::size_t>(i)] = static_cast<float>(f(std::pow(static_cast<double>(i) / kCurveSteps, 2)));
    curve.back() = curve[kCurveSteps];
    return curve;
}

/// Linear light of the device's own primaries, on a scale of its own.
struct Shaper {
    float matrix[3][3];  ///< of working-space light
    Curve curves[3];
    Shaper() = default;
    Shaper(const Matrix3& m, Curve r, Curve g, Curve b) : curves{std::move(r), std::move(g), std::move(b)}
    {
        for (int i = 0; i < 3; ++i)
            for (int j = 0; j < 3; ++j)
                matrix[i][j] = static_cast<float>(m.m[i][j]);
    }
    void run(const float* rgb, int count, float* values) const
    {
        shapeRow(rgb, matrix, {curves[0].data(), curves[1].data(), curves[2].data()}, static_cast<std::size_t>(count),
                 values);
    }
};

/// Encoded as sRGB is: steps of a cube then lie evenly for the eye.
Shaper evenShaper(const Matrix3& fromWorkingLight)
{
    const Curve curve = sampled([](double v) { return encodeComponent(RgbSpace::Srgb, v); });
    return {fromWorkingLight, curve, curve, curve};
}

/// Its three primaries as columns of XYZ, when it has them.
std::optional<Matrix3> primariesOf(cmsHPROFILE profile)
{
    Matrix3 m{};
    const cmsTagSignature tags[] = {cmsSigRedColorantTag, cmsSigGreenColorantTag, cmsSigBlueColorantTag};
    for (int i = 0; i < 3; ++i) {
        const auto* xyz = static_cast<const cmsCIEXYZ*>(cmsReadTag(profile, tags[i]));
        if (!xyz)
            return std::nullopt;
        m.m[0][i] = xyz->X, m.m[1][i] = xyz->Y, m.m[2][i] = xyz->Z;
    }
    const double determinant = m.m[0][0] * (m.m[1][1] * m.m[2][2] - m.m[1][2] * m.m[2][1]) -
                               m.m[0][1] * (m.m[1][0] * m.m[2][2] - m.m[1][2] * m.m[2][0]) +
                               m.m[0][2] * (m.m[1][0] * m.m[2][1] - m.m[1][1] * m.m[2][0]);
    return std::abs(determinant) > 1e-4 ? std::optional(m) : std::nullopt;
}

cmsUInt32Number intentOf(ViewIntent intent)
{
    return intent == ViewIntent::Perceptual ? INTENT_PERCEPTUAL : INTENT_RELATIVE_COLORIMETRIC;
}

/// A cube of n samples to the edge as a plan of the table kernel; `valuesOf` takes many encoded triples at once.
template <class F>
Result<RenderPlan> cubePlan(int n, const F& valuesOf)
{
    Table table;
    table.size3 = n;
    std::vector<double> in, out;
    for (int b = 0; b < n; ++b)
        for (int g = 0; g < n; ++g)
            for (int r = 0; r < n; ++r)
                for (int v : {r, g, b})
                    in.push_back(static_cast<double>(v) / (n - 1));
    out.resize(in.size());
    valuesOf(in, out);
    table.values3.assign(out.begin(), out.end());
    for (float& v : table.values3)
        v = std::isfinite(v) ? std::clamp(v, -8.0f, 8.0f) : 0;
    LookupTable step = lookupTable(std::move(table), "screen");
    step.inputSpace = step.outputSpace = RgbSpace::Linear;
    Look look;
    look.steps.emplace_back().parameters = step;
    return RenderPlan::compile(look);
}

/// Where own components, encoded, lie outside 0..1.
void markByPrimaries(ImageView linear, const Matrix3& toOwn, std::uint8_t* marks)
{
    const double low = -decodeComponent(RgbSpace::Srgb, kOutside), high = decodeComponent(RgbSpace::Srgb, 1 + kOutside);
    inBands(linear, [&](int first, int rows) {
        for (int y = first; y < first + rows; ++y)
            for (int x = 0; x < linear.width; ++x) {
                const float* p = linear.row(y) + 3 * x;
                const LinearRgb own = amber::apply(toOwn, LinearRgb{p[0], p[1], p[2]});
                marks[static_cast<std::size_t>(y) * linear.width + x] =
                    !(std::min({own.r, own.g, own.b}) >= low && std::max({own.r, own.g, own.b}) <= high);
            }
    });
}

class SrgbView final : public ViewTransform {
public:
    void apply(ImageView linear, std::uint32_t* pixels, std::size_t stride) const override
    {
        std::vector<std::uint8_t> codes(static_cast<std::size_t>(linear.width) * linear.height * 3);
        encodeToCodes(linear, RgbSpace::Srgb, codes.data());
        for (int y = 0; y < linear.height; ++y) {
            const std::uint8_t* in = codes.data() + static_cast<std::size_t>(y) * linear.width * 3;
            std::uint32_t* out = pixels + static_cast<std::size_t>(y) * stride;
            for (int x = 0; x < linear.width; ++x, in += 3)
                out[x] = 0xff000000u | static_cast<std::uint32_t>(in[0]) << 16 |
                         static_cast<std::uint32_t>(in[1]) << 8 | in[2];
        }
    }
    void markOutside(ImageView linear, std::uint8_t* marks) const override
    {
        markByPrimaries(linear, fromWorking(RgbSpace::Srgb), marks);
    }
};

/// Matrix and curves alone.
class CurvesView final : public ViewTransform {
public:
    CurvesView(const Matrix3& toOwn, const LcmsTransform& toDevice, const Matrix3& primaries)
        : m_toOwn(toOwn), m_shaper(toOwn, {}, {}, {})
    {
        // The channels do not mix behind the matrix: one way along the greys gives all three curves.
        std::vector<double> in, out((kCurveSteps + 1) * 3);
        for (int i = 0; i <= kCurveSteps; ++i) {
            const double v = std::pow(static_cast<double>(i) / kCurveSteps, 2);
            const LinearRgb xyz = amber::apply(primaries, LinearRgb{v, v, v});
            in.insert(in.end(), {xyz.r, xyz.g, xyz.b});
        }
        toDevice.run(in.data(), out.data(), kCurveSteps + 1);
        for (std::size_t k = 0; k < 3; ++k) {
            for (std::size_t i = 0; i <= kCurveSteps; ++i)
                m_shaper.curves[k].push_back(static_cast<float>(std::clamp(out[3 * i + k], 0.0, 1.0)));
            m_shaper.curves[k].push_back(m_shaper.curves[k].back());
        }
    }
    void apply(ImageView linear, std::uint32_t* pixels, std::size_t stride) const override
    {
        inBands(linear, [&](int first, int rows) {
            Row values(static_cast<std::size_t>(linear.width) * 3);
            for (int y = first; y < first + rows; ++y) {
                m_shaper.run(linear.row(y), linear.width, values.data());
                pixelsOfRow(values.data(), static_cast<std::size_t>(linear.width), y,
                            pixels + static_cast<std::size_t>(y) * stride);
            }
        });
    }
    void markOutside(ImageView linear, std::uint8_t* marks) const override { markByPrimaries(linear, m_toOwn, marks); }

private:
    Matrix3 m_toOwn;
    Shaper m_shaper;
};

class CubeView final : public ViewTransform {
public:
    /// `fromCodes`: the cube takes the codes of an sRGB file.
    CubeView(Shaper shaper, RenderPlan cube, std::optional<RenderPlan> gamut, bool fromCodes)
        : m_shaper(std::move(shaper)), m_cube(std::move(cube)), m_gamut(std::move(gamut)), m_fromCodes(fromCodes)
    {
    }
    void apply(ImageView linear, std::uint32_t* pixels, std::size_t stride) const override
    {
        inBands(linear, [&](int first, int rows) {
            const Image values = through(m_cube, linear, first, rows);
            for (int y = 0; y < rows; ++y)
                pixelsOfRow(values.view().row(y), static_cast<std::size_t>(linear.width), first + y,
                            pixels + static_cast<std::size_t>(first + y) * stride);
        });
    }
    void markOutside(ImageView linear, std::uint8_t* marks) const override
    {
        if (!m_gamut)
            return markByPrimaries(linear, fromWorking(RgbSpace::Srgb), marks);
        inBands(linear, [&](int first, int rows) {
            const Image difference = through(*m_gamut, linear, first, rows);
            for (int y = 0; y < rows; ++y)
                for (int x = 0; x < linear.width; ++x)
                    marks[static_cast<std::size_t>(first + y) * linear.width + x] =
                        difference.view().row(y)[3 * x] * 100 > kDifferent;
        });
    }

private:
    Image through(const RenderPlan& plan, ImageView linear, int first, int rows) const
    {
        Image values(linear.width, rows);
        ImageView band = linear;
        band.data = linear.row(first), band.height = rows;
        if (m_fromCodes) {
            std::vector<std::uint8_t> codes(static_cast<std::size_t>(linear.width) * rows * 3);
            encodeToCodes(band, RgbSpace::Srgb, codes.data());
            for (int y = 0; y < rows; ++y)
                for (int i = 0; i < 3 * linear.width; ++i)
                    values.mutableView().row(y)[i] =
                        codes[static_cast<std::size_t>(y) * linear.width * 3 + static_cast<std::size_t>(i)] / 255.0f;
        } else {
            for (int y = 0; y < rows; ++y)
                m_shaper.run(band.row(y), linear.width, values.mutableView().row(y));
        }
        render(plan, values.view(), values.mutableView());
        return values;
    }

    Shaper m_shaper;
    RenderPlan m_cube;
    std::optional<RenderPlan> m_gamut;
    bool m_fromCodes;
};

/// Every pixel by LittleCMS; marks as the view that it stands for.
class ExactView final : public ViewTransform {
public:
    ExactView(LcmsTransform transform, bool fromCodes, std::shared_ptr<const ViewTransform> marks)
        : m_transform(std::move(transform)), m_fromCodes(fromCodes), m_marks(std::move(marks))
    {
    }
    void apply(ImageView linear, std::uint32_t* pixels, std::size_t stride) const override
    {
        const auto count = static_cast<std::size_t>(linear.width);
        const Matrix3 toXyz = workingToD50();
        inBands(linear, [&](int first, int rows) {
            std::vector<double> in(3 * count), out(3 * count);
            std::vector<std::uint8_t> codes(3 * count);
            Row values(3 * count);
            for (int y = first; y < first + rows; ++y) {
                ImageView row = linear;
                row.data = linear.row(y), row.height = 1;
                if (m_fromCodes) {
                    encodeToCodes(row, RgbSpace::Srgb, codes.data());
                    std::transform(codes.begin(), codes.end(), in.begin(), [](std::uint8_t c) { return c / 255.0; });
                } else {
                    for (std::size_t x = 0; x < count; ++x) {
                        const LinearRgb c =
                            amber::apply(toXyz, LinearRgb{row.data[3 * x], row.data[3 * x + 1], row.data[3 * x + 2]});
                        in[3 * x] = c.r, in[3 * x + 1] = c.g, in[3 * x + 2] = c.b;
                    }
                }
                m_transform.run(in.data(), out.data(), count);
                std::transform(out.begin(), out.end(), values.begin(),
                               [](double v) { return static_cast<float>(std::clamp(v, 0.0, 1.0)); });
                pixelsOfRow(values.data(), count, y, pixels + static_cast<std::size_t>(y) * stride);
            }
        });
    }
    void markOutside(ImageView linear, std::uint8_t* marks) const override { m_marks->markOutside(linear, marks); }

private:
    LcmsTransform m_transform;
    bool m_fromCodes;
    std::shared_ptr<const ViewTransform> m_marks;
};

/// Encoded triples of a device with these primaries to XYZ.
std::vector<double> toXyz(const std::vector<double>& encoded, const Matrix3& primaries)
{
    std::vector<double> xyz(encoded.size());
    for (std::size_t i = 0; i < encoded.size(); i += 3) {
        const LinearRgb c = amber::apply(primaries, LinearRgb{decodeComponent(RgbSpace::Srgb, encoded[i]),
                                                              decodeComponent(RgbSpace::Srgb, encoded[i + 1]),
                                                              decodeComponent(RgbSpace::Srgb, encoded[i + 2])});
        xyz[i] = c.r, xyz[i + 1] = c.g, xyz[i + 2] = c.b;
    }
    return xyz;
}

/// How far each colour is from what comes out of the device, hundredths of CIEDE2000, three times over.
Result<RenderPlan> gamutPlan(cmsHPROFILE device, const Matrix3& primaries)
{
    const LcmsProfile xyz(cmsCreateXYZProfile());
    const LcmsTransform to(device, INTENT_RELATIVE_COLORIMETRIC, 0),
        back(cmsCreateTransform(device, doublesOf(device), xyz.get(), TYPE_XYZ_DBL, INTENT_RELATIVE_COLORIMETRIC,
                                cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE));
    if (!to || !back)
        return fail("colours cannot be taken back from this profile");
    const std::size_t channels = cmsGetColorSpace(device) == cmsSigCmykData ? 4 : 3;
    return cubePlan(kGamutCube, [&](const std::vector<double>& in, std::vector<double>& out) {
        const std::vector<double> wanted = toXyz(in, primaries);
        std::vector<double> codes(in.size() / 3 * channels), given(in.size());
        to.run(wanted.data(), codes.data(), in.size() / 3);
        if (channels == 3)
            for (double& code : codes)
                code = std::clamp(code, 0.0, 1.0);
        back.run(codes.data(), given.data(), in.size() / 3);
        for (std::size_t i = 0; i < in.size(); i += 3)
            out[i] = out[i + 1] = out[i + 2] = ciede2000(toLab(Xyz{wanted[i], wanted[i + 1], wanted[i + 2]}),
                                                         toLab(Xyz{given[i], given[i + 1], given[i + 2]})) /
                                               100;
    });
}

using Made = Result<std::shared_ptr<const ViewTransform>>;

template <class View, class... Args>
Made made(Args&&... args)
{
    return std::shared_ptr<const ViewTransform>(std::make_shared<View>(std::forward<Args>(args)...));
}

/// As on another's screen: sRGB codes are its own.
Made clientView(cmsHPROFILE screen, const DeviceProfile& client, bool isExact)
{
    const LcmsProfile theirs = openLcms(client.icc);
    LcmsTransform transform(cmsCreateTransform(theirs.get(), TYPE_RGB_DBL, screen, TYPE_RGB_DBL,
                                               INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE));
    if (client.kind != DeviceProfile::Kind::Rgb || !transform)
        return fail("pictures cannot be seen as on this screen", client.title);
    if (isExact)
        return made<ExactView>(std::move(transform), true, ViewTransform::srgb());
    auto cube = cubePlan(kCube, [&](const std::vector<double>& in, std::vector<double>& out) {
        transform.run(in.data(), out.data(), in.size() / 3);
    });
    if (!cube)
        return tl::make_unexpected(cube.error());
    return made<CubeView>(Shaper(), std::move(*cube), std::nullopt, true);
}

/// Through a cube: a screen that is more than primaries and curves, or a proof.
Made cubeView(cmsHPROFILE screen, const Matrix3& primaries, const ViewOptions& options)
{
    const cmsUInt32Number black = options.blackPoint ? cmsFLAGS_BLACKPOINTCOMPENSATION : 0;
    const LcmsProfile proof = options.proof ? openLcms(options.proof->icc) : nullptr;
    const LcmsProfile xyz(cmsCreateXYZProfile());
    LcmsTransform transform =
        proof ? LcmsTransform(cmsCreateProofingTransform(
                    xyz.get(), TYPE_XYZ_DBL, screen, TYPE_RGB_DBL, proof.get(), intentOf(options.proofIntent),
                    options.paperWhite ? INTENT_ABSOLUTE_COLORIMETRIC : INTENT_RELATIVE_COLORIMETRIC,
                    cmsFLAGS_SOFTPROOFING | black | cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE))
              : LcmsTransform(screen, intentOf(options.intent), black);
    if (!transform)
        return fail("pictures cannot be shown through this profile", options.proof ? options.proof->title : "");
    auto cube = cubePlan(kCube, [&](const std::vector<double>& in, std::vector<double>& out) {
        transform.run(toXyz(in, primaries).data(), out.data(), in.size() / 3);
    });
    auto gamut = gamutPlan(proof ? proof.get() : screen, primaries);
    if (!cube || !gamut)
        return tl::make_unexpected(!cube ? cube.error() : gamut.error());
    auto view =
        made<CubeView>(evenShaper(inverse(primaries) * workingToD50()), std::move(*cube), std::move(*gamut), false);
    return options.isExact ? made<ExactView>(std::move(transform), false, std::move(*view)) : std::move(view);
}

}  // namespace

std::shared_ptr<const ViewTransform> ViewTransform::srgb()
{
    static const std::shared_ptr<const ViewTransform> view = std::make_shared<SrgbView>();
    return view;
}

Result<std::shared_ptr<const ViewTransform>> ViewTransform::make(const std::optional<DeviceProfile>& screen,
                                                                 const ViewOptions& options)
{
    if (!screen && !options.proof && !options.client)
        return srgb();
    const LcmsProfile profile = openLcms(screen ? screen->icc : iccProfile(RgbSpace::Srgb));
    if (!profile || cmsGetColorSpace(profile.get()) != cmsSigRgbData)
        return fail("this is not a profile of a screen", screen ? screen->title : "");
    if (options.client)
        return clientView(profile.get(), *options.client, options.isExact);
    const std::optional<Matrix3> own = primariesOf(profile.get());
    if (options.proof) {
        // What a printer can do is no matter of the screen's primaries.
        const Matrix3 wide = bradford(whiteOf(RgbSpace::Rec2020), kD50) * rgbToXyz(RgbSpace::Rec2020);
        return cubeView(profile.get(), wide, options);
    }
    if (own && cmsIsMatrixShaper(profile.get()) && !cmsIsTag(profile.get(), cmsSigBToA0Tag) &&
        !cmsIsTag(profile.get(), cmsSigBToA1Tag)) {
        const LcmsTransform toDevice(profile.get(), intentOf(options.intent),
                                     options.blackPoint ? cmsFLAGS_BLACKPOINTCOMPENSATION : 0);
        if (!toDevice)
            return fail("pictures cannot be shown through this profile", screen->title);
        return made<CurvesView>(inverse(*own) * workingToD50(), toDevice, *own);
    }
    const Matrix3 p3 = bradford(whiteOf(RgbSpace::DisplayP3), kD50) * rgbToXyz(RgbSpace::DisplayP3);
    return cubeView(profile.get(), own.value_or(p3), options);
}

}  // namespace amber
