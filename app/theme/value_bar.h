// A number as a place on a line: dragged, stepped by the arrow keys, put back with Home. A tick shows where it lies
// when nothing was done.
#pragma once

#include <QWidget>

namespace amber {

class ValueBar : public QWidget {
    Q_OBJECT

public:
    /// Along the line values are even, or their reciprocals are (kelvin, whose mired are even to the eye).
    enum class Scale { Even, Reciprocal };
    explicit ValueBar(QWidget* parent = nullptr);
    void setRange(double low, double high, double step, Scale scale = Scale::Even);
    void setHome(double value);
    void setValue(double value);
    double value() const { return m_value; }
    /// Where a value lies along the width.
    double placeOf(double value) const;
    QSize sizeHint() const override { return {180, 22}; }

signals:
    void moved(double value);
    void ended();

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent*) override;
    void focusOutEvent(QFocusEvent*) override { update(); }

private:
    double valueAt(double x) const;
    void move(double value);

    double m_low = 0, m_high = 1, m_step = 0.01, m_value = 0, m_home = 0;
    Scale m_scale = Scale::Even;
    double m_grip = 0;  ///< from the mark to the pointer
    bool m_focusSeen = false;
};

}  // namespace amber
