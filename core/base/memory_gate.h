// Keeps work that needs much memory from being done all at once: who comes when too much is in use waits.
#pragma once

#include <condition_variable>
#include <cstddef>
#include <mutex>
#include <utility>

namespace amber {

/// Counts bytes, not files. Whoever asks for more than the limit alone is let in when nobody else is inside, so that a
/// single large picture can always be read. Thread safe. Inside work that is split over threads, what is done while
/// holding must not take up other work that would ask for more (isolated()).
class MemoryGate {
public:
    /// Enough for what two threads read of a shoot, and little beside what a machine for pictures has.
    static constexpr std::size_t kReadingBytes = std::size_t{768} << 20;
    explicit MemoryGate(std::size_t limitBytes = kReadingBytes) : m_limit(limitBytes) {}

    class Hold {
    public:
        Hold(MemoryGate& gate, std::size_t bytes) : m_gate(&gate), m_bytes(bytes) {}
        Hold(Hold&& other) noexcept : m_gate(std::exchange(other.m_gate, nullptr)), m_bytes(other.m_bytes) {}
        Hold& operator=(Hold&&) = delete;
        ~Hold()
        {
            if (m_gate)
                m_gate->give(m_bytes);
        }

    private:
        MemoryGate* m_gate;
        std::size_t m_bytes;
    };

    /// Waits until there is room; the room is given back when the hold goes.
    [[nodiscard]] Hold take(std::size_t bytes)
    {
        std::unique_lock lock(m_mutex);
        m_room.wait(lock, [&] { return m_used == 0 || m_used + bytes <= m_limit; });
        m_used += bytes;
        m_most = m_used > m_most ? m_used : m_most;
        return Hold(*this, bytes);
    }
    /// The most that was ever in use at once.
    std::size_t mostBytes() const
    {
        const std::lock_guard lock(m_mutex);
        return m_most;
    }

private:
    void give(std::size_t bytes)
    {
        {
            const std::lock_guard lock(m_mutex);
            m_used -= bytes;
        }
        m_room.notify_all();
    }

    mutable std::mutex m_mutex;
    std::condition_variable m_room;
    const std::size_t m_limit;
    std::size_t m_used = 0, m_most = 0;
};

}  // namespace amber
