// The Look place as an artist uses it: intent, side effects, marks, sweeps, versions, quiet judging; by mouse and by
// keyboard.
#include "app/findings/findings_panel.h"
#include "app/instruments/instruments.h"
#include "app/instruments/key_list.h"
#include "app/intent/intent_panel.h"
#include "app/library/library_view.h"
#include "app/stepline/spot_view.h"
#include "app/theme/theme.h"
#include "app/variants/sweep_view.h"
#include "app/variants/tray_view.h"
#include "app/wall/compare_view.h"
#include "window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

class LookPlaceWindow : public testing::Test {
protected:
    void SetUp() override
    {
        writeShoot(m_folder.path(), 6);
        open();
    }
    void TearDown() override
    {
        m_app.reset();
        theme::choose(theme::Theme::PrintRoom);
        theme::setSurround(50);
        theme::setBlind(false);
    }
    void open()
    {
        m_app = std::make_unique<OpenWindow>(m_folder.path());
        ASSERT_TRUE(m_app->thumbnailsRead());
        ASSERT_TRUE(m_app->goToLook());
    }
    LookPlace& place() { return m_app->window().look(); }
    [[nodiscard]] bool traced()
    {
        return waitUntil([&] { return m_app->wall().tracedNumber() == m_app->wall().requested(); });
    }
    template <class T>
    const T& step(std::size_t i)
    {
        return std::get<T>(m_app->look().steps.at(i).parameters);
    }
    void click(const char* name) { QTest::mouseClick(&m_app->find(name), Qt::LeftButton); }
    static void choose(QWidget* menu, const QString& words)
    {
        for (QAction* action : menu->actions())
            if (action->text().startsWith(words))
                return QTest::mouseClick(menu, Qt::LeftButton, {},
                                         qobject_cast<QMenu*>(menu)->actionGeometry(action).center());
        ADD_FAILURE() << "no " << words.toStdString() << " in the menu";
        menu->close();
    }
    void markAt(double x, double y, const QString& name)
    {
        click("markPicture");
        OpenWindow::whenOpen([name](QWidget* dialog) {
            QTest::keyClicks(dialog->findChild<QLineEdit*>(), name);
            QTest::keyClick(dialog, Qt::Key_Return);
        });
        QTest::mouseClick(&m_app->picture(), Qt::LeftButton, {}, m_app->placeInPicture(x, y));
        click("markPicture");
    }

    TemporaryFolder m_folder;
    std::unique_ptr<OpenWindow> m_app;
};

TEST_F(LookPlaceWindow, AWholeLookFromTheIntentCardOnUndoneReopenedRedone)
{
    click("showIntent");
    m_app->type(m_app->find("intentMood"), "dark clay, warm lights");
    m_app->type(m_app->find("intentMadeFor"), "balanced frames");
    auto& key = m_app->find<QComboBox>("intentKey");
    key.setFocus();
    QTest::keyClick(&key, Qt::Key_Down);
    EXPECT_EQ(m_app->look().card.key, IntentCard::Key::Dark);
    EXPECT_EQ(m_app->look().intent, "dark clay, warm lights");
    ASSERT_TRUE(waitUntil([&] { return m_app->find<QLabel>("intentKeyScore").text().contains("wanted up to 0.450"); }));
    ASSERT_TRUE(m_app->addStep("Tone curve"));
    auto& curve = m_app->find<CurvePlot>("curvePlot");
    ASSERT_TRUE(curve.isVisible()) << "a new step brings its editor up";
    OpenWindow::drag(curve, QPoint(curve.width() / 2, curve.height() / 2), QPoint(0, 30));
    ASSERT_TRUE(m_app->addStep("Split toning"));
    m_app->type(m_app->find("dyeChroma"), QLocale().toString(0.04, 'f', 3));
    ASSERT_TRUE(m_app->addStep("Contrast"));
    m_app->type(m_app->find("contrast.slope"), QLocale().toString(1.3, 'f', 2));
    ASSERT_TRUE(m_app->settled());
    click("showSweep");
    ASSERT_TRUE(waitUntil([&] { return place().sweep().sheet().isDone(); }));
    place().sweep().sheet().setCurrentRow(6);
    click("sweepTake");
    EXPECT_NEAR(m_app->look().steps[2].strength, 1.5 * 6 / 11, 1e-6);
    const Look designed = m_app->look();
    int undone = 0;
    while (!m_app->document().undoAction().isEmpty() && undone < 40) {
        m_app->key(Qt::Key_Z, Qt::ControlModifier);
        ++undone;
    }
    EXPECT_GE(undone, 9);
    EXPECT_TRUE(m_app->look().steps.empty());
    EXPECT_EQ(m_app->look().card, IntentCard{});
    m_app.reset();
    open();
    while (!m_app->document().redoAction().isEmpty())
        m_app->key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(m_app->look(), designed);
}

