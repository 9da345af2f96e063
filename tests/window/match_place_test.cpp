// Match as a person uses it: a reference, rows taken one by one and all at once, a pair, a table, one frame to another.
#include "app/places/match/fit_coverage.h"
#include "app/places/match/match_place.h"
#include "app/places/match/nearest_sheet.h"
#include "app/wall/picture_view.h"
#include "core/engine/render_plan.h"
#include "core/image/read.h"
#include "core/image/write.h"
#include "tests/support/run_command.h"
#include "tests/support/treatment.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace amber::test {
namespace {

namespace fs = std::filesystem;
const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";

class MatchWindow : public ::testing::Test {
protected:
    void SetUp() override
    {
        fs::create_directory(folder / "job");
        for (const char* name : {"north-window-02", "north-window-05", "north-window-06", "yard-04"})
            fs::copy_file(kDemo / "frames" / (std::string(name) + ".jpg"),
                          folder / "job" / (std::string(name) + ".jpg"));
        // A finished picture: one of the frames under a look that nobody tells.
        auto picture = readReduced(kDemo / "frames/north-window-02.jpg", 900, false);
        render(RenderPlan::compile(treatment(3)).value(), picture->image.view(), picture->image.mutableView());
        ASSERT_TRUE(writePicture(folder / "finished.jpg", picture->image.view(), {},
                                 {FileFormat::Jpeg, RgbSpace::Srgb, 95}, {}));
        open();
    }
    void open()
    {
        app.reset();
        app = std::make_unique<OpenWindow>(folder / "job");
        ASSERT_TRUE(app->thumbnailsRead());
    }
    std::int64_t id(const char* stem)
    {
        for (const Frame& frame : app->document().frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return 0;
    }
    MatchPlace& match() { return app->window().match(); }
    void click(const char* name) { QTest::mouseClick(&app->find(name), Qt::LeftButton); }
    bool rested()
    {
        return waitUntil([&] { return match().isAtRest() && !match().ours().image().isNull(); });
    }
    void goTo(const char* stem)
    {
        app->document().selection().setFrameInHand(id(stem));
        app->key(Qt::Key_5, Qt::ControlModifier);
        ASSERT_TRUE(rested());
    }
    QString path(const char* name) { return QString::fromStdString((folder / name).string()); }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

/// Rows of a whole ladder.
constexpr int at(Rung rung) { return static_cast<int>(rung); }
constexpr int kRows = 22, kLastFamily = 17;

TEST_F(MatchWindow, RowsAreTakenOneByOneAndAllAtOnceUndoneAndKept)
{
    goTo("north-window-06");
    EXPECT_FALSE(app->find("matchTakeAll").isEnabled()) << "nothing to match to yet";
    match().holdPictures({path("finished.jpg")});
    ASSERT_TRUE(rested());
    const double start = match().model().ladder().distance();
    ASSERT_GT(start, 2);
    ASSERT_EQ(match().model().rowCount(), kRows);
    const std::size_t before = app->look().steps.size();
    ASSERT_EQ(before, 0u);
    // The command says the same numbers.
    const Ran ran = amber("--json match reference " + (folder / "finished.jpg").string() + " " +
                          (folder / "job/north-window-06.jpg").string() + " -o " + (folder / "found.json").string());
    ASSERT_EQ(ran.status, 0) << ran.err;
    const auto report = nlohmann::json::parse(ran.out);
    const auto& reported = report["rows"];
    for (std::size_t i = 0; i < kRows; ++i)
        EXPECT_NEAR(reported[i]["before"].get<double>(), match().model().ladder().rows[i].difference, 0.02) << i;

    // One row with the keyboard: only it moves, as one gesture.
    match().table().setFocus();
    match().table().selectRow(at(Rung::Mid));
    app->key(Qt::Key_Return);
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() == before + 1 && rested(); }));
    EXPECT_LT(match().model().ladder().rows[at(Rung::Mid)].difference, 0.3);
    EXPECT_EQ(app->look().steps.back().group, "finished");
    app->key(Qt::Key_Z, Qt::ControlModifier);
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() == before && rested(); }));
    EXPECT_NEAR(match().model().ladder().distance(), start, 1e-9);

    // To here, then the rest, by mouse.
    match().table().selectRow(at(Rung::Contrast));
    click("matchTakeTo");
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() == before + 1 && rested(); }));
    for (std::size_t i = at(Rung::BlackEnd); i <= at(Rung::Contrast); ++i)
        EXPECT_LT(match().model().ladder().rows[i].difference, 0.3) << i;
    const auto takeDownToTheEnd = [&] {
        match().table().selectRow(kLastFamily);
        click("matchTakeTo");
    };
    takeDownToTheEnd();
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() > before + 1 && rested(); }));
    for (int i = 0; i <= kLastFamily; ++i)
        if (match().model().isTakenOnTheWay(i)) {
            EXPECT_TRUE(match().model().row(i)->isWithin()) << match().model().wordsOf(i).toStdString();
        }
    ASSERT_TRUE(app->look().reference) << "the fingerprint is kept with the look";
    // Taken again nothing is off: no further gesture.
    const Look taken = app->look();
    const QString action = app->document().undoAction();
    takeDownToTheEnd();
    ASSERT_TRUE(rested());
    EXPECT_EQ(app->look(), taken);
    EXPECT_EQ(app->document().undoAction(), action);

    // The group has its name on the step line; a click there switches all of it.
    ASSERT_TRUE(app->goToLook());
    StepLine& line = app->window().look().stepLine();
    const QRect name = line.groupRectOf(static_cast<int>(before));
    ASSERT_FALSE(name.isEmpty());
    QTest::mouseClick(&line, Qt::LeftButton, {}, name.center());
    EXPECT_TRUE(std::all_of(app->look().steps.begin() + static_cast<std::ptrdiff_t>(before), app->look().steps.end(),
                            [](const Step& s) { return !s.enabled; }));
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(app->look(), taken);

    // Quit and reopen: the reference is held again; without its file the look still knows what was measured.
    open();
    EXPECT_EQ(app->look(), taken);
    goTo("north-window-06");
    ASSERT_TRUE(waitUntil([&] {
        return rested() && match().held().kind == Held::Kind::Pictures && match().model().rowCount() == kRows;
    }));
    EXPECT_LT(match().model().ladder().distance(), start / 2);
    fs::remove(folder / "finished.jpg");
    open();
    goTo("north-window-06");
    ASSERT_TRUE(waitUntil([&] { return rested() && match().model().rowCount() == kRows; }));
    EXPECT_EQ(match().held().kind, Held::Kind::Nothing);
    EXPECT_LT(match().model().ladder().distance(), start / 2);
}

