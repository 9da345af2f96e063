// Balance on the demo shoot, nothing done by hand, against what is known of it.
#include "core/base/atomic_file.h"
#include "core/colour/difference.h"
#include "core/image/read.h"
#include "core/match/group_balance.h"
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
    std::vector<BalanceEvidence> frames;
    std::vector<nlohmann::json> truth;
    std::vector<LightGroup> groups;
    std::vector<Bracket> brackets;
    Response response;
};

const Shoot& shoot()
{
    static const Shoot all = [] {
        Shoot s;
        std::map<std::string, nlohmann::json> truth;
        const auto known = nlohmann::json::parse(test::readText(fs::path(AMBER_SOURCE_DIR) / "demo/truth.json"));
        for (const auto& frame : known["frames"])
            truth[frame["name"]] = frame;
        std::vector<FrameFacts> facts;
        for (const auto& [name, frame] : truth) {
            const fs::path path = kFrames / (name + ".jpg");
            const auto picture = readReduced(path, kFeatureEdge, true);
            s.names.push_back(name);
            s.truth.push_back(frame);
            facts.push_back(frameFacts(readReduced(path, 320, true)->image.view(), captureFacts(path)));
            s.frames.push_back(evidenceOf(picture->image.view(), captureFacts(path)));
        }
        s.groups = lightGroups(facts);
        s.brackets = findBrackets(facts);
        for (const Bracket& bracket : s.brackets)
            for (std::size_t i : bracket.frames)
                s.frames[i].inBracket = true;
        s.response = responseOf(s.frames, s.brackets);
        for (BalanceEvidence& frame : s.frames)
            frame.response = s.response;
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
    for (const LightGroup& group : s.groups) {
        std::vector<BalanceEvidence> frames;
        std::size_t lead = 0;
        for (std::size_t i : group.frames) {
            if (i == group.lead)
                lead = frames.size();
            frames.push_back(s.frames[i]);
        }
        const auto solved = balanceGroup(frames, lead);
        for (std::size_t k = 0; k < solved.size(); ++k) {
            const std::size_t i = group.frames[k];
            const Balance want = wanted(s.truth[i], s.truth[group.lead]);
            const SolvedBalance& r = solved[k];
            std::printf("%-17s ev %+.2f (%+.2f)  K %5.0f (%5.0f) tint %+4.1f (%+4.1f)  ground %d conf %.2f resid %5.2f support %4d trouble %d %.2f\n", s.names[i].c_str(), r.balance.exposureStops, want.exposureStops, r.balance.kelvin, want.kelvin,
                        r.balance.tint, want.tint, static_cast<int>(r.ground), r.confidence, r.residual, r.support, static_cast<int>(r.trouble), r.measured);
            stops.push_back(std::abs(r.balance.exposureStops - want.exposureStops));
            kelvin.push_back(std::abs(r.balance.kelvin - want.kelvin));
        }
    }
    std::printf("median: %.3f stops, %.0f K\n", median(stops), median(kelvin));
    EXPECT_LE(median(stops), 0.1);
    EXPECT_LE(median(kelvin), 150);
}

}  // namespace
}  // namespace amber
