// Renders what the screen shows, off the interface thread. Requests are numbered; only the newest waiting one is run,
// so late answers are never shown and a drag never queues up.
#pragma once

#include "app/display/screen_view.h"
#include "app/render/proxy_store.h"
#include "core/analysis/step_trace.h"
#include "core/engine/render_plan.h"
#include "core/frame/frame_masks.h"
#include "core/look/scope.h"
#include "core/measure/clip_map.h"
#include "core/measure/frame_measures.h"
#include "core/measure/main_colours.h"

#include <QImage>
#include <QSize>
#include <condition_variable>
#include <mutex>
#include <optional>

namespace amber {

struct RenderRequest {
    /// A frame from its untouched proxy on, balanced by the renderer: for light that is being dragged, and for what
    /// is shown without it.
    struct Base {
        std::shared_ptr<const Proxy> untouched;
        FrameBalance balance;
        Response response;
    };
    struct Picture {
        std::int64_t frame;
        std::shared_ptr<const Proxy> proxy;       ///< balanced; none: it is made from `base`
        QSize size;                               ///< device pixels to fit into
        PictureName name = {};                    ///< by which the look knows it
        std::shared_ptr<const Image> whole = {};  ///< shown pixel for pixel, a part of `size` round `centre`
        QPointF centre = {0.5, 0.5};
        std::optional<Base> base = {};
        std::shared_ptr<const FrameAreas> areas = {};  ///< where the look's roles lie
        std::shared_ptr<const Look> look = {};         ///< in the place of the request's
    };
    /// What a picture is shown as: as it came (the camera's own file, only turned upright; beside another state with
    /// the frame's lens, turn and crop, so that both lie alike), balanced, up to before the chosen step, or all of it.
    enum class State { AsItCame, Balanced, BeforeStep, Result };
    /// What is laid over the first picture, in a colour that it does not contain.
    struct Overlay {
        enum class What { Nothing, Step, Family } what = What::Nothing;
        int family = 0;  ///< of the hue shifts that are the step after `entering`
    };
    std::uint64_t number = 0;
    Look look;
    State state = State::Result, beside = State::Balanced;  ///< shown, and given as `before`
    bool liesAlike = false;         ///< as it came is shown with the frame's lens, turn and crop, beside another state
    std::size_t entering = 0;       ///< the picture after so many steps is measured as well
    std::vector<Picture> pictures;  ///< the frame in hand first
    bool measure = true;            ///< measure the first picture
    Overlay overlay;                ///< of the step after `entering`
    std::vector<KeyColour> keys;    ///< traced through the look; those the first picture watches by itself come to them
    Framing framing;                ///< of the first picture
    double clipMargin = -1;         ///< below 0: no overlay of clipped pixels; else within this margin of the ends
    bool markOutside = false;       ///< what the screen cannot show is marked on the first picture
};

/// The frame in hand, measured as it leaves the look, as it came in, and as it enters the chosen step.
struct MeasuredFrame {
    FrameMeasures after, before, entering;
    std::optional<Headroom> headroom;  ///< of a frame shown from its untouched proxy on
    bool isRaw = false;
    std::shared_ptr<const RoleMasks> masks = {};  ///< of the roles that its look uses
};

class RenderService : public QObject {
    Q_OBJECT

public:
    explicit RenderService(RenderQueue& queue, QObject* parent = nullptr);
    ~RenderService() override;

