#include "core/base/content_hash.h"
#include "core/job/find_frames.h"
#include "core/job/job_store.h"
#include "tests/support/random_look.h"
#include "tests/support/read_only.h"
#include "tests/support/temporary_folder.h"

#include <csignal>
#include <gtest/gtest.h>
#include <map>
#include <sqlite3.h>
#include <sys/wait.h>
#include <unistd.h>

namespace amber {
namespace {

using test::Random;
using test::TemporaryFolder;
namespace fs = std::filesystem;

Look named(const std::string& name)
{
    Look look;
    look.name = name;
    return look;
}

TEST(JobStore, FramesKeepTheirOrderAndAreAddedOnce)
{
    const TemporaryFolder folder;
    {
        auto job = JobStore::open(folder / "a.amberjob");
        ASSERT_TRUE(job) << job.error().message();
        ASSERT_TRUE(job->addFrames({folder / "b.jpg", folder / "a.jpg"}));
        ASSERT_TRUE(job->addFrames({folder / "a.jpg", folder / "x/../c.jpg"}));
        const auto frames = job->frames();
        ASSERT_EQ(frames.size(), 3u);
        EXPECT_EQ(frames[0].path, folder / "b.jpg");
        EXPECT_EQ(frames[2].path, folder / "c.jpg");
        ASSERT_TRUE(job->setFrameContents({{frames[1].id, "abc", 3}, {frames[2].id, "def", 4}}));
        ASSERT_TRUE(job->setFrameFault(frames[0].id, "damaged"));
    }
    const auto again = JobStore::open(folder / "a.amberjob");
    const auto frames = again->frames();
    EXPECT_EQ(frames[0].fault, "damaged");
    EXPECT_EQ(frames[1].hash, "abc");
    EXPECT_EQ(frames[2].hash, "def");
    EXPECT_EQ(frames[2].bytes, 4u);
    EXPECT_TRUE(frames[2].isLost) << "there never was such a file";
}

TEST(JobStore, WhereACardIsSeenIsAFactOfTheFile)
{
    const TemporaryFolder folder;
    const ShownCard card{{0.1, 0.2, 0.3, 0.4}, 1.25};
    FrameId with = 0, without = 0;
    {
        auto job = JobStore::open(folder / "a.amberjob");
        ASSERT_TRUE(job->addFrames({folder / "a.jpg", folder / "b.jpg", folder / "c.jpg"}));
        with = job->frames()[0].id, without = job->frames()[1].id;
        ASSERT_TRUE(job->setFrameContents({{with, "abc", 3}}));
        ASSERT_TRUE(job->setCards({{with, card}, {without, std::nullopt}}));
    }
    auto again = JobStore::open(folder / "a.amberjob");
    EXPECT_EQ(again->frames()[0].card, card);
    EXPECT_TRUE(again->frames()[1].cardSought && !again->frames()[1].card);
    EXPECT_FALSE(again->frames()[2].cardSought);
    // Another file under that name is looked at anew.
    ASSERT_TRUE(again->setFrameContents({{with, "other", 9}}));
    EXPECT_FALSE(again->frames()[0].cardSought);
    again = JobStore::open(folder / "b.amberjob");
    again = JobStore::open(folder / "a.amberjob");
    EXPECT_FALSE(again->frames()[0].card);
}

TEST(JobStore, UndoAndRedoWalkTheRevisionsAndSurviveARestart)
{
    const TemporaryFolder folder;
    std::int64_t id = 0;
    {
        auto job = JobStore::open(folder / "a.amberjob");
        id = *job->addLook(named("zero"));
        EXPECT_FALSE(job->undoAction());
        ASSERT_TRUE(job->commitLook(id, named("one"), "to one"));
        ASSERT_TRUE(job->commitLook(id, named("two"), "to two"));
        EXPECT_EQ(*job->undoAction(), "to two");
        ASSERT_TRUE(job->undo());
        EXPECT_EQ(job->currentLook(id)->name, "one");
    }
    auto job = JobStore::open(folder / "a.amberjob");
    EXPECT_EQ(job->currentLook(id)->name, "one");
    EXPECT_EQ(*job->redoAction(), "to two");
    ASSERT_TRUE(job->redo());
    EXPECT_EQ(job->currentLook(id)->name, "two");
    EXPECT_FALSE(job->redoAction());
    ASSERT_TRUE(job->undo());
    ASSERT_TRUE(job->undo());
    ASSERT_TRUE(job->undo());  // nothing left: stays
    EXPECT_EQ(job->currentLook(id)->name, "zero");
    // Another way from here: the old one can no longer be redone, but it is not gone.
    ASSERT_TRUE(job->commitLook(id, named("other"), "to other"));
    EXPECT_FALSE(job->redoAction());
    EXPECT_EQ(job->lookAt(3)->name, "two");
}

TEST(JobStore, AnyWalkOfCommitsAndUndosEqualsAModel)
{
    const TemporaryFolder folder;
    auto job = JobStore::open(folder / "a.amberjob");
    const std::int64_t id = *job->addLook(named("0"));
    std::vector<std::string> line{"0"};
    std::size_t at = 0;
    Random random(61);
    for (int i = 1; i < 150; ++i) {
        const int what = random.whole(0, 3);
        if (what <= 1) {
            line.resize(at + 1);
            line.push_back(std::to_string(i));
            ++at;
            ASSERT_TRUE(job->commitLook(id, named(std::to_string(i)), "step"));
        } else if (what == 2) {
            at -= at > 0;
            ASSERT_TRUE(job->undo());
        } else {
            at += at + 1 < line.size();
            ASSERT_TRUE(job->redo());
        }
        ASSERT_EQ(job->currentLook(id)->name, line[at]);
        ASSERT_EQ(job->undoAction().has_value(), at > 0);
        ASSERT_EQ(job->redoAction().has_value(), at + 1 < line.size());
    }
}

TEST(JobStore, TablesAreKeptOnceAndComeBackWhole)
{
    const TemporaryFolder folder;
    Random random(62);
    Look look = named("with table");
    look.steps.push_back({lookupTable(random.table(0, 17), "big.cube"), true, 1, {}, {}});
    auto job = JobStore::open(folder / "a.amberjob");
    const std::int64_t id = *job->addLook(look);
    const auto before = fs::file_size(folder / "a.amberjob") + fs::file_size(folder / "a.amberjob-wal");
    for (int i = 0; i < 20; ++i) {
        look.steps[0].strength = i / 20.0;
        ASSERT_TRUE(job->commitLook(id, look, "strength"));
    }
    EXPECT_LT(fs::file_size(folder / "a.amberjob") + fs::file_size(folder / "a.amberjob-wal"), before + 800'000);
    const auto back = job->currentLook(id);
    ASSERT_TRUE(back);
    EXPECT_EQ(*std::get<LookupTable>(back->steps[0].parameters).table,
              *std::get<LookupTable>(look.steps[0].parameters).table);
}

TEST(JobStore, PinsAreRemembered)
{
    const TemporaryFolder folder;
    auto job = JobStore::open(folder / "a.amberjob");
    const std::int64_t id = *job->addLook(named("a"));
    ASSERT_TRUE(job->pin(id, "before lunch"));
    ASSERT_TRUE(job->commitLook(id, named("b"), "b"));
    ASSERT_TRUE(job->pin(id, ""));
    const auto pins = job->pins(id);
    ASSERT_EQ(pins->size(), 2u);
    EXPECT_EQ(job->lookAt((*pins)[0].revision)->name, "a");
    EXPECT_EQ((*pins)[0].note, "before lunch");
}

TEST(JobStore, AVariantIsPinnedBesideTheRevisions)
{
    const TemporaryFolder folder;
    auto job = JobStore::open(folder / "a.amberjob");
    const std::int64_t id = *job->addLook(named("zero"));
    ASSERT_TRUE(job->commitLook(id, named("one"), "to one"));
    ASSERT_TRUE(job->commitLook(id, named("two"), "to two"));
    ASSERT_TRUE(job->undo());
    ASSERT_TRUE(job->pinVariant(id, named("another"), "what if"));
    EXPECT_EQ(job->currentLook(id)->name, "one");
    EXPECT_EQ(*job->redoAction(), "to two") << "what was undone can still be redone";
    ASSERT_EQ(job->pins(id)->size(), 1u);
    EXPECT_EQ(job->lookAt((*job->pins(id))[0].revision)->name, "another");
    EXPECT_EQ((*job->pins(id))[0].note, "what if");
}

TEST(JobStore, ASecondOpenerWorksOnACopyUntilTheFirstHasGone)
{
    const TemporaryFolder folder;
    std::int64_t id = 0;
    {
        auto first = JobStore::open(folder / "a.amberjob");
        id = *first->addLook(named("zero"));
        EXPECT_FALSE(first->isReadOnly());
        auto second = JobStore::open(folder / "a.amberjob");
        ASSERT_TRUE(second) << second.error().message();
        EXPECT_TRUE(second->isReadOnly());
        EXPECT_EQ(second->currentLook(id)->name, "zero");
        ASSERT_TRUE(second->commitLook(id, named("theirs"), "to theirs"));
        EXPECT_EQ(second->currentLook(id)->name, "theirs");
        EXPECT_EQ(first->currentLook(id)->name, "zero");
        ASSERT_TRUE(first->commitLook(id, named("ours"), "to ours"));
    }
    auto later = JobStore::open(folder / "a.amberjob");
    EXPECT_FALSE(later->isReadOnly());
    EXPECT_EQ(later->currentLook(id)->name, "ours");
    later = fail("closed");
    EXPECT_FALSE(fs::exists(folder / "a.amberjob-lock")) << "nothing is left lying about";
    // A killed owner keeps nobody out.
    if (const pid_t child = fork(); child == 0) {
        const auto job = JobStore::open(folder / "a.amberjob");
        raise(SIGKILL);
    } else {
        int status = 0;
        waitpid(child, &status, 0);
        EXPECT_TRUE(fs::exists(folder / "a.amberjob-lock"));
        EXPECT_FALSE(JobStore::open(folder / "a.amberjob")->isReadOnly());
    }
}

TEST(JobStore, StrangeFilesAreRefusedAndLeftAsTheyAre)
{
    const TemporaryFolder folder;
    const auto text = folder.write("text.amberjob", std::string(5000, 'x'));
    EXPECT_FALSE(JobStore::open(text));
    EXPECT_EQ(test::readText(text), std::string(5000, 'x'));
    EXPECT_FALSE(JobStore::open(folder.path()));

    sqlite3* other = nullptr;
    sqlite3_open((folder / "other.db").c_str(), &other);
    sqlite3_exec(other, "CREATE TABLE t (x)", nullptr, nullptr, nullptr);
    sqlite3_close(other);
    EXPECT_EQ(JobStore::open(folder / "other.db").error().what, "not a job of this program");

    {
        ASSERT_TRUE(JobStore::open(folder / "new.amberjob"));
    }
    sqlite3_open((folder / "new.amberjob").c_str(), &other);
    sqlite3_exec(other, "PRAGMA user_version = 99", nullptr, nullptr, nullptr);
    sqlite3_close(other);
    EXPECT_EQ(JobStore::open(folder / "new.amberjob").error().what, "the job was written by a newer version");
}

TEST(JobStore, AKilledProcessLosesNothingThatReturned)
{
    // The child commits without end and writes each number to a pipe after the call has returned; it is killed in the
    // middle.
    const TemporaryFolder folder;
    for (int round = 0; round < 3; ++round) {
        const auto file = folder / ("job" + std::to_string(round) + ".amberjob");
        int pipe[2];
        ASSERT_EQ(::pipe(pipe), 0);
        const pid_t child = ::fork();
        if (child == 0) {
            auto job = JobStore::open(file);
            const std::int64_t id = *job->addLook(named("start"));
            for (int i = 0;; ++i)
                if (job->commitLook(id, named(std::to_string(i)), "n"))
                    (void)!::write(pipe[1], &i, sizeof i);
        }
        int last = -1, number = 0;
        for (int i = 0; i < 40 + 25 * round && ::read(pipe[0], &number, sizeof number) == sizeof number; ++i)
            last = number;
        ::kill(child, SIGKILL);
        ::waitpid(child, nullptr, 0);
        ::close(pipe[1]);
        while (::read(pipe[0], &number, sizeof number) == sizeof number)
            last = number;
        ::close(pipe[0]);
        const auto job = JobStore::open(file);
        ASSERT_TRUE(job) << job.error().message();
        EXPECT_GE(std::stoi(job->currentLook(1)->name), last);
        EXPECT_LE(std::stoi(job->currentLook(1)->name), last + 1);
    }
}

/// A folder with two pictures, a job that knows them, and their ids; the first has the hash "aa".
struct Shoot {
    explicit Shoot(const fs::path& folder)
    {
        fs::create_directories(folder / "second part");
        std::ofstream(folder / "a.jpg") << "picture a";
        std::ofstream(folder / "second part/b.jpg") << "picture b";
        auto job = JobStore::open(folder / "shoot.amberjob");
        EXPECT_TRUE(job && job->addFrames({folder / "a.jpg", folder / "second part/b.jpg"}));
        EXPECT_TRUE(job->setFrameContents({{1, "aa", 9}}));
        Desk desk;
        desk.delivery.folder = job->keptPlace(folder / "handed-over");
        EXPECT_TRUE(job->setDesk(desk));
    }
};

void expectBoth(const JobStore& job, const fs::path& folder)
{
    const auto frames = job.frames();
    ASSERT_EQ(frames.size(), 2u);
    EXPECT_EQ(frames[0].path, folder / "a.jpg");
    EXPECT_EQ(frames[1].path, folder / "second part/b.jpg");
    EXPECT_FALSE(frames[0].isLost || frames[1].isLost);
    EXPECT_EQ(job.placeOf(job.desk().delivery.folder), folder / "handed-over");
}

TEST(MovedJob, AFolderThatIsMovedRenamedOrCopiedKeepsItsJobAndItsFrames)
{
    const TemporaryFolder folder;
    const Shoot shoot(folder / "one");
    fs::create_directory(folder / "deeper");
    fs::rename(folder / "one", folder / "deeper/another name");
    EXPECT_EQ(JobStore::fileForFolder(folder / "deeper/another name"), folder / "deeper/another name/shoot.amberjob")
        << "whatever the job is called";
    expectBoth(*JobStore::open(folder / "deeper/another name/shoot.amberjob"), folder / "deeper/another name");
    fs::copy(folder / "deeper/another name", folder / "copy", fs::copy_options::recursive);
    std::ofstream(folder / "copy/a.jpg") << "only in the copy";
    expectBoth(*JobStore::open(folder / "copy/shoot.amberjob"), folder / "copy");
    // The pictures that are added by either name of the place are known.
    auto job = JobStore::open(folder / "copy/shoot.amberjob");
    ASSERT_TRUE(job->addFrames({folder / "copy/a.jpg", folder / "copy/second part/../second part/b.jpg"}));
    EXPECT_EQ(job->frames().size(), 2u);
}

TEST(MovedJob, AJobFileThatMovesAloneFindsItsPicturesWhereTheyWere)
{
    const TemporaryFolder folder;
    const Shoot shoot(folder / "one");
    fs::create_directory(folder / "desk");
    fs::copy_file(folder / "one/shoot.amberjob", folder / "desk/shoot.amberjob");
    const auto job = JobStore::open(folder / "desk/shoot.amberjob");
    const auto frames = job->frames();
    EXPECT_EQ(frames[1].path, folder / "one/second part/b.jpg");
    EXPECT_FALSE(frames[0].isLost || frames[1].isLost);
}

TEST(MovedJob, APictureOfTheSameNameIsNotTakenForOneThatIsLost)
{
    const TemporaryFolder folder;
    const Shoot shoot(folder / "one");
    auto job = JobStore::open(folder / "one/shoot.amberjob");
    fs::rename(folder / "one/second part", folder / "one/part 2");
    job->lookAgainFor({1, 2});
    EXPECT_FALSE(job->frames()[0].isLost);
    EXPECT_TRUE(job->frames()[1].isLost);
    ASSERT_TRUE(job->moveFrames({{2, folder / "one/part 2/b.jpg"}}));
    EXPECT_EQ(job->frames()[1].path, folder / "one/part 2/b.jpg");
    EXPECT_FALSE(job->frames()[1].isLost);
    ASSERT_TRUE(job->loseFrames({1}));
    ASSERT_TRUE(job->addFrames({folder / "one/a.jpg"}));
    const auto frames = job->frames();
    ASSERT_EQ(frames.size(), 3u);
    EXPECT_TRUE(frames[0].isLost);
    EXPECT_EQ(frames[0].hash, "aa") << "by which it is found again";
    EXPECT_FALSE(fs::exists(frames[0].path)) << "what has its name now is not read in its stead";
    EXPECT_EQ(frames[2].path, folder / "one/a.jpg");
}

TEST(MovedJob, LostPicturesAreFoundByContentNamesakesFirstAndEachOnce)
{
    const TemporaryFolder folder;
    const auto lost = [&](std::int64_t id, const std::string& name, const std::string& content) {
        return Frame{id, "/gone/" + name, content.empty() ? std::string() : contentHash(content),
                     {}, content.size(),  true};
    };
    std::vector<Frame> frames{lost(1, "a.jpg", "same"), lost(2, "b.jpg", "same"), lost(3, "c.jpg", "other!"),
                              lost(4, "never-read.jpg", ""), lost(5, "d.jpg", "nowhere")};
    frames.push_back({6, folder / "here.jpg", contentHash("same"), {}, 4, false});
    fs::create_directory(folder / "new");
    std::vector<fs::path> candidates;
    for (const auto& [name, content] : {std::pair{"b.jpg", "same"},
                                        {"x.jpg", "same"},
                                        {"y.jpg", "same"},
                                        {"c.jpg", "of the same size"},
                                        {"z.jpg", "other!"},
                                        {"never-read.jpg", "whatever"},
                                        {"d.jpg", "nobody!"}})
        candidates.push_back(folder.write(std::string("new/") + name, content));
    candidates.push_back(folder / "new/vanished.jpg");
    const FramesFound found = findFrames(frames, candidates);
    std::map<std::int64_t, std::string> places;
    for (const FoundFrame& f : found.found)
        places[f.frame] = f.place.filename().string();
    EXPECT_EQ(places,
              (std::map<std::int64_t, std::string>{{1, "x.jpg"}, {2, "b.jpg"}, {3, "z.jpg"}, {4, "never-read.jpg"}}));
    EXPECT_EQ(found.unknown.size(), 4u)
        << "the third of the same content, two namesakes of another, and the one that vanished";
    CancelToken cancel;
    cancel.cancel();
    EXPECT_EQ(findFrames(frames, candidates, {}, cancel).unknown.size(), candidates.size());
}

TEST(MovedJob, OfSeveralJobsInAFolderTheNamesakeIsTakenElseTheNewest)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "shoot");
    folder.write("shoot/empty.amberjob", "");
    folder.write("shoot/text.amberjob", std::string(4000, 'x'));
    for (const char* name : {"shoot/old.amberjob", "shoot/new.amberjob"})
        ASSERT_TRUE(JobStore::open(folder / name));
    fs::last_write_time(folder / "shoot/old.amberjob", fs::file_time_type::clock::now() - std::chrono::hours(30));
    EXPECT_EQ(JobStore::fileForFolder(folder / "shoot"), folder / "shoot/new.amberjob");
    ASSERT_TRUE(JobStore::open(folder / "shoot/shoot.amberjob"));
    fs::last_write_time(folder / "shoot/shoot.amberjob", fs::file_time_type::clock::now() - std::chrono::hours(60));
    EXPECT_EQ(JobStore::fileForFolder(folder / "shoot/"), folder / "shoot/shoot.amberjob");
    EXPECT_EQ(JobStore::jobsInFolder(folder / "shoot").size(), 3u);
}

TEST(MovedJob, OneOnAMediumThatTakesNothingIsOpenedAsItIsAndNotKept)
{
    const TemporaryFolder folder;
    const Shoot shoot(folder / "one");
    std::int64_t look = 0;
    {
        // Killed in the middle: the last look is still in the log of writes beside the job.
        auto job = JobStore::open(folder / "one/shoot.amberjob");
        look = *job->addLook(named("in the log"));
        for (const char* part : {"", "-wal"})
            fs::copy_file(folder / (std::string("one/shoot.amberjob") + part),
                          folder / (std::string("one/killed.amberjob") + part));
    }
    fs::remove(folder / "one/shoot.amberjob");
    const test::ReadOnly medium(folder.path(), folder / "one");
    const auto before = test::readText(folder / "one/killed.amberjob");
    EXPECT_EQ(JobStore::fileForFolder(folder / "one"), folder / "one/killed.amberjob");
    auto job = JobStore::open(folder / "one/killed.amberjob");
    ASSERT_TRUE(job) << job.error().message();
    EXPECT_EQ(job->notKept(), JobStore::NotKept::CannotBeWritten);
    EXPECT_EQ(job->currentLook(look)->name, "in the log");
    expectBoth(*job, folder / "one");
    ASSERT_TRUE(job->commitLook(look, named("tried"), "tried"));
    EXPECT_EQ(job->currentLook(look)->name, "tried");
    job = fail("closed");
    EXPECT_EQ(test::readText(folder / "one/killed.amberjob"), before);
    EXPECT_EQ(JobStore::open(folder / "one/killed.amberjob")->currentLook(look)->name, "in the log");
}

TEST(OldJob, OfFormat1IsBroughtUpToDateAndKeptBeside)
{
    const TemporaryFolder folder;
    fs::copy_file(fs::path(AMBER_SOURCE_DIR) / "tests/data/job/format1.amberjob", folder / "job.amberjob");
    const std::string before = test::readText(folder / "job.amberjob");
    {
        const auto job = JobStore::open(folder / "job.amberjob");
        ASSERT_TRUE(job) << job.error().message();
        const auto frames = job->frames();
        ASSERT_EQ(frames.size(), 4u);
        EXPECT_EQ(frames[0].path, "/made-up/shoot/frame-0.png");
        EXPECT_EQ(frames[0].hash.size(), 32u);
        EXPECT_TRUE(frames[0].isLost);
        EXPECT_EQ(job->looks().size(), 2u);
        EXPECT_EQ(job->currentLook(1)->name, "Made up");
        EXPECT_EQ(*job->undoAction(), "Look renamed");
        EXPECT_FALSE(job->job().frame(2).balance.light.isIdentity());
    }
    EXPECT_TRUE(fs::exists(folder / "job.amberjob-format1"));
    EXPECT_EQ(JobStore::jobsInFolder(folder.path()).size(), 1u) << "what is kept beside is not taken for a job";
    EXPECT_EQ(JobStore::open(folder / "job.amberjob")->frames().size(), 4u);
}

TEST(DamagedJob, IsRefusedOrNamedAndNeverTakenForAnEmptyOne)
{
    const TemporaryFolder folder;
    std::int64_t look = 0;
    {
        auto job = JobStore::open(folder / "a.amberjob");
        look = *job->addLook(named("first"));
        Random random(62);
        Look tabled = named("with a table");
        tabled.steps.push_back({lookupTable(random.table(0, 5), "five.cube"), true, 1, {}, {}});
        ASSERT_TRUE(job->commitLook(look, tabled, "Table added"));
    }
    const auto change = [&](const char* sql) {
        sqlite3* file = nullptr;
        sqlite3_open((folder / "a.amberjob").c_str(), &file);
        EXPECT_EQ(sqlite3_exec(file, sql, nullptr, nullptr, nullptr), SQLITE_OK) << sql;
        sqlite3_close(file);
    };
    change("UPDATE table_data SET cube = 'no table'");
    {
        const auto job = JobStore::open(folder / "a.amberjob");
        const auto current = job->currentLook(look);
        ASSERT_FALSE(current) << "a look without its table is another look";
        EXPECT_NE(current.error().message().find("five.cube"), std::string::npos);
        EXPECT_EQ(*job->lastGoodRevision(look), 1);
    }
    change("UPDATE revision SET json = '{' WHERE id = 1");
    EXPECT_EQ(*JobStore::open(folder / "a.amberjob")->lastGoodRevision(look), 0);
    change("ALTER TABLE frame_balance RENAME TO gone");
    EXPECT_FALSE(JobStore::open(folder / "a.amberjob"))
        << "a job whose balances cannot be read is not opened without them";
}

TEST(JobStore, TheJobOfAFolderLivesInItOrWithTheUser)
{
    const TemporaryFolder folder;
    EXPECT_EQ(JobStore::fileForFolder(folder.path()),
              folder.path() / (folder.path().filename().string() + ".amberjob"));
    EXPECT_EQ(JobStore::fileForFolder(folder.path() / ""), JobStore::fileForFolder(folder.path()));
    ::setenv("XDG_DATA_HOME", folder.path().c_str(), 1);
    const fs::path elsewhere = JobStore::fileForFolder("/proc/self");
    EXPECT_EQ(elsewhere.parent_path(), folder.path() / "jolly-amber/jobs");
    ::unsetenv("XDG_DATA_HOME");
}

}  // namespace
}  // namespace amber
