#include "core/balance/group_balance.h"

#include "core/balance/group_solver.h"
#include "core/balance/ratio_map.h"
#include "core/base/parallel.h"
#include "core/colour/difference.h"
#include "core/colour/rgb_space.h"
#include "core/image/resize.h"

#include <algorithm>
#include <cmath>
#include <mutex>

namespace amber {
namespace {

constexpr std::size_t kEnoughFrames = 4, kAllPairs = 16, kNeighbours = 5;

std::optional<FrameLink> linkByKeys(const std::vector<BalanceEvidence>& frames, std::size_t p, std::size_t q)
{
    std::vector<LinearRgb> from, to;
    for (const auto& [name, colour] : frames[p].keys)
        if (const auto other = frames[q].keys.find(name); other != frames[q].keys.end())
            from.push_back(colour), to.push_back(other->second);
    if (from.empty())
        return std::nullopt;
    const BalanceFit fit = fitBalance(from, frames[p].response, to, frames[q].response);
    if (fit.support == 0)
        return std::nullopt;
    return FrameLink{p, q, toGainVector(fit.balance), 0.05 / std::sqrt(fit.support), fit.residual, fit.support, true};
}

std::optional<FrameLink> linkByThings(const std::vector<BalanceEvidence>& frames, std::size_t p, std::size_t q)
{
    constexpr int kLeastColours = 40;
    constexpr double kFits = 2;
    const auto registration = registerFeatures(frames[p].features, frames[q].features);
    if (!registration)
        return std::nullopt;
    const SeenTwice seen = coloursSeenTwice(frames[p].picture.view(), frames[q].picture.view(), *registration);
    const BalanceFit fit = fitBalance(seen.from, frames[p].response, seen.to, frames[q].response);
    if (fit.support < kLeastColours || fit.residual > kFits)
        return std::nullopt;
    return FrameLink{
        p, q, toGainVector(fit.balance), 0.004 * (1 + fit.residual * fit.residual), fit.residual, fit.support, false};
}

double meanStops(ImageView picture, const Response& response)
{
    double sum = 0;
    int n = 0;
    for (int y = 0; y < picture.height; y += 4)
        for (int x = 0; x < picture.width; x += 4) {
            const float* p = picture.row(y) + 3 * x;
            if (std::isnan(p[0]))
                continue;
            const double Y = luminanceOf(toSceneLight(response, {p[0], p[1], p[2]}));
            sum += std::log2(std::max(Y, 1e-4)), ++n;
        }
    return n ? sum / n : 0;
}

/// Shares of pixels that are clipped at white though the balanced frame would show them darker than paper.
double lostShare(ImageView picture, const Balance& balance, const Response& response)
{
    constexpr double kClipped = 0.985, kPaper = 0.85;
    long long lost = 0, all = 0;
    for (int y = 0; y < picture.height; y += 2)
        for (int x = 0; x < picture.width; x += 2) {
            const float* p = picture.row(y) + 3 * x;
            if (std::isnan(p[0]))
                continue;
            ++all;
            const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), {p[0], p[1], p[2]});
            if (std::max({own.r, own.g, own.b}) < kClipped)
                continue;
            const LinearRgb after = balanced(balance, response, {p[0], p[1], p[2]});
            lost += luminanceOf(after) < kPaper;
        }
    return all ? static_cast<double>(lost) / static_cast<double>(all) : 0;
}

/// Frames that are looked at together: all of them in a small group, else neighbours, and the lead with everyone.
std::vector<std::pair<std::size_t, std::size_t>> pairsToSee(std::size_t n, std::size_t lead)
{
    std::vector<std::pair<std::size_t, std::size_t>> pairs;
    for (std::size_t i = 0; i < n; ++i)
        for (std::size_t j = i + 1; j < n; ++j)
            if (n <= kAllPairs || j - i <= kNeighbours || i == lead || j == lead)
                pairs.emplace_back(i, j);
    return pairs;
}

/// Counts pieces of work that end on any thread.
class Steps {
public:
    Steps(std::size_t total, const BalanceProgress& progress) : m_total(static_cast<int>(total)), m_progress(progress)
    {
    }
    void advance()
    {
        const std::lock_guard lock(m_mutex);
        ++m_done;
        if (m_progress)
            m_progress(m_done, m_total);
    }

private:
    std::mutex m_mutex;
    int m_done = 0, m_total;
    const BalanceProgress& m_progress;
};

