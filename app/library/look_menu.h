// Which look lands where: chosen for frames, for a light, or for all frames that have none of their own.
#pragma once

#include "app/document/document.h"

class QMenu;

namespace amber {

/// Fills a menu with the looks of the job for these frames, for the light of the first of them, and for all others.
void fillLookMenu(QMenu& menu, Document& document, const std::vector<FrameId>& frames);
/// On how many frames the look in hand lands: "all", "12/51".
QString whereWords(const Document& document);

}  // namespace amber
