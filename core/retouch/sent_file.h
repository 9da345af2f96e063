// A file that was sent out to be retouched, as the job remembers it: enough to make the same picture again, and to know
// the file when it comes back.
#pragma once

#include "core/handover/export.h"
#include "core/job/job_store.h"
#include "core/retouch/spots.h"

namespace amber {

struct SentFile {
    std::int64_t record = 0;  ///< of the job (JobStore::records)
    std::string identity;     ///< 32 hexadecimal digits, told in the file's own XMP
    FrameId frame = 0;
    std::string name;           ///< of the file, without folder
    std::string place;          ///< as JobStore::keptPlace() gives it
    std::int64_t standIn = 0;   ///< what stood for the frame's own picture then; 0: that itself
    int width = 0, height = 0;  ///< of the file
    double sourceRatio = 1;     ///< width / height of the picture it was made of
    LookId look = 0;
    std::string lookName;
    RevisionId revision = 0;
    std::size_t steps = 0;            ///< so many first steps of it are in the file
    std::vector<std::string> inside;  ///< the kinds of all steps that are in the file
    PictureName picture;              ///< by which the look knew it
    FrameBalance balance;
    Response response, originalResponse;
    std::map<std::string, Area> areas;
    std::string note;    ///< what is to be done
    double minutes = 0;  ///< how long it may take
    std::vector<DustSpot> spots;
    std::string small;          ///< a small grey picture of it (grey_print.h)
    std::string made;           ///< "2026-05-04 10:11:12", UTC
    std::int64_t cameBack = 0;  ///< the file that stands for it since (StandInFile::id); 0: it did not
};

std::string sentFileToText(const SentFile& sent);
/// Fails for a text that is none. `maskOf`: JobStore::masks().
Result<SentFile> sentFileFromText(const std::string& text, const MaskOf& maskOf);

inline constexpr const char* kSentRecord = "sent";
/// All that the job has sent out, oldest first; what of it cannot be read is passed over.
std::vector<SentFile> sentFilesOf(const JobStore& store);

}  // namespace amber
