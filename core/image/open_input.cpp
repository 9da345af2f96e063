#include "core/image/open_input.h"

#include "core/image/profile.h"

#include <OpenImageIO/tiffutils.h>

namespace amber {
namespace {

/// OpenImageIO 2.4 fills its tables of profile fields at their first use, without a lock: two threads that open
/// their first pictures together can crash. They are filled here, once, before any file is opened.
void fillProfileTables()
{
    static const bool once = [] {
        OIIO::ImageSpec spec;
        std::string error;
        return OIIO::decode_icc_profile(iccProfile(RgbSpace::Srgb), spec, error);
    }();
    (void)once;
}

}  // namespace

Result<std::unique_ptr<OIIO::ImageInput>> openInput(const std::string& format, const std::filesystem::path& path,
                                                    OIIO::ImageSpec& spec, const OIIO::ImageSpec& config)
{
    fillProfileTables();
    auto input = OIIO::ImageInput::create(format);
    if (input && input->open(path.string(), spec, config))
        return input;
    const std::string why = input ? input->geterror() : OIIO::geterror();
    return fail("cannot be read: " + (why.empty() ? std::string("damaged") : why), path.string());
}

}  // namespace amber
