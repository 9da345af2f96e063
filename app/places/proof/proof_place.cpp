#include "app/places/proof/proof_place.h"

#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/base/atomic_file.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/job/shoot_work.h"

#include <QtWidgets>

namespace amber {

/// The two colours of a cell, edge to edge: that is where a difference shows.
class ProofPlace::Patches : public QWidget {
public:
    explicit Patches(QWidget* parent) : QWidget(parent)
    {
        setObjectName("cellPatches");
        setFixedHeight(64);
    }
    void show(const std::optional<LinearRgb>& lead, const std::optional<LinearRgb>& here)
    {
        m_lead = lead, m_here = here;
        update();
    }

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        painter.fillRect(rect(), theme::kWall);
        if (!m_lead || !m_here)
            return;
        const QRect area = rect().adjusted(8, 8, -8, -24);
        painter.fillRect(QRect(area.left(), area.top(), area.width() / 2, area.height()), theme::screenColour(*m_lead));
        painter.fillRect(
            QRect(area.left() + area.width() / 2, area.top(), area.width() - area.width() / 2, area.height()),
            theme::screenColour(*m_here));
        painter.setPen(theme::kWallInk);
        painter.setFont(theme::font(13));
        const QRect words(area.left(), area.bottom() + 2, area.width(), 18);
        painter.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, tr("lead"));
        painter.drawText(words, Qt::AlignRight | Qt::AlignVCenter, tr("this frame"));
    }

private:
    std::optional<LinearRgb> m_lead, m_here;
};

ProofPlace::ProofPlace(Document& document, ProxyStore& proxies, std::function<QPixmap(std::int64_t)> thumbnail,
                       QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies),
      m_model(new ConsistencyModel(document, std::move(thumbnail), this)), m_task(new Task(this)),
      m_table(new QTableView(this)), m_outliers(new QListWidget(this)), m_number(new QLabel(this)),
      m_state(new QLabel(this)), m_hereSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_leadSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_finishing(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("proofPlace");
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
    middle->addWidget(makeCellPanel());
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    layout->addLayout(middle, 1);

    connectParts();
}

void ProofPlace::connectParts()
{
    connect(m_table->selectionModel(), &QItemSelectionModel::currentChanged, this, [this] { showCell(); });
    connect(m_outliers, &QListWidget::currentRowChanged, this, [this](int row) {
        if (row < 0 || row >= static_cast<int>(m_model->table().outliers.size()))
            return;
        const Outlier& o = m_model->table().outliers[static_cast<std::size_t>(row)];
        for (int i = 0; i < m_model->rowCount(); ++i)
            if (m_model->readings()[static_cast<std::size_t>(i)].frame == o.frame)
                m_table->setCurrentIndex(m_model->index(i, static_cast<int>(o.column) + 1));
    });
    connect(&m_document, &Document::opening, this, [this] {
        m_task->cancel();
        m_read.clear();
        m_model->show({}, {});
    });
    connect(&m_document, &Document::opened, this, &ProofPlace::refresh);
    connect(&m_document, &Document::keyColoursChanged, this, [this] { m_isStale = true, refresh(); });
    connect(&m_document, &Document::lightsChanged, this, [this] { m_isStale = true, refresh(); });
    connect(&m_document, &Document::balancesChanged, this, [this] { m_isStale = true, refresh(); });
    connect(&m_document.looks(), &LooksInHand::revisionsChanged, this, [this] {
        if (m_read.empty())
            return;
        // Another look on frames that were read: only colours are run through it again, unless a step looks around.
        const auto work = [readings = m_model->readings(), read = m_read,
                           look = m_document.looks().look()](const CancelToken&) {
            auto finished = readings;
            return finishReadings(finished, read, look) ? std::optional(std::move(finished)) : std::nullopt;
        };
        m_finishing->run(work, [this](const std::optional<std::vector<FrameReading>>& finished) {
            m_isStale = !finished;
            if (finished)
                m_model->show(*finished, m_model->keys());
            refresh();
        });
    });
    connect(&m_proxies, &ProxyStore::proxyReady, this, [this](std::int64_t) {
        if (isVisible())
            showCell();
    });
    connect(m_task, &Task::began, this, &ProofPlace::refresh);
    connect(m_task, &Task::ended, this, &ProofPlace::refresh);
    refresh();
}

