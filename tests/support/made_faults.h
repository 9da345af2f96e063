// Faults made on clean pictures, in four grades: just not a fault, just one, clearly, plainly. For each kind of check.
#pragma once

#include "core/proof/cure.h"
#include "tests/support/random_look.h"

namespace amber::test {

inline constexpr int kGrades = 4;
inline constexpr std::array<const char*, kGrades> kGradeNames{"just not", "just", "clearly", "plainly"};

/// A frame with all that checks look at. Frames that are compared have one or more clean ones beside it.
struct CheckedPicture {
    Image picture;
    Look look;
    FrameBalance balance;
    std::map<std::string, Area> areas;
    std::vector<KeyColour> keys;
    std::vector<Image> beside;
};
/// A picture as it is under a calm look; and the same with one fault. `seed` chooses where and how.
CheckedPicture cleanPicture(const Image& picture);
/// Nothing where this fault cannot be made on this picture (without a face, or without uprights).
std::optional<CheckedPicture> madeFault(const std::string& check, int grade, const Image& picture, std::uint64_t seed);

/// All that is measured of it, or one check alone; comparisons with the frames beside it among them.
FrameMeasured measuredOf(const CheckedPicture& checked, const std::string& check = {});

/// The frame of it (the first), and those beside it (`index` from 1), as they are given to a cure.
FrameToCure frameOf(const CheckedPicture& checked, std::size_t index = 0);

/// The face of one picture (and what is round it, in an oval) somewhere on another.
Image withFaceOf(const Image& from, const Region& face, const Image& to, std::uint64_t seed);

/// Things on a table before a wall with a window, painted: smooth grounds, soft edges, upright and level lines, a
/// little noise. No two seeds are alike.
Image paintedScene(std::uint64_t seed, int width = 720, int height = 480);

}  // namespace amber::test
