// What files say of themselves: an XMP packet inside a small JPEG.
#include "core/image/metadata.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

#include <exiv2/exiv2.hpp>

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    constexpr unsigned char kEmpty[] = {0xff, 0xd8, 0xff, 0xd9};  // start and end of a JPEG
    const auto path = fileOf(kEmpty, sizeof kEmpty, ".jpg");
    try {
        const auto image = Exiv2::ImageFactory::open(path.string());
        image->readMetadata();
        image->setXmpPacket({reinterpret_cast<const char*>(data), size});
        image->writeXmpFromPacket(true);
        image->writeMetadata();
    } catch (const std::exception&) {
        return 0;
    }
    const CaptureFacts facts = captureFacts(path);
    demand(std::isfinite(facts.exposureSeconds) && std::isfinite(facts.fNumber) && std::isfinite(facts.whiteKelvin));
    (void)captureTime(path);
    (void)ownXmp(path);
    return 0;
}
