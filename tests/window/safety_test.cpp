// Nothing lost, nothing wrong: jobs that move, are damaged, lie where nothing can be written; pictures that are gone,
// replaced or cannot be read.
#include "app/document/lost_frames.h"
#include "app/places/balance/balance_place.h"
#include "core/look/look_json.h"
#include "tests/support/random_look.h"
#include "tests/support/read_only.h"
#include "tests/window/window_support.h"

#include <clocale>
#include <gtest/gtest.h>
#include <sqlite3.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

QString name(const fs::path& p) { return QString::fromStdString(p.string()); }

void changeJob(const fs::path& file, const std::string& sql)
{
    sqlite3* job = nullptr;
    sqlite3_open(file.c_str(), &job);
    EXPECT_EQ(sqlite3_exec(job, sql.c_str(), nullptr, nullptr, nullptr), SQLITE_OK) << sql;
    sqlite3_close(job);
}

/// What was kept aside of a part of a job.
QString unreadableIn(const fs::path& file, const char* part)
{
    sqlite3* job = nullptr;
    sqlite3_open(file.c_str(), &job);
    QString text;
    sqlite3_exec(
        job, (std::string("SELECT text FROM unreadable WHERE part = '") + part + "'").c_str(),
        [](void* to, int, char** values, char**) {
            *static_cast<QString*>(to) += QString::fromUtf8(values[0]);
            return 0;
        },
        &text, nullptr);
    sqlite3_close(job);
    return text;
}

/// A folder of pictures with work in its job: a balance, a rating and a look on the second of them; all contents known.
fs::path workedOn(const fs::path& folder, int frames = 4)
{
    fs::create_directories(folder);
    writeShoot(folder, frames);
    OpenWindow app(folder);
    EXPECT_TRUE(app.thumbnailsRead());
    const std::int64_t second = app.document().frames()[1].id;
    FrameBalance balance;
    balance.light.exposureStops = 0.5;
    app.document().balances().set({{second, balance}}, "By hand");
    app.document().setRating({second}, 4);
    app.document().looks().addStep(Contrast{});
    app.document().looks().rename("Look of this job");
    return JobStore::fileForFolder(folder);
}

bool hasItsWork(Document& document)
{
    const auto& frames = document.frames();
    const auto second = std::find_if(frames.begin(), frames.end(),
                                     [&](const Frame& f) { return document.job().frame(f.id).rating == 4; });
    return second != frames.end() && document.balances().of(second->id).light.exposureStops == 0.5 &&
           document.looks().look().name == "Look of this job" && document.looks().look().steps.size() == 1;
}

QString question(OpenWindow& app, const char* which)
{
    auto* words = app.window().findChild<QLabel*>(QStringLiteral("question-%1-words").arg(which));
    return words && words->isVisible() ? words->text() : QString();
}

void answer(OpenWindow& app, const char* which, int number)
{
    QTest::mouseClick(&app.find<QPushButton>(qPrintable(QStringLiteral("question-%1-%2").arg(which).arg(number))),
                      Qt::LeftButton);
}

std::size_t lost(Document& document)
{
    return static_cast<std::size_t>(
        std::count_if(document.frames().begin(), document.frames().end(), [](const Frame& f) { return f.isLost; }));
}

TEST(MovedJobWindow, AFolderMovedRenamedAndCopiedOpensWithItsWorkAndWithoutAQuestion)
{
    const TemporaryFolder folder;
    workedOn(folder / "one");
    fs::create_directory(folder / "archive");
    fs::rename(folder / "one", folder / "archive/client, May");
    fs::copy(folder / "archive/client, May", folder / "copy", fs::copy_options::recursive);
    for (const char* place : {"archive/client, May", "copy"}) {
        OpenWindow app(folder / place);
        ASSERT_TRUE(app.thumbnailsRead());
        EXPECT_EQ(app.document().frames().size(), 4u);
        EXPECT_EQ(lost(app.document()), 0u);
        EXPECT_TRUE(hasItsWork(app.document())) << place;
        EXPECT_EQ(app.document().frames()[1].path, folder / place / "frame-1.png");
        EXPECT_TRUE(question(app, "lost").isEmpty() && question(app, "changed").isEmpty());
        EXPECT_EQ(JobStore::jobsInFolder(folder / place).size(), 1u) << "no second job beside it";
        EXPECT_TRUE(app.find<QLineEdit>("exportFolder").text().startsWith(name(folder / place)))
            << "what is kept of places moves along";
    }
}

