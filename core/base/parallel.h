// Work split over the cores: one face for all rooms. Normally oneTBB does it. Under the thread sanitizer, which does
// not see inside that library, plain threads run the same bodies, so that it sees every hand-over between them.
#pragma once

#include <cstddef>
#include <optional>
#include <utility>

#if defined(__SANITIZE_THREAD__)
#include "core/base/plain_threads.h"
#else
#include <tbb/parallel_for.h>
#include <tbb/parallel_pipeline.h>
#include <tbb/task_arena.h>
#endif

namespace amber {

/// body(0) … body(count - 1), in any order and side by side; returns when all are done. Throws what a body threw.
template <class Count, class Body>
void inParallel(Count count, const Body& body)
{
#if defined(__SANITIZE_THREAD__)
    plain_threads::forEach(static_cast<std::size_t>(count > 0 ? count : 0),
                           [&](std::size_t i) { body(static_cast<Count>(i)); });
#else
    tbb::parallel_for(Count{0}, count, body);
#endif
}

/// Runs `body`; a thread that waits inside for parts of it takes up no other work meanwhile. For work that holds what
/// other work would wait for.
template <class Body>
auto isolated(const Body& body)
{
#if defined(__SANITIZE_THREAD__)
    return body();
#else
    return tbb::this_task_arena::isolate(body);
#endif
}

/// Pieces on their way, at most `atOnce` of them: take() gives std::optional<Piece>, one after another, until it gives
/// none; work(piece) runs side by side; give(piece) runs one after another, in the order they were taken.
template <class Piece, class Take, class Work, class Give>
void inOrder(std::size_t atOnce, const Take& take, const Work& work, const Give& give)
{
#if defined(__SANITIZE_THREAD__)
    plain_threads::inOrder<Piece>(atOnce, take, work, give);
#else
    // Larger than a pointer, whatever the piece: smaller ones oneTBB would take for plain old data.
    struct alignas(16) Way {
        std::optional<Piece> piece;
    };
    const auto first = [&](tbb::flow_control& flow) {
        Way way{take()};
        if (!way.piece)
            flow.stop();
        return way;
    };
    const auto middle = [&](Way way) {
        work(*way.piece);
        return way;
    };
    const auto last = [&](const Way& way) { give(*way.piece); };
    using tbb::filter_mode;
    tbb::parallel_pipeline(atOnce, tbb::make_filter<void, Way>(filter_mode::serial_in_order, first) &
                                       tbb::make_filter<Way, Way>(filter_mode::parallel, middle) &
                                       tbb::make_filter<Way, void>(filter_mode::serial_in_order, last));
#endif
}

}  // namespace amber
