// Light by hand in the Balance place: whites by evidence, locks, ends.
#include "app/places/balance/balance_place.h"
#include "app/places/balance/light_bench.h"
#include "app/theme/theme.h"
#include <QtWidgets>

namespace amber {
/// All places that were picked, as one colour; black when none were.
LinearRgb BalancePlace::pickedColour(FrameId frame) const
{
    LinearRgb sum{};
    if (const auto picked = m_picked.find(frame); picked != m_picked.end())
        for (const LinearRgb& c : picked->second)
            sum = {sum.r + c.r, sum.g + c.g, sum.b + c.b};
    return sum;
}

/// The frame's balance with the white that this evidence gives; nothing when it gives none.
std::optional<FrameBalance> BalancePlace::whiteBy(WhiteEstimate::By by, const FrameBalance& balance) const
{
    using By = WhiteEstimate::By;
    const FrameId id = inHand();
    const AsShot asShot = m_hand->asShotOf(id);
    const Response response = m_document.balances().responseOf(balance);
    switch (by) {
    case By::AsShot: {
        FrameBalance shot = balance;
        shot.light = absoluteOf({}, asShot), shot.light.exposureStops = balance.light.exposureStops;
        return shot;
    }
    case By::Picked:
        return neutralised(balance, pickedColour(id), response, asShot);
    case By::Neutrals: {
        const auto found = m_neutrals.find(id);
        return found != m_neutrals.end() && found->second.share > 0
                   ? neutralised(balance, found->second.colour, response, asShot)
                   : std::nullopt;
    }
    case By::Lead: {
        const FrameId lead = m_pictures->leadOf(id);
        if (lead == 0 || lead == id)
            return std::nullopt;
        // The light is the same: its white, in this frame's own numbers.
        const Balance light = absoluteOf(m_hand->of(lead).light, m_hand->asShotOf(lead));
        return withValue(withValue(balance, LightPart::Kelvin, light.kelvin, asShot), LightPart::Tint, light.tint,
                         asShot);
    }
    case By::Card: {
        const auto found = m_cards.find(id);
        return found != m_cards.end() && found->second
                   ? balancedByCard(balance, found->second->found, found->second->card, response, asShot)
                   : std::nullopt;
    }
    }
    return std::nullopt;
}

void BalancePlace::refreshEstimates()
{
    using By = WhiteEstimate::By;
    const FrameId id = inHand();
    const FrameBalance balance = m_hand->of(id);
    std::map<By, WhiteEstimate> all;
    for (const By by : {By::AsShot, By::Picked, By::Neutrals, By::Lead, By::Card})
        if (const auto white = whiteBy(by, balance))
            all[by] = {by, *white, by == By::Neutrals ? m_neutrals[id].sureness() : 1};
    m_light->setEstimates(all, m_hand->asShotOf(id));
    const auto proxy = m_pictures->untouched(id);
    if (!proxy)
        return;
    if (m_neutrals.count(id) == 0 && m_neutralsAsked != id) {
        m_neutralsAsked = id;
        m_measures->neutrals(id, proxy->samples, m_document.balances().responseOf(balance));
    }
    if (m_cards.count(id) == 0 && m_cardAsked != id) {
        m_cardAsked = id;
        m_measures->card(workOf(id), m_document.cardFolders());
    }
    sayCard();
}

/// What the card tells of itself and of the camera's rendering.
void BalancePlace::sayCard()
{
    const FrameId id = inHand();
    const auto found = m_cards.find(id);
    if (found == m_cards.end() || !found->second)
        return m_light->sayCard({});
    const FrameBalance balance = m_hand->of(id);
    const Response response = m_document.balances().responseOf(balance);
    const auto& [card, seen] = *found->second;
    const auto by = balancedByCard(balance, seen, card, response, m_hand->asShotOf(id));
    if (!by)
        return m_light->sayCard(tr("card: its greys are cut off"));
    const CardCheck check = checkByCard(seen, card, *by, response);
    m_light->sayCard(tr("card: ΔE %1 in the mean, %2 at %3; tones × %4%5")
                         .arg(theme::decimal(check.mean, 1), theme::decimal(check.most, 1),
                              text(card.patches[check.worst].name), theme::decimal(check.toneSlope, 2),
                              seen.isPartlyShaded() ? tr("; partly shaded") : QString()));
}

void BalancePlace::chooseWhite(WhiteEstimate::By by)
{
    const FrameId id = inHand();
    auto white = whiteBy(by, m_hand->of(id));
    if (!white)
        return;
    white->whiteLocked = true;
    if (by == WhiteEstimate::By::Card)
        white->exposureLocked = true;
    m_hand->keep({{id, *white}}, tr("White of a frame"));
    refresh();
}

void BalancePlace::setLock(LightPart part, bool on)
{
    FrameBalance balance = m_hand->of(inHand());
    (part == LightPart::Exposure ? balance.exposureLocked
     : part == LightPart::Kelvin ? balance.whiteLocked
                                 : balance.endsLocked) = on;
    m_hand->keep({{inHand(), balance}}, on ? tr("Balance locked") : tr("Balance unlocked"));
}

void BalancePlace::connectLight()
{
    using Doing = BalancePictures::Doing;
    connect(m_light, &LightBench::moved, this,
            [this](LightPart part, double value) { m_hand->move(inHand(), part, value); });
    connect(m_light, &LightBench::lockWanted, this, &BalancePlace::setLock);
    connect(m_light, &LightBench::whiteChosen, this, &BalancePlace::chooseWhite);
    connect(m_light, &LightBench::togetherChanged, this, [this] {
        commitPending();
        m_hand->setTogether(m_light->shiftsTogether() ? Together::Shift : Together::Set);
    });
    connect(m_light, &LightBench::pickingWanted, this, [this](bool on) {
        if (on)
            m_picked[inHand()].clear();
        m_pictures->setDoing(on ? Doing::Picking : Doing::Nothing);
    });
    connect(m_pictures, &BalancePictures::picked, this, [this](const LinearRgb& colour) {
        m_picked[inHand()].push_back(colour);
        chooseWhite(WhiteEstimate::By::Picked);
    });
    connect(m_light, &LightBench::endsWanted, this, &BalancePlace::endsOfFrame);
    connect(m_light, &LightBench::endsForUse, this, [this](int use) {
        commitPending();
        m_measures->ends(worksOf(framesOfLight()), use);
    });
}

void BalancePlace::endsOfFrame()
{
    constexpr double kFirstPixels = 0.001;
    const FrameId id = inHand();
    const auto proxy = m_pictures->untouched(id);
    if (!proxy)
        return;
    FrameBalance balance = m_hand->of(id);
    balance.ends = {}, balance.optics.noise = 0;
    const Image lit = balancedPicture(proxy->samples, balance, m_document.balances().responseOf(balance));
    FrameBalance solved = m_hand->of(id);
    solved.ends = solveEnds(lit.view(), m_document.countedFraming(id), kFirstPixels, kFirstPixels);
    solved.endsLocked = true;
    m_hand->keep({{id, solved}}, tr("Ends of a frame"));
    refresh();
}

}  // namespace amber
