// The notes: what is said, what was measured of it, and where to read on.
#include "app/guide/is_it_so.h"
#include "app/theme/theme.h"
#include "app/words/language.h"
#include "core/analysis/sayings.h"
#include "core/analysis/step_trace.h"

#include <QCoreApplication>

namespace amber {
namespace {

constexpr int kColours = 400;

QString tr(const char* words) { return QCoreApplication::translate("IsItSo", words); }

QString n(double value, int decimals) { return theme::decimal(value, decimals); }

std::vector<LinearRgb> coloursOf(const SayingInput& in) { return someColours(in.frame.view(), kColours); }

QString equalCurves(const SayingInput& in)
{
    const EqualCurves c = measureEqualCurves(coloursOf(in));
    return tr("An S of slope 1.4 makes chroma %1 times as strong here and turns hues by up to %2°; on lightness alone "
              "%3 times.")
        .arg(n(c.chromaFactor, 2), n(c.largestTurn, 1), n(c.lightnessOnly, 2));
}

QString addsData(const SayingInput& in)
{
    const CodesKept c = measureCodes(in.frame.view());
    return tr("Of %1 different codes of 8 bits in this frame, an S of slope 1.4 leaves %2.").arg(c.before).arg(c.after);
}

QString contrastBrightness(const SayingInput& in)
{
    return tr("Slope 1.3 moves this frame's mean tone by %1.").arg(n(measureContrastDarkens(coloursOf(in)), 3));
}

QString endsCost(const SayingInput& in)
{
    const EndsCost cost = measureEndsCost(in.frame.view());
    return tr("Ends at the half per cent points: pixels without detail in a channel go from %1 to %2 %.")
        .arg(n(100 * cost.before, 1), n(100 * cost.after, 1));
}

QString eightBits(const SayingInput& in)
{
    const EightBits bits = measureEightBits(in.look);
    return tr("Of 256 greys this look leaves %1, and its widest step between neighbours is %2 codes.")
        .arg(bits.left)
        .arg(bits.widestStep);
}

QString chromaForAll(const SayingInput& in)
{
    const EvenChroma e = measureEvenChroma(coloursOf(in));
    return tr("A factor of 1.3 moves the most muted third by ΔE %1, the strongest by %2.")
        .arg(n(e.muted, 1), n(e.strong, 1));
}

QString reservedChroma(const SayingInput& in)
{
    const EvenChroma e = measureReservedChroma(coloursOf(in));
    return tr("Reserved at 0.5 makes the most muted third %1 times as strong, the strongest %2 times.")
        .arg(n(e.muted, 2), n(e.strong, 2));
}

QString warmSkin(const SayingInput& in)
{
    const Warmed w = measureWarmerWhite(coloursOf(in));
    return w.skins == 0
               ? tr("No colour of skin here; 20 mired move all others by ΔE %1.").arg(n(w.others, 1))
               : tr("20 mired move colours of skin by ΔE %1, and all others by %2.").arg(n(w.skin, 1), n(w.others, 1));
}

QString toningMiddle(const SayingInput&)
{
    const ToneTints t = measureSplitToning();
    return tr("A dye at each end lays chroma %1 on the ends and still %2 on the middle greys.")
        .arg(n(t.ends, 3), n(t.middle, 3));
}

QString sameResult(const SayingInput& in)
{
    std::vector<std::vector<LinearRgb>> all;
    for (const Image& picture : in.pictures)
        all.push_back(someColours(picture.view(), kColours));
    const SameLook same = measureSameLook(in.look, all);
    return tr("On the %1 frames of the wall this one moves the mean tone by %2 to %3.")
        .arg(all.size())
        .arg(n(same.smallest, 3), n(same.largest, 3));
}

QString tableCarries(const SayingInput& in)
{
    const auto loss = measureTableLoss(in.look, coloursOf(in));
    return !loss ? text(loss.error().message())
                 : tr("As a table of 33 this look is off by ΔE %1 on average and %2 at most on this frame; %3 of its "
                      "steps cannot travel.")
                       .arg(n(loss->mean, 2), n(loss->maximum, 2))
                       .arg(loss->leftOut);
}

QString sharpening(const SayingInput& in)
{
    const Sharpened s = measureSharpening(in.small.view());
    const QString words = s.broughtBack > 0 ? tr("This frame halved and enlarged again: sharpening brings back %1 % of "
                                                 "what was lost, and makes its flat places %2 times as rough.")
                                            : tr("This frame halved and enlarged again: sharpened it is %1 % farther "
                                                 "from itself, and its flat places are %2 times as rough.");
    return words.arg(n(100 * std::abs(s.broughtBack), 0), n(s.noiseFactor, 2));
}

std::vector<SayingNote> notesOfTones()
{
    return {{"equal-curves",
             {"tone-curve"},
             tr("“The same curve on every channel keeps colour.”"),
             tr("Each channel is bent by itself, so their ratios change: M. D. Fairchild, Color Appearance Models, 3rd "
                "ed., 2013."),
             &equalCurves},
            {"adds-data",
             {"tone-curve", "contrast", "tone-bands"},
             tr("“A curve adds data.”"),
             tr("What is made of data cannot know more than the data: T. M. Cover, J. A. Thomas, Elements of "
                "Information Theory, 2nd ed., 2006, 2.8."),
             &addsData},
            {"contrast-brightness",
             {"contrast"},
             tr("“Contrast leaves brightness alone.”"),
             tr("It does about one grey only; a picture's tones seldom lie round it. Measured in OKLab lightness (B. "
                "Ottosson, 2020)."),
             &contrastBrightness},
            {"ends-cost",
             {"ends"},
             tr("“Setting the ends costs nothing.”"),
             tr("What lies beyond an end becomes that end: counted here."),
             &endsCost},
            {"eight-bits",
             {"tone-curve", "contrast", "ends", "tone-bands"},
             tr("“Eight bits are enough to work on.”"),
             tr("Counted on 256 greys in the codes of IEC 61966-2-1."),
             &eightBits}};
}

std::vector<SayingNote> notesOfColours()
{
    return {{"chroma-for-all",
             {"chroma"},
             tr("“More chroma is more for all.”"),
             tr("A factor adds most where there is most; the difference is CIEDE2000 (CIE 142-2001)."),
             &chromaForAll},
            {"reserved",
             {"chroma"},
             tr("“Reserved chroma hits the strongest colours.”"),
             tr("Measured here; the formula stands in the step's description."),
             &reservedChroma},
            {"warm-skin",
             {"warmth"},
             tr("“A warmer white warms the skin.”"),
             tr("Adaptation moves every colour: CAT16, C. Li et al., Color Res. Appl. 42(6), 2017."),
             &warmSkin},
            {"toning-middle",
             {"split-toning"},
             tr("“Split toning leaves the middle alone.”"),
             tr("Measured on greys with two dyes of chroma 0.05."),
             &toningMiddle}};
}

std::vector<SayingNote> notesOfLooks()
{
    return {{"same-result",
             {},
             tr("“The same look gives the same result.”"),
             tr("Measured here: a look moves what it meets."),
             &sameResult},
            {"table-carries",
             {"lookup-table"},
             tr("“A table carries any look.”"),
             tr("A table knows a colour and not its place, and is straight between its points."),
             &tableCarries},
            {"sharpening",
             {"fine-detail", "output-sharpening", "local-contrast"},
             tr("“Sharpening brings back detail.”"),
             tr("What sampling has lost cannot be had from what is left: C. E. Shannon, Proc. IRE 37(1), 1949."),
             &sharpening}};
}

}  // namespace

const std::vector<SayingNote>& sayingNotes()
{
    return inLanguage([] {
        std::vector<SayingNote> notes = notesOfTones();
        for (const auto& more : {notesOfColours(), notesOfLooks()})
            notes.insert(notes.end(), more.begin(), more.end());
        return notes;
    });
}

bool isAbout(const SayingNote& note, const std::string& stepKind)
{
    return stepKind.empty() || note.steps.contains(text(stepKind));
}

QString measuredWords(const std::string& id, const SayingInput& input)
{
    for (const SayingNote& note : sayingNotes())
        if (id == note.id)
            return note.measure(input);
    return {};
}

}  // namespace amber
