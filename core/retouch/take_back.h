// A retouched file taken back: it comes to stand for its frame's picture, with the steps that are in it already; what
// nobody touched is as it was, to the last bit of a float.
#pragma once

#include "core/retouch/comparison.h"
#include "core/retouch/recognise.h"
#include "core/retouch/send.h"

namespace amber {

/// A file on its way back, and all that is needed of the job to take it: gathered on one thread, used on another.
struct BackOrder {
    std::filesystem::path file;
    std::vector<SentFile> sent;
    std::vector<std::filesystem::path> sources;      ///< of what each was made, as it lies now
    std::vector<std::filesystem::path> originals;    ///< the frames' own pictures, for their areas
    std::vector<std::string> names;                  ///< of the frames
    std::vector<std::shared_ptr<const Look>> looks;  ///< the steps that went into each; null: it cannot be read
    std::filesystem::path folder;                    ///< where pictures that stand for others are kept
    std::optional<FrameId> frame;                    ///< whose it is, when somebody said so
};

BackOrder backOrderOf(const JobStore& store, const std::vector<Frame>& frames, const std::filesystem::path& file,
                      std::optional<FrameId> frame = std::nullopt);

struct CameBack {
    std::filesystem::path file;
    Recognised recognised;
    bool isAsking = false;  ///< nothing was made: say whose it is
    SentFile sent;
    Comparison comparison;
    std::filesystem::path made;  ///< the picture that can stand for the frame's, linear floats (EXR)
    bool isCured = false;
    std::string hash;
    std::uintmax_t bytes = 0;
    std::string standing;       ///< of the file, when it was read
    std::string facts() const;  ///< as JSON, to be kept with it
};

/// Recognises the file, makes again what was sent, compares, and writes the picture that can stand for the frame's. The
/// file itself stays where it is. `withCure`: colours that drifted are brought back.
Result<CameBack> takeBack(const BackOrder& order, bool withCure, const CancelToken& cancel = {});

/// The file can stand for its frame from now on: the job knows it, and its frame is as it will be with it.
Result<Job> withReturned(JobStore& store, const CameBack& back);

/// A file as it stands: its place, size and time of change. Another version saved over it has another.
std::string standingOf(const std::filesystem::path& file);

/// What is said of a frame whose picture came back: "2 steps of Warm evening are in it". Empty of others.
std::string standInWords(const Job& job, FrameId frame, const Look& look);
/// "Known by its name. 3.2 % retouched, as sent elsewhere."
std::string backWords(const CameBack& back);

}  // namespace amber
