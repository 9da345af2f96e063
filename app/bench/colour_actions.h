// Ways to say a colour: by the next click on the picture, by a click on any other picture, or typed.
#pragma once

#include "app/bench/step_editor.h"

class QMenu;

namespace amber {

/// Adds them to a menu of an editor. `take` gets the colour.
void addColourActions(QMenu& menu, StepEditor& editor, const std::function<void(const LinearRgb&)>& take);
/// Asks for a typed colour; nothing when it was left, and a fault is said by `failed`.
std::optional<LinearRgb> askColour(QWidget* parent, const std::function<void(const QString&)>& failed);

}  // namespace amber
