// Reduced pictures for the screen, read in the background. Thumbnails are quick and small; proxies are true reductions.
#pragma once

#include "app/render/render_queue.h"
#include "core/balance/light_groups.h"
#include "core/base/shelf.h"
#include "core/frame/frame_balance.h"
#include "core/image/half_image.h"
#include "core/image/read.h"

#include <QHash>
#include <QObject>
#include <QSet>
#include <atomic>
#include <functional>
#include <memory>
#include <mutex>

namespace amber {

class MemoryGate;

struct Proxy {
    Image image;
    Image samples;  ///< single pixels of the full picture, for measures
    PictureInfo info;
    double sourceRatio = 1;  ///< width / height of the source
};

/// What was read of a picture for its thumbnail, as light.
struct SmallSource {
    HalfImage picture;
    int longEdge = 0;        ///< of the source, pixels
    double sourceRatio = 1;  ///< width / height of the source
};

class ProxyStore : public QObject {
    Q_OBJECT

public:
    static constexpr int kProxyEdge = 1600, kLargestProxyEdge = 2880, kSampleEdge = 208, kThumbnailEdge = kFactsEdge;
    static constexpr int kSmallEdge = 256;
    /// Of all pictures kept for the screen together, by the machine's memory: an eighth of it, from 256 MiB to 1 GiB.
    /// What is on the wall is always kept.
    static std::size_t usualLimitBytes();
    void setLimitBytes(std::size_t bytes) { m_limitBytes = bytes; }

    explicit ProxyStore(RenderQueue& queue, QObject* parent = nullptr);
    ~ProxyStore() override;
    RenderQueue& queue() { return m_queue; }

    /// What a frame is balanced by: asked for on the thread that owns this, when a frame is read or has changed.
    struct Footing {
        FrameBalance balance;
        Response response;
    };
    void setFootings(std::function<Footing(std::int64_t)> footings) { m_footings = std::move(footings); }
    /// A frame's footing has changed: what is kept of it is made anew; until then the old one is given.
    void refoot(std::int64_t frame, const std::filesystem::path& path);
    /// The proxy of a frame as it was read, before any balance; or nothing yet.
    std::shared_ptr<const Proxy> untouched(std::int64_t frame, const std::filesystem::path& path);

    /// The balanced proxy of a frame, or nothing yet: then it is read and proxyReady follows.
    std::shared_ptr<const Proxy> proxy(std::int64_t frame, const std::filesystem::path& path);
    /// The whole picture at its own size, for looking at single pixels: only of one frame at a time. Nothing yet: it is
    /// read, and proxyReady follows.
    std::shared_ptr<const Image> wholePicture(std::int64_t frame, const std::filesystem::path& path);
    void dropWholePicture() { m_whole.reset(), m_wholeFrame = 0; }
    /// Reads a thumbnail and the content hash in the background, once. Asking again with `urgent` moves a waiting one
    /// forward.
    void requestThumbnail(std::int64_t frame, const std::filesystem::path& path, bool urgent);
    /// The light of a frame whose thumbnail was read; null before.
    std::shared_ptr<const SmallSource> small(std::int64_t frame) const;
    bool hasSmall(std::int64_t frame) const { return m_small->has(std::to_string(frame)); }
    /// Drops what is kept of one frame, also that it could not be read: its file is another one now.
    void forget(std::int64_t frame);
    /// Bytes of all pictures kept.
    std::size_t keptBytes() const;
    /// Drops what is waiting and everything kept, without waiting for what is being read: its result is thrown away.
    void clear();

signals:
    void proxyReady(std::int64_t frame);
    /// `facts`: what the camera wrote down, and what the picture shows.
    void thumbnailReady(std::int64_t frame, const QImage& image, const QString& hash, qint64 bytes,
                        const FrameFacts& facts);
    void failed(std::int64_t frame, const QString& message);

private:
    void keep(std::int64_t frame, std::shared_ptr<const Proxy> untouched, std::shared_ptr<const Proxy> balanced);
    Footing footing(std::int64_t frame) const { return m_footings ? m_footings(frame) : Footing{}; }

    std::function<Footing(std::int64_t)> m_footings;
    std::size_t m_limitBytes = usualLimitBytes();
    int m_proxyEdge = kProxyEdge;  ///< more on a large screen, whose wall shows more
    RenderQueue& m_queue;
    QHash<std::int64_t, std::shared_ptr<const Proxy>> m_untouched, m_proxies;
    std::unique_ptr<Shelf> m_small;                                      ///< by frame
    QHash<std::int64_t, std::shared_ptr<std::atomic<int>>> m_refooting;  ///< the newest of several changes
    std::shared_ptr<const Image> m_whole;
    std::int64_t m_wholeFrame = 0;  ///< whose it is, or will be
    QList<std::int64_t> m_recent;
    QSet<std::int64_t> m_waiting;
    /// A file as it was when it could not be read: it is not read again before it has changed.
    struct Stamp {
        std::uintmax_t bytes = 0;
        std::filesystem::file_time_type changed{};
        bool operator==(const Stamp&) const = default;
    };
    static Stamp stampOf(const std::filesystem::path& path);
    bool isKnownUnreadable(std::int64_t frame, const std::filesystem::path& path);
    QHash<std::int64_t, Stamp> m_unreadable;
    std::shared_ptr<MemoryGate> m_gate;  ///< what is being read, for both pools
    QSet<std::int64_t> m_urgent;
    struct Begun {
        std::mutex mutex;
        QSet<std::int64_t> frames;
    };
    std::shared_ptr<Begun> m_begun =
        std::make_shared<Begun>();  ///< thumbnails taken up, by whichever request came first
    CancelToken m_cancel;
};

}  // namespace amber
