// From working-space light to the codes of the screen in front of the artist.
//
// A screen with three primaries and curves:  codes = curve (matrix rgb), the curves sampled from LittleCMS.
// Any other, and all proofs:  a cube of 65 samples to the edge by LittleCMS between matrix and codes, run by the table
// kernel of the engine.
// Codes are dithered. Without a profile the screen is taken for sRGB, and codes are those of a file handed over in it.
#pragma once

#include "core/display/device_profile.h"
#include "core/image/image.h"

#include <memory>
#include <optional>

namespace amber {

enum class ViewIntent { Relative, Perceptual };

struct ViewOptions {
    ViewIntent intent = ViewIntent::Relative;
    bool blackPoint = true;  ///< the picture's black is laid on the darkest the screen gives (ISO 18619)
    /// Seen as it would be printed on this.
    std::optional<DeviceProfile> proof;
    ViewIntent proofIntent = ViewIntent::Relative;
    bool paperWhite = false;  ///< the paper's own white and black are shown
    /// Seen as on this screen of someone else, which takes the codes of an sRGB file as its own.
    std::optional<DeviceProfile> client;
    /// Proofs and clients: every pixel by LittleCMS itself, with no cube between. For pictures that stand still: a
    /// megapixel takes seconds.
    bool isExact = false;
};

class ViewTransform {
public:
    /// The screen is taken for sRGB.
    static std::shared_ptr<const ViewTransform> srgb();
    /// `screen`: none, sRGB. Takes up to half a second with a proof. Fails when LittleCMS finds no way.
    static Result<std::shared_ptr<const ViewTransform>> make(const std::optional<DeviceProfile>& screen,
                                                             const ViewOptions& options = {});
    virtual ~ViewTransform() = default;

    /// Opaque pixels 0xffRRGGBB, `stride` of them from row to row. Thread safe.
    virtual void apply(ImageView linear, std::uint32_t* pixels, std::size_t stride) const = 0;
    /// 1 for each pixel whose colour the screen (in a proof: the printer) cannot show: over 0.01 of encoded values
    /// outside its primaries, or CIEDE2000 over 3 from what comes out of it (relative colorimetric).
    virtual void markOutside(ImageView linear, std::uint8_t* marks) const = 0;
};

}  // namespace amber
