#include "app/render/proxy_store.h"

#include "core/base/content_hash.h"
#include "core/image/resize.h"
#include "core/image/write.h"

#include <QImage>
#include <QPointer>

namespace amber {

QImage toScreen(ImageView linear)
{
    std::vector<std::uint8_t> codes(static_cast<std::size_t>(linear.width) * linear.height * 3);
    encodeToCodes(linear, RgbSpace::Srgb, codes.data());
    QImage image(linear.width, linear.height, QImage::Format_RGB32);
    for (int y = 0; y < linear.height; ++y) {
        const std::uint8_t* in = codes.data() + static_cast<std::size_t>(y) * linear.width * 3;
        auto* out = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < linear.width; ++x, in += 3)
            out[x] = qRgb(in[0], in[1], in[2]);
    }
    return image;
}

Image fromScreen(const QImage& picture)
{
    const QImage codes = picture.convertToFormat(QImage::Format_RGB32);
    Image image(codes.width(), codes.height());
    for (int y = 0; y < codes.height(); ++y)
        for (int x = 0; x < codes.width(); ++x) {
            const QRgb c = codes.pixel(x, y);
            const LinearRgb light = decode(RgbSpace::Srgb, {qRed(c) / 255.0, qGreen(c) / 255.0, qBlue(c) / 255.0});
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(light.r), p[1] = static_cast<float>(light.g), p[2] = static_cast<float>(light.b);
        }
    return image;
}

namespace {

std::shared_ptr<const Proxy> makeProxy(const Picture& picture, int edge)
{
    const ImageView full = picture.image.view();
    const Size size = fitted({full.width, full.height}, edge), grid = fitted({full.width, full.height}, ProxyStore::kSampleEdge);
    return std::make_shared<const Proxy>(Proxy{reduceByArea(full, size.width, size.height), sampleGrid(full, grid.width, grid.height), picture.info});
}

std::shared_ptr<const Proxy> balancedProxy(const std::shared_ptr<const Proxy>& proxy, const ProxyStore::Footing& footing)
{
    if (!footing.balance.changesPixels())
        return proxy;
    auto made = std::make_shared<Proxy>();
    made->info = proxy->info;
    placedSize(footing.balance.geometry, made->info.width, made->info.height);
    made->image = balancedPicture(proxy->image, footing.balance, footing.response);
    if (footing.balance.geometry.isIdentity()) {
        made->samples = proxy->samples;
        applyLight(footing.balance, footing.response, made->samples.mutableView());
    } else {
        // Single pixels lie elsewhere once a picture is turned: those of the proxy stand for them.
        const Size grid = fitted({made->image.width(), made->image.height()}, ProxyStore::kSampleEdge);
        made->samples = sampleGrid(made->image.view(), grid.width, grid.height);
    }
    return made;
}

}  // namespace

ProxyStore::ProxyStore(QObject* parent) : QObject(parent)
{
    // The wall is about two thirds of the screen.
    if (const QScreen* screen = QGuiApplication::primaryScreen())
        m_proxyEdge = std::clamp(static_cast<int>(screen->size().width() * screen->devicePixelRatio() * 2 / 3), kProxyEdge, kLargestProxyEdge);
    m_proxyPool.setMaxThreadCount(1);
    m_thumbnailPool.setMaxThreadCount(1);
    m_thumbnailPool.setThreadPriority(QThread::LowestPriority);
}

ProxyStore::~ProxyStore()
{
    clear();
    m_proxyPool.waitForDone();
    m_thumbnailPool.waitForDone();
}

void ProxyStore::clear()
{
    m_cancel.cancel();
    m_proxyPool.clear();
    m_thumbnailPool.clear();
    m_cancel = CancelToken();
    m_proxies.clear();
    m_untouched.clear();
    m_refooting.clear();
    dropWholePicture();
    m_recent.clear();
    m_waiting.clear();
    m_urgent.clear();
    m_begun = std::make_shared<Begun>();
}

std::shared_ptr<const Proxy> ProxyStore::proxy(std::int64_t frame, const std::filesystem::path& path)
{
    if (const auto found = m_proxies.constFind(frame); found != m_proxies.constEnd()) {
        m_recent.removeOne(frame);
        m_recent.append(frame);
        return *found;
    }
    if (m_waiting.contains(frame))
        return nullptr;
    m_waiting.insert(frame);
    m_proxyPool.start([this, frame, path, edge = m_proxyEdge, footing = footing(frame), cancel = m_cancel] {
        if (cancel.isCancelled())
            return;
        auto picture = readPicture(path);
        std::shared_ptr<const Proxy> proxy, balanced;
        QString fault;
        if (picture)
            proxy = makeProxy(*picture, edge), balanced = balancedProxy(proxy, footing);
        else
            fault = QString::fromStdString(picture.error().message());
        QMetaObject::invokeMethod(this, [this, frame, path, proxy, balanced, footing, fault, cancel] {
            if (cancel.isCancelled())
                return;
            m_waiting.remove(frame);
            if (!proxy) {
                emit failed(frame, fault);
                return;
            }
            keep(frame, proxy, balanced);
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
    while (m_recent.size() > kProxyLimit) {
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
    m_proxyPool.start(
        [this, frame, source, number, newest = newest, footing = footing(frame), cancel = m_cancel] {
            if (cancel.isCancelled() || *newest != number)
                return;
            auto balanced = balancedProxy(source, footing);
            QMetaObject::invokeMethod(this, [this, frame, source, balanced, number, newest, cancel] {
                if (cancel.isCancelled() || *newest != number || m_untouched.value(frame) != source)
                    return;
                keep(frame, source, balanced);
                emit proxyReady(frame);
            });
        },
        1);
}

std::shared_ptr<const Image> ProxyStore::wholePicture(std::int64_t frame, const std::filesystem::path& path)
{
    if (m_wholeFrame == frame)
        return m_whole;
    m_wholeFrame = frame;
    m_whole.reset();
    m_proxyPool.start([this, frame, path, footing = footing(frame), cancel = m_cancel] {
        auto picture = cancel.isCancelled() ? fail("given up") : readPicture(path);
        std::shared_ptr<const Image> whole = picture ? std::make_shared<const Image>(footing.balance.changesPixels() ? balancedPicture(std::move(picture->image), footing.balance, footing.response) : std::move(picture->image)) : nullptr;
        const QString fault = picture ? QString() : QString::fromStdString(picture.error().message());
        QMetaObject::invokeMethod(this, [this, frame, whole, fault, cancel] {
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
    const auto work = [this, frame, path, begun = m_begun, cancel = m_cancel] {
        if (cancel.isCancelled())
            return;
        {
            const std::lock_guard lock(begun->mutex);
            if (begun->frames.contains(frame))
                return;
            begun->frames.insert(frame);
        }
        const auto picture = readReduced(path, kThumbnailEdge, true);
        const QImage image = picture ? toScreen(picture->image.view()) : QImage();
        const QString fault = picture ? QString() : QString::fromStdString(picture.error().message());
        const QString hash = picture ? QString::fromStdString(contentHashOfFile(path).value_or("")) : QString();
        const CaptureFacts capture = picture ? captureFacts(path) : CaptureFacts{};
        QMetaObject::invokeMethod(this, [this, frame, image, fault, hash, capture, cancel] {
            if (cancel.isCancelled())
                return;
            if (image.isNull())
                emit failed(frame, fault);
            else
                emit thumbnailReady(frame, image, hash, capture);
        });
    };
    m_thumbnailPool.start(work, urgent ? 1 : 0);
}

}  // namespace amber
