#include "core/image/icc_bytes.h"

#include <algorithm>
#include <lcms2.h>
#include <memory>

namespace amber {

std::vector<std::uint8_t> iccBytes(void* profile, const std::string& title)
{
    struct FreeText {
        void operator()(cmsMLU* m) const { cmsMLUfree(m); }
    };
    const auto text = [](const std::string& words) {
        std::unique_ptr<cmsMLU, FreeText> mlu(cmsMLUalloc(nullptr, 1));
        cmsMLUsetASCII(mlu.get(), "en", "US", words.c_str());
        return mlu;
    };
    cmsWriteTag(profile, cmsSigProfileDescriptionTag, text(title).get());
    cmsWriteTag(profile, cmsSigCopyrightTag, text("Free to use").get());
    cmsUInt32Number size = 0;
    if (!cmsSaveProfileToMem(profile, nullptr, &size))
        return {};
    std::vector<std::uint8_t> bytes(size);
    cmsSaveProfileToMem(profile, bytes.data(), &size);
    std::fill(bytes.begin() + 24, bytes.begin() + 36, std::uint8_t{0});
    bytes[24] = 0x07, bytes[25] = 0xEA, bytes[27] = 1, bytes[29] = 1;
    if (void* again = cmsOpenProfileFromMem(bytes.data(), size)) {
        cmsUInt8Number id[16];
        if (cmsMD5computeID(again)) {
            cmsGetHeaderProfileID(again, id);
            std::copy(std::begin(id), std::end(id), bytes.begin() + 84);
        }
        cmsCloseProfile(again);
    }
    return bytes;
}

}  // namespace amber
