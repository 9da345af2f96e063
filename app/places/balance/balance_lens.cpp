// The lens by hand in the Balance place: what is measured and looked up of it, taken and copied.
#include "app/places/balance/balance_place.h"
#include "app/places/balance/lens_bench.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

QString noiseWords(const BaseMeasures::NoiseFound& found)
{
    const Noise& noise = found.noise;
    if (!noise.isKnown())
        return BalancePlace::tr("no flat place to read noise from");
    return (noise.isSure() ? BalancePlace::tr("noise %1 %, colour %2 %; all off: %3 dB less, edges keep %4 %")
                           : BalancePlace::tr("not sure: texture, or noise of %1 %, colour %2 %; all off: %3 dB less, "
                                              "edges keep %4 %"))
        .arg(theme::decimal(100 * noise.meanLightness, 2), theme::decimal(100 * noise.meanColour, 2),
             theme::decimal(found.decibels, 1), theme::decimal(100 * found.edgesKept, 0));
}

}  // namespace

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
    connect(m_lens, &LensBench::falloffWanted, this,
            [this] { m_measures->falloff(workOf(inHand()), worksOf(allFrames()), worksOf(framesOfLight())); });
    connect(m_lens, &LensBench::noiseToAllWanted, this,
            [this] { m_measures->noiseBySensitivity(worksOf(m_hand->chosen()), worksOf(allFrames())); });
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
                if (card)
                    m_document.setCards({{frame, ShownCard{card->found.region, m_pictures->ratioOf(frame)}}});
                if (frame == inHand())
                    refreshEstimates();
            });
    connect(m_measures, &BaseMeasures::lensFound, this, &BalancePlace::takeLens);
    connect(m_measures, &BaseMeasures::fringesFound, this, &BalancePlace::takeFringes);
    connect(m_measures, &BaseMeasures::falloffFound, this, &BalancePlace::takeFalloff);
    connect(m_measures, &BaseMeasures::noiseFound, this,
            [this](FrameId, const BaseMeasures::NoiseFound& found) { m_lens->sayNoise(noiseWords(found)); });
    connect(m_measures, &BaseMeasures::strengthsFound, this, &BalancePlace::takeStrengths);
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
    m_lens->sayLens(tr("falloff %1 ± %2 stops by %n frame(s)", nullptr, found->frames)
                        .arg(theme::decimal(found->stops, 2), theme::decimal(found->error, 2)));
    refresh();
}

void BalancePlace::takeStrengths(const std::map<FrameId, double>& strengths)
{
    std::map<FrameId, FrameBalance> changed;
    for (const auto& [id, strength] : strengths) {
        FrameBalance balance = m_hand->of(id);
        balance.optics.noise = hundredth(strength);
        if (!(balance == m_hand->of(id)))
            changed[id] = balance;
    }
    m_hand->keep(changed, tr("Noise of %1 frames by sensitivity").arg(changed.size()));
    m_lens->sayNoise(strengths.empty()
                         ? tr("no other frame tells its sensitivity")
                         : tr("%n other frame(s) by sensitivity", nullptr, static_cast<int>(changed.size())));
    refresh();
}

}  // namespace amber
