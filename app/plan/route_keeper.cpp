#include "app/plan/route_keeper.h"

#include "core/job/rounds.h"

#include <QFileInfo>
#include <QTimer>

namespace amber {

RouteKeeper::RouteKeeper(Document& document, QObject* parent)
    : QObject(parent), m_document(document), m_route(shippedRoutes().front()), m_soon(new QTimer(this))
{
    m_soon->setSingleShot(true);
    m_soon->setInterval(0);
    connect(m_soon, &QTimer::timeout, this, &RouteKeeper::refresh);
    const auto soon = [this] { m_soon->start(); };
    for (const auto changing :
         {&Document::opened, &Document::leaving, &Document::historyChanged, &Document::recordsChanged,
          &Document::framesChanged, &Document::areasChanged, &Document::lightsChanged})
        connect(&document, changing, this, soon);
    connect(&document.selection(), &Selection::frameChosen, this, soon);
    connect(&document, &Document::leaving, this, [this] { m_looks.clear(); });
    refresh();
}

void RouteKeeper::setRoute(const Route& route)
{
    m_document.changeDesk([&](Desk& desk) { desk.route = routeToText(route); });
    refresh();
}

/// Revisions never change: each is read once.
std::optional<Look> RouteKeeper::lookNow(LookId id)
{
    const auto read = [&]() -> std::optional<Look> {
        auto look = m_document.looks().read(id);
        return look ? std::optional(std::move(*look)) : std::nullopt;
    };
    if (id == m_document.looks().lookId())
        return read();
    const RevisionId revision = std::as_const(m_document).store().currentRevision(id);
    const auto known = m_looks.find(revision);
    return known != m_looks.end() ? known->second : m_looks.emplace(revision, read()).first->second;
}

void RouteKeeper::refresh()
{
    const auto lookNow = [this](LookId id) { return this->lookNow(id); };
    const Desk& desk = m_document.desk();
    m_route = routeOf(desk);
    m_facts = m_document.isOpen()
                  ? routeFacts(m_document.job(), m_document.frames(), m_document.looks().lookForAll(), lookNow)
                  : RouteFacts{};
    if (m_document.isOpen()) {
        if (m_openFindings)
            m_facts.openFindings = m_openFindings(desk.use);
        const QString folder = m_document.placeOf(desk.handOver.folder);
        m_facts.wasHandedOver = !roundsOf(std::as_const(m_document).store()).empty() ||
                                (!desk.handOver.folder.empty() && QFileInfo::exists(folder + "/manifest.json"));
    }
    m_next = m_document.isOpen() ? nextThing(m_route, m_document.job(), m_document.selection().frameInHand(), m_facts)
                                 : std::nullopt;
    emit changed();
}

Tick RouteKeeper::tick(int stage, FrameId frame) const
{
    return tickOf(m_route.stages[static_cast<std::size_t>(stage)], m_document.job(), frame, m_facts);
}

StageProgress RouteKeeper::progress(int stage) const
{
    return progressOf(m_route.stages[static_cast<std::size_t>(stage)], m_document.job(), m_facts);
}

void RouteKeeper::setTick(int stage, const std::vector<FrameId>& frames, bool isOn)
{
    const RouteStage& of = m_route.stages[static_cast<std::size_t>(stage)];
    m_document.commit(withTick(m_document.job(), of, frames, isOn, m_facts),
                      (isOn ? tr("%1 ticked") : tr("%1 left open")).arg(titleOf(of)));
}

QString RouteKeeper::titleOf(const RouteStage& stage) const
{
    const std::map<std::string, QString> kTitles{{"lights", tr("Tell the lights apart")},
                                                 {"keys", tr("Mark key colours")},
                                                 {"exposure", tr("Exposure")},
                                                 {"white", tr("White balance")},
                                                 {"upright", tr("Upright, lens and crop")},
                                                 {"areas", tr("Areas")},
                                                 {"look", tr("Look")},
                                                 {"match", tr("Match")},
                                                 {"checked", tr("Checks")},
                                                 {"pins", tr("Pins closed")},
                                                 {"done", tr("Done")},
                                                 {"handed-over", tr("Hand over")}};
    for (const RouteStage& known : knownStages())
        if (known.id == stage.id && known.title == stage.title)
            return kTitles.at(stage.id);
    return text(stage.title);
}

QString RouteKeeper::nameOf(const std::string& route)
{
    const std::map<std::string, QString> kNames{
        {"light first", tr("light first")}, {"white first", tr("white first")}, {"colour last", tr("colour last")}};
    const auto found = kNames.find(route);
    return found == kNames.end() ? text(route) : found->second;
}

QString RouteKeeper::nextWords() const
{
    if (!m_document.isOpen())
        return {};
    if (!m_next)
        return tr("All is done.");
    const QString stage = titleOf(m_route.stages[static_cast<std::size_t>(m_next->stage)]);
    const Frame* frame = m_next->frame != 0 ? m_document.frame(m_next->frame) : nullptr;
    return frame ? tr("%1 of %2").arg(stage, amber::titleOf(*frame)) : stage;
}

}  // namespace amber
