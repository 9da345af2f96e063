// What every spatial kernel is. It is prepared from the picture as it enters the step, then runs pixel by pixel like
// any other:
//
//   Domain domain() const;
//   bool needsPicture() const;                          false: only the place of a pixel matters
//   std::shared_ptr<const void> prepare(ImageView picture, double pixelsPerDelivered) const;
//   OkLab or LinearRgb at(const void* prepared, const Place&, colour) const;   the definition, one pixel in the
//   kernel's domain
// and in its -inl.h  Run(kernel, tile, place, prepared), the same for a run of pixels in one row.
//
// `pixelsPerDelivered` is how many of the picture's pixels make one of the delivered file's: under 1 for a small render
// of a large one.
#pragma once

#include "core/colour/types.h"
#include "core/engine/plane.h"
#include "core/look/steps/kernel_domain.h"

#include <memory>

namespace amber {

template <class K>
concept SpatialKernel = requires(const K& kernel)
{
    kernel.needsPicture();
};

/// Several steps prepare one plane that is added to lightness.
struct LightnessChange {
    Plane change;  ///< empty: nothing is changed
    Plane mask;    ///< where the step works, 0..1, when it has a mask
};

}  // namespace amber
