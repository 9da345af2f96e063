// The reference on the left, ours on the right; ours can be laid over the reference with a line to wipe, or shown as a
// map of what differs.
#pragma once

#include "app/render/render_queue.h"
#include "core/balance/registration.h"
#include "core/frame/frame_balance.h"
#include "core/frame/frame_masks.h"
#include "core/look/look.h"

#include <QWidget>
#include <optional>

namespace amber {

class PictureView;

class MatchPictures : public QWidget {
    Q_OBJECT

public:
    explicit MatchPictures(RenderQueue& queue, QWidget* parent = nullptr);

    struct Side {
        std::shared_ptr<const Image> picture;  ///< none: the message is shown
        Look look;                             ///< through which it is seen
        int deliveredLongEdge = 0;
        FrameBalance lies = {};  ///< its lens, turn and crop are laid on the picture first
        QString caption, message;
        std::shared_ptr<const FrameAreas> areas = {};  ///< where the roles of the look lie
    };
    /// `lies`: how ours lies in the reference, when both show one thing. `map` 0 for pictures, else a map: lightness,
    /// chroma, hue.
    void show(const Side& reference, const Side& ours, const std::optional<Registration>& lies, bool wipe, int map);
    bool isAtRest() const { return !m_slot->isBusy(); }
    PictureView& reference() { return *m_reference; }
    PictureView& ours() { return *m_ours; }

signals:
    void resized();

protected:
    void paintEvent(QPaintEvent*) override;

private:
    PictureView *m_reference, *m_ours;
    RenderSlot* m_slot;
    std::uint64_t m_number = 0;
};

}  // namespace amber
