// amber_cable: stands in for a camera on a cable. Frames arrive in a folder one after another, in the order they were
// taken.
//
//   amber_cable --from FRAMES --to FOLDER [--every SECONDS]
//
// A frame appears under its name only when it is whole, as a careful transfer does; one that is already there is passed
// over. Prints each arrival. Ends after the last frame, or at once when interrupted.
#include "core/base/atomic_file.h"
#include "core/image/metadata.h"

#include <CLI/CLI.hpp>
#include <algorithm>
#include <chrono>
#include <iostream>
#include <thread>

namespace fs = std::filesystem;

namespace {

/// The pictures of a folder as the camera took them: by time, then by name.
std::vector<fs::path> inOrder(const fs::path& folder)
{
    std::vector<std::pair<std::string, fs::path>> frames;
    for (const auto& entry : fs::directory_iterator(folder))
        if (const std::string extension = entry.path().extension(); extension == ".jpg" || extension == ".dng")
            frames.emplace_back(amber::captureTime(entry.path()), entry.path());
    std::sort(frames.begin(), frames.end());
    std::vector<fs::path> paths;
    for (auto& [time, path] : frames)
        paths.push_back(std::move(path));
    return paths;
}

}  // namespace

int main(int argc, char** argv)
{
    CLI::App app("Frames arrive in a folder at intervals, as from a camera on a cable");
    std::string from, to;
    double every = 4;
    app.add_option("--from", from, "The folder with the frames")->required()->check(CLI::ExistingDirectory);
    app.add_option("--to", to, "The folder they arrive in; made when missing")->required();
    app.add_option("--every", every, "Seconds between two frames")
        ->capture_default_str()
        ->check(CLI::Range(0.0, 3600.0));
    CLI11_PARSE(app, argc, argv);
    std::error_code error;
    fs::create_directories(to, error);
    if (error) {
        std::cerr << "amber_cable: " << to << ": the folder cannot be made: " << error.message() << "\n";
        return 1;
    }
    bool first = true;
    for (const fs::path& frame : inOrder(from)) {
        if (fs::exists(fs::path(to) / frame.filename(), error))
            continue;
        if (!first)
            std::this_thread::sleep_for(std::chrono::duration<double>(every));
        first = false;
        if (const auto arrived = amber::copyFileAtomically(frame, fs::path(to) / frame.filename()); !arrived) {
            std::cerr << "amber_cable: " << arrived.error().message() << "\n";
            return 1;
        }
        std::cout << frame.filename().string() << std::endl;
    }
    return 0;
}
