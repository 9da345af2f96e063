#include "core/handover/export.h"

#include "core/area/area_mask.h"
#include "core/base/atomic_file.h"
#include "core/base/caught.h"
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/engine/render_plan.h"
#include "core/frame/light_plan.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/image/rows.h"
#include "core/optics/noise.h"

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
constexpr int kMovedRows = 192;      // of a band whose pixels come from elsewhere, so that little is read twice
constexpr int kFarthestRows = 1000;  // of the source for one band: what reaches farther is done in one piece

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
/// Coverage lies where green does.
std::vector<float> placedAlpha(const std::vector<float>& alpha, int width, int height, const FrameBalance& balance)
{
    Optics optics = balance.optics;
    optics.redFringe = optics.blueFringe = 0;
    optics.lens.red = optics.lens.blue = KnownLens{}.red;
    return alphaOf(placed(alphaAsPicture(alpha, width, height), optics, balance.geometry));
}

/// One picture and what becomes of it.
struct Order {
    const RenderPlan& plan;
    const PictureOwn& own;
    fs::path source, target;
    const Recipe& recipe;
    WrittenFiles& written;
    const CancelToken& cancel;
    std::shared_ptr<const RoleMasks> masks = {};

    Status cancelled() const { return fail("cancelled", source.string()); }
};

struct Band {
    int first = 0, rows = 0;              ///< of the finished picture
    int sourceFirst = 0, sourceRows = 0;  ///< that it is made of
    std::vector<std::uint8_t> in, out;
    Image source, image;
    SourcePlanes planes;
    std::vector<std::uint8_t> piece;
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

/// How the bands of one picture come to be.
struct BandPlan {
    const Order& order;
    Placement placement;
    LightPlan light;
    Noise noise;
    int sourceWidth, sourceHeight, rows;

