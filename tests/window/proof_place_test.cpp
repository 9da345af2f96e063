// The Proof place: cells looked into, places confirmed, the table saved; what is said where nothing can be measured.
#include "app/places/proof/cell_panel.h"
#include "app/places/proof/proof_place.h"
#include "app/wall/picture_view.h"
#include "tests/window/takes.h"
#include "tests/window/window_support.h"

#include <fstream>

namespace amber::test {
namespace {

class ProofWindow : public ::testing::Test {
protected:
    void SetUp() override
    {
        writeTake(folder / "a.jpg", 0, 6504, 1);
        writeTake(folder / "b.jpg", 0.02, 6504, 2, 4);
        writeTake(folder / "c.jpg", 0.9, 6504, 3, 8);
        writeTake(folder / "d.jpg", -0.02, 6504, 4, 6);
        writeTake(folder / "e.jpg", 0.01, 6504, 5, 2);
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
        ASSERT_TRUE(waitUntil([&] { return !app->document().job().lights.empty(); }));
        auto lights = app->document().job().lights;
        lights[0].lead = id("a");
        app->document().setLights(lights, "Lead");
    }
    FrameId id(const char* stem)
    {
        for (const Frame& frame : app->document().frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return 0;
    }
    void click(const char* name) { QTest::mouseClick(&app->find(name), Qt::LeftButton); }
    void markKeys()
    {
        std::vector<KeyColour> keys;
        for (const auto& [name, x, y] : {std::tuple("glaze", 110, 100), std::tuple("clay", 250, 180),
                                         std::tuple("straw", 390, 90), std::tuple("cloth", 400, 240)}) {
            KeyColour key;
            key.name = name, key.frame = id("a");
            key.place = {(x - 12) / 480.0, (y - 12) / 320.0, (x + 12) / 480.0, (y + 12) / 320.0};
            keys.push_back(key);
        }
        app->document().setKeyColours(keys, "Keys");
    }
    bool measure()
    {
        app->key(Qt::Key_6, Qt::ControlModifier);
        click("consistencyMeasure");
        return waitUntil([&] { return !proof().task().isRunning() && proof().model().rowCount() == 5; });
    }
    TableTab& proof() { return app->window().proof().table(); }
    QModelIndex cell(const char* stem, int column)
    {
        for (int row = 0; row < proof().model().rowCount(); ++row)
            if (proof().model().readings()[static_cast<std::size_t>(row)].frame == id(stem))
                return proof().model().index(row, column);
        return {};
    }
    QString words(const char* name) { return app->find<QLabel>(name).text(); }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

TEST_F(ProofWindow, SaysWhatIsMissingBeforeAnythingCanBeMeasured)
{
    app->key(Qt::Key_6, Qt::ControlModifier);
    EXPECT_TRUE(words("consistencyState").contains("Mark key colours"));
    EXPECT_FALSE(app->find("consistencySave").isEnabled());
    EXPECT_TRUE(words("consistencyNumber").isEmpty());
    EXPECT_TRUE(words("cellWords").contains("Choose a cell"));
    markKeys();
    EXPECT_TRUE(words("consistencyState").contains("4 key colours"));
}

TEST_F(ProofWindow, ACellShowsBothColoursHowFarApartTheyAreAndWhy)
{
    markKeys();
    ASSERT_TRUE(measure());
    EXPECT_TRUE(words("consistencyNumber").contains("%"));
    proof().table().setCurrentIndex(cell("b", 1));
    EXPECT_TRUE(words("cellWords").startsWith("glaze"));
    EXPECT_TRUE(words("cellCause").contains("Tolerance"));
    EXPECT_TRUE(app->find("placeConfirm").isEnabled());
    ASSERT_TRUE(waitUntil([&] {
        return !app->find<PictureView>("cellHere").image().isNull() &&
               !app->find<PictureView>("cellLead").image().isNull();
    }));
    EXPECT_TRUE(app->find<PictureView>("cellLead").caption().contains("a"));
    // A tone has no place, and the lead's own cells nothing to mend.
    proof().table().setCurrentIndex(cell("b", 5));
    EXPECT_TRUE(words("cellWords").contains("L*"));
    EXPECT_FALSE(app->find("placeConfirm").isEnabled());
    proof().table().setCurrentIndex(cell("a", 1));
    EXPECT_FALSE(app->find("placeCorrect").isEnabled());
    EXPECT_FALSE(app->find("takeCure").isVisible());
    proof().table().setCurrentIndex(cell("b", 0));
    EXPECT_TRUE(words("cellWords").contains("Choose a cell"));
}

TEST_F(ProofWindow, WhatStandsOutLeadsToItsCellAndToItsCure)
{
    markKeys();
    ASSERT_TRUE(measure());
    auto& list = app->find<QListWidget>("outliers");
    ASSERT_GT(list.count(), 0);
    EXPECT_TRUE(list.item(0)->text().startsWith("c"));
    list.setCurrentRow(0);
    EXPECT_EQ(proof().table().currentIndex().row(), cell("c", 1).row());
    EXPECT_TRUE(words("cellCause").contains("lighter")) << words("cellCause").toStdString();
    ASSERT_TRUE(app->find("takeCure").isVisible());
    click("takeCure");
    ASSERT_TRUE(waitUntil([&] { return !proof().task().isRunning() && proof().model().table().outliers.empty(); }));
    EXPECT_NEAR(app->document().balances().of(id("c")).light.exposureStops, -0.9, 0.15);
    EXPECT_EQ(list.item(0)->text(), "Nothing stands out.");
    app->document().undo();
    EXPECT_TRUE(app->document().balances().of(id("c")).light.isIdentity());
    EXPECT_TRUE(words("consistencyState").contains("measure again"));
}

TEST_F(ProofWindow, AConfirmedPlaceIsKeptAndDoubtedNoMore)
{
    markKeys();
    ASSERT_TRUE(measure());
    const QModelIndex place = cell("b", 2);
    proof().table().setCurrentIndex(place);
    ASSERT_TRUE(app->find("placeConfirm").isEnabled());
    click("placeConfirm");
    ASSERT_TRUE(waitUntil([&] {
        return !proof().task().isRunning() &&
               proof().model().index(place.row(), 2).data(ConsistencyModel::DoubtRole) == 0;
    }));
    ASSERT_TRUE(app->document().job().confirmedPlace(id("b"), "clay"));
    app->document().undo();
    EXPECT_FALSE(app->document().job().confirmedPlace(id("b"), "clay"));
}

TEST_F(ProofWindow, TheTableIsSavedAsItIsShownAndReplacesNothing)
{
    markKeys();
    ASSERT_TRUE(measure());
    const QString file = QString::fromStdString((folder / "table.csv").string());
    ASSERT_TRUE(proof().saveTable(file));
    const std::string csv = readText(folder / "table.csv");
    EXPECT_EQ(std::count(csv.begin(), csv.end(), '\n'), 6) << "one head row and a row per frame";
    EXPECT_NE(csv.find("glaze"), std::string::npos);
    folder.write("somebody.csv", "somebody's");
    EXPECT_FALSE(proof().saveTable(QString::fromStdString((folder / "somebody.csv").string())));
    EXPECT_EQ(readText(folder / "somebody.csv"), "somebody's");
    EXPECT_FALSE(proof().saveTable("/nowhere/at/all.csv"));
}

TEST_F(ProofWindow, AFrameThatCannotBeReadSaysSoAndTheRestIsMeasured)
{
    markKeys();
    std::ofstream(folder / "b.jpg", std::ios::trunc) << "these are only words";
    ASSERT_TRUE(measure());
    const QModelIndex broken = cell("b", 0);
    ASSERT_TRUE(broken.isValid());
    EXPECT_FALSE(broken.data(Qt::ToolTipRole).toString().isEmpty());
    EXPECT_FALSE(proof().model().index(broken.row(), 1).data(ConsistencyModel::MeasuredRole).toBool());
    EXPECT_TRUE(cell("c", 1).data(ConsistencyModel::MeasuredRole).toBool());
}

}  // namespace
}  // namespace amber::test
