#include "core/measure/framing.h"

#include "core/colour/gamut.h"
#include "core/colour/rgb_space.h"

#include <algorithm>
#include <cmath>
#include <locale>
#include <sstream>

namespace amber {

bool Framing::counts(double x, double y) const
{
    return crop.contains(x, y) &&
           std::none_of(leftOut.begin(), leftOut.end(), [&](const Region& r) { return r.contains(x, y); });
}

namespace {

template <class Take>
void forCounted(ImageView image, const Framing& framing, Take&& take)
{
    for (int y = 0; y < image.height; ++y)
        for (int x = 0; x < image.width; ++x)
            if (framing.counts((x + 0.5) / image.width, (y + 0.5) / image.height))
                take(image.row(y) + 3 * x, x, y);
}

}  // namespace

Image counted(ImageView image, const Framing& framing)
{
    int count = 0;
    if (!framing.isWhole())
        forCounted(image, framing, [&](const float*, int, int) { ++count; });
    const bool whole = count == 0;
    Image out(whole ? image.width * image.height : count, 1);
    float* to = out.mutableView().data;
    forCounted(image, whole ? Framing{} : framing, [&](const float* p, int, int) { to = std::copy(p, p + 3, to); });
    return out;
}

ClipPlaces clipPlaces(ImageView image, const Framing& framing)
{
    ClipPlaces places;
    const double share = 1.0 / (static_cast<double>(image.width) * image.height);
    const Matrix3& toSrgb = fromWorking(RgbSpace::Srgb);
    forCounted(image, framing, [&](const float* p, int x, int y) {
        const LinearRgb c = apply(toSrgb, {p[0], p[1], p[2]});
        const auto place = static_cast<std::size_t>(3 * (3 * y / image.height) + 3 * x / image.width);
        places.low[place] += std::min({c.r, c.g, c.b}) <= kGamutTolerance ? share : 0;
        places.high[place] += std::max({c.r, c.g, c.b}) >= 1 - kGamutTolerance ? share : 0;
    });
    return places;
}

// Numbers are written and read in the classic locale, whatever the program's is.
std::string framingToText(const Framing& framing)
{
    std::ostringstream text;
    text.imbue(std::locale::classic());
    text.precision(6);
    const auto put = [&](const Region& r) {
        text << r.left << ' ' << r.top << ' ' << r.right << ' ' << r.bottom << ';';
    };
    put(framing.crop);
    for (const Region& r : framing.leftOut)
        put(r);
    return text.str();
}

Result<Framing> framingFromText(const std::string& text)
{
    Framing framing;
    std::istringstream all(text);
    std::string part;
    for (bool first = true; std::getline(all, part, ';'); first = false) {
        Region r;
        std::istringstream numbers(part);
        numbers.imbue(std::locale::classic());
        if (!(numbers >> r.left >> r.top >> r.right >> r.bottom) || !(numbers >> std::ws).eof() ||
            !(r.left < r.right) || !(r.top < r.bottom))
            return fail("a crop or a region left out cannot be read", {}, "four numbers", part.substr(0, 60));
        if (first)
            framing.crop = r;
        else
            framing.leftOut.push_back(r);
    }
    return framing;
}

}  // namespace amber
