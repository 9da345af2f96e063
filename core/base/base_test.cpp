#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

namespace amber {
namespace {

using test::readText;
using test::TemporaryFolder;

std::size_t entries(const std::filesystem::path& folder)
{
    return static_cast<std::size_t>(std::distance(std::filesystem::directory_iterator(folder), std::filesystem::directory_iterator()));
}

TEST(AtomicFile, IsWholeAfterCommitAndGoneWithout)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(writeFileAtomically(folder / "a.txt", "first"));
    {
        AtomicFile file(folder / "a.txt");
        std::ofstream(file.temporaryPath()) << "half of the sec";
        EXPECT_EQ(file.temporaryPath().extension(), ".txt");
        EXPECT_EQ(readText(folder / "a.txt"), "first");
    }
    EXPECT_EQ(readText(folder / "a.txt"), "first");
    EXPECT_EQ(entries(folder.path()), 1u);
    ASSERT_TRUE(writeFileAtomically(folder / "a.txt", "second"));
    EXPECT_EQ(readText(folder / "a.txt"), "second");
}

TEST(AtomicFile, CopiesWholeFilesAndSaysWhyItCannot)
{
    const TemporaryFolder folder;
    folder.write("from.bin", std::string(100000, 'x') + "end");
    ASSERT_TRUE(copyFileAtomically(folder / "from.bin", folder / "to.bin"));
    EXPECT_EQ(readText(folder / "to.bin"), readText(folder / "from.bin"));
    EXPECT_NE(copyFileAtomically(folder / "gone.bin", folder / "new.bin").error().message().find("No such file"), std::string::npos);
    EXPECT_NE(copyFileAtomically(folder / "from.bin", folder / "no/such/to.bin").error().message().find("No such file"), std::string::npos);
    folder.write("empty", "");
    EXPECT_TRUE(copyFileAtomically(folder / "empty", folder / "empty too"));
    EXPECT_EQ(entries(folder.path()), 4u);
}

TEST(AtomicFile, SaysWhyItCannotBeWritten)
{
    const auto status = writeFileAtomically("/nowhere/at/all.txt", "x");
    ASSERT_FALSE(status);
    EXPECT_NE(status.error().message().find("/nowhere/at/all.txt"), std::string::npos);
    EXPECT_NE(status.error().message().find("No such file"), std::string::npos);
}

TEST(AtomicFile, LeftoversOfDeadProcessesAreRemovedAndNothingElse)
{
    const TemporaryFolder folder;
    const pid_t child = ::fork();
    if (child == 0)
        ::_exit(0);
    ::waitpid(child, nullptr, 0);
    folder.write(".amber-part-" + std::to_string(child) + "-0.jpg", "half");
    folder.write(".amber-part-" + std::to_string(::getpid()) + "-7.jpg", "being written");
    folder.write(".hidden", "not ours");
    folder.write("picture.jpg", "not ours either");
    removeLeftovers(folder.path());
    EXPECT_FALSE(std::filesystem::exists(folder / (".amber-part-" + std::to_string(child) + "-0.jpg")));
    EXPECT_EQ(entries(folder.path()), 3u);
}

TEST(ReadWholeFile, RefusesWhatIsNoFileAndWhatIsTooLarge)
{
    const TemporaryFolder folder;
    folder.write("eleven", "eleven byte");
    EXPECT_EQ(*readWholeFile(folder / "eleven", 11), "eleven byte");
    EXPECT_EQ(readWholeFile(folder / "eleven", 10).error().what, "file too large");
    EXPECT_EQ(readWholeFile(folder.path(), 100).error().what, "not a file");
    EXPECT_EQ(readWholeFile(folder / "missing", 100).error().what, "no such file");
}

TEST(ContentHash, IsTheStandardXxh3)
{
    // XXH3 of no bytes, 128 bit, seed 0, as its specification gives it.
    EXPECT_EQ(contentHash(""), "99aa06d3014798d86001c324468d497f");
    const TemporaryFolder folder;
    const std::string bytes(3'000'000, 'x');
    EXPECT_EQ(*contentHashOfFile(folder.write("long", bytes)), contentHash(bytes));
    EXPECT_FALSE(contentHashOfFile(folder / "missing"));
}

TEST(Error, ReadsAsOneLine)
{
    EXPECT_EQ((Error{"wrong value", "a.json: strength", "0 to 2", "7"}.message()), "a.json: strength: wrong value (expected 0 to 2, found 7)");
    EXPECT_EQ((Error{"empty", {}, {}, {}}.message()), "empty");
}

}  // namespace
}  // namespace amber
