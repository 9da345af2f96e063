// Times the finished contact sheet of a folder: how long until all of it is right, how fast it scrolls meanwhile, how
// long the tiles that are seen take after a change, and the memory of it all. A measurement, not a test: it only
// prints.
//
// usage: amber_sheet_run FOLDER LOOK.json
#include "app/shell/application.h"
#include "core/look/look_json.h"
#include "tests/window/window_support.h"

#include <cstdio>
#include <sys/resource.h>

namespace amber::test {
namespace {

double since(const QElapsedTimer& clock) { return static_cast<double>(clock.nsecsElapsed()) / 1e6; }

/// Scrolls by a third of a row, paints, and says how long that took.
double scrollOnce(QListView& sheet, int by)
{
    QElapsedTimer clock;
    clock.start();
    QScrollBar* bar = sheet.verticalScrollBar();
    bar->setValue(bar->value() + by);
    sheet.viewport()->repaint();
    QCoreApplication::processEvents(QEventLoop::AllEvents, 2);
    return since(clock);
}

void print(const char* what, std::vector<double> milliseconds)
{
    std::sort(milliseconds.begin(), milliseconds.end());
    if (!milliseconds.empty())
        std::printf("%s: median %.1f ms, 95 %% %.1f, 99 %% %.1f, most %.1f (%zu frames)\n", what,
                    milliseconds[milliseconds.size() / 2], milliseconds[milliseconds.size() * 95 / 100],
                    milliseconds[milliseconds.size() * 99 / 100], milliseconds.back(), milliseconds.size());
}

int run(const std::filesystem::path& folder, const std::string& lookFile)
{
    const auto look = readLook(lookFile);
    if (!look)
        return 1;
    OpenWindow app(folder);
    QElapsedTimer clock;
    clock.start();
    FrameModel& model = app.window().shoot().model();
    QListView& sheet = app.window().shoot().sheet();
    const int count = static_cast<int>(app.document().frames().size());
    while (model.readCount() < count)
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
    std::printf("%d thumbnails read in %.1f s\n", count, since(clock) / 1000);
    Look taken = look->look;
    taken.name = "Sheet";
    app.document().looks().takeLook(taken, "Look");
    clock.restart();
    model.showAs(SheetPictures::State::Finished);
    std::vector<double> scrolls;
    int way = 48;
    while (model.pictures().rightCount() < count) {
        scrolls.push_back(scrollOnce(sheet, way));
        const QScrollBar* bar = sheet.verticalScrollBar();
        if (bar->value() >= bar->maximum() || bar->value() <= 0)
            way = -way;
    }
    std::printf("all finished after %.1f s, scrolled all the while\n", since(clock) / 1000);
    print("one frame of scrolling while it fills", scrolls);
    // A change: until every tile that is seen is right.
    for (int change = 0; change < 3; ++change) {
        taken.steps[0].strength = 0.9 - 0.1 * change;
        clock.restart();
        app.document().looks().takeLook(taken, "Changed");
        std::vector<std::int64_t> seen;
        for (int row = 0; row < count; ++row)
            if (const QModelIndex index = sheet.model()->index(row, 0);
                sheet.visualRect(index).intersects(sheet.viewport()->rect()))
                seen.push_back(index.data(FrameModel::IdRole).toLongLong());
        sheet.viewport()->repaint();
        while (!std::all_of(seen.begin(), seen.end(), [&](std::int64_t f) { return model.pictures().isRight(f); }))
            QCoreApplication::processEvents(QEventLoop::AllEvents, 5);
        std::printf("%zu tiles right %.0f ms after a change\n", seen.size(), since(clock));
        clock.restart();
        while (model.pictures().rightCount() < count)
            QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
        std::printf("  all %d after %.1f s more\n", count, since(clock) / 1000);
    }
    app.document().undo();
    clock.restart();
    while (model.pictures().rightCount() < count)
        QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
    std::printf("taken back: all after %.1f s\n", since(clock) / 1000);
    rusage used{};
    getrusage(RUSAGE_SELF, &used);
    std::printf("largest memory %.2f GiB\n", static_cast<double>(used.ru_maxrss) / (1 << 20));
    return 0;
}

}  // namespace
}  // namespace amber::test

int main(int argc, char** argv)
{
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen");
    amber::Application application(argc, argv);
    if (argc == 3)
        return amber::test::run(argv[1], argv[2]);
    std::fprintf(stderr, "usage: amber_sheet_run FOLDER LOOK.json\n");
    return 2;
}
