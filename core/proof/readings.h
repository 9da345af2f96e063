// Reading a shoot for its consistency: key colours found on every frame, measured untouched, balanced and with the
// look.
#pragma once

#include "core/base/cancel.h"
#include "core/frame/frame_masks.h"
#include "core/look/scope.h"
#include "core/proof/consistency.h"

#include <filesystem>
#include <functional>
#include <map>

namespace amber {

struct ReadFrame {
    std::int64_t frame = 0;
    std::filesystem::path path;
    int group = 0;
    bool isLead = false;
    FrameBalance balance;
    Response response;
    PictureName name;  ///< by which the look knows it
    /// Where key colours are known to lie, by name, and how sure that is (1: confirmed). The others are looked for.
    std::map<std::string, std::pair<Region, double>> places;
    std::map<std::string, Area> areas;           ///< where roles lie
    std::shared_ptr<const Look> look = nullptr;  ///< in the place of the look of the others
    std::string fault = {};                      ///< why its own look cannot be read: then the frame is not either
};

/// One reading per frame, in their order; a frame that cannot be read says why and measures nothing. A key colour that
/// is neither marked nor known on a frame is found again (find_again.h) on frames of the group it was marked in, and on
/// the others by its colour. Nothing when cancelled.
std::vector<FrameReading> readShoot(const std::vector<ReadFrame>& frames, const std::vector<KeyColour>& keys,
                                    const Look& look, const std::function<void(int done, int total)>& progress = {},
                                    const CancelToken& cancel = {});

/// What another look makes of frames that were read: without reading them again when all its steps are pointwise, else
/// false and nothing is changed.
bool finishReadings(std::vector<FrameReading>& readings, const std::vector<ReadFrame>& frames, const Look& look);

}  // namespace amber
