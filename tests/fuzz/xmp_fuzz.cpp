// What files say of themselves: XMP and EXIF inside a small JPEG.
#include "core/image/metadata.h"
#include "core/image/read.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    constexpr std::size_t kMost = 60000;
    size = std::min(size, kMost);
    // SOI, one APP1 of the kind that the first byte chooses, EOI.
    const bool isXmp = size > 0 && data[0] % 2 == 0;
    std::string bytes = "\xff\xd8\xff\xe1";
    const std::string head = isXmp ? std::string("http://ns.adobe.com/xap/1.0/\0", 29) : std::string("Exif\0\0", 6);
    const std::size_t length = 2 + head.size() + (size > 0 ? size - 1 : 0);
    bytes += static_cast<char>(length >> 8), bytes += static_cast<char>(length & 255), bytes += head;
    bytes.append(reinterpret_cast<const char*>(data) + (size > 0 ? 1 : 0), size > 0 ? size - 1 : 0);
    bytes += "\xff\xd9";
    const auto path = fileOf(reinterpret_cast<const unsigned char*>(bytes.data()), bytes.size(), ".jpg");
    const CaptureFacts facts = captureFacts(path);
    demand(std::isfinite(facts.exposureSeconds) && std::isfinite(facts.fNumber) && std::isfinite(facts.whiteKelvin));
    (void)captureTime(path);
    (void)ownXmp(path);
    return 0;
}
