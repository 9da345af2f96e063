#include "app/variants/sweep_view.h"

#include "app/bench/step_words.h"
#include "app/theme/controls.h"
#include "app/theme/number_box.h"
#include "app/theme/theme.h"
#include "core/analysis/step_trace.h"
#include "core/table_files/table_file.h"

namespace amber {
namespace {

constexpr int kColours = 300, kTableLimit = 24;

/// "/families/2/turn" as "families 3, turn".
QString pointerWords(const Step& step, const std::string& pointer)
{
    const QStringList parts = QString::fromStdString(pointer).split('/', Qt::SkipEmptyParts);
    QStringList words;
    for (qsizetype i = 0; i < parts.size(); ++i) {
        bool isNumber = false;
        const int n = parts[i].toInt(&isNumber);
        if (isNumber && !words.isEmpty())
            words.back() += QStringLiteral(" %1").arg(n + 1);
        else
            words << (parts.size() == 1 ? wordsFor(typeOf(step), parts[i].toStdString()).label : parts[i]);
    }
    return words.join(QStringLiteral(", "));
}

}  // namespace

QDoubleSpinBox* SweepView::number(const char* name, const QString& words, const QString& tip)
{
    auto* box = new NumberBox(this);
    box->setObjectName(name);
    box->setAccessibleName(words);
    box->setToolTip(tip);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    box->setRange(-1000, 1000);
    box->setDecimals(3);
    box->setFixedWidth(64);
    box->setKeyboardTracking(false);
    return box;
}

void SweepView::makeRange()
{
    m_what = new QComboBox(this);
    m_what->setObjectName("sweepWhat");
    m_what->setAccessibleName(tr("What is swept"));
    m_what->setMinimumWidth(130);
    m_what->setMaximumWidth(170);
    connect(m_what, &QComboBox::activated, this, [this] { chooseWay(); });
    m_low = number("sweepLow", tr("From"), tr("The value of the first tile"));
    m_high = number("sweepHigh", tr("To"), tr("The value of the last tile"));
    for (QDoubleSpinBox* box : {m_low, m_high})
        connect(box, &QDoubleSpinBox::valueChanged, this, [this] { fill(); });
    m_change = number("sweepChange", tr("Change, ΔE"), tr("How much every table changes this frame, mean ΔE00"));
    m_change->setRange(0.5, 30);
    m_change->setDecimals(1);
    m_change->setValue(6);
    connect(m_change, &QDoubleSpinBox::valueChanged, this, [this] { sweepTables(m_folder); });
    m_count = new QComboBox(this);
    m_count->setObjectName("sweepCount");
    m_count->setAccessibleName(tr("How many tiles"));
    for (int n : {12, 18, 24})
        m_count->addItem(tr("%1 tiles").arg(n), n);
    connect(m_count, &QComboBox::activated, this, [this] { fill(); });
}

QHBoxLayout* SweepView::makeRow()
{
    m_finer = makeButton(this, "sweepFiner", tr("Finer"), tr("Sweep again, finer, round the chosen tile"),
                         [this] { finer(); });
    m_bookmark = makeButton(this, "sweepBookmark", tr("Bookmark"),
                            tr("Pin the chosen tile as a version, to come back to (B)"), [this] { bookmark(); });
    m_take = makeButton(this, "sweepTake", tr("Take it"), tr("The look takes on the chosen tile (Enter)"),
                        [this] { take(); });
    auto* tables = makeButton(
        this, "sweepTables", tr("Tables…"), tr("Try the tables of a folder on this frame, all equally strong"), [this] {
            const QString folder =
                QFileDialog::getExistingDirectory(this, tr("A folder of lookup tables"), m_document.folder());
            if (!folder.isEmpty())
                sweepTables(folder);
        });
    auto* close = makeButton(this, "sweepClose", tr("Back"), tr("Back to the wall"), [this] { emit closed(); });
    auto* to = new QLabel(tr("to"), this);
    to->setProperty("onWall", true);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(m_what);
    row->addWidget(m_low);
    row->addWidget(to);
    row->addWidget(m_high);
    row->addWidget(m_change);
    row->addWidget(m_count);
    row->addWidget(m_finer);
    row->addWidget(m_bookmark);
    row->addWidget(m_take);
    row->addStretch(1);
    row->addWidget(tables);
    row->addWidget(close);
    return row;
}

SweepView::SweepView(Document& document, Wall& wall, QWidget* parent)
    : QWidget(parent), m_document(document), m_wall(wall), m_sheet(new TileSheet(wall.queue(), this))
{
    setObjectName("sweepView");
    makeRange();
    auto* row = makeRow();
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 8, 14, 4);
    layout->addLayout(row);
    layout->addWidget(m_sheet, 1);
    // The tiles are whole looks: when the look changes below them, they are made again.
    connect(&document.looks(), &LooksInHand::lookChanged, this,
            [this] { m_sheet->renewSoon([this] { m_folder.isEmpty() ? fill() : sweepTables(m_folder); }); });
    connect(&document.looks(), &LooksInHand::selectionChanged, this,
            [this] { m_sheet->renewSoon([this] { begin(); }); });
    connect(&document.selection(), &Selection::frameChosen, this, [this] { m_sheet->renewSoon([this] { begin(); }); });
    m_sheet->setAccessibleName(tr("Sweep sheet"));
    connect(m_sheet, &QListWidget::itemActivated, this, [this] { take(); });
    connect(m_sheet, &QListWidget::currentRowChanged, this, [this] { refreshButtons(); });
    auto* mark = new QShortcut(QKeySequence(Qt::Key_B), m_sheet, nullptr, nullptr, Qt::WidgetShortcut);
    connect(mark, &QShortcut::activated, this, [this] { bookmark(); });
}

