// The Hand over place: several recipes at once, what is asked before, files out to be retouched and back, answers.
#include "app/places/handover/answers_tab.h"
#include "app/places/handover/recipe_panel.h"
#include "app/places/handover/retouch_tab.h"
#include "core/base/json_text.h"
#include "demo/retoucher/retoucher.h"
#include "tests/support/run_command.h"
#include "tests/window/takes.h"
#include "tests/window/window_support.h"

namespace amber::test {
namespace {

namespace fs = std::filesystem;

class DeliveryWindow : public ::testing::Test {
protected:
    void SetUp() override
    {
        qputenv("XDG_CONFIG_HOME", name(config.path()).toUtf8());
        for (const auto& [file, shift] : {std::pair("a.jpg", 0.0), {"b.jpg", 0.4}, {"c.jpg", 0.9}})
            writeTake(folder / file, shift, 6504, 1 + static_cast<unsigned>(10 * shift));
        open();
    }
    void open()
    {
        app.reset();
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
        app->key(Qt::Key_7, Qt::ControlModifier);
        place().setFolder(name(folder / "out"));
    }
    static QString name(const fs::path& path) { return QString::fromStdString(path.string()); }
    HandoverPlace& place() { return app->window().handover(); }
    RetouchTab& retouching() { return place().retouching(); }
    void click(const char* object) { QTest::mouseClick(&app->find(object), Qt::LeftButton); }
    FrameId id(const char* stem)
    {
        for (const Frame& frame : app->document().frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return 0;
    }
    void tick(const QString& recipe, bool on = true)
    {
        auto& list = app->find<QListWidget>("recipeList");
        for (int i = 0; i < list.count(); ++i)
            if (list.item(i)->text().startsWith(recipe + ' '))
                list.item(i)->setCheckState(on ? Qt::Checked : Qt::Unchecked);
    }
    QStringList ticked()
    {
        QStringList names;
        for (const Recipe& recipe : place().recipes().ticked())
            names << QString::fromStdString(recipe.name);
        return names;
    }
    QString state() { return app->find<QLabel>("exportState").text(); }

    TemporaryFolder folder, config;
    std::unique_ptr<OpenWindow> app;
};

TEST_F(DeliveryWindow, ALookIsChosenForARowByMouseAndByKeys)
{
    app->document().looks().newLook();
    click("handoverLooksTab");
    auto& table = app->find<QTableWidget>("lookTable");
    ASSERT_GT(table.rowCount(), 0);
    EXPECT_FALSE(table.findChild<QComboBox*>());  // no box before one is wanted
    const auto box = [&] { return table.findChild<QComboBox*>("lookFor-0"); };
    const auto chosen = [&] { return table.item(0, 2)->data(Qt::UserRole).toLongLong(); };
    const LookId own = app->document().looks().entries().back().id;
    const auto choose = [&](Qt::Key key) {
        EXPECT_TRUE(waitUntil([&] { return box() && box()->view()->isVisible(); }));
        QTest::keyClick(box()->view(), key);
        QTest::keyClick(box()->view(), Qt::Key_Return);
    };
    QTest::mouseClick(table.viewport(), Qt::LeftButton, {}, table.visualItemRect(table.item(0, 2)).center());
    choose(Qt::Key_End);
    EXPECT_TRUE(waitUntil([&] { return chosen() == own; }));
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(waitUntil([&] { return chosen() == 0; }));
    table.setFocus();
    table.setCurrentCell(0, 2);
    QTest::keyClick(&table, Qt::Key_Return);
    choose(Qt::Key_End);
    EXPECT_TRUE(waitUntil([&] { return chosen() == own; }));
}

TEST_F(DeliveryWindow, SeveralRecipesAtOnceOwnOnesAreKeptAndWhatWasChosenIsThereAgain)
{
    auto& list = app->find<QListWidget>("recipeList");
    EXPECT_EQ(ticked(), QStringList{"by hand"});
    tick("by hand", false), tick("web"), tick("layers");
    list.setCurrentRow(1);
    EXPECT_FALSE(app->find("exportFormat").isEnabled()) << "a shipped recipe stays as it is";
    // One's own, of one that ships.
    OpenWindow::whenOpen([](QWidget* dialog) {
        QTest::keyClicks(dialog->findChild<QLineEdit*>(), "shop");
        QTest::keyClick(dialog, Qt::Key_Return);
    });
    click("recipeKeepAs");
    ASSERT_TRUE(ticked().contains("shop"));
    EXPECT_TRUE(app->find("exportFormat").isEnabled());
    app->find<QComboBox>("exportFormat").setCurrentIndex(1);
    app->find<QLineEdit>("exportSubfolder").setText("shop");
    app->find<QLineEdit>("exportPattern").setText("{recipe}-{number:2}");
    click("recipeKeep");
    EXPECT_EQ(ownRecipes().recipes.size(), 1u);
    app->find<QLineEdit>("exportPattern").setText("{recipe}-{nubmer}");
    EXPECT_TRUE(app->find("recipeFault").isVisible());
    app->find<QLineEdit>("exportPattern").setText("{recipe}-{number:2}");
    app->find<QComboBox>("exportWhich").setCurrentIndex(1);
    ASSERT_TRUE(app->handOver()) << state().toStdString();
    for (const char* file : {"web/a.jpg", "layers/a.tif", "shop/shop-01.png"})
        EXPECT_TRUE(fs::exists(folder / "out" / file)) << file;
    EXPECT_FALSE(fs::exists(folder / "out/web/b.jpg")) << "only the frame in hand";
    EXPECT_EQ(place().deliveries().rowCount(), 3);
    open();
    EXPECT_EQ(ticked(), (QStringList{"web", "layers", "shop"}));
    EXPECT_EQ(app->find<QComboBox>("exportWhich").currentIndex(), 1);
    place().recipes().choose("shop");
    click("recipeForget");
    EXPECT_TRUE(ownRecipes().recipes.empty());
    EXPECT_EQ(ticked(), (QStringList{"web", "layers"}));
}

TEST_F(DeliveryWindow, WhatIsToBeKnownBeforeIsSaidAndAskedAboutOnce)
{
    Job job = app->document().job();
    Pin pin;
    pin.frame = id("b"), pin.text = "Heal the rim";
    job.pins[1] = pin;
    ASSERT_TRUE(app->document().commit(job, "Pinned"));
    click("exportLookOver");
    ASSERT_TRUE(waitUntil([&] { return !place().isLookingOver() && state().startsWith("To be looked at"); }));
    auto& points = app->find<QTableWidget>("beforePoints");
    ASSERT_TRUE(points.isVisible());
    EXPECT_EQ(points.item(0, 0)->text(), "asks");
    EXPECT_TRUE(points.item(0, 1)->text().contains("1 pin is open"));
    EXPECT_EQ(points.item(0, 2)->text(), "b");
    EXPECT_FALSE(fs::exists(folder / "out"));
    EXPECT_EQ(app->find<QPushButton>("exportStart").text(), "Hand over all the same");
    tick("web"), tick("web", false);
    EXPECT_EQ(app->find<QPushButton>("exportStart").text(), "Hand over") << "it is another delivery";
    click("exportStart");
    ASSERT_TRUE(waitUntil([&] { return state().contains("nothing was written yet"); }));
    EXPECT_EQ(app->find<QPushButton>("exportStart").text(), "Hand over all the same");
    EXPECT_FALSE(fs::exists(folder / "out"));
    // Closed by hand, nothing is asked.
    click("handoverAnswersTab");
    app->find<QTableWidget>("pins").item(0, 0)->setCheckState(Qt::Checked);
    EXPECT_TRUE(app->document().job().openPins(id("b")).empty());
    EXPECT_EQ(app->document().undoAction(), "Pin done: Heal the rim");
    EXPECT_EQ(app->find<QTableWidget>("pins").rowCount(), 0);
    place().setFolder(name(folder / "a.jpg"));
    click("exportStart");
    ASSERT_TRUE(waitUntil([&] { return state().startsWith("Something stands in the way"); }));
    EXPECT_TRUE(points.item(0, 1)->text().contains("There is a file where the folder should be"));
    place().setFolder(name(folder / "out"));
    ASSERT_TRUE(app->handOver());
    EXPECT_TRUE(fs::exists(folder / "out/b.jpg"));
    app->document().undo();
    EXPECT_EQ(app->document().job().openPins(id("b")).size(), 1u);
}

TEST_F(DeliveryWindow, AFrameIsSentComesBackThroughTheFolderAndIsTakenBack)
{
    const FrameId b = id("b");
    app->document().selection().setFrameInHand(b);
    app->document().looks().addStep(Contrast{});
    click("handoverRetouchTab");
    OpenWindow::whenOpen([&](QWidget* dialog) {
        dialog->findChild<QComboBox*>("sendSteps")->setCurrentIndex(1);
        QTest::keyClicks(dialog->findChild<QPlainTextEdit*>("sendNote"), "Heal the rim");
        dialog->findChild<QLineEdit*>("sendFolder")->setText(name(folder / "away"));
        QTest::mouseClick(dialog->findChild<QPushButton*>("sendStart"), Qt::LeftButton);
    });
    click("retouchSend");
    auto& table = app->find<QTableWidget>("sentFiles");
    ASSERT_TRUE(waitUntil([&] { return !retouching().isBusy() && table.rowCount() == 1; }));
    EXPECT_EQ(table.item(0, 1)->text(), "out: Heal the rim");
    ASSERT_TRUE(fs::exists(folder / "away/hand-off.pdf"));
    ASSERT_TRUE(waitUntil([&] { return !app->find<QLabel>("stretchedView").pixmap().isNull(); }));

    RetouchEdits edits;
    edits.heal = 3, edits.withMetadata = false, edits.shift = 1.5;
    ASSERT_TRUE(retouch(folder / "away/b.tif", folder / "done.tif", edits));
    fs::copy_file(folder / "done.tif", folder / "away/back/something else.tif");
    QString words;
    QObject::connect(&retouching(), &RetouchTab::taken, [&](const QString& said) { words = said; });
    ASSERT_TRUE(waitUntil([&] { return !words.isEmpty() && !retouching().isBusy(); }));
    EXPECT_TRUE(words.contains("drifted")) << words.toStdString();
    const fs::path standing = app->document().frame(b)->path;
    EXPECT_EQ(standing.extension(), ".exr");
    EXPECT_EQ(app->document().frame(b)->own(), folder / "b.jpg");
    EXPECT_EQ(app->document().undoAction(), "b came back retouched");
    const Look shown = app->document().looks().shown();
    EXPECT_FALSE(shown.steps.at(0).enabled) << "it is in the picture";
    // The colours are cured: another picture, another gesture.
    ASSERT_TRUE(app->find("retouchCure").isVisible());
    words.clear();
    click("retouchCure");
    ASSERT_TRUE(waitUntil([&] { return !words.isEmpty() && !retouching().isBusy(); }));
    EXPECT_TRUE(words.contains("cured")) << words.toStdString();
    EXPECT_NE(app->document().frame(b)->path, standing);
    ASSERT_TRUE(app->goToLook());
    ASSERT_FALSE(app->picture().image().isNull());
    EXPECT_TRUE(app->message().isEmpty()) << app->message().toStdString();
    app->document().undo(), app->document().undo();
    EXPECT_EQ(app->document().frame(b)->path, folder / "b.jpg");
    ASSERT_TRUE(app->settled());
    app->document().redo();
    open();
    EXPECT_EQ(app->document().frame(b)->path, standing) << "kept";
    EXPECT_TRUE(fs::exists(folder / "away/back/something else.tif"));
}

TEST_F(DeliveryWindow, WhatIsNotKnownIsAskedAbout)
{
    app->document().selection().setFrameInHand(id("c"));
    SendChoices choices;
    choices.frames = {id("a"), id("c")};
    retouching().send(choices, name(folder / "away"));
    ASSERT_TRUE(waitUntil([&] { return !retouching().isBusy() && fs::exists(folder / "away/hand-off.json"); }));
    RetouchEdits edits;
    edits.mirror = true, edits.withMetadata = false;
    ASSERT_TRUE(retouch(folder / "away/c.tif", folder / "mirrored.tif", edits));
    QString words;
    QObject::connect(&retouching(), &RetouchTab::taken, [&](const QString& said) { words = said; });
    QStringList offered;
    OpenWindow::whenOpen([&](QWidget* dialog) {
        auto* list = dialog->findChild<QListWidget*>("whoseList");
        for (int i = 0; i < list->count(); ++i)
            offered << list->item(i)->text();
        QTest::mouseClick(dialog->findChild<QPushButton*>("whoseLeave"), Qt::LeftButton);
    });
    retouching().takeBack({name(folder / "mirrored.tif")});
    ASSERT_TRUE(waitUntil([&] { return !words.isEmpty() && !retouching().isBusy(); }));
    offered.sort();
    EXPECT_EQ(offered, (QStringList{"a", "c"}));
    EXPECT_TRUE(words.contains("was left")) << words.toStdString();
    EXPECT_EQ(app->document().frame(id("c"))->path, folder / "c.jpg") << "nothing was taken";
    // From the watched folder nobody is interrupted: a button waits.
    words.clear();
    fs::copy_file(folder / "mirrored.tif", folder / "away/back/stray.tif");
    ASSERT_TRUE(waitUntil([&] { return !words.isEmpty() && !retouching().isBusy(); }));
    EXPECT_TRUE(words.contains("is not known")) << words.toStdString();
    click("handoverRetouchTab");
    ASSERT_TRUE(app->find("retouchWhose").isVisible());
    OpenWindow::whenOpen([&](QWidget* dialog) {
        auto* list = dialog->findChild<QListWidget*>("whoseList");
        list->setCurrentItem(list->findItems("c", Qt::MatchExactly).front());
        QTest::mouseClick(dialog->findChild<QPushButton*>("whoseTake"), Qt::LeftButton);
    });
    words.clear();
    click("retouchWhose");
    ASSERT_TRUE(waitUntil([&] { return !words.isEmpty() && !retouching().isBusy(); }));
    EXPECT_TRUE(words.contains("not seen in what was sent")) << words.toStdString();
}

TEST_F(DeliveryWindow, AClientAnswersAndRemarksArriveAsPins)
{
    tick("by hand", false), tick("web");
    app->find<QCheckBox>("exportAsk").setChecked(true);
    ASSERT_TRUE(app->handOver()) << state().toStdString();
    click("handoverAnswersTab");
    auto& rounds = app->find<QTableWidget>("rounds");
    ASSERT_EQ(rounds.rowCount(), 1);
    EXPECT_EQ(rounds.item(0, 5)->text(), "waiting");
    QString words;
    QObject::connect(&place().answers(), &AnswersTab::taken, [&](const QString& said) { words = said; });
    const Ran client =
        run(std::string(AMBER_BIN_DIR) + "/amber_client " + (folder / "out/web").string() + " --after 0 --remarks 1");
    ASSERT_EQ(client.status, 0) << client.err;
    ASSERT_TRUE(waitUntil([&] { return !words.isEmpty(); }));
    EXPECT_EQ(words, "Round 1: 0 approved, 3 remarks");
    EXPECT_EQ(app->find<QTableWidget>("pins").rowCount(), 3);
    EXPECT_EQ(rounds.item(0, 4)->text(), "3");
    open();
    EXPECT_EQ(app->document().job().pins.size(), 3u);
    click("handoverAnswersTab");
    app->find<QComboBox>("exportWhich").setCurrentIndex(6);
    EXPECT_TRUE(app->find<QLabel>("exportSummary").text().startsWith("0 frames")) << "without open pins";
}

}  // namespace
}  // namespace amber::test