TEST(MovedJobWindow, PicturesThatWereRenamedOrPutIntoAFolderAreFoundByContentWithOneQuestion)
{
    const TemporaryFolder folder;
    workedOn(folder / "shoot");
    fs::create_directory(folder / "shoot/chosen");
    for (int n = 0; n < 3; ++n)
        fs::rename(folder / ("shoot/frame-" + std::to_string(n) + ".png"),
                   folder / ("shoot/chosen/client-" + std::to_string(n) + ".png"));
    fs::rename(folder / "shoot/frame-3.png", folder / "shoot/renamed.png");
    writeShoot(folder.path(), 9);
    fs::rename(folder / "frame-8.png", folder / "shoot/new one.png");
    {
        OpenWindow app(folder / "shoot");
        ASSERT_TRUE(waitUntil([&] { return !question(app, "lost").isEmpty(); }));
        EXPECT_TRUE(question(app, "lost").contains("4 pictures are not where they were"))
            << question(app, "lost").toStdString();
        EXPECT_TRUE(hasItsWork(app.document()));
        answer(app, "lost", 0);
        EXPECT_EQ(lost(app.document()), 0u);
        EXPECT_TRUE(question(app, "lost").isEmpty());
        ASSERT_TRUE(app.thumbnailsRead());
        EXPECT_EQ(app.document().frames().size(), 5u) << "one frame each, and the picture that is new";
        EXPECT_EQ(app.document().frames()[1].path, folder / "shoot/chosen/client-1.png");
        EXPECT_TRUE(hasItsWork(app.document()));
    }
    OpenWindow again(folder / "shoot");
    ASSERT_TRUE(again.thumbnailsRead());
    EXPECT_EQ(lost(again.document()), 0u);
}

TEST(MovedJobWindow, PicturesInAnotherPlaceAreFoundOnceItIsShown)
{
    const TemporaryFolder folder;
    workedOn(folder / "shoot");
    fs::create_directories(folder / "elsewhere/deep");
    for (int n = 0; n < 4; ++n)
        fs::rename(folder / ("shoot/frame-" + std::to_string(n) + ".png"),
                   folder / ("elsewhere/deep/" + std::to_string(n) + ".png"));
    OpenWindow app(folder / "shoot");
    ASSERT_TRUE(waitUntil([&] { return !question(app, "lost").isEmpty(); }));
    EXPECT_EQ(lost(app.document()), 4u);
    EXPECT_TRUE(question(app, "lost").contains("Their work is kept"));
    // The wall says so and does not wait for ever.
    app.key(Qt::Key_4, Qt::ControlModifier);
    for (const char* view : {"frameInHand", "companion1", "companion2"})
        EXPECT_TRUE(app.find<PictureView>(view).message().contains("not where it was"))
            << view << ": " << app.find<PictureView>(view).message().toStdString();
    app.window().findChild<LostFrames*>()->searchIn(name(folder / "elsewhere"));
    ASSERT_TRUE(waitUntil([&] { return lost(app.document()) == 0; }));
    EXPECT_TRUE(question(app, "lost").isEmpty());
    ASSERT_TRUE(app.thumbnailsRead());
    EXPECT_TRUE(hasItsWork(app.document()));
    ASSERT_TRUE(app.settled()) << "the pictures come back on the wall";
}

