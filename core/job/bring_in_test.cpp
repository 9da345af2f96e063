#include "core/job/bring_in.h"
#include "core/job/time_plan.h"
#include "tests/support/temporary_folder.h"

#include <fstream>
#include <gtest/gtest.h>
#include <sys/resource.h>

namespace amber {
namespace {

namespace fs = std::filesystem;

void write(const fs::path& path, const std::string& text)
{
    fs::create_directories(path.parent_path());
    std::ofstream(path, std::ios::binary) << text;
}

TEST(BringIn, CopiesOnceNamesWhatIsThereAndTakesSidecarsAlong)
{
    const test::TemporaryFolder card, job;
    write(card / "a/one.jpg", "first"), write(card / "b/one.jpg", "second"), write(card / "b/two.JPG", "first"),
        write(card / "b/three.jpg", "known");
    write(card / "a/one.xmp", "m1"), write(card / "b/one.jpg.XMP", "m2"), write(card / ".hidden/x.jpg", "hidden"),
        write(card / "a/words.txt", "no");
    const auto sources = picturesUnder(card.path(), {".jpg"});
    ASSERT_EQ(sources.size(), 4u);
    write(job / "known.jpg", "known");
    BringIn what{sources, job / "in", {}};
    const BroughtIn first = bringIn(what);
    ASSERT_EQ(first.arrivals.size(), 4u);
    EXPECT_EQ(first.targets(), (std::vector<fs::path>{job / "in/one.jpg", job / "in/one-2.jpg", job / "in/three.jpg"}));
    EXPECT_EQ(first.duplicates(), 1);
    EXPECT_EQ(first.arrivals[3].duplicateOf, job / "in/one.jpg");
    EXPECT_EQ(test::readText(job / "in/one-2.jpg"), "second");
    EXPECT_EQ(test::readText(job / "in/one.xmp"), "m1");
    EXPECT_EQ(test::readText(job / "in/one-2.jpg.XMP"), "m2");
    // A second time: nothing is copied again; what the job has is named.
    what.known[first.arrivals[2].hash] = job / "known.jpg";
    const BroughtIn again = bringIn(what);
    EXPECT_TRUE(again.arrivals[0].wasThere);
    EXPECT_EQ(again.duplicates(), 2);
    EXPECT_EQ(again.targets(), (std::vector<fs::path>{job / "in/one.jpg", job / "in/one-2.jpg"}));
    EXPECT_EQ(std::distance(fs::directory_iterator(job / "in"), fs::directory_iterator()), 5);
    // In place nothing is copied.
    const BroughtIn here = bringIn({sources, {}, {}});
    EXPECT_EQ(here.targets().size(), 3u);
    EXPECT_EQ(here.targets()[0], sources[0]);
}

TEST(BringIn, ASidecarOfTheSameNameCountsOnlyWhenItHoldsTheSame)
{
    const test::TemporaryFolder card, job;
    write(card / "one.jpg", "first"), write(card / "one.xmp", "of this picture"), write(card / "two.jpg", "second"),
        write(card / "two.xmp", "the same");
    write(job / "in/one.xmp", "of another picture"), write(job / "in/two.xmp", "the same");
    const BroughtIn in = bringIn({{card / "one.jpg", card / "two.jpg"}, job / "in", {}});
    EXPECT_EQ(in.arrivals[0].sidecars, 0);
    EXPECT_NE(in.arrivals[0].sidecarFault.find("one.xmp"), std::string::npos) << in.arrivals[0].sidecarFault;
    EXPECT_EQ(test::readText(job / "in/one.xmp"), "of another picture");
    EXPECT_EQ(in.arrivals[1].sidecars, 1);
    EXPECT_TRUE(in.arrivals[1].sidecarFault.empty());
}

TEST(BringIn, GoesOnWhenFilesVanishStopsWhenToldAndKeepsOnlyWholeCopies)
{
    const test::TemporaryFolder card, job;
    std::vector<fs::path> sources;
    for (int i = 0; i < 6; ++i)
        write(card / ("p" + std::to_string(i) + ".jpg"), std::string(20000, static_cast<char>('a' + i))),
            sources.push_back(card / ("p" + std::to_string(i) + ".jpg"));
    // The folder changes while it is read: one goes away, after two the user has enough.
    CancelToken cancel;
    const BroughtIn some = bringIn(
        {sources, job / "in", {}},
        [&](int done, int total) {
            EXPECT_EQ(total, 6);
            if (done == 1)
                fs::remove(sources[1]);
            if (done == 4)
                cancel.cancel();
        },
        cancel);
    EXPECT_TRUE(some.isCancelled);
    EXPECT_EQ(some.arrivals.size(), 4u);
    EXPECT_EQ(some.faults(), 1);
    EXPECT_NE(some.arrivals[1].fault.find("p1.jpg"), std::string::npos);
    EXPECT_EQ(some.targets().size(), 3u);
    // Writing fails half-way: no piece of a file stays.
    rlimit before{};
    getrlimit(RLIMIT_FSIZE, &before);
    rlimit small{10000, before.rlim_max};
    signal(SIGXFSZ, SIG_IGN);
    setrlimit(RLIMIT_FSIZE, &small);
    const BroughtIn full = bringIn({{sources[4], sources[5]}, job / "full", {}});
    setrlimit(RLIMIT_FSIZE, &before);
    EXPECT_TRUE(full.targets().empty());
    EXPECT_TRUE(full.faults() > 0 || !full.stopped.empty());
    EXPECT_TRUE(fs::is_empty(job / "full"));
    const BroughtIn rest = bringIn({sources, job / "in", {}});
    EXPECT_EQ(rest.targets().size(), 5u);
    EXPECT_TRUE(rest.arrivals[0].wasThere);
    // A folder that cannot be made.
    write(job / "file", "x");
    EXPECT_FALSE(bringIn({sources, job / "file/in", {}}).stopped.empty());
}

TEST(TimePlan, CountsActiveTimeLeavesPausesOutAndForecasts)
{
    ActiveClock clock;
    clock.act(0, 1, 0);
    clock.act(10, 1, 0);
    clock.act(30, 2, 1);   // the twenty seconds belong to the frame that was in hand
    clock.act(200, 2, 1);  // a pause
    clock.act(205, 2, -1);
    clock.act(220, 2, 1);  // elsewhere
    const auto times = clock.take();
    EXPECT_EQ(times.at(1)[0], 30);
    EXPECT_EQ(times.at(2)[1], 5);
    EXPECT_TRUE(clock.take().empty());

    TimePlan plan{{1, 2, 1}, 2};
    std::vector<PlannedFrame> frames(10);
    TimeForecast f = forecast(plan, frames);
    EXPECT_NEAR(f.budgetHours, 40.0 / 60, 1e-9);
    EXPECT_NEAR(f.leftHours, 40.0 / 60, 1e-9) << "by the budget, while too little is known";
    for (int i = 0; i < 4; ++i)
        frames[static_cast<std::size_t>(i)] = {1, {60, 300, 0}, true};
    frames[9].weight = 2;
    f = forecast(plan, frames);
    EXPECT_EQ(f.done, 4);
    EXPECT_EQ(f.overBudget, 4);
    EXPECT_NEAR(f.leftHours, 7 * 6.0 / 60, 1e-9) << "at the pace of those that are done";
    EXPECT_NEAR(f.daysLeft, 0.35, 1e-9);
}

}  // namespace
}  // namespace amber
