// Pictures that looks are judged on: demo frames, and photographs of a Debian package (plasma-workspace-wallpapers)
// where it is installed.
#pragma once

#include "core/image/read.h"

#include <filesystem>
#include <string>
#include <vector>

namespace amber::test {

inline std::vector<Image> judgedPictures(int edge = 400)
{
    namespace fs = std::filesystem;
    std::vector<fs::path> paths;
    for (const char* name : {"north-window-02", "lamp-shelf-02", "yard-04", "dusk-terrace-02"})
        paths.push_back(fs::path(AMBER_SOURCE_DIR) / "demo/frames" / (std::string(name) + ".jpg"));
    for (const char* name : {"Autumn", "BytheWater", "ColorfulCups", "EveningGlow", "FallenLeaf", "Kite",
                             "OneStandsOut", "Path", "summer_1am"})
        paths.push_back(fs::path("/usr/share/wallpapers") / name / "contents/images/2560x1600.jpg");
    std::vector<Image> all;
    for (const fs::path& path : paths)
        if (fs::exists(path))
            all.push_back(std::move(readReduced(path, edge, false)->image));
    return all;
}

}  // namespace amber::test
