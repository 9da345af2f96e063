#include "app/places/balance/light_hand.h"

#include "app/document/frame_model.h"

namespace amber {
namespace {
constexpr int kPauseMilliseconds = 500;
}

LightHand::LightHand(Document& document, FrameModel& frames, QObject* parent)
    : QObject(parent), m_document(document), m_frames(frames)
{
    m_pause.setSingleShot(true);
    m_pause.setInterval(kPauseMilliseconds);
    connect(&m_pause, &QTimer::timeout, this, &LightHand::commit);
}

FrameBalance LightHand::of(FrameId frame) const
{
    const auto held = m_held.find(frame);
    return held != m_held.end() ? held->second : m_under ? m_under(frame) : m_document.balances().of(frame);
}

AsShot LightHand::asShotOf(FrameId frame) const
{
    const FrameFacts* facts = m_frames.factsOf(frame);
    return facts ? amber::asShotOf(facts->capture) : AsShot{};
}

QString LightHand::actionOf(LightPart part, std::size_t frames)
{
    const QString what = part == LightPart::Exposure                            ? tr("Exposure")
                         : part == LightPart::Kelvin || part == LightPart::Tint ? tr("White")
                                                                                : tr("Ends");
    return frames > 1 ? tr("%1 of %2 frames").arg(what).arg(frames) : tr("%1 of a frame").arg(what);
}

void LightHand::move(FrameId inHand, LightPart part, double value)
{
    std::vector<FrameId> frames = m_chosen;
    if (std::find(frames.begin(), frames.end(), inHand) == frames.end())
        frames = {inHand};
    const QString action = actionOf(part, frames.size());
    if (m_action != action || (!m_held.empty() && m_held.count(inHand) == 0))
        commit();
    // Another number of the same gesture begins where this one left off.
    if (std::exchange(m_part, part) != part)
        m_begun.clear();
    if (m_begun.empty())
        for (const FrameId id : frames)
            m_begun[id] = of(id);
    hold(lightTogether(m_begun, inHand, part, value, m_together, [this](FrameId id) { return asShotOf(id); }), action);
}

void LightHand::change(FrameId frame, const FrameBalance& balance, const QString& action)
{
    if (m_action != action || m_held.size() != 1 || m_held.count(frame) == 0)
        commit();
    hold({{frame, balance}}, action);
}

void LightHand::hold(const std::map<FrameId, FrameBalance>& balances, const QString& action)
{
    if (balances.empty())
        return;
    m_action = action;
    std::vector<FrameId> frames;
    for (const auto& [id, balance] : balances) {
        // The one number moved; what else the hand changed on them stays.
        m_held[id] = balance;
        frames.push_back(id);
    }
    emit taken(frames);
    for (const FrameId id : frames)
        emit changed(id);
    m_pause.start();
}

void LightHand::keep(const std::map<FrameId, FrameBalance>& balances, const QString& action)
{
    commit();
    if (balances.empty())
        return;
    std::vector<FrameId> frames;
    for (const auto& [id, balance] : balances)
        frames.push_back(id);
    emit taken(frames);
    m_document.balances().set(balances, action);
    for (const FrameId id : frames)
        emit changed(id);
}

void LightHand::commit()
{
    m_pause.stop();
    m_begun.clear();
    if (m_held.empty())
        return;
    const auto held = std::exchange(m_held, {});
    const QString action = std::exchange(m_action, {});
    m_document.balances().set(held, action);
}

void LightHand::drop()
{
    m_pause.stop();
    m_held.clear(), m_begun.clear(), m_action.clear(), m_part.reset();
}

}  // namespace amber
