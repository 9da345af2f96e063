#include "core/image/output_profile.h"

#include "core/base/atomic_file.h"
#include "core/image/icc_bytes.h"
#include "core/image/lcms.h"
#include "core/image/profile.h"

namespace amber {
namespace {

class LcmsOutput final : public OutputProfile {
public:
    LcmsOutput(std::vector<std::uint8_t> bytes, LcmsTransform to8, LcmsTransform to16)
        : m_bytes(std::move(bytes)), m_to8(std::move(to8)), m_to16(std::move(to16))
    {
    }
    void convert(const float* rgb, std::size_t count, std::uint8_t* codes) const override
    {
        m_to8.run(rgb, codes, count);
    }
    void convert(const float* rgb, std::size_t count, std::uint16_t* codes) const override
    {
        m_to16.run(rgb, codes, count);
    }
    const std::vector<std::uint8_t>& bytes() const override { return m_bytes; }

private:
    std::vector<std::uint8_t> m_bytes;
    LcmsTransform m_to8, m_to16;
};

cmsUInt32Number lcmsIntent(RenderingIntent intent)
{
    switch (intent) {
    case RenderingIntent::Perceptual:
        return INTENT_PERCEPTUAL;
    case RenderingIntent::Saturation:
        return INTENT_SATURATION;
    case RenderingIntent::Absolute:
        return INTENT_ABSOLUTE_COLORIMETRIC;
    default:
        return INTENT_RELATIVE_COLORIMETRIC;
    }
}

}  // namespace

Result<std::shared_ptr<const OutputProfile>> OutputProfile::read(const std::filesystem::path& file,
                                                                 RenderingIntent intent)
{
    constexpr std::size_t kLimit = std::size_t{64} << 20;
    const auto text = readWholeFile(file, kLimit);
    if (!text)
        return tl::make_unexpected(text.error());
    const LcmsProfile to(cmsOpenProfileFromMem(text->data(), static_cast<cmsUInt32Number>(text->size())));
    if (!to)
        return fail("not a colour profile", file.string());
    if (cmsGetColorSpace(to.get()) != cmsSigRgbData)
        return fail("files are written for profiles of RGB; this one is of another kind", file.string());
    const LcmsProfile working = openLcms(iccProfile(RgbSpace::Linear));
    const cmsUInt32Number flags =
        cmsFLAGS_NOCACHE | (intent == RenderingIntent::Absolute ? 0 : cmsFLAGS_BLACKPOINTCOMPENSATION);
    const auto make = [&](cmsUInt32Number type) {
        return LcmsTransform(
            cmsCreateTransform(working.get(), TYPE_RGB_FLT, to.get(), type, lcmsIntent(intent), flags));
    };
    LcmsTransform to8 = make(TYPE_RGB_8), to16 = make(TYPE_RGB_16);
    if (!to8 || !to16)
        return fail("no colours can be made for this profile", file.string());
    return std::make_shared<LcmsOutput>(std::vector<std::uint8_t>(text->begin(), text->end()), std::move(to8),
                                        std::move(to16));
}

}  // namespace amber
