// What is being drawn on the frame in hand: its picture made ready, the area as it stands under the hand, and the
// gestures that strokes, boxes and shapes become.
#pragma once

#include "app/places/areas/areas_model.h"
#include "core/area/area_mask.h"

namespace amber {

class AreaHand : public QObject {
    Q_OBJECT

public:
    AreaHand(Document& document, AreasModel& model, ProxyStore& proxies, QObject* parent);

    /// Takes a frame and the model's role in hand.
    void take(FrameId frame);
    FrameId frame() const { return m_frame; }
    bool isReady() const { return m_ground != nullptr; }
    bool isBusy() const { return m_making->isBusy() || m_working->isBusy() || m_veiling->isBusy(); }
    /// The area as it is shown: under the hand, else as the job keeps it; null: none.
    const Area* area() const;

    void stroke(const Stroke& stroke, bool isOpposite);
    void brush(const Stroke& stroke, bool isOpposite);
    void box(const Region& box);
    void moveShape(const AreaPart& part, bool isNew);
    void endShape();
    /// It is not placed after all.
    void leaveShape();
    /// The last ramp or ellipse of the area, whose handles are shown.
    std::optional<AreaPart> shape() const;
    /// Another of what was offered.
    void another();
    bool hasOthers() const { return m_model.offersOf(m_frame).size() > 1; }

signals:
    void pictureReady(const QImage& picture);
    void failed(const QString& why);
    void veilReady(const QImage& veil);
    void shapeLeft();

private:
    struct Ground;
    void veilAnew();
    void commit(Area area, const QString& action);
    const Found* found() const;

    Document& m_document;
    AreasModel& m_model;
    RenderSlot *m_making, *m_working, *m_veiling;
    FrameId m_frame = 0;
    std::shared_ptr<const Ground> m_ground;
    std::optional<Area> m_draft;
    std::vector<Said> m_said;
    std::size_t m_settled = 0;  ///< so many of them are in the mask
    std::string m_saidOf;       ///< hash of the mask that came of it
};

}  // namespace amber
