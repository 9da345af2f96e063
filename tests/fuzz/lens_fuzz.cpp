// Lens files: a lens is found with finite numbers, or none is.
#include "core/optics/lens_file.h"
#include "tests/fuzz/demand.h"
#include "tests/fuzz/file_of.h"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size)
{
    using namespace amber;
    namespace fs = std::filesystem;
    const fs::path folder = fs::temp_directory_path() / ("amber-fuzz-lens-" + std::to_string(getpid()));
    fs::create_directories(folder);
    fs::rename(fileOf(data, size, ".lens"), folder / "one.xml");
    LensFacts facts;
    facts.maker = "Made-up", facts.camera = "Demo One", facts.lens = "Demo 35mm";
    facts.focalLength = 35, facts.aperture = 4, facts.width = 6000, facts.height = 4000;
    if (const auto found = findLens(facts, {folder}))
        demand(found->lens.name.size() < 4096);
    return 0;
}
