// Drives the real window: a made-up shoot, waiting without sleeping, and the hands of a user.
#pragma once

#include "app/bench/bench.h"
#include "app/bench/curve_editor.h"
#include "app/bench/dyes_editor.h"
#include "app/bench/hue_editor.h"
#include "app/bench/table_editor.h"
#include "app/places/handover/handover_place.h"
#include "app/places/look/look_place.h"
#include "app/places/shoot/shoot_place.h"
#include "app/shell/main_window.h"
#include "app/stepline/step_line.h"
#include "tests/support/picture_files.h"
#include "tests/support/temporary_folder.h"

#include <QtTest/QtTest>
#include <QtWidgets>

namespace amber::test {

/// `count` frames of 360 x 240: a grey ramp above, coloured fields below, another tint in each.
inline void writeShoot(const std::filesystem::path& folder, int count, const char* extension = ".png")
{
    for (int n = 0; n < count; ++n) {
        RawPicture raw{360, 240, 3, 8, {}};
        for (int y = 0; y < 240; ++y)
            for (int x = 0; x < 360; ++x) {
                const QColor c =
                    y < 100 ? QColor::fromHsv(0, 0, x * 255 / 359)
                            : QColor::fromHsv((x * 359 / 360 + 40 * n) % 360, 90 + y / 2, 120 + (y + 13 * n) % 100);
                for (int v : {c.red(), c.green(), c.blue()})
                    raw.codes.push_back(static_cast<std::uint16_t>(v));
            }
        writeRaw(folder / ("frame-" + std::to_string(n) + extension), raw);
    }
}

/// How long a hand waits before it gives up; a sanitizer makes everything up to twenty times slower.
#if defined(__SANITIZE_THREAD__) || defined(__SANITIZE_ADDRESS__)
inline constexpr int kPatience = 300000;
#else
inline constexpr int kPatience = 30000;
#endif

template <class Done>
[[nodiscard]] bool waitUntil(Done&& done, int milliseconds = kPatience)
{
    return QTest::qWaitFor(std::forward<Done>(done), milliseconds);
}

/// Opens what is named and waits for it. Whether it was opened.
inline bool opens(Document& document, const QStringList& names)
{
    bool isDone = false, isOpened = false;
    const auto is = [&](bool opened) { isDone = true, isOpened = opened; };
    const auto yes = QObject::connect(&document, &Document::opened, [&] { is(true); });
    const auto no = QObject::connect(&document, &Document::notOpened, [&] { is(false); });
    std::vector<std::filesystem::path> paths;
    for (const QString& name : names)
        paths.emplace_back(name.toStdString());
    document.open(paths);
    const bool wasInTime = waitUntil([&] { return isDone && !document.opening().isRunning(); });
    QObject::disconnect(yes);
    QObject::disconnect(no);
    return wasInTime && isOpened;
}

class OpenWindow {
public:
    explicit OpenWindow(const std::filesystem::path& folder = {})
    {
        m_window.resize(1280, 800);
        m_window.show();
        (void)QTest::qWaitForWindowExposed(&m_window);
        if (!folder.empty())
            open(QString::fromStdString(folder.string()));
    }
    /// As by the menu of the desktop, a drop or the command line; waits for it.
    void open(const QString& name)
    {
        m_window.open({name});
        if (!waitUntil([&] { return !document().opening().isRunning(); }))
            qFatal("%s was not opened in time", qPrintable(name));
    }

    MainWindow& window() { return m_window; }
    Document& document() { return m_window.document(); }
    const Look& look() { return m_window.document().looks().look(); }
    Wall& wall() { return m_window.look().wall(); }
    PictureView& picture() { return wall().inHand(); }
    template <class T = QWidget>
    T& find(const char* name)
    {
        T* found = m_window.findChild<T*>(name);
        if (!found)
            qFatal("no %s in the window", name);
        return *found;
    }
    QString message() { return find("messageBar").isVisible() ? find<QLabel>("message").text() : QString(); }

