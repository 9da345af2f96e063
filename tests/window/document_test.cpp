// The document alone: what it remembers, what it refuses, what is one entry of undo.
#include "core/look/look_json.h"
#include "tests/support/random_look.h"
#include "tests/window/window_support.h"

#include <csignal>
#include <gtest/gtest.h>
#include <sys/resource.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

QString path(const fs::path& p) { return QString::fromStdString(p.string()); }

ToneCurve lifted(double y)
{
    ToneCurve curve;
    curve.all = {{0, 0}, {0.5, y}, {1, 1}};
    return curve;
}

class ADocument : public testing::Test {
protected:
    void SetUp() override
    {
        writeShoot(m_folder.path(), 7);
        ASSERT_TRUE(opens(m_document, {path(m_folder.path())}));
        QObject::connect(&m_document, &Document::failed, [this](const QString& message) { m_failures << message; });
    }
    TemporaryFolder m_folder;
    Document m_document;
    QStringList m_failures;
};

TEST_F(ADocument, SpreadsCompanionsOverTheShootOnTheFirstVisit)
{
    EXPECT_EQ(m_document.frames().size(), 7u);
    EXPECT_EQ(m_document.selection().frameInHand(), m_document.frames()[0].id);
    EXPECT_EQ(m_document.selection().companions().size(), 4u);
    EXPECT_EQ(
        std::set<std::int64_t>(m_document.selection().companions().begin(), m_document.selection().companions().end())
            .size(),
        4u);
    EXPECT_EQ(std::count(m_document.selection().companions().begin(), m_document.selection().companions().end(),
                         m_document.selection().frameInHand()),
              0);
}

TEST_F(ADocument, TakesFiveCompanionsAndNoMore)
{
    while (!m_document.selection().companions().empty())
        EXPECT_TRUE(m_document.selection().toggleCompanion(m_document.selection().companions().front()));
    for (int i = 0; i < 5; ++i)
        EXPECT_TRUE(m_document.selection().toggleCompanion(m_document.frames()[static_cast<std::size_t>(i)].id));
    EXPECT_FALSE(m_document.selection().toggleCompanion(m_document.frames()[6].id));
    EXPECT_EQ(m_document.selection().companions().size(), 5u);
    // None at all is remembered as a choice and not taken for a first visit.
    for (int i = 0; i < 5; ++i)
        m_document.selection().toggleCompanion(m_document.frames()[static_cast<std::size_t>(i)].id);
    Document again;
    ASSERT_TRUE(opens(again, {path(m_folder.path())}));
    EXPECT_TRUE(again.selection().companions().empty());
}

TEST_F(ADocument, RemembersChoicesAcrossARestart)
{
    m_document.selection().setFrameInHand(m_document.frames()[4].id);
    m_document.looks().newLook();
    m_document.looks().rename("  Second look ");
    m_document.looks().addStep(ToneCurve{});
    m_document.looks().addStep(SplitToning{});
    m_document.looks().selectStep(0);
    m_document.changeDesk([](Desk& desk) { desk.plan.hoursPerDay = 7; });
    Document again;
    ASSERT_TRUE(opens(again, {path(m_folder.path())}));
    EXPECT_EQ(again.selection().frameInHand(), m_document.frames()[4].id);
    EXPECT_EQ(again.looks().look().name, "Second look");
    EXPECT_EQ(again.looks().lookId(), m_document.looks().lookId());
    EXPECT_EQ(again.looks().selectedStep(), 0);
    EXPECT_EQ(again.desk().plan.hoursPerDay, 7);
    EXPECT_EQ(again.looks().entries().size(), 2u);
}

TEST_F(ADocument, AGestureIsOneEntryHoweverManyMovesItHas)
{
    m_document.looks().addStep(ToneCurve{});
    int changes = 0;
    QObject::connect(&m_document.looks(), &LooksInHand::lookChanged, [&] { ++changes; });
    for (int i = 0; i < 50; ++i)
        m_document.looks().changeStep(0, lifted(0.5 + i * 0.004));
    m_document.looks().commit("Drag");
    m_document.looks().changeStep(0, lifted(0.5 + 49 * 0.004));  // where it is already: no change
    EXPECT_EQ(changes, 50);
    EXPECT_EQ(m_document.undoAction(), "Drag");
    m_document.undo();
    EXPECT_EQ(m_document.undoAction(), "Tone curve added");
    m_document.redo();
    EXPECT_EQ(std::get<ToneCurve>(m_document.looks().look().steps[0].parameters).all[1].y, 0.5 + 49 * 0.004);
}

