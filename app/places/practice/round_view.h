// What a round shows: one picture with a mark, two beside each other, or nine.
#pragma once

#include "core/practice/drill.h"

#include <QImage>
#include <QWidget>

namespace amber {

class RoundView : public QWidget {
    Q_OBJECT

public:
    explicit RoundView(QWidget* parent = nullptr);
    void show(const DrillRound& round);
    /// Another second picture: the one that is being moved.
    void setMoved(const Image& picture);
    void setMessage(const QString& words);
    /// The tile that the keys are on; -1: none.
    void setChosen(int tile);
    /// After the answer: which tile was right.
    void reveal(int tile);
    int tiles() const { return static_cast<int>(m_pictures.size()); }
    QRectF tile(int index) const;
    bool isPainted() const { return m_isPainted; }

signals:
    void tileClicked(int index);

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    void paintTile(QPainter& painter, int i) const;
    void paintMark(QPainter& painter) const;
    std::vector<QImage> m_pictures;
    QStringList m_captions;
    std::optional<QPointF> m_mark;
    QString m_message;
    int m_chosen = -1, m_right = -1;
    bool m_isPainted = false;
};

}  // namespace amber