TEST(MovedJobWindow, APictureReplacedByAnotherOfTheSameNameIsAskedAbout)
{
    const TemporaryFolder folder;
    for (const bool isTheSame : {true, false}) {
        const fs::path shoot = folder / (isTheSame ? "same" : "other");
        workedOn(shoot);
        fs::rename(shoot / "frame-3.png", shoot / "frame-1.png");
        writeShoot(folder.path(), 4);
        fs::rename(folder / "frame-3.png", shoot / "frame-3.png");
        OpenWindow app(shoot);
        ASSERT_TRUE(waitUntil([&] { return !question(app, "changed").isEmpty(); }));
        EXPECT_TRUE(question(app, "changed").contains("frame-1")) << question(app, "changed").toStdString();
        // While that is open, the frame is not handed over.
        app.key(Qt::Key_7, Qt::ControlModifier);
        ASSERT_TRUE(app.handOver());
        EXPECT_TRUE(app.find<QLabel>("exportState").text().contains("1 failed"));
        answer(app, "changed", isTheSame ? 0 : 1);
        EXPECT_TRUE(question(app, "changed").isEmpty());
        EXPECT_TRUE(hasItsWork(app.document())) << "its work is never lost";
        if (isTheSame) {
            EXPECT_EQ(app.document().frames().size(), 4u);
            EXPECT_EQ(lost(app.document()), 0u);
        } else {
            ASSERT_EQ(app.document().frames().size(), 5u);
            EXPECT_TRUE(app.document().frames()[1].isLost);
            EXPECT_EQ(app.document().frames()[4].path, shoot / "frame-1.png");
            EXPECT_EQ(app.document().job().frame(app.document().frames()[4].id).rating, 0)
                << "the other picture is not given its work";
        }
    }
}

TEST(MovedJobWindow, OneOnAMediumThatTakesNothingIsOpenedAndSaidNotToBeKept)
{
    const TemporaryFolder folder;
    const fs::path job = workedOn(folder / "medium");
    const std::string before = readText(job);
    const ReadOnly medium(folder.path(), folder / "medium");
    for (const fs::path& opened : {folder / "medium", job}) {
        OpenWindow app(opened);
        ASSERT_TRUE(app.thumbnailsRead());
        EXPECT_TRUE(hasItsWork(app.document()));
        EXPECT_TRUE(app.message().contains("nothing is kept")) << app.message().toStdString();
        EXPECT_TRUE(app.window().windowTitle().contains("not kept"));
        app.document().looks().addStep(Contrast{});
        EXPECT_EQ(app.look().steps.size(), 2u) << "it can be tried all the same";
    }
    EXPECT_EQ(readText(job), before);
}

TEST(HandoverWindow, IntoTheFolderOfTheShootNeverReplacesASiblingOrAnybodysFile)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    writeShoot(folder.path(), 2, ".jpg");
    folder.write("frame-2.jpg", "words of somebody");
    std::map<std::string, std::string> before;
    for (const auto& entry : fs::directory_iterator(folder.path()))
        before[entry.path().filename().string()] = readText(entry.path());
    OpenWindow app(folder.path());
    ASSERT_TRUE(waitUntil([&] { return app.window().shoot().model().readCount() == 5; }));
    app.key(Qt::Key_7, Qt::ControlModifier);
    app.find<QLineEdit>("exportFolder").setText(name(folder.path()));
    for (int run = 0; run < 2; ++run) {
        ASSERT_TRUE(app.handOver());
        for (const auto& [file, bytes] : before)
            EXPECT_EQ(readText(folder / file), bytes) << file;
        EXPECT_TRUE(app.find<QLabel>("exportState").text().contains("under another name"))
            << app.find<QLabel>("exportState").text().toStdString();
    }
    EXPECT_TRUE(fs::exists(folder / "frame-2-3.jpg"))
        << "the words are a frame that cannot be read, and have the name before";
    EXPECT_FALSE(fs::exists(folder / "frame-2-4.jpg")) << "the second time its own files are written anew";
}

