// What a step, or one of its controls, does: three small curves measured by running the step on test colours. Lightness
// over the tone axis (for a spatial step, the contrast of a texture as well), chroma and hue over the hue axis.
#pragma once

#include "core/look/look.h"

#include <QWidget>
#include <optional>

class QTimer;

namespace amber {

class EffectPlot : public QWidget {
    Q_OBJECT

public:
    explicit EffectPlot(QWidget* parent = nullptr);

    void show(const Step& step);
    /// Shows one control alone: the field at this place in the parameters (a JSON pointer), against its value in a new
    /// step. A control that stands there is shown moved a quarter of its way. Empty: the whole step.
    void explain(const std::string& pointer, const QString& label, double low, double high);

    struct Effect {
        std::vector<double> lightness, texture, chroma,
            turn;  ///< changes of L; factors of contrast; factors of chroma; degrees
    };
    /// The difference `with` makes against `without`.
    static Effect measure(const Step& with, const Step& without);
    QString title() const { return m_title; }

protected:
    void paintEvent(QPaintEvent*) override;

private:
    struct Row;
    void paintRow(QPainter& painter, const Row& row, const QRect& area) const;
    void recompute();
    void renew();
    QTimer* m_later;
    Step m_step;
    std::string m_pointer;
    QString m_label, m_title;
    double m_low = 0, m_high = 1;
    std::optional<Effect> m_effect;
};

}  // namespace amber
