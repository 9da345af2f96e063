// Sheets and reports of a job. The window and the command line both come through here.
#pragma once

#include "core/job/rounds.h"
#include "core/proof/shoot_checker.h"
#include "core/report/contact_sheet.h"
#include "core/report/report.h"

namespace amber {

/// What a report or a sheet is made of, taken from a job at one time: nothing of it needs the store any more.
struct JobToReport {
    std::string name;
    Job job;
    std::vector<Frame> frames;
    std::vector<ReadFrame> toCheck;  ///< what is handed over, light by light
    struct KeptLook {
        LookId id = 0;
        Look look;
        std::vector<PinnedVersion> pins;
        int frames = 0;  ///< on which it lands
    };
    std::vector<KeptLook> looks;  ///< those that land on frames
    Look lookForAll;
    std::vector<Gesture> journal;
    std::vector<Round> rounds;
    std::filesystem::path handedOver;  ///< where files went last
};
/// Fails when a look that lands on frames cannot be read. Without its history (journal, pinned versions), which takes
/// long to read, it is enough for sheets.
Result<JobToReport> jobToReport(const JobStore& store, bool withHistory = true);

enum class SheetOrder { Plain, ByLight, ByLook };
/// The cells of the sheet are the frames of `job.toCheck` in the order of `frames`, which is filled.
ContactSheet contactSheetOf(const JobToReport& job, SheetOrder order, std::vector<std::size_t>& frames);
/// Pictures of a sheet's cells; a frame that cannot be read is empty.
CellPicture cellPictures(const JobToReport& job, const std::vector<std::size_t>& frames, bool isWithLook = true);

/// Checks, measures and pictures are made here, as far as they are not known: by the checker, or given as `readings`
/// (of toCheck, in any order; empty: measured here). Nothing when cancelled. `made`: when, as the report says it.
std::optional<Report> reportOf(const JobToReport& job, const CheckUse& use, ShootChecker& checker,
                               std::vector<FrameReading> readings, const std::string& made,
                               const SheetProgress& progress = {}, const CancelToken& cancel = {});

/// Whether files of this name can be written as a report, or as a sheet: asked before long work is done for one.
Status isReportName(const std::filesystem::path& path);
Status isSheetName(const std::filesystem::path& path);
/// Writes a report by the ending of its name: .pdf, .html (with its pictures in a folder beside it), .json. Replaces
/// nothing but what it wrote itself.
Status saveReport(const std::filesystem::path& path, const Report& report);
/// Writes a sheet by the ending of its name: .pdf, or .jpg, `pictureWidth` pixels wide.
Status saveContactSheet(const std::filesystem::path& path, const ContactSheet& sheet, const CellPicture& picture,
                        int pictureWidth, const SheetProgress& progress = {}, const CancelToken& cancel = {});

/// "2026-05-04 10:11", UTC, now.
std::string timeNow();

}  // namespace amber
