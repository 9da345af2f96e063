// Every kind of step through its editor on the bench: drag, type, explain, guard, keep per picture, solve.
#include "app/bench/effect_plot.h"
#include "app/bench/guard_editor.h"
#include "app/bench/parameter_editor.h"
#include "core/colour/oklab.h"
#include "core/table_files/table_file.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

class EverySteps : public testing::Test {
protected:
    EverySteps()
    {
        writeShoot(m_folder.path(), 2);
        m_app.open(QString::fromStdString(m_folder.path().string()));
    }
    void SetUp() override { ASSERT_TRUE(m_app.goToLook()); }
    template <class T>
    const T& step(std::size_t index = 0)
    {
        return std::get<T>(m_app.look().steps.at(index).parameters);
    }
    TemporaryFolder m_folder;
    OpenWindow m_app;
};

TEST_F(EverySteps, HasAnEditorThatDragsTypesAndExplains)
{
    const struct {
        const char *title, *kind, *number;
    } kinds[] = {{"Contrast", "contrast", "pivot"},
                 {"Tone bands", "tone-bands", "dark"},
                 {"Ends", "ends", "floor"},
                 {"Chroma", "chroma", "even"},
                 {"Primaries", "primaries", "greenTurn"},
                 {"Warmth", "warmth", "green"},
                 {"Even towards", "even-towards", "chroma"},
                 {"Wash", "wash", "amount"},
                 {"Local contrast", "local-contrast", "size"},
                 {"Fine detail", "fine-detail", "size"},
                 {"Haze", "haze", "amount"},
                 {"Glow", "glow", "reach"},
                 {"Edge darkening", "edge-darkening", "begin"},
                 {"Grain", "grain", "midtones"},
                 {"Output sharpening", "output-sharpening", "radius"}};
    for (const auto& kind : kinds) {
        ASSERT_TRUE(m_app.addStep(kind.title)) << kind.title;
        ASSERT_LE(m_app.window().width(), 1280) << kind.title;
        auto& plot = m_app.find<ParameterPlot>((std::string(kind.kind) + ".plot").c_str());
        ASSERT_TRUE(plot.isVisible()) << kind.title;
        const int handle = plot.handleCount() > 1 ? 1 : 0;
        const Look before = m_app.look();
        const double way = plot.handlePlace(handle).y() > plot.height() / 2.0 ? -22 : 22;
        OpenWindow::drag(plot, plot.handlePlace(handle).toPoint(), QPoint(6, static_cast<int>(way)));
        EXPECT_FALSE(m_app.look() == before) << kind.title << ": the handle does nothing";
        EXPECT_TRUE(m_app.document().undoAction().contains(kind.title)) << m_app.document().undoAction().toStdString();
        auto& number = m_app.find<QDoubleSpinBox>((std::string(kind.kind) + "." + kind.number).c_str());
        const double typed = (number.minimum() + number.maximum()) / 2 + (number.maximum() - number.minimum()) / 7;
        m_app.type(number, QLocale().toString(typed, 'f', number.decimals()));
        EXPECT_NEAR(parametersOf(m_app.look().steps.back()).contains(kind.number)
                        ? parametersOf(m_app.look().steps.back())[kind.number].get<double>()
                        : -99,
                    number.value(), 1e-9)
            << kind.title;
        // The control under the pointer explains itself.
        const QPointF middle = number.rect().center();
        QEnterEvent enter(middle, number.mapTo(&m_app.window(), middle), number.mapToGlobal(middle));
        QApplication::sendEvent(&number, &enter);
        auto& effect = m_app.find<EffectPlot>("effectPlot");
        (void)effect.grab();
        EXPECT_NE(effect.title(), "the step") << kind.title;
        EXPECT_FALSE(number.accessibleName().isEmpty());
        ASSERT_TRUE(m_app.settled());
        m_app.document().looks().removeStep(m_app.document().looks().selectedStep());
        ASSERT_TRUE(m_app.settled());
    }
    EXPECT_TRUE(m_app.message().isEmpty()) << m_app.message().toStdString();
}