TEST_F(ADocument, NudgesBelongTogetherUntilTheHandRests)
{
    m_document.looks().addStep(ToneCurve{});
    m_document.looks().changeStep(0, lifted(0.52));
    m_document.looks().commitSoon("Nudge");
    m_document.looks().changeStep(0, lifted(0.54));
    m_document.looks().commitSoon("Nudge");
    EXPECT_EQ(m_document.undoAction(), "Tone curve added");
    ASSERT_TRUE(waitUntil([&] { return m_document.undoAction() == "Nudge"; }));
    // Undo while a nudge still waits takes back the nudge, and only it.
    m_document.looks().changeStep(0, lifted(0.60));
    m_document.looks().commitSoon("Another");
    m_document.undo();
    EXPECT_EQ(std::get<ToneCurve>(m_document.looks().look().steps[0].parameters).all[1].y, 0.54);
    EXPECT_EQ(m_document.redoAction(), "Another");
}

TEST_F(ADocument, CommittingNothingIsNoEntry)
{
    m_document.looks().addStep(ToneCurve{});
    m_document.looks().commit("Nothing");
    m_document.looks().changeStep(0, lifted(0.6));
    m_document.looks().changeStep(0, ToneCurve{});
    m_document.looks().commit("There and back");
    EXPECT_EQ(m_document.undoAction(), "Tone curve added");
}

TEST_F(ADocument, ParametersOutsideTheirLimitsNeverReachTheLook)
{
    m_document.looks().addStep(ToneCurve{});
    const Look before = m_document.looks().look();
    ToneCurve falling;
    falling.all = {{0, 0.5}, {1, 0.2}};
    m_document.looks().changeStep(0, falling);
    EXPECT_EQ(m_document.looks().look(), before);
    SplitToning wild;
    wild.balance = 7;
    m_document.looks().changeStep(0, wild);
    EXPECT_EQ(m_document.looks().look(), before);
}

TEST_F(ADocument, StepsAreAddedAfterTheChosenOneUpToTheLimit)
{
    m_document.looks().addStep(ToneCurve{});
    m_document.looks().addStep(HueShifts{});
    m_document.looks().selectStep(0);
    m_document.looks().addStep(SplitToning{});
    EXPECT_EQ(typeOf(m_document.looks().look().steps[1]), "split-toning");
    EXPECT_EQ(m_document.looks().selectedStep(), 1);
    for (std::size_t i = 0; i < kStepLimit + 5; ++i)
        m_document.looks().addStep(SplitToning{});
    EXPECT_EQ(m_document.looks().look().steps.size(), kStepLimit);
    m_document.looks().removeStep(200);
    m_document.looks().moveStep(0, 200);
    EXPECT_EQ(m_document.looks().look().steps.size(), kStepLimit);
    while (!m_document.looks().look().steps.empty())
        m_document.looks().removeStep(0);
    EXPECT_EQ(m_document.looks().step(), nullptr);
}

TEST_F(ADocument, AnyWalkOfGesturesCanBeUndoneToTheStart)
{
    Random random(91);
    const Look start = m_document.looks().look();
    for (int i = 0; i < 60; ++i) {
        const int steps = static_cast<int>(m_document.looks().look().steps.size());
        switch (random.whole(0, 4)) {
        case 0:
            m_document.looks().addStep(random.parameters(random.whole(0, Random::kKinds - 1)));
            break;
        case 1:
            m_document.looks().removeStep(random.whole(0, 5));
            break;
        case 2:
            m_document.looks().moveStep(random.whole(0, 5), random.whole(0, 5));
            break;
        default:
            if (steps > 0) {
                m_document.looks().changeStep(random.whole(0, steps - 1),
                                              random.parameters(random.whole(0, Random::kKinds - 1)));
                m_document.looks().commit("Changed");
            }
        }
    }
    const Look end = m_document.looks().look();
    int undone = 0;
    while (!m_document.undoAction().isEmpty() && undone < 1000)
        m_document.undo(), ++undone;
    EXPECT_EQ(lookToText(m_document.looks().look(), true), lookToText(start, true));
    for (int i = 0; i < undone; ++i)
        m_document.redo();
    EXPECT_EQ(lookToText(m_document.looks().look(), true), lookToText(end, true));
    EXPECT_TRUE(m_failures.isEmpty()) << m_failures.join("; ").toStdString();
}

TEST_F(ADocument, HashesAndFaultsOfFramesAreWritten)
{
    m_document.setFrameContent(m_document.frames()[2].id, "0123", 4);
    m_document.setFrameFault(m_document.frames()[3].id, "torn");
    ASSERT_TRUE(waitUntil([&] {
        const auto frames = JobStore::open(JobStore::fileForFolder(m_folder.path()))->frames();
        return frames[2].hash == "0123" && frames[3].fault == "torn";
    }));
}

