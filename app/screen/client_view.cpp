#include "app/screen/client_view.h"

#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"

#include <QtWidgets>

namespace amber {

ClientView::ClientView(Document& document, ProxyStore& proxies, Screens& screens)
    : m_document(document), m_proxies(proxies), m_screens(screens),
      m_slot(new RenderSlot(proxies.queue(), RenderQueue::Priority::Companion, this))
{
    setObjectName("clientWindow");
    setWindowTitle(tr("Client view"));
    setWindowIcon(theme::icon("jolly-amber"));
    setAccessibleName(tr("The frame in hand, alone"));
    resize(960, 640);
    const auto again = [this] { render(); };
    connect(&document.looks(), &LooksInHand::lookChanged, this, again);
    connect(&document.selection(), &Selection::frameChosen, this, again);
    connect(&document, &Document::opened, this, again);
    connect(&proxies, &ProxyStore::proxyReady, this, again);
    connect(&screens, &Screens::changed, this, again);
    winId();
    connect(windowHandle(), &QWindow::screenChanged, this, again);
}

void ClientView::showBeside(const QWidget& beside)
{
    for (QScreen* screen : QGuiApplication::screens())
        if (screen != beside.screen()) {
            setGeometry(screen->geometry());
            windowHandle()->setScreen(screen);
            showFullScreen();
            return;
        }
    show();
}

void ClientView::render()
{
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const auto proxy = frame && isVisible() ? m_proxies.proxy(frame->id, frame->path) : nullptr;
    if (!proxy) {
        if (!frame) {
            m_slot->drop();
            m_image = {};
            update();
        }
        return;
    }
    setWindowTitle(tr("Client view · %1").arg(titleOf(*frame)));
    const ViewOptions& options = m_screens.options();
    const Made wanted{m_screens.standingOf(screen()).profile, options.intent, options.blackPoint, nullptr};
    if (!m_made || m_made->profile != wanted.profile || m_made->intent != wanted.intent ||
        m_made->blackPoint != wanted.blackPoint)
        m_made = std::make_shared<Made>(wanted);
    m_slot->run(
        [proxy, areas = m_document.areasOf(frame->id, proxy->sourceRatio), made = m_made,
         space = size() * devicePixelRatioF(),
         plan = RenderPlan::compile(m_document.looks().lookOf(frame->id))](const CancelToken&) {
            if (!made->view) {
                ViewOptions own;
                own.intent = made->intent, own.blackPoint = made->blackPoint;
                made->view = ViewTransform::make(made->profile, own).value_or(ViewTransform::srgb());
            }
            Image small = reducedToFit(proxy->image.view(), space.width(), space.height());
            if (plan)
                amber::render(*plan, small.view(), small.mutableView(), {},
                              {RenderOptions::Stage::All, std::max(proxy->info.width, proxy->info.height), 0, 0,
                               masksOf(areas, *plan, small.view())});
            return toScreen(small.view(), *made->view);
        },
        [this](const QImage& picture) {
            m_image = picture;
            update();
        });
}

void ClientView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kWall);
    if (m_image.isNull())
        return;
    const QSizeF size = QSizeF(m_image.size()) / devicePixelRatioF();
    painter.drawImage(
        QRectF({std::floor((width() - size.width()) / 2), std::floor((height() - size.height()) / 2)}, size), m_image);
}

void ClientView::mouseDoubleClickEvent(QMouseEvent*) { isFullScreen() ? showNormal() : showFullScreen(); }

void ClientView::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape)
        close();
    else
        QWidget::keyPressEvent(event);
}

void ClientView::closeEvent(QCloseEvent* event)
{
    QWidget::closeEvent(event);
    emit closed();
}

}  // namespace amber