TEST_F(MatchWindow, TheSameThingInBothCanBeWipedAndMapped)
{
    goTo("yard-04");
    match().holdPictures({path("finished.jpg")});
    ASSERT_TRUE(rested());
    EXPECT_FALSE(match().isRegistered());
    EXPECT_FALSE(app->find("matchWipe").isEnabled());
    goTo("north-window-02");
    ASSERT_TRUE(waitUntil([&] { return rested() && match().isRegistered(); }));
    EXPECT_EQ(match().model().ladder().confidence.subject, 1);
    const QImage plain = match().ours().image();
    click("matchWipe");
    ASSERT_TRUE(rested());
    EXPECT_TRUE(match().ours().isSplit());
    click("matchWipe");
    auto& map = app->find<QComboBox>("matchMap");
    map.setCurrentIndex(1);
    emit map.activated(1);
    ASSERT_TRUE(rested());
    const QImage lightness = match().ours().image();
    EXPECT_NE(lightness, plain);
    const QColor centre = lightness.pixelColor(lightness.width() / 2, lightness.height() / 2);
    EXPECT_NEAR(centre.red(), centre.green(), 2) << "a map is grey";
    // Take all goes by the colours both show; it is one gesture, and steps of one group.
    ASSERT_TRUE(app->find("matchTakeAll").isEnabled());
    const double start = match().model().ladder().distance();
    click("matchTakeAll");
    ASSERT_TRUE(waitUntil([&] { return !app->look().steps.empty() && rested(); }));
    EXPECT_LT(match().model().ladder().distance(), 0.3 * start);
    for (const Step& step : app->look().steps)
        EXPECT_EQ(step.group, "finished");
    app->key(Qt::Key_Z, Qt::ControlModifier);
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.empty() && rested(); }));
    // What was wrong leaves what is held as it is.
    match().holdPictures({path("job/missing.jpg")});
    ASSERT_TRUE(rested());
    EXPECT_FALSE(app->message().isEmpty());
    EXPECT_EQ(match().held().name(), "finished");
}

