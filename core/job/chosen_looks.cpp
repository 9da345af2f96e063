#include "core/job/chosen_looks.h"

namespace amber {

Result<std::shared_ptr<const Look>> ChosenLooks::of(const Job& job, FrameId frame)
{
    const LookId id = job.lookOf(frame);
    if (id == 0)
        return nullptr;
    if (const auto found = m_known.find(id); found != m_known.end())
        return found->second;
    auto look = m_read(id);
    return m_known
        .emplace(id, look ? Result<std::shared_ptr<const Look>>(std::make_shared<const Look>(std::move(*look)))
                          : tl::make_unexpected(look.error()))
        .first->second;
}

}  // namespace amber
