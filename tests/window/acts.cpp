#include "tests/window/acts.h"

#include "tests/window/window_support.h"

#include <cstdio>

namespace amber::test {
namespace {

constexpr double kLow = 0.35, kHigh = 0.65;

void say(double value)
{
    std::printf("%.9f\n", value);
    std::fflush(stdout);
}

const ToneCurve& curve(OpenWindow& app) { return std::get<ToneCurve>(app.look().steps.at(0).parameters); }

int dragForever(OpenWindow& app)
{
    if (!app.goToLook() || (app.look().steps.empty() && !app.addStep("Tone curve")))
        return 1;
    auto& plot = app.find<CurvePlot>("curvePlot");
    if (curve(app).all.size() == 2)
        OpenWindow::drag(plot, QPoint(plot.width() / 2, plot.height() / 2), QPoint(0, -5));
    for (int i = 0; i < 100000; ++i) {
        // From wherever the point is to the other end, slowly, so that the kill falls into a drag.
        const QPointF from = plot.handlePlace(1);
        const double y = curve(app).all[1].y, perPixel = 0.002;
        const int by = static_cast<int>((y - nextDragTarget(y)) / perPixel);
        QTest::mousePress(&plot, Qt::LeftButton, {}, from.toPoint());
        for (int k = 1; k <= 20; ++k) {
            QTest::mouseMove(&plot, from.toPoint() + QPoint(0, by * k / 20));
            QCoreApplication::processEvents();
        }
        QTest::mouseRelease(&plot, Qt::LeftButton, {}, from.toPoint() + QPoint(0, by));
        say(curve(app).all[1].y);
    }
    return 0;
}

}  // namespace

double nextDragTarget(double y) { return y > (kLow + kHigh) / 2 ? kLow : kHigh; }

int act(const QString& what, const QString& folder)
{
    OpenWindow app;
    QObject::connect(&app.window().shoot().model(), &FrameModel::progressed, [&] {
        if (what == "import")
            say(app.window().shoot().model().readCount());
    });
    app.open(folder);
    if (what == "drag")
        return dragForever(app);
    if (what == "export") {
        QObject::connect(&app.window().handover().task(), &ExportTask::progressed, [](int done) { say(done); });
        app.find<QComboBox>("exportFormat").setCurrentIndex(1);
        app.find<QPushButton>("exportStart").click();
    }
    return QApplication::exec();
}

}  // namespace amber::test
