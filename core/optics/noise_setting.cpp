#include "core/optics/noise_setting.h"

#include <cmath>
#include <iterator>
#include <map>

namespace amber {

double strengthAt(const std::vector<NoiseSetting>& settings, double sensitivity)
{
    constexpr double kBase = 100;
    struct Sum {
        double strength = 0;
        int count = 0;
        double mean() const { return strength / count; }
    };
    std::map<double, Sum> known;
    for (const NoiseSetting& s : settings)
        if (s.sensitivity > 0)
            known[s.sensitivity].strength += s.strength, ++known[s.sensitivity].count;
    if (known.empty() || sensitivity <= 0)
        return 0;
    if (known.size() == 1 && known.begin()->first > kBase)
        known[kBase] = {0, 1};
    const auto above = known.lower_bound(sensitivity);
    if (above == known.end())
        return std::prev(above)->second.mean();
    if (above == known.begin())
        return above->second.mean();
    const auto below = std::prev(above);
    const double share = std::log2(sensitivity / below->first) / std::log2(above->first / below->first);
    return std::lerp(below->second.mean(), above->second.mean(), share);
}

}  // namespace amber
