// What is opened when a job, a folder or pictures are named, and what of a folder comes into its job.
#include "core/base/content_hash.h"
#include "core/job/open_shoot.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

namespace fs = std::filesystem;
using test::TemporaryFolder;

std::vector<std::string> namesOf(const std::vector<fs::path>& paths)
{
    std::vector<std::string> names;
    for (const fs::path& path : paths)
        names.push_back(path.filename().string());
    return names;
}
std::vector<std::string> namesOf(const std::vector<Frame>& frames)
{
    std::vector<fs::path> paths;
    for (const Frame& frame : frames)
        paths.push_back(frame.path);
    return namesOf(paths);
}
using Names = std::vector<std::string>;

/// A folder with pictures b, a and c (which is not read here: a name is enough), a note, and a folder with one more.
class OpenShoot : public ::testing::Test {
protected:
    OpenShoot()
    {
        fs::create_directory(m_folder / "inside");
        for (const char* name : {"b.jpg", "a.TIF", "c.dng", "note.txt", ".hidden.jpg", "inside/d.png"})
            m_folder.write(name, std::string("what is in ") + name);
    }
    static Result<OpenedShoot> open(const std::vector<fs::path>& paths) { return openShoot(paths, {}, "First"); }
    TemporaryFolder m_folder;
};

TEST_F(OpenShoot, PicturesAmongFilesAndFoldersComeInTheOrderTheyWereNamed)
{
    const auto found = picturesAmong({m_folder / "inside/../c.dng", m_folder.path(), m_folder / "inside"});
    ASSERT_TRUE(found) << found.error().message();
    EXPECT_EQ(namesOf(*found), (Names{"c.dng", "a.TIF", "b.jpg", "c.dng", "d.png"}));
    EXPECT_EQ(found->front(), m_folder / "c.dng");
    const auto missing = picturesAmong({m_folder / "a.TIF", m_folder / "z.jpg"});
    ASSERT_FALSE(missing);
    EXPECT_EQ(missing.error().what, "no such file or folder");
    EXPECT_EQ(missing.error().where, (m_folder / "z.jpg").string());
}

TEST_F(OpenShoot, AFolderGetsAJobWithItsPicturesAndAFirstLookOnce)
{
    {
        const auto shoot = open({m_folder.path()});
        ASSERT_TRUE(shoot) << shoot.error().message();
        EXPECT_EQ(shoot->folder, m_folder.path());
        EXPECT_EQ(shoot->file, m_folder / (m_folder.path().filename().string() + ".amberjob"));
        EXPECT_EQ(shoot->jobsInFolder, 0u);
        EXPECT_FALSE(shoot->liesElsewhere);
        ASSERT_TRUE(shoot->store);
        EXPECT_EQ(namesOf(shoot->store->frames()), (Names{"a.TIF", "b.jpg", "c.dng"}));
        ASSERT_EQ(shoot->store->looks().size(), 1u);
        EXPECT_EQ(shoot->store->looks()[0].name, "First");
        EXPECT_FALSE(shoot->store->undoAction()) << "opening is no gesture";
    }
    m_folder.write("later.png", "one more");
    const auto again = open({m_folder / "" / ""});
    ASSERT_TRUE(again && again->store);
    EXPECT_EQ(again->jobsInFolder, 1u);
    EXPECT_EQ(namesOf(again->store->frames()), (Names{"a.TIF", "b.jpg", "c.dng", "later.png"}));
    EXPECT_EQ(again->store->looks().size(), 1u);
}

TEST_F(OpenShoot, PicturesOpenTheJobOfTheFirstOnesFolder)
{
    const auto shoot = open({m_folder / "b.jpg", m_folder / "inside"});
    ASSERT_TRUE(shoot && shoot->store);
    EXPECT_EQ(shoot->folder, m_folder.path());
    EXPECT_EQ(namesOf(shoot->store->frames()), (Names{"b.jpg", "d.png"}));
}