TEST(DamagedJobWindow, ALookThatCannotBeReadLetsNoOtherLookIn)
{
    const TemporaryFolder folder;
    const fs::path one = workedOn(folder / "one"), two = workedOn(folder / "two");
    changeJob(two, "UPDATE revision SET json = '{\"steps\": 7' WHERE id = (SELECT current FROM look WHERE id = 1)");
    OpenWindow app(folder / "one");
    ASSERT_TRUE(app.goToLook());
    ASSERT_EQ(app.look().steps.size(), 1u);
    app.open(name(folder / "two"));
    EXPECT_TRUE(app.look().steps.empty()) << "nothing foreign is ever on screen";
    EXPECT_TRUE(question(app, "look").contains("cannot be read")) << question(app, "look").toStdString();
    ASSERT_TRUE(app.settled());
    // Locked: by the window and by the document.
    app.document().looks().addStep(Contrast{});
    app.document().looks().rename("foreign");
    app.document().looks().commit("Change");
    EXPECT_TRUE(app.message().contains("cannot be read"));
    app.key(Qt::Key_7, Qt::ControlModifier);
    EXPECT_FALSE(app.find<QPushButton>("exportStart").isEnabled());
    EXPECT_EQ(app.document().looks().pins().size(), 0u);
    // The last good version, as a gesture.
    answer(app, "look", 0);
    EXPECT_TRUE(question(app, "look").isEmpty());
    EXPECT_EQ(app.look().steps.size(), 1u);
    EXPECT_TRUE(app.find<QPushButton>("exportStart").isEnabled());
    EXPECT_TRUE(app.document().undoAction().contains("Earlier version"));
    // Back to the damaged one it is locked again, and no further.
    app.document().undo();
    EXPECT_FALSE(app.document().looks().fault().isEmpty());
    EXPECT_TRUE(app.look().steps.empty());
    app.document().redo();
    EXPECT_TRUE(app.document().looks().fault().isEmpty());
    EXPECT_EQ(app.look().steps.size(), 1u);
}

TEST(DamagedJobWindow, AChosenLookThatCannotBeReadIsLockedToo)
{
    const TemporaryFolder folder;
    const fs::path job = workedOn(folder / "one");
    {
        Document document;
        ASSERT_TRUE(opens(document, {name(folder / "one")}));
        document.looks().newLook();
        document.looks().choose(1);
    }
    changeJob(job, "UPDATE revision SET json = 'x' WHERE look = 2");
    Document document;
    ASSERT_TRUE(opens(document, {name(folder / "one")}));
    EXPECT_EQ(document.looks().look().steps.size(), 1u);
    document.looks().choose(2);
    EXPECT_FALSE(document.looks().fault().isEmpty());
    EXPECT_TRUE(document.looks().look().steps.empty());
    EXPECT_FALSE(document.looks().canTakeLastGood()) << "there is none before it";
    document.looks().addStep(Contrast{});
    document.looks().choose(1);
    EXPECT_EQ(document.looks().look().steps.size(), 1u);
    EXPECT_EQ(document.looks().look().name, "Look of this job");
}

TEST(DamagedJobWindow, ABalanceThatCannotBeReadIsSaidKeptAndNotHandedOver)
{
    const TemporaryFolder folder;
    const fs::path job = workedOn(folder / "one");
    changeJob(job, "UPDATE frame_balance SET kelvin = 'warm' WHERE frame = 2");
    changeJob(job, "INSERT OR REPLACE INTO light VALUES (0, 'Window', 'the second', 0)");
    OpenWindow app(folder / "one");
    EXPECT_TRUE(app.message().contains("The balance of frame-1 cannot be read")) << app.message().toStdString();
    EXPECT_TRUE(app.message().contains("light groups cannot be read"));
    ASSERT_TRUE(app.thumbnailsRead());
    EXPECT_TRUE(unreadableIn(job, "lights").contains("the second")) << "kept aside when lights are told apart anew";
    app.key(Qt::Key_7, Qt::ControlModifier);
    ASSERT_TRUE(app.handOver());
    EXPECT_TRUE(app.find<QLabel>("exportState").text().contains("1 failed")) << "never handed over unbalanced";
    EXPECT_FALSE(fs::exists(folder / "one/handed-over/frame-1.jpg"));
    EXPECT_TRUE(fs::exists(folder / "one/handed-over/frame-2.jpg"));
    // Balanced anew it goes, and what was there can be looked up.
    FrameBalance balance;
    balance.light.exposureStops = 1;
    app.document().balances().set({{2, balance}}, "By hand");
    EXPECT_TRUE(app.document().balances().fault(2).empty());
    EXPECT_TRUE(unreadableIn(job, "balance").contains("warm"));
}

