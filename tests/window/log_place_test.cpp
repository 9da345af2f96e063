// The Log place: the journal read, filtered, given reasons and replayed; the route by keyboard; pins that are asked
// about.
#include "app/guide/guide_sheet.h"
#include "app/guide/guide_text.h"
#include "app/guide/is_it_so.h"
#include "app/palette/palette_sheet.h"
#include "app/places/log/journal_tab.h"
#include "app/places/log/log_model.h"
#include "app/places/log/log_place.h"
#include "app/places/log/route_tab.h"
#include "app/places/log/then_now.h"
#include "app/places/log/version_tab.h"
#include "tests/support/week.h"
#include "tests/window/takes.h"
#include "tests/window/window_support.h"

#include <QAbstractItemModelTester>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

class LogWindow : public ::testing::Test {
protected:
    void SetUp() override
    {
        for (const char* variable : {"XDG_CONFIG_HOME", "XDG_DATA_HOME"})
            qputenv(variable, QByteArray::fromStdString(own.path().string()));
        writeShoot(folder.path(), 3);
        open();
    }
    void TearDown() override
    {
        app.reset();
        for (const char* variable : {"XDG_CONFIG_HOME", "XDG_DATA_HOME"})
            qunsetenv(variable);
    }
    void open()
    {
        app.reset();
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
    }
    LogPlace& place() { return app->window().log(); }
    JournalTab& journal() { return place().journal(); }
    FrameId id(std::size_t i) { return app->document().frames()[i].id; }
    void click(const char* object) { QTest::mouseClick(&app->find(object), Qt::LeftButton); }
    void goToJournal()
    {
        app->key(Qt::Key_8, Qt::ControlModifier);
        click("logJournalTab");
        ASSERT_TRUE(waitUntil([&] { return !journal().isReading(); }));
    }
    /// Some gestures on frames and the look.
    void work()
    {
        ASSERT_TRUE(app->goToLook() && app->addStep("Contrast") && app->addStep("Chroma"));
        app->document().setRating({id(1)}, 4);
        app->find<QDoubleSpinBox>("stepStrength").setValue(1.5);
        app->document().looks().commitPending();
        app->document().setRating({id(1)}, 2);
        app->key(Qt::Key_Z, Qt::ControlModifier);
    }
    QStringList whats()
    {
        QStringList all;
        for (int row = 0; row < journal().model().rowCount(); ++row)
            if (const LogEntry* entry = journal().model().entry(journal().model().index(row)))
                all << QString::fromStdString(entry->what);
        return all;
    }

    TemporaryFolder folder, own;
    std::unique_ptr<OpenWindow> app;
};

TEST_F(LogWindow, TheJournalIsReadFilteredGivenAReasonAndSaved)
{
    work();
    goToJournal();
    QAbstractItemModelTester tester(&journal().model(), QAbstractItemModelTester::FailureReportingMode::Fatal);
    ASSERT_GE(whats().size(), 4);
    EXPECT_EQ(whats().front(), "Strength set") << "the newest first; what was taken back is not shown";
    app->find<QCheckBox>("logTakenBack").click();
    EXPECT_EQ(whats().front(), "Rated 2");
    app->find<QCheckBox>("logTakenBack").click();
    auto& search = app->find<QLineEdit>("logSearch");
    search.setFocus();
    QTest::keyClicks(&search, "STRENGTH chroma");
    EXPECT_EQ(whats(), QStringList{"Strength set"}) << "as one types";
    const std::int64_t gesture = journal().model().shown().front().gesture;
    journal().choose(gesture);
    EXPECT_TRUE(app->find<QPlainTextEdit>("entryLines").toPlainText().contains("strength 1 → 1.5"));
    app->type(app->find("entryReason"), "the dish was dull");
    ASSERT_TRUE(waitUntil([&] { return !journal().isReading(); }));
    search.clear();
    app->find<QCheckBox>("logWithReason").click();
    EXPECT_EQ(whats(), QStringList{"Strength set"});
    app->find<QCheckBox>("logWithReason").click();
    app->find<QComboBox>("logKind").setCurrentIndex(5);
    EXPECT_EQ(whats(), QStringList{"Rated 4"});
    app->find<QComboBox>("logKind").setCurrentIndex(0);
    for (const char* name : {"log.txt", "log.csv", "log.pdf"}) {
        ASSERT_TRUE(journal().save(QString::fromStdString((folder / name).string())));
        EXPECT_GT(fs::file_size(folder / name), 100u);
    }
    folder.write("mine.txt", "mine");
    EXPECT_FALSE(journal().save(QString::fromStdString((folder / "mine.txt").string()))) << "not ours";
    EXPECT_EQ(readText(folder / "mine.txt"), "mine");
    click("logCopy");
    EXPECT_TRUE(QGuiApplication::clipboard()->text().contains("because: the dish was dull"));
    open();
    goToJournal();
    EXPECT_EQ(std::as_const(app->document()).store().journal()->back().reason, "the dish was dull") << "kept";
}

