// The frame in hand with the area of the role, and what is drawn on it: strokes, boxes, ramps, ellipses; by mouse, pen
// or keyboard. It draws and tells; it changes nothing.
#pragma once

#include "core/area/area.h"
#include "core/measure/framing.h"

#include <QImage>
#include <QWidget>

namespace amber {

class AreaCanvas : public QWidget {
    Q_OBJECT

public:
    explicit AreaCanvas(QWidget* parent = nullptr);

    enum class Tool { Thing, Box, Ramp, Ellipse, Brush };
    void setTool(Tool tool);
    Tool tool() const { return m_tool; }
    /// Of strokes, in fractions of the picture's longer edge.
    static constexpr double kLeastRadius = 0.001, kMostRadius = 0.2;
    void setRadius(double radius);
    double radius() const { return m_radius; }
    void setSoftness(double softness) { m_softness = softness; }
    double softness() const { return m_softness; }

    void setPicture(const QImage& picture);
    void setVeil(const QImage& veil);
    void setMessage(const QString& words);
    /// The ramp or ellipse whose handles are shown.
    void setShape(const std::optional<AreaPart>& part);
    const std::optional<AreaPart>& shape() const { return m_shape; }
    /// Where the picture lies.
    QRectF pictureArea() const;
    /// How many paints there were since the veil was set last.
    bool isVeilPainted() const { return m_veilPainted; }

signals:
    /// `isOpposite`: with Shift, or by the pen's other end.
    void strokeDrawn(const Stroke& stroke, bool isOpposite);
    void boxDrawn(const Region& box);
    /// A ramp or an ellipse under the hand; `isNew` begins another one.
    void shapeMoved(const AreaPart& part, bool isNew);
    void shapeEnded();
    void shapeLeft();  ///< by Escape
    void radiusChanged(double radius);

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void tabletEvent(QTabletEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent*) override;

private:
    enum class Handle { None, First, Second };
    Spot spotOf(QPointF position) const;
    QPointF onScreen(Spot spot) const;
    double longEdge() const;
    void begin(QPointF at, double pressure, bool isOpposite);
    void move(QPointF at, double pressure);
    void end();
    void place(Spot at);
    Handle handleAt(QPointF at) const;
    QPointF handlePlace(Handle handle) const;
    void paintDrawing(QPainter& painter) const;
    void paintShape(QPainter& painter) const;
    void paintPointer(QPainter& painter) const;

    Tool m_tool = Tool::Thing;
    double m_radius = 0.012, m_softness = 0.5;
    QImage m_picture, m_veil;
    QString m_message;
    std::optional<AreaPart> m_shape;
    bool m_isDrawing = false, m_isOpposite = false, m_veilPainted = true;
    Handle m_handle = Handle::None;
    Spot m_begun;
    Stroke m_stroke;
    std::optional<QPointF> m_pointer;  ///< of the mouse or of the keyboard
    bool m_isKeyboard = false;
};

}  // namespace amber
