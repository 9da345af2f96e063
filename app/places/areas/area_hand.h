// What is being drawn on the frame in hand: its picture made ready, the area as it stands under the hand, and the
// gestures that strokes, boxes and shapes become.
#pragma once

#include "app/places/areas/areas_model.h"
#include "core/area/area_mask.h"

#include <QTimer>

namespace amber {

class AreaHand : public QObject {
    Q_OBJECT

public:
    AreaHand(Document& document, AreasModel& model, ProxyStore& proxies, QObject* parent);

    /// Takes a frame and the model's role in hand.
    void take(FrameId frame);
    FrameId frame() const { return m_frame; }
    bool isReady() const { return m_ground != nullptr; }
    bool isBusy() const { return m_making->isBusy() || m_working->isBusy() || m_veiling->isBusy() || m_isWaiting; }
    bool isMeasuring() const { return m_calm->isActive() || m_measuring->isBusy(); }
    /// The area as it is shown: under the hand, else as the job keeps it; null: none.
    const Area* area() const;

    void stroke(const Stroke& stroke, bool isOpposite);
    void brush(const Stroke& stroke, bool isOpposite);
    /// What a box holds becomes a part: in place of what was found of the same thing, or was only offered;
    /// else besides the others.
    void box(const Region& box, bool isOpposite);
    void moveShape(const AreaPart& part, bool isNew);
    void endShape();
    /// It is not placed after all.
    void leaveShape();
    /// Colours of a place of the picture: a part of its own; the part in hand, when it is such a range, is widened.
    void pickColours(const Region& place, bool isOpposite);
    /// The part in hand, the last one if none was chosen; -1 and nothing without any.
    int partInHand() const;
    std::optional<AreaPart> part() const;
    void choosePart(int index);
    /// Numbers typed: shown at once, kept when the hand pauses.
    void edit(Area area, const QString& action);
    void editPart(const AreaPart& part, const QString& action);
    void removePart();
    /// Keeps what waits for a pause of the hand.
    void flush();
    /// Another of what was offered.
    void another();
    bool hasOthers() const { return m_model.offersOf(m_frame).size() > 1; }

signals:
    void pictureReady(const QImage& picture);
    void failed(const QString& why);
    void veilReady(const QImage& veil);
    void shapeLeft();
    void partChosen();
    void measured(const QString& words);

private:
    struct Ground;
    void veilAnew();
    void measureAnew();
    Area drawnArea() const;
    void commit(Area area, const QString& action);
    const Found* found() const;

    Document& m_document;
    AreasModel& m_model;
    RenderSlot *m_making, *m_working, *m_veiling, *m_measuring;
    QTimer *m_pause, *m_calm;
    QString m_action;  ///< of what waits
    bool m_isWaiting = false;
    int m_part = -1;  ///< -1: the last
    FrameId m_frame = 0;
    std::shared_ptr<const Ground> m_ground;
    std::optional<Area> m_draft;
    std::vector<Said> m_said;
    std::size_t m_settled = 0;  ///< so many of them are in the mask
    std::string m_saidOf;       ///< hash of the mask that came of it
};

}  // namespace amber