QLayout* ProofPlace::makeHeader()
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
    connect(m_measure, &QPushButton::clicked, this, &ProofPlace::measure);
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

QWidget* ProofPlace::makeCellPanel()
{
    auto* panel = new QWidget(this);
    panel->setObjectName("cellPanel");
    panel->setFixedWidth(340);
    m_patches = new Patches(panel);
    m_here = new PictureView(panel);
    m_here->setObjectName("cellHere");
    m_lead = new PictureView(panel);
    m_lead->setObjectName("cellLead");
    m_here->setInteractive(true);
    m_lead->setInteractive(true);
    auto* wall = new QWidget(panel);
    wall->setObjectName("cellWall");
    wall->setAttribute(Qt::WA_StyledBackground);
    auto* pictures = new QVBoxLayout(wall);
    pictures->setContentsMargins(10, 4, 10, 8);
    pictures->setSpacing(6);
    pictures->addWidget(m_here, 1);
    pictures->addWidget(m_lead, 1);
    m_cellWords = new QLabel(panel);
    m_cellWords->setObjectName("cellWords");
    m_cellWords->setProperty("strong", true);
    m_cellWords->setWordWrap(true);
    m_cause = new QLabel(panel);
    m_cause->setObjectName("cellCause");
    m_cause->setWordWrap(true);
    const auto button = [&](const char* name, const QString& words, const QString& tip, auto&& act) {
        auto* b = new QPushButton(words, panel);
        b->setObjectName(name);
        b->setToolTip(tip);
        connect(b, &QPushButton::clicked, this, act);
        return b;
    };
    m_confirm = button("placeConfirm", tr("Confirm place"),
                       tr("This is the thing: its place is kept and counts as evidence for balance"),
                       [this] { confirmPlace(); });
    m_correct = button("placeCorrect", tr("Correct place"), tr("Click, or drag a region, on the picture of this frame"),
                       [this] { m_here->setMarking(!m_here->isMarking()); });
    m_cure = button("takeCure", tr("Take the cure"), tr("Adds it to this frame's balance; Ctrl+Z takes it back"),
                    [this] { takeCure(); });
    connect(m_here, &PictureView::marked, this, &ProofPlace::correctPlace);
    connect(m_here, &PictureView::resized, this, &ProofPlace::showCell);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(m_confirm);
    buttons->addWidget(m_correct);
    auto* layout = new QVBoxLayout(panel);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(wall, 1);
    layout->addWidget(m_patches);
    auto* words = new QVBoxLayout;
    words->setContentsMargins(14, 8, 14, 12);
    words->setSpacing(6);
    words->addWidget(m_cellWords);
    words->addWidget(m_cause);
    words->addLayout(buttons);
    words->addWidget(m_cure);
    layout->addLayout(words);
    return panel;
}

void ProofPlace::showEvent(QShowEvent*)
{
    refresh();
    showCell();
}

void ProofPlace::measure()
{
    if (m_task->isRunning() || m_document.job().lights.empty())
        return;
    if (m_document.job().keys.empty()) {
        emit markingWanted();
        return;
    }
    auto frames = std::make_shared<std::vector<ReadFrame>>(framesToRead(m_document.job(), m_document.frames()));
    auto readings = std::make_shared<std::vector<FrameReading>>();
    m_isStale = false;
    m_task->start([frames, readings, keys = m_document.job().keys, look = m_document.looks().look()](
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
                      showCell();
                  });
}

Status ProofPlace::saveTable(const QString& path) const
{
    std::vector<std::string> names;
    for (const FrameReading& r : m_model->readings()) {
        const Frame* frame = m_document.frame(r.frame);
        names.push_back(frame ? frame->path.filename().string() : std::string());
    }
    return saveFile(path.toStdString(), consistencyCsv(m_model->table(), m_model->keys(), names));
}

void ProofPlace::refresh()
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
                ? tr("Mark key colours on a frame in Look first (Ctrl+M); Measure finds them on the others.")
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
        m_outliers->addItem(tr("%1 · %2: %3 of %4 · %5")
                                .arg(frame ? titleOf(*frame) : QString(),
                                     m_model->columnTitle(static_cast<int>(o.column) + 1),
                                     theme::number(o.difference, 1), theme::number(o.tolerance, 1), causeWords(o)));
    }
    if (isMeasured && table.outliers.empty()) {
        m_outliers->addItem(tr("Nothing stands out."));
        m_outliers->item(0)->setFlags(Qt::NoItemFlags);
    }
    if (row >= 0 && row < m_outliers->count())
        m_outliers->setCurrentRow(row);
}

