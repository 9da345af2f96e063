// A sheet of small pictures, each a look on a frame, rendered one after the other in the background. Sweeps, the tray
// and the library of looks are such sheets.
#pragma once

#include "app/render/proxy_store.h"
#include "core/engine/render_plan.h"
#include "core/frame/frame_masks.h"
#include "core/look/scope.h"
#include "core/measure/difference_map.h"

#include <QListWidget>
#include <functional>
#include <vector>

class QTimer;

namespace amber {

struct Tile {
    Look look;
    std::shared_ptr<const Proxy> proxy;
    PictureName picture;  ///< by which looks know the frame
    QString title;
    std::optional<Look> against = {};              ///< the difference from this look's result is measured
    std::optional<MapAspect> map = {};             ///< and shown in the place of the picture
    std::shared_ptr<const FrameAreas> areas = {};  ///< where the roles of looks lie
};

class TileSheet : public QListWidget {
    Q_OBJECT

public:
    explicit TileSheet(RenderQueue& queue, QWidget* parent = nullptr);
    /// `columns` 0: as many as fit tiles of about 200 pixels.
    void setTiles(const std::vector<Tile>& tiles, int columns = 0);
    const std::vector<Tile>& tiles() const { return m_tiles; }
    bool isDone() const { return m_done == m_tiles.size(); }
    /// Mean CIEDE2000 from `against`, when it was asked for and is known; else below 0.
    double differenceOf(int tile) const;
    /// A mark before the title: a bookmark.
    void setMarked(int tile, bool on);
    bool isMarked(int tile) const;
    /// Calls `renew` a moment after the last of these calls, while the sheet can be seen: what it shows has changed.
    void renewSoon(const std::function<void()>& renew);

signals:
    void done();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void render();
    void layOut();
    void put(std::size_t tile, const QImage& image, double difference);
    void label(int tile);

    std::vector<Tile> m_tiles;
    std::vector<double> m_differences;
    std::vector<bool> m_marks;
    std::size_t m_done = 0;
    int m_columns = 0;
    QSize m_size;
    RenderQueue& m_queue;
    std::vector<RenderSlot*> m_slots;  ///< one for each tile
    QTimer* m_renewTimer;
    std::function<void()> m_renew;
};

}  // namespace amber
