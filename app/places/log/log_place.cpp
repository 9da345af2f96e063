#include "app/places/log/log_place.h"

#include "app/places/log/journal_tab.h"
#include "app/places/log/pins_tab.h"
#include "app/places/log/route_tab.h"
#include "app/places/log/version_tab.h"
#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {

LogPlace::LogPlace(Document& document, ProxyStore& proxies, RouteKeeper& route, TimeKeeper& times, QWidget* parent)
    : QWidget(parent), m_stack(new QStackedWidget(this)), m_journal(new JournalTab(document, proxies, this)),
      m_versions(new VersionTab(document, proxies, this)), m_route(new RouteTab(document, route, times, this)),
      m_pins(new PinsTab(document, this))
{
    setObjectName("logPlace");
    for (QWidget* tab : std::initializer_list<QWidget*>{m_journal, m_versions, m_route, m_pins})
        m_stack->addWidget(tab);
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 8, 14, 2);
    m_tabs =
        addTabs(row, this, m_stack,
                {{"logJournalTab", tr("Journal"), tr("What was done, on what, from which value to which, and why")},
                 {"logDifferenceTab", tr("Difference"), tr("Two versions of a look, in words, numbers and pictures")},
                 {"logRouteTab", tr("Route"), tr("The order of work, what of it is done, and the time it takes")},
                 {"logPinsTab", tr("Pins"), tr("What is still to be done or decided")}});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(row);
    layout->addWidget(m_stack, 1);
    connect(m_journal, &JournalTab::differenceWanted, this, [this](LookId look, std::int64_t gesture) {
        go(Tab::Difference);
        m_versions->show(look, gesture);
    });
}

void LogPlace::go(Tab tab) { goTo(m_tabs, static_cast<int>(tab)); }

}  // namespace amber
