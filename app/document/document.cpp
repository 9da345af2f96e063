#include "app/document/document.h"

#include "core/job/edits.h"

#include "app/task/task.h"
#include "core/job/bring_in.h"
#include "core/job/open_shoot.h"

#include <QCoreApplication>
#include <QFileInfo>
#include <QTimer>
#include <algorithm>
#include <set>
#include <utility>

namespace amber {
namespace fs = std::filesystem;

Document::Document(QObject* parent)
    : QObject(parent), m_balances(new Balances(*this)), m_looks(new LooksInHand(*this)),
      m_selection(new Selection(*this)), m_opening(new Task(this)), m_contentTimer(new QTimer(this))
{
    m_contentTimer->setSingleShot(true);
    m_contentTimer->setInterval(400);
    connect(m_contentTimer, &QTimer::timeout, this, &Document::flushContents);
}

Document::~Document()
{
    m_looks->commitPending();
    flushContents();
}

void Document::flushContents()
{
    if (m_store && !m_contents.empty())
        check(m_store->setFrameContents(m_contents));
    m_contents.clear();
}

const QStringList& Document::pictureEndings()
{
    static const QStringList kEndings = [] {
        QStringList patterns;
        for (const std::string& ending : amber::pictureEndings())
            patterns << QStringLiteral("*") + text(ending);
        return patterns;
    }();
    return kEndings;
}

void Document::takeFrames()
{
    m_frames = m_store->frames();
    for (Frame& frame : m_frames)
        if (frame.isLost)
            frame.fault = tr("The picture is not where it was: %1").arg(text(frame.path)).toStdString();
}

Status Document::addFrames(const std::vector<fs::path>& paths)
{
    if (!m_store)
        return fail(tr("no job is open").toStdString());
    if (auto added = m_store->addFrames(paths); !added)
        return added;
    const bool first = m_frames.empty();
    takeFrames();
    emit framesChanged();
    if (first && !m_frames.empty())
        m_selection->setFrameInHand(m_frames.front().id);
    return {};
}

Status Document::addHeldBack(const std::vector<fs::path>& unknown)
{
    m_heldBack.clear();
    return unknown.empty() ? Status{} : addFrames(unknown);
}

Status Document::moveFrames(const std::vector<std::pair<std::int64_t, fs::path>>& places)
{
    if (!m_store)
        return fail(tr("no job is open").toStdString());
    if (auto moved = m_store->moveFrames(places); !moved)
        return moved;
    takeFrames();
    for (const auto& [id, place] : places)
        emit frameFound(id);
    emit framesChanged();
    emit m_selection->companionsChanged();
    return {};
}

Status Document::settleChanged(bool areTheSame)
{
    if (!m_store || m_changed.empty())
        return {};
    const auto changed = std::exchange(m_changed, {});
    if (areTheSame) {
        std::vector<JobStore::Content> contents;
        for (const auto& [id, hash] : changed)
            if (const Frame* frame = this->frame(id)) {
                std::error_code error;
                const auto bytes = fs::file_size(frame->path, error);
                contents.push_back({id, hash, error ? 0 : bytes});
            }
        if (auto set = m_store->setFrameContents(contents); !set)
            return set;
        for (Frame& frame : m_frames)
            if (const auto found = changed.find(frame.id); found != changed.end())
                frame.hash = found->second;
        emit contentsChanged();
        return {};
    }
    std::vector<std::int64_t> lost;
    std::vector<fs::path> others;
    for (const auto& [id, hash] : changed)
        if (const Frame* frame = this->frame(id))
            lost.push_back(id), others.push_back(frame->path);
    if (auto gone = m_store->loseFrames(lost); !gone)
        return gone;
    const Status added = addFrames(others);
    for (const std::int64_t id : lost)
        emit frameFound(id);
    emit contentsChanged();
    emit m_selection->companionsChanged();
    return added;
}

void Document::tellAll()
{
    emit framesChanged();
    emit keyColoursChanged();
    emit keyPlacesChanged();
    emit lightsChanged();
    emit ratingsChanged();
    emit doneChanged();
    emit historyChanged();
    m_looks->restore();
}

void Document::open(const std::vector<fs::path>& paths)
{
    if (m_opening->isRunning()) {
        // What was wished for last counts.
        m_opening->cancel();
        disconnect(m_openingNext);
        m_openingNext = connect(
            m_opening, &Task::ended, this, [this, paths] { open(paths); }, Qt::SingleShotConnection);
        return;
    }
    const auto shoot = std::make_shared<Result<OpenedShoot>>();
    const auto work = [shoot, paths, openAlready = m_store ? OpenAlready{m_store->file(), m_frames} : OpenAlready{},
                       name = nameOfFirstLook()](const Task::Progress&, const CancelToken&) {
        *shoot = openShoot(paths, openAlready, name);
    };
    m_opening->start(work, [this, shoot](bool isCancelled) {
        // A job that is not taken is let go at once: it may be the very one that is opened next.
        Result<OpenedShoot> opened = std::exchange(*shoot, {});
        if (isCancelled)
            return;
        const Status taken = opened ? take(std::move(*opened)) : tl::make_unexpected(opened.error());
        if (!taken)
            emit notOpened(text(taken.error().message()));
    });
}

std::string Document::nameOfFirstLook() { return tr("New look").toStdString(); }

Status Document::take(OpenedShoot&& shoot)
{
    // What belongs to the job before is let go while that job is still whole.
    emit settling();
    m_looks->commitPending();
    if (!shoot.store) {
        m_store->lookAgainFor(shoot.gone);
        auto held = takeIn(*m_store, shoot.pictures, nameOfFirstLook());
        if (!held)
            return tl::make_unexpected(held.error());
        shoot.heldBack = std::move(*held);
    }
    flushContents();
    emit leaving();
    if (shoot.store)
        m_store.emplace(std::move(*shoot.store));
    m_folder = text(shoot.folder);
    takeFrames();
    m_heldBack = std::move(shoot.heldBack);
    m_changed.clear();
    writeNotice(shoot.liesElsewhere, shoot.jobsInFolder);
    m_balances->dropPreviews();
    m_selection->reload();
    emit opened();
    tellAll();
    return {};
}

namespace {

QString unreadableWords(const Document& document, const Unreadable& u)
{
    const Frame* frame = u.part == "balance" ? document.frame(std::atoll(u.subject.c_str())) : nullptr;
    if (frame)
        return Document::tr("The balance of %1 cannot be read, and it is not handed over before it is balanced again. "
                            "It is left as it is in the job.")
            .arg(titleOf(*frame));
    const std::pair<const char*, QString> kParts[] = {
        {"lights", Document::tr("The light groups cannot be read")},
        {"ratings", Document::tr("The ratings and ticks cannot be read")},
        {"framing", Document::tr("The crops and regions left out cannot be read")},
        {"key-colours", Document::tr("The key colours cannot be read")},
        {"key-place", Document::tr("The places of key colours cannot be read")},
        {"area", Document::tr("An area of a frame cannot be read")},
        {"response", Document::tr("The responses of cameras cannot be read")},
        {"merged-from", Document::tr("What frames were merged of cannot be read")},
        {"time plan", Document::tr("The time plan and the times spent cannot be read")},
        {"history", Document::tr("A part of the history of balances cannot be read")}};
    for (const auto& [part, words] : kParts)
        if (u.part == part)
            return Document::tr("%1. They are left as they are in the job.").arg(words);
    return Document::tr("Something in the job cannot be read (%1). It is left as it is.").arg(text(u.part));
}

}  // namespace

void Document::writeNotice(bool liesElsewhere, std::size_t jobs)
{
    if (m_store->notKept() == JobStore::NotKept::OpenElsewhere) {
        m_notice = tr("This job is open in another window. Here you can look and try, but nothing is kept.");
        return;
    }
    if (m_store->notKept() == JobStore::NotKept::CannotBeWritten) {
        m_notice = tr("This job lies where nothing can be written. You can look and try, but nothing is kept. Copy its "
                      "folder to a disk of your own to work on it.");
        return;
    }
    QStringList words;
    if (jobs > 1)
        words << tr("%1 jobs lie in this folder; this is %2.").arg(jobs).arg(text(m_store->file().filename()));
    if (liesElsewhere)
        words << tr("Nothing can be written into this folder: its job is kept in %1.").arg(text(m_store->file()));
    for (const Unreadable& u : m_store->unreadable())
        words << unreadableWords(*this, u);
    words.removeDuplicates();
    m_notice = words.join(QLatin1Char('\n'));
}

std::string Document::keptPlace(const QString& place) const
{
    return m_store && !place.isEmpty() ? m_store->keptPlace(place.toStdString()) : place.toStdString();
}
QString Document::placeOf(const std::string& kept) const { return m_store ? text(m_store->placeOf(kept)) : text(kept); }

QString Document::title() const { return m_store ? QFileInfo(m_folder).fileName() : QString(); }

const Frame* Document::frame(std::int64_t id) const { return frameOf(m_frames, id); }

bool Document::check(const Status& status)
{
    if (!status)
        emit failed(text(status.error().message()));
    return status.has_value();
}

void Document::setFrameContent(std::int64_t id, const std::string& hash, std::uintmax_t bytes)
{
    // Of a picture that stands for another it is known; and what was read may be of the one before.
    const auto stands = m_store ? m_store->standIns() : std::vector<StandInFile>{};
    if (std::any_of(stands.begin(), stands.end(), [&](const StandInFile& in) { return in.frame == id; }))
        return;
    for (Frame& f : m_frames) {
        if (f.id != id || f.isLost || hash.empty() || (f.hash == hash && f.bytes == bytes))
            continue;
        if (!f.hash.empty() && f.hash != hash) {
            m_changed[id] = hash;
            emit contentsChanged();
            continue;
        }
        f.hash = hash, f.bytes = bytes;
        m_contents.push_back({id, hash, bytes});
        m_contentTimer->start();
    }
}

void Document::setFrameFault(std::int64_t id, const QString& fault)
{
    for (Frame& f : m_frames)
        if (f.id == id && !f.isLost && text(f.fault) != fault) {
            f.fault = fault.toStdString();
            check(m_store->setFrameFault(id, f.fault));
            emit framesChanged();
        }
}

void Document::setCards(const FoundCards& cards)
{
    if (!m_store || cards.empty())
        return;
    check(m_store->setCards(cards));
    for (Frame& frame : m_frames)
        if (const auto found = cards.find(frame.id); found != cards.end()) {
            const bool isNew = frame.card != found->second;
            frame.cardSought = true, frame.card = found->second;
            if (isNew)
                emit framingChanged(frame.id);
        }
}

std::vector<fs::path> Document::cardFolders() const
{
    return m_store ? cardFoldersOf(m_store->file(), m_frames) : std::vector<fs::path>{};
}

std::shared_ptr<const FrameAreas> Document::areasFor(const Look& look, FrameId id, const FrameBalance& balance,
                                                     double sourceRatio) const
{
    auto areas = std::make_shared<FrameAreas>(FrameAreas{{}, balance, sourceRatio});
    for (const std::string& role : rolesInUse(lookFor(look, job().pictureName(id))))
        if (const Area* area = job().areaOf(id, role))
            areas->byRole[role] = *area;
    return areas->byRole.empty() ? nullptr : areas;
}

std::shared_ptr<const FrameAreas> Document::areasOf(FrameId id, double sourceRatio) const
{
    auto areas = job().areasOf(id);
    return areas.empty()
               ? nullptr
               : std::make_shared<const FrameAreas>(FrameAreas{std::move(areas), m_balances->of(id), sourceRatio});
}

Framing Document::countedFraming(FrameId id) const
{
    const Frame* of = frame(id);
    return of ? amber::countedFraming(job(), *of) : Framing{};
}

JobBatch Document::batchOf(const std::vector<FrameId>& frames, const CardRule& cards) const
{
    return amber::batchOf(
        job(), m_frames, frames, [this](LookId id) { return m_looks->read(id); }, cards);
}

const Job& Document::job() const
{
    static const Job nothing;
    return m_store ? m_store->job() : nothing;
}

const Desk& Document::desk() const
{
    static const Desk nothing;
    return m_store ? m_store->desk() : nothing;
}

void Document::changeDesk(const std::function<void(Desk&)>& change)
{
    if (!m_store)
        return;
    Desk desk = m_store->desk();
    change(desk);
    check(m_store->setDesk(desk));
}

bool Document::commit(const Job& after, const QString& action, const QString& reason)
{
    if (!m_store)
        return false;
    m_looks->commitPending();
    const Job before = job();
    const bool isKept = check(m_store->commit(after, action.toStdString(), reason.toStdString()));
    announce(before);
    return isKept;
}

bool Document::commitLook(LookId id, const Look& look, const QString& action)
{
    if (!m_store)
        return false;
    m_looks->commitPending();
    const Job before = job();
    const bool isKept = check(m_store->commit(before, {{id, look}}, action.toStdString()));
    if (id == m_looks->lookId())
        m_looks->follow(before);
    announce(before);
    return isKept;
}

void Document::adopt(const Job& after)
{
    if (!m_store)
        return;
    const Job before = job();
    check(m_store->adopt(after));
    announce(before);
}

void Document::setRating(const std::vector<FrameId>& frames, int rating)
{
    Job after = job();
    for (const FrameId id : frames)
        if (frame(id))
            after.frames[id].rating = std::clamp(rating, 0, 5);
    commit(after, rating > 0 ? tr("Rated %1").arg(rating) : tr("Rating taken off"));
}

void Document::setFraming(FrameId frame, const Framing& framing)
{
    Job after = job();
    after.frames[frame].framing = framing;
    commit(after, framing.isWhole() ? tr("The whole frame counts") : tr("What of the frame counts"));
}

void Document::setKeyColours(const std::vector<KeyColour>& keys, const QString& action)
{
    Job after = job();
    after.keys = keys;
    commit(after, action);
}

void Document::setLights(const std::vector<Light>& lights, const QString& action)
{
    Job after = job();
    after.lights = lights;
    std::erase_if(after.lights, [](const Light& light) { return light.frames.empty(); });
    commit(after, action);
}

void Document::chooseLook(const std::vector<FrameId>& frames, LookId look)
{
    const auto chosen = job().looks.find(look);
    commit(withLook(job(), frames, look),
           chosen == job().looks.end()
               ? tr("No look of their own for %n frame(s)", nullptr, static_cast<int>(frames.size()))
               : tr("%1 for %n frame(s)", nullptr, static_cast<int>(frames.size())).arg(text(chosen->second.name)));
}

void Document::chooseLookOfLight(int light, LookId look)
{
    const auto chosen = job().looks.find(look);
    const QString name = text(job().lights.at(static_cast<std::size_t>(light)).name);
    commit(withLightLook(job(), light, look), chosen == job().looks.end()
                                                  ? tr("No look of its own for light %1").arg(name)
                                                  : tr("%1 for light %2").arg(text(chosen->second.name), name));
}

QString Document::undoAction() const { return m_store ? text(m_store->undoAction().value_or("")) : QString(); }
QString Document::redoAction() const { return m_store ? text(m_store->redoAction().value_or("")) : QString(); }
void Document::undo() { walk(true); }
void Document::redo() { walk(false); }

void Document::walk(bool isUndo)
{
    if (!m_store)
        return;
    // What is on screen only is a gesture now: it is taken back first, and there is nothing after it to do again.
    emit settling();
    m_looks->commitAll();
    const Job before = job();
    check(isUndo ? m_store->undo() : m_store->redo());
    m_looks->follow(before);
    announce(before);
    show(before);
}

void Document::show(const Job& before)
{
    std::set<FrameId> touched;
    for (const Job* job : {&before, &this->job()})
        for (const auto& [id, state] : job->frames)
            if (!(before.frame(id) == this->job().frame(id)))
                touched.insert(id);
    for (const Job* job : {&before, &this->job()})
        for (const auto& [id, area] : job->areas) {
            const Area *was = before.areaOf(id.first, id.second), *is = this->job().areaOf(id.first, id.second);
            if (!was || !is || !(*was == *is))
                touched.insert(id.first);
        }
    if (touched.size() == 1)
        m_selection->setFrameInHand(*touched.begin());
}

/// The look of the frame in hand, and whose values are whose.
void Document::followLooks(const Job& before)
{
    const Job& now = job();
    const FrameId inHand = m_selection->frameInHand();
    if (before.lookOf(inHand) != now.lookOf(inHand))
        m_looks->followFrame();
    else if (before.sets != now.sets || before.lights != now.lights)
        emit m_looks->lookChanged();  // other values may be whose they are
}

bool Document::keep(const std::function<Status(JobStore&)>& facts)
{
    if (!m_store || !check(facts(*m_store)))
        return false;
    emit recordsChanged();
    return true;
}

void Document::followStandIns(const Job& before)
{
    std::vector<FrameId> others;
    for (const Frame& frame : m_store->frames())
        if (before.frame(frame.id).standIn != job().frame(frame.id).standIn)
            others.push_back(frame.id);
    if (others.empty())
        return;
    takeFrames();
    for (const FrameId id : others)
        emit frameFound(id);
    emit framesChanged();
    emit chosenLooksChanged();
}

void Document::announce(const Job& before)
{
    const Job& now = job();
    followStandIns(before);
    std::set<FrameId> ids;
    for (const Job* job : {&before, &now})
        for (const auto& [id, state] : job->frames)
            ids.insert(id);
    bool ratings = false, done = false, used = false, looks = before.lights != now.lights,
         balances = before.responses != now.responses;
    for (const FrameId id : ids) {
        const FrameState &was = before.frame(id), &is = now.frame(id);
        ratings = ratings || was.rating != is.rating;
        done = done || was.isDone != is.isDone, used = used || was.isUnused != is.isUnused;
        looks = looks || was.look != is.look;
        if (!(was.framing == is.framing))
            emit framingChanged(id);
        if (!(was.balance == is.balance) || was.balanceFault != is.balanceFault)
            balances = true, emit m_balances->changed(id);
    }
    const std::pair<bool, void (Document::*)()> kParts[] = {
        {ratings, &Document::ratingsChanged},
        {done, &Document::doneChanged},
        {used, &Document::usedChanged},
        {balances, &Document::balancesChanged},
        {before.lights != now.lights, &Document::lightsChanged},
        {before.lights != now.lights || before.sets != now.sets, &Document::setsChanged},
        {looks, &Document::chosenLooksChanged},
        {before.keys != now.keys, &Document::keyColoursChanged},
        {before.keyPlaces != now.keyPlaces, &Document::keyPlacesChanged},
        {before.areas != now.areas, &Document::areasChanged},
        {before.uses != now.uses, &Document::checkUsesChanged},
        {before.accepted != now.accepted, &Document::acceptedChanged},
        {before.pins != now.pins, &Document::pinsChanged}};
    for (const auto& [isChanged, signal] : kParts)
        if (isChanged)
            emit(this->*signal)();
    followLooks(before);
    emit historyChanged();
}

}  // namespace amber
