// The editors: handles by mouse and keyboard, limits, and what a restless user does to them.
#include "core/look/look_json.h"
#include "tests/support/random_look.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

template <class T>
const T& stepOf(const Look& look, std::size_t index)
{
    return std::get<T>(look.steps.at(index).parameters);
}

class ABench : public testing::Test {
protected:
    ABench()
    {
        writeShoot(m_folder.path(), 2);
        m_app.open(QString::fromStdString(m_folder.path().string()));
    }
    void SetUp() override { ASSERT_TRUE(m_app.goToLook()); }
    TemporaryFolder m_folder;
    OpenWindow m_app;
};

TEST_F(ABench, RandomDragsAndKeysNeverMakeAnInvalidLookAndAllCanBeUndone)
{
    Random random(95);
    for (const char* title : {"Tone curve", "Split toning", "Hue shifts"})
        ASSERT_TRUE(m_app.addStep(title));
    const char* const plots[] = {"curvePlot", "dyePlot", "dyeHuePlot", "familyPlot"};
    const int steps[] = {0, 1, 1, 2};
    constexpr Qt::Key kKeys[] = {Qt::Key_Left,     Qt::Key_Right,  Qt::Key_Up,     Qt::Key_Down, Qt::Key_PageUp,
                                 Qt::Key_PageDown, Qt::Key_Insert, Qt::Key_Delete, Qt::Key_Home};
    for (int i = 0; i < 240; ++i) {
        const int which = random.whole(0, 3);
        m_app.document().looks().selectStep(steps[which]);
        auto& plot = m_app.find<AxisPlot>(plots[which]);
        const auto anywhere = [&] {
            return QPoint(random.whole(-30, plot.width() + 30), random.whole(-30, plot.height() + 30));
        };
        if (random.flip()) {
            const QPoint from = plot.handleCount() > 0 && random.flip()
                                    ? plot.handlePlace(random.whole(0, plot.handleCount() - 1)).toPoint()
                                    : anywhere();
            OpenWindow::drag(plot, from, anywhere() - from, 3);
        } else {
            QTest::keyClick(&plot, kKeys[random.whole(0, 8)], random.flip() ? Qt::ShiftModifier : Qt::NoModifier);
        }
        ASSERT_TRUE(validate(m_app.look())) << plots[which] << ": " << validate(m_app.look()).error().message();
        ASSERT_GE(stepOf<ToneCurve>(m_app.look(), 0).all.size(), 2u);
    }
    ASSERT_TRUE(m_app.settled());
    EXPECT_TRUE(m_app.message().isEmpty()) << m_app.message().toStdString();
    for (int i = 0; i < 1000 && !m_app.document().undoAction().isEmpty(); ++i)
        m_app.document().undo();
    EXPECT_TRUE(m_app.look().steps.empty());
}

TEST_F(ABench, CurvePointsStopAtTheirNeighbours)
{
    ASSERT_TRUE(m_app.addStep("Tone curve"));
    auto& plot = m_app.find<CurvePlot>("curvePlot");
    OpenWindow::drag(plot, QPoint(plot.width() / 3, plot.height() / 2), QPoint(0, -8));
    // A double click puts it back on the line.
    QTest::mouseDClick(&plot, Qt::LeftButton, {}, plot.handlePlace(1).toPoint());
    EXPECT_NEAR(stepOf<ToneCurve>(m_app.look(), 0).all[1].y, stepOf<ToneCurve>(m_app.look(), 0).all[1].x, 1e-6);
    OpenWindow::drag(plot, QPoint(plot.width() * 2 / 3, plot.height() / 2), QPoint(0, 0));
    ASSERT_EQ(stepOf<ToneCurve>(m_app.look(), 0).all.size(), 4u);
    OpenWindow::drag(plot, plot.handlePlace(1).toPoint(), QPoint(plot.width(), -500), 20);
    const auto& points = stepOf<ToneCurve>(m_app.look(), 0).all;
    EXPECT_NEAR(points[1].x, points[2].x - kCurveGap, 1e-9);
    EXPECT_LE(points[1].y, points[2].y + 1e-12);
}

