// `amber job`: a shoot made, arranged and worked on without a window; what is wrong is said and changes nothing.
#include "core/base/json_text.h"
#include "core/job/job_store.h"
#include "tests/support/picture_files.h"
#include "tests/support/run_command.h"

#include <gtest/gtest.h>

namespace amber::test {
namespace {

namespace fs = std::filesystem;

std::string quoted(const fs::path& path) { return "'" + path.string() + "'"; }
bool contains(const std::string& text, const std::string& part) { return text.find(part) != std::string::npos; }

const std::string kLook = R"({"format": "jolly-amber-look", "version": 1, "name": "Evening", "steps": []})";

class JobCommand : public ::testing::Test {
protected:
    void SetUp() override
    {
        fs::create_directory(m_folder / "shoot");
        for (const char* name : {"a", "b", "c"})
            ASSERT_TRUE(writeRaw(m_folder / "shoot" / (std::string(name) + ".png"),
                                 noise(48, 32, 3, 8, static_cast<unsigned>(name[0]))));
        m_folder.write("evening.json", kLook);
        ASSERT_EQ(job("new", quoted(m_folder / "shoot")).status, 0);
    }
    Ran job(const std::string& verb, const std::string& rest = {})
    {
        return amber("job " + verb + " " + quoted(file()) + " " + rest);
    }
    Json told(const std::string& verb, const std::string& rest = {})
    {
        const Ran ran = job(verb, rest + " --json");
        EXPECT_EQ(ran.status, 0) << ran.err;
        const Json json = Json::parse(ran.out, nullptr, false);
        EXPECT_FALSE(json.is_discarded()) << ran.out;
        return json;
    }
    /// Is refused with these words, and the job is as it was.
    void refuses(const std::string& verb, const std::string& rest, const std::string& words)
    {
        const auto before = JobStore::open(file())->job();
        const Ran ran = job(verb, rest);
        EXPECT_NE(ran.status, 0) << verb << " " << rest;
        EXPECT_TRUE(contains(ran.err, words)) << verb << " " << rest << ": " << ran.err;
        EXPECT_EQ(JobStore::open(file())->job(), before);
    }
    fs::path file() const { return m_folder / "shoot.amberjob"; }