TEST_F(MatchWindow, PairsAndTablesAreFittedReportedAndTaken)
{
    goTo("yard-04");
    match().holdPairs({QString::fromStdString((kDemo / "pair/before.jpg").string()),
                       QString::fromStdString((kDemo / "pair/after.jpg").string())});
    ASSERT_TRUE(rested());
    ASSERT_EQ(match().held().kind, Held::Kind::Pair);
    const FittedLook fit = match().held().fit.fit;
    EXPECT_LT(fit.left.mean, 2.5);
    EXPECT_TRUE(app->find("matchWipe").isEnabled());
    click("matchWithTable");
    ASSERT_TRUE(waitUntil([&] { return rested() && match().held().withTable; }));
    EXPECT_LT(match().held().fit.fit.left.mean, fit.left.mean);
    const std::size_t looks = app->document().looks().entries().size();
    click("matchTakeNew");
    ASSERT_EQ(app->document().looks().entries().size(), looks + 1);
    EXPECT_EQ(app->look().steps.size(), match().held().fit.fit.look.steps.size());
    EXPECT_EQ(app->window().place(), MainWindow::Place::Look);

    goTo("yard-04");
    match().holdTable(QString::fromStdString((kDemo / "tables/kiln-glow.cube").string()));
    ASSERT_TRUE(waitUntil([&] { return rested() && match().held().kind == Held::Kind::Table; }));
    const std::size_t steps = app->look().steps.size();
    click("matchTakeHere");
    EXPECT_EQ(app->look().steps.size(), steps + match().held().fit.fit.look.steps.size());
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(app->look().steps.size(), steps);

    // Unrelated pictures are refused; a fit can be cancelled.
    goTo("yard-04");
    match().holdPairs({path("job/yard-04.jpg"), path("job/north-window-02.jpg")});
    ASSERT_TRUE(rested());
    EXPECT_TRUE(app->message().contains("same thing")) << app->message().toStdString();
    EXPECT_EQ(match().held().kind, Held::Kind::Table);
    match().holdPairs({QString::fromStdString((kDemo / "pair/before.jpg").string()),
                       QString::fromStdString((kDemo / "pair/after.jpg").string())});
    match().task().cancel();
    ASSERT_TRUE(rested());
    EXPECT_EQ(match().held().kind, Held::Kind::Table);
}

TEST_F(MatchWindow, SeveralPairsAreFittedTogetherAndEveryFrameSaysHowFarToTrustThem)
{
    auto yard = readReduced(kDemo / "frames/yard-04.jpg", 900, false);
    ASSERT_TRUE(writePicture(folder / "yard.png", yard->image.view(), {}, {FileFormat::Png8}, {}));
    render(RenderPlan::compile(treatment(3)).value(), yard->image.view(), yard->image.mutableView());
    for (int i = 0; i < yard->image.width() * yard->image.height() * 3; ++i)
        yard->image.mutableView().data[i] *= 0.7f;
    ASSERT_TRUE(writePicture(folder / "darker.png", yard->image.view(), {}, {FileFormat::Png8}, {}));
    goTo("yard-04");
    match().holdPairs({path("job/north-window-02.jpg"), path("finished.jpg")});
    ASSERT_TRUE(rested());
    EXPECT_FALSE(app->find<QLabel>("matchFacts").text().contains("pairs"));
    const auto certaintyOf = [&](const char* stem) {
        CoverageModel& coverage = match().coverage().model();
        for (int row = 0; row < coverage.rowCount(); ++row)
            if (coverage.frameAt(row) == id(stem))
                return coverage.of(row) ? *coverage.of(row) : FrameCertainty{};
        return FrameCertainty{};
    };
    ASSERT_TRUE(waitUntil([&] { return match().coverage().model().isAllTold(); }));
    ASSERT_EQ(match().coverage().model().rowCount(), 4);
    const FrameCertainty one = certaintyOf("yard-04");
    EXPECT_EQ(certaintyOf("north-window-02").state(), FrameCertainty::State::Covered);
    EXPECT_LE(one.covered, certaintyOf("north-window-02").covered);
    EXPECT_GT(one.error.bound, certaintyOf("north-window-02").error.bound) << "a yard is not a room";
    EXPECT_TRUE(match()
                    .coverage()
                    .model()
                    .data(match().coverage().model().index(0), Qt::ToolTipRole)
                    .toString()
                    .contains(QString::fromUtf8("\u0394E")));

    // With the yard too, in another light: that is said and taken out.
    match().holdPairs(match().held().paths + QStringList{path("yard.png"), path("darker.png")});
    ASSERT_TRUE(waitUntil([&] { return rested() && match().held().fit.pairs.size() == 2; }));
    EXPECT_TRUE(app->find<QLabel>("matchFacts").text().contains("2 pairs"));
    EXPECT_TRUE(app->find<QLabel>("matchScore").text().contains("darker.png was made"))
        << app->find<QLabel>("matchScore").text().toStdString();
    ASSERT_TRUE(waitUntil([&] { return match().coverage().model().isAllTold(); }));
    EXPECT_GT(certaintyOf("yard-04").covered, 0.9);
    EXPECT_LT(certaintyOf("yard-04").error.bound, one.error.bound);
    // A tile takes its frame in hand, with the keyboard too; both pairs are held again when the job is opened.
    auto& tiles = app->find<QListView>("fitCoverage");
    QTest::mouseClick(tiles.viewport(), Qt::LeftButton, {}, tiles.visualRect(tiles.model()->index(0, 0)).center());
    EXPECT_EQ(app->document().selection().frameInHand(), match().coverage().model().frameAt(0));
    open();
    goTo("yard-04");
    EXPECT_TRUE(waitUntil([&] { return rested() && match().held().fit.pairs.size() == 2; }));
}

