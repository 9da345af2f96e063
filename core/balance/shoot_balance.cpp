#include "core/balance/shoot_balance.h"

#include "core/balance/counted_parts.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/base/memory_gate.h"
#include "core/base/parallel.h"
#include "core/image/read.h"
#include "core/measure/key_colour.h"

#include <atomic>
#include <mutex>
#include <set>

namespace amber {
namespace {

/// One run over a shoot: what was read of its frames, and what came of them.
class ShootRun {
public:
    ShootRun(const std::vector<ShootFrame>& frames, const BalanceProgress& progress, const CancelToken& cancel,
             const std::vector<ColourCard>& cards)
        : m_frames(frames), m_progress(progress), m_cancel(cancel), m_cards(cards), m_evidence(frames.size()),
          m_isRead(frames.size(), 0)
    {
        m_result.frames.resize(frames.size()), m_result.faults.resize(frames.size()),
            m_result.responseNames.resize(frames.size()), m_result.cards.resize(frames.size()),
            m_sought.resize(frames.size());
    }
    std::optional<ShootBalance> run();

private:
    void advance(int at) const
    {
        // How much comparing there will be is not known before; a frame read counts for about as much as one compared
        // with its neighbours.
        const int total = static_cast<int>(2 * m_frames.size());
        if (m_progress)
            m_progress(std::min(at, total), total);
    }
    template <class Belongs>
    std::vector<std::size_t> framesThat(const Belongs& belongs) const
    {
        std::vector<std::size_t> some;
        for (std::size_t i = 0; i < m_frames.size(); ++i)
            if (belongs(i))
                some.push_back(i);
        return some;
    }
    void readAll(const std::vector<std::size_t>& some)
    {
        inParallel(some.size(), [&](std::size_t k) { read(some[k]); });
    }
    void read(std::size_t i);
    void findResponses();
    void setResponse(std::size_t i);
    void balanceLight(int group);
    std::vector<BalanceEvidence> evidenceAgainst(std::size_t lead, const std::vector<std::size_t>& members);
    void keep(std::size_t i, SolvedBalance solved, std::size_t lead, const std::vector<std::size_t>& members);

