#include "core/handover/export.h"

#include "core/base/atomic_file.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/image/rows.h"

#include <algorithm>
#include <atomic>
#include <memory>
#include <mutex>
#include <optional>
#include <set>
#include <sys/stat.h>

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

/// One picture and what becomes of it.
struct Order {
    const RenderPlan& plan;
    const PictureOwn& own;
    fs::path source, target;
    const Recipe& recipe;
    WrittenFiles& written;
    const CancelToken& cancel;

    Status cancelled() const { return fail("cancelled", source.string()); }
};

struct Band {
    int first, rows;
    std::vector<std::uint8_t> in, out;
    Image image;
};

/// Bands go round: what one has taken of memory serves the next.
class BandsOnTheirWay {
public:
    std::unique_ptr<Band> begin(int first, int rows)
    {
        const std::lock_guard lock(m_mutex);
        if (m_free.empty())
            m_free.push_back(std::make_unique<Band>());
        std::unique_ptr<Band> band = std::move(m_free.back());
        m_free.pop_back();
        band->first = first, band->rows = rows;
        return band;
    }
    void end(Band* band)
    {
        const std::lock_guard lock(m_mutex);
        m_free.emplace_back(band);
    }

private:
    std::mutex m_mutex;
    std::vector<std::unique_ptr<Band>> m_free;
};

void developBand(const Order& order, const RowReader& reader, const RowWriter& writer, Band& band)
{
    const int width = reader.info().width, height = reader.info().height;
    if (band.image.width() != width || band.image.height() != band.rows)
        band.image = Image(width, band.rows);
    reader.toLinear(band.in.data(), band.image.mutableView());
    applyLight(order.own.balance, order.own.response, band.image.mutableView());
    render(order.plan, band.image.view(), band.image.mutableView(), order.cancel,
           {RenderOptions::Stage::All, 0, band.first, height});
    writer.toCodes(band.image.view(), band.out);
}

/// Bands of rows are read one after another, rendered side by side, written one after another.
Status deliverInBands(const Order& order, RowReader& reader)
{
    const int width = reader.info().width, height = reader.info().height;
    const int rows = std::clamp(kBandPixels / std::max(1, width), 8, 512) / 8 * 8;
    auto writer = RowWriter::open(order.target, width, height, order.recipe.output, &order.written);
    if (!writer)
        return tl::make_unexpected(writer.error());
    BandsOnTheirWay bands;
    Status read;
    Status put;
    std::atomic<bool> isOver = false;
    int next = 0;
    const auto take = [&]() -> std::optional<Band*> {
        if (next >= height || order.cancel.isCancelled() || isOver)
            return std::nullopt;
        auto band = bands.begin(next, std::min(rows, height - next));
        next += band->rows;
        if (!(read = reader.read(band->rows, band->in)))
            return std::nullopt;
        return band.release();
    };
    // What a thread waits for inside may not make it take up another band: this one is held.
    const auto develop = [&](Band* band) { isolated([&] { developBand(order, reader, **writer, *band); }); };
    const auto give = [&](Band* band) {
        if (put && !order.cancel.isCancelled())
            put = (*writer)->write(band->rows, band->out);
        isOver = !put;
        bands.end(band);
    };
    inOrder<Band*>(kBandsInFlight, take, develop, give);
    if (order.cancel.isCancelled())
        return order.cancelled();
    if (!read || !put)
        return read ? put : read;
    return (*writer)->finish(order.source);
}

/// Turned, cut, looked at and reduced in one piece.
Status deliverWhole(const Order& order)
{
    auto picture = readPicture(order.source);
    if (!picture)
        return tl::make_unexpected(picture.error());
    if (order.cancel.isCancelled())
        return order.cancelled();
    Image& image = picture->image;
    const FrameBalance& balance = order.own.balance;
    if (balance.changesPixels()) {
        if (!picture->alpha.empty() && !balance.geometry.isIdentity())
            picture->alpha = placedAlpha(picture->alpha, image.width(), image.height(), balance.geometry);
        image = balancedPicture(std::move(image), balance, order.own.response);
    }
    if (!render(order.plan, image.view(), image.mutableView(), order.cancel, {RenderOptions::Stage::Look, 0}))
        return order.cancelled();
    const Size size = fitted({image.width(), image.height()}, order.recipe.longEdge);
    if (size.width != image.width() || size.height != image.height()) {
        if (!picture->alpha.empty())
            picture->alpha = reducedAlpha(picture->alpha, image.width(), image.height(), size);
        image = reduceByArea(image.view(), size.width, size.height);
    }
    if (!render(order.plan, image.view(), image.mutableView(), order.cancel, {RenderOptions::Stage::Output, 0}))
        return order.cancelled();
    return writePicture(order.target, image.view(), picture->alpha, order.recipe.output, order.source, &order.written);
}

