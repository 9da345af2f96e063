#include "app/places/match/match_panel.h"

#include "app/document/document.h"
#include "app/places/match/fit_report.h"
#include "app/theme/controls.h"
#include "app/theme/line_label.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {

QLabel* MatchPanel::label(const char* name, bool strong, bool quiet)
{
    auto* l = new WrappedLabel(this);
    l->setObjectName(name);
    l->setProperty("strong", strong);
    l->setProperty("quiet", quiet);
    layout()->addWidget(l);
    return l;
}

void MatchPanel::makeButtons()
{
    m_withTable = new QCheckBox(tr("with a small table for the rest"), this);
    m_withTable->setObjectName("matchWithTable");
    m_withTable->setToolTip(tr("A smooth table for what the steps cannot say; it cannot be edited"));
    connect(m_withTable, &QCheckBox::clicked, this, &MatchPanel::tableWanted);
    m_takeThis = makeButton(this, "matchTakeThis", tr("Take this"),
                            tr("Brings the chosen row to the reference (Enter)"), [this] { emit takeThis(); });
    m_takeTo = makeButton(this, "matchTakeTo", tr("To here"),
                          tr("Every row down to the chosen one that both pictures have enough of, but what may be "
                             "another thing (Shift+Enter)"),
                          [this] { emit takeToHere(); });
    m_takeAll =
        makeButton(this, "matchTakeAll", tr("Take all"),
                   tr("What is surely the look's. Of the same scene all of it, by the colours both show (Ctrl+Enter)"),
                   [this] { emit takeAll(); });
    m_toLights = makeButton(this, "matchToLights", tr("To all lights…"),
                            tr("Solves the rows that were taken again for each light of the shoot, and shows the "
                               "differences before anything changes"),
                            [this] { emit lightsWanted(); });
    m_nearest = makeButton(this, "matchNearest", tr("Nearest looks…"),
                           tr("The looks of this job on the frame in hand, those first that come nearest"),
                           [this] { emit nearestWanted(); });
    m_addPair = makeButton(this, "matchAddPair", tr("Add a pair…"),
                           tr("A further picture before and after the same treatment: the fit holds on more colours"),
                           [this] { emit pairWanted(); });
    m_takeNew = makeButton(this, "matchTakeNew", tr("Take as a new look"),
                           tr("The fitted steps as a look of their own"), [this] { emit takeFit(true); });
    m_takeHere = makeButton(this, "matchTakeHere", tr("Add to this look"),
                            tr("The fitted steps after those of the look in hand"), [this] { emit takeFit(false); });
    stackButtons();
}

void MatchPanel::stackButtons()
{
    auto* rows = new QWidget(this);
    auto* rowButtons = new QGridLayout(rows);
    auto* fits = new QWidget(this);
    auto* fitButtons = new QVBoxLayout(fits);
    for (QLayout* layout : std::initializer_list<QLayout*>{rowButtons, fitButtons}) {
        layout->setContentsMargins(0, 0, 0, 0);
        layout->setSpacing(6);
    }
    QPushButton* const taking[] = {m_takeThis, m_takeTo, m_takeAll};
    for (int i = 0; i < 3; ++i)
        rowButtons->addWidget(taking[i], 2, 2 * i, 1, 2);
    rowButtons->setRowStretch(0, 1);  // the buttons at the foot
    for (QPushButton* button : {m_toLights, m_nearest})
        button->setSizePolicy(QSizePolicy::Minimum, QSizePolicy::Fixed);
    rowButtons->addWidget(m_toLights, 1, 0, 1, 3);
    rowButtons->addWidget(m_nearest, 1, 3, 1, 3);
    fitButtons->addWidget(m_withTable);
    fitButtons->addWidget(m_addPair);
    fitButtons->addWidget(m_takeNew);
    fitButtons->addWidget(m_takeHere);
    m_buttons = new QStackedWidget(this);
    m_buttons->addWidget(rows);
    m_buttons->addWidget(fits);
    m_buttons->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Maximum);
}

