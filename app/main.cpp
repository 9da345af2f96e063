// jolly-amber: the window.
#include "app/shell/main_window.h"
#include "app/shell/screenshots.h"
#include "app/theme/theme.h"

#include <QApplication>
#include <QCommandLineParser>

int main(int argc, char** argv)
{
    QApplication application(argc, argv);
    QApplication::setApplicationName("jolly-amber");
    QApplication::setApplicationDisplayName("Jolly Amber");
    QApplication::setApplicationVersion(AMBER_VERSION);
    QCommandLineParser parser;
    parser.setApplicationDescription(QApplication::tr("Designs photographic looks and lands them on whole shoots."));
    parser.addHelpOption();
    parser.addVersionOption();
    const QCommandLineOption shots("shots", QApplication::tr("Write a picture of every main view with the demo data into DIR, and end."), "DIR");
    parser.addOption(shots);
    parser.addPositionalArgument("paths", QApplication::tr("A folder of pictures, a job, or pictures."), "[paths…]");
    parser.process(application);

    amber::theme::install(application);
    if (parser.isSet(shots))
        return amber::writeScreenshots(parser.value(shots));
    amber::MainWindow window;
    window.resize(1280, 800);
    window.show();
    if (!parser.positionalArguments().isEmpty())
        window.open(parser.positionalArguments());
    return application.exec();
}
