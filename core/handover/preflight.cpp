#include "core/handover/preflight.h"

#include "core/base/long_call.h"
#include "core/base/number_text.h"
#include "core/base/parallel.h"
#include "core/base/phrase.h"
#include "core/image/read.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <unistd.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

using Weight = PreflightPoint::Weight;

/// Bytes for each pixel that files of a recipe take, about: what pictures of the kind came to.
double bytesForPixel(const Recipe& r)
{
    switch (r.format) {
    case FileFormat::Jpeg:
        return r.quality >= 95 ? 0.9 : r.quality >= 88 ? 0.5 : 0.25;
    case FileFormat::Webp:
        return r.quality >= 90 ? 0.4 : 0.15;
    case FileFormat::Png8:
        return 2.2;
    case FileFormat::Tiff8:
        return 2.6;
    case FileFormat::Exr:
        return 4.5;
    case FileFormat::Exr32:
        return 10;
    default:
        return 6;
    }
}

/// The folder that is there already of those a path leads through.
fs::path nearestFolder(fs::path folder)
{
    std::error_code error;
    folder = fs::absolute(folder, error).lexically_normal();
    while (!fs::exists(folder, error) && folder.has_parent_path() && folder != folder.parent_path())
        folder = folder.parent_path();
    return folder;
}

class Checks {
public:
    Checks(const PreflightOrder& order, const CancelToken& cancel) : m_order(order), m_cancel(cancel) {}

    Preflight run()
    {
        if (m_order.batch.frames.empty())
            add(Weight::Stops, phrase("There is no frame to hand over."), {});
        folders(), names(), profiles();
        frames(), pins(), findings();
        if (!m_order.batch.withCard.empty())
            add(Weight::Says,
                countedPhrase(m_order.batch.withCard.size(), "%n frame is left out: the colour card would be seen.",
                              "%n frames are left out: the colour card would be seen."),
                m_order.batch.withCard);
        room();
        std::stable_sort(m_result.points.begin(), m_result.points.end(),
                         [](const auto& p, const auto& q) { return p.weight < q.weight; });
        return std::move(m_result);
    }

private:
    void add(Weight weight, std::string words, std::vector<FrameId> frames)
    {
        m_result.points.push_back({weight, std::move(words), std::move(frames)});
    }

    void folders()
    {
        std::set<fs::path> seen;
        for (const Shipment& s : m_order.shipments) {
            std::error_code error;
            const fs::path target = s.target(), nearest = nearestFolder(target);
            if (!seen.insert(fs::weakly_canonical(target, error)).second)
                add(Weight::Stops, phrase("Two recipes write into one folder: give %1 a subfolder.", {s.recipe.name}),
                    {});
            if (!fs::is_directory(nearest, error))
                add(Weight::Stops, phrase("There is a file where the folder should be: %1", {nearest.string()}), {});
            else if (access(nearest.c_str(), W_OK | X_OK) != 0)
                add(Weight::Stops, phrase("Nothing can be written into %1", {nearest.string()}), {});
        }
        if (m_order.shipments.empty())
            add(Weight::Stops, phrase("No recipe is chosen."), {});
    }

    void names()
    {
        for (const Shipment& s : m_order.shipments) {
            if (const Status good = checkPattern(s.recipe.pattern); !good) {
                add(Weight::Stops, s.recipe.name + ": " + good.error().message(), {});
                continue;
            }
            std::error_code error;
            if (!fs::is_directory(s.target(), error))
                continue;  // nothing is there that could be in the way; pictures of one name are numbered
            const WrittenFiles written = WrittenFiles::ofFolder(s.target());
            const auto targets = targetsOf(m_order.lookForAll, m_order.batch.sources, s, written, m_order.batch.own);
            // Where nothing is in the way they would have these.
            Shipment elsewhere = s;
            elsewhere.folder = s.target() / ".nowhere", elsewhere.recipe.subfolder.clear();
            const auto plain =
                targetsOf(m_order.lookForAll, m_order.batch.sources, elsewhere, written, m_order.batch.own);
            std::vector<FrameId> renamed;
            for (std::size_t i = 0; i < targets.size(); ++i)
                if (targets[i].filename() != plain[i].filename())
                    renamed.push_back(m_order.batch.frames[i]);
            if (!renamed.empty())
                add(Weight::Asks,
                    s.recipe.name + ": " +
                        countedPhrase(
                            renamed.size(),
                            "%n file gets another name, because a file that was not written here has its own.",
                            "%n files get another name, because files that were not written here have theirs."),
                    renamed);
        }
    }

    void profiles()
    {
        for (const Shipment& s : m_order.shipments)
            if (const auto output = outputOptions(s.recipe); !output)
                add(Weight::Stops, s.recipe.name + ": " + output.error().message(), {});
    }

    std::vector<std::string> rolesWithoutArea(const PictureOwn& own) const
    {
        std::vector<std::string> roles = rolesInUse(lookFor(own.look ? *own.look : m_order.lookForAll, own.name));
        std::erase_if(roles, [&](const std::string& role) {
            const auto area = own.areas.find(role);
            return area != own.areas.end() && area->second.counts();
        });
        return roles;
    }

    void failures(const std::vector<FrameId>& gone, const std::vector<FrameId>& faulty)
    {
        if (!gone.empty())
            add(Weight::Asks,
                countedPhrase(gone.size(), "%n picture is not where it was: it will fail.",
                              "%n pictures are not where they were: they will fail."),
                gone);
        if (!faulty.empty())
            add(Weight::Asks,
                countedPhrase(faulty.size(), "%n frame cannot be rendered and will fail.",
                              "%n frames cannot be rendered and will fail."),
                faulty);
    }

