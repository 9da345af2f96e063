// Balance, Proof and what brings frames in, as a person uses them.
#include "app/places/balance/balance_place.h"
#include "app/places/proof/proof_place.h"
#include "app/places/shoot/intake.h"
#include "core/frame/frame_balance.h"
#include "core/job/bring_in.h"
#include "tests/window/takes.h"
#include "tests/window/window_support.h"

#include <fstream>
#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

class BalanceWindow : public ::testing::Test {
protected:
    void SetUp() override
    {
        writeTake(folder / "a.jpg", 0, 6504, 1);
        writeTake(folder / "b.jpg", 0.6, 6504, 2, 6);
        writeTake(folder / "c.jpg", 0, 7300, 3, 12);
        writeTake(folder / "d.jpg", -0.5, 6504, 4, 3);
        open();
    }
    void open()
    {
        app.reset();
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
        ASSERT_TRUE(waitUntil([&] { return !app->document().job().lights.empty(); }));
    }
    std::int64_t id(const char* stem)
    {
        for (const Frame& frame : app->document().frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return 0;
    }
    void click(const char* name) { QTest::mouseClick(&app->find(name), Qt::LeftButton); }
    bool solve()
    {
        click("balanceSolve");
        return waitUntil([&] { return !app->window().balance().task().isRunning(); }) &&
               app->window().balance().model().hasProposals();
    }
    FrameBalance of(const char* stem) { return app->document().balances().of(id(stem)); }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

TEST_F(BalanceWindow, SolvesShowsTakesUndoesAndKeepsIt)
{
    app->key(Qt::Key_2, Qt::ControlModifier);
    auto groups = app->document().job().lights;
    ASSERT_EQ(groups.size(), 1u);
    groups[0].lead = id("a");
    app->document().setLights(groups, "Lead");
    ASSERT_TRUE(solve());
    EXPECT_TRUE(of("b").light.isIdentity()) << "nothing is applied before it is taken";
    auto& table = app->window().balance().table();
    auto& model = app->window().balance().model();
    // The proposed picture is on show: choosing the row shows b nearer to its lead than it came.
    table.setCurrentIndex(model.index(model.rowOf(id("b")), 0));
    PictureView& after = app->window().balance().after();
    ASSERT_TRUE(waitUntil([&] {
        return after.caption().contains("proposed") && !after.image().isNull() &&
               !app->find<PictureView>("balanceLead").image().isNull();
    }));
    // d is not wanted: its tick goes.
    ASSERT_TRUE(model.setData(model.index(model.rowOf(id("d")), 0), Qt::Unchecked, Qt::CheckStateRole));
    click("balanceTake");
    EXPECT_NEAR(of("b").light.exposureStops, -0.6, 0.05);
    EXPECT_NEAR(of("b").light.kelvin, 6504, 100);
    EXPECT_NEAR(of("c").light.kelvin, 7300, 120) << "the light that was written is found";
    EXPECT_NEAR(of("c").light.exposureStops, 0, 0.08);
    EXPECT_TRUE(of("d").light.isIdentity());
    EXPECT_FALSE(of("b").because.empty());
    EXPECT_GT(of("b").confidence, 0.6);
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(of("b").light.isIdentity());
    app->key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_NEAR(of("b").light.exposureStops, -0.6, 0.05);

    // By hand: exposure typed, and so locked; a low key that solving keeps.
    table.setCurrentIndex(model.index(model.rowOf(id("d")), 0));
    ASSERT_TRUE(waitUntil([&] { return app->document().selection().frameInHand() == id("d"); }));
    app->type(app->find("balanceStops"), QLocale().toString(0.9, 'f', 2));
    ASSERT_TRUE(waitUntil([&] { return of("d").light.exposureStops == 0.9; }));
    EXPECT_TRUE(of("d").exposureLocked);
    table.setCurrentIndex(model.index(model.rowOf(id("b")), 0));
    app->type(app->find("balanceKey"), QLocale().toString(-0.7, 'f', 2));
    ASSERT_TRUE(solve());
    click("balanceTake");
    EXPECT_EQ(of("d").light.exposureStops, 0.9) << "locked";
    EXPECT_NEAR(of("b").light.exposureStops, -1.3, 0.06) << "meant to be darker";

    // Framing: straightened, the crop shows nothing from outside.
    app->type(app->find("balanceStraighten"), QLocale().toString(3.0, 'f', 2));
    ASSERT_TRUE(waitUntil([&] { return of("b").geometry.straightenDegrees == 3; }));
    EXPECT_LT(of("b").geometry.crop.right, 0.98);
    const FrameBalance kept = of("b");
    open();
    EXPECT_EQ(of("b"), kept);
    EXPECT_FALSE(app->document().undoAction().isEmpty()) << "gestures survive a restart";
    app->window().go(MainWindow::Place::Balance);
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(of("b").geometry.straightenDegrees, 0);
}

TEST_F(BalanceWindow, LooksAndFilesStandOnTheBalance)
{
    FrameBalance lighter;
    lighter.light.exposureStops = 1;
    app->document().balances().set({{id("a"), lighter}}, "lighter");
    app->document().selection().setFrameInHand(id("a"));
    ASSERT_TRUE(app->goToLook());
    const auto grey = [&] { return qGray(app->picture().image().pixel(10, 10)); };
    const int light = grey();
    app->document().balances().set({{id("a"), FrameBalance{}}}, "off");
    ASSERT_TRUE(waitUntil([&] { return app->settled() && grey() < light - 15; })) << light << " " << grey();
    app->document().balances().set({{id("a"), lighter}}, "lighter");
    // Hand over in square shape: the file is as light as the wall, and square.
    app->key(Qt::Key_7, Qt::ControlModifier);
    app->find<QComboBox>("exportShape").setCurrentIndex(4);
    app->window().handover().setFolder(QString::fromStdString((folder / "out").string()));
    ASSERT_TRUE(app->handOver());
    const auto out = readPicture(folder / "out/a.jpg"), plain = readPicture(folder / "a.jpg");
    ASSERT_TRUE(out && plain);
    EXPECT_EQ(out->info.width, out->info.height);
    const float* p = out->image.view().row(5) + 15;
    const int left = (plain->info.width - plain->info.height) / 2;
    const float* q = plain->image.view().row(5) + 3 * (left + 5);
    EXPECT_NEAR(p[1] / q[1], 2, 0.15);
}

TEST_F(BalanceWindow, ProofFindsKeyColoursShowsWhatStandsOutAndCuresIt)
{
    auto groups = app->document().job().lights;
    groups[0].lead = id("a");
    app->document().setLights(groups, "Lead");
    app->document().selection().setFrameInHand(id("a"));
    std::vector<KeyColour> keys;
    for (const auto& [name, x, y] :
         {std::tuple("green", 110, 100), std::tuple("clay", 250, 180), std::tuple("blue", 400, 240)}) {
        KeyColour key;
        key.name = name, key.frame = id("a"), key.place = pointPlace(x / 480.0, y / 320.0, 480, 320);
        keys.push_back(key);
    }
    app->document().setKeyColours(keys, "Keys");
    app->key(Qt::Key_6, Qt::ControlModifier);
    auto& proof = app->window().proof().table();
    const auto measure = [&] {
        click("consistencyMeasure");
        return waitUntil([&] { return !proof.task().isRunning() && proof.model().rowCount() == 4; });
    };
    ASSERT_TRUE(measure());
    const auto reading = [&](const char* stem) { return *proof.model().reading(id(stem)); };
    for (const char* stem : {"b", "c", "d"})
        for (std::size_t k = 0; k < 3; ++k) {
            ASSERT_TRUE(reading(stem).finished[k]) << stem << k;
            EXPECT_LT(std::abs((reading(stem).places[k].left + reading(stem).places[k].right) / 2 -
                               ((keys[k].place.left + keys[k].place.right) / 2 - (stem[0] == 'b'   ? 6
                                                                                  : stem[0] == 'c' ? 12
                                                                                                   : 3) /
                                                                                     480.0)),
                      0.02)
                << "found where the take moved it";
        }
    EXPECT_LT(proof.model().table().within, 0.7);
    const double before = proof.model().table().allSpread;
    EXPECT_GT(before, 5);
    // The whole shoot balanced: the table follows.
    app->window().go(MainWindow::Place::Balance);
    ASSERT_TRUE(solve());
    click("balanceTake");
    app->window().go(MainWindow::Place::Proof);
    EXPECT_TRUE(app->find<QLabel>("consistencyState").text().contains("measure again"));
    ASSERT_TRUE(measure());
    EXPECT_EQ(proof.model().table().within, 1);
    EXPECT_LT(proof.model().table().allSpread, 1.5);
    EXPECT_TRUE(proof.model().table().outliers.empty());
    // One frame thrown off by hand stands out, for the right reason; its cure is taken.
    FrameBalance off = of("d");
    const double right = off.light.exposureStops;
    off.light.exposureStops += 0.8;
    app->document().balances().set({{id("d"), off}}, "thrown off");
    ASSERT_TRUE(measure());
    ASSERT_FALSE(proof.model().table().outliers.empty());
    const Outlier first = proof.model().table().outliers.front();
    EXPECT_EQ(first.frame, id("d"));
    EXPECT_EQ(first.cause, Outlier::Cause::Exposure);
    EXPECT_NEAR(first.cure.exposureStops, -0.8, 0.15);
    app->find<QListWidget>("outliers").setCurrentRow(0);
    ASSERT_TRUE(waitUntil([&] {
        return !app->find<PictureView>("cellHere").image().isNull() &&
               !app->find<PictureView>("cellLead").image().isNull();
    }));
    EXPECT_TRUE(app->find<QLabel>("cellCause").text().contains("lighter"));
    click("takeCure");
    ASSERT_TRUE(waitUntil([&] { return !proof.task().isRunning() && proof.model().table().outliers.empty(); }));
    EXPECT_NEAR(of("d").light.exposureStops, right, 0.1);
    // A place corrected by hand is kept and read.
    const QModelIndex cell = proof.model().index(2, 1);
    proof.table().setCurrentIndex(cell);
    click("placeCorrect");
    PictureView& here = app->find<PictureView>("cellHere");
    ASSERT_TRUE(waitUntil([&] { return here.isMarking() && !here.image().isNull(); }));
    const QRectF area = here.pictureArea();
    QTest::mouseClick(&here, Qt::LeftButton, {},
                      (area.topLeft() + QPointF(0.3 * area.width(), 0.9 * area.height())).toPoint());
    const auto frame = proof.model().readings()[2].frame;
    ASSERT_TRUE(waitUntil([&] { return !proof.task().isRunning(); }));
    EXPECT_TRUE(app->document().job().confirmedPlace(frame, "green"));
    EXPECT_GT(proof.model().table().rows[2][0].after, 3) << "that is the ground, not the green thing";
    const QString csv = QString::fromStdString((folder / "table.csv").string());
    ASSERT_TRUE(proof.saveTable(csv));
    EXPECT_EQ(readText(csv.toStdString()).substr(0, 5), "frame");
}

TEST_F(BalanceWindow, PicturesComeInAreKnownAgainAndArriveWhileWorking)
{
    const TemporaryFolder card;
    fs::create_directories(card / "DCIM");
    writeTake(card / "DCIM/e.jpg", 0, 6504, 5, 20);
    fs::copy_file(folder / "a.jpg", card / "DCIM/again.jpg");
    std::ofstream(card / "DCIM/e.xmp") << "<x/>";
    OpenWindow::whenOpen([&](QWidget* dialog) {
        dialog->findChild<QLineEdit*>("bringInFrom")->setText(QString::fromStdString(card.path().string()));
        QTest::mouseClick(dialog->findChild<QPushButton*>("bringInStart"), Qt::LeftButton);
    });
    click("bringIn");
    ASSERT_TRUE(waitUntil([&] { return app->message().contains("came in"); }));
    EXPECT_TRUE(app->message().contains("again.jpg is a.jpg")) << app->message().toStdString();
    EXPECT_EQ(app->document().frames().size(), 5u);
    EXPECT_TRUE(fs::exists(folder / "e.jpg"));
    EXPECT_TRUE(fs::exists(folder / "e.xmp"));
    ASSERT_TRUE(app->thumbnailsRead());
    // Frames that arrive one by one, as from a camera on a cable; one is still being written.
    app->window().shoot().intake().watch(QString::fromStdString(folder.path().string()));
    writeTake(folder / "f.jpg", 0.2, 6504, 6, 8);
    {
        int looks = 0;
        auto* watch = app->window().shoot().intake().findChild<FolderWatch*>();
        const auto counted = QObject::connect(watch, &FolderWatch::looked, [&] { ++looks; });
        std::ofstream half(folder / "g.jpg", std::ios::binary);
        for (int i = 0; i < 4; ++i) {
            half << std::string(1000, 'x') << std::flush;
            const int before = looks;
            ASSERT_TRUE(waitUntil([&] { return looks > before; }));
            EXPECT_EQ(std::count_if(app->document().frames().begin(), app->document().frames().end(),
                                    [](const Frame& f) { return f.path.stem() == "g"; }),
                      0);
        }
        QObject::disconnect(counted);
    }
    ASSERT_TRUE(waitUntil([&] { return app->document().frames().size() >= 7; }));
    ASSERT_TRUE(waitUntil([&] { return app->window().shoot().model().readCount() == 6; }));
    ASSERT_TRUE(waitUntil([&] { return app->document().job().lightOf(id("f")) >= 0; }))
        << "what came later belongs to a light too";
    app.reset();
    app = std::make_unique<OpenWindow>(folder.path());
    EXPECT_EQ(app->document().frames().size(), 7u);
    EXPECT_EQ(app->window().shoot().intake().watched(), QString::fromStdString(folder.path().string()));
}

TEST(BalanceWindowOnTheDemo, ABracketIsMergedIntoANewFrameThatStandsAmongItsParents)
{
    const TemporaryFolder folder;
    for (const char* name : {"north-window-08.jpg", "north-window-09.jpg", "north-window-10.jpg"})
        fs::copy_file(fs::path(AMBER_SOURCE_DIR) / "demo/frames" / name, folder / name);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead());
    auto& shoot = app.window().shoot();
    ASSERT_EQ(shoot.model().brackets().size(), 1u);
    const auto parents = shoot.model().brackets()[0].frames;
    shoot.sheet().setFocus();
    shoot.sheet().setCurrentIndex(shoot.sheet().model()->index(0, 0));
    OpenWindow::whenOpen(
        [](QWidget* dialog) { QTest::mouseClick(dialog->findChild<QPushButton*>("bracketMerge"), Qt::LeftButton); });
    QTest::keyClick(&shoot.sheet(), Qt::Key_B);
    ASSERT_TRUE(waitUntil([&] { return app.document().frames().size() == 4; }));
    const Frame merged = app.document().frames().back();
    EXPECT_EQ(merged.path.filename(), "north-window-08-merged.tif");
    EXPECT_EQ(shoot.intake().parentsOf(merged.id), parents);
    EXPECT_EQ(app.document().selection().frameInHand(), merged.id);
    EXPECT_GE(app.document().job().lightOf(merged.id), 0);
    const FrameBalance balance = app.document().balances().of(merged.id);
    EXPECT_NEAR(balance.light.exposureStops, 1.5, 0.01);
    // Shown as light as the best exposed of the three, and with its highlights.
    const auto file = readPicture(merged.path), middle = readPicture(folder / "north-window-09.jpg");
    ASSERT_TRUE(file && middle);
    const Image lit = balancedPicture(file->image, balance, app.document().balances().responseOf(balance));
    double apart = 0;
    const auto count = static_cast<std::size_t>(lit.width()) * static_cast<std::size_t>(lit.height());
    for (std::size_t i = 0; i < count; ++i)
        apart += std::abs(std::cbrt(static_cast<double>(lit.view().data[3 * i + 1])) -
                          std::cbrt(static_cast<double>(middle->image.view().data[3 * i + 1])));
    EXPECT_LT(apart / static_cast<double>(count), 0.015);
    // One exposure chosen instead: the others are handed over no longer when that is asked for.
    shoot.sheet().setCurrentIndex(shoot.sheet().model()->index(0, 0));
    OpenWindow::whenOpen(
        [](QWidget* dialog) { QTest::mouseClick(dialog->findChild<QPushButton*>("bracketUse2"), Qt::LeftButton); });
    QTest::keyClick(&shoot.sheet(), Qt::Key_B);
    EXPECT_EQ(app.document().selection().frameInHand(), parents[1]);
    EXPECT_TRUE(app.document().job().frame(parents[0]).isUnused);
    EXPECT_FALSE(app.document().job().frame(parents[1]).isUnused);
}

}  // namespace
}  // namespace amber::test
