#include "app/places/look/look_header.h"
#include "app/shortcuts/shortcuts.h"

#include "app/library/look_menu.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {

LookHeader::LookHeader(Document& document, QWidget* parent) : QWidget(parent), m_document(document)
{
    setObjectName("lookHeader");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(3);
    makeLookChoice();
    row->addWidget(m_looks, 3);
    m_where = tool(row, "lookWhere", QString(),
                   tr("On how many frames this look lands; a look for this frame or its light"), [](bool) {});
    auto* where = new QMenu(m_where);
    where->setObjectName("lookWhereMenu");
    m_where->setMenu(where);
    m_where->setPopupMode(QToolButton::InstantPopup);
    m_where->setAccessibleName(tr("Where this look lands"));
    connect(where, &QMenu::aboutToShow, this,
            [this, where] { fillLookMenu(*where, m_document, {m_document.selection().frameInHand()}); });
    tool(row, "lookNew", tr("New"), tr("Begin another look"), [this](bool) { m_document.looks().newLook(); });
    m_buttons[Library] =
        toggle(row, "showLibrary", tr("Looks"), withKeys(tr("All looks of this job on the frame in hand"), "library"),
               [this](bool) { emit libraryWanted(); });
    m_undo = tool(row, "undo", tr("Undo"), QString(), [this](bool) { m_document.undo(); });
    m_redo = tool(row, "redo", tr("Redo"), QString(), [this](bool) { m_document.redo(); });
    for (QToolButton* button : {m_undo, m_redo}) {
        button->setAccessibleName(button->text());
        button->setToolButtonStyle(Qt::ToolButtonIconOnly);
    }
    drawIcons();
    addPanels(row);
    addViews(row);
    addVersions(row);
    auto* more = tool(row, "viewMenuButton", tr("View"),
                      tr("Quiet view, 100 %, surround, theme, blind mode, second look, trial frames"), [](bool) {});
    auto* menu = new QMenu(more);
    menu->setObjectName("viewMenu");
    more->setMenu(menu);
    more->setPopupMode(QToolButton::InstantPopup);
    connect(menu, &QMenu::aboutToShow, this, [this, menu] { emit viewMenuWanted(*menu); });
}

void LookHeader::makeLookChoice()
{
    m_looks = new QComboBox(this);
    m_looks->setObjectName("lookChoice");
    m_looks->setAccessibleName(tr("Look"));
    m_looks->setToolTip(tr("The looks of this job; type to rename the one in hand"));
    m_looks->setMinimumWidth(96);
    m_looks->setMaximumWidth(320);
    m_looks->setEditable(true);
    m_looks->setInsertPolicy(QComboBox::NoInsert);
    connect(m_looks, &QComboBox::activated, this,
            [this] { m_document.looks().choose(m_looks->currentData().toLongLong()); });
    m_looks->lineEdit()->setObjectName("lookName");
    m_looks->lineEdit()->setAccessibleName(tr("Name of the look"));
    connect(m_looks->lineEdit(), &QLineEdit::editingFinished, this, [this] {
        if (m_looks->currentData().toLongLong() == m_document.looks().lookId())
            m_document.looks().rename(m_looks->currentText());
    });
}

QToolButton* LookHeader::tool(QBoxLayout* row, const char* name, const QString& words, const QString& tip,
                              std::function<void(bool)> act)
{
    auto* button = new QToolButton(this);
    button->setObjectName(name);
    button->setText(words);
    button->setToolTip(tip);
    connect(button, &QToolButton::clicked, this, std::move(act));
    row->addWidget(button);
    return button;
}

QToolButton* LookHeader::toggle(QBoxLayout* row, const char* name, const QString& words, const QString& tip,
                                std::function<void(bool)> act)
{
    QToolButton* button = tool(row, name, words, tip, std::move(act));
    button->setCheckable(true);
    return button;
}

void LookHeader::addPanels(QBoxLayout* row)
{
    row->addSpacing(5);
    row->addStretch(1);
    m_buttons[Intent] = toggle(row, "showIntent", tr("Intent"),
                               withKeys(tr("What the look is to be, and how it stands to that"), "intent"),
                               [this](bool on) { emit intentWanted(on); });
    m_buttons[Findings] = toggle(
        row, "showFindings", tr("Findings"),
        withKeys(tr("Steps that undo one another, levels that moved, tints that add up, sayings measured"), "findings"),
        [this](bool on) { emit findingsWanted(on); });
    row->addSpacing(5);
}

