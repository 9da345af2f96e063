#include "app/places/balance/balance_bench.h"

#include "app/theme/controls.h"
#include "app/theme/number_box.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {

BalanceBench::BalanceBench(QWidget* parent) : QWidget(parent)
{
    setObjectName("balanceBench");
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    auto* columns = new QHBoxLayout(this);
    columns->setContentsMargins(16, 10, 16, 12);
    columns->setSpacing(24);
    makeLight(), makeEnds(), makeFraming(), makeIntent();
    columns->addStretch(1);
    followNumbers(), followFraming();
    for (const auto& [box, member] :
         {std::pair(m_lockExposure, &FrameBalance::exposureLocked), std::pair(m_lockWhite, &FrameBalance::whiteLocked),
          std::pair(m_lockEnds, &FrameBalance::endsLocked)})
        connect(box, &QCheckBox::clicked, this, [this, member = member](bool on) {
            edit(on ? tr("Balance locked") : tr("Balance unlocked"), [&](FrameBalance& b) { b.*member = on; });
        });
}

QGridLayout* BalanceBench::column(const QString& title)
{
    auto* box = new QVBoxLayout;
    auto* words = new QLabel(title, this);
    words->setProperty("strong", true);
    words->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    box->setSpacing(6);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(10);
    grid->setVerticalSpacing(6);
    box->addWidget(words);
    box->addLayout(grid);
    box->addStretch(1);
    static_cast<QHBoxLayout*>(layout())->addLayout(box);
    return grid;
}

void BalanceBench::row(QGridLayout* grid, const QString& words, QWidget* control, QWidget* beside)
{
    const int at = grid->count() == 0 ? 0 : grid->rowCount();
    auto* label = new QLabel(words, this);
    label->setProperty("quiet", true);
    label->setBuddy(control);
    grid->addWidget(label, at, 0);
    grid->addWidget(control, at, 1);
    if (beside)
        grid->addWidget(beside, at, 2);
}

QCheckBox* BalanceBench::lock(const char* name, const QString& tip)
{
    auto* box = new QCheckBox(tr("locked"), this);
    box->setObjectName(name);
    box->setAccessibleName(tip);
    box->setToolTip(tip);
    return box;
}

QPushButton* BalanceBench::button(const char* name, const QString& words, const QString& tip,
                                  void (BalanceBench::*wanted)())
{
    return makeButton(this, name, words, tip, [this, wanted] { (this->*wanted)(); });
}

void BalanceBench::makeLight()
{
    auto* light = column(tr("Light"));
    m_lockExposure = lock("lockExposure", tr("Solving leaves the exposure as it is"));
    m_lockWhite = lock("lockWhite", tr("Solving leaves the white as it is"));
    row(light, tr("exposure"),
        m_stops = number("balanceStops", tr("Exposure"), tr("Stops of scene light"), -6, 6, 0.05, 2), m_lockExposure);
    row(light, tr("white"),
        m_kelvin =
            number("balanceKelvin", tr("White"),
                   tr("The light that becomes white, in kelvin; higher makes the picture warmer"), 2000, 25000, 50, 0),
        m_lockWhite);
    row(light, tr("tint"),
        m_tint = number("balanceTint", tr("Tint"), tr("How far that light lies towards green (above 0) or magenta"),
                        -50, 50, 0.5, 1));
}

void BalanceBench::makeEnds()
{
    auto* ends = column(tr("Ends"));
    m_lockEnds = lock("lockEnds", tr("Solving leaves the ends as they are"));
    row(ends, tr("black"),
        m_black =
            number("balanceBlack", tr("Black end"), tr("The picture light that becomes black"), -0.2, 0.3, 0.001, 3),
        m_lockEnds);
    row(ends, tr("white"),
        m_white = number("balanceWhite", tr("White end"), tr("The picture light that becomes white"), 0.3, 4, 0.01, 2));
    ends->addWidget(button("solveEnds", tr("To the first pixels"),
                           tr("Ends at which a thousandth of the picture reaches black and white"),
                           &BalanceBench::endsWanted),
                    ends->rowCount(), 1, 1, 2);
}

void BalanceBench::makeFraming()
{
    auto* stand = column(tr("Framing"));
    row(stand, tr("straighten"),
        m_straighten = number("balanceStraighten", tr("Straighten"), tr("Degrees, clockwise"), -45, 45, 0.1, 2),
        button("measureTilt", tr("Measure"), tr("The turn that sets long straight edges level"),
               &BalanceBench::tiltWanted));
    row(stand, tr("lean"),
        m_leanUp = number("balanceLeanUp", tr("Lean up"), tr("Sets falling verticals upright"), -0.4, 0.4, 0.01, 2),
        m_leanAside =
            number("balanceLeanAside", tr("Lean aside"), tr("Sets receding horizontals level"), -0.4, 0.4, 0.01, 2));
    m_shape = new QComboBox(this);
    m_shape->setObjectName("balanceShape");
    m_shape->setAccessibleName(tr("Shape"));
    for (const Shape& shape : shapes())
        m_shape->addItem(shape.words);
    m_shape->setToolTip(tr("The largest crop of this ratio that shows nothing from outside the picture"));
    row(stand, tr("shape"), m_shape);
}

