// One picture to one file (internal to core/handover): in bands of rows where that can be, so that reading, rendering
// and writing overlap and little memory is held; else in one piece.
#pragma once

#include "core/engine/render_plan.h"
#include "core/handover/export.h"

namespace amber {

/// A file that a picture becomes.
struct Sink {
    const Recipe& recipe;
    const RenderPlan& finish;  ///< what the recipe does at the size that is delivered: finishOf()
    const OutputOptions& output;
    WrittenFiles& written;
    std::filesystem::path target;
};

/// One picture and what becomes of it. All recipes cut to the same ratio.
struct Order {
    const RenderPlan& plan;
    const PictureOwn& own;
    std::filesystem::path source;
    std::vector<Sink> sinks;
    const CancelToken& cancel;
    std::shared_ptr<const RoleMasks> masks = {};
};

/// Output sharpening and the ends of a print.
Result<RenderPlan> finishOf(const Recipe& recipe);
/// Reads and renders once for all sinks. For each, in their order, the quality that its file has (0 where its format
/// has none), or why there is no file.
std::vector<Result<int>> deliver(const Order& order);

}  // namespace amber
