#include "app/shell/screenshots.h"

#include "app/bench/bench.h"
#include "app/bench/hue_editor.h"
#include "app/bench/table_editor.h"
#include "app/bench/tone_range_dialog.h"
#include "app/guide/guide_text.h"
#include "app/library/library_view.h"
#include "app/places/areas/area_canvas.h"
#include "app/places/areas/areas_place.h"
#include "app/places/balance/balance_place.h"
#include "app/places/handover/handover_place.h"
#include "app/places/look/look_place.h"
#include "app/places/match/fit_coverage.h"
#include "app/places/match/match_place.h"
#include "app/places/proof/finding_panel.h"
#include "app/places/proof/proof_place.h"
#include "app/places/shoot/shoot_place.h"
#include "app/shell/handover_tour.h"
#include "app/shell/log_tour.h"
#include "app/shell/main_window.h"
#include "app/shell/photographer.h"
#include "app/theme/theme.h"
#include "app/variants/sweep_view.h"
#include "app/variants/tray_view.h"
#include "app/wall/picture_view.h"
#include "core/base/atomic_file.h"
#include "core/engine/render_plan.h"
#include "core/image/read.h"
#include "core/image/write.h"
#include "core/job/edits.h"
#include "core/library/library.h"
#include "core/look/look_json.h"
#include "core/look/part.h"
#include "core/look/scope.h"
#include "core/report/job_report.h"
#include "demo/demo_job.h"

#include <cstdio>

namespace amber {
namespace {

constexpr QSize kWindow{1280, 800};

std::int64_t lookNamed(const Document& document, const std::string& name)
{
    for (const LookEntry& entry : document.looks().entries())
        if (entry.name == name)
            return entry.id;
    return 0;
}

/// The way through every main view, in the order in which an artist would come to them.
class Tour {
public:
    Tour(Photographer& camera, MainWindow& window, const QString& demo)
        : m_camera(camera), m_window(window), m_document(window.document()), m_look(window.look()), m_demo(demo)
    {
    }

