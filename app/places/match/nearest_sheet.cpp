#include "app/places/match/nearest_sheet.h"

#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {

NearestSheet::NearestSheet(const std::vector<Tile>& tiles, const std::vector<NearLook>& near, const QString& reference,
                           RenderQueue& queue, QWidget* parent)
    : QDialog(parent), m_sheet(new TileSheet(queue, this))
{
    setObjectName("nearestSheet");
    setWindowTitle(tr("Nearest looks"));
    resize(940, 560);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 14);
    column->setSpacing(10);
    auto* words = new QLabel(tr("How far the frame in hand would still lie from %1 under each look, light and colour "
                                "together. Nearest first.")
                                 .arg(reference),
                             this);
    words->setWordWrap(true);
    words->setProperty("quiet", true);
    column->addWidget(words);
    std::vector<Tile> titled = tiles;
    for (std::size_t i = 0; i < titled.size(); ++i) {
        titled[i].title += tr(" · %1 left").arg(theme::number(near[i].leaves, 1));
        if (near[i].own)
            titled[i].title += tr(" · its reference %1 away").arg(theme::number(*near[i].own, 1));
    }
    m_sheet->setObjectName("nearestTiles");
    m_sheet->setAccessibleName(tr("Looks, nearest first"));
    m_sheet->setTiles(titled);
    m_sheet->setCurrentRow(0);
    column->addWidget(m_sheet, 1);
    auto* buttons = new QDialogButtonBox(this);
    buttons->addButton(tr("Work on it"), QDialogButtonBox::AcceptRole)->setObjectName("nearestAccept");
    buttons->addButton(tr("Back"), QDialogButtonBox::RejectRole)->setObjectName("nearestBack");
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(m_sheet, &QListWidget::itemActivated, this, &QDialog::accept);
    column->addWidget(buttons);
}

int NearestSheet::chosen() const { return m_sheet->currentRow(); }

}  // namespace amber
