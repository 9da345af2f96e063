// The file of a job: who may write it, copies, places relative to it; and what of a picture counts.
#include "core/job/job_file.h"
#include "core/measure/frame_measures.h"
#include "tests/support/read_only.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

namespace fs = std::filesystem;

TEST(JobFile, OnlyOneMayWrite)
{
    const test::TemporaryFolder folder;
    const fs::path file = folder / "a.amberjob";
    {
        const WriteLock first(file);
        EXPECT_FALSE(first.isElsewhere());
        const WriteLock second(file);
        EXPECT_TRUE(second.isElsewhere());
    }
    const WriteLock after(file);
    EXPECT_FALSE(after.isElsewhere()) << "let go, it is free";
}

TEST(JobFile, PlacesAreKeptRelativeToIt)
{
    const test::TemporaryFolder folder;
    fs::create_directories(folder / "shoot/raw");
    const JobFile job(folder / "shoot/shoot.amberjob");
    EXPECT_EQ(job.relativePlace(folder / "shoot/a.tif"), "a.tif");
    EXPECT_EQ(job.relativePlace(folder / "shoot/raw/a.dng"), "raw/a.dng");
    EXPECT_EQ(job.relativePlace(folder / "other/b.tif"), "../other/b.tif");
    EXPECT_EQ(folderOf(folder / "shoot/shoot.amberjob"), folder / "shoot");
}

TEST(JobFile, ACopyIsWholeAndReplacesNothing)
{
    const test::TemporaryFolder folder;
    JobFile job(folder / "a.amberjob");
    job.sql.exec("CREATE TABLE t (n INTEGER)");
    job.run("INSERT INTO t VALUES (?)", 42);
    job.copyTo(folder / "kept.amberjob");
    const JobFile kept(folder / "kept.amberjob");
    EXPECT_EQ(kept.number("SELECT n FROM t WHERE n >= ?", 0), 42);
    const fs::path words = folder.write("words.amberjob", "somebody's");
    const auto copied = guarded(words, [&] { job.copyTo(words); });
    EXPECT_EQ(test::readText(words), "somebody's");
    (void)copied;
}

TEST(JobFile, WhatSqliteThrowsNamesTheFile)
{
    const test::TemporaryFolder folder;
    JobFile job(folder / "a.amberjob");
    const auto ran = guarded(job.file, [&] { return job.number("SELECT n FROM nothing WHERE id = ?", 1); });
    ASSERT_FALSE(ran);
    EXPECT_NE(ran.error().message().find("a.amberjob"), std::string::npos);
    EXPECT_EQ(job.text("SELECT 'words' WHERE ? = 1", 1), "words");
    EXPECT_EQ(job.text("SELECT 'words' WHERE ? = 1", 2), "");
}

Image halves()
{
    Image image(60, 40);
    for (int y = 0; y < 40; ++y)
        for (int x = 0; x < 60; ++x)
            std::fill_n(image.mutableView().row(y) + 3 * x, 3, x < 30 ? 0.0f : 1.0f);
    return image;
}

TEST(FrameMeasures, FollowWhatCounts)
{
    const Image image = halves();
    const FrameMeasures all = measureFrame(image.view(), {});
    Framing left;
    left.crop = {0, 0, 0.5, 1};
    const FrameMeasures dark = measureFrame(image.view(), left);
    EXPECT_NEAR(all.tone.meanL, 0.5, 1e-3);
    EXPECT_NEAR(dark.tone.meanL, 0, 1e-3);
    EXPECT_GT(all.clips.high[5], 0.1);
    EXPECT_EQ(dark.clips.high[5], 0);
}

TEST(FrameMeasures, AFramingThatLeavesNothingCountsEverything)
{
    const Image image = halves();
    Framing none;
    none.leftOut = {{0, 0, 1, 1}};
    EXPECT_EQ(counted(image.view(), none).width() * counted(image.view(), none).height(), 60 * 40);
    Framing hole;
    hole.leftOut = {{0.4, 0.4, 0.6, 0.6}};
    EXPECT_FALSE(hole.counts(0.5, 0.5));
    EXPECT_TRUE(hole.counts(0.1, 0.5));
    EXPECT_LT(counted(image.view(), hole).width() * counted(image.view(), hole).height(), 60 * 40);
    EXPECT_EQ(*framingFromText(framingToText(hole)), hole);
    EXPECT_FALSE(framingFromText("{\"crop\": 7}"));
}

}  // namespace
}  // namespace amber
