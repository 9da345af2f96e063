// The window, driven by object name as a person would: click, drag, type, undo, quit, reopen.
#include "core/colour/oklab.h"
#include "core/look/look_json.h"
#include "tests/support/run_command.h"
#include "tests/window/window_support.h"

#include <QAbstractItemModelTester>
#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

template <class T>
const T& stepOf(const Look& look, std::size_t index)
{
    return std::get<T>(look.steps.at(index).parameters);
}

TEST(Window, DesignsALookAndHandsItOverExactlyAsTheCommandLineDoes)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 4);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead());

    // Shoot: a click takes a frame in hand, Ctrl and a click takes a companion away or adds it.
    QListView& sheet = app.window().shoot().sheet();
    const auto clickFrame = [&](int row, Qt::KeyboardModifiers modifiers = {}) {
        QTest::mouseClick(sheet.viewport(), Qt::LeftButton, modifiers,
                          sheet.visualRect(sheet.model()->index(row, 0)).center());
    };
    clickFrame(1);
    EXPECT_EQ(app.document().frame(app.document().selection().frameInHand())->path.filename(), "frame-1.png");
    ASSERT_TRUE(app.goToLook());

    // Look: a curve drawn with the mouse, dyes with the keyboard, hues on the picture.
    ASSERT_TRUE(app.addStep("Tone curve"));
    auto& curve = app.find<CurvePlot>("curvePlot");
    OpenWindow::drag(curve, QPoint(curve.width() * 2 / 3, curve.height() / 2), QPoint(0, -18));
    ASSERT_EQ(stepOf<ToneCurve>(app.look(), 0).all.size(), 3u);
    EXPECT_GT(stepOf<ToneCurve>(app.look(), 0).all[1].y, stepOf<ToneCurve>(app.look(), 0).all[1].x + 0.02);
    app.type(app.find("curveOut"), "0.700");
    EXPECT_NEAR(stepOf<ToneCurve>(app.look(), 0).all[1].y, 0.7, 1e-9);
    app.type(app.find("stepStrength"), "0.80");
    app.type(app.find("stepNote"), "open the lights");
    EXPECT_EQ(app.look().steps[0].note, "open the lights");

    ASSERT_TRUE(app.addStep("Split toning"));
    auto& dyes = app.find<DyeTonePlot>("dyePlot");
    dyes.setFocus();
    for (int i = 0; i < 3; ++i)
        QTest::keyClick(&dyes, Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_NEAR(stepOf<SplitToning>(app.look(), 1).dyes[0].chroma, 0.03, 1e-9);
    app.type(app.find("dyeHue"), "200");

    ASSERT_TRUE(app.addStep("Hue shifts"));
    OpenWindow::drag(app.picture(), app.placeInPicture(0.30, 0.8), QPoint(0, -60));
    const HueShifts& hues = stepOf<HueShifts>(app.look(), 2);
    EXPECT_EQ(std::count_if(hues.families.begin(), hues.families.end(),
                            [](const HueFamily& f) { return f.move.turnDegrees > 5; }),
              1);
    ASSERT_TRUE(app.settled());

    // Hand over: 16-bit PNG of everything, compared with what the command line makes of the same look.
    app.key(Qt::Key_7, Qt::ControlModifier);
    ASSERT_TRUE(app.find("exportFormat").isVisible());
    app.find<QComboBox>("exportFormat").setFocus();
    QTest::keyClick(&app.find("exportFormat"), Qt::Key_Down);
    QTest::keyClick(&app.find("exportFormat"), Qt::Key_Down);
    app.type(app.find("exportFolder"), QString::fromStdString((folder / "window").string()));
    ASSERT_TRUE(app.handOver());
    EXPECT_TRUE(app.find<QLabel>("exportState").text().startsWith("Done: 4 written"));
    ASSERT_TRUE(app.document().looks().exportLook(QString::fromStdString((folder / "look.json").string())));
    const Ran ran = amber("apply " + (folder / "look.json").string() + " " + folder.path().string() +
                          "/*.png --format png16 --out " + (folder / "command").string());
    ASSERT_EQ(ran.status, 0) << ran.err;
    for (int i = 0; i < 4; ++i) {
        const std::string name = "frame-" + std::to_string(i) + ".png";
        const RawPicture one = readRaw(folder / "window" / name), two = readRaw(folder / "command" / name);
        EXPECT_EQ(one.bits, 16);
        EXPECT_EQ(largestDifference(one, two), 0) << name;
        EXPECT_GT(largestDifference(one, RawPicture{360, 240, 3, 16, std::vector<std::uint16_t>(one.codes.size(), 0)}),
                  0);
    }
}

