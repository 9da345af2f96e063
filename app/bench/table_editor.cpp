#include "app/bench/table_editor.h"

#include "app/display/screen_view.h"
#include "app/theme/line_label.h"
#include "app/theme/theme.h"
#include "core/colour/oklab.h"
#include "core/table/table_report.h"
#include "core/table_files/table_file.h"

namespace amber {

TablePlot::TablePlot(QWidget* parent) : LiftPlot(parent)
{
    setObjectName("tablePlot");
    setAccessibleName(tr("What the table does to greys"));
    setToolTip(tr("How each channel of a grey moves along the tone axis"));
}

double TablePlot::channelAt(int channel, double tone) const
{
    const double p = std::clamp((tone - kToneLeft) / (kToneRight - kToneLeft), 0.0, 1.0) * kSamples;
    const auto i = static_cast<std::size_t>(std::min(static_cast<int>(p), kSamples - 1));
    const auto& values = m_channels[channel];
    return values[i] + (p - static_cast<double>(i)) * (values[i + 1] - values[i]);
}

void TablePlot::show(const LookupTable& step)
{
    m_hasTable = step.table != nullptr;
    double most = 0;
    for (auto& values : m_channels)
        values.clear();
    for (int i = 0; i <= kSamples && m_hasTable; ++i) {
        const double L = kToneLeft + (kToneRight - kToneLeft) * i / kSamples, y = L * L * L;
        const LinearRgb c = evaluate(step, {y, y, y});
        const double v[3] = {std::cbrt(c.r), std::cbrt(c.g), std::cbrt(c.b)};
        for (int k = 0; k < 3; ++k) {
            m_channels[k].push_back(v[k]);
            if (L >= 0 && L <= 1)
                most = std::max(most, std::abs(v[k] - L));
        }
    }
    makeRoom(most);
    update();
}

void TablePlot::paintPlot(QPainter& painter)
{
    paintLevels(painter);
    if (!m_hasTable) {
        painter.setFont(theme::font(13));
        painter.setPen(theme::kQuietInk);
        painter.drawText(plot(), Qt::AlignCenter, tr("No table yet. Open a table file, or drop one here."));
        return;
    }
    paintRamps(painter, [&](double at) {
        const double r = channelAt(0, at), g = channelAt(1, at), b = channelAt(2, at);
        return screenColour({r * r * r, g * g * g, b * b * b});
    });
    const QString letters[] = {tr("R"), tr("G"), tr("B")};
    for (int k = 0; k < 3; ++k)
        paintCurve(
            painter, [&](double at) { return channelAt(k, at); }, theme::kChannelInk[k], 1.8, letters[k],
            0.5 + 0.06 * k);
}

TableEditor::TableEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_plot(new TablePlot(this)), m_open(new QPushButton(this)),
      m_report(new LineLabel(this))
{
    auto* row = new QHBoxLayout;
    row->setSpacing(5);
    m_open->setObjectName("tableOpen");
    m_open->setAccessibleName(tr("Lookup table file"));
    m_open->setToolTip(tr("Choose another lookup table (.cube, .clf, 16-bit Hald .png, .cc, .ccc or .cdl)"));
    connect(m_open, &QPushButton::clicked, this, [this] {
        const QString path = QFileDialog::getOpenFileName(this, tr("Open a lookup table"), m_document.folder(),
                                                          tr("Lookup tables (*.cube *.clf *.png *.cc *.ccc *.cdl)"));
        if (!path.isEmpty())
            load(path);
    });
    row->addWidget(m_open);
    row->addSpacing(8);
    m_input =
        addSpace(row, "tableInput", tr("values in"), tr("The encoding the table expects"), &LookupTable::inputSpace);
    m_output = addSpace(row, "tableOutput", tr("out"), tr("The encoding the table returns"), &LookupTable::outputSpace);
    m_mix = addNumber(row, "tableMix", tr("mix"), tr("How much of the table: 0 nothing, 1 all of it"), 0, 1, 0.01, 2,
                      [this](double value) {
                          auto step = parameters<LookupTable>();
                          step.mix = value;
                          put(step);
                      });
    explains(
        m_mix, [] { return std::string("/mix"); }, tr("mix"), 0, 1);
    m_report->setObjectName("tableReport");
    m_report->setProperty("quiet", true);
    m_report->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);  // long words must not widen the window
    row->addWidget(m_report, 1);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    layout->addLayout(row);
    layout->addWidget(m_plot, 1);
}

