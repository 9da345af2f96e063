// The window tests: Google Test inside a Qt application, and the acts that the crash tests kill.
#include "app/shell/application.h"
#include "tests/window/acts.h"

#include <gtest/gtest.h>

int main(int argc, char** argv)
{
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen");
    amber::Application application(argc, argv);
    if (argc == 4 && QString(argv[1]) == "--act")
        return amber::test::act(argv[2], argv[3]);
    testing::InitGoogleTest(&argc, argv);
    return RUN_ALL_TESTS();
}