TEST_F(MatchWindow, FramingLightByPlaceAndTextureAreRowsOfTheirOwn)
{
    // A square of the same scene, darker to its corners, with film's grain.
    auto picture = readReduced(kDemo / "frames/north-window-02.jpg", 1600, false);
    const int side = picture->image.height() * 3 / 4, left = picture->image.width() / 4;
    Image square(side, side), finished(side, side);
    for (int y = 0; y < side; ++y)
        std::copy_n(picture->image.view().row(y + side / 6) + 3 * left, 3 * side, square.mutableView().row(y));
    Look treated;
    EdgeDarkening edges;
    edges.net = -1.5;
    Grain grain;
    grain.amount = 0.05;
    for (const StepParameters& step : std::initializer_list<StepParameters>{edges, grain}) {
        treated.steps.emplace_back();
        treated.steps.back().parameters = step;
    }
    render(RenderPlan::compile(treated).value(), square.view(), finished.mutableView());
    ASSERT_TRUE(writePicture(folder / "square.png", finished.view(), {}, {FileFormat::Png8}, {}));
    goTo("north-window-02");
    match().holdPictures({path("square.png")});
    ASSERT_TRUE(waitUntil([&] { return rested() && match().model().rowCount() == kRows; }));
    ASSERT_TRUE(match().isRegistered());
    const auto row = [&](Rung rung) { return match().model().ladder().find(rung); };
    const auto indexOf = [&](Rung rung) { return static_cast<int>(row(rung) - match().model().ladder().rows.data()); };
    EXPECT_EQ(match().table().currentIndex().row(), at(Rung::BlackEnd)) << "nothing is cut by a key pressed too soon";

    // Framing cuts the frame and no look; undone in one go.
    const double off = row(Rung::Framing)->difference;
    EXPECT_GT(off, 20);
    match().table().selectRow(at(Rung::Framing));
    click("matchTakeThis");
    const FrameId frame = id("north-window-02");
    const auto cropOf = [&] { return app->document().balances().of(frame).geometry.crop; };
    EXPECT_FALSE(cropOf().isWhole());
    EXPECT_TRUE(app->look().steps.empty());
    ASSERT_TRUE(waitUntil([&] { return rested() && row(Rung::Framing)->difference < 0.3 * off; }));
    const double wide = picture->image.width(), high = picture->image.height();
    EXPECT_NEAR(cropOf().left, left / wide, 0.01);
    EXPECT_NEAR(cropOf().right, (left + side) / wide, 0.01);
    EXPECT_NEAR(cropOf().top, side / 6 / high, 0.012);

    // Corners by edge darkening, grain by grain, each by itself.
    EXPECT_GT(row(Rung::MiddleToCorners)->difference, 3);
    match().table().selectRow(at(Rung::MiddleToCorners));
    click("matchTakeThis");
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() == 1 && rested(); }));
    EXPECT_TRUE(row(Rung::MiddleToCorners)->isWithin());
    EXPECT_NEAR(std::get<EdgeDarkening>(app->look().steps[0].parameters).net, -1.5, 0.6);
    match().table().selectRow(indexOf(Rung::Grain));
    EXPECT_FALSE(row(Rung::Grain)->isWithin());
    click("matchTakeThis");
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() == 2 && rested(); }));
    EXPECT_TRUE(row(Rung::Grain)->isWithin());
    EXPECT_TRUE(std::holds_alternative<Grain>(app->look().steps[1].parameters));
    match().table().selectRow(indexOf(Rung::Noise));
    click("matchTakeThis");
    ASSERT_TRUE(rested());
    EXPECT_EQ(app->look().steps.size(), 2u) << "noise is no look's";

    // Light across the frame: a role, where it lies, and a step; two gestures.
    match().table().selectRow(at(Rung::TopToBottom));
    click("matchTakeThis");
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() == 3 && rested(); }));
    EXPECT_EQ(app->look().roles.size(), 1u);
    EXPECT_TRUE(app->document().job().areaOf(frame, app->look().roles[0].name));
    EXPECT_TRUE(row(Rung::TopToBottom)->isWithin()) << row(Rung::TopToBottom)->difference;
    for (int i = 0; i < 5; ++i)
        app->key(Qt::Key_Z, Qt::ControlModifier);
    ASSERT_TRUE(rested());
    EXPECT_TRUE(app->look().steps.empty());
    EXPECT_TRUE(cropOf().isWhole());
    EXPECT_TRUE(app->document().job().areas.empty());
}

