// The whole way from a folder to a delivery without a mouse.
#include "app/places/balance/balance_place.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

class ByKeys : public testing::Test {
protected:
    /// Tab until this has the keyboard, as one does who knows where to go.
    bool tabTo(const char* name)
    {
        constexpr int kFar = 400;
        for (int i = 0; i < kFar; ++i) {
            const QWidget* focus = QApplication::focusWidget();
            if (focus && focus->objectName() == name)
                return true;
            m_app.key(Qt::Key_Tab);
        }
        return false;
    }
    bool pressed(const char* name) { return tabTo(name) && (m_app.key(Qt::Key_Space), true); }
    void go(Qt::Key place)
    {
        m_app.key(place, Qt::ControlModifier);
        QCoreApplication::processEvents();
    }
    /// What a dialog with a line asks for.
    static void typeInto(QWidget* dialog, const std::string& words)
    {
        auto* line = dialog->findChild<QLineEdit*>("fileNameEdit");
        ASSERT_TRUE(line);
        line->setFocus();
        line->setText(QString::fromStdString(words));
        QTest::keyClick(line, Qt::Key_Return);
        if (dialog->isVisible())  // the first went to what completes names
            QTest::keyClick(line, Qt::Key_Return);
    }
    OpenWindow m_app;
};

TEST_F(ByKeys, FromTheFolderToTheDelivery)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    OpenWindow::whenOpen([&](QWidget* dialog) { typeInto(dialog, folder.path().string()); });
    m_app.key(Qt::Key_O, Qt::ControlModifier);
    ASSERT_TRUE(waitUntil([&] { return m_app.document().frames().size() == 3; }))
        << m_app.message().toStdString() << " " << m_app.document().folder().toStdString();
    ASSERT_TRUE(m_app.thumbnailsRead());
    // Rated, and another frame in hand.
    ASSERT_TRUE(tabTo("contactSheet"));
    m_app.key(Qt::Key_Right);
    m_app.key(Qt::Key_4);
    m_app.key(Qt::Key_Space);
    EXPECT_EQ(m_app.document().job().frame(m_app.document().selection().frameInHand()).rating, 4);
    // Balanced.
    go(Qt::Key_2);
    ASSERT_TRUE(pressed("balanceSolve"));
    ASSERT_TRUE(waitUntil([&] { return m_app.find("balanceTake").isEnabled(); }));
    ASSERT_TRUE(pressed("balanceTake"));
    EXPECT_FALSE(m_app.document().job().frame(m_app.document().frames().front().id).balance == FrameBalance{});
    // A step, its strength, a version pinned.
    go(Qt::Key_4);
    ASSERT_TRUE(m_app.settled() && tabTo("stepLine"));
    OpenWindow::whenOpen([](QWidget* menu) {
        QTest::keyClick(menu, Qt::Key_Down);
        QTest::keyClick(menu, Qt::Key_Return);
    });
    m_app.key(Qt::Key_Insert);
    ASSERT_EQ(m_app.look().steps.size(), 1u);
    const double begin = m_app.look().steps[0].strength;
    ASSERT_TRUE(m_app.settled() && tabTo("stepStrength"));
    m_app.key(Qt::Key_Down);
    ASSERT_TRUE(waitUntil([&] { return m_app.look().steps[0].strength < begin; }));
    // Undone and done again.
    const double strength = m_app.look().steps[0].strength;
    ASSERT_TRUE(waitUntil([&] { return !m_app.document().undoAction().isEmpty(); }));
    m_app.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(m_app.look().steps[0].strength, begin);
    m_app.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    EXPECT_EQ(m_app.look().steps[0].strength, strength);
    // Checked, then handed over.
    go(Qt::Key_6);
    ASSERT_TRUE(tabTo("proofTable"));
    m_app.key(Qt::Key_Right);  // tabs are one stop, and arrows go among them
    ASSERT_TRUE(pressed("checkRun"));
    ASSERT_TRUE(m_app.atRest());
    go(Qt::Key_7);
    const auto said = [&] { return m_app.find<QLabel>("exportState").text(); };
    ASSERT_TRUE(pressed("exportStart"));
    const auto asks = [&] { return said().startsWith("To be looked at") && m_app.find("exportStart").isEnabled(); };
    const auto isDone = [&] { return said().startsWith("Done"); };
    ASSERT_TRUE(waitUntil([&] { return isDone() || asks(); })) << said().toStdString();
    if (asks()) {
        ASSERT_TRUE(pressed("exportStart"));
    }
    ASSERT_TRUE(waitUntil(isDone)) << said().toStdString();
    int files = 0;
    for (const auto& entry : std::filesystem::directory_iterator(folder / "handed-over"))
        files += entry.path().extension() == ".jpg";
    EXPECT_EQ(files, 3);
}

}  // namespace
}  // namespace amber::test
