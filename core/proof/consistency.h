// Consistency of a shoot: every frame's key colours and tones against the lead of its light group and against their
// targets.
#pragma once

#include "core/frame/frame_balance.h"
#include "core/measure/key_colour.h"

#include <optional>
#include <string>
#include <vector>

namespace amber {

/// Tone measures that stand beside the key colours, in L* points (CIELAB of the mean OKLab lightness; contrast: of its
/// 95 % less its 5 % quantile).
enum class ToneColumn { Brightness, Contrast };
inline constexpr int kToneColumns = 2;
inline constexpr std::array<double, kToneColumns> kToneTolerance{4, 10};

/// Of a picture in linear light.
std::array<double, kToneColumns> toneColumns(ImageView picture);

/// What is measured of one frame. Key colours in the order of the shoot's list; nothing where a frame does not show
/// one.
struct FrameReading {
    std::int64_t frame = 0;
    int group = 0;
    bool isLead = false;
    std::vector<std::optional<LinearRgb>> untouched, balanced, finished;  ///< as read, on one footing, with the look
    std::vector<double>
        doubt;  ///< 0: confirmed by the artist or marked there; 1 less the confidence where it was found
    std::array<double, kToneColumns> toneBefore{}, toneAfter{};
    std::vector<Region> places;  ///< of the key colours on the balanced frame, in the order of the list; empty regions
                                 ///< where there are none
    Image small;                 ///< the balanced frame, for what a change of the look does
    std::string fault;           ///< why it could not be read
};

struct ConsistencyCell {
    bool isMeasured = false;
    double before = 0, after = 0;    ///< difference to the lead of the group: CIEDE2000, or L* points
    std::optional<double> toTarget;  ///< CIEDE2000 to the key colour's target
    bool isWithin = true, isOutlier = false;
};
/// What stands out most, why by the measure, and what would mend it.
struct Outlier {
    std::int64_t frame = 0;
    std::size_t column = 0;
    double difference = 0, tolerance = 0;
    enum class Cause { Exposure, White, ThisThingOnly, Clipped, Doubtful } cause = Cause::Exposure;
    Balance cure;          ///< to come on top of the frame's own; identity when there is none
    double afterCure = 0;  ///< the difference that would be left
};
struct ConsistencyTable {
    std::vector<std::vector<ConsistencyCell>> rows;  ///< per reading: key colours, then tone columns
    double within = 1,
           withinBefore =
               1;  ///< shares of measured key colour cells within tolerance (leads and doubtful places left out)
    std::vector<double> spread,
        spreadBefore;  ///< 95 % quantile per key colour over all groups; -1 where never measured twice
    double allSpread = 0, allSpreadBefore = 0;  ///< of all key colours together
    std::vector<Outlier> outliers;              ///< the most visible first
};
/// Outliers among the key colours: past the tolerance and more than three robust deviations (1.4826 MAD) over the
/// median of their column. Cause: `Exposure` or `White` when a fit over the frame's key colours to the lead's takes
/// away more than half of the difference and helps two thirds of them, two at least, and by which half of the fit did
/// it.
ConsistencyTable consistency(const std::vector<FrameReading>& readings, const std::vector<KeyColour>& keys);

/// The table as CSV, with one head row and units; frames by the names given.
std::string consistencyCsv(const ConsistencyTable& table, const std::vector<KeyColour>& keys,
                           const std::vector<std::string>& frames);

}  // namespace amber
