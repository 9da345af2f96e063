// The bench of the Areas place: parts of an area, their numbers, outlines and colours, what the area is to the balance.
#include "app/theme/number_box.h"
#include "tests/window/areas_window.h"

namespace amber::test {
namespace {

constexpr double kPixel = 0.004;

class AreasBench : public AreasWindow {
protected:
    void openMade()
    {
        writeShoot(folder.path(), 2);
        reopen();
        makeRole("light");
    }
    const Area& area() { return *place().hand().area(); }
    bool isKept(std::size_t parts)
    {
        return waitUntil([&] {
            const Area* kept = app->document().job().areaOf(place().hand().frame(), "light");
            return !place().hand().isBusy() && kept && kept->parts.size() == parts;
        });
    }
    QPoint at(Spot spot)
    {
        const QRectF picture = canvas().pictureArea();
        return (picture.topLeft() + QPointF(spot.x * picture.width(), spot.y * picture.height())).toPoint();
    }
    void clickAt(Spot spot, Qt::KeyboardModifiers modifiers = {})
    {
        QTest::mouseClick(&canvas(), Qt::LeftButton, modifiers, at(spot));
    }
    void choose(const char* name, int index)
    {
        auto& box = app->find<QComboBox>(name);
        box.setFocus();
        box.setCurrentIndex(index);
        emit box.activated(index);
    }
};

TEST_F(AreasBench, AnOutlineIsClickedRoundClosedDraggedSmoothedAndTakenBack)
{
    openMade();
    click("areaOutline");
    for (const Spot spot : {Spot{0.2, 0.2}, Spot{0.8, 0.2}, Spot{0.8, 0.7}, Spot{0.5, 0.9}})
        clickAt(spot);
    EXPECT_FALSE(place().hand().area()) << "it is not closed yet";
    clickAt({0.2, 0.2});
    ASSERT_TRUE(isKept(1));
    const auto outline = [&] { return std::get<Outline>(area().parts.back().shape); };
    ASSERT_EQ(outline().points.size(), 4u);
    EXPECT_NEAR(outline().points[2].y, 0.7, kPixel);
    draw(line({0.8, 0.7}, {0.9, 0.6}));
    EXPECT_NEAR(outline().points[2].x, 0.9, kPixel);
    EXPECT_EQ(area().parts.size(), 1u) << "a point was dragged, nothing else drawn";
    click("areaPartFlag");
    EXPECT_TRUE(waitUntil([&] { return outline().isSmooth && !place().hand().isBusy(); }));
    app->document().undo();
    EXPECT_FALSE(outline().isSmooth);
    app->document().undo();
    EXPECT_NEAR(outline().points[2].x, 0.8, kPixel);
    clickAt({0.1, 0.9}), clickAt({0.2, 0.95});
    press(canvas(), Qt::Key_Escape);
    clickAt({0.1, 0.9});
    press(canvas(), Qt::Key_Return);
    EXPECT_EQ(area().parts.size(), 1u) << "two points are no outline";
}

TEST_F(AreasBench, AnOutlineIsDrawnByKeyboardAlone)
{
    openMade();
    canvas().setFocus();
    press(canvas(), Qt::Key_O);
    for (const Qt::Key way : {Qt::Key_Right, Qt::Key_Down, Qt::Key_Left, Qt::Key_Left}) {
        press(canvas(), Qt::Key_Space);
        for (int i = 0; i < 3; ++i)
            press(canvas(), way, Qt::ControlModifier);
    }
    press(canvas(), Qt::Key_Space);
    press(canvas(), Qt::Key_Backspace);
    press(canvas(), Qt::Key_Return);
    ASSERT_TRUE(isKept(1));
    EXPECT_EQ(std::get<Outline>(area().parts[0].shape).points.size(), 4u) << "the fifth was taken away again";
}

TEST_F(AreasBench, NumbersAreTypedPartsJoinedChosenAndRemoved)
{
    openMade();
    click("areaEllipse");
    draw(line({0.5, 0.5}, {0.7, 0.7}));
    clickAt({0.1, 0.1});
    EXPECT_EQ(area().parts.size(), 1u) << "a click places nothing";
    app->type(app->find("ellipseX"), "40");
    app->type(app->find("ellipseTurn"), "30");
    app->type(app->find("ellipseFeather"), "10");
    ASSERT_TRUE(isKept(1));
    const auto ellipse = [&] { return std::get<Ellipse>(area().parts[0].shape); };
    EXPECT_NEAR(ellipse().middle.x, 0.4, 1e-6);
    EXPECT_NEAR(ellipse().turnDegrees, 30, 1e-6);
    EXPECT_NEAR(ellipse().feather, 0.1, 1e-6);
    click("areaRamp");
    draw(line({0.5, 0.1}, {0.5, 0.6}));
    choose("areaJoin", 2);
    ASSERT_TRUE(isKept(2));
    EXPECT_EQ(area().parts[1].join, AreaPart::Join::Within);
    app->type(app->find("areaPartDensity"), "60");
    app->type(app->find("areaDensity"), "80");
    app->type(app->find("areaFeather"), "1.5");
    app->type(app->find("areaGrow"), "-0.5");
    click("areaInverted");
    ASSERT_TRUE(isKept(2));
    EXPECT_NEAR(area().parts[1].density, 0.6, 1e-6);
    EXPECT_NEAR(area().density, 0.8, 1e-6);
    EXPECT_NEAR(area().feather, 0.015, 1e-6);
    EXPECT_NEAR(area().grow, -0.005, 1e-6);
    EXPECT_TRUE(area().isInverted);
    choose("areaParts", 0);
    EXPECT_TRUE(app->find("ellipseX").isVisible()) << "the numbers of the part in hand";
    click("areaRemovePart");
    ASSERT_TRUE(isKept(1));
    EXPECT_TRUE(std::holds_alternative<Ramp>(area().parts[0].shape));
    EXPECT_TRUE(waitUntil([&] { return words("areaMeasures").contains("% of the frame"); }));
    const Area kept = area();
    reopen();
    place().setRole("light");
    EXPECT_EQ(*app->document().job().areaOf(place().hand().frame(), "light"), kept);
}

TEST_F(AreasBench, ColoursArePickedWidenedAndTakenAway)
{
    open({"north-window-02"});
    makeRole("light");
    const FoundMask lemon = truthOf("north-window-02", "lemon");
    const auto where = strokeOver(lemon).points.front().at;
    click("areaRange");
    clickAt(where);
    ASSERT_TRUE(isKept(1));
    const auto range = [&] { return std::get<ColourRange>(area().parts[0].shape).colours; };
    const Guard first = range();
    EXPECT_TRUE(first.limitsHue()) << "a lemon has a hue";
    draw(line({where.x - 0.01, where.y - 0.01}, {where.x + 0.01, where.y + 0.01}));
    ASSERT_TRUE(isKept(1));
    EXPECT_LE(range().toneLow, first.toneLow);
    EXPECT_GE(range().toneHigh, first.toneHigh);
    app->type(app->find("rangeToneHigh"), "90");
    ASSERT_TRUE(isKept(1));
    EXPECT_NEAR(range().toneHigh, 0.9, 1e-6);
    clickAt({0.5, 0.05}, Qt::ShiftModifier);
    ASSERT_TRUE(isKept(2));
    EXPECT_EQ(area().parts[1].join, AreaPart::Join::Cut);
}

TEST_F(AreasBench, BoxesRoundTwoThingsMakeOneAreaOneDrawnAgainReplacesItsOwnAndOneWithShiftTakesAway)
{
    constexpr double kRight = 0.8;
    const std::string frame = "north-window-02";
    open({frame});
    makeRole("light");
    const auto truth = [&](const std::string& part) {
        const auto all = thingsOf(frame, 0.002);
        const auto one = std::find_if(all.begin(), all.end(), [&](const TrueThing& t) { return t.part == part; });
        return truthOf(frame, part, one == all.end() ? 0 : one->thing);
    };
    const auto drawBox = [&](const std::string& part, Qt::KeyboardModifiers modifiers = {}, double larger = 0) {
        const Region box = boxOf(truth(part));
        draw(line({box.left - larger, box.top - larger}, {box.right + larger, box.bottom + larger}), modifiers);
    };
    const auto overlapOfPart = [&](std::size_t index, const std::string& part) {
        return overlapOf(*unpacked(*std::get<Found>(area().parts[index].shape).mask), truth(part));
    };
    click("areaBox");
    drawBox("lemon");
    ASSERT_TRUE(isKept(1));
    drawBox("jug");
    ASSERT_TRUE(isKept(2)) << "another thing is a further part";
    EXPECT_GE(overlapOfPart(0, "lemon"), kRight);
    EXPECT_GE(overlapOfPart(1, "jug"), kRight);
    const std::string lemonWas = std::get<Found>(area().parts[0].shape).hash;
    drawBox("lemon", {}, 0.01);
    ASSERT_TRUE(waitUntil([&] { return std::get<Found>(area().parts[0].shape).hash != lemonWas; }));
    ASSERT_TRUE(isKept(2)) << "the same thing in its own place";
    EXPECT_GE(overlapOfPart(0, "lemon"), kRight);
    drawBox("jug", Qt::ShiftModifier);
    ASSERT_TRUE(isKept(3));
    EXPECT_EQ(area().parts[2].join, AreaPart::Join::Cut);
    app->document().undo();
    ASSERT_TRUE(isKept(2)) << "and each box is one gesture";

    Job offered = app->document().job();
    offered.areas.begin()->second.state = Area::State::Proposed;
    ASSERT_TRUE(app->document().commit(offered, "Offered"));
    drawBox("cup_amber");
    ASSERT_TRUE(isKept(1)) << "what was only offered did not hold";
    EXPECT_GE(overlapOfPart(0, "cup_amber"), kRight);
}

TEST_F(AreasBench, WhatTheRoleIsToTheBalanceIsSaidOnceForAllFramesAndTakenBack)
{
    openMade();
    for (const Frame& frame : app->document().frames()) {
        app->document().selection().setFrameInHand(frame.id);
        ASSERT_TRUE(waitUntil([&] { return place().hand().frame() == frame.id && place().hand().isReady(); }));
        click("areaRamp");
        draw(line({0.5, 0.1}, {0.5, 0.6}));
    }
    choose("areaInBalance", 2);
    for (const auto& [id, area] : app->document().job().areas)
        EXPECT_EQ(area.inBalance, Area::InBalance::LeftOut);
    EXPECT_EQ(app->document().undoAction(), "Balance by light");
    app->document().undo();
    for (const auto& [id, area] : app->document().job().areas)
        EXPECT_EQ(area.inBalance, Area::InBalance::Counts);
    EXPECT_EQ(app->find<QComboBox>("areaInBalance").currentIndex(), 0);
}

}  // namespace
}  // namespace amber::test
