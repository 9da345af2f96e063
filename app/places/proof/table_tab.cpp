#include "app/places/proof/table_tab.h"

#include "app/places/proof/cell_panel.h"
#include "app/shortcuts/shortcuts.h"
#include "app/theme/line_label.h"
#include "app/theme/theme.h"
#include "core/base/atomic_file.h"
#include "core/job/shoot_work.h"

#include <QtWidgets>

namespace amber {

void TableTab::makeTable()
{
    m_table->setObjectName("consistencyTable");
    m_table->setAccessibleName(tr("Consistency: frames by key colours"));
    m_table->setModel(m_model);
    m_table->setShowGrid(false);
    m_table->setSelectionMode(QAbstractItemView::SingleSelection);
    m_table->setIconSize({42, 28});
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(32);
    m_table->horizontalHeader()->setHighlightSections(false);
    m_table->horizontalHeader()->setDefaultSectionSize(96);
    m_outliers->setObjectName("outliers");
    m_outliers->setAccessibleName(tr("What stands out, the most visible first"));
    m_outliers->setFixedHeight(118);
    m_outliers->setWordWrap(true);
}

TableTab::TableTab(Document& document, ProxyStore& proxies, std::function<QPixmap(std::int64_t)> thumbnail,
                   QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies),
      m_model(new ConsistencyModel(document, std::move(thumbnail), this)), m_task(new Task(this)),
      m_table(new QTableView(this)), m_outliers(new QListWidget(this)), m_number(new QLabel(this)),
      m_state(new LineLabel(this)), m_cell(new CellPanel(document, proxies, *m_model, this)),
      m_finishing(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("tableTab");
    makeTable();
    auto* left = new QVBoxLayout;
    left->setSpacing(0);
    left->setContentsMargins(0, 0, 0, 0);
    left->addWidget(m_table, 1);
    auto* title = new QLabel(tr("What stands out"), this);
    title->setProperty("strong", true);
    title->setIndent(14);
    title->setFixedHeight(30);
    left->addWidget(title);
    left->addWidget(m_outliers);
    auto* middle = new QHBoxLayout;
    middle->setSpacing(0);
    middle->addLayout(left, 1);
    middle->addWidget(m_cell);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    layout->addLayout(middle, 1);

    connectParts();
}

std::vector<ReadFrame> TableTab::toRead() const
{
    return framesToRead(m_document.job(), m_document.frames(),
                        [this](LookId id) { return m_document.looks().read(id); });
}

Look TableTab::lookForAll() const { return m_document.looks().read(m_document.looks().lookForAll()).value_or(Look{}); }

void TableTab::finishAnew()
{
    if (m_read.empty())
        return;
    // The looks of frames, and whose values are whose, as they are now.
    for (const ReadFrame& now : toRead())
        for (ReadFrame& read : m_read)
            if (read.frame == now.frame)
                read.look = now.look, read.fault = now.fault, read.name = now.name;
    // Another look on frames that were read: only colours are run through it again, unless a step looks around.
    const auto work = [readings = m_model->readings(), read = m_read, look = lookForAll()](const CancelToken&) {
        auto finished = readings;
        return finishReadings(finished, read, look) ? std::optional(std::move(finished)) : std::nullopt;
    };
    m_finishing->run(work, [this](const std::optional<std::vector<FrameReading>>& finished) {
        m_isStale = !finished;
        if (finished)
            m_model->show(*finished, m_model->keys());
        refresh();
    });
}

void TableTab::connectParts()
{
    connect(m_table->selectionModel(), &QItemSelectionModel::currentChanged, this,
            [this] { m_cell->show(m_table->currentIndex()); });
    connect(m_cell, &CellPanel::confirmed, this, &TableTab::confirmPlace);
    connect(m_cell, &CellPanel::placed, this, &TableTab::setPlace);
    connect(m_cell, &CellPanel::cureTaken, this, &TableTab::takeCure);
    connect(m_outliers, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row < 0 || row >= static_cast<int>(m_model->table().outliers.size()))
            return;
        const Outlier& o = m_model->table().outliers[static_cast<std::size_t>(row)];
        for (int i = 0; i < m_model->rowCount(); ++i)
            if (m_model->readings()[static_cast<std::size_t>(i)].frame == o.frame)
                m_table->setCurrentIndex(m_model->index(i, static_cast<int>(o.column) + 1));
    });
    connect(&m_document, &Document::leaving, this, [this] {
        m_task->cancel();
        m_read.clear();
        m_model->show({}, {});
    });
    connect(&m_document, &Document::opened, this, &TableTab::refresh);
    connect(&m_document, &Document::keyColoursChanged, this, [this] { m_isStale = true, refresh(); });
    connect(&m_document, &Document::lightsChanged, this, [this] { m_isStale = true, refresh(); });
    connect(&m_document, &Document::balancesChanged, this, [this] { m_isStale = true, refresh(); });
    connect(&m_document, &Document::areasChanged, this, [this] { m_isStale = true, refresh(); });
    connect(&m_document.looks(), &LooksInHand::revisionsChanged, this, &TableTab::finishAnew);
    connect(&m_document, &Document::chosenLooksChanged, this, &TableTab::finishAnew);
    connect(&m_document, &Document::setsChanged, this, &TableTab::finishAnew);
    connect(&m_proxies, &ProxyStore::proxyReady, this, [this](std::int64_t) {
        if (isVisible())
            m_cell->show(m_table->currentIndex());
    });
    connect(m_task, &Task::began, this, &TableTab::refresh);
    connect(m_task, &Task::ended, this, &TableTab::refresh);
    refresh();
}

