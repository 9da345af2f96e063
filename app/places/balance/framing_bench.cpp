#include "app/places/balance/framing_bench.h"

#include "app/theme/controls.h"
#include "app/words/words.h"

#include <QtWidgets>

namespace amber {
FramingBench::FramingBench(QWidget* parent) : QWidget(parent)
{
    setObjectName("framingBench");
    auto* columns = new QHBoxLayout(this);
    columns->setContentsMargins(0, 0, 0, 0);
    columns->setSpacing(20);
    makeStand(columns), makeCrop(columns), makeIntent(columns);
}

void FramingBench::makeStand(QHBoxLayout* to)
{
    auto* grid = addColumn(this, to, tr("Stand"), 5);
    const auto turned = [this](const QString& action, double Geometry::*part) {
        return [this, action, part](double v) { turn(action, [=](Geometry& g) { g.*part = v; }); };
    };
    m_straighten = addNumberRow(
        grid, this, {"balanceStraighten", tr("straighten"), tr("Degrees, clockwise"), -45, 45, 0.1, 2, -12, 12},
        turned(tr("Frame straightened"), &Geometry::straightenDegrees),
        makeButton(this, "measureTilt", tr("Measure"), tr("The turn that sets long straight edges level"),
                   [this] { emit tiltWanted(); }));
    m_leanUp = addNumberRow(
        grid, this,
        {"balanceLeanUp", tr("lean up"), tr("Sets falling verticals upright"), -0.4, 0.4, 0.005, 3, -0.25, 0.25},
        turned(tr("Frame set upright"), &Geometry::leanUp),
        makeButton(this, "measureUpright", tr("Set upright"),
                   tr("Tilt and lean by the uprights of the scene, where they are clear"),
                   [this] { emit uprightWanted(); }));
    m_leanAside = addNumberRow(
        grid, this,
        {"balanceLeanAside", tr("lean aside"), tr("Sets receding horizontals level"), -0.4, 0.4, 0.005, 3, -0.25, 0.25},
        turned(tr("Frame set upright"), &Geometry::leanAside));
    m_stretch = addNumberRow(grid, this,
                             {"balanceStretch", tr("stretch"),
                              tr("Makes things wider, below 1 taller: this changes their shape"), 0.8, 1.25, 0.01, 2,
                              0.8, 1.25},
                             turned(tr("Frame stretched"), &Geometry::stretch));
    m_stretch.showHome(1);
}

void FramingBench::makeCrop(QHBoxLayout* to)
{
    auto* grid = addColumn(this, to, tr("Crop"), 3);
    m_shape = new QComboBox(this);
    m_shape->setObjectName("balanceShape");
    m_shape->setAccessibleName(tr("Shape"));
    for (const Shape& shape : shapes())
        m_shape->addItem(shape.ratio > 0 ? shape.words : tr("free"));
    m_shape->setToolTip(tr("The ratio that the crop is held to; each keeps its own crop, and deliveries cut by it"));
    connect(m_shape, &QComboBox::activated, this, [this](int i) {
        edit(tr("Frame cropped"), [&](FrameBalance& b) {
            b.geometry = heldTo(b.geometry, m_ratio, shapes()[static_cast<std::size_t>(i)].ratio);
            b.geometry.crop = broughtInside(b.optics, b.geometry, m_ratio, b.geometry.crop);
        });
    });
    auto* words = new QLabel(tr("ratio"), this);
    words->setProperty("quiet", true);
    words->setBuddy(m_shape);
    grid->addWidget(words, 0, 0);
    grid->addWidget(m_shape, 0, 1);
    m_draw =
        makeButton(this, "drawCrop", tr("Draw on the picture"),
                   tr("The whole picture with the crop on it: drag it, its edges, its corners; Enter ends"), [] {});
    m_draw->setCheckable(true);
    connect(m_draw, &QPushButton::clicked, this, [this](bool on) { emit croppingWanted(on); });
    grid->addWidget(m_draw, 1, 0, 1, 2);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    m_copy = makeButton(this, "copyFraming", tr("Copy to chosen"),
                        tr("Stand and crop to the other frames chosen in the list"), [this] { emit copyWanted(); });
    row->addWidget(m_copy);
    row->addWidget(makeButton(this, "wholeFrame", tr("Whole picture"), tr("No turn, no lean, no crop"),
                              [this] { edit(tr("Whole picture again"), [](FrameBalance& b) { b.geometry = {}; }); }));
    grid->addLayout(row, 2, 0, 1, 2);
}

void FramingBench::makeIntent(QHBoxLayout* to)
{
    auto* grid = addColumn(this, to, tr("Intent"), 3);
    m_keyStops =
        addNumberRow(grid, this,
                     {"balanceKey", tr("from its lead"),
                      tr("Stops: a frame meant to be darker or lighter than its light's lead keeps that when it is "
                         "solved"),
                      -4, 4, 0.1, 2, -2, 2},
                     [this](double v) { edit(tr("Intent of a frame"), [=](FrameBalance& b) { b.keyStops = v; }); });
    grid->addWidget(makeButton(this, "balanceReset", tr("As it came"), tr("Takes the whole balance off this frame"),
                               [this] { emit resetWanted(); }),
                    1, 0, 1, 2, Qt::AlignLeft);
    m_said = makeQuiet(this, "framingSaid");
    m_said->setWordWrap(true);
    grid->addWidget(m_said, 2, 0, 1, 4);
}

void FramingBench::edit(const QString& action, const std::function<void(FrameBalance&)>& change)
{
    if (m_showing)
        return;
    FrameBalance changed = m_balance;
    change(changed);
    m_balance = changed;
    emit edited(changed, action);
}

void FramingBench::turn(const QString& action, const std::function<void(Geometry&)>& change)
{
    edit(action, [&](FrameBalance& b) {
        const bool wasWhole =
            b.geometry.crop == inscribedCrop(b.optics, b.geometry, m_ratio, 0) || b.geometry.crop.isWhole();
        change(b.geometry);
        // A crop of one's own is moved no farther than it must be; otherwise as much as can be is shown.
        b.geometry.crop = wasWhole && b.geometry.ratio == 0
                              ? inscribedCrop(b.optics, b.geometry, m_ratio, 0)
                              : broughtInside(b.optics, b.geometry, m_ratio, b.geometry.crop);
    });
}

void FramingBench::setCropping(bool on) { m_draw->setChecked(on); }
void FramingBench::say(const QString& words) { m_said->setText(words); }

void FramingBench::show(const FrameBalance& balance, double ratio, std::size_t chosen)
{
    m_showing = true;
    m_balance = balance;
    m_ratio = ratio;
    const Geometry& g = balance.geometry;
    m_straighten.show(g.straightenDegrees), m_leanUp.show(g.leanUp), m_leanAside.show(g.leanAside);
    m_stretch.show(g.stretch), m_keyStops.show(balance.keyStops);
    int shape = 0;
    for (std::size_t i = 1; i < shapes().size(); ++i)
        if (g.ratio > 0 && std::abs(shapes()[i].ratio - g.ratio) < 0.005)
            shape = static_cast<int>(i);
    m_shape->setCurrentIndex(shape);
    m_copy->setEnabled(chosen > 1);
    m_stretch.words->setText(g.stretch == 1 ? tr("stretch") : tr("stretch *"));
    m_stretch.words->setToolTip(g.stretch == 1 ? QString() : tr("The things' shape is changed"));
    m_showing = false;
}

}  // namespace amber
