// The job as the window works on it: one journal in every place, and the same files as the command line.
#include "core/base/content_hash.h"
#include "demo/demo_job.h"
#include "tests/support/run_command.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>
#include <sqlite3.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

std::string quoted(const fs::path& path) { return "'" + path.string() + "'"; }

/// Name and content of every file in a folder but its list.
std::map<std::string, std::string> filesOf(const fs::path& folder)
{
    std::map<std::string, std::string> files;
    for (const auto& entry : fs::directory_iterator(folder))
        if (entry.path().filename().string().front() != '.' && entry.path().extension() != ".json")
            files[entry.path().filename().string()] = contentHashOfFile(entry.path()).value_or("");
    return files;
}

TEST(OnTheDemo, CommandsMakeAJobFromNothingAndDeliverWhatTheWindowDelivers)
{
    const TemporaryFolder folder;
    const fs::path demo = folder / "D", job = folder / "shoot.amberjob";
    ASSERT_TRUE(writeDemoJob(demo, DemoSize::Small));
    const auto ok = [](const std::string& words) {
        const Ran ran = amber(words);
        EXPECT_EQ(ran.status, 0) << words << ": " << ran.err;
        return ran.out;
    };
    ok("job new " + quoted(job) + " " + quoted(demo));
    ok("job light " + quoted(job) + " --propose");
    const Json frames = Json::parse(ok("--json job list " + quoted(job)))["frames"];
    ASSERT_GT(frames.size(), 3u);
    const auto name = [&](std::size_t i) { return frames[i]["name"].get<std::string>(); };
    ok("job key " + quoted(job) + " glaze --frame " + name(0) + " --at 0.5,0.5 --tolerance 2");
    ok("job look " + quoted(job) + " " + quoted(demo / "looks/long-evening.json"));
    ok("job look " + quoted(job) + " " + quoted(demo / "looks/chalk-morning.json") + " --frames " + name(1));
    const Json balances = Json::parse(ok("--json job balance " + quoted(job) + " --take"))["frames"];
    EXPECT_EQ(balances.size(), frames.size());
    for (const char* field : {"frame", "stops", "kelvin", "tint", "sure", "restsOn", "note"})
        EXPECT_TRUE(balances[0].contains(field)) << field;
    const Json table = Json::parse(ok("--json job consistency " + quoted(job)));
    EXPECT_EQ(table["rows"].size(), frames.size());
    ok("job handover " + quoted(job) + " --out " + quoted(folder / "commands") + " --format tiff16 --long-edge 400");

    OpenWindow app(job);
    ASSERT_TRUE(app.thumbnailsRead());
    EXPECT_EQ(app.look().name, "Long evening");
    EXPECT_EQ(app.document().job().keys.size(), 1u);
    app.key(Qt::Key_7, Qt::ControlModifier);
    EXPECT_TRUE(app.find<QLabel>("exportSummary").text().contains("one frame has a look of its own"));
    app.find<QComboBox>("exportFormat").setCurrentIndex(4);
    app.find<QSpinBox>("exportEdge").setValue(400);
    app.window().handover().setFolder(QString::fromStdString((folder / "window").string()));
    ASSERT_TRUE(app.handOver());
    const auto commands = filesOf(folder / "commands"), window = filesOf(folder / "window");
    EXPECT_EQ(commands.size(), frames.size());
    EXPECT_EQ(commands, window);
    // What is kept is named, and a job that is open elsewhere takes no gesture.
    EXPECT_EQ(amber("job new " + quoted(job) + " " + quoted(demo)).status, 2);
    EXPECT_EQ(amber("job balance " + quoted(job) + " --take").status, 2) << "nothing would be kept";
    EXPECT_EQ(amber("job list " + quoted(job)).status, 0);
    EXPECT_EQ(amber("job key " + quoted(job) + " --remove nothing").status, 2);
}