TEST_F(LookPlaceWindow, TheStepLineSaysWhatEveryStepDidAndShowsItAtItsPlace)
{
    markAt(0.2, 0.8, "celadon");
    ASSERT_EQ(m_app->document().job().keys.size(), 1u);
    EXPECT_EQ(m_app->document().job().keys[0].name, "celadon");
    ASSERT_TRUE(m_app->addStep("Ends"));
    m_app->type(m_app->find("ends.floor"), QLocale().toString(0.2, 'f', 2));
    ASSERT_TRUE(m_app->addStep("Chroma"));
    m_app->type(m_app->find("chroma.even"), QLocale().toString(0.2, 'f', 2));
    ASSERT_TRUE(traced());
    StepLine& line = place().stepLine();
    ASSERT_GE(line.markCount(), 5) << "three measures, the key colour, and what watches itself";
    EXPECT_TRUE(line.markWords(0, 0).startsWith("brightness +")) << line.markWords(0, 0).toStdString();
    EXPECT_TRUE(line.markWords(1, 2).startsWith("chroma \u2212"));
    EXPECT_GT(line.trace()->move(1, 0).deltaE, 5);
    EXPECT_EQ(line.trace()->worst().first >= 0, true);
    QTest::mouseClick(&line, Qt::LeftButton, {}, line.markRect(1, StepLine::kMeasureMarks).center());
    ASSERT_TRUE(place().spot().isVisible());
    EXPECT_TRUE(place().spot().words().startsWith("celadon: ΔE"));
    QTest::keyClick(&place().spot(), Qt::Key_Escape);
    EXPECT_FALSE(place().spot().isVisible());
    // The list: over its tolerance, then with what it is now as its target.
    KeyList& list = place().instruments().keys();
    EXPECT_GT(list.differenceAt(0), 5);
    list.setFocus();
    QTest::keyClick(&list, Qt::Key_Down);
    OpenWindow::whenOpen([](QWidget* menu) { choose(menu, "Target: as it is now"); });
    QTest::keyClick(&list, Qt::Key_Return);
    ASSERT_TRUE(traced());
    EXPECT_LT(list.differenceAt(0), 0.01);
    m_app.reset();
    open();
    ASSERT_EQ(m_app->document().job().keys.size(), 1u) << "kept with the job";
    EXPECT_TRUE(m_app->document().job().keys[0].target.has_value());
    KeyList& again = place().instruments().keys();
    again.setFocus();
    ASSERT_TRUE(traced());
    QTest::keyClick(&again, Qt::Key_Down);
    QTest::keyClick(&again, Qt::Key_Delete);
    EXPECT_TRUE(m_app->document().job().keys.empty());
}

