#include "app/places/handover/before_list.h"

#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {

BeforeList::BeforeList(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_table(new QTableWidget(this)), m_words(new QLabel(this))
{
    setObjectName("beforeList");
    m_words->setObjectName("beforeWords"), m_words->setWordWrap(true), m_words->setProperty("strong", true);
    m_table->setObjectName("beforePoints"), m_table->setAccessibleName(tr("What is to be known before"));
    m_table->setColumnCount(3);
    m_table->setHorizontalHeaderLabels({QString(), tr("What"), tr("Frames")});
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    m_table->setShowGrid(false), m_table->setWordWrap(true);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    m_table->horizontalHeader()->setSectionResizeMode(1, QHeaderView::Stretch);
    m_table->setColumnWidth(0, 70), m_table->setColumnWidth(2, 230);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(10);
    layout->addWidget(m_words);
    layout->addWidget(m_table, 1);
    // A click takes the first frame of a point in hand.
    connect(m_table, &QTableWidget::cellActivated, this, [this](int row, int) {
        if (const auto& frames = m_found.points.at(static_cast<std::size_t>(row)).frames; !frames.empty())
            m_document.selection().setFrameInHand(frames.front());
    });
    forget();
}

void BeforeList::forget()
{
    m_found = {};
    m_table->setRowCount(0);
    m_words->setText(tr("Nothing was looked over yet."));
}

void BeforeList::show(const Preflight& found, int files)
{
    m_found = found;
    const QString count = files == 1 ? tr("one file") : tr("%L1 files").arg(files);
    const QString sum = QStringLiteral("%1, %2").arg(count, text(bytesInWords(found.bytes)));
    m_words->setText(found.stops()  ? tr("Something stands in the way. %1.").arg(sum)
                     : found.asks() ? tr("To be looked at first. %1.").arg(sum)
                                    : tr("All is well. %1.").arg(sum));
    m_table->setRowCount(static_cast<int>(found.points.size()));
    const QString weights[] = {tr("stops"), tr("asks"), tr("says")};
    for (int i = 0; i < m_table->rowCount(); ++i) {
        const PreflightPoint& point = found.points[static_cast<std::size_t>(i)];
        QStringList names;
        for (const FrameId id : point.frames)
            if (const Frame* frame = m_document.frame(id))
                names << titleOf(*frame);
        const QString all = names.join(QStringLiteral(", "));
        if (names.size() > 4)
            names = names.mid(0, 3) << tr("and %L1 more").arg(point.frames.size() - 3);
        const QString cells[] = {weights[static_cast<int>(point.weight)], text(point.words),
                                 names.join(QStringLiteral(", "))};
        for (int k = 0; k < 3; ++k) {
            auto* item = new QTableWidgetItem(cells[k]);
            item->setToolTip(k == 2 ? all : cells[k]);
            if (k == 0)
                item->setFont(theme::font(13, point.weight == PreflightPoint::Weight::Stops));
            m_table->setItem(i, k, item);
        }
    }
}

}  // namespace amber
