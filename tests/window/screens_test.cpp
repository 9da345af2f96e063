// What screens are shown on: the desk's profile as it comes and goes, a chosen one, proofs, another's screen, the
// client's window.
#include "app/display/screens.h"
#include "app/screen/client_view.h"
#include "core/image/profile.h"
#include "tests/window/window_support.h"

#include <cmath>
#include <gtest/gtest.h>
#include <lcms2.h>
#include <xcb/xcb.h>

namespace amber::test {
namespace {

QString shipped(const char* name) { return QStringLiteral(AMBER_SOURCE_DIR) + "/demo/profiles/" + name; }

QByteArray bytesOf(const QString& file)
{
    QFile opened(file);
    return opened.open(QIODevice::ReadOnly) ? opened.readAll() : QByteArray();
}

/// As the desk does it: another program sets the property of the root window, or takes it away.
void setDeskProfile(const QByteArray& icc)
{
    xcb_connection_t* c = xcb_connect(nullptr, nullptr);
    const xcb_window_t root = xcb_setup_roots_iterator(xcb_get_setup(c)).data->root;
    xcb_intern_atom_reply_t* atom = xcb_intern_atom_reply(c, xcb_intern_atom(c, 0, 12, "_ICC_PROFILE"), nullptr);
    ASSERT_NE(atom, nullptr);
    if (icc.isEmpty())
        xcb_delete_property(c, root, atom->atom);
    else
        xcb_change_property(c, XCB_PROP_MODE_REPLACE, root, atom->atom, XCB_ATOM_CARDINAL, 8,
                            static_cast<std::uint32_t>(icc.size()), icc.constData());
    std::free(atom);
    xcb_flush(c);
    std::free(xcb_get_input_focus_reply(c, xcb_get_input_focus(c), nullptr));
    xcb_disconnect(c);
}

/// A picture of sRGB codes on a screen with this profile, by LittleCMS alone.
QImage byLittleCms(const QImage& srgb, const QByteArray& icc)
{
    const auto& own = iccProfile(RgbSpace::Srgb);
    void* from = cmsOpenProfileFromMem(own.data(), static_cast<cmsUInt32Number>(own.size()));
    void* to = cmsOpenProfileFromMem(icc.constData(), static_cast<cmsUInt32Number>(icc.size()));
    void* transform = cmsCreateTransform(from, TYPE_RGB_DBL, to, TYPE_RGB_DBL, INTENT_RELATIVE_COLORIMETRIC,
                                         cmsFLAGS_BLACKPOINTCOMPENSATION | cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE);
    QImage made(srgb.size(), QImage::Format_RGB32);
    for (int y = 0; y < srgb.height(); ++y)
        for (int x = 0; x < srgb.width(); ++x) {
            const QColor c = srgb.pixelColor(x, y);
            const double in[3] = {c.redF(), c.greenF(), c.blueF()};
            double out[3];
            cmsDoTransform(transform, in, out, 1);
            const auto code = [&](int k) { return static_cast<int>(std::lround(255 * std::clamp(out[k], 0.0, 1.0))); };
            made.setPixel(x, y, qRgb(code(0), code(1), code(2)));
        }
    cmsDeleteTransform(transform), cmsCloseProfile(from), cmsCloseProfile(to);
    return made;
}

int worst(const QImage& one, const QImage& other)
{
    if (one.size() != other.size())
        return 999;
    int most = 0;
    for (int y = 0; y < one.height(); ++y)
        for (int x = 0; x < one.width(); ++x) {
            const QRgb a = one.pixel(x, y), b = other.pixel(x, y);
            most = std::max(
                {most, std::abs(qRed(a) - qRed(b)), std::abs(qGreen(a) - qGreen(b)), std::abs(qBlue(a) - qBlue(b))});
        }
    return most;
}

class ScreenProfiles : public ::testing::Test {
protected:
    void SetUp() override
    {
        writeShoot(folder.path(), 2);
        open();
    }
    void open()
    {
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
        ASSERT_TRUE(app->goToLook());
    }
    void TearDown() override
    {
        if (app)
            app->window().screens().setChoice(app->window().screen(), {});
    }
    Screens& screens() { return app->window().screens(); }
    bool shows(const QString& status)
    {
        return waitUntil([&] { return screens().isAtRest() && screens().status().contains(status); }) &&
               app->settled() && app->atRest();
    }
    /// What the screen itself holds of the picture, marks painted over it left out.
    QImage grabbed()
    {
        PictureView& view = app->picture();
        const QPoint corner = view.mapTo(&app->window(), view.pictureArea().topLeft().toPoint());
        QImage got;
        EXPECT_TRUE(waitUntil([&] {
            got = app->window()
                      .screen()
                      ->grabWindow(app->window().winId())
                      .toImage()
                      .copy(QRect(corner, view.image().size()));
            return worst(got, view.image().convertToFormat(got.format())) == 0;
        }));
        return got;
    }
    QImage source() { return QImage(QString::fromStdString((folder.path() / "frame-0.png").string())); }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

TEST_F(ScreenProfiles, OfTheDeskReachTheScreenItself)
{
    if (QGuiApplication::platformName() != "xcb")
        GTEST_SKIP() << "there is no screen of X11";
    const QByteArray projector = bytesOf(shipped("screen-pale-projector.icc"));
    setDeskProfile(projector);
    ASSERT_TRUE(shows("pale projector"));
    EXPECT_TRUE(app->find<QToolButton>("screenButton").text().contains("Client"));
    EXPECT_LE(worst(grabbed(), byLittleCms(source(), projector)), 1);
    const QImage thumbnail = app->window().shoot().model().thumbnail(app->document().frames()[0].id).toImage();

    setDeskProfile({});
    ASSERT_TRUE(shows("as sRGB"));
    EXPECT_TRUE(app->find<QToolButton>("screenButton").text().contains("as sRGB"));
    EXPECT_EQ(worst(grabbed(), source()), 0);
    const QImage plain = app->window().shoot().model().thumbnail(app->document().frames()[0].id).toImage();
    EXPECT_LE(worst(thumbnail, byLittleCms(plain, projector)), 1);
}

TEST_F(ScreenProfiles, ChosenByHandAreKeptAndBadOnesSaid)
{
    const QString laptop = shipped("screen-warm-laptop.icc");
    screens().setChoice(app->window().screen(), {ScreenChoice::Source::File, laptop});
    ASSERT_TRUE(shows("warm laptop"));
    EXPECT_LE(worst(app->picture().image(), byLittleCms(source(), bytesOf(laptop))), 1);
    app.reset();
    open();
    ASSERT_TRUE(shows("warm laptop"));
    EXPECT_LE(worst(app->picture().image(), byLittleCms(source(), bytesOf(laptop))), 1);

    for (const QString& bad : {QString::fromStdString((folder.path() / "frame-0.png").string()),
                               shipped("printer-kiln-felt.icc"), QStringLiteral("/nowhere/at-all.icc")}) {
        screens().setChoice(app->window().screen(), {ScreenChoice::Source::File, bad});
        ASSERT_TRUE(shows("as sRGB"));
        EXPECT_TRUE(screens().longStatus().contains("Not used")) << bad.toStdString();
        EXPECT_EQ(worst(app->picture().image(), source()), 0);
    }
}

TEST_F(ScreenProfiles, AreSeenAsAPrintAndAsAClientDoes)
{
    app->key(Qt::Key_D, Qt::ControlModifier);
    auto* sheet = app->window().findChild<QDialog*>("screenSheet");
    ASSERT_TRUE(sheet && sheet->isVisible());
    auto* seenAs = sheet->findChild<QComboBox*>("seenAs");
    const auto choose = [&](const QString& words) {
        seenAs->setCurrentIndex(seenAs->findText(words, Qt::MatchContains));
        emit seenAs->activated(seenAs->currentIndex());
    };
    choose("Kiln");
    ASSERT_TRUE(shows("seen as Proof printer"));
    EXPECT_TRUE(app->picture().caption().contains("seen as Proof printer"));
    EXPECT_GT(worst(app->picture().image(), source()), 20);
    EXPECT_TRUE(sheet->findChild<QWidget*>("paperWhite")->isVisible());
    const QImage printed = app->picture().image();
    QTest::mouseClick(sheet->findChild<QCheckBox*>("markOutside"), Qt::LeftButton, {}, {8, 8});
    ASSERT_TRUE(waitUntil([&] { return worst(app->picture().image(), printed) > 60; }));
    QTest::mouseClick(sheet->findChild<QCheckBox*>("markOutside"), Qt::LeftButton, {}, {8, 8});
    ASSERT_TRUE(waitUntil([&] { return worst(app->picture().image(), printed) == 0; }));

    choose("dim phone");
    ASSERT_TRUE(shows("seen as Client screen"));
    EXPECT_FALSE(sheet->findChild<QWidget*>("paperWhite")->isVisible());
    seenAs->setCurrentIndex(0);
    emit seenAs->activated(0);
    ASSERT_TRUE(shows("as sRGB"));
    EXPECT_EQ(worst(app->picture().image(), source()), 0);
    sheet->close();
}

TEST_F(ScreenProfiles, GoWithTheClientsOwnWindow)
{
    app->key(Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
    ASSERT_TRUE(app->window().clientView());
    ClientView& client = *app->window().clientView();
    ASSERT_TRUE(waitUntil([&] { return client.isAtRest() && !client.image().isNull(); }));
    EXPECT_EQ(worst(client.image(), source()), 0);
    // It follows the look and the frame in hand.
    Warmth warm;
    warm.warmth = 40;
    app->document().looks().addStep(warm);
    ASSERT_TRUE(waitUntil([&] { return client.isAtRest() && worst(client.image(), source()) > 20; }));
    QTest::keyClick(static_cast<QWidget*>(&client), Qt::Key_Escape);
    ASSERT_TRUE(waitUntil([&] { return app->window().clientView() == nullptr; }));
    EXPECT_TRUE(app->window().isVisible());
}

}  // namespace
}  // namespace amber::test
