#include "core/proof/shoot_checker.h"

#include "core/base/long_call.h"
#include "core/base/memory_gate.h"
#include "core/base/parallel.h"
#include "core/base/phrase.h"
#include "core/look/look_json.h"

#include <atomic>

namespace amber {
namespace {

std::string stampOf(const std::filesystem::path& path)
{
    std::error_code error;
    const auto size = std::filesystem::file_size(path, error);
    const auto time = std::filesystem::last_write_time(path, error);
    return path.string() + " " + std::to_string(size) + " " + std::to_string(time.time_since_epoch().count());
}

/// All that what is measured comes of, beside the file.
std::string recipeOf(const ReadFrame& frame, const std::string& look, const std::string& keys)
{
    std::string all = look + "\n" + keys + "\n" + frameBalanceToText(frame.balance) + responseToText(frame.response) +
                      "\n" + frame.name.own + " " + std::to_string(frame.group) + (frame.isLead ? " lead" : "");
    for (const std::string& set : frame.name.sets)
        all += " " + set;
    for (const auto& [role, area] : frame.areas)
        all += "\n" + role + " " + areaToText(area);
    for (const auto& [key, place] : frame.places)
        all += "\n" + key + " " + std::to_string(place.first.left) + " " + std::to_string(place.first.top) + " " +
               std::to_string(place.second);
    return all;
}

}  // namespace

std::vector<Finding> CheckedShoot::findings(const CheckUse& use) const
{
    std::vector<Finding> all;
    for (const Frame& f : frames) {
        const std::vector<Finding> own = findingsOf(f.frame, f.measured, use);
        all.insert(all.end(), own.begin(), own.end());
    }
    std::stable_sort(all.begin(), all.end(),
                     [](const Finding& a, const Finding& b) { return a.severity() > b.severity(); });
    return all;
}

std::size_t ShootChecker::bytes() const
{
    std::size_t sum = 0;
    for (const auto& [id, known] : m_known)
        sum += known.evidence ? known.evidence->source.bytes() : 0;
    return sum;
}

std::shared_ptr<const FrameEvidence> ShootChecker::evidenceOf(std::int64_t frame) const
{
    const auto known = m_known.find(frame);
    return known != m_known.end() && known->second.evidence && known->second.evidence->fault.empty()
               ? known->second.evidence
               : nullptr;
}

CureTried ShootChecker::cure(const Finding& finding, const std::vector<ReadFrame>& frames,
                             const std::vector<KeyColour>& keys, const Look& look, const CheckUse& use) const
{
    constexpr std::size_t kBeside = 3;
    const auto own =
        std::find_if(frames.begin(), frames.end(), [&](const ReadFrame& f) { return f.frame == finding.frame; });
    const auto evidence = evidenceOf(finding.frame);
    if (own == frames.end() || !evidence)
        return {std::nullopt, phrase("the frame was not read")};
    std::vector<FrameToCure> light;
    for (const bool isLead : {true, false})
        for (const ReadFrame& f : frames)
            if (const auto other = evidenceOf(f.frame);
                other && f.frame != own->frame && f.group == own->group && f.isLead == isLead && light.size() < kBeside)
                light.push_back({f, other});
    return cureFor(finding, {*own, evidence}, light, look, keys, use);
}

bool ShootChecker::Known::readAgain(const ReadFrame& frame, MemoryGate& gate)
{
    const std::string now = stampOf(frame.path);
    if (evidence && file == now && evidence->fault.empty())
        return false;
    evidence = isolated([&] {
        const auto held = gate.take(bytesToReadReduced(frame.path, kLookEdge, false));
        return std::make_shared<const FrameEvidence>(readEvidence(frame));
    });
    file = now, recipe.clear();
    return true;
}

bool ShootChecker::Known::measureAgain(const ReadFrame& frame, const std::string& wanted, const Look& look,
                                       const std::vector<KeyColour>& keys)
{
    if (!evidence->fault.empty() || recipe == wanted)
        return false;
    const CheckedFrame checked(frame, *evidence, look, keys);
    measured = measureFrame(checked), summary = summaryOf(checked);
    recipe = wanted;
    return true;
}

CheckedShoot ShootChecker::compared(const std::vector<ReadFrame>& frames, const std::vector<Known*>& known,
                                    const std::vector<KeyColour>& keys)
{
    CheckedShoot shoot;
    std::vector<FrameSummary> summaries;
    for (std::size_t i = 0; i < frames.size(); ++i) {
        shoot.frames.push_back({frames[i].frame, known[i]->measured, known[i]->evidence->fault});
        if (known[i]->evidence->fault.empty())
            summaries.push_back(known[i]->summary);
    }
    std::vector<FrameMeasured*> together;
    for (CheckedShoot::Frame& f : shoot.frames)
        if (f.fault.empty())
            together.push_back(&f.measured);
        else
            f.measured.clear();
    compareFrames(summaries, keys, together);
    return shoot;
}

std::optional<CheckedShoot> ShootChecker::check(const std::vector<ReadFrame>& frames,
                                                const std::vector<KeyColour>& keys, const Look& look,
                                                const std::function<void(int, int)>& progress,
                                                const CancelToken& cancel)
{
    longCall("ShootChecker::check");
    std::map<const Look*, std::string> texts;
    for (const ReadFrame& f : frames)
        if (const Look* own = f.look ? f.look.get() : &look; !texts.count(own))
            texts[own] = lookToText(*own, false);
    const std::string keyText = keyColoursToText(keys);
    std::vector<Known*> known;
    for (const ReadFrame& f : frames)
        known.push_back(&m_known[f.frame]);
    std::atomic<int> done = 0, read = 0, measured = 0;
    MemoryGate gate;
    inParallel(frames.size(), [&](std::size_t i) {
        if (cancel.isCancelled())
            return;
        const ReadFrame& frame = frames[i];
        read += known[i]->readAgain(frame, gate) ? 1 : 0;
        const std::string recipe = recipeOf(frame, texts[frame.look ? frame.look.get() : &look], keyText);
        measured += known[i]->measureAgain(frame, recipe, look, keys) ? 1 : 0;
        if (progress)
            progress(++done, static_cast<int>(frames.size()));
    });
    m_read = read, m_measured = measured;
    if (cancel.isCancelled())
        return std::nullopt;
    return compared(frames, known, keys);
}

}  // namespace amber
