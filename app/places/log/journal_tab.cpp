#include "app/places/log/journal_tab.h"

#include "app/places/log/log_model.h"
#include "app/places/log/replay_dialog.h"
#include "app/places/log/then_now.h"
#include "app/task/task.h"
#include "app/theme/controls.h"
#include "app/theme/panes.h"
#include "app/words/words.h"
#include "core/base/atomic_file.h"

#include <QtWidgets>

namespace amber {

JournalTab::JournalTab(Document& document, ProxyStore& proxies, QWidget* parent)
    : QWidget(parent), m_document(document), m_model(new LogModel(this)), m_reading(new Task(this)),
      m_search(new QLineEdit(this)), m_reason(new QLineEdit(this)), m_look(new QComboBox(this)),
      m_frame(new QComboBox(this)), m_kind(new QComboBox(this)), m_withReason(new QCheckBox(tr("with a reason"), this)),
      m_takenBack(new QCheckBox(tr("also taken back"), this)), m_list(new QListView(this)),
      m_thenNow(new ThenNow(document, proxies, this)), m_title(new QLabel(this)), m_count(new QLabel(this)),
      m_lines(new QPlainTextEdit(this))
{
    setObjectName("journalTab");
    m_list->setObjectName("logList");
    m_list->setAccessibleName(tr("What was done"));
    m_list->setModel(m_model);
    m_list->setItemDelegate(new LogDelegate(m_list));
    m_list->setUniformItemSizes(false);
    m_list->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    constexpr int kList = 384, kLeastList = 240, kWidestList = 720;
    auto* below = new Panes("journalPanes", Qt::Horizontal, this);
    auto* detail = new QWidget(below);
    detail->setLayout(makeDetail());
    below->add(m_list, {kList, kLeastList, kWidestList});
    below->add(detail, {});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeFilters());
    layout->addWidget(below, 1);
    connectAll();
    showChosen();
}

void JournalTab::connectAll()
{
    connect(m_list->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& index) {
        const LogEntry* chosen = m_model->entry(index);
        m_chosen = chosen ? chosen->gesture : 0;
        showChosen();
    });
    for (const auto changed : {&Document::historyChanged, &Document::recordsChanged, &Document::framesChanged})
        connect(&m_document, changed, this, [this] {
            m_isStale = true;
            if (isVisible())
                read();
        });
    connect(&m_document, &Document::leaving, this, [this] {
        m_reading->cancel();
        m_model->setEntries(nullptr);
        m_chosen = 0;
        showChosen();
    });
    connect(&m_document, &Document::opened, this, [this] {
        m_isStale = true;
        if (isVisible())
            read();
    });
}

void JournalTab::nameFilters()
{
    m_search->setObjectName("logSearch");
    m_search->setPlaceholderText(tr("Words: frame, step, value, reason"));
    m_search->setAccessibleName(tr("Search the log"));
    m_search->setClearButtonEnabled(true);
    for (auto* clear : m_search->findChildren<QAbstractButton*>())
        clear->setObjectName("logSearchClear"), clear->setAccessibleName(tr("Clear the search"));
    m_search->setMinimumWidth(110), m_search->setMaximumWidth(240);
    m_look->setObjectName("logLook"), m_look->setAccessibleName(tr("Of which look"));
    for (QComboBox* box : {m_look, m_frame, m_kind}) {
        box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        box->setMinimumContentsLength(9);
    }
    m_frame->setObjectName("logFrame"), m_frame->setAccessibleName(tr("Of which frame"));
    m_frame->addItems({tr("all frames"), tr("frame in hand")});
    m_kind->setObjectName("logKind"), m_kind->setAccessibleName(tr("Of which kind"));
    m_kind->addItems({tr("everything"), tr("balance"), tr("areas"), tr("looks"), tr("key colours"),
                      tr("frames, lights"), tr("checks"), tr("pins"), tr("hand over")});
    m_withReason->setObjectName("logWithReason"), m_takenBack->setObjectName("logTakenBack");
    m_count->setObjectName("logCount"), m_count->setProperty("quiet", true);
}

