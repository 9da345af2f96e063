// Common LUT Format: our check and the library behind it; whatever is taken in is whole and finite.
#include "core/table_files/table_file.h"
#include "tests/fuzz/demand.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    if (const auto file = parseClf({reinterpret_cast<const char*>(data), size}, "fuzz.clf"))
        demandSane(file->table);
    return 0;
}
