// Words for the parts of steps and for whose their values are.
#pragma once

#include "core/job/job.h"
#include "core/look/scope.h"

#include <QString>

namespace amber {

/// What a part of a step is called: "strength", "Clay".
QString partTitle(const Step& step, const std::string& part);
/// One value of a part: "turn of Clay".
QString changedTitle(const Step& step, const std::string& part, const std::string& pointer);
/// A value in a few words.
QString valueWords(const Json& value);
/// Whose a value is: "travels", "this frame", a set with how many frames it has.
QString holderWords(const Job& job, const std::string& holder);

}  // namespace amber