QLayout* JournalTab::makeFilters()
{
    nameFilters();
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 8);
    row->setSpacing(8);
    for (QWidget* w :
         std::initializer_list<QWidget*>{m_search, m_look, m_frame, m_kind, m_withReason, m_takenBack, m_count})
        row->addWidget(w);
    row->addStretch(1);
    m_copy = makeButton(this, "logCopy", tr("Copy"), tr("What is shown, as text for the clipboard"), [this] {
        QGuiApplication::clipboard()->setText(text(logToText(m_model->shown(), m_document.title().toStdString())));
    });
    m_save =
        makeButton(this, "logSave", tr("Save…"), tr("What is shown, as text, table or pages"), [this] { askSave(); });
    row->addWidget(m_copy), row->addWidget(m_save);
    connect(m_search, &QLineEdit::textChanged, this, &JournalTab::refilter);
    for (QComboBox* box : {m_look, m_frame, m_kind})
        connect(box, &QComboBox::currentIndexChanged, this, &JournalTab::refilter);
    for (QCheckBox* box : {m_withReason, m_takenBack})
        connect(box, &QCheckBox::toggled, this, &JournalTab::refilter);
    connect(&m_document.selection(), &Selection::frameChosen, this, [this] {
        if (m_frame->currentIndex() == 1)
            refilter();
    });
    fillLooks();
    return row;
}

QLayout* JournalTab::makeDetail()
{
    m_title->setObjectName("entryTitle"), m_title->setProperty("strong", true);
    m_lines->setObjectName("entryLines");
    m_lines->setAccessibleName(tr("What changed"));
    m_lines->setReadOnly(true);
    m_lines->setFixedHeight(118);
    m_lines->setTabChangesFocus(true);
    m_reason->setObjectName("entryReason");
    m_reason->setPlaceholderText(tr("Why? A reason can be given at any time"));
    m_reason->setAccessibleName(tr("Reason"));
    connect(m_reason, &QLineEdit::editingFinished, this, &JournalTab::keepReason);
    m_replay = makeButton(this, "logReplay", tr("Replay from here…"),
                          tr("A new version of the look, from this and later entries that are chosen"),
                          [this] { askReplay(); });
    m_difference = makeButton(this, "logDifference", tr("Difference to now"),
                              tr("This version of the look against the one that counts now"), [this] {
                                  if (const LogEntry* e = entry(); e && !e->looks.empty())
                                      emit differenceWanted(e->looks.front(), e->gesture);
                              });
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(m_reason, 1), buttons->addWidget(m_difference), buttons->addWidget(m_replay);
    auto* words = new QVBoxLayout;
    words->setContentsMargins(16, 10, 16, 12);
    words->setSpacing(8);
    words->addWidget(m_title), words->addWidget(m_lines), words->addLayout(buttons);
    auto* detail = new QVBoxLayout;
    detail->setSpacing(0);
    detail->addWidget(m_thenNow, 1);
    detail->addLayout(words);
    return detail;
}

void JournalTab::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    if (m_isStale)
        read();
    QMetaObject::invokeMethod(this, &JournalTab::showChosen, Qt::QueuedConnection);
}

bool JournalTab::isReading() const { return m_reading->isRunning() || m_isStale; }

/// The rows are read here, which is quick; the sentences are made beside.
void JournalTab::read()
{
    if (!m_document.isOpen() || m_reading->isRunning())
        return;
    m_document.looks().commitPending();
    m_isStale = false;
    auto source = logSource(std::as_const(m_document).store());
    if (!source) {
        m_title->setText(text(source.error().message()));
        return;
    }
    const auto made = std::make_shared<std::vector<LogEntry>>();
    m_reading->start([from = std::make_shared<const LogSource>(std::move(*source)),
                      made](const Task::Progress&, const CancelToken&) { *made = logOf(*from); },
                     [this, made](bool cancelled) {
                         if (!cancelled && m_document.isOpen())
                             take(made);
                         if (m_isStale && isVisible())
                             read();
                     });
}

void JournalTab::take(const std::shared_ptr<const std::vector<LogEntry>>& entries)
{
    const std::int64_t chosen = m_chosen;
    fillLooks();
    m_model->setEntries(entries);
    m_count->setText(tr("%n entries", nullptr, m_model->shownCount()));
    choose(chosen);
    if (m_chosen == 0 && m_model->rowCount() > 1)
        m_list->setCurrentIndex(m_model->index(1));
}

void JournalTab::fillLooks()
{
    const QSignalBlocker blocker(m_look);
    const QVariant chosen = m_look->currentData();
    m_look->clear();
    m_look->addItem(tr("all looks"), QVariant::fromValue<qlonglong>(0));
    if (m_document.isOpen())
        for (const LookEntry& look : m_document.looks().entries())
            m_look->addItem(text(look.name), QVariant::fromValue<qlonglong>(look.id));
    m_look->setCurrentIndex(std::max(0, m_look->findData(chosen)));
}

