// Base of the wide editors: a plot on the tone axis or the hue axis with the frame's own distribution behind, the
// probe's mark, and handles that are moved by mouse or keyboard. Coordinates of handles are widget pixels.
#pragma once

#include <QWidget>
#include <optional>
#include <vector>

namespace amber {

class AxisPlot : public QWidget {
    Q_OBJECT

public:
    enum class Axis { Tone, Hue };

    explicit AxisPlot(Axis axis, QWidget* parent = nullptr);

    /// Shares over the axis of the picture as it enters the step; any number of bins, any scale.
    void setDistribution(const std::vector<double>& shares);
    void setProbe(std::optional<double> at);
    int selected() const { return m_selected; }
    void select(int handle);
    bool isDragging() const { return m_dragging; }
    /// Where a handle is drawn, for tests and for the picture drag.
    virtual QPointF handlePlace(int handle) const = 0;
    virtual int handleCount() const = 0;

signals:
    void selectionMoved(int handle);
    /// A gesture has ended: `action` says what was done.
    void finished(const QString& action);
    /// Keys change in small steps that belong together.
    void nudged(const QString& action);

protected:
    virtual void moveHandle(int handle, QPointF to) = 0;
    /// One step of the arrow keys; `coarse` is ten.
    virtual void nudgeHandle(int handle, int across, int up, bool coarse) = 0;
    /// Adds a handle there and returns it, or -1 when there can be no more.
    virtual int addHandle(QPointF at) = 0;
    virtual void removeHandle(int handle) = 0;
    virtual void resetHandle(int handle) = 0;
    virtual QString actionName() const = 0;
    virtual void paintPlot(QPainter& painter) = 0;

    QRectF plot() const;
    double toX(double at) const;
    double toAt(double x) const;
    /// A handle as every editor draws it: a ring, filled and amber-marked when chosen.
    void paintHandle(QPainter& painter, QPointF at, bool chosen) const;
    /// Whether one click on an empty place adds a handle; otherwise it takes two.
    virtual bool addsOnClick() const { return false; }
    virtual int bottomMargin() const { return 24; }
    virtual int topMargin() const { return 8; }

    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent*) override { update(); }

private:
    bool changeHandle(int key);
    int handleNear(QPointF at) const;
    void paintAxis(QPainter& painter) const;
    void paintDistribution(QPainter& painter) const;

    Axis m_axis;
    std::vector<double> m_shares;
    std::optional<double> m_probe;
    int m_selected = 0, m_held = -1;
    bool m_dragging = false;
    bool m_focusSeen = false;  ///< the focus came by the keyboard
    QPointF m_grip;
};

/// Ends of the tone axis as shown.
inline constexpr double kToneLeft = -0.02, kToneRight = 1.04;
/// The colour of a hue as the strips show it: middle lightness, moderate chroma.
QColor hueColour(double hueDegrees, double lightness = 0.7, double chroma = 0.11);

}  // namespace amber
