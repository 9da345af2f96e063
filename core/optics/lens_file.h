// Lenses out of lens files in the format of the lensfun library: those that are installed, and those in folders of
// one's own.
#pragma once

#include "core/optics/optics.h"

#include <filesystem>
#include <optional>

namespace amber {

/// What a picture's file says of how it was taken; by these a lens is looked up.
struct LensFacts {
    std::string maker, camera, lens;
    double focalLength = 0, aperture = 0;  ///< millimetres, f-number; 0: unknown
    int width = 0, height = 0;             ///< pixels, upright
};

struct FoundLens {
    KnownLens lens;
    bool hasBow = false, hasFringes = false, hasFalloff = false;
};
/// The lens of these facts, at its focal length and aperture. Files (*.xml) in `folders` come before those installed;
/// one that cannot be read is passed over. Nothing when no lens fits, or when the file says too little.
std::optional<FoundLens> findLens(const LensFacts& facts, const std::vector<std::filesystem::path>& folders = {});

}  // namespace amber