void LookHeader::addViews(QBoxLayout* row)
{
    m_aside = tool(row, "secondLook", QString(),
                   tr("Take the frame that was put aside in hand again, beside the version left behind"),
                   [this](bool) { emit secondLookWanted(); });
    m_aside->setAccessibleName(tr("Second look"));
    m_aside->hide();
    m_buttons[Mark] =
        toggle(row, "markPicture", tr("Mark"),
               withKeys(tr("Mark key colours, regions to read or to leave out, and the planned crop"), "mark"),
               [this](bool) { emit markWanted(); });
    m_buttons[Split] =
        toggle(row, "split", tr("Split"),
               withKeys(tr("A line on the picture between two states of it; the View menu says which"), "split"),
               [this](bool) { emit splitWanted(); });
    m_buttons[Sweep] = toggle(row, "showSweep", tr("Sweep"),
                              withKeys(tr("The frame at many values of one quantity of the chosen step"), "sweep"),
                              [this](bool) { emit sweepWanted(); });
    m_buttons[Tray] = toggle(row, "showTray", tr("Tray"),
                             withKeys(tr("Pinned versions side by side, with their differences"), "tray"),
                             [this](bool) { emit trayWanted(); });
}

void LookHeader::addVersions(QBoxLayout* row)
{
    m_compare = new QPushButton(tr("Compare"), this);
    m_compare->setObjectName("compareVersions");
    m_compare->setToolTip(withKeys(tr("Two versions side by side with their measured difference"), "compare"));
    m_compare->setCheckable(true);
    connect(m_compare, &QPushButton::clicked, this, &LookHeader::compareWanted);
    row->addWidget(m_compare);
    m_pin = new QPushButton(tr("Pin"), this);
    m_pin->setObjectName("pinVersion");
    m_pin->setAccessibleName(tr("Pin version"));
    connect(m_pin, &QPushButton::clicked, this, &LookHeader::pinWanted);
    row->addWidget(m_pin);
}

void LookHeader::refresh(bool isComparing)
{
    const auto entries = m_document.looks().entries();
    const QSignalBlocker blocker(m_looks);
    m_looks->clear();
    for (const LookEntry& entry : entries) {
        m_looks->addItem(text(entry.name), QVariant::fromValue<qlonglong>(entry.id));
        if (entry.id == m_document.looks().lookId())
            m_looks->setCurrentIndex(m_looks->count() - 1);
    }
    // Of a long name the beginning is seen.
    if (!m_looks->lineEdit()->hasFocus())
        m_looks->lineEdit()->setCursorPosition(0);
    const auto show = [](QToolButton* button, const QString& action, const QString& words, const QString& keys) {
        button->setEnabled(!action.isEmpty());
        button->setToolTip(action.isEmpty() ? words + " (" + keys + ")" : words + ": " + action + " (" + keys + ")");
    };
    show(m_undo, m_document.undoAction(), tr("Undo"), tr("Ctrl+Z"));
    show(m_redo, m_document.redoAction(), tr("Redo"), tr("Ctrl+Shift+Z"));
    const auto pins = m_document.looks().pins().size();
    m_pin->setToolTip(withKeys(tr("Keep the look as it is now under a note, to come back to and compare"), "pin") +
                      (pins == 0   ? QString()
                       : pins == 1 ? tr("; 1 version is pinned")
                                   : tr("; %1 versions are pinned").arg(pins)));
    m_compare->setEnabled(m_document.isOpen() || isComparing);
    m_where->setText(m_document.isOpen() ? whereWords(m_document) : QString());
    for (QWidget* w : std::initializer_list<QWidget*>{m_looks, m_pin, m_where})
        w->setEnabled(m_document.isOpen());
    for (QToolButton* button : m_buttons)
        button->setEnabled(m_document.isOpen());
}

/// In the ink of the theme.
void LookHeader::drawIcons()
{
    for (QToolButton* button : {m_undo, m_redo})
        if (button)
            button->setIcon(theme::icon(button->objectName()));
}

void LookHeader::changeEvent(QEvent* event)
{
    QWidget::changeEvent(event);
    if (event->type() == QEvent::PaletteChange || event->type() == QEvent::StyleChange)
        drawIcons();
}

void LookHeader::setChecked(Button button, bool on) { m_buttons[button]->setChecked(on); }

void LookHeader::setComparing(bool on) { m_compare->setChecked(on); }

void LookHeader::showSecondLook(const QString& frame)
{
    m_aside->setVisible(!frame.isEmpty());
    if (!frame.isEmpty())
        m_aside->setText(tr("Second look: %1").arg(frame));
}

}  // namespace amber
