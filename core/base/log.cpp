#include "core/base/log.h"

#include <cstdlib>
#include <memory>
#include <spdlog/sinks/rotating_file_sink.h>
#include <spdlog/spdlog.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr std::size_t kLargestBytes = std::size_t{1} << 20, kOlderFiles = 3;
constexpr const char* kName = "jolly-amber";

}  // namespace

fs::path logFile()
{
    const char *state = std::getenv("XDG_STATE_HOME"), *home = std::getenv("HOME");
    if (state && *state)
        return fs::path(state) / "jolly-amber/log.txt";
    return home && *home ? fs::path(home) / ".local/state/jolly-amber/log.txt" : fs::path();
}

bool startLog(const fs::path& file)
{
    if (file.empty())
        return false;
    try {
        fs::create_directories(file.parent_path());
        spdlog::drop(kName);
        const auto log = spdlog::rotating_logger_mt(kName, file.string(), kLargestBytes, kOlderFiles);
        log->set_pattern("%Y-%m-%d %H:%M:%S.%e %l %v");
        log->flush_on(spdlog::level::info);
        // A full disk must not end the program, nor be said for every line.
        log->set_error_handler([](const std::string&) {});
        return true;
    } catch (const std::exception&) {
        return false;
    }
}

void logNote(const std::string& words)
{
    if (const auto log = spdlog::get(kName))
        log->info(words);
}

void logWarning(const std::string& words)
{
    if (const auto log = spdlog::get(kName))
        log->warn(words);
}

}  // namespace amber
