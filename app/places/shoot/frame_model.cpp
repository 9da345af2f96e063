#include "app/places/shoot/frame_model.h"

namespace amber {

FrameModel::FrameModel(Document& document, ProxyStore& proxies, QObject* parent)
    : QAbstractListModel(parent), m_document(document), m_proxies(proxies)
{
    connect(&document, &Document::opening, this, [this] {
        beginResetModel();
        m_rows.clear();
        endResetModel();
        m_proxies.clear();
        m_thumbnails.clear();
        m_facts.clear();
        m_brackets.clear();
        m_bracketList.clear();
        m_firstOfHash.clear();
        m_duplicates.clear();
    });
    connect(&document, &Document::opened, this, [this] {
        rebuild();
        for (const Frame& frame : m_document.frames())
            if (!frame.isLost)
                m_proxies.requestThumbnail(frame.id, frame.path, false);
        seeWhetherAllAreRead();
    });
    connect(&document, &Document::framesChanged, this, [this] {
        if (static_cast<int>(m_document.frames().size()) != rowCount())
            rebuild();
        for (const Frame& frame : m_document.frames())
            if (!m_thumbnails.contains(frame.id) && frame.fault.empty())
                m_proxies.requestThumbnail(frame.id, frame.path, false);
    });
    connect(&document, &Document::frameFound, this, [this](std::int64_t frame) {
        m_proxies.forget(frame);
        m_thumbnails.remove(frame);
        m_facts.remove(frame);
        touch(frame);
    });
    connect(&document, &Document::frameChosen, this, [this] {
        emit dataChanged(index(0), index(rowCount() - 1), {InHandRole, CompanionRole});
    });
    connect(&document, &Document::companionsChanged, this,
            [this] { emit dataChanged(index(0), index(rowCount() - 1), {CompanionRole}); });
    connect(&proxies, &ProxyStore::thumbnailReady, this,
            [this](std::int64_t frame, const QImage& image, const QString& hash, qint64 bytes,
                   const CaptureFacts& capture) {
                m_facts.insert(frame, frameFacts(fromScreen(image).view(), capture));
                m_thumbnails.insert(frame, QPixmap::fromImage(image));
                m_document.setFrameContent(frame, hash.toStdString(), static_cast<std::uintmax_t>(bytes));
                if (const auto first = m_firstOfHash.constFind(hash); first == m_firstOfHash.constEnd())
                    m_firstOfHash.insert(hash, frame);
                else if (*first != frame)
                    m_duplicates.insert(std::max(*first, frame), std::min(*first, frame));
                m_document.setFrameFault(frame, {});
                touch(frame);
                seeWhetherAllAreRead();
                emit progressed();
            });
    connect(&document, &Document::contentsChanged, this, &FrameModel::touchAll);
    for (const auto changed : {&Document::groupsChanged, &Document::ratingsChanged})
        connect(&document, changed, this, [this] {
            if (rowCount() > 0)
                emit dataChanged(index(0), index(rowCount() - 1), {GroupRole, RatingRole});
        });
    connect(&proxies, &ProxyStore::failed, this, [this](std::int64_t frame, const QString& message) {
        m_document.setFrameFault(frame, message);
        touch(frame);
        seeWhetherAllAreRead();
        emit progressed();
    });
}

void FrameModel::rebuild()
{
    beginResetModel();
    m_rows.clear();
    int row = 0;
    for (const Frame& frame : m_document.frames())
        m_rows.insert(frame.id, row++);
    endResetModel();
}

std::pair<std::vector<std::int64_t>, std::vector<FrameFacts>> FrameModel::facts() const
{
    std::pair<std::vector<std::int64_t>, std::vector<FrameFacts>> all;
    for (const Frame& frame : m_document.frames())
        if (const auto found = m_facts.constFind(frame.id); found != m_facts.constEnd()) {
            all.first.push_back(frame.id);
            all.second.push_back(*found);
        }
    return all;
}

void FrameModel::seeWhetherAllAreRead()
{
    const auto& frames = m_document.frames();
    if (m_facts.isEmpty() || std::any_of(frames.begin(), frames.end(),
                                         [&](const Frame& f) { return f.fault.empty() && !m_facts.contains(f.id); }))
        return;
    const auto [ids, facts] = this->facts();
    m_brackets.clear();
    m_bracketList.clear();
    for (const Bracket& bracket : findBrackets(facts)) {
        m_bracketList.push_back({{}, ids[bracket.proposed]});
        for (const std::size_t i : bracket.frames)
            m_bracketList.back().frames.push_back(ids[i]);
        for (std::size_t i = 0; i < bracket.frames.size(); ++i)
            m_brackets.insert(ids[bracket.frames[i]],
                              bracket.frames[i] == bracket.proposed
                                  ? tr("bracket %1 of %2, proposed").arg(i + 1).arg(bracket.frames.size())
                                  : tr("bracket %1 of %2").arg(i + 1).arg(bracket.frames.size()));
    }
    m_document.groups().empty() ? proposeGroups() : adoptNewFrames();
    if (rowCount() > 0)
        emit dataChanged(index(0), index(rowCount() - 1));
}

void FrameModel::adoptNewFrames()
{
    const auto [ids, facts] = this->facts();
    if (std::all_of(ids.begin(), ids.end(), [&](std::int64_t id) { return m_document.groupOf(id) >= 0; }))
        return;
    auto groups = m_document.groups();
    for (const LightGroup& light : lightGroups(facts)) {
        std::vector<std::int64_t> fresh;
        std::map<int, int> known;
        for (const std::size_t i : light.frames)
            if (const int group = m_document.groupOf(ids[i]); group >= 0)
                ++known[group];
            else
                fresh.push_back(ids[i]);
        if (fresh.empty())
            continue;
        if (known.empty()) {
            groups.push_back({tr("Light %1").arg(groups.size() + 1).toStdString(), fresh.front(), fresh});
            continue;
        }
        const auto most = std::max_element(known.begin(), known.end(),
                                           [](const auto& a, const auto& b) { return a.second < b.second; });
        auto& frames = groups[static_cast<std::size_t>(most->first)].frames;
        frames.insert(frames.end(), fresh.begin(), fresh.end());
    }
    m_document.setGroups(groups);
}

void FrameModel::proposeGroups()
{
    const auto [ids, facts] = this->facts();
    std::vector<Document::Group> groups;
    for (const LightGroup& light : lightGroups(facts)) {
        Document::Group group;
        const qint64 taken = facts[light.frames.front()].capture.seconds;
        const QString number = tr("Light %1").arg(groups.size() + 1);
        group.name =
            (taken > 0
                 ? tr("%1, %2").arg(number, QDateTime::fromSecsSinceEpoch(taken, Qt::UTC).toString(tr("d MMM hh:mm")))
                 : number)
                .toStdString();
        group.lead = ids[light.lead];
        for (std::size_t i : light.frames)
            group.frames.push_back(ids[i]);
        groups.push_back(std::move(group));
    }
    m_document.setGroups(groups);
}

double FrameModel::weightOf(std::int64_t frame) const
{
    const double sure = m_document.balances().of(frame).confidence;
    double weight = 1 + (sure > 0 ? 1 - sure : 0.25);
    if (const FrameFacts* facts = factsOf(frame))
        weight += std::min(1.0, 4 * (facts->clippedHigh + 0.5 * facts->clippedLow));
    return weight + (bracketOf(frame) >= 0 ? 0.5 : 0);
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
    if (!m_thumbnails.contains(frame.id) && frame.fault.empty())
        m_proxies.requestThumbnail(frame.id, frame.path, true);
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
        return m_thumbnails.value(frame.id);
    case Qt::ToolTipRole: {
        QStringList words{frame.fault.empty() ? text(frame.path) : text(frame.fault)};
        if (const int group = m_document.groupOf(frame.id); group >= 0)
            words << text(m_document.groups()[static_cast<std::size_t>(group)].name) +
                         (m_document.groups()[static_cast<std::size_t>(group)].lead == frame.id
                              ? tr(", stands for its group")
                              : QString());
        if (const QString bracket = m_brackets.value(frame.id); !bracket.isEmpty())
            words << bracket;
        if (const QString same = data(index, DuplicateRole).toString(); !same.isEmpty())
            words << tr("the same picture as %1").arg(same);
        return words.join('\n');
    }
    case Qt::AccessibleTextRole: {
        QString words = titleOf(frame);
        if (frame.id == m_document.frameInHand())
            words += tr(", in hand");
        if (data(index, CompanionRole).toInt() > 0)
            words += tr(", companion %1").arg(data(index, CompanionRole).toInt());
        if (const int stars = m_document.rating(frame.id); stars > 0)
            words += tr(", rated %1").arg(stars);
        if (const int group = m_document.groupOf(frame.id); group >= 0)
            words += ", " + text(m_document.groups()[static_cast<std::size_t>(group)].name);
        if (const QString bracket = m_brackets.value(frame.id); !bracket.isEmpty())
            words += ", " + bracket;
        if (const QString same = data(index, DuplicateRole).toString(); !same.isEmpty())
            words += tr(", the same picture as %1").arg(same);
        if (data(index, DoneRole).toBool())
            words += tr(", done");
        return frame.fault.empty() ? words : words + ", " + text(frame.fault);
    }
    case GroupRole:
        return m_document.groupOf(frame.id);
    case RatingRole:
        return m_document.rating(frame.id);
    case LostRole:
        return frame.isLost;
    case ChangedRole:
        return m_document.changedContents().count(frame.id) > 0;
    case BracketRole: {
        const int at = bracketOf(frame.id);
        if (at < 0)
            return QString();
        const std::int64_t chosen = std::atoll(
            m_document.choice("bracket/" + std::to_string(m_bracketList[static_cast<std::size_t>(at)].frames.front()))
                .c_str());
        return chosen == 0          ? m_brackets.value(frame.id)
               : chosen == frame.id ? tr("bracket, chosen")
                                    : tr("bracket, not used");
    }
    case TimeRole:
        return QVariant::fromValue<qlonglong>(m_facts.value(frame.id).capture.seconds);
    case DuplicateRole: {
        const Frame* other = m_document.frame(m_duplicates.value(frame.id));
        return other ? titleOf(*other) : QString();
    }
    case WeightRole:
        return weightOf(frame.id);
    case DoneRole:
        return m_isDone && m_isDone(frame.id);
    case TroubleRole:
        return m_document.balances().of(frame.id).confidence;
    case IdRole:
        return QVariant::fromValue<qlonglong>(frame.id);
    case FaultRole:
        return text(frame.fault);
    case PathRole:
        return text(frame.path);
    case InHandRole:
        return frame.id == m_document.frameInHand();
    case CompanionRole: {
        const auto& all = m_document.companions();
        const auto found = std::find(all.begin(), all.end(), frame.id);
        return found == all.end() ? 0 : static_cast<int>(found - all.begin()) + 1;
    }
    default:
        return {};
    }
}

}  // namespace amber
