// Work and results that go to another thread through a library: its queues are safe, but the thread sanitizer does not
// see inside them, so they are told to it. Without the sanitizer this is nothing.
#pragma once

#if defined(__SANITIZE_THREAD__)
extern "C" void __tsan_acquire(void* at);
extern "C" void __tsan_release(void* at);
#endif

namespace amber {

/// What carries it over.
enum class Carrier { Events, Pool };

#if defined(__SANITIZE_THREAD__)
inline void* placeOf(Carrier carrier)
{
    static char events, pool;
    return carrier == Carrier::Events ? &events : &pool;
}
#endif

/// All that this thread wrote so far may be read by whoever takes over from the carrier.
inline void handOver([[maybe_unused]] Carrier carrier)
{
#if defined(__SANITIZE_THREAD__)
    __tsan_release(placeOf(carrier));
#endif
}
inline void takeOver([[maybe_unused]] Carrier carrier)
{
#if defined(__SANITIZE_THREAD__)
    __tsan_acquire(placeOf(carrier));
#endif
}

}  // namespace amber