TEST_F(ABench, EachChannelHasItsOwnCurve)
{
    ASSERT_TRUE(m_app.addStep("Tone curve"));
    QTest::mouseClick(&m_app.find("curveChannel3"), Qt::LeftButton);
    auto& plot = m_app.find<CurvePlot>("curvePlot");
    OpenWindow::drag(plot, QPoint(plot.width() / 2, plot.height() / 2), QPoint(0, 15));
    EXPECT_EQ(stepOf<ToneCurve>(m_app.look(), 0).all.size(), 2u);
    EXPECT_EQ(stepOf<ToneCurve>(m_app.look(), 0).blue.size(), 3u);
    EXPECT_LT(stepOf<ToneCurve>(m_app.look(), 0).blue[1].y, stepOf<ToneCurve>(m_app.look(), 0).blue[1].x);
    m_app.find<QComboBox>("curveMode").setFocus();
    QTest::keyClick(&m_app.find("curveMode"), Qt::Key_Down);
    EXPECT_EQ(stepOf<ToneCurve>(m_app.look(), 0).mode, ToneCurve::Mode::LightnessOnly);
    EXPECT_TRUE(m_app.find<QLabel>("curveReadout").text().contains("black to 0.000"));
}

TEST_F(ABench, DyesAreAddedLockedAndTakenAway)
{
    ASSERT_TRUE(m_app.addStep("Split toning"));
    auto& tones = m_app.find<DyeTonePlot>("dyePlot");
    QTest::mouseDClick(&tones, Qt::LeftButton, {}, QPoint(tones.width() / 2, tones.height() / 2));
    ASSERT_EQ(stepOf<SplitToning>(m_app.look(), 0).dyes.size(), 3u);
    EXPECT_GT(stepOf<SplitToning>(m_app.look(), 0).dyes[2].chroma, 0.01);
    auto& lock = m_app.find<QComboBox>("dyeLock");
    lock.setCurrentIndex(4);
    emit lock.activated(4);
    auto& hues = m_app.find<DyeHuePlot>("dyeHuePlot");
    OpenWindow::drag(hues, hues.handlePlace(0).toPoint(), QPoint(60, 0));
    const auto& dyes = stepOf<SplitToning>(m_app.look(), 0).dyes;
    EXPECT_NEAR(std::fmod(dyes[1].hueDegrees - dyes[0].hueDegrees + 360, 360), 120, 1e-6);
    EXPECT_NEAR(std::fmod(dyes[2].hueDegrees - dyes[0].hueDegrees + 360, 360), 240, 1e-6);
    // The right end of its line is a dye's reach.
    QTest::mousePress(&tones, Qt::LeftButton, {}, tones.handlePlace(0).toPoint());
    QTest::mouseRelease(&tones, Qt::LeftButton, {}, tones.handlePlace(0).toPoint());
    const double reach = dyes[0].reach;
    OpenWindow::drag(tones, tones.handlePlace(3).toPoint(), QPoint(-120, 0));
    EXPECT_LT(stepOf<SplitToning>(m_app.look(), 0).dyes[0].reach, reach - 0.05);
    tones.setFocus();
    for (int i = 0; i < 3; ++i)
        QTest::keyClick(&tones, Qt::Key_Delete);
    EXPECT_TRUE(stepOf<SplitToning>(m_app.look(), 0).dyes.empty());
    EXPECT_FALSE(m_app.find("dyeChroma").isEnabled());
    QTest::mouseClick(&m_app.find("dyeBlack"), Qt::LeftButton, {}, QPoint(8, 10));
    EXPECT_TRUE(stepOf<SplitToning>(m_app.look(), 0).tintBlack);
}

TEST_F(ABench, InstrumentsSayInWordsWhatTheyShow)
{
    ASSERT_TRUE(m_app.addStep("Tone curve"));
    auto& instruments = m_app.find<QWidget>("instruments");
    ASSERT_TRUE(waitUntil([&] { return instruments.accessibleDescription().contains("Clipped at white"); }));
    const QString before = instruments.accessibleDescription();
    auto& plot = m_app.find<CurvePlot>("curvePlot");
    OpenWindow::drag(plot, QPoint(plot.width() / 2, plot.height() / 2), QPoint(0, -25));
    ASSERT_TRUE(waitUntil([&] { return instruments.accessibleDescription() != before; }));
}

TEST_F(ABench, ThePictureFitsItsPlaceAtAnyWindowSize)
{
    for (const QSize& size : {QSize(1280, 800), QSize(1900, 1000), QSize(1200, 760)}) {
        m_app.window().resize(size);
        ASSERT_TRUE(m_app.settled());
        const QRectF area = m_app.picture().pictureArea();
        EXPECT_TRUE(QRectF(m_app.picture().rect()).contains(area)) << size.width();
        EXPECT_NEAR(area.width() / area.height(), 1.5, 0.02);
        EXPECT_LE(m_app.window().width(), size.width() + 1);
    }
}

