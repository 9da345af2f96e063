// What may go wrong while files are handed over: nothing is lost, no half file is left, and the reason is said.
#include "core/base/content_hash.h"
#include "tests/support/picture_files.h"
#include "tests/support/run_command.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <chrono>
#include <csignal>
#include <fcntl.h>
#include <map>
#include <random>
#include <set>
#include <sys/resource.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <thread>
#include <unistd.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;
using Files = std::map<std::string, std::string>;

/// Every file under a folder but lists of what was written, by its path: the hash of its content.
Files filesUnder(const fs::path& folder, bool withLists = false)
{
    Files files;
    if (fs::exists(folder))
        for (const auto& entry : fs::recursive_directory_iterator(folder))
            if (entry.is_regular_file() && (withLists || entry.path().filename() != "manifest.json"))
                files[entry.path().lexically_relative(folder).string()] =
                    contentHashOfFile(entry.path()).value_or("unread");
    return files;
}

class HandoverFaults : public ::testing::Test {
protected:
    void SetUp() override
    {
        fs::create_directory(folder / "shoot");
        for (int i = 0; i < 4; ++i)
            ASSERT_TRUE(writeRaw(folder / "shoot" / ("p" + std::to_string(i) + ".png"),
                                 noise(400, 260, 3, 8, static_cast<unsigned>(i))));
        ASSERT_EQ(amber("job new " + job() + " " + quoted("shoot")).status, 0);
        sources = filesUnder(folder / "shoot");
        ASSERT_EQ(handOver("clean").status, 0);
        clean = filesUnder(folder / "clean");
        ASSERT_EQ(clean.size(), 8u);
    }
    std::string quoted(const std::string& name) const { return "'" + (folder / name).string() + "'"; }
    std::string job() const { return quoted("shoot.amberjob"); }
    Ran handOver(const std::string& out, const std::string& more = {})
    {
        return amber("job handover " + job() + " --out " + quoted(out) + " --recipe web,layers " + more);
    }
    /// In a process of its own that can be limited, killed, and (file modes stop nobody who is root) go on as nobody.
    pid_t begin(const std::string& out, rlim_t mostBytes = RLIM_INFINITY, bool asNobody = false,
                const std::string& job = "shoot.amberjob")
    {
        const std::vector<std::string> words{std::string(AMBER_BIN_DIR) + "/amber",
                                             "job",
                                             "handover",
                                             (folder / job).string(),
                                             "--out",
                                             (folder / out).string(),
                                             "--recipe",
                                             "web,layers"};
        const pid_t child = fork();
        if (child != 0)
            return child;
        const rlimit limit{mostBytes, mostBytes};
        setrlimit(RLIMIT_FSIZE, &limit);
        std::signal(SIGXFSZ, SIG_IGN);
        const int said = ::open((folder / "said").c_str(), O_CREAT | O_TRUNC | O_RDWR, 0600);
        setrlimit(RLIMIT_FSIZE, &limit);
        dup2(said, 2), dup2(said, 1);
        constexpr unsigned kNobody = 65534;
        if (asNobody && geteuid() == 0 && (setgid(kNobody) != 0 || setuid(kNobody) != 0))
            _exit(126);
        std::vector<char*> arguments;
        for (const std::string& word : words)
            arguments.push_back(const_cast<char*>(word.c_str()));
        arguments.push_back(nullptr);
        execv(arguments[0], arguments.data());
        _exit(127);
    }
    static int wait(pid_t child)
    {
        int status = 0;
        waitpid(child, &status, 0);
        return WIFEXITED(status) ? WEXITSTATUS(status) : 128 + WTERMSIG(status);
    }
    /// What is there is whole, and the sources are as they were. `mayLeave`: a killed one leaves its hidden file behind
    /// until the next begins.
    void expectWhole(const std::string& out, bool mayLeave = false)
    {
        EXPECT_EQ(filesUnder(folder / "shoot"), sources);
        for (const auto& [name, hash] : filesUnder(folder / out)) {
            const bool isHidden = fs::path(name).filename().string().starts_with(".");
            EXPECT_TRUE(!isHidden || mayLeave) << name << " was left behind";
            if (!isHidden && name.find(".json") == std::string::npos) {
                EXPECT_EQ(clean.at(name), hash) << name << " is not the whole file";
            }
        }
    }

