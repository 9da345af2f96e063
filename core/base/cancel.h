// A flag that asks running work to stop at its next safe point. Copies share the flag; thread safe.
#pragma once

#include <atomic>
#include <memory>

namespace amber {

class CancelToken {
public:
    void cancel() const { m_flag->store(true, std::memory_order_relaxed); }
    bool isCancelled() const { return m_flag->load(std::memory_order_relaxed); }

private:
    std::shared_ptr<std::atomic<bool>> m_flag = std::make_shared<std::atomic<bool>>(false);
};

}  // namespace amber
