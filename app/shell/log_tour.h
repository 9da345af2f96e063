// The tour of what remembers and trains: log, difference, route, pins, palette test, notes, guide, drills.
#pragma once

#include <QString>

namespace amber {

class MainWindow;
class Photographer;

/// `demo`: the folder of the demo job that is open.
void tourOfLog(Photographer& camera, MainWindow& window, const QString& demo);

}  // namespace amber
