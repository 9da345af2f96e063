#include "app/places/handover/look_table.h"

#include "app/theme/theme.h"
#include "core/retouch/take_back.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kLookColumn = 2;

/// Shows the look of a row as a box to choose from, and makes the box when it is wanted: a shoot has a thousand rows.
class LookDelegate : public QStyledItemDelegate {
public:
    explicit LookDelegate(LookTable* table) : QStyledItemDelegate(table), m_table(table), m_model(new QComboBox(table))
    {
        m_model->hide();
        m_model->setObjectName("lookBox"), m_model->setAccessibleName(LookTable::tr("Look"));
    }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        QStyleOptionComboBox box;
        box.initFrom(m_model);
        box.rect = roomOf(option.rect);
        box.state = QStyle::State_Enabled | (option.state & QStyle::State_HasFocus);
        box.currentText = option.fontMetrics.elidedText(index.data().toString(), Qt::ElideRight, box.rect.width() - 34);
        painter->save();
        painter->translate(box.rect.topLeft());
        box.rect.moveTo(0, 0);
        m_model->style()->drawComplexControl(QStyle::CC_ComboBox, &box, painter, m_model);
        m_model->style()->drawControl(QStyle::CE_ComboBoxLabel, &box, painter, m_model);
        painter->restore();
    }

    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&, const QModelIndex& index) const override
    {
        auto* box = new QComboBox(parent);
        box->setObjectName(QStringLiteral("lookFor-%1").arg(index.row()));
        box->setAccessibleName(LookTable::tr("Look of %1").arg(index.siblingAtColumn(0).data().toString().trimmed()));
        for (const auto& [look, words] : m_table->choices())
            box->addItem(words, QVariant::fromValue<qlonglong>(look));
        box->setCurrentIndex(std::max(0, box->findData(index.data(Qt::UserRole))));
        connect(box, &QComboBox::activated, m_table, [this, box, row = index.row()] {
            m_table->choose(row, box->currentData().toLongLong());
            emit const_cast<LookDelegate*>(this)->closeEditor(box);  // before the rows go
        });
        QTimer::singleShot(0, box, &QComboBox::showPopup);
        return box;
    }
    void setEditorData(QWidget*, const QModelIndex&) const override {}
    void setModelData(QWidget*, QAbstractItemModel*, const QModelIndex&) const override {}
    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option, const QModelIndex&) const override
    {
        editor->setGeometry(roomOf(option.rect));
    }

private:
    static QRect roomOf(const QRect& cell) { return cell.adjusted(0, 3, -12, -3); }
    LookTable* m_table;
    QComboBox* m_model;
};

}  // namespace

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
    m_table->setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::AnyKeyPressed);
    m_table->setItemDelegateForColumn(kLookColumn, new LookDelegate(this));
    const auto edit = [this](const QModelIndex& index) {
        if (index.column() == kLookColumn && !m_table->isPersistentEditorOpen(index))
            m_table->edit(index);
    };
    connect(m_table, &QAbstractItemView::clicked, this, edit);
    connect(m_table, &QAbstractItemView::activated, this, edit);
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

void LookTable::choose(int row, LookId look)
{
    // The rows go when a look is chosen: after the box is done.
    if (row < static_cast<int>(m_choose.size()))
        QMetaObject::invokeMethod(
            this, [choose = m_choose[static_cast<std::size_t>(row)], look] { choose(look); }, Qt::QueuedConnection);
}

void LookTable::addRow(const QString& of, const QString& count, LookId look, const QString& note, bool isStrong,
                       std::function<void(LookId)> choose)
{
    const int row = static_cast<int>(m_choose.size());
    m_choose.push_back(std::move(choose));
    const auto put = [&](int column, const QString& words) {
        auto* item = new QTableWidgetItem(words);
        item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
        m_table->setItem(row, column, item);
        return item;
    };
    put(0, of)->setFont(theme::font(13, isStrong));
    put(1, count), put(3, note);
    const auto is =
        std::find_if(m_choices.begin(), m_choices.end(), [&](const auto& choice) { return choice.first == look; });
    QTableWidgetItem* item = put(kLookColumn, is == m_choices.end() ? m_choices.front().second : is->second);
    item->setData(Qt::UserRole, QVariant::fromValue<qlonglong>(look));
    item->setFlags(item->flags() | Qt::ItemIsEditable);
}

void LookTable::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    if (m_isOld)
        fill();
}

/// What nobody sees is not made.
void LookTable::refresh()
{
    m_isOld = true;
    if (isVisible())
        fill();
}

void LookTable::fill()
{
    m_isOld = false;
    const int row = m_table->currentRow(), column = m_table->currentColumn();
    m_choose.clear();
    m_table->setRowCount(0);
    if (!m_document.isOpen())
        return;
    const Result<Look> all = m_document.looks().read(m_document.looks().lookForAll());
    m_choices = {{0, all ? tr("as all: %1").arg(text(all->name)) : tr("as all")}};
    for (const LookEntry& entry : m_document.looks().entries())
        m_choices.emplace_back(entry.id, text(entry.name));
    const Job& job = m_document.job();
    m_table->setRowCount(static_cast<int>(job.lights.size() + m_document.frames().size()));
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
    m_table->setRowCount(static_cast<int>(m_choose.size()));
    if (row >= 0 && row < m_table->rowCount())
        m_table->setCurrentCell(row, column);  // keys go on from where they were
}

}  // namespace amber