TEST_F(LookPlaceWindow, RegionsAreReadLeftOutAndCropped)
{
    ASSERT_TRUE(traced());
    const auto mean = [&] { return place().stepLine().trace()->states[0].meanL; };
    const double whole = mean();
    const auto draw = [&](const QString& what, double left, double right) {
        click("markPicture");
        OpenWindow::whenOpen([what](QWidget* menu) { choose(menu, what); });
        const QPoint from = m_app->placeInPicture(left, 0.05);
        OpenWindow::drag(m_app->picture(), from, m_app->placeInPicture(right, 0.35) - from);
        click("markPicture");
        return traced();
    };
    ASSERT_TRUE(draw("Leave out", 0.5, 0.98));
    const double without = mean();
    EXPECT_LT(without, whole - 0.01) << "the bright end of the ramp no longer counts";
    m_app->document().setFraming(m_app->document().selection().frameInHand(), {});
    ASSERT_TRUE(traced());
    EXPECT_NEAR(mean(), whole, 1e-9);
    // Cropped to a region, what is seen, measured and kept is that region.
    ASSERT_TRUE(draw("Crop to this", 0.02, 0.5));
    const FrameId inHand = m_app->document().selection().frameInHand();
    ASSERT_TRUE(waitUntil([&] { return m_app->document().job().frame(inHand).balance.geometry.crop.right < 0.6; }));
    ASSERT_TRUE(waitUntil([&] { return m_app->settled() && traced() && mean() < whole - 0.01; }));
    m_app->document().undo();
    ASSERT_TRUE(waitUntil([&] { return m_app->settled() && traced() && std::abs(mean() - whole) < 1e-6; }));
}

TEST_F(LookPlaceWindow, OverlaysAreInAColourThePictureDoesNotHave)
{
    ASSERT_TRUE(m_app->addStep("Hue shifts"));
    ASSERT_TRUE(m_app->settled());
    const QImage before = m_app->picture().image();
    click("showFamily");
    ASSERT_TRUE(m_app->settled());
    const QImage after = m_app->picture().image();
    const auto changed = [&](double x, double y) {
        const QColor a = before.pixelColor(static_cast<int>(x * before.width()), static_cast<int>(y * before.height())),
                     b = after.pixelColor(static_cast<int>(x * before.width()), static_cast<int>(y * before.height()));
        return std::abs(a.red() - b.red()) + std::abs(a.green() - b.green()) + std::abs(a.blue() - b.blue());
    };
    EXPECT_LT(changed(0.5, 0.2), 12) << "greys belong to no family";
    int most = 0, least = 1000;
    for (double x = 0.02; x < 1; x += 0.02)
        most = std::max(most, changed(x, 0.9)), least = std::min(least, changed(x, 0.9));
    EXPECT_GT(most, 100);
    EXPECT_LT(least, 15);
    ASSERT_TRUE(m_app->addStep("Tone curve"));
    ASSERT_TRUE(m_app->settled());
    EXPECT_EQ(m_app->picture().image(), before) << "another editor takes the overlay away";
}

TEST_F(LookPlaceWindow, NumbersAreHeldAtTheirEndsNudgedResetAndHidden)
{
    ASSERT_TRUE(m_app->addStep("Chroma"));
    auto& even = m_app->find<QDoubleSpinBox>("chroma.even");
    even.setFocus();
    const QString undo = m_app->document().undoAction();
    QTest::keyPress(&even, Qt::Key_F5);
    EXPECT_EQ(step<Chroma>(0).even, 2.5);
    QTest::keyRelease(&even, Qt::Key_F5);
    EXPECT_EQ(step<Chroma>(0).even, 1);
    QTest::keyPress(&even, Qt::Key_F5, Qt::ShiftModifier);
    EXPECT_EQ(step<Chroma>(0).even, 0);
    QTest::keyRelease(&even, Qt::Key_F5);
    EXPECT_EQ(step<Chroma>(0).even, 1);
    EXPECT_EQ(m_app->document().undoAction(), undo) << "holding leaves nothing behind";
    QTest::keyClick(&even, Qt::Key_Up);
    const double one = step<Chroma>(0).even - 1;
    EXPECT_GE(one, 0.01);
    EXPECT_LT(one, 0.15) << "one just noticeable difference of strong colours";
    for (QLabel* words : m_app->window().findChildren<QLabel*>())
        if (words->buddy() == &even)
            QTest::mouseDClick(words, Qt::LeftButton);
    EXPECT_EQ(step<Chroma>(0).even, 1);
    theme::setBlind(true);
    EXPECT_EQ(theme::number(0.5, 2), "·");
    theme::setBlind(false);
    EXPECT_EQ(theme::number(-0.5, 2), "\u22120.50");
}

