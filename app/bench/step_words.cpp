#include "app/bench/step_words.h"

#include <QCoreApplication>
#include <iterator>

namespace amber {
namespace {

struct Entry {
    const char *kind, *field, *label, *tip;
    double step;
    int decimals;
};

#define WORDS(text) QT_TRANSLATE_NOOP("Field", text)

const Entry kEntries[] = {
    {"contrast", "slope", WORDS("slope"), WORDS("Slope at the pivot: 1 as it was, above 1 more contrast"), 0.02, 2},
    {"contrast", "pivot", WORDS("pivot"), WORDS("The tone that stays, 0 black to 1 white"), 0.01, 2},
    {"contrast", "chromaFollows", WORDS("chroma follows"),
     WORDS("0 keeps chroma, 1 lets it rise and fall with lightness"), 0.05, 2},
    {"contrast", "holdBrightness", WORDS("hold brightness"),
     WORDS("Solves the exposure so that the mean of the frame in hand stays"), 0, 0},
    {"contrast", "exposure", WORDS("exposure"),
     WORDS("Stops of light before the contrast; solved while brightness is held"), 0.02, 2},
    {"tone-bands", "deep", WORDS("deep"), WORDS("Stops for the deepest tones"), 0.05, 2},
    {"tone-bands", "dark", WORDS("dark"), WORDS("Stops for dark tones"), 0.05, 2},
    {"tone-bands", "middle", WORDS("middle"), WORDS("Stops for middle tones"), 0.05, 2},
    {"tone-bands", "light", WORDS("light"), WORDS("Stops for light tones"), 0.05, 2},
    {"tone-bands", "bright", WORDS("bright"), WORDS("Stops for the brightest tones"), 0.05, 2},
    {"ends", "black", WORDS("black"), WORDS("The tone that becomes black"), 0.005, 3},
    {"ends", "white", WORDS("white"), WORDS("The tone that becomes white"), 0.005, 3},
    {"ends", "floor", WORDS("black lands"), WORDS("Where black lands: above 0 it fades"), 0.005, 3},
    {"ends", "ceiling", WORDS("white lands"), WORDS("Where white lands: below 1 it fades"), 0.005, 3},
    {"ends", "blackBudget", WORDS("clip black %"),
     WORDS("Share of the frame that may be black when Solve is pressed; 0 up to the first pixel"), 0.1, 1},
    {"ends", "whiteBudget", WORDS("clip white %"),
     WORDS("Share of the frame that may be white when Solve is pressed; 0 up to the first pixel"), 0.1, 1},
    {"chroma", "even", WORDS("all ×"), WORDS("Factor on the chroma of every colour"), 0.02, 2},
    {"chroma", "reserved", WORDS("muted"), WORDS("Lifts muted colours more than strong ones, below 0 drains them"),
     0.05, 2},
    {"chroma", "shelter", WORDS("shelter"), WORDS("How far the sheltered family keeps its chroma"), 0.05, 2},
    {"chroma", "shelterHue", WORDS("its hue °"), WORDS("The middle of the sheltered family; skin lies near 55"), 1, 0},
    {"chroma", "shelterWidth", WORDS("width °"), WORDS("How much of the circle is sheltered"), 1, 0},
    {"chroma", "hasCeiling", WORDS("ceiling"), WORDS("Bends the strongest colours so that none passes the ceiling"), 0,
     0},
    {"chroma", "ceiling", WORDS("at"), WORDS("The chroma that no colour passes"), 0.005, 3},
    {"primaries", "redTurn", WORDS("red turn °"), WORDS("Turns the red primary"), 0.5, 1},
    {"primaries", "redPurity", WORDS("purity ×"), WORDS("Draws the red primary away from white or towards it"), 0.01,
     2},
    {"primaries", "greenTurn", WORDS("green turn °"), WORDS("Turns the green primary"), 0.5, 1},
    {"primaries", "greenPurity", WORDS("purity ×"), WORDS("Draws the green primary away from white or towards it"),
     0.01, 2},
    {"primaries", "blueTurn", WORDS("blue turn °"), WORDS("Turns the blue primary"), 0.5, 1},
    {"primaries", "bluePurity", WORDS("purity ×"), WORDS("Draws the blue primary away from white or towards it"), 0.01,
     2},
    {"warmth", "warmth", WORDS("warmth"), WORDS("Mired: above 0 as under a warmer light, below as under a cooler one"),
     1, 0},
    {"warmth", "green", WORDS("green"), WORDS("Above 0 greener, below more magenta"), 0.5, 1},
    {"wash", "blend", WORDS("blend"), WORDS("How the ramp is laid over the picture"), 0, 0},
    {"wash", "amount", WORDS("amount"), WORDS("How much of the wash: 0 nothing, 1 all of it"), 0.02, 2},
    {"wash", "position", WORDS("at"), WORDS("The tone at which the chosen colour lies"), 0.01, 2},
    {"wash", "lightness", WORDS("lightness"), WORDS("Lightness of the chosen colour"), 0.01, 2},
    {"wash", "chroma", WORDS("chroma"), WORDS("Chroma of the chosen colour"), 0.005, 3},
    {"wash", "hue", WORDS("hue °"), WORDS("Hue of the chosen colour"), 1, 0},
    {"local-contrast", "amount", WORDS("amount"),
     WORDS("Differences from the surroundings: above 0 stronger, below 0 weaker"), 0.05, 2},
    {"local-contrast", "size", WORDS("size %"), WORDS("How wide the surroundings are, in per cent of the long edge"),
     0.1, 1},
    {"fine-detail", "amount", WORDS("amount"), WORDS("Texture: above 0 stronger, below 0 softer"), 0.05, 2},
    {"fine-detail", "size", WORDS("size ‰"), WORDS("Size of the texture, in thousandths of the long edge"), 0.1, 1},
    {"fine-detail", "threshold", WORDS("leave below"),
     WORDS("Differences weaker than this, mostly noise, are left as they are"), 0.0005, 4},
    {"haze", "amount", WORDS("amount"), WORDS("Above 0 lifts a veil, below 0 lays one"), 0.05, 2},
    {"haze", "size", WORDS("patch %"),
     WORDS("Size of the patches in which the veil is measured, in per cent of the long edge"), 0.1, 1},
    {"edge-darkening", "net", WORDS("net stops"),
     WORDS("The fall of light at the corners wanted in the finished picture"), 0.05, 2},
    {"edge-darkening", "existing", WORDS("picture brings"), WORDS("The fall the picture already has; Measure finds it"),
     0.05, 2},
    {"edge-darkening", "begin", WORDS("begins at"), WORDS("Distance from the centre where it begins, 1 is the corner"),
     0.02, 2},
    {"edge-darkening", "roundness", WORDS("roundness"), WORDS("0 the frame's own shape, 1 a circle"), 0.05, 2},
    {"edge-darkening", "protectDarks", WORDS("protect darks"), WORDS("How far deep tones are spared"), 0.05, 2},
    {"grain", "amount", WORDS("amount"), WORDS("Strength of a single grain on the tone axis"), 0.002, 3},
    {"grain", "size", WORDS("size ‰"), WORDS("Size of a grain, in thousandths of the long edge"), 0.05, 2},
    {"grain", "midtones", WORDS("midtones"), WORDS("0 alike in all tones, 1 none in black and white"), 0.05, 2},
    {"grain", "colour", WORDS("colour"), WORDS("How coloured the grain is"), 0.05, 2},
    {"grain", "seed", WORDS("seed"), WORDS("Another number, another grain; the same number, the same grain"), 1, 0},
    {"output-sharpening", "amount", WORDS("amount"), WORDS("How much crisper edges become"), 0.05, 2},
    {"output-sharpening", "radius", WORDS("radius px"), WORDS("In pixels of the file that is delivered"), 0.05, 2},
    {"output-sharpening", "edgeLow", WORDS("edges from"), WORDS("Steps of tone smaller than this are left alone"),
     0.005, 3},
    {"output-sharpening", "edgeHigh", WORDS("to"), WORDS("Steps of tone larger than this are sharpened in full"), 0.005,
     3},
    {"even-towards", "towardsHue", WORDS("hue →"), WORDS("How far hues are drawn to that of the sampled colour"), 0.05,
     2},
    {"even-towards", "towardsChroma", WORDS("chroma →"), WORDS("How far chroma is drawn to that of the sampled colour"),
     0.05, 2},
    {"even-towards", "towardsLightness", WORDS("light →"),
     WORDS("How far lightness is drawn to that of the sampled colour"), 0.05, 2},
    {"even-towards", "lightness", WORDS("lightness"), WORDS("Lightness of the sampled colour"), 0.01, 2},
    {"even-towards", "chroma", WORDS("chroma"), WORDS("Chroma of the sampled colour"), 0.005, 3},
    {"even-towards", "hue", WORDS("hue °"), WORDS("Hue of the sampled colour"), 1, 0},
    {"even-towards", "lightnessReach", WORDS("± lightness"), WORDS("How far off in lightness colours are drawn; 1 all"),
     0.05, 2},
    {"even-towards", "chromaReach", WORDS("± chroma"), WORDS("How far off in chroma colours are drawn; 0.4 all"), 0.01,
     2},
    {"even-towards", "hueReach", WORDS("± hue °"), WORDS("How far off in hue colours are drawn; 180 all"), 2, 0},
    {"glow", "amount", WORDS("amount"), WORDS("How much of the spread light is added"), 0.05, 2},
    {"glow", "reach", WORDS("reach %"), WORDS("How far it spreads, in per cent of the long edge"), 0.5, 1},
    {"glow", "from", WORDS("from tone"), WORDS("The tone from which parts of the picture glow"), 0.01, 2},
    {"tone-curve", "mode", WORDS("mode"), "", 0, 0},
    {"tone-curve", "all", WORDS("curve of all channels"), "", 0, 0},
    {"tone-curve", "red", WORDS("red curve"), "", 0, 0},
    {"tone-curve", "green", WORDS("green curve"), "", 0, 0},
    {"tone-curve", "blue", WORDS("blue curve"), "", 0, 0},
    {"split-toning", "dyes", WORDS("dyes"), "", 0, 0},
    {"split-toning", "balance", WORDS("balance"), "", 0, 0},
    {"split-toning", "lock", WORDS("lock"), "", 0, 0},
    {"split-toning", "holdLightness", WORDS("lightness held"), "", 0, 0},
    {"split-toning", "tintBlack", WORDS("tint of black"), "", 0, 0},
    {"split-toning", "tintWhite", WORDS("tint of white"), "", 0, 0},
    {"hue-shifts", "families", WORDS("families"), "", 0, 0},
    {"hue-shifts", "nearBlacks", WORDS("near-blacks"), "", 0, 0},
    {"hue-shifts", "greys", WORDS("greys"), "", 0, 0},
    {"hue-shifts", "nearWhites", WORDS("near-whites"), "", 0, 0},
    {"lookup-table", "mix", WORDS("mix"), "", 0, 0},
    {"wash", "stops", WORDS("colours"), "", 0, 0},
};

const struct {
    const char *value, *word;
} kChoices[] = {{"normal", WORDS("Normal")},
                {"multiply", WORDS("Multiply")},
                {"screen", WORDS("Screen")},
                {"soft-light", WORDS("Soft light")}};

#undef WORDS

QString translated(const char* words) { return *words ? QCoreApplication::translate("Field", words) : QString(); }

const Entry* find(const std::string& kind, const std::string& field)
{
    for (const Entry& e : kEntries)
        if (kind == e.kind && field == e.field)
            return &e;
    return nullptr;
}

}  // namespace

FieldWords wordsFor(const std::string& kind, const std::string& field)
{
    const Entry* e = find(kind, field);
    return e ? FieldWords{translated(e->label), translated(e->tip), e->step, e->decimals}
             : FieldWords{QString::fromStdString(field), {}, 0.01, 2};
}

QString choiceWord(const std::string& value)
{
    for (const auto& choice : kChoices)
        if (value == choice.value)
            return translated(choice.word);
    return QString::fromStdString(value);
}

QString parameterTitle(const std::string& kind, const std::string& field)
{
    // Purity is told apart by its primary where labels stand alone.
    if (kind == "primaries" && field.size() > 6 && field.compare(field.size() - 6, 6, "Purity") == 0)
        return translated(find(kind, field.substr(0, field.size() - 6) + "Turn")->label).section(' ', 0, 0) +
               QStringLiteral(" ") + wordsFor(kind, field).label;
    return wordsFor(kind, field).label;
}

}  // namespace amber
