// What is offered unseen by the kind of a role, on the demo's frames, and what becomes of offers.
#include "core/job/area_work.h"

#include "core/area/regions.h"
#include "core/job/area_finder.h"
#include "core/job/edits.h"
#include "tests/support/area_truth.h"

#include <gtest/gtest.h>
#include <opencv2/imgproc.hpp>

namespace amber {
namespace {

Frame frameOf(const std::string& name, FrameId id = 1)
{
    Frame frame;
    frame.id = id, frame.path = test::demoPicture(name);
    return frame;
}

double shareWithin(const FoundMask& mask, const FoundMask& other)
{
    cv::Mat own = matOf(mask) > 127, there;
    cv::resize(matOf(other), there, own.size(), 0, 0, cv::INTER_NEAREST);
    return static_cast<double>(cv::countNonZero(own & (there > 127))) / std::max(1, cv::countNonZero(own));
}

Area confirmed(const FoundMask& mask) { return areaOf({mask, 1, "true"}, true); }

TEST(AreaWork, GroundLiesBelowTheSkyAndLeavesOutWhatOtherRolesHave)
{
    constexpr double kTrace = 0.02;
    const Frame frame = frameOf("dusk-terrace-02");
    Job job;
    const auto ground = proposeArea(job, frame, Role::Kind::Ground);
    ASSERT_TRUE(ground);
    ASSERT_TRUE(ground->isOffered()) << ground->from;
    EXPECT_LT(ground->sureness, 0.95) << "less sure than the sky it rests on";
    EXPECT_LT(shareWithin(ground->mask, test::truthOf("dusk-terrace-02", "sky")), kTrace);
    EXPECT_GT(shareWithin(test::truthOf("dusk-terrace-02", "table"), ground->mask), 0.95);
    const FoundMask jug = test::truthOf("dusk-terrace-02", "jug");
    job.areas[{1, "jug"}] = confirmed(jug);
    const auto without = proposeArea(job, frame, Role::Kind::Ground);
    ASSERT_TRUE(without);
    EXPECT_LT(shareWithin(without->mask, jug), kTrace);
    EXPECT_FALSE(proposeArea(job, frameOf("north-window-02"), Role::Kind::Ground)->isOffered()) << "no sky above it";
    EXPECT_FALSE(proposeArea(job, frame, Role::Kind::Thing)->isOffered()) << "a thing must be marked";
    EXPECT_FALSE(proposeArea(job, frameOf("no-such-frame"), Role::Kind::Sky)) << "and a picture must be there";
}

TEST(AreaWork, ADistractionIsOfferedAwayFromWhatIsMarkedAndNeverTakenUnseen)
{
    const Frame frame = frameOf("dusk-terrace-02");
    Job job;
    for (const char* part : {"jug", "sky", "bowl"})
        job.areas[{1, part}] = confirmed(test::truthOf("dusk-terrace-02", part));
    const auto spot = proposeArea(job, frame, Role::Kind::Distraction);
    ASSERT_TRUE(spot);
    ASSERT_TRUE(spot->isOffered()) << spot->from;
    EXPECT_LT(spot->sureness, 0.9);
    EXPECT_LT(shareWithin(spot->mask, test::truthOf("dusk-terrace-02", "jug")), 0.2);
}

TEST(AreaWork, WhatARoleIsToTheBalanceGoesOnWithWhatIsFound)
{
    Job job;
    FoundMask mask{2, 2, {255, 0, 0, 0}};
    job.areas[{1, "lamp"}] = confirmed(mask);
    job = withInBalance(job, {1, 2}, "lamp", Area::InBalance::LeftOut);
    EXPECT_EQ(job.areas.size(), 1u) << "a frame without an area gets none";
    EXPECT_EQ(inBalanceOf(job, "lamp"), Area::InBalance::LeftOut);
    job = withOffers(job, {{2, "lamp", {{mask, 0.95, "found"}}, {}}, {3, "wall", {{mask, 0.95, "found"}}, {}}}, 0.9);
    EXPECT_EQ(job.areaOf(2, "lamp")->inBalance, Area::InBalance::LeftOut);
    EXPECT_EQ(job.areaOf(2, "lamp")->state, Area::State::Confirmed);
    EXPECT_EQ(job.areaOf(3, "wall")->inBalance, Area::InBalance::Counts);
    job.areas[{2, "lamp"}].inBalance = Area::InBalance::AloneCounts;
    EXPECT_EQ(inBalanceOf(job, "lamp"), Area::InBalance::Counts) << "they do not agree";
    const auto back = areaFromText(areaToText(*job.areaOf(2, "lamp")), [&](const std::string&) {
        return std::get<Found>(job.areaOf(2, "lamp")->parts[0].shape).mask;
    });
    ASSERT_TRUE(back);
    EXPECT_EQ(*back, *job.areaOf(2, "lamp"));
}

}  // namespace
}  // namespace amber