    BandPlan(const Order& o, const PictureInfo& info)
        : order(o), placement(o.own.balance.placement(info.width, info.height)),
          light(o.own.balance.light, o.own.response, o.own.balance.ends.black, o.own.balance.ends.white,
                o.own.balance.optics.dims()),
          sourceWidth(info.width), sourceHeight(info.height)
    {
        const bool isMoved = !placement.isIdentity() || o.own.balance.optics.noise > 0;
        rows = isMoved ? kMovedRows : std::clamp(kBandPixels / std::max(1, placement.width()), 8, 512) / 8 * 8;
    }
    /// The rows of the source for rows of the finished picture, from the first on and before the second.
    std::pair<int, int> sourceOf(int first, int count) const
    {
        auto [from, to] = placement.sourceRows(first, count);
        if (order.own.balance.optics.noise > 0)
            from = std::max(0, from - kNoiseReach), to = std::min(sourceHeight, to + kNoiseReach);
        return {from, to};
    }
    /// Whether every band is made of rows that lie together.
    bool isLocal() const
    {
        for (int first = 0; first < placement.height(); first += rows) {
            const auto [from, to] = sourceOf(first, std::min(rows, placement.height() - first));
            if (to - from > kFarthestRows && to - from > 2 * rows)
                return false;
        }
        return true;
    }
};

/// Pieces of a band whose pixels lie elsewhere in the source, one after another: each stays in the cache on its way to
/// codes.
void developMoved(const BandPlan& plan, const RowReader& reader, const RowWriter& writer, Band& band)
{
    constexpr int kPiece = 8;
    band.planes.reset(plan.placement, band.sourceRows);
    const double noise = plan.order.own.balance.optics.noise;
    if (noise > 0) {
        if (band.source.width() != plan.sourceWidth || band.source.height() != band.sourceRows)
            band.source = Image(plan.sourceWidth, band.sourceRows);
        reader.toLinear(band.in.data(), band.source.mutableView());
        reduceNoise(band.source.mutableView(), plan.noise, noise);
        for (int y = 0; y < band.sourceRows; ++y)
            band.planes.setRow(y, band.source.view().row(y));
    } else {
        Image row(plan.sourceWidth, 1);
        const std::size_t perRow = band.in.size() / static_cast<std::size_t>(band.sourceRows);
        for (int y = 0; y < band.sourceRows; ++y) {
            reader.toLinear(band.in.data() + static_cast<std::size_t>(y) * perRow, row.mutableView());
            band.planes.setRow(y, row.view().row(0));
        }
    }
    band.out.clear();
    for (int at = 0; at < band.rows; at += kPiece) {
        const int rows = std::min(kPiece, band.rows - at);
        if (band.image.width() != plan.placement.width() || band.image.height() != kPiece)
            band.image = Image(plan.placement.width(), kPiece);
        MutableImageView out = band.image.mutableView();
        out.height = rows;
        plan.placement.run(band.planes, band.sourceFirst, band.first + at, out);
        plan.light.run(out, &plan.placement, band.first + at);
        render(plan.order.plan, out, out, plan.order.cancel,
               {RenderOptions::Stage::All, 0, band.first + at, plan.placement.height(), plan.order.masks});
        writer.toCodes(out, band.piece);
        band.out.insert(band.out.end(), band.piece.begin(), band.piece.end());
    }
}

void developBand(const BandPlan& plan, const RowReader& reader, const RowWriter& writer, Band& band)
{
    if (!plan.placement.isIdentity())
        return developMoved(plan, reader, writer, band);
    const double noise = plan.order.own.balance.optics.noise;
    if (band.source.width() != plan.sourceWidth || band.source.height() != band.sourceRows)
        band.source = Image(plan.sourceWidth, band.sourceRows);
    MutableImageView source = band.source.mutableView();
    reader.toLinear(band.in.data(), source);
    if (noise > 0)
        reduceNoise(source, plan.noise, noise);
    MutableImageView out = source;
    out.data = source.row(band.first - band.sourceFirst), out.height = band.rows;
    plan.light.run(out, &plan.placement, band.first);
    render(plan.order.plan, out, out, plan.order.cancel,
           {RenderOptions::Stage::All, 0, band.first, plan.placement.height(), plan.order.masks});
    writer.toCodes(out, band.out);
}

/// The rows of a source that the next bands are made of, read once and forward.
class SourceRows {
public:
    SourceRows(const BandPlan& plan, RowReader& reader) : m_plan(plan), m_reader(reader)
    {
        // What a later band needs is kept, whatever an earlier one needs.
        for (int first = 0; first < plan.placement.height(); first += plan.rows)
            m_needed.push_back(plan.sourceOf(first, std::min(plan.rows, plan.placement.height() - first)));
        for (std::size_t i = m_needed.size(); i-- > 1;)
            m_needed[i - 1].first = std::min(m_needed[i - 1].first, m_needed[i].first);
    }
    Status fill(Band& band)
    {
        const auto [from, to] = m_needed[static_cast<std::size_t>(band.first / m_plan.rows)];
        const std::size_t perRow = m_reader.bytesPerRow();
        if (const int past = std::min(from, m_first + rows(perRow)) - m_first; past > 0) {
            m_codes.erase(m_codes.begin(), m_codes.begin() + static_cast<std::ptrdiff_t>(past * perRow));
            m_first += past;
        }
        while (m_first + rows(perRow) < to) {
            const int next = m_first + rows(perRow), count = std::min(to - next, kMovedRows);
            if (const Status read = m_reader.read(count, m_read); !read)
                return read;
            if (next + count > from)
                m_codes.insert(m_codes.end(), m_read.begin(), m_read.end());
            else
                m_first += count;
        }
        band.sourceFirst = from, band.sourceRows = to - from;
        const auto begin = m_codes.begin() + static_cast<std::ptrdiff_t>((from - m_first) * perRow);
        band.in.assign(begin, begin + static_cast<std::ptrdiff_t>((to - from) * perRow));
        return {};
    }

private:
    int rows(std::size_t perRow) const { return static_cast<int>(m_codes.size() / perRow); }
    const BandPlan& m_plan;
    RowReader& m_reader;
    std::vector<std::pair<int, int>> m_needed;
    std::vector<std::uint8_t> m_codes, m_read;
    int m_first = 0;
};

/// Measured on a first way through the file, of which little is looked at.
Status measureNoiseOf(const Order& order, Noise& noise)
{
    auto reader = RowReader::open(order.source);
    if (!reader)
        return tl::make_unexpected(reader.error());
    const int width = (*reader)->info().width;
    const std::vector<RowRange> ranges = noiseRows((*reader)->info().height);
    int count = 0;
    for (const RowRange& range : ranges)
        count += range.rows;
    Image rows(width, count);
    std::vector<std::uint8_t> codes;
    int at = 0, to = 0;
    for (const RowRange& range : ranges) {
        for (int left = range.first - at; left > 0; left -= std::min(left, kMovedRows))
            if (const Status read = (*reader)->read(std::min(left, kMovedRows), codes); !read)
                return read;
        if (const Status read = (*reader)->read(range.rows, codes); !read)
            return read;
        MutableImageView part = rows.mutableView();
        part.data = part.row(to), part.height = range.rows;
        (*reader)->toLinear(codes.data(), part);
        to += range.rows, at = range.first + range.rows;
    }
    noise = measureNoiseOfRows(rows.view());
    return {};
}

/// Bands of rows are read one after another, rendered side by side, written one after another.
Status deliverInBands(BandPlan& plan, RowReader& reader)
{
    const Order& order = plan.order;
    const int height = plan.placement.height();
    if (order.own.balance.optics.noise > 0)
        if (const Status measured = measureNoiseOf(order, plan.noise); !measured)
            return measured;
    auto writer = RowWriter::open(order.target, plan.placement.width(), height, order.recipe.output, &order.written);
    if (!writer)
        return tl::make_unexpected(writer.error());
    BandsOnTheirWay bands;
    SourceRows rows(plan, reader);
    Status read;
    Status put;
    std::atomic<bool> isOver = false;
    int next = 0;
    const auto take = [&]() -> std::optional<Band*> {
        if (next >= height || order.cancel.isCancelled() || isOver)
            return std::nullopt;
        auto band = bands.begin(next, std::min(plan.rows, height - next));
        next += band->rows;
        if (!(read = rows.fill(*band)))
            return std::nullopt;
        return band.release();
    };
    // What a thread waits for inside may not make it take up another band: this one is held.
    const auto develop = [&](Band* band) { isolated([&] { developBand(plan, reader, **writer, *band); }); };
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
        if (!picture->alpha.empty() && !balance.placement(image.width(), image.height()).isIdentity())
            picture->alpha = placedAlpha(picture->alpha, image.width(), image.height(), balance);
        image = balancedPicture(std::move(image), balance, order.own.response);
    }
    if (!render(order.plan, image.view(), image.mutableView(), order.cancel,
                {RenderOptions::Stage::Look, 0, 0, 0, order.masks}))
        return order.cancelled();
    const Size size = fitted({image.width(), image.height()}, order.recipe.longEdge);
    if (size.width != image.width() || size.height != image.height()) {
        if (!picture->alpha.empty())
            picture->alpha = reducedAlpha(picture->alpha, image.width(), image.height(), size);
        image = reduceByArea(image.view(), size.width, size.height);
    }
    if (!render(order.plan, image.view(), image.mutableView(), order.cancel,
                {RenderOptions::Stage::Output, 0, 0, 0, order.masks}))
        return order.cancelled();
    return writePicture(order.target, image.view(), picture->alpha, order.recipe.output, order.source, &order.written);
}

