// The picture as it enters the step, cut into five ranges of tone side by side; one is taken as the guard's.
#pragma once

#include "core/image/resize.h"
#include "core/look/guard.h"

#include <QDialog>

class QListWidget;

namespace amber {

class ToneRangeDialog : public QDialog {
public:
    ToneRangeDialog(const Image& picture, QWidget* parent);
    const Guard& chosen() const { return m_chosen; }

private:
    void addTiles(const Image& picture, Size size);
    void take(int row);
    QListWidget* m_tiles;
    std::vector<Guard> m_guards;
    Guard m_chosen;
};

}  // namespace amber
