// Parts of looks by hand: steps chosen, named, copied, pasted and dropped; the library across jobs.
#include "app/instruments/instruments.h"
#include "app/instruments/key_list.h"
#include "app/library/library_view.h"
#include "window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

class Parts : public ::testing::Test {
protected:
    void SetUp() override
    {
        ::setenv("XDG_DATA_HOME", (m_data.path()).c_str(), 1);
        m_app = opened(m_folder.path());
    }
    void TearDown() override { ::unsetenv("XDG_DATA_HOME"); }
    static std::unique_ptr<OpenWindow> opened(const fs::path& folder)
    {
        writeShoot(folder, 2);
        auto app = std::make_unique<OpenWindow>(folder);
        EXPECT_TRUE(app->thumbnailsRead());
        EXPECT_TRUE(app->goToLook());
        return app;
    }
    StepLine& line() { return m_app->window().look().stepLine(); }
    LooksInHand& looks() { return m_app->document().looks(); }
    std::vector<std::string> kinds()
    {
        std::vector<std::string> all;
        for (const Step& step : m_app->look().steps)
            all.push_back(typeOf(step));
        return all;
    }
    void click(int step, Qt::KeyboardModifiers modifiers = {})
    {
        QTest::mouseClick(&line(), Qt::LeftButton, modifiers, line().tileRect(step).center() + QPoint(0, -30));
    }
    void lineKey(Qt::Key key, Qt::KeyboardModifiers modifiers)
    {
        line().setFocus();
        QTest::keyClick(&line(), key, modifiers);
    }
    static void answer(const QString& words)
    {
        OpenWindow::whenOpen([words](QWidget* dialog) {
            auto* field = dialog->findChild<QLineEdit*>();
            field->selectAll();
            QTest::keyClicks(field, words);
            QTest::keyClick(dialog, Qt::Key_Return);
        });
    }
    LibraryView& library() { return m_app->find<LibraryView>("libraryView"); }
    void openLibrary()
    {
        if (!library().isVisible())
            m_app->key(Qt::Key_F9);
        auto& source = m_app->find<QComboBox>("librarySource");
        source.setCurrentIndex(1);
        emit source.activated(1);
        ASSERT_TRUE(waitUntil([&] { return library().shared().isRead(); }));
        ASSERT_TRUE(m_app->atRest());
    }

    TemporaryFolder m_data, m_folder, m_other;
    std::unique_ptr<OpenWindow> m_app;
};

TEST_F(Parts, StepsAreChosenNamedCopiedPastedAndTakenBack)
{
    for (const char* kind : {"Contrast", "Chroma", "Grain"})
        ASSERT_TRUE(m_app->addStep(kind));
    click(0);
    click(1, Qt::ShiftModifier);
    EXPECT_EQ(line().range(), std::pair(0, 1));
    answer("Body");
    lineKey(Qt::Key_G, Qt::ControlModifier);
    EXPECT_EQ(m_app->look().steps[0].group, "Body");
    EXPECT_EQ(m_app->look().steps[1].group, "Body");
    EXPECT_EQ(m_app->document().undoAction(), "Steps grouped as Body");
    click(0);
    click(1, Qt::ShiftModifier);
    lineKey(Qt::Key_C, Qt::ControlModifier);
    click(2);
    lineKey(Qt::Key_V, Qt::ControlModifier);
    EXPECT_EQ(kinds(), (std::vector<std::string>{"contrast", "chroma", "grain", "contrast", "chroma"}));
    EXPECT_EQ(m_app->document().undoAction(), "Body put into New look");
    // Into another look, by the clipboard.
    QTest::mouseClick(&m_app->find("lookNew"), Qt::LeftButton);
    lineKey(Qt::Key_V, Qt::ControlModifier);
    EXPECT_EQ(kinds(), (std::vector<std::string>{"contrast", "chroma"}));
    m_app->document().undo();
    EXPECT_TRUE(kinds().empty());
    m_app->document().undo();
    m_app->document().undo();
    EXPECT_EQ(kinds().size(), 3u);
    m_app->document().undo();
    EXPECT_TRUE(m_app->look().steps[0].group.empty());
    // What is no part is refused, and nothing changes.
    QApplication::clipboard()->setText("a shopping list");
    lineKey(Qt::Key_V, Qt::ControlModifier);
    EXPECT_EQ(kinds().size(), 3u);
    EXPECT_TRUE(m_app->message().contains("no steps"));
}