MatchPanel::MatchPanel(QWidget* parent) : QWidget(parent)
{
    setObjectName("matchPanel");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(14, 10, 14, 12);
    column->setSpacing(6);
    m_title = label("matchTitle", true, false);
    m_facts = label("matchFacts", false, true);
    m_sure = label("matchSure", false, false);
    m_score = label("matchScore", false, false);
    m_lightWords = label("matchBalanceWords", false, false);
    m_takeLight = makeButton(this, "matchTakeBalance", tr("Take into its balance"),
                             tr("Exposure and white of this frame alone; Ctrl+Z in Balance takes it back"),
                             [this] { emit takeLight(); });
    column->addWidget(m_takeLight);
    column->addStretch(1);
    makeButtons();
    column->addWidget(m_buttons);
    hideLight();
}

void MatchPanel::setTakeable(bool row, bool toHere, bool all, bool fit)
{
    m_takeThis->setEnabled(row), m_takeTo->setEnabled(toHere), m_takeAll->setEnabled(all);
    m_takeNew->setEnabled(fit), m_takeHere->setEnabled(fit), m_withTable->setEnabled(fit), m_addPair->setEnabled(fit);
}

void MatchPanel::setFurther(bool lights, bool looks) { m_toLights->setEnabled(lights), m_nearest->setEnabled(looks); }

void MatchPanel::setWithTable(bool on) { m_withTable->setChecked(on); }

void MatchPanel::hideLight() { m_lightWords->hide(), m_takeLight->hide(); }

void MatchPanel::showLight(const SolvedBalance& solved, const Balance& now, const Balance& wanted)
{
    constexpr double kStops = 0.03, kKelvin = 60;  // less is not worth a gesture
    const QString by = solved.ground == Ground::KeyColours           ? tr("key colours")
                       : solved.ground == Ground::SameThings         ? tr("things both show")
                       : solved.ground == Ground::SettingsAndColours ? tr("settings and colours")
                       : solved.ground == Ground::ColoursOnly        ? tr("colours alone")
                                                                     : tr("what was set by hand");
    const bool agrees =
        std::abs(now.exposureStops - wanted.exposureStops) < kStops && std::abs(now.kelvin - wanted.kelvin) < kKelvin;
    m_lightWords->setText(agrees ? tr("Its light agrees with the reference, by %1 (%2 % sure).")
                                       .arg(by)
                                       .arg(std::lround(100 * solved.confidence))
                                 : tr("First its light, by %1: %2 stops and white %3 K (%4 % sure).")
                                       .arg(by, theme::number(wanted.exposureStops, 2), theme::number(wanted.kelvin, 0))
                                       .arg(std::lround(100 * solved.confidence)));
    m_lightWords->show();
    m_takeLight->setVisible(!agrees);
}

void MatchPanel::showNothing()
{
    m_buttons->setCurrentIndex(0);
    m_title->setText(tr("Nothing to match to yet"));
    m_facts->setText(tr("Choose finished pictures, a frame of this job, a pair before and after, or a lookup table. "
                        "What is found becomes steps of the look."));
    m_sure->clear(), m_score->clear();
}

namespace {

/// Of several pairs, what sets one apart from the others.
QString pairWords(const Held& held)
{
    QStringList words;
    for (std::size_t i = 0; i < held.fit.pairs.size() && held.fit.pairs.size() > 1; ++i) {
        const Agreement& a = held.fit.pairs[i].agreement;
        const QString name = QFileInfo(held.paths.value(static_cast<int>(2 * i + 1))).fileName();
        if (a.isLeftOut)
            words << MatchPanel::tr("%1 contradicts the others and is left out.").arg(name);
        else if (a.contradicts)
            words << MatchPanel::tr("%1 contradicts the other; neither is left out.").arg(name);
        else if (a.stops != 0)
            words << (a.stops > 0 ? MatchPanel::tr("%1 was made %2 stops lighter: that is taken out.")
                                  : MatchPanel::tr("%1 was made %2 stops darker: that is taken out."))
                         .arg(name, theme::number(std::abs(a.stops), 2));
    }
    return words.join(' ');
}

QString pairFacts(const Held& held)
{
    const int colours = held.fit.fit.colours;
    const LaidPair& first = held.fit.pairs.front();
    if (held.fit.pairs.size() > 1)
        return MatchPanel::tr("%1 pairs, %2 colours").arg(held.fit.pairs.size()).arg(colours);
    return first.wasMoved ? MatchPanel::tr("%1 colours; laid over by %2 features: it was cropped, turned or scaled")
                                .arg(colours)
                                .arg(first.matches)
                          : MatchPanel::tr("%1 colours; the pictures lie on one another").arg(colours);
}

}  // namespace

