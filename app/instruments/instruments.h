// The instruments beside the wall: tone skyline with clip shares and targets, neutral trail, hue map, key colours, and
// what lies under the pointer. Before is a ghost line.
#pragma once

#include "app/bench/step_editor.h"
#include "app/theme/panes.h"
#include "core/analysis/step_trace.h"

#include <QWidget>
#include <functional>
#include <optional>

namespace amber {

class KeyList;

class Instruments : public QWidget {
    Q_OBJECT

public:
    static constexpr Panes::Size kPane{216, 216, 420};
    explicit Instruments(Document& document, QWidget* parent = nullptr);
    KeyList& keys() { return *m_keys; }
    void setTrace(const LookTrace& trace);
    void setMeasures(const MeasuredFrame& frame);
    void setProbe(const std::optional<Probe>& probe);
    void clear();
    /// Whether the greys shown go through the look, or stay as they are.
    void setWithLook(bool on);
    QSize sizeHint() const override { return {kPane.usual, 300}; }

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;

private:
    void paintNeutrals(QPainter& painter, const QRectF& area, const std::function<double(double)>& y) const;
    void paintPlan(QPainter& painter, const QRectF& area) const;
    void paintHues(QPainter& painter, const QRectF& area) const;
    /// Where each instrument begins.
    static constexpr int kSkyline = 6, kTrail = 168, kHueMap = 240, kKeys = 322, kProbeHeight = 126;
    /// On a low window the key colours stand in the place of the hue map.
    int keysTop() const { return height() >= kKeys + kProbeHeight + 70 ? kKeys : kHueMap; }
    double paintHeading(QPainter& painter, double top, const QString& words) const;
    double paintSkyline(QPainter& painter, double top) const;
    double paintClipping(QPainter& painter, double top) const;
    void paintTargets(QPainter& painter, const QRectF& area) const;
    void paintClipPlaces(QPainter& painter, const QRectF& area, const std::array<double, 9>& places) const;
    void paintTrail(QPainter& painter, double top) const;
    void renewTrail();
    double paintHueMap(QPainter& painter, double top) const;
    void paintProbe(QPainter& painter, double top) const;
    void describe();
    QRectF column(double top, double height) const;

    Document& m_document;
    KeyList* m_keys;
    std::vector<OkLab> m_trail;         ///< greys from black to white as they leave the look
    std::vector<HueFamily> m_families;  ///< of the chosen step, when it is hue shifts
    double m_torn = -1;                 ///< hue at which they nearly fold; below 0: nowhere
    std::optional<LookTrace> m_trace;
    std::optional<MeasuredFrame> m_frame;
    std::optional<Probe> m_probe;
    bool m_withLook = true;
};

}  // namespace amber
