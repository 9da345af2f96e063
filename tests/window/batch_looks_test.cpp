// Several looks on one batch, values for a light, a set and a single frame: given by hand, handed over, taken back.
#include "core/job/edits.h"
#include "core/look/look_json.h"
#include "tests/support/run_command.h"
#include "window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

/// Opens the menu of a button and triggers what has this text, through a menu inside it when `inside` names one.
void chooseFrom(QToolButton& button, const QString& words, const char* inside = nullptr)
{
    QMenu* menu = button.menu();
    emit menu->aboutToShow();
    if (inside)
        menu = menu->findChild<QMenu*>(inside);
    ASSERT_TRUE(menu) << inside;
    for (QAction* action : menu->actions())
        if (action->text().startsWith(words)) {
            ASSERT_TRUE(action->isEnabled()) << words.toStdString();
            return action->trigger();
        }
    FAIL() << "no " << words.toStdString() << " in the menu";
}

class BatchLooks : public ::testing::Test {
protected:
    void SetUp() override
    {
        writeShoot(m_folder.path(), 6);
        m_app = std::make_unique<OpenWindow>(m_folder.path());
        ASSERT_TRUE(m_app->thumbnailsRead());
        ASSERT_TRUE(waitUntil([&] { return !m_app->document().job().lights.empty(); }));
        for (const Frame& frame : m_app->document().frames())
            m_ids.push_back(frame.id);
        Job lights = withFramesInLight(m_app->document().job(), {m_ids[2], m_ids[3]}, -1, "Lamp");
        ASSERT_TRUE(m_app->document().commit(withFramesInLight(lights, {m_ids[4], m_ids[5]}, -1, "Dusk"), "Lights"));
        ASSERT_TRUE(m_app->goToLook());
    }
    Document& document() { return m_app->document(); }
    bool take(std::size_t frame)
    {
        document().selection().setFrameInHand(m_ids.at(frame));
        return m_app->settled();
    }
    void chooseRow(const QString& part)
    {
        if (auto& button = m_app->find<QToolButton>("stepTravels"); !button.isChecked())
            QTest::mouseClick(&button, Qt::LeftButton);
        auto& table = m_app->find<QTableView>("scopeTable");
        for (int row = 0; row < table.model()->rowCount(); ++row)
            if (table.model()->index(row, 0).data().toString() == part) {
                QTest::mouseClick(table.viewport(), Qt::LeftButton, {},
                                  table.visualRect(table.model()->index(row, 0)).center());
                return;
            }
        FAIL() << "no part " << part.toStdString();
    }
    QString whoseOf(const QString& part)
    {
        auto& table = m_app->find<QTableView>("scopeTable");
        for (int row = 0; row < table.model()->rowCount(); ++row)
            if (table.model()->index(row, 0).data().toString() == part)
                return table.model()->index(row, 2).data().toString();
        return {};
    }
    void typeNumber(const char* name, double value)
    {
        if (auto& button = m_app->find<QToolButton>("stepTravels"); button.isChecked())
            QTest::mouseClick(&button, Qt::LeftButton);
        m_app->type(m_app->find(name), QLocale().toString(value, 'f', 2));
        document().looks().commitPending();
    }
    /// Two looks: contrast on all, chroma for the light of the third and fourth frame.
    void makeTwoLooks()
    {
        document().looks().rename("Base");
        ASSERT_TRUE(m_app->addStep("Contrast"));
        if (auto& holds = m_app->find<QCheckBox>("contrast.holdBrightness"); holds.isChecked())
            holds.click();
        typeNumber("contrast.slope", 1.3);
        QTest::mouseClick(&m_app->find("lookNew"), Qt::LeftButton);
        document().looks().rename("Lamplight");
        ASSERT_TRUE(m_app->addStep("Chroma"));
        typeNumber("chroma.even", 0.5);
        auto& where = m_app->find<QToolButton>("lookWhere");
        ASSERT_TRUE(take(2));
        chooseFrom(where, "Lamplight", "lookOfLight");
        EXPECT_EQ(document().undoAction(), "Lamplight for light Lamp");
        ASSERT_TRUE(take(0));
        chooseFrom(where, "Base", "lookOfAll");
        ASSERT_EQ(m_app->look().name, "Base");
        EXPECT_EQ(where.text(), "4/6");
    }
    /// A set of the first and fifth frame, made in Shoot.
    void makeSet()
    {
        m_app->key(Qt::Key_1, Qt::ControlModifier);
        QListView& sheet = m_app->window().shoot().sheet();
        const auto click = [&](int row, Qt::KeyboardModifiers modifiers = {}) {
            QTest::mouseClick(sheet.viewport(), Qt::LeftButton, modifiers,
                              sheet.visualRect(sheet.model()->index(row, 0)).center());
        };
        click(0);
        sheet.selectionModel()->select(sheet.model()->index(4, 0), QItemSelectionModel::Select);
        OpenWindow::whenOpen([](QWidget* dialog) {
            QTest::keyClicks(dialog->findChild<QLineEdit*>(), "blue dish");
            QTest::keyClick(dialog, Qt::Key_Return);
        });
        chooseFrom(m_app->find<QToolButton>("setMenuButton"), "A set of the 2 chosen frames");
        ASSERT_TRUE(document().job().setOf("blue dish"));
        EXPECT_EQ(document().job().setOf("blue dish")->frames, (std::vector<FrameId>{m_ids[0], m_ids[4]}));
        ASSERT_TRUE(m_app->goToLook());
    }
    std::vector<RawPicture> handOver(const fs::path& to)
    {
        m_app->key(Qt::Key_7, Qt::ControlModifier);
        m_app->find<QComboBox>("exportFormat").setCurrentIndex(2);
        m_app->window().handover().setFolder(QString::fromStdString(to.string()));
        EXPECT_TRUE(m_app->handOver());
        std::vector<RawPicture> all;
        for (int i = 0; i < 6; ++i)
            all.push_back(readRaw(to / ("frame-" + std::to_string(i) + ".png")));
        return all;
    }
    /// What the command makes of one frame with one look.
    RawPicture applied(const Look& look, int frame, const fs::path& folder)
    {
        const fs::path file = folder / ("look-" + std::to_string(frame) + ".json");
        fs::create_directories(folder);
        EXPECT_TRUE(writeLook(look, file));
        const std::string name = "frame-" + std::to_string(frame) + ".png";
        const Ran ran = amber("apply '" + file.string() + "' '" + (m_folder / name).string() + "' --out '" +
                              folder.string() + "' --format png16");
        EXPECT_EQ(ran.status, 0) << ran.err;
        return readRaw(folder / name);
    }

