// Balance for a whole shoot: reads the frames, recovers what the cameras' renderings did, and solves every light group
// against its lead.
#pragma once

#include "core/area/area.h"
#include "core/balance/colour_card.h"
#include "core/balance/group_balance.h"
#include "core/frame/frame_balance.h"

#include <filesystem>

namespace amber {

struct ShootFrame {
    std::filesystem::path path;
    int group = 0;  ///< frames of one number are one light
    bool isLead = false;
    int bracket = -1;      ///< frames of one number are one bracket
    FrameBalance current;  ///< whose locks hold
    std::map<std::string, Region>
        keys;  ///< where key colours were marked or confirmed, on the frame as its balance places it
    std::map<std::string, Area> areas = {};  ///< of those that say what counts, by their roles
};

/// What of the pixels round a card stands for them where the card is left out of what is measured.
void leaveOutCard(MutableImageView picture, const Region& card);

/// What the solver is given of a frame, from its untouched picture of kFeatureEdge pixels or so; its response is left
/// to be filled in.
BalanceEvidence evidenceOf(const ShootFrame& frame, ImageView untouched, const CaptureFacts& capture);

struct ShootBalance {
    std::vector<SolvedBalance> frames;          ///< in the order given; a frame that could not be read stays as it is
    std::vector<std::string> faults;            ///< why it could not be read; empty for the rest
    std::vector<std::string> responseNames;     ///< per frame: "raw", a camera, or "" where nothing is known
    std::map<std::string, Response> responses;  ///< of cameras, recovered from brackets
    /// Per frame that was read: whether it shows a card, and where, fractions of the source.
    std::vector<std::optional<ShownCard>> cards;
    std::vector<bool> cardSought;
};

/// Frames that show one of the `cards` are told apart by its patches first: they are known colours under each frame's
/// light, and nothing else of the card counts.
/// `done` counts frames read and pairs of frames compared. Nothing when cancelled. Frames are read two at a time.
std::optional<ShootBalance> balanceShoot(const std::vector<ShootFrame>& frames, const BalanceProgress& progress = {},
                                         const CancelToken& cancel = {}, const std::vector<ColourCard>& cards = {});

}  // namespace amber