TEST_F(OpenShoot, AJobThatIsNamedTakesNothingIn)
{
    ASSERT_TRUE(open({m_folder / "b.jpg"}));
    const fs::path job = JobStore::fileForFolder(m_folder.path());
    fs::rename(job, m_folder / "other.amberjob");
    const auto shoot = open({m_folder / "other.amberjob"});
    ASSERT_TRUE(shoot && shoot->store);
    EXPECT_EQ(shoot->folder, m_folder.path());
    EXPECT_EQ(shoot->file, m_folder / "other.amberjob");
    EXPECT_EQ(namesOf(shoot->store->frames()), (Names{"b.jpg"}));
}

TEST_F(OpenShoot, WhatIsOpenAlreadyIsNotOpenedASecondTime)
{
    auto first = open({m_folder.path()});
    ASSERT_TRUE(first && first->store);
    fs::remove(m_folder / "b.jpg");
    m_folder.write("e.jpg", "new");
    const auto again = openShoot({m_folder.path()}, {first->file, first->store->frames()}, "First");
    ASSERT_TRUE(again) << again.error().message();
    EXPECT_FALSE(again->store);
    EXPECT_EQ(namesOf(again->pictures), (Names{"a.TIF", "c.dng", "e.jpg"}));
    EXPECT_EQ(again->gone, std::vector<FrameId>{first->store->frames()[1].id});
    first->store->lookAgainFor(again->gone);
    EXPECT_TRUE(first->store->frames()[1].isLost);
    const auto held = takeIn(*first->store, again->pictures, "First");
    ASSERT_TRUE(held);
    EXPECT_EQ(namesOf(first->store->frames()), (Names{"a.TIF", "b.jpg", "c.dng", "e.jpg"}));
}

TEST_F(OpenShoot, AnotherPictureThatMayBeALostOneIsHeldBack)
{
    const std::string content = "what is in b.jpg";
    {
        auto shoot = open({m_folder.path()});
        ASSERT_TRUE(shoot && shoot->store);
        ASSERT_TRUE(shoot->store->setFrameContents({{shoot->store->frames()[1].id, contentHash(content), 16}}));
    }
    fs::rename(m_folder / "b.jpg", m_folder / "renamed.jpg");
    m_folder.write("longer.jpg", content + ", and more");
    const auto shoot = open({m_folder.path()});
    ASSERT_TRUE(shoot && shoot->store);
    EXPECT_EQ(namesOf(shoot->heldBack), (Names{"renamed.jpg"})) << "of the size of the lost one";
    EXPECT_EQ(namesOf(shoot->store->frames()), (Names{"a.TIF", "b.jpg", "c.dng", "longer.jpg"}));
    EXPECT_TRUE(shoot->store->frames()[1].isLost);
}

TEST_F(OpenShoot, WhereThereIsNothingNoJobIsMade)
{
    const TemporaryFolder empty;
    EXPECT_EQ(open({}).error().what, "nothing to open");
    EXPECT_EQ(open({"/nowhere/at/all"}).error().what, "no such file or folder");
    EXPECT_EQ(open({empty.path()}).error().what, "no pictures in this folder (JPEG, PNG, TIFF, WebP or raw)");
    EXPECT_TRUE(fs::is_empty(empty.path()));
    EXPECT_FALSE(open({m_folder / "b.jpg", m_folder / "z.jpg"})) << "one that is not there";
    EXPECT_TRUE(JobStore::jobsInFolder(m_folder.path()).empty());
    EXPECT_FALSE(open({m_folder.write("no.amberjob", "not a database, but long enough to be looked at as one")}));
}

TEST_F(OpenShoot, AJobThatHasNoPicturesYetCanBeOpened)
{
    const TemporaryFolder empty;
    ASSERT_TRUE(JobStore::open(empty / "planned.amberjob"));
    const auto shoot = open({empty.path()});
    ASSERT_TRUE(shoot && shoot->store);
    EXPECT_TRUE(shoot->store->frames().empty());
    EXPECT_EQ(shoot->store->looks().size(), 1u);
}

}  // namespace
}  // namespace amber
