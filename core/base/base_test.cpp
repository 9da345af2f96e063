#include "core/base/atomic_file.h"
#include "core/base/content_hash.h"
#include "core/base/json_text.h"
#include "core/base/memory_gate.h"
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/base/written_files.h"
#include "tests/support/temporary_folder.h"

#include <atomic>
#include <clocale>
#include <gtest/gtest.h>
#include <sys/wait.h>
#include <thread>
#include <unistd.h>

namespace amber {
namespace {

using test::readText;
using test::TemporaryFolder;

/// With AMBER_TEST_LOCALE set all tests of this program run in the locale of the environment, as a window does.
class LocaleOfTheUser : public testing::Environment {
public:
    void SetUp() override
    {
        if (!std::getenv("AMBER_TEST_LOCALE"))
            return;
        ASSERT_NE(std::setlocale(LC_ALL, ""), nullptr) << "the locale of the environment is not there";
        ASSERT_STREQ(std::localeconv()->decimal_point, ",");
        std::setlocale(LC_MESSAGES, "C");  // numbers are what is tested, not the system's words
    }
};
[[maybe_unused]] const auto* const kLocale = testing::AddGlobalTestEnvironment(new LocaleOfTheUser);

std::size_t entries(const std::filesystem::path& folder)
{
    return static_cast<std::size_t>(
        std::distance(std::filesystem::directory_iterator(folder), std::filesystem::directory_iterator()));
}

TEST(Phrase, PutsPartsInTheirPlacesAndTakesWordsFromTheCatalogue)
{
    EXPECT_EQ(phrase("%1 of %2, 100 %", {"%2", "b"}), "%2 of b, 100 %");
    EXPECT_EQ(phrase("%3 is no part", {"a"}), "%3 is no part");
    EXPECT_EQ(countedPhrase(1, "%n frame of %1", "%n frames of %1", {"x"}), "1 frame of x");
    EXPECT_EQ(countedPhrase(0, "%n frame of %1", "%n frames of %1", {"x"}), "0 frames of x");
    setCatalogue([](const char* english, int count) -> std::string {
        const std::string text = english;
        if (text == "%n frames of %1")
            return count == 1 ? "von %1 %n Bild" : "von %1 %n Bilder";
        return text == "cannot be read" ? "nicht lesbar" : "";
    });
    EXPECT_EQ(countedPhrase(1, "%n frame of %1", "%n frames of %1", {"x"}), "von x 1 Bild");
    EXPECT_EQ(countedPhrase(3, "%n frame of %1", "%n frames of %1", {"x"}), "von x 3 Bilder");
    EXPECT_EQ(phrase("not in it: %1", {"a"}), "not in it: a");
    // Of a failure what stands before the system's own words.
    EXPECT_EQ((Error{"cannot be read: no disk", "a.json", {}, {}}.message()), "a.json: nicht lesbar: no disk");
    setCatalogue({}, ',');
    EXPECT_EQ(phrase("%1 of %2, %3", {"-0.50", "v1.2.png", "+3.25"}), "-0,50 of v1.2.png, +3,25");
    setCatalogue({});
    EXPECT_EQ(phrase("cannot be read, %1", {"0.5"}), "cannot be read, 0.5");
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
}

TEST(AtomicFile, NeverReplacesWhatThisProgramDidNotWrite)
{
    const TemporaryFolder folder;
    folder.write("theirs.txt", "theirs");
    std::filesystem::create_symlink("theirs.txt", folder / "link.txt");
    std::filesystem::create_symlink("nowhere", folder / "dangling.txt");
    std::filesystem::create_hard_link(folder / "theirs.txt", folder / "second.txt");
    for (const char* name : {"theirs.txt", "link.txt", "second.txt", "dangling.txt"}) {
        const auto status = writeFileAtomically(folder / name, "ours");
        ASSERT_FALSE(status) << name;
        EXPECT_NE(status.error().message().find("is there already"), std::string::npos) << status.error().message();
    }
    EXPECT_EQ(readText(folder / "theirs.txt"), "theirs");
    EXPECT_FALSE(std::filesystem::exists(folder / "nowhere"));
    EXPECT_FALSE(copyFileAtomically(folder / "theirs.txt", folder / "second.txt"));
    EXPECT_EQ(entries(folder.path()), 4u) << "no temporary file stays";

    WrittenFiles written = WrittenFiles::ofFolder(folder.path());
    ASSERT_TRUE(writeFileAtomically(folder / "ours.txt", "first", &written));
    ASSERT_TRUE(writeFileAtomically(folder / "ours.txt", "second", &written)) << "what it wrote itself it may replace";
    EXPECT_EQ(readText(folder / "ours.txt"), "second");
    ASSERT_TRUE(written.save());
    WrittenFiles again = WrittenFiles::ofFolder(folder.path());
    EXPECT_TRUE(again.seemsOurs(folder / "ours.txt"));
    ASSERT_TRUE(writeFileAtomically(folder / "ours.txt", "third", &again)) << "also in another run";
    folder.write("ours.txt", "their");
    EXPECT_FALSE(writeFileAtomically(folder / "ours.txt", "fourth", &again)) << "but not once somebody changed it";
    EXPECT_EQ(readText(folder / "ours.txt"), "their");
}

TEST(AtomicFile, ItsTemporaryFileIsNewAndCannotBeGuessed)
{
    const TemporaryFolder folder;
    const AtomicFile one(folder / "a.jpg"), two(folder / "a.jpg");
    EXPECT_TRUE(std::filesystem::is_regular_file(std::filesystem::symlink_status(one.temporaryPath())))
        << "made at once, by nobody else";
    EXPECT_NE(one.temporaryPath(), two.temporaryPath());
    EXPECT_GT(one.temporaryPath().filename().string().size(), 30u) << "16 random hexadecimal digits are part of it";
}

TEST(WrittenFiles, LeavesAManifestThatIsNotItsOwnAloneAndJoinsWhatOthersAdded)
{
    const TemporaryFolder folder;
    folder.write("manifest.json", "{\"files\": 3}");
    {
        WrittenFiles one = WrittenFiles::ofFolder(folder.path()), other = WrittenFiles::ofFolder(folder.path());
        EXPECT_EQ(one.listFile().filename(), "manifest-2.json");
        one.add(folder / "one.jpg", "aa", 1);
        other.add(folder / "other.jpg", "bb", 2);
        ASSERT_TRUE(one.save() && other.save());
    }
    EXPECT_EQ(readText(folder / "manifest.json"), "{\"files\": 3}");
    const WrittenFiles both = WrittenFiles::ofFolder(folder.path());
    EXPECT_EQ(both.hashOf(folder / "one.jpg") + both.hashOf(folder / "other.jpg"), "aabb");
    EXPECT_EQ(both.hashOf(folder / "third.jpg"), "");
}

TEST(AtomicFile, CopiesWholeFilesAndSaysWhyItCannot)
{
    const TemporaryFolder folder;
    folder.write("from.bin", std::string(100000, 'x') + "end");
    ASSERT_TRUE(copyFileAtomically(folder / "from.bin", folder / "to.bin"));
    EXPECT_EQ(readText(folder / "to.bin"), readText(folder / "from.bin"));
    EXPECT_NE(copyFileAtomically(folder / "gone.bin", folder / "new.bin").error().message().find("No such file"),
              std::string::npos);
    EXPECT_NE(copyFileAtomically(folder / "from.bin", folder / "no/such/to.bin").error().message().find("No such file"),
              std::string::npos);
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
    const std::string name = AtomicFile(folder / "x.jpg").temporaryPath().filename().string(),
                      own = "-" + std::to_string(::getpid()) + "-";
    const auto madeBy = [&](const std::string& process) {
        return std::string(name).replace(name.find(own), own.size(), process);
    };
    const std::string left = madeBy("-" + std::to_string(child) + "-");
    folder.write(left, "half");
    folder.write(madeBy(own), "being written");
    folder.write(".amber-part-00000000-" + std::to_string(child) + "-0123456789abcdef.jpg",
                 "of another machine, being written");
    folder.write(".hidden", "not ours");
    folder.write("picture.jpg", "not ours either");
    removeLeftovers(folder.path());
    EXPECT_FALSE(std::filesystem::exists(folder / left));
    EXPECT_EQ(entries(folder.path()), 4u);
}

TEST(MemoryGate, LetsInWhatFitsAndOneThatNeverWould)
{
    MemoryGate gate(100);
    std::atomic<int> inside = 0, most = 0;
    std::vector<std::thread> all;
    for (int i = 0; i < 8; ++i)
        all.emplace_back([&, i] {
            for (int n = 0; n < 50; ++n) {
                const auto held = gate.take(i == 0 ? 500 : 40);
                const int now = ++inside;
                for (int seen = most; now > seen && !most.compare_exchange_weak(seen, now);) {
                }
                std::this_thread::yield();
                --inside;
            }
        });
    for (std::thread& t : all)
        t.join();
    EXPECT_LE(most, 2);
    EXPECT_EQ(gate.mostBytes(), 500u) << "alone, and never beside another";
}

TEST(JsonText, NeverThrowsWhateverTheBytesAre)
{
    const std::string camera = "Cam\xE9ra \xFF";
    EXPECT_EQ(jsonText({{"camera", camera}}), "{\"camera\":\"Cam\xEF\xBF\xBDra \xEF\xBF\xBD\"}");
    EXPECT_EQ(validUtf8(camera), "Cam\xEF\xBF\xBDra \xEF\xBF\xBD");
    EXPECT_EQ(validUtf8("caf\xC3\xA9"), "caf\xC3\xA9");
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
    EXPECT_EQ((Error{"wrong value", "a.json: strength", "0 to 2", "7"}.message()),
              "a.json: strength: wrong value (expected 0 to 2, found 7)");
    EXPECT_EQ((Error{"empty", {}, {}, {}}.message()), "empty");
}

TEST(NumberText, IsTheSameInEveryLocaleAndNothingHasNoSign)
{
    EXPECT_EQ(fixedText(0.5, 2), "0.50");
    EXPECT_EQ(fixedText(-12.345, 1), "-12.3");
    EXPECT_EQ(fixedText(-0.001, 2), "0.00");
    EXPECT_EQ(signedText(0.25, 1), "+0.2");
    EXPECT_EQ(signedText(-0.25, 2), "-0.25");
    EXPECT_EQ(signedText(0.004, 2), "0.00");
    EXPECT_EQ(shortText(75), "75");
    EXPECT_EQ(shortText(0.5), "0.5");
    EXPECT_EQ(shortText(-0.0004), "0");
    EXPECT_EQ(shortText(1e6), "1000000");
}

}  // namespace
}  // namespace amber
