// Parts that work in the background: the queue for the screen, the time keeper and its plan, the watched folder.
#include "app/places/shoot/folder_watch.h"
#include "app/plan/plan_panel.h"
#include "app/render/render_queue.h"
#include "core/base/log.h"
#include "core/base/long_call.h"
#include "tests/window/window_support.h"

#include <fstream>
#include <gtest/gtest.h>
#include <latch>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

TEST(RenderQueue, WhatIsWaitedForMostComesFirst)
{
    RenderQueue queue;
    std::mutex mutex;
    std::vector<int> order;
    std::latch begun(1), go(1);
    const auto note = [&](int what) {
        return [&, what] {
            const std::lock_guard lock(mutex);
            order.push_back(what);
        };
    };
    // The one thread for sheets is held until all are in the queue.
    queue.start(RenderQueue::Priority::Sheet, [&] { begun.count_down(), go.wait(); });
    begun.wait();
    queue.start(RenderQueue::Priority::Sheet, note(3));
    queue.start(RenderQueue::Priority::Sheet, note(2), true);
    queue.start(RenderQueue::Priority::InHand, note(1));
    ASSERT_TRUE(waitUntil([&] {
        const std::lock_guard lock(mutex);
        return order.size() == 1;
    })) << "what is in hand does not wait for sheets";
    go.count_down();
    ASSERT_TRUE(waitUntil([&] {
        const std::lock_guard lock(mutex);
        return order.size() == 3;
    }));
    EXPECT_EQ(order, (std::vector<int>{1, 2, 3}));
}

TEST(RenderQueue, OfASlotOnlyTheNewestIsShownAndWhatBreaksIsSaid)
{
    RenderQueue queue;
    QStringList said;
    QObject::connect(&queue, &RenderQueue::broke, &queue, [&](const QString& why) { said << why; });
    auto slot = std::make_unique<RenderSlot>(queue, RenderQueue::Priority::InHand, nullptr);
    std::vector<int> shown;
    std::latch go(1);
    slot->run(
        [&](const CancelToken&) {
            go.wait();
            return 1;
        },
        [&](int value) { shown.push_back(value); });
    slot->run([](const CancelToken&) { return 2; }, [&](int value) { shown.push_back(value); });
    EXPECT_TRUE(slot->isBusy());
    ASSERT_TRUE(waitUntil([&] { return !slot->isBusy(); }));
    go.count_down();
    queue.waitForDone();
    QCoreApplication::processEvents();
    EXPECT_EQ(shown, std::vector<int>{2}) << "the first came late and is dropped";
    slot->run([](const CancelToken&) -> int { throw std::runtime_error("made to break"); },
              [&](int value) { shown.push_back(value); });
    ASSERT_TRUE(waitUntil([&] { return !slot->isBusy() && !said.isEmpty(); }));
    EXPECT_TRUE(said[0].contains("made to break"));
    EXPECT_EQ(shown.size(), 1u);
    // A slot that goes while its work runs is nobody's any more.
    std::latch last(1);
    slot->run(
        [&](const CancelToken&) {
            last.wait();
            return 4;
        },
        [&](int value) { shown.push_back(value); });
    slot.reset();
    last.count_down();
    queue.waitForDone();
    QCoreApplication::processEvents();
    EXPECT_EQ(shown.size(), 1u);
}

TEST(LongCalls, AreReportedOnlyWhereNothingMayWait)
{
    static int reported;
    reported = 0;
    const LongCallReport before = setLongCallReport([](const char*) { ++reported; });
    longCall("anywhere");
    {
        const NoLongCalls fluent;
        longCall("here");
        std::thread([] { longCall("elsewhere"); }).join();
    }
    longCall("after");
    EXPECT_EQ(reported, 1);
    setLongCallReport(before);
}

TEST(Log, IsWrittenBesideOthersAndNeverStopsTheProgram)
{
    const TemporaryFolder folder;
    ASSERT_TRUE(startLog(folder / "deep/log.txt"));
    logNote("opened");
    logWarning("something was caught");
    const std::string text = readText(folder / "deep/log.txt");
    EXPECT_NE(text.find("info opened"), std::string::npos);
    EXPECT_NE(text.find("warning something was caught"), std::string::npos);
    for (int i = 0; i < 20000; ++i)
        logNote(std::string(400, 'x'));
    std::uintmax_t bytes = 0;
    int files = 0;
    for (const auto& entry : fs::directory_iterator(folder / "deep"))
        bytes += entry.file_size(), ++files;
    EXPECT_LE(files, 4);
    EXPECT_LE(bytes, std::uintmax_t{4} << 20) << "it does not grow for ever";
    EXPECT_FALSE(startLog("/proc/nowhere/log.txt"));
    logWarning("nobody hears this");
}

