// Labels that fit where they are put: of one line, which ends in an ellipsis where it has no room while its tip stays
// whole; and of several, as high as their words are.
#pragma once

#include <QHelpEvent>
#include <QLabel>
#include <QPainter>
#include <QStyle>
#include <QToolTip>

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
    bool event(QEvent* event) override
    {
        if (event->type() != QEvent::ToolTip || !toolTip().isEmpty())
            return QLabel::event(event);
        if (fontMetrics().horizontalAdvance(text()) > contentsRect().width())
            QToolTip::showText(static_cast<QHelpEvent*>(event)->globalPos(), text(), this);
        return true;
    }
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        style()->drawItemText(&painter, contentsRect(), static_cast<int>(alignment()), palette(), isEnabled(),
                              fontMetrics().elidedText(text(), Qt::ElideRight, contentsRect().width()),
                              foregroundRole());
    }
};

/// Layouts inside panes do not ask a label how high it is for a width; this one says it for the width it has.
class WrappedLabel : public QLabel {
public:
    explicit WrappedLabel(QWidget* parent) : QLabel(parent) { setWordWrap(true); }
    QSize sizeHint() const override { return {QLabel::sizeHint().width(), heightForWidth(width())}; }
    QSize minimumSizeHint() const override { return {QLabel::minimumSizeHint().width(), heightForWidth(width())}; }

protected:
    void resizeEvent(QResizeEvent* event) override
    {
        QLabel::resizeEvent(event);
        updateGeometry();
    }
};

}  // namespace amber