/// Where the look's roles lie on the finished picture, told on few of its pixels.
Status findMasks(Order& order)
{
    const auto lies = [&](const std::string& role) { return order.own.areas.contains(role); };
    if (std::none_of(order.plan.roles().begin(), order.plan.roles().end(), lies))
        return {};
    auto small = readReduced(order.source, kMaskLongEdge, true);
    if (!small)
        return tl::make_unexpected(small.error());
    FrameAreas areas{order.own.areas, order.own.balance,
                     static_cast<double>(small->image.width()) / small->image.height()};
    const Image finished = balancedPicture(std::move(small->image), order.own.balance, order.own.response);
    order.masks = masksOf(areas, order.plan.roles(), finished.view());
    return {};
}

Status deliverUncut(Order order)
{
    if (const Status found = findMasks(order); !found)
        return found;
    if (order.plan.needsWholePicture())
        return deliverWhole(order);
    auto reader = RowReader::open(order.source);
    if (!reader)
        return tl::make_unexpected(reader.error());
    if (!*reader)
        return deliverWhole(order);
    BandPlan plan(order, (*reader)->info());
    const Size size{plan.placement.width(), plan.placement.height()};
    return fitted(size, order.recipe.longEdge) == size && plan.isLocal() ? deliverInBands(plan, **reader)
                                                                         : deliverWhole(order);
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
    if (order.own.name.own.empty() && !order.own.look)
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
