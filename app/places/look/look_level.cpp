// The strength at which the role of the chosen step measures as another one does, on the frame in hand.
#include "app/places/look/look_place.h"
#include "app/wall/wall.h"
#include "app/words/words.h"
#include "core/image/resize.h"

namespace amber {

namespace {

std::optional<double> level(const Look& look, std::size_t step, const Image& picture, const FrameAreas& areas,
                            const std::string& own, const std::string& other, AreaMeasure measure)
{
    constexpr int kEdge = 480;
    const Size size = fitted({picture.width(), picture.height()}, kEdge);
    const Image small = reduceByArea(picture.view(), size.width, size.height);
    std::vector<std::string> roles{own, other};
    if (const auto plan = RenderPlan::compile(look))
        roles.insert(roles.end(), plan->roles().begin(), plan->roles().end());
    RenderOptions options;
    options.masks = masksOf(areas, roles, small.view());
    const RoleMasks* masks = options.masks.get();
    if (!masks || masks->isEmpty(own) || masks->isEmpty(other))
        return std::nullopt;
    return strengthThatEquals(look, step, small.view(), options, *masks->find(own), *masks->find(other), measure);
}

}  // namespace

void LookPlace::levelWith(const std::string& role, AreaMeasure measure)
{
    const FrameId frame = m_document.selection().frameInHand();
    const auto proxy = m_wall->proxyInHand();
    const Step* step = m_document.looks().step();
    const auto areas = proxy ? m_document.areasOf(frame, proxy->sourceRatio) : nullptr;
    if (!proxy || !step || !areas)
        return;
    const std::string own = step->guard.where.role;
    const auto index = static_cast<std::size_t>(m_document.looks().selectedStep());
    const auto work = [proxy, areas, own, role, index, measure, look = m_document.looks().lookOf(frame)](
                          const CancelToken&) { return level(look, index, proxy->image, *areas, own, role, measure); };
    m_leveling->run(work, [this, own, role, index,
                           revision = m_document.looks().look()](std::optional<double> strength) {
        // What the hand did meanwhile counts.
        if (!(revision == m_document.looks().look()))
            return;
        if (!strength) {
            emit m_document.failed(
                tr("At no strength from 0 to 2 do %1 and %2 measure alike on this frame.").arg(text(own), text(role)));
            return;
        }
        Step levelled = stepFor(m_document.looks().look().steps.at(index), m_document.looks().pictureInHand());
        levelled.strength = *strength;
        m_document.looks().changeShown(static_cast<int>(index), levelled);
        m_document.looks().commit(tr("Strength at which %1 measures as %2").arg(text(own), text(role)));
    });
}

}  // namespace amber
