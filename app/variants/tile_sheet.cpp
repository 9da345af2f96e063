#include "app/variants/tile_sheet.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"
#include "core/image/resize.h"
#include "core/measure/picture_difference.h"

namespace amber {
namespace {

constexpr int kTileWidth = 200, kGap = 12, kWords = 24, kRenewPause = 250;

struct Rendered {
    QImage image;
    double difference = -1;
};

Rendered renderTile(const Tile& tile, QSize space)
{
    const Image& source = tile.proxy->image;
    const double scale = std::min({1.0, static_cast<double>(space.width()) / source.width(),
                                   static_cast<double>(space.height()) / source.height()});
    const Image small = reduceByArea(source.view(), std::max(1, static_cast<int>(source.width() * scale)),
                                     std::max(1, static_cast<int>(source.height() * scale)));
    const RenderOptions options{RenderOptions::Stage::All, std::max(tile.proxy->info.width, tile.proxy->info.height)};
    const auto through = [&](const Look& look) {
        Image out(small.width(), small.height());
        if (const auto plan = RenderPlan::compile(lookFor(look, tile.picture))) {
            RenderOptions masked = options;
            masked.masks = masksOf(tile.areas, *plan, small.view());
            amber::render(*plan, small.view(), out.mutableView(), {}, masked);
        }
        return out;
    };
    const Image out = through(tile.look);
    if (!tile.against)
        return {toScreen(out.view()), -1};
    const Image other = through(*tile.against);
    const auto difference = pictureDifference(other.view(), out.view());
    const auto map = tile.map ? differenceMap(other.view(), out.view(), *tile.map) : fail("no map");
    return {toScreen(map ? map->view() : out.view()), difference ? difference->mean : -1};
}

}  // namespace

TileSheet::TileSheet(RenderQueue& queue, QWidget* parent) : QListWidget(parent), m_queue(queue)
{
    setObjectName("tiles");
    setViewMode(QListView::IconMode);
    setMovement(QListView::Static);
    setResizeMode(QListView::Adjust);
    setUniformItemSizes(true);
    setFrameShape(QFrame::NoFrame);
    setWordWrap(false);
    setSpacing(0);
    connect(&ScreenView::instance(), &ScreenView::changed, this, [this] { render(); });
    m_renewTimer = new QTimer(this);
    m_renewTimer->setSingleShot(true);
    m_renewTimer->setInterval(kRenewPause);
    connect(m_renewTimer, &QTimer::timeout, this, [this] {
        if (isVisible() && m_renew)
            m_renew();
    });
}

void TileSheet::renewSoon(const std::function<void()>& renew)
{
    if (!isVisible())
        return;
    m_renew = renew;
    m_renewTimer->start();
}

void TileSheet::setTiles(const std::vector<Tile>& tiles, int columns)
{
    const int row = currentRow();
    m_tiles = tiles;
    m_columns = columns;
    m_differences.assign(tiles.size(), -1);
    m_marks.assign(tiles.size(), false);
    clear();
    for (const Tile& tile : tiles)
        addItem(tile.title);
    layOut();
    if (!tiles.empty())
        setCurrentRow(std::clamp(row, 0, static_cast<int>(tiles.size()) - 1));
    render();
}

void TileSheet::layOut()
{
    if (m_tiles.empty())
        return;
    const int count = static_cast<int>(m_tiles.size()),
              space = std::max(200, width() - 14);  // a scroll bar that comes and goes must not change the tiles
    const int room = this->height() - 4;
    int columns = m_columns;
    if (columns == 0) {
        // The fewest columns with which everything can be seen at once, from tiles of a readable size on.
        columns = std::max(1, space / (2 * kTileWidth));
        const auto height = [&](int n) {
            return ((count + n - 1) / n) *
                   (static_cast<int>((static_cast<double>(space) / n - kGap) / 1.5) + kWords + kGap);
        };
        while (height(columns) > room && space / (columns + 1) > kTileWidth / 2)
            ++columns;
    }
    const QSize cell(space / columns,
                     static_cast<int>((static_cast<double>(space) / columns - kGap) / 1.5) + kWords + kGap);
    const int rows = (count + columns - 1) / columns;
    QSize icon(cell.width() - kGap, cell.height() - kWords - kGap);
    // Fewer rows than there is room for: the height decides.
    if (m_columns > 0 && rows * cell.height() > room && rows <= 2)
        icon.setHeight(std::max(60, room / rows - kWords - kGap));
    setGridSize({cell.width(), icon.height() + kWords + kGap});
    setIconSize(icon);
    for (int i = 0; i < count; ++i)
        item(i)->setSizeHint(gridSize() - QSize(4, 4));
}

void TileSheet::resizeEvent(QResizeEvent* event)
{
    QListWidget::resizeEvent(event);
    layOut();
    if (iconSize() != m_size)
        render();
}

void TileSheet::render()
{
    m_done = 0;
    m_size = iconSize();
    const QSize space = m_size * devicePixelRatioF();
    while (m_slots.size() < m_tiles.size())
        m_slots.push_back(new RenderSlot(m_queue, RenderQueue::Priority::Sheet, this));
    for (RenderSlot* slot : m_slots)
        slot->drop();
    for (std::size_t i = 0; i < m_tiles.size(); ++i) {
        if (!m_tiles[i].proxy) {
            ++m_done;
            continue;
        }
        m_slots[i]->run(
            [tile = m_tiles[i], space](const CancelToken&) {
                try {
                    return renderTile(tile, space);
                } catch (const std::exception&) {
                    return Rendered{};  // the tile stays empty: there was no memory for it
                }
            },
            [this, i](const Rendered& result) { put(i, result.image, result.difference); });
    }
}

void TileSheet::put(std::size_t tile, const QImage& image, double difference)
{
    m_differences[tile] = difference;
    QPixmap pixmap = QPixmap::fromImage(image);
    pixmap.setDevicePixelRatio(devicePixelRatioF());
    QIcon icon(pixmap);
    icon.addPixmap(pixmap, QIcon::Selected);  // a picture is never tinted by being chosen
    item(static_cast<int>(tile))->setIcon(icon);
    label(static_cast<int>(tile));
    if (++m_done == m_tiles.size())
        emit done();
}

void TileSheet::label(int tile)
{
    const auto index = static_cast<std::size_t>(tile);
    QString words = m_tiles[index].title;
    if (m_differences[index] >= 0)
        words += tr(" · ΔE %1").arg(theme::number(m_differences[index], 1));
    item(tile)->setText((m_marks[index] ? QStringLiteral("\u25AE ") : QString()) + words);
    item(tile)->setToolTip(words);
}

double TileSheet::differenceOf(int tile) const { return m_differences[static_cast<std::size_t>(tile)]; }

void TileSheet::setMarked(int tile, bool on)
{
    m_marks[static_cast<std::size_t>(tile)] = on;
    label(tile);
}

bool TileSheet::isMarked(int tile) const { return m_marks[static_cast<std::size_t>(tile)]; }

}  // namespace amber
