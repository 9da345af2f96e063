// The Look place: the wall, the instruments, the step line and the bench, around one look.
#pragma once

#include "app/bench/step_editor.h"
#include "app/wall/wall.h"
#include "core/analysis/intent_score.h"

class QMenu;
class QStackedWidget;

namespace amber {

class Bench;
class CompareView;
class FindingsPanel;
class Instruments;
class IntentPanel;
class LibraryView;
class LookExport;
class IsItSoSheet;
class LookHeader;
class PaletteSheet;
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
    /// The next click on the frame in hand, or Enter where the arrow keys point, sets a pin there.
    void toggleRemarking();
    /// Notes on what is said of a kind of step; of everything for none.
    void showIsItSo(const std::string& stepKind = {});
    void showPalette();
    PaletteSheet& palette();
    /// The place or step that a pin is on.
    void showPin(const Pin& pin);
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
    /// The next click on the frame in hand, or Enter where the arrow keys point, is for `take`; Escape leaves it.
    void pickNext(const std::function<void(const Probe&)>& take);

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    void pickAt(QPointF place);
    void connectHeader();
    void connectParts();
    void connectPanels();
    void fillViewMenu(QMenu& menu);
    void addSplitMenus(QMenu& menu);
    void addNotesMenu(QMenu& menu);
    void connectPictures();
    void connectDrags();
    void mark(const QRectF& place);
    void nameKey(const Region& place);
    std::vector<BeforeAfter> framesOfWall() const;
    void remindOfSecondLook();
    void takeSecondLook();
    void refreshHeader();
    /// The frame in hand as it enters the chosen step, small.
    Image entering() const;
    std::optional<Probe> read(const Region& place) const;
    Region pointAt(QPointF place) const;
    void levelWith(const std::string& role, AreaMeasure measure);
    void renew();
    void connectNotes();
    IsItSoSheet& notes();

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
    RenderSlot* m_leveling;
    QStackedWidget *m_upper, *m_lower;
    LookHeader* m_header;
    LookExport* m_export;
    IsItSoSheet* m_isItSo = nullptr;
    PaletteSheet* m_palette = nullptr;
    bool m_isRemarking = false;
    std::optional<Region> m_region;  ///< that is read in the place of the pointer
    bool m_quiet = false;
    int m_extreme = 0;
    std::optional<QPointF> m_place;
    std::optional<QPointF> m_dragPlace;
    bool m_dragging = false;
    std::function<void(const Probe&)> m_pick;  ///< waits for a colour
    std::shared_ptr<const RoleMasks> m_masks;  ///< of the frame in hand, as it was measured last
    FrameId m_masked = 0;
};

}  // namespace amber
