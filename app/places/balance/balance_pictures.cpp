#include "app/places/balance/balance_pictures.h"

#include "app/display/screen_view.h"
#include "app/places/balance/crop_overlay.h"
#include "app/theme/theme.h"
#include "app/wall/wall.h"
#include "core/image/resize.h"
#include "core/measure/key_colour.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr double kClipMargin = 0.004;  // of encoded values: a code of eight bits
constexpr int kMargin = 14, kGap = 12;

QString partWords(LightPart part)
{
    return part == LightPart::Exposure ? BalancePictures::tr("drag: exposure")
           : part == LightPart::Kelvin ? BalancePictures::tr("drag: white")
           : part == LightPart::Tint   ? BalancePictures::tr("drag: tint")
           : part == LightPart::Black  ? BalancePictures::tr("drag: black end")
                                       : BalancePictures::tr("drag: white end");
}

/// What one pixel of a drag across moves.
double perPixel(LightPart part)
{
    return part == LightPart::Exposure ? 0.006
           : part == LightPart::Kelvin ? 0.4  // mired
           : part == LightPart::Tint   ? 0.06
           : part == LightPart::Black  ? 0.0002
                                       : 0.002;
}

}  // namespace

BalancePictures::BalancePictures(Document& document, ProxyStore& proxies, LightHand& hand, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_hand(hand), m_renders(proxies.queue()),
      m_inHand(new PictureView(this)), m_lead(new PictureView(this)), m_came(new PictureView(this)),
      m_crop(new CropOverlay(*m_inHand)),
      m_leadSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::Companion, this)),
      m_cameSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::Companion, this))
{
    setObjectName("balancePictures");
    m_inHand->setObjectName("balanceAfter");
    m_came->setObjectName("balanceBefore");
    m_lead->setObjectName("balanceLead");
    m_inHand->setInteractive(true);
    m_inHand->setSplitWords(Wall::wordsOf(State::AsItCame), Wall::wordsOf(State::Balanced));
    connectPicture();
    connect(&m_renders, &RenderService::rendered, this,
            [this](std::uint64_t number, std::int64_t frame, const QImage& after, const QImage& before) {
                if (frame == m_document.selection().frameInHand())
                    m_inHand->setImages(number, after, before);
            });
    connect(&m_renders, &RenderService::measured, this,
            [this](std::uint64_t, const MeasuredFrame& frame) { emit measured(frame); });
    connect(&m_renders, &RenderService::traced, this,
            [this](std::uint64_t, const LookTrace& trace) { emit traced(trace); });
    connect(&ScreenView::instance(), &ScreenView::changed, this, [this] { refresh(m_stateWords); });
    for (PictureView* view : {m_lead, m_came})
        connect(view, &PictureView::resized, this, [this] { refresh(m_stateWords); });
}

void BalancePictures::connectPicture()
{
    connect(m_inHand, &PictureView::resized, this, &BalancePictures::renderInHand);
    connect(m_inHand, &PictureView::marked, this, &BalancePictures::markedAt);
    connect(m_inHand, &PictureView::markingEnded, this, [this] { setDoing(Doing::Nothing); });
    connect(m_inHand, &PictureView::activated, this, &BalancePictures::endLine);
    connect(m_inHand, &PictureView::hovered, this, [this](QPointF place) { emit probed(place); });
    connect(m_inHand, &PictureView::left, this, [this] { emit probed(std::nullopt); });
    connect(m_inHand, &PictureView::dragBegun, this, [this](QPointF) {
        const FrameId frame = m_document.selection().frameInHand();
        if (m_part)
            m_dragFrom = valueOf(m_hand.of(frame), *m_part, m_hand.asShotOf(frame));
    });
    connect(m_inHand, &PictureView::dragMoved, this, &BalancePictures::dragged);
    connect(m_inHand, &PictureView::dragEnded, this, [this] {
        if (m_part)
            m_hand.commit();
    });
    connect(m_crop, &CropOverlay::moved, this, &BalancePictures::cropMoved);
    connect(m_crop, &CropOverlay::ended, this, &BalancePictures::cropEnded);
    connect(m_crop, &CropOverlay::left, this, [this] { setDoing(Doing::Nothing); });
}

void BalancePictures::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme::kWall); }