QComboBox* TableEditor::addSpace(QHBoxLayout* row, const char* name, const QString& label, const QString& tip,
                                 RgbSpace LookupTable::*member)
{
    auto* words = new QLabel(label, this);
    words->setProperty("quiet", true);
    auto* box = new QComboBox(this);
    box->setObjectName(name);
    box->setAccessibleName(label);
    box->setToolTip(tip);
    for (RgbSpace space : {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto, RgbSpace::Rec2020,
                           RgbSpace::Linear})
        box->addItem(text(std::string(titleOf(space))), static_cast<int>(space));
    connect(box, &QComboBox::activated, this, [this, box, member] {
        auto step = parameters<LookupTable>();
        step.*member = static_cast<RgbSpace>(box->currentData().toInt());
        put(step);
        m_document.looks().commit(tr("Table encoding"));
    });
    row->addWidget(words);
    row->addWidget(box);
    row->addSpacing(6);
    return box;
}

void TableEditor::load(const QString& path)
{
    auto file = readTableFile(path.toStdString());
    if (!file) {
        emit m_document.failed(text(file.error().message()));
        return;
    }
    auto step = parameters<LookupTable>();
    const LookupTable fresh = lookupTable(std::move(file->table), QFileInfo(path).fileName().toStdString());
    step.name = fresh.name, step.hash = fresh.hash, step.table = fresh.table;
    put(step);
    m_document.looks().commit(tr("Table %1").arg(text(step.name)));
}

void TableEditor::refresh()
{
    const auto step = parameters<LookupTable>();
    m_open->setText(step.table ? text(step.name.empty() ? std::string("table") : step.name) : tr("Open a table…"));
    m_input->setCurrentIndex(static_cast<int>(step.inputSpace));
    m_output->setCurrentIndex(static_cast<int>(step.outputSpace));
    showNumber(m_mix, step.mix);
    m_plot->show(step);
    if (step.hash == m_reportedHash)
        return;
    m_reportedHash = step.hash;
    if (!step.table) {
        m_report->clear();
        return;
    }
    const Table& t = *step.table;
    const TableReport r = report(t);
    QStringList words;
    if (t.size1 > 0)
        words << tr("1D, %1 samples").arg(t.size1);
    if (t.size3 > 0)
        words << tr("3D, %1 a side").arg(t.size3);
    if (t.cdl)
        words << tr("CDL");
    words << (r.monotone ? tr("monotone") : tr("not monotone"))
          << tr("grey drift %1").arg(theme::decimal(r.neutralDrift, 3));
    if (t.size3 > 0)
        words << tr("%L1 of %L2 cells folded").arg(r.foldedCells).arg(r.cells);
    words << tr("reaches %1 % of its colours").arg(100 * r.reach, 0, 'f', 0);
    words << tr("values %1 to %2").arg(r.lowest, 0, 'g', 3).arg(r.highest, 0, 'g', 3);
    m_report->setText(words.join(QStringLiteral(" · ")));
    m_report->setToolTip(m_report->text());
}

void TableEditor::setEntering(const FrameMeasures& measures)
{
    m_plot->setDistribution({measures.tone.tone.begin(), measures.tone.tone.end()});
}

QString TableEditor::setProbe(const Probe* probe)
{
    const auto step = parameters<LookupTable>();
    if (!probe) {
        m_plot->setProbe(std::nullopt);
        return {};
    }
    m_plot->setProbe(toOkLab(probe->entering).L);
    const EncodedRgb v = encode(step.inputSpace, probe->entering);
    return tr("encoded %1 %2 %3").arg(theme::decimal(v.r, 3)).arg(theme::decimal(v.g, 3)).arg(theme::decimal(v.b, 3));
}

}  // namespace amber
