// The Log place: what was done and why, two versions held against each other, the route, and the pins.
#pragma once

#include "app/plan/route_keeper.h"
#include "app/render/proxy_store.h"

#include <QWidget>

class QButtonGroup;
class QStackedWidget;

namespace amber {

class JournalTab;
class PinsTab;
class RouteTab;
class TimeKeeper;
class VersionTab;

class LogPlace : public QWidget {
    Q_OBJECT

public:
    enum class Tab { Journal, Difference, Route, Pins };

    LogPlace(Document& document, ProxyStore& proxies, RouteKeeper& route, TimeKeeper& times, QWidget* parent = nullptr);
    void go(Tab tab);
    JournalTab& journal() { return *m_journal; }
    VersionTab& versions() { return *m_versions; }
    RouteTab& route() { return *m_route; }
    PinsTab& pins() { return *m_pins; }

private:
    QStackedWidget* m_stack;
    QButtonGroup* m_tabs;
    JournalTab* m_journal;
    VersionTab* m_versions;
    RouteTab* m_route;
    PinsTab* m_pins;
};

}  // namespace amber