    TemporaryFolder m_folder;
    std::unique_ptr<OpenWindow> m_app;
    std::vector<FrameId> m_ids;
};

TEST_F(BatchLooks, EveryFrameLandsWithItsOwnLookAndValues)
{
    makeTwoLooks();
    makeSet();
    // The set's slope, given by hand from the first frame.
    ASSERT_TRUE(take(0));
    chooseRow("slope");
    EXPECT_EQ(whoseOf("slope"), "travels");
    chooseFrom(m_app->find<QToolButton>("scopeSet"), "blue dish");
    EXPECT_EQ(whoseOf("slope"), "blue dish · 2");
    EXPECT_EQ(m_app->find<QToolButton>("stepTravels").text(), "slope: blue dish · 2");
    typeNumber("contrast.slope", 1.8);
    // The light's pivot, and one frame's strength.
    ASSERT_TRUE(take(5));
    chooseRow("pivot");
    QTest::mouseClick(&m_app->find("scopeLight"), Qt::LeftButton);
    EXPECT_EQ(whoseOf("pivot"), "Dusk · 2");
    typeNumber("contrast.pivot", 0.6);
    chooseRow("strength");
    QTest::mouseClick(&m_app->find("scopeThisFrame"), Qt::LeftButton);
    EXPECT_EQ(document().undoAction(), "Strength for this frame");
    typeNumber("stepStrength", 0.5);
    EXPECT_EQ(m_app->find<QToolButton>("stepTravels").text(), "2 values do not travel");
    ASSERT_TRUE(take(4));
    EXPECT_EQ(m_app->find<QDoubleSpinBox>("contrast.slope").value(), 1.8);
    EXPECT_EQ(m_app->find<QDoubleSpinBox>("contrast.pivot").value(), 0.6);
    EXPECT_EQ(m_app->find<QDoubleSpinBox>("stepStrength").value(), 1);
    ASSERT_TRUE(take(1));
    EXPECT_EQ(m_app->find<QDoubleSpinBox>("contrast.slope").value(), 1.3);

    // The look of the frame in hand is the one in hand; the others follow on the wall.
    ASSERT_TRUE(take(3));
    EXPECT_EQ(m_app->look().name, "Lamplight");
    ASSERT_TRUE(take(1));
    EXPECT_EQ(m_app->look().name, "Base");

    const auto made = handOver(m_folder / "out");
    Contrast contrast;
    contrast.slope = 1.3, contrast.holdBrightness = false;
    Chroma chroma;
    chroma.even = 0.5;
    Look looks[6];
    for (Look& look : looks) {
        look.steps.emplace_back().parameters = contrast;
        if (&look == &looks[2] || &look == &looks[3])
            look.steps[0].parameters = chroma;
    }
    std::get<Contrast>(looks[0].steps[0].parameters).slope = std::get<Contrast>(looks[4].steps[0].parameters).slope =
        1.8;
    std::get<Contrast>(looks[4].steps[0].parameters).pivot = std::get<Contrast>(looks[5].steps[0].parameters).pivot =
        0.6;
    looks[5].steps[0].strength = 0.5;
    for (int i = 0; i < 6; ++i)
        EXPECT_EQ(made[static_cast<std::size_t>(i)], applied(looks[i], i, m_folder / "single")) << "frame " << i;
}

