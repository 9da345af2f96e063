// The step line: the look from left to right. Each tile shows a grey ramp and the frame's main colours as they leave
// that step, and marks for what the step did: to brightness, contrast and chroma, and to every key colour (CIEDE2000,
// up for lighter or stronger).
#pragma once

#include "app/document/document.h"
#include "core/analysis/step_trace.h"
#include "core/measure/main_colours.h"

#include <QWidget>

namespace amber {

class StepLine : public QWidget {
    Q_OBJECT

public:
    explicit StepLine(Document& document, QWidget* parent = nullptr);
    void setColours(const std::vector<MainColour>& colours);
    /// Where the tile of a step is; index -1 is picture in, one past the last step is picture out.
    QRect tileRect(int index) const;
    /// Where the name of the group a step belongs to is written; a click switches the group off and on. Empty for a
    /// step of no group.
    QRect groupRectOf(int step) const;
    void showAddMenu();
    /// The marks: brightness, contrast, chroma, then the key colours in the order of the trace; while a step that is
    /// bound to a role is chosen, also how the role stands out from its surroundings by lightness, chroma and hue.
    void setTrace(const LookTrace& trace);
    const std::optional<LookTrace>& trace() const { return m_trace; }
    /// The chosen steps: the one in hand, or as far as Shift and a click reached.
    std::pair<int, int> range() const;
    void chooseTo(int step);
    void copy() const;
    void paste();
    /// Asks for a name for the chosen steps.
    void askGroup();
    static constexpr const char* kPartType = "application/x-jolly-amber-part";
    static constexpr int kMeasureMarks = 3;
    int markCount() const;
    bool isOfKey(int mark) const;
    QRect markRect(int step, int mark) const;
    /// Whether the three measures of a step have room for their names; else a letter each.
    bool isSpelled(int step) const { return tileRect(step).width() >= spelledTile(); }
    /// One mark in words: "neutral: 2.3 (lighter 1.9, weaker 0.4)".
    QString markWords(int step, int mark) const;

signals:
    /// The mark was clicked, or chosen by Down and Enter.
    void markChosen(int step, int mark);
    /// These steps are to be kept in the library.
    void keepWanted(int first, int last);
    /// A pin is to be set on a step.
    void pinWanted(int step);
    /// Notes on what is said of the chosen step.
    void isItSoWanted();

protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent*) override { update(); }
    QSize sizeHint() const override { return {400, height()}; }

private:
    static QStringList measureNames();
    static int measureWidth();
    int spelledTile() const;
    void recompute();
    void countDiffering();
    int stepCount() const;
    int tileAt(QPoint position) const;
    QRect switchRect(int index) const;
    QRect addRect() const;
    void toggle(int index);
    void paintTile(QPainter& painter, int index) const;
    void paintTitle(QPainter& painter, const QRect& tile, int index) const;
    void paintMark(QPainter& painter, int step, int mark) const;
    void paintWorst(QPainter& painter, const QRect& area, bool labelled) const;
    void paintAdd(QPainter& painter) const;
    int keyCount() const { return static_cast<int>(m_trace->keys.size()); }
    std::string roleInHand() const;
    QString separationWords(int step, int part) const;
    /// How much of a full bar, up or down.
    double shareOf(int step, int mark) const;
    void describe();
    int gap() const;
    /// Neighbouring steps of one group name, first and last.
    struct Group {
        int first = 0, last = 0;
        QString name;
    };
    std::vector<Group> groups() const;
    QRect groupRect(const Group& group) const;
    void paintGroups(QPainter& painter) const;
    void toggleGroup(const Group& group);
    void toggleGroupOf(int step);
    void dragOut();
    bool takePartKey(const QKeyEvent& event);

    struct Swatches {
        std::vector<QColor> ramp, colours;
    };
    Document& m_document;
    Look m_shown;                       ///< as the frame in hand has it
    std::vector<std::size_t> m_differ;  ///< on how many frames each step is not as it travels
    std::vector<MainColour> m_colours;
    std::vector<Swatches> m_swatches;  ///< picture in, then after each step
    std::optional<LookTrace> m_trace;
    int m_mark = -1;  ///< the mark of the chosen step that the keyboard points at
    int m_top = 6;    ///< above the tiles: more when groups are named there
    int m_dragFrom = -1, m_dragTo = -1;
    int m_rangeTo = -1;        ///< where the chosen steps end; -1: only the one in hand
    bool m_focusSeen = false;  ///< the focus came by the keyboard
    QPoint m_pressed;
};

}  // namespace amber
