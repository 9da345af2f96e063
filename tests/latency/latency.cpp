// Times the window from input to painted picture, on 24-megapixel sources. A measurement, not a test: it only prints.
//
// usage: amber_latency            drag each editor's handle and say how long the picture took
//        amber_latency --light         drag exposure and white in Balance, with instruments
//        amber_latency --areas         drag a ramp, an ellipse and a brush in Areas, draw strokes over things
//        amber_latency --open N        open a folder of N pictures of 24 megapixels and say when the window could be
//        used amber_latency --open FOLDER   the same for a folder that is there
#include "app/places/areas/area_canvas.h"
#include "app/places/areas/areas_place.h"
#include "app/places/balance/balance_place.h"
#include "app/shell/application.h"
#include "app/theme/value_bar.h"
#include "tests/window/window_support.h"

#include <cstdio>

namespace amber::test {
namespace {

constexpr int kWidth = 6000, kHeight = 4000, kMoves = 60;

void writeLarge(const std::filesystem::path& path, unsigned seed)
{
    RawPicture raw{kWidth, kHeight, 3, 8, {}};
    raw.codes.resize(std::size_t{3} * kWidth * kHeight);
    std::mt19937 engine(seed);
    for (int y = 0; y < kHeight; ++y)
        for (int x = 0; x < kWidth; ++x)
            for (int k = 0; k < 3; ++k)
                raw.codes[(static_cast<std::size_t>(y) * kWidth + x) * 3 + k] =
                    static_cast<std::uint16_t>((x / 30 + y / (20 + 7 * k) + (engine() & 15) + seed * 20) % 230 + 12);
    writeRaw(path, raw, [](OIIO::ImageSpec& spec) { spec["compression"] = "jpeg:92"; });
}

void print(const char* what, std::vector<double> milliseconds)
{
    std::sort(milliseconds.begin(), milliseconds.end());
    std::printf("%-34s median %6.1f ms   95 %% %6.1f ms   of %zu\n", what, milliseconds[milliseconds.size() / 2],
                milliseconds[milliseconds.size() * 95 / 100], milliseconds.size());
}

/// As the window's own loop does: it sleeps until something is there to be done, and leaves its core to the work.
void runEvents()
{
    static QTimer* const tick = [] {
        auto* timer = new QTimer(qApp);  // so that what waits for a time is waked
        timer->start(5);
        return timer;
    }();
    (void)tick;
    QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents);
}

double since(const QElapsedTimer& clock) { return static_cast<double>(clock.nsecsElapsed()) / 1e6; }

/// Moves a pressed pointer and waits for the picture, then for the companions, that show the result.
void timeDrag(OpenWindow& app, QWidget& widget, QPoint from, const char* what)
{
    std::vector<double> inHand, companions, instruments, marks;
    QTest::mousePress(&widget, Qt::LeftButton, {}, from);
    for (int i = 1; i <= kMoves; ++i) {
        const auto last = app.wall().requested();
        QElapsedTimer clock;
        clock.start();
        QTest::mouseMove(&widget, from + QPoint(i % 2, -5 - i % 30));
        while (app.wall().requested() == last && since(clock) < 200)
            runEvents();
        if (app.wall().requested() == last)
            continue;  // the handle stands at its limit: nothing was to be rendered
        const auto wanted = app.wall().requested();
        while (app.picture().paintedNumber() < wanted)
            runEvents();
        inHand.push_back(since(clock));
        const auto& all = app.wall().companionViews();
        while (!std::all_of(all.begin(), all.end(), [&](const PictureView* v) { return v->paintedNumber() >= wanted; }))
            runEvents();
        companions.push_back(since(clock));
        while (app.wall().measuredNumber() < wanted)
            runEvents();
        instruments.push_back(since(clock));
        while (app.wall().tracedNumber() < wanted)
            runEvents();
        marks.push_back(since(clock));
    }
    QTest::mouseRelease(&widget, Qt::LeftButton, {}, from);
    print(what, inHand);
    print("   five companions", companions);
    print("   instruments", instruments);
    print("   marks of the step line, keys", marks);
}

int drags()
{
    const TemporaryFolder folder;
    for (unsigned i = 0; i < 6; ++i)
        writeLarge(folder / ("large-" + std::to_string(i) + ".jpg"), i);
    OpenWindow app(folder.path());
    for (const Frame& frame : app.document().frames())
        if (frame.id != app.document().selection().frameInHand() &&
            app.document().selection().companions().size() < 5 &&
            std::count(app.document().selection().companions().begin(), app.document().selection().companions().end(),
                       frame.id) == 0)
            app.document().selection().toggleCompanion(frame.id);
    if (!app.thumbnailsRead() || !app.goToLook() || !waitUntil([&] {
            return app.wall().companionViews().size() == 5 &&
                   std::all_of(app.wall().companionViews().begin(), app.wall().companionViews().end(),
                               [](const PictureView* v) { return !v->image().isNull(); });
        }))
        return 1;
    std::printf("frame in hand %d x %d, companions %d x %d\n", app.picture().image().width(),
                app.picture().image().height(), app.wall().companionViews()[0]->image().width(),
                app.wall().companionViews()[0]->image().height());
    if (!app.addStep("Tone curve"))
        return 1;
    auto& curve = app.find<CurvePlot>("curvePlot");
    timeDrag(app, curve, QPoint(curve.width() / 2, curve.height() / 2), "tone curve, point dragged");
    if (!app.addStep("Split toning"))
        return 1;
    auto& dyes = app.find<DyeTonePlot>("dyePlot");
    timeDrag(app, dyes, dyes.handlePlace(1).toPoint(), "split toning, dye dragged");
    if (!app.addStep("Hue shifts"))
        return 1;
    auto& hues = app.find<FamilyPlot>("familyPlot");
    timeDrag(app, hues, hues.handlePlace(1).toPoint(), "hue shifts, family dragged");
    timeDrag(app, app.picture(), app.placeInPicture(0.5, 0.7), "hue shifts, dragged on the picture");
    // The others one at a time, after these three.
    const std::pair<const char*, const char*> others[] = {{"Contrast", "contrast.plot"},
                                                          {"Tone bands", "tone-bands.plot"},
                                                          {"Ends", "ends.plot"},
                                                          {"Chroma", "chroma.plot"},
                                                          {"Primaries", "primaries.plot"},
                                                          {"Even towards", "even-towards.plot"},
                                                          {"Wash", "wash.plot"},
                                                          {"Local contrast", "local-contrast.plot"},
                                                          {"Fine detail", "fine-detail.plot"},
                                                          {"Haze", "haze.plot"},
                                                          {"Glow", "glow.plot"},
                                                          {"Edge darkening", "edge-darkening.plot"},
                                                          {"Grain", "grain.plot"},
                                                          {"Output sharpening", "output-sharpening.plot"}};
    for (const auto& [title, name] : others) {
        if (!app.addStep(title))
            return 1;
        if (std::string(title) == "Wash")
            app.type(app.find("wash.amount"), QLocale().toString(0.4, 'f', 2));
        auto& plot = app.find<AxisPlot>(name);
        timeDrag(app, plot, plot.handlePlace(plot.handleCount() > 1 ? 1 : 0).toPoint(), title);
        app.document().looks().removeStep(app.document().looks().selectedStep());
        (void)app.settled();
    }
    return 0;
}

/// A bar of the Balance place dragged: until the picture is painted, and until the instruments follow.
void timeLight(OpenWindow& app, const char* name, const char* what)
{
    BalancePlace& place = app.window().balance();
    auto& bar = app.find<ValueBar>(name);
    std::uint64_t measured = 0;
    QObject context;
    QObject::connect(&place.pictures(), &BalancePictures::measured, &context, [&] { ++measured; });
    const QPoint from(static_cast<int>(bar.placeOf(bar.value())), 11);
    std::vector<double> inHand, instruments;
    QTest::mousePress(&bar, Qt::LeftButton, {}, from);
    for (int i = 1; i <= kMoves; ++i) {
        const auto last = place.pictures().requested(), before = measured;
        QElapsedTimer clock;
        clock.start();
        QTest::mouseMove(&bar, from + QPoint(2 + i % 30, 0));
        while (place.pictures().requested() == last && since(clock) < 200)
            runEvents();
        if (place.pictures().requested() == last)
            continue;
        const auto wanted = place.pictures().requested();
        while (place.after().paintedNumber() < wanted)
            runEvents();
        inHand.push_back(since(clock));
        while (measured == before)
            runEvents();
        instruments.push_back(since(clock));
    }
    QTest::mouseRelease(&bar, Qt::LeftButton, {}, from);
    print(what, inHand);
    print("   instruments", instruments);
}

int light()
{
    const TemporaryFolder folder;
    for (unsigned i = 0; i < 3; ++i)
        writeLarge(folder / ("large-" + std::to_string(i) + ".jpg"), i);
    OpenWindow app(folder.path());
    if (!app.thumbnailsRead() || !app.goToLook() || !app.addStep("Tone curve") || !app.addStep("Hue shifts"))
        return 1;
    app.key(Qt::Key_2, Qt::ControlModifier);
    BalancePlace& place = app.window().balance();
    if (!waitUntil([&] { return !place.after().image().isNull() && app.window().queue().isIdle(); }))
        return 1;
    std::printf("frame in hand %d x %d\n", place.after().image().width(), place.after().image().height());
    for (const bool withLook : {false, true}) {
        if (withLook)
            place.toggleLook();
        (void)app.atRest();
        timeLight(app, "balanceStopsBar", withLook ? "exposure, with a look" : "exposure");
        timeLight(app, "balanceKelvinBar", withLook ? "white, with a look" : "white");
    }
    return 0;
}

/// Counts paints.
class Paints : public QObject {
public:
    explicit Paints(QObject* of) : QObject(of) { of->installEventFilter(this); }
    int count = 0;

private:
    bool eventFilter(QObject*, QEvent* event) override
    {
        count += event->type() == QEvent::Paint;
        return false;
    }
};

/// A tool dragged over the picture: until its mask (of a brush: what is being drawn) is painted.
void timeTool(OpenWindow& app, const char* button, bool withMask, const char* what)
{
    AreaCanvas& canvas = app.window().areas().canvas();
    Paints paints(&canvas);
    QTest::mouseClick(&app.find(button), Qt::LeftButton);
    const QPoint from = canvas.pictureArea().center().toPoint() - QPoint(100, 100);
    std::vector<double> painted;
    QTest::mousePress(&canvas, Qt::LeftButton, {}, from);
    for (int i = 1; i <= kMoves; ++i) {
        QElapsedTimer clock;
        const int before = paints.count;
        clock.start();
        QTest::mouseMove(&canvas, from + QPoint(40 + 2 * i, 30 + i));
        while (paints.count == before ||
               (withMask && (app.window().areas().hand().isBusy() || !canvas.isVeilPainted())))
            runEvents();
        painted.push_back(since(clock));
    }
    QTest::mouseRelease(&canvas, Qt::LeftButton, {}, from + QPoint(40 + 2 * kMoves, 30 + kMoves));
    print(what, painted);
    // After it was let go: until the mask is there.
    QElapsedTimer clock;
    clock.start();
    while (app.window().areas().hand().isBusy() || !canvas.isVeilPainted())
        runEvents();
    std::printf("   let go: mask after %.0f ms\n", since(clock));
}

int areas()
{
    const TemporaryFolder folder;
    for (const char* name : {"north-window-02", "dusk-terrace-03"})
        std::filesystem::copy_file(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/frames" /
                                       (name + std::string(".jpg")),
                                   folder / (name + std::string(".jpg")));
    OpenWindow app(folder.path());
    Look look = app.document().looks().look();
    look.roles.push_back({"light", Role::Kind::Thing, {}, 1, {}});
    app.document().looks().change(look);
    app.document().looks().commit("Role");
    if (!app.thumbnailsRead())
        return 1;
    app.key(Qt::Key_3, Qt::ControlModifier);
    AreasPlace& place = app.window().areas();
    if (!waitUntil([&] { return place.hand().isReady() && app.window().queue().isIdle(); }))
        return 1;
    std::printf("picture on screen %.0f x %.0f\n", place.canvas().pictureArea().width(),
                place.canvas().pictureArea().height());
    timeTool(app, "areaRamp", true, "ramp, end dragged");
    timeTool(app, "areaEllipse", true, "ellipse, drawn");
    timeTool(app, "areaBrush", false, "brush, dabs");
    timeTool(app, "areaThing", false, "stroke over a thing");
    timeTool(app, "areaThing", false, "stroke that sets it right");
    return 0;
}

int openFolder(const std::filesystem::path& folder)
{
    OpenWindow app;
    QElapsedTimer clock;
    clock.start();
    app.open(QString::fromStdString(folder.string()));
    const int count = static_cast<int>(app.window().document().frames().size());
    std::printf("%d frames listed after %.0f ms\n", count, since(clock));
    bool first = false;
    double slowest = 0;
    while (app.window().shoot().model().readCount() < count) {
        const double before = since(clock);
        runEvents();
        slowest = std::max(slowest, since(clock) - before);
        if (!first && app.window().shoot().model().readCount() > 0) {
            first = true;
            std::printf("first thumbnail after %.0f ms\n", since(clock));
            app.key(Qt::Key_4, Qt::ControlModifier);
        }
        static bool shown = false;
        if (!shown && !app.picture().image().isNull()) {
            shown = true;
            std::printf("frame in hand on the wall after %.0f ms\n", since(clock));
        }
    }
    std::printf("all thumbnails after %.1f s; the window never waited longer than %.0f ms\n", since(clock) / 1000,
                slowest);
    return 0;
}

int openLarge(int count)
{
    const TemporaryFolder folder;
    for (int i = 0; i < count; ++i) {
        const auto path = folder / ("large-" + std::to_string(1000 + i) + ".jpg");
        if (i < 4)
            writeLarge(path, static_cast<unsigned>(i));
        else
            std::filesystem::copy_file(folder / ("large-" + std::to_string(1000 + i % 4) + ".jpg"), path);
    }
    return openFolder(folder.path());
}

}  // namespace
}  // namespace amber::test

int main(int argc, char** argv)
{
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen");
    amber::Application application(argc, argv);
    if (argc == 3 && std::string(argv[1]) == "--open")
        return std::filesystem::is_directory(argv[2]) ? amber::test::openFolder(argv[2])
                                                      : amber::test::openLarge(std::atoi(argv[2]));
    if (argc == 2 && std::string(argv[1]) == "--light")
        return amber::test::light();
    if (argc == 2 && std::string(argv[1]) == "--areas")
        return amber::test::areas();
    return amber::test::drags();
}
