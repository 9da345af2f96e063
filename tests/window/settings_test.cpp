// What is set once for every job, and what the desk hands to the window.
#include "app/library/library_view.h"
#include "app/library/shared_library.h"
#include "app/settings/own_settings.h"
#include "app/shell/first_window.h"
#include "app/shell/settings_dialog.h"
#include "app/shortcuts/shortcuts.h"
#include "core/base/own_files.h"
#include "tests/window/window_support.h"

#include <future>
#include <gtest/gtest.h>

namespace amber::test {
namespace {

class SettingsWindow : public testing::Test {
protected:
    void SetUp() override
    {
        std::filesystem::remove(settingsFile());
        OwnSettings::instance().readAgain();
    }
    void TearDown() override { SetUp(); }
    SettingsDialog& open(OpenWindow& app)
    {
        m_dialog = new SettingsDialog(app.window().look().library().shared(), "a screen", &app.window());
        m_dialog->show();
        return *m_dialog;
    }
    template <class T>
    T& at(const char* name)
    {
        T* found = m_dialog->findChild<T*>(name);
        if (!found)
            qFatal("no %s in the settings", name);
        return *found;
    }
    void choose(const char* id)
    {
        const auto& all = shortcuts();
        for (std::size_t row = 0; row < all.size(); ++row)
            if (std::strcmp(all[row].id, id) == 0)
                at<QTableWidget>("settingsKeys").selectRow(static_cast<int>(row));
    }
    void press(const QKeySequence& keys)
    {
        auto& edit = at<QKeySequenceEdit>("settingsKeyEdit");
        edit.setKeySequence(keys);
        emit edit.editingFinished();
    }
    SettingsDialog* m_dialog = nullptr;  // its window's
};

TEST_F(SettingsWindow, KeysAreChangedAndTakenKeysRefused)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    OpenWindow app(folder.path());
    open(app);
    choose("proof");
    press(QKeySequence("Ctrl+J"));
    m_dialog->hide();
    ASSERT_TRUE(app.hasKeyboard());
    app.key(Qt::Key_J, Qt::ControlModifier);
    EXPECT_EQ(app.window().place(), MainWindow::Place::Proof);
    EXPECT_EQ(readSettings(settingsFile()).settings.keys.at("proof"), "Ctrl+J");
    m_dialog->show();
    choose("look");
    for (const char* refused : {"Ctrl+J", "Ctrl+5", "K", "Shift+K", "Ctrl+C", "F12", "Ctrl+K, Ctrl+M"}) {
        press(QKeySequence(refused));
        EXPECT_EQ(keysOf("look"), QKeySequence("Ctrl+4")) << refused;
        EXPECT_NE(at<QLabel>("settingsKeyFault").text(), "");
    }
    choose("came");
    EXPECT_FALSE(at<QKeySequenceEdit>("settingsKeyEdit").isEnabled()) << "held keys stay";
    // Ctrl+6 is free now; its place takes it back as shipped only while it is.
    choose("look");
    press(QKeySequence("Ctrl+6"));
    choose("proof");
    QTest::mouseClick(&at<QPushButton>("settingsKeyShipped"), Qt::LeftButton);
    EXPECT_EQ(keysOf("proof"), QKeySequence("Ctrl+J"));
    choose("look");
    QTest::mouseClick(&at<QPushButton>("settingsKeyShipped"), Qt::LeftButton);
    choose("proof");
    QTest::mouseClick(&at<QPushButton>("settingsKeyShipped"), Qt::LeftButton);
    EXPECT_TRUE(readSettings(settingsFile()).settings.keys.empty());
}

TEST_F(SettingsWindow, ReachDeliveriesReminderAndUnits)
{
    const TemporaryFolder folder;
    writeShoot(folder.path(), 2);
    OpenWindow app(folder.path());
    open(app);
    const auto type = [&](const char* name, const char* words) {
        auto& edit = at<QLineEdit>(name);
        edit.setFocus();
        QTest::keyClicks(&edit, words);
        QTest::keyClick(&edit, Qt::Key_Return);
    };
    type("settingsAuthor", "Ines Okto");
    type("settingsRights", "by Okto");
    at<QComboBox>("settingsUnits").setCurrentIndex(1);
    at<QSpinBox>("settingsRest").setValue(0);
    const Settings kept = readSettings(settingsFile()).settings;
    EXPECT_EQ(kept.author, "Ines Okto");
    EXPECT_EQ(kept.rights, "by Okto");
    EXPECT_TRUE(kept.inches);
    EXPECT_EQ(kept.restMinutes, 0);
    const TemporaryFolder other;
    writeShoot(other.path(), 1);
    app.open(QString::fromStdString(other.path().string()));
    EXPECT_EQ(app.find<QLineEdit>("exportAuthor").text(), "Ines Okto");
    // A recipe for prints: told in inches, and not changed by being told.
    auto& list = app.find<QListWidget>("recipeList");
    for (int row = 0; row < list.count(); ++row)
        if (list.item(row)->text().contains(" in"))
            list.setCurrentRow(row);
    EXPECT_TRUE(list.currentItem()->text().contains(" in")) << list.currentItem()->text().toStdString();
}

TEST_F(SettingsWindow, DamagedAreSaidAtTheStart)
{
    std::filesystem::create_directories(settingsFile().parent_path());
    std::ofstream(settingsFile()) << "no JSON";
    OwnSettings::instance().readAgain();
    OpenWindow app;
    EXPECT_TRUE(app.message().contains("settings-damaged-1.json")) << app.message().toStdString();
    std::filesystem::remove(userConfigFolder() / "settings-damaged-1.json");
}

TEST_F(SettingsWindow, NothingFlickersWhereNothingIsToMove)
{
    Settings settings;
    settings.isStill = true;
    ASSERT_TRUE(OwnSettings::instance().set(settings));
    const TemporaryFolder folder;
    writeShoot(folder.path(), 1);
    OpenWindow app(folder.path());
    ASSERT_TRUE(app.goToLook() && app.addStep("Tone curve"));
    app.key(Qt::Key_F7);
    auto& flicker = app.find<QCheckBox>("compareFlicker");
    QTest::mouseClick(&flicker, Qt::LeftButton);
    EXPECT_TRUE(flicker.isChecked());
    EXPECT_FALSE(app.find<QTimer>("flickerTimer").isActive());
    EXPECT_FALSE(QApplication::isEffectEnabled(Qt::UI_FadeMenu));
}

TEST(LooksFromOutside, WaitForAJobAndComeInOnce)
{
    const TemporaryFolder folder, looks;
    writeShoot(folder.path(), 2);
    const auto file = looks / "fog.amberlook";
    std::filesystem::copy_file(AMBER_SOURCE_DIR "/demo/looks/sea-fog.json", file);
    OpenWindow app;
    app.window().openPaths({file});
    EXPECT_TRUE(app.message().contains("open a folder or a job")) << app.message().toStdString();
    app.open(QString::fromStdString(folder.path().string()));
    EXPECT_EQ(app.look().name, "Sea fog");
    EXPECT_EQ(app.window().place(), MainWindow::Place::Look);
    const std::size_t count = app.document().looks().entries().size();
    app.window().openPaths({file, folder / "frame-1.png"});
    ASSERT_TRUE(waitUntil([&] { return !app.document().opening().isRunning(); }));
    EXPECT_EQ(app.document().looks().entries().size(), count);
    app.window().openPaths({looks.write("broken.amberlook", "{")});
    EXPECT_TRUE(app.message().contains("broken.amberlook")) << app.message().toStdString();
}

TEST(ASecondStart, HandsItsFilesToTheWindowThatIsOpen)
{
    const TemporaryFolder folder;
    const QString socket = QString::fromStdString((folder / "window").string());
    const auto start = [&](const FirstWindow::Paths& paths) {
        return std::async(std::launch::async, [&socket, paths] { return FirstWindow(socket).handOver(paths); });
    };
    const auto endOf = [](std::future<bool>& started) {
        EXPECT_TRUE(waitUntil([&] { return started.wait_for(std::chrono::seconds(0)) == std::future_status::ready; }));
        return started.get();
    };
    std::vector<FirstWindow::Paths> asked;
    {
        FirstWindow first(socket);
        QObject::connect(&first, &FirstWindow::asked, [&](const FirstWindow::Paths& paths) { asked.push_back(paths); });
        ASSERT_FALSE(first.handOver({}));
        // No text in any language, a name from here, and nothing at all.
        auto second = start({"/shoots/\xff\xfe", "here.amberjob"}), third = start({});
        EXPECT_TRUE(endOf(second) && endOf(third));
        ASSERT_TRUE(waitUntil([&] { return asked.size() == 2; }));
        const auto& paths = asked[asked[0].empty() ? 1 : 0];
        ASSERT_EQ(paths.size(), 2u);
        EXPECT_EQ(paths[0], "/shoots/\xff\xfe");
        EXPECT_EQ(paths[1], std::filesystem::current_path() / "here.amberjob");
        // While a question waits for its answer nothing else begins.
        QDialog question;
        question.setModal(true);
        question.show();
        ASSERT_TRUE(QTest::qWaitForWindowExposed(&question));
        auto fourth = start({"/a"});
        EXPECT_TRUE(endOf(fourth));
        QTest::qWait(50);
        EXPECT_EQ(asked.size(), 2u);
        question.close();
        ASSERT_TRUE(waitUntil([&] { return asked.size() == 3; }));
    }
    // One that was killed leaves its socket behind: it is no window.
    std::ofstream((folder / "window").string()) << "";
    FirstWindow next(socket);
    EXPECT_FALSE(next.handOver({"/b"}));
    QObject::connect(&next, &FirstWindow::asked, [&](const FirstWindow::Paths& paths) { asked.push_back(paths); });
    auto last = start({"/c"});
    EXPECT_TRUE(endOf(last));
    EXPECT_TRUE(waitUntil([&] { return asked.size() == 4; }));
}

}  // namespace
}  // namespace amber::test