TEST(DamagedJobWindow, AnEmptyJobFileAndAJobWithFewerFramesOpen)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "none");
    folder.write("none/none.amberjob", "");
    workedOn(folder / "many", 40);
    workedOn(folder / "few", 2);
    OpenWindow app(folder / "many");
    ASSERT_TRUE(app.thumbnailsRead());
    for (const char* place : {"Balance", "Proof", "Shoot"}) {
        app.key(place[0] == 'B' ? Qt::Key_2 : place[0] == 'P' ? Qt::Key_5 : Qt::Key_1, Qt::ControlModifier);
        app.find<QComboBox>("shootOrder").setCurrentIndex(4);
        emit app.find<QComboBox>("shootOrder").activated(4);
        app.open(name(folder / "few"));
        ASSERT_TRUE(app.thumbnailsRead());
        EXPECT_EQ(app.window().shoot().model().rowCount(), 2);
        EXPECT_EQ(app.window().balance().model().rowCount(), 2);
        app.open(name(folder / "none/none.amberjob"));
        EXPECT_EQ(app.document().frames().size(), 0u);
        EXPECT_EQ(app.window().shoot().model().rowCount(), 0);
        app.open(name(folder / "many"));
        ASSERT_TRUE(app.thumbnailsRead());
    }
}

TEST(OddFiles, NamesThatAreNoTextAndNamesOfTwoLinesAreFramesLikeAnyOther)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    const std::string notText = "caf\xE9.png", twoLines = "two\nlines.png";
    fs::rename(folder / "frame-1.png", folder / notText);
    fs::rename(folder / "frame-2.png", folder / twoLines);
    OpenWindow app(folder.path());
    ASSERT_EQ(app.document().frames().size(), 3u);
    ASSERT_TRUE(app.thumbnailsRead());
    QStringList titles;
    for (const Frame& frame : app.document().frames()) {
        EXPECT_TRUE(frame.fault.empty()) << frame.fault;
        titles << titleOf(frame);
    }
    EXPECT_TRUE(titles.contains(QStringLiteral("two␊lines"))) << titles.join("|").toStdString();
    app.key(Qt::Key_7, Qt::ControlModifier);
    ASSERT_TRUE(app.handOver());
    EXPECT_TRUE(fs::exists(folder / "handed-over" / "caf\xE9.jpg"));
    OpenWindow again(folder.path());
    EXPECT_EQ(again.document().frames().size(), 3u) << "they are known by their bytes";
}

TEST(OddFiles, AFrameThatCannotBeReadIsReadOnceAndAgainOnceItHasChanged)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    fs::rename(folder / "frame-1.png", folder / "good.png_");
    folder.write("frame-1.png", "no picture");
    OpenWindow app(folder.path());
    auto& proxies = *app.window().findChild<ProxyStore*>("proxies");
    int faults = 0;
    QObject::connect(&proxies, &ProxyStore::failed, [&] { ++faults; });
    const Frame broken = app.document().frames()[1];
    ASSERT_TRUE(waitUntil([&] { return !app.document().frame(broken.id)->fault.empty(); }));
    EXPECT_EQ(proxies.proxy(broken.id, broken.path), nullptr);
    ASSERT_TRUE(waitUntil([&] { return faults >= 1; }));
    const int once = faults;
    for (int i = 0; i < 50; ++i)
        EXPECT_EQ(proxies.proxy(broken.id, broken.path), nullptr);
    app.key(Qt::Key_4, Qt::ControlModifier);
    ASSERT_TRUE(app.settled());
    EXPECT_EQ(faults, once) << "it was not read again";
    fs::rename(folder / "good.png_", folder / "frame-1.png");
    EXPECT_TRUE(waitUntil([&] { return proxies.proxy(broken.id, broken.path) != nullptr; }))
        << "another file is another chance";
}

