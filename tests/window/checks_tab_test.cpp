// Proof's checks, contact sheet, screens and report, driven as a person would.
#include "app/places/proof/finding_panel.h"
#include "app/places/proof/proof_place.h"
#include "app/wall/picture_view.h"
#include "core/base/json_text.h"
#include "tests/window/window_support.h"

#include <fstream>
#include <gtest/gtest.h>
#include <set>

namespace amber::test {
namespace {

/// A few frames of the demo: three that hang, one that was lost at white.
class ChecksWindow : public ::testing::Test {
protected:
    void SetUp() override
    {
        for (const char* name : {"dusk-terrace-10", "dusk-terrace-02", "shop-front-02", "shop-front-05", "yard-10"})
            std::filesystem::copy_file(std::filesystem::path(AMBER_SOURCE_DIR) / "demo/frames" /
                                           (std::string(name) + ".jpg"),
                                       folder / (std::string(name) + ".jpg"));
        open();
    }
    void open()
    {
        app = std::make_unique<OpenWindow>(folder.path());
        ASSERT_TRUE(app->thumbnailsRead());
        ASSERT_TRUE(waitUntil([&] { return !app->document().job().lights.empty(); }));
        app->key(Qt::Key_6, Qt::ControlModifier);
    }
    ProofPlace& proof() { return app->window().proof(); }
    ChecksTab& checks() { return proof().checks(); }
    ShootAudit& audit() { return checks().audit(); }
    void click(const char* name) { QTest::mouseClick(&app->find(name), Qt::LeftButton); }
    bool isChecked()
    {
        return waitUntil([&] { return !audit().task().isRunning() && audit().isChecked() && !audit().isStale(); });
    }
    void check()
    {
        click("proofChecks");
        click("checkRun");
        ASSERT_TRUE(isChecked());
    }
    QString words(const char* name) { return app->find<QLabel>(name).text(); }
    std::string frameOfFinding()
    {
        return app->document().frame(checks().panel().finding()->frame)->path.stem().string();
    }
    /// Walks with the key until a finding of this frame and check is in hand.
    bool walkTo(const std::string& frame, const std::string& check)
    {
        for (std::size_t i = 0; i <= audit().findings().size(); ++i) {
            const auto& finding = checks().panel().finding();
            if (finding && frameOfFinding() == frame && finding->kind->id == check)
                return true;
            app->key(Qt::Key_N);
        }
        return false;
    }
    bool hasFinding(const std::string& frame, const std::string& check)
    {
        return std::any_of(audit().findings().begin(), audit().findings().end(), [&](const Finding& f) {
            return f.kind->id == check && app->document().frame(f.frame)->path.stem() == frame;
        });
    }
    void takeCure(const std::string& frame, const std::string& check)
    {
        ASSERT_TRUE(walkTo(frame, check)) << frame;
        ASSERT_TRUE(waitUntil([&] { return app->find("findingTake").isEnabled(); }))
            << words("findingCure").toStdString();
        EXPECT_TRUE(words("findingCure").startsWith("Cure:"));
        click("findingTake");
        ASSERT_TRUE(waitUntil([&] { return audit().isStale() || audit().task().isRunning(); }));
        ASSERT_TRUE(isChecked());
        EXPECT_FALSE(hasFinding(frame, check)) << frame;
    }
    void accept(const QString& reason)
    {
        QTimer::singleShot(0, [&] {
            auto* dialog = QApplication::activeModalWidget();
            ASSERT_TRUE(dialog);
            QTest::keyClicks(dialog->findChild<QLineEdit*>(), reason);
            QTest::keyClick(dialog, Qt::Key_Return);
        });
        click("findingAccept");
    }
    Json report()
    {
        const auto path = folder / "out.json";
        proof().saveReport(QString::fromStdString(path.string()));
        EXPECT_TRUE(waitUntil([&] { return !proof().reporting().isRunning(); }));
        return Json::parse(readText(path));
    }

