// The route: ticks by what was done and by hand, what comes next, routes as files.
#include "core/job/job_store.h"
#include "core/route/route.h"
#include "tests/support/temporary_folder.h"

#include <cstdlib>
#include <gtest/gtest.h>

namespace amber {
namespace {

using test::TemporaryFolder;

const RouteStage& stage(const Route& route, const std::string& id)
{
    return *std::find_if(route.stages.begin(), route.stages.end(), [&](const RouteStage& s) { return s.id == id; });
}

struct Shoot {
    Job job;
    RouteFacts facts;
    Route route = shippedRoutes().front();
    Shoot()
    {
        facts.frames = {1, 2, 3};
        facts.lookForAll = 1;
        job.looks[1] = {"Evening", 1};
        facts.looks[1] = {};
    }
    std::string next(FrameId inHand = 1) const
    {
        const auto thing = nextThing(route, job, inHand, facts);
        return thing ? route.stages[static_cast<std::size_t>(thing->stage)].id + " " + std::to_string(thing->frame)
                     : "nothing";
    }
    void tick(const std::string& id, const std::vector<FrameId>& frames, bool on = true)
    {
        job = withTick(job, stage(route, id), frames, on, facts);
    }
};

TEST(Route, IsWalkedByWhatIsReallyDoneToTheEnd)
{
    Shoot shoot;
    Job& job = shoot.job;
    EXPECT_EQ(shoot.next(), "lights 0");
    job.lights = {{"Light 1", 1, {1, 2}, 0}, {"Light 2", 3, {3}, 0}};
    EXPECT_EQ(shoot.next(2), "exposure 2") << "the frame in hand first";
    for (const FrameId id : {2, 3})
        job.frames[id].balance.because = "seen together";
    EXPECT_EQ(shoot.next(2), "exposure 1") << "round to the first again";
    job.frames[1].balance.exposureLocked = true;
    EXPECT_EQ(shoot.next(1), "upright 1");
    job.frames[1].balance.geometry.straightenDegrees = 1;
    shoot.tick("upright", {2, 3});
    EXPECT_EQ(shoot.next(1), "white 1");
    job.frames[1].balance.light.kelvin = 5000;
    EXPECT_EQ(shoot.next(1), "keys 0");
    job.keys.push_back({"dish", 1, {0.4, 0.4, 0.5, 0.5}, {0.2, 0.2, 0.2}, {}, 3, KeyColour::Kind::Marked});
    EXPECT_EQ(shoot.next(1), "look 1");
    Look look;
    look.steps.emplace_back();
    Chroma chroma;
    chroma.even = 1.2;
    look.steps[0].parameters = chroma;
    look.steps[0].guard.where.role = "sky";
    look.roles.emplace_back().name = "sky";
    shoot.facts.looks[1] = look;
    EXPECT_EQ(shoot.next(1), "areas 1");
    for (const FrameId id : {1, 2})
        job.areas[{id, "sky"}] = Area{};
    Area proposed;
    proposed.state = Area::State::Proposed;
    job.areas[{3, "sky"}] = proposed;
    EXPECT_EQ(shoot.next(1), "areas 3") << "what nobody has seen does not count";
    job.areas[{3, "sky"}].state = Area::State::NotHere;
    EXPECT_EQ(shoot.next(1), "checked 1") << "nothing was checked";
    shoot.facts.openFindings = std::vector<FrameId>{2};
    EXPECT_EQ(shoot.next(1), "checked 2");
    shoot.facts.openFindings = std::vector<FrameId>{};
    Pin pin;
    pin.frame = 3, pin.text = "decide";
    job.pins[1] = pin;
    EXPECT_EQ(shoot.next(1), "pins 3");
    job.pins[1].isDone = true;
    EXPECT_EQ(shoot.next(1), "done 1");
    shoot.tick("done", {1, 2, 3});
    EXPECT_TRUE(job.frame(2).isDone) << "the tick that other places set as well";
    EXPECT_EQ(shoot.next(1), "handed-over 0");
    shoot.facts.wasHandedOver = true;
    EXPECT_EQ(shoot.next(1), "nothing");
}

TEST(Route, TicksByHandWinAndAreKeptOnlyWhereTheyDiffer)
{
    Shoot shoot;
    const RouteStage& upright = stage(shoot.route, "upright");
    EXPECT_FALSE(tickOf(upright, shoot.job, 1, shoot.facts).isOn);
    shoot.tick("upright", {1});
    EXPECT_TRUE(tickOf(upright, shoot.job, 1, shoot.facts).isOn && tickOf(upright, shoot.job, 1, shoot.facts).isByHand);
    shoot.tick("upright", {1}, false);
    EXPECT_TRUE(shoot.job.ticks.empty()) << "open as it is found anyway";
    shoot.job.frames[1].balance.geometry.leanUp = 0.1;
    shoot.tick("upright", {1}, false);
    EXPECT_TRUE(tickOf(upright, shoot.job, 1, shoot.facts).isByHand) << "left open although it was done";
    EXPECT_FALSE(tickOf(upright, shoot.job, 1, shoot.facts).isOn);
    // The whole shoot at once.
    shoot.tick("upright", {0});
    EXPECT_EQ(progressOf(upright, shoot.job, shoot.facts).ticked, 2) << "but for the frame that was left open";
    EXPECT_EQ(progressOf(upright, shoot.job, shoot.facts).of, 3);
}

TEST(Route, OfAThousandFramesCountsOnlyThoseThatCount)
{
    std::vector<Frame> frames(1000);
    Job job;
    for (std::size_t i = 0; i < frames.size(); ++i) {
        frames[i].id = static_cast<FrameId>(i) + 1;
        frames[i].isLost = i % 10 == 0;
        job.frames[frames[i].id].isUnused = i % 10 == 1;
    }
    const RouteFacts facts = routeFacts(job, frames, 0, [](LookId) { return std::optional<Look>(); });
    EXPECT_EQ(facts.frames.size(), 800u);
}

TEST(Route, FilesAreReadAsTheyWereWrittenAndFaultsAreNamed)
{
    for (Route route : shippedRoutes()) {
        route.unknownFields = R"({"later":1})";
        const auto read = routeFromText(routeToText(route), "a.json");
        ASSERT_TRUE(read) << read.error().message();
        EXPECT_TRUE(*read == route);
    }
    const std::pair<const char*, const char*> faults[] = {
        {"{", "not a route"},
        {R"({"format":"jolly-amber-route","name":"x","stages":[]})", "stages"},
        {R"({"format":"jolly-amber-route","name":"","stages":[1]})", "name"},
        {R"({"format":"jolly-amber-route","name":"x","stages":[{"id":"a","title":"A","rule":"magic","place":"look"}]})",
         "rule"},
        {R"({"format":"jolly-amber-route","name":"x","stages":[{"id":"a","title":"A","rule":"hand","place":"moon"}]})",
         "place"},
        {R"({"format":"jolly-amber-route","name":"x","stages":[{"id":"a","title":"A","rule":"hand","place":"look"},)"
         R"({"id":"a","title":"B","rule":"hand","place":"look"}]})",
         "two stages"}};
    for (const auto& [text, said] : faults) {
        const auto read = routeFromText(text, "a.json");
        ASSERT_FALSE(read) << text;
        EXPECT_NE(read.error().message().find(said), std::string::npos) << read.error().message();
    }
}

TEST(Route, OwnOnesAreKeptAcrossJobsAndTheJobKeepsItsOwn)
{
    const TemporaryFolder folder;
    ::setenv("XDG_CONFIG_HOME", folder.path().c_str(), 1);
    Route own = shippedRoutes()[1];
    EXPECT_FALSE(keepRoute(own)) << "a shipped name";
    own.name = "geometry, then the rest",
    own.stages.push_back({"own frame edges", "Frame edges", StageRule::Hand, false, 0});
    ASSERT_TRUE(keepRoute(own));
    folder.write("jolly-amber/routes/broken.json", "{");
    const OwnRoutes kept = ownRoutes();
    ASSERT_EQ(kept.routes.size(), 1u);
    EXPECT_TRUE(kept.routes[0] == own);
    EXPECT_EQ(kept.faults.size(), 1u);
    auto store = JobStore::open(folder / "job.amberjob");
    ASSERT_TRUE(store->addFrames({folder / "a.jpg"}));
    Desk desk = store->desk();
    desk.route = routeToText(own);
    ASSERT_TRUE(store->setDesk(desk));
    Job job = store->job();
    job.ticks[0]["match"] = true, job.ticks[1]["own frame edges"] = true;
    ASSERT_TRUE(store->commit(job, "Ticked"));
    ASSERT_TRUE(forgetRoute(own.name));
    EXPECT_FALSE(forgetRoute(own.name));
    store = JobStore::open(folder / "other.amberjob");
    store = JobStore::open(folder / "job.amberjob");
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(routeOf(store->desk()) == own) << "the job goes on by it";
    EXPECT_TRUE(store->job() == job);
    ASSERT_TRUE(store->undo());
    EXPECT_TRUE(store->job().ticks.empty());
    ::unsetenv("XDG_CONFIG_HOME");
}

}  // namespace
}  // namespace amber