TEST(Window, UndoesEverythingQuitsReopensAndRedoesIt)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    Look made;
    {
        OpenWindow app(folder.path());
        ASSERT_TRUE(app.goToLook());
        ASSERT_TRUE(app.addStep("Tone curve"));
        auto& plot = app.find<CurvePlot>("curvePlot");
        for (int i = 1; i <= 3; ++i)
            OpenWindow::drag(plot, QPoint(plot.width() * i / 4, plot.height() / 2), QPoint(0, -10 * i), 12);
        // Keys that belong together are one entry.
        plot.setFocus();
        for (int i = 0; i < 5; ++i)
            QTest::keyClick(&plot, Qt::Key_Up);
        ASSERT_TRUE(app.addStep("Split toning"));
        made = app.look();
        for (int i = 0; i < 6; ++i)
            app.key(Qt::Key_Z, Qt::ControlModifier);
        EXPECT_TRUE(app.look().steps.empty());
        EXPECT_FALSE(app.find<QToolButton>("undo").isEnabled());
    }
    OpenWindow app(folder.path());
    EXPECT_TRUE(app.look().steps.empty());
    ASSERT_TRUE(app.goToLook());
    for (int i = 0; i < 6; ++i)
        QTest::mouseClick(&app.find("redo"), Qt::LeftButton);
    EXPECT_EQ(lookToText(app.look(), true), lookToText(made, true));
    EXPECT_FALSE(app.find<QToolButton>("redo").isEnabled());
}

TEST(Window, HeldKeysShowThePictureUntouchedAndBeforeTheStep)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.goToLook());
    const QImage untouched = app.picture().image();
    ASSERT_TRUE(app.addStep("Tone curve"));
    auto& plot = app.find<CurvePlot>("curvePlot");
    OpenWindow::drag(plot, QPoint(plot.width() / 2, plot.height() / 2), QPoint(0, -25));
    ASSERT_TRUE(app.settled());
    const QImage curved = app.picture().image();
    ASSERT_TRUE(app.addStep("Split toning"));
    app.type(app.find("dyeChroma"), "0.08");
    ASSERT_TRUE(app.settled());
    const QImage whole = app.picture().image();
    EXPECT_NE(untouched, curved);
    EXPECT_NE(curved, whole);
    for (const auto& [key, expected] : {std::pair{Qt::Key_F2, untouched}, {Qt::Key_F3, curved}}) {
        QTest::keyPress(&app.window(), key);
        ASSERT_TRUE(app.settled());
        EXPECT_EQ(app.picture().image(), expected);
        QTest::keyRelease(&app.window(), key);
        ASSERT_TRUE(app.settled());
        EXPECT_EQ(app.picture().image(), whole);
    }
    // The split line can be dragged.
    app.key(Qt::Key_F4);
    EXPECT_TRUE(app.picture().isSplit());
    OpenWindow::drag(app.picture(), app.placeInPicture(0.5, 0.5), QPoint(-80, 0));
    EXPECT_LT(app.picture().splitPosition(), 0.45);
    EXPECT_EQ(app.look().steps.size(), 2u);
}

TEST(Window, TheProbeNamesWhatOwnsAColourAndADragMovesIt)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.goToLook());
    ASSERT_TRUE(app.addStep("Hue shifts"));
    EXPECT_TRUE(app.picture().caption().contains("assumed sRGB"));  // the made-up frames carry no profile
    auto& owner = app.find<QLabel>("probeOwner");
    QTest::mouseMove(&app.picture(), app.placeInPicture(0.33, 0.8));
    ASSERT_TRUE(waitUntil([&] { return !owner.text().isEmpty(); }));
    EXPECT_TRUE(owner.text().startsWith("Leaf")) << owner.text().toStdString();
    EXPECT_TRUE(owner.text().contains("%"));
    QTest::mouseMove(&app.picture(), app.placeInPicture(0.5, 0.1));
    ASSERT_TRUE(waitUntil([&] { return owner.text().startsWith("Greys"); })) << owner.text().toStdString();

    QTest::mouseClick(&app.find("hueQuantity1"), Qt::LeftButton);
    OpenWindow::drag(app.picture(), app.placeInPicture(0.33, 0.8), QPoint(0, 50));
    const HueShifts& hues = stepOf<HueShifts>(app.look(), 0);
    EXPECT_LT(hues.families[3].move.chroma, 0.95);
    EXPECT_EQ(hues.families[3].name, "Leaf");
    EXPECT_EQ(hues.families[1].move, HueMove{});

    ASSERT_TRUE(app.addStep("Tone curve"));
    OpenWindow::drag(app.picture(), app.placeInPicture(0.5, 0.1), QPoint(0, -50));
    const auto& points = stepOf<ToneCurve>(app.look(), 1).all;
    ASSERT_EQ(points.size(), 3u);
    EXPECT_GT(points[1].y, points[1].x);
    // A click that does not move changes nothing.
    const Look before = app.look();
    QTest::mouseClick(&app.picture(), Qt::LeftButton, {}, app.placeInPicture(0.2, 0.1));
    EXPECT_EQ(app.look(), before);
}