TEST_F(LogWindow, AnEntryShowsTheFrameThenBesideNowAndAVersionIsReplayed)
{
    work();
    app->document().looks().changeStep(1, evenChroma(1.4));
    app->document().looks().commit("Chroma set");
    const Look before = app->look();
    goToJournal();
    std::int64_t added = 0;
    for (const LogEntry& entry : journal().model().all())
        if (entry.what == "Contrast added")
            added = entry.gesture;
    ASSERT_NE(added, 0);
    journal().choose(added);
    ASSERT_TRUE(waitUntil([&] { return journal().thenNow().isPainted() && app->atRest(); }));
    EXPECT_FALSE(app->find<PictureView>("logThen").image().isNull());
    EXPECT_NE(app->find<PictureView>("logThen").image(), app->find<PictureView>("logNow").image())
        << "the strength came later";
    // All of it but the contrast.
    OpenWindow::whenOpen([](QWidget* dialog) {
        auto* list = dialog->findChild<QListWidget*>("replayEntries");
        EXPECT_GE(list->count(), 3);
        list->item(0)->setCheckState(Qt::Unchecked);
        const QString words = dialog->findChild<QLabel*>("replayWords")->text();
        EXPECT_TRUE(words.startsWith("The same colours")) << words.toStdString() << list->item(0)->text().toStdString();
        QTest::mouseClick(dialog->findChild<QPushButton*>("replayMake"), Qt::LeftButton);
    });
    click("logReplay");
    QStringList titles;
    for (const Step& step : app->look().steps)
        titles << stepTitle(step);
    ASSERT_EQ(titles, QStringList{"Chroma"})
        << titles.join(", ").toStdString() << app->document().undoAction().toStdString();
    EXPECT_EQ(app->look().steps[0].strength, 1.5);
    EXPECT_EQ(app->document().looks().pins().size(), 1u) << "pinned as well";
    // Against the version before.
    ASSERT_TRUE(waitUntil([&] { return !journal().isReading(); }));
    journal().choose(added);
    click("logDifference");
    VersionTab& versions = place().versions();
    ASSERT_TRUE(versions.isVisible());
    ASSERT_TRUE(
        waitUntil([&] { return !versions.isMeasuring() && !app->find<QLabel>("versionNumbers").text().isEmpty(); }));
    EXPECT_TRUE(app->find<QPlainTextEdit>("versionWords").toPlainText().contains("Contrast: removed"));
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(app->look() == before);
}

TEST_F(LogWindow, TheRouteIsWalkedToItsEndByKeyboardAlone)
{
    app->key(Qt::Key_N, Qt::ControlModifier);
    RouteKeeper& route = app->window().route();
    ASSERT_TRUE(route.next());
    // To the table of the route, and there every stage that is still open is ticked, the keys taking one to it.
    for (int i = 0; i < 60 && route.next(); ++i) {
        const NextThing before = *route.next();
        app->key(Qt::Key_N, Qt::ControlModifier);
        if (before.frame != 0) {
            EXPECT_EQ(app->document().selection().frameInHand(), before.frame);
        }
        app->key(Qt::Key_8, Qt::ControlModifier);
        place().go(LogPlace::Tab::Route);
        place().route().showNext();
        ASSERT_TRUE(app->find("routeTable").hasFocus());
        QTest::keyClick(&app->find("routeTable"), Qt::Key_Space);
        ASSERT_TRUE(waitUntil([&] {
            return !route.next() || route.next()->stage != before.stage || route.next()->frame != before.frame;
        }));
    }
    EXPECT_FALSE(route.next());
    EXPECT_EQ(app->find<QLabel>("routeNext").text(), "All is done.");
    for (std::size_t i = 0; i < 3; ++i)
        EXPECT_TRUE(app->document().job().frame(id(i)).isDone);
    // Done is remembered, and what changed since is told.
    Job job = app->document().job();
    job.frames[id(0)].balance.light.exposureStops = 0.5;
    app->document().selection().setFrameInHand(id(0));
    ASSERT_TRUE(app->document().commit(job, "Exposure set"));
    ASSERT_TRUE(waitUntil([&] { return app->find<QLabel>("routeDone").text().contains("exposure 0 → +0.50 stops"); }));
    // Another order, kept with the job.
    auto& routes = app->find<QComboBox>("routes");
    routes.setFocus();
    QTest::keyClick(&routes, Qt::Key_Down);
    ASSERT_TRUE(waitUntil([&] { return route.route().name == "white first"; }));
    open();
    EXPECT_EQ(app->window().route().route().name, "white first");
    EXPECT_FALSE(app->window().route().next()) << "and its ticks";
}

