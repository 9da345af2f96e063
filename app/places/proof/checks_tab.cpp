#include "app/places/proof/checks_tab.h"

#include "app/places/proof/finding_panel.h"
#include "app/places/proof/use_dialog.h"
#include "app/theme/controls.h"
#include "app/theme/line_label.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

/// Names of columns written upwards, so that narrow ones can be told apart.
class UprightHeader : public QHeaderView {
public:
    explicit UprightHeader(QWidget* parent) : QHeaderView(Qt::Horizontal, parent)
    {
        setSectionsClickable(false);
        setHighlightSections(false);
    }
    QSize sizeHint() const override { return {0, 152}; }

protected:
    void paintSection(QPainter* painter, const QRect& rect, int section) const override
    {
        painter->save();
        painter->fillRect(rect, theme::kDesk);
        painter->setPen(theme::kInk);
        painter->setFont(theme::font(13, section == 0));
        const QString words = model()->headerData(section, Qt::Horizontal).toString();
        if (section == 0) {
            painter->drawText(rect.adjusted(10, 0, 0, -6), Qt::AlignLeft | Qt::AlignBottom, words);
        } else {
            painter->translate(rect.left(), rect.bottom());
            painter->rotate(-90);
            const QRect turned(6, 0, rect.height() - 8, rect.width());
            painter->drawText(turned, Qt::AlignLeft | Qt::AlignVCenter,
                              painter->fontMetrics().elidedText(words, Qt::ElideRight, turned.width()));
        }
        painter->restore();
        painter->setPen(theme::kHairline);
        painter->drawLine(rect.bottomLeft(), rect.bottomRight());
    }
};

constexpr int kCell = 25, kFrameColumn = 164, kRowHeight = 30;

}  // namespace

ChecksTab::ChecksTab(Document& document, ProxyStore& proxies, std::function<QPixmap(std::int64_t)> thumbnail,
                     QWidget* parent)
    : QWidget(parent), m_document(document), m_audit(new ShootAudit(document, proxies.queue(), this)),
      m_model(new ChecksModel(*m_audit, document, std::move(thumbnail), this)), m_table(new QTableView(this)),
      m_panel(new FindingPanel(document, proxies, *m_audit, this))
{
    setObjectName("checksTab");
    makeTable();
    auto* middle = new QHBoxLayout;
    middle->setSpacing(0);
    middle->addWidget(m_table);
    middle->addWidget(m_panel, 1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    layout->addLayout(middle, 1);
    connect(m_audit, &ShootAudit::changed, this, &ChecksTab::renew);
    connect(m_panel, &FindingPanel::nextWanted, this, &ChecksTab::walk);
    connect(&document, &Document::opened, this, &ChecksTab::refreshUses);
    connect(&document, &Document::checkUsesChanged, this, &ChecksTab::refreshUses);
    for (const auto& [keys, by] : {std::pair(QKeySequence(Qt::Key_N), 1), std::pair(QKeySequence("Shift+N"), -1)}) {
        auto* shortcut = new QShortcut(keys, this);
        connect(shortcut, &QShortcut::activated, this, [this, by] { walk(by); });
    }
    refreshUses();
    renew();
}

void ChecksTab::makeTable()
{
    m_table->setObjectName("checksTable");
    m_table->setAccessibleName(tr("Checks: frames by checks"));
    m_table->setHorizontalHeader(new UprightHeader(m_table));
    m_table->setModel(m_model);
    m_table->setItemDelegate(new ChecksDelegate(m_table));
    m_table->setShowGrid(false);
    m_table->setSelectionMode(QAbstractItemView::SingleSelection);
    m_table->setIconSize({36, 24});
    m_table->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(kRowHeight);
    m_table->horizontalHeader()->setMinimumSectionSize(20);
    m_table->setColumnWidth(0, kFrameColumn);
    for (int i = 1; i < m_model->columnCount(); ++i)
        m_table->setColumnWidth(i, kCell);
    connect(m_table->selectionModel(), &QItemSelectionModel::currentChanged, this, &ChecksTab::chooseCell);
}

QLayout* ChecksTab::makeHeader()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    auto* word = new QLabel(tr("For"), this);
    m_use = new QComboBox(this);
    m_use->setObjectName("checkUse");
    m_use->setAccessibleName(tr("For what the frames are checked"));
    connect(m_use, &QComboBox::activated, this,
            [this](int i) { m_audit->chooseUse(m_use->itemData(i).toString().toStdString()); });
    m_limits = makeButton(this, "checkLimits", tr("Limits…"),
                          tr("What is too much, for this use; kept as one of your own"), [this] { editUse(); });
    m_count = new QLabel(this);
    m_count->setObjectName("checkCount");
    m_count->setProperty("strong", true);
    m_state = new LineLabel(this);
    m_state->setObjectName("checkState");
    m_state->setProperty("quiet", true);
    m_state->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_check =
        makeButton(this, "checkRun", tr("Check"),
                   tr("Measures every frame as it will be handed over; what is known already is not measured again"),
                   [this] { m_audit->check(); });
    row->addWidget(word);
    row->addWidget(m_use);
    row->addWidget(m_limits);
    row->addSpacing(8);
    row->addWidget(m_count);
    row->addWidget(m_state, 1);
    row->addWidget(makeTaskBar(m_audit->task(), "checkTask", this));
    row->addWidget(m_check);
    return row;
}