TEST(Window, EverythingCanBeDoneByKeyboard)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 6);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead());
    QListView& sheet = app.window().shoot().sheet();
    sheet.setFocus();
    const auto companions = app.document().selection().companions().size();
    QTest::keyClick(&sheet, Qt::Key_End);
    QTest::keyClick(&sheet, Qt::Key_C);
    EXPECT_NE(app.document().selection().companions().size(), companions);
    QTest::keyClick(&sheet, Qt::Key_Return);
    EXPECT_EQ(app.document().frame(app.document().selection().frameInHand())->path.filename(), "frame-5.png");
    ASSERT_TRUE(app.settled());
    app.key(Qt::Key_Left, Qt::AltModifier);
    EXPECT_EQ(app.document().frame(app.document().selection().frameInHand())->path.filename(), "frame-4.png");

    // The menu of steps: down to the fourth and the fifth, enter.
    StepLine& line = app.window().look().stepLine();
    for (int i = 0; i < 2; ++i) {
        OpenWindow::whenOpen([i](QWidget* menu) {
            for (int k = 0; k <= i + 3; ++k)
                QTest::keyClick(menu, Qt::Key_Down);
            QTest::keyClick(menu, Qt::Key_Return);
        });
        line.setFocus();
        QTest::keyClick(&line, Qt::Key_Insert);
    }
    ASSERT_EQ(app.look().steps.size(), 2u);
    EXPECT_EQ(typeOf(app.look().steps[0]), "tone-curve");
    QTest::keyClick(&line, Qt::Key_Left, Qt::ShiftModifier);
    EXPECT_EQ(typeOf(app.look().steps[0]), "split-toning");
    QTest::keyClick(&line, Qt::Key_Space);
    EXPECT_FALSE(app.look().steps[0].enabled);
    QTest::keyClick(&line, Qt::Key_Right);
    EXPECT_EQ(app.document().looks().selectedStep(), 1);

    auto& plot = app.find<CurvePlot>("curvePlot");
    plot.setFocus();
    QTest::keyClick(&plot, Qt::Key_Insert);
    ASSERT_EQ(stepOf<ToneCurve>(app.look(), 1).all.size(), 3u);
    const double before = stepOf<ToneCurve>(app.look(), 1).all[1].y;
    QTest::keyClick(&plot, Qt::Key_Up, Qt::ShiftModifier);
    EXPECT_NEAR(stepOf<ToneCurve>(app.look(), 1).all[1].y, before + 0.02, 1e-9);
    QTest::keyClick(&plot, Qt::Key_PageUp);
    QTest::keyClick(&plot, Qt::Key_Up);
    EXPECT_GT(stepOf<ToneCurve>(app.look(), 1).all[0].y, 0);
    QTest::keyClick(&plot, Qt::Key_Home);
    EXPECT_EQ(stepOf<ToneCurve>(app.look(), 1).all[0], (CurvePoint{0, 0}));
    QTest::keyClick(&plot, Qt::Key_PageDown);
    QTest::keyClick(&plot, Qt::Key_Delete);
    EXPECT_EQ(stepOf<ToneCurve>(app.look(), 1).all.size(), 2u);

    // Tab reaches every kind of control in the place and comes round again.
    QSet<QString> reached;
    for (int i = 0; i < 80; ++i) {
        app.key(Qt::Key_Tab);
        if (QWidget* focus = QApplication::focusWidget())
            reached.insert(focus->objectName());
    }
    for (const char* name :
         {"stepLine", "frameInHand", "curvePlot", "stepStrength", "stepNote", "pinVersion", "curveIn"})
        EXPECT_TRUE(reached.contains(name)) << name;
}

