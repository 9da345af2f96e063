// Pictures sent out to be retouched: 16-bit files in a wide gamut, balanced and with as many steps of their looks as
// was chosen, each with an identity in its own XMP, and a list of what is to be done.
#pragma once

#include "core/retouch/sent_file.h"

namespace amber {

struct SendChoices {
    std::vector<FrameId> frames;
    std::size_t steps = 0;   ///< so many first steps of each look go along; the others run when it is back
    bool wholeLook = false;  ///< all of them
    std::string note;        ///< what is to be done
    double minutes = 0;      ///< how long it may take, each; 0: not said
    std::string author, rights;
};

/// What is needed of a job to send: taken on one thread, run on another.
struct SendOrder {
    std::vector<SentFile> files;
    std::vector<std::filesystem::path> sources;
    std::vector<PictureOwn> own;
    std::vector<std::filesystem::path> originals;  ///< never a target
    std::string author, rights;
    std::string title;                              ///< of the job
    std::vector<std::vector<std::string>> remarks;  ///< open pins of each picture
    std::vector<std::vector<Spot>> marks;           ///< where they lie
    std::vector<std::string> faults;                ///< frames that cannot go, and why
};

/// `lookForAll`: the look of frames for which no other was chosen.
SendOrder sendOrderOf(const JobStore& store, const std::vector<Frame>& frames, LookId lookForAll,
                      const SendChoices& choices);

struct SendReport {
    std::vector<Delivery> deliveries;
    std::vector<SentFile> sent;                ///< those that were written; to be added to the job (addSent)
    std::vector<std::filesystem::path> lists;  ///< hand-off.pdf and hand-off.json
    std::string warning;
    bool cancelled = false;
};

/// Writes the files and their list into the folder, by the rules of exportPictures().
Result<SendReport> sendOut(const SendOrder& order, const std::filesystem::path& folder,
                           const ExportProgress& progress = {}, const CancelToken& cancel = {});
/// The job remembers what was sent.
Status addSent(JobStore& store, const SendReport& report, const std::filesystem::path& folder);

/// The recipe by which files are sent.
Recipe sentRecipe();
/// The name of the identity in a file's own XMP.
inline constexpr const char* kIdentity = "identity";

/// The first `steps` steps of a look that a picture of this name knows.
Look firstSteps(const Look& look, std::size_t steps);

}  // namespace amber
