// Handing over: a look landed on a list of pictures. The window and the command line both come through here, so their
// files agree.
#pragma once

#include "core/base/cancel.h"
#include "core/base/written_files.h"
#include "core/frame/frame_masks.h"
#include "core/handover/recipe.h"
#include "core/look/scope.h"

#include <functional>
#include <memory>

namespace amber {

/// Pictures on their way into a folder by one recipe.
struct Shipment {
    Recipe recipe;
    std::filesystem::path folder;  ///< the recipe's subfolder lies in it
    std::vector<std::filesystem::path>
        originals;  ///< further files that are never a target under any name: the other frames of the job
    std::string author, rights;
    int part = 1, parts = 1;  ///< of so many machines, which is this: it writes every so-manieth picture
    std::filesystem::path target() const { return recipe.subfolder.empty() ? folder : folder / recipe.subfolder; }
};

struct Delivery {
    std::filesystem::path source, target;  ///< target is empty when nothing is there
    std::string fault;                     ///< empty when all went well
    bool isKept = false;                   ///< nothing that it is made of has changed: the file there is it
    int quality = 0;                       ///< where the format has it
    std::string recipe;
};

struct ExportReport {
    std::vector<Delivery> deliveries;  ///< in the order of the recipes, then of the sources; fewer when cancelled
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
    std::string light = {};                      ///< the name of its light, for file names
    /// Of a picture that stands for a frame's own (FrameBalance::inPicture): that one, where areas lie, and its
    /// camera's response.
    std::filesystem::path original = {};
    Response originalResponse = {};
    std::map<std::string, std::string> says = {};  ///< in our own XMP (MetadataRule::own)
};

/// Called after each file, in order of finishing, from one thread at a time: how many are done, of how many, and the
/// latest.
using ExportProgress = std::function<void(int done, int total, const Delivery& latest)>;

/// Renders `look` over every source into the folders of all shipments (made when missing), under the names that
/// targetsOf() gives; each picture is read, and where ratios are the same rendered, once for all of them. What was
/// written is listed beside the files (manifest.json) with all it was made of: handed over again, a file of which
/// nothing changed is left as it is, and the others are replaced. Nothing else ever is: a file that comes meanwhile, or
/// was changed, makes that picture fail. Two pictures are in flight at a time. A picture that fails is reported and the
/// rest goes on. `own` belongs to the sources in their order; it may be empty. No two shipments may share a folder.
Result<ExportReport> exportPictures(const Look& look, const std::vector<std::filesystem::path>& sources,
                                    const std::vector<Shipment>& shipments, const ExportProgress& progress,
                                    const CancelToken& cancel, const std::vector<PictureOwn>& own = {});
inline Result<ExportReport> exportPictures(const Look& look, const std::vector<std::filesystem::path>& sources,
                                           const Shipment& shipment, const ExportProgress& progress,
                                           const CancelToken& cancel, const std::vector<PictureOwn>& own = {})
{
    return exportPictures(look, sources, std::vector<Shipment>{shipment}, progress, cancel, own);
}

/// Where each source will land: the name that the recipe gives it with the format's extension; with "-2" and so on
/// where another source has that name (letter case does not matter, as on many file systems), or a file has it that
/// this program did not write there, or that is one of the sources or originals.
std::vector<std::filesystem::path> targetsOf(const Look& look, const std::vector<std::filesystem::path>& sources,
                                             const Shipment& shipment, const WrittenFiles& written,
                                             const std::vector<PictureOwn>& own = {});

}  // namespace amber
