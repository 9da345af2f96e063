// Looks: what is read is written and read again as the same, and a valid one gives finite colours.
#include "core/look/look_json.h"
#include "tests/fuzz/demand.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    const auto loaded = lookFromText({reinterpret_cast<const char*>(data), size}, "fuzz.json");
    if (!loaded)
        return 0;
    const auto again = lookFromText(lookToText(loaded->look, true), "again");
    demand(again.has_value());
    if (!validate(loaded->look))
        return 0;
    for (double v : {-0.5, 0.0, 0.2, 1.0, 40.0}) {
        const LinearRgb c = evaluate(loaded->look, {v, v * v, 1 - v});
        demand(std::isfinite(c.r) && std::isfinite(c.g) && std::isfinite(c.b));
    }
    return 0;
}
