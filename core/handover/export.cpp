#include "core/handover/export.h"

#include "core/base/atomic_file.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/image/rows.h"

#include <algorithm>
#include <mutex>
#include <set>
#include <sys/stat.h>
#include <tbb/parallel_pipeline.h>
#include <tbb/task_arena.h>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr int kPicturesInFlight = 2, kBandPixels = 1 << 16, kBandsInFlight = 6;

std::string lowerCase(std::string s)
{
    std::transform(s.begin(), s.end(), s.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return s;
}

Image alphaAsPicture(const std::vector<float>& alpha, int width, int height)
{
    Image spread(width, height);
    for (std::size_t i = 0; i < alpha.size(); ++i)
        std::fill_n(spread.mutableView().data + 3 * i, 3, alpha[i]);
    return spread;
}

std::vector<float> alphaOf(const Image& picture)
{
    std::vector<float> result(static_cast<std::size_t>(picture.width()) * picture.height());
    for (std::size_t i = 0; i < result.size(); ++i)
        result[i] = std::clamp(picture.view().data[3 * i], 0.0f, 1.0f);
    return result;
}

std::vector<float> reducedAlpha(const std::vector<float>& alpha, int width, int height, Size size)
{
    return alphaOf(reduceByArea(alphaAsPicture(alpha, width, height).view(), size.width, size.height));
}
std::vector<float> placedAlpha(const std::vector<float>& alpha, int width, int height, const Geometry& geometry)
{
    return alphaOf(placed(alphaAsPicture(alpha, width, height), geometry));
}

/// Bands of rows on their way: read one after another, rendered side by side, written one after another.
Status deliverInBands(const RenderPlan& plan, const PictureOwn& own, RowReader& reader, const fs::path& source,
                      const fs::path& target, const Recipe& recipe, WrittenFiles& written, const CancelToken& cancel)
{
    const int width = reader.info().width, height = reader.info().height;
    const int rows = std::clamp(kBandPixels / std::max(1, width), 8, 512) / 8 * 8;
    auto writer = RowWriter::open(target, width, height, recipe.output, &written);
    if (!writer)
        return tl::make_unexpected(writer.error());
    struct Band {
        int first, rows;
        std::vector<std::uint8_t> in, out;
        Image image;
    };
    // Bands go round: what one has taken of memory serves the next.
    std::vector<std::unique_ptr<Band>> free;
    std::mutex mutex;
    Status read, put;
    int next = 0;
    const auto take = [&](tbb::flow_control& flow) -> Band* {
        const std::lock_guard lock(mutex);
        if (next >= height || cancel.isCancelled() || !read || !put) {
            flow.stop();
            return nullptr;
        }
        if (free.empty())
            free.push_back(std::make_unique<Band>());
        std::unique_ptr<Band> band = std::move(free.back());
        free.pop_back();
        band->first = next, band->rows = std::min(rows, height - next);
        next += band->rows;
        if (!(read = reader.read(band->rows, band->in))) {
            flow.stop();
            return nullptr;
        }
        return band.release();
    };
    const auto develop = [&](Band* band) {
        // What a thread waits for inside may not make it take up another band: this one is held.
        tbb::this_task_arena::isolate([&] {
            if (band->image.width() != width || band->image.height() != band->rows)
                band->image = Image(width, band->rows);
            reader.toLinear(band->in.data(), band->image.mutableView());
            applyLight(own.balance, own.response, band->image.mutableView());
            render(plan, band->image.view(), band->image.mutableView(), cancel,
                   {RenderOptions::Stage::All, 0, band->first, height});
            (*writer)->toCodes(band->image.view(), band->out);
        });
        return band;
    };
    const auto give = [&](Band* band) {
        if (put && !cancel.isCancelled())
            put = (*writer)->write(band->rows, band->out);
        const std::lock_guard lock(mutex);
        free.emplace_back(band);
    };
    tbb::parallel_pipeline(kBandsInFlight, tbb::make_filter<void, Band*>(tbb::filter_mode::serial_in_order, take) &
                                               tbb::make_filter<Band*, Band*>(tbb::filter_mode::parallel, develop) &
                                               tbb::make_filter<Band*, void>(tbb::filter_mode::serial_in_order, give));
    if (cancel.isCancelled())
        return fail("cancelled", source.string());
    if (!read || !put)
        return read ? put : read;
    return (*writer)->finish(source);
}

Status deliver(const RenderPlan& plan, const PictureOwn& own, const fs::path& source, const fs::path& target,
               const Recipe& recipe, WrittenFiles& written, const CancelToken& cancel)
{
    if (recipe.ratio > 0) {
        const auto info = readPictureInfo(source);
        if (!info)
            return tl::make_unexpected(info.error());
        PictureOwn cut = own;
        cut.balance.geometry =
            croppedTo(own.balance.geometry, static_cast<double>(info->width) / info->height, recipe.ratio);
        Recipe uncut = recipe;
        uncut.ratio = 0;
        return deliver(plan, cut, source, target, uncut, written, cancel);
    }
    if (!plan.needsWholePicture() && own.balance.geometry.isIdentity()) {
        auto reader = RowReader::open(source);
        if (!reader)
            return tl::make_unexpected(reader.error());
        if (*reader) {
            const Size size{(*reader)->info().width, (*reader)->info().height};
            if (fitted(size, recipe.longEdge) == size)
                return deliverInBands(plan, own, **reader, source, target, recipe, written, cancel);
        }
    }
    auto picture = readPicture(source);
    if (!picture)
        return tl::make_unexpected(picture.error());
    if (cancel.isCancelled())
        return fail("cancelled", source.string());
    Image& image = picture->image;
    if (own.balance.changesPixels()) {
        if (!picture->alpha.empty() && !own.balance.geometry.isIdentity())
            picture->alpha = placedAlpha(picture->alpha, image.width(), image.height(), own.balance.geometry);
        image = balancedPicture(std::move(image), own.balance, own.response);
    }
    if (!render(plan, image.view(), image.mutableView(), cancel, {RenderOptions::Stage::Look, 0}))
        return fail("cancelled", source.string());
    const Size size = fitted({image.width(), image.height()}, recipe.longEdge);
    if (size.width != image.width() || size.height != image.height()) {
        if (!picture->alpha.empty())
            picture->alpha = reducedAlpha(picture->alpha, image.width(), image.height(), size);
        image = reduceByArea(image.view(), size.width, size.height);
    }
    if (!render(plan, image.view(), image.mutableView(), cancel, {RenderOptions::Stage::Output, 0}))
        return fail("cancelled", source.string());
    return writePicture(target, image.view(), picture->alpha, recipe.output, source, &written);
}

}  // namespace