void JournalTab::refilter()
{
    LogFilter filter;
    filter.words = m_search->text().toStdString();
    filter.look = m_look->currentData().toLongLong();
    filter.frame = m_frame->currentIndex() == 1 ? m_document.selection().frameInHand() : 0;
    if (m_kind->currentIndex() > 0)
        filter.kind = static_cast<LogKind>(m_kind->currentIndex() - 1);
    filter.withReason = m_withReason->isChecked(), filter.takenBack = m_takenBack->isChecked();
    const std::int64_t chosen = m_chosen;
    m_model->setFilter(filter);
    m_count->setText(tr("%n entries", nullptr, m_model->shownCount()));
    choose(chosen);
}

void JournalTab::choose(std::int64_t gesture)
{
    const QModelIndex index = m_model->indexOf(gesture);
    m_list->setCurrentIndex(index);
    if (index.isValid())
        m_list->scrollTo(index);
    m_chosen = index.isValid() ? gesture : 0;
    showChosen();
}

const LogEntry* JournalTab::entry() const { return m_model->entry(m_list->currentIndex()); }

void JournalTab::showChosen()
{
    const LogEntry* e = entry();
    for (QPushButton* button : {m_copy, m_save})
        button->setEnabled(m_model->shownCount() > 0);
    m_reason->setEnabled(e && e->gesture != 0);
    m_replay->setEnabled(e && e->gesture != 0 && !e->looks.empty());
    m_difference->setEnabled(e && e->isDone && !e->looks.empty());
    QStringList lines;
    if (e)
        for (const std::string& line : e->lines)
            lines << sentence(line);
    m_lines->setPlainText(lines.join(QLatin1Char('\n')));
    if (!m_reason->hasFocus())
        m_reason->setText(e ? text(e->reason) : QString());
    m_title->setText(e ? tr("%1, %2").arg(text(e->what), text(e->time)) : QString());
    if (!e) {
        m_thenNow->showNothing(m_document.isOpen() ? tr("Choose an entry.") : tr("Nothing is open."));
        return;
    }
    const FrameId inHand = m_document.selection().frameInHand();
    const bool hasInHand = std::find(e->frames.begin(), e->frames.end(), inHand) != e->frames.end();
    const FrameId frame = e->frames.empty() || hasInHand ? inHand : e->frames.front();
    if (e->gesture == 0 || !e->isDone)
        m_thenNow->showNothing(e->isDone ? tr("Nothing of the pictures changed.")
                                         : tr("This was taken back: the frame never went on from it."));
    else
        m_thenNow->show(frame, e->gesture, tr("after this, %1").arg(text(e->time)));
}

void JournalTab::keepReason()
{
    const LogEntry* e = entry();
    if (!e || e->gesture == 0 || m_reason->text().trimmed() == text(e->reason))
        return;
    m_document.keep([gesture = e->gesture, why = m_reason->text().trimmed().toStdString()](JobStore& store) {
        return store.setReason(gesture, why);
    });
}

void JournalTab::askSave()
{
    const QString path =
        QFileDialog::getSaveFileName(this, tr("Save the log"), m_document.folder() + QStringLiteral("/log.txt"),
                                     tr("Text (*.txt);;Table (*.csv);;Pages (*.pdf)"));
    if (path.isEmpty())
        return;
    if (const Status saved = save(path); !saved)
        m_title->setText(text(saved.error().message()));
}

Status JournalTab::save(const QString& path) const
{
    const std::vector<LogEntry> entries = m_model->shown();
    const std::string title = m_document.title().toStdString();
    const Result<std::string> bytes = path.endsWith(".pdf", Qt::CaseInsensitive) ? logToPdf(entries, title)
                                      : path.endsWith(".csv", Qt::CaseInsensitive)
                                          ? Result<std::string>(logToCsv(entries))
                                          : Result<std::string>(logToText(entries, title));
    return bytes ? saveFile(path.toStdString(), *bytes) : Status(tl::make_unexpected(bytes.error()));
}

void JournalTab::askReplay()
{
    const LogEntry* e = entry();
    if (!e || e->looks.empty())
        return;
    const LookId look = e->looks.front();
    std::vector<LogEntry> from;
    for (const LogEntry& other : m_model->all())
        if (other.gesture >= e->gesture && std::find(other.looks.begin(), other.looks.end(), look) != other.looks.end())
            from.push_back(other);
    ReplayDialog dialog(m_document, look, from, this);
    dialog.exec();
}

}  // namespace amber