void ChecksTab::fitColumns()
{
    constexpr int kScroll = 16;
    int shown = 0;
    QStringList empty;
    for (int i = 1; i < m_model->columnCount(); ++i) {
        const bool isEmpty = m_audit->isChecked() && m_model->isEmptyColumn(i);
        m_table->setColumnHidden(i, isEmpty);
        if (isEmpty)
            empty << m_model->headerData(i, Qt::Horizontal, Qt::DisplayRole).toString();
        else
            ++shown;
    }
    m_table->setFixedWidth(kFrameColumn + shown * kCell + kScroll);
    m_state->setToolTip(
        empty.isEmpty() ? QString() : tr("Nothing to measure on any frame: %1").arg(empty.join(QStringLiteral(", "))));
}

void ChecksTab::refreshUses()
{
    m_use->clear();
    for (const CheckUse& use : checkUses())
        m_use->addItem(useTitle(use.name), text(use.name));
    for (const CheckUse& use : m_document.job().uses)
        m_use->addItem(text(use.name), text(use.name));
    m_use->setCurrentIndex(m_use->findData(text(m_audit->use().name)));
}

void ChecksTab::refreshWords()
{
    const auto& findings = m_audit->findings();
    const int open = m_audit->openCount(), accepted = static_cast<int>(findings.size()) - open;
    const int frames = static_cast<int>(m_audit->shoot().frames.size());
    m_check->setEnabled(!m_audit->task().isRunning() && !m_document.job().lights.empty());
    m_count->setText(m_audit->isChecked() ? open == 1 ? tr("1 finding open") : tr("%1 findings open").arg(open)
                                          : QString());
    if (!m_audit->isChecked()) {
        m_state->setText(
            m_document.job().lights.empty()
                ? tr("Lights are told apart once all frames are read.")
                : tr("Check measures %1 frames as they will be handed over.").arg(m_document.frames().size()));
        return;
    }
    QStringList words{frames == 1 ? tr("1 frame checked") : tr("%1 frames checked").arg(frames)};
    if (accepted > 0)
        words.prepend(tr("%1 accepted").arg(accepted));
    if (m_audit->isStale())
        words << tr("changed since");
    m_state->setText(words.join(QStringLiteral(" · ")));
}

QString ChecksTab::positionOf(int finding) const
{
    const int open = m_audit->openCount();
    return finding < open ? tr("%1 of %2 open").arg(finding + 1).arg(open) : tr("accepted");
}

void ChecksTab::renew()
{
    refreshWords();
    m_use->setCurrentIndex(m_use->findData(text(m_audit->use().name)));
    {
        const QSignalBlocker quiet(m_table->selectionModel());
        m_model->renew();
    }
    fitColumns();
    const auto& findings = m_audit->findings();
    // The one in hand is found again by what it is of; when it is gone, the one in its place.
    int now = findings.empty() ? -1 : std::clamp(m_inHand, 0, static_cast<int>(findings.size()) - 1);
    if (m_shown)
        for (std::size_t i = 0; i < findings.size(); ++i)
            if (idOf(findings[i], m_audit->use().name) == *m_shown)
                now = static_cast<int>(i);
    if (now < 0) {
        m_inHand = -1, m_shown.reset();
        m_panel->setMessage(m_audit->isChecked() ? tr("Nothing is past its limit.")
                                                 : tr("What could be wrong is shown here, the worst first."));
        return;
    }
    show(now);
}

void ChecksTab::show(int finding)
{
    const auto& findings = m_audit->findings();
    if (finding < 0 || finding >= static_cast<int>(findings.size()))
        return;
    const Finding& f = findings[static_cast<std::size_t>(finding)];
    m_inHand = finding;
    m_shown = idOf(f, m_audit->use().name);
    {
        const QSignalBlocker quiet(m_table->selectionModel());
        m_table->setCurrentIndex(m_model->cellOf(f));
    }
    m_table->scrollTo(m_model->cellOf(f));
    m_table->viewport()->update();
    m_panel->show(&f, positionOf(finding));
    if (isVisible())
        m_document.selection().setFrameInHand(f.frame);
}

void ChecksTab::walk(int by)
{
    const int count = static_cast<int>(m_audit->findings().size());
    if (count > 0)
        show(((m_inHand < 0 ? (by > 0 ? -1 : 0) : m_inHand) + by + count) % count);
}

void ChecksTab::chooseCell(const QModelIndex& cell)
{
    if (const std::vector<int> own = m_model->findingsAt(cell); !own.empty())
        show(own.front());
    else if (const FrameId frame = m_model->frameAt(cell.row()))
        m_document.selection().setFrameInHand(frame);
}

void ChecksTab::editUse()
{
    UseDialog dialog(m_audit->use(), m_document.job().uses, this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    Job after = m_document.job();
    after.uses = dialog.uses();
    const QString name = dialog.chosen();
    m_document.commit(after, tr("Limits of %1").arg(name));
    m_audit->chooseUse(name.toStdString());
    refreshUses();
}

void ChecksTab::showEvent(QShowEvent*)
{
    m_audit->setShown(true);
    m_table->setFocus();
    m_panel->refresh();
}

void ChecksTab::hideEvent(QHideEvent*) { m_audit->setShown(false); }

}  // namespace amber
