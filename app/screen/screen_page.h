// A page of known greys and colours, to see whether a screen can be judged by.
#pragma once

#include "core/colour/types.h"

#include <QWidget>

namespace amber {

class ScreenPage : public QWidget {
    Q_OBJECT

public:
    explicit ScreenPage(QWidget* parent = nullptr);
    QSize sizeHint() const override { return {560, 600}; }
    QSize minimumSizeHint() const override { return {460, 540}; }

protected:
    void paintEvent(QPaintEvent*) override;

private:
    void paintEnds(QPainter& painter, const QRect& area, bool isBlack) const;
    void paintGreys(QPainter& painter, const QRect& area) const;
    void paintRamps(QPainter& painter, const QRect& area) const;
    void paintPatches(QPainter& painter, const QRect& area) const;
};

}  // namespace amber
