// The route of the open job: its ticks as they are now, and what comes next. Kept with the job.
#pragma once

#include "app/document/document.h"
#include "core/route/route.h"

namespace amber {

class RouteKeeper : public QObject {
    Q_OBJECT

public:
    explicit RouteKeeper(Document& document, QObject* parent = nullptr);
    /// Frames with open findings for a use, when they are known as they are now.
    using OpenFindings = std::function<std::optional<std::vector<FrameId>>(const std::string& use)>;
    void setOpenFindings(OpenFindings open) { m_openFindings = std::move(open); }

    const Route& route() const { return m_route; }
    void setRoute(const Route& route);
    const RouteFacts& facts() const { return m_facts; }
    Tick tick(int stage, FrameId frame) const;
    StageProgress progress(int stage) const;
    /// Ticked or left open by hand, as one gesture.
    void setTick(int stage, const std::vector<FrameId>& frames, bool isOn);
    std::optional<NextThing> next() const { return m_next; }
    /// "White balance of north-04"; "All is done." without anything next.
    QString nextWords() const;
    /// The title of a stage on the screen: that of the known ones in the screen's language.
    QString titleOf(const RouteStage& stage) const;
    /// The name of a route: of those that ship in the screen's language.
    static QString nameOf(const std::string& route);
    /// Looks again at what is known beside the job.
    void refresh();

signals:
    void changed();

private:
    std::optional<Look> lookNow(LookId id);
    Document& m_document;
    std::map<RevisionId, std::optional<Look>> m_looks;
    OpenFindings m_openFindings;
    Route m_route;
    RouteFacts m_facts;
    std::optional<NextThing> m_next;
    QTimer* m_soon;
};

}  // namespace amber