void SweepView::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme::kWall); }

void SweepView::begin()
{
    m_folder.clear();
    m_ways.clear();
    m_what->clear();
    const Step* step = m_document.looks().step();
    if (step)
        m_ways = sweepWaysOf(*step);
    for (const SweepWay& way : m_ways)
        m_what->addItem(way.kind == SweepWay::Kind::Strength ? tr("Strength")
                        : way.kind == SweepWay::Kind::Hue    ? tr("All hues")
                        : way.kind == SweepWay::Kind::Curve  ? tr("S-curve, slope")
                                                             : pointerWords(*step, way.pointer));
    // The whole way round for a tint, strength for the rest.
    m_what->setCurrentIndex(m_ways.size() > 1 && m_ways[1].kind == SweepWay::Kind::Hue && step &&
                                    std::holds_alternative<SplitToning>(step->parameters)
                                ? 1
                                : 0);
    chooseWay();
}

SweepWay SweepView::way() const
{
    return m_ways.empty() ? SweepWay{} : m_ways[static_cast<std::size_t>(std::max(0, m_what->currentIndex()))];
}

void SweepView::chooseWay()
{
    m_folder.clear();
    const Step* step = m_document.looks().step();
    if (step) {
        const QSignalBlocker a(m_low), b(m_high);
        const auto [low, high] = sweepRange(*step, way());
        m_low->setValue(low);
        m_high->setValue(high);
    }
    fill();
}

QString SweepView::valueWords(double value) const
{
    return way().kind == SweepWay::Kind::Hue
               ? theme::number(value, 0) + QStringLiteral("°")
               : theme::number(value, std::abs(m_high->value() - m_low->value()) < 3 ? 3 : 1);
}

void SweepView::fill()
{
    const auto proxy = m_wall.proxyInHand();
    std::vector<Tile> tiles;
    m_values.clear();
    m_folder.clear();
    m_change->hide();
    for (QWidget* w : std::initializer_list<QWidget*>{m_what, m_low, m_high, m_count, m_finer})
        w->show();
    const int index = m_document.looks().selectedStep();
    if (m_document.looks().step() && proxy)
        for (double value : sweepValues(way(), m_low->value(), m_high->value(), m_count->currentData().toInt()))
            if (const auto look = swept(m_document.looks().shown(), static_cast<std::size_t>(index), way(), value)) {
                tiles.push_back({m_document.looks().withShown(index, look->steps.at(static_cast<std::size_t>(index))),
                                 proxy,
                                 m_document.looks().pictureInHand(),
                                 valueWords(value),
                                 m_document.looks().look(),
                                 {}});
                m_values.push_back(value);
            }
    setTiles(std::move(tiles));
    refreshButtons();
}

