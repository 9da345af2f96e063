// A picture that came back held against what was sent: where it lies in it, what was retouched, whether its colours as
// a whole drifted; and the two joined, so that what nobody touched is as it was.
#pragma once

#include "core/image/read.h"
#include "core/measure/framing.h"

#include <array>
#include <optional>

namespace amber {

/// Colours that drifted, and the way back: for each channel of the sent file's own codes (ProPhoto, 0..1) a polynomial
/// of 1, r, g, b, their squares and products, fitted over places that agree (M-estimate of Tukey's biweight, P. Huber
/// and E. Ronchetti, Robust Statistics, 2009).
struct Drift {
    double mean = 0;   ///< CIEDE2000 between what came back and what was sent, outside retouched places
    double after = 0;  ///< the same once it is cured
    std::array<std::array<double, 10>, 3> cure{};
};

struct Comparison {
    enum class Lies {
        Same,    ///< pixel on pixel
        Cut,     ///< a part of it, pixel on pixel
        Resized  ///< all or a part of it at another size
    } lies = Lies::Same;
    int left = 0, top = 0;       ///< of a part, in pixels of what was sent
    Region kept;                 ///< the same in fractions
    double likeness = 0;         ///< correlation of both, reduced: -1..1
    double touched = 0;          ///< share of its pixels that were changed; of a resized one, of its reduction
    double restored = 0;         ///< share of its pixels that can be taken from what was sent
    std::optional<Drift> drift;  ///< none, or too little to see (below 0.15)
    int bits = 16;               ///< that it came back with
    bool isAsSent() const { return lies == Lies::Same && touched == 0 && !drift; }
};

/// `sent`: the picture that was written, before it became codes. Fails when what came back is not seen in it.
Result<Comparison> compareReturned(ImageView sent, const Picture& returned);

/// What came back, in working-space light: where its codes are still those that were sent (or, of fewer bits or cured,
/// within a step of them), the light that was sent, to the last bit; else its own, with the drift cured when asked for.
Image joined(ImageView sent, const Picture& returned, const Comparison& comparison, bool withCure);

}  // namespace amber
