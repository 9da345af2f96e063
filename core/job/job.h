// One shoot as a plain value: everything that was decided in it (Job), what is known of its pictures (Frame), and what
// lies at hand while it is worked on (Desk). Kept in a file by JobStore; changed by gestures, which the journal
// records.
#pragma once

#include "core/area/area.h"
#include "core/balance/colour_card.h"
#include "core/base/copied_apart.h"
#include "core/frame/frame_balance.h"
#include "core/image/spot.h"
#include "core/job/time_plan.h"
#include "core/look/picture_name.h"
#include "core/measure/key_colour.h"
#include "core/proof/check_use.h"

#include <cstdint>
#include <filesystem>
#include <map>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace amber {

using FrameId = std::int64_t;
using LookId = std::int64_t;
using RevisionId = std::int64_t;

/// What is known of a picture. Facts, not decisions: no gesture changes them.
struct Frame {
    FrameId id = 0;
    std::filesystem::path path;  ///< where it is; when it is lost, where it was last seen, or a name that nothing has
    std::string hash;            ///< of the file's content; empty until it was computed
    std::string fault;           ///< why it cannot be read; empty when it can
    std::uintmax_t bytes = 0;    ///< size of the file of that hash; 0 when it is not known
    bool isLost = false;         ///< nothing is there any more
    bool cardSought = false;     ///< a colour card was looked for in it
    std::optional<ShownCard> card = {};   ///< that it shows
    std::filesystem::path original = {};  ///< its own picture, when `path` is one that stands for it; else empty
    /// The picture that areas, cards and lenses are of.
    const std::filesystem::path& own() const { return original.empty() ? path : original; }
};

/// The frame of this id, or none.
const Frame* frameOf(const std::vector<Frame>& frames, FrameId id);

/// A picture that stands for a frame's own: a file that came back from retouching (core/retouch).
struct StandIn {
    std::int64_t file = 0;            ///< JobStore::standInFiles()
    LookId look = 0;                  ///< of which steps are in it
    std::vector<std::string> inside;  ///< the kinds of these, in their order
    bool operator==(const StandIn&) const = default;
};

/// What was decided of one frame.
struct FrameState {
    AMBER_COPIED_APART(FrameState)

    FrameBalance balance;
    std::string balanceFault;  ///< why what was kept of its balance cannot be read; such a frame is not handed over
    Framing framing;           ///< planned crop and regions left out
    int rating = 0;            ///< 0 (not rated) to 5
    bool isDone = false;       ///< ticked off
    LookId look = 0;           ///< its own; 0: that of its light, else the one for all (Desk::look)
    bool isUnused = false;     ///< of its bracket another exposure was chosen
    std::vector<FrameId> mergedFrom;  ///< the exposures it was merged of
    std::optional<StandIn> standIn = {};
};

/// Frames lit alike, and the one that stands for them.
struct Light {
    std::string name;
    FrameId lead = 0;
    std::vector<FrameId> frames;
    LookId look = 0;  ///< of its frames; 0: the one for all
    bool operator==(const Light&) const = default;
};

/// Frames by a name, for which looks hold values of their own (core/look/scope.h): chosen ones, or those of a light,
/// whichever these are at the time.
struct FrameSet {
    std::string name;
    std::vector<FrameId> frames;  ///< chosen; empty for those of a light
    FrameId ofLight = 0;          ///< a frame by which the light is known
    bool operator==(const FrameSet&) const = default;
};

/// Where a key colour lies on a frame other than the one it was marked on.
struct KeyPlace {
    Region place;
    double confidence = 0;
    bool isConfirmed = false;
    bool operator==(const KeyPlace&) const = default;
};
using KeyPlaceId = std::pair<FrameId, std::string>;  ///< the frame, and the name of the key colour

using AreaId = std::pair<FrameId, std::string>;  ///< the frame, and the role by its name

/// A step of a look as remarks name it: by its kind, and which of that kind.
struct PinnedStep {
    LookId look = 0;
    std::string kind;  ///< "tone-curve"
    int which = 0;     ///< of several of that kind, from 0
    bool operator==(const PinnedStep&) const = default;
};

/// Something that is to be done about a frame or a step, or was said of it.
struct Pin {
    enum class From { Artist, Check, Client } from = From::Artist;
    FrameId frame = 0;               ///< on which it was seen
    std::optional<Spot> place = {};  ///< fractions of the finished picture; none: all of it
    std::optional<PinnedStep> step = {};
    std::string text;
    std::string about;        ///< the version it is about, in words: "Warm evening, round 2"
    RevisionId revision = 0;  ///< of the frame's look at that time; 0 when it is not known
    std::string made;         ///< "2026-05-04 10:11:12", UTC
    bool isDone = false;
    bool operator==(const Pin&) const = default;
};
using PinId = std::int64_t;

/// Stages of the route (core/route) that were ticked or left open by hand, by their ids: true is ticked.
using HandTicks = std::map<std::string, bool>;

/// A look of the job: which of its revisions counts. A look whose making was taken back is not in the job.
struct LookState {
    std::string name;
    RevisionId revision = 0;
    bool operator==(const LookState&) const = default;
};

/// All that was decided in a shoot. Every difference between two of these is a gesture's.
struct Job {
    AMBER_COPIED_APART(Job)

