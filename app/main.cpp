// jolly-amber: the window.
#include "app/shell/application.h"
#include "app/shell/main_window.h"
#include "app/shell/screenshots.h"
#include "core/base/log.h"

#include <QCommandLineParser>
#include <QScreen>

namespace {

/// Names as the system gives them: not every one is text.
std::vector<std::filesystem::path> pathsIn(int argc, char** argv, const QStringList& known)
{
    std::vector<std::filesystem::path> paths;
    for (int i = 1; i < argc; ++i)
        if (known.contains(QString::fromLocal8Bit(argv[i])))
            paths.emplace_back(argv[i]);
    return paths;
}

}  // namespace

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
    const QCommandLineOption guide("guide", QApplication::tr("Write the guide as Markdown into DIR, and end."), "DIR");
    parser.addOption(guide);
    parser.addPositionalArgument("paths", QApplication::tr("A folder of pictures, a job, or pictures."), "[paths…]");
    parser.process(application);

    amber::startLog(amber::logFile());
    if (parser.isSet(shots))
        return amber::writeScreenshots(parser.value(shots));
    if (parser.isSet(guide))
        return amber::writeGuide(parser.value(guide));
    amber::MainWindow window;
    QObject::connect(&application, &amber::Application::broke, &window, &amber::MainWindow::say);
    // What a title bar takes of the screen is not the window's.
    constexpr QSize kUsual(1280, 800), kTitleBar(0, 36);
    const QScreen* screen = QGuiApplication::primaryScreen();
    window.resize(screen ? kUsual.boundedTo(screen->availableSize() - kTitleBar) : kUsual);
    window.show();
    if (const auto paths = pathsIn(argc, argv, parser.positionalArguments()); !paths.empty())
        window.openPaths(paths);
    window.showGuideAtFirst();
    return application.exec();
}
