// What is held in Match, as it is read; words and numbers on screen; buttons and questions.
#include "app/document/frame_model.h"
#include "app/places/match/held.h"
#include "app/task/task.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/engine/bake.h"
#include "core/engine/render_plan.h"
#include "core/image/write.h"
#include "tests/window/window_support.h"

#include <gtest/gtest.h>
#include <random>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

constexpr int kWidth = 360, kHeight = 240;

/// Blobs that features hold on to.
Image scene(unsigned seed)
{
    std::mt19937 engine(seed);
    std::uniform_real_distribution<double> share(0, 1);
    Image image(kWidth, kHeight);
    for (int i = 0; i < 3 * kWidth * kHeight; ++i)
        image.mutableView().data[i] = 0.15f;
    for (int blob = 0; blob < 160; ++blob) {
        const double cx = kWidth * share(engine), cy = kHeight * share(engine),
                     r = 3 + 16 * share(engine) * share(engine);
        const float colour[] = {static_cast<float>(0.04 + 0.5 * share(engine)),
                                static_cast<float>(0.04 + 0.5 * share(engine)),
                                static_cast<float>(0.04 + 0.5 * share(engine))};
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                if (std::hypot(x - cx, y - cy) < r)
                    std::copy_n(colour, 3, image.mutableView().row(y) + 3 * x);
    }
    return image;
}

Look lifted()
{
    Look look;
    Step step;
    ToneCurve curve;
    curve.all = {{0, 0.04}, {0.5, 0.56}, {1, 0.97}};
    step.parameters = curve;
    look.steps = {step};
    return look;
}

class HeldFiles : public ::testing::Test {
protected:
    QString write(const std::string& name, const Image& picture)
    {
        EXPECT_TRUE(writePicture(folder / name, picture.view(), {}, {FileFormat::Tiff16, RgbSpace::Srgb, 90}, {}));
        return QString::fromStdString((folder / name).string());
    }
    static Held wanted(Held::Kind kind, const QStringList& paths)
    {
        Held held;
        held.kind = kind, held.paths = paths;
        return held;
    }
    TemporaryFolder folder;
};

TEST_F(HeldFiles, PicturesAreMeasuredTogetherAndTheFirstIsShown)
{
    const QString one = write("one.tif", scene(1)), two = write("two.tif", scene(2));
    int told = 0;
    const auto held = readHeld(wanted(Held::Kind::Pictures, {one, two}), [&](int done, int) { told = done; }, {});
    ASSERT_TRUE(held) << held.error().message();
    EXPECT_EQ(held->print.references, 2);
    ASSERT_TRUE(held->picture);
    EXPECT_EQ(held->picture->width(), kWidth);
    EXPECT_TRUE(held->features.data);
    EXPECT_FALSE(held->isFit());
    EXPECT_EQ(told, 100);
}

TEST_F(HeldFiles, APairBecomesStepsThatBringOneOntoTheOther)
{
    const Image before = scene(3);
    Image after = before;
    const auto plan = RenderPlan::compile(lifted());
    ASSERT_TRUE(plan);
    render(*plan, before.view(), after.mutableView());
    const auto held =
        readHeld(wanted(Held::Kind::Pair, {write("before.tif", before), write("after.tif", after)}), {}, {});
    ASSERT_TRUE(held) << held.error().message();
    EXPECT_TRUE(held->isFit());
    ASSERT_TRUE(held->before && held->picture);
    EXPECT_FALSE(held->fit.fit.look.steps.empty());
    EXPECT_LT(held->fit.fit.left.mean, held->fit.fit.untouched.mean / 5);
    for (const Step& step : held->fit.fit.look.steps)
        EXPECT_EQ(step.group, held->name().toStdString()) << "the steps of one match can be switched together";
}

TEST_F(HeldFiles, ATableBecomesStepsToo)
{
    const fs::path table = folder / "lifted.cube";
    ASSERT_TRUE(writeLookTable(lifted(), table, TableFormat::Cube, 33));
    const auto held = readHeld(wanted(Held::Kind::Table, {QString::fromStdString(table.string())}), {}, {});
    ASSERT_TRUE(held) << held.error().message();
    EXPECT_EQ(held->table.size3, 33);
    EXPECT_FALSE(held->fit.fit.look.steps.empty());
    EXPECT_FALSE(held->picture);
}

TEST_F(HeldFiles, WhatCannotBeHeldIsSaid)
{
    const QString good = write("good.tif", scene(4)), other = write("other.tif", scene(5)),
                  missing = QString::fromStdString((folder / "missing.tif").string());
    const auto why = [](const Held& held) {
        const auto read = readHeld(held, {}, {});
        return read ? QString() : text(read.error().message());
    };
    EXPECT_TRUE(why(wanted(Held::Kind::Pictures, {good, missing})).contains("missing.tif"));
    EXPECT_TRUE(why(wanted(Held::Kind::Pair, {good, missing})).contains("missing.tif"));
    EXPECT_TRUE(why(wanted(Held::Kind::Pair, {good, other})).contains("same thing"));
    EXPECT_TRUE(why(wanted(Held::Kind::Table, {good})).contains("good.tif"));
    EXPECT_FALSE(why(wanted(Held::Kind::Pair, {good, good})).isEmpty()) << "nothing was done to it";
    CancelToken cancel;
    cancel.cancel();
    EXPECT_FALSE(readHeld(wanted(Held::Kind::Pictures, {good, other}), {}, cancel));
}

