#include "app/places/balance/light_bench.h"

#include "app/theme/controls.h"
#include "app/theme/theme.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr double kSure = 0.5;

QString signedNumber(double v, int decimals)
{
    return (v >= 0 ? QStringLiteral("+") : QStringLiteral("−")) + theme::decimal(std::abs(v), decimals);
}

QString sourceWords(CaptureFacts::WhiteFrom from)
{
    using From = CaptureFacts::WhiteFrom;
    return from == From::Neutral   ? LightBench::tr("raw")
           : from == From::Written ? LightBench::tr("written down")
           : from == From::Setting ? LightBench::tr("setting")
                                   : LightBench::tr("assumed");
}

}  // namespace

LightBench::LightBench(QWidget* parent) : QWidget(parent)
{
    setObjectName("lightBench");
    auto* columns = new QHBoxLayout(this);
    columns->setContentsMargins(0, 0, 0, 0);
    columns->setSpacing(14);
    makeRows(columns), makeEnds(columns), makeWhites(columns);
}

void LightBench::makeRows(QHBoxLayout* to)
{
    auto* grid = addColumn(this, to, tr("Light"), 5);
    m_lockExposure = makeLock(this, "lockExposure", tr("Solving leaves the exposure as it is"));
    m_lockWhite = makeLock(this, "lockWhite", tr("Solving leaves the white as it is"));
    const auto add = [&](LightPart part, const NumberRowOf& of, QWidget* beside) {
        m_rows[part] = addNumberRow(
            grid, this, of, [this, part](double v) { emit moved(part, v); }, beside);
    };
    add(LightPart::Exposure,
        {"balanceStops", tr("exposure"), tr("Stops of scene light. On the picture: hold E and drag"), -6, 6, 0.05, 2,
         -3, 3},
        m_lockExposure);
    add(LightPart::Kelvin,
        {"balanceKelvin", tr("white"),
         tr("The light that becomes white, in kelvin; higher makes the picture warmer. On the picture: hold W and "
            "drag"),
         2000, 25000, 50, 0, 2000, 15000, true},
        m_lockWhite);
    add(LightPart::Tint,
        {"balanceTint", tr("tint"),
         tr("How far that light lies towards green (above 0) or magenta. On the picture: hold T and drag"), -50, 50,
         0.5, 1, -30, 30},
        nullptr);
    for (const auto& [box, part] :
         {std::pair(m_lockExposure, LightPart::Exposure), std::pair(m_lockWhite, LightPart::Kelvin)})
        connect(box, &QCheckBox::clicked, this, [this, part = part](bool on) { emit lockWanted(part, on); });
    m_shot = makeQuiet(this, "asShot");
    grid->addWidget(m_shot, grid->rowCount(), 0, 1, 4);
}

void LightBench::makeEnds(QHBoxLayout* to)
{
    auto* grid = addColumn(this, to, tr("Ends"), 3);
    m_lockEnds = makeLock(this, "lockEnds", tr("Solving leaves the ends as they are"));
    const auto add = [&](LightPart part, const NumberRowOf& of, QWidget* beside) {
        m_rows[part] = addNumberRow(
            grid, this, of, [this, part](double v) { emit moved(part, v); }, beside);
    };
    add(LightPart::Black,
        {"balanceBlack", tr("black"), tr("The picture light that becomes black. On the picture: hold D and drag"), -0.2,
         0.3, 0.001, 3, -0.05, 0.1},
        m_lockEnds);
    add(LightPart::White,
        {"balanceWhite", tr("white"), tr("The picture light that becomes white. On the picture: hold L and drag"), 0.3,
         4, 0.01, 2, 0.4, 1.6},
        nullptr);
    connect(m_lockEnds, &QCheckBox::clicked, this, [this](bool on) { emit lockWanted(LightPart::Black, on); });
    auto* uses = new QHBoxLayout;
    uses->setSpacing(6);
    const QString names[] = {tr("Screen"), tr("Print"), tr("Archive")};
    const QString tips[] = {tr("The whole light: a thousandth of its pixels may be black, and white"),
                            tr("The whole light: no bare paper, three thousandths may be black"),
                            tr("The whole light: nothing is lost at either end")};
    for (int i = 0; i < 3; ++i)
        uses->addWidget(makeButton(this, "endsFor" + names[i], names[i], tips[i], [this, i] { emit endsForUse(i); }));
    uses->addStretch(1);
    grid->addLayout(uses, grid->rowCount(), 0, 1, 4);
    grid->addWidget(makeButton(this, "solveEnds", tr("First pixels of this frame"),
                               tr("Ends at which a thousandth of the picture reaches black and white"),
                               [this] { emit endsWanted(); }),
                    grid->rowCount(), 0, 1, 3, Qt::AlignLeft);
    m_headroom = makeQuiet(this, "headroom");
    grid->addWidget(m_headroom, grid->rowCount(), 0, 1, 4);
}

