// Fine detail: texture made stronger or softer, noise left alone. A spatial step.
//
// With m the Gaussian mean of OKLab L (standard deviation in thousandths of the long edge, so that the same structures
// are meant at any size), detail = L - m, L becomes L + amount detail d^2 / (d^2 + threshold^2), d = |detail|: what is
// weaker than the threshold, mostly noise, is left as it is. The change is limited to 0.06. Where that is under 0.3
// pixels a render has nothing to show and shows nothing.
#pragma once

#include "core/look/steps/fields.h"

namespace amber {

struct FineDetail {
    static constexpr const char* kType = "fine-detail";
    static constexpr bool kIsSpatial = true;

    double amount = 0;         ///< -1..3
    double size = 1;           ///< deviation in thousandths of the long edge
    double threshold = 0.004;  ///< on the tone axis
    std::string unknownFields;
    bool operator==(const FineDetail&) const = default;

    static void fields(auto& visit, auto& self)
    {
        visit.number("amount", self.amount, -1, 3);
        visit.number("size", self.size, 0.2, 4);
        visit.number("threshold", self.threshold, 0.0005, 0.05);
    }
};

inline bool isIdentity(const FineDetail& step) { return step.amount == 0; }

inline constexpr double kDetailLimit = 0.06;

}  // namespace amber