QLayout* TableTab::makeHeader()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    m_number->setObjectName("consistencyNumber");
    m_number->setProperty("strong", true);
    m_state->setObjectName("consistencyState");
    m_state->setProperty("quiet", true);
    m_state->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_measure = new QPushButton(tr("Measure"), this);
    m_measure->setObjectName("consistencyMeasure");
    m_measure->setToolTip(
        tr("Finds the key colours on every frame and measures them, as they came and with balance and look"));
    connect(m_measure, &QPushButton::clicked, this, &TableTab::measure);
    m_save = new QPushButton(tr("Save table…"), this);
    m_save->setObjectName("consistencySave");
    connect(m_save, &QPushButton::clicked, this, [this] {
        const QString path = QFileDialog::getSaveFileName(
            this, tr("Save the table"), m_document.folder() + QStringLiteral("/consistency.csv"), tr("Table (*.csv)"));
        if (path.isEmpty())
            return;
        if (const Status done = saveTable(path); !done)
            emit m_document.failed(text(done.error().message()));
    });
    row->addWidget(m_number);
    row->addWidget(m_state, 1);
    row->addWidget(makeTaskBar(*m_task, "consistencyTask", this));
    row->addWidget(m_measure);
    row->addWidget(m_save);
    return row;
}

void TableTab::showEvent(QShowEvent*)
{
    refresh();
    m_cell->show(m_table->currentIndex());
}

void TableTab::measure()
{
    if (m_task->isRunning() || m_document.job().lights.empty())
        return;
    if (m_document.job().keys.empty()) {
        emit markingWanted();
        return;
    }
    auto frames = std::make_shared<std::vector<ReadFrame>>(toRead());
    auto readings = std::make_shared<std::vector<FrameReading>>();
    m_isStale = false;
    m_task->start([frames, readings, keys = m_document.job().keys, look = lookForAll()](
                      const Task::Progress& progress,
                      const CancelToken& cancel) { *readings = readShoot(*frames, keys, look, progress, cancel); },
                  [this, frames, readings, keys = m_document.job().keys](bool cancelled) {
                      if (cancelled)
                          return;
                      m_read = *frames;
                      // Where things were found is kept, so that it can be confirmed.
                      m_document.adopt(withFoundPlaces(m_document.job(), keys, *readings));
                      m_model->show(*readings, keys);
                      refresh();
                      if (m_model->rowCount() > 0) {
                          m_table->setColumnWidth(0, 210);
                          if (!m_table->currentIndex().isValid())
                              m_model->table().outliers.empty()
                                  ? m_table->setCurrentIndex(m_model->index(std::min(1, m_model->rowCount() - 1), 1))
                                  : m_outliers->setCurrentRow(0);
                      }
                      m_cell->show(m_table->currentIndex());
                  });
}

std::vector<FrameReading> TableTab::readingsNow() const
{
    return m_isStale || m_finishing->isBusy() || m_task->isRunning() ? std::vector<FrameReading>{}
                                                                     : m_model->readings();
}

Status TableTab::saveTable(const QString& path) const
{
    std::vector<std::string> names;
    for (const FrameReading& r : m_model->readings()) {
        const Frame* frame = m_document.frame(r.frame);
        names.push_back(frame ? frame->path.filename().string() : std::string());
    }
    return saveFile(path.toStdString(), consistencyCsv(m_model->table(), m_model->keys(), names));
}