void BalancePictures::resizeEvent(QResizeEvent*)
{
    const QRect area = rect().adjusted(kMargin, 4, -kMargin, -8);
    // The frame in hand takes what a 3:2 picture needs of the height; what is left is for the two beside it.
    constexpr int kCaption = 22, kLeastSide = 150;
    const int small = (area.height() - 6) / 2;
    const int main = std::min(static_cast<int>((area.height() - kCaption) * 1.5), area.width() - kLeastSide - kGap);
    const int side = std::min(area.width() - main - kGap, static_cast<int>((small - kCaption) * 1.5) + 2);
    m_inHand->setGeometry(area.left(), area.top(), main, area.height());
    m_lead->setGeometry(area.left() + main + kGap, area.top(), side, small);
    m_came->setGeometry(area.left() + main + kGap, area.top() + small + 6, side, small);
}

void BalancePictures::showEvent(QShowEvent*) { refresh(m_stateWords); }

FrameId BalancePictures::leadOf(FrameId frame) const { return m_document.job().leadOf(frame); }

std::shared_ptr<const Proxy> BalancePictures::untouched(FrameId id)
{
    const Frame* frame = m_document.frame(id);
    return frame ? m_proxies.untouched(id, frame->path) : nullptr;
}

double BalancePictures::ratioOf(FrameId frame)
{
    const auto proxy = untouched(frame);
    return proxy ? static_cast<double>(proxy->info.width) / proxy->info.height : 1.5;
}

/// While a crop is drawn the whole turned picture is seen.
FrameBalance BalancePictures::shownBalance(FrameId frame) const
{
    FrameBalance balance = m_hand.of(frame);
    if (m_doing == Doing::Cropping)
        balance.geometry.crop = {};
    return balance;
}

QString BalancePictures::captionWords() const
{
    QStringList words;
    if (m_held)
        words << Wall::wordsOf(*m_held);
    else if (m_part)
        words << partWords(*m_part);
    else if (m_doing == Doing::Picking)
        words << tr("click what should be neutral, Esc ends");
    else if (m_doing == Doing::Drawing)
        words << tr("click along something straight, double-click ends the line, Esc ends");
    else if (m_doing == Doing::Cropping)
        words << tr("the whole picture; Enter ends");
    else if (m_withLook)
        words << tr("with the look");
    if (const QString seen = ScreenView::instance().words(); !seen.isEmpty())
        words << seen;
    if (m_clipping && !m_held)
        words << tr("clipped: ends hatched");
    return words.join(QStringLiteral(" · "));
}

void BalancePictures::renderInHand()
{
    if (!isVisible() || !m_document.isOpen())
        return;
    const FrameId id = m_document.selection().frameInHand();
    const Frame* frame = m_document.frame(id);
    m_inHand->setHeld(captionWords());
    const auto proxy = untouched(id);
    if (!frame || !proxy) {
        m_inHand->clear();
        m_inHand->setMessage(!frame                 ? tr("No frame in hand")
                             : frame->fault.empty() ? tr("Reading…")
                                                    : text(frame->fault));
        return;
    }
    RenderRequest request;
    if (m_withLook)
        request.look = m_document.looks().look();
    request.state = m_held.value_or(State::Result);
    request.beside = State::AsItCame;
    request.clipMargin = m_clipping && !m_held ? kClipMargin : -1;
    request.markOutside = ScreenView::instance().marksOutside() && !m_held;
    request.keys = m_document.job().keys;
    request.framing = m_document.countedFraming(id);
    const FrameBalance balance = shownBalance(id);
    RenderRequest::Picture picture{id, nullptr, m_inHand->pictureSpace(), m_document.looks().pictureName(id)};
    picture.base = {proxy, balance, m_document.balances().responseOf(balance)};
    picture.areas = m_document.areasFor(request.look, id, balance, proxy->sourceRatio);
    request.pictures.push_back(std::move(picture));
    m_requested = m_renders.submit(std::move(request));
}

void BalancePictures::showSmall(PictureView& view, RenderSlot& slot, const Frame* of, bool balanced,
                                const QString& caption)
{
    view.setCaption(caption);
    const auto proxy = of ? untouched(of->id) : nullptr;
    if (!proxy) {
        slot.drop();
        view.clear();
        view.setMessage(!of ? tr("No lead") : of->fault.empty() ? tr("Reading…") : text(of->fault));
        return;
    }
    const FrameBalance balance = balanced ? m_hand.of(of->id) : FrameBalance{};
    slot.run(
        [proxy, balance, response = m_document.balances().responseOf(balance),
         space = view.pictureSpace()](const CancelToken&) {
            const Placement whole = balance.placement(proxy->image.width(), proxy->image.height());
            const double scale = std::min({1.0, static_cast<double>(space.width()) / whole.width(),
                                           static_cast<double>(space.height()) / whole.height()});
            Image small = reduceByArea(proxy->image.view(), std::max(1, static_cast<int>(proxy->image.width() * scale)),
                                       std::max(1, static_cast<int>(proxy->image.height() * scale)));
            return toScreen(balancedPicture(std::move(small), balance, response).view());
        },
        [this, &view](const QImage& picture) { view.setImages(++m_smallNumber, picture, picture); });
}

