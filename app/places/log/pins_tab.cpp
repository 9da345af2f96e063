#include "app/places/log/pins_tab.h"

#include "app/pins/pin_list.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {

PinsTab::PinsTab(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_list(new PinList(document, this)),
      m_all(new QCheckBox(tr("also those that are done"), this)), m_words(new QLabel(this))
{
    setObjectName("pinsTab");
    m_list->setObjectName("logPins");
    m_all->setObjectName("logPinsAll");
    m_words->setObjectName("pinWords"), m_words->setProperty("strong", true);
    m_show = makeButton(this, "pinShow", tr("Show it"), tr("Its place on the picture, or its step"), [this] {
        if (const PinId pin = m_list->chosen())
            emit wanted(pin);
    });
    m_remove = makeButton(this, "pinRemove", tr("Take away"), tr("Ctrl+Z brings it back"),
                          [this] { m_list->remove(m_list->chosen()); });
    m_add = makeButton(this, "pinAdd", tr("New pin…"),
                       tr("Click its place on the picture (%1); on a step, its menu in the step line")
                           .arg(keysOf("remark").toString(QKeySequence::NativeText)),
                       [this] { emit pinWanted(); });
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 8);
    row->setSpacing(8);
    row->addWidget(m_words), row->addStretch(1), row->addWidget(m_all);
    row->addWidget(m_remove), row->addWidget(m_show), row->addWidget(m_add);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(row);
    layout->addWidget(m_list, 1);
    connect(m_all, &QCheckBox::toggled, m_list, &PinList::showAll);
    connect(m_list, &PinList::wanted, this, &PinsTab::wanted);
    connect(m_list, &PinList::refreshed, this, &PinsTab::refresh);
    connect(m_list, &QTableWidget::currentCellChanged, this, &PinsTab::refresh);
    connect(&document, &Document::leaving, this, &PinsTab::refresh);
    refresh();
}

void PinsTab::refresh()
{
    int open = 0;
    for (const auto& [id, pin] : m_document.job().pins)
        open += !pin.isDone;
    m_words->setText(!m_document.isOpen() ? tr("Nothing is open.")
                     : open == 0          ? tr("No pin is open.")
                                          : tr("%n pins are open; hand over asks about them", nullptr, open));
    const bool isChosen = m_list->chosen() != 0;
    m_show->setEnabled(isChosen), m_remove->setEnabled(isChosen);
    m_add->setEnabled(m_document.isOpen());
}

}  // namespace amber
