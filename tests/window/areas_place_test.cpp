// The Areas place, as hands use it: a thing stroked, found again, confirmed, refused; ramps, brushes and pens; all of
// it taken back, kept, and done by keyboard alone.
#include "tests/window/areas_window.h"

#include <QPointingDevice>

namespace amber::test {
namespace {

constexpr double kRight = 0.85;

TEST_F(AreasWindow, AThingStrokedOnceIsFoundOnTheSameSceneConfirmedKeptAndTakenBack)
{
    open({"north-window-02", "north-window-03", "dusk-terrace-02"});
    makeRole("lemon");
    ASSERT_TRUE(takeFrame("north-window-02"));
    EXPECT_TRUE(words("areaCounts").contains("3 not marked"));
    const auto things = thingsOf("north-window-02", 0.004);
    const auto lemon = std::find_if(things.begin(), things.end(), [](const auto& t) { return t.part == "lemon"; });
    ASSERT_NE(lemon, things.end());
    const FoundMask truth = truthOf("north-window-02", lemon->part, lemon->thing);
    draw(strokeOver(truth));
    ASSERT_TRUE(waitUntil([&] { return areaOf("north-window-02") != nullptr; }));
    EXPECT_EQ(areaOf("north-window-02")->state, Area::State::ByHand);
    EXPECT_GE(overlapWith("north-window-02", truth), kRight);
    EXPECT_EQ(app->document().undoAction(), "Area drawn");

    ASSERT_TRUE(find());
    const Area* again = areaOf("north-window-03");
    ASSERT_TRUE(again);
    EXPECT_EQ(again->state, Area::State::Proposed) << "nothing holds that nobody saw";
    EXPECT_GE(overlapWith("north-window-03", truthOf("north-window-03", lemon->part, lemon->thing)), kRight);
    // Another scene has a lemon too; its colours are less sure than the same scene's places.
    ASSERT_TRUE(areaOf("dusk-terrace-02"));
    EXPECT_GE(overlapWith("dusk-terrace-02", truthOf("dusk-terrace-02", "lemon")), kRight);
    EXPECT_EQ(place().model().frameAt(0), id("dusk-terrace-02")) << "what wants to be seen comes first";
    EXPECT_EQ(app->document().selection().frameInHand(), id("dusk-terrace-02"));
    EXPECT_TRUE(words("areaFrameWords").contains("its colours")) << words("areaFrameWords").toStdString();

    press(place().tiles(), Qt::Key_Return);
    EXPECT_EQ(areaOf("dusk-terrace-02")->state, Area::State::Confirmed);
    EXPECT_EQ(app->document().selection().frameInHand(), id("north-window-03")) << "on to the next";
    EXPECT_TRUE(words("areaFrameWords").contains("the same scene")) << words("areaFrameWords").toStdString();
    press(place().tiles(), Qt::Key_Delete);
    EXPECT_FALSE(areaOf("north-window-03"));
    click("areaRestNotHere");
    EXPECT_EQ(place().model().countOf(AreasModel::Standing::Open) +
                  place().model().countOf(AreasModel::Standing::NotFound),
              0);
    const auto kept = app->document().job().areas;
    reopen();
    EXPECT_EQ(app->document().job().areas, kept);
    while (app->document().job().areas.size() > 1)
        app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(areaOf("north-window-02")->state, Area::State::ByHand);
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(app->document().job().areas.empty());
}

TEST_F(AreasWindow, SkiesAreOfferedUnseenAndRefusedOrDeniedByKeys)
{
    open({"dusk-terrace-02", "north-window-01"});
    makeRole("sky");
    ASSERT_TRUE(find("areaFindRoles"));
    ASSERT_TRUE(areaOf("dusk-terrace-02"));
    EXPECT_GE(overlapWith("dusk-terrace-02", truthOf("dusk-terrace-02", "sky")), 0.9);
    EXPECT_FALSE(areaOf("north-window-01")) << "a wall is no sky";
    EXPECT_EQ(place().model().standingOf(id("north-window-01")), AreasModel::Standing::NotFound);
    press(place().tiles(), Qt::Key_Delete);
    EXPECT_FALSE(areaOf("dusk-terrace-02"));
    app->document().undo();
    EXPECT_EQ(areaOf("dusk-terrace-02")->state, Area::State::Proposed);
    click("areaConfirmSure");
    EXPECT_EQ(areaOf("dusk-terrace-02")->state, Area::State::Confirmed);
    EXPECT_EQ(app->document().selection().frameInHand(), id("north-window-01")) << "on to the next";
    press(place().tiles(), Qt::Key_N);
    EXPECT_EQ(areaOf("north-window-01")->state, Area::State::NotHere);
    ASSERT_TRUE(find());
    EXPECT_EQ(areaOf("north-window-01")->state, Area::State::NotHere) << "what was decided stays";
}

TEST_F(AreasWindow, StrokesSetRightWhatWasFound)
{
    open({"north-window-02"});
    makeRole("bowl");
    const auto things = thingsOf("north-window-02", 0.004);
    const auto bowl = std::find_if(things.begin(), things.end(), [](const auto& t) { return t.part == "bowl"; });
    ASSERT_NE(bowl, things.end());
    const FoundMask truth = truthOf("north-window-02", bowl->part, bowl->thing);
    draw(strokeOver(truth));
    ASSERT_TRUE(waitUntil([&] { return areaOf("north-window-02") != nullptr; }));
    const double first = overlapWith("north-window-02", truth);
    const std::string before = std::get<Found>(areaOf("north-window-02")->parts.back().shape).hash;
    const Wrong wrong = worstOf(*unpacked(*std::get<Found>(areaOf("north-window-02")->parts.back().shape).mask), truth);
    draw(strokeOver(wrong.where), wrong.isMissing ? Qt::NoModifier : Qt::ShiftModifier);
    ASSERT_TRUE(
        waitUntil([&] { return std::get<Found>(areaOf("north-window-02")->parts.back().shape).hash != before; }));
    EXPECT_GT(overlapWith("north-window-02", truth), first);
    EXPECT_EQ(areaOf("north-window-02")->parts.size(), 1u);
    click("areaStartOver");
    EXPECT_FALSE(areaOf("north-window-02"));
}

TEST_F(AreasWindow, RampsAndEllipsesFollowTheHandAndTheirHandles)
{
    writeShoot(folder.path(), 2);
    reopen();
    makeRole("light");
    click("areaRamp");
    draw(line({0.5, 0.2}, {0.5, 0.6}));
    const auto ramp = [&] { return std::get<Ramp>(place().hand().area()->parts.back().shape); };
    ASSERT_TRUE(place().hand().area());
    constexpr double kPixel = 0.003;
    EXPECT_NEAR(ramp().full.y, 0.2, kPixel);
    EXPECT_NEAR(ramp().none.y, 0.6, kPixel);
    draw(line({0.5, 0.6}, {0.7, 0.9}));
    EXPECT_NEAR(ramp().none.x, 0.7, kPixel);
    EXPECT_NEAR(ramp().full.y, 0.2, kPixel) << "the other handle stays";
    EXPECT_EQ(place().hand().area()->parts.size(), 1u);
    EXPECT_TRUE(waitUntil([&] { return !place().hand().isBusy() && canvas().isVeilPainted(); }));
    draw(line({0.1, 0.1}, {0.1, 0.1}));
    EXPECT_EQ(place().hand().area()->parts.size(), 1u) << "a click places nothing";
    click("areaEllipse");
    draw(line({0.3, 0.3}, {0.4, 0.4}), Qt::ShiftModifier);
    ASSERT_EQ(place().hand().area()->parts.size(), 2u);
    EXPECT_EQ(place().hand().area()->parts[1].join, AreaPart::Join::Cut);
    app->document().undo();
    EXPECT_EQ(place().hand().area()->parts.size(), 1u);
    app->document().undo();
    EXPECT_NEAR(ramp().none.y, 0.6, kPixel) << "each drag is one gesture";
}

TEST_F(AreasWindow, APenPaintsByItsPressureAndErasesByItsOtherEnd)
{
    writeShoot(folder.path(), 1);
    reopen();
    makeRole("cheek");
    click("areaBrush");
    const QRectF area = canvas().pictureArea();
    const auto pen = [&](QPointingDevice::PointerType type, double pressure) {
        static QPointingDevice tip("pen", 1, QInputDevice::DeviceType::Stylus, QPointingDevice::PointerType::Pen,
                                   QInputDevice::Capability::Pressure | QInputDevice::Capability::Position, 1, 1),
            eraser("eraser", 2, QInputDevice::DeviceType::Stylus, QPointingDevice::PointerType::Eraser,
                   QInputDevice::Capability::Pressure | QInputDevice::Capability::Position, 1, 1);
        const auto send = [&](QEvent::Type kind, double x, double force) {
            const QPointF at = area.topLeft() + QPointF(x * area.width(), 0.5 * area.height());
            QTabletEvent event(kind, type == QPointingDevice::PointerType::Pen ? &tip : &eraser, at,
                               canvas().mapToGlobal(at), force, 0, 0, 0, 0, 0, {}, Qt::LeftButton, Qt::LeftButton);
            QApplication::sendEvent(&canvas(), &event);
        };
        send(QEvent::TabletPress, 0.3, pressure);
        send(QEvent::TabletMove, 0.4, pressure / 2);
        send(QEvent::TabletMove, 0.5, pressure);
        send(QEvent::TabletRelease, 0.5, 0);
    };
    pen(QPointingDevice::PointerType::Pen, 0.6);
    ASSERT_TRUE(place().hand().area());
    const auto& stroke = std::get<Stroke>(place().hand().area()->parts[0].shape);
    EXPECT_NEAR(stroke.points.front().pressure, 0.6, 1e-6);
    EXPECT_NEAR(stroke.points.back().at.x, 0.5, 1e-3);
    pen(QPointingDevice::PointerType::Eraser, 1);
    ASSERT_EQ(place().hand().area()->parts.size(), 2u);
    EXPECT_EQ(place().hand().area()->parts[1].join, AreaPart::Join::Cut);
}

TEST_F(AreasWindow, WorksByKeyboardAlone)
{
    writeShoot(folder.path(), 2);
    reopen();
    makeRole("light");
    canvas().setFocus();
    press(canvas(), Qt::Key_R);
    EXPECT_EQ(canvas().tool(), AreaCanvas::Tool::Ramp);
    press(canvas(), Qt::Key_Up, Qt::ControlModifier);
    press(canvas(), Qt::Key_Space);
    for (int i = 0; i < 4; ++i)
        press(canvas(), Qt::Key_Down, Qt::ControlModifier);
    press(canvas(), Qt::Key_Space);
    ASSERT_TRUE(place().hand().area());
    const Ramp ramp = std::get<Ramp>(place().hand().area()->parts[0].shape);
    EXPECT_LT(ramp.full.y, 0.5);
    EXPECT_GT(ramp.none.y, 0.5);
    const double before = canvas().radius();
    press(canvas(), Qt::Key_P);
    press(canvas(), Qt::Key_BracketRight);
    EXPECT_GT(canvas().radius(), before);
    app->type(app->find("areaRadius"), "5");
    EXPECT_NEAR(canvas().radius(), 0.05, 1e-9) << "typed";
    place().tiles().setFocus();
    press(place().tiles(), Qt::Key_J);
    EXPECT_NE(place().hand().frame(), 0);
}

TEST_F(AreasWindow, ALookThatComesInSaysWhatItNeedsAndOffersToFindIt)
{
    open({"dusk-terrace-02", "north-window-01"});
    ASSERT_TRUE(app->document().looks().importLook(QString::fromUtf8(AMBER_SOURCE_DIR "/demo/looks/sea-fog.json")));
    const auto answer = [&] { return app->window().findChild<QPushButton*>("question-areas-1"); };
    ASSERT_TRUE(waitUntil([&] { return answer() && answer()->isVisible(); }));
    EXPECT_EQ(answer()->text(), "Find them");
    QTest::mouseClick(answer(), Qt::LeftButton);
    ASSERT_TRUE(waitUntil([&] { return !place().task().isRunning() && areaOf("dusk-terrace-02"); }));
    EXPECT_EQ(place().model().role(), "sky");
    EXPECT_EQ(areaOf("dusk-terrace-02")->state, Area::State::Proposed);
    EXPECT_TRUE(waitUntil([&] { return !answer() || !answer()->isVisible(); })) << "it is known now";
    EXPECT_EQ(framesToMark(app->document().job(), app->document().frames(), app->look()).size(), 2u)
        << "until somebody says that it holds";
}

TEST_F(AreasWindow, WithoutARoleNothingCanBeDrawn)
{
    writeShoot(folder.path(), 1);
    reopen();
    EXPECT_FALSE(app->find("areaFindAll").isEnabled());
    EXPECT_FALSE(canvas().isEnabled());
    EXPECT_TRUE(words("areaCounts").contains("no roles"));
    draw(line({0.2, 0.2}, {0.5, 0.5}));
    EXPECT_TRUE(app->document().job().areas.empty());
}

}  // namespace
}  // namespace amber::test
