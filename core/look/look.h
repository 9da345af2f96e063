// A look: an ordered list of steps that turns one picture into another and knows nothing of any one picture. A plain
// value.
#pragma once

#include "core/base/copied_apart.h"
#include "core/look/fingerprint.h"
#include "core/look/guard.h"
#include "core/look/intent.h"
#include "core/look/steps/chroma/chroma.h"
#include "core/look/steps/contrast/contrast.h"
#include "core/look/steps/edge_darkening/edge_darkening.h"
#include "core/look/steps/ends/ends.h"
#include "core/look/steps/even_towards/even_towards.h"
#include "core/look/steps/fine_detail/fine_detail.h"
#include "core/look/steps/glow/glow.h"
#include "core/look/steps/grain/grain.h"
#include "core/look/steps/haze/haze.h"
#include "core/look/steps/hue_shifts/hue_shifts.h"
#include "core/look/steps/local_contrast/local_contrast.h"
#include "core/look/steps/lookup_table/lookup_table.h"
#include "core/look/steps/output_sharpening/output_sharpening.h"
#include "core/look/steps/primaries/primaries.h"
#include "core/look/steps/split_toning/split_toning.h"
#include "core/look/steps/tone_bands/tone_bands.h"
#include "core/look/steps/tone_curve/tone_curve.h"
#include "core/look/steps/warmth/warmth.h"
#include "core/look/steps/wash/wash.h"

#include <map>
#include <optional>
#include <set>
#include <variant>

namespace amber {

/// A step of a kind this version does not know. It changes nothing and is kept as it is.
struct UnknownStep {
    std::string type;
    std::string json;  ///< its parameters
    bool operator==(const UnknownStep&) const = default;
};

/// Registration: every kind of step once. The order is that of the menu in which steps are added.
using StepKinds = std::variant<Contrast, ToneBands, Ends, ToneCurve, SplitToning, HueShifts, Chroma, Primaries, Warmth,
                               EvenTowards, LookupTable, Wash, LocalContrast, FineDetail, Haze, Glow, EdgeDarkening,
                               Grain, OutputSharpening, UnknownStep>;

/// The parameters of one step.
struct StepParameters : StepKinds {
    using StepKinds::StepKinds;
    using StepKinds::operator=;
    AMBER_COPIED_APART(StepParameters)
};

struct Step {
    Step(StepParameters parameters, bool enabled = true, double strength = 1, std::string note = {},
         std::string unknownFields = {}, Guard guard = {});
    AMBER_COPIED_APART(Step)

    StepParameters parameters = UnknownStep{};
    bool enabled = true;
    double strength = 1;  ///< 0..2: OKLab(in) + strength * (OKLab(out) - OKLab(in))
    std::string note;
    std::string unknownFields;  ///< JSON text of fields of a newer version
    Guard guard = {};
    std::set<std::string> perPicture =
        {};  ///< names of parameters that do not travel: each picture may hold its own value
    std::map<std::string, std::string> held = {};  ///< by holder (scope.h): JSON text of its own values
    std::string group = {};  ///< the name that steps share which belong together, as those of one match
};

struct Look {
    AMBER_COPIED_APART(Look)

    static constexpr int kVersion = 1;
    int fileVersion = kVersion;  ///< of the file it came from; never lowered when saved
    std::string name = "New look";
    std::string intent;  ///< the mood in a sentence
    IntentCard card = {};
    std::optional<Fingerprint> reference = {};  ///< what it was matched to
    std::vector<Step> steps;
    std::vector<Role> roles = {};  ///< their names are unlike; a step bound to none of them does nothing
    std::string unknownFields;
};

inline constexpr std::size_t kStepLimit = 64;

/// The type name used in files: "tone-curve".
std::string typeOf(const Step& step);
/// For people: "Tone curve".
std::string titleOf(const Step& step);
/// True when the step changes nothing: off, strength 0, or parameters that do nothing.
bool isIdentity(const Step& step);
/// True for a step that needs a pixel's place or its surroundings, by its kind or by its role: no lookup table can
/// carry it.
bool isSpatial(const Step& step);
/// The role of this name, or none.
const Role* roleOf(const Look& look, const std::string& name);
/// The names of the roles to which steps are bound that do something, each once, in the order of the look's roles.
std::vector<std::string> rolesInUse(const Look& look);
Status validate(const Look& look);

/// The step's parameters as JSON, tables by their hash only; and a step of the same kind from such JSON.
Json parametersOf(const Step& step);
Result<StepParameters> withParameters(const Step& step, const Json& parameters);

/// The definition: one step, and the first `count` steps of a look, in double precision. Spatial steps, which need a
/// picture, pass colours on as they are (the plain engine evaluates them). Input that is not finite counts as 0, finite
/// input is limited to +-kWorkingLimit; so is what leaves a step.
inline constexpr double kWorkingLimit = 1e4;
LinearRgb evaluate(const Step& step, const LinearRgb& c);
LinearRgb evaluate(const Look& look, const LinearRgb& c, std::size_t count = kStepLimit);

}  // namespace amber
