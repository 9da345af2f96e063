#include "app/places/log/then_now.h"

#include "app/display/screen_view.h"
#include "app/wall/picture_view.h"

#include <QtWidgets>

namespace amber {
namespace {

/// What a frame is made of in a state of its job.
FrameMade madeIn(const Job& job, FrameId frame, const Look& look, double sourceRatio)
{
    FrameMade made;
    made.balance = job.frame(frame).balance;
    made.response = job.responseOf(made.balance);
    made.look = lookFor(look, job.pictureName(frame));
    auto areas = std::make_shared<FrameAreas>(FrameAreas{{}, made.balance, sourceRatio});
    for (const std::string& role : rolesInUse(made.look))
        if (const Area* area = job.areaOf(frame, role))
            areas->byRole[role] = *area;
    if (!areas->byRole.empty())
        made.areas = std::move(areas);
    return made;
}

}  // namespace

ThenNow::ThenNow(Document& document, ProxyStore& proxies, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_then(new PictureView(this)),
      m_now(new PictureView(this)), m_slot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("thenNow");
    m_then->setObjectName("logThen"), m_now->setObjectName("logNow");
    m_then->setAccessibleName(tr("The frame then")), m_now->setAccessibleName(tr("The frame now"));
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(12, 12, 12, 12);
    layout->setSpacing(12);
    layout->addWidget(m_then, 1);
    layout->addWidget(m_now, 1);
    setAttribute(Qt::WA_StyledBackground);
    connect(m_then, &PictureView::resized, this, &ThenNow::refresh);
    connect(&ScreenView::instance(), &ScreenView::changed, this, &ThenNow::refresh);
    connect(&proxies, &ProxyStore::proxyReady, this, [this](std::int64_t frame) {
        if (frame == m_frame)
            refresh();
    });
}

void ThenNow::show(FrameId frame, std::int64_t gesture, const QString& when)
{
    m_frame = frame, m_gesture = gesture, m_when = when;
    refresh();
}

void ThenNow::showNothing(const QString& words)
{
    m_frame = 0, m_isPainted = false;
    m_slot->drop();
    for (PictureView* view : {m_then, m_now})
        view->clear(), view->setCaption({});
    m_then->setMessage(words);
    m_now->setMessage({});
}

std::optional<FrameMade> ThenNow::then(double sourceRatio) const
{
    const JobStore& store = std::as_const(m_document).store();
    const auto job = store.jobAfter(m_gesture, m_frame);
    if (!job)
        return std::nullopt;
    const LookId chosen = job->lookOf(m_frame);
    const auto look = job->looks.find(chosen != 0 ? chosen : m_document.looks().lookForAll());
    const auto value = look == job->looks.end() ? Result<Look>(Look{}) : store.lookAt(look->second.revision);
    return madeIn(*job, m_frame, value ? *value : Look{}, sourceRatio);
}

std::optional<FrameMade> ThenNow::now(double sourceRatio) const
{
    return madeIn(m_document.job(), m_frame, *m_document.looks().onFrame(m_frame), sourceRatio);
}

void ThenNow::refresh()
{
    const Frame* frame = m_frame != 0 && m_document.isOpen() ? m_document.frame(m_frame) : nullptr;
    if (!frame || !isVisible())
        return;
    const auto proxy = m_proxies.untouched(m_frame, frame->path);
    m_then->setCaption(tr("%1, %2").arg(titleOf(*frame), m_when));
    m_now->setCaption(tr("now"));
    const QSize space = m_then->pictureSpace();
    if (!proxy || space.isEmpty()) {
        for (PictureView* view : {m_then, m_now})
            view->clear();
        m_then->setMessage(frame->isLost ? tr("The picture is not where it was.") : tr("Reading…"));
        return;
    }
    const auto was = then(proxy->sourceRatio), is = now(proxy->sourceRatio);
    if (!was)
        return showNothing(tr("This was taken back: the frame never went on from it."));
    struct Pair {
        QImage then, now;
    };
    m_slot->run(
        [proxy, was = *was, is = *is, space](const CancelToken&) {
            return Pair{onScreen(finished(*proxy, was), space), onScreen(finished(*proxy, is), space)};
        },
        [this](const Pair& pair) {
            ++m_number, m_isPainted = true;
            m_then->setImages(m_number, pair.then, pair.then);
            m_now->setImages(m_number, pair.now, pair.now);
        });
}

}  // namespace amber
