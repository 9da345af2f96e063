// What one step did at one place: the picture before and after it, side by side, with the measured move. A small window
// that goes away with a click elsewhere or Escape.
#pragma once

#include "app/document/document.h"
#include "app/render/render_service.h"

#include <QFrame>

class QLabel;

namespace amber {

class SpotView : public QFrame {
    Q_OBJECT

public:
    SpotView(RenderQueue& queue, QWidget* parent);
    /// `place` in fractions of the picture; the whole picture when it is whole. `above` is where the mark stands on the
    /// screen.
    void show(const Look& look, int step, const std::shared_ptr<const Proxy>& proxy,
              const std::shared_ptr<const FrameAreas>& areas, const Region& place, const QString& title,
              const QString& words, QPoint above);
    bool isAtRest() const { return !m_slot->isBusy(); }
    QString words() const;

private:
    QLabel *m_title, *m_before, *m_after, *m_words;
    RenderSlot* m_slot;
};

}  // namespace amber
