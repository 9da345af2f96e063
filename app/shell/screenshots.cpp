#include "app/shell/screenshots.h"

#include "app/bench/bench.h"
#include "app/bench/hue_editor.h"
#include "app/bench/table_editor.h"
#include "app/library/library_view.h"
#include "app/places/balance/balance_place.h"
#include "app/places/handover/handover_place.h"
#include "app/places/look/look_place.h"
#include "app/places/match/match_place.h"
#include "app/places/proof/proof_place.h"
#include "app/places/shoot/shoot_place.h"
#include "app/shell/main_window.h"
#include "app/theme/theme.h"
#include "app/variants/sweep_view.h"
#include "app/variants/tray_view.h"
#include "app/wall/picture_view.h"
#include "core/base/atomic_file.h"
#include "core/image/write.h"
#include "core/look/look_json.h"
#include "demo/demo_job.h"

#include <cstdio>

namespace amber {
namespace {

constexpr QSize kWindow{1280, 800};

class Photographer {
public:
    explicit Photographer(const QString& folder) : m_folder(folder) { QDir().mkpath(folder); }

    void take(QWidget& widget, const QString& name)
    {
        waitFor([&] { return isAtRest(widget) && (!m_queue || m_queue->isIdle()); }, "what is shown a moment later");
        // What was shown meanwhile may have asked for more.
        waitFor([&] { return isAtRest(widget) && (!m_queue || m_queue->isIdle()); }, "what is shown after that");
        const QString path = m_folder + "/" + name + ".png";
        QByteArray bytes;
        QBuffer buffer(&bytes);
        buffer.open(QIODevice::WriteOnly);
        widget.grab().save(&buffer, "PNG");
        if (const Status written = saveFile(
                path.toStdString(), std::string_view(bytes.constData(), static_cast<std::size_t>(bytes.size())));
            !written) {
            std::fprintf(stderr, "jolly-amber: %s\n", written.error().message().c_str());
            m_status = 1;
        } else {
            std::printf("%s\n", qPrintable(path));
        }
    }
    /// Runs the window until `done`; gives up after a minute and says so.
    void waitFor(const std::function<bool()>& done, const char* what)
    {
        QElapsedTimer clock;
        clock.start();
        while (!done()) {
            QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
            if (clock.elapsed() > 60000) {
                std::fprintf(stderr, "jolly-amber: gave up waiting for %s\n", what);
                m_status = 1;
                return;
            }
        }
        settle();
    }
    /// From now on pictures wait for what is worked on in this queue.
    void watch(RenderQueue& queue) { m_queue = &queue; }
    int status() const { return m_status; }

private:
    /// Nothing in the window waits to be renewed: a measure that follows the hand, or values that are written together.
    static bool isAtRest(const QWidget& widget)
    {
        const auto timers = widget.findChildren<QTimer*>();
        return std::none_of(timers.begin(), timers.end(),
                            [](const QTimer* t) { return t->isSingleShot() && t->isActive(); });
    }
    static void settle()
    {
        for (int i = 0; i < 10; ++i)
            QCoreApplication::processEvents();
    }
    QString m_folder;
    RenderQueue* m_queue = nullptr;
    int m_status = 0;
};

bool wallIsDone(LookPlace& look, std::size_t companions)
{
    Wall& wall = look.wall();
    const auto shown = [&](const PictureView& view) {
        return view.paintedNumber() == wall.requested() && !view.image().isNull();
    };
    const auto& all = wall.companionViews();
    return all.size() == companions && wall.tracedNumber() == wall.requested() && shown(wall.inHand()) &&
           std::all_of(all.begin(), all.end(), [&](const PictureView* v) { return shown(*v); });
}

std::int64_t lookNamed(const Document& document, const std::string& name)
{
    for (const LookEntry& entry : document.looks().entries())
        if (entry.name == name)
            return entry.id;
    return 0;
}

}  // namespace

int writeScreenshots(const QString& folder)
{
    Photographer camera(folder);
    const QString demo = QDir::tempPath() + "/jolly-amber-shots/ombrel-stoneware";
    QDir(demo).removeRecursively();
    if (const auto job = writeDemoJob(demo.toStdString()); !job) {
        std::fprintf(stderr, "jolly-amber: %s\n", job.error().message().c_str());
        return 2;
    }
    QApplication::setCursorFlashTime(0);
    MainWindow window;
    camera.watch(window.queue());
    window.resize(kWindow);
    window.show();
    camera.take(window, "empty");

    Document& document = window.document();
    LookPlace& look = window.look();
    window.open({demo});
    camera.waitFor([&] { return window.shoot().model().readCount() == static_cast<int>(document.frames().size()); },
                   "the contact sheet");
    camera.take(window, "shoot");
    const std::int64_t first = document.selection().frameInHand();

    // The choice among the exposures of a bracket.
    document.selection().setFrameInHand([&] {
        for (const Frame& frame : document.frames())
            if (frame.path.stem() == "north-window-09")
                return frame.id;
        return document.selection().frameInHand();
    }());
    window.shoot().sheet().setCurrentIndex(
        window.shoot().sheet().model()->index(window.shoot().model().rowOf(document.selection().frameInHand()), 0));
    QTimer::singleShot(0, &window, [&] {
        if (auto* dialog = window.findChild<QDialog*>("bracketDialog")) {
            camera.take(*dialog, "bracket");
            dialog->reject();
        }
    });
    window.findChild<QToolButton*>("bracketButton")->click();
    document.selection().setFrameInHand(first);

    // Every light solved; one of them seen before it is taken.
    BalancePlace& balance = window.balance();
    const auto groupOf = [&](const char* stem) {
        for (const Frame& frame : document.frames())
            if (frame.path.stem() == stem)
                return std::pair(frame.id, document.job().lightOf(frame.id));
        return std::pair(std::int64_t{0}, -1);
    };
    window.go(MainWindow::Place::Balance);
    balance.solve();
    camera.waitFor([&] { return !balance.task().isRunning(); }, "balance");
    const auto [yard, yardGroup] = groupOf("yard-10");
    balance.model().setGroup(yardGroup);
    document.selection().setFrameInHand(groupOf("yard-03").first);
    const auto balanceShown = [&] {
        return !balance.after().image().isNull() && !window.findChild<PictureView*>("balanceLead")->image().isNull();
    };
    camera.waitFor(balanceShown, "the balanced picture");
    camera.take(window, "balance");
    document.selection().setFrameInHand(yard);
    balance.model().setGroup(-1);
    balance.take();
    document.selection().setFrameInHand(first);

    window.go(MainWindow::Place::Look);
    const auto atRest = [&] { return wallIsDone(look, document.selection().companions().size()); };
    const auto showStep = [&](int step) {
        document.looks().selectStep(step);
        camera.waitFor(atRest, "the wall");
    };
    camera.waitFor(atRest, "the wall");
    // Key colours, as an artist marks them: one with a target.
    const auto proxy = look.wall().proxyInHand();
    std::vector<KeyColour> keys;
    for (const auto& [name, x, y] :
         {std::tuple(QObject::tr("glaze"), 0.62, 0.55), std::tuple(QObject::tr("lemon"), 0.3, 0.75)}) {
        KeyColour key;
        key.name = name.toStdString(), key.frame = document.selection().frameInHand();
        key.place = pointPlace(x, y, proxy->image.width(), proxy->image.height());
        key.marked = meanOf(proxy->samples.view(), key.place);
        keys.push_back(key);
    }
    document.setKeyColours(keys, QObject::tr("Key colour marked"));
    document.looks().selectStep(1);
    showStep(0);
    camera.take(window, "look-curve");
    showStep(1);
    camera.take(window, "look-dyes");
    showStep(2);
    look.probeAt(QPointF(0.62, 0.55));
    camera.take(window, "look-hues");

    document.looks().pin(QObject::tr("first evening"), 50);
    document.looks().choose(lookNamed(document, "Chalk morning"));
    document.looks().addStep(LookupTable{});
    look.bench().tableEditor().load(demo + "/tables/kiln-glow.cube");
    camera.waitFor(atRest, "the wall");
    look.probeAt(std::nullopt);
    camera.take(window, "look-table");
    document.undo(), document.undo();
    document.looks().choose(lookNamed(document, "Long evening"));
    LocalContrast local;
    local.amount = 0.8;
    document.looks().addStep(local);
    Look guarded = document.looks().look();
    guarded.steps[static_cast<std::size_t>(document.looks().selectedStep())].guard.toneLow = 0.3;
    document.looks().change(guarded);
    document.looks().commit(QObject::tr("Guard"));
    look.bench().showGuard(true);
    look.bench().showMask(true);
    camera.waitFor(atRest, "the wall");
    camera.take(window, "look-guard");
    look.bench().showMask(false);
    document.undo(), document.undo();
    Look softer = document.looks().look();
    for (Step& step : softer.steps)
        step.strength = 0.5;
    document.looks().change(softer);
    document.looks().commit(QObject::tr("Half strength"));
    document.looks().pin(QObject::tr("half as much"), 50);
    camera.waitFor(atRest, "the wall");
    look.toggleCompare();
    camera.take(window, "compare");
    look.toggleCompare();
    const auto sheet = [&](LookPlace::View view, TileSheet& tiles, const char* name) {
        look.showView(view);
        camera.waitFor([&] { return tiles.isDone(); }, "the sheet");
        camera.take(window, name);
        look.showView(LookPlace::View::Wall);
    };
    showStep(1);
    sheet(LookPlace::View::Sweep, look.sweep().sheet(), "look-sweep");
    sheet(LookPlace::View::Tray, look.tray().sheet(), "look-tray");
    sheet(LookPlace::View::Library, look.library().sheet(), "look-library");
    IntentCard card;
    card.key = IntentCard::Key::Dark, card.temperature = IntentCard::Temperature::WarmLights,
    card.contrast = IntentCard::Level::Medium, card.fade = IntentCard::Level::Medium,
    card.fidelity = IntentCard::Fidelity::Leaning;
    card.madeFor = QObject::tr("balanced frames, window light").toStdString();
    document.looks().setIntent(QObject::tr("late light on wet clay: warm, soft, true glazes"), card);
    look.showPanel(LookPlace::Panel::Intent);
    camera.waitFor(atRest, "the wall");
    camera.take(window, "look-intent");
    look.showPanel(LookPlace::Panel::Bench);
    // A long look, of which one step takes back what another does.
    Look many = document.looks().look();
    const auto kinds = everyKindOfStep();
    for (std::size_t i = 0; many.steps.size() < 15; ++i) {
        Step step;
        step.parameters = kinds[i % kinds.size()];
        if (auto* c = std::get_if<Contrast>(&step.parameters))
            c->slope = i < kinds.size() ? 1.3 : 0.78, c->holdBrightness = false;
        if (auto* c = std::get_if<Chroma>(&step.parameters))
            c->even = 1.2;
        many.steps.push_back(step);
    }
    Step back;
    Contrast softer15;
    softer15.slope = 0.8, softer15.holdBrightness = false;
    back.parameters = softer15;
    many.steps.back() = back;
    document.looks().takeLook(many, QObject::tr("Many steps"));
    look.showPanel(LookPlace::Panel::Findings);
    camera.waitFor(atRest, "the wall");
    camera.take(window, "look-findings");
    look.showPanel(LookPlace::Panel::Bench);
    window.chooseTheme(static_cast<int>(theme::Theme::Dim));
    camera.take(window, "look-dim");
    window.chooseTheme(static_cast<int>(theme::Theme::HighContrast));
    camera.take(window, "look-high-contrast");
    window.chooseTheme(static_cast<int>(theme::Theme::PrintRoom));
    document.undo(), document.undo();

    // The ladder from the start to the end, on frames like the reference and unlike it; and a pair.
    const std::int64_t lookBefore = document.looks().lookId();
    document.looks().newLook();
    document.looks().rename(QObject::tr("Orchard"));
    document.selection().setFrameInHand(groupOf("yard-04").first);
    window.go(MainWindow::Place::Match);
    MatchPlace& match = window.match();
    const auto matchIsDone = [&] { return match.isAtRest() && !match.ours().image().isNull(); };
    match.holdPictures({demo + "/reference/orchard.jpg"});
    camera.waitFor(matchIsDone, "the reference");
    camera.take(window, "match-start");
    match.table().selectRow(3);
    match.takeToHere();
    camera.waitFor(matchIsDone, "the match");
    camera.take(window, "match-half");
    match.takeAll();
    camera.waitFor(matchIsDone, "the match");
    camera.take(window, "match-all");
    // A small, hard compressed copy of the reference against a frame of other things.
    const QString poor = demo + "/poor-copy.jpg";
    if (const auto copy = readReduced((demo + "/reference/orchard.jpg").toStdString(), 260, false))
        if (const auto written =
                writePicture(poor.toStdString(), copy->image.view(), {}, {FileFormat::Jpeg, RgbSpace::Srgb, 30}, {});
            !written)
            std::fprintf(stderr, "%s\n", written.error().message().c_str());
    document.looks().newLook();
    document.selection().setFrameInHand(groupOf("lamp-shelf-02").first);
    match.holdPictures({poor});
    camera.waitFor(matchIsDone, "the other frame");
    camera.take(window, "match-unsure");
    match.holdPair(demo + "/pair/before.jpg", demo + "/pair/after.jpg");
    camera.waitFor(matchIsDone, "the pair");
    camera.take(window, "match-pair");
    document.looks().choose(lookBefore);
    document.selection().setFrameInHand(first);

    window.go(MainWindow::Place::Proof);
    ProofPlace& proof = window.proof();
    // Among frames of one scene and others: a jug is marked besides.
    keys = document.job().keys;
    KeyColour jug;
    jug.name = QObject::tr("jug").toStdString(), jug.frame = keys.front().frame,
    jug.place = pointPlace(0.42, 0.5, 1500, 1000);
    keys.push_back(jug);
    document.setKeyColours(keys, QObject::tr("Key colour marked"));
    proof.measure();
    camera.waitFor([&] { return !proof.task().isRunning(); }, "consistency");
    for (int row = 0; row < proof.model().rowCount(); ++row)
        if (document.frame(proof.model().readings()[static_cast<std::size_t>(row)].frame)->path.stem() ==
            "north-window-05")
            proof.table().setCurrentIndex(proof.model().index(row, 1));
    camera.waitFor(
        [&] {
            return !proof.findChild<PictureView*>("cellHere")->image().isNull() &&
                   !proof.findChild<PictureView*>("cellLead")->image().isNull();
        },
        "both pictures of a cell");
    camera.take(window, "proof");

    window.go(MainWindow::Place::Handover);
    bool done = false;
    QObject::connect(&window.handover().task(), &ExportTask::finished, &window, [&] { done = true; });
    window.findChild<QPushButton*>("exportStart")->click();
    camera.waitFor([&] { return done; }, "the export");
    camera.take(window, "handover");

    window.close();
    return camera.status();
}

}  // namespace amber
