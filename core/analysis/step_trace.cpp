#include "core/analysis/step_trace.h"

#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/engine/role_places.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace amber {
namespace {

constexpr double kLowShare = 0.05, kHighShare = 0.95;
constexpr int kTraceEdge = 120, kSeparationEdge = 240, kTones = 24;

LinearRgb grey(double L) { return toLinearRgb(OkLab{L, 0, 0}); }

/// Brightness, contrast and chroma of what counts, and the shares of its tones.
std::array<double, kTones> measure(ImageView picture, const Framing& framing, StepState& state)
{
    const Size grid = fitted({picture.width, picture.height}, kTraceEdge);
    std::vector<double> lightness;
    std::array<double, kTones> shares{};
    const auto read = [&](const Framing& what) {
        for (int j = 0; j < grid.height; ++j)
            for (int i = 0; i < grid.width; ++i) {
                if (!what.counts((i + 0.5) / grid.width, (j + 0.5) / grid.height))
                    continue;
                const float* p = picture.row(j * picture.height / grid.height) + 3 * (i * picture.width / grid.width);
                const OkLab lab = toOkLab(LinearRgb{p[0], p[1], p[2]});
                lightness.push_back(lab.L);
                state.meanL += lab.L, state.meanChroma += std::hypot(lab.a, lab.b);
                ++shares[static_cast<std::size_t>(std::clamp(static_cast<int>(lab.L * kTones), 0, kTones - 1))];
            }
    };
    read(framing);
    if (lightness.empty())
        read({});
    const double n = static_cast<double>(lightness.size());
    state.meanL /= n, state.meanChroma /= n;
    for (double& share : shares)
        share /= n;
    state.contrast = quantile(lightness, kHighShare) - quantile(lightness, kLowShare);
    return shares;
}

/// What is followed through the steps: the picture, key colours marked elsewhere, the ends and the greys.
class Followed {
public:
    Followed(ImageView picture, std::int64_t frame, const std::vector<KeyColour>& keys, const Framing& framing,
             const RoleMasks* masks)
        : m_now(picture.width, picture.height), m_frame(frame), m_keys(keys), m_framing(framing)
    {
        for (int y = 0; y < picture.height; ++y)
            std::copy(picture.row(y), picture.row(y) + 3 * picture.width, m_now.mutableView().row(y));
        for (const KeyColour& key : keys)
            m_elsewhere.push_back(key.marked);
        for (int i = 0; i < kTones; ++i)
            m_neutrals[static_cast<std::size_t>(i)] = grey((i + 0.5) / kTones);
        if (masks)
            takeMasks(*masks);
    }
    void takeMasks(const RoleMasks& masks)
    {
        const Size size = fitted({m_now.width(), m_now.height()}, kSeparationEdge);
        const RoleMasks small = partOf(masks, {0, 0, size.width, size.height}, size.width, size.height);
        for (const std::string& role : small.roles())
            if (!small.isEmpty(role))
                m_masks[role] = *small.find(role);
    }
    bool pass(const Step& step, const RenderOptions& options)
    {
        Look one;
        one.steps.push_back(step);
        if (step.guard.where.isBound())
            one.roles.push_back({step.guard.where.role, Role::Kind::Thing, {}, 1, {}});
        const auto plan = RenderPlan::compile(one);
        if (!plan)
            return false;
        render(*plan, m_now.view(), m_now.mutableView(), {}, options);
        const auto through = [&](auto& colours) {
            for (LinearRgb& c : colours)
                c = evaluate(step, c);
        };
        through(m_elsewhere), through(m_ends), through(m_neutrals);
        return true;
    }
    StepState state()
    {
        StepState state;
        const auto tones = measure(m_now.view(), m_framing, state);
        if (!std::exchange(m_hasShares, true))
            m_shares = tones;
        for (std::size_t i = 0; i < 3; ++i)
            state.landing[i] = toOkLab(m_ends[i]).L;
        for (std::size_t i = 0; i < kTones; ++i) {
            const OkLab lab = toOkLab(m_neutrals[i]);
            state.castA += m_shares[i] * lab.a, state.castB += m_shares[i] * lab.b;
        }
        for (std::size_t i = 0; i < m_keys.size(); ++i)
            state.keys.push_back(
                keyState(m_keys[i].frame == m_frame ? meanOf(m_now.view(), m_keys[i].place) : m_elsewhere[i]));
        if (!m_masks.empty()) {
            const Plane& any = m_masks.begin()->second;
            const Image small = reduceByArea(m_now.view(), any.width, any.height);
            for (const auto& [role, mask] : m_masks)
                state.separations[role] = separationOf(small.view(), mask);
        }
        return state;
    }

private:
    Image m_now;
    std::int64_t m_frame;
    const std::vector<KeyColour>& m_keys;
    const Framing& m_framing;
    std::map<std::string, Plane> m_masks;
    std::vector<LinearRgb> m_elsewhere;
    std::array<LinearRgb, 3> m_ends{grey(0), grey(std::cbrt(0.18)), grey(1)};
    std::array<LinearRgb, kTones> m_neutrals;
    std::array<double, kTones> m_shares{};  ///< of the picture as it came
    bool m_hasShares = false;
};

}  // namespace

