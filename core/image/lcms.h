// LittleCMS with owners (internal to core/image and core/display).
#pragma once

#include <cstdint>
#include <lcms2.h>
#include <memory>
#include <utility>
#include <vector>

namespace amber {

struct CloseLcms {
    void operator()(void* p) const { cmsCloseProfile(p); }
};
using LcmsProfile = std::unique_ptr<void, CloseLcms>;

inline LcmsProfile openLcms(const std::vector<std::uint8_t>& icc)
{
    return LcmsProfile(cmsOpenProfileFromMem(icc.data(), static_cast<cmsUInt32Number>(icc.size())));
}

/// The colour signature of values in double precision.
inline cmsUInt32Number doublesOf(cmsHPROFILE profile)
{
    return cmsGetColorSpace(profile) == cmsSigCmykData ? TYPE_CMYK_DBL : TYPE_RGB_DBL;
}

/// XYZ of the connection space (D50) to a device's values, or values of one device to those of another.
class LcmsTransform {
public:
    LcmsTransform(cmsHPROFILE to, cmsUInt32Number intent, cmsUInt32Number flags)
    {
        const LcmsProfile xyz(cmsCreateXYZProfile());
        m_transform = cmsCreateTransform(xyz.get(), TYPE_XYZ_DBL, to, doublesOf(to), intent,
                                         flags | cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE);
    }
    explicit LcmsTransform(cmsHTRANSFORM transform) : m_transform(transform) {}
    LcmsTransform(LcmsTransform&& other) noexcept : m_transform(std::exchange(other.m_transform, nullptr)) {}
    LcmsTransform& operator=(LcmsTransform&&) = delete;
    ~LcmsTransform()
    {
        if (m_transform)
            cmsDeleteTransform(m_transform);
    }
    explicit operator bool() const { return m_transform != nullptr; }
    /// Values laid out as the transform was made for.
    void run(const void* in, void* out, std::size_t count) const
    {
        cmsDoTransform(m_transform, in, out, static_cast<cmsUInt32Number>(count));
    }

private:
    cmsHTRANSFORM m_transform = nullptr;
};

}  // namespace amber