/// What is seen of the group: of each frame its tone, and what ties them.
struct Seen {
    std::vector<double> tones;
    std::vector<FrameLink> links;
};

Seen lookAt(std::vector<BalanceEvidence>& frames, std::size_t lead, const BalanceProgress& progress,
            const CancelToken& cancel)
{
    const auto pairs = pairsToSee(frames.size(), lead);
    Steps steps(frames.size() + pairs.size(), progress);
    Seen seen{std::vector<double>(frames.size()), {}};
    inParallel(frames.size(), [&](std::size_t i) {
        if (cancel.isCancelled())
            return;
        frames[i].colours = std::make_shared<const RatioMap>(frames[i].picture.view(), frames[i].response);
        seen.tones[i] = meanStops(frames[i].picture.view(), frames[i].response);
        steps.advance();
    });
    std::vector<std::vector<FrameLink>> found(pairs.size());
    inParallel(pairs.size(), [&](std::size_t k) {
        if (cancel.isCancelled())
            return;
        const auto [i, j] = pairs[k];
        if (auto link = linkByKeys(frames, i, j))
            found[k].push_back(*link);
        if (auto link = linkByThings(frames, i, j))
            found[k].push_back(*link);
        steps.advance();
    });
    for (const auto& some : found)
        seen.links.insert(seen.links.end(), some.begin(), some.end());
    return seen;
}

FrameHints hintsOf(const BalanceEvidence& frame, double tone, const BalanceEvidence& lead, double leadTone)
{
    FrameHints own;
    if (frame.capture.hasExposure() && lead.capture.hasExposure())
        own.stops = lead.capture.exposureStops() - frame.capture.exposureStops();
    own.tone = leadTone - tone;
    const RatioMap::Shift shift = frame.colours->onto(*lead.colours);
    own.colours = {0, shift.lm, shift.sm};
    own.likeness = shift.likeness;
    if (frame.exposureStops || frame.white) {
        Balance balance = frame.white.value_or(Balance{});
        balance.exposureStops = frame.exposureStops.value_or(own.stops.value_or(0));
        own.start = toGainVector(balance);
        own.isFixed = frame.exposureStops && frame.white;
    }
    return own;
}

const FrameLink* firmestLink(const std::vector<FrameLink>& links, std::size_t frame)
{
    const FrameLink* firmest = nullptr;
    for (const FrameLink& link : links)
        if ((link.from == frame || link.to == frame) &&
            (!firmest || (link.keys && !firmest->keys) ||
             (link.keys == firmest->keys && link.deviation < firmest->deviation)))
            firmest = &link;
    return firmest;
}

/// How far what the balance rests on agrees: links first, then the settings, then the colours.
double confidenceOf(const GainVector& x, const FrameHints& own, const FrameLink* firmest, bool linked)
{
    const double off = own.stops ? std::abs(x[0] - *own.stops) : 0.3;
    const double agrees = 1 / (1 + std::pow(off / 0.3, 2)),
                 fits = firmest ? 1 / (1 + std::pow(firmest->residual / 4, 2)) : 0.6;
    if (linked || (firmest && firmest->keys))
        return fits * (0.7 + 0.3 * agrees);
    const double colours = std::hypot(x[1] - own.colours[1], (x[2] - own.colours[2]) / 2),
                 alike = own.likeness / (1 + std::pow(colours / 0.15, 2));
    return std::min(0.75, fits * (own.stops ? 0.4 + 0.5 * alike : 0.2 + 0.4 * alike) * (0.6 + 0.4 * agrees));
}

/// What is known of a frame by hand stays as it is.
Balance keptByHand(Balance balance, const BalanceEvidence& frame)
{
    if (frame.white)
        balance.kelvin = frame.white->kelvin, balance.tint = frame.white->tint;
    balance.exposureStops += frame.keyStops;
    if (frame.exposureStops)
        balance.exposureStops = *frame.exposureStops;
    return balance;
}

