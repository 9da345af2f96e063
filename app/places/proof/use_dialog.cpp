#include "app/places/proof/use_dialog.h"

#include "app/places/proof/checks_model.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/words/words.h"

#include <QtWidgets>

namespace amber {

UseDialog::UseDialog(const CheckUse& use, std::vector<CheckUse> own, QWidget* parent)
    : QDialog(parent), m_use(use), m_own(std::move(own)), m_name(new QLineEdit(this)), m_table(new QTableWidget(this)),
      m_words(new QLabel(this))
{
    setObjectName("useDialog");
    setWindowTitle(tr("Limits"));
    resize(560, 620);
    m_name->setObjectName("useName");
    m_name->setAccessibleName(tr("Name of the use"));
    m_name->setText(isOwn() ? text(m_use.name) : tr("%1, own").arg(useTitle(m_use.name)));
    m_words->setWordWrap(true);
    m_words->setProperty("quiet", true);
    m_words->setObjectName("useWords");
    fill();
    auto* nameRow = new QHBoxLayout;
    nameRow->addWidget(new QLabel(tr("Name"), this));
    nameRow->addWidget(m_name, 1);
    m_keep = makeButton(this, "useKeep", tr("Keep"), tr("Kept with the job"), [this] { keep(); });
    m_keep->setDefault(true);
    m_remove = makeButton(this, "useRemove", tr("Remove"), tr("This use of your own; findings accepted for it stay"),
                          [this] { remove(); });
    m_remove->setVisible(isOwn());
    auto* leave = makeButton(this, "useLeave", tr("Leave"), {}, [this] { reject(); });
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(m_remove);
    buttons->addStretch(1);
    buttons->addWidget(leave);
    buttons->addWidget(m_keep);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(16, 14, 16, 14);
    layout->setSpacing(10);
    layout->addLayout(nameRow);
    layout->addWidget(m_table, 1);
    layout->addWidget(m_words);
    layout->addLayout(buttons);
    connect(m_name, &QLineEdit::textChanged, this, &UseDialog::refresh);
    refresh();
}

bool UseDialog::isOwn() const
{
    return std::any_of(m_own.begin(), m_own.end(), [this](const CheckUse& u) { return u.name == m_use.name; });
}

void UseDialog::fill()
{
    const auto kinds = checkKinds();
    m_table->setObjectName("useLimits");
    m_table->setAccessibleName(tr("Limits by check"));
    m_table->setRowCount(static_cast<int>(kinds.size()));
    m_table->setColumnCount(3);
    m_table->setHorizontalHeaderLabels(
        {tr("Check"), tr("Limit"),
         tr("Shipped for %1").arg(useTitle(checkUses()[static_cast<std::size_t>(m_use.base)].name))});
    m_table->verticalHeader()->hide();
    m_table->setShowGrid(false);
    m_table->setSelectionMode(QAbstractItemView::NoSelection);
    m_table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    m_table->setColumnWidth(1, 150), m_table->setColumnWidth(2, 150);
    const CheckUse shipped = checkUses()[static_cast<std::size_t>(m_use.base)];
    for (int i = 0; i < m_table->rowCount(); ++i) {
        const CheckKind& kind = *kinds[static_cast<std::size_t>(i)];
        auto* title = new QTableWidgetItem(tr(kind.title));
        title->setFlags(Qt::ItemIsEnabled);
        title->setToolTip(tr(kind.because));
        auto* before = new QTableWidgetItem(inUnit(theme::decimal(shipped.limitOf(kind), kind.decimals), kind));
        before->setFlags(Qt::ItemIsEnabled);
        auto* limit = new QDoubleSpinBox(m_table);
        limit->setObjectName(QStringLiteral("limit-%1").arg(kind.id));
        limit->setAccessibleName(tr("Limit of %1").arg(tr(kind.title)));
        limit->setButtonSymbols(QAbstractSpinBox::NoButtons);
        limit->setDecimals(std::max(1, kind.decimals));
        limit->setRange(0, 100000);
        limit->setSingleStep(std::max(0.1, shipped.limitOf(kind) / 10));
        limit->setSuffix(inUnit(QString(), kind));
        limit->setValue(m_use.limitOf(kind));
        m_table->setItem(i, 0, title);
        m_table->setCellWidget(i, 1, limit);
        m_table->setItem(i, 2, before);
    }
}

void UseDialog::refresh()
{
    const std::string name = m_name->text().trimmed().toStdString();
    const bool isShipped =
        std::any_of(checkUses().begin(), checkUses().end(), [&](const CheckUse& u) { return u.name == name; });
    const bool isTaken = name != m_use.name &&
                         std::any_of(m_own.begin(), m_own.end(), [&](const CheckUse& u) { return u.name == name; });
    m_keep->setEnabled(!name.empty() && !isShipped && !isTaken);
    m_words->setText(isShipped ? tr("Shipped uses stay as they are: give yours a name of its own.")
                     : isTaken ? tr("There is another use of this name.")
                               : tr("Tolerances set on key colours come before these limits."));
}

void UseDialog::keep()
{
    CheckUse kept{m_name->text().trimmed().toStdString(), m_use.base};
    const CheckUse shipped = checkUses()[static_cast<std::size_t>(m_use.base)];
    for (int i = 0; i < m_table->rowCount(); ++i) {
        const CheckKind& kind = *checkKinds()[static_cast<std::size_t>(i)];
        const double now = static_cast<QDoubleSpinBox*>(m_table->cellWidget(i, 1))->value();
        if (std::abs(now - shipped.limitOf(kind)) > 1e-9)
            kept.limits[kind.id] = now;
    }
    const auto same =
        std::find_if(m_own.begin(), m_own.end(), [this](const CheckUse& u) { return u.name == m_use.name; });
    if (same != m_own.end())
        *same = kept;
    else
        m_own.push_back(kept);
    m_chosen = text(kept.name);
    accept();
}

void UseDialog::remove()
{
    std::erase_if(m_own, [this](const CheckUse& u) { return u.name == m_use.name; });
    m_chosen = text(checkUses()[static_cast<std::size_t>(m_use.base)].name);
    accept();
}

}  // namespace amber
