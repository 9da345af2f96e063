// kill -9 during a drag, during import and during export: nothing older than the gesture in hand is lost, and no half
// file is left.
#include "core/base/content_hash.h"
#include "core/job/job_store.h"
#include "tests/window/acts.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

/// Starts this program again as a window that does one thing without end, and kills it after `lines` lines of its
/// output.
std::vector<std::string> actAndKill(const std::string& act, const fs::path& folder, int lines)
{
    int pipe[2];
    if (::pipe(pipe) != 0)
        return {};
    const pid_t child = ::fork();
    if (child == 0) {
        ::dup2(pipe[1], STDOUT_FILENO);
        ::execl("/proc/self/exe", "window_tests", "--act", act.c_str(), folder.c_str(), nullptr);
        ::_exit(127);
    }
    ::close(pipe[1]);
    FILE* out = ::fdopen(pipe[0], "r");
    std::vector<std::string> said;
    char line[256];
    while (static_cast<int>(said.size()) < lines && std::fgets(line, sizeof line, out))
        said.emplace_back(line);
    ::kill(child, SIGKILL);
    while (std::fgets(line, sizeof line, out))
        said.emplace_back(line);
    std::fclose(out);
    ::waitpid(child, nullptr, 0);
    return said;
}

std::string jobOf(const TemporaryFolder& folder) { return JobStore::fileForFolder(folder.path()).string(); }

TEST(KillNine, DuringADragLosesOnlyTheGestureInHand)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    std::size_t gestures = 0;
    for (int round = 1; round <= 3; ++round) {
        const auto said = actAndKill("drag", folder.path(), 3 + 2 * round);
        ASSERT_GE(said.size(), 3u) << "the window did not begin";
        gestures += said.size();
        const auto job = JobStore::open(jobOf(folder));
        ASSERT_TRUE(job) << job.error().message();
        const auto look = job->currentLook(1);
        ASSERT_TRUE(look) << look.error().message();
        const auto& points = std::get<ToneCurve>(look->steps.at(0).parameters).all;
        // The last gesture that was reported, or one more that ended just before the end.
        const double reported = std::stod(said.back()), found = points.at(1).y;
        EXPECT_TRUE(std::abs(found - reported) < 1e-6 || std::abs(found - nextDragTarget(reported)) < 0.02)
            << found << " after " << reported;
    }
    EXPECT_GT(gestures, 10u);
}

TEST(KillNine, DuringImportLosesNoFrameAndTouchesNoPicture)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 40);
    std::vector<std::string> hashes;
    for (int i = 0; i < 40; ++i)
        hashes.push_back(*contentHashOfFile(folder / ("frame-" + std::to_string(i) + ".png")));
    for (int lines : {1, 7, 25}) {
        EXPECT_GE(static_cast<int>(actAndKill("import", folder.path(), lines).size()), lines);
        const auto job = JobStore::open(jobOf(folder));
        ASSERT_TRUE(job) << job.error().message();
        EXPECT_EQ(job->frames().size(), 40u);
        for (int i = 0; i < 40; ++i)
            EXPECT_EQ(*contentHashOfFile(folder / ("frame-" + std::to_string(i) + ".png")),
                      hashes[static_cast<std::size_t>(i)]);
    }
    OpenWindow app(folder.path());
    EXPECT_TRUE(app.thumbnailsRead());
}

TEST(KillNine, DuringExportLeavesOnlyWholeFilesAndTheNextOneTidiesUp)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 40);
    const fs::path out = folder / "handed-over";
    int killedInTheMiddle = 0;
    for (int lines : {2, 9, 17}) {
        const auto said = actAndKill("export", folder.path(), lines);
        killedInTheMiddle += said.size() < 40;
        for (const auto& entry : fs::directory_iterator(out))
            if (entry.path().extension() == ".png" && entry.path().filename().string().rfind(".amber-part-", 0) != 0) {
                EXPECT_EQ(readRaw(entry.path()).width, 360) << entry.path();
            }
    }
    EXPECT_GE(killedInTheMiddle, 2);
    OpenWindow app(folder.path());
    app.find<QComboBox>("exportFormat").setCurrentIndex(1);
    ASSERT_TRUE(app.handOver());
    int files = 0;
    for (const auto& entry : fs::directory_iterator(out)) {
        EXPECT_NE(entry.path().filename().string()[0], '.') << entry.path();
        ++files;
    }
    EXPECT_EQ(files, 40 + 1) << "what the killed ones had written was known and written anew; and one list";
}

}  // namespace
}  // namespace amber::test
