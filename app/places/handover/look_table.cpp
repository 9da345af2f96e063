#include "app/places/handover/look_table.h"

#include "app/theme/theme.h"
#include "core/retouch/take_back.h"

#include <QtWidgets>

namespace amber {

LookTable::LookTable(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_table(new QTableWidget(this))
{
    setObjectName("handoverLooks");
    m_table->setObjectName("lookTable");
    m_table->setAccessibleName(tr("Looks by light and frame"));
    m_table->setColumnCount(4);
    m_table->setHorizontalHeaderLabels({tr("Light or frame"), tr("Frames"), tr("Look"), tr("In its picture")});
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(36);
    m_table->setShowGrid(false);
    m_table->setSelectionMode(QAbstractItemView::NoSelection);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    m_table->horizontalHeader()->setSectionResizeMode(3, QHeaderView::Stretch);
    m_table->setColumnWidth(0, 240), m_table->setColumnWidth(1, 70), m_table->setColumnWidth(2, 250);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(m_table);
    for (const auto changed :
         {&Document::chosenLooksChanged, &Document::lightsChanged, &Document::framesChanged, &Document::opened})
        connect(&document, changed, this, &LookTable::refresh);
    connect(&document.looks(), &LooksInHand::revisionsChanged, this, &LookTable::refresh);
}

void LookTable::addRow(const QString& of, const QString& count, LookId look, const QString& note, bool isStrong,
                       const std::function<void(LookId)>& choose)
{
    const int row = m_table->rowCount();
    m_table->insertRow(row);
    auto* name = new QTableWidgetItem(of);
    name->setFont(theme::font(13, isStrong));
    m_table->setItem(row, 0, name);
    m_table->setItem(row, 1, new QTableWidgetItem(count));
    m_table->setItem(row, 3, new QTableWidgetItem(note));
    auto* box = new QComboBox(m_table);
    box->setObjectName(QStringLiteral("lookFor-%1").arg(row));
    box->setAccessibleName(tr("Look of %1").arg(of));
    const Result<Look> all = m_document.looks().read(m_document.looks().lookForAll());
    box->addItem(all ? tr("as all: %1").arg(text(all->name)) : tr("as all"), QVariant::fromValue<qlonglong>(0));
    for (const LookEntry& entry : m_document.looks().entries())
        box->addItem(text(entry.name), QVariant::fromValue<qlonglong>(entry.id));
    box->setCurrentIndex(std::max(0, box->findData(QVariant::fromValue<qlonglong>(look))));
    // The row goes when the look is chosen: after the box is done.
    connect(
        box, &QComboBox::activated, this, [box, choose](int) { choose(box->currentData().toLongLong()); },
        Qt::QueuedConnection);
    auto* cell = new QWidget(m_table);
    auto* layout = new QHBoxLayout(cell);
    layout->setContentsMargins(0, 3, 12, 3);
    layout->addWidget(box);
    m_table->setCellWidget(row, 2, cell);
}

void LookTable::refresh()
{
    m_table->setRowCount(0);
    if (!m_document.isOpen())
        return;
    const Job& job = m_document.job();
    const auto words = [&](FrameId id) { return text(standInWords(job, id, *m_document.looks().onFrame(id))); };
    const auto frameRow = [&](const Frame& frame) {
        addRow(QStringLiteral("    ") + titleOf(frame), {}, job.frame(frame.id).look, words(frame.id), false,
               [this, id = frame.id](LookId look) { m_document.chooseLook({id}, look); });
    };
    const auto isApart = [&](FrameId id) { return job.frame(id).look != 0 || job.frame(id).standIn; };
    for (std::size_t i = 0; i < job.lights.size(); ++i) {
        const Light& light = job.lights[i];
        addRow(text(light.name), QLocale().toString(static_cast<int>(light.frames.size())), light.look, {}, true,
               [this, i](LookId look) { m_document.chooseLookOfLight(static_cast<int>(i), look); });
        for (const FrameId id : light.frames)
            if (const Frame* frame = m_document.frame(id); frame && isApart(id))
                frameRow(*frame);
    }
    for (const Frame& frame : m_document.frames())
        if (job.lightOf(frame.id) < 0)
            frameRow(frame);
}

}  // namespace amber
