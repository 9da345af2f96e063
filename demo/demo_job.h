// The demo job: a copy of the shipped frames, looks, tables and the rest, with a job that opens on them.
#pragma once

#include "core/base/result.h"

#include <filesystem>

namespace amber {

/// Full: every frame of the shoot, with its raw files. Small: a practice job of eight frames, two of each light.
enum class DemoSize { Full, Small };

/// Writes the demo to `folder` (made when missing; existing files of the demo are left as they are) and returns the job
/// file. The shipped files are looked for in $JOLLY_AMBER_DEMO, beside the program (../share/jolly-amber/demo), and in
/// the source tree.
Result<std::filesystem::path> writeDemoJob(const std::filesystem::path& folder, DemoSize size = DemoSize::Full);

}  // namespace amber