    TemporaryFolder folder;
    Files sources, clean;
};

TEST_F(HandoverFaults, ADiskThatIsFullAtAnyByteLeavesOnlyWholeFiles)
{
    std::uintmax_t largest = 0;
    for (const auto& [name, hash] : clean)
        largest = std::max(largest, fs::file_size(folder / "clean" / name));
    std::mt19937 random(7);
    std::vector<rlim_t> limits{0, 1, 511, 4096};
    for (int i = 0; i < 12; ++i)
        limits.push_back(std::uniform_int_distribution<rlim_t>(0, largest + 1000)(random));
    int complete = 0;
    for (const rlim_t limit : limits) {
        SCOPED_TRACE("no file larger than " + std::to_string(limit));
        fs::remove_all(folder / "full");
        const int status = wait(begin("full", limit));
        expectWhole("full");
        const std::size_t written = filesUnder(folder / "full").size();
        complete += status == 0;
        if (written < clean.size()) {
            EXPECT_NE(status, 0) << "what is missing is said";
        }
        // With room again, what is missing is made.
        ASSERT_EQ(handOver("full").status, 0);
        EXPECT_EQ(filesUnder(folder / "full"), clean);
    }
    EXPECT_LT(complete, static_cast<int>(limits.size()));
}

TEST_F(HandoverFaults, KilledAtTwentyMomentsNothingIsHalfAndTheNextMakesTheRest)
{
    const auto start = std::chrono::steady_clock::now();
    ASSERT_EQ(wait(begin("timed")), 0);
    const auto whole = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    std::mt19937 random(11);
    int killed = 0;
    for (int i = 0; i < 20; ++i) {
        SCOPED_TRACE(i);
        const pid_t child = begin("killed");
        std::this_thread::sleep_for(
            std::chrono::duration<double>(std::uniform_real_distribution<double>(0, whole)(random)));
        kill(child, SIGKILL);
        killed += wait(child) == 128 + SIGKILL;
        expectWhole("killed", true);
        if (i % 5 == 4)
            fs::remove_all(folder / "killed");
    }
    EXPECT_GE(killed, 5);
    ASSERT_EQ(handOver("killed").status, 0);
    expectWhole("killed");
    EXPECT_EQ(filesUnder(folder / "killed"), clean);
    EXPECT_EQ(amber("job verify " + quoted("killed")).status, 0);
}

TEST_F(HandoverFaults, TwoProgramsOnOneTargetLeaveWholeFilesAndOneList)
{
    for (int i = 0; i < 4; ++i) {
        fs::remove_all(folder / "both");
        const pid_t one = begin("both"), two = begin("both");
        wait(one), wait(two);
        EXPECT_EQ(filesUnder(folder / "shoot"), sources);
        std::set<std::string> hashes, wanted;
        for (const auto& [name, hash] : filesUnder(folder / "both")) {
            EXPECT_FALSE(fs::path(name).filename().string().starts_with(".")) << name;
            hashes.insert(hash);
        }
        for (const auto& [name, hash] : clean)
            wanted.insert(hash);
        EXPECT_EQ(hashes, wanted) << "every file is one of those that were to be made, and each is there";
        EXPECT_EQ(amber("job verify " + quoted("both")).status, 0);
    }
}

TEST_F(HandoverFaults, ASourceThatIsGoneFailsAloneAndAFolderThatGoesIsSaid)
{
    fs::rename(folder / "shoot/p2.png", folder / "p2.png");
    const Ran ran = handOver("out");
    EXPECT_EQ(ran.status, 1);
    EXPECT_NE(ran.err.find("p2"), std::string::npos) << ran.err;
    EXPECT_EQ(filesUnder(folder / "out").size(), 6u);
    fs::rename(folder / "p2.png", folder / "shoot/p2.png");
    expectWhole("out");
    // The folder goes while it is written to.
    const pid_t child = begin("gone");
    for (int i = 0; i < 2000 && filesUnder(folder / "gone").empty(); ++i)
        std::this_thread::sleep_for(std::chrono::milliseconds(1));
    std::error_code ignored;
    fs::remove_all(folder / "gone", ignored);
    const int status = wait(child);
    EXPECT_EQ(filesUnder(folder / "shoot"), sources);
    if (filesUnder(folder / "gone").size() < clean.size()) {
        EXPECT_NE(status, 0) << readText(folder / "said");
    }
}

