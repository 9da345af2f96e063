#include "app/places/areas/area_hand.h"

#include "app/display/screen_view.h"
#include "app/words/words.h"
#include "core/area/strokes.h"
#include "core/image/resize.h"
#include "core/job/area_work.h"

#include <QtWidgets>
#include <cmath>

namespace amber {
namespace {

constexpr int kEdge = 1000, kShownEdge = 1500;

}  // namespace

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
    m_said.clear(), m_settled = 0;
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

namespace {

/// What strokes say, one after another, of a mask that holds the first `settled` of them; of none the first asks for a
/// thing.
std::vector<Proposal> offersOf(const ThingPicture& picture, const PackedMask& known, const std::vector<Said>& said,
                               std::size_t settled)
{
    std::vector<Proposal> offers;
    if (known) {
        const auto mask = unpacked(*known);
        if (!mask)
            return offers;
        offers.push_back({*mask, 1, {}});
    } else {
        offers = proposeThing(picture, said.front().stroke);
        settled = 1;
    }
    for (std::size_t i = settled; i < said.size() && !offers.empty(); ++i)
        offers = {
            {correctedThing(picture, offers.front().mask, {said.begin(), said.begin() + static_cast<long>(i) + 1}), 1,
             "set right by strokes"}};
    return offers;
}

}  // namespace

/// The first stroke asks for a thing; those after it set right what was found, or what was offered. Strokes that come
/// while others are worked on wait for nothing and lose nothing: the newest work takes them all.
void AreaHand::stroke(const Stroke& stroke, bool isOpposite)
{
    if (!m_ground || m_model.role().empty())
        return;
    const Found* found = this->found();
    if (!m_working->isBusy() && (!found || found->hash != m_saidOf))
        m_said.clear(), m_settled = 0;
    if (!found && isOpposite && m_said.empty())
        return;
    m_said.push_back({simplified(stroke), !isOpposite});
    const auto work = [ground = m_ground, said = m_said, settled = m_settled, known = found ? found->mask : nullptr](
                          const CancelToken&) { return offersOf(ground->thing, known, said, settled); };
    m_working->run(work, [this, isFirst = !found, count = m_said.size()](const std::vector<Proposal>& offers) {
        if (offers.empty())
            return;
        const Found part = foundOf(offers.front().mask, offers.front().from, offers.front().sureness);
        m_saidOf = part.hash, m_settled = count;
        const Area* was = area();
        Area area = was && was->state != Area::State::NotHere ? *was : Area{};
        area.state = Area::State::ByHand;
        if (isFirst || area.parts.empty())
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

/// A click that did not move places nothing.
void AreaHand::endShape()
{
    constexpr double kLeast = 0.004;
    if (!m_draft)
        return;
    const auto* ramp = std::get_if<Ramp>(&m_draft->parts.back().shape);
    const auto* ellipse = std::get_if<Ellipse>(&m_draft->parts.back().shape);
    if ((ramp && std::hypot(ramp->full.x - ramp->none.x, ramp->full.y - ramp->none.y) < kLeast) ||
        (ellipse && std::max(ellipse->halfWidth, ellipse->halfHeight) < kLeast))
        return leaveShape();
    commit(*m_draft, tr("Area placed"));
}

void AreaHand::leaveShape()
{
    m_draft.reset();
    veilAnew();
    emit shapeLeft();
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
