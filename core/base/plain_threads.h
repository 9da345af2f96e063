// The work of parallel.h on plain threads, for the thread sanitizer only: slower, and every hand-over is seen.
#pragma once

#include <atomic>
#include <condition_variable>
#include <cstddef>
#include <exception>
#include <mutex>
#include <optional>
#include <thread>
#include <vector>

namespace amber::plain_threads {

inline thread_local bool isInside = false;  ///< this thread is one of ours

/// Runs `work` on so many threads and waits; work inside work stays on its thread. Throws what one of them threw.
template <class Work>
void run(std::size_t threads, const Work& work)
{
    if (isInside || threads < 2) {
        work();
        return;
    }
    std::mutex mutex;
    std::exception_ptr thrown;
    std::vector<std::thread> all;
    for (std::size_t i = 0; i < threads; ++i)
        all.emplace_back([&] {
            isInside = true;
            try {
                work();
            } catch (...) {
                const std::lock_guard lock(mutex);
                thrown = std::current_exception();
            }
        });
    for (std::thread& thread : all)
        thread.join();
    if (thrown)
        std::rethrow_exception(thrown);
}

template <class Body>
void forEach(std::size_t count, const Body& body)
{
    constexpr std::size_t kThreads = 3;
    std::atomic<std::size_t> next = 0;
    run(count < kThreads ? count : kThreads, [&] {
        for (std::size_t i; (i = next.fetch_add(1)) < count;)
            body(i);
    });
}

template <class Piece, class Take, class Work, class Give>
void inOrder(std::size_t atOnce, const Take& take, const Work& work, const Give& give)
{
    std::mutex mutex;
    std::condition_variable turn;
    std::size_t taken = 0, given = 0;
    run(atOnce, [&] {
        for (;;) {
            std::unique_lock lock(mutex);
            const std::size_t mine = taken++;
            std::optional<Piece> piece = take();
            if (piece) {
                lock.unlock();
                work(*piece);
                lock.lock();
            }
            turn.wait(lock, [&] { return given == mine; });
            if (piece)
                give(*piece);
            ++given;
            turn.notify_all();
            if (!piece)
                return;
        }
    });
}

}  // namespace amber::plain_threads