    void go()
    {
        shoot(), finishedSheet(), bracket(), balance(), base(), areas();
        steps(), tableAndGuard(), roleStep(), versions(), sheets(), intent(), longLook();
        const LookId before = m_document.looks().lookId();
        ladder(), poorReference();
        m_document.looks().choose(before);
        m_document.selection().setFrameInHand(m_first);
        proof(), tourOfHandover(m_camera, m_window), tourOfLog(m_camera, m_window, m_demo);
    }

private:
    FrameId frameNamed(const std::string& stem) const
    {
        for (const Frame& frame : m_document.frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return m_document.selection().frameInHand();
    }
    void waitForWall()
    {
        m_camera.waitFor([&] { return wallIsDone(m_look, m_document.selection().companions().size()); }, "the wall");
    }
    void waitForMatch(const char* what)
    {
        MatchPlace& match = m_window.match();
        m_camera.waitFor([&] { return match.isAtRest() && !match.ours().image().isNull(); }, what);
    }
    void showStep(int step)
    {
        m_document.looks().selectStep(step);
        waitForWall();
    }
    void takeSheet(LookPlace::View view, TileSheet& tiles, const char* name)
    {
        m_look.showView(view);
        m_camera.waitFor([&] { return tiles.isDone(); }, "the sheet");
        m_camera.take(m_window, name);
        m_look.showView(LookPlace::View::Wall);
    }
    void shoot()
    {
        m_camera.waitFor(
            [&] { return m_window.shoot().model().readCount() == static_cast<int>(m_document.frames().size()); },
            "the contact sheet");
        m_camera.take(m_window, "shoot");
        m_first = m_document.selection().frameInHand();
    }
    /// The whole set at once, with a look of its own for one of the lights.
    void finishedSheet()
    {
        FrameModel& model = m_window.shoot().model();
        auto* shownAs = m_window.findChild<QComboBox*>("sheetState");
        const auto showAs = [&](int state) {
            shownAs->setCurrentIndex(state);
            emit shownAs->activated(state);
        };
        m_document.chooseLookOfLight(m_document.job().lightOf(frameNamed("dusk-terrace-02")),
                                     lookNamed(m_document, "Chalk morning"));
        showAs(2);
        m_camera.waitFor(
            [&] { return model.pictures().rightCount() == model.readCount() && model.pictures().isAtRest(); },
            "the finished sheet");
        m_camera.take(m_window, "shoot-finished");
        showAs(0);
        m_document.undo();
    }
    void bracket()
    {
        // The choice among the exposures of a bracket.
        m_document.selection().setFrameInHand(frameNamed("north-window-09"));
        m_window.shoot().sheet().setCurrentIndex(m_window.shoot().sheet().model()->index(
            m_window.shoot().model().rowOf(m_document.selection().frameInHand()), 0));
        QTimer::singleShot(0, &m_window, [&] {
            if (auto* dialog = m_window.findChild<QDialog*>("bracketDialog")) {
                m_camera.take(*dialog, "bracket");
                dialog->reject();
            }
        });
        m_window.findChild<QToolButton*>("bracketButton")->click();
        m_document.selection().setFrameInHand(m_first);
    }
    // Every light solved; one of them seen before it is taken.
    void balance()
    {
        BalancePlace& balance = m_window.balance();
        m_window.go(MainWindow::Place::Balance);
        balance.solve();
        m_camera.waitFor([&] { return !balance.task().isRunning(); }, "balance");
        const FrameId yard = frameNamed("yard-10");
        balance.model().setGroup(m_document.job().lightOf(yard));
        m_document.selection().setFrameInHand(frameNamed("yard-03"));
        const auto balanceShown = [&] {
            return !balance.after().image().isNull() &&
                   !m_window.findChild<PictureView*>("balanceLead")->image().isNull();
        };
        m_camera.waitFor(balanceShown, "the balanced picture");
        m_camera.take(m_window, "balance");
        m_document.selection().setFrameInHand(yard);
        balance.model().setGroup(-1);
        balance.take();
        m_document.selection().setFrameInHand(m_first);
    }
    void press(const char* name) { m_window.findChild<QAbstractButton*>(name)->click(); }
    void waitForBalance(const char* what)
    {
        BalancePlace& place = m_window.balance();
        m_camera.waitFor(
            [&] {
                return !place.isMeasuring() && !place.after().image().isNull() &&
                       place.after().paintedNumber() == place.pictures().requested() && m_window.queue().isIdle();
            },
            what);
    }
    // By hand: what is cut off, a lens out of a file, uprights, a crop on the picture.
    void base()
    {
        BalancePlace& place = m_window.balance();
        m_window.go(MainWindow::Place::Balance);
        m_document.selection().setFrameInHand(m_first);
        place.toggleClipping();
        place.hand().move(m_first, LightPart::White, 0.55);
        place.commitPending();
        waitForBalance("clipped pixels");
        m_camera.take(m_window, "balance-clipped");
        m_document.undo();
        place.toggleClipping();
        const FrameId front = frameNamed("shop-front-02");
        m_document.selection().setFrameInHand(front);
        waitForBalance("the shop front");
        place.showBench(BalancePlace::Bench::Lens);
        press("findLens");
        m_camera.waitFor([&] { return m_document.job().frame(front).balance.optics.usesLens(); }, "the lens");
        press("measureNoise");
        waitForBalance("the noise");
        m_camera.take(m_window, "balance-lens");
        place.showBench(BalancePlace::Bench::Framing);
        press("measureUpright");
        m_camera.waitFor([&] { return m_document.job().frame(front).balance.geometry.leanUp != 0; }, "the uprights");
        auto* shape = m_window.findChild<QComboBox*>("balanceShape");
        shape->setCurrentIndex(shape->findText(QStringLiteral("16 : 9")));
        emit shape->activated(shape->currentIndex());
        place.commitPending();
        press("drawCrop");
        waitForBalance("the crop");
        m_camera.take(m_window, "balance-crop");
        place.showBench(BalancePlace::Bench::Light);
        m_document.selection().setFrameInHand(m_first);
    }
    void waitForArea(const char* what)
    {
        AreaHand& hand = m_window.areas().hand();
        m_camera.waitFor([&] { return hand.isReady() && !hand.isBusy() && m_window.queue().isIdle(); }, what);
    }
    // Where a role lies on all frames; one frame's thing drawn by strokes.
    void areas()
    {
        AreasPlace& place = m_window.areas();
        m_window.go(MainWindow::Place::Areas);
        place.setRole("sky");
        m_document.selection().setFrameInHand(frameNamed("dusk-terrace-04"));
        waitForArea("the sky");
        m_camera.take(m_window, "areas");
        place.setRole("hands");
        m_document.selection().setFrameInHand(frameNamed("lamp-shelf-04"));
        waitForArea("the hand");
        press("areaStartOver");
        const auto stroke = [&](const std::vector<Spot>& through, bool isOpposite) {
            Stroke drawn;
            drawn.radius = place.canvas().radius();
            for (const Spot& spot : through)
                drawn.points.push_back({spot, 1});
            place.hand().stroke(drawn, isOpposite);
            waitForArea("a stroke");
        };
        stroke({{0.42, 0.63}, {0.55, 0.63}, {0.71, 0.65}}, false);
        stroke({{0.28, 0.64}, {0.34, 0.66}}, false);
        m_camera.take(m_window, "areas-strokes");
        for (int i = 0; i < 3; ++i)
            m_document.undo();
        m_document.selection().setFrameInHand(m_first);
    }
    // A step on a role, and where the role lies on all pictures of the wall.
    void roleStep()
    {
        m_window.go(MainWindow::Place::Look);
        const auto companions = m_document.selection().companions();
        m_document.selection().setFrameInHand(frameNamed("dusk-terrace-02"));
        m_document.selection().setCompanions({frameNamed("dusk-terrace-03"), frameNamed("dusk-terrace-04"),
                                              frameNamed("dusk-terrace-06"), frameNamed("dusk-terrace-08")});
        m_document.looks().selectStep(3);
        m_look.bench().showGuard(true);
        m_look.bench().showMask(true);
        waitForWall();
        m_camera.take(m_window, "look-role");
        m_look.bench().showMask(false);
        m_document.selection().setFrameInHand(m_first);
        m_document.selection().setCompanions(companions);
        m_document.looks().selectStep(0);
        waitForWall();
    }
    void markKeys()
    {
        // Key colours, as an artist marks them: one with a target.
        const auto proxy = m_look.wall().proxyInHand();
        std::vector<KeyColour> keys;
        for (const auto& [name, x, y] :
             {std::tuple(QObject::tr("glaze"), 0.62, 0.55), std::tuple(QObject::tr("lemon"), 0.3, 0.75)}) {
            KeyColour key;
            key.name = name.toStdString(), key.frame = m_document.selection().frameInHand();
            key.place = pointPlace(x, y, proxy->image.width(), proxy->image.height());
            key.marked = meanOf(proxy->samples.view(), key.place);
            keys.push_back(key);
        }
        m_document.setKeyColours(keys, QObject::tr("Key colour marked"));
    }
    void steps()
    {
        m_window.go(MainWindow::Place::Look);
        waitForWall();
        markKeys();
        m_document.looks().selectStep(1);
        showStep(0);
        m_camera.take(m_window, "look-curve");
        showStep(1);
        m_camera.take(m_window, "look-dyes");
        showStep(2);
        m_look.probeAt(QPointF(0.62, 0.55));
        m_camera.take(m_window, "look-hues");
        scope();
    }
    /// One family is the light's, the strength this frame's.
    void scope()
    {
        const Look before = m_document.looks().look();
        Look own = before;
        const int light = m_document.job().lightOf(m_document.selection().frameInHand());
        m_document.adopt(withSetOfLight(m_document.job(), light));
        const PictureName here = m_document.looks().pictureInHand();
        own.steps[2] = keptFor(own.steps[2], here, "families/Leaf", holderOfSet(here.sets.back()));
        Step shown = stepFor(own.steps[2], here);
        std::get<HueShifts>(shown.parameters).families[3].move.turnDegrees -= 4;
        own.steps[2] = withHeld(edited(own.steps[2], here, shown), here.own, step_part::kStrength, 0.8);
        m_document.looks().change(own);
        m_look.bench().showScope(true);
        waitForWall();
        m_look.probeAt(std::nullopt);
        m_camera.take(m_window, "look-scope");
        m_look.bench().showScope(false);
        m_document.looks().change(before);
        Job without = m_document.job();
        without.sets.clear();
        m_document.adopt(without);
        waitForWall();
    }
    void tableAndGuard()
    {
        m_document.looks().pin(QObject::tr("first evening"), 50);
        m_document.looks().choose(lookNamed(m_document, "Chalk morning"));
        m_document.looks().addStep(LookupTable{});
        m_look.bench().tableEditor().load(m_demo + "/tables/kiln-glow.cube");
        waitForWall();
        m_look.probeAt(std::nullopt);
        m_camera.take(m_window, "look-table");
        m_document.undo(), m_document.undo();
        m_document.looks().choose(lookNamed(m_document, "Long evening"));
        LocalContrast local;
        local.amount = 0.8;
        m_document.looks().addStep(local);
        Look guarded = m_document.looks().look();
        guarded.steps[static_cast<std::size_t>(m_document.looks().selectedStep())].guard.toneLow = 0.3;
        m_document.looks().change(guarded);
        m_document.looks().commit(QObject::tr("Guard"));
        m_look.bench().showGuard(true);
        m_look.bench().showMask(true);
        waitForWall();
        m_camera.take(m_window, "look-guard");
        ToneRangeDialog tones(m_look.wall().proxyInHand()->samples, &m_window);
        tones.show();
        m_camera.take(tones, "look-tones");
        tones.close();
        m_look.bench().showMask(false);
        m_document.undo(), m_document.undo();
    }
    void versions()
    {
        Look softer = m_document.looks().look();
        for (Step& step : softer.steps)
            step.strength = 0.5;
        m_document.looks().change(softer);
        m_document.looks().commit(QObject::tr("Half strength"));
        m_document.looks().pin(QObject::tr("half as much"), 50);
        waitForWall();
        m_look.toggleCompare();
        m_camera.take(m_window, "compare");
        m_look.toggleCompare();
    }
    void sheets()
    {
        showStep(1);
        takeSheet(LookPlace::View::Sweep, m_look.sweep().sheet(), "look-sweep");
        takeSheet(LookPlace::View::Tray, m_look.tray().sheet(), "look-tray");
        takeSheet(LookPlace::View::Library, m_look.library().sheet(), "look-library");
        library();
    }
    Image finishedBy(const Look& look)
    {
        Image picture = m_look.wall().proxyInHand()->samples;
        if (const auto plan = RenderPlan::compile(look))
            render(*plan, picture.view(), picture.mutableView());
        return picture;
    }
    /// Looks and a step that were kept in other jobs; in a folder that goes again.
    void library()
    {
        const QTemporaryDir data;
        const QByteArray usual = qgetenv("XDG_DATA_HOME");
        qputenv("XDG_DATA_HOME", data.path().toUtf8());
        Library kept = Library::ofUser();
        for (const LookEntry& entry : m_document.looks().entries())
            if (const auto look = m_document.looks().lookOfEntry(entry.id))
                (void)kept.keep({PartKind::Look, *look, "orchard", finishedBy(*look)});
        const Look& look = m_document.looks().look();
        (void)kept.keep({PartKind::Step, partOf(look, 2, 2), "orchard"});
        (void)kept.keep({PartKind::Group, partOf(look, 0, 1), "orchard"});
        LibraryView& view = m_look.library();
        m_look.showView(LookPlace::View::Library);
        view.showShared(true);
        m_camera.waitFor([&] { return view.shared().isRead() && view.sheet().count() > 2 && view.sheet().isDone(); },
                         "the library");
        m_camera.waitFor([&] { return view.findChild<QLabel*>("libraryKept")->isVisible(); },
                         "the picture it was kept with");
        m_camera.take(m_window, "library");
        view.showShared(false);
        m_look.showView(LookPlace::View::Wall);
        usual.isNull() ? qunsetenv("XDG_DATA_HOME") : qputenv("XDG_DATA_HOME", usual);
    }
    void intent()
    {
        IntentCard card;
        card.key = IntentCard::Key::Dark, card.temperature = IntentCard::Temperature::WarmLights,
        card.contrast = IntentCard::Level::Medium, card.fade = IntentCard::Level::Medium,
        card.fidelity = IntentCard::Fidelity::Leaning;
        card.madeFor = QObject::tr("balanced frames, window light").toStdString();
        m_document.looks().setIntent(QObject::tr("late light on wet clay: warm, soft, true glazes"), card);
        m_look.showPanel(LookPlace::Panel::Intent);
        waitForWall();
        m_camera.take(m_window, "look-intent");
        m_look.showPanel(LookPlace::Panel::Bench);
    }
    void longLook()
    {
        // A long look, of which one step takes back what another does.
        Look many = m_document.looks().look();
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
        m_document.looks().takeLook(many, QObject::tr("Many steps"));
        m_look.showPanel(LookPlace::Panel::Findings);
        waitForWall();
        m_camera.take(m_window, "look-findings");
        m_look.showPanel(LookPlace::Panel::Bench);
        m_window.chooseTheme(static_cast<int>(theme::Theme::Dim));
        m_camera.take(m_window, "look-dim");
        m_window.chooseTheme(static_cast<int>(theme::Theme::HighContrast));
        m_camera.take(m_window, "look-high-contrast");
        m_window.chooseTheme(static_cast<int>(theme::Theme::PrintRoom));
        m_document.undo(), m_document.undo();
    }
    void ladder()
    {
        // The ladder from the start to the end, on frames like the reference and unlike it; and a pair.
        m_document.looks().newLook();
        m_document.looks().rename(QObject::tr("Orchard"));
        m_document.selection().setFrameInHand(frameNamed("yard-04"));
        m_window.go(MainWindow::Place::Match);
        MatchPlace& match = m_window.match();
        match.holdPictures({m_demo + "/reference/orchard.jpg"});
        waitForMatch("the reference");
        m_camera.take(m_window, "match-start");
        match.table().selectRow(match.firstToTake() + 3);
        match.takeToHere();
        waitForMatch("the match");
        m_camera.take(m_window, "match-half");
        match.table().selectRow(match.model().rowCount() - 1);
        match.takeToHere();
        waitForMatch("the match");
        match.table().selectRow(0);
        waitForMatch("the first row");
        m_camera.take(m_window, "match-all");
        sheetOf("matchToLights", "carrySheet", "match-lights");
        sheetOf("matchNearest", "nearestSheet", "match-nearest");
    }
    /// A sheet that a button of Match opens.
    void sheetOf(const char* button, const char* sheet, const QString& name)
    {
        MatchPlace& match = m_window.match();
        match.findChild<QPushButton*>(button)->click();
        const auto shown = [&] { return match.findChild<QDialog*>(sheet); };
        m_camera.waitFor([&] { return shown() && shown()->isVisible(); }, "the sheet");
        m_camera.take(*shown(), name);
        shown()->reject();
        m_camera.waitFor([&] { return !shown(); }, "the sheet to close");
    }
    void poorReference()
    {
        MatchPlace& match = m_window.match();
        // A small, hard compressed copy of the reference against a frame of other things.
        const QString poor = m_demo + "/poor-copy.jpg";
        if (const auto copy = readReduced((m_demo + "/reference/orchard.jpg").toStdString(), 260, false))
            if (const auto written = writePicture(poor.toStdString(), copy->image.view(), {},
                                                  {FileFormat::Jpeg, RgbSpace::Srgb, 30}, {});
                !written)
                std::fprintf(stderr, "%s\n", written.error().message().c_str());
        m_document.looks().newLook();
        m_document.selection().setFrameInHand(frameNamed("lamp-shelf-02"));
        match.holdPictures({poor});
        waitForMatch("the other frame");
        m_camera.take(m_window, "match-unsure");
        match.holdPairs(treatedPairs({"yard-04", "north-window-02"}));
        waitForMatch("the pairs");
        m_camera.waitFor([&] { return match.coverage().model().isAllTold(); }, "every frame's certainty");
        m_camera.take(m_window, "match-pair");
    }
    /// Frames before and after a look of the demo, the last of them lighter than the others.
    QStringList treatedPairs(const std::vector<std::string>& names)
    {
        QStringList paths;
        const auto look = readLook((m_demo + "/looks/sea-fog.json").toStdString());
        const auto write = [&](const QString& path, const Image& image) {
            paths << path;
            if (const auto written = writePicture(path.toStdString(), image.view(), {}, {FileFormat::Png8}, {});
                !written)
                std::fprintf(stderr, "%s\n", written.error().message().c_str());
        };
        for (const std::string& name : names) {
            const auto picture = readReduced(m_document.frame(frameNamed(name))->path, 1200, false);
            const auto plan = RenderPlan::compile(look ? look->look : Look{});
            if (!picture || !plan)
                continue;
            Image after = picture->image;
            render(*plan, picture->image.view(), after.mutableView());
            for (int i = 0; i < after.width() * after.height() * 3 && name == names.back(); ++i)
                after.mutableView().data[i] *= 1.25f;
            const QString path = m_demo + "/" + QString::fromStdString(name);
            write(path + "-before.png", picture->image), write(path + "-after.png", after);
        }
        return paths;
    }
    void proof()
    {
        m_window.go(MainWindow::Place::Proof);
        TableTab& proof = m_window.proof().table();
        // Among frames of one scene and others: a jug is marked besides.
        auto keys = m_document.job().keys;
        KeyColour jug;
        jug.name = QObject::tr("jug").toStdString(), jug.frame = keys.front().frame,
        jug.place = pointPlace(0.42, 0.5, 1500, 1000);
        keys.push_back(jug);
        m_document.setKeyColours(keys, QObject::tr("Key colour marked"));
        proof.measure();
        m_camera.waitFor([&] { return !proof.task().isRunning(); }, "consistency");
        for (int row = 0; row < proof.model().rowCount(); ++row)
            if (m_document.frame(proof.model().readings()[static_cast<std::size_t>(row)].frame)->path.stem() ==
                "north-window-05")
                proof.table().setCurrentIndex(proof.model().index(row, 1));
        m_camera.waitFor(
            [&] {
                return !proof.findChild<PictureView*>("cellHere")->image().isNull() &&
                       !proof.findChild<PictureView*>("cellLead")->image().isNull();
            },
            "both pictures of a cell");
        m_camera.take(m_window, "proof");
        checks();
    }
    /// What is found for print; a frame that hangs, with what would set it upright.
    void checks()
    {
        m_window.proof().go(ProofPlace::Tab::Checks);
        ChecksTab& checks = m_window.proof().checks();
        checks.audit().chooseUse("print");
        checks.audit().check();
        m_camera.waitFor([&] { return !checks.audit().task().isRunning() && checks.audit().isChecked(); }, "checks");
        const auto isShown = [&] {
            return checks.panel().isAtRest() &&
                   !checks.panel().findChild<PictureView*>("findingPlace")->image().isNull();
        };
        m_camera.waitFor(isShown, "a finding");
        m_camera.take(m_window, "proof-checks");
        const auto& findings = checks.audit().findings();
        for (std::size_t i = 0; i < findings.size(); ++i)
            if (findings[i].kind->id == std::string("tilt")) {
                checks.show(static_cast<int>(i));
                break;
            }
        m_camera.waitFor(isShown, "its cure");
        m_camera.take(m_window, "proof-finding");
        m_window.proof().go(ProofPlace::Tab::Sheet);
        PictureView& page = m_window.proof().sheet().view();
        m_camera.waitFor([&] { return m_window.proof().sheet().isAtRest() && !page.image().isNull(); }, "a page");
        m_camera.take(m_window, "proof-sheet");
        m_window.proof().go(ProofPlace::Tab::Screens);
        ScreensTab& screens = m_window.proof().screens();
        m_document.selection().setFrameInHand(frameNamed("yard-04"));
        screens.findChild<QComboBox*>("printMarks")->setCurrentIndex(static_cast<int>(PrintMarks::OutsideGamut));
        screens.findChild<QCheckBox*>("printPaperWhite")->click();
        m_camera.waitFor([&] { return screens.isAtRest() && screens.printFacts(); }, "screens and prints");
        m_camera.take(m_window, "proof-screens");
        report();
        m_window.proof().go(ProofPlace::Tab::Table);
    }
    /// Two pages of the report, as they are printed.
    void report()
    {
        const auto job = jobToReport(std::as_const(m_document).store(), false);
        ChecksTab& checks = m_window.proof().checks();
        const auto made = checks.audit().borrow();
        auto report = reportOf(*job, checks.audit().use(), made->checker, m_window.proof().table().readingsNow(),
                               "2026-03-14 18:00");
        for (auto& look : report->looks)
            look.versions.clear();  // pinned just now
        const auto pages = reportPages(*report, 0.93);
        QWidget desk;
        desk.resize(kWindow);
        auto* row = new QHBoxLayout(&desk);
        row->setContentsMargins(0, 0, 0, 0);
        for (std::size_t i = 0; i < std::min<std::size_t>(2, pages->size()); ++i) {
            const PagePicture& page = (*pages)[i];
            auto* label = new QLabel(&desk);
            label->setPixmap(QPixmap::fromImage(QImage(reinterpret_cast<const uchar*>(page.pixels.data()), page.width,
                                                       page.height, page.width * 4, QImage::Format_RGB32)
                                                    .copy()));
            label->setAlignment(Qt::AlignCenter);
            row->addWidget(label);
        }
        m_camera.take(desk, "report");
    }

    Photographer& m_camera;
    MainWindow& m_window;
    Document& m_document;
    LookPlace& m_look;
    QString m_demo;
    FrameId m_first = 0;
};

}  // namespace

int writeGuide(const QString& folder)
{
    QDir().mkpath(folder);
    for (const GuidePage& page : guidePages()) {
        const QString path = folder + QLatin1Char('/') + QLatin1String(page.id) + ".md";
        if (const Status written = saveFile(path.toStdString(), guideMarkdown(page).toStdString()); !written) {
            std::fprintf(stderr, "jolly-amber: %s\n", written.error().message().c_str());
            return 1;
        }
    }
    return 0;
}

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
    // The same pictures whatever this user has chosen.
    const QTemporaryDir settings;
    QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, settings.path());
    qputenv("XDG_CONFIG_HOME", settings.path().toUtf8());
    qputenv("XDG_DATA_HOME", settings.path().toUtf8());
    MainWindow window;
    camera.watch(window.queue());
    window.resize(kWindow);
    window.show();
    camera.take(window, "empty");
    window.showScreenSheet();
    camera.take(*window.findChild<QDialog*>("screenSheet"), "screen");
    window.findChild<QDialog*>("screenSheet")->close();

    window.open({demo});
    camera.waitFor([&] { return !window.document().opening().isRunning(); }, "the demo job to be opened");
    Tour(camera, window, demo).go();
    window.close();
    return camera.status();
}

}  // namespace amber