    TemporaryFolder folder;
    std::unique_ptr<OpenWindow> app;
};

TEST_F(ChecksWindow, FindingsAreWalkedCuredAcceptedAndTakenBackAndTheReportSaysSo)
{
    EXPECT_TRUE(words("checkState").contains("5 frames"));
    check();
    const std::size_t all = audit().findings().size();
    ASSERT_GE(all, 4u);
    EXPECT_EQ(audit().openCount(), static_cast<int>(all));
    EXPECT_TRUE(words("checkCount").startsWith(QString::number(all)));
    // One key goes through all of them, each at its place, and comes round.
    std::set<std::string> seen;
    for (std::size_t i = 0; i < all; ++i) {
        const auto& finding = checks().panel().finding();
        ASSERT_TRUE(finding);
        seen.insert(frameOfFinding() + finding->kind->id + finding->measured.part);
        EXPECT_EQ(app->document().selection().frameInHand(), finding->frame);
        EXPECT_FALSE(words("findingMeasured").isEmpty());
        EXPECT_EQ(words("findingPosition"), QStringLiteral("%1 of %2 open").arg(i + 1).arg(all));
        app->key(Qt::Key_N);
    }
    EXPECT_EQ(seen.size(), all);
    EXPECT_EQ(checks().inHand(), 0);
    // One is kept for later; that is no cure and no acceptance.
    click("findingPin");
    ASSERT_EQ(app->document().job().pins.size(), 1u);
    EXPECT_EQ(app->document().job().pins.begin()->second.from, Pin::From::Check);
    EXPECT_EQ(audit().openCount(), static_cast<int>(all));
    app->key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(app->document().job().pins.empty());
    // Two cures; the picture shows both sides before one is taken.
    ASSERT_TRUE(walkTo("dusk-terrace-10", "tilt"));
    ASSERT_TRUE(waitUntil([&] { return app->find<PictureView>("findingPlace").isSplit(); }));
    takeCure("dusk-terrace-10", "tilt");
    takeCure("shop-front-02", "tilt");
    // One is let stand.
    ASSERT_TRUE(walkTo("yard-10", "bare-paper") || walkTo("yard-10", "near-clipping"));
    const std::string clipped = checks().panel().finding()->kind->id;
    const int before = audit().openCount();
    accept("sun on the wall, as it was");
    ASSERT_TRUE(waitUntil([&] { return audit().openCount() == before - 1; }));
    EXPECT_TRUE(hasFinding("yard-10", clipped));
    // What was done last is taken back, then done again; then the second cure is given up.
    app->document().undo();
    ASSERT_TRUE(waitUntil([&] { return audit().openCount() == before; }));
    app->document().redo();
    app->document().undo(), app->document().undo();
    ASSERT_TRUE(waitUntil([&] { return hasFinding("shop-front-02", "tilt") && !audit().isStale(); }));
    EXPECT_FALSE(hasFinding("dusk-terrace-10", "tilt"));
    ASSERT_TRUE(walkTo("yard-10", clipped));
    accept("sun on the wall, as it was");
    ASSERT_TRUE(waitUntil([&] { return audit().openCount() < static_cast<int>(audit().findings().size()); }));
    const Json told = report();
    EXPECT_EQ(told["open"], audit().openCount());
    bool isAccepted = false, isTilted = false, isCured = true;
    for (const Json& f : told["findings"]) {
        isAccepted = isAccepted || (f["frame"] == "yard-10" && f["reason"] == "sun on the wall, as it was");
        isTilted = isTilted || (f["frame"] == "shop-front-02" && f["check"] == "tilt");
        isCured = isCured && !(f["frame"] == "dusk-terrace-10" && f["check"] == "tilt");
    }
    EXPECT_TRUE(isAccepted && isTilted && isCured);
    EXPECT_EQ(told["reasons"].back()["reason"], "sun on the wall, as it was");
    // It is still let stand tomorrow.
    app.reset();
    open();
    check();
    EXPECT_LT(audit().openCount(), static_cast<int>(audit().findings().size()));
}

TEST_F(ChecksWindow, LimitsAreEditedAndKeptAsAUseOfOnesOwn)
{
    check();
    ASSERT_TRUE(hasFinding("dusk-terrace-10", "tilt"));
    QTimer::singleShot(0, [&] {
        auto* dialog = QApplication::activeModalWidget();
        ASSERT_TRUE(dialog);
        auto* name = dialog->findChild<QLineEdit*>("useName");
        EXPECT_TRUE(dialog->findChild<QPushButton*>("useKeep")->isEnabled());
        name->setText("screen");
        EXPECT_FALSE(dialog->findChild<QPushButton*>("useKeep")->isEnabled()) << "shipped uses stay";
        name->setText("hand held");
        dialog->findChild<QDoubleSpinBox*>("limit-tilt")->setValue(20);
        QTest::mouseClick(dialog->findChild<QPushButton*>("useKeep"), Qt::LeftButton);
    });
    click("checkLimits");
    EXPECT_EQ(app->find<QComboBox>("checkUse").currentText(), "hand held");
    EXPECT_EQ(app->document().job().useOf("hand held")->limits.at("tilt"), 20);
    EXPECT_TRUE(isChecked());
    const auto tilts = [&] {
        return std::count_if(audit().findings().begin(), audit().findings().end(),
                             [](const Finding& f) { return f.kind->id == std::string("tilt") && f.limit == 20; });
    };
    EXPECT_EQ(tilts(), 0);
    app.reset();
    open();
    EXPECT_EQ(app->find<QComboBox>("checkUse").currentText(), "hand held");
    app->document().undo();
    EXPECT_EQ(app->document().job().useOf("hand held"), nullptr);
    EXPECT_EQ(app->find<QComboBox>("checkUse").currentText(), "screen");
}

TEST_F(ChecksWindow, TheContactSheetFollowsEveryChangeAndIsSaved)
{
    click("proofSheet");
    auto& page = app->find<PictureView>("sheetPage");
    ASSERT_TRUE(waitUntil([&] { return !page.image().isNull() && proof().sheet().pages() == 1; }));
    ASSERT_TRUE(app->atRest());
    const QImage before = page.image();
    Look look = app->look();
    Chroma dull;
    dull.even = 0;
    look.steps.emplace_back().parameters = dull;
    app->document().looks().takeLook(look, "Dull");
    ASSERT_TRUE(waitUntil([&] { return page.image() != before; }));
    click("sheetBefore");
    ASSERT_TRUE(waitUntil([&] { return page.image() == before; })) << "without the look it is as it was";
    app->find<QSpinBox>("sheetColumns").setValue(1);
    ASSERT_TRUE(waitUntil([&] { return proof().sheet().pages() > 1; }));
    click("sheetNext");
    EXPECT_EQ(proof().sheet().page(), 1);
    for (const char* name : {"sheet.pdf", "sheet.jpg"}) {
        proof().sheet().save(QString::fromStdString((folder / name).string()));
        ASSERT_TRUE(waitUntil([&] { return !proof().sheet().task().isRunning(); }));
        EXPECT_GT(std::filesystem::file_size(folder / name), 20000u);
    }
    EXPECT_EQ(readText(folder / "sheet.pdf").substr(0, 5), "%PDF-");
    // A file that this program did not write stays.
    std::ofstream(folder / "mine.pdf") << "mine";
    proof().sheet().save(QString::fromStdString((folder / "mine.pdf").string()));
    ASSERT_TRUE(waitUntil([&] { return !proof().sheet().task().isRunning() && !app->message().isEmpty(); }));
    EXPECT_EQ(readText(folder / "mine.pdf"), "mine");
}

TEST_F(ChecksWindow, ScreensAndPrintsStandSideBySideWithWhatIsLostOnThem)
{
    app->document().selection().setFrameInHand(app->document().frames().front().id);
    click("proofScreens");
    ASSERT_TRUE(waitUntil([&] { return proof().screens().printFacts() && proof().screens().isAtRest(); }));
    EXPECT_TRUE(words("seenWords1").isEmpty());
    EXPECT_TRUE(words("seenWords2").contains("darkest")) << words("seenWords2").toStdString();
    EXPECT_TRUE(words("seenWords3").contains("lighter")) << words("seenWords3").toStdString();
    EXPECT_TRUE(words("seenWords4").contains("most ink"));
    EXPECT_NE(proof().screens().view(0).image(), proof().screens().view(3).image());
    // Less ink allowed: more is past it, and it can be seen where.
    const QImage plain = proof().screens().view(3).image();
    app->find<QDoubleSpinBox>("inkLimit").setValue(100);
    ASSERT_TRUE(
        waitUntil([&] { return proof().screens().printFacts() && proof().screens().printFacts()->pastShare > 0; }));
    app->find<QComboBox>("printMarks").setCurrentIndex(2);
    emit app->find<QComboBox>("printMarks").activated(2);
    ASSERT_TRUE(waitUntil([&] { return proof().screens().isAtRest() && proof().screens().view(3).image() != plain; }));
    // Its ends are taken as the last step of the look.
    const std::size_t steps = app->look().steps.size();
    click("takePrintEnds");
    ASSERT_EQ(app->look().steps.size(), steps + 1);
    EXPECT_LT(std::get<Ends>(app->look().steps.back().parameters).ceiling, 1);
    ASSERT_TRUE(waitUntil([&] { return proof().screens().isAtRest(); }));
    click("takePrintEnds");
    EXPECT_EQ(app->look().steps.size(), steps + 1) << "taken again it is the same step";
}

}  // namespace
}  // namespace amber::test