QString ProofPlace::causeWords(const Outlier& outlier) const
{
    switch (outlier.cause) {
    case Outlier::Cause::Exposure:
        return outlier.cure.isIdentity()        ? tr("the frame is lighter or darker")
               : outlier.cure.exposureStops > 0 ? tr("the whole frame is darker")
                                                : tr("the whole frame is lighter");
    case Outlier::Cause::White:
        return outlier.cure.kelvin > Balance{}.kelvin ? tr("the whole frame is cooler")
                                                      : tr("the whole frame is warmer");
    case Outlier::Cause::ThisThingOnly:
        return tr("only this differs: other light on it, or another thing");
    case Outlier::Cause::Clipped:
        return tr("clipped in the frame as it came: what is lost cannot be brought back");
    case Outlier::Cause::Doubtful:
        return tr("perhaps not the same thing: look at its place");
    }
    return {};
}

QString ProofPlace::cureWords(const Outlier& outlier) const
{
    if (outlier.cure.isIdentity())
        return {};
    QStringList words;
    if (std::abs(outlier.cure.exposureStops) > 0.005)
        words << tr("%1 stops").arg(theme::number(outlier.cure.exposureStops, 2));
    if (std::abs(outlier.cure.kelvin - Balance{}.kelvin) > 5)
        words << tr("white %1 K").arg(theme::number(outlier.cure.kelvin, 0));
    return tr("Cure: %1; %2 would be left").arg(words.join(", "), theme::number(outlier.afterCure, 1));
}

const Outlier* ProofPlace::outlierOfCell() const
{
    const QModelIndex index = m_table->currentIndex();
    if (!index.isValid() || index.column() == 0 || index.row() >= m_model->rowCount())
        return nullptr;
    const std::int64_t frame = m_model->readings()[static_cast<std::size_t>(index.row())].frame;
    const auto& all = m_model->table().outliers;
    const auto found = std::find_if(all.begin(), all.end(), [&](const Outlier& o) {
        return o.frame == frame && static_cast<int>(o.column) == index.column() - 1;
    });
    return found == all.end() ? nullptr : &*found;
}

bool ProofPlace::render(PictureView& view, RenderSlot& slot, FrameId id, const Balance& cure)
{
    const Frame* frame = m_document.frame(id);
    const auto proxy = frame ? m_proxies.proxy(id, frame->path) : nullptr;
    const QSize space = view.pictureSpace();
    if (!proxy || space.isEmpty())
        return false;
    const auto plan = RenderPlan::compile(m_document.looks().lookOf(id));
    const Response response = m_document.balances().responseOf(m_document.balances().of(id));
    const auto work = [proxy, space, plan, response, cure](const CancelToken&) {
        Image small = reducedToFit(proxy->image.view(), space.width(), space.height());
        applyBalance(cure, response, small.mutableView());
        if (plan)
            amber::render(*plan, small.view(), small.mutableView(), {},
                          {RenderOptions::Stage::All, std::max(proxy->info.width, proxy->info.height)});
        return toScreen(small.view());
    };
    slot.run(work, [this, &view](const QImage& picture) { view.setImages(++m_shown, picture, picture); });
    return true;
}

