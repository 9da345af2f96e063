// Pictures of every main view, made from a fresh copy of the demo job: the same pixels on every run.
#pragma once

#include <QString>

namespace amber {

/// Writes the pages of the guide as Markdown, one file each. Returns the process's exit status.
int writeGuide(const QString& folder);
/// Writes one PNG per view into `folder` (made when missing). Returns the process's exit status.
int writeScreenshots(const QString& folder);

}  // namespace amber
