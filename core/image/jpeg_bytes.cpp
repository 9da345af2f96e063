#include "core/image/jpeg_bytes.h"

#include <memory>
#include <turbojpeg.h>

namespace amber {

Result<std::string> jpegBytes(int width, int height, const std::vector<std::uint32_t>& pixels, int quality)
{
    struct Close {
        void operator()(void* handle) const { tjDestroy(handle); }
    };
    const std::unique_ptr<void, Close> to(tjInitCompress());
    unsigned char* bytes = nullptr;
    unsigned long size = 0;
    const int failed = tjCompress2(to.get(), reinterpret_cast<const unsigned char*>(pixels.data()), width, 0, height,
                                   TJPF_BGRX, &bytes, &size, TJSAMP_420, quality, 0);
    std::string file(reinterpret_cast<const char*>(bytes), failed ? 0 : size);
    tjFree(bytes);
    if (failed)
        return fail("a picture could not be packed", {}, {}, tjGetErrorStr2(to.get()));
    return file;
}

}  // namespace amber
