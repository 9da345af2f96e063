#include "app/bench/tone_range_dialog.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"
#include "core/analysis/tone_ranges.h"
#include "core/image/resize.h"

#include <QtWidgets>

namespace amber {

namespace {

/// Chosen or not, it is shown as it is.
QIcon plain(const QPixmap& picture)
{
    QIcon icon(picture);
    icon.addPixmap(picture, QIcon::Selected);
    return icon;
}

}  // namespace

ToneRangeDialog::ToneRangeDialog(const Image& picture, QWidget* parent)
    : QDialog(parent), m_tiles(new QListWidget(this))
{
    setObjectName("toneRangeDialog");
    setWindowTitle(tr("Tones the step may touch"));
    constexpr int kEdge = 210, kWords = 24;
    const Size size = fitted({picture.width(), picture.height()}, kEdge);
    m_tiles->setObjectName("toneRanges");
    m_tiles->setAccessibleName(tr("Ranges of tone"));
    m_tiles->setViewMode(QListView::IconMode);
    m_tiles->setMovement(QListView::Static);
    m_tiles->setIconSize({size.width, size.height});
    m_tiles->setGridSize({kEdge + 14, size.height + kWords + 14});
    m_tiles->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_tiles->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    addTiles(picture, size);
    m_tiles->setCurrentRow(0);
    m_tiles->setFixedSize(5 * (kEdge + 14) + 8, size.height + kWords + 22);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(m_tiles);
    auto* hint = new QLabel(tr("A click takes a range, or the arrow keys and Enter."), this);
    hint->setProperty("quiet", true);
    layout->addWidget(hint);
    connect(m_tiles, &QListWidget::itemClicked, this, [this](QListWidgetItem* item) { take(m_tiles->row(item)); });
    connect(m_tiles, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) { take(m_tiles->row(item)); });
    m_tiles->setFocus();
}

void ToneRangeDialog::addTiles(const Image& picture, Size size)
{
    const QStringList names{tr("deep"), tr("dark"), tr("middle"), tr("light"), tr("bright")};
    const double ratio = devicePixelRatioF();
    const Image small = picture.isEmpty()
                            ? Image()
                            : reduceByArea(picture.view(), std::min(picture.width(), qRound(size.width * ratio)),
                                           std::min(picture.height(), qRound(size.height * ratio)));
    const auto ranges = toneRanges(small.view());
    for (std::size_t i = 0; i < ranges.size(); ++i) {
        const QString words = tr("%1, %2 %").arg(names[static_cast<int>(i)], theme::number(100 * ranges[i].share, 0));
        auto* item = new QListWidgetItem(words, m_tiles);
        if (!small.isEmpty())
            item->setIcon(plain(QPixmap::fromImage(toScreen(ranges[i].picture.view()))));
        m_guards.push_back(ranges[i].guard);
    }
}

void ToneRangeDialog::take(int row)
{
    m_chosen = m_guards[static_cast<std::size_t>(row)];
    accept();
}

}  // namespace amber
