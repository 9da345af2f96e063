// A look with the steps of one match as they were taken.
#pragma once

#include "core/look/look.h"

namespace amber {

/// Where steps of a match are added: at the end, but before what belongs to the paper (output sharpening, grain).
std::size_t beforePaper(const Look& look);

/// `taken` was made from `look` as one picture has it (lookFor). Steps of the group come from there, all others stay as
/// they are in `look`, with what they hold for single pictures. With `onlyPicture` the group's steps hold their numbers
/// for that picture alone: to others they do what they did, or nothing.
Look mergedGroup(const Look& look, const Look& taken, const std::string& group, const std::string& onlyPicture);

}  // namespace amber