void MatchPanel::showFit(const Held& held, std::optional<double> covered)
{
    m_buttons->setCurrentIndex(1);
    const bool isPair = held.kind == Held::Kind::Pair;
    m_addPair->setVisible(isPair);
    m_title->setText(isPair
                         ? tr("%1 → %2").arg(QFileInfo(held.paths[0]).fileName(), QFileInfo(held.paths[1]).fileName())
                         : QFileInfo(held.paths[0]).fileName());
    m_facts->setText(isPair ? pairFacts(held) : tr("%1 colours of the table").arg(held.fit.fit.colours));
    m_sure->setText(leftWords(held.fit.fit));
    constexpr double kEnough = 0.8;
    QStringList words{pairWords(held)};
    if (covered)
        words << (*covered < kEnough
                      ? tr("Covers %1 % of the colours of the frame in hand: elsewhere the look is a guess.")
                      : tr("Covers %1 % of the colours of the frame in hand."))
                     .arg(std::lround(100 * *covered));
    words.removeAll(QString());
    m_score->setText(words.join(' '));
}

QString MatchPanel::sureWords(const Confidence& c, bool anyAtOnce)
{
    const double least = std::min({c.size, c.compression, c.subject});
    QStringList words{(c.all() >= 0.7   ? tr("Sure, %1 %.")
                       : c.all() >= 0.4 ? tr("Fairly sure, %1 %.")
                                        : tr("Not sure, %1 %."))
                          .arg(std::lround(100 * c.all())),
                      tr("Size %1, compression %2, subject %3 %.")
                          .arg(std::lround(100 * c.size))
                          .arg(std::lround(100 * c.compression))
                          .arg(std::lround(100 * c.subject))};
    constexpr double kNothingAmiss = 0.85;
    if (least < kNothingAmiss)
        words << (least == c.subject
                      ? tr("The pictures show different things: most of a difference is the subject's, not the look's.")
                  : least == c.size ? tr("The reference is small.")
                                    : tr("The reference was compressed hard."));
    if (!anyAtOnce)
        words << tr("Nothing is surely the look's: take the rows you want yourself.");
    return words.join(' ');
}

void MatchPanel::showLadder(const Fingerprint& reference, const Ladder& now, const Ladder& start, bool anyAtOnce)
{
    m_buttons->setCurrentIndex(0);
    m_title->setText(text(reference.name));
    QStringList facts;
    if (reference.references > 1)
        facts << tr("%1 references: where they differ, the tolerance is wider")
                     .arg(static_cast<int>(reference.references));
    facts << tr("%1 pixels long").arg(std::lround(reference.longEdge));
    if (reference.quality < 100)
        facts << tr("JPEG quality %1").arg(std::lround(reference.quality));
    facts << tr("grain %1").arg(theme::number(reference.grain, 3))
          << tr("corners %1 stops").arg(theme::number(reference.cornerStops, 1));
    m_facts->setText(facts.join(QStringLiteral(" · ")));
    if (now.rows.empty()) {
        m_sure->clear(), m_score->clear();
        return;
    }
    m_sure->setText(sureWords(start.confidence, anyAtOnce));
    const QString far = theme::number(now.distance(), 1);
    m_score->setText(
        std::abs(start.distance() - now.distance()) < 0.05
            ? tr("%1 of %2 rows within tolerance; %3 apart.").arg(now.within()).arg(now.supported()).arg(far)
            : tr("%1 of %2 rows within tolerance; %3 apart, %4 at the start.")
                  .arg(now.within())
                  .arg(now.supported())
                  .arg(far, theme::number(start.distance(), 1)));
}

}  // namespace amber
