#include "app/intent/intent_panel.h"

#include "app/theme/theme.h"

#include <cmath>

namespace amber {

IntentPanel::IntentPanel(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_mood(new QLineEdit(this)), m_plan(new QLineEdit(this)),
      m_madeFor(new QLineEdit(this)), m_limits(new QLineEdit(this)), m_references(new QLabel(this)),
      m_planShare(new QLabel(this))
{
    setObjectName("intentPanel");
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(14, 12, 14, 8);
    layout->setSpacing(28);
    auto* left = new QVBoxLayout;
    left->addLayout(makeWords());
    left->addStretch(1);
    auto* right = new QVBoxLayout;
    right->addLayout(makeParts());
    right->addStretch(1);
    layout->addLayout(left, 1);
    layout->addLayout(right, 1);
    connect(&document.looks(), &LooksInHand::lookChanged, this, &IntentPanel::refresh);
}

QLabel* IntentPanel::quiet(const QString& words)
{
    auto* label = new QLabel(words, this);
    label->setProperty("quiet", true);
    return label;
}

QGridLayout* IntentPanel::makeWords()
{
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(10);
    grid->setVerticalSpacing(5);
    const auto line = [&](QLineEdit* edit, const char* name, const QString& label, const QString& hint, int row) {
        edit->setObjectName(name);
        edit->setAccessibleName(label);
        edit->setPlaceholderText(hint);
        grid->addWidget(quiet(label), row, 0);
        grid->addWidget(edit, row, 1);
        connect(edit, &QLineEdit::editingFinished, this, [this] { put(); });
    };
    line(m_mood, "intentMood", tr("Mood"), tr("in a sentence: warm dusk, soft darks, true clay"), 0);
    line(m_plan, "intentPlan", tr("Colour plan"), tr("hues that carry it, in degrees: 60, 240"), 1);
    m_plan->setToolTip(tr(
        "Up to eight hues; each keeps 30° to either side. All others are meant to be quiet. Marked below the hue map"));
    m_planShare->setObjectName("intentPlanShare");
    grid->addWidget(m_planShare, 1, 2);
    line(m_madeFor, "intentMadeFor", tr("Made for"), tr("the input it expects: balanced frames, window light"), 2);
    line(m_limits, "intentLimits", tr("Limits"), tr("where it must not be used"), 3);
    grid->addWidget(quiet(tr("References")), 4, 0);
    grid->addLayout(makeReferences(), 4, 1);
    grid->setColumnStretch(1, 1);
    return grid;
}

QHBoxLayout* IntentPanel::makeReferences()
{
    auto* references = new QHBoxLayout;
    auto* add = new QPushButton(tr("Frame in hand shows it"), this);
    add->setObjectName("intentReference");
    add->setToolTip(tr("Adds the frame in hand to the reference frames of this look, or takes it off"));
    connect(add, &QPushButton::clicked, this, &IntentPanel::toggleReference);
    references->addWidget(add);
    references->addWidget(m_references, 1);
    return references;
}

void IntentPanel::toggleReference()
{
    IntentCard card = m_document.looks().look().card;
    const std::string name = std::to_string(m_document.selection().frameInHand());
    if (const auto found = std::find(card.references.begin(), card.references.end(), name);
        found != card.references.end())
        card.references.erase(found);
    else
        card.references.push_back(name);
    m_document.looks().setIntent(text(m_document.looks().look().intent), card);
}

namespace {

struct PartRow {
    IntentScore::Part part;
    const char* name;
    QString label;
    QStringList choices;
};

std::vector<PartRow> partRows()
{
    const auto tr = [](const char* words) { return IntentPanel::tr(words); };
    const QStringList amounts{tr("not said"), tr("little"), tr("medium"), tr("much")};
    return {
        {IntentScore::Part::Key, "intentKey", tr("Key"), {tr("not said"), tr("dark"), tr("middle"), tr("bright")}},
        {IntentScore::Part::Temperature,
         "intentTemperature",
         tr("Warm, cool"),
         {tr("not said"), tr("neutral"), tr("warm"), tr("cool"), tr("warm lights, cool darks"),
          tr("cool lights, warm darks")}},
        {IntentScore::Part::Contrast, "intentContrast", tr("Contrast"), amounts},
        {IntentScore::Part::Fade, "intentFade", tr("Fade"), amounts},
        {IntentScore::Part::Fidelity,
         "intentFidelity",
         tr("Colours"),
         {tr("not said"), tr("true"), tr("leaning"), tr("free")}},
        {IntentScore::Part::Grain,
         "intentGrain",
         tr("Grain"),
         {tr("not said"), tr("little or none"), tr("medium"), tr("much")}},
    };
}

}  // namespace

QGridLayout* IntentPanel::makeParts()
{
    auto* parts = new QGridLayout;
    parts->setHorizontalSpacing(10);
    parts->setVerticalSpacing(5);
    for (const PartRow& row : partRows()) {
        const int at = static_cast<int>(m_rows.size());
        auto* choice = new QComboBox(this);
        choice->setObjectName(row.name);
        choice->setAccessibleName(row.label);
        choice->addItems(row.choices);
        auto* score = new QLabel(this);
        score->setObjectName(QString(row.name) + "Score");
        connect(choice, &QComboBox::activated, this, [this] { put(); });
        parts->addWidget(quiet(row.label), at, 0);
        parts->addWidget(choice, at, 1);
        parts->addWidget(score, at, 2);
        m_rows.push_back({row.part, choice, score});
    }
    parts->setColumnStretch(2, 1);
    return parts;
}

void IntentPanel::put()
{
    IntentCard card = m_document.looks().look().card;
    card.madeFor = m_madeFor->text().trimmed().toStdString();
    card.limits = m_limits->text().trimmed().toStdString();
    std::vector<PlanHue> plan;
    const QStringList hues = m_plan->text().split(QRegularExpression(QStringLiteral("[^0-9.]+")), Qt::SkipEmptyParts);
    for (const QString& hue : hues)
        if (plan.size() < 8)
            plan.push_back({std::clamp(hue.toDouble(), 0.0, 360.0), 60, {}});
    // Widths that came with a file stay when the hues do.
    const bool same = plan.size() == card.plan.size() &&
                      std::equal(plan.begin(), plan.end(), card.plan.begin(),
                                 [](const PlanHue& a, const PlanHue& b) { return std::abs(a.hue - b.hue) < 0.5; });
    if (!same)
        card.plan = plan;
    const auto index = [&](std::size_t row) { return m_rows[row].choice->currentIndex(); };
    card.key = static_cast<IntentCard::Key>(index(0));
    card.temperature = static_cast<IntentCard::Temperature>(index(1));
    card.contrast = static_cast<IntentCard::Level>(index(2));
    card.fade = static_cast<IntentCard::Level>(index(3));
    card.fidelity = static_cast<IntentCard::Fidelity>(index(4));
    card.grain = static_cast<IntentCard::Level>(index(5));
    if (card != m_document.looks().look().card ||
        m_mood->text().trimmed().toStdString() != m_document.looks().look().intent)
        m_document.looks().setIntent(m_mood->text(), card);
}

void IntentPanel::refresh()
{
    const Look& look = m_document.looks().look();
    const auto show = [](QLineEdit* edit, const std::string& words) {
        if (!edit->hasFocus() && edit->text() != text(words))
            edit->setText(text(words));
    };
    show(m_mood, look.intent);
    QStringList hues;
    for (const PlanHue& p : look.card.plan)
        hues << QString::number(p.hue, 'f', 0);
    show(m_plan, hues.join(QStringLiteral(", ")).toStdString());
    show(m_madeFor, look.card.madeFor);
    show(m_limits, look.card.limits);
    const int indices[] = {static_cast<int>(look.card.key),      static_cast<int>(look.card.temperature),
                           static_cast<int>(look.card.contrast), static_cast<int>(look.card.fade),
                           static_cast<int>(look.card.fidelity), static_cast<int>(look.card.grain)};
    for (std::size_t i = 0; i < m_rows.size(); ++i)
        m_rows[i].choice->setCurrentIndex(indices[i]);
    QStringList names;
    for (const std::string& id : look.card.references)
        if (const Frame* frame = m_document.frame(std::atoll(id.c_str())))
            names << titleOf(*frame);
    m_references->setText(names.join(QStringLiteral(", ")));
}

void IntentPanel::setHues(const HueMeasures& after)
{
    m_hues = after;
    if (isVisible())
        refreshScores();
}

void IntentPanel::refreshScores()
{
    std::vector<std::pair<double, double>> ranges;
    for (const PlanHue& p : m_document.looks().look().card.plan)
        ranges.emplace_back(p.hue, p.width);
    m_planShare->setText(
        ranges.empty()
            ? QString()
            : tr("%1 % of this frame's chroma inside").arg(theme::number(100 * chromaWithin(m_hues, ranges), 0)));
    const auto scores = frames ? scoreIntent(m_document.looks().look(), frames()) : std::vector<IntentScore>{};
    for (Row& row : m_rows) {
        const auto found =
            std::find_if(scores.begin(), scores.end(), [&](const IntentScore& s) { return s.part == row.part; });
        if (found == scores.end()) {
            row.score->clear();
            continue;
        }
        const int digits = row.part == IntentScore::Part::Fidelity ? 1 : 3;
        const QString wanted =
            std::isinf(found->low) ? tr("up to %1").arg(theme::number(found->high, digits))
            : std::isinf(found->high)
                ? tr("from %1").arg(theme::number(found->low, digits))
                : tr("%1 to %2").arg(theme::number(found->low, digits), theme::number(found->high, digits));
        const QString verdict = found->verdict == IntentScore::Verdict::Met    ? tr("met")
                                : found->verdict == IntentScore::Verdict::Near ? tr("near")
                                                                               : tr("not met");
        row.score->setText(tr("%1: %2, wanted %3").arg(verdict, theme::number(found->measured, digits), wanted));
        row.score->setProperty("quiet", found->verdict == IntentScore::Verdict::Met);
        QFont font = theme::font(13, found->verdict == IntentScore::Verdict::Missed);
        row.score->setFont(font);
    }
}

void IntentPanel::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.fillRect(0, 0, width(), 1, theme::kHairline);
}

}  // namespace amber
