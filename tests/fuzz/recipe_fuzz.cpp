// Recipes: what is read is written and read again as the same.
#include "core/handover/recipe.h"
#include "tests/fuzz/demand.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    const auto recipe = recipeFromText({reinterpret_cast<const char*>(data), size}, "fuzz.json");
    if (!recipe)
        return 0;
    const auto again = recipeFromText(recipeToText(*recipe), "again");
    demand(again && *again == *recipe);
    (void)outputOptions(*recipe);
    const Size fitted = sizeBy(*recipe, {6000, 4000});
    demand(fitted.width >= 1 && fitted.width <= 6000 && fitted.height >= 1 && fitted.height <= 4000);
    return 0;
}
