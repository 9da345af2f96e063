#include "core/job/shoot_work.h"

#include "core/balance/balance_words.h"
#include "core/balance/counted_parts.h"
#include "core/base/long_call.h"
#include "core/base/memory_gate.h"
#include "core/base/parallel.h"
#include "core/image/read.h"

#include <algorithm>
#include <mutex>
#include <set>

namespace amber {
namespace fs = std::filesystem;
namespace {

int bracketOf(const std::vector<FrameBracket>& brackets, FrameId id)
{
    for (std::size_t i = 0; i < brackets.size(); ++i)
        if (const auto& f = brackets[i].frames; std::find(f.begin(), f.end(), id) != f.end())
            return static_cast<int>(i);
    return -1;
}

}  // namespace

std::string nameOf(const Frame& frame) { return frame.path.stem().string(); }

bool BalanceProposal::isSound() const
{
    return fault.empty() && (solved.trouble == Trouble::None || solved.trouble == Trouble::ClippedSource);
}

ShootFrame shootFrameOf(const Job& job, const Frame& frame, int bracket)
{
    const FrameId id = frame.id;
    ShootFrame one{frame.path, job.lightOf(id), job.leadOf(id) == id, bracket, job.frame(id).balance, {}, {}};
    // Areas lie in the frame's own picture; what came back is balanced already.
    if (!one.current.inPicture)
        one.areas = areasThatCount(job.areasOf(id));
    for (const KeyColour& key : job.keys)
        if (key.frame == id)
            one.keys[key.name] = key.place;
        else if (const KeyPlace* place = job.confirmedPlace(id, key.name))
            one.keys[key.name] = place->place;
    return one;
}

FramesToBalance framesToBalance(const Job& job, const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                                const std::vector<FrameBracket>& brackets)
{
    FramesToBalance asked;
    for (const FrameId id : wanted) {
        const Frame* frame = frameOf(frames, id);
        if (!frame || job.lightOf(id) < 0)
            continue;
        asked.ids.push_back(id);
        asked.frames.push_back(shootFrameOf(job, *frame, bracketOf(brackets, id)));
    }
    return asked;
}

std::vector<BalanceProposal> proposalsOf(const Job& job, const std::vector<Frame>& frames, const FramesToBalance& asked,
                                         const ShootBalance& solved)
{
    std::vector<BalanceProposal> all;
    for (std::size_t i = 0; i < asked.ids.size(); ++i) {
        BalanceProposal p;
        p.frame = asked.ids[i];
        p.solved = solved.frames[i];
        p.through = asked.ids[std::min(p.solved.through, asked.ids.size() - 1)];
        p.balance = job.frame(p.frame).balance;
        p.balance.light = p.solved.balance;
        p.balance.response = solved.responseNames[i];
        p.balance.confidence = p.solved.confidence;
        const Frame* through = frameOf(frames, p.through);
        p.balance.because = groundWords(p.solved, through ? nameOf(*through) : std::string());
        for (const auto& [role, area] : asked.frames[i].areas)
            p.balance.because += (area.inBalance == Area::InBalance::AloneCounts ? "; on " : "; without ") + role;
        p.fault = solved.faults[i];
        all.push_back(std::move(p));
    }
    return all;
}

Job withResponses(Job job, const ShootBalance& solved)
{
    for (const auto& [camera, response] : solved.responses)
        job.responses[camera] = response;
    return job;
}

std::vector<ReadFrame> framesToRead(const Job& job, const std::vector<Frame>& frames, const ChosenLooks::Read& looks)
{
    std::vector<ReadFrame> all;
    ChosenLooks chosen(looks);
    for (std::size_t l = 0; l < job.lights.size(); ++l) {
        const Light& light = job.lights[l];
        std::vector<FrameId> order = light.frames;
        std::stable_partition(order.begin(), order.end(), [&](FrameId f) { return f == light.lead; });
        for (const FrameId id : order) {
            const Frame* frame = frameOf(frames, id);
            if (!frame || frame->isLost || !frame->fault.empty())
                continue;
            const FrameBalance& balance = job.frame(id).balance;
            ReadFrame one{id,
                          frame->path,
                          static_cast<int>(l),
                          id == light.lead,
                          balance,
                          job.responseOf(balance),
                          job.pictureName(id),
                          {},
                          job.areasOf(id)};
            if (looks) {
                if (const auto look = chosen.of(job, id))
                    one.look = *look;
                else
                    one.fault = look.error().message();
            }
            for (const KeyColour& key : job.keys)
                if (const KeyPlace* place = job.confirmedPlace(id, key.name))
                    one.places[key.name] = {place->place, 1.0};
            all.push_back(std::move(one));
        }
    }
    return all;
}

std::vector<ReadFrame> framesToCheck(const Job& job, const std::vector<Frame>& frames, const ChosenLooks::Read& looks)
{
    std::vector<ReadFrame> all = framesToRead(job, frames, looks);
    std::erase_if(all, [&](const ReadFrame& f) { return job.frame(f.frame).isUnused; });
    return all;
}

Job withFoundPlaces(Job job, const std::vector<KeyColour>& keys, const std::vector<FrameReading>& readings)
{
    std::erase_if(job.keyPlaces, [](const auto& entry) { return !entry.second.isConfirmed; });
    for (const FrameReading& r : readings)
        for (std::size_t k = 0; k < keys.size() && k < r.places.size(); ++k)
            if (r.places[k].right > r.places[k].left && keys[k].frame != r.frame && r.doubt[k] > 0)
                job.keyPlaces.emplace(KeyPlaceId{r.frame, keys[k].name}, KeyPlace{r.places[k], 1 - r.doubt[k], false});
    return job;
}

std::vector<fs::path> cardFoldersOf(const fs::path& jobFile, const std::vector<Frame>& frames)
{
    std::set<fs::path> sought{fs::absolute(jobFile).parent_path() / "card"};
    for (const Frame& frame : frames)
        sought.insert(frame.path.parent_path() / "card");
    std::vector<fs::path> folders;
    std::error_code error;
    for (const fs::path& folder : sought)
        if (fs::is_directory(folder, error))
            folders.push_back(folder);
    return folders;
}

std::vector<ColourCard> cardsIn(const std::vector<fs::path>& folders)
{
    std::vector<ColourCard> all;
    for (const fs::path& folder : folders)
        for (ColourCard& card : cardsIn(folder))
            all.push_back(std::move(card));
    return all;
}

FoundCards cardsOf(const FramesToBalance& asked, const ShootBalance& solved)
{
    FoundCards found;
    for (std::size_t i = 0; i < asked.ids.size() && i < solved.cards.size(); ++i)
        if (solved.cardSought[i])
            found[asked.ids[i]] = solved.cards[i];
    return found;
}

FoundCards seekCards(const std::vector<Frame>& frames, const std::vector<FrameId>& wanted,
                     const std::vector<ColourCard>& cards, const BalanceProgress& progress, const CancelToken& cancel)
{
    longCall("seekCards");
    FoundCards found;
    std::vector<const Frame*> some;
    for (const FrameId id : wanted)
        if (const Frame* frame = frameOf(frames, id);
            frame && !frame->cardSought && !frame->isLost && frame->fault.empty() && !cards.empty())
            some.push_back(frame);
    MemoryGate gate;
    std::mutex mutex;
    int done = 0;
    inParallel(some.size(), [&](std::size_t i) {
        if (cancel.isCancelled())
            return;
        const auto picture = isolated([&]() -> Result<Picture> {
            const auto held = gate.take(bytesToReadReduced(some[i]->own(), kCardEdge, true));
            return readReduced(some[i]->own(), kCardEdge, true);
        });
        std::optional<ShownCard> card;
        if (picture)
            if (const auto seen = findCardOf(picture->image.view(), cards))
                card = ShownCard{seen->found.region, static_cast<double>(picture->info.width) / picture->info.height};
        const std::lock_guard lock(mutex);
        if (picture)
            found[some[i]->id] = card;
        if (progress)
            progress(++done, static_cast<int>(some.size()));
    });
    return found;
}

}  // namespace amber