TEST_F(MatchWindow, AMatchIsCarriedToAllLightsAndTheNearestLookIsFound)
{
    ASSERT_TRUE(waitUntil([&] { return app->document().job().lights.size() > 1; }));
    goTo("north-window-06");
    match().holdPictures({path("finished.jpg")});
    ASSERT_TRUE(rested());
    EXPECT_FALSE(app->find("matchToLights").isEnabled()) << "nothing was taken yet";
    match().table().selectRow(at(Rung::CastLights));
    click("matchTakeTo");
    ASSERT_TRUE(waitUntil([&] { return !app->look().steps.empty() && rested(); }));
    const Look taken = app->look();
    const auto sheet = [&] { return match().findChild<QDialog*>("carrySheet"); };
    click("matchToLights");
    ASSERT_TRUE(waitUntil([&] { return sheet() && sheet()->isVisible(); }));
    auto* table = sheet()->findChild<QTableWidget*>("carryTable");
    ASSERT_EQ(table->rowCount(), static_cast<int>(app->document().job().lights.size()));
    sheet()->findChild<QPushButton*>("carryLeave")->click();
    ASSERT_TRUE(waitUntil([&] { return !sheet(); }));
    EXPECT_EQ(app->look(), taken) << "seen and left";
    click("matchToLights");
    ASSERT_TRUE(waitUntil([&] { return sheet() && sheet()->isVisible(); }));
    QTest::keyClick(sheet()->findChild<QPushButton*>("carryAccept"), Qt::Key_Space);
    ASSERT_TRUE(waitUntil([&] { return !sheet() && rested(); }));
    const auto same = [&](const char* stem) {
        const Look own = app->document().looks().lookOf(id(stem));
        return std::equal(own.steps.begin(), own.steps.end(), taken.steps.begin(), taken.steps.end(),
                          [](const Step& p, const Step& q) { return p.parameters == q.parameters; });
    };
    EXPECT_TRUE(same("north-window-06")) << "the frame in hand stays as it is";
    EXPECT_FALSE(same("yard-04"));
    EXPECT_EQ(app->look().steps.size(), taken.steps.size());
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(app->look(), taken);

    // Of several looks the one that was matched comes nearest; it is taken in hand.
    const LookId matched = app->document().looks().lookId();
    app->document().looks().newLook();
    goTo("north-window-06");
    const auto nearest = [&] { return match().findChild<NearestSheet*>("nearestSheet"); };
    click("matchNearest");
    ASSERT_TRUE(waitUntil([&] { return nearest() && nearest()->isVisible() && nearest()->sheet().isDone(); }));
    EXPECT_EQ(nearest()->sheet().count(), static_cast<int>(app->document().looks().entries().size()));
    EXPECT_EQ(nearest()->chosen(), 0);
    nearest()->findChild<QPushButton*>("nearestAccept")->click();
    ASSERT_TRUE(waitUntil([&] { return !nearest(); }));
    EXPECT_EQ(app->document().looks().lookId(), matched);

    // Another look's file is fitted as a table is.
    ASSERT_TRUE(app->document().looks().exportLook(path("other.json")));
    match().holdTable(path("other.json"));
    ASSERT_TRUE(waitUntil([&] { return rested() && match().held().kind == Held::Kind::Table; }));
    EXPECT_LT(match().held().fit.fit.left.mean, 0.5 * match().held().fit.fit.untouched.mean);
}

