#include "app/wall/wall.h"

#include "app/theme/theme.h"
#include "core/retouch/take_back.h"

namespace amber {
namespace {
constexpr int kMargin = 14, kTileGap = 14;
constexpr double kClipMargin = 0.004;  // of encoded values: a code of eight bits
}  // namespace

Wall::Wall(Document& document, ProxyStore& proxies, RenderService& renders, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_renders(renders), m_inHand(new PictureView(this))
{
    setObjectName("wall");
    m_inHand->setObjectName("frameInHand");
    m_inHand->setInteractive(true);
    m_inHand->setSplitWords(wordsOf(m_splitStates.first), wordsOf(m_splitStates.second));
    connect(m_inHand, &PictureView::resized, this, [this] { requestRender(); });
    connect(m_inHand, &PictureView::panned, this, [this](QPointF by) { setActualSize(true, m_centre + by); });
    for (const auto changed : {&Document::keyColoursChanged, &Document::areasChanged, &Document::chosenLooksChanged})
        connect(&document, changed, this, [this] { requestRender(); });
    connect(&document, &Document::framingChanged, this, [this] { requestRender(); });
    connect(&document, &Document::opened, this, [this] { rebuild(); });
    connect(&document.selection(), &Selection::frameChosen, this, [this] { rebuild(); });
    connect(&document.selection(), &Selection::companionsChanged, this, [this] { rebuild(); });
    connect(&document.looks(), &LooksInHand::lookChanged, this, [this] { requestRender(); });
    connect(&document.looks(), &LooksInHand::selectionChanged, this, [this] { requestRender(); });
    connect(&proxies, &ProxyStore::proxyReady, this, [this](std::int64_t frame) {
        if (frame == m_document.selection().frameInHand())
            emit proxyChanged();
        requestRender();
    });
    connect(&proxies, &ProxyStore::failed, this, [this](std::int64_t frame, const QString& message) {
        const Frame* of = m_document.frame(frame);
        for (PictureView* view : viewsOf(frame))
            view->setMessage(of && !of->fault.empty() ? text(of->fault) : message);
    });
    connect(&ScreenView::instance(), &ScreenView::changed, this, [this] { requestRender(); });
    connect(&renders, &RenderService::rendered, this, &Wall::show);
    connect(&renders, &RenderService::measured, this, [this](std::uint64_t number, const MeasuredFrame& frame) {
        m_measuredNumber = number;
        emit measured(frame);
    });
    connect(&renders, &RenderService::traced, this, [this](std::uint64_t number, const LookTrace& trace) {
        m_tracedNumber = number;
        m_watched = trace.keys;
        showMarks();
        emit traced(trace);
    });
}

void Wall::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme::kWall); }

void Wall::showMarks()
{
    std::vector<PictureView::Mark> marks;
    for (std::size_t i = 0; i < m_watched.size(); ++i)
        if (m_watched[i].frame == m_document.selection().frameInHand() &&
            (m_watched[i].kind == KeyColour::Kind::Marked || m_inHand->isMarking() ||
             static_cast<int>(i) == m_namedMark)) {
            const bool named = m_inHand->isMarking() || static_cast<int>(i) == m_namedMark;
            marks.push_back({m_watched[i].place, named ? keyColourTitle(m_watched[i]) : QString::number(i + 1), named});
        }
    // Open pins: by their words while marks are set.
    for (const auto& [id, pin] : m_document.job().pins)
        if (!pin.isDone && pin.place && pin.frame == m_document.selection().frameInHand()) {
            const Region at{pin.place->x, pin.place->y, pin.place->x, pin.place->y};
            marks.push_back({at, m_inHand->isMarking() ? oneLine(text(pin.text)).left(40) : tr("pin"), true});
        }
    m_inHand->setMarks(m_quiet ? std::vector<PictureView::Mark>{} : marks,
                       m_document.job().frame(m_document.selection().frameInHand()).framing);
}

void Wall::setNamedMark(int key)
{
    m_namedMark = key;
    showMarks();
}

void Wall::setActualSize(bool on, QPointF centre)
{
    if (!on && m_actual)
        m_proxies.dropWholePicture();
    m_actual = on;
    m_centre = {std::clamp(centre.x(), 0.0, 1.0), std::clamp(centre.y(), 0.0, 1.0)};
    if (!on)
        m_inHand->setPart({0, 0, 1, 1});
    requestRender();
}

void Wall::setQuiet(bool on)
{
    m_quiet = on;
    for (PictureView* view : m_companions)
        view->setVisible(!on);
    place();
    showMarks();
    requestRender();
}

void Wall::addCompanion()
{
    auto* view = new PictureView(this);
    view->setObjectName("companion" + QString::number(m_companions.size() + 1));
    const std::size_t index = m_companions.size();
    connect(view, &PictureView::activated, this, [this, index] {
        // The companion and the frame in hand change places.
        const std::int64_t next = m_document.selection().companions()[index],
                           last = m_document.selection().frameInHand();
        m_document.selection().toggleCompanion(next);
        m_document.selection().setFrameInHand(next);
        m_document.selection().toggleCompanion(last);
    });
    connect(view, &PictureView::resized, this, [this] { requestRender(); });
    m_companions.push_back(view);
    view->setVisible(!m_quiet);
}

