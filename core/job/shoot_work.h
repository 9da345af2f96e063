// A job given to the solver of balances and to the readings of a shoot, and what they find given back to it. The window
// and the command line both come through here.
#pragma once

#include "core/balance/shoot_balance.h"
#include "core/job/chosen_looks.h"
#include "core/job/overview.h"
#include "core/proof/readings.h"

namespace amber {

/// What is proposed for a frame. Nothing changes before it is taken.
struct BalanceProposal {
    FrameId frame = 0;
    FrameId through = 0;  ///< the frame it was seen together with
    SolvedBalance solved;
    FrameBalance balance;  ///< the kept one with what was solved in it
    std::string fault;     ///< why the frame could not be read
    /// Whether it is taken with all: it could be read, and nothing but clipping troubles it.
    bool isSound() const;
};

/// Frames of the job that can be solved, of those wanted: those of a light. The two lists belong together.
struct FramesToBalance {
    std::vector<FrameId> ids;
    std::vector<ShootFrame> frames;
};
FramesToBalance framesToBalance(const Job& job, const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                                const std::vector<FrameBracket>& brackets);
/// A frame with its key colours where they were marked or confirmed.
ShootFrame shootFrameOf(const Job& job, const Frame& frame, int bracket);
std::vector<BalanceProposal> proposalsOf(const Job& job, const std::vector<Frame>& frames, const FramesToBalance& asked,
                                         const ShootBalance& solved);
/// What was found of cameras' responses, and these balances as they were proposed.
Job withResponses(Job job, const ShootBalance& solved);

/// Frames that can be read, light by light, the lead of each first; with the looks that were chosen for them or for
/// their lights when it is said how these are read.
std::vector<ReadFrame> framesToRead(const Job& job, const std::vector<Frame>& frames,
                                    const ChosenLooks::Read& looks = {});
/// Those of them that are handed over: not the unused exposures of brackets.
std::vector<ReadFrame> framesToCheck(const Job& job, const std::vector<Frame>& frames, const ChosenLooks::Read& looks);
/// Where key colours were found on frames is kept, so that it can be confirmed; what was confirmed stays, what was
/// found before goes.
Job withFoundPlaces(Job job, const std::vector<KeyColour>& keys, const std::vector<FrameReading>& readings);

/// The folders in which descriptions of colour cards lie: those named "card" beside the job's file and beside its
/// pictures, as far as there are any.
std::vector<std::filesystem::path> cardFoldersOf(const std::filesystem::path& jobFile,
                                                 const std::vector<Frame>& frames);
std::vector<ColourCard> cardsIn(const std::vector<std::filesystem::path>& folders);
using FoundCards = std::map<FrameId, std::optional<ShownCard>>;
/// What a solved shoot says of cards.
FoundCards cardsOf(const FramesToBalance& asked, const ShootBalance& solved);
/// Looks for cards in those of these frames that can be read and in which none was looked for yet.
FoundCards seekCards(const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                     const std::vector<ColourCard>& cards, const BalanceProgress& progress = {},
                     const CancelToken& cancel = {});

/// A frame's name: that of its file.
std::string nameOf(const Frame& frame);

}  // namespace amber
