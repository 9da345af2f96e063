// Balance on the demo shoot, nothing done by hand, against what is known of it.
#include "core/base/atomic_file.h"
#include "core/colour/difference.h"
#include "core/image/read.h"
#include "core/match/shoot_balance.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <gtest/gtest.h>
#include <map>
#include <nlohmann/json.hpp>

namespace amber {
namespace {

namespace fs = std::filesystem;
const fs::path kFrames = fs::path(AMBER_SOURCE_DIR) / "demo/frames";

struct Shoot {
    std::vector<std::string> names;
    std::vector<ShootFrame> frames;
    std::vector<nlohmann::json> truth;
    std::vector<LightGroup> groups;
    ShootBalance solved;
    std::size_t leadOf(std::size_t i) const { return groups[static_cast<std::size_t>(frames[i].group)].lead; }
};

/// The demo shoot, balanced once with nothing done by hand.
const Shoot& shoot()
{
    static const Shoot all = [] {
        Shoot s;
        const auto known = nlohmann::json::parse(test::readText(fs::path(AMBER_SOURCE_DIR) / "demo/truth.json"));
        std::vector<FrameFacts> facts;
        for (const auto& frame : known["frames"]) {
            const fs::path path = kFrames / (frame["name"].get<std::string>() + ".jpg");
            s.names.push_back(frame["name"]);
            s.truth.push_back(frame);
            s.frames.push_back({path, 0, false, -1, {}, {}});
            facts.push_back(frameFacts(readReduced(path, 320, true)->image.view(), captureFacts(path)));
        }
        s.groups = lightGroups(facts);
        for (std::size_t g = 0; g < s.groups.size(); ++g)
            for (std::size_t i : s.groups[g].frames)
                s.frames[i].group = static_cast<int>(g), s.frames[i].isLead = i == s.groups[g].lead;
        const auto brackets = findBrackets(facts);
        for (std::size_t b = 0; b < brackets.size(); ++b)
            for (std::size_t i : brackets[b].frames)
                s.frames[i].bracket = static_cast<int>(b);
        s.solved = balanceShoot(s.frames).value();
        return s;
    }();
    return all;
}

/// The gains that bring a frame onto its lead, by what is known: how neutral looks in each, by the light and the white the camera chose.
Balance wanted(const nlohmann::json& frame, const nlohmann::json& lead)
{
    const auto neutral = [](const nlohmann::json& f) {
        const Balance light = lightOf({f["white"][0], f["white"][1]});
        const auto a = coneGains({0, light.kelvin, light.tint}), b = coneGains({0, f["as_shot_kelvin"].get<double>(), 0});
        return std::array{b[0] - a[0], b[1] - a[1], b[2] - a[2]};
    };
    const auto p = neutral(frame), q = neutral(lead);
    Balance b = fromConeGains({q[0] - p[0], q[1] - p[1], q[2] - p[2]});
    b.exposureStops = lead["stops"].get<double>() - frame["stops"].get<double>();
    return b;
}

double median(std::vector<double> v)
{
    std::nth_element(v.begin(), v.begin() + static_cast<std::ptrdiff_t>(v.size() / 2), v.end());
    return v[v.size() / 2];
}

TEST(OnTheDemoShoot, BalanceFindsExposureAndWhite)
{
    const Shoot& s = shoot();
    std::vector<double> stops, kelvin;
    for (std::size_t i = 0; i < s.names.size(); ++i) {
        const Balance want = wanted(s.truth[i], s.truth[s.leadOf(i)]);
        const SolvedBalance& r = s.solved.frames[i];
        std::printf("%-17s ev %+.2f (%+.2f)  K %5.0f (%5.0f) tint %+4.1f (%+4.1f)  ground %d conf %.2f resid %5.2f support %4d trouble %d %.2f\n", s.names[i].c_str(), r.balance.exposureStops, want.exposureStops, r.balance.kelvin, want.kelvin, r.balance.tint, want.tint, static_cast<int>(r.ground), r.confidence, r.residual, r.support,
                    static_cast<int>(r.trouble), r.measured);
        stops.push_back(std::abs(r.balance.exposureStops - want.exposureStops));
        kelvin.push_back(std::abs(r.balance.kelvin - want.kelvin));
    }
    std::printf("median: %.3f stops, %.0f K\n", median(stops), median(kelvin));
    EXPECT_LE(median(stops), 0.1);
    EXPECT_LE(median(kelvin), 150);
}

}  // namespace
}  // namespace amber
