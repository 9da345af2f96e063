// The base of frames by hand, as a person does it: light under the hand, a crop drawn and slid, three befores, lens and
// lean; and the file that is handed over.
#include "app/places/balance/balance_place.h"
#include "app/places/balance/crop_overlay.h"
#include "app/render/clip_overlay.h"
#include "app/theme/value_bar.h"
#include "tests/window/takes.h"
#include "tests/window/window_support.h"

#include "core/image/read.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

class BaseByHand : public ::testing::Test {
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
        app->key(Qt::Key_2, Qt::ControlModifier);
        take("a");
    }
    FrameId id(const char* stem)
    {
        for (const Frame& frame : app->document().frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return 0;
    }
    BalancePlace& place() { return app->window().balance(); }
    PictureView& picture() { return place().after(); }
    void take(const char* stem)
    {
        place().table().setCurrentIndex(place().model().index(place().model().rowOf(id(stem)), 0));
        ASSERT_TRUE(settled());
    }
    bool settled()
    {
        return waitUntil([&] {
            return picture().paintedNumber() == place().pictures().requested() && !picture().image().isNull() &&
                   !place().isMeasuring();
        });
    }
    void click(const char* name) { QTest::mouseClick(&app->find(name), Qt::LeftButton); }
    FrameBalance kept(const char* stem) { return app->document().job().frame(id(stem)).balance; }
    QPoint inPicture(double x, double y)
    {
        const QRectF area = picture().pictureArea();
        return (area.topLeft() + QPointF(x * area.width(), y * area.height())).toPoint();
    }
    double mean()
    {
        return qGray(picture().image().scaled(1, 1, Qt::IgnoreAspectRatio, Qt::SmoothTransformation).pixel(0, 0));
    }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

TEST_F(BaseByHand, NeutralExposureThreeFramesACropThreeBeforesAndTheFile)
{
    // A neutral picked twice makes a mean; the ground is nearly grey.
    click("pickNeutral");
    ASSERT_TRUE(picture().isMarking());
    QTest::mouseClick(&picture(), Qt::LeftButton, {}, inPicture(0.06, 0.9));
    QTest::mouseClick(&picture(), Qt::LeftButton, {}, inPicture(0.6, 0.95));
    ASSERT_TRUE(waitUntil([&] { return kept("a").whiteLocked; }));
    const Balance white = kept("a").light;
    EXPECT_NE(white.kelvin, 6504);
    EXPECT_NEAR(1e6 / white.kelvin, 1e6 / 6504, 40) << "0.13, 0.125, 0.12 is nearly neutral";
    QTest::keyClick(&picture(), Qt::Key_Escape);
    EXPECT_FALSE(picture().isMarking());
    EXPECT_TRUE(app->find<QPushButton>("whitePicked").isEnabled());

    // Exposure dragged on the picture with the look on; the instruments follow.
    click("balanceWithLook");
    ASSERT_TRUE(settled());
    const double before = mean();
    QTest::keyPress(&picture(), Qt::Key_E);
    OpenWindow::drag(picture(), inPicture(0.5, 0.5), QPoint(100, 0));
    QTest::keyRelease(&picture(), Qt::Key_E);
    ASSERT_TRUE(settled());
    EXPECT_NEAR(kept("a").light.exposureStops, 0.6, 0.02);
    EXPECT_TRUE(kept("a").exposureLocked);
    EXPECT_GT(mean(), before + 5);
    click("balanceWithLook");

    // Three chosen frames set alike, then moved by as much.
    auto& table = place().table();
    const auto row = [&](const char* stem) { return place().model().index(place().model().rowOf(id(stem)), 0); };
    table.setCurrentIndex(row("b"));
    for (const char* more : {"c", "d"})
        table.selectionModel()->select(row(more), QItemSelectionModel::Select | QItemSelectionModel::Rows);
    ASSERT_EQ(place().hand().chosen().size(), 3u);
    app->type(app->find("balanceStops"), "0.40");
    place().commitPending();
    for (const char* stem : {"b", "c", "d"})
        EXPECT_EQ(kept(stem).light.exposureStops, 0.4) << stem;
    EXPECT_TRUE(app->document().undoAction().contains("3 frames")) << app->document().undoAction().toStdString();
    app->document().undo();
    EXPECT_EQ(kept("c").light.exposureStops, 0);

    // A crop of 16:9, drawn and slid.
    take("a");
    click("benchFraming");
    auto& shape = app->find<QComboBox>("balanceShape");
    shape.setCurrentIndex(shape.findText("16 : 9"));
    emit shape.activated(shape.currentIndex());
    click("drawCrop");
    auto& crop = app->find<CropOverlay>("cropOverlay");
    ASSERT_TRUE(crop.isVisible() && settled());
    const QPoint corner = crop.cropArea().topLeft().toPoint();
    OpenWindow::drag(crop, corner, inPicture(0.1, 0.3) - corner);
    place().commitPending();
    const Region drawn = kept("a").geometry.crop;
    EXPECT_NEAR(shapeOf(drawn, 1.5), 16.0 / 9, 0.02);
    EXPECT_NEAR(drawn.left, 0.1, 0.02);
    OpenWindow::drag(crop, crop.cropArea().center().toPoint(), QPoint(-30, -20));
    place().commitPending();
    const Region slid = kept("a").geometry.crop;
    EXPECT_NEAR(slid.right - slid.left, drawn.right - drawn.left, 1e-9);
    EXPECT_LT(slid.left, drawn.left - 0.02);
    QTest::keyClick(&crop, Qt::Key_Return);
    EXPECT_FALSE(crop.isVisible());
    ASSERT_TRUE(settled());
    EXPECT_NEAR(picture().pictureArea().width() / picture().pictureArea().height(), 16.0 / 9, 0.02);

    // Three befores, each by its name on the picture.
    const QImage result = picture().image();
    for (const auto& [key, modifiers] : {std::pair(Qt::Key_F2, Qt::NoModifier), {Qt::Key_F2, Qt::ShiftModifier}}) {
        QTest::keyPress(&app->window(), key, modifiers);
        ASSERT_TRUE(settled());
        if (modifiers == Qt::NoModifier) {
            EXPECT_NEAR(static_cast<double>(picture().image().width()) / picture().image().height(), 1.5, 0.02)
                << "as it came";
        }
        QTest::keyRelease(&app->window(), key, modifiers);
    }
    ASSERT_TRUE(settled());
    EXPECT_EQ(picture().image(), result);

    // The file has the crop, as kept.
    app->key(Qt::Key_7, Qt::ControlModifier);
    app->window().handover().setFolder(QString::fromStdString((folder / "out").string()));
    ASSERT_TRUE(app->handOver());
    const auto out = readPicture(folder / "out/a.jpg");
    ASSERT_TRUE(out);
    EXPECT_EQ(out->info.width, static_cast<int>(std::lround(480 * (slid.right - slid.left))));
    EXPECT_EQ(out->info.height, static_cast<int>(std::lround(320 * (slid.bottom - slid.top))));
}

TEST_F(BaseByHand, BarsMoveLiveLocksHoldAndWhitesAreChosenByTile)
{
    auto& bar = app->find<ValueBar>("balanceKelvinBar");
    const int from = static_cast<int>(bar.placeOf(bar.value()));
    OpenWindow::drag(bar, QPoint(from, 11), QPoint(-20, 0));
    ASSERT_TRUE(settled());
    EXPECT_LT(place().hand().of(id("a")).light.kelvin, 6400) << "at once";
    place().commitPending();
    EXPECT_LT(kept("a").light.kelvin, 6400);
    bar.setFocus();
    QTest::keyClick(&bar, Qt::Key_Home);
    place().commitPending();
    EXPECT_NEAR(kept("a").light.kelvin, 6504, 1e-6);
    click("whiteAsShot");
    EXPECT_TRUE(kept("a").light.isIdentity());
    // Ends for the whole light; a locked frame is left.
    FrameBalance locked = kept("d");
    locked.endsLocked = true;
    app->document().balances().set({{id("d"), locked}}, "locked");
    click("endsForScreen");
    ASSERT_TRUE(waitUntil([&] { return !(kept("b").ends == BalanceEnds{}); }));
    EXPECT_EQ(kept("b").ends, kept("c").ends) << "one for the light, not frame by frame";
    EXPECT_EQ(kept("d").ends, BalanceEnds{});
    // Clipped pixels marked, while a key is held and by a toggle.
    ASSERT_TRUE(settled());
    app->type(app->find("balanceStops"), "3");
    ASSERT_TRUE(settled());
    EXPECT_TRUE(waitUntil([&] { return app->find<QLabel>("headroom").text().contains("lost in the file"); }));
    const QImage plain = picture().image();
    QTest::keyPress(&app->window(), Qt::Key_F12);
    ASSERT_TRUE(waitUntil([&] { return settled() && picture().image() != plain; }));
    QTest::keyRelease(&app->window(), Qt::Key_F12);
    ASSERT_TRUE(waitUntil([&] { return settled() && picture().image() == plain; }));
    app->key(Qt::Key_K, Qt::ControlModifier);
    ASSERT_TRUE(waitUntil([&] { return settled() && picture().image() != plain; }));
}

TEST(BaseOnTheShopFront, LensLeanAndFringesAreFoundAndKept)
{
    const TemporaryFolder folder;
    for (const char* name : {"shop-front-02.jpg", "shop-front-05.jpg"})
        fs::copy_file(fs::path(AMBER_SOURCE_DIR) / "demo/frames" / name, folder / name);
    fs::create_directories(folder / "lenses");
    fs::copy_file(fs::path(AMBER_SOURCE_DIR) / "demo/lenses/ombrel.xml", folder / "lenses/ombrel.xml");
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead());
    app.key(Qt::Key_2, Qt::ControlModifier);
    BalancePlace& place = app.window().balance();
    const FrameId known = app.document().frames()[0].id, unknown = app.document().frames()[1].id;
    const auto kept = [&](FrameId frame) { return app.document().job().frame(frame).balance; };
    const auto click = [&](const char* name) { QTest::mouseClick(&app.find(name), Qt::LeftButton); };
    const auto shown = [&] {
        return waitUntil([&] {
            return !place.after().image().isNull() && place.after().paintedNumber() == place.pictures().requested();
        });
    };
    place.table().setCurrentIndex(place.model().index(place.model().rowOf(known), 0));
    ASSERT_TRUE(shown());
    click("benchLens");
    click("findLens");
    ASSERT_TRUE(waitUntil([&] { return kept(known).optics.usesLens(); }));
    EXPECT_TRUE(app.find<QLabel>("lensFound").text().contains("24 mm"));
    click("useLens");
    place.commitPending();
    EXPECT_TRUE(kept(known).optics.lensOff) << "a wrong lens can be chosen away";
    click("useLens");
    place.commitPending();
    click("benchFraming");
    click("measureUpright");
    ASSERT_TRUE(waitUntil([&] { return kept(known).geometry.leanUp != 0; }));
    EXPECT_NEAR(kept(known).geometry.straightenDegrees, -1.2, 0.3);
    EXPECT_NEAR(kept(known).geometry.leanUp, -0.029, 0.004);
    // The lens that no file knows: said so; fringes measured.
    place.table().setCurrentIndex(place.model().index(place.model().rowOf(unknown), 0));
    ASSERT_TRUE(shown());
    click("benchLens");
    click("findLens");
    ASSERT_TRUE(waitUntil([&] { return app.find<QLabel>("lensFound").text().contains("no lens file"); }));
    click("measureFringes");
    ASSERT_TRUE(waitUntil([&] { return kept(unknown).optics.redFringe != 0; }));
    EXPECT_NEAR(kept(unknown).optics.redFringe, 0.0009, 0.0002);
    click("measureNoise");
    ASSERT_TRUE(waitUntil([&] { return app.find<QLabel>("noiseSaid").text().contains("dB"); }));
    // Its falloff, over the frames taken through it and on no other; what noise is taken off, on all.
    click("measureFalloff");
    ASSERT_TRUE(waitUntil([&] { return app.find<QLabel>("lensFound").text().contains("stops"); }));
    EXPECT_TRUE(app.find<QLabel>("lensFound").text().contains("not sure")) << "one frame is too few";
    app.find<QDoubleSpinBox>("noiseOff").setValue(0.5);
    click("noiseToAll");
    ASSERT_TRUE(waitUntil([&] { return kept(known).optics.noise > 0; }));
    EXPECT_NEAR(kept(known).optics.noise, 0.5, 0.01) << "the same sensitivity";
    app.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(kept(known).optics.noise, 0);
}