TEST_F(EverySteps, EffectsAreMeasuredFromTheStepItself)
{
    Step with{ToneBands{}, true, 1, {}, {}}, without = with;
    std::get<ToneBands>(with.parameters).dark = 0.6;
    const EffectPlot::Effect bands = EffectPlot::measure(with, without);
    const auto darkest = std::max_element(bands.lightness.begin(), bands.lightness.end());
    EXPECT_NEAR(static_cast<double>(darkest - bands.lightness.begin()) / static_cast<double>(bands.lightness.size()),
                kBandCentres[1], 0.1);
    EXPECT_NEAR(bands.lightness.back(), 0, 1e-4);
    Step local{LocalContrast{1, 3, {}}, true, 1, {}, {}}, none = local;
    none.enabled = false;
    const EffectPlot::Effect texture = EffectPlot::measure(local, none);
    EXPECT_GT(*std::max_element(texture.texture.begin(), texture.texture.end()), 1.3);
    Step turned{Primaries{}, true, 1, {}, {}}, still = turned;
    std::get<Primaries>(turned.parameters).greenTurn = 15;
    const EffectPlot::Effect hues = EffectPlot::measure(turned, still);
    EXPECT_GT(std::abs(*std::max_element(hues.turn.begin(), hues.turn.end(),
                                         [](double a, double b) { return std::abs(a) < std::abs(b); })),
              3);
}

TEST_F(EverySteps, ContrastHoldsTheBrightnessOfTheFrameInHand)
{
    ASSERT_TRUE(m_app.addStep("Contrast"));
    ASSERT_TRUE(waitUntil([&] { return m_app.wall().measuredNumber() == m_app.wall().requested(); }));
    m_app.type(m_app.find("contrast.slope"), QLocale().toString(1.8, 'f', 2));
    EXPECT_NE(step<Contrast>().exposure, 0);
    m_app.type(m_app.find("contrast.pivot"), QLocale().toString(0.3, 'f', 2));
    const double held = step<Contrast>().exposure;
    EXPECT_LT(held, 0);  // a low pivot lifts the picture, so it is exposed less
    QTest::mouseClick(&m_app.find("contrast.holdBrightness"), Qt::LeftButton, {}, QPoint(8, 10));
    m_app.type(m_app.find("contrast.pivot"), QLocale().toString(0.7, 'f', 2));
    EXPECT_EQ(step<Contrast>().exposure, held);
}

TEST_F(EverySteps, EndsAreSolvedFromThePictureAndItsBudget)
{
    ASSERT_TRUE(m_app.addStep("Ends"));
    m_app.type(m_app.find("ends.whiteBudget"), QLocale().toString(8.0, 'f', 1));
    QTest::mouseClick(&m_app.find("endsSolve"), Qt::LeftButton);
    EXPECT_EQ(m_app.document().undoAction(), "Ends solved");
    EXPECT_NEAR(step<Ends>().black, 0, 0.02);  // the ramp begins at black
    EXPECT_LT(step<Ends>().white, 0.99);
    EXPECT_GT(step<Ends>().white, 0.75);
}

