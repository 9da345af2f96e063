#include "app/places/handover/answers_tab.h"

#include "app/pins/pin_list.h"
#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {
namespace {

void lay(QTableWidget* table, const char* name, const QString& title, const QStringList& columns, int wide)
{
    table->setObjectName(name), table->setAccessibleName(title);
    table->setColumnCount(static_cast<int>(columns.size()));
    table->setHorizontalHeaderLabels(columns);
    table->verticalHeader()->hide();
    table->setShowGrid(false);
    table->setSelectionBehavior(QAbstractItemView::SelectRows);
    table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table->horizontalHeader()->setSectionResizeMode(wide, QHeaderView::Stretch);
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
}

}  // namespace

AnswersTab::AnswersTab(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_watcher(new QFileSystemWatcher(this)), m_rounds(new QTableWidget(this)),
      m_pins(new PinList(document, this)), m_words(new QLabel(this)),
      m_all(new QCheckBox(tr("also those that are done"), this))
{
    setObjectName("answersTab");
    makeTables();
    m_words->setObjectName("answerWords"), m_words->setWordWrap(true);
    m_all->setObjectName("pinsAll");
    m_take = makeButton(this, "answerTake", tr("Take an answer in…"),
                        tr("Remarks become pins, tied to the version they are about"), [this] {
                            const QString file = QFileDialog::getOpenFileName(
                                this, tr("Answer of the client"), m_document.folder(), tr("Answers (*.json)"));
                            if (!file.isEmpty())
                                take(file);
                        });
    auto* top = new QHBoxLayout;
    top->addWidget(m_take), top->addWidget(m_words, 1);
    auto* middle = new QHBoxLayout;
    auto* pins = new QLabel(tr("Pins"), this);
    pins->setProperty("strong", true);
    middle->addWidget(pins), middle->addStretch(1), middle->addWidget(m_all);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(10);
    layout->addLayout(top);
    layout->addWidget(m_rounds, 1);
    layout->addLayout(middle);
    layout->addWidget(m_pins, 2);
    connect(m_all, &QCheckBox::toggled, m_pins, &PinList::showAll);
    connect(m_watcher, &QFileSystemWatcher::directoryChanged, this, &AnswersTab::lookForAnswers);
    for (const auto changed : {&Document::opened, &Document::recordsChanged, &Document::pinsChanged})
        connect(&document, changed, this, &AnswersTab::refresh);
    connect(&document, &Document::leaving, this, [this] { m_seen.clear(); });
    refresh();
}

void AnswersTab::makeTables()
{
    lay(m_rounds, "rounds", tr("Rounds"),
        {tr("Round"), tr("Asked"), tr("Files"), tr("Approved"), tr("Remarks"), tr("Answered"), tr("Folder")}, 6);
    const int widths[] = {60, 130, 60, 80, 80, 130};
    for (int i = 0; i < 6; ++i)
        m_rounds->setColumnWidth(i, widths[i]);
    m_rounds->setSelectionMode(QAbstractItemView::SingleSelection);
    connect(m_pins, &PinList::wanted, this,
            [this](PinId pin) { m_document.selection().setFrameInHand(m_document.job().pins.at(pin).frame); });
}

void AnswersTab::refresh()
{
    m_take->setEnabled(m_document.isOpen());
    fillRounds();
    m_pins->refresh();
    watch();
}

void AnswersTab::fillRounds()
{
    const std::vector<Round> rounds =
        m_document.isOpen() ? roundsOf(std::as_const(m_document).store()) : std::vector<Round>{};
    m_rounds->setRowCount(static_cast<int>(rounds.size()));
    for (int i = 0; i < m_rounds->rowCount(); ++i) {
        const Round& r = rounds[rounds.size() - 1 - static_cast<std::size_t>(i)];
        const QLocale locale;
        const QString cells[] = {locale.toString(r.number),
                                 text(r.asked).left(16),
                                 locale.toString(static_cast<int>(r.files.size())),
                                 r.answered.empty() ? QString() : locale.toString(r.approved()),
                                 r.answered.empty() ? QString() : locale.toString(r.remarks()),
                                 r.answered.empty() ? tr("waiting") : text(r.answered).left(16),
                                 m_document.placeOf(r.folder)};
        for (int k = 0; k < m_rounds->columnCount(); ++k)
            m_rounds->setItem(i, k, new QTableWidgetItem(cells[k]));
    }
    if (rounds.empty())
        m_words->setText(tr("Nobody was asked. Tick “ask for an answer” before handing over."));
}

void AnswersTab::take(const QString& file)
{
    const auto answer = readAnswer(file.toStdString());
    const auto answered = answer ? withAnswer(std::as_const(m_document).store(), *answer)
                                 : Result<Answered>(tl::make_unexpected(answer.error()));
    if (!answered) {
        m_words->setText(text(answered.error().message()));
        emit taken(m_words->text());
        return;
    }
    const QString words = text(roundWords(answered->round));
    if (!m_document.commit(answered->job, words))
        return;
    m_document.keep([&](JobStore& store) { return keepRound(store, answered->round); });
    QStringList all{words};
    for (const std::string& name : answered->unknown)
        all << tr("the round has no file %1").arg(text(name));
    m_words->setText(all.join(QStringLiteral(" · ")));
    emit taken(m_words->text());
}

void AnswersTab::watch()
{
    QStringList folders;
    if (m_document.isOpen())
        for (const Round& round : roundsOf(std::as_const(m_document).store()))
            if (const QString folder = m_document.placeOf(round.folder);
                round.answered.empty() && QDir(folder).exists())
                folders << folder;
    folders.removeDuplicates();
    if (const QStringList before = m_watcher->directories(); !before.isEmpty())
        m_watcher->removePaths(before);
    if (!folders.isEmpty()) {
        m_watcher->addPaths(folders);
        QTimer::singleShot(0, this, &AnswersTab::lookForAnswers);
    }
}

void AnswersTab::lookForAnswers()
{
    for (const QString& folder : m_watcher->directories())
        for (const QFileInfo& file : QDir(folder).entryInfoList({"answer-*.json"}, QDir::Files, QDir::Time))
            if (readAnswer(file.absoluteFilePath().toStdString()) && m_seen.insert(file.absoluteFilePath()).second)
                return take(file.absoluteFilePath());
}

}  // namespace amber