TEST_F(HandoverFaults, AFolderWithoutPermissionAndAReadOnlyShareAreWorkedWith)
{
    chmod(folder.path().c_str(), 0755);
    if (wait(begin("nowhere", RLIM_INFINITY, true, "no.amberjob")) >= 126)
        GTEST_SKIP() << "nobody may not run the program from where it was built";
    fs::create_directory(folder / "locked");
    chmod((folder / "locked").c_str(), 0555);
    EXPECT_NE(wait(begin("locked", RLIM_INFINITY, true)), 0);
    EXPECT_NE(readText(folder / "said").find("locked"), std::string::npos) << readText(folder / "said");
    EXPECT_TRUE(filesUnder(folder / "locked", true).empty());
    // A job and its pictures where nothing can be written; the files go elsewhere.
    fs::create_directory(folder / "share");
    fs::copy(folder / "shoot", folder / "share/shoot", fs::copy_options::recursive);
    fs::copy_file(folder / "shoot.amberjob", folder / "share/shoot.amberjob");
    fs::create_directory(folder / "from-share");
    chmod((folder / "from-share").c_str(), 0777);
    const auto mode = [&](mode_t folders, mode_t files) {
        for (const auto& entry : fs::recursive_directory_iterator(folder / "share"))
            chmod(entry.path().c_str(), entry.is_directory() ? folders : files);
        chmod((folder / "share").c_str(), folders);
    };
    mode(0555, 0444);
    EXPECT_EQ(wait(begin("from-share", RLIM_INFINITY, true, "share/shoot.amberjob")), 0) << readText(folder / "said");
    mode(0755, 0644);
    EXPECT_EQ(filesUnder(folder / "from-share"), clean);
}

TEST_F(HandoverFaults, NamesOfEveryKindAndSourcesInTheTargetAreKept)
{
    const std::string longest(251, 'n');
    fs::create_directory(folder / "names");
    const std::vector<std::string> names{"a.png",       "A.png",          longest + ".png",
                                         "caf\xE9.png", "two\nlines.png", "con.png"};
    for (const std::string& name : names)
        ASSERT_TRUE(writeRaw(folder / "names" / name, noise(60, 40, 3, 8, static_cast<unsigned>(name.size()))));
    const std::string job = quoted("names/names.amberjob");
    ASSERT_EQ(amber("job new " + job + " " + quoted("names")).status, 0);
    const Files before = filesUnder(folder / "names");
    // Into the pictures' own folder, in their own format.
    for (int i = 0; i < 2; ++i) {
        const Ran ran = amber("job handover " + job + " --out " + quoted("names") + " --format png8");
        EXPECT_EQ(ran.status, 0) << ran.err;
        std::set<std::string> lower;
        std::size_t pictures = 0;
        for (const auto& entry : fs::directory_iterator(folder / "names")) {
            std::string name = entry.path().filename().string();
            std::transform(name.begin(), name.end(), name.begin(), [](unsigned char c) { return std::tolower(c); });
            if (before.count(entry.path().filename().string()) == 0 && entry.path().extension() == ".png") {
                ++pictures;
                EXPECT_TRUE(lower.insert(name).second) << name << " is there twice where case does not count";
                EXPECT_LE(name.size(), 255u);
            }
        }
        EXPECT_EQ(pictures, names.size());
        for (const std::string& name : names)
            EXPECT_EQ(contentHashOfFile(folder / "names" / name).value_or(""), before.at(name)) << name;
    }
}

}  // namespace
}  // namespace amber::test