TEST_F(LookPlaceWindow, SweepsGoFinerAreBookmarkedAndTablesAreEquallyStrong)
{
    ASSERT_TRUE(m_app->addStep("Split toning"));
    m_app->type(m_app->find("dyeChroma"), QLocale().toString(0.05, 'f', 3));
    m_app->key(Qt::Key_W, Qt::ControlModifier);
    TileSheet& sheet = place().sweep().sheet();
    ASSERT_TRUE(waitUntil([&] { return sheet.isDone() && sheet.count() == 12; }));
    EXPECT_EQ(m_app->find<QComboBox>("sweepWhat").currentText(), "All hues");
    EXPECT_LT(sheet.differenceOf(0), 0.1);
    EXPECT_GT(sheet.differenceOf(6), 1);
    sheet.setCurrentRow(4);
    QTest::keyClick(&sheet, Qt::Key_B);
    EXPECT_TRUE(sheet.isMarked(4));
    EXPECT_EQ(m_app->document().looks().pins().size(), 1u);
    click("sweepFiner");
    ASSERT_TRUE(waitUntil([&] { return sheet.isDone(); }));
    EXPECT_EQ(m_app->find<QDoubleSpinBox>("sweepLow").value(), 90);
    EXPECT_EQ(m_app->find<QDoubleSpinBox>("sweepHigh").value(), 150);
    const TemporaryFolder tables;
    std::ofstream(tables / "warm.cube")
        << "LUT_3D_SIZE 2\n0 0 0\n1 0 0\n0 .9 0\n1 .9 0\n0 0 .7\n1 0 .7\n0 .9 .7\n1 .9 .7\n";
    std::ofstream(tables / "cold.cube")
        << "LUT_3D_SIZE 2\n0 0 0\n.6 0 0\n0 .8 0\n.6 .8 0\n0 0 1\n.6 0 1\n0 .8 1\n.6 .8 1\n";
    std::ofstream(tables / "broken.cube") << "LUT_3D_SIZE 2\n0 0 nan\n";
    place().sweep().sweepTables(QString::fromStdString(tables.path().string()));
    ASSERT_TRUE(waitUntil([&] { return sheet.isDone() && sheet.count() == 2; }));
    EXPECT_TRUE(m_app->message().contains("broken.cube"));
    EXPECT_NEAR(sheet.differenceOf(0), sheet.differenceOf(1), 1.5);
    sheet.setCurrentRow(1);
    sheet.setFocus();
    QTest::keyClick(&sheet, Qt::Key_Return);
    EXPECT_EQ(place().view(), LookPlace::View::Wall);
    EXPECT_EQ(m_app->look().steps.size(), 2u);
    EXPECT_EQ(step<LookupTable>(1).name, "warm.cube");
}

TEST_F(LookPlaceWindow, TheTrayShowsVersionsOnFramesTheirMapsAndWhatChanged)
{
    ASSERT_TRUE(m_app->addStep("Contrast"));
    theme::setSurround(20);
    m_app->document().looks().pin("soft", theme::surround());
    m_app->type(m_app->find("contrast.slope"), QLocale().toString(1.6, 'f', 2));
    m_app->key(Qt::Key_F8);
    TileSheet& sheet = place().tray().sheet();
    ASSERT_TRUE(waitUntil([&] { return sheet.isDone(); }));
    ASSERT_EQ(sheet.count(), 2);
    EXPECT_TRUE(sheet.item(1)->text().contains("wall L* 20")) << "the surround is recorded with the verdict";
    EXPECT_GT(sheet.differenceOf(1), 1);
    sheet.setCurrentRow(1);
    EXPECT_TRUE(m_app->find<QLabel>("trayChanges").text().contains("Contrast: slope"))
        << m_app->find<QLabel>("trayChanges").text().toStdString();
    const auto& companions = m_app->document().selection().companions();
    ASSERT_TRUE(waitUntil([&] {
        place().tray().findChild<QComboBox*>("trayFrames")->setCurrentIndex(1);
        place().tray().refresh();
        return sheet.count() == 2 * static_cast<int>(companions.size() + 1);
    }));
    auto& map = m_app->find<QComboBox>("trayMap");
    map.setFocus();
    QTest::keyClick(&map, Qt::Key_Down);
    ASSERT_TRUE(waitUntil([&] { return sheet.isDone(); }));
    const QImage shown = sheet.item(1)->icon().pixmap(sheet.iconSize()).toImage();
    const QColor c = shown.pixelColor(shown.width() / 2, shown.height() / 5);
    EXPECT_TRUE(c.red() == c.green() && c.green() == c.blue()) << "a map is grey";
    sheet.setCurrentRow(1);
    click("trayTake");
    EXPECT_EQ(step<Contrast>(0).slope, 1);
    EXPECT_EQ(m_app->document().undoAction().left(7), "Back to");
}

