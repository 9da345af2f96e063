// A frame as it was after a gesture, beside the frame as it is.
#pragma once

#include "app/document/document.h"
#include "app/render/finished.h"

#include <QWidget>

namespace amber {

class PictureView;

class ThenNow : public QWidget {
    Q_OBJECT

public:
    ThenNow(Document& document, ProxyStore& proxies, QWidget* parent = nullptr);
    /// `when`: as it is said of the picture then.
    void show(FrameId frame, std::int64_t gesture, const QString& when);
    void showNothing(const QString& words);
    bool isPainted() const { return m_isPainted; }

private:
    void refresh();
    std::optional<FrameMade> then(double sourceRatio) const;
    std::optional<FrameMade> now(double sourceRatio) const;

    Document& m_document;
    ProxyStore& m_proxies;
    PictureView *m_then, *m_now;
    RenderSlot* m_slot;
    FrameId m_frame = 0;
    std::int64_t m_gesture = 0;
    QString m_when;
    std::uint64_t m_number = 0;
    bool m_isPainted = false;
};

}  // namespace amber