    void frames()
    {
        std::vector<FrameId> gone, faulty, untouched, without;
        std::set<std::string> roles;
        for (std::size_t i = 0; i < m_order.batch.frames.size(); ++i) {
            const FrameId id = m_order.batch.frames[i];
            const Frame* frame = frameOf(m_order.frames, id);
            const PictureOwn& own = m_order.batch.own[i];
            if (!frame || frame->isLost)
                gone.push_back(id);
            else if (!frame->fault.empty() || !own.fault.empty())
                faulty.push_back(id);
            if (own.balance == FrameBalance{})
                untouched.push_back(id);
            if (const auto lacking = rolesWithoutArea(own); !lacking.empty())
                without.push_back(id), roles.insert(lacking.begin(), lacking.end());
        }
        failures(gone, faulty);
        // None at all is meant.
        if (!untouched.empty())
            add(untouched.size() == m_order.batch.frames.size() ? Weight::Says : Weight::Asks,
                countedPhrase(untouched.size(), "%n frame has no balance.", "%n frames have no balance."), untouched);
        if (!without.empty()) {
            std::string names;
            for (const std::string& role : roles)
                names += (names.empty() ? "" : ", ") + role;
            add(Weight::Asks,
                countedPhrase(without.size(), "%n frame has no area for %1: those steps do nothing there.",
                              "%n frames have no area for %1: those steps do nothing there.", {names}),
                without);
        }
    }

    void pins()
    {
        std::vector<FrameId> open;
        std::size_t count = 0;
        for (const FrameId id : m_order.batch.frames)
            if (const std::size_t own = m_order.job.openPins(id).size(); own > 0)
                open.push_back(id), count += own;
        if (count > 0)
            add(Weight::Asks,
                phrase("%1 on %2.", {countedPhrase(count, "%n pin is open", "%n pins are open"),
                                     countedPhrase(open.size(), "%n frame", "%n frames")}),
                open);
    }

    void findings()
    {
        std::set<std::string> uses;
        for (const Shipment& s : m_order.shipments)
            if (m_order.openFindings && uses.insert(s.recipe.use).second) {
                const auto open = m_order.openFindings(s.recipe.use);
                if (!open)
                    add(Weight::Says,
                        phrase("Checks for %1 were not run on these frames as they are now.", {s.recipe.use}), {});
                else if (!open->empty())
                    add(Weight::Asks,
                        countedPhrase(open->size(), "Checks for %1 found something on %n frame.",
                                      "Checks for %1 found something on %n frames.", {s.recipe.use}),
                        *open);
            }
    }

    void room()
    {
        const auto& sources = m_order.batch.sources;
        std::vector<std::uintmax_t> pixels(sources.size() * m_order.shipments.size());
        inParallel(sources.size(), [&](std::size_t i) {
            const auto info = m_cancel.isCancelled() ? fail("") : readPictureInfo(sources[i]);
            for (std::size_t k = 0; info && k < m_order.shipments.size(); ++k) {
                const Recipe& recipe = m_order.shipments[k].recipe;
                const Placement placed = m_order.batch.own[i].balance.placement(info->width, info->height);
                const Size size = sizeBy(recipe, {placed.width(), placed.height()});
                const double all = bytesForPixel(recipe) * size.width * size.height;
                pixels[i * m_order.shipments.size() + k] =
                    static_cast<std::uintmax_t>(recipe.weight > 0 ? std::min(all, recipe.weight * 1000) : all);
            }
        });
        for (const std::uintmax_t bytes : pixels)
            m_result.bytes += bytes;
        if (m_order.shipments.empty())
            return;
        std::error_code error;
        const auto space = fs::space(nearestFolder(m_order.shipments.front().folder), error);
        if (error)
            return;
        constexpr std::uintmax_t kSlack = 50'000'000;
        m_result.room = space.available;
        if (m_result.bytes / 2 > m_result.room)
            add(Weight::Stops,
                phrase("The disk is too full: the files take %1, there is %2.",
                       {bytesInWords(m_result.bytes), bytesInWords(m_result.room)}),
                {});
        else if (m_result.bytes + kSlack > m_result.room)
            add(Weight::Asks,
                phrase("The disk may be too full: the files take %1, there is %2.",
                       {bytesInWords(m_result.bytes), bytesInWords(m_result.room)}),
                {});
    }

    const PreflightOrder& m_order;
    const CancelToken& m_cancel;
    Preflight m_result;
};

}  // namespace

bool Preflight::stops() const
{
    return std::any_of(points.begin(), points.end(), [](const auto& p) { return p.weight == Weight::Stops; });
}

bool Preflight::asks() const
{
    return std::any_of(points.begin(), points.end(), [](const auto& p) { return p.weight == Weight::Asks; });
}

std::string bytesInWords(std::uintmax_t bytes)
{
    const double mega = static_cast<double>(bytes) / 1e6;
    return mega >= 1000 ? phrase("about %1 GB", {shortText(mega / 1000, 1)})
                        : phrase("about %1 MB", {shortText(std::max(0.1, mega), mega < 10 ? 1 : 0)});
}

Preflight preflight(const PreflightOrder& order, const CancelToken& cancel)
{
    longCall("preflight");
    return Checks(order, cancel).run();
}

}  // namespace amber
