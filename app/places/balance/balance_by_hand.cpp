// What the artist does by hand in the Balance place: light, lens, framing, on the bench and on the picture.
#include "app/document/frame_model.h"
#include "app/instruments/instruments.h"
#include "app/places/balance/balance_place.h"
#include "app/places/balance/crop_overlay.h"
#include "app/places/balance/framing_bench.h"
#include "app/places/balance/lens_bench.h"
#include "app/places/balance/light_bench.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

double hundredth(double v) { return std::round(v * 100) / 100; }
double thousandth(double v) { return std::round(v * 1000) / 1000; }

}  // namespace

BaseMeasures::Work BalancePlace::workOf(FrameId id) const
{
    const Frame* frame = m_document.frame(id);
    const FrameBalance balance = m_hand->of(id);
    return {id, frame ? frame->path : std::filesystem::path(), balance, m_document.balances().responseOf(balance)};
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
            all[by] = {by, *white, 1};
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
        m_measures->card(workOf(id), m_document.folder().toStdString() + "/card");
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
    solved.ends = solveEnds(lit.view(), m_document.job().frame(id).framing, kFirstPixels, kFirstPixels);
    solved.endsLocked = true;
    m_hand->keep({{id, solved}}, tr("Ends of a frame"));
    refresh();
}

void BalancePlace::copyTo(const QString& action, const std::function<void(FrameBalance&, const FrameBalance&)>& part)
{
    std::map<FrameId, FrameBalance> changed;
    const FrameBalance from = m_hand->of(inHand());
    for (const FrameId id : m_hand->chosen()) {
        FrameBalance balance = m_hand->of(id);
        part(balance, from);
        if (!(balance == m_hand->of(id)))
            changed[id] = balance;
    }
    m_hand->keep(changed, action.arg(changed.size()));
    refresh();
}

void BalancePlace::connectLens()
{
    connect(m_lens, &LensBench::edited, this,
            [this](const FrameBalance& balance, const QString& action) { m_hand->change(inHand(), balance, action); });
    connect(m_lens, &LensBench::lensWanted, this,
            [this] { m_measures->findLens(workOf(inHand()), {m_document.folder().toStdString() + "/lenses"}); });
    connect(m_lens, &LensBench::fringesWanted, this, [this] { m_measures->fringes(workOf(inHand())); });
    connect(m_lens, &LensBench::noiseWanted, this, [this] { m_measures->noise(workOf(inHand())); });
    connect(m_lens, &LensBench::falloffWanted, this, [this] { m_measures->falloff(worksOf(framesOfLight())); });
    connect(m_lens, &LensBench::drawingWanted, this, [this](bool on) {
        if (on)
            m_lines.clear();
        m_pictures->setDoing(on ? BalancePictures::Doing::Drawing : BalancePictures::Doing::Nothing);
    });
    connect(m_pictures, &BalancePictures::lineDrawn, this, &BalancePlace::takeLine);
    connect(m_lens, &LensBench::copyWanted, this, [this] {
        copyTo(tr("Lens of %1 frames"), [](FrameBalance& to, const FrameBalance& from) {
            const double noise = to.optics.noise;
            to.optics = from.optics, to.optics.noise = noise;
        });
    });
}

void BalancePlace::takeLine(const std::vector<QPointF>& places)
{
    const FrameId id = inHand();
    FrameBalance balance = m_hand->of(id);
    // In half diagonals, where the file's lens (if one is used) leaves them.
    Optics known = balance.optics;
    known.bow = 0;
    const Throw thrown(known);
    const double ratio = m_pictures->ratioOf(id), unit = std::hypot(ratio, 1.0);
    DrawnLine line;
    for (const QPointF& p : places) {
        const double x = (2 * p.x() - 1) * ratio / unit, y = (2 * p.y() - 1) / unit,
                     by = thrown.trueFrom(std::hypot(x, y));
        line.push_back({x * by, y * by});
    }
    m_lines.push_back(line);
    m_lens->setDrawing(true, static_cast<int>(m_lines.size()));
    const auto solved = solveBow(m_lines);
    if (!solved || !solved->isSure) {
        m_lens->sayLens(tr("%n line(s) do not tell yet: draw one farther from the middle", nullptr,
                           static_cast<int>(m_lines.size())));
        return;
    }
    balance.optics.bow = std::round(solved->bow * 1e4) / 1e4;
    balance.geometry.crop = broughtInside(balance.optics, balance.geometry, ratio, balance.geometry.crop);
    m_hand->keep({{id, balance}}, tr("Bow of a lens"));
    refresh();
}

