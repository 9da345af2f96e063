// Settings: kept whole, with what a newer version wrote; put aside, never lost, when they are damaged.
#include "core/settings/settings.h"

#include "core/base/json_text.h"
#include "core/look/look_file.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

TEST(OwnSettingsFile, IsReadBackAndKeepsWhatItDoesNotKnow)
{
    const TemporaryFolder folder;
    const auto file = folder / "jolly-amber" / "settings.json";
    EXPECT_EQ(readSettings(file).settings, Settings{});
    Settings own{true, "Ines Okto", "all rights", 90, false, 150, true, {{"mark", "Ctrl+J"}, {"pin", ""}}};
    ASSERT_TRUE(writeSettings(file, own));
    EXPECT_EQ(readSettings(file).settings, own);
    Json json = Json::parse(readText(file));
    json["later"] = {{"a", 1}};
    folder.write("jolly-amber/settings.json", json.dump());
    own.restMinutes = 0;
    ASSERT_TRUE(writeSettings(file, own));
    const ReadSettings read = readSettings(file);
    EXPECT_EQ(read.settings, own);
    EXPECT_EQ(read.fault, "");
    EXPECT_EQ(Json::parse(readText(file))["later"]["a"], 1);
}

TEST(OwnSettingsFile, DamagedIsPutAsideAndSaid)
{
    const TemporaryFolder folder;
    const auto file = folder / "settings.json";
    const std::string some =
        R"({"format": "jolly-amber-settings", "author": "A", "restMinutes": -3, "keys": {"a": 1}})";
    for (const std::string& damaged :
         {std::string("{\"format\": \"jolly-am"), std::string(), std::string("[1]"), some}) {
        folder.write("settings.json", damaged);
        const ReadSettings read = readSettings(file);
        EXPECT_NE(read.fault.find("put aside as settings-damaged-"), std::string::npos) << read.fault;
        EXPECT_EQ(read.settings.restMinutes, Settings{}.restMinutes);
        EXPECT_FALSE(std::filesystem::exists(file));
        ASSERT_TRUE(writeSettings(file, read.settings));
        std::filesystem::remove(file);
    }
    EXPECT_EQ(readText(folder / "settings-damaged-1.json"), "{\"format\": \"jolly-am");
    EXPECT_EQ(readText(folder / "settings-damaged-4.json"), some);
    folder.write("settings.json", some);
    const ReadSettings read = readSettings(file);
    EXPECT_EQ(read.settings.author, "A");
    EXPECT_NE(read.fault.find("restMinutes, keys"), std::string::npos) << read.fault;
}

TEST(LookFile, IsToldByItsEndingOrItsFirstBytes)
{
    const TemporaryFolder folder;
    EXPECT_TRUE(isLookFile("/nowhere/a.amberlook"));
    EXPECT_TRUE(isLookFile(folder.write("a.JSON", "{\n\t\"format\": \"jolly-amber-look\"")));
    EXPECT_FALSE(isLookFile(folder.write("b.json", "{\"format\": \"jolly-amber-manifest\"}")));
    EXPECT_FALSE(isLookFile("/nowhere/a.json"));
    EXPECT_FALSE(isLookFile(folder.write("c.jpg", "\"jolly-amber-look\"")));
    EXPECT_TRUE(hasLookEnding("x.AmberLook") && hasLookEnding("x.json") && !hasLookEnding("x.cube"));
}

}  // namespace
}  // namespace amber::test