void Wall::rebuild()
{
    const auto& chosen = m_document.selection().companions();
    while (m_companions.size() > chosen.size()) {
        m_companions.back()->hide();
        m_companions.back()->deleteLater();
        m_companions.pop_back();
    }
    while (m_companions.size() < chosen.size())
        addCompanion();
    const auto caption = [&](std::int64_t id) {
        const Frame* frame = m_document.frame(id);
        return frame ? titleOf(*frame) : QString();
    };
    m_watched.clear();
    m_inHand->setMarks({}, m_document.job().frame(m_document.selection().frameInHand()).framing);
    m_inHand->clear();
    m_inHand->setCaption(caption(m_document.selection().frameInHand()));
    const auto message = [&](std::int64_t id) {
        const Frame* frame = m_document.frame(id);
        return frame && !frame->fault.empty() ? text(frame->fault) : tr("Reading…");
    };
    m_inHand->setMessage(m_document.frames().empty() ? tr("No frames yet")
                                                     : message(m_document.selection().frameInHand()));
    for (std::size_t i = 0; i < chosen.size(); ++i) {
        m_companions[i]->clear();
        m_companions[i]->setCaption(caption(chosen[i]));
        m_companions[i]->setMessage(message(chosen[i]));
        m_companions[i]->setToolTip(tr("Double-click to take this frame in hand"));
    }
    place();
    emit proxyChanged();
    requestRender();
}

void Wall::place()
{
    const QRect area = rect().adjusted(kMargin, kMargin / 2, -kMargin, -kMargin);
    const int count = m_quiet ? 0 : static_cast<int>(m_companions.size());
    const int columns = count == 0 ? 0 : count <= 2 ? 1 : 2;
    const int rows = columns == 0 ? 0 : (count + columns - 1) / columns;
    // The frame in hand takes what a 3:2 picture needs, the companions share the rest, at least a fifth each.
    const int wanted = std::min(static_cast<int>((area.height() - 22) * 1.5) + 2,
                                area.width() - columns * (area.width() / 6 + kTileGap));
    const int main = count == 0 ? area.width() : wanted;
    m_inHand->setGeometry(area.left(), area.top(), main, area.height());
    if (count == 0)
        return;
    const int left = area.left() + main + kTileGap;
    const int width = (area.right() - left - (columns - 1) * kTileGap) / columns;
    const int height = std::min((area.height() - (rows - 1) * kTileGap / 2) / rows, static_cast<int>(width / 1.5) + 24);
    for (int i = 0; i < count; ++i)
        m_companions[static_cast<std::size_t>(i)]->setGeometry(left + (i % columns) * (width + kTileGap),
                                                               area.top() + (i / columns) * (height + kTileGap / 2),
                                                               width, height);
}

void Wall::resizeEvent(QResizeEvent*)
{
    place();
    requestRender();
}

void Wall::hold(Hold what)
{
    if (m_hold == what)
        return;
    m_hold = what;
    m_inHand->setHeld(what == Hold::AsItCame     ? tr("as it came")
                      : what == Hold::Balanced   ? tr("balanced")
                      : what == Hold::BeforeStep ? tr("before this step")
                                                 : m_overlayWords);
    requestRender();
}

void Wall::setOverlay(const RenderRequest::Overlay& overlay, const QString& words)
{
    m_overlay = overlay;
    m_overlayWords = words;
    m_inHand->setHeld(words);
    requestRender();
}

void Wall::setSplit(bool on)
{
    m_inHand->setSplit(on);
    requestRender();
}

std::optional<RenderRequest::Base> Wall::baseInHand()
{
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    if (!frame)
        return std::nullopt;
    RenderRequest::Base base = baseOf(*frame);
    return base.untouched ? std::optional(std::move(base)) : std::nullopt;
}

void Wall::setSplitStates(State left, State right)
{
    m_splitStates = {left, right};
    m_inHand->setSplitWords(wordsOf(left), wordsOf(right));
    requestRender();
}

void Wall::setClipping(bool on)
{
    if (m_clipping == on)
        return;
    m_clipping = on;
    requestRender();
}

QString Wall::wordsOf(State state)
{
    return state == State::AsItCame     ? tr("as it came")
           : state == State::Balanced   ? tr("balanced")
           : state == State::BeforeStep ? tr("before this step")
                                        : tr("result");
}

std::shared_ptr<const Proxy> Wall::proxyInHand()
{
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    return frame ? m_proxies.proxy(frame->id, frame->path) : nullptr;
}

void Wall::showActual(RenderRequest::Picture& picture, const Frame& frame)
{
    picture.whole = m_proxies.wholePicture(frame.id, frame.path);
    if (picture.whole) {
        const double width = std::min(1.0, static_cast<double>(picture.size.width()) / picture.whole->width()),
                     height = std::min(1.0, static_cast<double>(picture.size.height()) / picture.whole->height());
        picture.centre = m_centre = {std::clamp(m_centre.x(), width / 2, 1 - width / 2),
                                     std::clamp(m_centre.y(), height / 2, 1 - height / 2)};
        m_inHand->setPart({m_centre.x() - width / 2, m_centre.y() - height / 2, width, height});
        m_inHand->setCaption(m_inHand->caption() + tr(" · 100 %"));
    } else {
        m_inHand->setPart({0, 0, 1, 1});
        m_inHand->setCaption(m_inHand->caption() + tr(" · reading for 100 %…"));
    }
}