TEST(OddFiles, AFolderThatMayNotBeReadSaysSo)
{
    const TemporaryFolder folder;
    fs::create_directory(folder / "closed");
    writeShoot(folder / "closed", 1);
    OpenWindow app;
    const ReadOnly medium(folder.path(), folder / "closed");
    (void)!::seteuid(0);
    ::chmod((folder / "closed").c_str(), 0000);
    (void)!::seteuid(65534);
    app.open(name(folder / "closed"));
    EXPECT_TRUE(app.message().contains("Permission denied")) << app.message().toStdString();
    EXPECT_FALSE(app.message().contains("still open")) << "nothing was";
}

TEST(OddFiles, AVeryLongPictureIsSeen)
{
    const TemporaryFolder folder;
    RawPicture raw{3000, 4, 3, 8, std::vector<std::uint16_t>(3000 * 4 * 3, 250)};
    writeRaw(folder / "long.png", raw);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.thumbnailsRead());
    auto& sheet = app.find<QListView>("contactSheet");
    const QRect cell = sheet.visualRect(sheet.model()->index(0, 0));
    const QImage shot = sheet.viewport()->grab().toImage();
    int light = 0;
    for (int y = cell.top(); y < cell.bottom(); ++y)
        light += shot.pixelColor(cell.center().x(), y).lightness() > 230;
    EXPECT_GE(light, 3);
}

TEST(LongWork, WhatItThrowsIsSaidAndTheProgramGoesOn)
{
    OpenWindow app;
    Task task;
    QString why;
    bool wasCancelled = false;
    QObject::connect(&task, &Task::broke, [&](const QString& words) { why = words; });
    task.start([](const Task::Progress&, const CancelToken&) { throw std::runtime_error("out of a library"); },
               [&](bool cancelled) { wasCancelled = cancelled; });
    ASSERT_TRUE(waitUntil([&] { return !task.isRunning(); }));
    EXPECT_TRUE(wasCancelled);
    EXPECT_EQ(why, "out of a library");
    why.clear();
    task.start([](const Task::Progress&, const CancelToken&) { throw std::bad_alloc(); }, [](bool) {});
    ASSERT_TRUE(waitUntil([&] { return !why.isEmpty(); }));
    EXPECT_TRUE(why.contains("memory"));
}

TEST(LongWork, QuittingAsksNothingOnceAllIsWritten)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 6);
    auto app = std::make_unique<OpenWindow>(folder.path());
    ASSERT_TRUE(app->thumbnailsRead());
    app->key(Qt::Key_7, Qt::ControlModifier);
    // The question is open while the last files are written, and answers itself.
    QTest::mouseClick(&app->find<QPushButton>("exportStart"), Qt::LeftButton);
    ASSERT_TRUE(waitUntil([&] { return app->window().handover().task().isRunning(); }));
    EXPECT_TRUE(app->window().close());
    EXPECT_EQ(std::distance(fs::directory_iterator(folder / "handed-over"), fs::directory_iterator()), 6 + 1);
}

TEST(Balance, WithoutAJobNothingCanBeTypedAndWhatWasNotBalancedIsNotCalledSo)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    OpenWindow app;
    app.key(Qt::Key_2, Qt::ControlModifier);
    EXPECT_FALSE(app.find<QDoubleSpinBox>("balanceStops").isEnabled());
    EXPECT_FALSE(app.find<QComboBox>("balanceShape").isEnabled());
    app.open(name(folder.path()));
    EXPECT_TRUE(app.find<QDoubleSpinBox>("balanceStops").isEnabled());
    auto& after = app.find<PictureView>("balanceAfter");
    EXPECT_TRUE(after.caption().contains("not balanced")) << after.caption().toStdString();
    app.type(app.find<QDoubleSpinBox>("balanceStops"), "0.5");
    app.window().balance().commitPending();
    EXPECT_TRUE(after.caption().contains("· balanced")) << after.caption().toStdString();
}

