// The window tests: Google Test inside a Qt application, and the acts that the crash tests kill.
#include "app/shell/application.h"
#include "core/base/long_call.h"
#include "tests/window/acts.h"

#include <QSettings>
#include <QTemporaryDir>
#include <gtest/gtest.h>
#include <set>

namespace {

/// A test fails when a call that may take long ran while the window handled an event: there it must not wait.
class NothingWaits : public testing::EmptyTestEventListener {
public:
    static std::set<std::string>& calls()
    {
        static std::set<std::string> all;
        return all;
    }
    void OnTestStart(const testing::TestInfo&) override { calls().clear(); }
    void OnTestEnd(const testing::TestInfo&) override
    {
        for (const std::string& call : calls())
            ADD_FAILURE() << "the interface waited for " << call;
    }
};

}  // namespace

int main(int argc, char** argv)
{
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen");
    amber::Application application(argc, argv);
    // The settings of whoever runs this are not ours to read or write.
    const QTemporaryDir settings;
    QSettings::setPath(QSettings::IniFormat, QSettings::UserScope, settings.path());
    qputenv("XDG_CONFIG_HOME", settings.path().toUtf8());
    if (argc == 4 && QString(argv[1]) == "--act")
        return amber::test::act(argv[2], argv[3]);
    testing::InitGoogleTest(&argc, argv);
    amber::setLongCallReport([](const char* what) { NothingWaits::calls().insert(what); });
    testing::UnitTest::GetInstance()->listeners().Append(new NothingWaits);
    return RUN_ALL_TESTS();
}
