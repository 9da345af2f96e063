// The part of the tour that visits Hand over.
#pragma once

namespace amber {

class MainWindow;
class Photographer;

/// Several recipes, what is to be known before, the files; then out to a retoucher's stand-in and back.
void tourOfHandover(Photographer& camera, MainWindow& window);

}  // namespace amber
