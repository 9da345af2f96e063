#include "app/document/looks_in_hand.h"

#include "app/document/document.h"
#include "core/job/edits.h"
#include "core/look/look_json.h"

#include <QCoreApplication>
#include <QTimer>
#include <algorithm>
#include <utility>

namespace amber {

QString stepTitle(const Step& step)
{
    // The names of core, listed here so that translators find them.
    [[maybe_unused]] static const char* const kNames[] = {QT_TRANSLATE_NOOP("Step", "Contrast"),
                                                          QT_TRANSLATE_NOOP("Step", "Tone bands"),
                                                          QT_TRANSLATE_NOOP("Step", "Ends"),
                                                          QT_TRANSLATE_NOOP("Step", "Chroma"),
                                                          QT_TRANSLATE_NOOP("Step", "Primaries"),
                                                          QT_TRANSLATE_NOOP("Step", "Wash"),
                                                          QT_TRANSLATE_NOOP("Step", "Local contrast"),
                                                          QT_TRANSLATE_NOOP("Step", "Fine detail"),
                                                          QT_TRANSLATE_NOOP("Step", "Haze"),
                                                          QT_TRANSLATE_NOOP("Step", "Edge darkening"),
                                                          QT_TRANSLATE_NOOP("Step", "Grain"),
                                                          QT_TRANSLATE_NOOP("Step", "Output sharpening"),
                                                          QT_TRANSLATE_NOOP("Step", "Tone curve"),
                                                          QT_TRANSLATE_NOOP("Step", "Split toning"),
                                                          QT_TRANSLATE_NOOP("Step", "Hue shifts"),
                                                          QT_TRANSLATE_NOOP("Step", "Lookup table"),
                                                          QT_TRANSLATE_NOOP("Step", "Warmth"),
                                                          QT_TRANSLATE_NOOP("Step", "Even towards"),
                                                          QT_TRANSLATE_NOOP("Step", "Glow")};
    return QCoreApplication::translate("Step", titleOf(step).c_str());
}

LooksInHand::LooksInHand(Document& document)
    : QObject(&document), m_document(document), m_pendingTimer(new QTimer(this))
{
    m_pendingTimer->setSingleShot(true);
    m_pendingTimer->setInterval(500);
    connect(m_pendingTimer, &QTimer::timeout, this, &LooksInHand::commitPending);
}

void LooksInHand::restore()
{
    const auto& looks = m_document.job().looks;
    m_lookId = looks.begin()->first;
    for (const LookId id : {m_document.desk().look, m_document.job().lookOf(m_document.selection().frameInHand())})
        if (looks.count(id) > 0)
            m_lookId = id;
    m_selected = std::max(0, m_document.desk().step);
    m_others.clear();
    reload();
}

void LooksInHand::follow(const Job& before)
{
    const auto& looks = m_document.job().looks;
    LookId changed = 0;
    for (const auto& [id, look] : looks)
        if (const auto old = before.looks.find(id); old == before.looks.end() || !(old->second == look))
            changed = id;
    const bool isGone = looks.count(m_lookId) == 0;
    if (changed == 0 && !isGone)
        return;
    m_lookId = changed != 0 ? changed : looks.begin()->first;
    // What frames without a look of their own have is not changed by a gesture on another one.
    if (!areSomeChosen() || looks.count(m_document.desk().look) == 0)
        m_document.changeDesk([&](Desk& desk) { desk.look = m_lookId; });
    reload();
}

void LooksInHand::announceSteps()
{
    emit stepsChanged();
    emit selectionChanged();
    emit lookChanged();
}

void LooksInHand::reload()
{
    m_pendingTimer->stop();
    m_pendingAction.clear();
    m_fault.clear();
    m_lastGood = 0;
    if (auto look = m_document.store().currentLook(m_lookId)) {
        m_look = m_committed = std::move(*look);
    } else {
        // Nothing of another look may stay on screen, and nothing may be written over what cannot be read.
        m_look = Look{};
        for (const LookEntry& entry : entries())
            if (entry.id == m_lookId)
                m_look.name = entry.name;
        m_committed = m_look;
        m_fault =
            tr("The look “%1” cannot be read: %2. It is left as it is, and its pictures are shown without a look.")
                .arg(text(m_look.name), text(look.error().message()));
        m_lastGood = m_document.store().lastGoodRevision(m_lookId).value_or(0);
    }
    m_selected = std::clamp(m_selected, 0, std::max(0, static_cast<int>(m_look.steps.size()) - 1));
    announceSteps();
    emit revisionsChanged();
    if (!m_fault.isEmpty())
        emit lookLocked();
}

bool LooksInHand::mayEdit()
{
    if (!m_document.isOpen())
        return false;
    if (m_fault.isEmpty())
        return true;
    emit m_document.failed(tr("%1 Nothing of it can be changed.").arg(m_fault));
    return false;
}

void LooksInHand::takeLastGood()
{
    const auto look =
        m_document.isOpen() && m_lastGood ? m_document.store().lookAt(m_lastGood) : fail("nothing to take");
    if (!look)
        return;
    if (m_document.check(m_document.store().commitLook(
            m_lookId, *look, tr("Earlier version taken: the one after it cannot be read").toStdString())))
        reload(), emit m_document.historyChanged();
}

std::vector<LookEntry> LooksInHand::entries() const
{
    return m_document.isOpen() ? m_document.store().looks() : std::vector<LookEntry>{};
}

void LooksInHand::choose(LookId id)
{
    if (!m_document.isOpen() || m_document.job().looks.count(id) == 0)
        return;
    const bool isOther = id != lookForAll();
    m_document.changeDesk([&](Desk& desk) { desk.look = id; });
    take(id);
    if (isOther)
        emit m_document.chosenLooksChanged();
}

void LooksInHand::take(LookId id)
{
    if (id == m_lookId || m_document.job().looks.count(id) == 0)
        return;
    commitAll();
    m_lookId = id;
    m_selected = 0;
    reload();
}

void LooksInHand::newLook()
{
    Look look;
    look.name = tr("New look").toStdString();
    addLook(look);
}

void LooksInHand::addLook(const Look& look, const QString& action)
{
    if (!m_document.isOpen())
        return;
    commitPending();
    const QString what = action.isEmpty() ? tr("Look made") : action;
    if (const auto id = m_document.store().addLook(look, what.toStdString())) {
        choose(*id);
        emit m_document.historyChanged();
    } else {
        emit m_document.failed(text(id.error().message()));
    }
}

Status LooksInHand::importLook(const std::filesystem::path& path)
{
    if (!m_document.isOpen())
        return fail(tr("no job is open").toStdString());
    const auto loaded = readLook(path);
    if (!loaded)
        return tl::make_unexpected(loaded.error());
    commitPending();
    for (const LookEntry& entry : entries())
        if (lookOfEntry(entry.id) == loaded->look) {
            choose(entry.id);
            return {};
        }
    const auto id = m_document.store().addLook(loaded->look, tr("Look brought in").toStdString());
    if (!id)
        return tl::make_unexpected(id.error());
    choose(*id);
    emit m_document.historyChanged();
    if (!loaded->warnings.empty())
        emit m_document.failed(text(loaded->warnings.front()));
    return {};
}

Status LooksInHand::exportLook(const QString& path) const
{
    return m_fault.isEmpty() ? writeLook(m_look, path.toStdString()) : fail(m_fault.toStdString());
}

void LooksInHand::rename(const QString& name)
{
    if (name.trimmed().isEmpty() || name.toStdString() == m_look.name || !mayEdit())
        return;
    m_look.name = name.trimmed().toStdString();
    commit(tr("Look renamed"));
    emit stepsChanged();
}

std::optional<Look> LooksInHand::lookOfEntry(std::int64_t id) const
{
    if (id == m_lookId)
        return m_fault.isEmpty() ? std::optional(m_look) : std::nullopt;
    const auto look = m_document.isOpen() ? m_document.store().currentLook(id) : fail("no job");
    return look ? std::optional(*look) : std::nullopt;
}

void LooksInHand::duplicate(LookId id)
{
    auto copy = lookOfEntry(id);
    if (!copy)
        return;
    copy->name = tr("%1, copy").arg(text(copy->name)).toStdString();
    addLook(*copy, tr("Look duplicated"));
}

void LooksInHand::setIntent(const QString& mood, const IntentCard& card)
{
    Look look = m_look;
    look.intent = mood.trimmed().toStdString();
    look.card = card;
    change(look);
    commit(tr("Intent"));
}

void LooksInHand::selectStep(int index)
{
    if (index == m_selected || index < 0 || index >= static_cast<int>(m_look.steps.size()))
        return;
    m_selected = index;
    m_document.changeDesk([&](Desk& desk) { desk.step = index; });
    emit selectionChanged();
}

const Step* LooksInHand::step() const
{
    if (m_selected >= static_cast<int>(m_look.steps.size()))
        return nullptr;
    const Step& shared = m_look.steps[static_cast<std::size_t>(m_selected)];
    if (shared.held.empty())
        return &shared;
    m_ownStep = stepFor(shared, pictureInHand());
    return &m_ownStep;
}

namespace {
template <std::size_t... I>
std::vector<StepParameters> everyKind(std::index_sequence<I...>)
{
    return {StepParameters(std::variant_alternative_t<I, StepKinds>{})...};
}
}  // namespace

std::vector<StepParameters> everyKindOfStep()
{
    return everyKind(std::make_index_sequence<std::variant_size_v<StepKinds> - 1>());
}

void LooksInHand::change(const Look& look)
{
    if (look == m_look || !mayEdit())
        return;
    m_look = look;
    emit lookChanged();
}

void LooksInHand::changeStep(int index, const StepParameters& parameters)
{
    Look look = m_look;
    Step& step = look.steps[static_cast<std::size_t>(index)];
    step = edited(step, pictureInHand(), parameters);
    if (const Status good = validate(look); !good)
        return;
    change(look);
}

void LooksInHand::changeShown(int index, const Step& shown)
{
    if (const Look look = withShown(index, shown); validate(look))
        change(look);
}

Look LooksInHand::withShown(int index, const Step& shown) const
{
    Look look = m_look;
    Step& step = look.steps.at(static_cast<std::size_t>(index));
    step = edited(step, pictureInHand(), shown);
    return look;
}

void LooksInHand::commit(const QString& action)
{
    m_pendingTimer->stop();
    m_pendingAction.clear();
    if (!m_document.isOpen() || m_look == m_committed)
        return;
    settle(m_document.store().commitLook(m_lookId, m_look, action.toStdString()));
    emit m_document.historyChanged();
}

void LooksInHand::settle(const Status& saved)
{
    if (saved)
        m_committed = m_look;
    else
        emit m_document.failed(
            tr("Not saved: %1. The change is still on screen and is saved with the next one, once there is room.")
                .arg(text(saved.error().message())));
    emit revisionsChanged();
}

void LooksInHand::commitWith(const Job& after, const QString& action)
{
    if (!m_document.isOpen() || after == m_document.job())
        return commit(action);
    m_pendingTimer->stop();
    m_pendingAction.clear();
    const Job before = m_document.job();
    const std::map<LookId, Look> looks =
        m_look == m_committed ? std::map<LookId, Look>{} : std::map{std::pair(m_lookId, m_look)};
    settle(m_document.store().commit(after, looks, action.toStdString()));
    m_document.announce(before);
}

void LooksInHand::commitSoon(const QString& action)
{
    m_pendingAction = action;
    m_pendingTimer->start();
}

void LooksInHand::commitPending()
{
    if (!m_pendingAction.isEmpty())
        commit(std::exchange(m_pendingAction, QString()));
}

void LooksInHand::commitAll()
{
    commitPending();
    commit(tr("Change"));
}

void LooksInHand::takeLook(const Look& look, const QString& action) { takeLook(look, m_document.job(), action); }

void LooksInHand::takeLook(const Look& look, const Job& after, const QString& action)
{
    if (!mayEdit())
        return;
    Job wanted = after;
    commitPending();
    wanted.looks = m_document.job().looks;
    m_look = look;
    m_selected = std::clamp(m_selected, 0, std::max(0, static_cast<int>(m_look.steps.size()) - 1));
    commitWith(wanted, action);
    announceSteps();
}

void LooksInHand::addStep(const StepParameters& parameters)
{
    if (m_look.steps.size() >= kStepLimit || !mayEdit())
        return;
    commitPending();
    const auto at = m_look.steps.empty() ? 0 : m_selected + 1;
    Step step;
    step.parameters = parameters;
    if (std::holds_alternative<EdgeDarkening>(parameters))
        step.perPicture.insert("existing");  // what each picture's lens left is its own
    m_look.steps.insert(m_look.steps.begin() + at, step);
    m_selected = at;
    commit(tr("%1 added").arg(stepTitle(step)));
    announceSteps();
}

void LooksInHand::removeStep(int index)
{
    if (index < 0 || index >= static_cast<int>(m_look.steps.size()))
        return;
    commitPending();
    const QString title = stepTitle(m_look.steps[static_cast<std::size_t>(index)]);
    m_look.steps.erase(m_look.steps.begin() + index);
    m_selected = std::clamp(m_selected - (index < m_selected ? 1 : 0), 0,
                            std::max(0, static_cast<int>(m_look.steps.size()) - 1));
    commit(tr("%1 removed").arg(title));
    announceSteps();
}

void LooksInHand::moveStep(int from, int to)
{
    const int count = static_cast<int>(m_look.steps.size());
    if (from == to || from < 0 || from >= count || to < 0 || to >= count)
        return;
    commitPending();
    const Step step = m_look.steps[static_cast<std::size_t>(from)];
    m_look.steps.erase(m_look.steps.begin() + from);
    m_look.steps.insert(m_look.steps.begin() + to, step);
    m_selected = to;
    commit(tr("%1 moved").arg(stepTitle(step)));
    announceSteps();
}

void LooksInHand::pin(const QString& note, int surround)
{
    if (!mayEdit())
        return;
    commitPending();
    commit(tr("Change"));
    m_document.check(m_document.store().pin(m_lookId, note.toStdString(), surround));
    emit revisionsChanged();
}

void LooksInHand::pinVariant(const Look& look, const QString& note)
{
    if (m_document.isOpen() && m_document.check(m_document.store().pinVariant(m_lookId, look, note.toStdString())))
        emit revisionsChanged();
}

std::vector<PinnedVersion> LooksInHand::pins() const
{
    return m_document.isOpen() ? m_document.store().pins(m_lookId).value_or(std::vector<PinnedVersion>{})
                               : std::vector<PinnedVersion>{};
}

int LooksInHand::surroundOf(RevisionId revision) const
{
    const auto all = pins();
    const auto found =
        std::find_if(all.begin(), all.end(), [&](const PinnedVersion& p) { return p.revision == revision; });
    return found == all.end() ? 0 : found->surround;
}

std::optional<Look> LooksInHand::lookAt(std::int64_t revision) const
{
    if (!m_document.isOpen())
        return std::nullopt;
    auto look = m_document.store().lookAt(revision);
    return look ? std::optional(*look) : std::nullopt;
}

}  // namespace amber
