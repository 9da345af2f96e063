// What belongs to one picture lands with it: its own look, its light, its crop; and the rest of the batch is untouched.
#include "core/engine/render_plan.h"
#include "core/handover/export.h"
#include "tests/support/picture_files.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using namespace test;
namespace fs = std::filesystem;

Look darkened(double y)
{
    Look look;
    Step step;
    ToneCurve curve;
    curve.all = {{0, 0}, {0.5, y}, {1, 0.9}};
    step.parameters = curve;
    look.steps = {step};
    return look;
}

class OwnParts : public ::testing::Test {
protected:
    void SetUp() override
    {
        for (int i = 0; i < 3; ++i) {
            sources.push_back(folder / ("frame-" + std::to_string(i) + ".png"));
            ASSERT_TRUE(writeRaw(sources.back(), noise(80, 50, 3, 8, 7)));
        }
        own.resize(3);
        shipment.recipe.format = FileFormat::Png8;
        shipment.folder = folder / "out";
    }
    std::vector<RawPicture> deliver(const Look& look)
    {
        const auto report = exportPictures(look, sources, shipment, {}, {}, own);
        EXPECT_TRUE(report);
        std::vector<RawPicture> all;
        for (const Delivery& delivery : report->deliveries) {
            EXPECT_TRUE(delivery.fault.empty()) << delivery.fault;
            all.push_back(readRaw(delivery.target));
        }
        return all;
    }
    static double mean(const RawPicture& picture)
    {
        double sum = 0;
        for (const auto code : picture.codes)
            sum += code;
        return sum / static_cast<double>(picture.codes.size());
    }

    TemporaryFolder folder;
    std::vector<fs::path> sources;
    std::vector<PictureOwn> own;
    Shipment shipment;
};

TEST_F(OwnParts, ItsLookTakesThePlaceOfTheOthers)
{
    own[1].look = std::make_shared<const Look>(darkened(0.2));
    const auto made = deliver(darkened(0.45));
    ASSERT_EQ(made.size(), 3u);
    EXPECT_EQ(made[0], made[2]);
    EXPECT_LT(mean(made[1]), mean(made[0]) - 20);
    // The same as if all had that look.
    own[1].look.reset();
    shipment.folder = folder / "all";
    EXPECT_EQ(deliver(darkened(0.2))[1], made[1]);
}

TEST_F(OwnParts, ItsValuesInTheLookAreItsOwn)
{
    Look look = darkened(0.45);
    look.steps[0].perPicture = {"all"};
    look.steps[0] = edited(look.steps[0], "second", darkened(0.2).steps[0].parameters);
    for (std::size_t i = 0; i < 3; ++i)
        own[i].name = i == 1 ? "second" : "another";
    const auto made = deliver(look);
    EXPECT_EQ(made[0], made[2]);
    EXPECT_LT(mean(made[1]), mean(made[0]) - 20);
}

TEST_F(OwnParts, ItsLightLandsBeforeTheLook)
{
    own[2].balance.light.exposureStops = -1;
    const auto made = deliver(Look{});
    EXPECT_EQ(made[0], made[1]);
    EXPECT_LT(mean(made[2]), 0.85 * mean(made[0]));
}

TEST_F(OwnParts, ItsCropAndARatioCutWithinIt)
{
    own[0].balance.geometry.crop = {0.25, 0, 0.75, 1};
    auto made = deliver(Look{});
    EXPECT_EQ(made[0].width, 40);
    EXPECT_EQ(made[0].height, 50);
    EXPECT_EQ(made[1].width, 80);
    shipment.recipe.ratio = 1, shipment.folder = folder / "square";
    made = deliver(Look{});
    for (const RawPicture& picture : made)
        EXPECT_NEAR(picture.width, picture.height, 1);
    EXPECT_NEAR(made[0].width, 40, 1);
    EXPECT_NEAR(made[1].width, 50, 1);
}

TEST_F(OwnParts, WhatIsWrongWithOneIsItsFaultAlone)
{
    own[0].fault = "its balance cannot be read";
    own[1].look = std::make_shared<const Look>([] {
        Look broken = darkened(0.3);
        std::get<ToneCurve>(broken.steps[0].parameters).all = {{0.9, 0}, {0.1, 1}};
        return broken;
    }());
    const auto report = exportPictures(Look{}, sources, shipment, {}, {}, own);
    ASSERT_TRUE(report);
    EXPECT_EQ(report->failed(), 2);
    EXPECT_NE(report->deliveries[0].fault.find("its balance cannot be read"), std::string::npos);
    EXPECT_FALSE(report->deliveries[1].fault.empty());
    EXPECT_TRUE(report->deliveries[0].target.empty());
    EXPECT_TRUE(report->deliveries[2].fault.empty());
    EXPECT_EQ(largestDifference(readRaw(report->deliveries[2].target), readRaw(sources[2])), 0);
}

TEST_F(OwnParts, APictureInOnePieceAndInBandsAreTheSame)
{
    // A look that must see the whole picture first, and one that need not, over a step that does nothing.
    const auto banded = deliver(darkened(0.4));
    own[0].balance.geometry.straightenDegrees = 1e-9;
    shipment.folder = folder / "whole";
    const auto whole = deliver(darkened(0.4));
    EXPECT_LE(largestDifference(banded[0], whole[0]), 1);
    EXPECT_EQ(banded[1], whole[1]);
}

}  // namespace
}  // namespace amber