    bool thumbnailsRead()
    {
        return waitUntil(
            [&] { return m_window.shoot().model().readCount() == static_cast<int>(document().frames().size()); });
    }
    /// The wall shows the newest render.
    bool settled()
    {
        return waitUntil([&] {
            return picture().paintedNumber() == wall().requested() && wall().requested() > 0 &&
                   !picture().image().isNull();
        });
    }
    /// Nothing is being read, measured or rendered, and what was is shown.
    bool atRest()
    {
        const auto rested = [&] {
            QCoreApplication::processEvents();
            return m_window.queue().isIdle();
        };
        return waitUntil(rested) && waitUntil(rested);
    }
    bool goToLook()
    {
        key(Qt::Key_4, Qt::ControlModifier);
        return settled();
    }
    /// The window has the keyboard; a menu that has just closed may still hold it: that it was activated is told late.
    bool hasKeyboard()
    {
        return waitUntil([&] {
            QCoreApplication::processEvents();
            if (!m_window.isActiveWindow())
                m_window.activateWindow();
            return m_window.isActiveWindow() && !QApplication::activePopupWidget();
        });
    }
    /// Hands over, also what is asked about first. Whether it came to its end.
    bool handOver()
    {
        const auto said = [this] { return find<QLabel>("exportState").text(); };
        QTest::mouseClick(&find("exportStart"), Qt::LeftButton);
        const auto isAsking = [&] { return said().startsWith("To be looked at") && find("exportStart").isEnabled(); };
        const auto isDone = [&] { return said().startsWith("Done") || said().startsWith("Stopped"); };
        if (!waitUntil([&] { return isDone() || isAsking(); }))
            return false;
        if (isAsking())
            QTest::mouseClick(&find("exportStart"), Qt::LeftButton);
        return waitUntil(isDone);
    }
    void key(Qt::Key key, Qt::KeyboardModifiers modifiers = {})
    {
        if (!QApplication::activeModalWidget())
            (void)hasKeyboard();
        QWidget* to = QApplication::focusWidget();
        QTest::keyClick(to ? to : &m_window, key, modifiers);
    }
    /// Does `act` to the next menu or dialog as soon as it is open.
    static void whenOpen(const std::function<void(QWidget*)>& act)
    {
        auto* timer = new QTimer(qApp);
        QObject::connect(timer, &QTimer::timeout, timer, [timer, act] {
            QWidget* open = QApplication::activePopupWidget() ? QApplication::activePopupWidget()
                                                              : QApplication::activeModalWidget();
            if (!open || !open->isVisible())
                return;
            timer->deleteLater();
            timer->stop();
            act(open);
        });
        timer->start(5);
    }
    /// Adds a step as a user does: the menu of the step line, by mouse.
    bool addStep(const QString& title)
    {
        whenOpen([title](QWidget* menu) {
            for (QAction* action : menu->actions())
                if (action->text() == title)
                    QTest::mouseClick(menu, Qt::LeftButton, {},
                                      qobject_cast<QMenu*>(menu)->actionGeometry(action).center());
        });
        const std::size_t before = look().steps.size();
        StepLine& line = m_window.look().stepLine();
        const QRect last = line.tileRect(static_cast<int>(before));
        QTest::mouseClick(&line, Qt::LeftButton, {}, QPoint(last.right() + 35, last.center().y()));
        return look().steps.size() == before + 1 && settled() && hasKeyboard();
    }
    static void drag(QWidget& widget, QPoint from, QPoint by, int moves = 6)
    {
        QTest::mousePress(&widget, Qt::LeftButton, {}, from);
        for (int i = 1; i <= moves; ++i)
            QTest::mouseMove(&widget, from + by * i / moves);
        QTest::mouseRelease(&widget, Qt::LeftButton, {}, from + by);
    }
    void type(QWidget& field, const QString& words)
    {
        field.setFocus();
        QTest::keyClick(&field, Qt::Key_A, Qt::ControlModifier);
        QTest::keyClicks(&field, words);
        QTest::keyClick(&field, Qt::Key_Return);
    }
    /// A place in the picture as widget coordinates.
    QPoint placeInPicture(double x, double y)
    {
        const QRectF area = picture().pictureArea();
        return (area.topLeft() + QPointF(x * area.width(), y * area.height())).toPoint();
    }

private:
    MainWindow m_window;
};

}  // namespace amber::test
