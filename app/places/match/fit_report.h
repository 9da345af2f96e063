// What a fit found: the difference each step takes away, and what is left.
#pragma once

#include "core/match/pair_fit.h"

#include <QWidget>

namespace amber {

class FitReport : public QWidget {
    Q_OBJECT

public:
    explicit FitReport(QWidget* parent = nullptr);
    void show(const FittedLook& fit, const std::vector<PlaceStep>& byPlace);
    const FittedLook& fit() const { return m_fit; }

protected:
    void paintEvent(QPaintEvent*) override;
    QSize sizeHint() const override { return {600, 260}; }

private:
    void paintHead(QPainter& painter, int y) const;
    void paintRow(QPainter& painter, int y, const QString& name, double before, double after, const QString& words,
                  bool strong) const;
    QString besides() const;
    FittedLook m_fit;
    std::vector<PlaceStep> m_byPlace;
};

/// "0.84 left (95 %: 1.9, largest 6.2) of 6.14".
QString leftWords(const FittedLook& fit);

}  // namespace amber