TEST_F(LookPlaceWindow, TwoVersionsAtEqualBrightnessAndAFlickerThatIsNeverFast)
{
    ASSERT_TRUE(m_app->addStep("Ends"));
    m_app->document().looks().pin("before", 50);
    m_app->type(m_app->find("ends.floor"), QLocale().toString(0.3, 'f', 2));
    m_app->key(Qt::Key_F7);
    ASSERT_TRUE(place().isComparing());
    auto& words = m_app->find<QLabel>("compareDifference");
    const auto mean = [&] { return words.text().section("mean ", 1).section(',', 0, 0).toDouble(); };
    ASSERT_TRUE(m_app->atRest());
    const double apart = mean();
    click("compareEqual");
    ASSERT_TRUE(m_app->atRest());
    EXPECT_LT(mean(), 0.8 * apart);
    QTest::mouseClick(&m_app->find<QCheckBox>("compareFlicker"), Qt::LeftButton, {}, QPoint(6, 8));
    EXPECT_TRUE(m_app->find<QCheckBox>("compareFlicker").isChecked());
    const auto* timer = m_app->find<CompareView>("compareView").findChild<QTimer*>("flickerTimer");
    ASSERT_TRUE(timer && timer->isActive());
    EXPECT_GE(timer->interval(), 1000 / 3);
    click("compareClose");
    EXPECT_FALSE(m_app->find<QCheckBox>("compareFlicker").isChecked());
}

TEST_F(LookPlaceWindow, TheLibraryFindsDuplicatesAndWarnsOfWhatIsBoundToASubject)
{
    m_app->document().looks().rename("Evening clay");
    ASSERT_TRUE(m_app->addStep("Hue shifts"));
    Look look = m_app->look();
    auto& shifts = std::get<HueShifts>(look.steps[0].parameters);
    shifts.families[2].name = "Ada's coat";
    shifts.families[2].move.chroma = 0.5;
    m_app->document().looks().takeLook(look, "coat");
    m_app->document().looks().newLook();
    m_app->key(Qt::Key_F9);
    TileSheet& sheet = place().library().sheet();
    ASSERT_TRUE(waitUntil([&] { return sheet.isDone() && sheet.count() == 2; }));
    QTest::keyClicks(&m_app->find("librarySearch"), "clay");
    ASSERT_EQ(sheet.count(), 1);
    EXPECT_TRUE(m_app->find<QLabel>("libraryWords").text().contains("Ada's coat"));
    click("libraryDuplicate");
    EXPECT_EQ(m_app->look().name, "Evening clay, copy");
    EXPECT_EQ(m_app->look().steps, look.steps);
    QTest::keyClicks(&m_app->find("librarySearch"), "zzz");
    EXPECT_EQ(sheet.count(), 0);
    EXPECT_TRUE(m_app->find<QLabel>("libraryWords").text().contains("No look"));
}

