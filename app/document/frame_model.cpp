#include "app/document/frame_model.h"

#include "app/display/screen_view.h"
#include "core/colour/difference.h"
#include "core/job/edits.h"
#include "core/retouch/take_back.h"

namespace amber {

void FrameModel::followPictures()
{
    connect(
        &m_proxies, &ProxyStore::thumbnailReady, this,
        [this](std::int64_t frame, const QImage& image, const QString& hash, qint64 bytes, const FrameFacts& facts) {
            m_facts.insert(frame, facts);
            m_thumbnails.put(std::to_string(frame), image);
            m_onScreen.remove(frame);
            m_document.setFrameContent(frame, hash.toStdString(), static_cast<std::uintmax_t>(bytes));
            m_document.setFrameFault(frame, {});
            touch(frame);
            seeWhetherAllAreRead();
            emit progressed();
        });
    connect(&m_proxies, &ProxyStore::failed, this, [this](std::int64_t frame, const QString& message) {
        m_document.setFrameFault(frame, message);
        touch(frame);
        seeWhetherAllAreRead();
        emit progressed();
    });
}

QPixmap FrameModel::thumbnail(std::int64_t frame) const
{
    if (const QPixmap* known = m_onScreen.object(frame))
        return *known;
    return onScreenOf(m_onScreen, frame, thumbnailImage(frame));
}

QPixmap FrameModel::onScreenOf(QCache<std::int64_t, QPixmap>& kept, FrameId frame, const QImage& srgb)
{
    if (const QPixmap* known = kept.object(frame))
        return *known;
    if (srgb.isNull())
        return {};
    const QPixmap made = QPixmap::fromImage(onScreen(srgb));
    kept.insert(frame, new QPixmap(made));
    return made;
}

/// As the sheet shows it; as it came until it was made.
QPixmap FrameModel::shown(FrameId frame) const
{
    if (m_pictures->state() == SheetPictures::State::AsItCame)
        return thumbnail(frame);
    if (const QPixmap* known = m_madeOnScreen.object(frame); known && m_pictures->isRight(frame))
        return *known;
    const QPixmap made = onScreenOf(m_madeOnScreen, frame, m_pictures->picture(frame));
    return made.isNull() ? thumbnail(frame) : made;
}

void FrameModel::showAs(SheetPictures::State state)
{
    m_madeOnScreen.clear();
    m_pictures->setState(state);
    touchAll();
}

std::optional<SheetPictures::Made> FrameModel::madeOf(FrameId frame) const
{
    if (!m_document.isOpen() || !m_document.frame(frame))
        return std::nullopt;
    const FrameBalance& balance = m_document.balances().of(frame);
    const Job& job = m_document.job();
    SheetPictures::Made made{{balance, m_document.balances().responseOf(balance)},
                             m_document.looks().onFrame(frame),
                             job.pictureName(frame),
                             job.areasOf(frame),
                             {}};
    for (const KeyColour& key : job.keys)
        if (key.frame == frame)
            made.keys[key.name] = key.place;
        else if (const auto found = job.keyPlaces.find({frame, key.name}); found != job.keyPlaces.end())
            made.keys[key.name] = found->second.place;
    return made;
}

/// Pictures follow what they are made of.
void FrameModel::followLooks()
{
    const auto all = [this] { m_pictures->renew(); };
    connect(&m_document.looks(), &LooksInHand::lookChanged, this, all);
    for (const auto changed : {&Document::chosenLooksChanged, &Document::setsChanged, &Document::areasChanged,
                               &Document::keyColoursChanged, &Document::keyPlacesChanged})
        connect(&m_document, changed, this, all);
    connect(&m_document.balances(), &Balances::changed, this, [this](std::int64_t frame) { m_pictures->renew(frame); });
    connect(m_pictures, &SheetPictures::ready, this, [this](std::int64_t frame) {
        m_madeOnScreen.remove(frame);
        touch(frame);
        emit progressed();
    });
    connect(m_pictures, &SheetPictures::rested, this, &FrameModel::progressed);
}

void FrameModel::setFarKey(const std::string& key)
{
    m_farKey = key;
    touchAll();
}

double FrameModel::farOf(FrameId frame) const
{
    if (m_farKey.empty())
        return -1;
    const FrameId lead = m_document.job().leadOf(frame);
    const auto here = m_pictures->keysOf(frame), there = m_pictures->keysOf(lead);
    const auto a = here.find(m_farKey), b = there.find(m_farKey);
    return a == here.end() || b == there.end() ? -1 : ciede2000(a->second, b->second);
}

void FrameModel::followFrames()
{
    connect(&ScreenView::instance(), &ScreenView::changed, this, [this] {
        m_onScreen.clear(), m_madeOnScreen.clear();
        touchAll();
    });
    connect(&m_document, &Document::leaving, this, [this] {
        beginResetModel();
        m_rows.clear();
        endResetModel();
        m_proxies.clear();
        m_pictures->clear();
        m_thumbnails.clear(), m_onScreen.clear(), m_madeOnScreen.clear();
        m_facts.clear();
        m_bracketList.clear();
        m_duplicates.clear();
    });
    connect(&m_document, &Document::opened, this, [this] {
        rebuild();
        for (const Frame& frame : m_document.frames())
            if (!frame.isLost)
                m_proxies.requestThumbnail(frame.id, frame.path, false);
        seeWhetherAllAreRead();
    });
    connect(&m_document, &Document::framesChanged, this, [this] {
        if (static_cast<int>(m_document.frames().size()) != rowCount())
            rebuild();
        for (const Frame& frame : m_document.frames())
            if (!m_facts.contains(frame.id) && frame.fault.empty())
                m_proxies.requestThumbnail(frame.id, frame.path, false);
    });
    connect(&m_document, &Document::frameFound, this, [this](std::int64_t frame) {
        m_proxies.forget(frame);
        m_thumbnails.drop(std::to_string(frame)), m_onScreen.remove(frame);
        m_facts.remove(frame);
        touch(frame);
    });
}

FrameModel::FrameModel(Document& document, ProxyStore& proxies, QObject* parent)
    : QAbstractListModel(parent), m_document(document), m_proxies(proxies),
      m_pictures(new SheetPictures(
          proxies, [this](std::int64_t frame) { return madeOf(frame); }, this))
{
    followFrames();
    connect(&document.selection(), &Selection::frameChosen, this, [this] {
        emit dataChanged(index(0), index(rowCount() - 1), {InHandRole, CompanionRole});
    });
    connect(&document.selection(), &Selection::companionsChanged, this,
            [this] { emit dataChanged(index(0), index(rowCount() - 1), {CompanionRole}); });
    connect(&document, &Document::contentsChanged, this, &FrameModel::touchAll);
    connect(&document, &Document::balancesChanged, this, &FrameModel::touchAll);
    for (const auto changed : {&Document::lightsChanged, &Document::ratingsChanged, &Document::doneChanged,
                               &Document::usedChanged, &Document::setsChanged, &Document::chosenLooksChanged})
        connect(&document, changed, this, [this] {
            if (rowCount() > 0)
                emit dataChanged(index(0), index(rowCount() - 1),
                                 {GroupRole, RatingRole, DoneRole, BracketRole, LookRole, SetsRole});
        });
    followPictures();
    followLooks();
}

void FrameModel::rebuild()
{
    beginResetModel();
    m_rows.clear();
    int row = 0;
    for (const Frame& frame : m_document.frames())
        m_rows.insert(frame.id, row++);
    std::vector<FrameId> all;
    for (const Frame& frame : m_document.frames())
        all.push_back(frame.id);
    m_pictures->setFrames(std::move(all));
    endResetModel();
}

ReadFrames FrameModel::readFrames() const
{
    ReadFrames read;
    for (const Frame& frame : m_document.frames())
        if (const auto found = m_facts.constFind(frame.id); found != m_facts.constEnd()) {
            read.ids.push_back(frame.id);
            read.facts.push_back(*found);
        }
    return read;
}

void FrameModel::seeWhetherAllAreRead()
{
    const auto& frames = m_document.frames();
    const auto isMissing = [&](const Frame& f) { return f.fault.empty() && !m_facts.contains(f.id); };
    if (m_facts.isEmpty() || std::any_of(frames.begin(), frames.end(), isMissing))
        return;
    const ReadFrames read = readFrames();
    m_bracketList = bracketsOf(read);
    m_duplicates = duplicatesOf(frames);
    Job after = m_document.job();
    after.lights = after.lights.empty() ? proposedLights(read) : withNewFrames(after.lights, read);
    m_document.adopt(after);
    touchAll();
}

void FrameModel::proposeLights()
{
    m_document.setLights(withLooksOf(proposedLights(readFrames()), m_document.job()), tr("Lights told apart anew"));
}

double FrameModel::weightOf(FrameId frame) const
{
    return difficultyOf(m_document.job().frame(frame), factsOf(frame), bracketOf(frame) >= 0);
}

void FrameModel::touchAll()
{
    if (rowCount() > 0)
        emit dataChanged(index(0), index(rowCount() - 1));
}

int FrameModel::bracketOf(std::int64_t frame) const
{
    for (std::size_t i = 0; i < m_bracketList.size(); ++i)
        if (const auto& f = m_bracketList[i].frames; std::find(f.begin(), f.end(), frame) != f.end())
            return static_cast<int>(i);
    return -1;
}

const FrameFacts* FrameModel::factsOf(std::int64_t frame) const
{
    const auto found = m_facts.constFind(frame);
    return found == m_facts.constEnd() ? nullptr : &*found;
}

void FrameModel::touch(std::int64_t frame)
{
    if (const int row = rowOf(frame); row >= 0)
        emit dataChanged(index(row), index(row));
}

int FrameModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(m_rows.size());
}

