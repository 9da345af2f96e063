// A label of one line that ends in an ellipsis where it has no room; its text and its tip stay whole.
#pragma once

#include <QLabel>
#include <QPainter>
#include <QStyle>

namespace amber {

class LineLabel : public QLabel {
public:
    explicit LineLabel(QWidget* parent) : QLabel(parent)
    {
        setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    }
    /// As the tip too.
    void setLine(const QString& words)
    {
        setText(words);
        setToolTip(words);
    }

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        style()->drawItemText(&painter, contentsRect(), Qt::AlignLeft | Qt::AlignVCenter, palette(), isEnabled(),
                              fontMetrics().elidedText(text(), Qt::ElideRight, contentsRect().width()),
                              foregroundRole());
    }
};

}  // namespace amber
