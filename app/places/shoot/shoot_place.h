// The Shoot place: bring pictures in, see them all, choose the frame in hand and its companions.
#pragma once

#include "app/document/frame_model.h"
#include "app/places/shoot/frame_filter.h"

#include <QWidget>
#include <functional>

class QComboBox;
class QHBoxLayout;
class QLabel;
class QListView;
class QMenu;
class QStackedWidget;
class QToolButton;

namespace amber {

class Intake;
class TimeKeeper;

class ShootPlace : public QWidget {
    Q_OBJECT

public:
    ShootPlace(Document& document, ProxyStore& proxies, TimeKeeper& keeper, QWidget* parent = nullptr);
    Intake& intake() { return *m_intake; }
    FrameModel& model() { return *m_model; }
    QListView& sheet() { return *m_sheet; }
    void askFolder();

signals:
    /// Open these files or folders.
    void openRequested(const std::vector<std::filesystem::path>& paths);
    /// The artist wants to work on the frame in hand.
    void workRequested();
    /// The time plan is wanted.
    void planWanted();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void makeBracketButton();
    QWidget* makeFull();
    QToolButton* menuButton(const QString& name, const QString& words, const QString& tip,
                            std::function<void(QMenu&)> fill);
    QString askLightName(const QString& start);
    void addFrameActions(QMenu& menu, const std::vector<FrameId>& frames, int current);
    void addLightActions(QMenu& menu, FrameId frame, int current);
    bool takeKey(int key);
    QHBoxLayout* makeHeader();
    void makeSheet();
    QWidget* makeEmpty();
    QLayout* makeFilters();
    void addMenus(QHBoxLayout& row);
    void refreshGroups();
    void refreshOrders();
    void order(int index);
    void showAs(SheetPictures::State state);
    void fillGroupMenu(QMenu& menu);
    void fillSetMenu(QMenu& menu);
    void addSetActions(QMenu& menu, const FrameSet& set, const std::vector<FrameId>& frames);
    void askNewSet(const std::vector<FrameId>& frames);
    void renameSet(const std::string& name);
    void chooseFrames(const std::vector<FrameId>& frames);
    /// The frames chosen in the sheet; with none, the frame in hand.
    std::vector<std::int64_t> chosenFrames() const;
    void moveToGroup(const std::vector<std::int64_t>& frames, int group, const QString& newName = {});
    void refresh();
    void toggleCompanion();
    void askBringIn();
    void fillMoreMenu(QMenu& menu);
    void chooseBracket();
    /// The bracket of the frame at the cursor, or -1.
    int bracketInHand() const;

    Document& m_document;
    TimeKeeper& m_keeper;
    Intake* m_intake;
    QToolButton* m_bracket;
    FrameModel* m_model;
    FrameFilter* m_filter;
    QComboBox *m_groups, *m_ratings, *m_findings, *m_order, *m_shownAs;
    std::function<void()> m_fit;  ///< fits the cells to the width of the sheet
    QStackedWidget* m_pages;
    QListView* m_sheet;
    QLabel *m_title, *m_state, *m_hint;
};

}  // namespace amber
