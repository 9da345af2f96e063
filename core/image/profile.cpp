#include "core/image/profile.h"

#include "core/colour/difference.h"
#include "core/image/four.h"
#include "core/image/icc_bytes.h"
#include "core/image/lcms.h"
#include "core/image/simd_rows.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>

namespace amber {
namespace {

struct FreeCurve {
    void operator()(cmsToneCurve* c) const { cmsFreeToneCurve(c); }
};
using Curve = std::unique_ptr<cmsToneCurve, FreeCurve>;

/// ICC parametric curve type 4: Y = (aX + b)^g for X >= d, else cX (LittleCMS type 4).
Curve transferCurve(RgbSpace space)
{
    const auto parametric = [](std::array<double, 5> p) {
        return Curve(cmsBuildParametricToneCurve(nullptr, 4, p.data()));
    };
    switch (space) {
    case RgbSpace::Srgb:
    case RgbSpace::DisplayP3:
        return parametric({2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045});
    case RgbSpace::OpRgb:
        return Curve(cmsBuildGamma(nullptr, 563.0 / 256));
    case RgbSpace::ProPhoto:
        return parametric({1.8, 1, 0, 1.0 / 16, 16.0 / 512});
    case RgbSpace::Rec2020:
        return parametric(
            {1 / 0.45, 1 / 1.09929682680944, 0.09929682680944 / 1.09929682680944, 1 / 4.5, 4.5 * 0.018053968510807});
    case RgbSpace::Linear:
        return Curve(cmsBuildGamma(nullptr, 1.0));
    }
    return Curve(cmsBuildGamma(nullptr, 1.0));
}

LcmsProfile makeProfile(RgbSpace space)
{
    const Chromaticities& c = chromaticitiesOf(space);
    const cmsCIExyY white{c.white[0], c.white[1], 1};
    const cmsCIExyYTRIPLE primaries{{c.red[0], c.red[1], 1}, {c.green[0], c.green[1], 1}, {c.blue[0], c.blue[1], 1}};
    const Curve curve = transferCurve(space);
    cmsToneCurve* curves[3] = {curve.get(), curve.get(), curve.get()};
    return LcmsProfile(cmsCreateRGBProfile(&white, &primaries, curves));
}

/// Three curves as tables over the codes, then a matrix into the working space.
class MatrixTransform final : public SourceTransform {
public:
    template <class F>
    MatrixTransform(int bits, const Matrix3& matrix, F&& decodeOf)
    {
        const int codes = bits == 8 ? 256 : 65536;
        for (std::size_t channel = 0; channel < 3; ++channel)
            for (int i = 0; i < codes; ++i) {
                const double light = decodeOf(static_cast<int>(channel), static_cast<double>(i) / (codes - 1));
                if (bits == 16)
                    m_curves[channel].push_back(static_cast<float>(light));
                else
                    m_shares[channel].push_back({{static_cast<float>(matrix.m[0][channel] * light),
                                                  static_cast<float>(matrix.m[1][channel] * light),
                                                  static_cast<float>(matrix.m[2][channel] * light), 0}});
            }
        for (int i = 0; i < 3; ++i)
            for (int j = 0; j < 3; ++j)
                m_matrix[i][j] = static_cast<float>(matrix.m[i][j]);
    }
    void convert(const std::uint8_t* codes, int channels, int count, float* rgb) const override
    {
        const int g = channels >= 3 ? 1 : 0, b = channels >= 3 ? 2 : 0;
        const Share *first = m_shares[0].data(), *second = m_shares[1].data(), *third = m_shares[2].data();
        const auto sum = [=](const std::uint8_t* c) {
            return fourAt(first[c[0]].rgb) + (fourAt(second[c[g]].rgb) + fourAt(third[c[b]].rgb));
        };
        // The fourth number falls on the next pixel, which then takes its place.
        for (int i = 0; i + 1 < count; ++i, codes += channels, rgb += 3)
            putFour(sum(codes), rgb);
        if (count > 0)
            putThree(sum(codes), rgb);
    }
    void convert(const std::uint16_t* codes, int channels, int count, float* rgb) const override
    {
        if (channels == 3)
            return linearRow(codes, {m_curves[0].data(), m_curves[1].data(), m_curves[2].data()}, m_matrix,
                             static_cast<std::size_t>(count), rgb);
        const int g = channels >= 3 ? 1 : 0, b = channels >= 3 ? 2 : 0;
        for (int i = 0; i < count; ++i, codes += channels, rgb += 3) {
            const float x = m_curves[0][codes[0]], y = m_curves[1][codes[g]], z = m_curves[2][codes[b]];
            for (int k = 0; k < 3; ++k)
                rgb[k] = m_matrix[k][0] * x + m_matrix[k][1] * y + m_matrix[k][2] * z;
        }
    }

private:
    std::array<std::vector<float>, 3> m_curves;
    float m_matrix[3][3];
    /// What a code of a channel adds to the three components: with 8 bits the tables are small enough to be at hand.
    struct alignas(16) Share {
        float rgb[4];
    };
    std::array<std::vector<Share>, 3> m_shares;
};

/// Any other profile: LittleCMS in float, relative colorimetric (adapted to D65 by the working profile's own white).
class LcmsSource final : public SourceTransform {
public:
    LcmsSource(cmsHPROFILE source, int bits)
    {
        const LcmsProfile working = makeProfile(RgbSpace::Linear);
        m_transform = cmsCreateTransform(source, bits == 8 ? TYPE_RGB_8 : TYPE_RGB_16, working.get(), TYPE_RGB_FLT,
                                         INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOCACHE);
    }
    ~LcmsSource() override
    {
        if (m_transform)
            cmsDeleteTransform(m_transform);
    }
    bool isValid() const { return m_transform != nullptr; }
    void convert(const std::uint8_t* codes, int channels, int count, float* rgb) const override
    {
        run(codes, channels, count, rgb);
    }
    void convert(const std::uint16_t* codes, int channels, int count, float* rgb) const override
    {
        run(codes, channels, count, rgb);
    }

private:
    template <class Code>
    void run(const Code* codes, int channels, int count, float* rgb) const
    {
        std::vector<Code> packed(static_cast<std::size_t>(count) * 3);
        for (int i = 0; i < count; ++i)
            for (int k = 0; k < 3; ++k)
                packed[static_cast<std::size_t>(3 * i + k)] = codes[i * channels + k];
        cmsDoTransform(m_transform, packed.data(), rgb, static_cast<cmsUInt32Number>(count));
    }
    cmsHTRANSFORM m_transform = nullptr;
};

/// Light with primaries of its own.
class LightTransform final : public SourceTransform {
public:
    LightTransform(const Matrix3& matrix, bool isWorking) : m_matrix(matrix), m_isWorking(isWorking) {}
    void convert(const std::uint8_t* codes, int channels, int count, float* rgb) const override
    {
        run(codes, 1 / 255.0, channels, count, rgb);
    }
    void convert(const std::uint16_t* codes, int channels, int count, float* rgb) const override
    {
        run(codes, 1 / 65535.0, channels, count, rgb);
    }
    void convert(const float* light, int channels, int count, float* rgb) const override
    {
        run(light, 1, channels, count, rgb);
    }

private:
    template <class Code>
    void run(const Code* in, double scale, int channels, int count, float* rgb) const
    {
        const int g = channels >= 3 ? 1 : 0, b = channels >= 3 ? 2 : 0;
        for (int i = 0; i < count; ++i, in += channels, rgb += 3) {
            const LinearRgb c{in[0] * scale, in[g] * scale, in[b] * scale}, own = m_isWorking ? c : apply(m_matrix, c);
            const double all[] = {own.r, own.g, own.b};
            for (int k = 0; k < 3; ++k)
                rgb[k] = std::isfinite(all[k]) ? static_cast<float>(all[k]) : 0;
        }
    }
    Matrix3 m_matrix;
    bool m_isWorking;
};

std::string describe(cmsHPROFILE profile)
{
    char text[256] = {};
    cmsGetProfileInfoASCII(profile, cmsInfoDescription, "en", "US", text, sizeof text);
    return text[0] ? text : "unnamed profile";
}

struct Shaper {
    Matrix3 toXyzD50{};
    const cmsToneCurve* curves[3] = {};
};

std::optional<Shaper> readShaper(cmsHPROFILE profile)
{
    if (!cmsIsMatrixShaper(profile) || cmsIsTag(profile, cmsSigAToB0Tag))
        return std::nullopt;
    Shaper shaper;
    const cmsTagSignature colorants[] = {cmsSigRedColorantTag, cmsSigGreenColorantTag, cmsSigBlueColorantTag};
    const cmsTagSignature curves[] = {cmsSigRedTRCTag, cmsSigGreenTRCTag, cmsSigBlueTRCTag};
    for (int i = 0; i < 3; ++i) {
        const auto* xyz = static_cast<const cmsCIEXYZ*>(cmsReadTag(profile, colorants[i]));
        shaper.curves[i] = static_cast<const cmsToneCurve*>(cmsReadTag(profile, curves[i]));
        if (!xyz || !shaper.curves[i])
            return std::nullopt;
        shaper.toXyzD50.m[0][i] = xyz->X, shaper.toXyzD50.m[1][i] = xyz->Y, shaper.toXyzD50.m[2][i] = xyz->Z;
    }
    return shaper;
}

double evaluate(const cmsToneCurve* curve, double v)
{
    return cmsEvalToneCurveFloat(curve, static_cast<cmsFloat32Number>(v));
}

/// Published spaces are recognised so that their exact numbers are used instead of a profile's 16-bit rounding of them.
std::optional<RgbSpace> recognise(const Shaper& shaper)
{
    for (RgbSpace space : {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto, RgbSpace::Rec2020,
                           RgbSpace::Linear}) {
        const Matrix3 toD50 = bradford(whiteOf(space), kD50) * rgbToXyz(space);
        double worst = 0;
        for (int i = 0; i < 27; ++i) {
            const double v[3] = {(i % 3) / 2.0, (i / 3 % 3) / 2.0, (i / 9) / 2.0};
            const LinearRgb theirs =
                apply(shaper.toXyzD50, {evaluate(shaper.curves[0], v[0]), evaluate(shaper.curves[1], v[1]),
                                        evaluate(shaper.curves[2], v[2])});
            const LinearRgb ours = apply(
                toD50, {decodeComponent(space, v[0]), decodeComponent(space, v[1]), decodeComponent(space, v[2])});
            const Lab p = toLab(Xyz{theirs.r, theirs.g, theirs.b}), q = toLab(Xyz{ours.r, ours.g, ours.b});
            worst = std::max({worst, std::abs(p.l - q.l), std::abs(p.a - q.a), std::abs(p.b - q.b)});
        }
        for (double v : {0.02, 0.1, 0.25, 0.75})  // tone curves alone, away from the ends
            worst = std::max(worst, std::abs(encodeComponent(RgbSpace::Srgb, evaluate(shaper.curves[1], v)) -
                                             encodeComponent(RgbSpace::Srgb, decodeComponent(space, v))) *
                                        100);
        if (worst < 0.3)
            return space;
    }
    return std::nullopt;
}

SourceProfile knownSpace(RgbSpace space, int bits)
{
    SourceProfile result;
    result.title = titleOf(space);
    result.space = space;
    result.transform = std::make_shared<MatrixTransform>(bits, toWorking(space),
                                                         [space](int, double v) { return decodeComponent(space, v); });
    return result;
}

}  // namespace

const std::vector<std::uint8_t>& iccProfile(RgbSpace space)
{
    const auto bytes = [](RgbSpace which) { return iccBytes(makeProfile(which).get(), std::string(titleOf(which))); };
    static const std::array<std::vector<std::uint8_t>, 6> all{bytes(RgbSpace::Srgb),    bytes(RgbSpace::DisplayP3),
                                                              bytes(RgbSpace::OpRgb),   bytes(RgbSpace::ProPhoto),
                                                              bytes(RgbSpace::Rec2020), bytes(RgbSpace::Linear)};
    return all[static_cast<std::size_t>(space)];
}

void SourceTransform::convert(const float* /*light*/, int /*channels*/, int count, float* rgb) const
{
    std::fill_n(rgb, 3 * static_cast<std::size_t>(count), 0.0f);
}

SourceProfile lightProfile(const std::optional<Chromaticities>& primaries)
{
    const auto apart = [](const Chromaticities& p, const Chromaticities& q) {
        double most = 0;
        const double* const of[] = {p.red, p.green, p.blue, p.white, q.red, q.green, q.blue, q.white};
        for (int i = 0; i < 4; ++i)
            for (int k = 0; k < 2; ++k)
                most = std::max(most, std::abs(of[i][k] - of[i + 4][k]));
        return most;
    };
    constexpr double kSame = 2e-4;
    const Chromaticities own = primaries.value_or(chromaticitiesOf(RgbSpace::Srgb));
    SourceProfile result;
    result.title = "linear light";
    Matrix3 matrix = toWorking(own);
    bool isWorking = false;
    for (RgbSpace space : {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto, RgbSpace::Linear})
        if (apart(own, chromaticitiesOf(space)) < kSame)
            matrix = toWorking(space), isWorking = space == RgbSpace::Linear;
    result.transform = std::make_shared<LightTransform>(matrix, isWorking);
    return result;
}

Result<SourceProfile> sourceProfile(const std::vector<std::uint8_t>& icc, int channels, int bits)
{
    if (icc.empty()) {
        SourceProfile assumed = knownSpace(RgbSpace::Srgb, bits);
        assumed.assumedSrgb = true;
        return assumed;
    }
    const LcmsProfile profile(cmsOpenProfileFromMem(icc.data(), static_cast<cmsUInt32Number>(icc.size())));
    if (!profile)
        return fail("the embedded colour profile is damaged");
    const auto kind = cmsGetColorSpace(profile.get());
    SourceProfile result;
    result.title = describe(profile.get());
    if (channels == 1 && kind == cmsSigGrayData) {
        const auto* curve = static_cast<const cmsToneCurve*>(cmsReadTag(profile.get(), cmsSigGrayTRCTag));
        if (!curve)
            return fail("the embedded grey profile has no tone curve");
        result.transform = std::make_shared<MatrixTransform>(bits, Matrix3{{{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}},
                                                             [curve](int, double v) { return evaluate(curve, v); });
        return result;
    }
    if (kind != cmsSigRgbData)
        return fail("the embedded colour profile does not fit the picture", {}, "an RGB profile", result.title);
    if (const auto shaper = readShaper(profile.get())) {
        if (const auto space = recognise(*shaper))
            return knownSpace(*space, bits);
        const Matrix3 matrix =
            inverse(rgbToXyz(RgbSpace::Linear)) * bradford(kD50, whiteOf(RgbSpace::Linear)) * shaper->toXyzD50;
        result.transform = std::make_shared<MatrixTransform>(
            bits, matrix, [&](int channel, double v) { return evaluate(shaper->curves[channel], v); });
        return result;
    }
    if (channels == 1)
        return fail("a grey picture with a table-based RGB profile is not read");
    auto transform = std::make_shared<LcmsSource>(profile.get(), bits);
    if (!transform->isValid())
        return fail("the embedded colour profile cannot be used", {}, {}, result.title);
    result.transform = std::move(transform);
    return result;
}

}  // namespace amber
