// A job given to the solver and to the readings, and what they find given back.
#include "core/job/shoot_work.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

Frame frame(FrameId id, const std::string& name)
{
    Frame f;
    f.id = id, f.path = "/shoot/" + name + ".tif";
    return f;
}

const std::vector<Frame> kFrames{frame(1, "yard-01"), frame(2, "yard-02"), frame(3, "lamp-01"), frame(4, "alone")};

Job job()
{
    Job job;
    job.lights = {{"Yard", 1, {1, 2}}, {"Lamp", 3, {3}}};
    KeyColour clay;
    clay.name = "clay", clay.frame = 1, clay.place = {0.1, 0.1, 0.2, 0.2};
    job.keys = {clay};
    job.keyPlaces[{2, "clay"}] = {{0.3, 0.3, 0.4, 0.4}, 0.9, true};
    job.keyPlaces[{3, "clay"}] = {{0.5, 0.5, 0.6, 0.6}, 0.4, false};
    job.frames[2].balance.light.exposureStops = 0.5;
    job.frames[2].balance.exposureLocked = true;
    return job;
}

TEST(ShootWork, AFrameIsFoundByItsNumber)
{
    ASSERT_TRUE(frameOf(kFrames, 3));
    EXPECT_EQ(nameOf(*frameOf(kFrames, 3)), "lamp-01");
    EXPECT_FALSE(frameOf(kFrames, 77));
}

TEST(ShootWork, TheResponseIsTheBalancesOwnThenTheFilesThenTheCameras)
{
    Job shoot = job();
    FrameBalance balance;
    EXPECT_EQ(shoot.responseNameOf(balance, false, "Plum 3"), "");
    shoot.responses["Plum 3"] = baseRendering();
    EXPECT_EQ(shoot.responseNameOf(balance, false, "Plum 3"), "Plum 3");
    EXPECT_EQ(shoot.responseNameOf(balance, true, "Plum 3"), "raw");
    balance.response = "Other 1";
    EXPECT_EQ(shoot.responseNameOf(balance, true, "Plum 3"), "Other 1");
}

TEST(ShootWork, FramesOfALightAreAskedWithTheirKeysWhereTheyWereMarkedOrConfirmed)
{
    const std::vector<FrameBracket> brackets{{{2, 3}, 2}};
    const FramesToBalance asked = framesToBalance(job(), kFrames, {1, 2, 3, 4, 99}, brackets);
    ASSERT_EQ(asked.ids, (std::vector<FrameId>{1, 2, 3})) << "a frame of no light cannot be solved";
    ASSERT_EQ(asked.frames.size(), 3u);
    EXPECT_TRUE(asked.frames[0].isLead);
    EXPECT_FALSE(asked.frames[1].isLead);
    EXPECT_EQ(asked.frames[0].group, asked.frames[1].group);
    EXPECT_NE(asked.frames[0].group, asked.frames[2].group);
    EXPECT_EQ(asked.frames[0].bracket, -1);
    EXPECT_EQ(asked.frames[1].bracket, 0);
    EXPECT_EQ(asked.frames[0].keys.at("clay").left, 0.1);
    EXPECT_EQ(asked.frames[1].keys.at("clay").left, 0.3);
    EXPECT_TRUE(asked.frames[2].keys.empty()) << "a place that was only found is no evidence";
    EXPECT_TRUE(asked.frames[1].current.exposureLocked);
}

ShootBalance solved()
{
    ShootBalance balance;
    balance.frames.resize(3), balance.faults.resize(3), balance.responseNames = {"", "Plum 3", "raw"};
    balance.frames[0].ground = Ground::Lead;
    balance.frames[1].balance = {0.75, 5200, 1}, balance.frames[1].through = 0, balance.frames[1].confidence = 0.8;
    balance.frames[1].ground = Ground::SameThings, balance.frames[1].support = 120;
    balance.frames[2].trouble = Trouble::MixedLight;
    balance.responses["Plum 3"] = baseRendering();
    return balance;
}

TEST(ShootWork, WhatWasSolvedIsProposedAndNothingElseOfTheFrameChanges)
{
    const Job shoot = job();
    const FramesToBalance asked = framesToBalance(shoot, kFrames, {1, 2, 3}, {});
    const auto proposals = proposalsOf(shoot, kFrames, asked, solved());
    ASSERT_EQ(proposals.size(), 3u);
    const BalanceProposal& p = proposals[1];
    EXPECT_EQ(p.frame, 2);
    EXPECT_EQ(p.through, 1);
    EXPECT_EQ(p.balance.light, (Balance{0.75, 5200, 1}));
    EXPECT_EQ(p.balance.response, "Plum 3");
    EXPECT_TRUE(p.balance.exposureLocked);
    EXPECT_NE(p.balance.because.find("yard-01"), std::string::npos) << p.balance.because;
    EXPECT_TRUE(p.isSound());
    EXPECT_FALSE(proposals[2].isSound()) << "in another light";
}

TEST(ShootWork, ClippingAloneDoesNotMakeAProposalUnsoundAndAFaultDoes)
{
    BalanceProposal p;
    p.solved.trouble = Trouble::ClippedSource;
    EXPECT_TRUE(p.isSound());
    p.fault = "cut short";
    EXPECT_FALSE(p.isSound());
}

TEST(ShootWork, ResponsesThatWereFoundAreKeptBesideThoseKnown)
{
    Job shoot = job();
    shoot.responses["Other 1"] = baseRendering();
    const Job after = withResponses(shoot, solved());
    EXPECT_EQ(after.responses.size(), 2u);
    EXPECT_EQ(after.lights, shoot.lights);
}

TEST(ShootWork, ReadingBeginsWithTheLeadOfEachLightAndLeavesOutWhatCannotBeRead)
{
    Job shoot = job();
    shoot.lights[0].lead = 2;
    std::vector<Frame> frames = kFrames;
    frames[2].fault = "cut short";
    const auto read = framesToRead(shoot, frames);
    ASSERT_EQ(read.size(), 2u);
    EXPECT_EQ(read[0].frame, 2);
    EXPECT_TRUE(read[0].isLead);
    EXPECT_EQ(read[1].frame, 1);
    EXPECT_EQ(read[0].places.count("clay"), 1u);
}

}  // namespace
}  // namespace amber
