#include "core/handover/merge_files.h"

#include "core/base/long_call.h"
#include "core/image/metadata.h"
#include "core/image/resize.h"
#include "core/image/write.h"

#include <algorithm>
#include <numeric>

namespace amber {

std::filesystem::path mergeTarget(const std::filesystem::path& first, const std::filesystem::path& folder)
{
    const std::string stem = first.stem().string() + "-merged";
    std::filesystem::path target = folder / (stem + ".tif");
    for (int n = 2; std::filesystem::exists(target); ++n)
        target = folder / (stem + "-" + std::to_string(n) + ".tif");
    return target;
}

namespace {

/// The exposures of a bracket, read whole.
struct BracketFiles {
    std::vector<Image> pictures;
    std::vector<BracketFrame> frames;
    bool isRaw = false;
    std::string camera;

    /// Indices, the least exposed first.
    std::vector<std::size_t> byExposure() const
    {
        std::vector<std::size_t> order(frames.size());
        std::iota(order.begin(), order.end(), std::size_t{0});
        std::sort(order.begin(), order.end(),
                  [&](std::size_t a, std::size_t b) { return frames[a].stops < frames[b].stops; });
        return order;
    }
};

Result<BracketFiles> readBracket(const std::vector<std::filesystem::path>& files, const CancelToken& cancel)
{
    BracketFiles bracket;
    for (const auto& file : files) {
        if (cancel.isCancelled())
            return fail("given up");
        const CaptureFacts facts = captureFacts(file);
        if (!facts.hasExposure())
            return fail("the file does not say how it was exposed", file.string(), "shutter, aperture and sensitivity");
        bracket.camera = facts.camera;
        auto picture = readPicture(file);
        if (!picture)
            return tl::make_unexpected(picture.error());
        bracket.isRaw |= picture->info.isRaw();
        bracket.pictures.push_back(std::move(picture->image));
        bracket.frames.push_back({{}, facts.exposureStops()});
    }
    for (std::size_t i = 0; i < files.size(); ++i)
        bracket.frames[i].picture = bracket.pictures[i].view();
    return bracket;
}

/// From neighbours in exposure, small.
Response recoveredResponse(const BracketFiles& bracket)
{
    const std::vector<std::size_t> order = bracket.byExposure();
    std::vector<Image> small;
    for (const std::size_t i : order) {
        const Size size = fitted({bracket.pictures[i].width(), bracket.pictures[i].height()}, 400);
        small.push_back(reduceByArea(bracket.pictures[i].view(), size.width, size.height));
    }
    std::vector<ExposedPair> pairs;
    for (std::size_t k = 1; k < order.size(); ++k)
        pairs.push_back({small[k - 1].view(), small[k].view(),
                         bracket.frames[order[k]].stops - bracket.frames[order[k - 1]].stops});
    return recoverResponse(pairs).value_or(Response{});
}

}  // namespace

Result<MergedFile> mergeBracketFiles(const std::vector<std::filesystem::path>& files, Response response,
                                     const std::filesystem::path& target, const CancelToken& cancel)
{
    longCall("mergeBracketFiles");
    const auto bracket = readBracket(files, cancel);
    if (!bracket)
        return tl::make_unexpected(bracket.error());
    if (response.isIdentity() && bracket->isRaw)
        response = baseRendering();
    if (response.isIdentity() && files.size() > 1)
        response = recoveredResponse(*bracket);
    auto merged = mergeBracket(bracket->frames, response, cancel);
    if (!merged)
        return tl::make_unexpected(merged.error());
    const std::size_t darkest = bracket->byExposure().front();
    if (const Status written = writePicture(target, merged->picture.view(), {},
                                            {FileFormat::Tiff16, RgbSpace::Rec2020, 92}, files[darkest]);
        !written)
        return tl::make_unexpected(written.error());
    return MergedFile{target,
                      bracket->frames[merged->reference].stops - bracket->frames[darkest].stops,
                      files[darkest].filename().string(),
                      merged->ghostShare,
                      bracket->isRaw          ? "raw"
                      : response.isIdentity() ? ""
                                              : bracket->camera,
                      response};
}

}  // namespace amber