class Planned : public testing::Test {
protected:
    void SetUp() override
    {
        writeShoot(folder.path(), 4);
        ASSERT_TRUE(opens(document, {QString::fromStdString(folder.path().string())}));
    }
    FrameId id(std::size_t i) const { return document.frames()[i].id; }
    TemporaryFolder folder;
    Document document;
};

TEST_F(Planned, TicksAreGesturesAndTimesAreKept)
{
    TimeKeeper keeper(document);
    int changes = 0;
    QObject::connect(&keeper, &TimeKeeper::changed, [&] { ++changes; });
    keeper.setDone({id(0), id(2)}, true);
    EXPECT_EQ(changes, 1);
    EXPECT_TRUE(keeper.isDone(id(0)) && !keeper.isDone(id(1)));
    EXPECT_EQ(keeper.forecastNow().done, 2);
    document.undo();
    EXPECT_EQ(keeper.forecastNow().done, 0);
    document.redo();
    document.changeDesk([&](Desk& desk) { desk.spent[id(1)] = {30, 60, 0}; });
    EXPECT_EQ(keeper.spent(id(1)), (StageTimes{30, 60, 0}));
    EXPECT_EQ(keeper.spent(id(3)), StageTimes{});
    keeper.setWeights([&](FrameId frame) { return frame == id(1) ? 2.0 : 1.0; });
    EXPECT_NEAR(keeper.forecastNow().budgetHours, 5 * 3.5 / 60, 1e-9) << "one frame counts twice";
    Document again;
    ASSERT_TRUE(opens(again, {QString::fromStdString(folder.path().string())}));
    EXPECT_TRUE(again.job().frame(id(2)).isDone) << "opened beside, it is read as it was kept";
}

TEST_F(Planned, ThePanelTakesBudgetsAndSaysWhatTheyComeTo)
{
    TimeKeeper keeper(document);
    PlanPanel panel(keeper);
    panel.show();
    const QString before = panel.findChild<QLabel*>("planLeft")->text();
    panel.findChild<QDoubleSpinBox*>("planLook")->setValue(30);
    EXPECT_EQ(keeper.plan().minutesPerFrame[1], 30);
    EXPECT_NE(panel.findChild<QLabel*>("planLeft")->text(), before);
    panel.findChild<QDoubleSpinBox*>("planDay")->setValue(2);
    EXPECT_EQ(document.desk().plan.hoursPerDay, 2);
    EXPECT_NEAR(keeper.forecastNow().daysLeft, 4 * 31.5 / 60 / 2, 1e-9);
    EXPECT_TRUE(document.undoAction().isEmpty()) << "a plan is no gesture";
}

TEST(FolderWatch, GivesWholeFilesOnceAndSaysWhenTheFolderIsGone)
{
    const TemporaryFolder folder;
    const fs::path card = folder / "card";
    fs::create_directory(card);
    std::ofstream(card / "known.jpg") << "known";
    FolderWatch watch;
    std::vector<fs::path> arrived;
    int vanished = 0;
    QObject::connect(&watch, &FolderWatch::arrived, [&](const std::vector<fs::path>& paths) {
        arrived.insert(arrived.end(), paths.begin(), paths.end());
    });
    QObject::connect(&watch, &FolderWatch::vanished, [&] { ++vanished; });
    watch.watch(QString::fromStdString(card.string()), {card / "known.jpg"});
    std::ofstream(card / "a.jpg") << "a picture";
    std::ofstream(card / "empty.jpg");
    std::ofstream(card / "words.txt") << "no picture";
    ASSERT_TRUE(waitUntil([&] { return !arrived.empty(); }));
    EXPECT_EQ(arrived, std::vector<fs::path>{card / "a.jpg"});
    // The card is pulled out and comes back with one more.
    fs::rename(card, folder / "away");
    ASSERT_TRUE(waitUntil([&] { return vanished == 1; }));
    std::ofstream(folder / "away/b.jpg") << "another";
    fs::rename(folder / "away", card);
    ASSERT_TRUE(waitUntil([&] { return arrived.size() == 2; }));
    EXPECT_EQ(arrived[1], card / "b.jpg") << "what had arrived does not arrive again";
    EXPECT_EQ(vanished, 1);
    watch.watch({}, {});
    EXPECT_TRUE(watch.folder().isEmpty());
}

}  // namespace
}  // namespace amber::test