SolvedBalance solvedOf(const BalanceEvidence& frame, const FrameHints& own, const GainVector& x, bool linked,
                       const FrameLink* firmest, std::size_t index)
{
    SolvedBalance r;
    r.balance = keptByHand(toBalance(x), frame);
    r.residual = -1;
    if (firmest) {
        r.through = firmest->from == index ? firmest->to : firmest->from;
        r.support = firmest->support, r.residual = firmest->residual;
    }
    if (frame.exposureStops && frame.white) {
        r.ground = Ground::ByHand, r.confidence = 1;
        return r;
    }
    r.ground = firmest && firmest->keys ? Ground::KeyColours
               : linked                 ? Ground::SameThings
               : own.stops              ? Ground::SettingsAndColours
                                        : Ground::ColoursOnly;
    r.confidence = confidenceOf(x, own, firmest, linked);
    return r;
}

/// A part of the frame whose colours no other frame of the group has either lies in another light, or is another thing.
void findTrouble(SolvedBalance& r, const BalanceEvidence& frame, const RatioMap::Presence& present, const GainVector& x,
                 std::size_t groupSize)
{
    const double lost = frame.inBracket ? 0 : lostShare(frame.picture.view(), r.balance, frame.response);
    if (lost > kLostLimit)
        r.trouble = Trouble::ClippedSource, r.measured = lost;
    else if (groupSize == 1)
        r.trouble = Trouble::StandsAlone;
    else if (groupSize >= kEnoughFrames) {
        const RatioMap::Foreign strange = frame.colours->foreign(present, x[1], x[2]);
        if (strange.share > kMixedLimit && strange.coveredOtherwise > 0.6)
            r.trouble = Trouble::MixedLight, r.measured = strange.share;
        else if (strange.share > kContentLimit)
            r.trouble = Trouble::OtherContent, r.measured = strange.share;
    }
    if (r.trouble != Trouble::None)
        r.confidence = std::min(r.confidence, 0.3);
}

}  // namespace

BalanceEvidence evidenceOf(ImageView picture, const CaptureFacts& capture)
{
    BalanceEvidence evidence;
    evidence.capture = capture;
    evidence.features = featuresOf(picture);
    const Size size = fitted({picture.width, picture.height}, kEvidenceEdge);
    evidence.picture = reduceByArea(picture, size.width, size.height);
    return evidence;
}

std::vector<SolvedBalance> balanceGroup(std::vector<BalanceEvidence> frames, std::size_t lead,
                                        const BalanceProgress& progress, const CancelToken& cancel)
{
    const std::size_t n = frames.size();
    const Seen seen = lookAt(frames, lead, progress, cancel);
    if (cancel.isCancelled())
        return {};
    std::vector<FrameHints> own;
    for (std::size_t i = 0; i < n; ++i)
        own.push_back(hintsOf(frames[i], seen.tones[i], frames[lead], seen.tones[lead]));
    own[lead].isFixed = true;
    const PlacedFrames placed = placeFrames(own, seen.links, lead);

    RatioMap::Presence present;
    for (std::size_t i = 0; i < n; ++i)
        frames[i].colours->countIn(present, placed.gains[i][1], placed.gains[i][2]);
    std::vector<SolvedBalance> result;
    for (std::size_t i = 0; i < n; ++i) {
        SolvedBalance r =
            solvedOf(frames[i], own[i], placed.gains[i], placed.isLinked[i], firmestLink(seen.links, i), i);
        if (i == lead) {
            r.balance = keptByHand({}, frames[i]);
            r.ground = Ground::Lead, r.confidence = 1, r.residual = 0;
        }
        findTrouble(r, frames[i], present, placed.gains[i], n);
        result.push_back(r);
    }
    return result;
}

Response responseOf(const std::vector<BalanceEvidence>& frames, const std::vector<Bracket>& brackets)
{
    std::vector<ExposedPair> pairs;
    for (const Bracket& bracket : brackets) {
        std::vector<std::size_t> order = bracket.frames;
        std::sort(order.begin(), order.end(), [&](std::size_t p, std::size_t q) {
            return frames[p].capture.exposureStops() < frames[q].capture.exposureStops();
        });
        for (std::size_t k = 1; k < order.size(); ++k) {
            const BalanceEvidence &p = frames[order[k - 1]], &q = frames[order[k]];
            if (p.picture.width() == q.picture.width() && p.picture.height() == q.picture.height())
                pairs.push_back(
                    {p.picture.view(), q.picture.view(), q.capture.exposureStops() - p.capture.exposureStops()});
        }
    }
    return recoverResponse(pairs).value_or(Response{});
}

}  // namespace amber
