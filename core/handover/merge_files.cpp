#include "core/handover/merge_files.h"

#include "core/base/long_call.h"
#include "core/image/metadata.h"
#include "core/image/resize.h"
#include "core/image/write.h"

#include <algorithm>

namespace amber {

std::filesystem::path mergeTarget(const std::filesystem::path& first, const std::filesystem::path& folder)
{
    const std::string stem = first.stem().string() + "-merged";
    std::filesystem::path target = folder / (stem + ".tif");
    for (int n = 2; std::filesystem::exists(target); ++n)
        target = folder / (stem + "-" + std::to_string(n) + ".tif");
    return target;
}

Result<MergedFile> mergeBracketFiles(const std::vector<std::filesystem::path>& files, Response response,
                                     const std::filesystem::path& target, const CancelToken& cancel)
{
    longCall("mergeBracketFiles");
    std::vector<Image> pictures;
    std::vector<BracketFrame> frames;
    bool isRaw = false;
    std::string camera;
    for (const auto& file : files) {
        if (cancel.isCancelled())
            return fail("given up");
        const CaptureFacts facts = captureFacts(file);
        if (!facts.hasExposure())
            return fail("the file does not say how it was exposed", file.string(), "shutter, aperture and sensitivity");
        camera = facts.camera;
        auto picture = readPicture(file);
        if (!picture)
            return tl::make_unexpected(picture.error());
        isRaw |= picture->info.isRaw();
        pictures.push_back(std::move(picture->image));
        frames.push_back({{}, facts.exposureStops()});
    }
    for (std::size_t i = 0; i < frames.size(); ++i)
        frames[i].picture = pictures[i].view();
    if (response.isIdentity() && isRaw)
        response = baseRendering();
    if (response.isIdentity() && frames.size() > 1) {
        std::vector<std::size_t> order(frames.size());
        for (std::size_t i = 0; i < order.size(); ++i)
            order[i] = i;
        std::sort(order.begin(), order.end(),
                  [&](std::size_t a, std::size_t b) { return frames[a].stops < frames[b].stops; });
        std::vector<Image> small;
        for (const std::size_t i : order) {
            const Size size = fitted({pictures[i].width(), pictures[i].height()}, 400);
            small.push_back(reduceByArea(pictures[i].view(), size.width, size.height));
        }
        std::vector<ExposedPair> pairs;
        for (std::size_t k = 1; k < order.size(); ++k)
            pairs.push_back(
                {small[k - 1].view(), small[k].view(), frames[order[k]].stops - frames[order[k - 1]].stops});
        response = recoverResponse(pairs).value_or(Response{});
    }
    auto merged = mergeBracket(frames, response, cancel);
    if (!merged)
        return tl::make_unexpected(merged.error());
    const std::size_t darkest = static_cast<std::size_t>(
        std::min_element(frames.begin(), frames.end(),
                         [](const BracketFrame& a, const BracketFrame& b) { return a.stops < b.stops; }) -
        frames.begin());
    if (const Status written = writePicture(target, merged->picture.view(), {},
                                            {FileFormat::Tiff16, RgbSpace::Rec2020, 92}, files[darkest]);
        !written)
        return tl::make_unexpected(written.error());
    return MergedFile{target,
                      frames[merged->reference].stops - frames[darkest].stops,
                      files[darkest].filename().string(),
                      merged->ghostShare,
                      isRaw                   ? "raw"
                      : response.isIdentity() ? ""
                                              : camera,
                      response};
}

}  // namespace amber
