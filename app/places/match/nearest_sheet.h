// The looks at hand on the frame in hand, those first that bring it nearest to what is held.
#pragma once

#include "app/variants/tile_sheet.h"
#include "core/match/nearest_look.h"

#include <QDialog>

namespace amber {

class NearestSheet : public QDialog {
    Q_OBJECT

public:
    /// `tiles` in the order of `near`.
    NearestSheet(const std::vector<Tile>& tiles, const std::vector<NearLook>& near, const QString& reference,
                 RenderQueue& queue, QWidget* parent);
    TileSheet& sheet() { return *m_sheet; }
    /// Which of `near` was chosen; -1: none.
    int chosen() const;

private:
    TileSheet* m_sheet;
};

}  // namespace amber
