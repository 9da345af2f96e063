// The pictures of the Match place: the reference, ours, and ours as one of its befores.
#include "app/places/match/match_pictures.h"
#include "app/places/match/match_place.h"
#include "app/wall/wall.h"
#include "core/image/resize.h"
#include <QtWidgets>

namespace amber {

MatchPictures::Side MatchPlace::referenceSide(const std::shared_ptr<const Proxy>& proxy, const QString& name) const
{
    MatchPictures::Side reference;
    const auto& kept = m_document.looks().look().reference;
    reference.message =
        m_held.kind != Held::Kind::Nothing ? tr("Reading…")
        : kept ? tr("The picture is not held. The look keeps what was measured of %1.").arg(text(kept->name))
               : tr("No reference yet");
    if (m_held.kind == Held::Kind::Table && proxy) {
        Step step;
        step.parameters = lookupTable(m_held.table, "");
        reference.look.steps.push_back(step);
        reference.picture = {proxy, &proxy->image};
        reference.caption = tr("%1 by the table").arg(name);
    } else if (m_held.picture) {
        reference.picture = m_held.picture;
        reference.caption = m_held.kind == Held::Kind::Pair ? QFileInfo(m_held.paths[1]).fileName()
                                                            : tr("reference: %1").arg(m_held.name());
    }
    return reference;
}

void MatchPlace::holdBefore(std::optional<RenderRequest::State> state)
{
    if (m_before == state)
        return;
    m_before = state;
    showPictures();
}

/// Ours as one of its befores, by name.
void MatchPlace::showBefore(MatchPictures::Side& ours, const Frame& frame)
{
    using State = RenderRequest::State;
    if (*m_before == State::AsItCame) {
        const auto untouched = m_proxies.untouched(frame.id, frame.path);
        if (!untouched)
            return;
        ours.picture = {untouched, &untouched->image};
        ours.lies = m_document.balances().of(frame.id);
    }
    ours.look.steps.resize(
        *m_before == State::BeforeStep
            ? std::min(ours.look.steps.size(), static_cast<std::size_t>(m_document.looks().selectedStep()))
            : 0);
    ours.caption += QStringLiteral(" · ") + Wall::wordsOf(*m_before);
}

void MatchPlace::showPictures()
{
    if (!isVisible() || !m_document.isOpen())
        return;
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    const auto proxy = frame ? m_proxies.proxy(frame->id, frame->path) : nullptr;
    const bool isPair = m_held.kind == Held::Kind::Pair, isTable = m_held.kind == Held::Kind::Table;
    const QString name = frame ? titleOf(*frame) : QString();
    const MatchPictures::Side reference = referenceSide(proxy, name);
    MatchPictures::Side ours;
    // On the right ours: before through what was fitted, or the frame in hand through the look.
    if (isPair)
        ours.picture = m_held.before;
    else if (proxy)
        ours.picture = {proxy, &proxy->image};
    ours.look = m_held.isFit() ? m_held.fit.fit.look : oursLook();
    ours.areas = proxy && !isPair ? m_document.areasOf(frame->id, proxy->sourceRatio) : nullptr;
    ours.deliveredLongEdge = proxy ? std::max(proxy->info.width, proxy->info.height) : 0;
    ours.caption = isPair             ? tr("%1 by the fitted steps").arg(QFileInfo(m_held.paths[0]).fileName())
                   : isTable && frame ? tr("%1 by the fitted steps").arg(name)
                                      : name;
    ours.message = !frame ? tr("No frame in hand") : frame->fault.empty() ? tr("Reading…") : text(frame->fault);
    if (m_before && frame && proxy && !isPair)
        showBefore(ours, *frame);
    const std::optional<Registration> lies = isPair    ? std::optional(m_held.fit.pairs.front().registration)
                                             : isTable ? std::optional(Registration{})
                                                       : m_related->registration();
    m_pictures->show(reference, ours, lies, m_wipe->isChecked(), m_map->currentIndex());
}

}  // namespace amber