TEST(Window, PinsVersionsAndComparesThemWithTheirMeasuredDifference)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.goToLook());
    const auto pin = [&](const QString& note) {
        OpenWindow::whenOpen([note](QWidget* dialog) {
            QTest::keyClicks(dialog->findChild<QLineEdit*>(), note);
            QTest::keyClick(dialog, Qt::Key_Return);
        });
        app.key(Qt::Key_F6);
    };
    pin("as it came");
    ASSERT_TRUE(app.addStep("Tone curve"));
    auto& plot = app.find<CurvePlot>("curvePlot");
    OpenWindow::drag(plot, QPoint(plot.width() / 2, plot.height() / 2), QPoint(0, -20));
    pin("lighter");
    ASSERT_EQ(app.document().looks().pins().size(), 2u);
    app.key(Qt::Key_F7);
    ASSERT_TRUE(app.window().look().isComparing());
    auto& difference = app.find<QLabel>("compareDifference");
    ASSERT_TRUE(waitUntil([&] { return difference.text().contains("mean"); }));
    ASSERT_TRUE(app.atRest());
    EXPECT_FALSE(difference.text().contains("mean 0.00")) << difference.text().toStdString();
    auto& left = app.find<QComboBox>("compareLeft");
    EXPECT_TRUE(left.currentText().contains("as it came"));
    left.setFocus();
    QTest::keyClick(&left, Qt::Key_Up);
    EXPECT_TRUE(waitUntil([&] { return difference.text().contains("mean 0.00"); }))
        << left.currentText().toStdString() << ": " << difference.text().toStdString();
    QTest::mouseClick(&app.find("compareClose"), Qt::LeftButton);
    EXPECT_FALSE(app.window().look().isComparing());
}

TEST(Window, StepsAreReorderedAndSwitchedByMouse)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.goToLook());
    for (const char* title : {"Tone curve", "Split toning", "Hue shifts"})
        ASSERT_TRUE(app.addStep(title));
    StepLine& line = app.window().look().stepLine();
    OpenWindow::drag(line, line.tileRect(2).center(), line.tileRect(0).center() - line.tileRect(2).center(), 10);
    EXPECT_EQ(typeOf(app.look().steps[0]), "hue-shifts");
    EXPECT_EQ(typeOf(app.look().steps[1]), "tone-curve");
    QTest::mouseClick(&line, Qt::LeftButton, {}, line.tileRect(1).topLeft() + QPoint(12, 11));
    EXPECT_FALSE(app.look().steps[1].enabled);
    QTest::mouseClick(&line, Qt::LeftButton, {}, line.tileRect(2).center());
    EXPECT_EQ(app.document().looks().selectedStep(), 2);
    QTest::mouseClick(&app.find("stepRemove"), Qt::LeftButton);
    EXPECT_EQ(app.look().steps.size(), 2u);
    app.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(app.look().steps.size(), 3u);
}

TEST(Window, FamiliesAreAddedMovedRenamedAndTornHuesAreNamed)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.goToLook());
    ASSERT_TRUE(app.addStep("Hue shifts"));
    auto& plot = app.find<FamilyPlot>("familyPlot");
    const auto bar = [&](int family) { return plot.handlePlace(family + plot.familyCount()).toPoint(); };
    OpenWindow::drag(plot, bar(3), QPoint(40, 0));
    EXPECT_GT(stepOf<HueShifts>(app.look(), 0).families[3].centreDegrees, 150);
    OpenWindow::drag(plot, plot.handlePlace(3 + 2 * plot.familyCount()).toPoint(), QPoint(30, 0));
    EXPECT_GT(stepOf<HueShifts>(app.look(), 0).families[3].widthDegrees, 55);
    QTest::mouseDClick(&plot, Qt::LeftButton, {}, QPoint(plot.width() / 3 + 15, 40));
    ASSERT_EQ(stepOf<HueShifts>(app.look(), 0).families.size(), 8u);
    auto& name = *app.find<QComboBox>("hueFamily").lineEdit();
    app.type(name, "Moss");
    EXPECT_EQ(stepOf<HueShifts>(app.look(), 0).families[7].name, "Moss");
    app.type(app.find("hueTurn"), "-35");
    EXPECT_NEAR(stepOf<HueShifts>(app.look(), 0).families[7].move.turnDegrees, -35, 1e-9);
    // Near-neutral zones are edited by number.
    auto& family = app.find<QComboBox>("hueFamily");
    family.setCurrentIndex(family.count() - 1);
    emit family.activated(family.count() - 1);
    app.type(app.find("hueLightness"), "0.050");
    EXPECT_NEAR(stepOf<HueShifts>(app.look(), 0).nearWhites.lightness, 0.05, 1e-9);
}

