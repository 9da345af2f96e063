// Jobs: a damaged file is refused, or opened with what can be read of it named.
#include "core/job/job_store.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    namespace fs = std::filesystem;
    const fs::path folder = fs::temp_directory_path() / ("amber-fuzz-job-" + std::to_string(getpid()));
    fs::remove_all(folder);
    fs::create_directories(folder);
    const fs::path file = folder / "one.amberjob";
    fs::rename(fileOf(data, size, ".amberjob"), file);
    auto store = JobStore::open(file);
    if (!store)
        return 0;
    if (const auto entries = store->entries())
        for (const JournalEntry& entry : *entries)
            demand(entry.changes.size() < size + 64);
    (void)store->undo();
    (void)store->redo();
    return 0;
}