void BalancePlace::connectFraming()
{
    using Doing = BalancePictures::Doing;
    connect(m_framing, &FramingBench::edited, this, [this](const FrameBalance& balance, const QString& action) {
        m_hand->change(inHand(), balance, action);
        if (m_pictures->doing() == Doing::Cropping)
            m_pictures->crop().setCrop(balance.geometry.crop),
                m_pictures->crop().setRatios(balance.geometry.ratio, m_pictures->ratioOf(inHand()));
    });
    connect(m_framing, &FramingBench::tiltWanted, this,
            [this] { m_onlyTilt = true, m_measures->upright(workOf(inHand())); });
    connect(m_framing, &FramingBench::uprightWanted, this,
            [this] { m_onlyTilt = false, m_measures->upright(workOf(inHand())); });
    connect(m_framing, &FramingBench::croppingWanted, this,
            [this](bool on) { m_pictures->setDoing(on ? Doing::Cropping : Doing::Nothing); });
    connect(m_pictures, &BalancePictures::cropMoved, this, &BalancePlace::takeCrop);
    connect(m_pictures, &BalancePictures::cropEnded, this, &BalancePlace::commitPending);
    connect(m_framing, &FramingBench::copyWanted, this, [this] {
        copyTo(tr("Framing of %1 frames"),
               [](FrameBalance& to, const FrameBalance& from) { to.geometry = from.geometry; });
    });
    connect(m_framing, &FramingBench::resetWanted, this, [this] {
        FrameBalance bare;
        bare.response = m_hand->of(inHand()).response;
        m_hand->keep({{inHand(), bare}}, tr("Balance taken off a frame"));
        refresh();
    });
}

void BalancePlace::takeCrop(const Region& crop)
{
    FrameBalance balance = m_hand->of(inHand());
    balance.geometry.crop = broughtInside(balance.optics, balance.geometry, m_pictures->ratioOf(inHand()), crop);
    if (!(balance.geometry.crop == crop))
        m_pictures->crop().setCrop(balance.geometry.crop);
    m_hand->change(inHand(), balance, tr("Frame cropped"));
}

void BalancePlace::takeUpright(FrameId id, const Upright& found)
{
    if (id != inHand())
        return;
    const Frame* frame = m_document.frame(id);
    if (!frame)
        return;
    if (!found.tiltDegrees || (!m_onlyTilt && !found.leanUp)) {
        m_framing->say(m_onlyTilt ? tr("Not sure: no long straight edges near the level.")
                                  : tr("Not sure: the uprights of this picture do not meet."));
        return;
    }
    FrameBalance balance = m_hand->of(id);
    const double ratio = m_pictures->ratioOf(id);
    balance.geometry.straightenDegrees = hundredth(*found.tiltDegrees);
    if (!m_onlyTilt)
        balance.geometry.leanUp = thousandth(*found.leanUp);
    balance.geometry.crop = balance.geometry.ratio > 0
                                ? broughtInside(balance.optics, balance.geometry, ratio, balance.geometry.crop)
                                : inscribedCrop(balance.optics, balance.geometry, ratio, 0);
    m_framing->say(found.isSure ? tr("By %1 uprights and %2 levels.").arg(found.uprights).arg(found.levels)
                                : tr("Not sure: by one edge, which may be seen from aside."));
    m_hand->keep({{id, balance}}, m_onlyTilt ? tr("Frame straightened") : tr("Frame set upright"));
    refresh();
}