TEST_F(MatchWindow, OfAnotherSubjectOnlyWhatIsAskedForIsTaken)
{
    goTo("yard-04");
    match().holdPictures({path("finished.jpg")});
    ASSERT_TRUE(rested());
    ASSERT_FALSE(match().isRegistered());
    const LadderModel& rows = match().model();
    const Ladder start = rows.ladder();
    int sure = 0;
    for (int i = 0; i < rows.rowCount(); ++i)
        sure += rows.isTakenWithAll(i);
    EXPECT_EQ(app->find("matchTakeAll").isEnabled(), sure > 0);
    for (const Rung light : {Rung::MiddleToCorners, Rung::BlackEnd, Rung::WhiteEnd, Rung::Mid, Rung::Contrast})
        EXPECT_FALSE(rows.isTakenWithAll(at(light))) << "how light a subject is says nothing of the look";
    EXPECT_TRUE(rows.wordsOf(at(Rung::Mid)).contains("the look's") || rows.row(at(Rung::Mid))->isWithin())
        << rows.wordsOf(at(Rung::Mid)).toStdString();
    // Down to the last row, as asked for: all the way.
    match().table().selectRow(rows.rowCount() - 1);
    click("matchTakeTo");
    ASSERT_TRUE(waitUntil([&] { return !app->look().steps.empty() && rested(); }));
    for (int i = 0; i < rows.rowCount(); ++i)
        if (rows.isTakenOnTheWay(i)) {
            EXPECT_TRUE(rows.row(i)->isWithin()) << rows.wordsOf(i).toStdString();
        }
    EXPECT_LT(rows.ladder().distance(), 0.7 * start.distance());
    EXPECT_FALSE(app->find("matchTakeAll").isEnabled()) << "what was asked for by hand stays";
}

TEST_F(MatchWindow, OneFrameIsMatchedToAnotherAndNoThird)
{
    ASSERT_TRUE(waitUntil([&] { return !app->document().job().lights.empty(); }));
    goTo("north-window-02");
    click("matchFrame");
    ASSERT_TRUE(rested());
    goTo("north-window-05");
    ASSERT_TRUE(waitUntil(
        [&] { return rested() && match().model().rowCount() == kRows && app->find("matchTakeBalance").isVisible(); }));
    // A key colour that both hold comes first.
    EXPECT_FALSE(app->find<QLabel>("matchBalanceWords").text().contains("key colours"));
    KeyColour wall;
    wall.name = "wall", wall.frame = id("north-window-02"), wall.place = {0.7, 0.1, 0.8, 0.2};
    app->document().setKeyColours({wall}, "Wall");
    Job placed = app->document().job();
    placed.keyPlaces[{id("north-window-05"), "wall"}] = {{0.7, 0.1, 0.8, 0.2}, 1, true};
    app->document().commit(placed, "Place confirmed");
    EXPECT_TRUE(waitUntil([&] {
        return rested() && app->find<QLabel>("matchBalanceWords").text().contains("key colours");
    })) << app->find<QLabel>("matchBalanceWords").text().toStdString();
    click("matchTakeBalance");
    EXPECT_FALSE(app->document().balances().of(id("north-window-05")).light.isIdentity());
    ASSERT_TRUE(rested());
    const std::size_t steps = app->look().steps.size();
    match().table().selectRow(match().model().rowCount() - 1);
    click("matchTakeTo");
    ASSERT_TRUE(waitUntil([&] { return app->look().steps.size() > steps && rested(); }));
    for (int i = 0; i < match().model().rowCount(); ++i)
        if (match().model().isTakenOnTheWay(i)) {
            EXPECT_TRUE(match().model().row(i)->isWithin())
                << match().model().nameOf(*match().model().row(i)).toStdString() << " "
                << match().model().wordsOf(i).toStdString();
        }
    const Look third = app->document().looks().lookOf(id("yard-04"));
    EXPECT_TRUE(std::all_of(third.steps.begin(), third.steps.end(), [](const Step& s) {
        return s.group.empty() || isIdentity(s);
    })) << "other frames stay as they are";
    EXPECT_FALSE(app->document().looks().look().reference);
}

}  // namespace
}  // namespace amber::test