TEST_F(LogWindow, ARouteOfOnesOwnIsMadeAndKept)
{
    app->key(Qt::Key_8, Qt::ControlModifier);
    click("logRouteTab");
    const std::size_t stages = app->window().route().route().stages.size();
    OpenWindow::whenOpen([](QWidget* dialog) {
        auto* list = dialog->findChild<QListWidget*>("routeStages");
        list->setCurrentRow(2);
        QTest::mouseClick(dialog->findChild<QPushButton*>("routeUp"), Qt::LeftButton);
        QTest::mouseClick(dialog->findChild<QPushButton*>("routeUp"), Qt::LeftButton);
        EXPECT_EQ(list->item(0)->text(), "Upright, lens and crop");
        list->setCurrentRow(3);
        QTest::mouseClick(dialog->findChild<QPushButton*>("routeRemove"), Qt::LeftButton);
        auto* name = dialog->findChild<QLineEdit*>("routeName");
        name->setText("light first");
        QTest::mouseClick(dialog->findChild<QPushButton*>("routeKeep"), Qt::LeftButton);
        EXPECT_TRUE(dialog->isVisible()) << "a shipped name is refused";
        name->setText("geometry first");
        QTest::mouseClick(dialog->findChild<QPushButton*>("routeKeep"), Qt::LeftButton);
    });
    click("routeEdit");
    EXPECT_EQ(app->window().route().route().name, "geometry first");
    EXPECT_EQ(app->window().route().route().stages.size(), stages - 1);
    EXPECT_EQ(app->find<QComboBox>("routes").currentText(), "geometry first");
    EXPECT_EQ(ownRoutes().routes.size(), 1u);
}

TEST_F(LogWindow, APinIsSetByKeyboardIsAskedAboutIsClosedAndHandOverGoesOn)
{
    ASSERT_TRUE(app->goToLook());
    app->key(Qt::Key_M, Qt::ControlModifier | Qt::ShiftModifier);
    ASSERT_TRUE(app->picture().isMarking());
    OpenWindow::whenOpen([](QWidget* dialog) {
        QTest::keyClicks(dialog->findChild<QLineEdit*>(), "too blue here?");
        QTest::keyClick(dialog, Qt::Key_Return);
    });
    app->picture().setFocus();
    QTest::keyClick(&app->picture(), Qt::Key_Right);
    QTest::keyClick(&app->picture(), Qt::Key_Return);
    ASSERT_EQ(app->document().job().pins.size(), 1u);
    const Pin pin = app->document().job().pins.begin()->second;
    EXPECT_EQ(pin.text, "too blue here?");
    ASSERT_TRUE(pin.place);
    EXPECT_FALSE(app->picture().isMarking());
    // On a step.
    ASSERT_TRUE(app->addStep("Chroma"));
    OpenWindow::whenOpen([](QWidget* dialog) {
        QTest::keyClicks(dialog->findChild<QLineEdit*>(), "less of it?");
        QTest::keyClick(dialog, Qt::Key_Return);
    });
    emit app->window().look().stepLine().pinWanted(0);
    ASSERT_EQ(app->document().job().pins.size(), 2u);
    EXPECT_EQ(app->document().job().pins.rbegin()->second.step->kind, "chroma");
    // Handing over asks about them.
    app->key(Qt::Key_7, Qt::ControlModifier);
    app->window().handover().setFolder(QString::fromStdString((folder / "out").string()));
    click("exportStart");
    ASSERT_TRUE(waitUntil([&] { return app->find<QLabel>("exportState").text().startsWith("To be looked at"); }));
    EXPECT_FALSE(fs::exists(folder / "out/frame-0.jpg"));
    // They are found, seen and closed in the log.
    app->key(Qt::Key_8, Qt::ControlModifier);
    click("logPinsTab");
    auto& pins = app->find<QTableWidget>("logPins");
    ASSERT_EQ(pins.rowCount(), 2);
    pins.setCurrentCell(1, 3);
    click("pinShow");
    EXPECT_EQ(app->window().place(), MainWindow::Place::Look);
    app->key(Qt::Key_8, Qt::ControlModifier);
    for (int i = 0; i < 2; ++i)
        pins.item(0, 0)->setCheckState(Qt::Checked);
    EXPECT_EQ(pins.rowCount(), 0);
    app->key(Qt::Key_7, Qt::ControlModifier);
    ASSERT_TRUE(app->handOver()) << app->find<QLabel>("exportState").text().toStdString();
    EXPECT_TRUE(fs::exists(folder / "out/frame-0.jpg"));
}

