// The user's settings: always read as something, what was wrong put aside, and written again as what was read.
#include "core/settings/settings.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    namespace fs = std::filesystem;
    const fs::path folder = fs::temp_directory_path() / ("amber-fuzz-settings-" + std::to_string(getpid()));
    fs::remove_all(folder);
    fs::create_directories(folder);
    const fs::path file = folder / "settings.json";
    fs::rename(fileOf(data, size, ".settings"), file);
    const ReadSettings read = readSettings(file);
    demand(read.fault.empty() == fs::exists(file));
    demand(writeSettings(file, read.settings).has_value());
    const ReadSettings again = readSettings(file);
    demand(again.fault.empty() && again.settings == read.settings);
    return 0;
}
