// A look with the steps of one match as they were taken.
#pragma once

#include "core/look/look.h"
#include "core/look/picture_name.h"

namespace amber {

/// Where steps of a match are added: at the end, but before what belongs to the paper (output sharpening, grain).
std::size_t beforePaper(const Look& look);

/// `taken` was made from `look` as one picture has it (lookFor). Steps of the group come from there, all others stay as
/// they are in `look`, with what they hold for single pictures. With `onlyFor`, a picture's name or a set's holder
/// (scope.h), the group's steps hold their numbers for it alone: to others they do what they did, or nothing.
Look mergedGroup(const Look& look, const Look& taken, const std::string& group, const std::string& onlyFor);

/// The group's steps hold nothing for this picture by itself: it has what its sets have.
Look withoutOwnOfGroup(Look look, const std::string& group, const std::string& picture);
/// The group's steps do for one picture what they do in `before`, whatever its sets hold now.
Look withGroupKept(Look look, const Look& before, const std::string& group, const PictureName& picture);

}  // namespace amber