int ExportReport::failed() const
{
    return static_cast<int>(
        std::count_if(deliveries.begin(), deliveries.end(), [](const Delivery& d) { return !d.fault.empty(); }));
}

std::vector<fs::path> targetsOf(const std::vector<fs::path>& sources, const Recipe& recipe, const WrittenFiles& written)
{
    std::set<std::pair<dev_t, ino_t>> originals;
    struct stat facts {};
    for (const auto* files : {&sources, &recipe.originals})
        for (const fs::path& file : *files)
            if (::stat(file.c_str(), &facts) == 0)
                originals.emplace(facts.st_dev, facts.st_ino);
    std::set<std::string> taken;
    const auto isFree = [&](const fs::path& target) {
        if (!taken.insert(lowerCase(target.filename().string())).second)
            return false;
        struct stat there {};
        if (::lstat(target.c_str(), &there) != 0)
            return true;
        return originals.count({there.st_dev, there.st_ino}) == 0 && written.seemsOurs(target);
    };
    std::vector<fs::path> targets;
    const std::string extension(extensionOf(recipe.output.format));
    for (const fs::path& source : sources) {
        const std::string stem = source.stem().string();
        fs::path target = recipe.folder / (stem + extension);
        for (int n = 2; !isFree(target); ++n)
            target = recipe.folder / (stem + "-" + std::to_string(n) + extension);
        targets.push_back(std::move(target));
    }
    return targets;
}

Result<ExportReport> exportPictures(const Look& look, const std::vector<fs::path>& sources, const Recipe& recipe,
                                    const ExportProgress& progress, const CancelToken& cancel,
                                    const std::vector<PictureOwn>& own)
{
    longCall("exportPictures");
    const auto plan = RenderPlan::compile(look);
    if (!plan)
        return tl::make_unexpected(plan.error());
    std::error_code error;
    fs::create_directories(recipe.folder, error);
    if (error || !fs::is_directory(recipe.folder))
        return fail("the folder cannot be made" + (error ? ": " + error.message() : std::string()),
                    recipe.folder.string());
    // What a killed delivery had written is taken into the list before what it left is tidied up.
    WrittenFiles written = WrittenFiles::ofFolder(recipe.folder);
    if (written.save())
        removeLeftovers(recipe.folder);
    const std::vector<fs::path> targets = targetsOf(sources, recipe, written);
    std::vector<Delivery> all(sources.size());
    std::vector<char> finished(sources.size(), 0);
    std::mutex mutex;
    int done = 0;
    std::size_t next = 0;
    const auto take = [&](tbb::flow_control& flow) {
        if (next >= sources.size() || cancel.isCancelled()) {
            flow.stop();
            return std::size_t{0};
        }
        return next++;
    };
    const auto work = [&](std::size_t i) {
        static const PictureOwn nothing;
        const PictureOwn& mine = i < own.size() ? own[i] : nothing;
        const auto ownPlan = mine.name.empty() && !mine.look
                                 ? plan
                                 : RenderPlan::compile(lookFor(mine.look ? *mine.look : look, mine.name));
        const auto write = [&] { return deliver(*ownPlan, mine, sources[i], targets[i], recipe, written, cancel); };
        Status status = !mine.fault.empty() ? Status(fail(mine.fault, sources[i].string()))
                        : ownPlan           ? caught(sources[i].string(), write)
                                            : Status(tl::make_unexpected(ownPlan.error()));
        const std::lock_guard lock(mutex);
        if (!status && cancel.isCancelled())
            return;
        all[i] = {sources[i], status ? targets[i] : fs::path(), status ? std::string() : status.error().message()};
        finished[i] = 1;
        ++done;
        if (progress)
            progress(done, static_cast<int>(sources.size()), all[i]);
    };
    tbb::parallel_pipeline(kPicturesInFlight,
                           tbb::make_filter<void, std::size_t>(tbb::filter_mode::serial_in_order, take) &
                               tbb::make_filter<std::size_t, void>(tbb::filter_mode::parallel, work));
    const Status listed = written.save();
    ExportReport report;
    if (!listed)
        report.warning = listed.error().message();
    for (std::size_t i = 0; i < all.size(); ++i)
        if (finished[i])
            report.deliveries.push_back(std::move(all[i]));
    report.cancelled = cancel.isCancelled();
    return report;
}

}  // namespace amber
