#include "app/document/document.h"

#include "core/job/bring_in.h"
#include "core/job/find_frames.h"
#include "core/look/look_json.h"

#include <QCoreApplication>
#include <QDateTime>
#include <QFileInfo>
#include <QTimer>
#include <algorithm>
#include <utility>

namespace amber {
namespace fs = std::filesystem;

QString text(const std::string& s) { return QString::fromStdString(s); }
QString text(const fs::path& p) { return QString::fromStdString(p.string()); }

QString oneLine(QString words)
{
    constexpr ushort kControlPictures = 0x2400;
    for (QChar& c : words)
        if (c.unicode() < 0x20)
            c = QChar(ushort(kControlPictures + c.unicode()));
    return words;
}

QString titleOf(const Frame& frame) { return oneLine(text(frame.path.stem())); }

QString stepTitle(const Step& step)
{
    // The names of core, listed here so that translators find them.
    [[maybe_unused]] static const char* const kNames[] = {
        QT_TRANSLATE_NOOP("Step", "Contrast"),       QT_TRANSLATE_NOOP("Step", "Tone bands"),
        QT_TRANSLATE_NOOP("Step", "Ends"),           QT_TRANSLATE_NOOP("Step", "Chroma"),
        QT_TRANSLATE_NOOP("Step", "Primaries"),      QT_TRANSLATE_NOOP("Step", "Wash"),
        QT_TRANSLATE_NOOP("Step", "Local contrast"), QT_TRANSLATE_NOOP("Step", "Fine detail"),
        QT_TRANSLATE_NOOP("Step", "Haze"),           QT_TRANSLATE_NOOP("Step", "Edge darkening"),
        QT_TRANSLATE_NOOP("Step", "Grain"),          QT_TRANSLATE_NOOP("Step", "Output sharpening"),
        QT_TRANSLATE_NOOP("Step", "Tone curve"),     QT_TRANSLATE_NOOP("Step", "Split toning"),
        QT_TRANSLATE_NOOP("Step", "Hue shifts"),     QT_TRANSLATE_NOOP("Step", "Lookup table")};
    return QCoreApplication::translate("Step", titleOf(step).c_str());
}

QString keyColourTitle(const KeyColour& key)
{
    switch (key.kind) {
    case KeyColour::Kind::Neutral:
        return QCoreApplication::translate("KeyColour", "neutral");
    case KeyColour::Kind::Deepest:
        return QCoreApplication::translate("KeyColour", "deepest dark");
    case KeyColour::Kind::Brightest:
        return QCoreApplication::translate("KeyColour", "brightest area");
    case KeyColour::Kind::Marked:
        break;
    }
    return text(key.name);
}

Document::Document(QObject* parent)
    : QObject(parent), m_balances(new BalanceBook(*this)), m_pendingTimer(new QTimer(this)),
      m_contentTimer(new QTimer(this))
{
    m_pendingTimer->setSingleShot(true);
    m_pendingTimer->setInterval(500);
    connect(m_pendingTimer, &QTimer::timeout, this, &Document::commitPending);
    m_contentTimer->setSingleShot(true);
    m_contentTimer->setInterval(400);
    connect(m_contentTimer, &QTimer::timeout, this, &Document::flushContents);
}

Document::~Document()
{
    commitPending();
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

Status Document::readFrames()
{
    auto frames = m_store->frames();
    if (!frames)
        return tl::make_unexpected(frames.error());
    m_frames = std::move(*frames);
    for (Frame& frame : m_frames)
        if (frame.isLost)
            frame.fault = tr("The picture is not where it was: %1").arg(text(frame.path)).toStdString();
    return {};
}

Status Document::addFrames(const std::vector<fs::path>& paths)
{
    if (!m_store)
        return fail(tr("no job is open").toStdString());
    if (auto added = m_store->addFrames(paths); !added)
        return added;
    const bool first = m_frames.empty();
    if (auto read = readFrames(); !read)
        return read;
    emit framesChanged();
    if (first && !m_frames.empty())
        setFrameInHand(m_frames.front().id);
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
    if (auto read = readFrames(); !read)
        return read;
    for (const auto& [id, place] : places)
        emit frameFound(id);
    emit framesChanged();
    emit companionsChanged();
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
    emit companionsChanged();
    return added;
}

Status Document::open(const QStringList& names)
{
    std::vector<fs::path> paths;
    for (const QString& name : names)
        paths.emplace_back(name.toStdString());
    return openPaths(paths);
}

Status Document::openPaths(const std::vector<fs::path>& paths)
{
    if (paths.empty())
        return fail(tr("nothing to open").toStdString());
    std::error_code error;
    const fs::path first = (fs::absolute(paths.front()) / "").lexically_normal().parent_path();
    const fs::file_status kind = fs::status(first, error);
    if (!fs::exists(kind))
        return fail(kind.type() == fs::file_type::not_found
                        ? tr("no such file or folder").toStdString()
                        : tr("cannot be opened: %1").arg(text(error.message())).toStdString(),
                    first.string());
    const fs::path folder = fs::is_directory(kind) ? first : first.parent_path();
    const bool isJob = !fs::is_directory(kind) && first.extension() == ".amberjob";
    std::vector<fs::path> pictures;
    for (const fs::path& path : isJob ? std::vector<fs::path>{} : paths) {
        if (!fs::is_directory(path, error)) {
            pictures.push_back(fs::absolute(path).lexically_normal());
            continue;
        }
        const auto inside = picturesIn(fs::absolute(path).lexically_normal(), amber::pictureEndings());
        if (!inside)
            return tl::make_unexpected(inside.error());
        pictures.insert(pictures.end(), inside->begin(), inside->end());
    }
    const auto jobs = isJob ? std::vector<fs::path>{} : JobStore::jobsInFolder(folder);
    const fs::path file = isJob ? first : JobStore::fileForFolder(folder);
    if (pictures.empty() && !fs::exists(file, error))
        return fail(tr("no pictures in this folder (JPEG, PNG, TIFF, WebP or raw)").toStdString(), first.string());
    commitPending();
    // The job that is open already is not opened a second time: it would find itself locked.
    const bool same = m_store && m_store->file() == file;
    std::optional<JobStore> other;
    if (!same) {
        auto opened = JobStore::open(file);
        if (!opened)
            return tl::make_unexpected(opened.error());
        other.emplace(std::move(*opened));
    }
    JobStore& store = same ? *m_store : *other;
    const auto before = store.frames();
    if (!before)
        return tl::make_unexpected(before.error());
    std::vector<fs::path> held;
    for (const fs::path& picture : pictures)
        if (std::none_of(before->begin(), before->end(), [&](const Frame& f) { return f.path == picture; }) &&
            std::any_of(before->begin(), before->end(), [&](const Frame& f) { return mayBe(f, picture); }))
            held.push_back(picture);
    std::erase_if(pictures, [&](const fs::path& p) { return std::find(held.begin(), held.end(), p) != held.end(); });
    if (auto added = store.addFrames(pictures); !added)
        return added;
    auto frames = store.frames();
    if (!frames)
        return tl::make_unexpected(frames.error());
    if (const auto looks = store.looks(); !looks) {
        return tl::make_unexpected(looks.error());
    } else if (looks->empty()) {
        Look look;
        look.name = tr("New look").toStdString();
        if (const auto added = store.addLook(look); !added)
            return tl::make_unexpected(added.error());
    }
    // What belongs to the job before is let go while that job is still whole.
    flushContents();
    emit opening();
    if (other)
        m_store.emplace(std::move(*other));
    m_folder = text(folder);
    (void)readFrames();
    m_heldBack = std::move(held);
    m_changed.clear();
    m_notice.clear();
    restoreChoices();
    m_balances->reload();
    if (!isJob && jobs.empty() && file.parent_path() != folder)
        m_notice = tr("Nothing can be written into this folder: its job is kept in %1.").arg(text(file)) +
                   (m_notice.isEmpty() ? QString() : QStringLiteral("\n")) + m_notice;
    if (jobs.size() > 1)
        m_notice = tr("%1 jobs lie in this folder; this is %2.").arg(jobs.size()).arg(text(file.filename())) +
                   (m_notice.isEmpty() ? QString() : QStringLiteral("\n")) + m_notice;
    if (m_store->notKept() == JobStore::NotKept::OpenElsewhere)
        m_notice = tr("This job is open in another window. Here you can look and try, but nothing is kept.");
    else if (m_store->notKept() == JobStore::NotKept::CannotBeWritten)
        m_notice = tr("This job lies where nothing can be written. You can look and try, but nothing is kept. Copy its "
                      "folder to a disk of your own to work on it.");
    emit opened();
    emit framesChanged();
    emit keyColoursChanged();
    emit groupsChanged();
    emit ratingsChanged();
    emit asideChanged();
    reload();
    return {};
}

void Document::noteUnreadable(const std::string& name, const Error& error)
{
    m_unreadable.insert(name);
    const QString words = tr("%1. It is left as it is in the job (%2).").arg(text(error.message()), text(name));
    m_notice += (m_notice.isEmpty() ? QString() : QStringLiteral("\n")) + words;
}

std::string Document::keptPlace(const QString& place) const
{
    return m_store && !place.isEmpty() ? m_store->keptPlace(place.toStdString()) : place.toStdString();
}
QString Document::placeOf(const std::string& kept) const { return m_store ? text(m_store->placeOf(kept)) : text(kept); }

void Document::restoreChoices()
{
    const auto known = [&](std::int64_t id) { return frame(id) != nullptr; };
    m_frameInHand = std::atoll(m_store->choice("frame").c_str());
    if (!known(m_frameInHand))
        m_frameInHand = m_frames.empty() ? 0 : m_frames.front().id;
    m_companions.clear();
    const QStringList chosen = text(m_store->choice("companions")).split(',', Qt::SkipEmptyParts);
    for (const QString& id : chosen)
        if (known(id.toLongLong()) && m_companions.size() < kCompanionLimit)
            m_companions.push_back(id.toLongLong());
    if (m_companions.empty() && m_store->choice("companions").empty() &&
        !m_frames.empty())  // a first visit: frames spread over the shoot
        for (std::size_t i = 1; i <= 4; ++i)
            if (const auto& spread = m_frames[std::min(m_frames.size() - 1, m_frames.size() * i / 5)];
                spread.id != m_frameInHand &&
                std::find(m_companions.begin(), m_companions.end(), spread.id) == m_companions.end())
                m_companions.push_back(spread.id);
    m_lookId = std::atoll(m_store->choice("look").c_str());
    const auto entries = m_store->looks().value_or(std::vector<LookEntry>{});
    const bool found =
        std::any_of(entries.begin(), entries.end(), [&](const LookEntry& e) { return e.id == m_lookId; });
    if (!found && !entries.empty())
        m_lookId = entries.front().id;
    m_selected = std::max(0, std::atoi(m_store->choice("step").c_str()));
    m_unreadable.clear();
    m_keys.clear();
    if (auto keys = keyColoursFromText(m_store->choice("keyColours")))
        m_keys = std::move(*keys);
    else
        noteUnreadable("keyColours", keys.error());
    m_framings.clear();
    for (const Frame& frame : m_frames) {
        const std::string name = "framing/" + std::to_string(frame.id);
        if (auto framing = framingFromText(m_store->choice(name)))
            m_framings[frame.id] = std::move(*framing);
        else
            noteUnreadable(name, framing.error());
    }
    m_groups.clear();
    m_ratings.clear();
    const auto read = [&](const char* name, const QString& words, auto&& take) {
        const std::string kept = m_store->choice(name);
        if (kept.empty())
            return;
        try {
            take(Json::parse(kept));
        } catch (const Json::exception& error) {
            noteUnreadable(name, Error{words.toStdString(), {}, {}, error.what()});
        }
    };
    read("groups", tr("The light groups cannot be read"), [&](const Json& list) {
        for (const Json& entry : list)
            m_groups.push_back({entry.at("name").get<std::string>(), entry.at("lead").get<std::int64_t>(),
                                entry.at("frames").get<std::vector<std::int64_t>>()});
    });
    read("ratings", tr("The ratings cannot be read"), [&](const Json& all) {
        for (const auto& [id, stars] : all.items())
            m_ratings[std::atoll(id.c_str())] = std::clamp(stars.get<int>(), 0, 5);
    });
}

void Document::setKeyColours(const std::vector<KeyColour>& keys)
{
    if (!m_store || keys == m_keys)
        return;
    m_keys = keys;
    setChoice("keyColours", keyColoursToText(keys));
    emit keyColoursChanged();
}

void Document::setGroups(const std::vector<Group>& groups)
{
    if (!m_store || groups == m_groups)
        return;
    m_groups = groups;
    std::erase_if(m_groups, [](const Group& g) { return g.frames.empty(); });
    Json list = Json::array();
    for (const Group& g : m_groups)
        list.push_back({{"name", g.name}, {"lead", g.lead}, {"frames", g.frames}});
    setChoice("groups", jsonText(list));
    emit groupsChanged();
}

int Document::groupOf(std::int64_t frame) const
{
    const auto found = std::find_if(m_groups.begin(), m_groups.end(), [&](const Group& g) {
        return std::find(g.frames.begin(), g.frames.end(), frame) != g.frames.end();
    });
    return found == m_groups.end() ? -1 : static_cast<int>(found - m_groups.begin());
}

int Document::rating(std::int64_t frame) const
{
    const auto found = m_ratings.find(frame);
    return found == m_ratings.end() ? 0 : found->second;
}

void Document::setRating(std::int64_t frame, int rating)
{
    if (!this->frame(frame) || this->rating(frame) == rating)
        return;
    m_ratings[frame] = std::clamp(rating, 0, 5);
    Json all = Json::object();
    for (const auto& [id, stars] : m_ratings)
        if (stars > 0)
            all[std::to_string(id)] = stars;
    setChoice("ratings", jsonText(all));
    emit ratingsChanged();
}

Framing Document::framing(std::int64_t frame) const
{
    const auto known = m_framings.find(frame);
    return known != m_framings.end() ? known->second : Framing{};
}

void Document::setFraming(std::int64_t frame, const Framing& framing)
{
    if (framing == this->framing(frame))
        return;
    m_framings[frame] = framing;
    setChoice("framing/" + std::to_string(frame), framing.isWhole() ? std::string() : framingToText(framing));
    emit framingChanged(frame);
}

std::vector<Document::Aside> Document::aside() const
{
    std::vector<Aside> all;
    const QStringList entries = text(choice("aside")).split(';', Qt::SkipEmptyParts);
    for (const QString& entry : entries) {
        const QStringList parts = entry.split(' ');
        if (parts.size() == 4 && frame(parts[0].toLongLong()))
            all.push_back({parts[0].toLongLong(), parts[1].toLongLong(), parts[2].toLongLong(), parts[3].toLongLong()});
    }
    return all;
}

namespace {
std::string asideText(const std::vector<Document::Aside>& all)
{
    QString text;
    for (const Document::Aside& a : all)
        text += QStringLiteral("%1 %2 %3 %4;").arg(a.frame).arg(a.look).arg(a.revision).arg(a.leftAt);
    return text.toStdString();
}
}  // namespace

void Document::putAside()
{
    if (!m_store || !frame(m_frameInHand))
        return;
    commitPending();
    auto all = aside();
    std::erase_if(all, [&](const Aside& a) { return a.frame == m_frameInHand; });
    all.push_back(
        {m_frameInHand, m_lookId, m_store->currentRevision(m_lookId).value_or(0), QDateTime::currentSecsSinceEpoch()});
    setChoice("aside", asideText(all));
    emit asideChanged();
}

std::optional<Document::Aside> Document::takeSecondLook()
{
    auto all = aside();
    if (all.empty())
        return std::nullopt;
    const Aside first = all.front();
    all.erase(all.begin());
    setChoice("aside", asideText(all));
    chooseLook(first.look);
    setFrameInHand(first.frame);
    emit asideChanged();
    return first;
}

QString Document::title() const { return m_store ? QFileInfo(m_folder).fileName() : QString(); }

const Frame* Document::frame(std::int64_t id) const
{
    const auto found = std::find_if(m_frames.begin(), m_frames.end(), [&](const Frame& f) { return f.id == id; });
    return found == m_frames.end() ? nullptr : &*found;
}

bool Document::check(const Status& status)
{
    if (!status)
        emit failed(text(status.error().message()));
    return status.has_value();
}

void Document::announceSteps()
{
    emit stepsChanged();
    emit selectionChanged();
    emit lookChanged();
}

void Document::reload()
{
    m_pendingTimer->stop();
    m_pendingAction.clear();
    m_lookFault.clear();
    m_lastGood = 0;
    if (auto look = m_store->currentLook(m_lookId)) {
        m_look = m_committed = std::move(*look);
    } else {
        // Nothing of another look may stay on screen, and nothing may be written over what cannot be read.
        m_look = Look{};
        for (const LookEntry& entry : looks())
            if (entry.id == m_lookId)
                m_look.name = entry.name;
        m_committed = m_look;
        m_lookFault =
            tr("The look “%1” cannot be read: %2. It is left as it is, and its pictures are shown without a look.")
                .arg(text(m_look.name), text(look.error().message()));
        m_lastGood = m_store->lastGoodRevision(m_lookId).value_or(0);
    }
    m_selected = std::clamp(m_selected, 0, std::max(0, static_cast<int>(m_look.steps.size()) - 1));
    announceSteps();
    emit revisionsChanged();
    if (!m_lookFault.isEmpty())
        emit lookLocked();
}

bool Document::mayEdit()
{
    if (!m_store)
        return false;
    if (m_lookFault.isEmpty())
        return true;
    emit failed(tr("%1 Nothing of it can be changed.").arg(m_lookFault));
    return false;
}

void Document::takeLastGood()
{
    const auto look = m_store && m_lastGood ? m_store->lookAt(m_lastGood) : fail("nothing to take");
    if (!look)
        return;
    if (check(m_store->commit(m_lookId, *look,
                              tr("Earlier version taken: the one after it cannot be read").toStdString())))
        reload();
}

void Document::setFrameInHand(std::int64_t id)
{
    if (!frame(id) || id == m_frameInHand)
        return;
    m_frameInHand = id;
    setChoice("frame", std::to_string(id));
    emit frameChosen();
}

bool Document::toggleCompanion(std::int64_t id)
{
    const auto found = std::find(m_companions.begin(), m_companions.end(), id);
    if (found != m_companions.end())
        m_companions.erase(found);
    else if (m_companions.size() >= kCompanionLimit)
        return false;
    else
        m_companions.push_back(id);
    setCompanions(std::vector<std::int64_t>(m_companions));
    return true;
}

void Document::setCompanions(const std::vector<std::int64_t>& chosen)
{
    m_companions = chosen;
    QStringList ids;
    for (std::int64_t c : m_companions)
        ids << QString::number(c);
    setChoice("companions", m_companions.empty() ? "none" : ids.join(',').toStdString());
    emit companionsChanged();
}

void Document::setFrameContent(std::int64_t id, const std::string& hash, std::uintmax_t bytes)
{
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

std::vector<LookEntry> Document::looks() const
{
    return m_store ? m_store->looks().value_or(std::vector<LookEntry>{}) : std::vector<LookEntry>{};
}

void Document::chooseLook(std::int64_t id)
{
    if (id == m_lookId || !m_store)
        return;
    commitPending();
    m_lookId = id;
    m_selected = 0;
    setChoice("look", std::to_string(id));
    reload();
}

void Document::newLook()
{
    Look look;
    look.name = tr("New look").toStdString();
    addLook(look);
}

void Document::addLook(const Look& look)
{
    if (!m_store)
        return;
    commitPending();
    if (const auto id = m_store->addLook(look))
        chooseLook(*id);
    else
        emit failed(text(id.error().message()));
}

Status Document::importLook(const QString& path)
{
    if (!m_store)
        return fail(tr("no job is open").toStdString());
    const auto loaded = readLook(path.toStdString());
    if (!loaded)
        return tl::make_unexpected(loaded.error());
    commitPending();
    const auto id = m_store->addLook(loaded->look);
    if (!id)
        return tl::make_unexpected(id.error());
    chooseLook(*id);
    if (!loaded->warnings.empty())
        emit failed(text(loaded->warnings.front()));
    return {};
}

Status Document::exportLook(const QString& path) const
{
    return m_lookFault.isEmpty() ? writeLook(m_look, path.toStdString()) : fail(m_lookFault.toStdString());
}

void Document::renameLook(const QString& name)
{
    if (name.trimmed().isEmpty() || name.toStdString() == m_look.name || !mayEdit())
        return;
    m_look.name = name.trimmed().toStdString();
    commit(tr("Look renamed"));
    emit stepsChanged();
}

std::optional<Look> Document::lookOfEntry(std::int64_t id) const
{
    if (id == m_lookId)
        return m_lookFault.isEmpty() ? std::optional(m_look) : std::nullopt;
    const auto look = m_store ? m_store->currentLook(id) : fail("no job");
    return look ? std::optional(*look) : std::nullopt;
}

void Document::duplicateLook(std::int64_t id)
{
    auto copy = lookOfEntry(id);
    if (!copy)
        return;
    commitPending();
    copy->name = tr("%1, copy").arg(text(copy->name)).toStdString();
    if (const auto fresh = m_store->addLook(*copy))
        chooseLook(*fresh);
    else
        emit failed(text(fresh.error().message()));
}

void Document::setIntent(const QString& mood, const IntentCard& card)
{
    Look look = m_look;
    look.intent = mood.trimmed().toStdString();
    look.card = card;
    change(look);
    commit(tr("Intent"));
}

void Document::selectStep(int index)
{
    if (index == m_selected || index < 0 || index >= static_cast<int>(m_look.steps.size()))
        return;
    m_selected = index;
    setChoice("step", std::to_string(index));
    emit selectionChanged();
}

const Step* Document::step() const
{
    if (m_selected >= static_cast<int>(m_look.steps.size()))
        return nullptr;
    const Step& shared = m_look.steps[static_cast<std::size_t>(m_selected)];
    if (shared.own.empty())
        return &shared;
    m_ownStep = stepFor(shared, pictureName(m_frameInHand));
    return &m_ownStep;
}

namespace {
template <std::size_t... I>
std::vector<StepParameters> everyKind(std::index_sequence<I...>)
{
    return {StepParameters(std::variant_alternative_t<I, StepParameters>{})...};
}
}  // namespace

std::vector<StepParameters> everyKindOfStep()
{
    return everyKind(std::make_index_sequence<std::variant_size_v<StepParameters> - 1>());
}

void Document::change(const Look& look)
{
    if (look == m_look || !mayEdit())
        return;
    m_look = look;
    emit lookChanged();
}

void Document::changeStep(int index, const StepParameters& parameters)
{
    Look look = m_look;
    Step& step = look.steps[static_cast<std::size_t>(index)];
    step = edited(step, pictureName(m_frameInHand), parameters);
    if (const Status good = validate(look); !good)
        return;
    change(look);
}

void Document::commit(const QString& action)
{
    m_pendingTimer->stop();
    m_pendingAction.clear();
    if (!m_store || m_look == m_committed)
        return;
    if (const Status saved = m_store->commit(m_lookId, m_look, action.toStdString()))
        m_committed = m_look;
    else
        emit failed(
            tr("Not saved: %1. The change is still on screen and is saved with the next one, once there is room.")
                .arg(text(saved.error().message())));
    emit revisionsChanged();
}

void Document::commitSoon(const QString& action)
{
    m_pendingAction = action;
    m_pendingTimer->start();
}

void Document::commitPending()
{
    if (!m_pendingAction.isEmpty())
        commit(std::exchange(m_pendingAction, QString()));
}

void Document::takeLook(const Look& look, const QString& action)
{
    if (!mayEdit())
        return;
    commitPending();
    m_look = look;
    m_selected = std::clamp(m_selected, 0, std::max(0, static_cast<int>(m_look.steps.size()) - 1));
    commit(action);
    announceSteps();
}

void Document::addStep(const StepParameters& parameters)
{
    if (m_look.steps.size() >= kStepLimit || !mayEdit())
        return;
    commitPending();
    const auto at = m_look.steps.empty() ? 0 : m_selected + 1;
    Step step;
    step.parameters = parameters;
    m_look.steps.insert(m_look.steps.begin() + at, step);
    m_selected = at;
    commit(tr("%1 added").arg(stepTitle(step)));
    announceSteps();
}

void Document::removeStep(int index)
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

void Document::moveStep(int from, int to)
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

QString Document::undoAction() const { return m_store ? text(m_store->undoAction(m_lookId).value_or("")) : QString(); }
QString Document::redoAction() const { return m_store ? text(m_store->redoAction(m_lookId).value_or("")) : QString(); }

void Document::undo()
{
    if (!m_store)
        return;
    commitPending();
    commit(tr("Change"));
    check(m_store->undo(m_lookId));
    reload();
}

void Document::redo()
{
    if (!m_store)
        return;
    // A change that was not committed yet is one now, and there is nothing after it to do again.
    commitPending();
    commit(tr("Change"));
    check(m_store->redo(m_lookId));
    reload();
}

void Document::pin(const QString& note, int surround)
{
    if (!mayEdit())
        return;
    commitPending();
    commit(tr("Change"));
    check(m_store->pin(m_lookId, note.toStdString()));
    if (const auto revision = m_store->currentRevision(m_lookId))
        setChoice("surround/" + std::to_string(*revision), std::to_string(surround));
    emit revisionsChanged();
}

void Document::pinVariant(const Look& look, const QString& note)
{
    if (m_store && check(m_store->pinVariant(m_lookId, look, note.toStdString())))
        emit revisionsChanged();
}

int Document::surroundOf(std::int64_t revision) const
{
    return std::atoi(choice("surround/" + std::to_string(revision)).c_str());
}

std::vector<PinnedVersion> Document::pins() const
{
    return m_store ? m_store->pins(m_lookId).value_or(std::vector<PinnedVersion>{}) : std::vector<PinnedVersion>{};
}

std::optional<Look> Document::lookAt(std::int64_t revision) const
{
    if (!m_store)
        return std::nullopt;
    auto look = m_store->lookAt(revision);
    return look ? std::optional(*look) : std::nullopt;
}

void Document::setChoice(const std::string& name, const std::string& value) { setChoices({{name, value}}); }

void Document::setChoices(const std::vector<std::pair<std::string, std::string>>& choices)
{
    if (!m_store)
        return;
    auto writes = choices;
    for (const auto& [name, value] : choices)
        if (m_unreadable.erase(name) > 0)
            writes.emplace_back("unreadable/" + name, m_store->choice(name));
    check(m_store->setChoices(writes));
}

std::string Document::choice(const std::string& name) const { return m_store ? m_store->choice(name) : std::string(); }

}  // namespace amber
