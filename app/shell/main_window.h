// The window: the rail of places on the left, the chosen place, and a line for what went wrong.
#pragma once

#include "app/display/screens.h"
#include "app/document/document.h"
#include "app/plan/route_keeper.h"
#include "app/plan/time_keeper.h"
#include "app/render/render_service.h"

#include <QWidget>

class QAbstractButton;
class QBoxLayout;
class QButtonGroup;
class QToolButton;
class QStackedWidget;

namespace amber {

class AreasPlace;
class BalancePlace;
class ClientView;
class HandoverPlace;
class GuideSheet;
class LogPlace;
class LostFrames;
class LookPlace;
class MatchPlace;
class MessageBars;
class PracticePlace;
class ProofPlace;
class ScreenSheet;
class ShootPlace;

class MainWindow : public QWidget {
    Q_OBJECT

public:
    explicit MainWindow(QWidget* parent = nullptr);
    ~MainWindow() override;

    /// Opens a folder, a job or pictures, and brings looks into it; says in the window when it cannot be done. Looks
    /// alone come into the job that is open, or wait until one is.
    void openPaths(const std::vector<std::filesystem::path>& paths);
    void open(const QStringList& paths);
    void comeForward();
    enum class Place { Shoot, Balance, Areas, Look, Match, Proof, Handover, Log, Practice };
    void go(Place place);
    Place place() const;
    void say(const QString& message);
    void chooseTheme(int theme);

    RenderQueue& queue() { return m_queue; }
    Document& document() { return m_document; }
    TimeKeeper& keeper() { return m_keeper; }
    Screens& screens() { return m_screens; }
    void showScreenSheet();
    void showSettings();
    void showClientView(bool on);
    ClientView* clientView() { return m_client.get(); }
    ShootPlace& shoot() { return *m_shoot; }
    BalancePlace& balance() { return *m_balance; }
    AreasPlace& areas() { return *m_areas; }
    LookPlace& look() { return *m_look; }
    MatchPlace& match() { return *m_match; }
    ProofPlace& proof() { return *m_proof; }
    HandoverPlace& handover() { return *m_handover; }
    LogPlace& log() { return *m_log; }
    PracticePlace& practice() { return *m_practice; }
    RouteKeeper& route() { return m_route; }
    /// The guide at the page of this place; with `isFirst` at the way, when this user has not seen it yet.
    void showGuide();
    void showGuideAtFirst();
    GuideSheet& guide();
    /// To the place, the frame and the tab where the next open stage of the route is worked on.
    void goToNextThing();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    bool holdKey(const QKeyEvent& key);
    bool holdLightKey(const QKeyEvent& key);
    void changeEvent(QEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    void setQuiet(bool on);
    void chooseTrialFrames();
    void takeLooks();
    void makePlaces();
    QWidget* makeRail();
    /// Frames with open findings of the checks for a use; nothing while these are not known as the frames are now.
    std::optional<std::vector<FrameId>> openFindings(const std::string& use) const;
    void addRailFoot(QBoxLayout& layout);
    void connectPlaces();
    void connectMessages();
    void connectAreas();
    void offerAreas();
    void addShortcut(const char* id, const std::function<void()>& act);
    void addShortcuts();
    void addViewShortcuts();
    void addPanelShortcuts();
    void addPlaceShortcuts();
    void step(int way);
    void retitle();
    void showScreenStatus();
    void showNext();
    void connectLog();
    void connectSettings();
    void heedSettings();
    void proposeRest();

    Document m_document;
    TimeKeeper m_keeper{m_document};
    RouteKeeper m_route{m_document};
    RenderQueue m_queue;
    ProxyStore m_proxies{m_queue, this};
    RenderService m_renders{m_queue};
    Screens m_screens;
    QStackedWidget* m_places;
    QButtonGroup* m_rail;
    QWidget* m_railArea = nullptr;
    QToolButton* m_screenButton = nullptr;
    ScreenSheet* m_sheet = nullptr;
    std::unique_ptr<ClientView> m_client;
    std::vector<std::filesystem::path> m_looksToTake;
    int m_restAskedFor = 0;  ///< minutes at work: not before
    ShootPlace* m_shoot;
    BalancePlace* m_balance;
    AreasPlace* m_areas;
    LookPlace* m_look;
    MatchPlace* m_match;
    ProofPlace* m_proof;
    HandoverPlace* m_handover;
    LogPlace* m_log;
    PracticePlace* m_practice;
    GuideSheet* m_guide = nullptr;
    QToolButton* m_nextButton = nullptr;
    MessageBars* m_messages;
    LostFrames* m_lost;
    QStringList m_unmarked;  ///< roles that the look uses and no frame has an area for
};

}  // namespace amber
