#include "app/places/match/fit_report.h"

#include "app/document/document.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

/// The names of stages are those of core/fit; here they are put into the user's language.
QString stageTitle(const FitStage& stage)
{
    const std::pair<const char*, QString> titles[] = {
        {"Tone curve", QCoreApplication::translate("FitReport", "Tone curve")},
        {"Split toning", QCoreApplication::translate("FitReport", "Split toning")},
        {"Primaries and chroma", QCoreApplication::translate("FitReport", "Primaries and chroma")},
        {"Hue shifts", QCoreApplication::translate("FitReport", "Hue shifts")},
        {"Edge darkening", QCoreApplication::translate("FitReport", "Edge darkening")},
        {"Table", QCoreApplication::translate("FitReport", "Small table")}};
    for (const auto& [id, words] : titles)
        if (stage.what == id)
            return words;
    return text(stage.what);
}

}  // namespace

QString leftWords(const FittedLook& fit)
{
    return QCoreApplication::translate("FitReport", "mean ΔE %1 of %2 is left; 95 % within %3, largest %4")
        .arg(theme::number(fit.left.mean, 2), theme::number(fit.untouched.mean, 2),
             theme::number(fit.left.percentile95, 1), theme::number(fit.left.maximum, 1));
}

FitReport::FitReport(QWidget* parent) : QWidget(parent)
{
    setObjectName("fitReport");
    setAccessibleName(tr("What each step explains"));
}

QString FitReport::besides() const
{
    QStringList words;
    for (const PlaceStep& step : m_byPlace)
        words << (step.what == "Grain" ? tr("grain %1, of %2 ‰ of the long edge")
                                             .arg(theme::number(step.amount, 3), theme::number(step.size, 1))
                                       : tr("local contrast %1 over %2 % of the long edge")
                                             .arg(theme::number(step.amount, 2), theme::number(step.size, 0)));
    return words.isEmpty() ? QString() : tr("Besides, by place: %1.").arg(words.join(QStringLiteral("; ")));
}

void FitReport::show(const FittedLook& fit, const std::vector<PlaceStep>& byPlace)
{
    m_fit = fit, m_byPlace = byPlace;
    QStringList words;
    for (const FitStage& stage : fit.stages)
        words << tr("%1: ΔE %2 to %3")
                     .arg(stageTitle(stage), theme::number(stage.before, 2), theme::number(stage.after, 2));
    words << leftWords(fit) << besides();
    words.removeAll(QString());
    setAccessibleDescription(words.join(QStringLiteral("; ")));
    update();
}

namespace {

constexpr int kRow = 22, kNames = 180, kNumbers = 340;

}  // namespace

void FitReport::paintHead(QPainter& painter, int y) const
{
    const QRectF bars(kNames, 0, width() - kNames - kNumbers, 0);
    painter.setFont(theme::font(13));
    painter.setPen(theme::kQuietInk);
    painter.drawText(QRect(14, y, kNames, 20), Qt::AlignVCenter, tr("Step"));
    painter.drawText(QRectF(bars.left(), y, bars.width(), 20), Qt::AlignVCenter, tr("Mean ΔE00 as each step is added"));
    painter.drawText(QRect(width() - kNumbers + 16, y, kNumbers - 30, 20), Qt::AlignVCenter,
                     tr("Explains; unseen: colours kept from the fit"));
}

namespace {

/// What the whole length of a bar stands for: a step may lead farther away than the picture was.
double longest(const FittedLook& fit)
{
    double most = std::max(fit.untouched.mean, 1e-6);
    for (const FitStage& stage : fit.stages)
        most = std::max(most, stage.after);
    return most;
}

/// What a step took away, and what its kind does to colours that were kept from the fit.
QString stageWords(const FitStage& stage, double full)
{
    const QString seen = FitReport::tr("%1 %, ΔE %2 → %3")
                             .arg(theme::number(100 * (stage.before - stage.after) / full, 0),
                                  theme::number(stage.before, 2), theme::number(stage.after, 2));
    return stage.unseenAfter < 0
               ? seen
               : FitReport::tr("%1; unseen %2 → %3")
                     .arg(seen, theme::number(stage.unseenBefore, 2), theme::number(stage.unseenAfter, 2));
}

}  // namespace

void FitReport::paintRow(QPainter& painter, int y, const QString& name, double before, double after,
                         const QString& words, bool strong) const
{
    const double full = longest(m_fit);
    const QRectF bars(kNames, 0, width() - kNames - kNumbers, 0);
    painter.setPen(theme::kHairline);
    painter.drawLine(0, y, width(), y);
    painter.setFont(theme::font(13, strong));
    painter.setPen(theme::kInk);
    painter.drawText(QRect(14, y, kNames - 20, kRow), Qt::AlignVCenter, name);
    const double from = bars.left() + before / full * bars.width(), to = bars.left() + after / full * bars.width(),
                 middle = y + kRow / 2.0;
    painter.fillRect(QRectF(bars.left(), middle - 5, to - bars.left(), 10), theme::kShape);
    painter.fillRect(QRectF(to, middle - 5, std::max(0.0, from - to), 10), theme::kPressed);
    painter.fillRect(QRectF(from - 1, middle - 8, 2, 16), theme::kShape);
    painter.setFont(theme::font(13));
    painter.drawText(QRect(width() - kNumbers + 16, y, kNumbers - 30, kRow), Qt::AlignVCenter, words);
}

void FitReport::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kPaper);
    if (m_fit.stages.empty())
        return;
    painter.setRenderHint(QPainter::Antialiasing);
    const double full = std::max(m_fit.untouched.mean, 1e-6);
    int y = 10;
    paintHead(painter, y);
    y += 24;
    const auto row = [&](const QString& name, double before, double after, const QString& words, bool strong) {
        paintRow(painter, y, name, before, after, words, strong);
        y += kRow;
    };
    row(tr("As it was"), m_fit.untouched.mean, m_fit.untouched.mean,
        tr("ΔE %1").arg(theme::number(m_fit.untouched.mean, 2)), false);
    for (const FitStage& stage : m_fit.stages)
        row(stageTitle(stage), stage.before, stage.after, stageWords(stage, full), false);
    row(tr("Left"), m_fit.left.mean, m_fit.left.mean,
        tr("ΔE %1, 95 % %2, largest %3")
            .arg(theme::number(m_fit.left.mean, 2), theme::number(m_fit.left.percentile95, 1),
                 theme::number(m_fit.left.maximum, 1)),
        true);
    painter.setPen(theme::kQuietInk);
    const auto remark = [&](const QString& words) {
        painter.drawText(QRect(14, y, width() - 28, kRow), Qt::AlignVCenter, words);
        y += kRow;
    };
    if (!m_byPlace.empty())
        remark(besides());
    if (std::any_of(m_fit.stages.begin(), m_fit.stages.end(), [](const FitStage& s) { return s.after > s.before; }))
        remark(tr("The steps were fitted together: one may lead away by itself that the next one needs."));
}

}  // namespace amber
