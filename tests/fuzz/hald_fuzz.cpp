// Hald pictures: a PNG of any kind is refused or gives a whole, finite cube.
#include "core/table_files/table_file.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    if (const auto file = readTableFile(fileOf(data, size, ".png")))
        demandSane(file->table);
    return 0;
}