TEST_F(LogWindow, NotesAreMeasuredOnTheFrameAndThePaletteTestOnASnapshot)
{
    ASSERT_TRUE(app->goToLook() && app->addStep("Chroma"));
    click("stepIsItSo");
    auto& notes = app->find<IsItSoSheet>("isItSoSheet");
    ASSERT_TRUE(waitUntil([&] { return !notes.isMeasuring(); }));
    EXPECT_EQ(notes.shownCount(), 2) << "those about chroma";
    app->find<QComboBox>("isItSoAbout").setCurrentIndex(0);
    ASSERT_TRUE(waitUntil([&] { return !notes.isMeasuring(); }));
    EXPECT_EQ(notes.shownCount(), 12);
    for (const SayingNote& note : sayingNotes()) {
        const QString words = app->find<QLabel>(("saying-" + std::string(note.id)).c_str()).text();
        EXPECT_TRUE(words.contains(QRegularExpression("[0-9]"))) << note.id << ": " << words.toStdString();
        EXPECT_FALSE(note.source.isEmpty());
    }
    notes.close();
    app->key(Qt::Key_P, Qt::ControlModifier | Qt::ShiftModifier);
    PaletteSheet& palette = app->window().look().palette();
    ASSERT_TRUE(palette.isVisible());
    palette.open(QString::fromStdString((folder / "frame-1.png").string()));
    ASSERT_TRUE(waitUntil([&] { return !palette.isTesting(); }));
    ASSERT_TRUE(palette.test()) << app->find<QLabel>("paletteWords").text().toStdString();
    EXPECT_TRUE(palette.test()->isPlanFound);
    EXPECT_GT(palette.test()->landing, 0);
    EXPECT_GT(palette.test()->fighting, 0);
    folder.write("words.jpg", "no picture");
    palette.open(QString::fromStdString((folder / "words.jpg").string()));
    ASSERT_TRUE(waitUntil([&] { return !palette.isTesting(); }));
    EXPECT_FALSE(palette.test());
    EXPECT_FALSE(app->find<QLabel>("paletteWords").text().isEmpty());
}

TEST_F(LogWindow, TheGuideIsShownOnceAndUnderF1AtThisPlace)
{
    EXPECT_FALSE(GuideSheet::wasSeen());
    app->window().showGuideAtFirst();
    GuideSheet& guide = app->window().guide();
    ASSERT_TRUE(guide.isVisible());
    EXPECT_EQ(guide.page(), "way");
    QTest::keyClick(&guide, Qt::Key_Escape);
    EXPECT_TRUE(GuideSheet::wasSeen());
    app->window().showGuideAtFirst();
    EXPECT_FALSE(guide.isVisible());
    app->key(Qt::Key_9, Qt::ControlModifier);
    app->key(Qt::Key_F1);
    EXPECT_TRUE(guide.isVisible());
    EXPECT_EQ(guide.page(), "practice");
    guide.close();
    // The same text stands in the documents.
    for (const GuidePage& page : guidePages()) {
        const fs::path file = fs::path(AMBER_SOURCE_DIR) / "docs/guide" / (std::string(page.id) + ".md");
        EXPECT_EQ(readText(file), guideMarkdown(page).toStdString()) << "jolly-amber --guide docs/guide";
        for (const GuidePage::Key& key : page.keys)
            EXPECT_FALSE(key.keys.isEmpty() || key.words.isEmpty()) << page.id;
        for (const GuidePage::Picture& picture : page.pictures)
            EXPECT_FALSE(QPixmap(QStringLiteral(":/guide/%1.jpg").arg(picture.name)).isNull()) << picture.name;
    }
}

/// A week's job in the window: read without holding it up.
TEST(LogOfAWeek, IsOpenedAndFiltered)
{
    const TemporaryFolder folder;
    {
        Week week(folder / "week.amberjob", 60, 5);
        week.work(600);
    }
    OpenWindow app(folder / "week.amberjob");
    app.key(Qt::Key_8, Qt::ControlModifier);
    JournalTab& journal = app.window().log().journal();
    ASSERT_TRUE(waitUntil([&] { return !journal.isReading(); }));
    EXPECT_GT(journal.model().shownCount(), 250);
    QTest::keyClicks(&app.find<QLineEdit>("logSearch"), "frame-17");
    EXPECT_GT(journal.model().shownCount(), 0);
    EXPECT_LT(journal.model().shownCount(), 40);
}

}  // namespace
}  // namespace amber::test
