// Whose value a part of a step has: everybody's, that of a set of pictures, or that of one picture.
//
// Parts are the switch, the strength, the guard, every parameter by its name, and of hue shifts every family by its
// name ("families/Clay"). A step has one value of each that travels; over it a *holder* may hold another: a set of
// pictures by its name, or a picture. A picture has the value of the nearest holder: its own, then those of the sets it
// belongs to in their order, then the one that travels. What is held by pictures stays with the job; what sets hold
// goes along in a file by the sets' names, and does nothing where there is no set of that name.
#pragma once

#include "core/look/look.h"
#include "core/look/picture_name.h"

namespace amber {

namespace step_part {
inline constexpr const char *kEnabled = "step/enabled", *kStrength = "step/strength", *kGuard = "step/guard";
inline constexpr const char* kFamilies = "families";
}  // namespace step_part

/// The holder that a set is, and back; a picture is a holder under its own name.
std::string holderOfSet(const std::string& set);
std::optional<std::string> setOfHolder(const std::string& holder);

/// Every part of a step, in the order in which they are shown.
std::vector<std::string> partsOf(const Step& step);
/// What a part is on this step as it stands, as JSON; null when it is as it is without being said.
Json valueOf(const Step& step, const std::string& part);
/// What a holder holds of a part, or nothing.
std::optional<Json> heldValue(const Step& step, const std::string& holder, const std::string& part);
/// The holders of a part.
std::vector<std::string> holdersOf(const Step& step, const std::string& part);
/// The parts that somebody holds.
std::set<std::string> heldParts(const Step& step);
/// Whose value of a part a picture has; empty: the one that travels.
std::string holderFor(const Step& step, const PictureName& picture, const std::string& part);
Step withHeld(Step step, const std::string& holder, const std::string& part, const Json& value);
Step withoutHeld(Step step, const std::string& holder, const std::string& part);
/// The part's value that travels is this one. Fails for a value that is none.
Result<Step> withValue(const Step& step, const std::string& part, const Json& value);
/// What a picture has of a part is what this holder holds from now on, or what travels when it is empty. Holders that
/// are nearer to the picture hold it no longer; another holder than the picture's is given it beside what there is.
Step keptFor(const Step& step, const PictureName& picture, const std::string& part, const std::string& holder);
/// The holder whose value the picture has lets go of it.
Step letGo(const Step& step, const PictureName& picture, const std::string& part);
/// A set by another name, in all that a look's steps hold.
Look withSetRenamed(Look look, const std::string& from, const std::string& to);

/// How many of a look's first steps are in the picture already: up to the last of those that have their counterpart
/// among PictureName::inside (the longest common subsequence of kinds). Of a picture that went through none: 0.
std::size_t stepsInside(const Look& look, const PictureName& picture);
/// The step, and the look, as one picture has it: with the steps switched off that are in it already.
Step stepFor(const Step& step, const PictureName& picture);
Look lookFor(const Look& look, const PictureName& picture);
/// The step after an edit made while looking at one picture; `after` is what stepFor gave, changed. Every part that
/// changed changes for whom it is: whose value the picture has, or the picture alone for what each picture keeps.
Step edited(const Step& step, const PictureName& picture, const Step& after);
Step edited(const Step& step, const PictureName& picture, const StepParameters& after);

}  // namespace amber
