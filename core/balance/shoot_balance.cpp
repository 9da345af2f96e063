#include "core/balance/shoot_balance.h"

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

std::optional<ShootBalance> balanceShoot(const std::vector<ShootFrame>& frames, const BalanceProgress& progress,
                                         const CancelToken& cancel)
{
    longCall("balanceShoot");
    const std::size_t n = frames.size();
    ShootBalance result;
    result.frames.resize(n), result.faults.resize(n), result.responseNames.resize(n);
    std::vector<BalanceEvidence> evidence(n);
    std::vector<char> isRead(n, 0);
    std::mutex mutex;
    int done = 0;
    // How much comparing there will be is not known before; a frame read counts for about as much as one compared with
    // its neighbours.
    const int total = static_cast<int>(2 * n);
    const auto advance = [&](int at) {
        if (progress)
            progress(std::min(at, total), total);
    };
    MemoryGate gate;
    const auto read = [&](std::size_t i) {
        if (cancel.isCancelled() || isRead[i] || !result.faults[i].empty())
            return;
        // A thread that waits inside for parts of its own picture may not begin another one: it holds memory that the
        // other would wait for.
        const auto picture = isolated([&]() -> Result<Picture> {
            const auto held = gate.take(bytesToReadReduced(frames[i].path, kFeatureEdge, true));
            return readReduced(frames[i].path, kFeatureEdge, true);
        });
        const auto measured = caught(frames[i].path.string(), [&]() -> Status {
            if (!picture)
                return tl::make_unexpected(picture.error());
            evidence[i] = evidenceOf(picture->image.view(), captureFacts(frames[i].path));
            for (const auto& [name, place] : frames[i].keys)
                evidence[i].keys[name] = meanOf(
                    picture->image.view(),
                    regionInSource(frames[i].current.geometry,
                                   static_cast<double>(picture->image.width()) / picture->image.height(), place));
            evidence[i].inBracket = frames[i].bracket >= 0;
            const FrameBalance& current = frames[i].current;
            if (current.exposureLocked)
                evidence[i].exposureStops = current.light.exposureStops;
            if (current.whiteLocked)
                evidence[i].white = current.light;
            evidence[i].keyStops = current.keyStops;
            result.responseNames[i] = picture->info.isRaw() ? "raw" : "";
            isRead[i] = 1;
            return {};
        });
        if (!measured)
            result.faults[i] = measured.error().message();
        const std::lock_guard lock(mutex);
        advance(++done);
    };
    const auto readAll = [&](const std::vector<std::size_t>& some) {
        inParallel(some.size(), [&](std::size_t k) { read(some[k]); });
    };
    std::vector<std::size_t> bracketed;
    for (std::size_t i = 0; i < n; ++i)
        if (frames[i].bracket >= 0)
            bracketed.push_back(i);
    readAll(bracketed);
    if (cancel.isCancelled())
        return std::nullopt;

    // Every camera's own rendering, from its brackets.
    std::map<std::string, std::map<int, Bracket>> brackets;
    for (std::size_t i = 0; i < n; ++i)
        if (isRead[i] && frames[i].bracket >= 0 && result.responseNames[i].empty())
            brackets[evidence[i].capture.camera][frames[i].bracket].frames.push_back(i);
    for (const auto& [camera, some] : brackets) {
        std::vector<Bracket> list;
        for (const auto& [number, bracket] : some)
            list.push_back(bracket);
        if (const Response response = responseOf(evidence, list); !response.isIdentity() && !camera.empty())
            result.responses[camera] = response;
    }
    std::set<int> groups;
    for (const ShootFrame& frame : frames)
        groups.insert(frame.group);
    for (const int group : groups) {
        // One light after another: what is read of its frames is let go before the next.
        std::vector<std::size_t> all, members;
        for (std::size_t i = 0; i < n; ++i)
            if (frames[i].group == group)
                all.push_back(i);
        readAll(all);
        if (cancel.isCancelled())
            return std::nullopt;
        std::size_t lead = 0;
        for (const std::size_t i : all) {
            if (!isRead[i])
                continue;
            if (frames[i].isLead)
                lead = members.size();
            members.push_back(i);
            if (result.responseNames[i] == "raw")
                evidence[i].response = baseRendering();
            else if (const auto found = result.responses.find(evidence[i].capture.camera);
                     found != result.responses.end())
                result.responseNames[i] = found->first, evidence[i].response = found->second;
        }
        if (members.empty())
            continue;
        // The lead stands as the artist balanced it; solving is against it as it came, and its own balance goes on top
        // of everyone's.
        const auto leadGains = coneGains(frames[members[lead]].current.light);
        const auto moved = [&](const Balance& b, double way) {
            const auto g = coneGains(b);
            return fromConeGains({g[0] + way * leadGains[0], g[1] + way * leadGains[1], g[2] + way * leadGains[2]});
        };
        std::vector<BalanceEvidence> some;
        for (const std::size_t i : members) {
            if (i != members[lead] && evidence[i].exposureStops)
                *evidence[i].exposureStops -= frames[members[lead]].current.light.exposureStops;
            if (i != members[lead] && evidence[i].white)
                evidence[i].white = moved(*evidence[i].white, -1);
            some.push_back(std::move(evidence[i]));
        }
        const auto solved = balanceGroup(
            std::move(some), lead,
            [&](int part, int of) {
                advance(done + static_cast<int>(static_cast<std::size_t>(part) * members.size() /
                                                static_cast<std::size_t>(of)));
            },
            cancel);
        if (cancel.isCancelled())
            return std::nullopt;
        done += static_cast<int>(members.size());
        for (std::size_t k = 0; k < members.size(); ++k) {
            const FrameBalance& current = frames[members[k]].current;
            SolvedBalance& r = result.frames[members[k]] = solved[k];
            r.balance = k == lead                              ? current.light
                        : leadGains == std::array<double, 3>{} ? r.balance
                                                               : moved(r.balance, 1);
            if (current.exposureLocked)
                r.balance.exposureStops = current.light.exposureStops;
            if (current.whiteLocked)
                r.balance.kelvin = current.light.kelvin, r.balance.tint = current.light.tint;
            result.frames[members[k]].through = members[std::min(solved[k].through, members.size() - 1)];
        }
    }
    advance(total);
    return result;
}

}  // namespace amber
