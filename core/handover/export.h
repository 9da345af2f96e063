// Handing over: a look landed on a list of pictures. The window and the command line both come through here, so their
// files agree.
#pragma once

#include "core/base/cancel.h"
#include "core/base/written_files.h"
#include "core/frame/frame_masks.h"
#include "core/image/write.h"
#include "core/look/scope.h"

#include <functional>
#include <memory>

namespace amber {

struct Recipe {
    OutputOptions output;
    int longEdge = 0;  ///< pixels, 0: as the source
    double ratio = 0;  ///< width / height every picture is cut to, inside its own crop; 0: as it is
    std::filesystem::path folder;
    std::vector<std::filesystem::path>
        originals;  ///< further files that are never a target under any name: the other frames of the job
};

struct Delivery {
    std::filesystem::path source, target;  ///< target is empty when nothing was written
    std::string fault;                     ///< empty when all went well
};

struct ExportReport {
    std::vector<Delivery> deliveries;  ///< in the order of the sources; fewer when cancelled
    bool cancelled = false;
    std::string
        warning;  ///< why what was written could not be listed: handed over again, it is kept beside the new files
    int failed() const;
};

/// What belongs to one picture and not to the look.
struct PictureOwn {
    PictureName name;        ///< by which the look knows it, for looks in which pictures hold values of their own
    FrameBalance balance;    ///< landed before the look
    Response response;       ///< of the camera, for the balance
    std::string fault = {};  ///< why what belongs to it cannot be read: then it is not rendered, and fails with this
    std::shared_ptr<const Look> look = nullptr;  ///< in the place of the look of the others
    std::map<std::string, Area> areas = {};      ///< where the look's roles lie on it
};

/// Called after each picture, in order of finishing, from one thread at a time: how many are done, of how many, and the
/// latest.
using ExportProgress = std::function<void(int done, int total, const Delivery& latest)>;

/// Renders `look` over every source into recipe.folder (made when missing), under the names that targetsOf() gives.
/// What was written is listed beside the files (manifest.json): handed over again, those that are unchanged are
/// replaced. Nothing else ever is: a file that comes meanwhile, or was changed, makes that picture fail. Two pictures
/// are in flight at a time. A picture that fails is reported and the rest goes on. `own` belongs to the sources in
/// their order; it may be empty.
Result<ExportReport> exportPictures(const Look& look, const std::vector<std::filesystem::path>& sources,
                                    const Recipe& recipe, const ExportProgress& progress, const CancelToken& cancel,
                                    const std::vector<PictureOwn>& own = {});

/// Where each source will land: its name with the format's extension; with "-2" and so on where another source has that
/// name (letter case does not matter, as on many file systems), or a file has it that this program did not write there,
/// or that is one of the sources or originals.
std::vector<std::filesystem::path> targetsOf(const std::vector<std::filesystem::path>& sources, const Recipe& recipe,
                                             const WrittenFiles& written);

}  // namespace amber
