#include "app/bench/guard_editor.h"

#include "app/bench/colour_actions.h"
#include "app/bench/shelter_row.h"
#include "app/bench/tone_range_dialog.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/colour/oklab.h"
#include "core/look/role_kind.h"

#include <QtWidgets>

namespace amber {

GuardPlot::GuardPlot(Axis axis, QWidget* parent) : AxisPlot(axis, parent), m_axis(axis)
{
    setObjectName(axis == Axis::Tone ? "guardTonePlot" : "guardHuePlot");
    setAccessibleName(axis == Axis::Tone ? tr("Tones the step may touch") : tr("Hues the step may touch"));
    setToolTip(axis == Axis::Tone ? tr("Drag the ends of the range; double-click one to open it")
                                  : tr("Drag the middle or the right end of the range; double-click to open it"));
}

void GuardPlot::show(const Guard& guard)
{
    m_guard = guard;
    update();
}

double GuardPlot::handleAt(int handle) const
{
    if (m_axis == Axis::Tone)
        return handle == 0 ? m_guard.toneLow : m_guard.toneHigh;
    return handle == 0 ? m_guard.hueCentre : m_guard.hueCentre + m_guard.hueWidth / 2;
}

QPointF GuardPlot::handlePlace(int handle) const
{
    return {std::clamp(toX(handleAt(handle)), plot().left(), plot().right()), plot().center().y()};
}

void GuardPlot::set(int handle, double at)
{
    if (m_axis == Axis::Tone) {
        if (handle == 0)
            m_guard.toneLow = std::clamp(at, 0.0, m_guard.toneHigh);
        else
            m_guard.toneHigh = std::clamp(at, m_guard.toneLow, 1.0);
    } else if (handle == 0) {
        m_guard.hueCentre = wrapDegrees(at);
        if (m_guard.hueWidth >= 360)
            m_guard.hueWidth = 60;
    } else {
        m_guard.hueWidth = std::clamp(2 * (at - m_guard.hueCentre), 2.0, 360.0);
    }
    changed(m_guard);
}

void GuardPlot::moveHandle(int handle, QPointF to) { set(handle, toAt(to.x())); }

void GuardPlot::nudgeHandle(int handle, int across, int up, bool coarse)
{
    set(handle, handleAt(handle) + (across + up) * (coarse ? 10 : 1) * (m_axis == Axis::Tone ? 0.005 : 1.0));
}

void GuardPlot::resetHandle(int handle)
{
    if (m_axis == Axis::Tone)
        return set(handle, handle == 0 ? 0 : 1);
    m_guard.hueWidth = 360;
    changed(m_guard);
}

void GuardPlot::paintPlot(QPainter& painter)
{
    const QRectF area = plot();
    // The range on this axis alone.
    Guard own;
    own.inverted = m_guard.inverted;
    if (m_axis == Axis::Tone)
        own.toneLow = m_guard.toneLow, own.toneHigh = m_guard.toneHigh, own.toneFeather = m_guard.toneFeather;
    else
        own.hueCentre = m_guard.hueCentre, own.hueWidth = m_guard.hueWidth, own.hueFeather = m_guard.hueFeather;
    QPolygonF line;
    for (double x = area.left(); x <= area.right() + 0.5; x += 2) {
        const double at = toAt(x);
        const double weight = weightAt(own, m_axis == Axis::Tone ? OkLab{at, 0, 0} : toOkLab(OkLch{0.6, 1, at}));
        line << QPointF(x, area.bottom() - 2 - weight * (area.height() - 4));
    }
    painter.setPen(QPen(theme::kInk, 2));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolyline(line);
    if (m_axis == Axis::Hue)
        for (double x = std::floor(area.left()); x < area.right(); x += 3)
            painter.fillRect(QRectF(x, area.top() - 6, 3, 6), hueColour(toAt(x + 1.5)));
    painter.setPen(theme::kQuietInk);
    painter.setFont(theme::font(13));
    painter.drawText(QRectF(0, area.top(), area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("all"));
    painter.drawText(QRectF(0, area.bottom() - 16, area.left() - 5, 16), Qt::AlignRight | Qt::AlignVCenter, tr("none"));
    for (int i = 0; i < 2; ++i)
        paintHandle(painter, handlePlace(i), i == selected());
}

namespace {

struct GuardField {
    const char* name;
    QString label, tip;
    double Guard::*member;
    double low, high, step;
    int decimals;
};

std::vector<GuardField> guardFields()
{
    const auto tr = [](const char* words) { return GuardEditor::tr(words); };
    return {
        {"guardToneLow", tr("tone from"), tr("Darkest tone the step touches"), &Guard::toneLow, 0, 1, 0.01, 2},
        {"guardToneHigh", tr("to"), tr("Lightest tone the step touches"), &Guard::toneHigh, 0, 1, 0.01, 2},
        {"guardToneFeather", tr("feather"), tr("How softly the range of tones ends"), &Guard::toneFeather, 0.01, 1,
         0.01, 2},
        {"guardChromaLow", tr("chroma from"),
         tr("Least chroma the step touches: raise it to touch the strongest colours only"), &Guard::chromaLow, 0, 0.4,
         0.005, 3},
        {"guardChromaHigh", tr("to"), tr("Most chroma the step touches"), &Guard::chromaHigh, 0, 0.4, 0.005, 3},
        {"guardChromaFeather", tr("feather"), tr("How softly the range of chroma ends"), &Guard::chromaFeather, 0.005,
         0.4, 0.005, 3},
        {"guardHueCentre", tr("hue °"), tr("Middle of the range of hues"), &Guard::hueCentre, 0, 360, 1, 0},
        {"guardHueWidth", tr("width °"), tr("Width of the range of hues; 360 touches all"), &Guard::hueWidth, 2, 360, 1,
         0},
        {"guardHueFeather", tr("feather °"), tr("How softly the range of hues ends"), &Guard::hueFeather, 2, 180, 1, 0},
    };
}

}  // namespace

void GuardEditor::addButtons(QHBoxLayout* row)
{
    m_inverted->setObjectName("guardInverted");
    m_inverted->setToolTip(tr("Turns the guard round: the step touches what lies outside the ranges"));
    connect(m_inverted, &QCheckBox::clicked, this, [this](bool on) {
        Guard changed = guard();
        changed.inverted = on;
        set(changed);
        m_document.looks().commit(tr("Guard turned round"));
    });
    row->addWidget(m_inverted);
    auto* open = new QPushButton(tr("Open"), this);
    open->setObjectName("guardOpen");
    open->setToolTip(tr("Takes the guard away: the step touches every colour"));
    connect(open, &QPushButton::clicked, this, [this] {
        set(Guard{});
        m_document.looks().commit(tr("Guard opened"));
    });
    row->addWidget(open);
    auto* pick = new QToolButton(this);
    pick->setObjectName("guardPick");
    pick->setText(tr("Colour"));
    pick->setToolTip(tr("The ranges round a colour, by a click on a picture or typed"));
    pick->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(pick);
    pick->setMenu(menu);
    addColourActions(*menu, *this, [this](const LinearRgb& colour) { takeColour(colour); });
    row->addWidget(pick);
    row->addWidget(makeButton(this, "guardTones", tr("Tones…"),
                              tr("The picture cut into five ranges of tone, one of them to be taken"),
                              [this] { askTones(); }));
    m_share->setObjectName("guardShare");
    m_share->setProperty("quiet", true);
    m_share->setToolTip(tr("How much of the frame in hand, as it enters the step, the guard lets through"));
    row->addSpacing(6);
    row->addWidget(m_share);
    row->addStretch(1);
}

void GuardEditor::takeColour(const LinearRgb& colour)
{
    const OkLch c = toOkLch(toOkLab(colour));
    const auto rounded = [](double v, double unit) { return std::round(v / unit) * unit; };
    Guard changed = guard();
    changed.toneLow = rounded(std::clamp(c.L - 0.15, 0.0, 1.0), 0.01);
    changed.toneHigh = rounded(std::clamp(c.L + 0.15, 0.0, 1.0), 0.01);
    changed.chromaLow = rounded(std::clamp(c.chroma - 0.05, 0.0, 0.4), 0.005);
    changed.chromaHigh = rounded(std::clamp(c.chroma + 0.06, 0.0, 0.4), 0.005);
    constexpr double kHasHue = 0.02;
    changed.hueCentre = rounded(c.hueDegrees, 1), changed.hueWidth = c.chroma < kHasHue ? 360 : 50;
    set(changed);
    m_document.looks().commit(tr("Guard round a colour"));
}

void GuardEditor::askTones()
{
    ToneRangeDialog dialog(picture ? picture() : Image(), this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    Guard changed = guard();
    changed.toneLow = dialog.chosen().toneLow, changed.toneHigh = dialog.chosen().toneHigh;
    changed.toneFeather = dialog.chosen().toneFeather;
    set(changed);
    m_document.looks().commit(tr("Guard on a range of tones"));
}

bool GuardEditor::beginPictureDrag(const Probe& probe)
{
    m_draggedTone = std::clamp(toOkLab(probe.entering).L, 0.0, 1.0);
    return true;
}

void GuardEditor::dragPicture(QPointF delta)
{
    constexpr double kLeast = 0.02, kGain = 1.0 / 400;
    const double half = std::max(kLeast, 0.1 - kGain * delta.y());
    const auto rounded = [](double v) { return std::round(std::clamp(v, 0.0, 1.0) * 100) / 100; };
    Guard changed = guard();
    changed.toneLow = rounded(m_draggedTone - half), changed.toneHigh = rounded(m_draggedTone + half);
    set(changed);
}

void GuardEditor::endPictureDrag() { m_document.looks().commit(tr("Guard round a tone of the picture")); }

void GuardEditor::showShare()
{
    const Image entering = picture ? picture() : Image();
    const ImageView view = entering.view();
    const Guard shown = guard();
    double sum = 0;
    for (int y = 0; y < view.height; ++y)
        for (int x = 0; x < view.width; ++x) {
            const float* p = view.row(y) + 3 * x;
            sum += weightAt(shown, toOkLab(LinearRgb{p[0], p[1], p[2]}));
        }
    m_share->setText(entering.isEmpty()
                         ? QString()
                         : tr("lets %1 % through").arg(theme::number(100 * sum / (view.width * view.height), 0)));
}

GuardEditor::GuardEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_tone(new GuardPlot(AxisPlot::Axis::Tone, this)),
      m_hue(new GuardPlot(AxisPlot::Axis::Hue, this)), m_inverted(new QCheckBox(tr("everything but these"), this)),
      m_role(new QComboBox(this)), m_side(new QComboBox(this)), m_level(new QToolButton(this)),
      m_shelters(new ShelterRow(this)), m_share(new QLabel(this))
{
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    addWhere(layout);
    QHBoxLayout* row = nullptr;
    const std::vector<GuardField> fields = guardFields();
    for (std::size_t i = 0; i < fields.size(); ++i) {
        if (i % 6 == 0) {
            row = new QHBoxLayout;
            row->setSpacing(5);
            layout->addLayout(row);
        }
        const auto& f = fields[i];
        m_numbers.emplace_back(addNumber(row, f.name, f.label, f.tip, f.low, f.high, f.step, f.decimals,
                                         [this, member = f.member](double value) {
                                             Guard changed = guard();
                                             changed.*member = value;
                                             set(changed);
                                         }),
                               f.member);
        if (i == 5)
            row->addStretch(1);
    }
    addButtons(row);
    auto* plots = new QHBoxLayout;
    plots->setSpacing(12);
    plots->addWidget(m_tone, 1);
    plots->addWidget(m_hue, 1);
    layout->addLayout(plots, 1);
    for (GuardPlot* plot : {m_tone, m_hue}) {
        plot->changed = [this](const Guard& guard) { set(guard); };
        follow(*plot);
    }
}

Guard GuardEditor::guard() const
{
    const Step* step = m_document.looks().step();
    return step ? step->guard : Guard{};
}

void GuardEditor::set(const Guard& guard)
{
    const Step* shown = m_document.looks().step();
    if (!shown)
        return;
    Step changed = *shown;
    changed.guard = guard;
    m_document.looks().changeShown(m_document.looks().selectedStep(), changed);
}

void GuardEditor::connectShelters()
{
    m_shelters->keys = [this] { return keysEntering(); };
    m_shelters->changed = [this](const std::vector<Shelter>& shelters, const QString& action) {
        Guard changed = guard();
        changed.shelters = shelters;
        set(changed);
        m_document.looks().commit(action);
    };
}

void GuardEditor::addWhere(QVBoxLayout* to)
{
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    to->addLayout(row);
    m_role->setObjectName("guardRole"), m_role->setAccessibleName(tr("Role"));
    m_role->setToolTip(tr("Where the step works: everywhere, or by a role that each frame has its own area for"));
    m_side->setObjectName("guardSide"), m_side->setAccessibleName(tr("Inside or outside the role"));
    m_side->addItems({tr("inside"), tr("outside")});
    connect(m_role, &QComboBox::activated, this, [this](int index) {
        if (index == m_role->count() - 1)
            return makeRole();
        bindTo(index == 0 ? std::string() : m_role->itemText(index).toStdString());
    });
    connect(m_side, &QComboBox::activated, this, [this](int index) {
        RoleBinding where = guard().where;
        where.isOutside = index == 1;
        setWhere(where, index == 1 ? tr("Outside of a role") : tr("Inside a role"));
    });
    row->addWidget(new QLabel(tr("where"), this));
    row->addWidget(m_role);
    row->addWidget(m_side);
    const auto number = [&](const char* name, const QString& label, const QString& tip, double RoleBinding::*member) {
        return addNumber(row, name, label, tip, 0, 1, 0.05, 2, [this, member](double value) {
            Guard changed = guard();
            changed.where.*member = value;
            set(changed);
        });
    };
    m_density = number("guardDensity", tr("density"), tr("Share of the step's strength there"), &RoleBinding::density);
    m_elsewhere = number("guardElsewhere", tr("elsewhere"), tr("Share of the step's strength in the rest"),
                         &RoleBinding::elsewhere);
    makeLevel();
    row->addWidget(m_level);
    row->addStretch(1);
    connectShelters();
    row->addWidget(m_shelters);
}

/// Key colours as they enter the chosen step: read on the frame in hand where they lie there, else what the steps
/// before make of them as they were marked.
std::vector<std::pair<KeyColour, LinearRgb>> GuardEditor::keysEntering() const
{
    const Image here = picture ? picture() : Image();
    const FrameId inHand = m_document.selection().frameInHand();
    const auto before = static_cast<std::size_t>(m_document.looks().selectedStep());
    std::vector<std::pair<KeyColour, LinearRgb>> all;
    for (const KeyColour& key : m_document.job().keys) {
        const KeyPlace* place = m_document.job().confirmedPlace(inHand, key.name);
        const FrameBalance& balance = m_document.balances().of(key.frame);
        const bool isHere = !here.isEmpty() && (key.frame == inHand || place);
        all.emplace_back(
            key,
            isHere ? meanOf(here.view(), place ? place->place : key.place)
                   : evaluate(m_document.looks().shown(),
                              balancedColour(key.marked, balance, m_document.balances().responseOf(balance)), before));
    }
    return all;
}

void GuardEditor::makeLevel()
{
    m_level->setObjectName("guardLevel");
    m_level->setText(tr("Level with"));
    m_level->setToolTip(tr("Sets the strength at which this role measures as another one does, on the frame in hand"));
    m_level->setPopupMode(QToolButton::InstantPopup);
    auto* menu = new QMenu(m_level);
    menu->setObjectName("guardLevelMenu");
    connect(menu, &QMenu::aboutToShow, this, [this, menu] { fillLevel(*menu); });
    m_level->setMenu(menu);
}

void GuardEditor::fillLevel(QMenu& menu)
{
    menu.clear();
    for (const Role& role : m_document.looks().look().roles) {
        if (role.name == guard().where.role)
            continue;
        for (const auto& [words, measure] : {std::pair(tr("%1, by lightness"), AreaMeasure::Lightness),
                                             std::pair(tr("%1, by chroma"), AreaMeasure::Chroma)})
            menu.addAction(words.arg(text(role.name)), this, [this, name = role.name, measure = measure] {
                if (level)
                    level(name, measure);
            });
    }
    if (menu.isEmpty())
        menu.addAction(tr("The look has no other role"))->setEnabled(false);
}

void GuardEditor::bindTo(const std::string& role)
{
    RoleBinding where = guard().where;
    if (where.role == role)
        return;
    where.role = role;
    setWhere(role.empty() ? RoleBinding{} : where,
             role.empty() ? tr("Step works everywhere") : tr("Step bound to a role"));
}

/// A role that the look has already is taken.
void GuardEditor::makeRole()
{
    showWhere(guard().where);
    const auto name = askLine(this, {"roleNameDialog", tr("New role"),
                                     tr("What is it? The sky, a hand, the linen: each frame says where it lies.")});
    if (!name || name->isEmpty())
        return;
    Look look = m_document.looks().look();
    const std::string role = name->toStdString();
    const auto index = static_cast<std::size_t>(m_document.looks().selectedStep());
    if (index >= look.steps.size() || (!roleOf(look, role) && look.roles.size() >= kRoleLimit))
        return;
    if (!roleOf(look, role))
        look.roles.push_back({role, kindByName(role), {}, 1, {}});
    look.steps[index].guard.where.role = role;
    m_document.looks().change(look);
    m_document.looks().commit(tr("Role %1").arg(*name));
    refresh();
}

void GuardEditor::setWhere(const RoleBinding& where, const QString& action)
{
    Guard changed = guard();
    changed.where = where;
    set(changed);
    m_document.looks().commit(action);
}

void GuardEditor::showWhere(const RoleBinding& where)
{
    m_role->clear();
    m_role->addItem(tr("everywhere"));
    int at = 0;
    for (const Role& role : m_document.looks().look().roles) {
        m_role->addItem(text(role.name));
        if (role.name == where.role)
            at = m_role->count() - 1;
    }
    m_role->addItem(tr("New role…"));
    m_role->setCurrentIndex(at);
    m_side->setCurrentIndex(where.isOutside ? 1 : 0);
    for (QWidget* control : std::initializer_list<QWidget*>{m_side, m_density, m_elsewhere, m_level})
        control->setEnabled(where.isBound());
    showNumber(m_density, where.density), showNumber(m_elsewhere, where.elsewhere);
}

void GuardEditor::refresh()
{
    const Guard shown = guard();
    showWhere(shown.where);
    m_tone->show(shown);
    m_hue->show(shown);
    m_inverted->setChecked(shown.inverted);
    m_shelters->show(shown.shelters);
    if (isVisible())
        showShare();
    for (const auto& [box, member] : m_numbers)
        showNumber(box, shown.*member);
}

void GuardEditor::setEntering(const FrameMeasures& measures)
{
    m_tone->setDistribution({measures.tone.tone.begin(), measures.tone.tone.end()});
    m_hue->setDistribution({measures.hue.share.begin(), measures.hue.share.end()});
    showShare();
}

QString GuardEditor::setProbe(const Probe* probe)
{
    if (!probe) {
        m_tone->setProbe(std::nullopt), m_hue->setProbe(std::nullopt);
        return {};
    }
    const OkLab lab = toOkLab(probe->entering);
    const OkLch lch = toOkLch(lab);
    m_tone->setProbe(lab.L);
    m_hue->setProbe(lch.chroma > 0.005 ? std::optional(lch.hueDegrees) : std::nullopt);
    return tr("tone %1, chroma %2, hue %3° · the guard lets %4 % through")
        .arg(theme::decimal(lab.L, 2))
        .arg(theme::decimal(lch.chroma, 3))
        .arg(lch.hueDegrees, 0, 'f', 0)
        .arg(100 * weightAt(guard(), lab), 0, 'f', 0);
}

}  // namespace amber