TEST(Words, NumbersAreRoundedSignedAndInTheUsersLocale)
{
    const QLocale before;
    QLocale::setDefault(QLocale(QLocale::English));
    EXPECT_EQ(theme::number(-1.236, 2), QStringLiteral("\u22121.24"));
    EXPECT_EQ(theme::number(0.5, 1), "0.5");
    EXPECT_EQ(theme::number(-0.001, 2).remove(QChar(0x2212)), "0.00");
    QLocale::setDefault(QLocale(QLocale::German));
    EXPECT_TRUE(theme::number(1.5, 1).contains(','));
    QLocale::setDefault(before);
}

TEST(Words, ProgressSaysHowManyAndHowLong)
{
    EXPECT_EQ(progressWords(0, 12, 0), QLocale().toString(0) + " of " + QLocale().toString(12));
    EXPECT_TRUE(progressWords(3, 12, 8.4).contains("8 s left"));
    EXPECT_TRUE(progressWords(3, 12, 600).contains("10 min left"));
}

TEST(Words, NamesStayOnOneLineWhateverTheyHold)
{
    Frame frame;
    frame.path = "/shoot/a\nb\tc.tif";
    EXPECT_FALSE(titleOf(frame).contains('\n'));
    EXPECT_FALSE(oneLine(QStringLiteral("first\nsecond")).contains('\n'));
    KeyColour key;
    key.name = "clay";
    EXPECT_EQ(keyColourTitle(key), "clay");
    key.kind = KeyColour::Kind::Neutral;
    EXPECT_FALSE(keyColourTitle(key).isEmpty());
}

TEST(Controls, AButtonDoesWhatItIsForAndAQuestionCanBeLeft)
{
    QWidget window;
    int pressed = 0;
    QPushButton* button = makeButton(&window, "doIt", "Do it", "Does it", [&] { ++pressed; });
    EXPECT_EQ(button->objectName(), "doIt");
    EXPECT_EQ(button->toolTip(), "Does it");
    QTest::mouseClick(button, Qt::LeftButton);
    EXPECT_EQ(pressed, 1);
    OpenWindow::whenOpen([](QWidget* dialog) {
        EXPECT_EQ(dialog->objectName(), "question");
        auto* line = dialog->findChild<QLineEdit*>();
        EXPECT_EQ(line->text(), "so far");
        line->setText("  an answer ");
        QTest::keyClick(dialog, Qt::Key_Return);
    });
    EXPECT_EQ(askLine(&window, {"question", "A question", "What?", "so far", "Keep"}), QStringLiteral("an answer"));
    OpenWindow::whenOpen([](QWidget* dialog) { QTest::keyClick(dialog, Qt::Key_Escape); });
    EXPECT_FALSE(askLine(&window, {"question", "A question", "What?"}));
}

TEST(FrameModelWindow, SaysOfEveryFrameHowItStands)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    folder.write("broken.png", "these are only words");
    OpenWindow app(folder.path());
    FrameModel& model = app.window().shoot().model();
    ASSERT_TRUE(waitUntil([&] { return model.readCount() == 3; }));
    const auto row = [&](const char* stem) {
        for (int i = 0; i < model.rowCount(); ++i)
            if (model.index(i).data().toString().startsWith(stem))
                return model.index(i);
        return QModelIndex();
    };
    const QModelIndex first = row("frame-0"), broken = row("broken");
    ASSERT_TRUE(first.isValid() && broken.isValid());
    ASSERT_TRUE(waitUntil([&] { return !broken.data(FrameModel::FaultRole).toString().isEmpty(); }));
    EXPECT_TRUE(first.data(FrameModel::FaultRole).toString().isEmpty());
    EXPECT_FALSE(first.data(Qt::DecorationRole).value<QPixmap>().isNull());
    EXPECT_TRUE(broken.data(Qt::DecorationRole).value<QPixmap>().isNull());
    const FrameId id = first.data(FrameModel::IdRole).toLongLong();
    app.document().setRating({id}, 3);
    EXPECT_EQ(first.data(FrameModel::RatingRole).toInt(), 3);
    EXPECT_TRUE(first.data(Qt::AccessibleTextRole).toString().contains("3"));
    app.document().selection().setFrameInHand(id);
    EXPECT_TRUE(first.data(FrameModel::InHandRole).toBool());
    EXPECT_FALSE(first.data(FrameModel::LostRole).toBool());
    EXPECT_FALSE(model.index(99).data().isValid());
}

}  // namespace
}  // namespace amber::test