void FrameModel::want(const QModelIndex& index) const
{
    const Frame& frame = m_document.frames()[static_cast<std::size_t>(index.row())];
    if (!m_facts.contains(frame.id) && frame.fault.empty())
        m_proxies.requestThumbnail(frame.id, frame.path, true);
}

QString FrameModel::duplicateOf(FrameId frame) const
{
    const auto found = m_duplicates.find(frame);
    const Frame* other = found == m_duplicates.end() ? nullptr : m_document.frame(found->second);
    return other ? titleOf(*other) : QString();
}

QString FrameModel::bracketWords(FrameId frame) const
{
    const int at = bracketOf(frame);
    if (at < 0)
        return {};
    const FrameBracket& bracket = m_bracketList[static_cast<std::size_t>(at)];
    const auto isUnused = [&](FrameId id) { return m_document.job().frame(id).isUnused; };
    if (std::any_of(bracket.frames.begin(), bracket.frames.end(), isUnused))
        return isUnused(frame) ? tr("bracket, not used") : tr("bracket, chosen");
    const auto number = std::find(bracket.frames.begin(), bracket.frames.end(), frame) - bracket.frames.begin() + 1;
    const QString words = frame == bracket.proposed ? tr("proposed, %1 of %2") : tr("bracket %1 of %2");
    return words.arg(number).arg(bracket.frames.size());
}

