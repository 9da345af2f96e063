#include "app/places/practice/score_plot.h"

#include "app/theme/theme.h"

#include <QLocale>
#include <QPainter>
#include <cmath>

namespace amber {

QString levelWords(Drill drill, double level)
{
    const int decimals = drill == Drill::Stops ? 2 : 1;
    switch (drill) {
    case Drill::Family:
        return ScorePlot::tr("%1 % ahead").arg(theme::decimal(100 * level, 0));
    case Drill::Stops:
        return ScorePlot::tr("%1 stops apart").arg(theme::decimal(level, decimals));
    case Drill::Match:
        return ScorePlot::tr("ΔE00 %1 left").arg(theme::decimal(level, decimals));
    default:
        return ScorePlot::tr("ΔE00 %1").arg(theme::decimal(level, decimals));
    }
}

ScorePlot::ScorePlot(QWidget* parent) : QWidget(parent)
{
    setObjectName("scorePlot");
    setMinimumSize(240, 150);
}

void ScorePlot::show(Drill drill, const std::vector<PracticeHistory::Sitting>& sittings)
{
    constexpr std::size_t kMost = 40;
    m_drill = drill;
    m_sittings.assign(sittings.end() - static_cast<std::ptrdiff_t>(std::min(kMost, sittings.size())), sittings.end());
    setAccessibleName(m_sittings.empty() ? tr("No sitting yet")
                                         : tr("%n sittings; the last: %1", nullptr, static_cast<int>(m_sittings.size()))
                                               .arg(levelWords(drill, m_sittings.back().threshold)));
    update();
}

QRectF ScorePlot::plot() const { return QRectF(rect()).adjusted(44, 10, -8, -10); }

/// Fine differences are at the top.
double ScorePlot::yOf(double level) const
{
    const DrillRange range = rangeOf(m_drill);
    const double at =
        (std::log10(level) - std::log10(range.least)) / (std::log10(range.most) - std::log10(range.least));
    return plot().top() + std::clamp(at, 0.0, 1.0) * plot().height();
}

void ScorePlot::paintScale(QPainter& painter) const
{
    const QRectF area = plot();
    const DrillRange range = rangeOf(m_drill);
    for (int i = 0; i <= 2; ++i) {
        const double level =
            std::pow(10, std::log10(range.least) + i / 2.0 * (std::log10(range.most) - std::log10(range.least)));
        const double y = yOf(level);
        painter.setPen(theme::kHairline);
        painter.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        painter.setPen(theme::kQuietInk);
        painter.drawText(QRectF(0, y - 9, area.left() - 8, 18), Qt::AlignRight | Qt::AlignVCenter,
                         m_drill == Drill::Family ? tr("%1 %").arg(theme::decimal(100 * level, 0))
                                                  : theme::decimal(level, m_drill == Drill::Stops ? 2 : 1));
    }
}

void ScorePlot::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF area = plot();
    painter.fillRect(area, theme::kPaper);
    painter.setFont(theme::font(13));
    paintScale(painter);
    if (m_sittings.empty()) {
        painter.setPen(theme::kQuietInk);
        painter.drawText(area, Qt::AlignCenter, tr("No sitting yet"));
        return;
    }
    QPointF last;
    for (std::size_t i = 0; i < m_sittings.size(); ++i) {
        const auto& s = m_sittings[i];
        const double x = m_sittings.size() == 1 ? area.center().x()
                                                : area.left() + 10 +
                                                      (area.width() - 20) * static_cast<double>(i) /
                                                          static_cast<double>(m_sittings.size() - 1);
        const QPointF at(x, yOf(s.threshold));
        painter.setPen(QPen(theme::kGhost, 1.5));
        painter.drawLine(QPointF(x, yOf(s.threshold * std::pow(10, s.uncertainty))),
                         QPointF(x, yOf(s.threshold / std::pow(10, s.uncertainty))));
        painter.setPen(QPen(theme::kShape, 1.5));
        if (i > 0)
            painter.drawLine(last, at);
        painter.setBrush(theme::kInk);
        painter.drawEllipse(at, 3, 3);
        last = at;
    }
}

}  // namespace amber
