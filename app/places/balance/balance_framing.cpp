// Framing by hand in the Balance place: crop, turn, lean.
#include "app/places/balance/balance_place.h"
#include "app/places/balance/crop_overlay.h"
#include "app/places/balance/framing_bench.h"
#include <QtWidgets>

namespace amber {
namespace {

double thousandth(double v) { return std::round(v * 1000) / 1000; }

}  // namespace

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

}  // namespace amber