TEST_F(LookPlaceWindow, StepsThatUndoOneAnotherAreNamedAndJoined)
{
    ASSERT_TRUE(m_app->addStep("Contrast"));
    Look look = m_app->look();
    Contrast up, down;
    up.slope = 1.5, down.slope = 0.68, up.holdBrightness = down.holdBrightness = false;
    look.steps[0].parameters = up;
    look.steps.push_back(look.steps[0]);
    look.steps[1].parameters = down;
    m_app->document().looks().takeLook(look, "two contrasts");
    ASSERT_TRUE(traced());
    m_app->key(Qt::Key_F, Qt::ControlModifier);
    auto& panel = m_app->find<FindingsPanel>("findingsPanel");
    ASSERT_TRUE(panel.isVisible());
    auto* join = panel.findChild<QPushButton*>("joinSteps");
    ASSERT_TRUE(join);
    QString said;
    OpenWindow::whenOpen([&said](QWidget* box) {
        said = qobject_cast<QMessageBox*>(box)->text();
        QTest::keyClick(box, Qt::Key_Return);
    });
    QTest::mouseClick(join, Qt::LeftButton);
    EXPECT_TRUE(said.contains("Left over")) << said.toStdString();
    ASSERT_EQ(m_app->look().steps.size(), 1u);
    EXPECT_NEAR(step<Contrast>(0).slope, 1.5 * 0.68, 0.12);
    m_app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(m_app->look().steps.size(), 2u);
    QStringList words;
    for (QLabel* label : panel.findChildren<QLabel*>())
        words << label->text();
    EXPECT_TRUE(words.join(' ').contains("A curve adds data"));
}

TEST_F(LookPlaceWindow, AWarmthThatBringsANeutralBackIsOfferedAndAdded)
{
    Warmth warm;
    warm.warmth = 45;
    m_app->document().looks().addStep(warm);
    ASSERT_TRUE(traced());
    m_app->key(Qt::Key_F, Qt::ControlModifier);
    auto& panel = m_app->find<FindingsPanel>("findingsPanel");
    QPushButton* offer = nullptr;
    ASSERT_TRUE(waitUntil([&] { return (offer = panel.findChild<QPushButton*>("addRetrim")) != nullptr; }));
    QTest::mouseClick(offer, Qt::LeftButton);
    ASSERT_EQ(m_app->look().steps.size(), 2u);
    EXPECT_LT(step<Warmth>(1).warmth, -25);
    m_app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(m_app->look().steps.size(), 1u);
}

TEST_F(LookPlaceWindow, QuietActualSizeTrialFramesAndTheSecondLook)
{
    m_app->key(Qt::Key_F11);
    EXPECT_FALSE(m_app->find("rail").isVisible());
    EXPECT_FALSE(place().bench().isVisible());
    EXPECT_TRUE(m_app->picture().isVisible());
    m_app->key(Qt::Key_Escape);
    EXPECT_TRUE(m_app->find("rail").isVisible());
    m_app->key(Qt::Key_F10);
    ASSERT_TRUE(waitUntil([&] { return m_app->picture().caption().contains("100 %") && m_app->settled(); }));
    EXPECT_LE(m_app->picture().image().width(), 360);
    m_app->key(Qt::Key_F10);
    ASSERT_TRUE(m_app->settled());
    EXPECT_FALSE(m_app->wall().isActualSize());
    OpenWindow::whenOpen([](QWidget* menu) { choose(menu, "Trial frames"); });
    click("viewMenuButton");
    EXPECT_EQ(m_app->document().selection().companions().size(), 5u);
    EXPECT_TRUE(m_app->message().contains("darkest"));
    const std::int64_t left = m_app->document().selection().frameInHand();
    m_app->document().selection().putAside();
    m_app->key(Qt::Key_Right, Qt::AltModifier);
    ASSERT_TRUE(m_app->addStep("Contrast"));
    m_app->type(m_app->find("contrast.slope"), QLocale().toString(1.4, 'f', 2));
    ASSERT_NE(m_app->document().selection().frameInHand(), left);
    ASSERT_TRUE(m_app->settled());
    OpenWindow::whenOpen([](QWidget* menu) { choose(menu, "Take the second look"); });
    click("viewMenuButton");
    EXPECT_EQ(m_app->document().selection().frameInHand(), left);
    EXPECT_TRUE(place().isComparing()) << "beside the version left behind";
    EXPECT_TRUE(m_app->document().selection().aside().empty());
}

