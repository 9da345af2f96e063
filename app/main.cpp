// jolly-amber: the window.
#include "app/shell/application.h"
#include "app/shell/main_window.h"
#include "app/shell/screenshots.h"
#include "core/base/log.h"

#include <QCommandLineParser>
#include <QScreen>

int main(int argc, char** argv)
{
    amber::Application application(argc, argv);
    QApplication::setApplicationName("jolly-amber");
    QApplication::setApplicationDisplayName("Jolly Amber");
    QApplication::setApplicationVersion(AMBER_VERSION);
    QCommandLineParser parser;
    parser.setApplicationDescription(QApplication::tr("Designs photographic looks and lands them on whole shoots."));
    parser.addHelpOption();
    parser.addVersionOption();
    const QCommandLineOption shots(
        "shots", QApplication::tr("Write a picture of every main view with the demo data into DIR, and end."), "DIR");
    parser.addOption(shots);
    parser.addPositionalArgument("paths", QApplication::tr("A folder of pictures, a job, or pictures."), "[paths…]");
    parser.process(application);

    amber::startLog(amber::logFile());
    if (parser.isSet(shots))
        return amber::writeScreenshots(parser.value(shots));
    amber::MainWindow window;
    QObject::connect(&application, &amber::Application::broke, &window, &amber::MainWindow::say);
    // What a title bar takes of the screen is not the window's.
    constexpr QSize kUsual(1280, 800), kTitleBar(0, 36);
    const QScreen* screen = QGuiApplication::primaryScreen();
    window.resize(screen ? kUsual.boundedTo(screen->availableSize() - kTitleBar) : kUsual);
    window.show();
    // Names as the system gives them: not every one is text.
    std::vector<std::filesystem::path> paths;
    const QStringList known = parser.positionalArguments();
    for (int i = 1; i < argc; ++i)
        if (known.contains(QString::fromLocal8Bit(argv[i])))
            paths.emplace_back(argv[i]);
    if (!paths.empty())
        window.openPaths(paths);
    return application.exec();
}
