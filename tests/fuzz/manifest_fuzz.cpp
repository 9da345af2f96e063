// The list beside what was written: a folder's own and a machine's part of it, alike in what they hold.
#include "core/base/written_files.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    namespace fs = std::filesystem;
    const fs::path folder = fs::temp_directory_path() / ("amber-fuzz-list-" + std::to_string(getpid()));
    fs::remove_all(folder);
    fs::create_directories(folder);
    fs::rename(fileOf(data, size, ".list"), folder / "manifest.json");
    const auto listed = WrittenFiles::listedIn(folder);
    fs::copy_file(folder / "manifest.json", folder / "manifest.part-1-of-2.json");
    (void)WrittenFiles::listedIn(folder);
    if (WrittenFiles::mergeParts(folder))
        demand(WrittenFiles::listedIn(folder).size() >= listed.size());
    return 0;
}
