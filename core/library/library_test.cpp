// Looks and parts of looks kept across jobs: versions, places, programs that write at once, damaged files.
#include "core/library/library.h"
#include "core/look/part.h"
#include "core/look/scope.h"
#include "tests/support/random_look.h"
#include "tests/support/read_only.h"
#include "tests/support/temporary_folder.h"

#include <fstream>
#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

namespace amber {
namespace {

using test::Random;
using test::TemporaryFolder;
namespace fs = std::filesystem;

Look namedLook(const std::string& name, int seed)
{
    Random random(static_cast<std::uint64_t>(seed));
    Look look = random.look(3);
    look.name = name, look.intent = "a calm evening", look.card.madeFor = "raw, balanced";
    return look;
}

TEST(Library, KeepsVersionsAndWhereTheyWereUsed)
{
    const TemporaryFolder folder;
    Library library({folder / "own"});
    EXPECT_TRUE(library.read().parts.empty());
    const Look first = namedLook("Long evening", 1);
    Image picture(30, 20);
    const auto id = library.keep({PartKind::Look, first, "pottery", picture});
    ASSERT_TRUE(id) << id.error().message();
    // Another job, another program: it is found, used, changed and kept again.
    Library other({folder / "own"});
    auto contents = other.read();
    ASSERT_EQ(contents.parts.size(), 1u);
    EXPECT_EQ(contents.parts[0].look(), first);
    EXPECT_FALSE(contents.parts[0].versions[0].picture.empty());
    EXPECT_EQ(contents.parts[0].versions[0].job, "pottery");
    other.noteUse(contents.parts[0], 1, "orchard");
    Look second = first;
    second.steps.pop_back(), second.intent = "brighter";
    ASSERT_EQ(other.keep({PartKind::Look, second, "orchard", {}, {}, *id}), *id);
    contents = library.read();
    ASSERT_EQ(contents.parts.size(), 1u);
    ASSERT_EQ(contents.parts[0].versions.size(), 2u);
    EXPECT_EQ(contents.parts[0].versions[0].look, first) << "the first stands as it was";
    EXPECT_EQ(contents.parts[0].look(), second);
    ASSERT_EQ(contents.parts[0].uses.size(), 1u);
    EXPECT_EQ(contents.parts[0].uses[0].job, "orchard");
    EXPECT_TRUE(contents.faults.empty());
}

TEST(Library, TwoProgramsAtOnceLoseNothing)
{
    const TemporaryFolder folder;
    const auto id = Library({folder / "own"}).keep({PartKind::Look, namedLook("Shared", 2), "a"});
    ASSERT_TRUE(id);
    constexpr int kEach = 12;
    std::vector<pid_t> children;
    for (int child = 0; child < 3; ++child)
        if (const pid_t pid = ::fork(); pid == 0) {
            Library library({folder / "own"});
            bool isGood = true;
            for (int i = 0; i < kEach; ++i)
                isGood =
                    isGood && library.keep({PartKind::Look, namedLook("Shared", 100 * child + i), "b", {}, {}, *id});
            ::_exit(isGood ? 0 : 1);
        } else {
            children.push_back(pid);
        }
    for (const pid_t pid : children) {
        int status = -1;
        ASSERT_EQ(::waitpid(pid, &status, 0), pid);
        EXPECT_EQ(status, 0);
    }
    const auto contents = Library({folder / "own"}).read();
    ASSERT_EQ(contents.parts.size(), 1u);
    EXPECT_EQ(contents.parts[0].versions.size(), 1u + 3 * kEach);
    EXPECT_TRUE(contents.faults.empty());
    for (int child = 0; child < 3; ++child)
        for (int i = 0; i < kEach; ++i)
            EXPECT_TRUE(std::any_of(contents.parts[0].versions.begin(), contents.parts[0].versions.end(),
                                    [&](const auto& v) { return v.look == namedLook("Shared", 100 * child + i); }))
                << child << " " << i;
}

TEST(Library, WhatIsDamagedIsNamedAndPassedOver)
{
    const TemporaryFolder folder;
    Library library({folder / "own"});
    const auto good = library.keep({PartKind::Look, namedLook("Good", 3), "a"}),
               bad = library.keep({PartKind::Look, namedLook("Bad", 4), "a"});
    ASSERT_TRUE(good && bad);
    ASSERT_TRUE(library.keep({PartKind::Look, namedLook("Good", 5), "a", {}, {}, *good}));
    std::ofstream(folder / "own" / *good / "v0002.json", std::ios::trunc) << "{\"format\": \"jolly-amber-lib";
    fs::resize_file(folder / "own" / *bad / "v0001.json", 100);
    std::ofstream(folder / "own" / *good / "used-1.json") << "[]";
    fs::create_directories(folder / "own" / "empty");
    const auto contents = library.read();
    ASSERT_EQ(contents.parts.size(), 1u);
    EXPECT_EQ(contents.parts[0].look(), namedLook("Good", 3)) << "its other version is there";
    ASSERT_EQ(contents.faults.size(), 2u);
    for (const auto& fault : contents.faults)
        EXPECT_FALSE(fault.why.empty()) << fault.file;
    // The next version does not take the damaged one's place.
    ASSERT_TRUE(library.keep({PartKind::Look, namedLook("Good", 6), "a", {}, {}, *good}));
    EXPECT_TRUE(fs::exists(folder / "own" / *good / "v0003.json"));
    EXPECT_EQ(library.read().parts[0].look(), namedLook("Good", 6));
}

TEST(Library, APlaceOfATeamIsReadAndLeftAloneWhereItCannotBeWritten)
{
    const TemporaryFolder folder;
    fs::create_directories(folder / "team");
    Library team({folder / "team"});
    const auto id = team.keep({PartKind::Step, namedLook("Grain of the house", 7), "a"});
    ASSERT_TRUE(id);
    ::setenv("XDG_DATA_HOME", (folder / "data").c_str(), 1);
    ASSERT_TRUE(Library::ofUser().addPlace(folder / "team"));
    EXPECT_FALSE(Library::ofUser().addPlace(folder / "nowhere"));
    Library library = Library::ofUser();
    ::unsetenv("XDG_DATA_HOME");
    ASSERT_EQ(library.places().size(), 2u);
    EXPECT_FALSE(library.places()[1].isReadOnly);
    {
        const test::ReadOnly readOnly(folder.path(), folder / "team");
        EXPECT_TRUE(library.places()[1].isReadOnly);
        const auto contents = library.read();
        ASSERT_EQ(contents.parts.size(), 1u);
        EXPECT_EQ(contents.parts[0].kind, PartKind::Step);
        EXPECT_FALSE(library.keep({PartKind::Step, namedLook("Mine", 8), "a", {}, folder / "team"}));
        library.noteUse(contents.parts[0], 1, "b");
    }
    EXPECT_TRUE(library.read().parts[0].uses.empty());
    fs::remove_all(folder / "team");
    EXPECT_EQ(library.read().faults.size(), 1u) << "a place that is gone is named";
    EXPECT_FALSE(library.places()[1].isThere);
}

TEST(Library, IsSearchedByEveryWord)
{
    const TemporaryFolder folder;
    Library library({folder / "own"});
    Look look = namedLook("Long evening", 1);
    look.steps = {Step{Grain{}, true, 1, "like paper", {}}};
    ASSERT_TRUE(library.keep({PartKind::Look, look, "a"}));
    ASSERT_TRUE(library.keep({PartKind::Look, namedLook("Chalk", 2), "a"}));
    const auto contents = library.read();
    EXPECT_EQ(found(contents, "").size(), 2u);
    EXPECT_EQ(found(contents, "EVENING paper grain").size(), 1u);
    EXPECT_EQ(found(contents, "calm").size(), 2u);
    EXPECT_TRUE(found(contents, "paper chalk").empty());
}

TEST(Part, CarriesItsRolesAndNamesWhatDoesNotFit)
{
    Look from;
    from.name = "From";
    from.roles = {{"sky", Role::Kind::Sky, "calm", 1, {}}, {"hand", Role::Kind::Skin, {}, 1, {}}};
    for (int i = 0; i < 3; ++i)
        from.steps.push_back({Contrast{}, true, 1, "n", {}});
    from.steps[1].guard.where.role = "sky";
    from.steps[1] = withHeld(withHeld(from.steps[1], "4", step_part::kStrength, 0.2), holderOfSet("dish"),
                             step_part::kStrength, 0.4);
    from = grouped(from, 1, 2, "Light");
    const Look part = partOf(from, 1, 2);
    EXPECT_EQ(part.name, "Light");
    EXPECT_EQ(partOf(from, 0, 1).name, "Contrast, Contrast");
    ASSERT_EQ(part.roles.size(), 1u);
    EXPECT_EQ(part.steps[0].held.size(), 1u) << "what pictures hold stays behind";
    Look into;
    into.steps = {Step{Ends{}, true, 1, {}, {}}, Step{Grain{}, true, 1, {}, {}}};
    const auto arrived = withPart(into, part, 1, {"other"});
    ASSERT_TRUE(arrived);
    EXPECT_EQ(arrived->look.steps.size(), 4u);
    EXPECT_EQ(typeOf(arrived->look.steps[1]), "contrast");
    EXPECT_EQ(arrived->newRoles, std::vector<std::string>{"sky"});
    EXPECT_EQ(arrived->unknownSets, std::vector<std::string>{"dish"});
    EXPECT_TRUE(withPart(into, part, 9, {"dish"})->unknownSets.empty());
    EXPECT_EQ(typeOf(withPart(into, part, 9, {})->look.steps[3]), "contrast") << "past the end: at the end";
    into.steps.resize(kStepLimit - 1);
    EXPECT_FALSE(withPart(into, part, 0, {}));
}

}  // namespace
}  // namespace amber
