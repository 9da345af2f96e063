// Colours as people type them.
#include "core/colour/typed_colour.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

TEST(TypedColour, IsReadInEveryWayItMayBeWritten)
{
    // The sRGB code of pure red, and its CIELAB of D50 (Bradford) as published with CSS Color 4 (54.29, 80.8, 69.89).
    const auto hex = colourFromText("#FF0000");
    ASSERT_TRUE(hex);
    EXPECT_EQ(hexOf(*hex), "#ff0000");
    const Lab lab = toLab(*hex);
    EXPECT_NEAR(lab.l, 54.29, 0.02);
    EXPECT_NEAR(lab.a, 80.8, 0.05);
    EXPECT_NEAR(lab.b, 69.89, 0.05);
    for (const char* text : {"lab(60, 20, 35)", "LAB 60 20 35", " lab 60;20;35 "})
        EXPECT_NEAR(ciede2000(*colourFromText(text), fromLab({60, 20, 35})), 0, 1e-6) << text;
    EXPECT_NEAR(ciede2000(toLab(*colourFromText("lch 60 40 90")), Lab{60, 0, 40}), 0, 1e-4);
    EXPECT_NEAR(toOkLch(toOkLab(*colourFromText("oklch 0.65 0.1 55"))).hueDegrees, 55, 1e-6);
    EXPECT_TRUE(colourFromText("d2691e"));
    for (const char* text : {"", "#d2691", "#d2691e0", "lab 60 20", "lab 160 0 0", "lab a b c", "lch 60 -1 3",
                             "oklch 2 0 0", "rgb 1 2 3", "lab 60 20 nan", "#ggllll"})
        EXPECT_FALSE(colourFromText(text)) << text;
}

TEST(TypedColour, ATargetMayBeGivenInStops)
{
    const auto target = targetFromText("0 stops", {30, 12, 18});
    ASSERT_TRUE(target);
    EXPECT_NEAR(target->l, 49.5, 0.1) << "mid-grey is L* 49.5";
    EXPECT_EQ(target->a, 12);
    EXPECT_NEAR(toLab(fromLab(*targetFromText("+1 stops", {30, 0, 0}))).l, 66.52, 0.05) << "Y = 0.36";
    EXPECT_FALSE(targetFromText("9 stops", {30, 0, 0}));
    EXPECT_EQ(targetFromText("#808080", {})->l, toLab(*colourFromText("#808080")).l);
}

}  // namespace
}  // namespace amber
