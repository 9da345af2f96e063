#include "core/handover/deliver.h"

#include "core/area/area_mask.h"
#include "core/base/atomic_file.h"
#include "core/base/caught.h"
#include "core/base/parallel.h"
#include "core/frame/light_plan.h"
#include "core/handover/weight.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/image/rows.h"
#include "core/optics/noise.h"

#include <algorithm>
#include <atomic>
#include <fstream>
#include <mutex>
#include <optional>

namespace amber {
namespace fs = std::filesystem;
namespace {

constexpr int kBandPixels = 1 << 16, kBandsInFlight = 6;
constexpr int kMovedRows = 192;      // of a band whose pixels come from elsewhere, so that little is read twice
constexpr int kFarthestRows = 1000;  // of the source for one band: what reaches farther is done in one piece

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

Status cancelledAt(const Order& order) { return fail("cancelled", order.source.string()); }

struct Band {
    int first = 0, rows = 0;              ///< of the finished picture
    int sourceFirst = 0, sourceRows = 0;  ///< that it is made of
    std::vector<std::uint8_t> in;
    Image source, image, finished;
    SourcePlanes planes;
    std::vector<std::uint8_t> piece;
    /// What each sink gets of it: codes of its file, or rows as narrow as its picture.
    std::vector<std::vector<std::uint8_t>> codes;
    std::vector<std::vector<float>> narrow;
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

/// Where the rows of one sink go.
struct SinkRows {
    const Sink& sink;
    std::unique_ptr<RowWriter> writer;     ///< of a file that is written row by row,
    std::unique_ptr<BandReducer> reducer;  ///< or of a picture that is finished as a whole
    Status status = {};
};

/// The look over rows of a band, and what each sink takes of them.
void landBand(const BandPlan& plan, std::vector<SinkRows>& sinks, Band& band, MutableImageView rows, int firstRow)
{
    const int height = plan.placement.height();
    render(plan.order.plan, rows, rows, plan.order.cancel,
           {RenderOptions::Stage::All, 0, firstRow, height, plan.order.masks});
    for (std::size_t i = 0; i < sinks.size(); ++i) {
        if (!sinks[i].status)
            continue;
        if (sinks[i].reducer) {
            sinks[i].reducer->makeNarrow(rows, band.narrow[i]);
            continue;
        }
        ImageView finished = rows;
        if (const RenderPlan& finish = sinks[i].sink.finish; !finish.isIdentity()) {
            if (band.finished.width() != rows.width || band.finished.height() < rows.height)
                band.finished = Image(rows.width, rows.height);
            MutableImageView to = band.finished.mutableView();
            to.height = rows.height;
            render(finish, rows, to, plan.order.cancel, {RenderOptions::Stage::All, 0, firstRow, height, {}});
            finished = to;
        }
        sinks[i].writer->toCodes(finished, firstRow, band.piece);
        if (band.codes[i].empty())
            band.codes[i].swap(band.piece);
        else
            band.codes[i].insert(band.codes[i].end(), band.piece.begin(), band.piece.end());
    }
}

/// Pieces of a band whose pixels lie elsewhere in the source, one after another: each stays in the cache on its way to
/// codes.
void developMoved(const BandPlan& plan, const RowReader& reader, std::vector<SinkRows>& sinks, Band& band)
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
    for (int at = 0; at < band.rows; at += kPiece) {
        const int rows = std::min(kPiece, band.rows - at);
        if (band.image.width() != plan.placement.width() || band.image.height() != kPiece)
            band.image = Image(plan.placement.width(), kPiece);
        MutableImageView out = band.image.mutableView();
        out.height = rows;
        plan.placement.run(band.planes, band.sourceFirst, band.first + at, out);
        plan.light.run(out, &plan.placement, band.first + at);
        landBand(plan, sinks, band, out, band.first + at);
    }
}

void developBand(const BandPlan& plan, const RowReader& reader, std::vector<SinkRows>& sinks, Band& band)
{
    band.codes.resize(sinks.size()), band.narrow.resize(sinks.size());
    for (auto& codes : band.codes)
        codes.clear();
    for (auto& narrow : band.narrow)
        narrow.clear();
    if (!plan.placement.isIdentity())
        return developMoved(plan, reader, sinks, band);
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
    landBand(plan, sinks, band, out, band.first);
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
        const auto at = static_cast<std::size_t>(band.first / m_plan.rows);
        const auto [from, to] = m_needed[at];
        const std::size_t perRow = m_reader.bytesPerRow();
        band.sourceFirst = from, band.sourceRows = to - from;
        const bool isShared = at + 1 < m_needed.size() && m_needed[at + 1].first < to;
        if (m_codes.empty() && m_first == from && !isShared) {
            m_first = to;
            return m_reader.read(to - from, band.in);
        }
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

/// Pixels per inch of what comes out smaller than its print: the print keeps its size.
OutputOptions outputFor(const Sink& sink, Size own)
{
    OutputOptions output = sink.output;
    output.metadata.ppi = ppiBy(sink.recipe, own);
    return output;
}

/// Whether its file can be written row by row, as the picture comes.
bool isByRows(const Sink& sink, Size own)
{
    const bool isSought = sink.recipe.weight > 0 && hasQuality(sink.output.format);
    return !isSought && !sink.finish.needsWholePicture() && sizeBy(sink.recipe, own) == own;
}

SinkRows openRows(const BandPlan& plan, const Sink& sink)
{
    const Size own{plan.placement.width(), plan.placement.height()};
    SinkRows rows{sink, nullptr, nullptr};
    if (!isByRows(sink, own)) {
        rows.reducer = std::make_unique<BandReducer>(own, sizeBy(sink.recipe, own));
        return rows;
    }
    auto writer = RowWriter::open(sink.target, own.width, own.height, outputFor(sink, own), &sink.written);
    if (writer)
        rows.writer = std::move(*writer);
    else
        rows.status = tl::make_unexpected(writer.error());
    return rows;
}

/// The next rows to every sink, in order.
void giveBand(std::vector<SinkRows>& sinks, const Band& band)
{
    for (std::size_t i = 0; i < sinks.size(); ++i) {
        if (!sinks[i].status)
            continue;
        if (sinks[i].reducer)
            sinks[i].reducer->take(band.narrow[i]);
        else
            sinks[i].status = sinks[i].writer->write(band.rows, band.codes[i]);
    }
}

/// Bands of rows are read one after another, rendered side by side, given on one after another. What broke reading off.
Status runBands(const BandPlan& plan, RowReader& reader, std::vector<SinkRows>& sinks)
{
    const Order& order = plan.order;
    const int height = plan.placement.height();
    BandsOnTheirWay bands;
    SourceRows rows(plan, reader);
    Status read;
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
    const auto develop = [&](Band* band) { isolated([&] { developBand(plan, reader, sinks, *band); }); };
    const auto give = [&](Band* band) {
        if (!order.cancel.isCancelled())
            giveBand(sinks, *band);
        isOver = std::none_of(sinks.begin(), sinks.end(), [](const SinkRows& s) { return bool(s.status); });
        bands.end(band);
    };
    inOrder<Band*>(kBandsInFlight, take, develop, give);
    return order.cancel.isCancelled() ? cancelledAt(order) : read;
}

/// Over a temporary file of ours.
bool writeOver(const fs::path& temporary, const std::string& bytes)
{
    std::ofstream out(temporary, std::ios::binary | std::ios::trunc);
    out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
    return static_cast<bool>(out.flush());
}

/// What metadata adds to a file: told by a file of one pixel.
std::size_t metadataBytes(const Order& order, const Sink& sink, const OutputOptions& output)
{
    const fs::path file = AtomicFile::makeTemporary(sink.target);
    const auto bytes = packCodes(1, 1, {0, 0, 0}, output);
    std::error_code error;
    std::uintmax_t size = 0;
    if (bytes && writeOver(file, *bytes)) {
        MetadataRule rule = output.metadata;
        if (output.format == FileFormat::Webp)
            rule.profile = profileOf(output);
        if (copyMetadata(order.source, file, rule))
            size = fs::file_size(file, error);
    }
    fs::remove(file, error);
    return size > (bytes ? bytes->size() : 0) ? size - bytes->size() : 0;
}

/// Written at the quality asked for, or the best within the weight. `own`: the size it was reduced from.
Result<int> writeWhole(const Order& order, const Sink& sink, ImageView image, const std::vector<float>& alpha, Size own)
{
    OutputOptions output = outputFor(sink, own);
    if (sink.recipe.weight <= 0 || !hasQuality(output.format)) {
        const Status done = writePicture(sink.target, image, alpha, output, order.source, &sink.written);
        return done ? Result<int>(hasQuality(output.format) ? output.quality : 0) : tl::make_unexpected(done.error());
    }
    constexpr double kKilobyte = 1000;
    std::vector<std::uint8_t> codes;
    const Image flat = alpha.empty() ? Image() : overWhite(image, alpha);
    encodeToBytes(alpha.empty() ? image : flat.view(), output, 0, codes);
    const auto packed =
        packWithin(image.width, image.height, codes, output, static_cast<std::size_t>(sink.recipe.weight * kKilobyte),
                   metadataBytes(order, sink, output));
    if (!packed)
        return fail(packed.error().message(), order.source.string());
    output.quality = packed->quality;
    const Status done =
        writePacked(sink.target, packed->bytes, image.width, image.height, codes, output, order.source, &sink.written);
    return done ? Result<int>(packed->quality) : tl::make_unexpected(done.error());
}

/// What the recipe does beside the look, and the file.
Result<int> finishWhole(const Order& order, const Sink& sink, Image image, const std::vector<float>& alpha, Size own)
{
    if (!render(sink.finish, image.view(), image.mutableView(), order.cancel))
        return tl::make_unexpected(cancelledAt(order).error());
    return writeWhole(order, sink, image.view(), alpha, own);
}

using Outcomes = std::vector<Result<int>>;

Outcomes allFailed(const Order& order, const Error& error)
{
    return Outcomes(order.sinks.size(), tl::make_unexpected(error));
}

/// What follows the last row of a sink.
Result<int> finished(const Order& order, SinkRows& s, Size own)
{
    if (s.status && s.reducer)
        return finishWhole(order, s.sink, s.reducer->result(), {}, own);
    if (s.status)
        s.status = s.writer->finish(order.source);
    if (!s.status)
        return tl::make_unexpected(s.status.error());
    return hasQuality(s.sink.output.format) ? s.sink.output.quality : 0;
}

Outcomes deliverInBands(BandPlan& plan, RowReader& reader)
{
    const Order& order = plan.order;
    if (order.own.balance.optics.noise > 0)
        if (const Status measured = measureNoiseOf(order, plan.noise); !measured)
            return allFailed(order, measured.error());
    std::vector<SinkRows> sinks;
    for (const Sink& sink : order.sinks)
        sinks.push_back(openRows(plan, sink));
    if (const Status run = runBands(plan, reader, sinks); !run)
        return allFailed(order, run.error());
    const Size own{plan.placement.width(), plan.placement.height()};
    Outcomes outcomes(sinks.size(), Result<int>(0));
    // What is left of each file is one core's work.
    inParallel(sinks.size(), [&](std::size_t i) {
        outcomes[i] = caught(sinks[i].sink.target.string(), [&] { return finished(order, sinks[i], own); });
    });
    return outcomes;
}

/// One sink of a picture that has its look; the last may take it.
Result<int> deliverFrom(const Order& order, const Sink& sink, Picture& picture, bool isLast)
{
    const Size own{picture.image.width(), picture.image.height()}, size = sizeBy(sink.recipe, own);
    std::vector<float> alpha = picture.alpha;
    if (size != own && !alpha.empty())
        alpha = reducedAlpha(alpha, own.width, own.height, size);
    Image image = size != own ? reduceByArea(picture.image.view(), size.width, size.height)
                  : isLast    ? std::move(picture.image)
                              : picture.image;
    if (!render(order.plan, image.view(), image.mutableView(), order.cancel,
                {RenderOptions::Stage::Output, 0, 0, 0, order.masks}))
        return tl::make_unexpected(cancelledAt(order).error());
    return finishWhole(order, sink, std::move(image), alpha, own);
}

/// Turned, cut, looked at and reduced in one piece.
Outcomes deliverWhole(const Order& order)
{
    auto picture = readPicture(order.source);
    if (!picture)
        return allFailed(order, picture.error());
    if (order.cancel.isCancelled())
        return allFailed(order, cancelledAt(order).error());
    Image& image = picture->image;
    const FrameBalance& balance = order.own.balance;
    if (balance.changesPixels()) {
        if (!picture->alpha.empty() && !balance.placement(image.width(), image.height()).isIdentity())
            picture->alpha = placedAlpha(picture->alpha, image.width(), image.height(), balance);
        image = balancedPicture(std::move(image), balance, order.own.response);
    }
    if (!render(order.plan, image.view(), image.mutableView(), order.cancel,
                {RenderOptions::Stage::Look, 0, 0, 0, order.masks}))
        return allFailed(order, cancelledAt(order).error());
    Outcomes outcomes;
    for (std::size_t i = 0; i < order.sinks.size(); ++i)
        outcomes.push_back(deliverFrom(order, order.sinks[i], *picture, i + 1 == order.sinks.size()));
    return outcomes;
}

/// A part of a picture, by fractions.
Image cutTo(Image picture, const Region& part)
{
    if (part.isWhole())
        return picture;
    const auto at = [](double share, int of) { return std::clamp(static_cast<int>(std::lround(share * of)), 0, of); };
    const int left = std::min(at(part.left, picture.width()), picture.width() - 1),
              top = std::min(at(part.top, picture.height()), picture.height() - 1);
    Image out(std::max(1, at(part.right, picture.width()) - left),
              std::max(1, at(part.bottom, picture.height()) - top));
    for (int y = 0; y < out.height(); ++y)
        std::copy_n(picture.view().row(top + y) + std::ptrdiff_t{3} * left, std::ptrdiff_t{3} * out.width(),
                    out.mutableView().row(y));
    return out;
}

/// Where the look's roles lie on the finished picture, told on few of its pixels.
Status findMasks(Order& order)
{
    const auto lies = [&](const std::string& role) { return order.own.areas.contains(role); };
    if (std::none_of(order.plan.roles().begin(), order.plan.roles().end(), lies))
        return {};
    // What stands for a frame's own picture has gone through steps: areas are told on its own, as it would be without.
    const auto layers = InPicture::layers(order.own.balance);
    const bool isOfOriginal = !layers.empty() && !order.own.original.empty();
    auto small = readReduced(isOfOriginal ? order.own.original : order.source, kMaskLongEdge, true);
    if (!small)
        return tl::make_unexpected(small.error());
    const double ratio = static_cast<double>(small->image.width()) / small->image.height();
    Image before = std::move(small->image);
    for (auto in = layers.rbegin(); isOfOriginal && in != layers.rend(); ++in)
        before = cutTo(balancedPicture(std::move(before), *(*in)->balance,
                                       in == layers.rbegin() ? order.own.originalResponse : Response{}),
                       (*in)->kept);
    const Image finished = balancedPicture(std::move(before), order.own.balance, order.own.response);
    FrameAreas areas{order.own.areas, order.own.balance, ratio};
    if (isOfOriginal && layers.size() == 1)
        areas.balance.inPicture.sourceRatio = ratio;  // as the reduced picture has it: the same masks as without
    order.masks = masksOf(areas, order.plan.roles(), finished.view());
    return {};
}

Outcomes deliverUncut(Order order)
{
    if (const Status found = findMasks(order); !found)
        return allFailed(order, found.error());
    if (order.plan.needsWholePicture())
        return deliverWhole(order);
    auto reader = RowReader::open(order.source);
    if (!reader)
        return allFailed(order, reader.error());
    if (!*reader)
        return deliverWhole(order);
    BandPlan plan(order, (*reader)->info());
    return plan.isLocal() ? deliverInBands(plan, **reader) : deliverWhole(order);
}

}  // namespace

Result<RenderPlan> finishOf(const Recipe& recipe)
{
    Look look;
    OutputSharpening sharpening;
    sharpening.amount = recipe.sharpening;
    Ends ends;
    ends.floor = recipe.floor, ends.ceiling = recipe.ceiling;
    look.steps = {{sharpening, true, 1, {}, {}}, {ends, true, 1, {}, {}}};
    return RenderPlan::compile(look);
}

std::vector<Result<int>> deliver(const Order& order)
{
    const double ratio = order.sinks.empty() ? 0 : order.sinks.front().recipe.ratio;
    if (!(ratio > 0))
        return deliverUncut(order);
    const auto info = readPictureInfo(order.source);
    if (!info)
        return allFailed(order, info.error());
    PictureOwn cut = order.own;
    cut.balance.geometry =
        croppedTo(order.own.balance.geometry, static_cast<double>(info->width) / info->height, ratio);
    return deliverUncut({order.plan, cut, order.source, order.sinks, order.cancel, {}});
}

}  // namespace amber