/// What the file lost stays marked when balance and look make it grey; what is white, or was whole, is not dotted.
TEST(ClipOverlay, DotsWhatTheFileLostWhereItIsWhiteNoMore)
{
    Image file(24, 12), shown(24, 12);
    std::fill_n(file.mutableView().data, 24 * 12 * 3, 0.3f), std::fill_n(shown.mutableView().data, 24 * 12 * 3, 0.3f);
    for (int y = 0; y < 12; ++y)
        for (int x = 8; x < 24; ++x)
            for (int k = 0; k < 3; ++k) {
                file.mutableView().row(y)[3 * x + k] = 1;
                shown.mutableView().row(y)[3 * x + k] = x < 16 ? 0.6f : 1.0f;
            }
    QImage picture(24, 12, QImage::Format_RGB32);
    picture.fill(Qt::gray);
    layOverLost(shown.view(), file.view(), 0.99, picture);
    int dots[3] = {};
    for (int y = 0; y < 12; ++y)
        for (int x = 0; x < 24; ++x)
            dots[x / 8] += picture.pixelColor(x, y) == Qt::black;
    EXPECT_EQ(dots[0], 0) << "whole in the file";
    EXPECT_EQ(dots[1], 12) << "an eighth of the pixels";
    EXPECT_EQ(dots[2], 0) << "white still: hatched, not dotted";
    QImage other(5, 5, QImage::Format_RGB32);
    other.fill(Qt::gray);
    layOverLost(shown.view(), file.view(), 0.99, other);  // of another size: left alone
    EXPECT_EQ(other.pixelColor(0, 0), QColor(Qt::gray));
}

}  // namespace
}  // namespace amber::test