void ProofPlace::showCell()
{
    const QModelIndex index = m_table->currentIndex();
    const bool chosen = index.isValid() && index.column() > 0 && index.row() < m_model->rowCount();
    const FrameReading* here = chosen ? &m_model->readings()[static_cast<std::size_t>(index.row())] : nullptr;
    const FrameReading* lead = here ? m_model->leadOf(*here) : nullptr;
    const auto k = static_cast<std::size_t>(std::max(0, index.column() - 1));
    const bool isKey = chosen && k < m_model->keys().size();
    const bool isPlaced = isKey && k < here->places.size() && here->places[k].right > here->places[k].left;
    const Outlier* outlier = outlierOfCell();
    m_confirm->setEnabled(isPlaced && here->doubt[k] > 0);
    m_correct->setEnabled(isKey && m_model->keys()[k].frame != here->frame);
    m_cure->setVisible(outlier && !outlier->cure.isIdentity());
    if (!chosen || !lead) {
        m_cellWords->setText(chosen ? tr("This light has no lead that can be read.")
                                    : tr("Choose a cell to see both colours, side by side and in place."));
        m_cause->clear();
        m_patches->show({}, {});
        m_hereSlot->drop(), m_leadSlot->drop();
        m_here->clear();
        m_lead->clear();
        return;
    }
    const ConsistencyCell& cell = m_model->table().rows[static_cast<std::size_t>(index.row())][k];
    const Frame *frame = m_document.frame(here->frame), *leadFrame = m_document.frame(lead->frame);
    m_cellWords->setText(!cell.isMeasured
                             ? tr("%1 was not found on this frame.").arg(m_model->columnTitle(index.column()))
                             : tr("%1: %2 from its lead, as it came %3")
                                   .arg(m_model->columnTitle(index.column()),
                                        isKey ? tr("ΔE %1").arg(theme::number(cell.after, 1))
                                              : tr("%1 L*").arg(theme::number(cell.after, 1)),
                                        theme::number(cell.before, 1)));
    QStringList words;
    if (cell.isMeasured && isKey)
        words << tr("Tolerance %1.").arg(theme::number(m_model->keys()[k].tolerance, 1));
    if (cell.toTarget)
        words << tr("%1 from its target.").arg(theme::number(*cell.toTarget, 1));
    if (isPlaced && here->doubt[k] > 0)
        words << tr("Found again, %1 % sure; not confirmed.").arg(std::lround(100 * (1 - here->doubt[k])));
    if (outlier)
        words << tr("Likely: %1.").arg(causeWords(*outlier)) << cureWords(*outlier);
    m_cause->setText(words.join(' '));
    if (isKey)
        m_patches->show(lead->finished[k], here->finished[k]);
    else
        m_patches->show({}, {});
    const auto show = [&](PictureView& view, RenderSlot& slot, const FrameReading& reading, const QString& caption,
                          const Balance& cure) {
        view.setCaption(caption);
        if (!render(view, slot, reading.frame, cure)) {
            slot.drop();
            view.clear();
            view.setMessage(tr("Reading…"));
            return;
        }
        std::vector<PictureView::Mark> marks;
        if (isKey && k < reading.places.size() && reading.places[k].right > reading.places[k].left)
            marks.push_back({reading.places[k], m_model->columnTitle(index.column()), true});
        view.setMarks(marks, {});
    };
    const bool cured = outlier && !outlier->cure.isIdentity();
    show(*m_here, *m_hereSlot, *here,
         frame ? (cured ? tr("%1 · with the cure").arg(titleOf(*frame)) : titleOf(*frame)) : QString(),
         cured ? outlier->cure : Balance{});
    show(*m_lead, *m_leadSlot, *lead, leadFrame ? tr("lead: %1").arg(titleOf(*leadFrame)) : QString(), Balance{});
}

void ProofPlace::setPlace(const Region& place)
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
    m_task->start([frames, again, keys = m_model->keys(), look = m_document.looks().look()](
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
                      showCell();
                  });
}

void ProofPlace::confirmPlace()
{
    const QModelIndex index = m_table->currentIndex();
    const auto k = static_cast<std::size_t>(index.column() - 1);
    if (index.isValid() && index.column() > 0 && k < m_model->keys().size())
        setPlace(m_model->readings()[static_cast<std::size_t>(index.row())].places[k]);
}

void ProofPlace::correctPlace(const QRectF& place)
{
    m_here->setMarking(false);
    const QImage picture = m_here->image();
    setPlace(place.isEmpty()
                 ? pointPlace(place.x(), place.y(), std::max(1, picture.width()), std::max(1, picture.height()))
                 : Region{place.left(), place.top(), place.right(), place.bottom()});
}

void ProofPlace::takeCure()
{
    const Outlier* outlier = outlierOfCell();
    if (!outlier)
        return;
    FrameBalance balance = m_document.balances().of(outlier->frame);
    const auto own = coneGains(balance.light), more = coneGains(outlier->cure);
    balance.light = fromConeGains({own[0] + more[0], own[1] + more[1], own[2] + more[2]});
    balance.because = tr("cure from the consistency table").toStdString();
    m_document.balances().set({{outlier->frame, balance}}, tr("Cure of a frame"));
    measure();
}

}  // namespace amber
