// Names of things for the screen.
#pragma once

#include "core/job/job.h"

#include <QString>
#include <vector>

namespace amber {

/// The name of a key colour.
QString keyColourTitle(const KeyColour& key);
/// The name of a frame: that of its file, on one line.
QString titleOf(const Frame& frame);
/// Words with pictures in the place of control characters, which would break the line.
QString oneLine(QString words);
/// std::string and paths for the screen.
QString text(const std::string& s);
QString text(const std::filesystem::path& p);
/// A sentence of core for the screen: its numbers have a minus, no hyphen.
QString sentence(const std::string& s);

/// Ratios of width to height that crops and deliveries offer; the first keeps the picture's own.
struct Shape {
    QString words;
    double ratio;
};
std::vector<Shape> shapes();

}  // namespace amber