KeyState keyState(const LinearRgb& c) { return {toOkLch(toOkLab(c)), toLab(c)}; }

KeyMove keyMove(const KeyState& from, const KeyState& to)
{
    const double c1 = std::hypot(from.lab.a, from.lab.b), c2 = std::hypot(to.lab.a, to.lab.b);
    const double da = to.lab.a - from.lab.a, db = to.lab.b - from.lab.b,
                 cross = from.lab.a * to.lab.b - from.lab.b * to.lab.a;
    const double hue = std::sqrt(std::max(0.0, da * da + db * db - (c2 - c1) * (c2 - c1)));
    return {ciede2000(from.lab, to.lab), to.lab.l - from.lab.l, c2 - c1, cross < 0 ? -hue : hue};
}

KeyMove LookTrace::move(int step, int key) const
{
    return keyMove(before(step).keys[static_cast<std::size_t>(key)], after(step).keys[static_cast<std::size_t>(key)]);
}

std::pair<int, int> LookTrace::worst() const
{
    std::pair<int, int> at{-1, -1};
    double most = 1;
    for (int s = 0; s < steps(); ++s)
        for (int k = 0; k < static_cast<int>(keys.size()); ++k)
            if (const double d = move(s, k).deltaE; d > most)
                most = d, at = {s, k};
    return at;
}

std::optional<LookTrace> traceLook(const Look& look, ImageView picture, std::int64_t frame,
                                   const std::vector<KeyColour>& keys, const Framing& framing,
                                   const RenderOptions& options, const std::function<bool()>& stop)
{
    LookTrace trace;
    trace.keys = keys;
    Followed followed(picture, frame, keys, framing, options.masks.get());
    trace.states.push_back(followed.state());
    for (const Step& step : look.steps) {
        if (stop && stop())
            return std::nullopt;
        if (isIdentity(step)) {
            trace.states.push_back(trace.states.back());
            continue;
        }
        if (!followed.pass(step, options))
            return std::nullopt;
        trace.states.push_back(followed.state());
    }
    return trace;
}

std::vector<LinearRgb> someColours(ImageView picture, int count)
{
    std::vector<LinearRgb> colours;
    const int all = picture.width * picture.height;
    for (int i = 0; i < std::min(count, all); ++i) {
        // A step prime to common widths, so that columns are not read again and again.
        const int at = static_cast<int>((static_cast<std::int64_t>(i) * all / std::min(count, all) + i * 7919LL) % all);
        const float* p = picture.row(at / picture.width) + 3 * (at % picture.width);
        colours.push_back({p[0], p[1], p[2]});
    }
    return colours;
}

}  // namespace amber
