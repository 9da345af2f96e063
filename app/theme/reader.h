// What a screen reader is told of our buttons.
#pragma once

class QObject;

namespace amber {

/// Buttons that stay down (places of the rail, tabs, switches) are pressed by a reader as by a mouse. The toolkit's own
/// way only turns them over, and what listens to a press hears nothing of it. Call once, at the start.
void letReadersPress();

/// A box to choose from is called by what is chosen, and its own name is not told on this desk: it becomes what
/// describes it.
void tellReadersOf(QObject* widget);

}  // namespace amber
