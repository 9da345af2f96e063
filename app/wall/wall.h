// The wall: the frame in hand, large, beside companions from the rest of the shoot. All of them show the look live.
#pragma once

#include "app/document/document.h"
#include "app/render/render_service.h"
#include "app/wall/picture_view.h"

namespace amber {

class Wall : public QWidget {
    Q_OBJECT

public:
    Wall(Document& document, ProxyStore& proxies, RenderService& renders, QWidget* parent = nullptr);

    PictureView& inHand() { return *m_inHand; }
    RenderQueue& queue() { return m_proxies.queue(); }
    const std::vector<PictureView*>& companionViews() const { return m_companions; }
    using State = RenderRequest::State;
    /// What a held key shows in place of the look: one of three befores, each by its name.
    enum class Hold { Nothing, AsItCame, Balanced, BeforeStep };
    void hold(Hold what);
    void setSplit(bool on);
    /// What stands on either side of the line: any two.
    void setSplitStates(State left, State right);
    std::pair<State, State> splitStates() const { return m_splitStates; }
    static QString wordsOf(State state);
    /// Clipped pixels are marked on the frame in hand.
    void setClipping(bool on);
    bool isClipping() const { return m_clipping; }
    /// What is laid over the frame in hand, in a colour it does not contain; `words` go to its caption.
    void setOverlay(const RenderRequest::Overlay& overlay, const QString& words);
    /// One pixel of the picture on one of the screen, round `centre` (fractions), or the whole picture fitted.
    void setActualSize(bool on, QPointF centre = {0.5, 0.5});
    bool isActualSize() const { return m_actual; }
    /// Only the frame in hand is shown.
    void setQuiet(bool on);
    /// The number of the key colour that is shown with its name; -1 none.
    void setNamedMark(int key);
    void showMarks();
    std::uint64_t tracedNumber() const { return m_tracedNumber; }
    std::shared_ptr<const Proxy> proxyInHand();
    /// The frame in hand from its untouched proxy on; nothing while that is not read.
    std::optional<RenderRequest::Base> baseInHand();
    /// The number of the newest render asked for.
    std::uint64_t requested() const { return m_requested; }
    /// The number of the render that was last measured.
    std::uint64_t measuredNumber() const { return m_measuredNumber; }

signals:
    void measured(const MeasuredFrame& frame);
    void traced(const LookTrace& trace);
    void proxyChanged();

protected:
    void resizeEvent(QResizeEvent*) override;
    void paintEvent(QPaintEvent*) override;

private:
    /// At 100 %: the part of the whole picture round the centre.
    void showActual(RenderRequest::Picture& picture, const Frame& frame);
    void addCompanion();
    void rebuild();
    void place();
    void requestRender();
    QString unmarkedWords(FrameId id) const;
    void addPicture(RenderRequest& request, FrameId id, PictureView& view);
    State heldState() const;
    RenderRequest::Base baseOf(const Frame& frame);
    /// Where a frame is shown.
    std::vector<PictureView*> viewsOf(std::int64_t frame) const;
    void show(std::uint64_t number, std::int64_t frame, const QImage& after, const QImage& before);

    Document& m_document;
    ProxyStore& m_proxies;
    RenderService& m_renders;
    PictureView* m_inHand;
    std::vector<PictureView*> m_companions;
    RenderRequest::Overlay m_overlay;
    QString m_overlayWords;
    std::vector<KeyColour> m_watched;  ///< of the last trace: the marked ones, then the automatic ones
    int m_namedMark = -1;
    std::pair<State, State> m_splitStates{State::Balanced, State::Result};
    bool m_clipping = false;
    bool m_actual = false, m_quiet = false;
    QPointF m_centre{0.5, 0.5};
    Hold m_hold = Hold::Nothing;
    std::uint64_t m_requested = 0, m_measuredNumber = 0, m_tracedNumber = 0;
};

}  // namespace amber
