#include "app/render/proxy_store.h"

#include "app/display/screen_view.h"
#include "app/render/picture_shelf.h"
#include "app/task/post.h"
#include "core/base/content_hash.h"
#include "core/base/memory_gate.h"
#include "core/image/resize.h"
#include "core/image/write.h"

#include <QImage>
#include <QPointer>
#include <cstring>
#include <unistd.h>

namespace amber {
namespace {
constexpr std::size_t kSmallInMemory = std::size_t{64} << 20;
constexpr int kOnTheWall = 6;  // the frame in hand and five companions

std::shared_ptr<const Proxy> balancedProxy(const std::shared_ptr<const Proxy>& proxy,
                                           const ProxyStore::Footing& footing)
{
    if (!footing.balance.changesPixels())
        return proxy;
    auto made = std::make_shared<Proxy>();
    made->info = proxy->info, made->sourceRatio = proxy->sourceRatio;
    const Placement whole = footing.balance.placement(made->info.width, made->info.height);
    made->info.width = whole.width(), made->info.height = whole.height();
    made->image = balancedPicture(proxy->image, footing.balance, footing.response);
    if (whole.isIdentity()) {
        made->samples = proxy->samples;
        applyLight(footing.balance, footing.response,
                   footing.balance.placement(made->samples.width(), made->samples.height()), 0,
                   made->samples.mutableView());
    } else {
        // Single pixels lie elsewhere once a picture is turned: those of the proxy stand for them.
        const Size grid = fitted({made->image.width(), made->image.height()}, ProxyStore::kSampleEdge);
        made->samples = sampleGrid(made->image.view(), grid.width, grid.height);
    }
    return made;
}

std::size_t bytesOf(const Image& image)
{
    return static_cast<std::size_t>(image.width()) * image.height() * 3 * sizeof(float);
}
std::size_t bytesOf(const Proxy& proxy) { return bytesOf(proxy.image) + bytesOf(proxy.samples); }

/// Runs `work`; what it throws (no memory, a library's fault) becomes the reason why the picture is not to be had.
template <class Work>
QString faultOf(Work&& work)
{
    try {
        return work();
    } catch (const std::bad_alloc&) {
        return ProxyStore::tr("there is not enough memory for it");
    } catch (const std::exception& error) {
        return ProxyStore::tr("cannot be read: %1").arg(QString::fromUtf8(error.what()));
    }
}

struct ReadProxy {
    std::shared_ptr<const Proxy> untouched, balanced;
    QString fault;
};

ReadProxy readProxy(const std::filesystem::path& path, int edge, const ProxyStore::Footing& footing, MemoryGate& gate)
{
    ReadProxy made;
    made.fault = faultOf([&] {
        const auto held = gate.take(bytesToReadReduced(path, edge, false));
        auto read = readReducedWithSamples(path, edge, ProxyStore::kSampleEdge);
        if (!read)
            return QString::fromStdString(read.error().message());
        const double ratio = static_cast<double>(read->info.width) / read->info.height;
        made.untouched = std::make_shared<const Proxy>(
            Proxy{std::move(read->image), std::move(read->samples), std::move(read->info), ratio});
        made.balanced = balancedProxy(made.untouched, footing);
        return QString();
    });
    return made;
}

/// A small source as it lies on the shelf.
struct SmallHead {
    int width, height, longEdge;
    double sourceRatio;
};

Bytes bytesOf(const SmallSource& small)
{
    const SmallHead head{small.picture.width(), small.picture.height(), small.longEdge, small.sourceRatio};
    Bytes bytes(sizeof head + small.picture.bytes());
    std::memcpy(bytes.data(), &head, sizeof head);
    std::memcpy(bytes.data() + sizeof head, small.picture.values().data(), small.picture.bytes());
    return bytes;
}

SmallSource smallFrom(const Bytes& bytes)
{
    SmallHead head{};
    std::memcpy(&head, bytes.data(), sizeof head);
    std::vector<std::uint16_t> values((bytes.size() - sizeof head) / sizeof(std::uint16_t));
    std::memcpy(values.data(), bytes.data() + sizeof head, values.size() * sizeof(std::uint16_t));
    return {HalfImage(head.width, head.height, std::move(values)), head.longEdge, head.sourceRatio};
}

struct Thumbnail {
    QImage image;
    QString hash, fault;
    qint64 bytes = 0;
    FrameFacts facts;
    std::shared_ptr<const SmallSource> small;
};

Thumbnail thumbnailOf(const std::filesystem::path& path, MemoryGate& gate)
{
    Thumbnail made;
    made.fault = faultOf([&] {
        const auto held = gate.take(bytesToReadReduced(path, ProxyStore::kThumbnailEdge, true));
        const auto picture = readReduced(path, ProxyStore::kThumbnailEdge, true);
        if (!picture)
            return QString::fromStdString(picture.error().message());
        made.image = toScreen(picture->image.view(), *ViewTransform::srgb());
        made.hash = QString::fromStdString(contentHashOfFile(path).value_or(""));
        std::error_code error;
        made.bytes = static_cast<qint64>(std::filesystem::file_size(path, error));
        made.facts = frameFacts(picture->image.view(), captureFacts(path));
        const Size small = fitted({picture->image.width(), picture->image.height()}, ProxyStore::kSmallEdge);
        made.small = std::make_shared<const SmallSource>(
            SmallSource{HalfImage(reduceByArea(picture->image.view(), small.width, small.height).view()),
                        std::max(picture->info.width, picture->info.height),
                        static_cast<double>(picture->info.width) / std::max(1, picture->info.height)});
        return QString();
    });
    return made;
}

}  // namespace

std::size_t ProxyStore::usualLimitBytes()
{
    constexpr std::size_t kLeast = std::size_t{256} << 20, kMost = std::size_t{1} << 30;
    return std::clamp(static_cast<std::size_t>(::sysconf(_SC_PHYS_PAGES)) *
                          static_cast<std::size_t>(::sysconf(_SC_PAGESIZE)) / 8,
                      kLeast, kMost);
}

std::size_t ProxyStore::keptBytes() const
{
    std::size_t all = 0;
    for (auto it = m_untouched.constBegin(); it != m_untouched.constEnd(); ++it) {
        all += bytesOf(**it);
        if (const auto balanced = m_proxies.value(it.key()); balanced && balanced != *it)
            all += bytesOf(*balanced);
    }
    return all + (m_whole ? bytesOf(*m_whole) : 0);
}

ProxyStore::ProxyStore(RenderQueue& queue, QObject* parent)
    : QObject(parent), m_queue(queue),
      m_small(std::make_unique<Shelf>(PictureShelf::folder(), kSmallInMemory, std::numeric_limits<std::size_t>::max())),
      m_gate(std::make_shared<MemoryGate>())
{
    // The wall is about two thirds of the screen; the window may go to the largest.
    for (const QScreen* screen : QGuiApplication::screens())
        m_proxyEdge = std::clamp(static_cast<int>(screen->size().width() * screen->devicePixelRatio() * 2 / 3),
                                 m_proxyEdge, kLargestProxyEdge);
}

ProxyStore::~ProxyStore()
{
    clear();
    m_queue.waitForDone();
}

std::shared_ptr<const SmallSource> ProxyStore::small(std::int64_t frame) const
{
    const auto bytes = m_small->get(std::to_string(frame));
    return bytes ? std::make_shared<const SmallSource>(smallFrom(*bytes)) : nullptr;
}

void ProxyStore::clear()
{
    m_cancel.cancel();
    m_cancel = CancelToken();
    m_proxies.clear();
    m_untouched.clear();
    m_small->clear();
    m_refooting.clear();
    dropWholePicture();
    m_recent.clear();
    m_waiting.clear();
    m_unreadable.clear();
    m_urgent.clear();
    m_begun = std::make_shared<Begun>();
}

void ProxyStore::forget(std::int64_t frame)
{
    m_proxies.remove(frame);
    m_untouched.remove(frame);
    m_small->drop(std::to_string(frame));
    m_recent.removeOne(frame);
    m_unreadable.remove(frame);
    m_urgent.remove(frame);
    if (m_wholeFrame == frame)
        dropWholePicture();
    const std::lock_guard lock(m_begun->mutex);
    m_begun->frames.remove(frame);
}

ProxyStore::Stamp ProxyStore::stampOf(const std::filesystem::path& path)
{
    std::error_code sizeError, timeError;
    const auto bytes = std::filesystem::file_size(path, sizeError);
    const auto changed = std::filesystem::last_write_time(path, timeError);
    return {sizeError ? 0 : bytes, timeError ? std::filesystem::file_time_type{} : changed};
}

bool ProxyStore::isKnownUnreadable(std::int64_t frame, const std::filesystem::path& path)
{
    const auto found = m_unreadable.constFind(frame);
    if (found == m_unreadable.constEnd())
        return false;
    if (*found == stampOf(path))
        return true;
    m_unreadable.erase(found);
    return false;
}

std::shared_ptr<const Proxy> ProxyStore::proxy(std::int64_t frame, const std::filesystem::path& path)
{
    if (const auto found = m_proxies.constFind(frame); found != m_proxies.constEnd()) {
        m_recent.removeOne(frame);
        m_recent.append(frame);
        return *found;
    }
    if (m_waiting.contains(frame) || isKnownUnreadable(frame, path))
        return nullptr;
    m_waiting.insert(frame);
    m_queue.start(RenderQueue::Priority::Companion,
                  [this, frame, path, edge = m_proxyEdge, footing = footing(frame), gate = m_gate, cancel = m_cancel] {
                      if (cancel.isCancelled())
                          return;
                      const Stamp stamp = stampOf(path);
                      const ReadProxy made = readProxy(path, edge, footing, *gate);
                      post(this, [this, frame, path, made, footing, stamp, cancel] {
                          if (cancel.isCancelled())
                              return;
                          m_waiting.remove(frame);
                          if (!made.balanced) {
                              m_unreadable.insert(frame, stamp);
                              emit failed(frame, made.fault);
                              return;
                          }
                          keep(frame, made.untouched, made.balanced);
                          // The balance may have changed while the file was read.
                          if (const Footing now = this->footing(frame); !(now.balance == footing.balance))
                              refoot(frame, path);
                          emit proxyReady(frame);
                      });
                  });
    return nullptr;
}

void ProxyStore::keep(std::int64_t frame, std::shared_ptr<const Proxy> untouched, std::shared_ptr<const Proxy> balanced)
{
    m_untouched.insert(frame, std::move(untouched));
    m_proxies.insert(frame, std::move(balanced));
    m_recent.removeOne(frame);
    m_recent.append(frame);
    // As many as fit, the latest asked for; those that the wall can show at once stay in any case.
    while (m_recent.size() > kOnTheWall && keptBytes() > m_limitBytes) {
        const std::int64_t oldest = m_recent.takeFirst();
        m_proxies.remove(oldest);
        m_untouched.remove(oldest);
    }
}

std::shared_ptr<const Proxy> ProxyStore::untouched(std::int64_t frame, const std::filesystem::path& path)
{
    return proxy(frame, path) ? m_untouched.value(frame) : nullptr;
}

void ProxyStore::refoot(std::int64_t frame, const std::filesystem::path& path)
{
    if (m_wholeFrame == frame) {
        dropWholePicture();
        (void)wholePicture(frame, path);
    }
    const auto source = m_untouched.value(frame);
    if (!source)
        return;
    auto& newest = m_refooting[frame];
    if (!newest)
        newest = std::make_shared<std::atomic<int>>(0);
    const int number = ++*newest;
    m_queue.start(
        RenderQueue::Priority::Companion,
        [this, frame, source, number, newest = newest, footing = footing(frame), cancel = m_cancel] {
            if (cancel.isCancelled() || *newest != number)
                return;
            std::shared_ptr<const Proxy> balanced;
            const QString fault = faultOf([&] {
                balanced = balancedProxy(source, footing);
                return QString();
            });
            post(this, [this, frame, source, balanced, fault, number, newest, cancel] {
                if (cancel.isCancelled() || *newest != number || m_untouched.value(frame) != source)
                    return;
                if (!balanced) {
                    emit failed(frame, fault);
                    return;
                }
                keep(frame, source, balanced);
                emit proxyReady(frame);
            });
        },
        true);
}

std::shared_ptr<const Image> ProxyStore::wholePicture(std::int64_t frame, const std::filesystem::path& path)
{
    if (m_wholeFrame == frame)
        return m_whole;
    m_wholeFrame = frame;
    m_whole.reset();
    m_queue.start(RenderQueue::Priority::Companion,
                  [this, frame, path, footing = footing(frame), gate = m_gate, cancel = m_cancel] {
                      if (cancel.isCancelled())
                          return;
                      std::shared_ptr<const Image> whole;
                      const QString fault = faultOf([&] {
                          const auto held = gate->take(bytesToRead(path));
                          auto picture = readPicture(path);
                          if (!picture)
                              return QString::fromStdString(picture.error().message());
                          whole = std::make_shared<const Image>(
                              footing.balance.changesPixels()
                                  ? balancedPicture(std::move(picture->image), footing.balance, footing.response)
                                  : std::move(picture->image));
                          return QString();
                      });
                      post(this, [this, frame, whole, fault, cancel] {
                          if (cancel.isCancelled() || m_wholeFrame != frame)
                              return;
                          m_whole = whole;
                          if (whole)
                              emit proxyReady(frame);
                          else
                              emit failed(frame, fault);
                      });
                  });
    return nullptr;
}

void ProxyStore::requestThumbnail(std::int64_t frame, const std::filesystem::path& path, bool urgent)
{
    if (urgent) {
        if (m_urgent.contains(frame))
            return;
        m_urgent.insert(frame);
    }
    const auto work = [this, frame, path, begun = m_begun, gate = m_gate, cancel = m_cancel] {
        if (cancel.isCancelled())
            return;
        {
            const std::lock_guard lock(begun->mutex);
            if (begun->frames.contains(frame))
                return;
            begun->frames.insert(frame);
        }
        const Stamp stamp = stampOf(path);
        const Thumbnail made = thumbnailOf(path, *gate);
        post(this, [this, frame, made, stamp, cancel] {
            if (cancel.isCancelled())
                return;
            if (made.image.isNull()) {
                m_unreadable.insert(frame, stamp);
                emit failed(frame, made.fault);
                return;
            }
            m_small->put(std::to_string(frame), bytesOf(*made.small));
            emit thumbnailReady(frame, made.image, made.hash, made.bytes, made.facts);
        });
    };
    m_queue.start(RenderQueue::Priority::Thumbnail, work, urgent);
}

}  // namespace amber
