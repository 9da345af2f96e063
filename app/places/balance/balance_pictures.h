// The pictures of the Balance place: the frame in hand, live under the hand, with its instruments' measures; the lead
// of its light and the frame as it came beside it; and what is done on the picture: dragging light, picking neutrals,
// drawing a crop or a straight line.
#pragma once

#include "app/places/balance/light_hand.h"
#include "app/render/render_service.h"
#include "app/wall/picture_view.h"

namespace amber {

class CropOverlay;

class BalancePictures : public QWidget {
    Q_OBJECT

public:
    BalancePictures(Document& document, ProxyStore& proxies, LightHand& hand, QWidget* parent);

    PictureView& inHand() { return *m_inHand; }
    CropOverlay& crop() { return *m_crop; }
    using State = RenderRequest::State;
    enum class Doing { Nothing, Picking, Cropping, Drawing };
    Doing doing() const { return m_doing; }
    void setDoing(Doing what);
    /// The look over the balance, or the balance alone.
    void setWithLook(bool on);
    bool isWithLook() const { return m_withLook; }
    void hold(std::optional<State> state);
    void setSplit(bool on);
    void setClipping(bool on);
    bool isClipping() const { return m_clipping; }
    /// What dragging on the picture moves while a key is held; nothing when none is.
    void holdPart(std::optional<LightPart> part);
    /// Everything anew; only the frame in hand.
    void refresh(const QString& stateWords);
    void renderInHand();
    std::shared_ptr<const Proxy> untouched(FrameId frame);
    double ratioOf(FrameId frame);
    std::uint64_t requested() const { return m_requested; }
    FrameId leadOf(FrameId frame) const;

signals:
    void measured(const MeasuredFrame& frame);
    void traced(const LookTrace& trace);
    void cropMoved(const Region& crop);
    void cropEnded();
    void picked(const LinearRgb& untouched);
    void lineDrawn(const std::vector<QPointF>& places);  ///< of the source, fractions
    void doingChanged();
    void probed(std::optional<QPointF> place);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void showEvent(QShowEvent*) override;

private:
    void connectPicture();
    void markedAt(const QRectF& place);
    void dragged(QPointF delta);
    void endLine();
    void showLine();
    FrameBalance shownBalance(FrameId frame) const;
    void showSmall(PictureView& view, RenderSlot& slot, const Frame* of, bool balanced, const QString& caption);
    QString captionWords() const;

    Document& m_document;
    ProxyStore& m_proxies;
    LightHand& m_hand;
    RenderService m_renders;
    PictureView *m_inHand, *m_lead, *m_came;
    CropOverlay* m_crop;
    RenderSlot *m_leadSlot, *m_cameSlot;
    Doing m_doing = Doing::Nothing;
    bool m_withLook = false, m_clipping = false;
    std::optional<State> m_held;
    std::optional<LightPart> m_part;
    double m_dragFrom = 0;
    std::vector<QPointF> m_line;  ///< places on the finished picture
    QString m_stateWords;
    std::uint64_t m_requested = 0, m_smallNumber = 0;
};

}  // namespace amber
