// The looks that were chosen for frames or their lights, each read once.
#pragma once

#include "core/job/job.h"
#include "core/look/look.h"

#include <functional>
#include <memory>

namespace amber {

class ChosenLooks {
public:
    using Read = std::function<Result<Look>(LookId)>;
    explicit ChosenLooks(Read read) : m_read(std::move(read)) {}
    /// Null for a frame for which none was chosen: it has the one for all.
    Result<std::shared_ptr<const Look>> of(const Job& job, FrameId frame);

private:
    Read m_read;
    std::map<LookId, Result<std::shared_ptr<const Look>>> m_known;
};

}  // namespace amber
