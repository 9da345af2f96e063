// Menus, small questions and rows of numbers, as a person goes through them; and the window closed while it works.
#include "app/instruments/instruments.h"
#include "app/instruments/key_list.h"
#include "app/library/library_view.h"
#include "app/places/balance/balance_place.h"
#include "app/places/match/match_place.h"
#include "app/variants/sweep_view.h"
#include "app/variants/tile_sheet.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

class MenuWindow : public ::testing::Test {
protected:
    void SetUp() override
    {
        writeShoot(folder.path(), 4);
        open();
    }
    void open()
    {
        app.reset();
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
        ASSERT_TRUE(waitUntil([&] { return !app->document().job().lights.empty(); }));
    }
    void click(const char* name) { QTest::mouseClick(&app->find(name), Qt::LeftButton); }
    /// To the menu that opens next: chooses what begins with these words. A menu within a menu is gone into.
    static void choose(const QString& words, const std::function<void(QWidget*)>& then = {})
    {
        OpenWindow::whenOpen([words, then](QWidget* open) {
            auto* menu = qobject_cast<QMenu*>(open);
            ASSERT_TRUE(menu);
            for (QAction* action : menu->actions()) {
                if (!action->text().startsWith(words))
                    continue;
                if (then)
                    OpenWindow::whenOpen(then);
                QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
                return;
            }
            ADD_FAILURE() << "no " << words.toStdString() << " in the menu";
            menu->close();
        });
    }
    static std::function<void(QWidget*)> answer(const QString& words)
    {
        return [words](QWidget* dialog) {
            auto* line = dialog->findChild<QLineEdit*>();
            ASSERT_TRUE(line);
            line->selectAll();
            QTest::keyClicks(line, words);
            QTest::keyClick(dialog, Qt::Key_Return);
        };
    }
    static std::function<void(QWidget*)> leave()
    {
        return [](QWidget* dialog) { QTest::keyClick(dialog, Qt::Key_Escape); };
    }
    FrameId frame(std::size_t i) { return app->document().frames()[i].id; }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

/// Chooses this in the menu within the menu, once it is open.
std::function<void(QWidget*)> chooseWithin(const QString& words)
{
    return [words](QWidget* open) {
        auto* menu = qobject_cast<QMenu*>(open);
        ASSERT_TRUE(menu);
        for (QAction* action : menu->actions())
            if (action->text() == words) {
                QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
                return;
            }
        OpenWindow::whenOpen(chooseWithin(words));
    };
}

TEST_F(MenuWindow, AKeyColourIsRenamedGivenATargetAndATolerance)
{
    KeyColour key;
    key.name = "clay", key.frame = app->document().selection().frameInHand();
    key.place = {0.4, 0.6, 0.5, 0.7}, key.marked = {0.3, 0.2, 0.1};
    app->document().setKeyColours({key}, "Key");
    ASSERT_TRUE(app->goToLook());
    KeyList& keys = app->window().look().instruments().keys();
    const auto first = [&] { return app->document().job().keys.front(); };
    const auto act = [&](const QString& words, const std::function<void(QWidget*)>& then = {}) {
        ASSERT_TRUE(app->atRest());
        keys.setFocus();
        QTest::keyClick(&keys, Qt::Key_Up);
        choose(words, then);
        QTest::keyClick(&keys, Qt::Key_Return);
    };
    act("Rename", answer("fired clay"));
    EXPECT_EQ(first().name, "fired clay");
    act("Rename", leave());
    EXPECT_EQ(first().name, "fired clay");
    act("Target: as it is now");
    EXPECT_TRUE(first().target);
    act("Target: as it came in");
    EXPECT_FALSE(first().target);
    act("Tolerance", chooseWithin("5"));
    EXPECT_EQ(first().tolerance, 5);
    act("Take off the list");
    EXPECT_TRUE(app->document().job().keys.empty());
    app->document().undo();
    ASSERT_EQ(app->document().job().keys.size(), 1u);
    EXPECT_EQ(first().tolerance, 5);
}

TEST_F(MenuWindow, AnAutomaticKeyColourIsKeptUnderAName)
{
    ASSERT_TRUE(app->goToLook());
    ASSERT_TRUE(app->atRest());
    KeyList& keys = app->window().look().instruments().keys();
    keys.setFocus();
    QTest::keyClick(&keys, Qt::Key_Down);
    choose("Keep it under a name", answer("the neutral"));
    QTest::keyClick(&keys, Qt::Key_Return);
    ASSERT_EQ(app->document().job().keys.size(), 1u);
    EXPECT_EQ(app->document().job().keys[0].name, "the neutral");
    EXPECT_EQ(app->document().job().keys[0].kind, KeyColour::Kind::Marked);
}

TEST_F(MenuWindow, ALightIsNamedGivenAnotherLeadJoinedAndProposedAnew)
{
    QListView& sheet = app->window().shoot().sheet();
    const auto take = [&](int row) {
        QTest::mouseClick(sheet.viewport(), Qt::LeftButton, {},
                          sheet.visualRect(sheet.model()->index(row, 0)).center());
    };
    const auto lights = [&]() -> const std::vector<Light>& { return app->document().job().lights; };
    take(2);
    choose("Name", answer("Yard"));
    click("groupMenuButton");
    EXPECT_EQ(lights()[0].name, "Yard");
    choose("The chosen frame stands for it");
    click("groupMenuButton");
    EXPECT_EQ(lights()[0].lead, frame(2));
    choose("To a group of their own", answer("Lamp"));
    click("groupMenuButton");
    ASSERT_EQ(lights().size(), 2u);
    EXPECT_EQ(lights()[1].frames, std::vector<FrameId>{frame(2)});
    choose("Join with Yard");
    click("groupMenuButton");
    ASSERT_EQ(lights().size(), 1u);
    EXPECT_EQ(lights()[0].frames.size(), 4u);
    // Every gesture is taken back by itself.
    app->document().undo();
    EXPECT_EQ(lights().size(), 2u);
    app->document().undo(), app->document().undo();
    EXPECT_EQ(lights()[0].name, "Yard");
    EXPECT_NE(lights()[0].lead, frame(2));
}

TEST_F(MenuWindow, TheTimePlanIsSetInTheRouteAndKept)
{
    choose("Time plan");
    click("shootMenuButton");
    ASSERT_TRUE(app->find("planPanel").isVisible()) << "in the log, beside the route";
    const auto set = [&](const char* name, double value) {
        auto& box = app->find<QDoubleSpinBox>(name);
        box.setFocus();
        box.selectAll();
        QTest::keyClicks(&box, QLocale().toString(value, 'f', 1));
        QTest::keyClick(&box, Qt::Key_Tab);
    };
    set("planBalance", 1.5), set("planLook", 4), set("planDay", 6);
    EXPECT_FALSE(app->find<QLabel>("planLeft").text().isEmpty());
    const auto plan = [&] { return app->window().keeper().plan(); };
    EXPECT_EQ(plan().minutesPerFrame[0], 1.5);
    EXPECT_EQ(plan().minutesPerFrame[1], 4);
    EXPECT_EQ(plan().hoursPerDay, 6);
    open();
    EXPECT_EQ(plan().minutesPerFrame[1], 4);
    EXPECT_EQ(plan().hoursPerDay, 6);
}

TEST_F(MenuWindow, EveryViewOfTheLookPlaceOpensAndGoesBackToTheWall)
{
    ASSERT_TRUE(app->goToLook());
    ASSERT_TRUE(app->addStep("Contrast"));
    LookPlace& look = app->window().look();
    for (const auto& [name, view] :
         {std::pair("showSweep", LookPlace::View::Sweep), std::pair("showTray", LookPlace::View::Tray),
          std::pair("showLibrary", LookPlace::View::Library)}) {
        click(name);
        EXPECT_EQ(look.view(), view) << name;
        EXPECT_TRUE(app->find<QToolButton>(name).isChecked());
        click(name);
        EXPECT_EQ(look.view(), LookPlace::View::Wall) << name;
        EXPECT_FALSE(app->find<QToolButton>(name).isChecked());
    }
    for (const auto& [name, panel] :
         {std::pair("showIntent", "intentPanel"), std::pair("showFindings", "findingsPanel")}) {
        click(name);
        EXPECT_TRUE(app->find(panel).isVisible());
        click(name);
        EXPECT_TRUE(app->find("bench").isVisible());
    }
    click("split");
    EXPECT_TRUE(app->picture().isSplit());
    click("split");
    EXPECT_FALSE(app->picture().isSplit());
    // A look can always be compared with its befores, and with a pinned version.
    EXPECT_TRUE(app->find("compareVersions").isEnabled());
    OpenWindow::whenOpen(answer("first light"));
    click("pinVersion");
    ASSERT_EQ(app->document().looks().pins().size(), 1u);
    click("compareVersions");
    EXPECT_EQ(look.view(), LookPlace::View::Compare);
    click("compareClose");
    EXPECT_EQ(look.view(), LookPlace::View::Wall);
}

TEST_F(MenuWindow, TheWallTakesTheLightnessThatWasChosenAndTheJobKeepsIt)
{
    ASSERT_TRUE(app->goToLook());
    choose("65");
    click("viewMenuButton");
    EXPECT_EQ(app->document().desk().surround, 65);
    choose("Quiet view");
    click("viewMenuButton");
    EXPECT_TRUE(app->window().look().isQuiet());
    EXPECT_FALSE(app->find("bench").isVisible());
    app->key(Qt::Key_Escape);
    EXPECT_FALSE(app->window().look().isQuiet());
    open();
    EXPECT_EQ(app->document().desk().surround, 65);
}

TEST_F(MenuWindow, EveryNumberOfABalanceIsSetLockedAndTakenOff)
{
    app->key(Qt::Key_2, Qt::ControlModifier);
    const FrameId held = app->document().selection().frameInHand();
    const auto balance = [&] { return app->document().balances().of(held); };
    const auto number = [](double v, int decimals) { return QLocale().toString(v, 'f', decimals); };
    app->type(app->find("balanceStops"), number(0.5, 2));
    app->type(app->find("balanceKelvin"), number(5200, 0).remove(QLocale().groupSeparator()));
    app->type(app->find("balanceTint"), number(2.5, 1));
    app->type(app->find("balanceBlack"), number(0.01, 3));
    app->type(app->find("balanceWhite"), number(0.9, 2));
    app->type(app->find("balanceLeanUp"), number(0.05, 2));
    app->type(app->find("balanceLeanAside"), number(-0.04, 2));
    ASSERT_TRUE(waitUntil([&] { return balance().geometry.leanAside == -0.04; }));
    EXPECT_EQ(balance().light, (Balance{0.5, 5200, 2.5}));
    EXPECT_EQ(balance().ends.black, 0.01);
    EXPECT_EQ(balance().ends.white, 0.9);
    EXPECT_EQ(balance().geometry.leanUp, 0.05);
    EXPECT_LT(balance().geometry.crop.right - balance().geometry.crop.left, 1) << "nothing from outside is shown";
    for (const char* name : {"lockExposure", "lockWhite", "lockEnds"}) {
        EXPECT_TRUE(app->find<QCheckBox>(name).isChecked()) << "set by hand is locked: " << name;
        click(name);
        EXPECT_FALSE(app->find<QCheckBox>(name).isChecked()) << name;
    }
    EXPECT_FALSE(balance().whiteLocked);
    click("balanceReset");
    EXPECT_TRUE(balance().light.isIdentity());
    EXPECT_TRUE(balance().geometry.isIdentity());
    click("balanceUndo");
    EXPECT_EQ(balance().light, (Balance{0.5, 5200, 2.5}));
}

TEST_F(MenuWindow, WhatIsChosenForHandingOverIsThereAgain)
{
    app->key(Qt::Key_7, Qt::ControlModifier);
    app->find<QComboBox>("exportFormat").setCurrentIndex(4);
    EXPECT_FALSE(app->find("exportQuality").isEnabled()) << "a TIFF has no quality";
    app->find<QComboBox>("exportSpace").setCurrentIndex(1);
    app->find<QSpinBox>("exportEdge").setValue(120);
    app->find<QLineEdit>("exportFolder").setText(QString::fromStdString((folder / "out").string()));
    ASSERT_TRUE(app->handOver());
    const RawPicture written = readRaw(folder / "out/frame-0.tif");
    EXPECT_EQ(written.width, 120);
    EXPECT_EQ(written.bits, 16);
    open();
    EXPECT_EQ(app->find<QComboBox>("exportFormat").currentIndex(), 4);
    EXPECT_EQ(app->find<QSpinBox>("exportEdge").value(), 120);
    EXPECT_TRUE(app->find<QLineEdit>("exportFolder").text().endsWith("out"));
}

TEST_F(MenuWindow, AFrameHeldInMatchIsTakenIntoAnothersBalance)
{
    app->key(Qt::Key_5, Qt::ControlModifier);
    MatchPlace& match = app->window().match();
    ASSERT_TRUE(waitUntil([&] { return match.isAtRest(); }));
    click("matchFrame");
    ASSERT_TRUE(waitUntil([&] { return match.held().kind == Held::Kind::Frame && !match.task().isRunning(); }));
    EXPECT_EQ(match.held().frame, frame(0));
    app->document().selection().setFrameInHand(frame(1));
    ASSERT_TRUE(waitUntil([&] { return match.isAtRest(); }));
    EXPECT_GT(match.model().rowCount(), 0);
    EXPECT_TRUE(app->find("matchState").isVisible());
}

// Whatever the window is doing when it is closed: it goes, and the job is whole.
TEST_F(MenuWindow, ClosedWhileItWorksItGoesAndTheJobIsWhole)
{
    const auto begin = std::vector<std::function<void()>>{
        [&] { app->key(Qt::Key_4, Qt::ControlModifier); },
        [&] {
            app->key(Qt::Key_4, Qt::ControlModifier);
            app->document().selection().setFrameInHand(frame(3));
            click("showSweep");
        },
        [&] {
            app->key(Qt::Key_5, Qt::ControlModifier);
            click("matchFrame");
        },
        [&] {
            app->key(Qt::Key_2, Qt::ControlModifier);
            click("balanceSolve");
        },
        [&] {
            app->key(Qt::Key_6, Qt::ControlModifier);
            click("consistencyMeasure");
        },
    };
    for (std::size_t i = 0; i < begin.size(); ++i) {
        app->document().setRating({frame(0)}, static_cast<int>(i % 5) + 1);
        begin[i]();
        QCoreApplication::processEvents();
        app->window().close();
        app.reset();
        open();
        ASSERT_EQ(app->document().frames().size(), 4u);
        EXPECT_EQ(app->document().job().frame(frame(0)).rating, static_cast<int>(i % 5) + 1);
    }
}

TEST_F(MenuWindow, EveryNumberOfADyeIsItsOwn)
{
    ASSERT_TRUE(app->goToLook());
    ASSERT_TRUE(app->addStep("Split toning"));
    const auto dye = [&] { return std::get<SplitToning>(app->look().steps[0].parameters).dyes[0]; };
    const auto set = [&](const char* name, double value, int decimals) {
        app->type(app->find(name), QLocale().toString(value, 'f', decimals));
    };
    const Dye before = dye();
    set("dyePosition", 0.4, 3);
    set("dyeHue", 210, 0);
    set("dyeChroma", 0.05, 3);
    set("dyeReach", 0.6, 2);
    set("dyeBalance", 0.1, 2);
    EXPECT_NE(dye(), before);
    EXPECT_NEAR(dye().position, 0.4, 1e-9);
    EXPECT_NEAR(dye().hueDegrees, 210, 1e-9);
    EXPECT_NEAR(dye().chroma, 0.05, 1e-9);
    EXPECT_NEAR(dye().reach, 0.6, 1e-9);
    EXPECT_NEAR(std::get<SplitToning>(app->look().steps[0].parameters).balance, 0.1, 1e-9);
}

TEST_F(MenuWindow, EveryNumberOfAHueFamilyIsItsOwn)
{
    ASSERT_TRUE(app->goToLook());
    ASSERT_TRUE(app->addStep("Hue shifts"));
    const auto family = [&] { return std::get<HueShifts>(app->look().steps[0].parameters).families[0]; };
    const auto set = [&](const char* name, double value, int decimals) {
        app->type(app->find(name), QLocale().toString(value, 'f', decimals));
    };
    set("hueTurn", 12, 0);
    set("hueChroma", 1.2, 2);
    set("hueLightness", 0.05, 3);
    set("hueWidth", 50, 0);
    EXPECT_NEAR(family().move.turnDegrees, 12, 1e-9);
    EXPECT_NEAR(family().move.chroma, 1.2, 1e-9);
    EXPECT_NEAR(family().move.lightness, 0.05, 1e-9);
    EXPECT_NEAR(family().widthDegrees, 50, 1e-9);
    auto& name = app->find<QComboBox>("hueFamily");
    app->type(*name.lineEdit(), "Brick");
    EXPECT_EQ(family().name, "Brick");
    app->document().undo();
    EXPECT_NE(family().name, "Brick");
}

TEST_F(MenuWindow, AGuardIsSetTurnedRoundAndOpened)
{
    ASSERT_TRUE(app->goToLook());
    ASSERT_TRUE(app->addStep("Contrast"));
    click("stepGuard");
    const auto guard = [&] { return app->look().steps[0].guard; };
    app->type(app->find("guardToneLow"), QLocale().toString(0.2, 'f', 2));
    app->type(app->find("guardToneHigh"), QLocale().toString(0.7, 'f', 2));
    EXPECT_NEAR(guard().toneLow, 0.2, 1e-9);
    EXPECT_NEAR(guard().toneHigh, 0.7, 1e-9);
    click("guardInverted");
    EXPECT_TRUE(guard().inverted);
    EXPECT_TRUE(app->find<QToolButton>("stepGuard").text().contains("on"));
    click("guardOpen");
    EXPECT_TRUE(guard().isOpen());
    click("stepEnabled");
    EXPECT_FALSE(app->look().steps[0].enabled);
    app->document().undo();
    EXPECT_TRUE(app->look().steps[0].enabled);
    click("stepRemove");
    EXPECT_TRUE(app->look().steps.empty());
}

TEST_F(MenuWindow, TheFrameInHandShowsWhatTheLookIsForOrNoLonger)
{
    ASSERT_TRUE(app->goToLook());
    click("showIntent");
    const auto references = [&] { return app->look().card.references; };
    click("intentReference");
    ASSERT_EQ(references().size(), 1u);
    click("intentReference");
    EXPECT_TRUE(references().empty());
    app->type(app->find("intentPlan"), "60, 240");
    EXPECT_EQ(app->look().card.plan.size(), 2u);
    app->document().undo();
    EXPECT_TRUE(app->look().card.plan.empty());
}

TEST_F(MenuWindow, ASweepIsBookmarkedTakenAndLeft)
{
    ASSERT_TRUE(app->goToLook());
    ASSERT_TRUE(app->addStep("Contrast"));
    click("showSweep");
    SweepView& sweep = app->window().look().sweep();
    ASSERT_TRUE(waitUntil([&] { return sweep.sheet().count() == 12; }));
    app->find<QComboBox>("sweepCount").setCurrentIndex(1);
    emit app->find<QComboBox>("sweepCount").activated(1);
    ASSERT_TRUE(waitUntil([&] { return sweep.sheet().count() == 18; }));
    sweep.sheet().setCurrentRow(15);
    const std::size_t pins = app->document().looks().pins().size();
    click("sweepBookmark");
    EXPECT_EQ(app->document().looks().pins().size(), pins + 1);
    const Look before = app->look();
    click("sweepTake");
    EXPECT_NE(app->look(), before);
    app->document().undo();
    EXPECT_EQ(app->look(), before);
    click("sweepClose");
    EXPECT_EQ(app->window().look().view(), LookPlace::View::Wall);
}

TEST_F(MenuWindow, TheLibraryDuplicatesFindsAndOpensALook)
{
    ASSERT_TRUE(app->goToLook());
    const std::size_t looks = app->document().looks().entries().size();
    click("showLibrary");
    LibraryView& library = app->window().look().library();
    ASSERT_TRUE(waitUntil([&] { return library.sheet().count() == static_cast<int>(looks); }));
    library.sheet().setCurrentRow(0);
    click("libraryDuplicate");
    EXPECT_EQ(app->document().looks().entries().size(), looks + 1);
    ASSERT_TRUE(waitUntil([&] { return library.sheet().count() == static_cast<int>(looks) + 1; }));
    app->type(app->find("librarySearch"), "nothing has this name");
    ASSERT_TRUE(waitUntil([&] { return library.sheet().count() == 0; }));
    app->find<QLineEdit>("librarySearch").clear();
    ASSERT_TRUE(waitUntil([&] { return library.sheet().count() == static_cast<int>(looks) + 1; }));
    library.sheet().setCurrentRow(static_cast<int>(looks));
    click("libraryOpen");
    EXPECT_EQ(app->window().look().view(), LookPlace::View::Wall);
}

TEST_F(MenuWindow, TheSplitLineHoldsAnyTwoStatesAndBeforesAreComparedByName)
{
    const FrameId held = frame(0);
    FrameBalance lit;
    lit.light.exposureStops = 1, lit.geometry.straightenDegrees = 2;
    app->document().balances().set({{held, lit}}, "lit");
    ASSERT_TRUE(app->goToLook() && app->atRest());
    choose("Left:", chooseWithin("as it came"));
    click("viewMenuButton");
    EXPECT_EQ(app->wall().splitStates(), std::pair(Wall::State::AsItCame, Wall::State::Result));
    EXPECT_TRUE(app->picture().isSplit());
    EXPECT_TRUE(app->find<QToolButton>("split").isChecked());
    ASSERT_TRUE(app->settled());

    click("compareVersions");
    auto& left = app->find<QComboBox>("compareLeft");
    EXPECT_EQ(left.currentText(), "Before: balanced") << "nothing is pinned";
    const auto& words = app->find<QLabel>("compareDifference");
    ASSERT_TRUE(waitUntil([&] { return words.text().contains("mean"); }));
    const QString none = words.text();
    left.setCurrentIndex(left.findText("Before: as it came"));
    emit left.activated(left.currentIndex());
    ASSERT_TRUE(waitUntil([&] { return words.text() != none; })) << "a stop apart";
    click("compareClose");

    app->key(Qt::Key_5, Qt::ControlModifier);
    MatchPlace& match = app->window().match();
    ASSERT_TRUE(waitUntil([&] { return match.isAtRest(); }));
    auto& ours = app->find<PictureView>("matchOurs");
    for (const auto& [key, modifier, caption] :
         {std::tuple(Qt::Key_F2, Qt::NoModifier, "as it came"), std::tuple(Qt::Key_F2, Qt::ShiftModifier, "balanced"),
          std::tuple(Qt::Key_F3, Qt::NoModifier, "before this step")}) {
        QTest::keyPress(&app->window(), key, modifier);
        EXPECT_TRUE(ours.caption().endsWith(caption)) << ours.caption().toStdString();
        QTest::keyRelease(&app->window(), key, modifier);
        EXPECT_FALSE(ours.caption().endsWith(caption));
    }
}

TEST_F(MenuWindow, FramesThatShowTheColourCardGoOnlyWhenThatIsTicked)
{
    namespace fs = std::filesystem;
    const fs::path demo = fs::path(AMBER_SOURCE_DIR) / "demo";
    fs::create_directory(folder / "card");
    fs::copy_file(demo / "card/ombrel-card.txt", folder / "card/ombrel-card.txt");
    fs::copy_file(demo / "frames/yard-01.jpg", folder / "with-card.jpg");
    open();
    app->key(Qt::Key_7, Qt::ControlModifier);
    app->find<QSpinBox>("exportEdge").setValue(90);
    app->find<QLineEdit>("exportFolder").setText(QString::fromStdString((folder / "out").string()));
    const auto& state = app->find<QLabel>("exportState");
    click("exportStart");
    ASSERT_TRUE(waitUntil([&] { return state.text().contains("1 left out, they show the colour card"); }));
    EXPECT_TRUE(fs::exists(folder / "out/frame-0.jpg"));
    EXPECT_FALSE(fs::exists(folder / "out/with-card.jpg"));
    auto& ticked = app->find<QCheckBox>("exportWithCard");
    QTest::mouseClick(&ticked, Qt::LeftButton, {}, {8, ticked.height() / 2});
    click("exportStart");
    ASSERT_TRUE(waitUntil([&] { return state.text().startsWith("Done") && !state.text().contains("left out"); }));
    EXPECT_TRUE(fs::exists(folder / "out/with-card.jpg"));
    // Known from now on, also after a restart; nothing of the card counts in measures.
    open();
    const auto shown = [&] {
        for (const Frame& f : app->document().frames())
            if (f.card)
                return f.id;
        return FrameId{};
    };
    ASSERT_NE(shown(), 0);
    EXPECT_EQ(app->document().countedFraming(shown()).leftOut.size(), 1u);
    EXPECT_FALSE(app->find<QCheckBox>("exportWithCard").isChecked()) << "asked anew each time";
}

}  // namespace
}  // namespace amber::test
