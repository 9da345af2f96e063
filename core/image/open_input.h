// A picture file opened by OpenImageIO (internal to core/image).
#pragma once

#include "core/base/result.h"

#include <OpenImageIO/imageio.h>
#include <filesystem>
#include <memory>

namespace amber {

/// Opens `path` with the reader called `format` (OpenImageIO's names); `spec` receives what the header says. Thread
/// safe.
Result<std::unique_ptr<OIIO::ImageInput>> openInput(const std::string& format, const std::filesystem::path& path,
                                                    OIIO::ImageSpec& spec, const OIIO::ImageSpec& config = {});

}  // namespace amber
