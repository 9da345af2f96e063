// Pictures of every kind: refused, or as large as they say and finite.
#include "core/image/read.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    const auto path = fileOf(data, size, ".bin");
    const auto info = readPictureInfo(path);
    if (!info || static_cast<long long>(info->width) * info->height > 4'000'000)
        return 0;
    const auto picture = readPicture(path);
    if (!picture)
        return 0;
    demand(picture->image.width() == info->width && picture->image.height() == info->height);
    const auto count = static_cast<std::size_t>(info->width) * info->height;
    for (std::size_t i = 0; i < 3 * count; ++i)
        demand(std::isfinite(picture->image.view().data[i]));
    return 0;
}
