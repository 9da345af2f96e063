// Two thousand keys and clicks without a plan, over all places, menus and dialogs: nothing may break, hang, or be lost.
#include "app/places/balance/balance_place.h"
#include "app/stepline/step_line.h"
#include "core/base/content_hash.h"
#include "tests/support/random_look.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

constexpr int kActions = 2000;
constexpr unsigned kSeed = 20261127;  // AMBER_TEST_SEED tries others by hand

std::map<std::string, std::string> hashesOf(const fs::path& folder)
{
    std::map<std::string, std::string> all;
    for (const auto& entry : fs::directory_iterator(folder))
        if (entry.path().extension() == ".png")
            all[entry.path().filename().string()] = contentHashOfFile(entry.path()).value_or("");
    return all;
}

class Hands {
public:
    Hands(OpenWindow& app, unsigned seed) : m_app(app), m_random(seed) { goOnInside(); }

    void act()
    {
        MainWindow& window = m_app.window();
        if (m_random.whole(0, 29) == 0)
            window.go(static_cast<MainWindow::Place>(m_random.whole(0, 5)));
        if (m_random.whole(0, 2) == 0)
            key(QApplication::focusWidget() && QApplication::focusWidget()->window() == &window
                    ? QApplication::focusWidget()
                    : &window);
        else
            click(window);
        QCoreApplication::processEvents();
        ++m_done;
    }
    int insideActions() const { return m_inside; }

private:
    /// Menus and dialogs hold the program in a loop of their own: there the hands go on from timers, each begun before
    /// the one before it acts, for a timer whose work opens the next dialog does not come again.
    void goOnInside()
    {
        QTimer::singleShot(3, &m_context, [this] {
            goOnInside();
            inside();
        });
    }

    void key(QWidget* to)
    {
        if (to->objectName() == "exportFolder")
            return;  // files of this test go nowhere else
        static const std::vector<Qt::Key> keys{
            Qt::Key_Left,   Qt::Key_Right,   Qt::Key_Up,     Qt::Key_Down,  Qt::Key_Return, Qt::Key_Space,
            Qt::Key_Delete, Qt::Key_Insert,  Qt::Key_Home,   Qt::Key_End,   Qt::Key_PageUp, Qt::Key_PageDown,
            Qt::Key_Tab,    Qt::Key_Backtab, Qt::Key_Escape, Qt::Key_0,     Qt::Key_1,      Qt::Key_3,
            Qt::Key_5,      Qt::Key_9,       Qt::Key_Period, Qt::Key_Comma, Qt::Key_Minus,  Qt::Key_B,
            Qt::Key_C,      Qt::Key_D,       Qt::Key_F1,     Qt::Key_F2,    Qt::Key_F3,     Qt::Key_F4,
            Qt::Key_F5,     Qt::Key_F6,      Qt::Key_F7,     Qt::Key_F8,    Qt::Key_F9,     Qt::Key_F10,
            Qt::Key_F11};
        static const std::vector<Qt::Key> withControl{
            Qt::Key_Z, Qt::Key_Z, Qt::Key_W, Qt::Key_M, Qt::Key_I, Qt::Key_F, Qt::Key_B, Qt::Key_1,   Qt::Key_2,
            Qt::Key_3, Qt::Key_4, Qt::Key_5, Qt::Key_6, Qt::Key_7, Qt::Key_O, Qt::Key_A, Qt::Key_Plus};
        const int how = m_random.whole(0, 5);
        if (how <= 2)
            QTest::keyClick(to, keys[static_cast<std::size_t>(m_random.whole(0, static_cast<int>(keys.size()) - 1))]);
        else if (how == 3)
            QTest::keyClick(to, keys[static_cast<std::size_t>(m_random.whole(0, 11))],
                            m_random.whole(0, 1) ? Qt::ShiftModifier : Qt::AltModifier);
        else
            QTest::keyClick(
                to, withControl[static_cast<std::size_t>(m_random.whole(0, static_cast<int>(withControl.size()) - 1))],
                m_random.whole(0, 3) ? Qt::ControlModifier : Qt::ControlModifier | Qt::ShiftModifier);
    }

    /// Words and what only holds others together are not worth a click.
    static bool takesHands(const QWidget& w)
    {
        return qstrcmp(w.metaObject()->className(), "QWidget") != 0 && !qobject_cast<const QLabel*>(&w) &&
               !qobject_cast<const QStackedWidget*>(&w) && !qobject_cast<const QProgressBar*>(&w);
    }

    QWidget* anyWidget(QWidget& in)
    {
        // Half the time what changes something: most of a window is pictures and lists.
        const bool wantsControl = m_random.whole(0, 1);
        QList<QWidget*> shown, controls;
        for (QWidget* w : in.findChildren<QWidget*>())
            if (w->isVisible() && w->isEnabled() && w->window() == &in && w->width() > 2 && w->height() > 2 &&
                takesHands(*w))
                (qobject_cast<QAbstractSpinBox*>(w) || qobject_cast<QAbstractButton*>(w) ||
                         qobject_cast<StepLine*>(w) || QByteArray(w->metaObject()->className()).contains("Plot") ||
                         QByteArray(w->metaObject()->className()).contains("Axis")
                     ? controls
                     : shown)
                    << w;
        if (shown.isEmpty() || (wantsControl && !controls.isEmpty()))
            shown = controls;
        return shown.isEmpty() ? nullptr : shown[m_random.whole(0, static_cast<int>(shown.size()) - 1)];
    }