void TableTab::refresh()
{
    const ConsistencyTable& table = m_model->table();
    const bool isMeasured = !m_model->readings().empty();
    m_measure->setEnabled(!m_task->isRunning() && !m_document.job().lights.empty());
    m_save->setEnabled(isMeasured);
    m_number->setText(isMeasured ? tr("%1 % within tolerance").arg(std::lround(100 * table.within)) : QString());
    if (!isMeasured)
        m_state->setText(
            m_document.job().lights.empty() ? tr("Lights are told apart once all frames are read.")
            : m_document.job().keys.empty()
                ? tr("Mark key colours on a frame in Look first (%1); Measure finds them on the others.")
                      .arg(keysOf("mark").toString(QKeySequence::NativeText))
                : tr("%1 key colours. Measure finds them on every frame.").arg(m_document.job().keys.size()));
    else
        m_state->setText(tr("as they came %1 % · 95 % of the cells within ΔE %2, as they came %3")
                             .arg(std::lround(100 * table.withinBefore))
                             .arg(theme::number(table.allSpread, 1), theme::number(table.allSpreadBefore, 1)) +
                         (m_isStale ? tr(" · changed since: measure again") : QString()));
    const int row = m_outliers->currentRow();
    const QSignalBlocker quiet(m_outliers);
    m_outliers->clear();
    for (const Outlier& o : table.outliers) {
        const Frame* frame = m_document.frame(o.frame);
        m_outliers->addItem(
            tr("%1 · %2: %3 of %4 · %5")
                .arg(frame ? titleOf(*frame) : QString(), m_model->columnTitle(static_cast<int>(o.column) + 1),
                     theme::number(o.difference, 1), theme::number(o.tolerance, 1), CellPanel::causeWords(o)));
    }
    if (isMeasured && table.outliers.empty()) {
        m_outliers->addItem(tr("Nothing stands out."));
        m_outliers->item(0)->setFlags(Qt::NoItemFlags);
    }
    if (row >= 0 && row < m_outliers->count())
        m_outliers->setCurrentRow(row);
}

void TableTab::setPlace(const Region& place)
{
    const QModelIndex index = m_table->currentIndex();
    const auto k = static_cast<std::size_t>(index.column() - 1);
    if (!index.isValid() || index.column() < 1 || k >= m_model->keys().size() || m_task->isRunning())
        return;
    const FrameReading& here = m_model->readings()[static_cast<std::size_t>(index.row())];
    const std::string& key = m_model->keys()[k].name;
    Job after = m_document.job();
    after.keyPlaces[{here.frame, key}] = {place, 1, true};
    m_document.commit(after, tr("Place of %1 confirmed").arg(keyColourTitle(m_model->keys()[k])));
    // Only this frame is read again.
    std::vector<ReadFrame> frames;
    for (ReadFrame& frame : m_read)
        if (frame.frame == here.frame) {
            frame.places[m_model->keys()[k].name] = {place, 1.0};
            for (std::size_t other = 0; other < m_model->keys().size(); ++other)
                if (other != k && here.places[other].right > here.places[other].left)
                    frame.places.emplace(m_model->keys()[other].name,
                                         std::pair(here.places[other], 1 - here.doubt[other]));
            frames.push_back(frame);
        }
    auto again = std::make_shared<std::vector<FrameReading>>();
    m_task->start([frames, again, keys = m_model->keys(), look = lookForAll()](
                      const Task::Progress& progress,
                      const CancelToken& cancel) { *again = readShoot(frames, keys, look, progress, cancel); },
                  [this, again, row = index.row()](bool cancelled) {
                      auto readings = m_model->readings();
                      if (cancelled || again->empty() || row >= static_cast<int>(readings.size()) ||
                          readings[static_cast<std::size_t>(row)].frame != again->front().frame)
                          return;
                      readings[static_cast<std::size_t>(row)] = again->front();
                      m_model->show(readings, m_model->keys());
                      refresh();
                      m_cell->show(m_table->currentIndex());
                  });
}

void TableTab::confirmPlace()
{
    const QModelIndex index = m_table->currentIndex();
    const auto k = static_cast<std::size_t>(index.column() - 1);
    if (index.isValid() && index.column() > 0 && k < m_model->keys().size())
        setPlace(m_model->readings()[static_cast<std::size_t>(index.row())].places[k]);
}

void TableTab::takeCure()
{
    const Outlier* outlier = m_cell->outlier();
    if (!outlier)
        return;
    FrameBalance balance = m_document.balances().of(outlier->frame);
    balance.light = added(balance.light, outlier->cure);
    balance.because = tr("cure from the consistency table").toStdString();
    m_document.balances().set({{outlier->frame, balance}}, tr("Cure of a frame"));
    measure();
}

}  // namespace amber
