#include "app/variants/tray_view.h"

#include "app/bench/step_words.h"
#include "app/theme/theme.h"
#include "core/look/look_difference.h"

namespace amber {
namespace {
constexpr std::size_t kVersions = 5;
}

QString changesInWords(const Look& before, const Look& after, int lines)
{
    QStringList words;
    const auto changes = parameterChanges(before, after);
    const auto title = [](const Look& look, std::size_t index) {
        return index < look.steps.size() ? stepTitle(look.steps[index]) : QString();
    };
    int left = 0;
    for (const ParameterChange& change : changes) {
        QStringList parts = QString::fromStdString(change.field).split('/');
        if (parts.size() > 1 && parts[0] == QStringLiteral("steps")) {
            const auto index = static_cast<std::size_t>(parts[1].toInt());
            const QString step = title(after, index).isEmpty() ? title(before, index) : title(after, index);
            QString field = parts.mid(parts.size() > 3 && parts[2] == QStringLiteral("parameters") ? 3 : 2)
                                .join(QStringLiteral(" "));
            if (index < after.steps.size() && !field.contains(' '))
                field = wordsFor(typeOf(after.steps[index]), field.toStdString()).label;
            parts = {QStringLiteral("%1 %2: %3").arg(index + 1).arg(step, field)};
        }
        const auto value = [](const std::string& json) {
            bool isNumber = false;
            const double v = QString::fromStdString(json).toDouble(&isNumber);
            return json.empty() ? QObject::tr("nothing")
                   : isNumber   ? theme::number(v, std::abs(v) >= 10 ? 1 : 3)
                                : QString::fromStdString(json);
        };
        if (words.size() < lines)
            words << QObject::tr("%1 %2 → %3")
                         .arg(parts.join(QStringLiteral(" ")), value(change.before), value(change.after));
        else
            ++left;
    }
    if (left > 0)
        words << QObject::tr("and %1 more").arg(left);
    return words.isEmpty() ? QObject::tr("no difference in parameters") : words.join(QStringLiteral(" · "));
}

QHBoxLayout* TrayView::makeRow()
{
    m_frames->setObjectName("trayFrames");
    m_frames->setAccessibleName(tr("On which frames"));
    m_frames->addItems({tr("On the frame in hand"), tr("On companions too")});
    m_map->setObjectName("trayMap");
    m_map->setAccessibleName(tr("Picture or map of the difference"));
    m_map->addItems({tr("Pictures"), tr("Map: lightness"), tr("Map: chroma"), tr("Map: hue")});
    m_map->setToolTip(tr("Maps: middle grey where a version agrees with the look as it is now; lighter is more, darker "
                         "is less. Full at ΔL 0.1, ΔC 0.05"));
    for (QComboBox* box : {m_frames, m_map})
        connect(box, &QComboBox::activated, this, [this] { refresh(); });
    auto* take = new QPushButton(tr("Go back to it"), this);
    take->setObjectName("trayTake");
    take->setToolTip(tr("The look becomes the chosen version again (it can be undone)"));
    connect(take, &QPushButton::clicked, this, [this] { takeVersion(); });
    auto* close = new QPushButton(tr("Back"), this);
    close->setObjectName("trayClose");
    close->setToolTip(tr("Back to the wall"));
    connect(close, &QPushButton::clicked, this, &TrayView::closed);
    auto* row = new QHBoxLayout;
    row->addWidget(m_frames);
    row->addWidget(m_map);
    row->addWidget(take);
    row->addStretch(1);
    row->addWidget(close);
    return row;
}

TrayView::TrayView(Document& document, ProxyStore& proxies, Wall& wall, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_wall(wall),
      m_sheet(new TileSheet(wall.queue(), this)), m_frames(new QComboBox(this)), m_map(new QComboBox(this)),
      m_changes(new QLabel(this))
{
    setObjectName("trayView");
    auto* row = makeRow();
    m_changes->setObjectName("trayChanges");
    m_changes->setProperty("onWall", true);
    m_changes->setWordWrap(true);
    m_changes->setMaximumHeight(54);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 8, 14, 4);
    layout->addLayout(row);
    layout->addWidget(m_sheet, 1);
    layout->addWidget(m_changes);
    const auto renew = [this] { m_sheet->renewSoon([this] { refresh(); }); };
    for (const auto changed : {&LooksInHand::lookChanged, &LooksInHand::revisionsChanged})
        connect(&document.looks(), changed, this, renew);
    for (const auto changed : {&Selection::frameChosen, &Selection::companionsChanged})
        connect(&document.selection(), changed, this, renew);
    m_sheet->setAccessibleName(tr("Tray of versions"));
    connect(m_sheet, &QListWidget::currentRowChanged, this, [this] { showChanges(); });
    connect(m_sheet, &QListWidget::itemActivated, this, [this] { takeVersion(); });
}

void TrayView::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme::kWall); }