    void click(QWidget& in)
    {
        const QPointer<QWidget> w = anyWidget(in);
        if (!w)
            return;
        const auto anyPlace = [&] {
            return QPoint(m_random.whole(0, w->width() - 1), m_random.whole(0, w->height() - 1));
        };
        const Qt::KeyboardModifiers modifiers[] = {Qt::NoModifier, Qt::NoModifier, Qt::NoModifier, Qt::ControlModifier,
                                                   Qt::ShiftModifier};
        const QPoint place = anyPlace();
        if (auto* number = qobject_cast<QAbstractSpinBox*>(w.data()); number && m_random.whole(0, 2)) {
            static const QString words[] = {"0.5", "1,25", "-3", "999999", "", "x", "40"};
            m_app.type(*number, words[m_random.whole(0, 6)]);
            return;
        }
        switch (m_random.whole(0, 5)) {
        case 0:
            QTest::mouseDClick(w, Qt::LeftButton, {}, place);
            break;
        case 1:
            QTest::mousePress(w, Qt::LeftButton, {}, place);
            for (int i = 0; i < 4 && w; ++i)
                QTest::mouseMove(w, anyPlace());
            if (w)
                QTest::mouseRelease(w, Qt::LeftButton, {}, anyPlace());
            break;
        case 2:
            QTest::mouseClick(w, Qt::RightButton, {}, place);
            break;
        default:
            QTest::mouseClick(w, Qt::LeftButton, modifiers[m_random.whole(0, 4)], place);
        }
    }

    void inside()
    {
        if (m_isInside)
            return;
        QPointer<QWidget> open =
            QApplication::activePopupWidget() ? QApplication::activePopupWidget() : QApplication::activeModalWidget();
        if (!open || !open->isVisible())
            return;
        m_isInside = true;
        ++m_inside;
        if (auto* menu = qobject_cast<QMenu*>(open); menu && m_random.whole(0, 1) && !menu->actions().isEmpty()) {
            QAction* action = menu->actions()[m_random.whole(0, static_cast<int>(menu->actions().size()) - 1)];
            m_isInside = false;  // what it does may open the next dialog
            if (action->isEnabled() && !action->menu() && !action->isSeparator())
                QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(action).center());
            else
                menu->close();
        } else if (qobject_cast<QFileDialog*>(open) || m_random.whole(0, 2)) {
            m_isInside = false;
            if (auto* dialog = qobject_cast<QDialog*>(open))
                dialog->reject();
            else
                open->close();
        } else {
            QWidget* const to = open;
            m_isInside = false;
            m_random.whole(0, 1) ? click(*to)
                                 : QTest::keyClick(to, m_random.whole(0, 1) ? Qt::Key_Tab : Qt::Key_Return);
        }
        m_isInside = false;
    }

    OpenWindow& m_app;
    Random m_random;
    QObject m_context;
    bool m_isInside = false;
    int m_done = 0, m_inside = 0;
};

TEST(RandomHands, TwoThousandKeysAndClicksBreakNothingAndLoseNothing)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "shoot");
    writeShoot(folder / "shoot", 9);
    const auto before = hashesOf(folder / "shoot");
    std::size_t frames = 0, looks = 0;
    {
        OpenWindow app(folder / "shoot");
        ASSERT_TRUE(app.thumbnailsRead());
        app.document().looks().addStep(ToneCurve{});
        app.document().looks().addStep(HueShifts{});
        {
            Hands hands(app, qEnvironmentVariableIsSet("AMBER_TEST_SEED")
                                 ? qEnvironmentVariableIntValue("AMBER_TEST_SEED")
                                 : kSeed);
            std::set<MainWindow::Place> places;
            int changes = 0;
            const QObject counting;
            QObject::connect(&app.document().looks(), &LooksInHand::revisionsChanged, &counting, [&] { ++changes; });
            QObject::connect(&app.document(), &Document::historyChanged, &counting, [&] { ++changes; });
            for (int i = 0; i < kActions; ++i) {
                hands.act();
                places.insert(app.window().place());
            }
            EXPECT_EQ(places.size(), 9u);
            EXPECT_GT(changes, 0) << "the hands did work";
            EXPECT_GT(hands.insideActions(), 10) << "menus and dialogs were met as well";
            ASSERT_TRUE(
                waitUntil([&] { return !QApplication::activePopupWidget() && !QApplication::activeModalWidget(); }));
        }
        // It still answers: a frame is taken in hand, a step is added and taken back.
        for (Task* task : app.window().findChildren<Task*>()) {
            task->cancel();
            ASSERT_TRUE(waitUntil([&] { return !task->isRunning(); }, 120000));
        }
        ASSERT_TRUE(app.document().isOpen());
        app.window().balance().commitPending();  // a number that was still in the hand
        const auto steps = app.look().steps;
        if (steps.size() < kStepLimit) {
            app.document().looks().addStep(Contrast{});
            EXPECT_EQ(app.look().steps.size(), steps.size() + 1);
            app.document().undo();
            EXPECT_EQ(app.look().steps, steps);
        }
        frames = app.document().frames().size(), looks = app.document().looks().entries().size();
    }
    EXPECT_EQ(hashesOf(folder / "shoot"), before) << "no picture was written to";
    OpenWindow again(folder / "shoot");
    EXPECT_TRUE(again.document().looks().fault().isEmpty());
    EXPECT_TRUE(again.message().isEmpty()) << again.message().toStdString();
    EXPECT_EQ(again.document().frames().size(), frames);
    EXPECT_EQ(again.document().looks().entries().size(), looks);
}

}  // namespace
}  // namespace amber::test