TEST_F(BatchLooks, AllOfItIsTakenBackStepByStepAndKeptWhenReopened)
{
    makeTwoLooks();
    makeSet();
    ASSERT_TRUE(take(4));
    const Look before = m_app->look();
    const Job jobBefore = document().job();
    chooseRow("slope");
    QTest::mouseClick(&m_app->find("scopeLight"), Qt::LeftButton);
    ASSERT_EQ(document().job().sets.size(), 2u) << "the light is a set from now on";
    typeNumber("contrast.slope", 0.8);
    chooseFrom(m_app->find<QToolButton>("scopeGive"), "blue dish");
    const Look after = m_app->look();
    chooseRow("slope");
    EXPECT_EQ(whoseOf("slope"), "blue dish · 2") << "nearer than the light";
    QTest::mouseClick(&m_app->find("scopeLetGo"), Qt::LeftButton);
    EXPECT_EQ(whoseOf("slope"), "Dusk · 2");
    document().undo();
    for (int i = 0; i < 3; ++i)
        document().undo();
    EXPECT_EQ(m_app->look(), before);
    EXPECT_TRUE(document().job().sets == jobBefore.sets) << "value and set go as one gesture";
    for (int i = 0; i < 3; ++i)
        document().redo();
    EXPECT_EQ(m_app->look(), after);
    // A set by another name: what looks hold for it goes along.
    OpenWindow::whenOpen([](QWidget* dialog) {
        auto* name = dialog->findChild<QLineEdit*>();
        name->selectAll();
        QTest::keyClicks(name, "dish");
        QTest::keyClick(dialog, Qt::Key_Return);
    });
    auto& sets = m_app->find<QToolButton>("setMenuButton");
    emit sets.menu()->aboutToShow();
    QMenu* own = nullptr;
    for (QAction* action : sets.menu()->actions())
        if (action->text().startsWith("blue dish"))
            own = action->menu();
    ASSERT_TRUE(own);
    for (QAction* action : own->actions())
        if (action->text().startsWith("Name"))
            action->trigger();
    EXPECT_EQ(m_app->look().steps[0].held.count("set:dish"), 1u);
    const Look renamed = m_app->look();
    const Job job = document().job();
    m_app = std::make_unique<OpenWindow>();
    m_app = std::make_unique<OpenWindow>(m_folder.path());
    EXPECT_EQ(m_app->look(), renamed);
    EXPECT_TRUE(document().job() == job);
    EXPECT_EQ(document().looks().framesOfLook().size(), 4u);
}

TEST_F(BatchLooks, TheSheetShowsTheSetFinishedAndOrdersItByAKeyColour)
{
    makeTwoLooks();
    m_app->key(Qt::Key_1, Qt::ControlModifier);
    FrameModel& model = m_app->window().shoot().model();
    SheetPictures& pictures = model.pictures();
    const auto choose = [&](const char* name, int index) {
        auto& box = m_app->find<QComboBox>(name);
        box.setCurrentIndex(index);
        emit box.activated(index);
    };
    const auto allRight = [&] { return waitUntil([&] { return pictures.rightCount() == 6 && pictures.isAtRest(); }); };
    EXPECT_TRUE(pictures.picture(m_ids[0]).isNull()) << "nothing is made before it is asked for";
    choose("sheetState", 2);
    ASSERT_TRUE(allRight());
    const QImage base = pictures.picture(m_ids[0]), lamplight = pictures.picture(m_ids[2]);
    EXPECT_FALSE(base.isNull());
    // Live: another strength of the base look changes its frames and no others; taken back, all is as it was.
    Look softer = m_app->look();
    softer.steps[0].strength = 0.3;
    document().looks().takeLook(softer, "Softer");
    ASSERT_TRUE(allRight());
    EXPECT_NE(pictures.picture(m_ids[0]), base);
    EXPECT_EQ(pictures.picture(m_ids[2]), lamplight);
    document().undo();
    ASSERT_TRUE(allRight());
    EXPECT_EQ(pictures.picture(m_ids[0]), base);
    choose("sheetState", 1);
    ASSERT_TRUE(allRight());
    EXPECT_NE(pictures.picture(m_ids[0]), base);
    // A key colour known on two frames of one light: ordered by how far it is off.
    KeyColour key;
    key.name = "patch", key.frame = m_ids[0], key.place = {0.2, 0.6, 0.3, 0.7};
    document().setKeyColours({key}, "Key");
    Job places = document().job();
    places.keyPlaces[{m_ids[1], "patch"}] = {key.place, 1, true};
    ASSERT_TRUE(document().commit(places, "Place"));
    choose("shootOrder", 5);
    ASSERT_TRUE(allRight());
    QListView& sheet = m_app->window().shoot().sheet();
    const auto far = [&](int row) { return sheet.model()->index(row, 0).data(FrameModel::FarRole).toDouble(); };
    ASSERT_TRUE(waitUntil([&] { return far(0) > 1; }));
    EXPECT_EQ(sheet.model()->index(0, 0).data(FrameModel::IdRole).toLongLong(), m_ids[1]);
    EXPECT_EQ(sheet.model()->index(1, 0).data(FrameModel::IdRole).toLongLong(), m_ids[0]) << "the lead is no way off";
    EXPECT_EQ(far(2), -1) << "where it is not known";
}

}  // namespace
}  // namespace amber::test