TEST_F(ADocument, AFullDiskIsSaidAndTheChangeIsSavedWithTheNext)
{
    m_document.looks().addStep(ToneCurve{});
    // A limit on the size of files stands in for the full disk: no file can grow.
    const auto handler = std::signal(SIGXFSZ, SIG_IGN);
    rlimit all{};
    ASSERT_EQ(::getrlimit(RLIMIT_FSIZE, &all), 0);
    const rlimit full{4096, all.rlim_max};
    ASSERT_EQ(::setrlimit(RLIMIT_FSIZE, &full), 0);
    m_document.looks().changeStep(0, lifted(0.61));
    m_document.looks().commit("While full");
    ASSERT_EQ(::setrlimit(RLIMIT_FSIZE, &all), 0);
    std::signal(SIGXFSZ, handler);
    ASSERT_EQ(m_failures.size(), 1);
    EXPECT_TRUE(m_failures[0].startsWith("Not saved: ") && m_failures[0].contains(".amberjob"))
        << m_failures[0].toStdString();
    EXPECT_EQ(std::get<ToneCurve>(m_document.looks().look().steps[0].parameters).all[1].y, 0.61);
    m_document.looks().addStep(HueShifts{});
    EXPECT_EQ(m_failures.size(), 1);
    Document again;
    ASSERT_TRUE(opens(again, {path(m_folder.path())}));
    ASSERT_EQ(again.looks().look().steps.size(), 2u);
    EXPECT_EQ(std::get<ToneCurve>(again.looks().look().steps[0].parameters).all[1].y, 0.61);
}

TEST_F(ADocument, NewPicturesInTheFolderJoinTheJobAndVanishedOnesStay)
{
    const auto first = m_document.frames()[0].id;
    fs::remove(m_folder / "frame-0.png");
    ASSERT_TRUE(writeRaw(m_folder / "new.png", noise(30, 20, 3, 8, 1)));
    Document again;
    ASSERT_TRUE(opens(again, {path(m_folder.path())}));
    EXPECT_EQ(again.frames().size(), 8u);
    EXPECT_EQ(again.frames()[0].id, first);
    EXPECT_EQ(again.frames()[7].path.filename(), "new.png");
}

TEST(Document, OpensTheJobFileItself)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    {
        Document document;
        ASSERT_TRUE(opens(document, {path(folder.path())}));
        document.looks().rename("By name");
    }
    Document document;
    ASSERT_TRUE(opens(document, {path(JobStore::fileForFolder(folder.path()))}));
    EXPECT_EQ(document.looks().look().name, "By name");
    EXPECT_EQ(document.frames().size(), 2u);
    EXPECT_EQ(document.folder(), path(folder.path()));
}

TEST(Document, OpensSeveralFoldersAsOneJob)
{
    const TemporaryFolder one, two;
    writeShoot(one.path(), 2);
    writeShoot(two.path(), 3);
    Document document;
    ASSERT_TRUE(opens(document, {path(one.path()), path(two.path())}));
    EXPECT_EQ(document.frames().size(), 5u);
    EXPECT_EQ(document.folder(), path(one.path()));
}

TEST(Document, OfSeveralWishesTheLastIsOpenedAndKept)
{
    const TemporaryFolder one, two;
    writeShoot(one.path(), 1);
    writeShoot(two.path(), 2);
    Document document;
    int opened = 0;
    QObject::connect(&document, &Document::opened, [&] { ++opened; });
    for (const TemporaryFolder* folder : {&two, &one, &two, &one, &two})
        document.open({folder->path()});
    ASSERT_TRUE(waitUntil([&] { return opened > 0 && !document.opening().isRunning(); }));
    EXPECT_EQ(opened, 1);
    EXPECT_EQ(document.frames().size(), 2u);
    EXPECT_FALSE(document.isReadOnly()) << "the wish before, for the same job, has let go of it";
}

TEST(Document, FindsOutWhatIsGoneWhenItsFolderIsOpenedAgain)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    Document document;
    ASSERT_TRUE(opens(document, {path(folder.path())}));
    std::filesystem::rename(folder / "frame-1.png", folder / "renamed.png");
    ASSERT_TRUE(opens(document, {path(folder.path())}));
    ASSERT_EQ(document.frames().size(), 4u) << "its content was never read: nothing tells that it is the same";
    EXPECT_TRUE(document.frames()[1].isLost);
    EXPECT_FALSE(document.frames()[0].isLost);
    EXPECT_EQ(document.frames()[3].path.filename(), "renamed.png");
}

TEST(Document, LeavesWhatIsOpenWhenTheNextCannotBeOpened)
{
    const TemporaryFolder folder, empty;
    writeShoot(folder.path(), 1);
    Document document;
    EXPECT_FALSE(opens(document, {}));
    EXPECT_FALSE(document.isOpen());
    ASSERT_TRUE(opens(document, {path(folder.path())}));
    EXPECT_FALSE(opens(document, {path(empty.path())}));
    EXPECT_FALSE(opens(document, {"/nowhere"}));
    EXPECT_EQ(document.frames().size(), 1u);
    EXPECT_FALSE(fs::exists(JobStore::fileForFolder(empty.path())));
}

}  // namespace
}  // namespace amber::test
