#include "core/display/client_loss.h"

#include "core/base/number_text.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/image/lcms.h"
#include "core/image/profile.h"
#include "core/image/write.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace amber {
namespace {

/// Lab against D50 of many codes on a device.
std::vector<Lab> labOf(const LcmsTransform& toXyz, const std::vector<std::uint8_t>& codes)
{
    std::vector<double> in(codes.size()), out(codes.size());
    std::transform(codes.begin(), codes.end(), in.begin(), [](std::uint8_t c) { return c / 255.0; });
    toXyz.run(in.data(), out.data(), codes.size() / 3);
    std::vector<Lab> all;
    for (std::size_t i = 0; i < out.size(); i += 3)
        all.push_back(toLab(Xyz{out[i], out[i + 1], out[i + 2]}));
    return all;
}

/// The greys 0..255 of a device, and how many of them lie at its ends.
struct ToneEnds {
    int dark = 0, light = 255;  ///< codes up to and from which none can be told from the end
    explicit ToneEnds(const LcmsTransform& toXyz)
    {
        std::vector<std::uint8_t> greys;
        for (int i = 0; i < 256; ++i)
            greys.insert(greys.end(), 3, static_cast<std::uint8_t>(i));
        const std::vector<Lab> lab = labOf(toXyz, greys);
        while (dark < 255 && lab[static_cast<std::size_t>(dark + 1)].l - lab[0].l < ClientLoss::kTold)
            ++dark;
        while (light > 0 && lab[255].l - lab[static_cast<std::size_t>(light - 1)].l < ClientLoss::kTold)
            --light;
    }
    /// Light of the first code that can be told, as it was meant.
    static double lightOf(int code) { return decodeComponent(RgbSpace::Srgb, code / 255.0); }
};

LcmsTransform toXyzOf(cmsHPROFILE device)
{
    const LcmsProfile xyz(cmsCreateXYZProfile());
    return LcmsTransform(cmsCreateTransform(device, TYPE_RGB_DBL, xyz.get(), TYPE_XYZ_DBL, INTENT_RELATIVE_COLORIMETRIC,
                                            cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE));
}

}  // namespace

Result<ClientLoss> clientLoss(const DeviceProfile& client, ImageView linear)
{
    const LcmsProfile theirs = openLcms(client.icc), ours = openLcms(iccProfile(RgbSpace::Srgb));
    if (client.kind != DeviceProfile::Kind::Rgb || !theirs || !ours)
        return fail("this is no profile of a screen", client.title);
    const LcmsTransform there = toXyzOf(theirs.get()), meant = toXyzOf(ours.get());
    if (!there || !meant)
        return fail("colours cannot be taken from this profile", client.title);
    const ToneEnds endsThere(there), endsMeant(meant);
    ClientLoss loss;
    loss.darkStops = std::log2(ToneEnds::lightOf(endsThere.dark + 1) / ToneEnds::lightOf(endsMeant.dark + 1));
    loss.lightStops = std::log2(ToneEnds::lightOf(std::max(1, endsMeant.light - 1)) /
                                ToneEnds::lightOf(std::max(1, endsThere.light - 1)));
    std::vector<std::uint8_t> codes(static_cast<std::size_t>(linear.width) * static_cast<std::size_t>(linear.height) *
                                    3);
    encodeToCodes(linear, RgbSpace::Srgb, codes.data());
    const std::vector<Lab> is = labOf(there, codes), was = labOf(meant, codes);
    double chromaThere = 0, chromaMeant = 0;
    std::size_t dark = 0, light = 0;
    for (std::size_t i = 0; i < is.size(); ++i) {
        const int most = std::max({codes[3 * i], codes[3 * i + 1], codes[3 * i + 2]}),
                  least = std::min({codes[3 * i], codes[3 * i + 1], codes[3 * i + 2]});
        dark += most <= endsThere.dark && most > endsMeant.dark;
        light += least >= endsThere.light && least < endsMeant.light;
        loss.brightness += is[i].l - was[i].l;
        chromaThere += std::hypot(is[i].a, is[i].b), chromaMeant += std::hypot(was[i].a, was[i].b);
        loss.difference += ciede2000(was[i], is[i]);
    }
    const double count = std::max<double>(1, static_cast<double>(is.size()));
    loss.darkShare = static_cast<double>(dark) / count, loss.lightShare = static_cast<double>(light) / count;
    loss.brightness /= count, loss.difference /= count;
    loss.chroma = chromaMeant / count > 1 ? chromaThere / chromaMeant : 1;
    return loss;
}

std::string wordsOf(const ClientLoss& loss)
{
    std::vector<std::string> parts;
    const auto lost = [&](double stops, double share, const char* which) {
        if (stops >= 0.05)
            parts.push_back("loses the " + std::string(which) + " " + fixedText(stops, 1) + " stops (" +
                            (share < 0.0005 ? "nothing" : fixedText(100 * share, 1) + " %") + " of this picture)");
    };
    lost(loss.darkStops, loss.darkShare, "darkest");
    lost(loss.lightStops, loss.lightShare, "lightest");
    if (std::abs(loss.brightness) >= 0.5)
        parts.push_back(fixedText(std::abs(loss.brightness), 1) + " L* " +
                        (loss.brightness > 0 ? "lighter" : "darker"));
    if (std::abs(loss.chroma - 1) >= 0.02)
        parts.push_back("chroma at " + fixedText(100 * loss.chroma, 0) + " %");
    if (loss.difference >= 0.5)
        parts.push_back("mean ΔE " + fixedText(loss.difference, 1));
    std::string words;
    for (const std::string& part : parts)
        words += (words.empty() ? "" : ", ") + part;
    return words.empty() ? "shows it as it is" : words;
}

}  // namespace amber
