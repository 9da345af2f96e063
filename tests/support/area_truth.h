// What lies where on the demo's frames: rendered with the scenes (demo/scenes/truth.py). For tests only.
#pragma once

#include "core/area/area.h"

#include <filesystem>
#include <string>
#include <vector>

namespace amber::test {

/// The frames whose scenes have a truth, by name.
std::vector<std::string> demoFrames();
std::filesystem::path demoPicture(const std::string& frame);
/// Where things of this kind ("sky", "bowl", as in truth.py) are seen on a frame, its lens taken into account. `thing`:
/// only that one of the scene's list, from 1 on; 0: all of them.
FoundMask truthOf(const std::string& frame, const std::string& part, int thing = 0);
/// The things of a frame that cover at least this share of it: what they are, and which of the scene's list.
struct TrueThing {
    std::string part;
    int thing;
};
std::vector<TrueThing> thingsOf(const std::string& frame, double leastShare);
/// The scene that a frame shows.
std::string sceneOf(const std::string& frame);

double shareOf(const FoundMask& mask);
/// Intersection over union at the size of the second.
double overlapOf(const FoundMask& found, const FoundMask& truth);

}  // namespace amber::test