TEST_F(LookPlaceWindow, EveryControlHasANameAndTheKeyboardReachesAll)
{
    ASSERT_TRUE(m_app->addStep("Hue shifts"));
    const auto walk = [&](const char* where) {
        for (QWidget* w : m_app->window().findChildren<QWidget*>()) {
            const bool control = qobject_cast<QAbstractButton*>(w) || qobject_cast<QComboBox*>(w) ||
                                 qobject_cast<QAbstractSpinBox*>(w) || qobject_cast<QAbstractItemView*>(w) ||
                                 (qobject_cast<QLineEdit*>(w) && !qobject_cast<QAbstractSpinBox*>(w->parentWidget())) ||
                                 w->focusPolicy() == Qt::StrongFocus;
            if (!control || !w->isVisible() || w->objectName().startsWith("qt_") || qobject_cast<QScrollBar*>(w))
                continue;
            auto* described = QAccessible::queryAccessibleInterface(w);
            ASSERT_TRUE(described) << where;
            EXPECT_FALSE(described->text(QAccessible::Name).isEmpty())
                << where << ": " << w->metaObject()->className() << " " << w->objectName().toStdString();
        }
    };
    for (const auto view :
         {LookPlace::View::Wall, LookPlace::View::Sweep, LookPlace::View::Tray, LookPlace::View::Library}) {
        place().showView(view);
        walk("view");
    }
    place().showView(LookPlace::View::Wall);
    for (const auto panel : {LookPlace::Panel::Bench, LookPlace::Panel::Intent, LookPlace::Panel::Findings}) {
        place().showPanel(panel);
        walk("panel");
    }
    place().showPanel(LookPlace::Panel::Bench);
    // Tab goes round: picture, step line, key list and the bench's numbers are all on the way.
    std::set<QString> reached;
    m_app->window().activateWindow();
    place().stepLine().setFocus(Qt::TabFocusReason);
    for (int i = 0; i < 120; ++i) {
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Tab);
        ASSERT_TRUE(QApplication::focusWidget());
        reached.insert(QApplication::focusWidget()->objectName());
    }
    for (const char* name : {"frameInHand", "stepLine", "keyList", "familyPlot", "hueTurn", "stepStrength", "showSweep",
                             "viewMenuButton", "lookNew"})
        EXPECT_TRUE(reached.count(name)) << name;
    // And a key colour is marked without a mouse.
    m_app->key(Qt::Key_M, Qt::ControlModifier);
    ASSERT_TRUE(m_app->picture().isMarking());
    QTest::keyClick(&m_app->picture(), Qt::Key_Left);
    OpenWindow::whenOpen([](QWidget* dialog) {
        QTest::keyClicks(dialog->findChild<QLineEdit*>(), "linen");
        QTest::keyClick(dialog, Qt::Key_Return);
    });
    QTest::keyClick(&m_app->picture(), Qt::Key_Return);
    QTest::keyClick(&m_app->picture(), Qt::Key_Escape);
    EXPECT_FALSE(m_app->picture().isMarking());
    ASSERT_EQ(m_app->document().job().keys.size(), 1u);
    EXPECT_NEAR((m_app->document().job().keys[0].place.left + m_app->document().job().keys[0].place.right) / 2, 0.48,
                1e-6);
}

