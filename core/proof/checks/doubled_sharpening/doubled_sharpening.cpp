// Sharpening on top of sharpening: by how much the frame's edges overshot as it came, when the look sharpens as well.
#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/proof/checks/kinds.h"

namespace amber {
namespace {

void measure(const CheckedFrame& frame, std::vector<Measured>& out)
{
    const EdgeFacts& edges = frame.evidence().edges;
    int step = -1;
    for (std::size_t i = 0; i < frame.look().steps.size(); ++i) {
        const Step& s = frame.look().steps[i];
        if (!isIdentity(s) && (std::holds_alternative<OutputSharpening>(s.parameters) ||
                               std::holds_alternative<FineDetail>(s.parameters)))
            step = static_cast<int>(i);
    }
    const double came = edges.isKnown() ? 100 * edges.overshoot : 0;
    out.push_back({step >= 0 ? came : 0,
                   {},
                   phrase("edges overshoot by %1 % as the frame came", {fixedText(came, 0)}) +
                       (step >= 0 ? phrase(", and the look sharpens") : ""),
                   {},
                   step,
                   {}});
}

}  // namespace

const CheckKind kDoubledSharpening{"doubled-sharpening",
                                   "Doubled sharpening",
                                   "%",
                                   0,
                                   "Edges that were sharpened twice get hard light borders, and noise comes up.",
                                   {10, 10, 9},
                                   measure,
                                   nullptr};

}  // namespace amber