    TemporaryFolder m_folder;
};

TEST_F(JobCommand, ListsItsFramesWithWhatIsKnownOfThem)
{
    const Json list = told("list");
    ASSERT_EQ(list["frames"].size(), 3u);
    EXPECT_EQ(list["frames"][0]["name"], "a");
    EXPECT_EQ(list["frames"][0]["fault"], "");
    EXPECT_FALSE(list["frames"][0]["done"].get<bool>());
    fs::remove(m_folder / "shoot/b.png");
    const Ran plain = job("list");
    EXPECT_EQ(plain.status, 0);
    EXPECT_TRUE(contains(plain.out, "b"));
}

TEST_F(JobCommand, TakesFurtherPicturesAndKnowsThoseItHas)
{
    ASSERT_TRUE(writeRaw(m_folder / "d.png", noise(48, 32, 3, 8, 9)));
    EXPECT_EQ(told("add", quoted(m_folder / "d.png"))["frames"].size(), 4u);
    EXPECT_EQ(told("add", quoted(m_folder / "d.png"))["frames"].size(), 4u) << "a picture is a frame once";
    refuses("add", quoted(m_folder / "missing.png"), "missing.png");
}

TEST_F(JobCommand, ANewJobReplacesNothingAndIsNamedAsOne)
{
    refuses("new", quoted(m_folder / "shoot"), "there is a file of this name already");
    const Ran other = amber("job new " + quoted(m_folder / "shoot.txt") + " " + quoted(m_folder / "shoot"));
    EXPECT_NE(other.status, 0);
    EXPECT_TRUE(contains(other.err, ".amberjob"));
    EXPECT_FALSE(fs::exists(m_folder / "shoot.txt"));
    const Ran missing = amber("job list " + quoted(m_folder / "nothing.amberjob"));
    EXPECT_NE(missing.status, 0);
    EXPECT_TRUE(contains(missing.err, "no such job"));
    EXPECT_FALSE(fs::exists(m_folder / "nothing.amberjob")) << "asking makes nothing";
}

TEST_F(JobCommand, AFileThatIsNoJobIsLeftAlone)
{
    const fs::path words = m_folder.write("words.amberjob", "these are only words");
    for (const char* verb : {"list", "light", "key", "balance"}) {
        const Ran ran = amber("job " + std::string(verb) + " " + quoted(words));
        EXPECT_NE(ran.status, 0) << verb;
        EXPECT_FALSE(ran.err.empty()) << verb;
    }
    EXPECT_EQ(readText(words), "these are only words");
}

TEST_F(JobCommand, LightsAreProposedArrangedAndLed)
{
    EXPECT_EQ(told("light", "--propose")["lights"].size(), 1u);
    const Json lights = told("light", "--to Yard --frames b c --lead c")["lights"];
    ASSERT_EQ(lights.size(), 2u);
    EXPECT_EQ(lights[1]["name"], "Yard");
    EXPECT_EQ(lights[1]["lead"], "c");
    EXPECT_EQ(lights[1]["frames"], (Json{"b", "c"}));
    // Back to the first one by its name.
    const std::string first = lights[0]["name"];
    EXPECT_EQ(told("light", "--to '" + first + "' --frames b")["lights"][0]["frames"].size(), 2u);
    refuses("light", "--to Yard --frames nobody", "nobody");
    refuses("light", "--to Yard", "--frames");
    refuses("light", "--lead nobody", "nobody");
}

TEST_F(JobCommand, KeyColoursAreMarkedConfirmedAndTakenOff)
{
    const Json marked = told("key", "glaze --frame a --region 0.1 0.2 0.3 0.4 --tolerance 2 --target 50 -10 5")["keys"];
    ASSERT_EQ(marked.size(), 1u);
    EXPECT_EQ(marked[0]["name"], "glaze");
    EXPECT_EQ(marked[0]["place"], (Json{0.1, 0.2, 0.3, 0.4}));
    EXPECT_EQ(marked[0]["tolerance"], 2.0);
    EXPECT_EQ(job("key", "glaze --frame b --at 0.5 0.5 --place").status, 0);
    {
        const auto store = JobStore::open(file());
        ASSERT_TRUE(store);
        ASSERT_TRUE(store->job().confirmedPlace(2, "glaze"));
        ASSERT_TRUE(store->job().keys[0].target);
        EXPECT_EQ(store->job().keys[0].target->a, -10);
    }
    refuses("key", "clay --frame nobody --at 0.5 0.5", "nobody");
    refuses("key", "clay --at 0.5 0.5", "--frame");
    refuses("key", "clay --frame a", "--at or --region");
    refuses("key", "clay --frame a --region 0.5 0.2 0.3 0.4", "left edge");
    refuses("key", "clay --frame a --at 0.5 0.5 --tolerance 900", "900");
    refuses("key", "--remove clay", "no such key colour");
    EXPECT_TRUE(told("key", "--remove glaze")["keys"].empty());
}

TEST_F(JobCommand, ALookIsTakenInHandOrForSomeFrames)
{
    EXPECT_EQ(job("look", quoted(m_folder / "evening.json")).status, 0);
    EXPECT_EQ(job("look", quoted(m_folder / "evening.json") + " --frames b").status, 0);
    {
        const auto store = JobStore::open(file());
        ASSERT_TRUE(store);
        EXPECT_EQ(store->job().frame(1).look, 0);
        EXPECT_NE(store->job().frame(2).look, 0);
    }
    refuses("look", quoted(m_folder / "missing.json"), "missing.json");
    refuses("look", quoted(m_folder / "evening.json") + " --frames nobody", "nobody");
    refuses("look", quoted(m_folder / "evening.json") + " --light Moon", "Moon");
    refuses("look", quoted(m_folder / "evening.json") + " --light Moon --frames a", "--");
}

TEST_F(JobCommand, EveryGestureIsOneThatCanBeTakenBack)
{
    ASSERT_EQ(job("light", "--propose").status, 0);
    ASSERT_EQ(job("key", "glaze --frame a --at 0.5 0.5").status, 0);
    ASSERT_EQ(job("light", "--to Yard --frames b").status, 0);
    auto store = JobStore::open(file());
    ASSERT_TRUE(store);
    EXPECT_EQ(store->job().lights.size(), 2u);
    ASSERT_TRUE(store->undo());
    EXPECT_EQ(store->job().lights.size(), 1u);
    EXPECT_EQ(store->job().keys.size(), 1u);
    ASSERT_TRUE(store->undo());
    EXPECT_TRUE(store->job().keys.empty());
}

TEST_F(JobCommand, TheLogIsReadFilteredWrittenAndReplayed)
{
    ASSERT_EQ(job("light", "--propose").status, 0);
    ASSERT_EQ(job("key", "glaze --frame a --at 0.5 0.5").status, 0);
    ASSERT_EQ(job("look", quoted(m_folder / "evening.json")).status, 0);
    const Json log = told("log");
    ASSERT_EQ(log.size(), 3u);
    EXPECT_EQ(log[1]["lines"][0], "key colour glaze added");
    EXPECT_EQ(told("log", "--kind colours").size(), 1u);
    EXPECT_EQ(told("log", "--find 'GLAZE added'").size(), 1u);
    EXPECT_EQ(told("log", "--reasons").size(), 0u);
    EXPECT_TRUE(contains(job("log").out, "key colour glaze added"));
    for (const char* ending : {"txt", "csv", "pdf"}) {
        const fs::path out = m_folder / (std::string("log.") + ending);
        EXPECT_EQ(job("log", "-o " + quoted(out)).status, 0);
        EXPECT_GT(fs::file_size(out), 50u);
    }
    m_folder.write("mine.txt", "mine");
    EXPECT_EQ(job("log", "-o " + quoted(m_folder / "mine.txt")).status, 2);
    EXPECT_EQ(readText(m_folder / "mine.txt"), "mine");
    refuses("log", "--look Nobody", "Nobody");
    refuses("log", "--frame nobody", "nobody");
    const std::string look = "--look '" + JobStore::open(file())->looks().back().name + "'";
    const Json replayed = told("replay", look + " --dry-run");
    EXPECT_TRUE(replayed["isAsNow"].get<bool>());
    EXPECT_EQ(told("log").size(), 3u) << "only tried";
    refuses("replay", look + " --entries 1", "none of these");
}

TEST_F(JobCommand, TheRouteIsFollowedAndTickedByHand)
{
    Json route = told("route");
    EXPECT_EQ(route["route"], "light first");
    EXPECT_EQ(route["next"], "Tell the lights apart");
    ASSERT_EQ(job("light", "--propose").status, 0);
    EXPECT_EQ(told("route")["next"], "Exposure");
    route = told("route", "--use 'white first' --tick white");
    EXPECT_EQ(route["route"], "white first");
    EXPECT_EQ(route["next"], "Exposure");
    route = told("route", "--tick white --frames b --open");
    EXPECT_EQ(route["next"], "White balance");
    EXPECT_EQ(route["frame"], "b");
    EXPECT_TRUE(contains(job("route").out, "White balance            2 of 3"));
    refuses("route", "--use 'sideways'", "sideways");
    refuses("route", "--tick nothing", "nothing");
}

TEST_F(JobCommand, AJobThatIsOpenElsewhereIsNotChanged)
{
    const auto open = JobStore::open(file());
    ASSERT_TRUE(open);
    const Ran ran = job("key", "glaze --frame a --at 0.5 0.5");
    EXPECT_NE(ran.status, 0);
    EXPECT_FALSE(ran.err.empty());
    EXPECT_TRUE(open->job().keys.empty());
    EXPECT_EQ(job("list").status, 0) << "it can still be looked at";
}

TEST_F(JobCommand, BalanceAndConsistencySayPerFrameWhatTheyFound)
{
    ASSERT_EQ(job("light", "--propose").status, 0);
    const Json balance = told("balance")["frames"];
    ASSERT_EQ(balance.size(), 3u);
    for (const char* field : {"frame", "stops", "kelvin", "tint", "sure", "restsOn", "note", "taken"})
        EXPECT_TRUE(balance[0].contains(field)) << field;
    EXPECT_FALSE(balance[1]["taken"].get<bool>());
    refuses("consistency", "", "no");
    ASSERT_EQ(job("look", quoted(m_folder / "evening.json")).status, 0);
    refuses("consistency", "", "no key colours");
    ASSERT_EQ(job("key", "glaze --frame a --at 0.5 0.5").status, 0);
    const Json table = told("consistency");
    EXPECT_TRUE(table.contains("within"));
    EXPECT_EQ(table["rows"].size(), 3u);
}

TEST_F(JobCommand, HandsOverWhatTheChoicesSayAndNothingElse)
{
    ASSERT_EQ(job("look", quoted(m_folder / "evening.json")).status, 0);
    const Ran ran = job("handover", "--out " + quoted(m_folder / "out") + " --format png16 --long-edge 24");
    ASSERT_EQ(ran.status, 0) << ran.err;
    for (const char* name : {"a.png", "b.png", "c.png"}) {
        const RawPicture written = readRaw(m_folder / "out" / name);
        EXPECT_EQ(written.width, 24) << name;
        EXPECT_EQ(written.bits, 16) << name;
    }
    // Again: what was written is written anew; what somebody put there stays.
    fs::remove(m_folder / "out/b.png");
    m_folder.write("out/b.png", "somebody's");
    EXPECT_EQ(job("handover", "--out " + quoted(m_folder / "out") + " --format png16").status, 0);
    EXPECT_EQ(readText(m_folder / "out/b.png"), "somebody's");
    EXPECT_TRUE(fs::exists(m_folder / "out/b-2.png"));
    refuses("handover", "--out " + quoted(m_folder / "out2") + " --format gif", "gif");
    EXPECT_FALSE(fs::exists(m_folder / "out2"));
    // The shoot's own folder: no original is touched.
    const std::string before = readText(m_folder / "shoot/a.png");
    EXPECT_EQ(job("handover", "--out " + quoted(m_folder / "shoot") + " --format png8").status, 0);
    EXPECT_EQ(readText(m_folder / "shoot/a.png"), before);
}

TEST_F(JobCommand, HandsOverBySeveralRecipesVerifiesThemAndDoesNothingTwice)
{
    ::setenv("XDG_CONFIG_HOME", (m_folder / "config").c_str(), 1);
    ASSERT_EQ(job("look", quoted(m_folder / "evening.json")).status, 0);
    const Ran shown = amber("recipe show web");
    ASSERT_EQ(shown.status, 0) << shown.err;
    Json own = Json::parse(shown.out);
    own["name"] = "catalogue", own["file"] = "webp", own["pattern"] = "{number:3}-{name}", own["subfolder"] = "cat";
    const fs::path file = m_folder.write("catalogue.json", jsonText(own));
    ASSERT_EQ(amber("recipe keep " + quoted(file)).status, 0);
    const Ran list = amber("recipe list");
    for (const char* name : {"web", "full", "print", "layers", "catalogue"})
        EXPECT_TRUE(contains(list.out, name)) << list.out;
    const std::string out = quoted(m_folder / "out");
    const Ran ran = job("handover", "--out " + out + " --recipe web,layers,catalogue --author Zo\xc3\xab");
    ASSERT_EQ(ran.status, 0) << ran.err;
    for (const char* name : {"web/a.jpg", "layers/b.tif", "cat/003-c.webp", "cat/manifest.json"})
        EXPECT_TRUE(fs::exists(m_folder / "out" / name)) << name;
    const Ran again = job("handover", "--out " + out + " --recipe web,layers,catalogue --author Zo\xc3\xab --json");
    for (const Json& picture : Json::parse(again.out)["pictures"])
        EXPECT_TRUE(picture.value("kept", false)) << picture;
    EXPECT_EQ(amber("job verify " + out).status, 0);
    // A part by itself, and one more; then together.
    for (const char* part : {"1/2", "2/2"})
        EXPECT_EQ(job("handover", "--out " + quoted(m_folder / "parts") + " --recipe web --part " + part).status, 0);
    const Ran merged = amber("job merge " + quoted(m_folder / "parts") + " --json");
    EXPECT_EQ(Json::parse(merged.out)["parts"], 2) << merged.err;
    // One byte.
    std::string bytes = readText(m_folder / "out/web/a.jpg");
    bytes[bytes.size() / 2] = static_cast<char>(bytes[bytes.size() / 2] ^ 4);
    m_folder.write("out/web/a.jpg", bytes);
    const Ran broken = amber("job verify " + out);
    EXPECT_EQ(broken.status, 1);
    EXPECT_TRUE(contains(broken.err, "web/a.jpg")) << broken.err;
    refuses("handover", "--out " + out + " --recipe wbe", "web, full, print, layers");
    refuses("handover", "--out " + out + " --recipe web --part 3/2", "K/N");
    EXPECT_EQ(amber("recipe forget catalogue").status, 0);
    EXPECT_EQ(amber("recipe forget web").status, 2) << "it ships";
    ::unsetenv("XDG_CONFIG_HOME");
}

TEST_F(JobCommand, FramesThatShowTheColourCardAreHandedOverOnlyWhenAskedFor)
{
    const fs::path demo = fs::path(AMBER_SOURCE_DIR) / "demo";
    fs::create_directory(m_folder / "shoot/card");
    fs::copy_file(demo / "card/ombrel-card.txt", m_folder / "shoot/card/ombrel-card.txt");
    fs::copy_file(demo / "frames/yard-01.jpg", m_folder / "shoot/d.jpg");
    ASSERT_EQ(job("add", quoted(m_folder / "shoot/d.jpg")).status, 0);
    const auto out = [&](const char* name) {
        return "--out " + quoted(m_folder / name) + " --format png8 --long-edge 60";
    };
    const Ran ran = job("handover", out("out"));
    EXPECT_EQ(ran.status, 0) << ran.err;
    EXPECT_TRUE(contains(ran.err, "d is left out: it shows the colour card")) << ran.err;
    EXPECT_TRUE(fs::exists(m_folder / "out/a.png"));
    EXPECT_FALSE(fs::exists(m_folder / "out/d.png"));
    EXPECT_EQ(job("handover", out("asked") + " --with-card").status, 0);
    EXPECT_TRUE(fs::exists(m_folder / "asked/d.png"));
    // Once the shoot is solved it is known of the frame.
    ASSERT_EQ(job("balance", "--take").status, 0);
    const auto store = JobStore::open(file());
    ASSERT_EQ(store->frames().size(), 4u);
    EXPECT_TRUE(store->frames()[3].card);
    EXPECT_TRUE(store->frames()[0].cardSought && !store->frames()[0].card);
}

TEST_F(JobCommand, AreasAreMarkedFoundListedAndWritten)
{
    for (const char* name : {"north-window-02", "north-window-03"})
        ASSERT_EQ(job("add", quoted(fs::path(AMBER_SOURCE_DIR) / "demo/frames" / (std::string(name) + ".jpg"))).status,
                  0);
    EXPECT_TRUE(told("area list")["areas"].empty());
    refuses("area mark", "--role lemon north-window-02", "where is it?");
    refuses("area mark", "--role lemon nobody --not-here", "nobody");
    refuses("area mark", "--role lemon north-window-02 --box 0.5,0.5,0.5,0.9", "nothing is there");
    refuses("area mark", "--role lemon north-window-02 --box 0,0,1,1 --ramp 0,0,1,1", "excludes");
    refuses("area mask", "--role lemon north-window-02 -o " + quoted(m_folder / "mask.png"), "no area of this role");
    const Json marked = told("area mark", "--role lemon north-window-02 --box 0.21,0.67,0.37,0.86")["areas"][0];
    EXPECT_EQ(marked["state"], "confirmed");
    EXPECT_GT(marked["sureness"].get<double>(), 0.5);

    // Looked for on all others; nothing changes unless it is taken.
    const Json found = told("area find", "--role lemon");
    ASSERT_EQ(found["frames"].size(), 4u) << "all but the one that is decided";
    const auto& again = found["frames"][3];
    EXPECT_EQ(again["frame"], "north-window-03");
    EXPECT_TRUE(again["offered"].get<bool>());
    EXPECT_TRUE(contains(again["from"].get<std::string>(), "the same scene"));
    EXPECT_FALSE(found["frames"][0]["offered"].get<bool>()) << "noise";
    EXPECT_EQ(told("area list")["areas"].size(), 1u);
    told("area find", "--role lemon --take 0.9 --frames north-window-03");
    const Json all = told("area list")["areas"];
    ASSERT_EQ(all.size(), 2u);
    EXPECT_EQ(all[1]["state"], "confirmed");
    EXPECT_EQ(all[1]["inBalance"], "counts");

    // What it is to the balance, which says so.
    refuses("area balance", "--role nobody --as left-out", "none of these frames");
    refuses("area balance", "--role lemon --as so", "no such choice");
    const Json out = told("area balance", "--role lemon --as left-out --frames north-window-03")["areas"];
    EXPECT_EQ(out[0]["inBalance"], "counts");
    EXPECT_EQ(out[1]["inBalance"], "left-out");
    bool isSaid = false;
    const Json balance = told("balance", "");
    for (const auto& frame : balance["frames"])
        isSaid = isSaid || (frame["frame"] == "north-window-03" &&
                            contains(frame["restsOn"].get<std::string>(), "without lemon"));
    EXPECT_TRUE(isSaid);

    const Json mask = told("area mask", "--role lemon north-window-03 -o " + quoted(m_folder / "mask.png"));
    EXPECT_EQ(mask["width"], 1500);
    EXPECT_NEAR(mask["share"].get<double>(), 0.018, 0.006);
    EXPECT_TRUE(fs::exists(m_folder / "mask.png"));
    told("area mark", "--role lemon a --click 0.5,0.5");
    told("area mark", "--role lemon a --not-here");
    EXPECT_EQ(told("area list")["areas"][0]["state"], "not-here");
    told("area mark", "--role lemon a --remove");
    EXPECT_EQ(told("area list")["areas"].size(), 2u);
}

TEST_F(JobCommand, SendsFramesOutAndTakesThemBack)
{
    const fs::path out = m_folder / "out";
    const Json sent = told("send", "--out " + quoted(out) + " --frames a,b --note 'Heal it' --minutes 5");
    ASSERT_EQ(sent["sent"].size(), 2u);
    for (const char* name : {"a.tif", "b.tif", "hand-off.pdf", "hand-off.json", "manifest.json"})
        EXPECT_TRUE(fs::exists(out / name)) << name;
    const Json list = Json::parse(readText(out / "hand-off.json"));
    EXPECT_EQ(list["pictures"][0]["note"], "Heal it");
    EXPECT_EQ(list["pictures"][1]["identity"], sent["sent"][1]["identity"]);
    fs::create_directory(m_folder / "back");
    fs::copy_file(out / "b.tif", m_folder / "back/anything.tif");
    const Json back = told("return", quoted(m_folder / "back"));
    ASSERT_EQ(back["returned"].size(), 1u);
    EXPECT_EQ(back["returned"][0]["frame"], "b");
    EXPECT_EQ(back["returned"][0]["touched"], 0.0);
    const fs::path standing = told("list")["frames"][1]["path"].get<std::string>();
    EXPECT_EQ(standing, fs::path(back["returned"][0]["picture"].get<std::string>()));
    EXPECT_EQ(standing.stem(), "b");
    // What is nobody's is asked about, and nothing changes.
    ASSERT_TRUE(writeRaw(m_folder / "stray.png", noise(48, 32, 3, 8, 99)));
    refuses("return", quoted(m_folder / "stray.png"), "--frame");
    refuses("return", quoted(m_folder / "stray.png") + " --frame c", "othing of that frame was sent");
    refuses("return", quoted(m_folder / "nowhere.tif"), "no such file");
    EXPECT_EQ(job("handover", "--out " + quoted(m_folder / "done") + " --format png16").status, 0);
    EXPECT_TRUE(fs::exists(m_folder / "done/b.png")) << "under the frame's own name";
}

TEST_F(JobCommand, SaysWhatIsToBeKnownBeforeAndAsksTheClient)
{
    const fs::path out = m_folder / "out";
    const Json dry = told("handover", "--out " + quoted(out) + " --recipe web,full --dry-run");
    EXPECT_EQ(dry["files"], 6);
    EXPECT_GT(dry["room"], dry["bytes"]);
    EXPECT_FALSE(fs::exists(out)) << "nothing is written";
    fs::create_directories(out / "web");
    m_folder.write("out/web/a.jpg", "somebody's");
    const Json clash = told("handover", "--out " + quoted(out) + " --recipe web --dry-run");
    EXPECT_TRUE(contains(clash.dump(), "1 file gets another name")) << clash.dump();
    EXPECT_EQ(job("handover", "--out " + quoted(m_folder / "out/web/a.jpg") + " --recipe web --dry-run").status, 1);
    const Ran none = job("handover", "--out " + quoted(out) + " --rating 3 --dry-run");
    EXPECT_EQ(none.status, 1);
    EXPECT_TRUE(contains(none.out, "There is no frame to hand over")) << none.out;

    EXPECT_EQ(job("handover", "--out " + quoted(out) + " --recipe web --ask").status, 0);
    const Ran client =
        run(std::string(AMBER_BIN_DIR) + "/amber_client " + quoted(out / "web") + " --after 0 --remarks 1");
    EXPECT_EQ(client.status, 0) << client.err;
    const Json answered = told("answer", quoted(out / "web/answer-round-1.json"));
    EXPECT_EQ(answered["remarks"], 3);
    EXPECT_EQ(JobStore::open(file())->job().pins.size(), 3u);
    refuses("answer", quoted(out / "web/answer-round-1.json"), "was answered");
    refuses("answer", quoted(m_folder / "evening.json"), "it is none");
    const Json closed = told("handover", "--out " + quoted(out) + " --recipe web --dry-run");
    EXPECT_TRUE(contains(closed.dump(), "3 pins are open")) << closed.dump();
    EXPECT_EQ(fs::file_size(out / "web/a.jpg"), 10u) << "somebody's file is as it was";
}

}  // namespace
}  // namespace amber::test