    const std::vector<ShootFrame>& m_frames;
    const BalanceProgress& m_progress;
    const CancelToken& m_cancel;
    const std::vector<ColourCard>& m_cards;
    std::vector<char> m_sought;
    std::vector<BalanceEvidence> m_evidence;
    std::vector<char> m_isRead;
    MemoryGate m_gate;
    std::mutex m_mutex;
    int m_done = 0;
    ShootBalance m_result;
};

void ShootRun::read(std::size_t i)
{
    if (m_cancel.isCancelled() || m_isRead[i] || !m_result.faults[i].empty())
        return;
    const auto& path = m_frames[i].path;
    // A thread that waits inside for parts of its own picture may not begin another one: it holds memory that the
    // other would wait for.
    auto picture = isolated([&]() -> Result<Picture> {
        const auto held = m_gate.take(bytesToReadReduced(path, kFeatureEdge, true));
        return readReduced(path, kFeatureEdge, true);
    });
    const auto measured = caught(path.string(), [&]() -> Status {
        if (!picture)
            return tl::make_unexpected(picture.error());
        const auto seen = m_cards.empty() ? std::nullopt : findCardOf(picture->image.view(), m_cards);
        if (seen) {
            m_result.cards[i] =
                ShownCard{seen->found.region, static_cast<double>(picture->info.width) / picture->info.height};
            leaveOutCard(picture->image.mutableView(), seen->found.region);
        }
        m_sought[i] = !m_cards.empty();
        m_evidence[i] = evidenceOf(m_frames[i], picture->image.view(), captureFacts(path));
        if (seen)
            for (const auto& reading : seen->found.readings)
                m_evidence[i].keys["card " + std::to_string(seen->card) + " " +
                                   m_cards[seen->card].patches[reading.patch].name] = reading.colour;
        m_result.responseNames[i] = picture->info.isRaw() ? "raw" : "";
        m_isRead[i] = 1;
        return {};
    });
    if (!measured)
        m_result.faults[i] = measured.error().message();
    const std::lock_guard lock(m_mutex);
    advance(++m_done);
}

/// Every camera's own rendering, from its brackets.
void ShootRun::findResponses()
{
    std::map<std::string, std::map<int, Bracket>> brackets;
    for (std::size_t i = 0; i < m_frames.size(); ++i)
        if (m_isRead[i] && m_frames[i].bracket >= 0 && m_result.responseNames[i].empty())
            brackets[m_evidence[i].capture.camera][m_frames[i].bracket].frames.push_back(i);
    for (const auto& [camera, some] : brackets) {
        std::vector<Bracket> list;
        for (const auto& [number, bracket] : some)
            list.push_back(bracket);
        if (const Response response = responseOf(m_evidence, list); !response.isIdentity() && !camera.empty())
            m_result.responses[camera] = response;
    }
}

void ShootRun::setResponse(std::size_t i)
{
    if (m_result.responseNames[i] == "raw") {
        m_evidence[i].response = baseRendering();
        return;
    }
    const auto found = m_result.responses.find(m_evidence[i].capture.camera);
    if (found != m_result.responses.end())
        m_result.responseNames[i] = found->first, m_evidence[i].response = found->second;
}

/// The lead stands as the artist balanced it; solving is against it as it came, and its own balance goes on top of
/// everyone's.
std::vector<BalanceEvidence> ShootRun::evidenceAgainst(std::size_t lead, const std::vector<std::size_t>& members)
{
    const Balance& own = m_frames[lead].current.light;
    std::vector<BalanceEvidence> some;
    for (const std::size_t i : members) {
        BalanceEvidence& evidence = m_evidence[i];
        if (i != lead && evidence.exposureStops)
            *evidence.exposureStops -= own.exposureStops;
        if (i != lead && evidence.white)
            evidence.white = without(*evidence.white, own);
        some.push_back(std::move(evidence));
    }
    return some;
}

void ShootRun::keep(std::size_t i, SolvedBalance solved, std::size_t lead, const std::vector<std::size_t>& members)
{
    const FrameBalance& current = m_frames[i].current;
    solved.balance = i == lead ? current.light : added(solved.balance, m_frames[lead].current.light);
    if (current.exposureLocked)
        solved.balance.exposureStops = current.light.exposureStops;
    if (current.whiteLocked)
        solved.balance.kelvin = current.light.kelvin, solved.balance.tint = current.light.tint;
    solved.through = members[std::min(solved.through, members.size() - 1)];
    m_result.frames[i] = solved;
}

/// What is read of a light's frames is let go before the next.
void ShootRun::balanceLight(int group)
{
    readAll(framesThat([&](std::size_t i) { return m_frames[i].group == group; }));
    if (m_cancel.isCancelled())
        return;
    const std::vector<std::size_t> members =
        framesThat([&](std::size_t i) { return m_frames[i].group == group && m_isRead[i]; });
    if (members.empty())
        return;
    std::size_t lead = 0;
    for (std::size_t k = 0; k < members.size(); ++k) {
        lead = m_frames[members[k]].isLead ? k : lead;
        setResponse(members[k]);
    }
    const auto solved = balanceGroup(
        evidenceAgainst(members[lead], members), lead,
        [&](int part, int of) {
            advance(m_done +
                    static_cast<int>(static_cast<std::size_t>(part) * members.size() / static_cast<std::size_t>(of)));
        },
        m_cancel);
    if (m_cancel.isCancelled())
        return;
    m_done += static_cast<int>(members.size());
    for (std::size_t k = 0; k < members.size(); ++k)
        keep(members[k], solved[k], members[lead], members);
}

std::optional<ShootBalance> ShootRun::run()
{
    readAll(framesThat([&](std::size_t i) { return m_frames[i].bracket >= 0; }));
    if (m_cancel.isCancelled())
        return std::nullopt;
    findResponses();
    std::set<int> groups;
    for (const ShootFrame& frame : m_frames)
        groups.insert(frame.group);
    for (const int group : groups) {
        balanceLight(group);
        if (m_cancel.isCancelled())
            return std::nullopt;
    }
    advance(static_cast<int>(2 * m_frames.size()));
    m_result.cardSought.assign(m_sought.begin(), m_sought.end());
    return std::move(m_result);
}

}  // namespace

void leaveOutCard(MutableImageView picture, const Region& card)
{
    const int left = std::clamp(static_cast<int>(card.left * picture.width) - 1, 0, picture.width - 1),
              right = std::clamp(static_cast<int>(card.right * picture.width) + 1, 0, picture.width - 1),
              top = std::clamp(static_cast<int>(card.top * picture.height) - 1, 0, picture.height - 1),
              bottom = std::clamp(static_cast<int>(card.bottom * picture.height) + 1, 0, picture.height - 1);
    // Every row goes on from its left neighbour to its right one.
    for (int y = top; y <= bottom; ++y) {
        float* row = picture.row(y);
        for (int x = left; x <= right; ++x) {
            const float t = static_cast<float>(x - left) / static_cast<float>(std::max(1, right - left));
            for (int k = 0; k < 3; ++k)
                row[3 * x + k] = (1 - t) * row[3 * std::max(0, left - 1) + k] +
                                 t * row[3 * std::min(picture.width - 1, right + 1) + k];
        }
    }
}

BalanceEvidence evidenceOf(const ShootFrame& frame, ImageView untouched, const CaptureFacts& capture)
{
    const FrameBalance& current = frame.current;
    const Placement placement = current.placement(untouched.width, untouched.height);
    BalanceEvidence evidence = evidenceOf(untouched, capture);
    for (const auto& [name, place] : frame.keys)
        evidence.keys[name] = meanOf(untouched, placement.inSource(place));
    if (const auto parts = countedParts(untouched, frame.areas)) {
        leaveOut(evidence.picture.mutableView(), parts->weights);
        for (const auto& [role, colour] : parts->alone)
            evidence.keys["area " + role] = colour;
    }
    evidence.inBracket = frame.bracket >= 0;
    if (current.exposureLocked)
        evidence.exposureStops = current.light.exposureStops;
    if (current.whiteLocked)
        evidence.white = current.light;
    evidence.keyStops = current.keyStops;
    return evidence;
}

std::optional<ShootBalance> balanceShoot(const std::vector<ShootFrame>& frames, const BalanceProgress& progress,
                                         const CancelToken& cancel, const std::vector<ColourCard>& cards)
{
    longCall("balanceShoot");
    return ShootRun(frames, progress, cancel, cards).run();
}

}  // namespace amber
