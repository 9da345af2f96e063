// What of a job is handed over, and by which recipe.
#include "core/handover/job_batch.h"
#include "core/job/edits.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

Frame frame(FrameId id)
{
    Frame f;
    f.id = id, f.path = "/shoot/frame-" + std::to_string(id) + ".tif";
    return f;
}

Result<Look> looksOf(LookId id)
{
    if (id == 9)
        return fail("the look cannot be read");
    Look look;
    look.name = "look " + std::to_string(id);
    return look;
}

TEST(JobBatch, GoesInTheOrderOfTheJobAndCarriesWhatBelongsToEachFrame)
{
    Job job;
    job.frames[2].balance.light.exposureStops = 0.5;
    job.frames[2].balance.response = "raw";
    job.frames[3].look = 4;
    const std::vector<Frame> frames{frame(1), frame(2), frame(3)};
    const JobBatch batch = batchOf(job, frames, {3, 1, 2}, looksOf);
    ASSERT_EQ(batch.frames, (std::vector<FrameId>{1, 2, 3}));
    ASSERT_EQ(batch.sources.size(), 3u);
    ASSERT_EQ(batch.own.size(), 3u);
    EXPECT_EQ(batch.sources[1], frames[1].path);
    EXPECT_EQ(batch.own[1].balance.light.exposureStops, 0.5);
    EXPECT_FALSE(batch.own[1].response.isIdentity());
    EXPECT_FALSE(batch.own[0].look);
    ASSERT_TRUE(batch.own[2].look);
    EXPECT_EQ(batch.own[2].look->name, "look 4");
}

TEST(JobBatch, LooksOfLightsAndSetsGoWithTheirFrames)
{
    Job job;
    job.lights = {{"Yard", 1, {1, 2}, 7}, {"Lamp", 3, {3, 4}}};
    job.frames[2].look = 4;
    job = withSet(withSetOfLight(job, 1), "blue dish", {2, 3});
    const std::vector<Frame> frames{frame(1), frame(2), frame(3), frame(4)};
    const JobBatch batch = batchOf(job, frames, {1, 2, 3, 4}, looksOf);
    ASSERT_EQ(batch.own.size(), 4u);
    EXPECT_EQ(batch.own[0].look->name, "look 7") << "of its light";
    EXPECT_EQ(batch.own[1].look->name, "look 4") << "its own before that of its light";
    EXPECT_FALSE(batch.own[2].look) << "the one for all";
    EXPECT_EQ(batch.own[1].name, PictureName("2", {"blue dish"}));
    EXPECT_EQ(batch.own[2].name, PictureName("3", {"blue dish", "Lamp"})) << "chosen sets before lights";
    EXPECT_EQ(batch.own[3].name, PictureName("4", {"Lamp"}));
}

TEST(JobBatch, WhatCannotBeReadOfAFrameFailsThatFrameAlone)
{
    Job job;
    job.frames[1].balanceFault = "kelvin: not a number";
    job.frames[2].look = 9;
    job.frames[3].balance.response = "A camera that is gone";
    const JobBatch batch = batchOf(job, {frame(1), frame(2), frame(3), frame(4)}, {1, 2, 3, 4}, looksOf);
    ASSERT_EQ(batch.own.size(), 4u);
    for (std::size_t i = 0; i < 3; ++i)
        EXPECT_FALSE(batch.own[i].fault.empty()) << i;
    EXPECT_TRUE(batch.own[3].fault.empty());
}

TEST(JobBatch, FramesThatAreNotTheJobsAreLeftOut)
{
    const JobBatch batch = batchOf({}, {frame(1)}, {1, 5}, looksOf);
    EXPECT_EQ(batch.frames, std::vector<FrameId>{1});
}

TEST(JobBatch, ARecipeIsWhatWasChosenAndNoOtherFrameIsATarget)
{
    DeliveryChoices choices;
    choices.format = "tiff16", choices.space = "p3", choices.longEdge = 2400, choices.ratio = 1.25;
    const std::vector<Frame> frames{frame(1), frame(2)};
    const auto recipe = recipeOf(choices);
    ASSERT_TRUE(recipe) << recipe.error().message();
    const Shipment shipment = shipmentOf(*recipe, "/out", frames);
    EXPECT_EQ(recipe->format, FileFormat::Tiff16);
    EXPECT_EQ(bitsOf(recipe->format), 16);
    EXPECT_EQ(recipe->size, (OutputSize{OutputSize::Kind::LongEdge, 2400, 0}));
    EXPECT_EQ(recipe->ratio, 1.25);
    EXPECT_EQ(shipment.target(), "/out");
    ASSERT_EQ(shipment.originals.size(), 2u);
    EXPECT_EQ(shipment.originals[1], frames[1].path);
}

TEST(JobBatch, AFormatOrSpaceThatIsNotKnownIsSaid)
{
    DeliveryChoices choices;
    choices.format = "gif";
    const auto format = recipeOf(choices);
    ASSERT_FALSE(format);
    EXPECT_NE(format.error().message().find("gif"), std::string::npos) << format.error().message();
    choices.format = "jpeg", choices.space = "moonlight";
    EXPECT_FALSE(recipeOf(choices));
    for (const FileFormat known :
         {FileFormat::Jpeg, FileFormat::Png8, FileFormat::Png16, FileFormat::Tiff8, FileFormat::Tiff16})
        EXPECT_EQ(*fileFormatFromName(nameOf(known)), known);
}

TEST(JobBatch, FramesThatShowTheCardWaitUntilTheyAreAskedFor)
{
    std::vector<Frame> frames{frame(1), frame(2), frame(3)};
    frames[0].card = frames[1].card = ShownCard{{0.05, 0.4, 0.2, 0.6}, 1.5};
    Job job;
    job.frames[2].balance.geometry.crop = {0.25, 0.1, 1, 0.9};  // cut away
    const auto leftOut = [&](const CardRule& rule) { return batchOf(job, frames, {1, 2, 3}, looksOf, rule).withCard; };
    EXPECT_EQ(leftOut({}), std::vector<FrameId>{1});
    EXPECT_EQ(batchOf(job, frames, {1, 2, 3}, looksOf).frames, (std::vector<FrameId>{2, 3}));
    EXPECT_TRUE(leftOut({true}).empty());
    EXPECT_TRUE(leftOut({false, 0.6}).empty()) << "the upright cut leaves it out";
    // It is left out of measures where it lies in the finished picture.
    ASSERT_EQ(countedFraming(job, frames[0]).leftOut.size(), 1u);
    EXPECT_NEAR(countedFraming(job, frames[0]).leftOut[0].left, 0.05, 1e-9);
    EXPECT_LT(countedFraming(job, frames[1]).leftOut[0].right, 0);
    EXPECT_TRUE(countedFraming(job, frames[2]).isWhole());
}

}  // namespace
}  // namespace amber
