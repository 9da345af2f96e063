// How the Areas place is laid out: its header, tiles, tools and foot.
#include "app/places/areas/area_canvas.h"
#include "app/places/areas/area_tile.h"
#include "app/places/areas/areas_place.h"
#include "app/theme/controls.h"
#include "app/theme/line_label.h"
#include "app/theme/number_box.h"

#include <QtWidgets>

namespace amber {
QLayout* AreasPlace::makeHeader()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    m_role->setObjectName("areaRole");
    m_role->setAccessibleName(tr("Role"));
    m_role->setToolTip(tr("A part of pictures that steps of a look are for"));
    m_role->setMinimumWidth(150);
    m_counts->setObjectName("areaCounts");
    m_counts->setProperty("quiet", true);
    m_counts->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    auto* made = makeButton(this, "areaNewRole", tr("New role…"), tr("A further part of pictures, by its name"),
                            [this] { newRole(); });
    m_findAll =
        makeButton(this, "areaFindAll", tr("Find on all"),
                   tr("Look for the role on every frame where nobody decided it: what needs no mark, and what is "
                      "marked on other frames"),
                   [this] { find(allFrames(), wishesOf(false)); });
    m_findThese = makeButton(this, "areaFindThese", tr("Find on these"), tr("The same on the chosen frames only"),
                             [this] { find(chosen(), wishesOf(false)); });
    m_findRoles = makeButton(this, "areaFindRoles", tr("Find all roles"), tr("Look for every role on every frame"),
                             [this] { findAllRoles(); });
    row->addWidget(m_role);
    row->addWidget(made);
    row->addWidget(m_counts, 1);
    row->addWidget(makeTaskBar(*m_task, "areaTask", this));
    for (QPushButton* button : {m_findAll, m_findThese, m_findRoles})
        row->addWidget(button);
    return row;
}

QWidget* AreasPlace::makeTiles()
{
    auto* panel = new QWidget(this);
    m_tiles->setObjectName("areaTiles");
    m_tiles->setAccessibleName(tr("Frames by the area of the role, what wants to be looked at first"));
    m_tiles->setModel(m_model);
    m_tiles->setItemDelegate(m_tile);
    m_tiles->setViewMode(QListView::IconMode);
    m_tiles->setResizeMode(QListView::Adjust);
    m_tiles->setMovement(QListView::Static);
    m_tiles->setUniformItemSizes(true);
    m_tiles->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_tiles->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    m_tiles->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
    m_tiles->setProperty("wall", true);
    m_tiles->setFrameShape(QFrame::NoFrame);
    m_tiles->viewport()->installEventFilter(this);
    m_sure = makeButton(this, "areaConfirmSure", tr("Confirm the sure ones"),
                        tr("Every area that is offered with at least 90 %"), [this] { confirmSure(); });
    m_rest =
        makeButton(this, "areaRestNotHere", tr("Not here on the rest"),
                   tr("The role is in none of the frames that have no area and no offer"), [this] { restNotHere(); });
    auto* buttons = new QHBoxLayout;
    buttons->setContentsMargins(14, 6, 10, 8);
    buttons->setSpacing(8);
    buttons->addWidget(m_sure);
    buttons->addWidget(m_rest);
    auto* layout = new QVBoxLayout(panel);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(m_tiles, 1);
    layout->addLayout(buttons);
    return panel;
}

void AreasPlace::addToolButtons(QBoxLayout& row)
{
    const struct {
        AreaCanvas::Tool tool;
        const char* name;
        QString words, tip;
    } tools[] = {
        {AreaCanvas::Tool::Thing, "areaThing", tr("Thing"),
         tr("Stroke over a thing from end to end: it is found. Further strokes add, with Shift they take away (T)")},
        {AreaCanvas::Tool::Box, "areaBox", tr("Box"),
         tr("Drag a box round a thing: it is found and joins the area, with Shift it is taken away (B)")},
        {AreaCanvas::Tool::Ramp, "areaRamp", tr("Ramp"), tr("Drag from where it works fully to where it ends (R)")},
        {AreaCanvas::Tool::Ellipse, "areaEllipse", tr("Ellipse"), tr("Drag from the middle outward (E)")},
        {AreaCanvas::Tool::Outline, "areaOutline", tr("Outline"),
         tr("Click round a thing; Enter, a double click or the first point closes it (O)")},
        {AreaCanvas::Tool::Range, "areaRange", tr("Colours"),
         tr("Click colours or drag a box over them; more clicks widen the range, with Shift one is taken away (C)")},
        {AreaCanvas::Tool::Brush, "areaBrush", tr("Brush"),
         tr("Paint; it keeps to edges. With Shift it takes away, the wheel changes its radius (P)")}};
    for (const auto& t : tools) {
        auto* button = new QToolButton(this);
        button->setObjectName(t.name);
        button->setText(t.words);
        button->setToolTip(t.tip);
        button->setCheckable(true);
        button->setChecked(t.tool == AreaCanvas::Tool::Thing);
        m_tools->addButton(button, static_cast<int>(t.tool));
        row.addWidget(button);
    }
}

QLayout* AreasPlace::makeTools()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 0, 14, 6);
    row->setSpacing(6);
    addToolButtons(*row);
    const auto number = [&](const char* name, const QString& words, double value, double most, int decimals, auto act) {
        constexpr int kWidth = 60;
        auto* box = new NumberBox(this);
        box->setObjectName(name);
        box->setAccessibleName(words);
        box->setRange(0, most);
        box->setDecimals(decimals);
        box->setSuffix(tr(" %"));
        box->setValue(value);
        box->setFixedWidth(kWidth);
        connect(box, &QDoubleSpinBox::valueChanged, this, act);
        row->addWidget(new QLabel(words, this));
        row->addWidget(box);
        return box;
    };
    m_radius = number("areaRadius", tr("Radius"), 100 * m_canvas->radius(), 100 * AreaCanvas::kMostRadius, 1,
                      [this](double v) { m_canvas->setRadius(v / 100); });
    m_softness = number("areaSoftness", tr("Soft"), 100 * m_canvas->softness(), 100, 0,
                        [this](double v) { m_canvas->setSoftness(v / 100); });
    row->addStretch(1);
    return row;
}

QLayout* AreasPlace::makeFoot()
{
    m_frameWords->setObjectName("areaFrameWords");
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 8);
    row->setSpacing(6);
    m_over = makeButton(this, "areaStartOver", tr("Start over"), tr("Take the area off this frame"),
                        [this] { startOver(); });
    m_another = makeButton(this, "areaAnother", tr("Another"), tr("Another of what was offered (A)"),
                           [this] { m_hand->another(); });
    m_notHere =
        makeButton(this, "areaNotHere", tr("Not here"), tr("The role is not in this frame (N)"), [this] { notHere(); });
    m_refuse = makeButton(this, "areaRefuse", tr("Refuse"), tr("What is offered does not hold (Delete)"),
                          [this] { refuse(); });
    m_confirm = makeButton(this, "areaConfirm", tr("Confirm"), tr("What is offered holds; on to the next (Enter)"),
                           [this] { confirm(); });
    row->addWidget(m_frameWords, 1);
    for (QPushButton* button : {m_over, m_another, m_notHere, m_refuse, m_confirm})
        row->addWidget(button);
    return row;
}

}  // namespace amber
