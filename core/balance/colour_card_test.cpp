// The colour card found in the demo's frames, however they are turned, and what it says.
#include "core/balance/shoot_balance.h"

#include "core/base/json_text.h"
#include "core/image/read.h"
#include "core/image/write.h"
#include "tests/support/temporary_folder.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>

namespace amber {
namespace {

namespace fs = std::filesystem;
using test::TemporaryFolder;
const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";

ColourCard card() { return readColourCard(kDemo / "card/ombrel-card.txt").value(); }

Json truthOf(const std::string& name)
{
    std::ifstream file(kDemo / "truth.json");
    const Json all = Json::parse(file);
    for (const Json& frame : all["frames"])
        if (frame["name"] == name)
            return frame;
    return {};
}

/// A quarter turn clockwise, `times` over.
Image turned(Image image, int times)
{
    for (; times > 0; --times) {
        Image out(image.height(), image.width());
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x)
                std::copy_n(image.view().row(y) + 3 * x, 3, out.mutableView().row(x) + 3 * (image.height() - 1 - y));
        image = std::move(out);
    }
    return image;
}

TEST(ColourCard, IsFoundByItsMarksInEveryLightAndAtEveryTurn)
{
    for (const char* name : {"north-window-01", "lamp-shelf-01", "yard-01", "dusk-terrace-01"}) {
        const auto picture = readPicture(kDemo / "frames" / (std::string(name) + ".jpg"));
        ASSERT_TRUE(picture);
        const Json marks = truthOf(name)["marks"];
        for (int turn = 0; turn < 4; ++turn) {
            const auto found = findCard(turned(picture->image, turn).view(), card());
            ASSERT_TRUE(found) << name << " " << turn;
            EXPECT_GT(found->likeness, 0.8) << name;
            for (std::size_t i = 0; i < 4; ++i) {
                double x = marks[i][0].get<double>() / 1500, y = marks[i][1].get<double>() / 1000;
                for (int t = 0; t < turn; ++t) {
                    const double was = x;
                    x = 1 - y, y = was;
                }
                EXPECT_NEAR(found->marks[i].x, x, 0.003) << name << " " << turn << " mark " << i;
                EXPECT_NEAR(found->marks[i].y, y, 0.003) << name << " " << turn << " mark " << i;
            }
        }
    }
    // Round pots are no marks.
    for (const char* name :
         {"north-window-02", "lamp-shelf-02", "dusk-terrace-02", "yard-04", "shop-front-01", "shop-front-03"})
        EXPECT_FALSE(findCard(readPicture(kDemo / "frames" / (std::string(name) + ".jpg"))->image.view(), card()))
            << name;
    EXPECT_FALSE(findCard(Image(300, 200).view(), card()));
}

TEST(ColourCard, ItsGreysTellWhiteAndExposureAndItsPatchesTheRendering)
{
    for (const char* name : {"north-window-01", "lamp-shelf-01", "yard-01"}) {
        const auto raw = readPicture(kDemo / "raw" / (std::string(name) + ".dng"));
        ASSERT_TRUE(raw);
        const AsShot shot = asShotOf(captureFacts(kDemo / "raw" / (std::string(name) + ".dng")));
        const Response response;  // the base rendering is straight where these patches lie
        const auto found = findCard(raw->image.view(), card());
        ASSERT_TRUE(found) << name;
        const auto balance = balancedByCard({}, *found, card(), response, shot);
        ASSERT_TRUE(balance);
        const Json truth = truthOf(name)["white"];
        const LightNumbersOf light = lightNumbersOf({truth[0], truth[1]});
        EXPECT_NEAR(1e6 / balance->light.kelvin, 1e6 / light.kelvin, 15) << name << " mired";
        const CardCheck check = checkByCard(*found, card(), *balance, response);
        std::printf("%s: %.0f K (truth %.0f), dE00 %.1f in the mean, %.1f most (%s), tones x %.2f, shade %.2f stops\n",
                    name, balance->light.kelvin, light.kelvin, check.mean, check.most,
                    card().patches[check.worst].name.c_str(), check.toneSlope, found->shadeStops);
        EXPECT_LT(check.mean, 6) << "of a plain raw rendering";
        // The camera's own rendering, with its curve, is farther from the card, and said to be.
        const auto camera = readPicture(kDemo / "frames" / (std::string(name) + ".jpg"));
        const auto seen = findCard(camera->image.view(), card());
        const auto lit = balancedByCard({}, *seen, card(), {}, shot);
        const CardCheck rendered = checkByCard(*seen, card(), *lit, {});
        std::printf("  as the camera renders it: dE00 %.1f in the mean, tones x %.2f\n", rendered.mean,
                    rendered.toneSlope);
        if (std::string_view(name) != "lamp-shelf-01") {  // under a light so warm both are as far off
            EXPECT_GT(rendered.mean, check.mean + 0.5) << name;
        }
    }
}

TEST(ColourCard, AShadowAcrossItIsSaid)
{
    auto picture = readPicture(kDemo / "frames/yard-01.jpg");
    EXPECT_FALSE(findCard(picture->image.view(), card())->isPartlyShaded());
    const auto found = findCard(picture->image.view(), card());
    const double middle = (found->region.left + found->region.right) / 2 * picture->image.width();
    for (int y = 0; y < picture->image.height(); ++y)
        for (int x = 0; x < picture->image.width(); ++x)
            if (x < middle)
                for (int k = 0; k < 3; ++k)
                    picture->image.mutableView().row(y)[3 * x + k] *= 0.45F;
    const auto shaded = findCard(picture->image.view(), card());
    ASSERT_TRUE(shaded);
    EXPECT_TRUE(shaded->isPartlyShaded()) << shaded->shadeStops;
}

TEST(ColourCard, AnyCardIsDescribedByATextFileAndWrongOnesAreRefusedByTheirLine)
{
    const TemporaryFolder folder;
    const ColourCard read = card();
    EXPECT_EQ(read.marks.size(), 4u);
    EXPECT_EQ(read.patches.size(), 26u);
    const fs::path own =
        folder.write("own.txt", "size 60 40\nbody 90 0 0\nmark 57 3 2 1 # turned\nmark 57 37 2 1\nmark 3 37 2 1\n"
                                "mark 3 3 2 0\npatch g grey 30 20 5 50 0 0\n");
    const auto mine = readColourCard(own);
    ASSERT_TRUE(mine) << mine.error().message();
    EXPECT_EQ(mine->marks[0].x, 3) << "the one without a hole comes first";
    for (const auto& [text, line] :
         {std::pair("size 60 40\nbody 90 0\n", "line 2"), std::pair("size 60 40\nmark 1 2 3 4\n", "line 2"),
          std::pair("patch a hue 1 2\n", "line 1"), std::pair("colour 1\n", "line 1"),
          std::pair("size 1 1\nmark 1 1 1 0\npatch a hue 1 1 1 50 0 0\n", "four marks")}) {
        const auto wrong = readColourCard(folder.write("wrong.txt", text));
        ASSERT_FALSE(wrong) << text;
        EXPECT_NE(wrong.error().message().find(line), std::string::npos) << wrong.error().message();
    }
    EXPECT_FALSE(readColourCard(folder / "none.txt"));
}

/// What the card shows is known colour: frames that have nothing else in common are brought together by it.
TEST(ColourCard, IsTheFirstEvidenceOfAShootsBalance)
{
    const TemporaryFolder folder;
    const fs::path lead = kDemo / "frames/north-window-01.jpg";
    const auto withCard = readPicture(lead), other = readPicture(kDemo / "frames/lamp-shelf-04.jpg");
    const auto found = findCard(withCard->image.view(), card());
    ASSERT_TRUE(found);
    // Its card, under a light of other colour and strength, laid into a picture of other things.
    const Balance light{-0.8, 5600, 4};
    Image pasted = other->image, lit = withCard->image;
    applyBalance(light, Response{}, lit.mutableView());
    const auto& r = found->region;
    for (int y = static_cast<int>(r.top * 1000); y < static_cast<int>(r.bottom * 1000); ++y)
        for (int i = 3 * static_cast<int>(r.left * 1500); i < 3 * static_cast<int>(r.right * 1500); ++i)
            pasted.mutableView().row(y)[i] = lit.view().row(y)[i];
    ASSERT_TRUE(writePicture(folder / "other.png", pasted.view(), {}, {FileFormat::Png16, RgbSpace::Rec2020, 92}, {}));

    const std::vector<ShootFrame> frames{{lead, 0, true, -1, {}, {}}, {folder / "other.png", 0, false, -1, {}, {}}};
    const auto cards = cardsIn(kDemo / "card");
    ASSERT_EQ(cards.size(), 1u);
    const auto without = balanceShoot(frames), with = balanceShoot(frames, {}, {}, cards);
    ASSERT_TRUE(without && with);
    EXPECT_NE(without->frames[1].ground, Ground::KeyColours);
    EXPECT_FALSE(without->cardSought[0]);
    EXPECT_EQ(with->frames[1].ground, Ground::KeyColours);
    EXPECT_NEAR(with->frames[1].balance.exposureStops, 0.8, 0.05);
    EXPECT_LT(with->frames[1].residual, 1);
    for (std::size_t i = 0; i < 2; ++i) {
        ASSERT_TRUE(with->cards[i]) << i;
        EXPECT_NEAR(with->cards[i]->region.left, found->region.left, 0.01);
        EXPECT_NEAR(with->cards[i]->ratio, 1.5, 0.01);
    }
}

TEST(ColourCard, IsFilledUpFromBesideItWhereItDoesNotCount)
{
    Image picture(100, 50);
    std::fill_n(picture.mutableView().data, 100 * 50 * 3, 0.2f);
    for (int y = 10; y < 30; ++y)
        std::fill_n(picture.mutableView().row(y) + 3 * 40, 3 * 20, 0.9f);
    leaveOutCard(picture.mutableView(), {0.4, 0.2, 0.6, 0.6});
    const ImageView filled = picture.view();
    for (int y = 0; y < 50; ++y)
        for (int i = 0; i < 300; ++i)
            ASSERT_NEAR(filled.row(y)[i], 0.2f, 1e-6) << y << " " << i;
    leaveOutCard(picture.mutableView(), {-0.1, -0.1, 1.2, 1.2});  // all of it
}

}  // namespace
}  // namespace amber
