#include "core/proof/recurring.h"

#include "core/base/number_text.h"

namespace amber {

void compareRecurring(std::span<const FrameSummary> frames, const Recurring& what,
                      std::span<std::vector<Measured>* const> out)
{
    for (std::size_t i = 0; i < frames.size(); ++i)
        for (const auto& [name, thing] : frames[i].things) {
            if (!what.wanted(name, thing))
                continue;
            const FrameSummary* other =
                standsFor(frames, frames[i].group, [&](const FrameSummary& f) { return f.things.count(name) > 0; });
            if (!other || other == &frames[i])
                continue;
            const double apart = what.apart(thing.after, other->things.at(name).after);
            out[i]->push_back({apart, thing.place, what.sentence(name, fixedText(apart, 1)), name, -1, {}});
        }
}

}  // namespace amber
