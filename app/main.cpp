// jolly-amber: the window.
#include "app/settings/own_settings.h"
#include "app/shell/application.h"
#include "app/shell/first_window.h"
#include "app/shell/main_window.h"
#include "app/shell/screenshots.h"
#include "app/words/language.h"
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

struct Wishes {
    QString shots, guide;  ///< folders; empty: not wished for
    bool isApart = false;
    amber::FirstWindow::Paths paths;
};

Wishes wishesOf(const QCoreApplication& application, int argc, char** argv)
{
    QCommandLineParser parser;
    parser.setApplicationDescription(QApplication::tr("Designs photographic looks and lands them on whole shoots."));
    parser.addHelpOption();
    parser.addVersionOption();
    const QCommandLineOption shots(
        "shots", QApplication::tr("Write a picture of every main view with the demo data into DIR, and end."), "DIR");
    const QCommandLineOption guide("guide", QApplication::tr("Write the guide as Markdown into DIR, and end."), "DIR");
    const QCommandLineOption apart("new-window",
                                   QApplication::tr("Open a window of its own, whatever is open already."));
    parser.addOptions({shots, guide, apart});
    parser.addPositionalArgument("paths", QApplication::tr("A folder of pictures, a job, a look, or pictures."),
                                 "[paths…]");
    parser.process(application);
    return {parser.value(shots), parser.value(guide), parser.isSet(apart),
            pathsIn(argc, argv, parser.positionalArguments())};
}

/// The window, with what it is asked to open, until it is closed.
int showWindow(amber::Application& application, const Wishes& wishes)
{
    amber::FirstWindow first;
    if (!wishes.isApart && first.handOver(wishes.paths))
        return 0;
    amber::MainWindow window;
    QObject::connect(&first, &amber::FirstWindow::asked, &window, [&](const amber::FirstWindow::Paths& asked) {
        window.comeForward();
        if (!asked.empty())
            window.openPaths(asked);
    });
    QObject::connect(&application, &amber::Application::broke, &window, &amber::MainWindow::say);
    // What a title bar takes of the screen is not the window's.
    constexpr QSize kUsual(1280, 800), kTitleBar(0, 36);
    const QScreen* screen = QGuiApplication::primaryScreen();
    window.resize(screen ? kUsual.boundedTo(screen->availableSize() - kTitleBar) : kUsual);
    window.show();
    if (!wishes.paths.empty())
        window.openPaths(wishes.paths);
    window.showGuideAtFirst();
    return application.exec();
}

/// As large as the user wants it; a factor that was given for this start counts more.
void scaleInterface()
{
    const int percent = amber::OwnSettings::instance().get().scalePercent;
    if (percent != 100 && !qEnvironmentVariableIsSet("QT_SCALE_FACTOR"))
        qputenv("QT_SCALE_FACTOR", QByteArray::number(percent / 100.0));
}

}  // namespace

int main(int argc, char** argv)
{
    scaleInterface();
    amber::Application application(argc, argv);
    QApplication::setApplicationName("jolly-amber");
    QApplication::setApplicationDisplayName("Jolly Amber");
    QApplication::setApplicationVersion(AMBER_VERSION);
    QGuiApplication::setDesktopFileName("jolly-amber");
    const amber::Language language{QLocale()};
    const Wishes wishes = wishesOf(application, argc, argv);
    amber::startLog(amber::logFile());
    if (!wishes.shots.isEmpty())
        return amber::writeScreenshots(wishes.shots);
    if (!wishes.guide.isEmpty())
        return amber::writeGuide(wishes.guide);
    return showWindow(application, wishes);
}