void BalancePlace::connectMeasures()
{
    connect(m_measures, &BaseMeasures::failed, &m_document, &Document::failed);
    connect(m_measures, &BaseMeasures::uprightFound, this, &BalancePlace::takeUpright);
    connect(m_measures, &BaseMeasures::neutralsFound, this,
            [this](FrameId frame, const std::optional<FoundNeutrals>& found) {
                m_neutrals[frame] = found.value_or(FoundNeutrals{});
                if (frame == inHand())
                    refreshEstimates();
            });
    connect(m_measures, &BaseMeasures::cardFound, this,
            [this](FrameId frame, const std::optional<BaseMeasures::CardFound>& card) {
                m_cards[frame] = card;
                if (frame == inHand())
                    refreshEstimates();
            });
    connect(m_measures, &BaseMeasures::lensFound, this, &BalancePlace::takeLens);
    connect(m_measures, &BaseMeasures::fringesFound, this, &BalancePlace::takeFringes);
    connect(m_measures, &BaseMeasures::falloffFound, this, &BalancePlace::takeFalloff);
    connect(m_measures, &BaseMeasures::noiseFound, this, [this](FrameId, const BaseMeasures::NoiseFound& found) {
        m_lens->sayNoise(!found.noise.isKnown()
                             ? tr("no flat place to read noise from")
                             : tr("noise %1 %, colour %2 %; all off: %3 dB less, edges keep %4 %")
                                   .arg(theme::decimal(100 * found.noise.meanLightness, 2),
                                        theme::decimal(100 * found.noise.meanColour, 2),
                                        theme::decimal(found.decibels, 1), theme::decimal(100 * found.edgesKept, 0)));
    });
    connect(m_measures, &BaseMeasures::endsFound, this,
            [this](const std::vector<FrameId>& frames, const BalanceEnds& ends, int) {
                std::map<FrameId, FrameBalance> changed;
                for (const FrameId id : frames)
                    if (FrameBalance balance = m_hand->of(id); !balance.endsLocked && !(balance.ends == ends))
                        balance.ends = ends, changed[id] = balance;
                m_hand->keep(changed, tr("Ends of %1 frames").arg(changed.size()));
                refresh();
            });
}

void BalancePlace::takeLens(FrameId frame, const std::optional<FoundLens>& lens)
{
    if (!lens) {
        m_lens->sayLens(tr("no lens file knows it: draw a line, or type"));
        return;
    }
    FrameBalance balance = m_hand->of(frame);
    balance.optics.lens = lens->lens, balance.optics.lensOff = false;
    balance.geometry.crop =
        broughtInside(balance.optics, balance.geometry, m_pictures->ratioOf(frame), balance.geometry.crop);
    m_hand->keep({{frame, balance}}, tr("Lens corrected"));
    refresh();
}

void BalancePlace::takeFringes(FrameId frame, const Fringes& found)
{
    m_lens->sayFringes(found.isSure ? tr("fringes by %1 edges").arg(found.edges)
                                    : tr("fringes: too few edges to be sure"));
    if (!found.isSure)
        return;
    FrameBalance balance = m_hand->of(frame);
    balance.optics.redFringe = std::round(found.red * 1e5) / 1e5;
    balance.optics.blueFringe = std::round(found.blue * 1e5) / 1e5;
    m_hand->keep({{frame, balance}}, tr("Fringes of a lens"));
    refresh();
}

void BalancePlace::takeFalloff(const std::vector<FrameId>& frames, const std::optional<MeasuredFalloff>& found)
{
    if (!found || !found->isSure()) {
        m_lens->sayLens(found ? tr("falloff %1 ± %2 stops: not sure")
                                    .arg(theme::decimal(found->stops, 2), theme::decimal(found->error, 2))
                              : tr("falloff: nothing to tell it by"));
        return;
    }
    std::map<FrameId, FrameBalance> changed;
    for (const FrameId id : frames) {
        changed[id] = m_hand->of(id);
        changed[id].optics.falloffStops = hundredth(found->stops);
    }
    m_hand->keep(changed, tr("Falloff of %1 frames").arg(changed.size()));
    refresh();
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