void BalanceBench::makeIntent()
{
    auto* meant = column(tr("Intent"));
    row(meant, tr("from its lead"),
        m_keyStops =
            number("balanceKey", tr("Meant stops from the lead"),
                   tr("A frame meant to be darker or lighter than its light's lead keeps that when it is solved"), -4,
                   4, 0.1, 2));
    meant->addWidget(button("balanceReset", tr("As it came"), tr("Takes the whole balance off this frame"),
                            &BalanceBench::resetWanted),
                     meant->rowCount(), 1);
}

void BalanceBench::follow(QDoubleSpinBox* box, const QString& action, std::function<void(FrameBalance&, double)> change)
{
    connect(box, &QDoubleSpinBox::valueChanged, this, [this, action, change = std::move(change)](double v) {
        edit(action, [&](FrameBalance& b) { change(b, v); });
    });
}

void BalanceBench::followNumbers()
{
    follow(m_stops, tr("Exposure of a frame"),
           [](FrameBalance& b, double v) { b.light.exposureStops = v, b.exposureLocked = true; });
    follow(m_kelvin, tr("White of a frame"),
           [](FrameBalance& b, double v) { b.light.kelvin = v, b.whiteLocked = true; });
    follow(m_tint, tr("White of a frame"), [](FrameBalance& b, double v) { b.light.tint = v, b.whiteLocked = true; });
    follow(m_black, tr("Ends of a frame"), [](FrameBalance& b, double v) { b.ends.black = v, b.endsLocked = true; });
    follow(m_white, tr("Ends of a frame"),
           [](FrameBalance& b, double v) { b.ends.white = std::max(v, b.ends.black + 0.05), b.endsLocked = true; });
    follow(m_keyStops, tr("Intent of a frame"), [](FrameBalance& b, double v) { b.keyStops = v; });
}

void BalanceBench::followFraming()
{
    const auto reframe = [this](FrameBalance& b) {
        Geometry uncut = b.geometry;
        uncut.crop = {};
        b.geometry.crop = inscribedCrop(b.optics, uncut, m_ratio,
                                        shapes()[static_cast<std::size_t>(std::max(0, m_shape->currentIndex()))].ratio);
    };
    follow(m_straighten, tr("Frame straightened"),
           [reframe](FrameBalance& b, double v) { b.geometry.straightenDegrees = v, reframe(b); });
    follow(m_leanUp, tr("Frame set upright"),
           [reframe](FrameBalance& b, double v) { b.geometry.leanUp = v, reframe(b); });
    follow(m_leanAside, tr("Frame set upright"),
           [reframe](FrameBalance& b, double v) { b.geometry.leanAside = v, reframe(b); });
    connect(m_shape, &QComboBox::activated, this, [this, reframe] { edit(tr("Frame cropped"), reframe); });
}

QDoubleSpinBox* BalanceBench::number(const char* name, const QString& words, const QString& tip, double low,
                                     double high, double step, int decimals)
{
    auto* box = new NumberBox(this);
    box->setObjectName(name);
    box->setAccessibleName(words);
    box->setToolTip(tip);
    box->setRange(low, high);
    box->setSingleStep(step);
    box->setDecimals(decimals);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setFixedWidth(74);
    box->setAlignment(Qt::AlignRight);
    box->setKeyboardTracking(false);
    return box;
}

void BalanceBench::edit(const QString& action, const std::function<void(FrameBalance&)>& change)
{
    if (m_showing)
        return;
    change(m_balance);
    // A copy: an edit before it may be kept first, and what is kept is shown here.
    const FrameBalance changed = m_balance;
    emit edited(changed, action);
}

void BalanceBench::show(const FrameBalance& balance, double ratio)
{
    m_showing = true;
    m_balance = balance;
    m_ratio = ratio;
    const Geometry& g = balance.geometry;
    for (const auto& [box, value] :
         {std::pair(m_stops, balance.light.exposureStops), std::pair(m_kelvin, balance.light.kelvin),
          std::pair(m_tint, balance.light.tint), std::pair(m_black, balance.ends.black),
          std::pair(m_white, balance.ends.white), std::pair(m_straighten, g.straightenDegrees),
          std::pair(m_leanUp, g.leanUp), std::pair(m_leanAside, g.leanAside), std::pair(m_keyStops, balance.keyStops)})
        box->setValue(value);
    m_lockExposure->setChecked(balance.exposureLocked);
    m_lockWhite->setChecked(balance.whiteLocked);
    m_lockEnds->setChecked(balance.endsLocked);
    const double shape = (g.crop.right - g.crop.left) * ratio / (g.crop.bottom - g.crop.top);
    int chosen = 0;
    for (std::size_t i = 1; i < shapes().size(); ++i)
        if (std::abs(shape - ratio) > 0.01 && std::abs(shapes()[i].ratio - shape) < 0.01)
            chosen = static_cast<int>(i);
    m_shape->setCurrentIndex(chosen);
    m_showing = false;
}

}  // namespace amber
