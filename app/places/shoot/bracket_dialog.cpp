#include "app/places/shoot/bracket_dialog.h"

#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {

QLayout* BracketDialog::makeChoice(const BracketChoice& f, int number, const QPixmap& picture, QWidget* wall)
{
    const int width = m_pictureWidth;
    auto* column = new QVBoxLayout;
    column->setSpacing(6);
    auto* shown = new QLabel(wall);
    shown->setPixmap(picture.scaled(width, width, Qt::KeepAspectRatio, Qt::SmoothTransformation));
    shown->setFixedSize(width, width * 2 / 3 + 2);
    shown->setAlignment(Qt::AlignCenter);
    const auto words = [&](const QString& line, bool strong) {
        auto* label = new QLabel(line, wall);
        label->setProperty("onWall", true);
        label->setFont(theme::font(13, strong));
        label->setWordWrap(true);
        column->addWidget(label);
    };
    column->addWidget(shown);
    words(f.name + (f.isChosen     ? tr(", chosen")
                    : f.isProposed ? tr(", proposed")
                                   : QString()),
          f.isProposed || f.isChosen);
    words(f.settings, false);
    words(tr("lost at white %1 %, at black %2 %")
              .arg(theme::number(100 * f.lostHigh, 1), theme::number(100 * f.lostLow, 1)),
          false);
    auto* use = new QPushButton(tr("Use this one"), wall);
    use->setObjectName("bracketUse" + QString::number(number + 1));
    use->setDefault(f.isProposed);
    connect(use, &QPushButton::clicked, this, [this, frame = f.frame] {
        m_chosen = frame;
        accept();
    });
    column->addWidget(use);
    column->addStretch(1);
    return column;
}

BracketDialog::BracketDialog(const std::vector<BracketChoice>& frames, const std::vector<QPixmap>& pictures,
                             QWidget* parent)
    : QDialog(parent)
{
    setObjectName("bracketDialog");
    setWindowTitle(tr("Bracket of %1").arg(frames.size()));
    auto* wall = new QWidget(this);
    wall->setObjectName("cellWall");
    wall->setAttribute(Qt::WA_StyledBackground);
    auto* row = new QHBoxLayout(wall);
    row->setContentsMargins(18, 16, 18, 16);
    row->setSpacing(16);
    m_pictureWidth = frames.size() <= 3 ? 300 : frames.size() <= 5 ? 210 : 130;
    for (std::size_t i = 0; i < frames.size(); ++i)
        row->addLayout(makeChoice(frames[i], static_cast<int>(i), pictures[i], wall));
    auto* said = new QLabel(tr("Proposed is the exposure that loses least, black counting half. Merged in linear light "
                               "they become one new frame; where something moved only the best exposed one counts."),
                            this);
    said->setProperty("quiet", true);
    said->setWordWrap(true);
    auto* merge = new QPushButton(tr("Merge into one frame"), this);
    merge->setObjectName("bracketMerge");
    connect(merge, &QPushButton::clicked, this, &QDialog::accept);
    auto* cancel = new QPushButton(tr("Cancel"), this);
    connect(cancel, &QPushButton::clicked, this, &QDialog::reject);
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(10);
    buttons->addWidget(said, 1);
    buttons->addWidget(cancel);
    buttons->addWidget(merge);
    buttons->setContentsMargins(18, 10, 18, 14);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(wall, 1);
    layout->addLayout(buttons);
}

}  // namespace amber