QString FrameModel::tipOf(const Frame& frame) const
{
    QStringList words{frame.fault.empty() ? text(frame.path) : text(frame.fault)};
    if (const int at = m_document.job().lightOf(frame.id); at >= 0) {
        const Light& light = m_document.job().lights[static_cast<std::size_t>(at)];
        words << text(light.name) + (light.lead == frame.id ? tr(", stands for its group") : QString());
    }
    if (const QString look = standingOf(frame, LookRole).toString(); !look.isEmpty())
        words << tr("look: %1").arg(look);
    if (m_document.job().frame(frame.id).standIn)
        words << text(standInWords(m_document.job(), frame.id, *m_document.looks().onFrame(frame.id)));
    if (const QStringList sets = standingOf(frame, SetsRole).toStringList(); !sets.isEmpty())
        words << tr("in the sets: %1").arg(sets.join(QStringLiteral(", ")));
    if (const QString bracket = bracketWords(frame.id); !bracket.isEmpty())
        words << bracket;
    if (const QString same = duplicateOf(frame.id); !same.isEmpty())
        words << tr("the same picture as %1").arg(same);
    return words.join('\n');
}

QString FrameModel::spokenWords(const Frame& frame) const
{
    const FrameState& state = m_document.job().frame(frame.id);
    QString words = titleOf(frame);
    if (frame.id == m_document.selection().frameInHand())
        words += tr(", in hand");
    if (const int companion = companionNumber(frame.id); companion > 0)
        words += tr(", companion %1").arg(companion);
    if (state.rating > 0)
        words += tr(", rated %1").arg(state.rating);
    if (const int light = m_document.job().lightOf(frame.id); light >= 0)
        words += ", " + text(m_document.job().lights[static_cast<std::size_t>(light)].name);
    if (const QString bracket = bracketWords(frame.id); !bracket.isEmpty())
        words += ", " + bracket;
    if (const QString same = duplicateOf(frame.id); !same.isEmpty())
        words += tr(", the same picture as %1").arg(same);
    if (const QString look = standingOf(frame, LookRole).toString(); !look.isEmpty())
        words += tr(", look %1").arg(look);
    for (const QString& set : standingOf(frame, SetsRole).toStringList())
        words += tr(", in %1").arg(set);
    if (state.isDone)
        words += tr(", done");
    return frame.fault.empty() ? words : words + ", " + text(frame.fault);
}

