// The route: the stages of a shoot's work in the order in which they are to be done, with ticks per frame and for the
// shoot. A tick is set by what was really done, or by hand; what comes next is the first stage, in the route's order,
// that is still open. Routes are JSON files (docs/formats/route.schema.json); three ship, and the user's own are kept
// across jobs.
#pragma once

#include "core/job/job.h"
#include "core/look/look.h"

#include <array>

namespace amber {

/// By what a stage counts as done. Of the shoot as a whole: Lights, Keys, HandedOver; Hand as the stage says.
enum class StageRule {
    Hand,       ///< only by hand
    Lights,     ///< every frame belongs to a light
    Keys,       ///< a key colour was marked
    Exposure,   ///< solved with its light, or set by hand
    White,      ///< the same of its white
    Upright,    ///< turned, cropped, or its lens undone
    Areas,      ///< every role of its look lies somewhere on it, or is said not to be there
    Look,       ///< a look that does something lands on it
    Checked,    ///< checked as it is now, with no finding open
    Pins,       ///< no open pin
    Done,       ///< ticked off
    HandedOver  ///< the client was asked, or files went out by a recipe
};
inline constexpr std::array<std::string_view, 12> kStageRules{"hand",    "lights",  "keys",  "exposure",
                                                              "white",   "upright", "areas", "look",
                                                              "checked", "pins",    "done",  "handed-over"};
/// Where a stage is worked on; the same words as the rail's.
inline constexpr std::array<std::string_view, 7> kRoutePlaces{"shoot", "balance", "areas",    "look",
                                                              "match", "proof",   "hand over"};

struct RouteStage {
    std::string id;     ///< by which ticks are kept; alike in all routes for the same thing
    std::string title;  ///< "White balance"
    StageRule rule = StageRule::Hand;
    bool isOfShoot = false;  ///< once for the shoot, not for every frame
    int place = 0;           ///< into kRoutePlaces
    bool operator==(const RouteStage&) const = default;
};
inline constexpr std::size_t kStageLimit = 24;

struct Route {
    std::string name;
    std::vector<RouteStage> stages;
    std::string unknownFields;  ///< JSON of what a newer version wrote
    bool operator==(const Route&) const = default;
};

/// light first, white first, colour last.
const std::vector<Route>& shippedRoutes();
/// All stages that a route can have as they ship, each once.
const std::vector<RouteStage>& knownStages();

std::string routeToText(const Route& route);
/// Fails with the field, what it may hold and what it held.
Result<Route> routeFromText(const std::string& text, const std::string& file);
struct OwnRoutes {
    std::vector<Route> routes;
    std::vector<std::string> faults;
};
OwnRoutes ownRoutes();
/// Keeps it among the user's own; a shipped name is refused.
Status keepRoute(const Route& route);
Status forgetRoute(const std::string& name);
/// The route of a job: what its desk holds, else the first that ships.
Route routeOf(const Desk& desk);

/// What is known beside the job when ticks are set.
struct RouteFacts {
    std::vector<FrameId> frames;  ///< that count: in order, without lost and unused ones
    LookId lookForAll = 0;
    std::map<LookId, Look> looks;  ///< as they are now
    /// Frames with open findings, where the frames were checked as they are now.
    std::optional<std::vector<FrameId>> openFindings = {};
    bool wasHandedOver = false;
};
/// Of the frames and looks of a job: what counts for its route. Looks that cannot be read do nothing.
RouteFacts routeFacts(const Job& job, const std::vector<Frame>& frames, LookId lookForAll,
                      const std::function<std::optional<Look>(LookId)>& lookNow);

struct Tick {
    bool isOn = false;
    bool isByHand = false;  ///< else found
};
/// Of a frame, or with 0 of the shoot. Of the shoot, a stage of frames is ticked when it is on every frame.
Tick tickOf(const RouteStage& stage, const Job& job, FrameId frame, const RouteFacts& facts);
/// The job with a stage ticked or left open by hand; what would be found anyway is not kept.
Job withTick(Job job, const RouteStage& stage, const std::vector<FrameId>& frames, bool isOn, const RouteFacts& facts);

/// How far a stage is: on so many of so many.
struct StageProgress {
    int ticked = 0, of = 0;
};
StageProgress progressOf(const RouteStage& stage, const Job& job, const RouteFacts& facts);

struct NextThing {
    int stage = 0;      ///< of the route
    FrameId frame = 0;  ///< 0: of the shoot
};
/// The first stage that is open; of its frames the one in hand when it is open there, else the next one after it.
std::optional<NextThing> nextThing(const Route& route, const Job& job, FrameId inHand, const RouteFacts& facts);

}  // namespace amber