TEST(JobWindow, TheLastGestureIsTakenBackInWhateverPlaceAndIsShownWhereItWasMade)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 4);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead());
    Document& document = app.document();
    const auto id = [&](std::size_t i) { return document.frames()[i].id; };
    EXPECT_TRUE(document.undoAction().isEmpty()) << "lights were told apart, by nobody's hand";
    // A rating in Shoot, a look, a balance by hand, a tick: each in its place.
    auto& sheet = app.find<QListView>("contactSheet");
    sheet.setCurrentIndex(sheet.model()->index(1, 0));
    QTest::keyClick(&sheet, Qt::Key_4);
    ASSERT_EQ(document.job().frame(id(1)).rating, 4);
    // Several frames rated with one key are one gesture.
    sheet.selectAll();
    QTest::keyClick(&sheet, Qt::Key_2);
    EXPECT_EQ(document.job().frame(id(3)).rating, 2);
    document.undo();
    EXPECT_EQ(document.job().frame(id(3)).rating, 0);
    ASSERT_EQ(document.job().frame(id(1)).rating, 4);
    ASSERT_TRUE(app.goToLook());
    ASSERT_TRUE(app.addStep("Contrast"));
    app.key(Qt::Key_2, Qt::ControlModifier);
    document.selection().setFrameInHand(id(2));
    app.type(app.find("balanceStops"), QLocale().toString(0.5, 'f', 2));
    ASSERT_TRUE(waitUntil([&] { return document.job().frame(id(2)).balance.light.exposureStops == 0.5; }));
    document.selection().setFrameInHand(id(0));
    // All of it taken back from Hand over, where nothing of it was done.
    app.key(Qt::Key_7, Qt::ControlModifier);
    app.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(document.job().frame(id(2)).balance.light.exposureStops, 0);
    EXPECT_EQ(document.selection().frameInHand(), id(2)) << "what was taken back is in hand";
    app.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(app.look().steps.empty());
    app.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(document.job().frame(id(1)).rating, 0);
    EXPECT_TRUE(document.undoAction().isEmpty());
    for (int i = 0; i < 3; ++i)
        app.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(document.job().frame(id(1)).rating, 4);
    EXPECT_EQ(app.look().steps.size(), 1u);
    EXPECT_EQ(document.job().frame(id(2)).balance.light.exposureStops, 0.5);
    EXPECT_TRUE(document.redoAction().isEmpty());
}

TEST(JobWindow, TakingBackALookThatIsNotInHandTakesItInHand)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    OpenWindow app(folder.path());
    Document& document = app.document();
    const LookId first = document.looks().lookId();
    document.looks().addStep(Chroma{});
    document.looks().newLook();
    const LookId second = document.looks().lookId();
    ASSERT_NE(first, second);
    document.undo();
    EXPECT_EQ(document.looks().lookId(), first) << "the new look is not in the job any more";
    EXPECT_EQ(document.looks().entries().size(), 1u);
    document.redo();
    EXPECT_EQ(document.looks().lookId(), second);
    document.looks().rename("Second");
    document.looks().choose(first);
    document.undo();
    EXPECT_EQ(document.looks().lookId(), second) << "its name was taken back";
    EXPECT_EQ(app.look().name, "New look");
}

TEST(JobWindow, ABalanceThatIsBeingDraggedIsSeenAndBecomesOneGesture)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    Document document;
    ASSERT_TRUE(opens(document, {QString::fromStdString(folder.path().string())}));
    const FrameId frame = document.frames()[0].id;
    int changes = 0;
    QObject::connect(&document.balances(), &Balances::changed, [&](FrameId id) { changes += id == frame; });
    FrameBalance balance;
    for (int i = 1; i <= 5; ++i) {
        balance.light.exposureStops = i / 10.0;
        document.balances().preview(frame, balance);
        EXPECT_EQ(document.balances().of(frame).light.exposureStops, i / 10.0);
        EXPECT_TRUE(document.job().frame(frame).balance.light.isIdentity()) << "on screen only";
    }
    EXPECT_EQ(changes, 5);
    document.balances().set({{frame, balance}}, "Exposure");
    EXPECT_EQ(document.job().frame(frame).balance.light.exposureStops, 0.5);
    document.undo();
    EXPECT_TRUE(document.balances().of(frame).light.isIdentity());
    EXPECT_TRUE(document.undoAction().isEmpty()) << "one gesture";
    FrameBalance raw;
    raw.response = "Unknown camera";
    EXPECT_TRUE(document.balances().responseOf(raw).isIdentity());
    EXPECT_FALSE(document.job().responses.count("Unknown camera") > 0);
    document.balances().set({{frame, raw}}, "Response");
    EXPECT_NE(document.balances().fault(frame).find("Unknown camera"), std::string::npos) << "never handed over so";
}

