// The frame in hand with the area of the role, and what is drawn on it: strokes, boxes, ramps, ellipses, outlines; by
// mouse, pen or keyboard. It draws and tells; it changes nothing.
#pragma once

#include "core/area/area.h"
#include "core/measure/framing.h"

#include <QImage>
#include <QPixmap>
#include <QWidget>

namespace amber {

class AreaCanvas : public QWidget {
    Q_OBJECT

public:
    explicit AreaCanvas(QWidget* parent = nullptr);

    enum class Tool { Thing, Box, Ramp, Ellipse, Outline, Range, Brush };
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
    /// The part whose handles are shown.
    void setShape(const std::optional<AreaPart>& part);
    const std::optional<AreaPart>& shape() const { return m_shape; }
    /// Where the picture lies.
    QRectF pictureArea() const;
    /// Whether it was painted since the veil was set last.
    bool isVeilPainted() const { return m_veilPainted; }

signals:
    /// `isOpposite`: with Shift, or by the pen's other end.
    void strokeDrawn(const Stroke& stroke, bool isOpposite);
    void boxDrawn(const Region& box, bool isOpposite);
    /// Colours pointed at, or a box drawn over them.
    void coloursPicked(const Region& place, bool isOpposite);
    /// A ramp, an ellipse or an outline under the hand; `isNew` begins another one.
    void shapeMoved(const AreaPart& part, bool isNew);
    void shapeEnded();
    void shapeLeft();  ///< by Escape
    void radiusChanged(double radius);

protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void tabletEvent(QTabletEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent*) override;

private:
    /// Handles are numbered: of a ramp its two ends; of an ellipse its middle, the ends of its axes, and a corner while
    /// it is placed; of an outline its points.
    static constexpr int kNoHandle = -1;
    enum Handle { kMiddle, kAcross, kDown, kCorner };
    Spot spotOf(QPointF position) const;
    QPointF onScreen(Spot spot) const;
    double longEdge() const;
    void begin(QPointF at, double pressure, bool isOpposite);
    void move(QPointF at, double pressure);
    void end();
    void place(Spot at);
    bool isShown() const;
    int handleAt(QPointF at) const;
    std::vector<QPointF> handlePlaces() const;
    void placeEllipse(Ellipse& ellipse, Spot at);
    void addPoint(QPointF at, bool isOpposite);
    void closeOutline();
    void leaveDrawing();
    bool keyOfOutline(QKeyEvent* event);
    void endBox();
    void paintDrawing(QPainter& painter) const;
    void paintOutline(QPainter& painter) const;
    void paintShape(QPainter& painter) const;
    void paintPointer(QPainter& painter) const;

    Tool m_tool = Tool::Thing;
    double m_radius = 0.012, m_softness = 0.5;
    QImage m_picture, m_veil;
    QPixmap m_scaled;  ///< the picture at its size on screen
    QString m_message;
    std::optional<AreaPart> m_shape;
    bool m_isDrawing = false, m_isOpposite = false, m_veilPainted = true;
    int m_handle = kNoHandle;
    std::vector<Spot> m_outline;  ///< being drawn, not closed yet
    Spot m_begun;
    Stroke m_stroke;
    std::optional<QPointF> m_pointer;  ///< of the mouse or of the keyboard
    bool m_isKeyboard = false;
};

}  // namespace amber
