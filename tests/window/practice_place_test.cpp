// The Practice place: every drill played ten rounds, by keyboard and by mouse; what was answered is kept.
#include "app/places/practice/practice_place.h"
#include "app/places/practice/round_view.h"
#include "app/theme/value_bar.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

using State = PracticePlace::State;

class PracticeWindow : public ::testing::TestWithParam<Drill> {
protected:
    void SetUp() override
    {
        qputenv("XDG_DATA_HOME", QByteArray::fromStdString((folder / "data").string()));
        qputenv("XDG_CONFIG_HOME", QByteArray::fromStdString((folder / "config").string()));
        std::filesystem::create_directories(folder / "shoot");
        writeShoot(folder / "shoot", 3);
        app = std::make_unique<OpenWindow>(folder / "shoot");
        app->key(Qt::Key_9, Qt::ControlModifier);
        place().usePractice(true);
    }
    void TearDown() override
    {
        app.reset();
        qunsetenv("XDG_DATA_HOME"), qunsetenv("XDG_CONFIG_HOME");
    }
    PracticePlace& place() { return app->window().practice(); }
    bool begins(std::uint64_t seed)
    {
        place().begin(seed);
        return waitUntil([&] { return place().state() == State::Asking; });
    }
    /// Answers by the keys, right or wrong.
    void answer(bool isRight)
    {
        const DrillRound& round = place().round();
        if (round.drill == Drill::Match) {
            auto& bar = app->find<ValueBar>("practiceBar");
            const int steps = static_cast<int>(std::lround(std::abs(round.target) / 0.02));
            for (int i = 0; i < steps && isRight; ++i)
                QTest::keyClick(&bar, round.target > 0 ? Qt::Key_Right : Qt::Key_Left);
            QTest::keyClick(&place(), Qt::Key_Return);
            return;
        }
        const int options = static_cast<int>(round.options.size());
        const int option = isRight ? round.right : (round.right + 1) % options;
        QTest::keyClick(&place(), static_cast<Qt::Key>(Qt::Key_1 + option));
        if (!round.amounts.empty())
            QTest::keyClick(&place(), static_cast<Qt::Key>(Qt::Key_1 + round.rightAmount));
    }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

TEST_P(PracticeWindow, TenRoundsAreAsHardAsTheAnswersAllowAndNoTwoAreAlike)
{
    place().choose(GetParam());
    ASSERT_TRUE(begins(20261130));
    std::set<std::string> keys;
    int right = 0;
    for (int i = 0; i < kRounds; ++i) {
        ASSERT_EQ(place().state(), State::Asking) << i;
        ASSERT_TRUE(waitUntil([&] { return place().view().isPainted(); }));
        keys.insert(place().round().key);
        const bool isRight = i % 4 != 3;
        answer(isRight);
        ASSERT_EQ(place().state(), State::Answered);
        if (GetParam() != Drill::Match) {
            EXPECT_EQ(place().verdict().isRight, isRight);
        }
        right += place().verdict().isRight;
        EXPECT_FALSE(app->find<QLabel>("practiceVerdict").text().isEmpty());
        QTest::keyClick(&place(), Qt::Key_Return);
    }
    EXPECT_EQ(place().state(), State::Finished);
    EXPECT_EQ(keys.size(), static_cast<std::size_t>(kRounds));
    ASSERT_EQ(place().history().rounds().size(), static_cast<std::size_t>(kRounds));
    const auto sittings = place().history().sittings(GetParam());
    ASSERT_EQ(sittings.size(), 1u);
    EXPECT_EQ(sittings[0].right, right);
    EXPECT_TRUE(place().history().rounds().front().onOwn);
    // Kept: another program reads the same.
    EXPECT_EQ(PracticeHistory(PracticeHistory::fileOfUser()).rounds().size(), static_cast<std::size_t>(kRounds));
    QTest::keyClick(&place(), Qt::Key_Return);
    EXPECT_EQ(place().state(), State::Resting);
}

INSTANTIATE_TEST_SUITE_P(Drills, PracticeWindow,
                         ::testing::Values(Drill::Family, Drill::Cast, Drill::Match, Drill::Odd, Drill::Stops),
                         [](const auto& info) {
                             return std::string(kDrillNames[static_cast<std::size_t>(info.param)]);
                         });

class PracticeByMouse : public PracticeWindow {};

TEST_F(PracticeByMouse, ATileAnOptionAndTheBarAreClickedAndEscapeEndsASitting)
{
    QTest::mouseClick(&app->find("drill-odd"), Qt::LeftButton);
    EXPECT_EQ(place().drill(), Drill::Odd);
    QTest::mouseClick(&app->find("practiceBegin"), Qt::LeftButton);
    ASSERT_TRUE(waitUntil([&] { return place().state() == State::Asking; }));
    QTest::mouseClick(&place().view(), Qt::LeftButton, {},
                      place().view().tile(place().round().right).center().toPoint());
    EXPECT_EQ(place().state(), State::Answered);
    EXPECT_TRUE(place().verdict().isRight);
    QTest::mouseClick(&app->find("practiceNext"), Qt::LeftButton);
    EXPECT_EQ(place().roundNumber(), 2);
    QTest::keyClick(&place(), Qt::Key_Escape);
    EXPECT_EQ(place().state(), State::Resting);
    EXPECT_EQ(place().history().rounds().size(), 1u) << "what was answered is kept";
    place().choose(Drill::Stops);
    ASSERT_TRUE(begins(3));
    QTest::mouseClick(&app->find(("option" + std::to_string(place().round().right + 1)).c_str()), Qt::LeftButton);
    EXPECT_TRUE(place().verdict().isRight);
    QTest::keyClick(&place(), Qt::Key_Escape);
    place().choose(Drill::Match);
    ASSERT_TRUE(begins(4));
    auto& bar = app->find<ValueBar>("practiceBar");
    QTest::mouseClick(&bar, Qt::LeftButton, {},
                      QPoint(static_cast<int>(bar.placeOf(place().round().target)), bar.height() / 2));
    EXPECT_NEAR(bar.value(), place().round().target, 0.05);
    QTest::mouseClick(&app->find("practiceDone"), Qt::LeftButton);
    EXPECT_EQ(place().state(), State::Answered);
    EXPECT_LT(place().verdict().deltaE, 3);
}

TEST_F(PracticeByMouse, ItGoesOnWithoutAJobOnThePracticeJob)
{
    place().usePractice(false);
    ASSERT_TRUE(begins(1));
    EXPECT_FALSE(place().round().picture.empty());
    OpenWindow bare;
    bare.key(Qt::Key_9, Qt::ControlModifier);
    bare.window().practice().usePractice(true);
    bare.window().practice().begin(1);
    EXPECT_EQ(bare.window().practice().state(), State::Resting) << "no frames of one's own";
}

}  // namespace
}  // namespace amber::test