    std::map<FrameId, FrameState> frames;  ///< those of which something was decided
    std::vector<Light> lights;
    std::vector<FrameSet> sets;   ///< their names are unlike
    std::vector<KeyColour> keys;  ///< in the order they were marked
    std::map<KeyPlaceId, KeyPlace> keyPlaces;
    std::map<AreaId, Area> areas;               ///< where the roles of looks lie
    std::map<std::string, Response> responses;  ///< of cameras, by name
    std::map<LookId, LookState> looks;
    std::vector<CheckUse> uses;  ///< own ones; their names are unlike
    Acceptances accepted;        ///< findings that were let stand
    std::map<PinId, Pin> pins;
    std::map<FrameId, HandTicks> ticks;  ///< of frames; of the shoot under 0

    /// As it came, of a frame of which nothing was decided.
    const FrameState& frame(FrameId id) const;
    /// Index into lights, or -1.
    int lightOf(FrameId frame) const;
    /// The frame that stands for its light, or 0.
    FrameId leadOf(FrameId frame) const;
    /// The look that was chosen for a frame, or for its light; 0 when none was.
    LookId lookOf(FrameId frame) const;
    const FrameSet* setOf(const std::string& name) const;
    /// The frames of a set as they are now.
    std::vector<FrameId> framesOf(const FrameSet& set) const;
    /// By what looks know a frame: its own number, and the sets it belongs to, chosen ones before those of lights.
    PictureName pictureName(FrameId frame) const;
    /// The curve by which a frame's picture came to be; the identity where it is not known.
    Response responseOf(const FrameBalance& balance) const;
    /// By which response a frame's picture came to be: the balance's own, else what is known of raw files, and of
    /// cameras whose brackets were seen. Empty when nothing is.
    std::string responseNameOf(const FrameBalance& balance, bool isRaw, const std::string& camera) const;
    /// Where a key colour lies on another frame than its own, when that was confirmed.
    const KeyPlace* confirmedPlace(FrameId frame, const std::string& key) const;
    /// Where a role lies on a frame, or none.
    const Area* areaOf(FrameId frame, const std::string& role) const;
    /// The areas of a frame by their roles.
    std::map<std::string, Area> areasOf(FrameId frame) const;
    /// A use by its name, shipped or own; null when there is none.
    const CheckUse* useOf(const std::string& name) const;
    /// A number that no pin has.
    PinId nextPin() const { return pins.empty() ? 1 : pins.rbegin()->first + 1; }
    std::vector<PinId> openPins(FrameId frame) const;
    /// Why a frame must not be handed over as it stands: its balance cannot be read, or rests on a response that the
    /// job does not have. Empty when it may.
    std::string balanceFault(FrameId frame) const;
};

struct PinnedVersion {
    std::int64_t id = 0;
    RevisionId revision = 0;
    std::string note;
    std::string made;  ///< "2026-05-04 10:11:12", UTC
    int surround = 0;  ///< L* of the wall it was judged before; 0 when that was not recorded
};

/// A frame put aside for a second look, with the version it was left at.
struct Aside {
    FrameId frame = 0;
    LookId look = 0;
    RevisionId revision = 0;
    std::int64_t leftAt = 0;  ///< seconds since 1970, UTC
    bool operator==(const Aside&) const = default;
};

/// How files are handed over, as it was last chosen.
struct HandOver {
    static constexpr const char* kByHand = "by hand";
    std::vector<std::string> recipes{kByHand};  ///< by name
    std::string byHand;                         ///< the one set by hand, as the JSON of a recipe
    std::string frames = "all";                 ///< all, used, done, rated, light, closed, chosen: which of them
    std::string of;                             ///< the light's name, or the least rating
    std::string author, rights;
    std::string folder;   ///< as keptPlace() gives it
    std::string outside;  ///< the folder that files for retouching went to last, and come back to
    bool operator==(const HandOver&) const = default;
};

/// How files were handed over before there were recipes.
struct DeliveryChoices {
    std::string format = "jpeg", space = "srgb";  ///< by their names in files
    int quality = 92;
    int longEdge = 0;    ///< pixels, 0: as the source
    double ratio = 0;    ///< width / height, 0: as it is
    std::string folder;  ///< as keptPlace() gives it
    bool operator==(const DeliveryChoices&) const = default;
};

/// What is being matched to, by where it is.
struct HeldReference {
    enum class Kind { Nothing, Pictures, Frame, Pair, Table } kind = Kind::Nothing;
    std::vector<std::string> paths;  ///< as keptPlace() gives them
    FrameId frame = 0;
    bool withTable = false;
    bool operator==(const HeldReference&) const = default;
};

/// What lies at hand: kept, so that work goes on where it was left, but no gesture and not in the journal.
struct Desk {
    AMBER_COPIED_APART(Desk)

    FrameId frame = 0;
    LookId look = 0;  ///< the one for all frames for which no other was chosen
    int step = 0;
    int surround = 0;                                ///< L* of the wall; 0: the usual one
    std::optional<std::vector<FrameId>> companions;  ///< nothing: none were ever chosen
    std::vector<Aside> asides;
    std::string watched;         ///< a folder, as keptPlace() gives it
    std::string use = "screen";  ///< for what frames are checked
    TimePlan plan;
    std::map<FrameId, StageTimes> spent;
    DeliveryChoices delivery;
    HandOver handOver;
    HeldReference held;
    std::string route;  ///< the order of work, as JSON (core/route); empty: the first that ships
};

}  // namespace amber
