// A week of work on a job, by a seed: gestures on frames and looks, reasons, undo and redo, and a crash in between.
// What was done is told, as a log should tell it.
#pragma once

#include "core/job/job_store.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber::test {

inline Chroma evenChroma(double factor)
{
    Chroma chroma;
    chroma.even = factor;
    return chroma;
}

class Week {
public:
    /// What a log has to say of one gesture.
    struct Told {
        std::int64_t gesture = 0;
        std::string what, line, reason;
    };

    Week(const std::filesystem::path& file, int frames, unsigned seed) : m_file(file), m_random(seed)
    {
        m_store.emplace(std::move(*JobStore::open(file)));
        std::vector<std::filesystem::path> paths;
        for (int i = 1; i <= frames; ++i)
            paths.push_back(file.parent_path() / ("frame-" + std::to_string(i) + ".jpg"));
        EXPECT_TRUE(m_store->addFrames(paths));
        for (const char* name : {"Amber", "Chalk", "Dusk"}) {
            Look look;
            look.name = name;
            for (int i = 0; i < 3; ++i)
                look.steps.push_back(freshStep());
            EXPECT_TRUE(m_store->addLook(look, {}));
        }
    }

    JobStore& store() { return *m_store; }
    const std::vector<Told>& told() const { return m_told; }

    void work(int gestures)
    {
        for (int i = 0; i < gestures; ++i)
            gesture();
    }

    /// The program is gone between two calls: what is on the disk then is opened elsewhere.
    void crash(const std::filesystem::path& into)
    {
        namespace fs = std::filesystem;
        for (const char* ending : {"", "-wal"})
            if (fs::exists(m_file.string() + ending))
                fs::copy_file(m_file.string() + ending, into.string() + ending);
        m_store.reset();
        m_store.emplace(std::move(*JobStore::open(into)));
        m_file = into;
    }

private:
    Step freshStep()
    {
        Step step;
        switch (m_random.whole(0, 2)) {
        case 0:
            step.parameters = evenChroma(m_random.between(0.5, 1.5));
            break;
        case 1:
            step.parameters = Contrast{};
            break;
        default:
            step.parameters = SplitToning{};
            break;
        }
        return step;
    }

    FrameId someFrame()
    {
        return m_store
            ->frames()[static_cast<std::size_t>(m_random.whole(0, static_cast<int>(m_store->frames().size()) - 1))]
            .id;
    }
    std::string nameOf(FrameId id) const { return frameOf(m_store->frames(), id)->path.stem().string(); }

    void tell(const std::string& what, const std::string& line)
    {
        const auto journal = m_store->journal();
        ASSERT_TRUE(journal && !journal->empty());
        // Where nothing differed there is no gesture.
        if (!m_told.empty() && journal->back().id == m_told.back().gesture)
            return;
        m_undone.clear();
        m_told.push_back({journal->back().id, what, line, {}});
        if (m_random.whole(0, 9) == 0) {
            m_told.back().reason = "because of " + std::to_string(m_told.back().gesture);
            ASSERT_TRUE(m_store->setReason(m_told.back().gesture, m_told.back().reason));
        }
    }

    void gesture()
    {
        switch (m_random.whole(0, 9)) {
        case 0:
            return rate();
        case 1:
        case 2:
            return expose();
        case 3:
            return undo();
        case 4:
            return redo();
        default:
            return grade();
        }
    }

    void rate()
    {
        const FrameId frame = someFrame();
        Job job = m_store->job();
        const int before = job.frame(frame).rating, after = m_random.whole(0, 5);
        job.frames[frame].rating = after;
        ASSERT_TRUE(m_store->commit(job, "Rated"));
        const auto stars = [](int n) {
            return n == 0 ? std::string("no stars") : std::to_string(n) + (n == 1 ? " star" : " stars");
        };
        if (before != after)
            tell("Rated", nameOf(frame) + ": " + stars(before) + " → " + stars(after));
    }

    void expose()
    {
        const FrameId frame = someFrame();
        Job job = m_store->job();
        const double before = job.frame(frame).balance.light.exposureStops;
        const double after = m_random.whole(1, 200) / 100.0;
        job.frames[frame].balance.light.exposureStops = after;
        ASSERT_TRUE(m_store->commit(job, "Exposure set"));
        char was[16] = "0", is[16];
        if (before != 0)
            std::snprintf(was, sizeof was, "%+.2f", before);
        std::snprintf(is, sizeof is, "%+.2f", after);
        if (before != after)
            tell("Exposure set", nameOf(frame) + ": exposure " + was + " → " + is + " stops");
    }

    void grade()
    {
        const auto looks = m_store->looks();
        const LookEntry& entry = looks[static_cast<std::size_t>(m_random.whole(0, static_cast<int>(looks.size()) - 1))];
        Look look = *m_store->currentLook(entry.id);
        const int steps = static_cast<int>(look.steps.size());
        const int at = steps == 0 ? 0 : m_random.whole(0, steps - 1);
        const auto place = static_cast<std::size_t>(at);
        std::string line;
        const auto title = [&](int step) {
            return std::to_string(step + 1) + " " + titleOf(look.steps[static_cast<std::size_t>(step)]);
        };
        if (steps == 0 || (steps < 7 && m_random.whole(0, 4) == 0)) {
            look.steps.insert(look.steps.begin() + at, freshStep());
            line = "added";
        } else if (m_random.whole(0, 6) == 0) {
            line = "removed";
            look.steps.erase(look.steps.begin() + at);
        } else if (m_random.whole(0, 3) == 0) {
            look.steps[place].enabled = !look.steps[place].enabled;
            line = title(at) + (look.steps[place].enabled ? ": switched on" : ": switched off");
        } else {
            const double before = look.steps[place].strength, after = m_random.whole(1, 198) / 100.0;
            look.steps[place].strength = after == before ? 1.99 : after;
            line = title(at) + ": strength";
        }
        ASSERT_TRUE(m_store->commitLook(entry.id, look, "Look changed"));
        tell("Look changed", line);
    }

    void undo()
    {
        if (m_told.empty())
            return;
        ASSERT_TRUE(m_store->undo());
        m_undone.push_back(m_told.back());
        m_told.pop_back();
    }

    void redo()
    {
        if (m_undone.empty())
            return;
        ASSERT_TRUE(m_store->redo());
        m_told.push_back(m_undone.back());
        m_undone.pop_back();
    }

    std::filesystem::path m_file;
    Random m_random;
    std::optional<JobStore> m_store;
    std::vector<Told> m_told, m_undone;
};

}  // namespace amber::test