void LightBench::makeWhites(QHBoxLayout* to)
{
    auto* grid = addColumn(this, to, tr("White by"), 0);
    using By = WhiteEstimate::By;
    const std::tuple<By, const char*, QString> kinds[] = {{By::AsShot, "whiteAsShot", tr("As shot")},
                                                          {By::Picked, "whitePicked", tr("Picked")},
                                                          {By::Neutrals, "whiteNeutrals", tr("Neutrals")},
                                                          {By::Lead, "whiteLead", tr("Lead")},
                                                          {By::Card, "whiteCard", tr("Card")}};
    int i = 0;
    for (const auto& [by, name, words] : kinds) {
        auto* tile = makeButton(this, name, words, words, [this, by = by] { emit whiteChosen(by); });
        tile->setProperty("what", words);
        tile->setMinimumWidth(122);
        m_tiles[by] = tile;
        grid->addWidget(tile, i / 2, i % 2), ++i;
    }
    m_pick = makeButton(this, "pickNeutral", tr("Pick neutral"),
                        tr("Click what should be neutral; several places make a mean"), [] {});
    m_pick->setCheckable(true);
    connect(m_pick, &QPushButton::clicked, this, [this](bool on) { emit pickingWanted(on); });
    grid->addWidget(m_pick, 2, 1);
    m_together = new QComboBox(this);
    m_together->setObjectName("together");
    m_together->setAccessibleName(tr("How chosen frames change"));
    m_together->addItems({tr("Chosen: set alike"), tr("Chosen: shift alike")});
    m_together->setToolTip(
        tr("With several frames chosen in the list: all get the same value, or all move by as much. Locks "
           "hold"));
    connect(m_together, &QComboBox::activated, this, &LightBench::togetherChanged);
    grid->addWidget(m_together, 3, 0);
    m_card = makeQuiet(this, "cardSaid");
    grid->addWidget(m_card, 3, 0, 1, 2);
}

bool LightBench::shiftsTogether() const { return m_together->currentIndex() == 1; }

void LightBench::sayCard(const QString& words)
{
    m_card->setText(words);
    m_card->setToolTip(words);
    m_card->setVisible(!m_together->isVisibleTo(this));
}

void LightBench::sayHeadroom(const Headroom& h, bool isRaw)
{
    const auto percent = [](double share) {
        return share > 0 && share < 0.0005 ? tr("under 0.1 %") : tr("%1 %").arg(theme::number(100 * share, 1));
    };
    const QString words = !h.isAny() ? (isRaw ? tr("raw: nothing is at its end") : QString())
                          : isRaw    ? tr("white: %1 recoverable, %2 partly, %3 lost")
                                        .arg(percent(h.recoverable), percent(h.partly), percent(h.lost))
                                  : tr("lost in the file: %1").arg(percent(h.lost + h.partly));
    if (m_headroom->text() == words)
        return;
    m_headroom->setText(words);
    m_headroom->setToolTip(!h.isAny() ? QString()
                           : isRaw
                               ? tr("Pixels that are white now. Recoverable: the sensor holds all of them, less "
                                    "exposure brings them back; partly: one or two channels are gone; lost: all are")
                               : tr("Pixels that are white now and were cut off when the file was written"));
}

void LightBench::setPicking(bool on) { m_pick->setChecked(on); }

void LightBench::show(const FrameBalance& balance, const AsShot& asShot, std::size_t chosen)
{
    for (const auto& [part, row] : m_rows)
        row.show(valueOf(balance, part, asShot));
    m_rows[LightPart::Kelvin].showHome(asShot.light.kelvin);
    m_rows[LightPart::Tint].showHome(asShot.light.tint);
    m_rows[LightPart::White].showHome(1);
    m_lockExposure->setChecked(balance.exposureLocked);
    m_lockWhite->setChecked(balance.whiteLocked);
    m_lockEnds->setChecked(balance.endsLocked);
    const double kelvin = valueOf(balance, LightPart::Kelvin, asShot), tint = valueOf(balance, LightPart::Tint, asShot);
    m_shot->setText(tr("%1 K, tint %2 from as shot: %3 K (%4)")
                        .arg(signedNumber(kelvin - asShot.light.kelvin, 0), signedNumber(tint - asShot.light.tint, 1),
                             theme::decimal(asShot.light.kelvin, 0), sourceWords(asShot.from)));
    m_shot->setToolTip(m_shot->text());
    m_together->setVisible(chosen > 1), m_card->setVisible(chosen <= 1);
    const int kind = m_together->currentIndex();
    m_together->setItemText(0, tr("%1 chosen: set alike").arg(chosen));
    m_together->setItemText(1, tr("%1 chosen: shift alike").arg(chosen));
    m_together->setCurrentIndex(std::max(0, kind));
}

void LightBench::setEstimates(const std::map<WhiteEstimate::By, WhiteEstimate>& estimates, const AsShot& asShot)
{
    for (const auto& [by, tile] : m_tiles) {
        const auto found = estimates.find(by);
        const QString what = tile->property("what").toString();
        tile->setEnabled(found != estimates.end());
        tile->setText(
            found == estimates.end()
                ? tr("%1  –").arg(what)
                : (found->second.sureness < kSure ? tr("%1  %2 K?") : tr("%1  %2 K"))
                      .arg(what, theme::decimal(valueOf(found->second.balance, LightPart::Kelvin, asShot), 0)));
        tile->setToolTip(found == estimates.end()
                             ? tr("%1: nothing to tell it by").arg(what)
                             : (found->second.sureness < kSure
                                    ? tr("%1: %2 K, tint %3; not sure, little of the picture is near neutral")
                                    : tr("%1: %2 K, tint %3"))
                                   .arg(what,
                                        theme::decimal(valueOf(found->second.balance, LightPart::Kelvin, asShot), 0),
                                        signedNumber(valueOf(found->second.balance, LightPart::Tint, asShot), 1)));
    }
}

}  // namespace amber
