// The first look at the XML of table files.
#include "core/table/xml_check.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

const XmlRules kRules{{{"Numbers", {3, 3, 0}}, {"Positive", {1, 1, 0, true}}, {"Array", {100}}},
                      {"Root"},
                      {"Root", "Part", "Numbers", "Positive", "Array"},
                      {}};

std::string why(std::string_view text, const XmlRules& rules = kRules)
{
    const auto checked = checkXml(text, "a.xml", rules);
    return checked ? std::string() : checked.error().message();
}

TEST(XmlCheck, WellMadeTextPassesAndNamesItsRoot)
{
    const auto root = checkXml("<?xml version=\"1.0\"?><!-- made up --><Root><Part name=\"a &amp; b\">words</Part>"
                               "<Numbers>0 1.5 2e-3</Numbers></Root>",
                               "a.xml", kRules);
    ASSERT_TRUE(root) << root.error().message();
    EXPECT_EQ(*root, "Root");
}

TEST(XmlCheck, TagsNestAndClose)
{
    for (const char* text : {"<Root>", "<Root><Part></Root></Part>", "<Root></Root><Root></Root>", "", "words", "<Root",
                             "<Root><Part></Part>"})
        EXPECT_FALSE(why(text).empty()) << text;
}

TEST(XmlCheck, OtherElementsAndRootsAreRefused)
{
    EXPECT_NE(why("<Other></Other>").find("Other"), std::string::npos);
    EXPECT_NE(why("<Root><Strange/></Root>").find("Strange"), std::string::npos);
}

TEST(XmlCheck, DocumentTypesAndEntitiesOfTheirOwnAreRefused)
{
    EXPECT_FALSE(why("<!DOCTYPE Root [<!ENTITY a \"aaaa\">]><Root>&a;</Root>").empty());
    EXPECT_FALSE(why("<Root>&unknown;</Root>").empty());
    EXPECT_TRUE(why("<Root><Part>&lt;&gt;&quot;&apos;&amp;</Part></Root>").empty());
}

TEST(XmlCheck, NumbersAreFiniteAsManyAndWithinTheirLimits)
{
    for (const char* numbers : {"1 2", "1 2 3 4", "1 2 x", "1 2 nan", "1 2 inf", "1,5 2 3", "-1 2 3", ""})
        EXPECT_FALSE(why("<Root><Numbers>" + std::string(numbers) + "</Numbers></Root>").empty()) << numbers;
    EXPECT_FALSE(why("<Root><Positive>0</Positive></Root>").empty());
    EXPECT_TRUE(why("<Root><Positive>0.001</Positive></Root>").empty());
}

TEST(XmlCheck, ADimensionSaysHowMany)
{
    EXPECT_TRUE(why("<Root><Array dim=\"2 3\">1 2 3 4 5 6</Array></Root>").empty());
    EXPECT_FALSE(why("<Root><Array dim=\"2 3\">1 2 3 4 5</Array></Root>").empty());
    EXPECT_FALSE(why("<Root><Array dim=\"900 900 900 3\">1 2 3</Array></Root>").empty());
}

TEST(XmlCheck, DepthIsLimitedAndErrorsCarryTheLine)
{
    std::string deep = "<Root>";
    for (int i = 0; i < 40; ++i)
        deep += "<Part>";
    for (int i = 0; i < 40; ++i)
        deep += "</Part>";
    EXPECT_FALSE(why(deep + "</Root>").empty());
    EXPECT_NE(why("<Root>\n\n<Strange/>\n</Root>").find('3'), std::string::npos)
        << why("<Root>\n\n<Strange/>\n</Root>");
}

TEST(XmlCheck, WhatMustStandInAnElementIsAskedFor)
{
    XmlRules rules = kRules;
    rules.needed["Part"] = "Numbers";
    EXPECT_TRUE(why("<Root><Part><Numbers>1 2 3</Numbers></Part></Root>", rules).empty());
    EXPECT_FALSE(why("<Root><Part></Part></Root>", rules).empty());
}

}  // namespace
}  // namespace amber
