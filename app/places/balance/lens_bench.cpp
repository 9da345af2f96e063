#include "app/places/balance/lens_bench.h"

#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {
namespace {
constexpr double kPercent = 100;  // shares are shown per cent
}

LensBench::LensBench(QWidget* parent) : QWidget(parent)
{
    setObjectName("lensBench");
    auto* columns = new QHBoxLayout(this);
    columns->setContentsMargins(0, 0, 0, 0);
    columns->setSpacing(20);
    makeLens(addColumn(this, columns, tr("Lens"), 1));
    makeRest(addColumn(this, columns, tr("Colour and noise"), 1));
}

void LensBench::makeLens(QGridLayout* grid)
{
    m_use = new QCheckBox(tr("correct"), this);
    m_use->setObjectName("useLens");
    m_use->setToolTip(tr("Bow, fringes and falloff by the lens file; off when it is the wrong lens"));
    connect(m_use, &QCheckBox::clicked, this, [this](bool on) {
        if (on && m_balance.optics.lens.name.empty())
            return emit lensWanted();
        edit(on ? tr("Lens corrected") : tr("Lens not corrected"), [=](FrameBalance& b) { b.optics.lensOff = !on; });
    });
    m_lens = makeQuiet(this, "lensFound");
    grid->addWidget(m_use, 0, 0);
    grid->addWidget(m_lens, 0, 1, 1, 2);
    grid->addWidget(makeButton(this, "findLens", tr("Look up"),
                               tr("By camera, lens, focal length and aperture of the file"),
                               [this] { emit lensWanted(); }),
                    0, 3);
    m_draw = makeButton(
        this, "drawLine", tr("Draw a line"),
        tr("Click along something that is straight in the scene; Enter ends the line. Several lines make it surer"),
        [] {});
    m_draw->setCheckable(true);
    connect(m_draw, &QPushButton::clicked, this, [this](bool on) { emit drawingWanted(on); });
    m_bow = addNumberRow(
        grid, this,
        {"lensBow", tr("bow %"),
         tr("Straight lines bend outward (above 0) or inward: of a lens that no file "
            "knows"),
         -30, 30, 0.1, 2, -10, 10},
        [this](double v) { edit(tr("Bow of a lens"), [=](FrameBalance& b) { b.optics.bow = v / kPercent; }); }, m_draw);
    m_falloff = addNumberRow(
        grid, this, {"lensFalloff", tr("falloff"), tr("Stops that the corners lack"), -1, 4, 0.05, 2, -1, 3},
        [this](double v) { edit(tr("Falloff of a lens"), [=](FrameBalance& b) { b.optics.falloffStops = v; }); },
        makeButton(this, "measureFalloff", tr("Measure"), tr("Over all frames taken through this lens"),
                   [this] { emit falloffWanted(); }));
    m_copy = makeButton(this, "copyLens", tr("Copy to chosen"),
                        tr("Lens, bow, fringes and falloff to the other frames chosen"), [this] { emit copyWanted(); });
    grid->addWidget(m_copy, grid->rowCount(), 0, 1, 2, Qt::AlignLeft);
}

void LensBench::makeRest(QGridLayout* grid)
{
    const auto fringe = [this](double Optics::*part) {
        return [this, part](double v) {
            edit(tr("Fringes of a lens"), [=](FrameBalance& b) { b.optics.*part = v / kPercent; });
        };
    };
    m_red = addNumberRow(
        grid, this,
        {"redFringe", tr("red fringe %"), tr("How much farther out red lies than green"), -1, 1, 0.005, 3, -0.3, 0.3},
        fringe(&Optics::redFringe),
        makeButton(this, "measureFringes", tr("Measure"), tr("By the edges of this frame"),
                   [this] { emit fringesWanted(); }));
    m_blue = addNumberRow(grid, this,
                          {"blueFringe", tr("blue fringe %"), tr("How much farther out blue lies than green"), -1, 1,
                           0.005, 3, -0.3, 0.3},
                          fringe(&Optics::blueFringe));
    m_noise = addNumberRow(
        grid, this,
        {"noiseOff", tr("noise off"),
         tr("How much of the measured noise is taken off, colour more than "
            "lightness"),
         0, 1, 0.05, 2, 0, 1},
        [this](double v) { edit(tr("Noise of a frame"), [=](FrameBalance& b) { b.optics.noise = v; }); },
        makeButton(this, "measureNoise", tr("Measure"), tr("In the flat places of this frame"),
                   [this] { emit noiseWanted(); }));
    grid->addWidget(makeButton(this, "noiseToAll", tr("To all by sensitivity"),
                               tr("From the chosen frames to all others: more where more noise is"),
                               [this] { emit noiseToAllWanted(); }),
                    grid->rowCount(), 0, 1, 4, Qt::AlignLeft);
    m_fringes = makeQuiet(this, "fringesSaid");
    m_fringes->hide();
    m_noiseSaid = makeQuiet(this, "noiseSaid");
    auto* said = new QVBoxLayout;
    said->setSpacing(2);
    said->addWidget(m_noiseSaid);
    said->addWidget(m_fringes);
    grid->addLayout(said, grid->rowCount(), 0, 1, 4);
}

void LensBench::edit(const QString& action, const std::function<void(FrameBalance&)>& change)
{
    if (m_showing)
        return;
    FrameBalance changed = m_balance;
    change(changed);
    m_balance = changed;
    emit edited(changed, action);
}

void LensBench::setDrawing(bool on, int lines)
{
    m_draw->setChecked(on);
    m_draw->setText(on && lines > 0 ? tr("Line %1").arg(lines + 1) : tr("Draw a line"));
}

void LensBench::show(const FrameBalance& balance, std::size_t chosen)
{
    m_showing = true;
    m_balance = balance;
    const Optics& o = balance.optics;
    m_use->setChecked(o.usesLens());
    m_bow.show(o.bow * kPercent), m_falloff.show(o.falloffStops);
    m_red.show(o.redFringe * kPercent), m_blue.show(o.blueFringe * kPercent), m_noise.show(o.noise);
    m_copy->setEnabled(chosen > 1);
    m_showing = false;
}

}  // namespace amber
