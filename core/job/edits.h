// Gestures as functions from a job to a job, for what takes more than setting a value. JobStore::commit() records them.
#pragma once

#include "core/frame/light_edit.h"
#include "core/job/job.h"

#include <functional>

namespace amber {

/// Width / height of a frame's picture as it came, or nothing when that is not known.
using RatioOf = std::function<std::optional<double>(FrameId)>;

/// These balances, and what was marked on their frames carried along: marks stay on the things they mark when a frame
/// is turned, set upright or cropped.
Job withBalances(Job job, const std::map<FrameId, FrameBalance>& balances, const RatioOf& ratioOf);

/// What is marked on a frame (key colours, their places, regions left out) lies elsewhere on its finished picture.
Job withMarks(Job job, FrameId frame, const std::function<Region(const Region&)>& place);

/// One number of light set on several frames at once: to the same value, or each moved by as much as the frame in hand
/// is. Frames on which it is locked are left, but for the frame in hand. `balances` are those of the chosen frames.
enum class Together { Set, Shift };
std::map<FrameId, FrameBalance> lightTogether(const std::map<FrameId, FrameBalance>& balances, FrameId inHand,
                                              LightPart part, double value, Together how,
                                              const std::function<AsShot(FrameId)>& asShotOf);

/// Of a bracket one exposure counts; the others stay in the job, unused.
Job withChosenExposure(Job job, const std::vector<FrameId>& bracket, FrameId chosen);

/// Frames moved to a light, by its index, or to a new one of this name; lights that lose all their frames go, one that
/// loses its lead is stood for by its first frame.
Job withFramesInLight(Job job, const std::vector<FrameId>& frames, int light, const std::string& newName = {});

/// Lights told apart anew keep the look of the light that most of their frames were of.
std::vector<Light> withLooksOf(std::vector<Light> lights, const Job& before);

/// A look for frames (0: the one for all, or that of their light), or for all frames of a light: these then have none
/// of their own.
Job withLook(Job job, const std::vector<FrameId>& frames, LookId look);
Job withLightLook(Job job, int light, LookId look);

/// The frames on which a look lands, in their order: those for which it was chosen, and when it is the one for all,
/// those for which none was.
std::vector<FrameId> framesWithLook(const Job& job, const std::vector<Frame>& frames, LookId look, LookId forAll);

/// These frames as a set of this name; a set that had it is these frames now. Of a light: whichever are its frames; the
/// set's name is then the light's, or one like it that no set has.
Job withSet(Job job, const std::string& name, const std::vector<FrameId>& frames);
Job withSetOfLight(Job job, int light);
/// The set of a light, or none.
const FrameSet* setOfLight(const Job& job, int light);
Job withoutSet(Job job, const std::string& name);

/// What the areas of a role are to the balance, on these frames; and what they are wherever the role lies (Counts: they
/// do not agree).
Job withInBalance(Job job, const std::vector<FrameId>& frames, const std::string& role, Area::InBalance inBalance);
Area::InBalance inBalanceOf(const Job& job, const std::string& role);

/// What a merged frame takes over: it stands in the light of its first exposure, balanced like it and shown as light.
struct MergedAs {
    std::string responseName;
    Response response;
    double stopsUp = 0;
};
Job withMergedFrame(Job job, const std::vector<FrameId>& bracket, FrameId merged, const MergedAs& as);

/// Where a card lies in the finished picture of a frame; it may reach beyond it.
Region cardInPlaced(const ShownCard& card, const FrameBalance& balance);
/// What of a frame counts for measures: its framing, without the card it shows.
Framing countedFraming(const Job& job, const Frame& frame);
/// Whether a frame, delivered in this ratio (0: as it is), would show more than a trace of its card.
bool showsCard(const Job& job, const Frame& frame, double ratio);

}  // namespace amber
