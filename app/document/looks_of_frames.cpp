// Which look lands on which frame, and what goes from one look to another.
#include "app/document/document.h"
#include "core/job/edits.h"
#include "core/look/look_json.h"
#include "core/look/part.h"

namespace amber {

bool LooksInHand::areSomeChosen() const
{
    const Job& job = m_document.job();
    return std::any_of(job.lights.begin(), job.lights.end(), [](const Light& l) { return l.look != 0; }) ||
           std::any_of(job.frames.begin(), job.frames.end(), [](const auto& entry) { return entry.second.look != 0; });
}

LookId LooksInHand::lookForAll() const
{
    const LookId id = m_document.desk().look;
    return m_document.job().looks.count(id) > 0 ? id : m_lookId;
}

void LooksInHand::setLookForAll(LookId id)
{
    if (!m_document.isOpen() || m_document.job().looks.count(id) == 0)
        return;
    commitPending();
    m_document.changeDesk([&](Desk& desk) { desk.look = id; });
    followFrame();
    emit m_document.chosenLooksChanged();
}

Result<Look> LooksInHand::read(LookId id) const
{
    if (!m_document.isOpen())
        return fail("no job is open");
    return id == m_lookId && m_fault.isEmpty() ? Result<Look>(m_look) : m_document.store().currentLook(id);
}

std::shared_ptr<const Look> LooksInHand::onFrame(FrameId frame) const
{
    const LookId chosen = m_document.job().lookOf(frame), id = chosen != 0 ? chosen : lookForAll();
    if (frame == m_document.selection().frameInHand() || id == m_lookId)
        return std::make_shared<const Look>(m_look);
    auto& known = m_others[id];
    if (const RevisionId now = m_document.store().currentRevision(id); !known.second || known.first != now)
        known = {now, std::make_shared<const Look>(m_document.store().currentLook(id).value_or(Look{}))};
    return known.second;
}

void LooksInHand::followFrame()
{
    if (!m_document.isOpen())
        return;
    const LookId chosen = m_document.job().lookOf(m_document.selection().frameInHand());
    take(chosen != 0 ? chosen : lookForAll());
}

PictureName LooksInHand::pictureName(FrameId frame) const { return m_document.job().pictureName(frame); }

PictureName LooksInHand::pictureInHand() const { return pictureName(m_document.selection().frameInHand()); }

std::vector<FrameId> LooksInHand::framesOfLook() const
{
    return framesWithLook(m_document.job(), m_document.frames(), m_lookId, lookForAll());
}

QString LooksInHand::copySteps(int first, int last) const
{
    const int count = static_cast<int>(m_look.steps.size());
    if (first < 0 || last >= count || first > last)
        return {};
    return text(lookToText(partOf(m_look, static_cast<std::size_t>(first), static_cast<std::size_t>(last)), true));
}

void LooksInHand::pasteSteps(const QString& part, LookId into, int at)
{
    const auto loaded = lookFromText(part.toStdString(), tr("what was copied").toStdString());
    if (!loaded || loaded->look.steps.empty()) {
        emit m_document.failed(tr("What was copied are no steps of a look."));
        return;
    }
    if (!mayEdit())
        return;
    commitPending();
    std::vector<std::string> sets;
    for (const FrameSet& set : m_document.job().sets)
        sets.push_back(set.name);
    const auto look = read(into);
    const auto arrived = look ? withPart(*look, loaded->look, static_cast<std::size_t>(std::max(0, at)), sets)
                              : Result<ArrivedPart>(tl::make_unexpected(look.error()));
    if (!arrived) {
        emit m_document.failed(text(arrived.error().message()));
        return;
    }
    const QString name = text(loaded->look.name), action = tr("%1 put into %2").arg(name, text(arrived->look.name));
    if (into == m_lookId) {
        m_look = arrived->look;
        m_selected = static_cast<int>(arrived->first + arrived->count) - 1;
        commit(action);
        announceSteps();
    } else if (m_document.check(m_document.store().commitLook(into, arrived->look, action.toStdString()))) {
        emit revisionsChanged();
        emit m_document.chosenLooksChanged();
        emit m_document.historyChanged();
    }
    QStringList misfits;
    for (const std::string& role : arrived->newRoles)
        misfits << tr("the role %1 came along: say on each frame where it lies").arg(text(role));
    for (const std::string& set : arrived->unknownSets)
        misfits << tr("values for the set %1, which this job does not have, count for nothing").arg(text(set));
    if (!misfits.isEmpty())
        emit m_document.failed(tr("%1: %2.").arg(action, misfits.join(QStringLiteral("; "))));
}

void LooksInHand::groupSteps(int first, int last, const QString& name)
{
    if (first < 0 || last >= static_cast<int>(m_look.steps.size()) || !mayEdit())
        return;
    commitPending();
    m_look =
        grouped(m_look, static_cast<std::size_t>(first), static_cast<std::size_t>(last), name.trimmed().toStdString());
    commit(name.trimmed().isEmpty() ? tr("Group parted") : tr("Steps grouped as %1").arg(name.trimmed()));
    announceSteps();
}

void LooksInHand::renameSet(const std::string& from, const std::string& to)
{
    commitAll();
    Job after = m_document.job();
    for (FrameSet& set : after.sets)
        if (set.name == from)
            set.name = to;
    std::map<LookId, Look> changed;
    for (const LookEntry& entry : entries())
        if (const auto look = read(entry.id))
            if (Look renamed = withSetRenamed(*look, from, to); !(renamed == *look))
                changed[entry.id] = std::move(renamed);
    const Job before = m_document.job();
    if (!m_document.check(
            m_document.store().commit(after, changed, tr("Set %1 named %2").arg(text(from), text(to)).toStdString())))
        return;
    if (changed.count(m_lookId) > 0)
        m_look = m_committed = changed.at(m_lookId);
    m_document.announce(before);
    emit revisionsChanged();
}

}  // namespace amber
