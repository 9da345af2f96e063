// What a window does until it is killed, one line of output for each thing done.
#pragma once

#include <QString>

namespace amber::test {

/// "drag", "import" or "export" on a folder of pictures. Returns the process's exit status, if it is let live that
/// long.
int act(const QString& what, const QString& folder);
/// Where the drag after one that ended at `y` ends, about.
double nextDragTarget(double y);

}  // namespace amber::test
