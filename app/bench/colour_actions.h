// Ways to say a colour: by the next click on the picture, by a click on any other picture, or typed.
#pragma once

#include "app/bench/step_editor.h"

class QMenu;

namespace amber {

/// Adds them to a menu of an editor. `take` gets the colour, of the picture on the wall as it enters the step.
void addColourActions(QMenu& menu, StepEditor& editor, const std::function<void(const LinearRgb&)>& take);
/// Asks for any picture and a click on it; nothing when it was left.
std::optional<LinearRgb> askOtherPicture(RenderQueue& queue, QWidget* parent);

}  // namespace amber