TEST(Window, TablesAreLoadedMeasuredAndRefused)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    folder.write("bad.cube", "LUT_1D_SIZE 2\n0 0 0\n1 inf 1\n");
    folder.write("good.cube", "LUT_1D_SIZE 2\n0.1 0 0\n1 1 0.9\n");
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.goToLook());
    ASSERT_TRUE(app.addStep("Lookup table"));
    const Look before = app.look();
    TableEditor& editor = app.window().look().bench().tableEditor();
    editor.load(QString::fromStdString((folder / "bad.cube").string()));
    EXPECT_TRUE(app.message().contains("bad.cube, line 3: not a finite number")) << app.message().toStdString();
    EXPECT_EQ(app.look(), before);
    editor.load(QString::fromStdString((folder / "good.cube").string()));
    EXPECT_EQ(stepOf<LookupTable>(app.look(), 0).name, "good.cube");
    EXPECT_TRUE(app.find<QLabel>("tableReport").text().contains("1D, 2 samples"));
    app.type(app.find("tableMix"), "0.50");
    EXPECT_NEAR(stepOf<LookupTable>(app.look(), 0).mix, 0.5, 1e-9);
    // It is in the job now: the file can go.
    fs::remove(folder / "good.cube");
    OpenWindow again(folder.path());
    EXPECT_TRUE(stepOf<LookupTable>(again.look(), 0).table != nullptr);
}

TEST(Window, BadInputSaysWhatHappenedAndLosesNothing)
{
    const TemporaryFolder folder, other;
    writeShoot(folder.path(), 2);
    folder.write("torn.jpg", "\xFF\xD8\xFF\xE0 and then nothing");
    other.write("notes.txt", "no pictures here");
    OpenWindow app(folder.path());
    ASSERT_TRUE(waitUntil([&] { return app.find<QLabel>("shootState").text().contains("1 cannot be read"); }));
    FrameModel& model = app.window().shoot().model();
    EXPECT_TRUE(model.index(2).data(Qt::ToolTipRole).toString().contains("torn.jpg"));
    const QString title = app.window().windowTitle();
    app.open(QString::fromStdString(other.path().string()));
    EXPECT_TRUE(app.message().contains("no pictures in this folder"));
    EXPECT_TRUE(app.message().contains("still open"));
    app.open("/nowhere/at/all");
    EXPECT_TRUE(app.message().contains("no such file or folder"));
    app.open(QString::fromStdString(
        other.write("fake.amberjob", "not a database, but long enough to be looked at").string()));
    EXPECT_TRUE(app.message().contains("fake.amberjob"));
    EXPECT_EQ(app.window().windowTitle(), title);
    EXPECT_EQ(app.document().frames().size(), 3u);
    // Taking the broken frame in hand shows why, in its place; the companions are still there.
    app.document().selection().setFrameInHand(model.index(2).data(FrameModel::IdRole).toLongLong());
    app.key(Qt::Key_4, Qt::ControlModifier);
    ASSERT_TRUE(waitUntil(
        [&] { return !app.wall().companionViews().empty() && !app.wall().companionViews()[0]->image().isNull(); }));
    EXPECT_TRUE(app.picture().image().isNull());
    // A frame that vanished while the window was open.
    fs::remove(folder / "frame-0.png");
    ASSERT_TRUE(app.handOver());
    EXPECT_TRUE(app.find<QLabel>("exportState").text().contains("2 failed"));
    const DeliveryModel& deliveries = app.window().handover().deliveries();
    EXPECT_TRUE(deliveries.index(0, DeliveryModel::ResultColumn).data().toString().contains("no such file"));
    EXPECT_EQ(deliveries.index(1, DeliveryModel::ResultColumn).data().toString(), "written");
}

