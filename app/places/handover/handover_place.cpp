#include "app/places/handover/handover_place.h"

#include "app/theme/theme.h"
#include "core/handover/job_batch.h"

namespace amber {
namespace {

constexpr FileFormat kFormats[] = {FileFormat::Jpeg,   FileFormat::Png8, FileFormat::Png16, FileFormat::Tiff8,
                                   FileFormat::Tiff16, FileFormat::Webp, FileFormat::Exr};
constexpr RgbSpace kSpaces[] = {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto,
                                RgbSpace::Rec2020};

QString duration(double seconds)
{
    const int s = static_cast<int>(seconds + 0.5);
    return s < 90 ? HandoverPlace::tr("%1 s").arg(s) : HandoverPlace::tr("%1 min").arg((s + 30) / 60);
}

}  // namespace

void HandoverPlace::makeTable()
{
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
}

HandoverPlace::HandoverPlace(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_task(new ExportTask(this)), m_seek(new Task(this)),
      m_model(new DeliveryModel(this)), m_progress(new QProgressBar(this)), m_state(new QLabel(this)),
      m_summary(new QLabel(this)), m_table(new QTableView(this))
{
    setObjectName("handoverPlace");
    makeTable();
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
    connect(&document, &Document::leaving, m_seek, &Task::cancel);
    connect(&document, &Document::opened, this, &HandoverPlace::restoreChoices);
    connect(&document, &Document::framesChanged, this, &HandoverPlace::refresh);
    connect(&document.selection(), &Selection::frameChosen, this, &HandoverPlace::refresh);
    connect(&document.looks(), &LooksInHand::stepsChanged, this, &HandoverPlace::refresh);
    m_state->setText(tr("Nothing handed over yet."));
    refresh();
}

void HandoverPlace::addChoices(QGridLayout* form)
{
    QWidget* page = form->parentWidget();
    const auto add = [&](const QString& label, QWidget* control, const char* name, const QString& tip) {
        auto* words = new QLabel(label, page);
        words->setProperty("quiet", true);
        words->setBuddy(control);
        control->setObjectName(name);
        control->setAccessibleName(label);
        control->setToolTip(tip);
        const int row = form->rowCount();
        form->addWidget(words, row, 0);
        form->addWidget(control, row, 1);
    };
    add(tr("frames"), m_which = new QComboBox(page), "exportWhich", tr("Which frames are rendered"));
    add(tr("format"), m_format = new QComboBox(page), "exportFormat", tr("The kind of file and its depth"));
    m_format->addItems({tr("JPEG"), tr("PNG, 8 bit"), tr("PNG, 16 bit"), tr("TIFF, 8 bit"), tr("TIFF, 16 bit"),
                        tr("WebP"), tr("EXR, linear half floats")});
    add(tr("quality"), m_quality = new QSpinBox(page), "exportQuality", tr("Quality of JPEG and WebP, 1 to 100"));
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
    add(tr("colour card"), m_withCard = new QCheckBox(tr("deliver frames that show it"), page), "exportWithCard",
        tr("Frames in whose crop the colour card is seen are left out unless this is ticked"));
    add(tr("folder"), m_folder = new QLineEdit(page), "exportFolder",
        tr("Where the files go; made when it is missing"));
}

QHBoxLayout* HandoverPlace::makeButtons()
{
    m_start = new QPushButton(tr("Hand over"), this);
    m_start->setObjectName("exportStart");
    m_cancel = new QPushButton(tr("Cancel"), this);
    m_cancel->setObjectName("exportCancel");
    connect(m_start, &QPushButton::clicked, this, &HandoverPlace::start);
    connect(m_cancel, &QPushButton::clicked, this, [this] {
        m_seek->cancel();
        m_task->cancel();
        m_state->setText(tr("Stopping after the pictures in flight…"));
    });
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(8);
    buttons->addWidget(m_start, 1);
    buttons->addWidget(m_cancel);
    return buttons;
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
    m_summary->setObjectName("exportSummary");
    m_summary->setProperty("strong", true);
    m_summary->setWordWrap(true);
    form->addWidget(m_summary, row++, 0, 1, 2);
    addChoices(form);
    row = form->rowCount();
    auto* browse = new QPushButton(tr("Choose folder…"), page);
    browse->setObjectName("exportBrowse");
    connect(browse, &QPushButton::clicked, this, [this] {
        const QString folder = QFileDialog::getExistingDirectory(this, tr("Folder for the files"), m_folder->text());
        if (!folder.isEmpty())
            setFolder(folder);
    });
    form->addWidget(browse, row++, 1);
    form->setRowMinimumHeight(row, 8);
    form->addLayout(makeButtons(), row + 1, 0, 1, 2);
    form->setRowStretch(row + 2, 1);
    connect(m_format, &QComboBox::currentIndexChanged, this,
            [this](int index) { m_quality->setEnabled(hasQuality(kFormats[std::max(0, index)])); });
    return page;
}

namespace {

/// Where `value` stands in a list, or the first place.
template <class List, class Value>
int indexOf(const List& list, const Value& value)
{
    const auto found = std::find(std::begin(list), std::end(list), value);
    return found == std::end(list) ? 0 : static_cast<int>(found - std::begin(list));
}

std::vector<double> ratios()
{
    std::vector<double> all;
    for (const Shape& shape : shapes())
        all.push_back(shape.ratio);
    return all;
}

}  // namespace

void HandoverPlace::restoreChoices()
{
    const DeliveryChoices& d = m_document.desk().delivery;
    m_format->setCurrentIndex(indexOf(kFormats, fileFormatFromName(d.format).value_or(FileFormat::Jpeg)));
    m_space->setCurrentIndex(indexOf(kSpaces, rgbSpaceFromName(d.space).value_or(RgbSpace::Srgb)));
    m_shape->setCurrentIndex(indexOf(ratios(), d.ratio));
    m_quality->setValue(d.quality);
    m_edge->setValue(d.longEdge);
    const QString folder = m_document.placeOf(d.folder);
    m_folder->setText(folder.isEmpty() ? m_document.folder() + QStringLiteral("/handed-over") : folder);
    m_model->clear();
    m_state->setText(tr("Nothing handed over yet."));
    m_progress->reset();
    refresh();
}

void HandoverPlace::setFolder(const QString& folder) { m_folder->setText(folder); }

QString HandoverPlace::summary() const
{
    if (!m_document.isOpen())
        return tr("No job is open");
    if (!m_document.looks().fault().isEmpty())
        return m_document.looks().fault();
    const QString look = text(m_document.looks().look().name);
    const auto hasOwn = [](const auto& entry) { return entry.second.look != 0; };
    const auto& states = m_document.job().frames;
    const auto own = std::count_if(states.begin(), states.end(), hasOwn);
    const QString words = tr("%1 on %2").arg(look, m_document.title());
    if (own == 0)
        return words;
    return own == 1 ? tr("%1; one frame has a look of its own").arg(words)
                    : tr("%1; %L2 frames have a look of their own").arg(words).arg(own);
}

void HandoverPlace::refresh()
{
    const bool ready = m_document.isOpen() && !m_document.frames().empty();
    const int which = std::max(0, m_which->currentIndex());
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    m_which->clear();
    m_which->addItem(m_document.frames().size() == 1 ? tr("the one frame")
                                                     : tr("all %L1 frames").arg(m_document.frames().size()));
    m_which->addItem(frame ? tr("only %1").arg(titleOf(*frame)) : tr("the frame in hand"));
    m_which->addItem(tr("all but unused exposures"));
    m_which->setItemData(2, tr("Without the exposures of brackets of which another was chosen"), Qt::ToolTipRole);
    m_which->setCurrentIndex(which);
    m_summary->setText(summary());
    m_start->setEnabled(ready && m_document.looks().fault().isEmpty() && !m_task->isRunning() && !m_seek->isRunning());
    m_cancel->setEnabled(m_task->isRunning() || m_seek->isRunning());
}

DeliveryChoices HandoverPlace::chosen() const
{
    DeliveryChoices d;
    d.format = nameOf(kFormats[m_format->currentIndex()]), d.space = nameOf(kSpaces[m_space->currentIndex()]);
    d.quality = m_quality->value();
    d.longEdge = m_edge->value();
    d.ratio = ratios()[static_cast<std::size_t>(std::max(0, m_shape->currentIndex()))];
    d.folder = m_document.keptPlace(m_folder->text().trimmed());
    return d;
}

void HandoverPlace::start()
{
    emit m_document.settling();
    m_document.looks().commitPending();
    if (m_folder->text().trimmed().isEmpty()) {
        m_state->setText(tr("Choose a folder for the files first."));
        return;
    }
    const DeliveryChoices choices = chosen();
    const auto recipe = recipeOf(choices);
    if (!recipe) {
        m_state->setText(text(recipe.error().message()));
        return;
    }
    const Shipment shipment = shipmentOf(*recipe, m_folder->text().trimmed().toStdString(), m_document.frames());
    if (m_withCard->isChecked() || m_document.cardFolders().empty())
        return begin(shipment, choices);
    // A card that nobody has looked for must not go out by chance.
    m_state->setText(tr("Looking for the colour card…"));
    auto found = std::make_shared<FoundCards>();
    m_seek->start(
        [found, frames = m_document.frames(), wanted = wantedFrames(),
         folders = m_document.cardFolders()](const Task::Progress& progress, const CancelToken& cancel) {
            *found = seekCards(frames, wanted, cardsIn(folders), progress, cancel);
        },
        [this, found, shipment, choices](bool cancelled) {
            if (cancelled) {
                m_state->setText(tr("Stopped: nothing was begun."));
                return refresh();
            }
            m_document.setCards(*found);
            begin(shipment, choices);
        });
    refresh();
}

std::vector<FrameId> HandoverPlace::wantedFrames() const
{
    const bool allButUnused = m_which->currentIndex() == 2, onlyInHand = m_which->currentIndex() == 1;
    std::vector<FrameId> wanted;
    for (const Frame& frame : m_document.frames())
        if (onlyInHand ? frame.id == m_document.selection().frameInHand()
                       : !allButUnused || !m_document.job().frame(frame.id).isUnused)
            wanted.push_back(frame.id);
    return wanted;
}

void HandoverPlace::begin(const Shipment& shipment, const DeliveryChoices& choices)
{
    auto batch = m_document.batchOf(wantedFrames(), {m_withCard->isChecked(), choices.ratio});
    for (std::size_t i = 0; i < batch.frames.size(); ++i)
        if (m_document.changedContents().count(batch.frames[i]) > 0)
            batch.own[i].fault =
                tr("another picture may have its name now: say first whether it is the same one").toStdString();
    m_document.changeDesk([&](Desk& desk) { desk.delivery = choices; });
    m_model->clear();
    m_progress->setRange(0, static_cast<int>(batch.sources.size()));
    m_progress->setValue(0);
    m_leftOut = static_cast<int>(batch.withCard.size());
    m_state->setText(tr("Beginning…"));
    m_task->start(m_document.looks().read(m_document.looks().lookForAll()).value_or(Look{}), batch.sources, shipment,
                  batch.own);
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
    if (m_leftOut > 0)
        words << tr("%L1 left out, they show the colour card").arg(m_leftOut);
    const auto isRenamed = [](const Delivery& d) { return d.fault.empty() && d.target.stem() != d.source.stem(); };
    if (const auto renamed = std::count_if(report.deliveries.begin(), report.deliveries.end(), isRenamed); renamed > 0)
        words << tr("%L1 under another name, because a file that was not written here has theirs").arg(renamed);
    if (!report.warning.empty())
        words << text(report.warning);
    m_state->setText(words.join(QStringLiteral(" · ")));
    refresh();
}

}  // namespace amber
