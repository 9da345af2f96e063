// One picture on the wall: shows a rendered frame, a split line against the untouched one, and turns the pointer into
// places.
#pragma once

#include "core/measure/key_colour.h"

#include <QImage>
#include <QWidget>

namespace amber {

class PictureView : public QWidget {
    Q_OBJECT

public:
    explicit PictureView(QWidget* parent = nullptr);

    void setCaption(const QString& caption);
    QString caption() const { return m_caption; }
    QString message() const { return m_message; }
    void setMessage(const QString& message);
    void setImages(std::uint64_t number, const QImage& after, const QImage& before);
    void clear();
    QImage image() const { return m_after; }
    /// What is shown in place of the look: nothing, or the name of what is held ("untouched").
    void setHeld(const QString& label);
    void setSplit(bool on);
    /// What stands on either side of the line, when it is not before and after.
    void setSplitWords(const QString& left, const QString& right) { m_splitWords = {left, right}; }
    bool isSplit() const { return m_split; }
    double splitPosition() const { return m_splitAt; }
    /// Device pixels there are for the picture.
    QSize pictureSpace() const;
    /// The number of the render that was last painted: the end of the way from input to picture.
    std::uint64_t paintedNumber() const { return m_paintedNumber; }
    QRectF pictureArea() const;
    void setInteractive(bool on);
    /// What is marked on the picture: each ring with its number, the place in hand with its name.
    struct Mark {
        Region place;
        QString label;
        bool named = false;
    };
    void setMarks(const std::vector<Mark>& marks, const Framing& framing);
    /// In marking a click marks a point and a drag a region; the arrow keys and Enter do the same.
    void setMarking(bool on);
    bool isMarking() const { return m_marking; }
    /// Which part of the picture is shown, in fractions: all of it unless pixels are shown in their own size.
    void setPart(const QRectF& part);
    QRectF part() const { return m_part; }

signals:
    void marked(QRectF place);  ///< fractions; a point has no size
    void markingEnded();
    void panned(QPointF by);      ///< fractions of the picture
    void hovered(QPointF place);  ///< fractions of the picture
    void left();
    void dragBegun(QPointF place);
    void dragMoved(QPointF delta);  ///< logical pixels since the drag began
    void dragEnded();
    void activated();
    void resized();

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void leaveEvent(QEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent*) override { update(); }

private:
    void paintSplit(QPainter& painter, const QRectF& area) const;
    void paintFraming(QPainter& painter, const QRectF& area) const;
    void paintMark(QPainter& painter, const Mark& mark) const;
    void paintPointer(QPainter& painter) const;
    enum class Drag { None, Picture, Split, Mark, Pan };
    QPointF placeOf(QPointF position) const;
    QRectF onScreen(const Region& place) const;
    bool isPart() const { return m_part != QRectF(0, 0, 1, 1); }
    void paintMarks(QPainter& painter, const QRectF& area) const;
    void point(QPointF place);

    QImage m_after, m_before;
    QString m_caption, m_message, m_held;
    std::pair<QString, QString> m_splitWords;
    std::uint64_t m_number = 0, m_paintedNumber = 0;
    bool m_split = false, m_interactive = false;
    bool m_focusSeen = false;  ///< the focus came by the keyboard
    double m_splitAt = 0.5;
    Drag m_drag = Drag::None;
    QPointF m_pressed, m_moved;
    std::vector<Mark> m_marks;
    Framing m_framing;
    bool m_marking = false;
    QRectF m_part{0, 0, 1, 1};
    std::optional<QPointF> m_pointer;  ///< where the keyboard points, in fractions
};

}  // namespace amber
