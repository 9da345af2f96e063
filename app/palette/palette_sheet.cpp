#include "app/palette/palette_sheet.h"

#include "app/display/screen_view.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/image/read.h"
#include "core/image/resize.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kEdge = 700;

/// A colour as the screen shows it.
QColor onScreenColour(const LinearRgb& c)
{
    Image one(1, 1);
    float* p = one.mutableView().row(0);
    p[0] = static_cast<float>(c.r), p[1] = static_cast<float>(c.g), p[2] = static_cast<float>(c.b);
    return toScreen(one.view()).pixelColor(0, 0);
}

}  // namespace

struct PaletteSheet::Made {
    Result<PaletteTest> test = tl::make_unexpected(Error{});
    QImage before, after;
};

void SwatchList::show(const std::vector<PaletteColour>& colours)
{
    m_rows.clear();
    for (const PaletteColour& c : colours) {
        QString words = tr("%1 % of the picture").arg(theme::decimal(100 * c.share, 0));
        if (c.standing == PaletteColour::Standing::Fights)
            words += tr(", %1° off the plan").arg(theme::decimal(std::abs(c.degreesOff), 0));
        m_rows.push_back({onScreenColour(c.before), onScreenColour(c.after), words});
    }
    setAccessibleDescription(this->words().join(QStringLiteral("; ")));
    setFixedHeight(sizeHint().height());
    updateGeometry();
    update();
}

QStringList SwatchList::words() const
{
    QStringList all;
    for (const Row& row : m_rows)
        all << row.words;
    return all;
}

void SwatchList::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setFont(theme::font(13));
    if (m_rows.empty()) {
        painter.setPen(theme::kQuietInk);
        painter.drawText(rect(), Qt::AlignLeft | Qt::AlignVCenter, tr("none"));
    }
    for (int i = 0; i < static_cast<int>(m_rows.size()); ++i) {
        const Row& row = m_rows[static_cast<std::size_t>(i)];
        painter.fillRect(QRect(0, i * kRow + 2, 36, kRow - 4), row.before);
        painter.fillRect(QRect(36, i * kRow + 2, 36, kRow - 4), row.after);
        painter.setPen(theme::kInk);
        painter.drawText(QRect(82, i * kRow, width() - 82, kRow), Qt::AlignLeft | Qt::AlignVCenter, row.words);
    }
}

PaletteSheet::PaletteSheet(Document& document, RenderQueue& queue, std::function<std::vector<Image>()> own,
                           QWidget* parent)
    : QDialog(parent), m_document(document), m_own(std::move(own)),
      m_slot(new RenderSlot(queue, RenderQueue::Priority::Companion, this)), m_before(new PictureView(this)),
      m_after(new PictureView(this)), m_words(new QLabel(this)), m_plan(new QLabel(this)),
      m_lands(new SwatchList(this)), m_fights(new SwatchList(this)), m_quiet(new SwatchList(this))
{
    setObjectName("paletteSheet");
    setWindowTitle(tr("Palette test"));
    setAcceptDrops(true);
    nameParts();
    auto* pictures = new QVBoxLayout;
    pictures->setSpacing(8);
    pictures->addWidget(m_before, 1), pictures->addWidget(m_after, 1);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(12, 12, 0, 12);
    layout->setSpacing(0);
    layout->addLayout(pictures, 1), layout->addWidget(makeSide());
    resize(980, 690);
    connect(&document.looks(), &LooksInHand::revisionsChanged, this, &PaletteSheet::renew);
    connect(&document.looks(), &LooksInHand::stepsChanged, this, &PaletteSheet::renew);
    m_before->setMessage(tr("Choose or drop a snapshot of the place, of cloth or props."));
}

void PaletteSheet::nameParts()
{
    m_before->setObjectName("paletteBefore"), m_after->setObjectName("paletteAfter");
    m_before->setAccessibleName(tr("The place as it is")), m_after->setAccessibleName(tr("The place with the look"));
    m_words->setObjectName("paletteWords"), m_plan->setObjectName("palettePlan");
    m_words->setProperty("strong", true), m_plan->setProperty("quiet", true);
    m_words->setWordWrap(true), m_plan->setWordWrap(true);
    m_lands->setObjectName("paletteLands"), m_fights->setObjectName("paletteFights"),
        m_quiet->setObjectName("paletteQuiet");
    m_lands->setAccessibleName(tr("Lands in the plan")), m_fights->setAccessibleName(tr("Fights the plan"));
    m_quiet->setAccessibleName(tr("Quiet"));
}

