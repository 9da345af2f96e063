// What the artist does by hand in the Balance place, on the bench and on the picture: what comes and goes, held and
// probed. Light, lens and framing have files of their own.
#include "app/instruments/instruments.h"
#include "app/places/balance/balance_place.h"
#include "app/places/balance/framing_bench.h"
#include "app/places/balance/lens_bench.h"
#include "app/places/balance/light_bench.h"

#include <QtWidgets>

namespace amber {
BaseMeasures::Work BalancePlace::workOf(FrameId id) const
{
    const Frame* frame = m_document.frame(id);
    const FrameBalance balance = m_hand->of(id);
    return {id, frame ? frame->path : std::filesystem::path(), balance, m_document.balances().responseOf(balance),
            m_document.countedFraming(id)};
}

std::vector<BaseMeasures::Work> BalancePlace::worksOf(const std::vector<FrameId>& frames) const
{
    std::vector<BaseMeasures::Work> works;
    for (const FrameId id : frames)
        if (const Frame* frame = m_document.frame(id); frame && !frame->isLost && frame->fault.empty())
            works.push_back(workOf(id));
    return works;
}

void BalancePlace::connectDocument()
{
    connect(&m_document, &Document::leaving, this, [this] {
        m_hand->drop(), m_measures->drop(), m_task->cancel();
        m_picked.clear(), m_neutrals.clear(), m_cards.clear(), m_lines.clear();
        m_neutralsAsked = m_cardAsked = 0;
    });
    connect(&m_document, &Document::opened, this, [this] { refreshGroups(), refresh(); });
    connect(&m_document, &Document::lightsChanged, this, [this] { refreshGroups(), refresh(); });
    connect(&m_document, &Document::framesChanged, this, &BalancePlace::refresh);
    connect(&m_document.selection(), &Selection::frameChosen, this, [this] {
        m_pictures->setDoing(BalancePictures::Doing::Nothing);
        m_lines.clear();
        refresh();
    });
    for (const auto changed : {&Document::balancesChanged, &Document::historyChanged})
        connect(&m_document, changed, this, &BalancePlace::refresh);
    connect(&m_document, &Document::settling, this, &BalancePlace::commitPending);
    connect(&m_document.looks(), &LooksInHand::lookChanged, this, [this] {
        if (m_pictures->isWithLook())
            m_pictures->renderInHand();
    });
    const auto isShown = [this](FrameId frame) { return frame == inHand() || frame == m_pictures->leadOf(inHand()); };
    connect(&m_document.balances(), &Balances::changed, this, [this, isShown](FrameId frame) {
        if (isShown(frame))
            refresh();
    });
    connect(&m_proxies, &ProxyStore::proxyReady, this, [this, isShown](FrameId frame) {
        if (isShown(frame))
            refresh();
    });
}

void BalancePlace::connectHand()
{
    connect(m_hand, &LightHand::taken, this, [this](const std::vector<FrameId>& frames) {
        // The table is told only when something of it changes: a drag has a picture to show.
        if (std::any_of(frames.begin(), frames.end(), [this](FrameId id) { return m_model->proposal(id); }))
            m_model->settle(frames);
    });
    connect(m_hand, &LightHand::changed, this, [this](FrameId frame) {
        if (frame != inHand())
            return;
        m_pictures->renderInHand();
        refreshBenches();
    });
    connect(m_pictures, &BalancePictures::measured, m_instruments, &Instruments::setMeasures);
    connect(m_pictures, &BalancePictures::measured, this, [this](const MeasuredFrame& frame) {
        m_light->sayHeadroom(frame.headroom.value_or(Headroom{}), frame.isRaw);
    });
    connect(m_pictures, &BalancePictures::traced, m_instruments, &Instruments::setTrace);
    connect(m_pictures, &BalancePictures::probed, this, &BalancePlace::probeAt);
    connect(m_pictures, &BalancePictures::doingChanged, this, [this] {
        using Doing = BalancePictures::Doing;
        m_light->setPicking(m_pictures->doing() == Doing::Picking);
        m_framing->setCropping(m_pictures->doing() == Doing::Cropping);
        m_lens->setDrawing(m_pictures->doing() == Doing::Drawing, static_cast<int>(m_lines.size()));
    });
}

void BalancePlace::probeAt(std::optional<QPointF> place)
{
    const FrameId id = inHand();
    const auto proxy = place ? m_pictures->untouched(id) : nullptr;
    if (!proxy)
        return m_instruments->setProbe(std::nullopt);
    FrameBalance balance = m_hand->of(id);
    if (m_pictures->doing() == BalancePictures::Doing::Cropping)
        balance.geometry.crop = {};
    const Placement placement = balance.placement(proxy->image.width(), proxy->image.height());
    const Region at = placement.inSource(pointPlace(place->x(), place->y(), placement.width(), placement.height()));
    const Look look = m_pictures->isWithLook() ? m_document.looks().lookOf(id) : Look{};
    Probe probe;
    probe.in = balancedColour(meanOf(proxy->image.view(), at), balance, m_document.balances().responseOf(balance));
    probe.entering = probe.in;
    probe.out = evaluate(look, probe.in);
    m_instruments->setProbe(probe);
}

void BalancePlace::refreshBenches()
{
    const FrameId id = inHand();
    const FrameBalance balance = m_hand->of(id);
    const std::size_t chosen = m_hand->chosen().size();
    m_light->show(balance, m_hand->asShotOf(id), chosen);
    m_lens->show(balance, chosen);
    m_framing->show(balance, m_pictures->ratioOf(id), chosen);
    if (!m_hand->isHolding()) {
        m_lens->sayLens(balance.optics.lens.name.empty() ? tr("not looked up")
                        : balance.optics.lensOff         ? tr("%1, not used").arg(text(balance.optics.lens.name))
                                                         : text(balance.optics.lens.name));
        refreshEstimates();
    }
}

void BalancePlace::toggleLook()
{
    m_pictures->setWithLook(!m_pictures->isWithLook());
    m_look->setChecked(m_pictures->isWithLook());
    m_instruments->setWithLook(m_pictures->isWithLook());
}

void BalancePlace::toggleSplit()
{
    const bool on = !m_pictures->inHand().isSplit();
    m_pictures->setSplit(on);
    m_split->setChecked(on);
}

void BalancePlace::toggleClipping()
{
    m_pictures->setClipping(!m_pictures->isClipping());
    m_clips->setChecked(m_pictures->isClipping());
}

}  // namespace amber
