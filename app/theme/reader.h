// What a screen reader is told of our buttons.
#pragma once

namespace amber {

/// Buttons that stay down (places of the rail, tabs, switches) are pressed by a reader as by a mouse. The toolkit's own
/// way only turns them over, and what listens to a press hears nothing of it. Call once, at the start.
void letReadersPress();

}  // namespace amber
