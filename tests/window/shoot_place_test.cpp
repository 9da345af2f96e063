// The Shoot place: lights, ratings, filters, as a person uses them.
#include "window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

TEST(ShootWindow, FramesAreGroupedRatedFilteredAndAllOfItIsKept)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 6);
    auto app = std::make_unique<OpenWindow>(folder.path());
    ASSERT_TRUE(app->thumbnailsRead());
    ASSERT_TRUE(waitUntil([&] { return app->document().job().lights.size() == 1; }))
        << "without times or changes of light all is one light";
    EXPECT_EQ(app->document().job().lights[0].frames.size(), 6u);
    QListView* sheet = &app->window().shoot().sheet();
    const auto click = [&](int row, Qt::KeyboardModifiers modifiers = {}) {
        QTest::mouseClick(sheet->viewport(), Qt::LeftButton, modifiers,
                          sheet->visualRect(sheet->model()->index(row, 0)).center());
    };
    // Two frames to a light of their own.
    click(1);
    QTest::keyClick(sheet, Qt::Key_Right, Qt::ShiftModifier);
    OpenWindow::whenOpen([](QWidget* menu) {
        for (QAction* action : qobject_cast<QMenu*>(menu)->actions())
            if (action->text().startsWith("To a group of their own")) {
                OpenWindow::whenOpen([](QWidget* dialog) {
                    auto* name = dialog->findChild<QLineEdit*>();
                    name->selectAll();
                    QTest::keyClicks(name, "Lamp");
                    QTest::keyClick(dialog, Qt::Key_Return);
                });
                QTest::mouseClick(menu, Qt::LeftButton, {},
                                  qobject_cast<QMenu*>(menu)->actionGeometry(action).center());
                return;
            }
    });
    QTest::mouseClick(&app->find("groupMenuButton"), Qt::LeftButton);
    ASSERT_EQ(app->document().job().lights.size(), 2u);
    EXPECT_EQ(app->document().job().lights[1].name, "Lamp");
    EXPECT_EQ(app->document().job().lights[1].frames.size(), 2u);
    // Ratings by key; filters and orders by keyboard.
    click(4);
    QTest::keyClick(sheet, Qt::Key_4);
    EXPECT_EQ(app->document().job().frame(sheet->model()->index(4, 0).data(FrameModel::IdRole).toLongLong()).rating, 4);
    const auto choose = [&](const char* name, int index) {
        auto& box = app->find<QComboBox>(name);
        box.setFocus();
        QTest::keyClick(&box, Qt::Key_Home);
        for (int i = 0; i < index; ++i)
            QTest::keyClick(&box, Qt::Key_Down);
    };
    choose("shootRating", 3);
    EXPECT_EQ(sheet->model()->rowCount(), 1);
    choose("shootRating", 0);
    choose("shootGroup", 2);
    EXPECT_EQ(sheet->model()->rowCount(), 2);
    choose("shootGroup", 0);
    choose("shootOrder", 3);
    EXPECT_EQ(sheet->model()->index(0, 0).data(FrameModel::RatingRole).toInt(), 4);
    choose("shootOrder", 0);
    EXPECT_EQ(sheet->model()->index(0, 0).data().toString(), "frame-0");
    const auto groups = app->document().job().lights;
    app.reset();
    app = std::make_unique<OpenWindow>(folder.path());
    ASSERT_TRUE(app->thumbnailsRead());
    EXPECT_EQ(app->document().job().lights, groups) << "kept, not proposed anew";
    EXPECT_EQ(app->document().job().frame(app->document().frames()[4].id).rating, 4);
}

TEST(ShootWindow, ASecondWindowOnTheSameJobOnlyLooks)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    OpenWindow first(folder.path());
    ASSERT_TRUE(first.thumbnailsRead());
    {
        OpenWindow second(folder.path());
        EXPECT_TRUE(second.document().isReadOnly());
        EXPECT_TRUE(second.message().contains("open in another window")) << second.message().toStdString();
        ASSERT_TRUE(second.thumbnailsRead());
        ASSERT_TRUE(second.goToLook());
        second.document().looks().addStep(Contrast{});
        second.document().setRating({second.document().frames()[0].id}, 3);
    }
    EXPECT_TRUE(first.look().steps.empty());
    ASSERT_TRUE(first.goToLook());
    ASSERT_TRUE(first.addStep("Contrast"));
    EXPECT_TRUE(first.message().isEmpty());
    EXPECT_EQ(first.document().undoAction(), "Contrast added");
}

}  // namespace
}  // namespace amber::test
