// A version of a library's part, as a file that somebody else put into the shared folder.
#include "core/library/library.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    namespace fs = std::filesystem;
    static const fs::path place = fs::temp_directory_path() / ("amber-fuzz-library-" + std::to_string(getpid()));
    static const fs::path version = [] {
        fs::remove_all(place);
        Library library({place});
        demand(library.keep({}).has_value());
        for (const auto& entry : fs::recursive_directory_iterator(place))
            if (entry.path().extension() == ".json")
                return entry.path();
        std::abort();
    }();
    fs::rename(fileOf(data, size, ".part"), version);
    (void)Library({place}).read();
    return 0;
}