Wall::State Wall::heldState() const
{
    return m_hold == Hold::AsItCame     ? State::AsItCame
           : m_hold == Hold::Balanced   ? State::Balanced
           : m_hold == Hold::BeforeStep ? State::BeforeStep
           : m_inHand->isSplit()        ? m_splitStates.second
                                        : State::Result;
}

RenderRequest::Base Wall::baseOf(const Frame& frame)
{
    const FrameBalance balance = m_document.balances().of(frame.id);
    return {m_proxies.untouched(frame.id, frame.path), balance, m_document.balances().responseOf(balance)};
}

/// The roles of which it is not known where they lie on a frame: steps that are bound to them do nothing there.
QString Wall::unmarkedWords(FrameId id) const
{
    QStringList names;
    for (const std::string& role :
         rolesInUse(lookFor(*m_document.looks().onFrame(id), m_document.looks().pictureName(id))))
        if (const Area* area = m_document.job().areaOf(id, role); !area || !area->counts())
            names << text(role);
    return names.isEmpty() ? QString() : tr(" · not marked: %1").arg(names.join(", "));
}

void Wall::addPicture(RenderRequest& request, FrameId id, PictureView& view)
{
    const Frame* frame = m_document.frame(id);
    if (!frame || frame->isLost)
        return;
    if (auto proxy = m_proxies.proxy(id, frame->path)) {
        const QString seen = ScreenView::instance().words();
        const std::string standing = standInWords(m_document.job(), id, *m_document.looks().onFrame(id));
        view.setCaption(titleOf(*frame) + (proxy->info.profile.assumedSrgb ? tr(" · assumed sRGB") : QString()) +
                        (standing.empty() ? QString() : QStringLiteral(" · ") + text(standing)) +
                        (seen.isEmpty() || &view != m_inHand ? QString() : QStringLiteral(" · ") + seen) +
                        unmarkedWords(id));
        request.pictures.push_back({id, proxy, view.pictureSpace(), m_document.looks().pictureName(id)});
        const std::shared_ptr<const Look> look = m_document.looks().onFrame(id);
        if (!(*look == request.look))
            request.pictures.back().look = look;
        request.pictures.back().areas =
            m_document.areasFor(*look, id, m_document.balances().of(id), proxy->sourceRatio);
        if (request.state == State::AsItCame || (request.beside == State::AsItCame && &view == m_inHand))
            request.pictures.back().base = baseOf(*frame);
        if (m_clipping && &view == m_inHand && !m_actual)
            if (auto base = baseOf(*frame); base.untouched)
                request.pictures.back().base = std::move(base), request.pictures.back().proxy = nullptr;
    }
}

void Wall::requestRender()
{
    if (!m_document.isOpen() || !isVisible())
        return;
    RenderRequest request;
    request.look = m_document.looks().look();
    request.state = heldState();
    request.beside = m_splitStates.first;
    request.liesAlike = m_inHand->isSplit() && m_hold == Hold::Nothing;
    request.clipMargin = m_clipping && m_hold == Hold::Nothing ? kClipMargin : -1;
    request.markOutside = ScreenView::instance().marksOutside() && m_hold == Hold::Nothing;
    const auto add = [&](std::int64_t id, PictureView* view) { addPicture(request, id, *view); };
    request.entering = static_cast<std::size_t>(m_document.looks().selectedStep());
    if (m_hold == Hold::Nothing)
        request.overlay = m_overlay;
    request.keys = m_document.job().keys;
    request.framing = m_document.countedFraming(m_document.selection().frameInHand());
    add(m_document.selection().frameInHand(), m_inHand);
    if (const Frame* frame = m_document.frame(m_document.selection().frameInHand());
        m_actual && frame && !request.pictures.empty())
        showActual(request.pictures.front(), *frame);
    request.measure = !request.pictures.empty();
    for (std::size_t i = 0; i < m_companions.size() && !m_quiet; ++i)
        add(m_document.selection().companions()[i], m_companions[i]);
    if (!request.pictures.empty())
        m_requested = m_renders.submit(std::move(request));
}

std::vector<PictureView*> Wall::viewsOf(std::int64_t frame) const
{
    std::vector<PictureView*> views;
    if (frame == m_document.selection().frameInHand())
        views.push_back(m_inHand);
    for (std::size_t i = 0; i < m_companions.size() && i < m_document.selection().companions().size(); ++i)
        if (m_document.selection().companions()[i] == frame)
            views.push_back(m_companions[i]);
    return views;
}

void Wall::show(std::uint64_t number, std::int64_t frame, const QImage& after, const QImage& before)
{
    for (PictureView* view : viewsOf(frame))
        view->setImages(number, after, before);
}

}  // namespace amber
