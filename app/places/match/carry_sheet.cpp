#include "app/places/match/carry_sheet.h"

#include "app/document/document.h"
#include "app/places/match/ladder_model.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

enum Column { Name, Frames, AsItStands, Solved, Rows, ColumnCount };

/// The rows that solving again brought farthest, in words.
QString rowWords(const CarriedLight& light)
{
    constexpr std::size_t kMost = 2;
    constexpr double kWorthSaying = 0.5;
    std::vector<std::size_t> rows = light.rows;
    const auto gain = [&](std::size_t row) {
        return light.asItStands.rows[row].difference - light.solved.rows[row].difference;
    };
    std::stable_sort(rows.begin(), rows.end(), [&](std::size_t p, std::size_t q) { return gain(p) > gain(q); });
    QStringList words;
    for (const std::size_t row : rows)
        if (static_cast<std::size_t>(words.size()) < kMost && gain(row) > kWorthSaying)
            words << CarrySheet::tr("%1 %2 → %3")
                         .arg(LadderModel::nameOf(light.solved.rows[row]),
                              theme::number(light.asItStands.rows[row].difference, 1),
                              theme::number(light.solved.rows[row].difference, 1));
    return words.isEmpty() ? CarrySheet::tr("nothing worth changing") : words.join(QStringLiteral(", "));
}

Qt::Alignment alignmentOf(int column)
{
    return (column == Name || column == Rows ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter;
}

}  // namespace

CarrySheet::CarrySheet(const std::vector<CarriedLight>& lights, const std::vector<int>& frames,
                       const QString& reference, QWidget* parent)
    : QDialog(parent), m_table(new QTableWidget(this))
{
    setObjectName("carrySheet");
    setWindowTitle(tr("Carry the match to all lights"));
    resize(860, 320);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 14);
    column->setSpacing(10);
    auto* words = new QLabel(tr("The rows taken from %1, solved again for the frames of each light. Their steps keep "
                                "numbers of their own for these frames; the frame in hand stays as it is.")
                                 .arg(reference),
                             this);
    words->setWordWrap(true);
    words->setProperty("quiet", true);
    column->addWidget(words);
    fill(lights, frames);
    column->addWidget(m_table, 1);
    auto* buttons = new QDialogButtonBox(this);
    auto* carry = buttons->addButton(tr("Carry"), QDialogButtonBox::AcceptRole);
    carry->setObjectName("carryAccept");
    buttons->addButton(tr("Leave as it is"), QDialogButtonBox::RejectRole)->setObjectName("carryLeave");
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
    carry->setFocus();
}

void CarrySheet::fill(const std::vector<CarriedLight>& lights, const std::vector<int>& frames)
{
    m_table->setObjectName("carryTable");
    m_table->setStyleSheet(QStringLiteral("QTableView::item { border: 0; padding: 0 10px; }"
                                          "QHeaderView::section { padding: 4px 10px; }"));
    m_table->setAccessibleName(tr("Lights, and how far each lies from the match"));
    m_table->setColumnCount(ColumnCount);
    m_table->setHorizontalHeaderLabels(
        {tr("Light"), tr("Frames"), tr("Off as it stands"), tr("Solved again"), tr("Rows that move most")});
    m_table->setRowCount(static_cast<int>(lights.size()));
    for (int c = 0; c < ColumnCount; ++c)
        m_table->horizontalHeaderItem(c)->setTextAlignment(alignmentOf(c));
    m_table->verticalHeader()->hide();
    m_table->setShowGrid(false);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    for (int i = 0; i < m_table->rowCount(); ++i) {
        const CarriedLight& light = lights[static_cast<std::size_t>(i)];
        const QString cells[ColumnCount] = {text(light.name), QString::number(frames[static_cast<std::size_t>(i)]),
                                            theme::number(light.asItStands.distance(), 1),
                                            theme::number(light.solved.distance(), 1), rowWords(light)};
        for (int c = 0; c < ColumnCount; ++c) {
            auto* item = new QTableWidgetItem(cells[c]);
            item->setTextAlignment(alignmentOf(c));
            m_table->setItem(i, c, item);
        }
    }
    m_table->resizeColumnsToContents();
    for (int c = 0; c < Rows; ++c)
        m_table->setColumnWidth(c, m_table->columnWidth(c) + 14);
    m_table->horizontalHeader()->setSectionResizeMode(Rows, QHeaderView::Stretch);
}

}  // namespace amber
