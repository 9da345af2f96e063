#include "app/document/selection.h"

#include "app/document/document.h"

#include <QDateTime>
#include <algorithm>

namespace amber {

Selection::Selection(Document& document) : QObject(&document), m_document(document) {}

void Selection::reload()
{
    const Desk& desk = m_document.desk();
    const auto& frames = m_document.frames();
    const bool isKnown = m_document.frame(desk.frame) != nullptr;
    m_frameInHand = isKnown ? desk.frame : frames.empty() ? 0 : frames.front().id;
    m_companions.clear();
    for (const FrameId id : desk.companions.value_or(std::vector<FrameId>{}))
        if (m_document.frame(id) && m_companions.size() < kCompanionLimit)
            m_companions.push_back(id);
    if (!desk.companions)
        proposeCompanions();
}

/// On a first visit: frames spread over the shoot.
void Selection::proposeCompanions()
{
    const auto& frames = m_document.frames();
    for (std::size_t i = 1; i <= 4 && !frames.empty(); ++i) {
        const FrameId spread = frames[std::min(frames.size() - 1, frames.size() * i / 5)].id;
        const bool isChosen = std::find(m_companions.begin(), m_companions.end(), spread) != m_companions.end();
        if (spread != m_frameInHand && !isChosen)
            m_companions.push_back(spread);
    }
}

void Selection::setFrameInHand(FrameId id)
{
    if (!m_document.frame(id) || id == m_frameInHand)
        return;
    m_frameInHand = id;
    m_document.changeDesk([&](Desk& desk) { desk.frame = id; });
    m_document.looks().followFrame();
    emit frameChosen();
}

bool Selection::toggleCompanion(FrameId id)
{
    auto chosen = m_companions;
    const auto found = std::find(chosen.begin(), chosen.end(), id);
    if (found != chosen.end())
        chosen.erase(found);
    else if (chosen.size() >= kCompanionLimit)
        return false;
    else
        chosen.push_back(id);
    setCompanions(chosen);
    return true;
}

void Selection::setCompanions(const std::vector<FrameId>& chosen)
{
    m_companions = chosen;
    m_document.changeDesk([&](Desk& desk) { desk.companions = chosen; });
    emit companionsChanged();
}

std::vector<Aside> Selection::aside() const
{
    std::vector<Aside> all = m_document.desk().asides;
    std::erase_if(all, [&](const Aside& a) { return !m_document.frame(a.frame); });
    return all;
}

void Selection::putAside()
{
    if (!m_document.frame(m_frameInHand))
        return;
    m_document.looks().commitPending();
    m_document.changeDesk([&](Desk& desk) {
        std::erase_if(desk.asides, [&](const Aside& a) { return a.frame == m_frameInHand; });
        const LookId look = m_document.looks().lookId();
        desk.asides.push_back(
            {m_frameInHand, look, m_document.job().looks.at(look).revision, QDateTime::currentSecsSinceEpoch()});
    });
    emit asideChanged();
}

std::optional<Aside> Selection::takeSecondLook()
{
    const auto all = aside();
    if (all.empty())
        return std::nullopt;
    const Aside first = all.front();
    m_document.changeDesk([&](Desk& desk) {
        std::erase_if(desk.asides, [&](const Aside& a) { return a == first || !m_document.frame(a.frame); });
    });
    setFrameInHand(first.frame);
    m_document.looks().choose(first.look);
    emit asideChanged();
    return first;
}

}  // namespace amber
