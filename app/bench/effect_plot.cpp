#include "app/bench/effect_plot.h"

#include "app/document/document.h"
#include "app/theme/theme.h"
#include "core/colour/oklab.h"
#include "core/engine/render_plan.h"

namespace amber {
namespace {

constexpr int kPause = 60, kTones = 48, kHues = 36, kColumn = 20, kRows = 24;
constexpr double kTexture = 0.03, kHueL = 0.65, kHueChroma = 0.1;

/// Tones from black to white, each a patch with a fine texture; hues are plain patches.
Image testPicture(bool tones)
{
    const int patches = tones ? kTones : kHues;
    Image image(patches * kColumn, kRows);
    for (int y = 0; y < kRows; ++y)
        for (int x = 0; x < image.width(); ++x) {
            const int patch = x / kColumn;
            OkLab lab{(patch + 0.5) / kTones + ((x / 2 + y / 2) % 2 ? kTexture : -kTexture), 0, 0};
            if (!tones)
                lab = toOkLab(OkLch{kHueL, kHueChroma, 360.0 * patch / kHues});
            const LinearRgb c = toLinearRgb(lab);
            float* p = image.mutableView().row(y) + 3 * x;
            p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
        }
    return image;
}

struct Patch {
    OkLab mean;
    double deviation;
};

std::vector<Patch> through(const Step& step, const Image& picture)
{
    Look look;
    look.steps.push_back(step);
    std::vector<Patch> result;
    const auto plan = RenderPlan::compile(look);
    if (!plan)
        return result;
    Image out(picture.width(), picture.height());
    render(*plan, picture.view(), out.mutableView());
    for (int x = 0; x < out.width(); x += kColumn) {
        Patch patch{};
        double square = 0;
        // Without the columns beside the next patch.
        for (int y = 0; y < kRows; ++y)
            for (int i = 4; i < kColumn - 4; ++i) {
                const float* p = out.view().row(y) + 3 * (x + i);
                const OkLab lab = toOkLab(LinearRgb{p[0], p[1], p[2]});
                patch.mean.L += lab.L, patch.mean.a += lab.a, patch.mean.b += lab.b, square += lab.L * lab.L;
            }
        constexpr double kCount = kRows * (kColumn - 8);
        patch.mean = {patch.mean.L / kCount, patch.mean.a / kCount, patch.mean.b / kCount};
        patch.deviation = std::sqrt(std::max(0.0, square / kCount - patch.mean.L * patch.mean.L));
        result.push_back(patch);
    }
    return result;
}

}  // namespace

EffectPlot::EffectPlot(QWidget* parent) : QWidget(parent), m_later(new QTimer(this))
{
    setObjectName("effectPlot");
    setAccessibleName(tr("What it does to lightness, chroma and hue"));
    setToolTip(tr("Measured on test colours: the whole step, or the control under the pointer or with the focus"));
    setFixedWidth(138);
    m_later->setSingleShot(true);
    m_later->setInterval(kPause);
    connect(m_later, &QTimer::timeout, this, [this] {
        m_effect.reset();
        update();
    });
}

void EffectPlot::show(const Step& step)
{
    if (m_effect && step == m_step)
        return;
    m_step = step;
    m_step.guard.where = {};  // what it does where its role is
    renew();
}

void EffectPlot::renew()
{
    // The picture comes first: what is shown stays until the hand pauses.
    if (!m_effect)
        return update();
    m_later->start();
}

void EffectPlot::explain(const std::string& pointer, const QString& label, double low, double high)
{
    if (pointer == m_pointer && label == m_label)
        return;
    m_pointer = pointer, m_label = label, m_low = low, m_high = high;
    m_effect.reset();
    renew();
}

namespace {

/// A step by colour alone needs no picture: one colour for each patch.
std::vector<Patch> throughColours(const Step& step, bool tones)
{
    std::vector<Patch> result;
    for (int i = 0; i < (tones ? kTones : kHues); ++i) {
        const OkLab lab =
            tones ? OkLab{(i + 0.5) / kTones, 0, 0} : toOkLab(OkLch{kHueL, kHueChroma, 360.0 * i / kHues});
        result.push_back({toOkLab(evaluate(step, toLinearRgb(lab))), 0});
    }
    return result;
}

std::vector<Patch> patches(const Step& step, bool tones)
{
    static const Image pictures[] = {testPicture(false), testPicture(true)};
    return isSpatial(step) ? through(step, pictures[tones]) : throughColours(step, tones);
}

}  // namespace

EffectPlot::Effect EffectPlot::measure(const Step& with, const Step& without)
{
    Effect effect;
    const auto a = patches(with, true), b = patches(without, true);
    for (std::size_t i = 0; i < a.size() && i < b.size(); ++i) {
        effect.lightness.push_back(a[i].mean.L - b[i].mean.L);
        effect.texture.push_back(b[i].deviation > 1e-6 ? a[i].deviation / b[i].deviation : 1);
    }
    const auto p = patches(with, false), q = patches(without, false);
    for (std::size_t i = 0; i < p.size() && i < q.size(); ++i) {
        const OkLch to = toOkLch(p[i].mean), from = toOkLch(q[i].mean);
        effect.chroma.push_back(from.chroma > 1e-4 ? to.chroma / from.chroma : 1);
        effect.turn.push_back(from.chroma > 1e-4 && to.chroma > 1e-4 ? hueDifference(from.hueDegrees, to.hueDegrees)
                                                                     : 0);
    }
    return effect;
}

void EffectPlot::recompute()
{
    Step with = m_step, without = m_step;
    with.enabled = without.enabled = true;
    m_title = tr("the step");
    Json now = parametersOf(m_step);
    const Json::json_pointer place(m_pointer);
    if (m_pointer.empty() || !now.contains(place)) {
        without.enabled = false;
    } else {
        Step fresh = m_step;
        fresh.parameters = std::visit([]<class T>(const T&) { return StepParameters(T{}); }, m_step.parameters);
        const Json defaults = parametersOf(fresh);
        const double here = now[place].get<double>(),
                     start = defaults.contains(place) ? defaults[place].get<double>() : std::clamp(0.0, m_low, m_high);
        double shown = here;
        m_title = theme::isBlind() ? m_label : tr("%1 at %2").arg(m_label).arg(here, 0, 'g', 3);
        if (here == start) {
            shown = start + (m_high - start > start - m_low ? 1 : -1) * 0.25 * std::max(m_high - start, start - m_low);
            m_title = theme::isBlind() ? m_label : tr("%1 if at %2").arg(m_label).arg(shown, 0, 'g', 3);
        }
        Json a = now, b = now;
        a[place] = shown, b[place] = start;
        if (auto fine = withParameters(m_step, a))
            with.parameters = std::move(*fine);
        if (auto fine = withParameters(m_step, b))
            without.parameters = std::move(*fine);
    }
    m_effect = measure(with, without);
}

struct EffectPlot::Row {
    QString name;
    const std::vector<double>& values;
    double middle, least;
    QString unit;
    int decimals;
};

void EffectPlot::paintRow(QPainter& painter, const Row& row, const QRect& area) const
{
    painter.fillRect(area, theme::kPaper);
    double extreme = row.middle;
    for (double v : row.values)
        if (std::abs(v - row.middle) > std::abs(extreme - row.middle))
            extreme = v;
    const double reach = std::max(row.least, std::abs(extreme - row.middle) * 1.1);
    painter.setPen(QPen(theme::kHairline, 1));
    painter.drawLine(QPointF(area.left(), area.center().y()), QPointF(area.right(), area.center().y()));
    QPolygonF line;
    for (std::size_t k = 0; k < row.values.size(); ++k)
        line << QPointF(area.left() +
                            (static_cast<double>(k) + 0.5) / static_cast<double>(row.values.size()) * area.width(),
                        area.center().y() - (row.values[k] - row.middle) / reach * area.height() / 2);
    painter.setPen(QPen(theme::kInk, 1.6));
    painter.drawPolyline(line);
    painter.setFont(theme::font(13));
    painter.setPen(theme::kQuietInk);
    const QRectF words(0, area.top() - 18, width(), 17);
    painter.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, row.name);
    // The largest change, as a number.
    const bool factor = row.middle == 1, nothing = std::abs(extreme - row.middle) < 0.5 * std::pow(10.0, -row.decimals);
    QString number = nothing ? tr("as it was") : theme::number(extreme, row.decimals);
    if (!nothing)
        number = factor ? row.unit + number : (extreme > 0 ? QStringLiteral("+") : QString()) + number + row.unit;
    painter.drawText(words, Qt::AlignRight | Qt::AlignVCenter, number);
}

void EffectPlot::paintEvent(QPaintEvent*)
{
    if (!m_effect)
        recompute();
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(theme::font(13, true));
    painter.setPen(theme::kInk);
    painter.drawText(QRect(0, 0, width(), 20), Qt::AlignLeft | Qt::AlignVCenter,
                     painter.fontMetrics().elidedText(m_title, Qt::ElideRight, width()));
    const bool texture = isSpatial(m_step);
    const Row rows[] = {{tr("lightness"), m_effect->lightness, 0, 0.05, {}, 2},
                        {texture ? tr("texture") : tr("chroma"), texture ? m_effect->texture : m_effect->chroma, 1, 0.1,
                         QStringLiteral("×"), 2},
                        {tr("hue"), m_effect->turn, 0, 5, QStringLiteral("°"), 0}};
    const int top = 20, height = (this->height() - top) / 3;
    for (int i = 0; i < 3; ++i)
        paintRow(painter, rows[i], QRect(0, top + i * height + 18, width(), height - 21));
}

}  // namespace amber