/// All tiles are of the frame in hand.
void SweepView::setTiles(std::vector<Tile> tiles)
{
    const auto areas = tiles.empty()
                           ? nullptr
                           : m_document.areasOf(m_document.selection().frameInHand(), tiles.front().proxy->sourceRatio);
    for (Tile& tile : tiles)
        tile.areas = areas;
    m_sheet->setTiles(tiles);
}

Tile SweepView::tileOf(Table table, const QFileInfo& file, const std::shared_ptr<const Proxy>& proxy,
                       const std::vector<LinearRgb>& entering, std::size_t at)
{
    Step step;
    step.parameters = lookupTable(std::move(table), file.fileName().toStdString());
    step.strength = std::round(strengthForChange(step, entering, m_change->value()) * 100) / 100;
    Look look = m_document.looks().look();
    look.steps.insert(look.steps.begin() + static_cast<std::ptrdiff_t>(at), step);
    m_values.push_back(step.strength);
    return {std::move(look),
            proxy,
            m_document.looks().pictureInHand(),
            tr("%1 at %2").arg(file.completeBaseName(), theme::number(step.strength, 2)),
            m_document.looks().look(),
            {}};
}

void SweepView::sweepTables(const QString& folder)
{
    const auto proxy = m_wall.proxyInHand();
    if (!proxy || folder.isEmpty())
        return;
    m_folder = folder;
    m_change->show();
    for (QWidget* w : std::initializer_list<QWidget*>{m_low, m_high, m_count, m_finer})
        w->hide();
    std::vector<Tile> tiles;
    m_values.clear();
    QStringList refused;
    const auto colours = someColours(proxy->samples.view(), kColours);
    std::vector<LinearRgb> entering;
    const auto at = m_document.looks().look().steps.empty()
                        ? std::size_t{0}
                        : static_cast<std::size_t>(m_document.looks().selectedStep()) + 1;
    for (const LinearRgb& c : colours)
        entering.push_back(evaluate(m_document.looks().look(), c, at));
    for (const QFileInfo& file : QDir(folder).entryInfoList(QDir::Files, QDir::Name)) {
        if (!tableFormatFromEnding(file.fileName().toStdString()) || tiles.size() >= kTableLimit)
            continue;
        auto table = readTableFile(file.absoluteFilePath().toStdString());
        if (!table) {
            refused << text(table.error().message());
            continue;
        }
        tiles.push_back(tileOf(std::move(table->table), file, proxy, entering, at));
    }
    if (tiles.empty() || !refused.isEmpty())
        emit m_document.failed(refused.isEmpty() ? tr("There are no lookup tables in this folder.")
                                                 : refused.join(QStringLiteral("\n")));
    setTiles(std::move(tiles));
    refreshButtons();
}

void SweepView::finer()
{
    const int row = m_sheet->currentRow();
    if (row < 0 || m_values.size() < 2)
        return;
    const double step = m_values[1] - m_values[0], value = m_values[static_cast<std::size_t>(row)];
    {
        const QSignalBlocker a(m_low), b(m_high);
        m_low->setValue(value - step);
        m_high->setValue(value + step);
    }
    fill();
    m_sheet->setCurrentRow(m_sheet->count() / 2);
    m_sheet->setFocus();
}

void SweepView::bookmark()
{
    const int row = m_sheet->currentRow();
    if (row < 0 || m_sheet->isMarked(row))
        return;
    const Tile& tile = m_sheet->tiles()[static_cast<std::size_t>(row)];
    m_document.looks().pinVariant(
        tile.look, tr("%1 %2").arg(m_folder.isEmpty() ? m_what->currentText() : tr("Table"), tile.title));
    m_sheet->setMarked(row, true);
}

void SweepView::take()
{
    const int row = m_sheet->currentRow();
    if (row < 0)
        return;
    const Tile tile = m_sheet->tiles()[static_cast<std::size_t>(row)];
    m_document.looks().takeLook(tile.look, tr("Swept: %1").arg(tile.title));
    emit closed();
}

void SweepView::refreshButtons()
{
    const bool any = m_sheet->currentRow() >= 0;
    for (QPushButton* b : {m_finer, m_bookmark, m_take})
        b->setEnabled(any);
}

}  // namespace amber