int FrameModel::companionNumber(FrameId frame) const
{
    const auto& all = m_document.selection().companions();
    const auto found = std::find(all.begin(), all.end(), frame);
    return found == all.end() ? 0 : static_cast<int>(found - all.begin()) + 1;
}

QStringList FrameModel::setsOf(FrameId frame) const
{
    QStringList sets;
    for (const FrameSet& set : m_document.job().sets)
        if (std::find(set.frames.begin(), set.frames.end(), frame) != set.frames.end())
            sets << text(set.name);
    return sets;
}

/// How the frame stands in the shoot.
QVariant FrameModel::standingOf(const Frame& frame, int role) const
{
    switch (role) {
    case GroupRole:
        return m_document.job().lightOf(frame.id);
    case RatingRole:
        return m_document.job().frame(frame.id).rating;
    case LostRole:
        return frame.isLost;
    case ChangedRole:
        return m_document.changedContents().count(frame.id) > 0;
    case FarRole:
        return farOf(frame.id);
    case LookRole: {
        const auto& looks = m_document.job().looks;
        const auto found = looks.find(m_document.job().lookOf(frame.id));
        return found == looks.end() ? QString() : text(found->second.name);
    }
    case SetsRole:
        return setsOf(frame.id);
    case BracketRole:
        return bracketWords(frame.id);
    case TimeRole:
        return QVariant::fromValue<qlonglong>(m_facts.value(frame.id).capture.seconds);
    case DuplicateRole:
        return duplicateOf(frame.id);
    case WeightRole:
        return weightOf(frame.id);
    case DoneRole:
        return m_document.job().frame(frame.id).isDone;
    case TroubleRole:
        return m_document.balances().of(frame.id).confidence;
    default:
        return {};
    }
}

QVariant FrameModel::data(const QModelIndex& index, int role) const
{
    if (!index.isValid() || index.row() >= rowCount() || index.row() >= static_cast<int>(m_document.frames().size()))
        return {};
    const Frame& frame = m_document.frames()[static_cast<std::size_t>(index.row())];
    switch (role) {
    case Qt::DisplayRole:
        return titleOf(frame);
    case Qt::DecorationRole:
        return shown(frame.id);
    case Qt::ToolTipRole:
        return tipOf(frame);
    case Qt::AccessibleTextRole:
        return spokenWords(frame);
    case IdRole:
        return QVariant::fromValue<qlonglong>(frame.id);
    case FaultRole:
        return text(frame.fault);
    case PathRole:
        return text(frame.path);
    case InHandRole:
        return frame.id == m_document.selection().frameInHand();
    case CompanionRole:
        return companionNumber(frame.id);
    default:
        return standingOf(frame, role);
    }
}

}  // namespace amber