TEST(RenderService, OnlyTheNewestWaitingRequestIsShown)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    auto picture = readPicture(folder / "frame-0.png");
    ASSERT_TRUE(picture);
    Image samples = picture->image;
    const auto proxy =
        std::make_shared<const Proxy>(Proxy{std::move(picture->image), std::move(samples), picture->info});
    RenderQueue queue;
    RenderService service(queue);
    std::vector<std::uint64_t> shown;
    QImage last;
    QObject::connect(&service, &RenderService::rendered, [&](std::uint64_t number, std::int64_t, const QImage& after) {
        shown.push_back(number), last = after;
    });
    Random random(96);
    std::uint64_t newest = 0;
    Look look;
    for (int i = 0; i < 50; ++i) {
        look = random.look(2);
        RenderRequest request;
        request.look = look;
        request.pictures = {{1, proxy, QSize(200, 200)}};
        newest = service.submit(request);
    }
    ASSERT_TRUE(waitUntil([&] { return !shown.empty() && shown.back() == newest; }));
    EXPECT_EQ(newest, 50u);
    EXPECT_LT(shown.size(), 50u);
    EXPECT_TRUE(std::is_sorted(shown.begin(), shown.end()));
    EXPECT_EQ(last.size(), QSize(200, 133));
}

TEST(RenderService, MeasuresTheFrameBeforeAfterAndEnteringTheStep)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    auto picture = readPicture(folder / "frame-0.png");
    const auto proxy = std::make_shared<const Proxy>(Proxy{picture->image, picture->image, picture->info});
    RenderQueue queue;
    RenderService service(queue);
    std::optional<MeasuredFrame> measured;
    QObject::connect(&service, &RenderService::measured,
                     [&](std::uint64_t, const MeasuredFrame& frame) { measured = frame; });
    RenderRequest request;
    ToneCurve up, down;
    up.all = {{0, 0.1}, {1, 1.0}};
    down.all = {{0, 0}, {1, 0.6}};
    request.look.steps = {{up, true, 1, {}, {}}, {down, true, 1, {}, {}}};
    request.entering = 1;
    request.pictures = {{1, proxy, QSize(200, 200)}};
    service.submit(request);
    ASSERT_TRUE(waitUntil([&] { return measured.has_value(); }));
    EXPECT_GT(measured->entering.tone.meanL, measured->before.tone.meanL + 0.02);
    EXPECT_LT(measured->after.tone.meanL, measured->before.tone.meanL - 0.05);
}

TEST(ProxyStore, ReadsInTheBackgroundOnceAndSaysWhatItCannotRead)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    RenderQueue queue;
    ProxyStore store(queue);
    int ready = 0;
    QStringList faults;
    QObject::connect(&store, &ProxyStore::proxyReady, [&] { ++ready; });
    QObject::connect(&store, &ProxyStore::failed, [&](std::int64_t, const QString& message) { faults << message; });
    EXPECT_EQ(store.proxy(1, folder / "frame-0.png"), nullptr);
    EXPECT_EQ(store.proxy(1, folder / "frame-0.png"), nullptr);
    ASSERT_TRUE(waitUntil([&] { return ready == 1; }));
    const auto proxy = store.proxy(1, folder / "frame-0.png");
    ASSERT_NE(proxy, nullptr);
    EXPECT_EQ(proxy->image.width(), 360);
    EXPECT_LE(proxy->samples.width(), ProxyStore::kSampleEdge);
    store.proxy(2, folder / "gone.png");
    ASSERT_TRUE(waitUntil([&] { return faults.size() == 1; }));
    EXPECT_TRUE(faults[0].contains("gone.png: no such file"));
    EXPECT_EQ(ready, 1);
    // A thumbnail is made once, however often it is wanted.
    int thumbnails = 0;
    QObject::connect(&store, &ProxyStore::thumbnailReady, [&](std::int64_t, const QImage& image, const QString& hash) {
        ++thumbnails;
        EXPECT_EQ(image.width(), 320);
        EXPECT_EQ(hash.size(), 32);
    });
    for (bool urgent : {false, true, true})
        store.requestThumbnail(1, folder / "frame-0.png", urgent);
    ASSERT_TRUE(waitUntil([&] { return thumbnails > 0; }));
    EXPECT_FALSE(QTest::qWaitFor([&] { return thumbnails > 1; }, 200));
}

}  // namespace
}  // namespace amber::test