Status deliverUncut(const Order& order)
{
    if (order.plan.needsWholePicture() || !order.own.balance.geometry.isIdentity())
        return deliverWhole(order);
    auto reader = RowReader::open(order.source);
    if (!reader)
        return tl::make_unexpected(reader.error());
    if (!*reader)
        return deliverWhole(order);
    const Size size{(*reader)->info().width, (*reader)->info().height};
    return fitted(size, order.recipe.longEdge) == size ? deliverInBands(order, **reader) : deliverWhole(order);
}

Status deliver(const Order& order)
{
    if (!(order.recipe.ratio > 0))
        return deliverUncut(order);
    const auto info = readPictureInfo(order.source);
    if (!info)
        return tl::make_unexpected(info.error());
    PictureOwn cut = order.own;
    cut.balance.geometry =
        croppedTo(order.own.balance.geometry, static_cast<double>(info->width) / info->height, order.recipe.ratio);
    return deliverUncut({order.plan, cut, order.source, order.target, order.recipe, order.written, order.cancel});
}

/// With the picture's own look, if it has one, or the job's under its own name.
Status deliverWithOwnLook(const Look& look, const Order& order)
{
    if (!order.own.fault.empty())
        return fail(order.own.fault, order.source.string());
    if (order.own.name.empty() && !order.own.look)
        return deliver(order);
    const auto mine = RenderPlan::compile(lookFor(order.own.look ? *order.own.look : look, order.own.name));
    if (!mine)
        return tl::make_unexpected(mine.error());
    return deliver({*mine, order.own, order.source, order.target, order.recipe, order.written, order.cancel});
}

Status prepareFolder(const fs::path& folder)
{
    std::error_code error;
    fs::create_directories(folder, error);
    if (error || !fs::is_directory(folder))
        return fail("the folder cannot be made" + (error ? ": " + error.message() : std::string()), folder.string());
    return {};
}

/// What a killed delivery had written is taken into the list before what it left is tidied up.
void tidyFolder(WrittenFiles& written, const fs::path& folder)
{
    if (written.save())
        removeLeftovers(folder);
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
    if (const Status made = prepareFolder(recipe.folder); !made)
        return tl::make_unexpected(made.error());
    WrittenFiles written = WrittenFiles::ofFolder(recipe.folder);
    tidyFolder(written, recipe.folder);
    const std::vector<fs::path> targets = targetsOf(sources, recipe, written);
    std::vector<std::optional<Delivery>> all(sources.size());
    std::mutex mutex;
    int done = 0;
    std::size_t next = 0;
    const auto take = [&]() -> std::optional<std::size_t> {
        return next < sources.size() && !cancel.isCancelled() ? std::optional(next++) : std::nullopt;
    };
    const auto work = [&](std::size_t i) {
        static const PictureOwn nothing;
        const Order order{*plan, i < own.size() ? own[i] : nothing, sources[i], targets[i], recipe, written, cancel};
        const Status status = caught(sources[i].string(), [&] { return deliverWithOwnLook(look, order); });
        const std::lock_guard lock(mutex);
        if (!status && cancel.isCancelled())
            return;
        all[i] =
            Delivery{sources[i], status ? targets[i] : fs::path(), status ? std::string() : status.error().message()};
        if (++done; progress)
            progress(done, static_cast<int>(sources.size()), *all[i]);
    };
    inOrder<std::size_t>(kPicturesInFlight, take, work, [](std::size_t) {});
    const Status listed = written.save();
    ExportReport report{{}, cancel.isCancelled(), listed ? std::string() : listed.error().message()};
    for (auto& delivery : all)
        if (delivery)
            report.deliveries.push_back(std::move(*delivery));
    return report;
}

}  // namespace amber