TEST_F(EverySteps, GuardsAreDrawnTypedShownAndTakenAway)
{
    ASSERT_TRUE(m_app.addStep("Chroma"));
    m_app.type(m_app.find("chroma.even"), "0");
    QTest::mouseClick(&m_app.find("stepGuard"), Qt::LeftButton);
    auto& tones = m_app.find<GuardPlot>("guardTonePlot");
    ASSERT_TRUE(tones.isVisible());
    OpenWindow::drag(tones, tones.handlePlace(0).toPoint(), QPoint(tones.width() / 3, 0));
    EXPECT_GT(m_app.look().steps[0].guard.toneLow, 0.2);
    m_app.type(m_app.find("guardHueWidth"), "80");
    m_app.type(m_app.find("guardHueCentre"), "30");
    EXPECT_EQ(m_app.look().steps[0].guard.hueWidth, 80);
    EXPECT_EQ(m_app.find<QToolButton>("stepGuard").text(), "Guard: on");
    ASSERT_TRUE(m_app.settled());
    // The picture shows where, in a colour of its own: not on greys, as they have no hue.
    const QImage bare = m_app.picture().image();
    QTest::mouseClick(&m_app.find("stepMask"), Qt::LeftButton);
    ASSERT_TRUE(m_app.settled());
    const QImage mask = m_app.picture().image();
    EXPECT_EQ(mask.pixel(mask.width() / 2, mask.height() / 6), bare.pixel(mask.width() / 2, mask.height() / 6));
    int laidOver = 0;
    for (int x = 0; x < mask.width(); ++x) {
        const QColor a = bare.pixelColor(x, mask.height() * 2 / 3), b = mask.pixelColor(x, mask.height() * 2 / 3);
        laidOver += std::abs(a.red() - b.red()) + std::abs(a.green() - b.green()) + std::abs(a.blue() - b.blue()) > 100;
    }
    EXPECT_GT(laidOver, 10);
    QTest::mouseClick(&m_app.find("stepMask"), Qt::LeftButton);
    QTest::mouseClick(&m_app.find("guardOpen"), Qt::LeftButton);
    EXPECT_TRUE(m_app.look().steps[0].guard.isOpen());
    // Another step has its own editor again.
    ASSERT_TRUE(m_app.addStep("Grain"));
    EXPECT_FALSE(m_app.window().look().bench().isGuardShown());
}

/// Bound to a role, a step does nothing where the frame does not say where the role lies, and the frame says so.
TEST_F(EverySteps, AStepBoundToARoleWorksOnTheFramesOwnArea)
{
    ASSERT_TRUE(m_app.addStep("Contrast"));
    m_app.type(m_app.find("contrast.slope"), "2");
    ASSERT_TRUE(m_app.settled());
    const QImage everywhere = m_app.picture().image();
    QTest::mouseClick(&m_app.find("stepGuard"), Qt::LeftButton);
    auto& roles = m_app.find<QComboBox>("guardRole");
    const auto choose = [&](int index) {
        roles.setCurrentIndex(index);
        emit roles.activated(index);
    };
    OpenWindow::whenOpen([](QWidget* dialog) {
        dialog->findChild<QLineEdit*>()->setText("sky");
        QTest::keyClick(dialog, Qt::Key_Return);
    });
    choose(roles.count() - 1);
    ASSERT_EQ(m_app.look().roles.size(), 1u);
    EXPECT_EQ(m_app.look().roles[0].kind, Role::Kind::Sky);
    EXPECT_EQ(m_app.look().steps[0].guard.where.role, "sky");
    EXPECT_EQ(m_app.find<QToolButton>("stepGuard").text(), "On sky");
    ASSERT_TRUE(m_app.settled());
    const QImage nowhere = m_app.picture().image();
    EXPECT_NE(nowhere, everywhere);
    EXPECT_TRUE(m_app.picture().caption().contains("not marked: sky"));
    // Its upper half, on this frame.
    const auto inHand = m_app.document().selection().frameInHand();
    Area area;
    area.parts.push_back({AreaPart::Join::Add, Outline{{{0, 0}, {1, 0}, {1, 0.5}, {0, 0.5}}, false}, false, 1});
    Job job = m_app.document().job();
    job.areas[{inHand, "sky"}] = area;
    ASSERT_TRUE(m_app.document().commit(job, "Area drawn"));
    ASSERT_TRUE(waitUntil([&] { return !m_app.picture().caption().contains("not marked"); }));
    ASSERT_TRUE(m_app.settled());
    const QImage half = m_app.picture().image();
    const auto same = [&](const QImage& other, double from, double to) {
        const int top = static_cast<int>(from * half.height()), rows = static_cast<int>(to * half.height()) - top;
        return half.copy(0, top, half.width(), rows) == other.copy(0, top, half.width(), rows);
    };
    EXPECT_TRUE(same(everywhere, 0, 0.45));
    EXPECT_TRUE(same(nowhere, 0.55, 1));
    // Outside of it, then undone; it is there when the job is opened again.
    auto& side = m_app.find<QComboBox>("guardSide");
    side.setCurrentIndex(1);
    emit side.activated(1);
    ASSERT_TRUE(m_app.settled());
    EXPECT_EQ(m_app.find<QToolButton>("stepGuard").text(), "Not sky");
    EXPECT_NE(m_app.picture().image(), half);
    m_app.document().undo();
    ASSERT_TRUE(m_app.settled());
    EXPECT_EQ(m_app.picture().image(), half);
    Document again;
    ASSERT_TRUE(opens(again, {QString::fromStdString(m_folder.path().string())}));
    EXPECT_EQ(again.job().areas.at({inHand, "sky"}), area);
    EXPECT_EQ(again.looks().look().roles.size(), 1u);
}

