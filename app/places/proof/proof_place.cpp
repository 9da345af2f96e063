#include "app/places/proof/proof_place.h"

#include "app/theme/controls.h"
#include "core/report/job_report.h"

#include <QtWidgets>

namespace amber {
namespace {

Result<JobToReport> reportedJob(const std::filesystem::path& file)
{
    const auto store = JobStore::open(file);
    return store ? jobToReport(*store) : Result<JobToReport>(tl::make_unexpected(store.error()));
}

}  // namespace

ProofPlace::ProofPlace(Document& document, ProxyStore& proxies, Screens& screens,
                       const std::function<QPixmap(std::int64_t)>& thumbnail, QWidget* parent)
    : QWidget(parent), m_document(document), m_stack(new QStackedWidget(this)),
      m_table(new TableTab(document, proxies, thumbnail, this)),
      m_checks(new ChecksTab(document, proxies, thumbnail, this)), m_sheet(new SheetTab(document, proxies, this)),
      m_screens(new ScreensTab(document, proxies, screens, this)), m_reporting(new Task(this))
{
    setObjectName("proofPlace");
    for (QWidget* tab : std::initializer_list<QWidget*>{m_table, m_checks, m_sheet, m_screens})
        m_stack->addWidget(tab);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeTabs());
    layout->addWidget(m_stack, 1);
    connect(m_table, &TableTab::markingWanted, this, &ProofPlace::markingWanted);
}

QLayout* ProofPlace::makeTabs()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 8, 14, 2);
    m_tabs = addTabs(
        row, this, m_stack,
        {{"proofTable", tr("Table"), tr("Whether the shoot holds together: key colours and tones, frame by frame")},
         {"proofChecks", tr("Checks"), tr("What could be wrong with the frames as they will be handed over")},
         {"proofSheet", tr("Contact sheet"), tr("Every frame on pages, as it will be handed over")},
         {"proofScreens", tr("Screens, prints"), tr("What others will see of the frame in hand")}});
    row->addWidget(makeTaskBar(*m_reporting, "reportTask", this));
    auto* report = makeButton(this, "proofReport", tr("Report…"),
                              tr("What was asked and done, how the shoot holds together, what was found and let stand"),
                              [this] { askReport(); });
    row->addWidget(report);
    const auto enable = [this, report] { report->setEnabled(m_document.isOpen() && !m_reporting->isRunning()); };
    connect(m_reporting, &Task::began, this, enable);
    connect(m_reporting, &Task::ended, this, enable);
    connect(&m_document, &Document::opened, this, enable);
    enable();
    return row;
}

void ProofPlace::go(Tab tab) { goTo(m_tabs, static_cast<int>(tab)); }

void ProofPlace::askReport()
{
    const QString path =
        QFileDialog::getSaveFileName(this, tr("Save the report"), m_document.folder() + QStringLiteral("/report.pdf"),
                                     tr("Pages (*.pdf);;Web page (*.html);;Data (*.json)"));
    if (!path.isEmpty())
        saveReport(path);
}

void ProofPlace::saveReport(const QString& path)
{
    if (!m_document.isOpen() || m_reporting->isRunning())
        return;
    m_document.looks().commitAll();
    const JobStore& store = std::as_const(m_document).store();
    // What is kept is read by a second reader of the file, because its history takes long; what is not, from here.
    const auto here = m_document.isReadOnly() ? std::optional(jobToReport(store, false)) : std::nullopt;
    const auto done = std::make_shared<Status>();
    m_reporting->start(
        [here, file = store.file(), done, path, use = m_checks->audit().use(), readings = m_table->readingsNow(),
         made = m_checks->audit().borrow()](const Task::Progress& progress, const CancelToken& cancel) {
            const auto job = here ? *here : reportedJob(file);
            if (!job) {
                *done = tl::make_unexpected(job.error());
                return;
            }
            const std::lock_guard lock(made->mutex);
            const auto report = reportOf(*job, use, made->checker, readings, timeNow(), progress, cancel);
            if (report)
                *done = amber::saveReport(path.toStdString(), *report);
        },
        [this, done](bool cancelled) {
            if (!*done && !cancelled)
                emit m_document.failed(text(done->error().message()));
        });
}

ProofPlace::Tab ProofPlace::tab() const { return static_cast<Tab>(m_stack->currentIndex()); }

}  // namespace amber
