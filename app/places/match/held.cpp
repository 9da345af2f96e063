#include "app/places/match/held.h"

#include "core/engine/bake.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/look/look_json.h"
#include "core/table_files/table_file.h"

#include <QFileInfo>

namespace amber {

QString Held::name() const
{
    return kind == Kind::Frame ? QString::fromStdString(print.name)
           : paths.isEmpty()   ? QString()
                               : QFileInfo(kind == Kind::Pair ? paths.value(1) : paths.back()).completeBaseName();
}

namespace {

using Tell = std::function<void(double)>;

/// `atOwnSize` becomes false when it was reduced.
Result<std::shared_ptr<const Image>> heldPicture(const QString& path, bool* atOwnSize = nullptr)
{
    auto picture = readReduced(path.toStdString(), kHeldEdge, false);
    if (!picture)
        return tl::make_unexpected(picture.error());
    if (atOwnSize && !isAtOwnSize(*picture))
        *atOwnSize = false;
    return std::make_shared<const Image>(std::move(picture->image));
}

Status readPictures(Held& held, const Tell& tell, const CancelToken& cancel)
{
    std::vector<Fingerprint> prints;
    for (int i = 0; i < held.paths.size(); ++i) {
        auto print = fingerprintOfFile(held.paths[i].toStdString());
        if (!print)
            return tl::make_unexpected(print.error());
        prints.push_back(std::move(*print));
        tell((i + 0.5) / static_cast<double>(held.paths.size()));
        if (cancel.isCancelled())
            return fail("given up");
    }
    held.print = combined(prints);
    auto first = heldPicture(held.paths.front());
    if (!first)
        return tl::make_unexpected(first.error());
    held.picture = std::move(*first);
    return {};
}

Status readPairs(Held& held, const Tell& tell, const CancelToken& cancel)
{
    std::vector<std::shared_ptr<const Image>> pictures;
    bool atOwnSize = true;
    for (const QString& path : held.paths) {
        auto picture = heldPicture(path, &atOwnSize);
        if (!picture)
            return tl::make_unexpected(picture.error());
        pictures.push_back(std::move(*picture));
        if (cancel.isCancelled())
            return fail("given up");
    }
    std::vector<PicturePair> pairs;
    for (std::size_t i = 0; i + 1 < pictures.size(); i += 2)
        pairs.push_back({pictures[i]->view(), pictures[i + 1]->view(), atOwnSize});
    if (pairs.empty())
        return fail("a pair is two pictures");
    auto fit = fitPairs(pairs, {held.withTable, true}, tell, cancel);
    if (!fit)
        return tl::make_unexpected(fit.error());
    held.fit = std::move(*fit);
    held.before = std::move(pictures[0]), held.picture = std::move(pictures[1]);
    return {};
}

/// Another look: as a table, which also shows what it does on the left.
Status readOtherLook(Held& held, const Tell& tell, const CancelToken& cancel)
{
    constexpr int kEdgeOfTable = 33;
    const auto loaded = readLook(held.paths[0].toStdString());
    if (!loaded)
        return tl::make_unexpected(loaded.error());
    auto table = bake(loaded->look, kEdgeOfTable);
    if (!table)
        return tl::make_unexpected(table.error());
    auto fit = fitOtherLook(loaded->look, {held.withTable, false}, tell, cancel);
    if (!fit)
        return tl::make_unexpected(fit.error());
    held.fit.fit = std::move(*fit), held.table = std::move(*table);
    return {};
}

Status readTable(Held& held, const Tell& tell, const CancelToken& cancel)
{
    if (QFileInfo(held.paths[0]).suffix() == QLatin1String("json"))
        return readOtherLook(held, tell, cancel);
    const auto file = readTableFile(held.paths[0].toStdString());
    if (!file)
        return tl::make_unexpected(file.error());
    auto fit = fitTable(file->table, {held.withTable, false}, tell, cancel);
    if (!fit)
        return tl::make_unexpected(fit.error());
    held.fit.fit = std::move(*fit), held.table = file->table;
    return {};
}

}  // namespace

Result<Held> readHeld(const Held& wanted, const std::function<void(int, int)>& progress, const CancelToken& cancel)
{
    Held held = wanted;
    const Tell tell = [&](double share) {
        if (progress)
            progress(static_cast<int>(std::lround(100 * share)), 100);
    };
    const Status read = held.kind == Held::Kind::Pictures ? readPictures(held, tell, cancel)
                        : held.kind == Held::Kind::Pair   ? readPairs(held, tell, cancel)
                        : held.kind == Held::Kind::Table  ? readTable(held, tell, cancel)
                                                          : Status{};
    if (!read)
        return tl::make_unexpected(read.error());
    if (held.picture) {
        const Size size = fitted({held.picture->width(), held.picture->height()}, kFeatureEdge);
        held.features = featuresOf(reduceByArea(held.picture->view(), size.width, size.height).view());
    }
    for (Step& step : held.fit.fit.look.steps)
        step.group = held.name().toStdString();
    tell(1);
    return held;
}

Held heldFrame(std::int64_t frame, const QString& name, Image finished)
{
    Held held;
    held.kind = Held::Kind::Frame, held.frame = frame;
    held.print = fingerprintOf(finished.view(), name.toStdString(), std::max(finished.width(), finished.height()), 100);
    const Size size = fitted({finished.width(), finished.height()}, kFeatureEdge);
    held.features = featuresOf(reduceByArea(finished.view(), size.width, size.height).view());
    held.picture = std::make_shared<const Image>(std::move(finished));
    return held;
}

}  // namespace amber
