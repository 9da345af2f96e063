// Of the Look place: pins, notes on what is said, and the palette test.
#include "app/bench/bench.h"
#include "app/findings/findings_panel.h"
#include "app/guide/is_it_so.h"
#include "app/palette/palette_sheet.h"
#include "app/pins/pin_list.h"
#include "app/places/look/look_header.h"
#include "app/places/look/look_place.h"
#include "app/stepline/step_line.h"
#include "core/image/resize.h"

namespace amber {

void LookPlace::connectNotes()
{
    const auto ofStep = [this] {
        const Step* step = m_document.looks().step();
        showIsItSo(step ? typeOf(*step) : std::string());
    };
    connect(m_bench, &Bench::isItSoWanted, this, ofStep);
    connect(m_stepLine, &StepLine::isItSoWanted, this, ofStep);
    connect(m_findings, &FindingsPanel::isItSoWanted, this, [this] { showIsItSo(); });
    connect(m_stepLine, &StepLine::pinWanted, this,
            [this](int step) { amber::askPin(m_document, std::nullopt, step, this); });
    connect(&m_document, &Document::pinsChanged, m_wall, &Wall::showMarks);
}

IsItSoSheet& LookPlace::notes()
{
    constexpr int kSmall = 640;
    const auto input = [this]() -> std::optional<SayingInput> {
        const auto proxy = m_wall->proxyInHand();
        if (!proxy || !m_document.isOpen())
            return std::nullopt;
        return SayingInput{m_document.looks().lookOf(m_document.selection().frameInHand()), proxy->samples,
                           reducedToFit(proxy->image.view(), kSmall, kSmall), m_findings->pictures()};
    };
    if (!m_isItSo)
        m_isItSo = new IsItSoSheet(m_document, input, this);
    return *m_isItSo;
}

void LookPlace::showIsItSo(const std::string& stepKind) { notes().show(stepKind); }

PaletteSheet& LookPlace::palette()
{
    if (!m_palette)
        m_palette = new PaletteSheet(m_document, m_proxies.queue(), m_findings->pictures, this);
    return *m_palette;
}

void LookPlace::showPalette()
{
    if (!m_document.isOpen())
        return;
    palette().show();
    palette().raise();
    palette().activateWindow();
}

void LookPlace::toggleRemarking()
{
    const bool wasRemarking = m_isRemarking;
    if (m_wall->inHand().isMarking())
        toggleMarking();
    if (wasRemarking || !m_document.isOpen())
        return;
    toggleMarking();
    m_isRemarking = true;
    m_wall->inHand().setHeld(tr("click the place of the pin, or the arrow keys and Enter; Esc leaves it"));
    m_wall->inHand().setFocus(Qt::OtherFocusReason);
}

void LookPlace::showPin(const Pin& pin)
{
    if (m_document.frame(pin.frame))
        m_document.selection().setFrameInHand(pin.frame);
    showView(View::Wall);
    if (!pin.step)
        return;
    if (pin.step->look != m_document.looks().lookId() && m_document.job().looks.count(pin.step->look) > 0)
        m_document.looks().choose(pin.step->look);
    if (const int step = stepOf(m_document.looks().look(), *pin.step); step >= 0)
        m_document.looks().selectStep(step);
}

}  // namespace amber