TEST(OldJobWindow, OfFormat2OpensWithAllOfItAndItsHistory)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 6);
    fs::copy_file(fs::path(AMBER_SOURCE_DIR) / "tests/data/job/format2.amberjob", folder / "shoot.amberjob");
    OpenWindow app(folder.path());
    ASSERT_EQ(app.document().frames().size(), 6u);
    EXPECT_EQ(app.look().name, "Second");
    EXPECT_EQ(app.document().selection().frameInHand(), 2);
    EXPECT_EQ(app.document().job().frame(5).rating, 5);
    EXPECT_EQ(app.document().selection().aside().size(), 1u);
    app.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(app.look().steps.size(), 1u) << "the removed step is back";
    EXPECT_TRUE(fs::exists(folder / "shoot.amberjob-format2"));
}

/// While one lives, nobody else can write to a job: who wants to, waits.
class BusyJob {
public:
    explicit BusyJob(const fs::path& file)
    {
        EXPECT_EQ(sqlite3_open(file.c_str(), &m_job), SQLITE_OK);
        EXPECT_EQ(sqlite3_exec(m_job, "BEGIN IMMEDIATE", nullptr, nullptr, nullptr), SQLITE_OK);
    }
    ~BusyJob() { sqlite3_close(m_job); }

private:
    sqlite3* m_job = nullptr;
};

/// Two folders with jobs; the second has a picture that its job does not know yet.
struct TwoShoots {
    TemporaryFolder one, two;
    TwoShoots()
    {
        writeShoot(one.path(), 2);
        writeShoot(two.path(), 3);
        Document document;
        EXPECT_TRUE(opens(document, {QString::fromStdString(two.path().string())}));
        writeShoot(two.path(), 4);
    }
    fs::path job() const { return JobStore::fileForFolder(two.path()); }
};

TEST(Opening, TheJobBeforeIsWorkedOnMeanwhileAndKeepsWhatWasDone)
{
    const TwoShoots shoots;
    OpenWindow app(shoots.one.path());
    const FrameId frame = app.document().frames()[0].id;
    auto busy = std::make_optional<BusyJob>(shoots.job());
    app.window().openPaths({shoots.two.path()});
    ASSERT_TRUE(waitUntil([&] { return app.find("openTaskBar").isVisible(); })) << "that it takes long is said";
    EXPECT_EQ(app.find<QLabel>("openTaskBarWords").text(), "Opening…");
    app.document().setRating({frame}, 4);
    app.document().looks().rename("Meanwhile");
    EXPECT_EQ(app.document().frames().size(), 2u);
    busy.reset();
    ASSERT_TRUE(waitUntil([&] { return !app.document().opening().isRunning(); }));
    EXPECT_EQ(app.document().frames().size(), 4u);
    EXPECT_EQ(app.document().job().frame(frame).rating, 0) << "of the other job's frame of that number";
    EXPECT_FALSE(app.find("openTaskBar").isVisible());
    app.open(QString::fromStdString(shoots.one.path().string()));
    EXPECT_EQ(app.document().frames().size(), 2u);
    EXPECT_EQ(app.document().job().frame(frame).rating, 4);
    EXPECT_EQ(app.look().name, "Meanwhile");
}

TEST(Opening, CancelledLeavesTheJobThatIsOpenAndLetsGoOfTheOther)
{
    const TwoShoots shoots;
    OpenWindow app(shoots.one.path());
    auto busy = std::make_optional<BusyJob>(shoots.job());
    app.window().openPaths({shoots.two.path()});
    ASSERT_TRUE(waitUntil([&] { return app.find("openTaskBar").isVisible(); }));
    QTest::mouseClick(&app.find("openTaskCancel"), Qt::LeftButton);
    busy.reset();
    ASSERT_TRUE(waitUntil([&] { return !app.document().opening().isRunning(); }));
    EXPECT_EQ(app.document().frames().size(), 2u);
    EXPECT_EQ(app.message(), "");
    app.open(QString::fromStdString(shoots.two.path().string()));
    EXPECT_EQ(app.document().frames().size(), 4u);
    EXPECT_FALSE(app.document().isReadOnly());
}

TEST(Opening, AWindowThatIsClosedMeanwhileEndsInGoodOrder)
{
    const TwoShoots shoots;
    {
        OpenWindow app(shoots.one.path());
        app.document().setRating({app.document().frames()[1].id}, 2);
        app.window().openPaths({shoots.two.path()});
        app.window().close();
    }
    OpenWindow app(shoots.one.path());
    EXPECT_EQ(app.document().job().frame(app.document().frames()[1].id).rating, 2);
    EXPECT_FALSE(app.document().isReadOnly());
    app.open(QString::fromStdString(shoots.two.path().string()));
    EXPECT_EQ(app.document().frames().size(), 4u);
    EXPECT_FALSE(app.document().isReadOnly());
}

}  // namespace
}  // namespace amber::test
