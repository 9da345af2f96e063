// Hits and false alarms of the checks: faults of four grades made on pictures, and the pictures as they are.
//   amber_check_faults FOLDER… [CHECK…]
#include "core/image/read.h"
#include "tests/support/made_faults.h"

#include <cstdio>
#include <filesystem>
#include <map>
#include <set>

namespace {

using namespace amber;
using namespace amber::test;

constexpr int kEdge = 1400, kPictures = 12;

using Pictures = std::vector<std::pair<std::string, Image>>;

Pictures picturesOf(const std::vector<std::filesystem::path>& folders)
{
    std::vector<std::filesystem::path> files;
    for (const auto& folder : folders)
        for (const auto& entry : std::filesystem::recursive_directory_iterator(folder))
            if (entry.is_regular_file())
                files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    Pictures pictures;
    for (const auto& file : files)
        if (auto read = readReduced(file, kEdge, false); read && read->image.width() >= 400)
            pictures.emplace_back(file.filename().string(), std::move(read->image));
    return pictures;
}

Image mirrored(const Image& picture)
{
    Image out(picture.width(), picture.height());
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            std::copy_n(picture.view().row(y) + 3 * (out.width() - 1 - x), 3, out.mutableView().row(y) + 3 * x);
    return out;
}

/// Faces are rare in free pictures: the surest one, in an oval, on every other picture, in several sizes and lights.
Pictures withFace(const Pictures& pictures)
{
    const Image* from = nullptr;
    Face face;
    for (const auto& [name, picture] : pictures)
        if (const auto faces = facesOf(picture.view()); !faces.empty() && faces.front().sureness > face.sureness)
            from = &picture, face = faces.front();
    Pictures all;
    for (const auto& [name, picture] : pictures)
        if (from && &picture != from)
            all.emplace_back(name, withFaceOf(*from, face.place, picture, 5 + all.size()));
    return all;
}

void clean(const Pictures& pictures, const CheckUse& use)
{
    std::map<std::string, int> alarms;
    for (const auto& [name, picture] : pictures)
        for (const Finding& f : findingsOf(1, measuredOf(cleanPicture(picture)), use)) {
            ++alarms[f.kind->id];
            std::printf("  %-34s %-18s %s\n", name.c_str(), f.kind->id, f.measured.words.c_str());
        }
    std::printf("clean pictures: %zu, for %s; alarms by check:", pictures.size(), use.name.c_str());
    for (const auto& [check, count] : alarms)
        std::printf(" %s %d", check.c_str(), count);
    std::printf("\n");
}

/// Where too few pictures can have a fault, they are taken mirrored as well.
void faults(const Pictures& plain, const CheckUse& use, const std::set<std::string>& checks)
{
    std::printf("%-20s made  hits of just not, just, clearly, plainly; median value of each\n", "check");
    for (const CheckKind* kind : checkKinds()) {
        if (!checks.empty() && checks.count(kind->id) == 0)
            continue;
        std::array<int, kGrades> made{}, hits{};
        std::array<std::vector<double>, kGrades> values;
        int used = 0;
        const Pictures faced = kind->id == std::string("focus") ? withFace(plain) : Pictures();
        const Pictures& pictures = faced.empty() ? plain : faced;
        for (std::size_t i = 0; i < 2 * pictures.size() && used < kPictures; ++i) {
            const Image& own = pictures[i % pictures.size()].second;
            const Image picture = i < pictures.size() ? own : mirrored(own);
            bool isMade = false;
            for (int grade = 0; grade < kGrades; ++grade) {
                const auto fault = madeFault(kind->id, grade, picture, 77 + i);
                if (!fault)
                    break;
                isMade = true;
                const auto g = static_cast<std::size_t>(grade);
                const FrameMeasured measured = measuredOf(*fault, kind->id);
                ++made[g];
                double most = 0;
                bool isFound = false;
                if (const auto own = measured.find(kind->id); own != measured.end())
                    for (const Measured& m : own->second) {
                        most = std::max(most, m.value);
                        isFound = isFound || m.value > m.limit.value_or(use.limitOf(*kind));
                    }
                values[g].push_back(most);
                hits[g] += isFound ? 1 : 0;
            }
            used += isMade ? 1 : 0;
        }
        std::printf("%-20s %4d ", kind->id, made[0] + made[1] + made[2] + made[3]);
        for (std::size_t g = 0; g < kGrades; ++g)
            std::printf(" %d/%d", hits[g], made[g]);
        for (auto& v : values) {
            std::sort(v.begin(), v.end());
            std::printf("  %.2f", v.empty() ? 0.0 : v[v.size() / 2]);
        }
        std::printf("  limit %.2f %s\n", use.limitOf(*kind), kind->unit);
        std::fflush(stdout);
    }
}

}  // namespace

int main(int count, char** arguments)
{
    std::vector<std::filesystem::path> folders;
    std::set<std::string> checks;
    for (int i = 1; i < count; ++i)
        if (checkKind(arguments[i]))
            checks.insert(arguments[i]);
        else
            folders.emplace_back(arguments[i]);
    const Pictures pictures = picturesOf(folders);
    if (checks.empty()) {
        clean(pictures, checkUses()[0]);
        clean(pictures, checkUses()[1]);
    }
    faults(pictures, checkUses()[0], checks);
}
