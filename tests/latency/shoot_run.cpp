// A big shoot in the real window: how long it takes to read, to scroll, to balance; and how much memory.
//
//   amber_shoot_run FOLDER [--no-balance]
//
// Prints one line of JSON: frames, seconds until the window shows them and can be used, until all thumbnails are read,
// milliseconds per scrolled and painted screen (median, 95 %), seconds to solve all lights, the highest resident memory
// in MB, megabytes of the job file.
#include "tests/window/window_support.h"

#include "app/places/balance/balance_place.h"
#include "app/shell/application.h"

#include <cstdio>
#include <cstring>

using namespace amber;

namespace {

double highestMemory()
{
    QFile file("/proc/self/status");
    if (file.open(QIODevice::ReadOnly))
        for (const QByteArray& line : file.readAll().split('\n'))
            if (line.startsWith("VmHWM:"))
                return line.mid(6).trimmed().split(' ').front().toDouble() / 1024;
    return 0;
}

/// Without turning in circles: the other threads have the machine.
bool runUntil(const std::function<bool()>& done, int seconds) { return QTest::qWaitFor(done, 1000 * seconds); }

}  // namespace

int main(int argc, char** argv)
{
    amber::Application application(argc, argv);
    if (argc < 2) {
        std::fprintf(stderr, "usage: amber_shoot_run FOLDER [--no-balance]\n");
        return 2;
    }
    test::OpenWindow app;
    QElapsedTimer clock;
    clock.start();
    app.open(QString::fromLocal8Bit(argv[1]));
    app.window().shoot().sheet().viewport()->repaint();
    const double opened = static_cast<double>(clock.elapsed()) / 1000;
    auto& model = app.window().shoot().model();
    const int frames = static_cast<int>(app.document().frames().size());
    if (!runUntil([&] { return model.readCount() == frames; }, 3600)) {
        std::fprintf(stderr, "not all frames could be read\n");
        return 1;
    }
    const double read = static_cast<double>(clock.elapsed()) / 1000, afterReading = highestMemory();
    // Scrolling: every step is painted before the next.
    QListView& sheet = app.window().shoot().sheet();
    std::vector<double> times;
    auto* bar = sheet.verticalScrollBar();
    for (int at = 0; at < bar->maximum() && times.size() < 600; at += 60) {
        QElapsedTimer one;
        one.start();
        bar->setValue(at);
        sheet.viewport()->repaint();
        times.push_back(static_cast<double>(one.nsecsElapsed()) / 1e6);
    }
    std::sort(times.begin(), times.end());
    double solved = 0;
    if (argc < 3 || std::strcmp(argv[2], "--no-balance") != 0) {
        app.window().go(MainWindow::Place::Balance);
        clock.restart();
        app.window().balance().solve();
        if (!runUntil([&] { return !app.window().balance().task().isRunning(); }, 3600))
            return 1;
        solved = static_cast<double>(clock.elapsed()) / 1000;
    }
    const auto at = [&](double q) {
        return times.empty() ? 0 : times[static_cast<std::size_t>(q * static_cast<double>(times.size() - 1))];
    };
    std::printf(
        "{\"frames\": %d, \"opened_s\": %.2f, \"read_s\": %.2f, \"scroll_ms\": [%.2f, %.2f], \"balance_s\": %.2f, "
        "\"memory_read_mb\": %.0f, \"memory_mb\": %.0f, \"job_mb\": %.1f}\n",
        frames, opened, read, at(0.5), at(0.95), solved, afterReading, highestMemory(),
        static_cast<double>(std::filesystem::file_size(std::as_const(app.document()).store().file())) / 1e6);
    return 0;
}