TEST(Window, ALookOfANewerVersionIsEditedWithoutLosingWhatIsNotKnown)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    folder.write("later.json",
                 R"({"format": "jolly-amber-look", "version": 5, "name": "Later",
            "steps": [{"type": "halation", "parameters": {"radius": 3}}]})");
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.document().looks().importLook(QString::fromStdString((folder / "later.json").string())));
    EXPECT_TRUE(app.message().contains("newer version"));
    ASSERT_TRUE(app.goToLook());
    ASSERT_TRUE(app.addStep("Tone curve"));
    ASSERT_TRUE(app.document().looks().exportLook(QString::fromStdString((folder / "saved.json").string())));
    const Json saved = Json::parse(readText(folder / "saved.json"));
    EXPECT_EQ(saved["version"], 5);
    EXPECT_EQ(saved["steps"][0]["parameters"]["radius"], 3);
    EXPECT_EQ(saved["steps"][1]["type"], "tone-curve");
    // A broken one is refused and the look in hand stays.
    folder.write("broken.json", "{\"format\": 3}");
    EXPECT_FALSE(app.document().looks().importLook(QString::fromStdString((folder / "broken.json").string())));
    EXPECT_EQ(app.look().name, "Later");
}

TEST(Window, DroppedFilesAndFoldersAreOpened)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    OpenWindow app;
    EXPECT_FALSE(app.document().isOpen());
    QMimeData files;
    files.setUrls({QUrl::fromLocalFile(QString::fromStdString((folder / "frame-2.png").string())),
                   QUrl::fromLocalFile(QString::fromStdString((folder / "frame-0.png").string()))});
    QDragEnterEvent enter(QPoint(600, 400), Qt::CopyAction, &files, Qt::LeftButton, {});
    QApplication::sendEvent(&app.window(), &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent drop(QPointF(600, 400), Qt::CopyAction, &files, Qt::LeftButton, {});
    QApplication::sendEvent(&app.window(), &drop);
    ASSERT_TRUE(waitUntil([&] { return app.document().frames().size() == 2; }));
    EXPECT_EQ(app.document().frames()[0].path.filename(), "frame-2.png");
    app.open(QString::fromStdString(folder.path().string()));
    EXPECT_EQ(app.document().frames().size(), 3u);
}

TEST(Window, EveryControlHasANameAndSaysWhatItIs)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    OpenWindow app(folder.path());
    int seen = 0;
    for (QWidget* w : app.window().findChildren<QWidget*>()) {
        const bool control = qobject_cast<QAbstractButton*>(w) || qobject_cast<QComboBox*>(w) ||
                             qobject_cast<QAbstractSpinBox*>(w) || qobject_cast<QLineEdit*>(w) ||
                             qobject_cast<QAbstractItemView*>(w) || qobject_cast<AxisPlot*>(w);
        const QString parent = w->parentWidget() ? w->parentWidget()->metaObject()->className() : "";
        if (!control || w->objectName().startsWith("qt_") || parent == "QComboBoxPrivateContainer" ||
            parent == "QTableView" || parent == "QTableWidget" || qobject_cast<QHeaderView*>(w) ||
            (qobject_cast<QLineEdit*>(w) && parent != "QWidget"))
            continue;
        ++seen;
        EXPECT_FALSE(w->objectName().isEmpty()) << w->metaObject()->className() << " in " << parent.toStdString();
        auto* button = qobject_cast<QAbstractButton*>(w);
        EXPECT_FALSE(w->accessibleName().isEmpty() && (!button || button->text().isEmpty()) &&
                     !qobject_cast<QComboBox*>(w->parentWidget()))
            << w->objectName().toStdString();
    }
    EXPECT_GT(seen, 50);
}

TEST(Models, PassTheModelTester)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 5);
    OpenWindow app;
    const QAbstractItemModelTester frames(&app.window().shoot().model(),
                                          QAbstractItemModelTester::FailureReportingMode::Fatal);
    DeliveryModel deliveries;
    const QAbstractItemModelTester rows(&deliveries, QAbstractItemModelTester::FailureReportingMode::Fatal);
    app.open(QString::fromStdString(folder.path().string()));
    ASSERT_TRUE(app.thumbnailsRead());
    for (const char* name : {"b", "a", "c"})
        deliveries.add({name, std::string("/out/") + name, name == std::string("c") ? "no room" : "", false, 0, "web"});
    EXPECT_EQ(deliveries.index(0, 0).data().toString(), "a");
    EXPECT_EQ(deliveries.index(2, DeliveryModel::ResultColumn).data().toString(), "failed: no room");
    deliveries.clear();
    EXPECT_EQ(deliveries.rowCount(), 0);
}

}  // namespace
}  // namespace amber::test