QWidget* PaletteSheet::makeSide()
{
    auto* area = new QWidget(this);
    area->setFixedWidth(360);
    auto* side = new QVBoxLayout(area);
    side->setContentsMargins(18, 14, 18, 14);
    side->setSpacing(6);
    const auto heading = [&](const QString& words, SwatchList* list) {
        auto* label = new QLabel(words, this);
        label->setProperty("strong", true);
        side->addWidget(label), side->addWidget(list), side->addSpacing(6);
    };
    side->addWidget(m_words), side->addWidget(m_plan), side->addSpacing(8);
    heading(tr("Fights the plan"), m_fights), heading(tr("Lands in the plan"), m_lands),
        heading(tr("Quiet: fits everywhere"), m_quiet);
    side->addStretch(1);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(makeButton(this, "paletteOpen", tr("Choose a picture…"),
                                  tr("A snapshot of the room, of cloth or props; it can be dropped here"), [this] {
                                      const QString path = QFileDialog::getOpenFileName(
                                          this, tr("Snapshot of the place"), m_document.folder(),
                                          tr("Pictures (%1)").arg(Document::pictureEndings().join(' ')));
                                      if (!path.isEmpty())
                                          open(path);
                                  }));
    buttons->addStretch(1);
    buttons->addWidget(makeButton(this, "paletteClose", tr("Close"), {}, [this] { accept(); }));
    side->addLayout(buttons);
    return area;
}

void PaletteSheet::open(const QString& path)
{
    m_path = path;
    renew();
}

void PaletteSheet::renew()
{
    if (m_path.isEmpty())
        return;
    m_isTesting = true;
    const QSize space = m_before->pictureSpace();
    m_slot->run(
        [path = m_path.toStdString(), look = m_document.looks().look(), own = m_own(), space](const CancelToken&) {
            Made made;
            const auto read = readPicture(path);
            if (!read) {
                made.test = tl::make_unexpected(read.error());
                return made;
            }
            const Image small = reducedToFit(read->image.view(), kEdge, kEdge);
            made.test = paletteTest(look, small.view(), own);
            const auto fit = [&](const Image& picture) {
                return toScreen(
                    reducedToFit(picture.view(), std::max(1, space.width()), std::max(1, space.height())).view());
            };
            made.before = fit(small);
            if (made.test)
                made.after = fit(made.test->after);
            return made;
        },
        [this](const Made& made) { put(made); });
}

void PaletteSheet::put(const Made& made)
{
    m_isTesting = false;
    ++m_number;
    m_test = made.test ? std::optional(*made.test) : std::nullopt;
    m_before->setCaption(QFileInfo(m_path).fileName());
    m_after->setCaption(tr("with %1").arg(text(m_document.looks().look().name)));
    if (!made.before.isNull())
        m_before->setImages(m_number, made.before, made.before);
    if (!m_test) {
        m_after->clear();
        m_words->setText(text(made.test.error().message())), m_plan->clear();
        for (SwatchList* list : {m_lands, m_fights, m_quiet})
            list->show({});
        return;
    }
    m_after->setImages(m_number, made.after, made.after);
    m_words->setText(tr("Of this picture's colour %1 % lands in the plan and %2 % fights it.")
                         .arg(theme::decimal(100 * m_test->landing, 0), theme::decimal(100 * m_test->fighting, 0)));
    QStringList hues;
    for (const PlanHue& hue : m_test->plan)
        hues << tr("hue %1°, %2° wide").arg(theme::decimal(hue.hue, 0), theme::decimal(hue.width, 0));
    m_plan->setText(m_test->isPlanFound
                        ? tr("The look has no plan; taken from the frames on the wall: %1.").arg(hues.join(tr("; ")))
                        : tr("The look's plan: %1.").arg(hues.join(tr("; "))));
    m_lands->show(m_test->lands), m_fights->show(m_test->fights), m_quiet->show(m_test->quiet);
}

void PaletteSheet::dragEnterEvent(QDragEnterEvent* event)
{
    if (event->mimeData()->hasUrls() && event->mimeData()->urls().front().isLocalFile())
        event->acceptProposedAction();
}

void PaletteSheet::dropEvent(QDropEvent* event) { open(event->mimeData()->urls().front().toLocalFile()); }

}  // namespace amber
