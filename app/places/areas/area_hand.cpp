#include "app/places/areas/area_hand.h"

#include "app/display/screen_view.h"
#include "app/words/words.h"
#include "core/image/resize.h"
#include "core/job/area_work.h"

#include <QtWidgets>
#include <cmath>

namespace amber {
namespace {

constexpr int kEdge = 1000, kShownEdge = 1500;

double distanceTo(const Spot& p, const Spot& a, const Spot& b)
{
    const double dx = b.x - a.x, dy = b.y - a.y, length = dx * dx + dy * dy;
    const double t = length > 0 ? std::clamp(((p.x - a.x) * dx + (p.y - a.y) * dy) / length, 0.0, 1.0) : 0;
    return std::hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

void keepFarthest(const std::vector<Stroke::Point>& points, std::size_t from, std::size_t to, double most,
                  std::vector<bool>& kept)
{
    std::size_t farthest = from;
    double distance = most;
    for (std::size_t i = from + 1; i < to; ++i)
        if (const double d = distanceTo(points[i].at, points[from].at, points[to].at); d > distance)
            distance = d, farthest = i;
    if (farthest == from)
        return;
    kept[farthest] = true;
    keepFarthest(points, from, farthest, most, kept);
    keepFarthest(points, farthest, to, most, kept);
}

}  // namespace

Stroke simplified(const Stroke& stroke)
{
    constexpr double kShare = 0.2;
    if (stroke.points.size() < 3)
        return stroke;
    std::vector<bool> kept(stroke.points.size(), false);
    kept.front() = kept.back() = true;
    keepFarthest(stroke.points, 0, stroke.points.size() - 1, kShare * stroke.radius, kept);
    Stroke simple = stroke;
    simple.points.clear();
    for (std::size_t i = 0; i < stroke.points.size(); ++i)
        if (kept[i])
            simple.points.push_back(stroke.points[i]);
    return simple;
}

/// A frame's picture, ready to be cut and masked.
struct AreaHand::Ground {
    Image picture;
    QImage shown;
    ThingPicture thing;
    std::unique_ptr<MaskGround> masks;
    std::string fault;
};

AreaHand::AreaHand(Document& document, AreasModel& model, ProxyStore& proxies, QObject* parent)
    : QObject(parent), m_document(document), m_model(model),
      m_making(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_working(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_veiling(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    connect(&m_document, &Document::leaving, this, [this] { take(0); });
    connect(&m_document, &Document::areasChanged, this, &AreaHand::veilAnew);
    connect(&m_document.balances(), &Balances::changed, this, [this](std::int64_t id) {
        if (id == m_frame)
            take(id);
    });
    connect(&ScreenView::instance(), &ScreenView::changed, this, [this] { take(m_frame); });
}

void AreaHand::take(FrameId id)
{
    m_making->drop(), m_working->drop(), m_veiling->drop();
    m_ground.reset();
    m_draft.reset();
    m_said.clear();
    m_frame = id;
    const Frame* frame = m_document.frame(id);
    if (!frame)
        return;
    const auto work = [job = m_document.job(), frame = *frame](const CancelToken&) {
        auto ground = std::make_shared<Ground>();
        auto large = groundOf(job, frame, kShownEdge);
        if (!large) {
            ground->fault = large.error().message();
            return std::shared_ptr<const Ground>(ground);
        }
        ground->shown = toScreen(large->view());
        const Size size = fitted({large->width(), large->height()}, kEdge);
        ground->picture = reduceByArea(large->view(), size.width, size.height);
        ground->masks = std::make_unique<MaskGround>(ground->picture.view());
        ground->thing = thingPictureOf(ground->picture.view());
        return std::shared_ptr<const Ground>(ground);
    };
    m_making->run(work, [this](std::shared_ptr<const Ground> ground) {
        if (!ground->fault.empty()) {
            emit failed(text(ground->fault));
            return;
        }
        m_ground = std::move(ground);
        emit pictureReady(m_ground->shown);
        veilAnew();
    });
}

const Area* AreaHand::area() const { return m_draft ? &*m_draft : m_document.job().areaOf(m_frame, m_model.role()); }

const Found* AreaHand::found() const
{
    const Area* area = this->area();
    if (!area || area->parts.empty())
        return nullptr;
    return std::get_if<Found>(&area->parts.back().shape);
}

void AreaHand::veilAnew()
{
    if (!m_ground)
        return;
    const Area* area = this->area();
    if (!area) {
        m_veiling->drop();
        emit veilReady({});
        return;
    }
    m_veiling->run(
        [ground = m_ground, area = *area](const CancelToken&) { return veilOf(ground->masks->maskOf(area)); },
        [this](const QImage& veil) { emit veilReady(veil); });
}

void AreaHand::commit(Area area, const QString& action)
{
    Job after = m_document.job();
    after.areas[{m_frame, m_model.role()}] = std::move(area);
    m_draft.reset();
    if (!m_document.commit(after, action))
        veilAnew();
}

/// The first stroke asks for a thing; those after it set right what was found, or what was offered.
void AreaHand::stroke(const Stroke& stroke, bool isOpposite)
{
    if (!m_ground || m_model.role().empty())
        return;
    const Stroke simple = simplified(stroke);
    const Found* found = this->found();
    if (!found || found->hash != m_saidOf)
        m_said.clear();
    m_said.push_back({simple, !isOpposite});
    if (!found && isOpposite)
        return;
    const PackedMask known = found ? found->mask : nullptr;
    const auto work = [ground = m_ground, said = m_said, known](const CancelToken&) {
        std::vector<Proposal> offers;
        const auto mask = known ? unpacked(*known) : Result<FoundMask>{};
        if (known && mask)
            offers.push_back({correctedThing(ground->thing, *mask, said), 1, "set right by strokes"});
        else
            offers = proposeThing(ground->thing, said.back().stroke);
        return offers;
    };
    m_working->run(work, [this, isFirst = !found](const std::vector<Proposal>& offers) {
        if (offers.empty())
            return;
        const Found part = foundOf(offers.front().mask, offers.front().from, offers.front().sureness);
        m_saidOf = part.hash;
        const Area* was = area();
        Area area = was && was->state != Area::State::NotHere ? *was : Area{};
        area.state = Area::State::ByHand;
        if (isFirst)
            area.parts.push_back({AreaPart::Join::Add, part, false, 1});
        else
            area.parts.back().shape = part;
        if (isFirst)
            m_model.remember({{m_frame, m_model.role(), offers, {}}});
        commit(std::move(area), isFirst ? tr("Area drawn") : tr("Area set right"));
    });
}

void AreaHand::box(const Region& box)
{
    if (!m_ground || m_model.role().empty())
        return;
    const auto work = [ground = m_ground, box](const CancelToken&) { return proposeThing(ground->thing, box); };
    m_working->run(work, [this](const std::vector<Proposal>& offers) {
        if (offers.empty())
            return;
        m_model.remember({{m_frame, m_model.role(), offers, {}}});
        Area area = areaOf(offers.front(), false);
        area.state = Area::State::ByHand;
        commit(std::move(area), tr("Area from a box"));
    });
}

void AreaHand::brush(const Stroke& stroke, bool isOpposite)
{
    if (m_model.role().empty())
        return;
    const Area* was = area();
    Area area = was && was->state != Area::State::NotHere ? *was : Area{};
    if ((area.parts.empty() && isOpposite) || area.parts.size() >= kPartLimit)
        return;
    area.state = Area::State::ByHand;
    area.parts.push_back({isOpposite ? AreaPart::Join::Cut : AreaPart::Join::Add, simplified(stroke), false, 1});
    commit(std::move(area), isOpposite ? tr("Brush took away") : tr("Brush added"));
}

void AreaHand::moveShape(const AreaPart& part, bool isNew)
{
    if (m_model.role().empty())
        return;
    const Area* was = area();
    Area area = was && was->state != Area::State::NotHere ? *was : Area{};
    if (isNew && area.parts.size() >= kPartLimit)
        return;
    area.state = Area::State::ByHand;
    if (isNew)
        area.parts.push_back(part);
    else if (!area.parts.empty())
        area.parts.back() = part;
    m_draft = std::move(area);
    veilAnew();
}

void AreaHand::endShape()
{
    if (m_draft)
        commit(*m_draft, tr("Area placed"));
}

std::optional<AreaPart> AreaHand::shape() const
{
    const Area* area = this->area();
    if (area && !area->parts.empty() &&
        (std::holds_alternative<Ramp>(area->parts.back().shape) ||
         std::holds_alternative<Ellipse>(area->parts.back().shape)))
        return area->parts.back();
    return std::nullopt;
}

void AreaHand::another()
{
    const std::vector<Proposal>& offers = m_model.offersOf(m_frame);
    const Found* now = found();
    if (offers.size() < 2 || !now)
        return;
    std::size_t next = 0;
    for (std::size_t i = 0; i < offers.size(); ++i)
        if (foundOf(offers[i].mask, {}, 0).hash == now->hash)
            next = (i + 1) % offers.size();
    Area area = *this->area();
    area.parts.back().shape = foundOf(offers[next].mask, offers[next].from, offers[next].sureness);
    commit(std::move(area), tr("Another of what was offered"));
}

}  // namespace amber
