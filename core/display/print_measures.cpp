#include "core/display/print_measures.h"

#include "core/base/parallel.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/image/lcms.h"

#include <algorithm>
#include <cmath>

namespace amber {
namespace {

class Lcms final : public PrintMeasures {
public:
    Lcms(LcmsTransform toInks, LcmsTransform back, std::size_t inks)
        : m_toInks(std::move(toInks)), m_back(std::move(back)), m_inks(inks)
    {
        measureEnds();
    }

    std::vector<float> inkSums(ImageView linear) const override
    {
        if (m_inks != 4)
            return {};
        std::vector<float> sums(static_cast<std::size_t>(linear.width) * static_cast<std::size_t>(linear.height));
        const Matrix3 toXyz = workingToD50();
        inParallel(static_cast<std::size_t>(linear.height), [&](std::size_t y) {
            std::vector<double> xyz(static_cast<std::size_t>(linear.width) * 3),
                inks(static_cast<std::size_t>(linear.width) * m_inks);
            const float* row = linear.row(static_cast<int>(y));
            for (std::size_t x = 0; x < static_cast<std::size_t>(linear.width); ++x) {
                const LinearRgb c = apply(toXyz, LinearRgb{row[3 * x], row[3 * x + 1], row[3 * x + 2]});
                xyz[3 * x] = c.r, xyz[3 * x + 1] = c.g, xyz[3 * x + 2] = c.b;
            }
            m_toInks.run(xyz.data(), inks.data(), static_cast<std::size_t>(linear.width));
            for (std::size_t x = 0; x < static_cast<std::size_t>(linear.width); ++x) {
                double sum = 0;
                for (std::size_t i = 0; i < m_inks; ++i)
                    sum += inks[x * m_inks + i];
                sums[y * static_cast<std::size_t>(linear.width) + x] = static_cast<float>(sum);
            }
        });
        return sums;
    }
    const PrintEnds& ends() const override { return m_ends; }

private:
    /// Device values of a grey, and their sum as a share of all inks' most; of RGB: what is taken from white.
    std::pair<std::array<double, 4>, double> inksOf(double lightness) const
    {
        const double t = (lightness + 16) / 116;
        const double y = lightness > 8 ? t * t * t : lightness / 903.2962962963;
        const double xyz[3] = {y * kD50.x, y * kD50.y, y * kD50.z};
        std::array<double, 4> inks{};
        m_toInks.run(xyz, inks.data(), 1);
        double sum = 0;
        for (std::size_t i = 0; i < m_inks; ++i)
            sum += m_inks == 4 ? inks[i] / 100 : (1 - inks[i]) / 3;
        return {inks, sum};
    }
    void measureEnds()
    {
        double given[3];
        m_back.run(inksOf(0).first.data(), given, 1);
        m_ends.deepestBlack = std::max(0.0, toLab(Xyz{given[0], given[1], given[2]}).l);
        for (double l = 100; l > 50; l -= 0.05)
            if (inksOf(l).second >= PrintEnds::kLeastInk) {
                m_ends.lightestInk = l;
                break;
            }
        const auto tone = [](double l) { return std::cbrt(l > 8 ? std::pow((l + 16) / 116, 3) : l / 903.2962962963); };
        m_ends.floor = tone(m_ends.deepestBlack), m_ends.ceiling = tone(m_ends.lightestInk);
    }

    LcmsTransform m_toInks, m_back;
    std::size_t m_inks;
    PrintEnds m_ends;
};

}  // namespace

Result<std::shared_ptr<const PrintMeasures>> PrintMeasures::make(const DeviceProfile& printer,
                                                                 const PrintChoices& choices)
{
    const LcmsProfile device = openLcms(printer.icc), xyz(cmsCreateXYZProfile());
    if (!device || (!printer.isPrinter && printer.kind != DeviceProfile::Kind::Cmyk))
        return fail("this is no profile of a printer", printer.title);
    const cmsUInt32Number intent =
        choices.intent == ViewIntent::Perceptual ? INTENT_PERCEPTUAL : INTENT_RELATIVE_COLORIMETRIC;
    LcmsTransform to(device.get(), intent, choices.blackPoint ? cmsFLAGS_BLACKPOINTCOMPENSATION : 0);
    LcmsTransform back(cmsCreateTransform(device.get(), doublesOf(device.get()), xyz.get(), TYPE_XYZ_DBL,
                                          INTENT_RELATIVE_COLORIMETRIC, cmsFLAGS_NOOPTIMIZE | cmsFLAGS_NOCACHE));
    if (!to || !back)
        return fail("colours cannot be sent to this printer", printer.title);
    return std::make_shared<const Lcms>(std::move(to), std::move(back),
                                        printer.kind == DeviceProfile::Kind::Cmyk ? 4 : 3);
}

InkPast inkPast(const std::vector<float>& sums, double limit)
{
    InkPast past;
    past.marks.reserve(sums.size());
    std::size_t count = 0;
    for (const float sum : sums) {
        past.most = std::max(past.most, static_cast<double>(sum));
        past.marks.push_back(sum > limit ? 1 : 0);
        count += past.marks.back();
    }
    past.share = sums.empty() ? 0 : static_cast<double>(count) / static_cast<double>(sums.size());
    return past;
}

}  // namespace amber
