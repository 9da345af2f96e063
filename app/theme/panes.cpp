#include "app/theme/panes.h"

#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QLayout>
#include <QPainter>
#include <QSettings>
#include <algorithm>
#include <numeric>

namespace amber {
namespace {

QSettings settings() { return {QSettings::IniFormat, QSettings::UserScope, "jolly-amber", "panes"}; }

class Border : public QSplitterHandle {
public:
    Border(Qt::Orientation orientation, Panes* panes) : QSplitterHandle(orientation, panes), m_panes(panes)
    {
        setFocusPolicy(Qt::TabFocus);
        setAccessibleName(Panes::tr("Border of a pane"));
        setAccessibleDescription(Panes::tr("Arrow keys move it, Home gives the usual sizes"));
        setToolTip(Panes::tr("Drag to give a pane more room; double click for the usual sizes"));
    }

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        painter.fillRect(rect(), hasFocus() ? theme::kAmber : theme::kHairline);
    }
    void keyPressEvent(QKeyEvent* event) override
    {
        constexpr int kStep = 16;
        const bool isRow = orientation() == Qt::Horizontal;
        const int index = m_panes->indexOf(this);
        if (event->key() == (isRow ? Qt::Key_Left : Qt::Key_Up))
            m_panes->nudge(index, -kStep);
        else if (event->key() == (isRow ? Qt::Key_Right : Qt::Key_Down))
            m_panes->nudge(index, kStep);
        else if (event->key() == Qt::Key_Home)
            m_panes->reset();
        else
            QSplitterHandle::keyPressEvent(event);
    }
    void mouseDoubleClickEvent(QMouseEvent*) override { m_panes->reset(); }
    // A border is one pixel wide, and as wide as can be grabbed while it has the focus.
    void focusInEvent(QFocusEvent*) override { clearMask(), update(); }
    void focusOutEvent(QFocusEvent*) override { setMask(contentsRect()), update(); }

private:
    Panes* m_panes;
};

}  // namespace

Panes::Panes(const QString& name, Qt::Orientation orientation, QWidget* parent)
    : QSplitter(orientation, parent), m_name(name)
{
    setObjectName(name);
    setHandleWidth(1);
    setChildrenCollapsible(false);
    connect(this, &QSplitter::splitterMoved, this, &Panes::keep);
}

void Panes::add(QWidget* pane, Size size)
{
    const int place = count();
    if (size.usual > 0) {
        const bool isRow = orientation() == Qt::Horizontal;
        isRow ? pane->setMinimumWidth(size.least) : pane->setMinimumHeight(size.least);
        isRow ? pane->setMaximumWidth(size.most) : pane->setMaximumHeight(size.most);
    }
    addWidget(pane);
    setStretchFactor(place, size.usual > 0 ? 0 : 1);
    m_sizes.push_back(size);
    const int kept = settings().value(m_name + '/' + QString::number(place), size.usual).toInt();
    m_wanted.push_back(size.usual > 0 ? std::clamp(kept, size.least, std::max(size.least, size.most)) : 0);
}

void Panes::add(QLayout* pane, Size size)
{
    auto* widget = new QWidget(this);
    pane->setContentsMargins(0, 0, 0, 0);
    widget->setLayout(pane);
    add(widget, size);
}

void Panes::reset()
{
    for (std::size_t i = 0; i < m_sizes.size(); ++i)
        m_wanted[i] = m_sizes[i].usual;
    place();
    settings().remove(m_name);
}

void Panes::nudge(int index, int by)
{
    const QPoint now = handle(index)->geometry().center();
    moveSplitter((orientation() == Qt::Horizontal ? now.x() : now.y()) + by, index);
}

QSplitterHandle* Panes::createHandle() { return new Border(orientation(), this); }

void Panes::resizeEvent(QResizeEvent* event)
{
    QSplitter::resizeEvent(event);
    place();
}

/// Each its wanted size; those that take what is left share it.
void Panes::place()
{
    // Longer words than ours widen a pane.
    for (int i = 0; orientation() == Qt::Horizontal && i < count(); ++i) {
        const auto at = static_cast<std::size_t>(i);
        if (const int least = std::max(m_sizes[at].least, widget(i)->minimumSizeHint().width());
            m_wanted[at] > 0 && widget(i)->minimumWidth() != least) {
            widget(i)->setMinimumWidth(least);
            widget(i)->setMaximumWidth(std::max(m_sizes[at].most, least));
        }
    }
    const int all = orientation() == Qt::Horizontal ? width() : height();
    const int taken = std::accumulate(m_wanted.begin(), m_wanted.end(), (count() - 1) * handleWidth());
    const auto open = std::count(m_wanted.begin(), m_wanted.end(), 0);
    QList<int> sizes;
    for (const int wanted : m_wanted)
        sizes << (wanted > 0 ? wanted : std::max(1, (all - taken) / static_cast<int>(std::max<long>(1, open))));
    setSizes(sizes);
}

void Panes::keep()
{
    QSettings kept = settings();
    const QList<int> now = sizes();
    for (int i = 0; i < count(); ++i)
        if (m_sizes[static_cast<std::size_t>(i)].usual > 0) {
            m_wanted[static_cast<std::size_t>(i)] = now[i];
            kept.setValue(m_name + '/' + QString::number(i), now[i]);
        }
}

}  // namespace amber