TEST(Shell, KeyboardFocusOnTheRailIsNoSecondChosenPlace)
{
    OpenWindow app;
    const auto buttons = app.window().findChildren<QToolButton*>("railButton");
    ASSERT_GE(buttons.size(), 3);
    buttons[2]->setFocus(Qt::TabFocusReason);
    ASSERT_TRUE(waitUntil([&] { return buttons[2]->hasFocus(); }));
    const auto middle = [](QToolButton* b) { return b->grab().toImage().pixelColor(b->width() - 8, b->height() / 2); };
    const QColor chosen = middle(buttons[0]), focused = middle(buttons[2]), plain = middle(buttons[1]);
    EXPECT_NE(chosen, plain);
    EXPECT_EQ(focused, plain) << "focus is a line round it, not the ground of the chosen one";
    EXPECT_NE(buttons[2]->grab().toImage().pixelColor(buttons[2]->width() - 1, buttons[2]->height() / 2), plain);
}

/// Everything as it is on a desk in Germany. The same test runs once more with the C library in such a locale.
TEST(CommaLocale, FieldsTakeBothSignsAndFilesHaveAlwaysPoints)
{
    if (std::getenv("AMBER_TEST_LOCALE")) {
        EXPECT_STREQ(std::setlocale(LC_ALL, nullptr) ? std::setlocale(LC_CTYPE, nullptr) : "", "de_DE.UTF-8")
            << "the locale of the environment is in force";
    }
    QLocale::setDefault(QLocale("de_DE"));
    const TemporaryFolder folder;
    writeShoot(folder.path(), 3);
    const Framing hole{{}, {{0.5, 0.5, 0.625, 0.625}}};
    {
        OpenWindow app(folder.path());
        ASSERT_TRUE(app.thumbnailsRead());
        app.key(Qt::Key_2, Qt::ControlModifier);
        auto& stops = app.find<QDoubleSpinBox>("balanceStops");
        for (const char* typed : {"1.5", "1,5", "-0.75"}) {
            app.type(stops, typed);
            EXPECT_NEAR(stops.value(), typed[0] == '-' ? -0.75 : 1.5, 1e-9) << typed;
            EXPECT_EQ(stops.text(), typed[0] == '-' ? "-0,75" : "1,50");
        }
        app.window().balance().commitPending();
        const auto& model = app.window().balance().model();
        const QString cell = model.data(model.index(0, BalanceModel::ExposureColumn), Qt::DisplayRole).toString();
        EXPECT_TRUE(cell.contains("0,75")) << "tables and fields agree: " << cell.toStdString();
        app.document().setFraming(app.document().frames()[1].id, hole);
        app.document().looks().addStep(Contrast{});
    }
    OpenWindow again(folder.path());
    EXPECT_TRUE(again.message().isEmpty()) << again.message().toStdString();
    EXPECT_EQ(again.document().job().frame(again.document().frames()[1].id).framing, hole)
        << "regions left out come back";
    EXPECT_EQ(again.document().balances().of(again.document().frames()[0].id).light.exposureStops, -0.75);
    QLocale::setDefault(QLocale::c());
}

TEST(Screen, PicturesKeptForItAreLimitedByBytes)
{
    const TemporaryFolder folder;
    constexpr int kFrames = 24;
    RawPicture raw{1600, 1200, 3, 8, std::vector<std::uint16_t>(1600 * 1200 * 3, 100)};
    RenderQueue queue;
    ProxyStore proxies(queue);
    constexpr std::size_t kLimit = std::size_t{200} << 20, kOne = std::size_t{1600} * 1200 * 12 + 208 * 156 * 12;
    proxies.setLimitBytes(kLimit);
    for (int i = 0; i < kFrames; ++i) {
        writeRaw(folder / (std::to_string(i) + ".png"), raw);
        ASSERT_TRUE(waitUntil([&] { return proxies.proxy(i + 1, folder / (std::to_string(i) + ".png")) != nullptr; }));
    }
    EXPECT_LE(proxies.keptBytes(), kLimit);
    EXPECT_GT(proxies.keptBytes(), kLimit - 2 * kOne) << "as many as fit";
    EXPECT_NE(proxies.proxy(kFrames, folder / "23.png"), nullptr);
}

}  // namespace
}  // namespace amber::test
