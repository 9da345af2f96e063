#include "core/look/steps/lookup_table/lookup_table_kernel.h"

#include <mutex>

namespace amber {

std::shared_ptr<const hwy::AlignedFreeUniquePtr<float[]>> alignedSamples(const std::shared_ptr<const Table>& table)
{
    if (!table || table->size3 == 0)
        return nullptr;
    // A plan is made for every move of a slider; the tables in it are the same. The last few are remembered as long as
    // they live.
    struct Entry {
        std::weak_ptr<const Table> table;
        std::shared_ptr<const hwy::AlignedFreeUniquePtr<float[]>> samples;
    };
    static std::mutex mutex;
    static std::array<Entry, 8> last;
    static std::size_t next = 0;
    const std::lock_guard lock(mutex);
    for (Entry& entry : last) {
        if (entry.table.expired())
            entry.samples.reset();
        else if (entry.table.lock() == table)
            return entry.samples;
    }
    const std::size_t count = table->values3.size() / 3;
    auto samples = hwy::AllocateAligned<float>(4 * count);
    for (std::size_t i = 0; i < count; ++i) {
        std::copy_n(&table->values3[3 * i], 3, samples.get() + 4 * i);
        samples[4 * i + 3] = 0;
    }
    Entry& entry = last[next++ % last.size()];
    entry = {table, std::make_shared<const hwy::AlignedFreeUniquePtr<float[]>>(std::move(samples))};
    return entry.samples;
}

}  // namespace amber
