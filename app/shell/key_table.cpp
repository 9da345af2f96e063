#include "app/shell/key_table.h"

#include "app/settings/own_settings.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/words/words.h"

#include <QtWidgets>

namespace amber {

KeyTable::KeyTable(QWidget* parent)
    : QWidget(parent), m_table(new QTableWidget(this)), m_edit(new QKeySequenceEdit(this)), m_fault(new QLabel(this))
{
    m_table->setObjectName("settingsKeys");
    m_table->setAccessibleName(tr("Shortcuts"));
    m_table->setColumnCount(2);
    m_table->setHorizontalHeaderLabels({tr("what it does"), tr("keys")});
    m_table->verticalHeader()->hide();
    m_table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    m_table->horizontalHeader()->setHighlightSections(false);
    m_table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    m_table->horizontalHeader()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::SingleSelection);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->setShowGrid(false);
    m_table->setWordWrap(false);
    connect(m_table, &QTableWidget::itemSelectionChanged, this, &KeyTable::showChosen);
    m_edit->setObjectName("settingsKeyEdit");
    m_edit->setAccessibleName(tr("Keys of the chosen shortcut"));
    m_edit->setToolTip(tr("Press the keys"));
    connect(m_edit, &QKeySequenceEdit::editingFinished, this, &KeyTable::take);
    m_shipped = makeButton(this, "settingsKeyShipped", tr("As shipped"),
                           tr("The keys that the chosen shortcut came with"), [this] { put({}, true); });
    m_fault->setObjectName("settingsKeyFault");
    m_fault->setWordWrap(true);
    m_fault->setProperty("quiet", true);
    auto* row = new QHBoxLayout;
    row->addWidget(m_edit, 1);
    row->addWidget(m_shipped);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(m_table, 1);
    layout->addLayout(row);
    layout->addWidget(m_fault);
    fill();
    m_table->selectRow(0);
}

void KeyTable::fill()
{
    const std::vector<Shortcut>& all = shortcuts();
    const auto& own = OwnSettings::instance().get().keys;
    m_table->setRowCount(static_cast<int>(all.size()));
    for (int row = 0; row < m_table->rowCount(); ++row) {
        const Shortcut& s = all[static_cast<std::size_t>(row)];
        auto* words = new QTableWidgetItem(s.words);
        auto* keys = new QTableWidgetItem(keysOf(s.id).toString(QKeySequence::NativeText));
        words->setToolTip(s.words);
        QFont font = keys->font();
        font.setBold(own.contains(s.id));
        keys->setFont(font);
        if (s.isFixed)
            for (QTableWidgetItem* item : {words, keys})
                item->setForeground(theme::kGhost);
        m_table->setItem(row, 0, words);
        m_table->setItem(row, 1, keys);
    }
}

void KeyTable::showChosen()
{
    const int row = m_table->currentRow();
    if (row < 0)
        return;
    const Shortcut& s = shortcuts()[static_cast<std::size_t>(row)];
    m_edit->setKeySequence(keysOf(s.id));
    m_edit->setEnabled(!s.isFixed);
    m_shipped->setEnabled(!s.isFixed && OwnSettings::instance().get().keys.contains(s.id));
    m_fault->setText(s.isFixed ? tr("These keys stay as they are.")
                               : tr("Press other keys in the field. Tool tips name them from the next start on."));
}

void KeyTable::take()
{
    const int row = m_table->currentRow();
    if (row < 0)
        return;
    const Shortcut& s = shortcuts()[static_cast<std::size_t>(row)];
    const QKeySequence keys = m_edit->keySequence();
    if (s.isFixed || keys == keysOf(s.id))
        return;
    if (const QString fault = faultOfKeys(s.id, keys); !fault.isEmpty()) {
        m_edit->setKeySequence(keysOf(s.id));
        m_fault->setText(fault);
        return;
    }
    put(keys.toString(QKeySequence::PortableText), keys == s.keys);
}

void KeyTable::put(const QString& keys, bool isShipped)
{
    const int row = m_table->currentRow();
    const Shortcut& s = shortcuts()[static_cast<std::size_t>(row)];
    if (isShipped)
        if (const QString fault = faultOfKeys(s.id, s.keys); !fault.isEmpty()) {
            m_fault->setText(fault);
            return;
        }
    Settings settings = OwnSettings::instance().get();
    if (isShipped)
        settings.keys.erase(s.id);
    else
        settings.keys[s.id] = keys.toStdString();
    if (const Status kept = OwnSettings::instance().set(settings); !kept)
        emit failed(text(kept.error().message()));
    fill();
    m_table->selectRow(row);
    showChosen();
}

}  // namespace amber
