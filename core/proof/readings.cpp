#include "core/proof/readings.h"

#include "core/balance/find_again.h"
#include "core/balance/group_balance.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/base/memory_gate.h"
#include "core/base/parallel.h"
#include "core/engine/render_plan.h"
#include "core/image/read.h"
#include "core/image/resize.h"

#include <atomic>

namespace amber {
namespace {

constexpr int kSmallEdge = 120;

/// A frame as it is measured.
struct Opened {
    Image untouched, balanced;  ///< kEvidenceEdge pixels long
    Features features;
    int longEdge = 0;
    double sourceRatio = 1;
};

Result<Opened> read(const ReadFrame& frame, bool withFeatures, MemoryGate& gate)
{
    // A thread that waits inside for parts of its own picture may not begin another one: it holds memory that the other
    // would wait for.
    auto picture = isolated([&]() -> Result<Picture> {
        const auto held = gate.take(bytesToReadReduced(frame.path, kFeatureEdge, true));
        return readReduced(frame.path, kFeatureEdge, true);
    });
    if (!picture)
        return tl::make_unexpected(picture.error());
    Opened opened;
    opened.longEdge = std::max(picture->info.width, picture->info.height);
    opened.sourceRatio = static_cast<double>(picture->image.width()) / picture->image.height();
    if (withFeatures)
        opened.features = featuresOf(placed(picture->image, frame.balance.optics, frame.balance.geometry).view());
    const Size size = fitted({picture->image.width(), picture->image.height()}, kEvidenceEdge);
    opened.untouched = placed(reduceByArea(picture->image.view(), size.width, size.height), frame.balance.optics,
                              frame.balance.geometry);
    opened.balanced = opened.untouched;
    applyLight(frame.balance, frame.response, frame.balance.placement(size.width, size.height), 0,
               opened.balanced.mutableView());
    return opened;
}

Result<Opened> open(const ReadFrame& frame, bool withFeatures, MemoryGate& gate)
{
    return caught(frame.path.string(), [&] { return read(frame, withFeatures, gate); });
}

/// The look that a frame has.
Look lookOf(const ReadFrame& frame, const Look& look) { return lookFor(frame.look ? *frame.look : look, frame.name); }

bool looksAround(const Look& look)
{
    return std::any_of(look.steps.begin(), look.steps.end(),
                       [](const Step& s) { return isSpatial(s) && !isIdentity(s); });
}

Image finished(const Opened& opened, const Look& look, const ReadFrame& frame)
{
    Image out = opened.balanced;
    if (const auto plan = RenderPlan::compile(lookOf(frame, look))) {
        RenderOptions options{RenderOptions::Stage::All, opened.longEdge};
        if (!frame.areas.empty())
            options.masks = masksOf(FrameAreas{frame.areas, frame.balance, opened.sourceRatio}, plan->roles(),
                                    opened.balanced.view());
        render(*plan, opened.balanced.view(), out.mutableView(), {}, options);
    }
    return out;
}

/// Key colours looked for on the frames of a shoot, and the frames on which they were marked.
class KeySearch {
public:
    KeySearch(const std::vector<ReadFrame>& frames, const std::vector<KeyColour>& keys, MemoryGate& gate) : m_keys(keys)
    {
        for (const ReadFrame& frame : frames) {
            m_groupOf[frame.frame] = frame.group;
            if (std::any_of(keys.begin(), keys.end(), [&](const KeyColour& k) { return k.frame == frame.frame; }))
                if (auto opened = open(frame, true, gate))
                    m_marked.emplace(frame.frame, std::move(*opened));
        }
    }
    /// Some key colour of its light is not marked on it: it has to be compared.
    bool mustCompare(const ReadFrame& frame) const
    {
        return std::any_of(m_keys.begin(), m_keys.end(), [&](const KeyColour& key) {
            return key.frame != frame.frame && isOfItsLight(key, frame) && !frame.places.count(key.name);
        });
    }
    /// Where it is, and the doubt of it.
    std::optional<std::pair<Region, double>> find(const KeyColour& key, const ReadFrame& frame,
                                                  const Opened& opened) const
    {
        if (key.frame == frame.frame)
            return std::pair(key.place, 0.0);
        if (const auto known = frame.places.find(key.name); known != frame.places.end())
            return std::pair(known->second.first, 1 - known->second.second);
        const auto home = m_marked.find(key.frame);
        if (home == m_marked.end())
            return std::nullopt;
        const auto registration =
            isOfItsLight(key, frame) ? registerFeatures(home->second.features, opened.features) : std::nullopt;
        const auto found = findAgain(key, home->second.balanced.view(), opened.balanced.view(), registration);
        return found ? std::optional(std::pair(found->place, 1 - found->confidence)) : std::nullopt;
    }

private:
    bool isOfItsLight(const KeyColour& key, const ReadFrame& frame) const
    {
        const auto found = m_groupOf.find(key.frame);
        return (found == m_groupOf.end() ? 0 : found->second) == frame.group;
    }
    const std::vector<KeyColour>& m_keys;
    std::map<std::int64_t, Opened> m_marked;
    std::map<std::int64_t, int> m_groupOf;
};

FrameReading emptyReading(const ReadFrame& frame, std::size_t keys)
{
    FrameReading r;
    r.frame = frame.frame, r.group = frame.group, r.isLead = frame.isLead;
    r.untouched.resize(keys), r.balanced.resize(keys), r.finished.resize(keys), r.doubt.assign(keys, 0);
    r.places.assign(keys, Region{0, 0, 0, 0});
    return r;
}

FrameReading readingOf(const ReadFrame& frame, const std::vector<KeyColour>& keys, const Look& look,
                       const KeySearch& search, MemoryGate& gate)
{
    FrameReading r = emptyReading(frame, keys.size());
    if (!frame.fault.empty()) {
        r.fault = frame.fault;
        return r;
    }
    const auto opened = open(frame, search.mustCompare(frame), gate);
    if (!opened) {
        r.fault = opened.error().message();
        return r;
    }
    const Image shown = finished(*opened, look, frame);
    for (std::size_t k = 0; k < keys.size(); ++k) {
        const auto found = search.find(keys[k], frame, *opened);
        if (!found)
            continue;
        const auto& [place, doubt] = *found;
        r.doubt[k] = doubt;
        if (place.right <= place.left)
            continue;
        r.places[k] = place;
        r.untouched[k] = meanOf(opened->untouched.view(), place);
        r.balanced[k] = meanOf(opened->balanced.view(), place);
        r.finished[k] = meanOf(shown.view(), place);
    }
    r.toneBefore = toneColumns(opened->untouched.view()), r.toneAfter = toneColumns(shown.view());
    const Size small = fitted({opened->balanced.width(), opened->balanced.height()}, kSmallEdge);
    r.small = sampleGrid(opened->balanced.view(), small.width, small.height);
    return r;
}

}  // namespace

std::vector<FrameReading> readShoot(const std::vector<ReadFrame>& frames, const std::vector<KeyColour>& keys,
                                    const Look& look, const std::function<void(int, int)>& progress,
                                    const CancelToken& cancel)
{
    longCall("readShoot");
    std::vector<FrameReading> readings(frames.size());
    MemoryGate gate;
    // The frames on which something was marked, first: the others are compared with them.
    const KeySearch search(frames, keys, gate);
    std::atomic<int> done = 0;
    inParallel(frames.size(), [&](std::size_t i) {
        if (cancel.isCancelled())
            return;
        readings[i] = readingOf(frames[i], keys, look, search, gate);
        if (progress)
            progress(++done, static_cast<int>(frames.size()));
    });
    return cancel.isCancelled() ? std::vector<FrameReading>{} : readings;
}

bool finishReadings(std::vector<FrameReading>& readings, const std::vector<ReadFrame>& frames, const Look& look)
{
    if (std::any_of(frames.begin(), frames.end(), [&](const ReadFrame& f) { return looksAround(lookOf(f, look)); }))
        return false;
    for (std::size_t i = 0; i < readings.size() && i < frames.size(); ++i) {
        FrameReading& r = readings[i];
        const auto plan = RenderPlan::compile(lookOf(frames[i], look));
        if (!plan || r.small.isEmpty())
            continue;
        Image colours(static_cast<int>(std::max<std::size_t>(1, r.balanced.size())), 1);
        for (std::size_t k = 0; k < r.balanced.size(); ++k)
            if (r.balanced[k]) {
                float* p = colours.mutableView().data + 3 * k;
                p[0] = static_cast<float>(r.balanced[k]->r), p[1] = static_cast<float>(r.balanced[k]->g),
                p[2] = static_cast<float>(r.balanced[k]->b);
            }
        render(*plan, colours.view(), colours.mutableView());
        for (std::size_t k = 0; k < r.balanced.size(); ++k)
            if (const float* p = colours.view().data + 3 * k; r.balanced[k])
                r.finished[k] = LinearRgb{p[0], p[1], p[2]};
        Image shown = r.small;
        render(*plan, r.small.view(), shown.mutableView());
        r.toneAfter = toneColumns(shown.view());
    }
    return true;
}

}  // namespace amber
