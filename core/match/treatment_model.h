// A treatment as far as colours before and after tell it: what it makes of any colour, and how sure that is.
#pragma once

#include "core/base/cancel.h"
#include "core/base/result.h"
#include "core/colour/types.h"
#include "core/match/treatment_prior.h"

#include <memory>
#include <string>
#include <vector>

namespace amber {

/// How well colours are foretold that a model of these parts has not seen: whole regions of hue and tone left out in
/// turn. Mean CIEDE2000.
struct PartEarned {
    TreatmentPart upTo = TreatmentPart::Curve;
    double leftOut = 0;
    bool chosen = false;
};

/// "One curve", "A curve for each channel", ...
std::string titleOf(TreatmentPart upTo);

struct ForetoldColour {
    EncodedRgb code;               ///< sRGB, the most likely, 0..1
    double spread[3] = {0, 0, 0};  ///< standard deviation of each channel
    double variance() const { return spread[0] * spread[0] + spread[1] * spread[1] + spread[2] * spread[2]; }
};

/// Gaussian process regression with the covariance of treatment_prior.h. How many parts take a share, and how large the
/// changes are, is chosen by what regions of colour (six hues and grey, by three tones) are foretold best from the
/// others. Colours that disagree with their neighbours lose their say. The first 240 colours are learned from.
class TreatmentModel {
public:
    TreatmentModel() = default;  ///< knows nothing: may be assigned to only
    /// sRGB codes outside 0..1 are held to the ends. At least a dozen colours. Given up, it foretells nothing of use.
    static TreatmentModel learn(const std::vector<LinearRgb>& before, const std::vector<LinearRgb>& after,
                                const CancelToken& cancel = {});

    std::vector<ForetoldColour> foretell(const std::vector<LinearRgb>& colours) const;
    /// What it is wise to do with a colour: the change foretold, less of it the less sure it is. Codes. The share kept
    /// is change^2 / (change^2 + variance / 2).
    static EncodedRgb held(const LinearRgb& colour, const ForetoldColour& foretold);

    const std::vector<PartEarned>& earned() const;
    /// Of the parts chosen.
    double leftOut() const;

private:
    struct Learned;
    std::shared_ptr<const Learned> m_learned;
};

}  // namespace amber
