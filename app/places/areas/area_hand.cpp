#include "app/places/areas/area_hand.h"

#include "app/display/screen_view.h"
#include "app/words/words.h"
#include "core/area/area_reading.h"
#include "core/area/colour_range.h"
#include "core/area/strokes.h"
#include "core/image/resize.h"
#include "core/job/area_work.h"
#include "core/job/edits.h"

#include <QtWidgets>
#include <cmath>

namespace amber {
namespace {

constexpr int kEdge = 840, kShownEdge = 1500;

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
      m_veiling(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_measuring(new RenderSlot(proxies.queue(), RenderQueue::Priority::Sheet, this)), m_pause(new QTimer(this)),
      m_calm(new QTimer(this))
{
    constexpr int kPause = 500, kCalm = 150;  // milliseconds
    for (const auto& [timer, time] : {std::pair(m_pause, kPause), std::pair(m_calm, kCalm)})
        timer->setSingleShot(true), timer->setInterval(time);
    connect(m_pause, &QTimer::timeout, this, &AreaHand::flush);
    connect(m_calm, &QTimer::timeout, this, &AreaHand::measureAnew);
    connect(&m_document, &Document::settling, this, &AreaHand::flush);
    connect(&m_document.looks(), &LooksInHand::stepsChanged, m_calm, qOverload<>(&QTimer::start));
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
    flush();
    m_making->drop(), m_working->drop(), m_veiling->drop(), m_measuring->drop();
    m_part = -1;
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

int AreaHand::partInHand() const
{
    const Area* area = this->area();
    const int last = area ? static_cast<int>(area->parts.size()) - 1 : -1;
    return m_part < 0 ? last : std::min(m_part, last);
}

std::optional<AreaPart> AreaHand::part() const
{
    const int index = partInHand();
    return index < 0 ? std::nullopt : std::optional(area()->parts[static_cast<std::size_t>(index)]);
}

void AreaHand::choosePart(int index)
{
    m_part = index;
    emit partChosen();
}

const Found* AreaHand::found() const
{
    const int index = partInHand();
    return index < 0 ? nullptr : std::get_if<Found>(&area()->parts[static_cast<std::size_t>(index)].shape);
}

/// What is drawn on: the area as it is, by hand from now on.
Area AreaHand::drawnArea() const
{
    const Area* was = area();
    Area area = was && was->state != Area::State::NotHere ? *was : Area{};
    if (!was)
        area.inBalance = inBalanceOf(m_document.job(), m_model.role());
    area.state = Area::State::ByHand;
    return area;
}

void AreaHand::veilAnew()
{
    if (!m_ground)
        return;
    m_calm->start();
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
    m_pause->stop();
    m_isWaiting = false;
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
        Area area = drawnArea();
        if (isFirst || area.parts.empty()) {
            area.parts.push_back({AreaPart::Join::Add, part, false, 1});
            m_part = -1;
        } else {
            area.parts[static_cast<std::size_t>(partInHand())].shape = part;
        }
        if (isFirst)
            m_model.remember({{m_frame, m_model.role(), offers, {}}});
        commit(std::move(area), isFirst ? tr("Area drawn") : tr("Area set right"));
    });
}

void AreaHand::box(const Region& box, bool isOpposite)
{
    if (!m_ground || m_model.role().empty())
        return;
    struct Held {
        std::vector<Proposal> offers;
        std::string replaced;  ///< hash of the mask that was found of the same thing
    };
    const auto work = [ground = m_ground, box, was = drawnArea()](const CancelToken&) {
        Held held{proposeThing(ground->thing, box), {}};
        const int same = held.offers.empty() ? -1 : partOfSameThing(was, held.offers.front().mask);
        if (same >= 0)
            held.replaced = std::get<Found>(was.parts[static_cast<std::size_t>(same)].shape).hash;
        return held;
    };
    m_working->run(work, [this, isOpposite](const Held& held) {
        const bool isOffer = area() && area()->state == Area::State::Proposed;
        Area area = drawnArea();
        const auto same = std::find_if(area.parts.begin(), area.parts.end(), [&](const AreaPart& part) {
            const auto* found = std::get_if<Found>(&part.shape);
            return found && found->hash == held.replaced;
        });
        const bool isSame = !isOpposite && same != area.parts.end();
        // A box elsewhere says that what was only offered does not hold.
        if (isOffer && !isOpposite && !isSame)
            area.parts.clear();
        if (held.offers.empty() || (isOpposite && area.parts.empty()) || area.parts.size() >= kPartLimit)
            return;
        m_model.remember({{m_frame, m_model.role(), held.offers, {}}});
        const Proposal& best = held.offers.front();
        Found found = foundOf(best.mask, best.from, best.sureness);
        m_part = isSame ? static_cast<int>(same - area.parts.begin()) : -1;
        if (isSame)
            same->shape = std::move(found);
        else
            area.parts.push_back({isOpposite ? AreaPart::Join::Cut : AreaPart::Join::Add, std::move(found), false, 1});
        commit(std::move(area), isOpposite ? tr("A box took away") : tr("Area from a box"));
    });
}

void AreaHand::brush(const Stroke& stroke, bool isOpposite)
{
    if (m_model.role().empty())
        return;
    Area area = drawnArea();
    if ((area.parts.empty() && isOpposite) || area.parts.size() >= kPartLimit)
        return;
    area.parts.push_back({isOpposite ? AreaPart::Join::Cut : AreaPart::Join::Add, simplified(stroke), false, 1});
    m_part = -1;
    commit(std::move(area), isOpposite ? tr("Brush took away") : tr("Brush added"));
}

void AreaHand::pickColours(const Region& place, bool isOpposite)
{
    if (!m_ground || m_model.role().empty())
        return;
    const ColourRange picked = rangeOf(m_ground->picture.view(), place);
    Area area = drawnArea();
    const int index = partInHand();
    auto* known = index < 0 ? nullptr : std::get_if<ColourRange>(&area.parts[static_cast<std::size_t>(index)].shape);
    if (known && !isOpposite) {
        *known = widened(*known, picked);
    } else if (area.parts.size() < kPartLimit && (!isOpposite || !area.parts.empty())) {
        area.parts.push_back({isOpposite ? AreaPart::Join::Cut : AreaPart::Join::Add, picked, false, 1});
        m_part = -1;
    }
    commit(std::move(area), tr("Colours picked"));
}

void AreaHand::moveShape(const AreaPart& part, bool isNew)
{
    if (m_model.role().empty())
        return;
    Area area = drawnArea();
    if (isNew && area.parts.size() >= kPartLimit)
        return;
    if (isNew) {
        area.parts.push_back(part);
        m_part = -1;
    } else if (const int index = partInHand(); index >= 0) {
        area.parts[static_cast<std::size_t>(index)] = part;
    }
    m_draft = std::move(area);
    m_action = tr("Area placed");
    veilAnew();
}

/// A click that did not move places nothing.
void AreaHand::endShape()
{
    constexpr double kLeast = 0.004;
    if (!m_draft)
        return;
    const AreaPart part = *this->part();
    const auto* ramp = std::get_if<Ramp>(&part.shape);
    const auto* ellipse = std::get_if<Ellipse>(&part.shape);
    if ((ramp && std::hypot(ramp->full.x - ramp->none.x, ramp->full.y - ramp->none.y) < kLeast) ||
        (ellipse && std::max(ellipse->halfWidth, ellipse->halfHeight) < kLeast))
        return leaveShape();
    commit(*m_draft, m_action);
}

void AreaHand::leaveShape()
{
    m_draft.reset();
    veilAnew();
    emit shapeLeft();
}

void AreaHand::edit(Area area, const QString& action)
{
    if (!m_frame || m_model.role().empty())
        return;
    if (m_isWaiting && m_action != action)
        flush();
    m_draft = std::move(area);
    m_action = action;
    m_isWaiting = true;
    m_pause->start();
    veilAnew();
    emit partChosen();
}

void AreaHand::editPart(const AreaPart& part, const QString& action)
{
    const int index = partInHand();
    if (index < 0)
        return;
    Area area = drawnArea();
    area.parts[static_cast<std::size_t>(index)] = part;
    edit(std::move(area), action);
}

void AreaHand::removePart()
{
    flush();
    const int index = partInHand();
    if (index < 0)
        return;
    Area area = drawnArea();
    area.parts.erase(area.parts.begin() + index);
    m_part = -1;
    commit(std::move(area), tr("Part of an area taken off"));
}

void AreaHand::flush()
{
    m_pause->stop();
    if (std::exchange(m_isWaiting, false) && m_draft)
        commit(*m_draft, m_action);
}

/// After the hand is calm: what the area comes to under the look in hand.
void AreaHand::measureAnew()
{
    m_calm->stop();
    const Area* area = this->area();
    if (!m_ground || !area || area->state == Area::State::NotHere) {
        m_measuring->drop();
        emit measured({});
        return;
    }
    std::map<std::string, Area> all = m_document.job().areasOf(m_frame);
    std::erase_if(
        all, [](const auto& entry) { return !entry.second.counts() || entry.second.state == Area::State::NotHere; });
    all[m_model.role()] = *area;
    const auto work = [ground = m_ground, all, role = m_model.role(),
                       look = m_document.looks().look()](const CancelToken&) {
        std::map<std::string, Plane> masks;
        for (const auto& [name, one] : all)
            masks[name] = ground->masks->maskOf(one);
        return text(wordsOf(readArea(role, masks, look, ground->picture.view())));
    };
    m_measuring->run(work, [this](const QString& words) { emit measured(words); });
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
    area.parts[static_cast<std::size_t>(partInHand())].shape =
        foundOf(offers[next].mask, offers[next].from, offers[next].sureness);
    commit(std::move(area), tr("Another of what was offered"));
}

}  // namespace amber
