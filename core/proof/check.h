// Checks of a frame as it will be handed over: what was measured, where, the limit, why it matters.
//
// A kind of check is a folder under checks/ and one line in checks/kinds.cpp. Its measure is a function of one frame
// (CheckedFrame) or of the frame among its shoot (FrameSummary); whatever shows checks comes through
// measureFrame() and findingsOf().
#pragma once

#include "core/balance/ratio_map.h"
#include "core/proof/check_use.h"
#include "core/proof/frame_evidence.h"

#include <array>
#include <map>
#include <span>
#include <string_view>

namespace amber {

/// A frame under its look and light, kCheckEdge pixels long; measures of a check read it.
class CheckedFrame {
public:
    CheckedFrame(const ReadFrame& frame, const FrameEvidence& evidence, const Look& lookForAll,
                 const std::vector<KeyColour>& keys);

    const ReadFrame& frame() const { return m_frame; }
    const FrameEvidence& evidence() const { return m_evidence; }
    /// The look as this frame has it.
    const Look& look() const { return m_look; }
    /// Before and after the look, the same size; working-space light.
    ImageView balanced() const { return m_balanced.view(); }
    ImageView finished() const { return m_finished.view(); }
    int width() const { return m_balanced.width(); }
    int height() const { return m_balanced.height(); }
    std::size_t pixels() const { return static_cast<std::size_t>(width()) * height(); }
    /// The frame after so many steps of the look.
    Image after(std::size_t steps) const;
    /// The frame under its look without some of its steps.
    Image without(const std::set<std::size_t>& steps) const;
    /// Linear sRGB of the finished frame, nothing limited.
    const Image& finishedSrgb() const { return m_finishedSrgb; }
    /// OKLab of both.
    const std::vector<OkLab>& labBefore() const { return m_before; }
    const std::vector<OkLab>& labAfter() const { return m_after; }

    /// Masks of all roles that lie on the frame.
    const std::map<std::string, Plane>& masks() const { return m_masks; }
    /// The role that is the subject: of that kind, else the only thing; null when none lies here.
    const Plane* subject() const;
    /// Roles of this kind, by name.
    std::vector<std::pair<std::string, const Plane*>> rolesOf(Role::Kind kind) const;
    /// Faces on the finished frame.
    const std::vector<Region>& faces() const { return m_faces; }

    struct Key {
        const KeyColour* colour;
        Region place;  ///< of the finished frame
        LinearRgb before, after;
    };
    /// Key colours that were marked or confirmed here.
    const std::vector<Key>& keys() const { return m_keys; }

    /// The step after which this measure of the frame was most increased, by at least half of what came of the whole
    /// look; -1 when none did.
    int stepThatDid(const std::function<double(ImageView)>& measure) const;

private:
    void placeKeys(const std::vector<KeyColour>& keys);
    Image rendered(const Look& look, std::size_t steps) const;
    const ReadFrame& m_frame;
    const FrameEvidence& m_evidence;
    Look m_look;
    Image m_balanced, m_finished, m_finishedSrgb;
    std::vector<OkLab> m_before, m_after;
    std::shared_ptr<const RoleMasks> m_roleMasks;
    std::map<std::string, Plane> m_masks;
    std::vector<Region> m_faces;
    std::vector<Key> m_keys;
};

/// What a check found on a frame. A value above the limit is a finding.
struct Measured {
    double value = 0;
    Region place;                      ///< of the finished frame
    std::string words;                 ///< what was measured, in a sentence without its limit
    std::string part;                  ///< of what, where a check measures several: "Ada's skin"; empty: the frame
    int step = -1;                     ///< of the look, that did it; -1: none alone
    std::optional<double> limit = {};  ///< in the place of the use's: a tolerance that was set by hand
};

/// What is kept of a frame for checks that compare frames.
struct FrameSummary {
    std::int64_t frame = 0;
    int group = 0;
    bool isLead = false;
    double keyStops = 0;
    std::array<double, kToneColumns> toneAfter{};
    double lookBrightness = 0;  ///< what the look adds to the mean OKLab L
    std::map<std::string, Lab> keys;
    std::map<std::string, LinearRgb> keysBefore;  ///< balanced, without the look
    /// What lies under a role.
    struct Thing {
        Role::Kind kind = Role::Kind::Thing;
        Region place;
        LinearRgb before;
        Lab after;
    };
    std::map<std::string, Thing> things;
    std::shared_ptr<const RatioMap> colours;  ///< of the balanced frame
};

/// What is known of a kind of check.
struct CheckKind {
    const char* id;
    const char* title;
    const char* unit;  ///< after the number
    int decimals;
    const char* because;           ///< why it matters, a sentence
    std::array<double, 3> limits;  ///< for screen, print, archive
    void (*measure)(const CheckedFrame&, std::vector<Measured>&);
    /// Frames among their shoot, what is added for each in their order; null: not compared.
    void (*compare)(std::span<const FrameSummary>, const std::vector<KeyColour>&,
                    std::span<std::vector<Measured>* const>);
};
std::span<const CheckKind* const> checkKinds();
const CheckKind* checkKind(std::string_view id);

/// Everything that was measured of a frame, finding or not, by kind.
using FrameMeasured = std::map<std::string, std::vector<Measured>>;

struct Finding {
    std::int64_t frame = 0;
    const CheckKind* kind = nullptr;
    Measured measured;
    double limit = 0;
    /// 1 at the limit; the worse, the higher.
    double severity() const { return limit > 0 ? measured.value / limit : measured.value > 0 ? 10 : 0; }
};

/// What stands for a light: its lead, else the first of its frames that has it. Null when none has.
const FrameSummary* standsFor(std::span<const FrameSummary> frames, int group,
                              const std::function<bool(const FrameSummary&)>& has);

FrameMeasured measureFrame(const CheckedFrame& frame);
FrameSummary summaryOf(const CheckedFrame& frame);
/// What comparing the frames of a shoot adds to what was measured of each; in the order of `summaries`.
void compareFrames(std::span<const FrameSummary> summaries, const std::vector<KeyColour>& keys,
                   std::span<FrameMeasured* const> measured);
/// By what a finding for a use is accepted; and why it was, when that still stands.
FindingId idOf(const Finding& finding, const std::string& use);
const Acceptance* acceptanceOf(const Finding& finding, const std::string& use, const Acceptances& all);
/// What is above its limit, the worst first.
std::vector<Finding> findingsOf(std::int64_t frame, const FrameMeasured& measured, const CheckUse& use);

}  // namespace amber