TEST_F(Parts, StepsDroppedOnALookAreItsAndWhatDoesNotFitIsNamed)
{
    ASSERT_TRUE(m_app->addStep("Contrast"));
    Look look = m_app->look();
    look.roles = {{"sky", Role::Kind::Sky, {}, 1, {}}};
    look.steps[0].guard.where.role = "sky";
    look.steps[0] = withHeld(look.steps[0], holderOfSet("away"), step_part::kStrength, 0.5);
    looks().takeLook(look, "Bound");
    const LookId from = looks().lookId();
    QTest::mouseClick(&m_app->find("lookNew"), Qt::LeftButton);
    looks().rename("Other");
    const LookId other = looks().lookId();
    looks().choose(from);
    m_app->key(Qt::Key_F9);
    ASSERT_TRUE(waitUntil([&] { return library().sheet().isDone(); }));
    auto* data = new QMimeData;
    data->setData(StepLine::kPartType, looks().copySteps(0, 0).toUtf8());
    QWidget* viewport = library().sheet().viewport();
    const QPointF at = library().sheet().visualItemRect(library().sheet().item(1)).center();
    QDragEnterEvent enter(at.toPoint(), Qt::CopyAction, data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(viewport, &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent drop(at, Qt::CopyAction, data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(viewport, &drop);
    delete data;
    const auto changed = looks().lookOfEntry(other);
    ASSERT_EQ(changed->steps.size(), 1u);
    EXPECT_EQ(changed->roles.size(), 1u);
    EXPECT_EQ(looks().lookId(), from) << "the look in hand stays";
    EXPECT_TRUE(m_app->message().contains("role sky")) << m_app->message().toStdString();
    EXPECT_TRUE(m_app->message().contains("set away"));
    m_app->document().undo();
    EXPECT_TRUE(looks().lookOfEntry(other)->steps.empty());
}

TEST_F(Parts, ALookIsKeptUsedInAnotherJobChangedAndBothVersionsAreThere)
{
    ASSERT_TRUE(m_app->addStep("Contrast"));
    looks().rename("House look");
    m_app->key(Qt::Key_F9);
    ASSERT_TRUE(waitUntil([&] { return library().sheet().isDone(); }));
    QTest::mouseClick(&m_app->find("libraryKeep"), Qt::LeftButton);
    ASSERT_TRUE(waitUntil([&] { return library().shared().contents().parts.size() == 1; }));
    const Look first = m_app->look();
    // A step of it by the step line, too.
    emit line().keepWanted(0, 0);
    ASSERT_TRUE(waitUntil([&] { return library().shared().contents().parts.size() == 2; }));

    m_app = opened(m_other.path());
    openLibrary();
    ASSERT_EQ(library().sheet().count(), 2);
    m_app->find<QLineEdit>("librarySearch").setText("house");
    ASSERT_EQ(library().sheet().count(), 1);
    library().sheet().setCurrentRow(0);
    QTest::mouseClick(&m_app->find("libraryUse"), Qt::LeftButton);
    EXPECT_EQ(m_app->look(), first);
    EXPECT_EQ(m_app->document().undoAction(), "House look taken from the library");
    m_app->type(m_app->find("stepStrength"), QLocale().toString(0.4, 'f', 2));
    looks().commitPending();
    // Kept again: asked, and taken as the next version.
    m_app->key(Qt::Key_F9);
    auto& source = m_app->find<QComboBox>("librarySource");
    source.setCurrentIndex(0);
    emit source.activated(0);
    OpenWindow::whenOpen([](QWidget* dialog) {
        for (auto* button : dialog->findChildren<QPushButton*>())
            if (button->text() == "As its next version")
                button->click();
    });
    QTest::mouseClick(&m_app->find("libraryKeep"), Qt::LeftButton);
    const auto versions = [&] {
        for (const LibraryPart& part : library().shared().contents().parts)
            if (part.kind == PartKind::Look)
                return part.versions.size();
        return std::size_t{0};
    };
    ASSERT_TRUE(waitUntil([&] { return versions() == 2; }));
    openLibrary();
    auto& shown = m_app->find<QToolButton>("libraryVersions");
    EXPECT_EQ(shown.text(), "Version 2 of 2");
    EXPECT_TRUE(m_app->find<QLabel>("libraryWords").text().contains("used 1 time"));
    emit shown.menu()->aboutToShow();
    ASSERT_EQ(shown.menu()->actions().size(), 2);
    shown.menu()->actions()[1]->trigger();
    EXPECT_EQ(shown.text(), "Version 1 of 2");
    auto& kept = m_app->find<QLabel>("libraryKept");
    EXPECT_TRUE(waitUntil([&] { return kept.isVisible() && !kept.pixmap(Qt::ReturnByValue).isNull(); }));
    QTest::mouseClick(&m_app->find("libraryUse"), Qt::LeftButton);
    EXPECT_EQ(m_app->look(), first) << "the version that was looked at";
    // A damaged file is named.
    for (const auto& entry : fs::recursive_directory_iterator(m_data.path()))
        if (entry.path().filename() == "v0002.json")
            fs::resize_file(entry.path(), 10);
    library().shared().refresh();
    openLibrary();
    EXPECT_TRUE(
        waitUntil([&] { return m_app->find<QLabel>("libraryWords").text().contains("passed over: v0002.json"); }));
}

TEST_F(Parts, AHurtKeyColourIsBroughtBackSeenBeforeItIsTaken)
{
    KeyColour key;
    key.name = "patch", key.frame = m_app->document().selection().frameInHand();
    key.place = {0.2, 0.6, 0.24, 0.66}, key.tolerance = 2;
    m_app->document().setKeyColours({key}, "Key");
    Look look;
    look.name = m_app->look().name;
    SplitToning tint;
    tint.dyes = {{0.6, 300, 0.05, 0.8, {}}};
    look.steps.emplace_back().parameters = tint;
    looks().takeLook(look, "Tint");
    m_app->key(Qt::Key_F, Qt::ControlModifier);
    const auto repair = [&] { return m_app->window().findChild<QPushButton*>("repairKey"); };
    for (const char* answer : {"Leave it", "Take"}) {
        ASSERT_TRUE(waitUntil([&] { return repair() && repair()->isVisible(); }));
        bool isSeen = false;
        OpenWindow::whenOpen([&](QWidget* dialog) {
            isSeen = m_app->look().steps.size() == 2 && m_app->document().undoAction() == "Tint";
            for (auto* button : dialog->findChildren<QPushButton*>())
                if (button->text() == answer)
                    button->click();
        });
        repair()->click();
        ASSERT_TRUE(waitUntil([&] { return isSeen; })) << "it is on the wall before it is taken";
        if (std::string(answer) == "Leave it") {
            EXPECT_EQ(m_app->look(), look);
        }
    }
    ASSERT_TRUE(waitUntil([&] { return m_app->document().undoAction() == "patch brought back"; }));
    EXPECT_EQ(kinds(), (std::vector<std::string>{"split-toning", "hue-shifts"}));
    m_app->document().undo();
    EXPECT_EQ(m_app->look(), look);
}

TEST_F(Parts, ColoursAreTypedAndPickedAndColoursHeldBack)
{
    ASSERT_TRUE(m_app->addStep("Even towards"));
    const auto choose = [&](const char* button, const QString& words) {
        QMenu* menu = m_app->find<QToolButton>(button).menu();
        emit menu->aboutToShow();
        for (QAction* action : menu->actions())
            if (action->text() == words)
                return action->trigger();
        FAIL() << words.toStdString();
    };
    answer("lch 60 40 60");
    choose("even-towards.colour", "Typed…");
    const auto range = [&] { return std::get<EvenTowards>(m_app->look().steps[0].parameters).range; };
    const double typed = range().hue;
    EXPECT_NE(typed, NearColours{}.hue);
    choose("even-towards.colour", "From the picture: the next click");
    const QPoint at = m_app->placeInPicture(0.5, 0.8);
    QTest::mouseClick(&m_app->picture(), Qt::LeftButton, {}, at);
    EXPECT_NE(range().hue, typed);
    EXPECT_EQ(m_app->document().undoAction(), "Colour picked");
    // By the keyboard: the picture has the focus, Escape leaves it, Enter takes what the arrow keys point at.
    const double clicked = range().hue;
    choose("even-towards.colour", "From the picture: the next click");
    EXPECT_EQ(m_app->window().focusWidget(), &m_app->picture());
    QTest::keyClick(&m_app->picture(), Qt::Key_Escape);
    QTest::mouseClick(&m_app->picture(), Qt::LeftButton, {}, m_app->placeInPicture(0.1, 0.1));
    EXPECT_EQ(range().hue, clicked);
    choose("even-towards.colour", "From the picture: the next click");
    for (int i = 0; i < 20; ++i)
        QTest::keyClick(&m_app->picture(), Qt::Key_Up);
    QTest::keyClick(&m_app->picture(), Qt::Key_Return);
    EXPECT_NE(range().hue, clicked);
    answer("no colour at all");
    choose("even-towards.colour", "Typed…");
    EXPECT_TRUE(m_app->message().contains("no colour"));
    // Held back from a family, by half.
    QTest::mouseClick(&m_app->find("stepGuard"), Qt::LeftButton);
    choose("shelterAdd", "Clay");
    ASSERT_EQ(m_app->look().steps[0].guard.shelters.size(), 1u);
    choose("shelter0", "50 %");
    EXPECT_EQ(m_app->look().steps[0].guard.shelters[0].amount, 0.5);
    choose("shelter0", "No longer");
    EXPECT_TRUE(m_app->look().steps[0].guard.shelters.empty());
    // A tone of the picture as the range, by a drag on it.
    OpenWindow::drag(m_app->picture(), m_app->placeInPicture(0.5, 0.2), QPoint(0, 16));
    EXPECT_GT(m_app->look().steps[0].guard.toneLow, 0.2);
    EXPECT_LT(m_app->look().steps[0].guard.toneHigh, 0.9);
    EXPECT_FALSE(m_app->find<QLabel>("guardShare").text().isEmpty());
    // One of five ranges, each seen as a tile of the picture.
    OpenWindow::whenOpen([](QWidget* dialog) {
        auto* tiles = dialog->findChild<QListWidget*>("toneRanges");
        ASSERT_TRUE(tiles);
        EXPECT_EQ(tiles->count(), 5);
        EXPECT_FALSE(tiles->item(1)->icon().isNull());
        QTest::keyClick(tiles, Qt::Key_Right);
        QTest::keyClick(tiles, Qt::Key_Return);
    });
    QTest::mouseClick(&m_app->find("guardTones"), Qt::LeftButton);
    EXPECT_NEAR(m_app->look().steps[0].guard.toneLow, 0.23, 1e-9);
    EXPECT_NEAR(m_app->look().steps[0].guard.toneHigh, 0.41, 1e-9);
    EXPECT_EQ(m_app->document().undoAction(), "Guard on a range of tones");
}

TEST_F(Parts, ATargetIsPickedFromThePicture)
{
    KeyColour key;
    key.name = "patch", key.frame = m_app->document().selection().frameInHand();
    key.place = {0.2, 0.6, 0.24, 0.66};
    m_app->document().setKeyColours({key}, "Key");
    ASSERT_TRUE(m_app->addStep("Contrast"));
    KeyList& list = m_app->window().look().instruments().keys();
    ASSERT_TRUE(waitUntil([&] { return !list.accessibleDescription().isEmpty(); }));
    QTest::mouseClick(&list, Qt::LeftButton, {}, list.rowRect(0).center());
    OpenWindow::whenOpen([](QWidget* menu) {
        for (QAction* action : menu->actions())
            if (action->text().contains("the next click"))
                action->trigger();
        menu->close();
    });
    list.showMenu(0, list.mapToGlobal(QPoint()));
    EXPECT_FALSE(m_app->document().job().keys[0].target);
    QTest::mouseClick(&m_app->picture(), Qt::LeftButton, {}, m_app->placeInPicture(0.5, 0.8));
    ASSERT_TRUE(m_app->document().job().keys[0].target);
    EXPECT_EQ(m_app->document().undoAction(), "Key colour changed");
}

}  // namespace
}  // namespace amber::test
