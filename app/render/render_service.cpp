#include "app/render/render_service.h"

#include "app/display/screen_view.h"
#include "app/render/clip_overlay.h"
#include "core/analysis/overlay.h"
#include "core/base/hand_over.h"
#include "core/frame/frame_balance.h"
#include "core/image/raw.h"
#include "core/image/resize.h"
#include "core/optics/noise.h"

namespace amber {
namespace {
constexpr std::chrono::milliseconds kPause{60};
}

RenderService::RenderService(RenderQueue& queue, QObject* parent) : QObject(parent), m_queue(queue)
{
    qRegisterMetaType<MeasuredFrame>(), qRegisterMetaType<LookTrace>();
}

RenderService::~RenderService()
{
    std::unique_lock lock(m_mutex);
    m_stop = true;
    m_asked.notify_all();
    m_rested.wait(lock, [this] { return !m_running; });
}

std::uint64_t RenderService::submit(RenderRequest request)
{
    const std::lock_guard lock(m_mutex);
    request.number = ++m_number;
    m_next = std::move(request);
    m_asked.notify_all();
    if (!std::exchange(m_running, true))
        m_queue.start(RenderQueue::Priority::InHand, [this] { work(); });
    return m_number;
}

void RenderService::work()
{
    for (;;) {
        RenderRequest request;
        bool isPause = false;
        {
            std::unique_lock lock(m_mutex);
            // The trace is for when the hand pauses: what is asked for meanwhile comes first.
            if (m_due && !m_next && !m_stop)
                isPause = !m_asked.wait_for(lock, kPause, [this] { return m_next || m_stop; });
            if (!isPause && (m_stop || !m_next)) {
                m_due.reset();
                m_running = false;
                m_rested.notify_all();
                return;
            }
            if (!isPause) {
                request = std::move(*m_next);
                m_next.reset();
            }
        }
        // What a picture cannot be rendered for is said, and the next one is tried.
        try {
            if (isPause)
                traceDue();
            else
                run(request);
        } catch (const std::bad_alloc&) {
            handOver(Carrier::Events);
            emit m_queue.broke(tr("There is not enough memory to show this picture."));
        } catch (const std::exception& error) {
            handOver(Carrier::Events);
            emit m_queue.broke(tr("This picture cannot be shown: %1").arg(QString::fromUtf8(error.what())));
        }
    }
}

namespace {

Image reducedTo(ImageView source, const QSize& space, int width, int height)
{
    const double scale =
        std::min({1.0, static_cast<double>(space.width()) / width, static_cast<double>(space.height()) / height});
    return reduceByArea(source, std::max(1, static_cast<int>(source.width * scale + 0.5)),
                        std::max(1, static_cast<int>(source.height * scale + 0.5)));
}

}  // namespace

/// Lens, turn and crop at the size of the screen: reduced so far that the finished picture fits.
void RenderService::placeStill(Reduced& entry, const RenderRequest::Picture& picture)
{
    const Proxy& untouched = *picture.base->untouched;
    const FrameBalance& balance = picture.base->balance;
    if (entry.untouched == picture.base->untouched && entry.size == picture.size && entry.optics == balance.optics &&
        entry.geometry == balance.geometry)
        return;
    entry = {};
    entry.view = m_view;
    entry.untouched = picture.base->untouched, entry.size = picture.size;
    entry.optics = balance.optics, entry.geometry = balance.geometry;
    const Placement whole = balance.placement(untouched.image.width(), untouched.image.height());
    Image small = reducedTo(untouched.image.view(), picture.size, whole.width(), whole.height());
    if (balance.optics.noise > 0)
        reduceNoise(small.mutableView(), measureNoise(small.view()), balance.optics.noise);
    entry.stillPlacement = balance.placement(small.width(), small.height());
    entry.still = placed(std::move(small), balance.optics, balance.geometry);
    if (whole.isIdentity()) {
        entry.stillSamples = untouched.samples;
        entry.samplesPlacement = balance.placement(untouched.samples.width(), untouched.samples.height());
    }
}

void RenderService::light(Reduced& entry, const RenderRequest::Picture& picture)
{
    const FrameBalance& balance = picture.base->balance;
    if (entry.proxy && entry.lit == balance)
        return;
    entry.lit = balance;
    entry.image = entry.still;
    applyLight(balance, picture.base->response, *entry.stillPlacement, 0, entry.image.mutableView());
    auto proxy = std::make_shared<Proxy>();
    proxy->info = entry.untouched->info;
    if (entry.samplesPlacement) {
        proxy->samples = entry.stillSamples;
        applyLight(balance, picture.base->response, *entry.samplesPlacement, 0, proxy->samples.mutableView());
    } else {
        // Single pixels lie elsewhere once a picture is turned: those of the screen stand for them.
        const Size grid = fitted({entry.image.width(), entry.image.height()}, ProxyStore::kSampleEdge);
        proxy->samples = sampleGrid(entry.image.view(), grid.width, grid.height);
        if (entry.stillSamples.isEmpty())
            entry.stillSamples = sampleGrid(entry.still.view(), grid.width, grid.height);
    }
    entry.proxy = std::move(proxy);
    entry.before = QImage();
    entry.absent.reset();
}

RenderService::Reduced& RenderService::reduced(const RenderRequest::Picture& picture)
{
    auto& entry = m_reduced[picture.frame];
    if (!entry)
        entry = std::make_shared<Reduced>();
    if (entry->view != m_view)
        entry->view = m_view, entry->before = entry->came = entry->cameStill = QImage();
    if (!picture.proxy) {
        placeStill(*entry, picture);
        light(*entry, picture);
    } else if (entry->proxy != picture.proxy || entry->size != picture.size) {
        *entry = {};
        entry->view = m_view;
        entry->proxy = picture.proxy;
        entry->size = picture.size;
        const Image& source = picture.proxy->image;
        entry->image = reducedTo(source.view(), picture.size, source.width(), source.height());
    }
    return *entry;
}

std::size_t RenderService::stepsOf(const RenderRequest& request)
{
    return request.state == RenderRequest::State::BeforeStep ? request.entering : kStepLimit;
}

/// A picture in one of its states; the result is rendered elsewhere.
QImage RenderService::shown(const RenderRequest& request, const RenderRequest::Picture& picture, Reduced& source,
                            const Look& look, RenderRequest::State state, bool isBeside)
{
    using State = RenderRequest::State;
    if (state == State::AsItCame && picture.base) {
        const Image& untouched = picture.base->untouched->image;
        QImage& kept = isBeside ? source.cameStill : source.came;
        if (kept.isNull()) {
            Image small = reducedTo(untouched.view(), picture.size, untouched.width(), untouched.height());
            const FrameBalance& b = picture.base->balance;
            kept = toScreen(isBeside ? (source.still.isEmpty() ? placed(std::move(small), b.optics, b.geometry).view()
                                                               : source.still.view())
                                     : small.view(),
                            *m_view);
        }
        return kept;
    }
    if (state == State::BeforeStep || state == State::Result) {
        const auto plan = RenderPlan::compile(look, state == State::BeforeStep ? request.entering : kStepLimit);
        if (plan) {
            Image out = Image::unset(source.image.width(), source.image.height());
            render(*plan, source.image.view(), out.mutableView(), {}, optionsOf(source));
            return toScreen(out.view(), *m_view);
        }
    }
    if (source.before.isNull())
        source.before = toScreen(source.image.view(), *m_view);
    return source.before;
}

const FrameMeasures& RenderService::measure(Remembered& last, const Reduced& source, const RenderPlan& plan,
                                            const Framing& framing)
{
    const auto isIt = [&](const Remembered& r) {
        return r.proxy == source.proxy && r.plan == plan.hash() && r.framing == framing && r.masks == source.masks;
    };
    // The same plan gives the same measures, as whatever it was measured.
    for (const Remembered* other : {&m_after, &m_before, &m_entering})
        if (!isIt(last) && isIt(*other))
            last = *other;
    if (!isIt(last)) {
        // Spatial steps mean nothing on single pixels: the picture on the screen is measured then.
        const Image& samples = plan.hasSpatial() ? source.image : source.proxy->samples;
        Image out(samples.width(), samples.height());
        render(plan, samples.view(), out.mutableView(), {}, optionsOf(source));
        if (plan.hasSpatial()) {
            const Size size = fitted({out.width(), out.height()}, ProxyStore::kSampleEdge);
            out = sampleGrid(out.view(), size.width, size.height);
        }
        last = {source.proxy, plan.hash(), framing, source.masks, measureFrame(out.view(), framing)};
    }
    return last.measures;
}

int RenderService::longEdge(const Reduced& source)
{
    return std::max(source.proxy->info.width, source.proxy->info.height);
}

RenderOptions RenderService::optionsOf(const Reduced& source)
{
    RenderOptions options{RenderOptions::Stage::All, longEdge(source)};
    options.masks = source.masks;
    return options;
}

/// The masks of the roles that are used: made anew when pixels, areas or roles are others.
void RenderService::mask(Reduced& source, const RenderRequest::Picture& picture, const std::vector<std::string>& roles)
{
    const bool areSame =
        source.areas == picture.areas || (source.areas && picture.areas && *source.areas == *picture.areas);
    if (areSame && source.roles == roles && source.maskedProxy == source.proxy)
        return;
    source.areas = picture.areas, source.roles = roles, source.maskedProxy = source.proxy;
    source.masks = picture.areas ? masksOf(*picture.areas, roles, source.image.view()) : nullptr;
}

bool RenderService::isOvertaken()
{
    const std::lock_guard lock(m_mutex);
    return m_stop || m_next.has_value();
}

void RenderService::layOver(Reduced& source, const Look& look, const RenderRequest& request,
                            const RenderOptions& options, ImageView picture, MutableImageView out)
{
    if (!source.absent)
        source.absent = absentColour(source.image.view());
    if (request.overlay.what == RenderRequest::Overlay::What::Family)
        layOverFamily(look, request.entering, static_cast<std::size_t>(std::max(0, request.overlay.family)),
                      *source.absent, picture, out, options);
    else
        layOverStep(look, request.entering, *source.absent, picture, out, options);
}

namespace {

/// From where on a channel of a picture's linear sRGB was at its file's end.
double saturationOf(const PictureInfo& info)
{
    constexpr double kHalfACode = 0.5 / 255;
    return info.isRaw() ? rawSaturation() : decodeComponent(RgbSpace::Srgb, 1 - kHalfACode);
}

}  // namespace

/// A result as the screen shows it, with what is marked on the first picture.
QImage RenderService::pictureOf(const RenderRequest& request, ImageView result, const Reduced* first) const
{
    QImage shown = toScreen(result, *m_view);
    if (request.clipMargin >= 0 && first) {
        layOverClipping(result, request.clipMargin, shown);
        if (!first->still.isEmpty())
            layOverLost(result, first->still.view(), saturationOf(first->proxy->info), shown);
    }
    if (request.markOutside && first)
        layOverOutside(result, *m_view, shown);
    return shown;
}

void RenderService::showPart(const RenderRequest& request, const RenderPlan& plan, Reduced& source, const Look& look)
{
    const auto& picture = request.pictures[0];
    const Image& whole = *picture.whole;
    const int width = std::min(picture.size.width(), whole.width()),
              height = std::min(picture.size.height(), whole.height());
    const int left = std::clamp(static_cast<int>(picture.centre.x() * whole.width()) - width / 2, 0,
                                whole.width() - width),
              top = std::clamp(static_cast<int>(picture.centre.y() * whole.height()) - height / 2, 0,
                               whole.height() - height);
    const auto part = [&](const Image& of) {
        ImageView view = of.view();
        view.data = view.row(top) + 3 * left, view.width = width, view.height = height;
        return view;
    };
    Image out(width, height);
    ImageView result;
    if (plan.hasSpatial()) {
        if (m_whole.source != picture.whole || m_whole.plan != plan.hash() || m_whole.masks != source.masks) {
            m_whole = {picture.whole, plan.hash(), source.masks, Image(whole.width(), whole.height())};
            RenderOptions options;
            options.masks = source.masks;
            render(plan, whole.view(), m_whole.image.mutableView(), {}, options);
        }
        result = part(m_whole.image);
    } else {
        render(plan, part(whole), out.mutableView());
        if (request.overlay.what != RenderRequest::Overlay::What::Nothing)
            layOver(source, look, request, {}, part(whole), out.mutableView());
        result = out.view();
    }
    const QImage after = pictureOf(request, result, &source);
    handOver(Carrier::Events);
    emit rendered(request.number, picture.frame, after, toScreen(part(whole), *m_view));
}

void RenderService::trace(const RenderRequest& request, Reduced& source)
{
    const auto& picture = request.pictures[0];
    const Look look = lookOf(request, picture);
    const bool spatial =
        std::any_of(look.steps.begin(), look.steps.end(), [](const Step& s) { return isSpatial(s) && !isIdentity(s); });
    const Image& read = spatial ? source.image : source.proxy->samples;
    std::vector<KeyColour> keys = request.keys;
    for (const KeyColour& own : automaticKeyColours(source.proxy->samples.view(), picture.frame, request.framing))
        keys.push_back(own);
    if (auto found = traceLook(look, read.view(), picture.frame, keys, request.framing, optionsOf(source),
                               [this] { return isOvertaken(); })) {
        handOver(Carrier::Events);
        emit traced(request.number, *found);
    }
}

void RenderService::measureFirst(const RenderRequest& request, const RenderPlan& plan, const RenderPlan& entering)
{
    const auto nothing = RenderPlan::compile(Look{});
    if (!nothing)
        return;
    Reduced& source = reduced(request.pictures[0]);
    MeasuredFrame frame{measure(m_after, source, plan, request.framing),
                        measure(m_before, source, *nothing, request.framing),
                        measure(m_entering, source, entering, request.framing),
                        std::nullopt,
                        source.proxy->info.isRaw(),
                        source.masks};
    if (!source.stillSamples.isEmpty())
        frame.headroom =
            headroomOf(source.proxy->samples.view(), source.stillSamples.view(), saturationOf(source.proxy->info));
    handOver(Carrier::Events);
    emit measured(request.number, frame);
    m_due = request;
}

void RenderService::traceDue()
{
    const RenderRequest request = std::move(*m_due);
    m_due.reset();
    trace(request, reduced(request.pictures[0]));
}

namespace {

/// Where a role lies is to be seen on companions as well.
bool isOnRole(const Look& look, std::size_t step)
{
    return step < look.steps.size() && look.steps[step].guard.where.isBound();
}

}  // namespace

Look RenderService::lookOf(const RenderRequest& request, const RenderRequest::Picture& picture)
{
    return lookFor(picture.look ? *picture.look : request.look, picture.name);
}

void RenderService::showReduced(const RenderRequest& request, const RenderPlan& plan, Reduced& source, const Look& look,
                                std::size_t index)
{
    using State = RenderRequest::State;
    const RenderRequest::Picture& picture = request.pictures[index];
    QImage after;
    if (request.state == State::AsItCame || request.state == State::Balanced) {
        after = shown(request, picture, source, look, request.state, request.liesAlike);
    } else {
        const RenderOptions options = optionsOf(source);
        Image out = Image::unset(source.image.width(), source.image.height());
        render(plan, source.image.view(), out.mutableView(), {}, options);
        if (request.overlay.what != RenderRequest::Overlay::What::Nothing &&
            (index == 0 || (!picture.look && isOnRole(look, request.entering))))
            layOver(source, look, request, options, source.image.view(), out.mutableView());
        after = pictureOf(request, out.view(), index == 0 ? &source : nullptr);
    }
    const QImage before = index == 0 || request.beside == State::Balanced
                              ? shown(request, picture, source, look, request.beside, true)
                              : QImage();
    handOver(Carrier::Events);
    emit rendered(request.number, picture.frame, after, before);
}

void RenderService::run(const RenderRequest& request)
{
    m_due.reset();
    m_view = ScreenView::instance().view();
    const bool alike =
        std::all_of(request.look.steps.begin(), request.look.steps.end(),
                    [](const Step& s) { return s.held.empty(); }) &&
        std::none_of(request.pictures.begin(), request.pictures.end(), [](const auto& p) { return p.look != nullptr; });
    std::optional<RenderPlan> plan, first, firstEntering;
    for (std::size_t i = 0; i < request.pictures.size(); ++i) {
        const auto& picture = request.pictures[i];
        const Look look = lookOf(request, picture);
        if (!plan || !alike) {
            auto compiled = RenderPlan::compile(look, stepsOf(request));
            if (!compiled)
                return;
            plan = std::move(*compiled);
        }
        Reduced& source = reduced(picture);
        mask(source, picture, rolesInUse(look));
        if (i == 0) {
            const auto entering = RenderPlan::compile(look, request.entering);
            first = *plan, firstEntering = entering ? std::optional(*entering) : std::nullopt;
        }
        if (i == 0 && picture.whole) {
            showPart(request, *plan, source, look);
            continue;
        }
        showReduced(request, *plan, source, look, i);
    }
    // Measuring waits until every picture is shown.
    if (request.measure && !request.pictures.empty() && first && firstEntering)
        measureFirst(request, *first, *firstEntering);
    if (request.pictures.empty() || !request.pictures[0].whole)
        m_whole = {};
    QHash<std::int64_t, std::shared_ptr<Reduced>> shown;
    for (const auto& picture : request.pictures)
        shown.insert(picture.frame, m_reduced.value(picture.frame));
    m_reduced = shown;
}

}  // namespace amber
