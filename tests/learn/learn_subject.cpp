// Learns what subjects and what looks do to the rows of the ladder (core/match/subject.h): from photographs as they
// are, and from made-up looks on them. Writes subject_spread.inc to standard output.
//   amber_learn_subject FOLDER > core/match/subject_spread.inc
#include "core/image/read.h"
#include "core/match/ladder.h"
#include "core/match/subject.h"
#include "tests/support/treatment.h"

#include <Eigen/Core>
#include <algorithm>
#include <cmath>
#include <cstdio>
#include <filesystem>

namespace amber {
namespace {

using Eigen::MatrixXd;
using Eigen::VectorXd;

constexpr int kLooks = 24;
constexpr std::uint64_t kFirstSeed = 1001;

/// The mean square of some vectors about `centre`.
struct Spread {
    std::vector<VectorXd> all;
    void add(const std::vector<double>& x)
    {
        all.push_back(Eigen::Map<const VectorXd>(x.data(), static_cast<long>(x.size())));
    }
    VectorXd mean() const
    {
        VectorXd sum = VectorXd::Zero(all.front().size());
        for (const VectorXd& x : all)
            sum += x;
        return sum / static_cast<double>(all.size());
    }
    MatrixXd about(const VectorXd& centre) const
    {
        MatrixXd sum = MatrixXd::Zero(centre.size(), centre.size());
        for (const VectorXd& x : all)
            sum += (x - centre) * (x - centre).transpose();
        return sum / static_cast<double>(all.size());
    }
};

void print(const MatrixXd& m)
{
    for (long i = 0; i < m.rows(); ++i)
        for (long j = 0; j <= i; ++j)
            std::printf("%s%.4g,", i + j == 0 ? "" : j == 0 ? "\n    " : " ", m(i, j));
}

Fingerprint measured(const Image& small)
{
    std::vector<Image> one;
    one.push_back(small);
    return measureForMatch(one, membershipOf(one, true));
}

std::vector<double> less(std::vector<double> x, const std::vector<double>& y)
{
    for (std::size_t i = 0; i < x.size(); ++i)
        x[i] -= y[i];
    return x;
}

struct Learned {
    Spread subject, look, falls, textures;
    std::vector<Spread> subjectOf, lookOf;
};

/// What lies by place, of a picture as large as it is compared.
void learnPlaces(ImageView picture, Learned& learned)
{
    const Fingerprint print = fingerprintOf(picture, "", std::max(picture.width, picture.height), 100);
    std::vector<double> falls, textures;
    for (const ValueTrait& fall : print.falls)
        falls.push_back(fall.value);
    for (const ValueTrait& texture : print.textures)
        textures.push_back(100 * std::log(std::max(texture.value, 1e-3)));
    learned.falls.add(falls), learned.textures.add(textures);
}

void learnFrom(const Image& picture, Learned& learned)
{
    const Fingerprint plain = measured(picture);
    const std::size_t families = plain.families.size();
    learned.subjectOf.resize(families), learned.lookOf.resize(families);
    learned.subject.add(lightAndCasts(plain));
    for (std::size_t k = 0; k < families; ++k)
        if (plain.families[k].share >= kLeastSupport)
            learned.subjectOf[k].add(familyColour(plain, k));
    for (std::uint64_t seed = kFirstSeed; seed < kFirstSeed + kLooks; ++seed) {
        std::vector<Image> one;
        one.push_back(picture);
        const Fingerprint treated = measuredThrough(test::treatment(seed), one, membershipOf(one, true));
        learned.look.add(less(lightAndCasts(treated), lightAndCasts(plain)));
        for (std::size_t k = 0; k < families; ++k)
            if (std::min(plain.families[k].share, treated.families[k].share) >= kLeastSupport)
                learned.lookOf[k].add(less(familyColour(treated, k), familyColour(plain, k)));
    }
}

void write(const char* name, const char* what, const std::vector<MatrixXd>& all)
{
    std::printf("/// %s: the lower triangle, row by row.\n", what);
    if (all.size() == 1) {
        std::printf("constexpr double %s[] = {\n    ", name);
        print(all.front());
        std::printf("\n};\n");
        return;
    }
    std::printf("constexpr double %s[][3] = {\n", name);
    for (const MatrixXd& m : all) {
        std::printf("    {%.4g, %.4g, %.4g},\n", m(0, 0), m(1, 0), m(1, 1));
    }
    std::printf("};\n");
}

void writeVariances(const char* name, const char* what, const Spread& spread)
{
    const MatrixXd m = spread.about(spread.mean());
    std::printf("/// %s.\nconstexpr double %s[] = {", what, name);
    for (long i = 0; i < m.rows(); ++i)
        std::printf("%s%.4g", i ? ", " : "", m(i, i));
    std::printf("};\n");
}

int learn(const std::string& folder)
{
    Learned learned;
    std::vector<std::filesystem::path> paths;
    for (const auto& entry : std::filesystem::directory_iterator(folder))
        paths.push_back(entry.path());
    std::sort(paths.begin(), paths.end());
    for (const auto& path : paths)
        if (const auto picture = readReduced(path, 1600, false))
            learnFrom(forMatching(picture->image.view()), learned), learnPlaces(picture->image.view(), learned);
    if (learned.subject.all.size() < 2) {
        std::fprintf(stderr, "no photographs in %s\n", folder.c_str());
        return 1;
    }
    std::printf("// Learned from %zu photographs and %d looks on each (tests/learn/learn_subject.cpp).\n",
                learned.subject.all.size(), kLooks);
    std::vector<MatrixXd> subjects, looks;
    for (std::size_t k = 0; k < learned.subjectOf.size(); ++k) {
        subjects.push_back(learned.subjectOf[k].about(learned.subjectOf[k].mean()));
        looks.push_back(learned.lookOf[k].about(VectorXd::Zero(2)));
    }
    write("kSubject", "Of light and casts over photographs", {learned.subject.about(learned.subject.mean())});
    write("kLook", "Of what looks do to light and casts", {learned.look.about(VectorXd::Zero(10))});
    write("kSubjectOfFamily", "Of each family over photographs", subjects);
    write("kLookOfFamily", "Of what looks do to each family", looks);
    writeVariances("kSubjectOfFalls", "Of falls of light over photographs: variances, L*", learned.falls);
    writeVariances("kSubjectOfTextures", "Of textures over photographs: variances, per cent", learned.textures);
    return 0;
}

}  // namespace
}  // namespace amber

int main(int count, char** arguments)
{
    if (count == 2)
        return amber::learn(arguments[1]);
    std::fprintf(stderr, "amber_learn_subject FOLDER\n");
    return 1;
}
