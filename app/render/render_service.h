// Renders what the screen shows, off the interface thread. Requests are numbered; only the newest waiting one is run,
// so late answers are never shown and a drag never queues up.
#pragma once

#include "app/render/proxy_store.h"
#include "core/analysis/step_trace.h"
#include "core/engine/render_plan.h"
#include "core/measure/frame_measures.h"
#include "core/measure/main_colours.h"

#include <QImage>
#include <QSize>
#include <condition_variable>
#include <mutex>
#include <optional>

namespace amber {

struct RenderRequest {
    struct Picture {
        std::int64_t frame;
        std::shared_ptr<const Proxy> proxy;
        QSize size;                               ///< device pixels to fit into
        std::string name = {};                    ///< by which the look knows it
        std::shared_ptr<const Image> whole = {};  ///< shown pixel for pixel, a part of `size` round `centre`
        QPointF centre = {0.5, 0.5};
    };
    /// What is laid over the first picture, in a colour that it does not contain.
    struct Overlay {
        enum class What { Nothing, Step, Family } what = What::Nothing;
        int family = 0;  ///< of the hue shifts that are the step after `entering`
    };
    std::uint64_t number = 0;
    Look look;
    std::size_t steps = kStepLimit;  ///< how many steps to run: fewer for "before this step"
    std::size_t entering = 0;        ///< the picture after so many steps is measured as well
    std::vector<Picture> pictures;   ///< the frame in hand first
    bool measure = true;             ///< measure the first picture
    Overlay overlay;                 ///< of the step after `entering`
    std::vector<KeyColour> keys;  ///< traced through the look; those the first picture watches by itself come to them
    Framing framing;              ///< of the first picture
};

/// The frame in hand, measured as it leaves the look, as it came in, and as it enters the chosen step.
struct MeasuredFrame {
    FrameMeasures after, before, entering;
};

class RenderService : public QObject {
    Q_OBJECT

public:
    explicit RenderService(RenderQueue& queue, QObject* parent = nullptr);
    ~RenderService() override;

    /// Takes the place of any request not yet begun. Returns its number.
    std::uint64_t submit(RenderRequest request);

signals:
    /// `before` is the untouched picture at the same size.
    void rendered(std::uint64_t number, std::int64_t frame, const QImage& after, const QImage& before);
    void measured(std::uint64_t number, const MeasuredFrame& frame);
    /// What every step did to the first picture; follows `measured` when the hand pauses.
    void traced(std::uint64_t number, const LookTrace& trace);

private:
    struct Reduced;
    void showReduced(const RenderRequest& request, const RenderPlan& plan, Reduced& source, const Look& look,
                     std::size_t index);
    void measureFirst(const RenderRequest& request, const RenderPlan& plan, const RenderPlan& entering);
    struct Reduced {
        std::shared_ptr<const Proxy> proxy;
        QSize size;
        Image image;
        QImage before;
        std::optional<LinearRgb> absent;  ///< a colour that it does not contain
    };
    /// Measures of one proxy by the hash of the plan it was measured through.
    struct Remembered {
        std::shared_ptr<const Proxy> proxy;
        std::string plan;
        Framing framing;
        FrameMeasures measures;
    };
    /// The whole picture through a look whose steps need all of it.
    struct WholeResult {
        std::shared_ptr<const Image> source;
        std::string plan;
        Image image;
    };
    void work();
    void run(const RenderRequest& request);
    static int longEdge(const Reduced& source);
    Reduced& reduced(const RenderRequest::Picture& picture);
    const FrameMeasures& measure(Remembered& last, const Reduced& source, const RenderPlan& plan,
                                 const Framing& framing);
    static void layOver(Reduced& source, const Look& look, const RenderRequest& request, const RenderOptions& options,
                        ImageView picture, MutableImageView out);
    void showPart(const RenderRequest& request, const RenderPlan& plan, Reduced& source, const Look& look);
    void trace(const RenderRequest& request, Reduced& source);
    bool isOvertaken();

    RenderQueue& m_queue;
    std::mutex m_mutex;
    std::condition_variable m_rested;
    std::optional<RenderRequest> m_next;
    bool m_stop = false, m_running = false;
    std::uint64_t m_number = 0;
    QHash<std::int64_t, std::shared_ptr<Reduced>> m_reduced;  ///< of the work
    Remembered m_before, m_entering, m_after;                 ///< of the work
    WholeResult m_whole;                                      ///< of the work
};

}  // namespace amber

Q_DECLARE_METATYPE(amber::MeasuredFrame)
Q_DECLARE_METATYPE(amber::LookTrace)
