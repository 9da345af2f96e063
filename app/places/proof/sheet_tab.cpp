#include "app/places/proof/sheet_tab.h"

#include "app/display/screen_view.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/analysis/look_sheet.h"
#include "core/proof/finished_picture.h"

#include <QtWidgets>

namespace amber {
namespace {

struct Paper {
    const char* name;
    double width, height;  ///< points
};
constexpr Paper kPapers[] = {{QT_TRANSLATE_NOOP("amber::SheetTab", "A4"), 595.28, 841.89},
                             {QT_TRANSLATE_NOOP("amber::SheetTab", "A3"), 841.89, 1190.55},
                             {QT_TRANSLATE_NOOP("amber::SheetTab", "Letter"), 612, 792},
                             {QT_TRANSLATE_NOOP("amber::SheetTab", "Tabloid"), 792, 1224}};
constexpr int kPause = 150;          // milliseconds after the last change
constexpr int kPictureWidth = 2400;  // of a JPEG, pixels

}  // namespace

SheetTab::SheetTab(Document& document, ProxyStore& proxies, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_task(new Task(this)),
      m_slot(new RenderSlot(proxies.queue(), RenderQueue::Priority::Companion, this)), m_again(new QTimer(this)),
      m_view(new PictureView(this))
{
    setObjectName("sheetTab");
    m_view->setObjectName("sheetPage");
    m_view->setAccessibleDescription(tr("A page of the contact sheet"));
    m_again->setSingleShot(true);
    m_again->setInterval(kPause);
    connect(m_again, &QTimer::timeout, this, &SheetTab::render);
    auto* wall = new QWidget(this);
    wall->setObjectName("sheetWall");
    wall->setAttribute(Qt::WA_StyledBackground);
    auto* inWall = new QVBoxLayout(wall);
    inWall->setContentsMargins(14, 0, 14, 12);
    inWall->addWidget(m_view);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    layout->addWidget(wall, 1);
    const auto again = [this] { renew(); };
    connect(&document, &Document::opened, this, again);
    connect(&document, &Document::framesChanged, this, again);
    connect(&document, &Document::lightsChanged, this, again);
    connect(&document, &Document::balancesChanged, this, again);
    connect(&document, &Document::areasChanged, this, again);
    connect(&document, &Document::usedChanged, this, again);
    connect(&document, &Document::setsChanged, this, again);
    connect(&document, &Document::chosenLooksChanged, this, again);
    connect(&document.looks(), &LooksInHand::revisionsChanged, this, again);
    connect(&proxies, &ProxyStore::thumbnailReady, this, again);
    connect(&ScreenView::instance(), &ScreenView::changed, this, again);
    connect(m_view, &PictureView::resized, this, again);
    connect(m_task, &Task::began, this, &SheetTab::refresh);
    connect(m_task, &Task::ended, this, &SheetTab::refresh);
    refresh();
}

void SheetTab::makeChoices()
{
    m_order = new QComboBox(this);
    m_order->setObjectName("sheetOrder");
    m_order->setAccessibleName(tr("Headings of the sheet"));
    m_order->addItems({tr("As they came"), tr("By light"), tr("By look")});
    m_order->setCurrentIndex(1);
    m_columns = new QSpinBox(this);
    m_columns->setObjectName("sheetColumns");
    m_columns->setAccessibleName(tr("Pictures in a row"));
    m_columns->setButtonSymbols(QAbstractSpinBox::NoButtons);
    m_columns->setRange(1, ContactSheet::kMostColumns);
    m_columns->setValue(6);
    m_columns->setSuffix(tr(" in a row"));
    m_paper = new QComboBox(this);
    m_paper->setObjectName("sheetPaper");
    m_paper->setAccessibleName(tr("Paper"));
    for (const Paper& paper : kPapers)
        m_paper->addItem(tr(paper.name));
    m_landscape = new QCheckBox(tr("Across"), this);
    m_landscape->setObjectName("sheetLandscape");
    m_landscape->setToolTip(tr("The long side of the paper lies across"));
    m_landscape->setChecked(true);
    m_names = new QCheckBox(tr("Names"), this);
    m_names->setObjectName("sheetNames");
    m_names->setChecked(true);
    for (QComboBox* box : {m_order, m_paper})
        connect(box, &QComboBox::activated, this, [this] { renew(); });
    for (QCheckBox* box : {m_landscape, m_names})
        connect(box, &QCheckBox::clicked, this, [this] { renew(); });
    connect(m_columns, &QSpinBox::valueChanged, this, [this] { renew(); });
}

void SheetTab::makeButtons()
{
    m_before = makeButton(this, "sheetBefore", tr("Before"), tr("Balanced, without the look (B)"), [this] { renew(); });
    m_before->setCheckable(true);
    m_before->setShortcut(QKeySequence(Qt::Key_B));
    m_previous =
        makeButton(this, "sheetPrevious", QStringLiteral("‹"), tr("The page before"), [this] { go(m_page - 1); });
    m_next = makeButton(this, "sheetNext", QStringLiteral("›"), tr("The next page"), [this] { go(m_page + 1); });
    for (QPushButton* b : {m_previous, m_next})
        b->setFixedWidth(32), b->setAccessibleName(b->toolTip());
    m_where = new QLabel(this);
    m_where->setObjectName("sheetWhere");
    m_save = makeButton(this, "sheetSave", tr("Save…"), tr("As PDF, at 300 pixels an inch; or as one JPEG"),
                        [this] { askSave(); });
}

QLayout* SheetTab::makeHeader()
{
    m_title = new QLabel(this);
    m_title->setProperty("strong", true);
    m_title->setObjectName("sheetTitle");
    makeChoices();
    makeButtons();
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    row->addWidget(m_title);
    row->addStretch(1);
    row->addWidget(makeTaskBar(*m_task, "sheetTask", this));
    for (QWidget* w : std::initializer_list<QWidget*>{m_order, m_columns, m_paper, m_landscape, m_names, m_before,
                                                      m_previous, m_where, m_next, m_save})
        row->addWidget(w);
    return row;
}

ContactSheet SheetTab::sheetOf(const JobToReport& job, std::vector<std::size_t>& frames) const
{
    ContactSheet sheet = contactSheetOf(job, static_cast<SheetOrder>(m_order->currentIndex()), frames);
    const Paper& paper = kPapers[static_cast<std::size_t>(std::max(0, m_paper->currentIndex()))];
    const bool isAcross = m_landscape->isChecked();
    sheet.width = isAcross ? paper.height : paper.width, sheet.height = isAcross ? paper.width : paper.height;
    sheet.columns = m_columns->value(), sheet.withNames = m_names->isChecked();
    return sheet;
}

void SheetTab::renew()
{
    if (isVisible())
        m_again->start();
}

void SheetTab::go(int page)
{
    m_page = std::clamp(page, 0, std::max(0, m_pages - 1));
    refresh();
    render();
}

void SheetTab::refresh()
{
    const bool isThere = m_pages > 0;
    m_title->setText(tr("Contact sheet"));
    m_where->setText(isThere ? tr("%1 of %2").arg(m_page + 1).arg(m_pages) : QString());
    m_previous->setEnabled(isThere && m_page > 0);
    m_next->setEnabled(isThere && m_page + 1 < m_pages);
    m_save->setEnabled(isThere && !m_task->isRunning());
}

namespace {

/// A frame as it was read for its thumbnail.
struct SmallCell {
    ReadFrame frame;
    std::shared_ptr<const SmallSource> source;
};

QImage pageOf(const ContactSheet& sheet, int page, QSize space, const std::vector<SmallCell>& cells, const Look& look,
              bool isWithLook)
{
    const CellPicture picture = [&](std::size_t i, int) {
        const SmallCell& cell = cells[i];
        const auto made = cell.source ? finishedFrom(cell.source->picture.image(), cell.source->longEdge,
                                                     cell.source->sourceRatio, cell.frame, look, isWithLook)
                                      : fail("not read yet");
        return made ? onPaper(made->view()) : PagePicture{};
    };
    const double scale = std::min(space.width() / sheet.width, space.height() / sheet.height);
    const auto made = contactSheetPage(sheet, page, scale, picture);
    if (!made)
        return {};
    return onScreen(QImage(reinterpret_cast<const uchar*>(made->pixels.data()), made->width, made->height,
                           made->width * 4, QImage::Format_RGB32)
                        .copy());
}

}  // namespace

void SheetTab::render()
{
    if (!isVisible())
        return;
    const auto job =
        m_document.isOpen() ? jobToReport(std::as_const(m_document).store(), false) : fail("no job is open");
    std::vector<std::size_t> frames;
    const ContactSheet sheet = job ? sheetOf(*job, frames) : ContactSheet{};
    m_pages = sheet.cells.empty() ? 0 : pageCount(sheet);
    m_page = std::clamp(m_page, 0, std::max(0, m_pages - 1));
    refresh();
    if (m_pages == 0) {
        m_slot->drop();
        m_view->clear();
        m_view->setMessage(job ? tr("Lights are told apart once all frames are read; then their pages stand here.")
                               : text(job.error().message()));
        return;
    }
    std::vector<SmallCell> cells;
    for (const std::size_t i : frames) {
        const ReadFrame& frame = job->toCheck[i];
        cells.push_back({frame, m_proxies.small(frame.frame)});
        if (!cells.back().source)
            m_proxies.requestThumbnail(frame.frame, frame.path, false);
    }
    m_slot->run([cells = std::move(cells), sheet, look = job->lookForAll, page = m_page,
                 isWithLook = !m_before->isChecked(), space = m_view->pictureSpace()](
                    const CancelToken&) { return pageOf(sheet, page, space, cells, look, isWithLook); },
                [this](const QImage& page) { m_view->setImages(++m_number, page, page); });
}

void SheetTab::askSave()
{
    const QString path =
        QFileDialog::getSaveFileName(this, tr("Save the contact sheet"), m_document.folder() + "/contact sheet.pdf",
                                     tr("Pages (*.pdf);;One picture (*.jpg)"));
    if (!path.isEmpty())
        save(path);
}

void SheetTab::save(const QString& path)
{
    const auto job =
        m_document.isOpen() ? jobToReport(std::as_const(m_document).store(), false) : fail("no job is open");
    if (!job || m_task->isRunning()) {
        if (!job)
            emit m_document.failed(text(job.error().message()));
        return;
    }
    std::vector<std::size_t> frames;
    const ContactSheet sheet = sheetOf(*job, frames);
    const auto done = std::make_shared<Status>();
    m_task->start(
        [sheet, done, path, picture = cellPictures(*job, frames, !m_before->isChecked())](
            const Task::Progress& progress, const CancelToken& cancel) {
            *done = saveContactSheet(path.toStdString(), sheet, picture, kPictureWidth, progress, cancel);
        },
        [this, done](bool cancelled) {
            if (!*done && !cancelled)
                emit m_document.failed(text(done->error().message()));
        });
}

void SheetTab::showEvent(QShowEvent*) { render(); }

}  // namespace amber