Area boxed(double left, double top, double right, double bottom)
{
    Area area;
    area.parts.push_back(
        {AreaPart::Join::Add, Outline{{{left, top}, {right, top}, {right, bottom}, {left, bottom}}, false}, false, 1});
    return area;
}

TEST_F(EverySteps, ABoundStepTellsHowItsRoleStandsOutAndIsLevelledWithAnotherRole)
{
    ASSERT_TRUE(m_app.addStep("Ends"));
    m_app.type(m_app.find("ends.floor"), QLocale().toString(0.25, 'f', 2));
    Look look = m_app.look();
    look.roles = {{"dark", Role::Kind::Thing, {}, 1, {}}, {"field", Role::Kind::Thing, {}, 1, {}}};
    look.steps[0].guard.where.role = "dark";
    m_app.document().looks().change(look);
    m_app.document().looks().commit("Roles");
    Job job = m_app.document().job();
    const FrameId frame = m_app.document().selection().frameInHand();
    job.areas[{frame, "dark"}] = boxed(0, 0, 0.2, 0.4);
    job.areas[{frame, "field"}] = boxed(0, 0.5, 1, 1);
    ASSERT_TRUE(m_app.document().commit(job, "Areas drawn"));
    StepLine& line = m_app.window().look().stepLine();
    ASSERT_TRUE(waitUntil([&] {
        return line.trace() && !line.trace()->states.front().separations.empty() &&
               m_app.wall().tracedNumber() == m_app.wall().requested();
    }));
    const int keys = static_cast<int>(line.trace()->keys.size());
    ASSERT_EQ(line.markCount(), 2 * StepLine::kMeasureMarks + keys);
    EXPECT_TRUE(line.markWords(0, StepLine::kMeasureMarks + keys).startsWith("dark stands out by lightness"));
    const auto& states = line.trace()->states;
    EXPECT_GT(states[1].separations.at("dark").lightness, states[0].separations.at("dark").lightness + 0.05)
        << "its blacks are raised";

    QTest::mouseClick(&m_app.find("stepGuard"), Qt::LeftButton);
    auto* menu = m_app.find<QToolButton>("guardLevel").menu();
    emit menu->aboutToShow();
    ASSERT_EQ(menu->actions().size(), 2);
    EXPECT_EQ(menu->actions()[0]->text(), "field, by lightness");
    menu->actions()[0]->trigger();
    ASSERT_TRUE(waitUntil([&] { return m_app.look().steps[0].strength != 1; }));
    EXPECT_EQ(m_app.document().undoAction(), "Strength at which dark measures as field");
    m_app.document().undo();
    EXPECT_EQ(m_app.look().steps[0].strength, 1);
    emit menu->aboutToShow();
    menu->actions()[1]->trigger();
    EXPECT_TRUE(waitUntil([&] { return m_app.message().contains("At no strength"); }))
        << "greys have no chroma to raise";
}