void BalancePictures::refresh(const QString& stateWords)
{
    m_stateWords = stateWords;
    if (!isVisible() || !m_document.isOpen())
        return;
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const Frame* lead = frame ? m_document.frame(leadOf(frame->id)) : nullptr;
    m_inHand->setCaption(frame ? tr("%1 · %2").arg(titleOf(*frame), stateWords) : QString());
    renderInHand();
    showSmall(*m_came, *m_cameSlot, frame, false, tr("as it came"));
    showSmall(*m_lead, *m_leadSlot, lead, true, lead ? tr("lead: %1").arg(titleOf(*lead)) : tr("lead"));
}

void BalancePictures::setDoing(Doing what)
{
    if (m_doing == what)
        return;
    m_doing = what;
    m_line.clear();
    showLine();
    m_inHand->setMarking(what == Doing::Picking || what == Doing::Drawing);
    m_crop->setVisible(what == Doing::Cropping);
    if (what == Doing::Cropping) {
        const FrameId id = m_document.selection().frameInHand();
        const FrameBalance balance = m_hand.of(id);
        m_crop->setCrop(balance.geometry.crop);
        m_crop->setRatios(balance.geometry.ratio, ratioOf(id));
        m_crop->raise();
        m_crop->setFocus(Qt::OtherFocusReason);
    }
    renderInHand();
    emit doingChanged();
}

void BalancePictures::markedAt(const QRectF& drawn)
{
    const FrameId id = m_document.selection().frameInHand();
    const auto proxy = untouched(id);
    if (!proxy)
        return;
    const Placement placement = shownBalance(id).placement(proxy->image.width(), proxy->image.height());
    if (m_doing == Doing::Drawing) {
        m_line.push_back(drawn.center());
        return showLine();
    }
    if (m_doing != Doing::Picking)
        return;
    const Region place = drawn.isEmpty() ? pointPlace(drawn.x(), drawn.y(), placement.width(), placement.height())
                                         : Region{drawn.left(), drawn.top(), drawn.right(), drawn.bottom()};
    emit picked(meanOf(proxy->image.view(), placement.inSource(place)));
}

void BalancePictures::showLine()
{
    std::vector<PictureView::Mark> marks;
    for (std::size_t i = 0; i < m_line.size(); ++i)
        marks.push_back({{m_line[i].x(), m_line[i].y(), m_line[i].x(), m_line[i].y()}, QString::number(i + 1), false});
    m_inHand->setMarks(marks, {});
}

void BalancePictures::endLine()
{
    constexpr std::size_t kLeast = 3;
    if (m_doing != Doing::Drawing || m_line.size() < kLeast)
        return;
    const FrameId id = m_document.selection().frameInHand();
    const double ratio = ratioOf(id);
    constexpr int kHeight = 20000;
    // Where the lens put them: as the picture is shown now, back to the source.
    const Placement placement = shownBalance(id).placement(static_cast<int>(std::lround(kHeight * ratio)), kHeight);
    std::vector<QPointF> places;
    for (const QPointF& p : std::exchange(m_line, {})) {
        const Spot s = placement.sourceOf({p.x(), p.y()});
        places.emplace_back(s.x, s.y);
    }
    showLine();
    emit lineDrawn(places);
}

void BalancePictures::dragged(QPointF delta)
{
    if (!m_part)
        return;
    const double moved = shifted(*m_part, m_dragFrom, perPixel(*m_part) * delta.x());
    m_hand.move(m_document.selection().frameInHand(), *m_part, moved);
}

void BalancePictures::holdPart(std::optional<LightPart> part)
{
    if (m_part == part)
        return;
    m_part = part;
    m_inHand->setHeld(captionWords());
}

void BalancePictures::hold(std::optional<State> state)
{
    if (m_held == state)
        return;
    m_held = state;
    renderInHand();
}

void BalancePictures::setSplit(bool on) { m_inHand->setSplit(on); }

void BalancePictures::setWithLook(bool on)
{
    m_withLook = on;
    renderInHand();
}

void BalancePictures::setClipping(bool on)
{
    if (m_clipping == on)
        return;
    m_clipping = on;
    renderInHand();
}

}  // namespace amber
