// The Areas place under test: opened with frames of the demo or made ones, and driven as a hand does.
#pragma once

#include "app/places/areas/area_canvas.h"
#include "app/places/areas/areas_place.h"
#include "tests/support/area_hand.h"
#include "tests/support/area_truth.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>

namespace amber::test {

class AreasWindow : public ::testing::Test {
protected:
    void open(const std::vector<std::string>& frames)
    {
        for (const std::string& name : frames)
            std::filesystem::copy_file(demoPicture(name), folder / (name + ".jpg"));
        reopen();
    }
    void reopen()
    {
        app.reset();
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
        app->key(Qt::Key_3, Qt::ControlModifier);
        ASSERT_TRUE(place().isVisible());
        ASSERT_TRUE(waitUntil([&] { return place().hand().isReady(); }));
    }
    void makeRole(const QString& name)
    {
        OpenWindow::whenOpen([&name](QWidget* dialog) {
            QTest::keyClicks(dialog->findChild<QLineEdit*>(), name);
            QTest::keyClick(dialog, Qt::Key_Return);
        });
        click("areaNewRole");
        ASSERT_EQ(place().model().role(), name.toStdString());
        ASSERT_TRUE(waitUntil([&] { return place().hand().isReady(); }));
    }
    bool takeFrame(const std::string& name)
    {
        app->document().selection().setFrameInHand(id(name));
        return waitUntil([&] { return place().hand().frame() == id(name) && place().hand().isReady(); });
    }
    FrameId id(const std::string& stem)
    {
        for (const Frame& frame : app->document().frames())
            if (frame.path.stem() == stem)
                return frame.id;
        return 0;
    }
    const Area* areaOf(const std::string& frame)
    {
        return app->document().job().areaOf(id(frame), place().model().role());
    }
    double overlapWith(const std::string& frame, const FoundMask& truth)
    {
        const auto* found = std::get_if<Found>(&areaOf(frame)->parts.back().shape);
        return found ? overlapOf(*unpacked(*found->mask), truth) : 0;
    }
    /// Drags along a stroke on the picture, as a hand does.
    void draw(const Stroke& stroke, Qt::KeyboardModifiers modifiers = {})
    {
        const auto at = [&](const Stroke::Point& p) {
            const QRectF area = canvas().pictureArea();
            return (area.topLeft() + QPointF(p.at.x * area.width(), p.at.y * area.height())).toPoint();
        };
        QTest::mousePress(&canvas(), Qt::LeftButton, modifiers, at(stroke.points.front()));
        for (const Stroke::Point& p : stroke.points)
            QTest::mouseMove(&canvas(), at(p));
        QTest::mouseRelease(&canvas(), Qt::LeftButton, modifiers, at(stroke.points.back()));
    }
    static Stroke line(Spot from, Spot to) { return {{{from, 1}, {to, 1}}, 0.01, 0.5, 1}; }
    bool find(const char* button = "areaFindAll")
    {
        click(button);
        return waitUntil([&] { return !place().task().isRunning(); });
    }
    void press(QWidget& widget, Qt::Key key, Qt::KeyboardModifiers modifiers = {})
    {
        ASSERT_TRUE(app->hasKeyboard());
        widget.setFocus();
        QTest::keyClick(&widget, key, modifiers);
    }
    void click(const char* name) { QTest::mouseClick(&app->find(name), Qt::LeftButton); }
    AreasPlace& place() { return app->window().areas(); }
    AreaCanvas& canvas() { return place().canvas(); }
    QString words(const char* name) { return app->find<QLabel>(name).text(); }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

}  // namespace amber::test