TEST_F(LookPlaceWindow, EveryThemeIsNeutralAndReadable)
{
    const auto contrast = [](const QColor& a, const QColor& b) {
        const auto light = [](const QColor& c) {
            return 0.2126 * decodeComponent(RgbSpace::Srgb, c.redF()) +
                   0.7152 * decodeComponent(RgbSpace::Srgb, c.greenF()) +
                   0.0722 * decodeComponent(RgbSpace::Srgb, c.blueF());
        };
        const double x = light(a) + 0.05, y = light(b) + 0.05;
        return x > y ? x / y : y / x;
    };
    for (const auto theme : {theme::Theme::PrintRoom, theme::Theme::Dim, theme::Theme::HighContrast}) {
        theme::choose(theme);
        for (const QColor& c : {theme::kDesk, theme::kPaper, theme::kRaised, theme::kPressed, theme::kWall, theme::kInk,
                                theme::kQuietInk, theme::kHairline, theme::kGhost, theme::kShape, theme::kFaintShape})
            EXPECT_TRUE(c.red() == c.green() && c.green() == c.blue());
        for (const QColor& surface : {theme::kDesk, theme::kPaper, theme::kRaised})
            EXPECT_GE(contrast(theme::kInk, surface), 4.5);
        EXPECT_GE(contrast(theme::kQuietInk, theme::kPaper), 4.5);
        EXPECT_GE(contrast(theme::kAmber, theme::kPaper), 2.8);
        for (const QColor& ink : theme::kChannelInk)
            EXPECT_GE(contrast(ink, theme::kPaper), 4.5);
        EXPECT_LE(m_app->window().width(), 1280);
    }
    // Nothing needs more than the smallest window has.
    for (const char* name : {"lookHeader", "wall", "compareView", "sweepView", "trayView", "libraryView", "stepLine"})
        EXPECT_LE(m_app->find(name).minimumSizeHint().width(), 1200 - 86 - 216) << name;
    for (const char* name : {"bench", "intentPanel", "findingsPanel"})
        EXPECT_LE(m_app->find(name).minimumSizeHint().width(), 1200 - 86) << name;
    for (int lightness : {10, 20, 35, 50, 65, 80, 96}) {
        theme::setSurround(lightness);
        EXPECT_GE(contrast(theme::kWallInk, theme::kWall), 4.2) << lightness;
    }
}

/// Every shortcut that opens no dialog, every view and every panel.
void tryEverything(OpenWindow& app)
{
    for (QAction* action : app.window().actions()) {
        static const QStringList kDialogs{"shortcut-help", "shortcut-open", "shortcut-pin",
                                          "shortcut-add",  "shortcut-quit", "shortcut-settings"};
        if (!kDialogs.contains(action->objectName()))
            action->trigger();
        QCoreApplication::processEvents();
    }
    LookPlace& place = app.window().look();
    for (const auto view : {LookPlace::View::Compare, LookPlace::View::Sweep, LookPlace::View::Tray,
                            LookPlace::View::Library, LookPlace::View::Wall}) {
        place.showView(view);
        for (TileSheet* sheet : place.findChildren<TileSheet*>())
            if (sheet->isVisible())
                QTest::keyClick(sheet, Qt::Key_Return);
        QCoreApplication::processEvents();
    }
    for (const auto panel : {LookPlace::Panel::Intent, LookPlace::Panel::Findings, LookPlace::Panel::Bench}) {
        place.showPanel(panel);
        QCoreApplication::processEvents();
    }
    place.showSpot(0, 0);
    place.holdExtreme(1), place.holdExtreme(0);
    app.key(Qt::Key_F5);
    if (place.isQuiet())
        app.key(Qt::Key_Escape);
}

TEST(EmptyWindow, TakesEveryKeyAndViewWithoutAJobAndWithNothingReadable)
{
    {
        OpenWindow nothing;
        tryEverything(nothing);
        EXPECT_FALSE(nothing.document().isOpen());
    }
    const TemporaryFolder folder;
    folder.write("torn.jpg", "\xFF\xD8\xFF\xE0 and then nothing");
    OpenWindow torn(folder.path());
    ASSERT_TRUE(waitUntil([&] { return torn.find<QLabel>("shootState").text().contains("cannot be read"); }));
    tryEverything(torn);
    torn.document().looks().addStep(SplitToning{});
    tryEverything(torn);
    EXPECT_EQ(torn.look().steps.size(), 1u);
}

}  // namespace
}  // namespace amber::test
