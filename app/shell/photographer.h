// Takes pictures of windows for the tour: each once nothing in it waits to be renewed.
#pragma once

#include "app/places/look/look_place.h"
#include "app/render/render_queue.h"
#include "app/wall/picture_view.h"
#include "core/base/atomic_file.h"

#include <QtWidgets>
#include <cstdio>

namespace amber {

inline constexpr qint64 kLongest = 240000;  // milliseconds: a machine may have much else to do

class Photographer {
public:
    explicit Photographer(const QString& folder) : m_folder(folder) { QDir().mkpath(folder); }

    void take(QWidget& widget, const QString& name)
    {
        waitFor([&] { return isAtRest(widget) && (!m_queue || m_queue->isIdle()); }, "what is shown a moment later");
        // What was shown meanwhile may have asked for more.
        waitFor([&] { return isAtRest(widget) && (!m_queue || m_queue->isIdle()); }, "what is shown after that");
        const QString path = m_folder + "/" + name + ".png";
        QByteArray bytes;
        QBuffer buffer(&bytes);
        buffer.open(QIODevice::WriteOnly);
        widget.grab().save(&buffer, "PNG");
        if (const Status written = saveFile(
                path.toStdString(), std::string_view(bytes.constData(), static_cast<std::size_t>(bytes.size())));
            !written) {
            std::fprintf(stderr, "jolly-amber: %s\n", written.error().message().c_str());
            m_status = 1;
        } else {
            std::printf("%s\n", qPrintable(path));
        }
    }
    void take(const QImage& page, const QString& name)
    {
        QLabel paper;
        paper.setPixmap(QPixmap::fromImage(page));
        paper.resize(page.size());
        take(paper, name);
    }
    /// Runs the window until `done`; gives up after kLongest and says so.
    void waitFor(const std::function<bool()>& done, const char* what)
    {
        QElapsedTimer clock;
        clock.start();
        while (!done()) {
            QCoreApplication::processEvents(QEventLoop::AllEvents, 20);
            QThread::msleep(2);  // what is waited for has need of the core
            if (clock.elapsed() > kLongest) {
                std::fprintf(stderr, "jolly-amber: gave up waiting for %s\n", what);
                m_status = 1;
                return;
            }
        }
        settle();
    }
    /// From now on pictures wait for what is worked on in this queue.
    void watch(RenderQueue& queue) { m_queue = &queue; }
    int status() const { return m_status; }

private:
    /// Nothing in the window waits to be renewed: a measure that follows the hand, or values that are written together.
    static bool isAtRest(const QWidget& widget)
    {
        const auto timers = widget.findChildren<QTimer*>();
        return std::none_of(timers.begin(), timers.end(),
                            [](const QTimer* t) { return t->isSingleShot() && t->isActive(); });
    }
    static void settle()
    {
        for (int i = 0; i < 10; ++i)
            QCoreApplication::processEvents();
    }
    QString m_folder;
    RenderQueue* m_queue = nullptr;
    int m_status = 0;
};

inline bool wallIsDone(LookPlace& look, std::size_t companions)
{
    Wall& wall = look.wall();
    const auto shown = [&](const PictureView& view) {
        return view.paintedNumber() == wall.requested() && !view.image().isNull();
    };
    const auto& all = wall.companionViews();
    return all.size() == companions && wall.tracedNumber() == wall.requested() && shown(wall.inHand()) &&
           std::all_of(all.begin(), all.end(), [&](const PictureView* v) { return shown(*v); });
}

}  // namespace amber
