#include "app/places/handover/handover_place.h"

#include "app/places/balance/balance_bench.h"
#include "app/theme/theme.h"

namespace amber {
namespace {

constexpr FileFormat kFormats[] = {FileFormat::Jpeg, FileFormat::Png8, FileFormat::Png16, FileFormat::Tiff8,
                                   FileFormat::Tiff16};
constexpr RgbSpace kSpaces[] = {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::Rec2020};

QString duration(double seconds)
{
    const int s = static_cast<int>(seconds + 0.5);
    return s < 90 ? HandoverPlace::tr("%1 s").arg(s) : HandoverPlace::tr("%1 min").arg((s + 30) / 60);
}

}  // namespace

HandoverPlace::HandoverPlace(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_task(new ExportTask(this)), m_model(new DeliveryModel(this)),
      m_progress(new QProgressBar(this)), m_state(new QLabel(this)), m_summary(new QLabel(this)),
      m_table(new QTableView(this))
{
    setObjectName("handoverPlace");
    m_table->setObjectName("deliveries");
    m_table->setAccessibleName(tr("What was written"));
    m_table->setModel(m_model);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setShowGrid(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(26);
    m_table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    m_table->horizontalHeader()->setSectionResizeMode(DeliveryModel::ResultColumn, QHeaderView::Stretch);
    m_table->setColumnWidth(DeliveryModel::PictureColumn, 210);
    m_table->setColumnWidth(DeliveryModel::FileColumn, 210);
    m_table->setColumnWidth(DeliveryModel::SizeColumn, 90);
    m_table->horizontalHeader()->setHighlightSections(false);
    m_progress->setObjectName("exportProgress");
    m_progress->setTextVisible(false);
    m_progress->setFixedHeight(8);
    m_state->setObjectName("exportState");
    auto* right = new QVBoxLayout;
    right->setContentsMargins(20, 18, 20, 16);
    right->setSpacing(10);
    right->addWidget(m_state);
    right->addWidget(m_progress);
    right->addWidget(m_table, 1);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(makeForm());
    layout->addLayout(right, 1);

    connect(m_task, &ExportTask::progressed, this, [this](int done, int total, double left, const Delivery& latest) {
        m_model->add(latest);
        showProgress(done, total, left);
    });
    connect(m_task, &ExportTask::finished, this, &HandoverPlace::finish);
    connect(&document, &Document::opened, this, &HandoverPlace::restoreChoices);
    connect(&document, &Document::framesChanged, this, &HandoverPlace::refresh);
    connect(&document, &Document::frameChosen, this, &HandoverPlace::refresh);
    connect(&document, &Document::stepsChanged, this, &HandoverPlace::refresh);
    m_state->setText(tr("Nothing handed over yet."));
    refresh();
}

QWidget* HandoverPlace::makeForm()
{
    auto* page = new QWidget(this);
    page->setFixedWidth(340);
    auto* form = new QGridLayout(page);
    form->setContentsMargins(20, 18, 10, 16);
    form->setVerticalSpacing(10);
    form->setHorizontalSpacing(12);
    form->setColumnStretch(1, 1);
    int row = 0;
    const auto add = [&](const QString& label, QWidget* control, const char* name, const QString& tip) {
        auto* words = new QLabel(label, page);
        words->setProperty("quiet", true);
        words->setBuddy(control);
        control->setObjectName(name);
        control->setAccessibleName(label);
        control->setToolTip(tip);
        form->addWidget(words, row, 0);
        form->addWidget(control, row++, 1);
    };
    m_summary->setObjectName("exportSummary");
    m_summary->setProperty("strong", true);
    m_summary->setWordWrap(true);
    form->addWidget(m_summary, row++, 0, 1, 2);
    add(tr("frames"), m_which = new QComboBox(page), "exportWhich", tr("Which frames are rendered"));
    add(tr("format"), m_format = new QComboBox(page), "exportFormat", tr("The kind of file and its depth"));
    m_format->addItems({tr("JPEG"), tr("PNG, 8 bit"), tr("PNG, 16 bit"), tr("TIFF, 8 bit"), tr("TIFF, 16 bit")});
    add(tr("quality"), m_quality = new QSpinBox(page), "exportQuality", tr("JPEG quality, 1 to 100"));
    m_quality->setRange(1, 100);
    m_quality->setButtonSymbols(QAbstractSpinBox::NoButtons);
    add(tr("colour space"), m_space = new QComboBox(page), "exportSpace", tr("The profile is always embedded"));
    for (RgbSpace space : kSpaces)
        m_space->addItem(text(std::string(titleOf(space))));
    add(tr("long edge"), m_edge = new QSpinBox(page), "exportEdge",
        tr("Longer side in pixels; 0 keeps the size; nothing is enlarged"));
    m_edge->setRange(0, 30000);
    m_edge->setSpecialValueText(tr("as it is"));
    m_edge->setSuffix(tr(" px"));
    m_edge->setButtonSymbols(QAbstractSpinBox::NoButtons);
    add(tr("shape"), m_shape = new QComboBox(page), "exportShape",
        tr("Every picture cut to this ratio of width to height, inside its own crop; the pictures of the job stay as "
           "they are"));
    for (const Shape& shape : shapes())
        m_shape->addItem(shape.words);
    add(tr("folder"), m_folder = new QLineEdit(page), "exportFolder",
        tr("Where the files go; made when it is missing"));
    auto* browse = new QPushButton(tr("Choose folder…"), page);
    browse->setObjectName("exportBrowse");
    connect(browse, &QPushButton::clicked, this, [this] {
        const QString folder = QFileDialog::getExistingDirectory(this, tr("Folder for the files"), m_folder->text());
        if (!folder.isEmpty())
            setFolder(folder);
    });
    form->addWidget(browse, row++, 1);
    m_start = new QPushButton(tr("Hand over"), page);
    m_start->setObjectName("exportStart");
    m_cancel = new QPushButton(tr("Cancel"), page);
    m_cancel->setObjectName("exportCancel");
    connect(m_start, &QPushButton::clicked, this, &HandoverPlace::start);
    connect(m_cancel, &QPushButton::clicked, this, [this] {
        m_task->cancel();
        m_state->setText(tr("Stopping after the pictures in flight…"));
    });
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(8);
    buttons->addWidget(m_start, 1);
    buttons->addWidget(m_cancel);
    form->setRowMinimumHeight(row, 8);
    form->addLayout(buttons, row + 1, 0, 1, 2);
    form->setRowStretch(row + 2, 1);
    connect(m_format, &QComboBox::currentIndexChanged, this, [this](int index) { m_quality->setEnabled(index == 0); });
    return page;
}

void HandoverPlace::restoreChoices()
{
    const auto number = [&](const char* name, int otherwise) {
        const std::string value = m_document.choice(name);
        return value.empty() ? otherwise : std::atoi(value.c_str());
    };
    m_format->setCurrentIndex(std::clamp(number("export-format", 0), 0, m_format->count() - 1));
    m_space->setCurrentIndex(std::clamp(number("export-space", 0), 0, m_space->count() - 1));
    m_shape->setCurrentIndex(std::clamp(number("export-shape", 0), 0, m_shape->count() - 1));
    m_quality->setValue(number("export-quality", 92));
    m_edge->setValue(number("export-edge", 0));
    const QString folder = m_document.placeOf(m_document.choice("export-folder"));
    m_folder->setText(folder.isEmpty() ? m_document.folder() + QStringLiteral("/handed-over") : folder);
    m_model->clear();
    m_state->setText(tr("Nothing handed over yet."));
    m_progress->reset();
    refresh();
}

void HandoverPlace::setFolder(const QString& folder) { m_folder->setText(folder); }

void HandoverPlace::refresh()
{
    const bool ready = m_document.isOpen() && !m_document.frames().empty();
    const int which = std::max(0, m_which->currentIndex());
    const Frame* frame = m_document.frame(m_document.frameInHand());
    m_which->clear();
    m_which->addItem(m_document.frames().size() == 1 ? tr("the one frame")
                                                     : tr("all %L1 frames").arg(m_document.frames().size()));
    m_which->addItem(frame ? tr("only %1").arg(titleOf(*frame)) : tr("the frame in hand"));
    m_which->addItem(tr("all but unused exposures"));
    m_which->setItemData(2, tr("Without the exposures of brackets of which another was chosen"), Qt::ToolTipRole);
    m_which->setCurrentIndex(which);
    m_summary->setText(!m_document.lookFault().isEmpty() ? m_document.lookFault()
                       : m_document.isOpen() ? tr("%1 on %2").arg(text(m_document.look().name), m_document.title())
                                             : tr("No job is open"));
    m_start->setEnabled(ready && m_document.lookFault().isEmpty() && !m_task->isRunning());
    m_cancel->setEnabled(m_task->isRunning());
}

void HandoverPlace::start()
{
    m_document.commitPending();
    std::vector<std::filesystem::path> sources;
    std::vector<PictureOwn> own;
    const auto faultOf = [&](std::int64_t frame) {
        return m_document.changedContents().count(frame)
                   ? tr("another picture may have its name now: say first whether it is the same one").toStdString()
                   : m_document.balances().fault(frame);
    };
    for (const Frame& frame : m_document.frames())
        if (m_which->currentIndex() == 0 || (m_which->currentIndex() == 1 && frame.id == m_document.frameInHand()) ||
            (m_which->currentIndex() == 2 && m_document.choice("unused/" + std::to_string(frame.id)).empty()))
            sources.push_back(frame.path),
                own.push_back({Document::pictureName(frame.id), m_document.balances().of(frame.id),
                               m_document.balances().responseOf(m_document.balances().of(frame.id)),
                               faultOf(frame.id)});
    Recipe recipe;
    recipe.output = {kFormats[m_format->currentIndex()], kSpaces[m_space->currentIndex()], m_quality->value()};
    recipe.longEdge = m_edge->value();
    recipe.ratio = shapes()[static_cast<std::size_t>(std::max(0, m_shape->currentIndex()))].ratio;
    recipe.folder = m_folder->text().trimmed().toStdString();
    for (const Frame& frame : m_document.frames())
        recipe.originals.push_back(frame.path);
    if (recipe.folder.empty()) {
        m_state->setText(tr("Choose a folder for the files first."));
        return;
    }
    m_document.setChoice("export-format", std::to_string(m_format->currentIndex()));
    m_document.setChoice("export-space", std::to_string(m_space->currentIndex()));
    m_document.setChoice("export-quality", std::to_string(m_quality->value()));
    m_document.setChoice("export-edge", std::to_string(m_edge->value()));
    m_document.setChoice("export-shape", std::to_string(m_shape->currentIndex()));
    m_document.setChoice("export-folder", m_document.keptPlace(m_folder->text().trimmed()));
    m_model->clear();
    m_progress->setRange(0, static_cast<int>(sources.size()));
    m_progress->setValue(0);
    m_state->setText(tr("Beginning…"));
    m_task->start(m_document.look(), sources, recipe, own);
    refresh();
}

void HandoverPlace::showProgress(int done, int total, double secondsLeft)
{
    m_progress->setValue(done);
    if (done < total)
        m_state->setText(tr("%L1 of %L2 done, about %3 left").arg(done).arg(total).arg(duration(secondsLeft)));
}

void HandoverPlace::finish(const ExportReport& report, const QString& fault)
{
    const int failed = report.failed(), written = static_cast<int>(report.deliveries.size()) - failed;
    QStringList words;
    if (!fault.isEmpty())
        words << tr("Nothing was written. %1").arg(fault);
    else if (report.cancelled)
        words << tr("Stopped: %L1 written, the rest was not begun. Files already written are whole.").arg(written);
    else
        words << tr("Done: %L1 written to %2").arg(written).arg(m_folder->text());
    if (failed > 0)
        words << tr("%L1 failed, see the list").arg(failed);
    const auto isRenamed = [](const Delivery& d) { return d.fault.empty() && d.target.stem() != d.source.stem(); };
    if (const auto renamed = std::count_if(report.deliveries.begin(), report.deliveries.end(), isRenamed); renamed > 0)
        words << tr("%L1 under another name, because a file that was not written here has theirs").arg(renamed);
    if (!report.warning.empty())
        words << text(report.warning);
    m_state->setText(words.join(QStringLiteral(" · ")));
    refresh();
}

}  // namespace amber