TEST_F(EverySteps, WhatIsKeptPerPictureStaysWithItsFrameThroughReopening)
{
    ASSERT_TRUE(m_app.addStep("Edge darkening"));
    m_app.type(m_app.find("edge-darkening.net"), "-1");
    // What a picture brings is its own from the first; it can be made to travel, and back.
    ASSERT_EQ(m_app.look().steps[0].perPicture, std::set<std::string>{"existing"});
    const auto change = [&] {
        auto& travels = m_app.find<QToolButton>("stepTravels");
        QTest::mouseClick(&travels, Qt::LeftButton);
        auto& table = m_app.find<QTableView>("scopeTable");
        for (int row = 0; row < table.model()->rowCount(); ++row)
            if (table.model()->index(row, 0).data() == "picture brings")
                table.selectRow(row);
        m_app.find<QCheckBox>("scopeEach").click();
        QTest::mouseClick(&travels, Qt::LeftButton);
    };
    change();
    ASSERT_TRUE(m_app.look().steps[0].perPicture.empty());
    change();
    ASSERT_EQ(m_app.look().steps[0].perPicture, std::set<std::string>{"existing"});
    EXPECT_EQ(m_app.find<QToolButton>("stepTravels").text(), "1 per picture");
    m_app.type(m_app.find("edge-darkening.existing"), QLocale().toString(-0.5, 'f', 2));
    m_app.document().looks().commitPending();
    const auto inHand = m_app.document().selection().frameInHand();
    const auto other =
        m_app.document().frames()[0].id == inHand ? m_app.document().frames()[1].id : m_app.document().frames()[0].id;
    const auto existingOn = [](Document& document, std::int64_t frame) {
        return std::get<EdgeDarkening>(document.looks().lookOf(frame).steps[0].parameters).existing;
    };
    EXPECT_EQ(existingOn(m_app.document(), inHand), -0.5);
    EXPECT_EQ(existingOn(m_app.document(), other), 0);
    m_app.document().selection().setFrameInHand(other);
    EXPECT_EQ(m_app.find<QDoubleSpinBox>("edge-darkening.existing").value(), 0);
    EXPECT_EQ(m_app.find<QDoubleSpinBox>("edge-darkening.net").value(), -1);
    Document again;
    ASSERT_TRUE(opens(again, {QString::fromStdString(m_folder.path().string())}));
    EXPECT_EQ(existingOn(again, inHand), -0.5);
    m_app.document().undo();
    EXPECT_EQ(existingOn(m_app.document(), inHand), 0);
}

TEST_F(EverySteps, AnExportedTableComesWithItsTravelReport)
{
    ASSERT_TRUE(m_app.addStep("Chroma"));
    m_app.type(m_app.find("chroma.even"), QLocale().toString(0.5, 'f', 2));
    ASSERT_TRUE(m_app.addStep("Grain"));
    m_app.type(m_app.find("grain.amount"), QLocale().toString(0.05, 'f', 3));
    for (const char* name : {"look.cube", "look.clf", "look.png", "look.cc"}) {
        const auto report =
            m_app.window().look().exportTable(QString::fromStdString((m_folder.path() / name).string()));
        ASSERT_TRUE(report) << report.error().message();
        EXPECT_TRUE(report->contains("carries: Chroma")) << report->toStdString();
        EXPECT_TRUE(report->contains("leaves out: Grain"));
        EXPECT_TRUE(report->contains("the shoot's own colours"));
        const auto file = readTableFile(m_folder.path() / name);
        ASSERT_TRUE(file) << file.error().message();
        const EncodedRgb out = evaluate(file->table, {0.8, 0.4, 0.4});
        EXPECT_LT(out.r - out.g, 0.33) << name;
    }
    EXPECT_FALSE(m_app.window().look().exportTable(QString::fromStdString((m_folder.path() / "look.txt").string())));
}

}  // namespace
}  // namespace amber::test
