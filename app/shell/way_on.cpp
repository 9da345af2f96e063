// Of the window: the guide, and the way from one thing of the route to the next.
#include "app/guide/guide_sheet.h"
#include "app/places/balance/balance_place.h"
#include "app/places/handover/handover_place.h"
#include "app/places/log/log_place.h"
#include "app/places/log/pins_tab.h"
#include "app/places/log/route_tab.h"
#include "app/places/look/look_place.h"
#include "app/places/proof/checks_tab.h"
#include "app/places/proof/proof_place.h"
#include "app/places/shoot/shoot_place.h"
#include "app/shell/main_window.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/theme.h"
#include "app/words/words.h"

#include <QFontMetrics>
#include <QToolButton>

namespace amber {
namespace {

/// Where a stage of the route is worked on.
MainWindow::Place placeOf(int routePlace)
{
    using P = MainWindow::Place;
    constexpr std::array<P, kRoutePlaces.size()> kPlaces{P::Shoot, P::Balance, P::Areas,   P::Look,
                                                         P::Match, P::Proof,   P::Handover};
    return kPlaces[static_cast<std::size_t>(routePlace)];
}

}  // namespace

void MainWindow::connectLog()
{
    m_route.setOpenFindings([this](const std::string& use) { return openFindings(use); });
    connect(&m_route, &RouteKeeper::changed, this, &MainWindow::showNext);
    connect(&m_proof->checks().audit(), &ShootAudit::changed, &m_route, &RouteKeeper::refresh);
    connect(&m_handover->task(), &ExportTask::finished, &m_route, &RouteKeeper::refresh);
    connect(&m_log->route(), &RouteTab::nextWanted, this, &MainWindow::goToNextThing);
    connect(m_shoot, &ShootPlace::planWanted, this, [this] {
        go(Place::Log);
        m_log->go(LogPlace::Tab::Route);
    });
    connect(&m_log->pins(), &PinsTab::wanted, this, [this](PinId id) {
        const auto found = m_document.job().pins.find(id);
        if (found == m_document.job().pins.end())
            return;
        go(Place::Look);
        m_look->showPin(Pin(found->second));
    });
    connect(&m_log->pins(), &PinsTab::pinWanted, this, [this] {
        go(Place::Look);
        m_look->toggleRemarking();
    });
    showNext();
}

/// At the foot of the rail, in two lines.
void MainWindow::showNext()
{
    constexpr int kRoom = 78;
    const auto next = m_route.next();
    const QString words = m_route.nextWords();
    const QString stage = next ? m_route.titleOf(m_route.route().stages[static_cast<std::size_t>(next->stage)]) : words;
    m_nextButton->setText(
        tr("Next") + QLatin1Char('\n') +
        QFontMetrics(theme::font(11)).elidedText(stage.isEmpty() ? tr("nothing") : stage, Qt::ElideRight, kRoom));
    m_nextButton->setEnabled(next.has_value());
    m_nextButton->setAccessibleName(tr("Next: %1").arg(words));
    m_nextButton->setToolTip(tr("%1 (%2)").arg(words.isEmpty() ? tr("The next thing of the route") : words,
                                               keysOf("nextThing").toString(QKeySequence::NativeText)));
}

void MainWindow::goToNextThing()
{
    m_route.refresh();
    const auto next = m_route.next();
    if (!next)
        return say(m_document.isOpen() ? tr("Every stage of the route is ticked.") : tr("Nothing is open."));
    if (next->frame != 0)
        m_document.selection().setFrameInHand(next->frame);
    const RouteStage& stage = m_route.route().stages[static_cast<std::size_t>(next->stage)];
    // What is ticked by hand only, and pins, are seen in the log.
    const bool isInLog = stage.rule == StageRule::Hand || stage.rule == StageRule::Pins;
    go(isInLog ? Place::Log : placeOf(stage.place));
    if (isInLog)
        m_log->go(stage.rule == StageRule::Pins ? LogPlace::Tab::Pins : LogPlace::Tab::Route);
    if (isInLog && stage.rule == StageRule::Hand)
        m_log->route().showNext();
    if (stage.rule == StageRule::Checked)
        m_proof->go(ProofPlace::Tab::Checks);
    say(tr("Next: %1").arg(m_route.nextWords()));
}

GuideSheet& MainWindow::guide()
{
    if (!m_guide)
        m_guide = new GuideSheet(this);
    return *m_guide;
}

void MainWindow::showGuide() { guide().show(m_rail->button(static_cast<int>(place()))->property("place").toString()); }

void MainWindow::showGuideAtFirst()
{
    if (!GuideSheet::wasSeen())
        guide().show(QStringLiteral("way"));
}

}  // namespace amber
