// The list of key colours: target, now, CIEDE2000 between them and the tolerance. Targets and names are set from a
// menu.
#pragma once

#include "app/bench/step_editor.h"
#include "core/analysis/step_trace.h"

#include <QWidget>

class QMenu;

namespace amber {

class KeyList : public QWidget {
    Q_OBJECT

public:
    KeyList(Document& document, QWidget* parent);
    void setTrace(const LookTrace& trace);
    void clear();
    int selected() const { return m_selected; }
    /// The difference from its target of the key at `row`.
    double differenceAt(int row) const;
    QRect rowRect(int row) const;
    void showMenu(int row, QPoint at);
    /// Where pictures are read, and how a colour of the one on the wall is got.
    void setPicking(RenderQueue& queue, const PickNext& pickNext) { m_queue = &queue, m_pickNext = pickNext; }

signals:
    /// A key was chosen: the picture shows its name. -1: none.
    void chosen(int key);

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent*) override { update(); }
    QSize sizeHint() const override { return {200, 110}; }

private:
    QString askName(const QString& start);
    void addTargets(QMenu& menu, int row);
    void setTarget(const std::string& key, const LinearRgb& colour);
    void askTarget(int row);
    void keep(const KeyColour& key);
    int rowsShown() const;
    void select(int row);
    void change(int row, const std::function<void(KeyColour&)>& change);
    Lab targetOf(int row) const;

    Document& m_document;
    RenderQueue* m_queue = nullptr;
    PickNext m_pickNext;
    std::optional<LookTrace> m_trace;
    int m_selected = -1, m_first = 0;
    bool m_focusSeen = false;
};

}  // namespace amber
