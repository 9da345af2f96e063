// Routes: what is read is written and read again as the same.
#include "core/route/route.h"
#include "tests/fuzz/demand.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    const auto route = routeFromText({reinterpret_cast<const char*>(data), size}, "fuzz.json");
    if (!route)
        return 0;
    const auto again = routeFromText(routeToText(*route), "again");
    demand(again && *again == *route);
    return 0;
}
