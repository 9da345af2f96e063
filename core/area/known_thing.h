// What is known of a thing from where somebody marked it, and where in another picture something like it may be.
#pragma once

#include "core/area/colour_model.h"
#include "core/area/found_again.h"

#include <array>
#include <opencv2/core.hpp>

namespace amber {

/// What of a region's form is compared: M.-K. Hu's first two moments (IRE Trans. Inf. Theory 8, 1962) among them.
struct ThingForm {
    double aspect = 0, filled = 0, size = -20;  ///< log width / height, share of its hull, log of its share of all
    std::array<double, 2> moments{};
};
ThingForm formOf(const cv::Mat& mask);

struct KnownThing {
    explicit KnownThing(const std::vector<MarkedThing>& marked);
    bool isNothing() const { return forms.empty(); }
    /// The marked form that is most like this one.
    const ThingForm& nearest(const ThingForm& form) const;
    /// How like the nearest marked form it is, 0..1.
    double likeForm(const ThingForm& form) const;

    ColourModel own, others;  ///< of the thing; of what else its pictures show
    std::vector<ThingForm> forms;
    std::vector<cv::Mat> masks;  ///< as large as the half grounds
};

/// A region that may be the thing; the higher its score, the likelier.
struct Candidate {
    double score;
    cv::Mat mask;
    double sureness = 0;
};
/// The best `most` of which none overlaps a better one by `mostOverlap` or more, best first.
void sortAndPart(std::vector<Candidate>& all, double mostOverlap, std::size_t most);

/// Where the thing may be, by how likely each pixel is its own: connected pieces, those that strong edges part, and
/// places that its silhouette covers at some size. `gradient`: of the same picture.
std::vector<Candidate> piecesOf(const KnownThing& known, const cv::Mat& likely, const cv::Mat& lab,
                                const cv::Mat& gradient);

}  // namespace amber
