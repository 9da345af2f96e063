// The crop on the picture: drawn, slid, drawn out by its edges and corners, with thirds or diagonals as a quiet guide.
#pragma once

#include "core/measure/framing.h"

#include <QWidget>

namespace amber {

class PictureView;

class CropOverlay : public QWidget {
    Q_OBJECT

public:
    explicit CropOverlay(PictureView& picture);
    void setCrop(const Region& crop);
    const Region& crop() const { return m_crop; }
    /// Width / height in pixels that the crop is held to, 0: free; and of the whole picture.
    void setRatios(double held, double whole);
    /// The crop on screen, within the picture view.
    QRectF cropArea() const;

signals:
    void moved(const Region& crop);
    void ended();
    void left();  ///< Enter or Escape: the crop is as it should be

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    bool eventFilter(QObject*, QEvent* event) override;

private:
    enum Edge { None = 0, Left = 1, Top = 2, Right = 4, Bottom = 8, Inside = 16, New = 32 };
    int edgesAt(QPointF at) const;
    QPointF placeOf(QPointF at) const;
    Region dragged(QPointF place) const;
    Region shaped(Region crop, int edges) const;
    void paintGuide(QPainter& painter, const QRectF& area) const;
    void move(const Region& crop);

    PictureView& m_picture;
    Region m_crop, m_begun;
    double m_held = 0, m_whole = 1.5;
    int m_edges = None;
    QPointF m_pressed;
    bool m_diagonals = false;
};

}  // namespace amber
