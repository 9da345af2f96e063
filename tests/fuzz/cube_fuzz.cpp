// .cube: whatever is taken in is whole, finite, and comes back from its own text.
#include "core/table/cube_file.h"
#include "tests/fuzz/demand.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    const auto table = parseCube({reinterpret_cast<const char*>(data), size}, "fuzz.cube");
    if (!table)
        return 0;
    demandSane(*table);
    if (table->values3.size() + table->values1.size() < 3000) {
        const auto again = parseCube(formatCube(*table), "again");
        demand(again && again->values1 == table->values1 && again->values3 == table->values3);
    }
    return 0;
}