    /// Takes the place of any request not yet begun. Returns its number.
    std::uint64_t submit(RenderRequest request);

signals:
    /// `before` is the picture in the request's state `beside`.
    void rendered(std::uint64_t number, std::int64_t frame, const QImage& after, const QImage& before);
    void measured(std::uint64_t number, const MeasuredFrame& frame);
    /// What every step did to the first picture; follows `measured` when the hand pauses.
    void traced(std::uint64_t number, const LookTrace& trace);

private:
    struct Reduced;
    void showReduced(const RenderRequest& request, const RenderPlan& plan, Reduced& source, const Look& look,
                     std::size_t index);
    static std::size_t stepsOf(const RenderRequest& request);
    static Look lookOf(const RenderRequest& request, const RenderRequest::Picture& picture);
    void measureFirst(const RenderRequest& request, const RenderPlan& plan, const RenderPlan& entering);
    /// A picture at its size on screen. What depends on less is kept longer: a drag of light leaves what stands.
    struct Reduced {
        std::shared_ptr<const Proxy> proxy;
        QSize size;
        Image image;  ///< balanced
        std::shared_ptr<const ViewTransform> view;
        QImage before;                    ///< the same on screen
        std::optional<LinearRgb> absent;  ///< a colour that it does not contain
        std::shared_ptr<const Proxy> untouched;
        Optics optics;
        Geometry geometry;
        Image still, stillSamples;  ///< placed, before its light
        std::optional<Placement> samplesPlacement, stillPlacement;
        FrameBalance lit;
        QImage cameStill, came;  ///< as it came on screen: placed alike, and only upright
        std::shared_ptr<const FrameAreas> areas;
        std::vector<std::string> roles;
        std::shared_ptr<const Proxy> maskedProxy;
        std::shared_ptr<const RoleMasks> masks;  ///< of these roles, by these areas, on this proxy
    };
    /// Measures of one proxy by the hash of the plan it was measured through.
    struct Remembered {
        std::shared_ptr<const Proxy> proxy;
        std::string plan;
        Framing framing;
        std::shared_ptr<const RoleMasks> masks;
        FrameMeasures measures;
    };
    /// The whole picture through a look whose steps need all of it.
    struct WholeResult {
        std::shared_ptr<const Image> source;
        std::string plan;
        std::shared_ptr<const RoleMasks> masks;
        Image image;
    };
    void work();
    void run(const RenderRequest& request);
    static int longEdge(const Reduced& source);
    static RenderOptions optionsOf(const Reduced& source);
    static void mask(Reduced& source, const RenderRequest::Picture& picture, const std::vector<std::string>& roles);
    Reduced& reduced(const RenderRequest::Picture& picture);
    void placeStill(Reduced& entry, const RenderRequest::Picture& picture);
    static void light(Reduced& entry, const RenderRequest::Picture& picture);
    QImage shown(const RenderRequest& request, const RenderRequest::Picture& picture, Reduced& source, const Look& look,
                 RenderRequest::State state, bool isBeside);
    const FrameMeasures& measure(Remembered& last, const Reduced& source, const RenderPlan& plan,
                                 const Framing& framing);
    static void layOver(Reduced& source, const Look& look, const RenderRequest& request, const RenderOptions& options,
                        ImageView picture, MutableImageView out);
    void showPart(const RenderRequest& request, const RenderPlan& plan, Reduced& source, const Look& look);
    void trace(const RenderRequest& request, Reduced& source);
    void traceDue();
    bool isOvertaken();
    QImage pictureOf(const RenderRequest& request, ImageView result, const Reduced* first) const;

    RenderQueue& m_queue;
    std::mutex m_mutex;
    std::condition_variable m_rested, m_asked;
    std::optional<RenderRequest> m_next;
    std::optional<RenderRequest> m_due;  ///< of the work: to be traced when the hand pauses
    bool m_stop = false, m_running = false;
    std::uint64_t m_number = 0;
    QHash<std::int64_t, std::shared_ptr<Reduced>> m_reduced;  ///< of the work
    Remembered m_before, m_entering, m_after;                 ///< of the work
    WholeResult m_whole;                                      ///< of the work
    std::shared_ptr<const ViewTransform> m_view;              ///< of the work
};

}  // namespace amber

Q_DECLARE_METATYPE(amber::MeasuredFrame)
Q_DECLARE_METATYPE(amber::LookTrace)
