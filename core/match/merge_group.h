// A look with the steps of one match as they were taken.
#pragma once

#include "core/look/look.h"

namespace amber {

/// `taken` was made from `look` as one picture has it (lookFor). Steps of the group come from there, all others stay as
/// they are in `look`, with what they hold for single pictures. With `onlyPicture` the group's steps hold their numbers
/// for that picture alone and do nothing to others.
Look mergedGroup(const Look& look, const Look& taken, const std::string& group, const std::string& onlyPicture);

}  // namespace amber
