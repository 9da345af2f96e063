// The Look place: the wall, the instruments, the step line and the bench, around one look.
#pragma once

#include "app/bench/step_editor.h"
#include "app/wall/wall.h"
#include "core/analysis/intent_score.h"

class QComboBox;
class QMenu;
class QLabel;
class QPushButton;
class QStackedWidget;
class QToolButton;

namespace amber {

class Bench;
class CompareView;
class FindingsPanel;
class Instruments;
class IntentPanel;
class LibraryView;
class SpotView;
class StepLine;
class SweepView;
class TrayView;

class LookPlace : public QWidget {
    Q_OBJECT

signals:
    /// Only the picture is wanted, or all of the window again.
    void quietWanted(bool on);
    void themeWanted(int theme);
    void trialFramesWanted();

public:
    LookPlace(Document& document, ProxyStore& proxies, RenderService& renders, QWidget* parent = nullptr);

    Wall& wall() { return *m_wall; }
    Bench& bench() { return *m_bench; }
    StepLine& stepLine() { return *m_stepLine; }
    /// Writes the look as a table, by the file's ending, and returns its travel report over the colours of the frames
    /// on the wall.
    Result<QString> exportTable(const QString& path) const;
    void toggleSplit();
    void askPin();
    void toggleCompare();
    bool isComparing() const;
    /// What stands in the place of the wall.
    enum class View { Wall, Compare, Sweep, Tray, Library };
    void showView(View view);
    View view() const;
    /// What stands in the place of the bench.
    enum class Panel { Bench, Intent, Findings };
    void showPanel(Panel panel);
    void setQuiet(bool on);
    bool isQuiet() const { return m_quiet; }
    void toggleActualSize();
    void toggleMarking();
    /// The number in hand at the end of its range (1 high, -1 low) until let go (0).
    void holdExtreme(int way);
    Instruments& instruments() { return *m_instruments; }
    SweepView& sweep() { return *m_sweep; }
    TrayView& tray() { return *m_tray; }
    LibraryView& library() { return *m_library; }
    SpotView& spot() { return *m_spot; }
    void showSpot(int step, int mark);
    /// Reads the picture at this place (fractions), or nothing.
    void probeAt(std::optional<QPointF> place);

private:
    void connectParts();
    void connectPanels();
    QLayout* makeHeader();
    void fillViewMenu(QMenu& menu);
    void connectPictures();
    void mark(const QRectF& place);
    void nameKey(const Region& place);
    void exportLook(std::int64_t look);
    std::vector<BeforeAfter> framesOfWall() const;
    void remindOfSecondLook();
    void takeSecondLook();
    void refreshHeader();
    /// The frame in hand as it enters the chosen step, small.
    Image entering() const;
    std::optional<Probe> read(const Region& place) const;
    Region pointAt(QPointF place) const;
    void renew();

    Document& m_document;
    ProxyStore& m_proxies;
    Wall* m_wall;
    CompareView* m_compare;
    Instruments* m_instruments;
    StepLine* m_stepLine;
    Bench* m_bench;
    IntentPanel* m_intent;
    FindingsPanel* m_findings;
    SweepView* m_sweep;
    TrayView* m_tray;
    LibraryView* m_library;
    SpotView* m_spot;
    QStackedWidget *m_upper, *m_lower;
    QWidget* m_header;
    QComboBox* m_looks;
    QToolButton *m_undo, *m_redo, *m_split, *m_mark, *m_aside;
    QPushButton *m_pin, *m_compareButton;
    std::array<QToolButton*, 3> m_viewButtons{};   ///< sweep, tray, looks
    std::array<QToolButton*, 2> m_panelButtons{};  ///< intent, findings
    std::optional<Region> m_region;                ///< that is read in the place of the pointer
    bool m_quiet = false;
    int m_extreme = 0;
    std::optional<QPointF> m_place;
    std::optional<QPointF> m_dragPlace;
    bool m_dragging = false;
};

}  // namespace amber
