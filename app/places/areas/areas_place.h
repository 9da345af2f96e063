// The Areas place: where the roles of looks lie on the frames. All frames as tiles, what wants to be looked at first;
// one large, to be set right.
#pragma once

#include "app/places/areas/area_hand.h"
#include "app/task/task.h"

#include <QWidget>

class QBoxLayout;
class QButtonGroup;
class QComboBox;
class QLabel;
class QListView;
class QPushButton;

namespace amber {

class AreaBench;
class AreaCanvas;
class AreaTile;
class LineLabel;
class NumberBox;

class AreasPlace : public QWidget {
    Q_OBJECT

public:
    AreasPlace(Document& document, FrameModel& frames, ProxyStore& proxies, QWidget* parent = nullptr);

    AreasModel& model() { return *m_model; }
    AreaCanvas& canvas() { return *m_canvas; }
    AreaHand& hand() { return *m_hand; }
    QListView& tiles() { return *m_tiles; }
    Task& task() { return *m_task; }
    void setRole(const std::string& role);

    /// Of the chosen frames: what is offered holds; it does not; the role is not in them.
    void confirm();
    void refuse();
    void notHere();
    void goOn();
    /// Looks for roles over frames in the background.
    void findAllRoles();
    void find(const std::vector<FrameId>& frames, const std::vector<AreaWish>& wishes);

protected:
    void showEvent(QShowEvent*) override;
    void hideEvent(QHideEvent*) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QLayout* makeHeader();
    QWidget* makeTiles();
    void addToolButtons(QBoxLayout& row);
    QLayout* makeTools();
    QLayout* makeFoot();
    void connectParts();
    void connectDocument();
    void connectBench();
    void addKeys();
    void refresh();
    void refreshRoles();
    void refreshFoot();
    void newRole();
    void confirmSure();
    void restNotHere();
    void startOver();
    std::vector<FrameId> allFrames() const;
    std::vector<FrameId> chosen() const;
    void change(const std::vector<FrameId>& frames, const std::function<void(std::optional<Area>&)>& act,
                const QString& action);
    std::vector<AreaWish> wishesOf(bool all) const;

    Document& m_document;
    AreasModel* m_model;
    AreaHand* m_hand;
    Task* m_task;
    std::shared_ptr<AreaFinder> m_finder = std::make_shared<AreaFinder>();
    QComboBox* m_role;
    QLabel* m_counts;
    LineLabel* m_frameWords;
    QListView* m_tiles;
    AreaTile* m_tile;
    AreaCanvas* m_canvas;
    AreaBench* m_bench;
    QButtonGroup* m_tools;
    NumberBox *m_radius = nullptr, *m_softness = nullptr;
    QPushButton *m_findAll, *m_findThese, *m_findRoles, *m_sure, *m_rest;
    QPushButton *m_confirm, *m_refuse, *m_notHere, *m_another, *m_over;
};

}  // namespace amber