void TrayView::refresh()
{
    m_versions.clear();
    m_versions.push_back({m_document.looks().look(), tr("now")});
    const auto pins = m_document.looks().pins();
    for (std::size_t i = pins.size(); i-- > 0 && m_versions.size() < kVersions;)
        if (auto look = m_document.looks().lookAt(pins[i].revision)) {
            const int surround = m_document.looks().surroundOf(pins[i].revision);
            m_versions.push_back(
                {std::move(*look),
                 tr("%1: %2").arg(i + 1).arg(pins[i].note.empty() ? tr("no note") : text(pins[i].note)) +
                     (surround > 0 ? tr(" (wall L* %1)").arg(surround) : QString())});
        }
    std::vector<std::int64_t> frames{m_document.selection().frameInHand()};
    if (m_frames->currentIndex() == 1)
        frames.insert(frames.end(), m_document.selection().companions().begin(),
                      m_document.selection().companions().end());
    std::vector<Tile> tiles;
    for (std::int64_t id : frames)
        if (const Frame* frame = m_document.frame(id))
            if (const auto proxy = m_proxies.proxy(id, frame->path))
                for (std::size_t v = 0; v < m_versions.size(); ++v) {
                    Tile tile{m_versions[v].look,
                              proxy,
                              m_document.looks().pictureName(id),
                              frames.size() > 1 ? tr("%1 · %2").arg(titleOf(*frame), m_versions[v].title)
                                                : m_versions[v].title,
                              {},
                              {}};
                    if (v > 0)
                        tile.against = m_versions[0].look;
                    if (v > 0 && m_map->currentIndex() > 0)
                        tile.map = static_cast<MapAspect>(m_map->currentIndex() - 1);
                    tile.areas = m_document.areasOf(id, proxy->sourceRatio);
                    tiles.push_back(std::move(tile));
                }
    m_sheet->setTiles(tiles, std::max<int>(2, static_cast<int>(m_versions.size())));
    showChanges();
}

void TrayView::showChanges()
{
    const int row = m_sheet->currentRow();
    if (m_versions.empty() || row < 0)
        return m_changes->clear();
    const auto version = static_cast<std::size_t>(row) % m_versions.size();
    m_changes->setText(
        version == 0 ? (m_versions.size() == 1
                            ? tr("Nothing is pinned yet: Pin keeps the look as it is now, and it comes to stand here.")
                            : tr("The look as it is now; the others are measured against it."))
                     : tr("From now to it: %1").arg(changesInWords(m_versions[0].look, m_versions[version].look, 8)));
}

void TrayView::takeVersion()
{
    const int row = m_sheet->currentRow();
    if (row < 0 || m_versions.empty())
        return;
    const auto version = static_cast<std::size_t>(row) % m_versions.size();
    if (version > 0)
        m_document.looks().takeLook(m_versions[version].look, tr("Back to %1").arg(m_versions[version].title));
    emit closed();
}

}  // namespace amber
