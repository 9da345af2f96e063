// One journal for every gesture; jobs of earlier formats; what cannot be read.
#include "core/job/edits.h"
#include "core/job/job_store.h"
#include "core/job/shoot_work.h"
#include "core/look/scope.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <fstream>
#include <gtest/gtest.h>
#include <sqlite3.h>
#include <sys/wait.h>
#include <unistd.h>

namespace amber {
namespace {

using test::Random;
using test::TemporaryFolder;
namespace fs = std::filesystem;

constexpr int kFrames = 6;

Region randomRegion(Random& random)
{
    const double left = random.between(0, 0.6), top = random.between(0, 0.6);
    return {left, top, left + random.between(0.05, 0.4), top + random.between(0.05, 0.4)};
}

FrameBalance randomBalance(Random& random)
{
    FrameBalance b;
    b.light.exposureStops = random.between(-3, 3);
    b.light.kelvin = random.between(2500, 12000), b.light.tint = random.between(-20, 20);
    b.ends = {random.between(-0.01, 0.1), random.between(0.8, 1.2)};
    b.geometry.straightenDegrees = random.between(-5, 5);
    b.geometry.leanUp = random.between(-0.1, 0.1), b.geometry.leanAside = random.between(-0.1, 0.1);
    b.geometry.crop = randomRegion(random), b.geometry.stretch = random.between(0.8, 1.25);
    if (random.whole(0, 1))
        b.geometry.ratio = 1.5, b.geometry.crops = {{1, randomRegion(random)}, {0.8, randomRegion(random)}};
    if (random.whole(0, 1))
        b.optics.lens = {"Made up", {1, random.between(-0.1, 0.1), 0, 0, 0}, {1, 0, 0, 0, 0}, {1, 0, 0, 0, 0}, {}};
    b.optics.bow = random.between(-0.1, 0.1), b.optics.noise = random.whole(0, 1) ? random.between(0, 1) : 0;
    b.optics.lensOff = random.whole(0, 1);
    if (random.whole(0, 1))
        b.light.fromKelvin = random.between(2500, 9000), b.light.fromTint = random.between(-5, 5);
    b.response = random.whole(0, 1) ? "raw" : "";
    b.exposureLocked = random.whole(0, 1), b.whiteLocked = random.whole(0, 1), b.endsLocked = random.whole(0, 1);
    b.keyStops = random.between(-1, 1), b.confidence = random.between(0, 1);
    b.because = "seen “" + std::to_string(random.whole(0, 99)) + "” times";
    return b;
}

KeyColour randomKey(Random& random)
{
    KeyColour k;
    k.name = "thing " + std::to_string(random.whole(0, 5)), k.frame = random.whole(1, kFrames);
    k.place = randomRegion(random);
    k.marked = {random.between(0, 1), random.between(0, 1), random.between(0, 1)};
    if (random.whole(0, 1))
        k.target = Lab{random.between(0, 100), random.between(-50, 50), random.between(-50, 50)};
    k.tolerance = random.between(0.5, 8);
    k.kind = static_cast<KeyColour::Kind>(random.whole(0, 3));
    return k;
}

Response randomResponse(Random& random)
{
    std::array<double, Response::kKnots> knots{};
    double log = -12;
    for (double& knot : knots)
        knot = log += random.between(0.01, 0.8);
    return Response(knots);
}

std::vector<Light> randomLights(Random& random)
{
    std::vector<Light> lights(static_cast<std::size_t>(random.whole(0, 3)));
    for (std::size_t i = 0; i < lights.size(); ++i) {
        lights[i].name = "Light, “" + std::to_string(i) + "”";
        for (FrameId f = 1; f <= kFrames; ++f)
            if (random.whole(0, 2) == 0)
                lights[i].frames.push_back(f);
        lights[i].lead = lights[i].frames.empty() ? 0 : lights[i].frames.front();
        lights[i].look = random.whole(0, 2);
    }
    return lights;
}

/// A gesture of any kind on a frame.
void changeFrame(Random& random, Job& job)
{
    FrameState& state = job.frames[random.whole(1, kFrames)];
    switch (random.whole(0, 6)) {
    case 0:
        state.balance = random.whole(0, 4) == 0 ? FrameBalance{} : randomBalance(random);
        break;
    case 1:
        state.framing = random.whole(0, 3) == 0 ? Framing{} : Framing{{}, {randomRegion(random)}};
        break;
    case 2:
        state.rating = random.whole(0, 5);
        break;
    case 3:
        state.isDone = !state.isDone;
        break;
    case 4:
        state.isUnused = !state.isUnused;
        break;
    case 5:
        state.mergedFrom = {random.whole(1, kFrames), random.whole(1, kFrames)};
        break;
    default:
        state.look = random.whole(0, 2);
        break;
    }
}

Area randomArea(Random& random)
{
    Area area;
    area.state = static_cast<Area::State>(random.whole(0, 3)), area.feather = random.between(0, 0.1);
    FoundMask mask{6, 4, {}};
    for (int i = 0; i < 24; ++i)
        mask.weights.push_back(random.flip() ? 255 : 0);
    area.parts = {{AreaPart::Join::Add, foundOf(mask, "a box", random.between(0, 1)), random.flip(), 1},
                  {AreaPart::Join::Cut, Ellipse{{random.between(0, 1), 0.5}, 0.1, 0.2, 30, 0.1}, false, 0.5}};
    return area;
}

/// A gesture of any kind on the shoot.
void changeShoot(Random& random, Job& job)
{
    const KeyPlaceId place{random.whole(1, kFrames), "thing " + std::to_string(random.whole(0, 5))};
    switch (random.whole(0, 8)) {
    case 8:
        job.uses.assign(static_cast<std::size_t>(random.whole(0, 2)), {});
        for (std::size_t i = 0; i < job.uses.size(); ++i)
            job.uses[i] = {"use, “" + std::to_string(i) + "”", random.whole(0, 2), {{"tilt", random.between(0, 9)}}};
        break;
    case 7: {
        const FindingId id{place.first, "a \"use\"", "tilt", random.flip() ? place.second : std::string()};
        job.accepted.erase(id);
        if (random.whole(0, 2))
            job.accepted[id] = {random.between(0, 9), "meant, “so”"};
        break;
    }
    case 6:
        job = withSet(std::move(job), "set “" + std::to_string(random.whole(0, 3)) + "”",
                      {random.whole(1, kFrames), random.whole(1, kFrames)});
        if (!job.lights.empty() && !job.lights[0].frames.empty() && random.flip())
            job = withSetOfLight(std::move(job), 0);
        break;
    case 5:
        job.areas.erase(place);
        if (random.whole(0, 2))
            job.areas[place] = randomArea(random);
        break;
    case 0:
        job.lights = randomLights(random);
        break;
    case 1:
        job.keys.push_back(randomKey(random));
        break;
    case 2:
        job.keys.clear();
        break;
    case 3:
        job.keyPlaces.erase(place);
        if (random.whole(0, 2))
            job.keyPlaces[place] = {randomRegion(random), random.between(0, 1), random.whole(0, 1) == 1};
        break;
    default:
        job.responses["Camera " + std::to_string(random.whole(0, 2))] =
            random.whole(0, 3) ? randomResponse(random) : Response{};
        break;
    }
}

void gesture(Random& random, JobStore& store)
{
    Job after = store.job();
    const LookId look =
        std::next(after.looks.begin(), random.whole(0, static_cast<int>(after.looks.size()) - 1))->first;
    Look value;
    value.name = "look " + std::to_string(random.whole(0, 999));
    switch (random.whole(0, 4)) {
    case 0:
        ASSERT_TRUE(store.commitLook(look, value, "look changed"));
        return;
    case 1:
        if (random.whole(0, 5) == 0) {
            ASSERT_TRUE(store.addLook(value, "look made"));
            return;
        }
        changeShoot(random, after);
        break;
    case 2:
        changeShoot(random, after);
        break;
    default:
        changeFrame(random, after);
        if (random.whole(0, 2) == 0)
            changeFrame(random, after);
        break;
    }
    ASSERT_TRUE(store.commit(after, "gesture", random.whole(0, 1) ? "why" : ""));
}

class AJob : public testing::Test {
protected:
    void SetUp() override
    {
        std::vector<fs::path> pictures;
        for (int i = 0; i < kFrames; ++i)
            pictures.push_back(folder / ("frame-" + std::to_string(i) + ".png"));
        open();
        ASSERT_TRUE(store->addFrames(pictures));
        Look first;
        first.name = "first";
        ASSERT_TRUE(store->addLook(first));
    }
    void open()
    {
        store.reset();
        auto opened = JobStore::open(folder / "a.amberjob");
        ASSERT_TRUE(opened) << opened.error().message();
        store.emplace(std::move(*opened));
    }
    void sql(const char* text)
    {
        store.reset();
        sqlite3* file = nullptr;
        sqlite3_open((folder / "a.amberjob").c_str(), &file);
        char* why = nullptr;
        EXPECT_EQ(sqlite3_exec(file, text, nullptr, nullptr, &why), SQLITE_OK) << (why ? why : "");
        sqlite3_free(why);
        sqlite3_close(file);
    }
    TemporaryFolder folder;
    std::optional<JobStore> store;
};

TEST_F(AJob, ThreeHundredGesturesAreTakenBackAndDoneAgainAcrossRestarts)
{
    constexpr int kGestures = 300;
    Random random(1300);
    std::vector<Job> states{store->job()};
    while (static_cast<int>(states.size()) <= kGestures) {
        gesture(random, *store);
        if (!(store->job() == states.back()))
            states.push_back(store->job());
        if (states.size() == 150)
            open();
        ASSERT_EQ(store->job() == states.back(), true);
    }
    for (int at = kGestures - 1; at >= 0; --at) {
        ASSERT_TRUE(store->undo());
        ASSERT_TRUE(store->job() == states[static_cast<std::size_t>(at)]) << at;
        if (at == 140)
            open();
    }
    EXPECT_FALSE(store->undoAction());
    open();
    EXPECT_TRUE(store->job() == states.front());
    for (std::size_t at = 1; at < states.size(); ++at) {
        ASSERT_TRUE(store->redo());
        ASSERT_TRUE(store->job() == states[at]) << at;
        if (at == 160)
            open();
    }
    EXPECT_FALSE(store->redoAction());
    EXPECT_EQ(store->journal()->size(), static_cast<std::size_t>(kGestures));
    open();
    EXPECT_TRUE(store->job() == states.back()) << "what stands in the tables is what the journal says";
}

TEST_F(AJob, AGestureSaysWhatItChangedFromWhatToWhatAndWhy)
{
    Job after = store->job();
    after.frames[2].rating = 4;
    after.frames[3].isDone = true;
    ASSERT_TRUE(store->commit(after, "Rated 4", "the hand is sharp"));
    ASSERT_TRUE(store->commit(after, "nothing differs"));
    const auto journal = store->journal();
    ASSERT_EQ(journal->size(), 1u) << "a gesture that changes nothing is none";
    EXPECT_EQ((*journal)[0].what, "Rated 4");
    EXPECT_EQ((*journal)[0].reason, "the hand is sharp");
    EXPECT_EQ((*journal)[0].made.size(), 19u);
    const auto changes = store->changesOf((*journal)[0].id);
    ASSERT_EQ(changes->size(), 2u);
    EXPECT_EQ((*changes)[0].part, Change::Part::Rating);
    EXPECT_EQ((*changes)[0].subject, "2");
    EXPECT_EQ((*changes)[0].before, "");
    EXPECT_EQ((*changes)[0].after, "4");
}

TEST_F(AJob, WhatFollowsFromPicturesIsKeptButIsNoGesture)
{
    Job after = store->job();
    after.lights = {{"Light 1", 1, {1, 2, 3}}};
    ASSERT_TRUE(store->adopt(after));
    EXPECT_FALSE(store->undoAction());
    open();
    EXPECT_EQ(store->job().lights, after.lights);
    after = store->job();
    after.frames[1].rating = 1;
    ASSERT_TRUE(store->commit(after, "Rated"));
    ASSERT_TRUE(store->undo());
    EXPECT_EQ(store->job().lights.size(), 1u);
    Look second;
    ASSERT_TRUE(store->addLook(second, {})) << "a look of a job in the making";
    EXPECT_FALSE(store->undoAction());
}

TEST_F(AJob, AJournalThatCannotBeReadChangesNothing)
{
    Job after = store->job();
    after.frames[1].balance.light.exposureStops = 1;
    ASSERT_TRUE(store->commit(after, "Exposure"));
    sql("UPDATE change SET before = '{\"stops\": \"half\"}'");
    open();
    const Status undone = store->undo();
    ASSERT_FALSE(undone);
    EXPECT_NE(undone.error().message().find("nothing was changed"), std::string::npos);
    EXPECT_EQ(store->job().frame(1).balance.light.exposureStops, 1);
    EXPECT_TRUE(store->undoAction());
    sql("UPDATE change SET part = 'weather'");
    open();
    EXPECT_FALSE(store->undo());
    sql("DELETE FROM change; UPDATE journal SET tip = 99");
    EXPECT_FALSE(JobStore::open(folder / "a.amberjob")) << "a journal without its end";
}

TEST_F(AJob, APartThatCannotBeReadIsNamedKeptAsideAndTheOthersAreThere)
{
    Job after = store->job();
    after.lights = {{"Window", 1, {1, 2}}};
    after.frames[1].rating = 3, after.frames[2].rating = 2;
    after.frames[3].balance.light.exposureStops = 0.5, after.frames[4].balance.light.exposureStops = 0.25;
    after.keys = {KeyColour{}};
    ASSERT_TRUE(store->commit(after, "all"));
    sql("UPDATE light SET lead = 'the second'; UPDATE frame_state SET rating = 9 WHERE frame = 1;"
        "UPDATE frame_balance SET kelvin = 'warm'; UPDATE key_colour SET kind = 77;");
    open();
    std::set<std::string> named;
    for (const Unreadable& u : store->unreadable())
        named.insert(u.part + u.subject);
    EXPECT_EQ(named, (std::set<std::string>{"lights", "ratings", "key-colours", "balance3", "balance4"}));
    EXPECT_FALSE(store->job().balanceFault(3).empty()) << "not handed over";
    EXPECT_TRUE(store->job().balanceFault(1).empty());
    // What is decided anew is there, also for what shared its table, and what stood there can be looked up.
    after = store->job();
    after.frames[5].rating = 1;
    after.frames[3].balance = {}, after.frames[3].balanceFault.clear();
    ASSERT_TRUE(store->commit(after, "anew"));
    open();
    EXPECT_EQ(store->job().frame(5).rating, 1);
    EXPECT_TRUE(store->job().balanceFault(3).empty());
    EXPECT_FALSE(store->job().balanceFault(4).empty()) << "left as it is";
    EXPECT_EQ(store->unreadable().size(), 3u);
    ASSERT_TRUE(store->undo());
    EXPECT_FALSE(store->job().balanceFault(3).empty()) << "and taken back";
    sql("CREATE TABLE found AS SELECT text FROM unreadable WHERE text LIKE '%warm%' OR text LIKE '%\"9\"%'");
    sql("INSERT INTO found SELECT 1 / (SELECT count(*) = 2 FROM found)");
}

TEST_F(AJob, WhatLiesAtHandIsKeptByItselfAndIsNoGesture)
{
    Desk desk;
    desk.frame = 3, desk.look = 1, desk.step = 2, desk.surround = 65, desk.watched = "card";
    desk.companions = {{2, 4}};
    desk.asides = {{1, 1, 1, 1780000000}};
    desk.plan.minutesPerFrame = {2, 3, 1}, desk.plan.hoursPerDay = 6;
    desk.spent[2] = {10.5, 20, 30};
    desk.delivery = {"tiff16", "prophoto", 88, 2048, 1.5, "handed-over"};
    desk.held = {HeldReference::Kind::Pair, {"before.png", "/elsewhere/after.png"}, 0, true};
    ASSERT_TRUE(store->setDesk(desk));
    open();
    EXPECT_TRUE(store->desk() == desk);
    EXPECT_FALSE(store->undoAction());
    desk.companions.reset(), desk.asides.clear(), desk.spent.clear(), desk.held = {};
    ASSERT_TRUE(store->setDesk(desk));
    open();
    EXPECT_TRUE(store->desk() == desk);
    sql("UPDATE time_plan SET hours_per_day = 'all'");
    open();
    ASSERT_EQ(store->unreadable().size(), 1u) << "a plan that cannot be read is not taken for the usual one in silence";
    EXPECT_EQ(store->unreadable()[0].part, "time plan");
}

// ---- edits ----

TEST_F(AJob, MarksStayOnTheirThingsWhenAFrameIsTurnedAndComeBackExactly)
{
    Job before = store->job();
    KeyColour key;
    key.name = "cup", key.frame = 1, key.place = {0.4, 0.4, 0.5, 0.5};
    before.keys = {key};
    before.keyPlaces[{1, "jug"}] = {{0.2, 0.2, 0.3, 0.3}, 1, true};
    before.keyPlaces[{2, "cup"}] = {{0.6, 0.6, 0.7, 0.7}, 1, true};
    ASSERT_TRUE(store->commit(before, "marked"));
    before = store->job();
    FrameBalance turned;
    turned.geometry.crop = {0.2, 0.2, 0.8, 0.8};
    const auto ratio = [](FrameId) { return std::optional(1.5); };
    ASSERT_TRUE(store->commit(withBalances(before, {{1, turned}}, ratio), "Frame cropped"));
    // The middle of the mark, 0.45, lies at (0.45 - 0.2) / 0.6 of the crop.
    const Region& place = store->job().keys[0].place;
    EXPECT_NEAR((place.left + place.right) / 2, 0.25 / 0.6, 1e-9);
    EXPECT_NE(store->job().keyPlaces.at({1, "jug"}).place, before.keyPlaces.at({1, "jug"}).place);
    EXPECT_EQ(store->job().keyPlaces.at({2, "cup"}).place, before.keyPlaces.at({2, "cup"}).place) << "another frame";
    ASSERT_TRUE(store->undo());
    EXPECT_TRUE(store->job() == before) << "not carried back by another rounding, but as it was";
}

TEST(JobEdits, FramesGoToALightAndLightsWithoutFramesGo)
{
    Job job;
    job.lights = {{"A", 1, {1, 2}}, {"B", 3, {3}}};
    job = withFramesInLight(job, {1, 3}, -1, "C");
    ASSERT_EQ(job.lights.size(), 2u) << "B lost its only frame";
    EXPECT_EQ(job.lights[0], (Light{"A", 2, {2}})) << "its lead went: its first frame stands for it";
    EXPECT_EQ(job.lights[1], (Light{"C", 1, {1, 3}}));
    job = withFramesInLight(job, {2, 3}, 1);
    ASSERT_EQ(job.lights.size(), 1u);
    EXPECT_EQ(job.lights[0].frames, (std::vector<FrameId>{1, 3, 2}));
    EXPECT_EQ(job.leadOf(2), 1);
    EXPECT_EQ(job.leadOf(9), 0);
}

TEST(JobEdits, AMergedFrameStandsInItsExposuresLightAsBrightAsTheyAre)
{
    Job job;
    job.lights = {{"A", 1, {1, 2}}};
    job.frames[1].balance.light = {0.3, 5000, 2};
    job.frames[1].balance.geometry.straightenDegrees = 2;
    Random random(5);
    const Response response = randomResponse(random);
    job = withChosenExposure(job, {1, 2}, 2);
    EXPECT_TRUE(job.frame(1).isUnused);
    EXPECT_FALSE(job.frame(2).isUnused);
    job = withMergedFrame(job, {1, 2}, 3, {"Own camera", response, 1.5});
    EXPECT_EQ(job.frame(3).mergedFrom, (std::vector<FrameId>{1, 2}));
    EXPECT_EQ(job.frame(3).balance.light, (Balance{1.5, 5000, 2}));
    EXPECT_TRUE(job.frame(3).balance.geometry.isIdentity()) << "the exposures were merged as they came";
    EXPECT_EQ(job.leadOf(3), 1);
    EXPECT_EQ(job.responseOf(job.frame(3).balance), response);
    EXPECT_TRUE(job.balanceFault(3).empty());
    job.responses.clear();
    EXPECT_NE(job.balanceFault(3).find("Own camera"), std::string::npos);
}

TEST_F(AJob, FoundPlacesAreKeptBesideConfirmedOnesAndLightsAreReadLeadFirst)
{
    Job job = store->job();
    KeyColour cup;
    cup.name = "cup", cup.frame = 1;
    job.keys = {cup};
    job.lights = {{"A", 2, {1, 2}}};
    job.keyPlaces[{2, "cup"}] = {{0.1, 0.1, 0.2, 0.2}, 1, true};
    job.keyPlaces[{3, "cup"}] = {{0.3, 0.3, 0.4, 0.4}, 0.4, false};
    std::vector<Frame> frames(3);
    for (std::size_t i = 0; i < frames.size(); ++i)
        frames[i].id = static_cast<FrameId>(i + 1), frames[i].path = "/made-up/" + std::to_string(i) + ".png";
    auto read = framesToRead(job, frames);
    ASSERT_EQ(read.size(), 2u) << "a frame of no light is not compared";
    EXPECT_EQ(read[0].frame, 2);
    EXPECT_TRUE(read[0].isLead);
    EXPECT_EQ(read[0].places.at("cup").second, 1.0);
    frames[1].fault = "damaged";
    EXPECT_EQ(framesToRead(job, frames).size(), 1u);
    FrameReading found;
    found.frame = 4, found.places = {{0.5, 0.5, 0.6, 0.6}}, found.doubt = {0.25};
    const Job after = withFoundPlaces(job, job.keys, {found});
    EXPECT_EQ(after.keyPlaces.size(), 2u) << "what was only found before goes";
    EXPECT_TRUE(after.confirmedPlace(2, "cup"));
    EXPECT_FALSE(after.confirmedPlace(4, "cup")) << "found is not confirmed";
    EXPECT_EQ(after.keyPlaces.at({4, "cup"}).confidence, 0.75);
}

// ---- earlier formats ----

fs::path oldJob(const TemporaryFolder& folder, int format)
{
    const fs::path file = folder / "job.amberjob";
    fs::copy_file(fs::path(AMBER_SOURCE_DIR) / ("tests/data/job/format" + std::to_string(format) + ".amberjob"), file,
                  fs::copy_options::overwrite_existing);
    return file;
}

/// All that the job of format 2 holds.
void expectAllOfFormat2(JobStore& store)
{
    const Job job = store.job();
    ASSERT_EQ(store.frames().size(), 6u);
    EXPECT_EQ(store.frames()[2].hash, std::string(31, 'a') + "2");
    EXPECT_EQ(store.frames()[2].bytes, 1002u);
    ASSERT_EQ(job.looks.size(), 2u);
    EXPECT_EQ(job.looks.at(1), (LookState{"Made up", 4}));
    EXPECT_EQ(store.currentLook(2)->name, "Second");
    EXPECT_EQ(store.currentLook(1)->steps.size(), 1u);
    ASSERT_EQ(store.pins(1)->size(), 1u);
    EXPECT_EQ((*store.pins(1))[0].note, "first try");
    EXPECT_EQ((*store.pins(1))[0].surround, 60);
    const FrameBalance& b = job.frame(1).balance;
    EXPECT_EQ(b.light, (Balance{0.5, 5200, -3}));
    EXPECT_EQ(b.ends, (BalanceEnds{0.01, 0.97}));
    EXPECT_EQ(b.geometry.straightenDegrees, 1.25);
    EXPECT_EQ(b.geometry.crop, (Region{0.1, 0.05, 0.9, 0.95}));
    EXPECT_TRUE(b.whiteLocked && !b.exposureLocked);
    EXPECT_EQ(b.because, "2 key colours");
    EXPECT_EQ(b.response, "Own camera");
    EXPECT_EQ(job.responses.at("Own camera"), baseRendering());
    EXPECT_EQ(job.frame(3).balance.light.exposureStops, -0.75);
    ASSERT_EQ(job.keys.size(), 2u);
    EXPECT_EQ(job.keys[0].name, "a cup");
    EXPECT_EQ(job.keys[0].target->l, 60);
    ASSERT_EQ(job.keyPlaces.size(), 2u);
    EXPECT_TRUE(job.confirmedPlace(4, "a cup"));
    EXPECT_FALSE(job.confirmedPlace(5, "a cup"));
    EXPECT_EQ(job.lights, (std::vector<Light>{{"Window", 2, {1, 2, 3}}, {"Lamp", 5, {4, 5, 6}}}));
    EXPECT_EQ(job.frame(2).rating, 3);
    EXPECT_EQ(job.frame(5).rating, 5);
    EXPECT_TRUE(job.frame(1).isDone && job.frame(6).isDone && !job.frame(2).isDone);
    EXPECT_TRUE(job.frame(4).isUnused && job.frame(6).isUnused && !job.frame(5).isUnused);
    // What was a planned crop is the frame's crop; the region left out stays on what it lies on.
    EXPECT_EQ(job.frame(3).balance.geometry.crop, (Region{0.1, 0, 1, 0.9}));
    EXPECT_TRUE(job.frame(3).framing.crop.isWhole());
    ASSERT_EQ(job.frame(3).framing.leftOut.size(), 1u);
    EXPECT_NEAR(job.frame(3).framing.leftOut[0].right, 0.1 / 0.9, 1e-9);
    EXPECT_NEAR(job.frame(3).framing.leftOut[0].bottom, 0.2 / 0.9, 1e-9);
    EXPECT_EQ(job.frame(6).mergedFrom, (std::vector<FrameId>{4, 5}));
    const Desk& desk = store.desk();
    EXPECT_EQ(desk.frame, 2);
    EXPECT_EQ(desk.look, 2);
    EXPECT_EQ(desk.surround, 50);
    EXPECT_EQ(*desk.companions, (std::vector<FrameId>{4, 6}));
    ASSERT_EQ(desk.asides.size(), 1u);
    EXPECT_EQ(desk.asides[0].revision, 8);
    EXPECT_EQ(desk.plan.minutesPerFrame, (StageTimes{2, 3, 1}));
    EXPECT_EQ(desk.spent.at(1), (StageTimes{60, 120, 30}));
    EXPECT_EQ(desk.delivery, (DeliveryChoices{"png16", "p3", 88, 2048, 2.0 / 3, "handed-over"}));
    EXPECT_EQ(desk.held.kind, HeldReference::Kind::Pictures);
    EXPECT_EQ(desk.held.paths, (std::vector<std::string>{"reference.png", "/made-up/other.png"}));
    EXPECT_EQ(desk.watched, "/made-up/card");
    EXPECT_TRUE(store.unreadable().empty());
}

TEST(OldJob, OfFormat2IsAllThereWithItsHistoryAsOneJournal)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 2);
    auto store = JobStore::open(file);
    ASSERT_TRUE(store) << store.error().message();
    expectAllOfFormat2(*store);
    EXPECT_TRUE(fs::exists(file.string() + "-format2")) << "as it was it is kept beside";
    // Looks were worked on after balances; the last of them is taken back first.
    EXPECT_EQ(*store->undoAction(), "Tone curve removed");
    EXPECT_EQ(*store->redoAction(), "Chroma added");
    const Job whole = store->job();
    int undone = 0;
    for (; store->undoAction(); ++undone)
        ASSERT_TRUE(store->undo());
    EXPECT_EQ(undone, 7) << "2 gestures on balances, 3 on the first look, 2 on the second";
    EXPECT_EQ(store->currentLook(1)->name, "New look");
    FrameState onlyDone;
    onlyDone.isDone = true;
    EXPECT_EQ(store->job().frame(1), onlyDone);
    for (int i = 0; i < undone; ++i)
        ASSERT_TRUE(store->redo());
    EXPECT_TRUE(store->job() == whole);
    ASSERT_TRUE(store->redo());
    EXPECT_EQ(store->currentLook(1)->steps.size(), 2u);
    ASSERT_TRUE(store->redo());
    EXPECT_EQ(store->job().frame(3).balance.light.exposureStops, -0.25);
    EXPECT_FALSE(store->redoAction());
}

TEST(OldJob, OneOfFormat4OpensAndTakesAreas)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 4);
    auto store = JobStore::open(file);
    ASSERT_TRUE(store) << store.error().message();
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(fs::exists(file.string() + "-format4"));
    EXPECT_EQ(store->job().keys.size(), 1u);
    EXPECT_EQ(store->job().frame(2).look, store->job().frame(3).look);
    Random random(3);
    Job job = store->job();
    job.areas[{2, "sky"}] = randomArea(random);
    ASSERT_TRUE(store->commit(job, "Area found"));
    ASSERT_TRUE(store->undo());
    EXPECT_TRUE(store->job().areas.empty());
    ASSERT_TRUE(store->redo());
    const Area kept = store->job().areas.at({2, "sky"});
    store = JobStore::open(folder / "other.amberjob");  // lets go of the first
    EXPECT_EQ(JobStore::open(file)->job().areas.at({2, "sky"}), kept);
}

TEST(OldJob, OneOfFormat5OpensAndTakesSetsAndLooksOfLights)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 5);
    auto store = JobStore::open(file);
    ASSERT_TRUE(store) << store.error().message();
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(fs::exists(file.string() + "-format5"));
    ASSERT_EQ(store->job().lights, (std::vector<Light>{{"Yard", 1, {1, 2}}, {"Lamp", 3, {3}}}));
    EXPECT_EQ(store->job().lookOf(3), 2);
    // A set, a look of a light and a value held by the set, as one gesture.
    Job job = withSetOfLight(withSet(withLightLook(store->job(), 1, 1), "blue dish", {1, 3}), 0);
    Look look = *store->currentLook(2);
    look.steps[0] = withHeld(look.steps[0], holderOfSet("blue dish"), step_part::kStrength, 0.5);
    ASSERT_TRUE(store->commit(job, {{2, look}}, "Strength for blue dish"));
    job = store->job();
    EXPECT_EQ(*store->currentLook(2), look);
    EXPECT_EQ(job.lookOf(3), 1) << "its own went with the look of its light";
    ASSERT_TRUE(store->undo());
    EXPECT_TRUE(store->job().sets.empty());
    EXPECT_TRUE(store->currentLook(2)->steps[0].held.empty());
    ASSERT_TRUE(store->redo());
    store = JobStore::open(folder / "other.amberjob");  // lets go of the first
    store = JobStore::open(file);
    EXPECT_TRUE(store->job() == job);
    EXPECT_EQ(*store->currentLook(2), look);
}

TEST(OldJob, OneOfFormat6OpensAndTakesUsesAndAcceptedFindings)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 6);
    auto store = JobStore::open(file);
    ASSERT_TRUE(store) << store.error().message();
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(fs::exists(file.string() + "-format6"));
    EXPECT_EQ(store->job().sets.size(), 2u);
    EXPECT_EQ(store->job().lookOf(3), 1);
    EXPECT_EQ(store->desk().use, "screen");
    Job job = store->job();
    job.uses = {{"wall print", 1, {{"tilt", 1.5}}}};
    job.accepted[{2, "wall print", "tilt", ""}] = {1.7, "a tower that leans"};
    ASSERT_TRUE(store->commit(job, "Tilt accepted", "a tower that leans"));
    Desk desk = store->desk();
    desk.use = "wall print";
    ASSERT_TRUE(store->setDesk(desk));
    ASSERT_TRUE(store->undo());
    EXPECT_TRUE(store->job().accepted.empty());
    ASSERT_TRUE(store->redo());
    EXPECT_EQ(store->journal()->back().reason, "a tower that leans");
    store = JobStore::open(folder / "other.amberjob");  // lets go of the first
    store = JobStore::open(file);
    EXPECT_TRUE(store->job() == job);
    EXPECT_EQ(store->desk().use, "wall print");
    EXPECT_EQ(store->job().useOf("wall print")->base, 1);
    EXPECT_EQ(store->job().useOf("nobody's"), nullptr);
}

TEST(Sets, OfALightFollowItsFramesAndItsLook)
{
    Job job;
    job.lights = {{"Yard", 1, {1, 2, 3}, 5}, {"Lamp", 4, {4, 5}}};
    job = withSetOfLight(withSetOfLight(job, 0), 1);
    EXPECT_EQ(withSetOfLight(job, 0).sets.size(), 2u) << "once for each light";
    // The frame it is known by goes to another light: the set goes on with those that stay.
    const Job moved = withFramesInLight(job, {1}, 1);
    EXPECT_EQ(moved.framesOf(*moved.setOf("Yard")), (std::vector<FrameId>{2, 3}));
    EXPECT_EQ(moved.pictureName(1).sets, std::vector<std::string>{"Lamp"});
    // Lights told apart anew keep the look that most of their frames had.
    const auto anew = withLooksOf({{"A", 1, {1, 2, 4}}, {"B", 3, {3, 5}}, {"C", 9, {9}}}, job);
    EXPECT_EQ(anew[0].look, 5);
    EXPECT_EQ(anew[2].look, 0);
    // A light named like a set that there is.
    Job named;
    named.lights = {{"dish", 1, {1}}};
    EXPECT_EQ(withSetOfLight(withSet(named, "dish", {1}), 0).sets[1].name, "dish 2");
    std::vector<Frame> frames(5);
    for (int i = 0; i < 5; ++i)
        frames[static_cast<std::size_t>(i)].id = i + 1;
    job.frames[2].look = 6;
    EXPECT_EQ(framesWithLook(job, frames, 5, 7), (std::vector<FrameId>{1, 3}));
    EXPECT_EQ(framesWithLook(job, frames, 7, 7), (std::vector<FrameId>{4, 5}));
    EXPECT_EQ(framesWithLook(job, frames, 6, 7), std::vector<FrameId>{2});
}

/// One area that is damaged leaves the others, and stands as it is until it is marked anew.
TEST(JobAreas, WhatIsWrongWithOneLeavesTheOthers)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 4);
    Random random(4);
    {
        auto store = JobStore::open(file);
        Job job = store->job();
        for (const char* role : {"sky", "hand"})
            job.areas[{1, role}] = randomArea(random);
        ASSERT_TRUE(store->commit(job, "Areas found"));
    }
    {
        SQLite::Database sql(file.string(), SQLite::OPEN_READWRITE);
        sql.exec("UPDATE area SET json = '{\"density\":7}' WHERE role = 'hand'");
    }
    auto store = JobStore::open(file);
    ASSERT_EQ(store->unreadable().size(), 1u);
    EXPECT_EQ(store->unreadable()[0].subject, "1 hand");
    EXPECT_EQ(store->job().areas.size(), 1u);
    Job job = store->job();
    job.areas[{1, "hand"}] = randomArea(random);
    ASSERT_TRUE(store->commit(job, "Area drawn"));
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_EQ(store->job().areas.size(), 2u);
    SQLite::Database sql(file.string());
    EXPECT_GT(sql.execAndGet("SELECT count(*) FROM unreadable WHERE part = 'area'").getInt(), 0) << "kept aside";
}

TEST(OldJob, OneOfFormat8OpensAndTakesARouteTicksAndPinsOnSteps)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 8);
    auto store = JobStore::open(file);
    ASSERT_TRUE(store) << store.error().message();
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(fs::exists(file.string() + "-format8"));
    EXPECT_EQ(store->job().pins.at(7).text, "A little warmer");
    EXPECT_EQ(store->desk().handOver.recipes, std::vector<std::string>{"web"});
    Job job = store->job();
    job.pins[8] = job.pins.at(7);
    job.pins[8].step = PinnedStep{1, "chroma", 1};
    job.ticks[0]["match"] = true, job.ticks[2]["white"] = false;
    ASSERT_TRUE(store->commit(job, "Ticked"));
    Desk desk = store->desk();
    desk.route = "{}";
    ASSERT_TRUE(store->setDesk(desk));
    ASSERT_TRUE(store->undo());
    EXPECT_EQ(store->undoAction(), "Answer taken");
    EXPECT_TRUE(store->job().ticks.empty());
    ASSERT_TRUE(store->redo());
    store = JobStore::open(folder / "other.amberjob");  // lets go of the first
    store = JobStore::open(file);
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(store->job() == job);
    EXPECT_EQ(store->desk().route, "{}");
}

TEST(OldJob, OneOfFormat7OpensAndTakesStandInsPinsAndRecipes)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 7);
    auto store = JobStore::open(file);
    ASSERT_TRUE(store) << store.error().message();
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(fs::exists(file.string() + "-format7"));
    EXPECT_EQ(store->job().uses.front().name, "catalogue");
    EXPECT_EQ((store->job().accepted.at({1, "screen", "tilt", ""}).reason), "meant");
    folder.write("returned.exr", "light");
    const auto in = store->addStandIn({0, 2, folder / "returned.exr", "hash", 5, R"({"words": "known"})", {}});
    ASSERT_TRUE(in);
    const fs::path own = store->frames()[1].path;
    Job job = store->job();
    job.frames[2].standIn = StandIn{*in, job.lookOf(2), {"tone-curve", "chroma"}};
    FrameBalance before;
    before.light.exposureStops = 0.5, before.geometry.straightenDegrees = 2;
    job.frames[2].balance.inPicture = {std::make_shared<const FrameBalance>(before), 1.5, {0.1, 0, 1, 0.9}};
    Pin pin;
    pin.frame = 2, pin.from = Pin::From::Client, pin.text = "Warmer \"please\"", pin.place = Spot{0.25, 0.5};
    pin.about = "Evening, round 1", pin.revision = 3, pin.made = "2026-05-04 10:11:12";
    job.pins[7] = pin;
    ASSERT_TRUE(store->commit(job, "Came back"));
    EXPECT_EQ(store->frames()[1].path, folder / "returned.exr");
    EXPECT_EQ(store->frames()[1].own(), own);
    EXPECT_EQ(store->job().pictureName(2).inside, (std::vector<std::string>{"tone-curve", "chroma"}));
    const auto sent = store->addRecord("sent", R"({"a": 1})");
    ASSERT_TRUE(sent && store->setRecord(*sent, R"({"a": 2})"));
    Desk desk = store->desk();
    desk.handOver.recipes = {"web", "shop"}, desk.handOver.frames = "light", desk.handOver.of = "Yard";
    ASSERT_TRUE(store->setDesk(desk));
    ASSERT_TRUE(store->undo());
    EXPECT_EQ(store->frames()[1].path, own);
    EXPECT_TRUE(store->job().pins.empty());
    ASSERT_TRUE(store->redo());
    store = JobStore::open(folder / "other.amberjob");  // lets go of the first
    store = JobStore::open(file);
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(store->job() == job);
    EXPECT_EQ(store->desk().handOver, desk.handOver);
    EXPECT_EQ(store->records("sent")->back().json, R"({"a": 2})");
    EXPECT_EQ(store->standIns().front().path, folder / "returned.exr");
    EXPECT_EQ(store->frames()[1].hash, "hash");
    // What stands for the picture went: it is lost, and the frame's own is there again by undo.
    fs::remove(folder / "returned.exr");
    store = JobStore::open(folder / "other.amberjob");
    store = JobStore::open(file);
    EXPECT_TRUE(store->frames()[1].isLost);
    ASSERT_TRUE(store->undo());
    EXPECT_EQ(store->frames()[1].path, own);
    EXPECT_TRUE(store->frames()[1].original.empty());
}

TEST(OldJob, APlannedCropOfFormat3BecomesTheCropAndItsMarksStay)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 3);
    auto store = JobStore::open(file);
    ASSERT_TRUE(store) << store.error().message();
    EXPECT_TRUE(store->unreadable().empty());
    EXPECT_TRUE(fs::exists(file.string() + "-format3"));
    const Job& job = store->job();
    // Within the crop it had, 0.1 to 0.9 across: the middle half of it.
    EXPECT_NEAR(job.frame(1).balance.geometry.crop.left, 0.3, 1e-12);
    EXPECT_NEAR(job.frame(1).balance.geometry.crop.right, 0.7, 1e-12);
    EXPECT_EQ(job.frame(1).balance.light.exposureStops, 0.5);
    ASSERT_EQ(job.keys.size(), 1u);
    EXPECT_NEAR((job.keys[0].place.left + job.keys[0].place.right) / 2, 0.5, 1e-9) << "of the middle half the middle";
    EXPECT_EQ(job.frame(2).balance.geometry.crop, (Region{0, 0.25, 1, 0.75})) << "no balance but a planned crop";
    ASSERT_EQ(job.frame(2).framing.leftOut.size(), 1u);
    ASSERT_EQ(job.frame(3).framing.leftOut.size(), 1u) << "a region left out of a whole picture";
    EXPECT_EQ(job.frame(3).framing.leftOut[0], (Region{0.5, 0.5, 0.75, 0.75}));
    ASSERT_TRUE(store->undo());
    EXPECT_EQ(store->job().frame(1).balance.light.exposureStops, 0) << "the gesture on its light is taken back";
    EXPECT_NEAR(store->job().frame(1).balance.geometry.crop.left, 0.3, 1e-12) << "and the crop stays";
    ASSERT_TRUE(store->redo());
    EXPECT_EQ(store->job().frame(1).balance.light.exposureStops, 0.5);
}

TEST(OldJob, TextsOfFormat2ThatCannotBeReadAreNamedAndKept)
{
    const TemporaryFolder folder;
    const fs::path file = oldJob(folder, 2);
    sqlite3* old = nullptr;
    sqlite3_open(file.c_str(), &old);
    EXPECT_EQ(sqlite3_exec(old,
                           "UPDATE choice SET value = '{\"stops\": \"half\"}' WHERE name = 'balance/frame/2';"
                           "UPDATE choice SET value = '[{\"name\": 1}]' WHERE name = 'groups';"
                           "UPDATE choice SET value = '{' WHERE name IN ('timePlan', 'balance/gesture/0')",
                           nullptr, nullptr, nullptr),
              SQLITE_OK);
    sqlite3_close(old);
    for (int opened = 0; opened < 2; ++opened) {
        const auto store = JobStore::open(file);
        ASSERT_TRUE(store) << store.error().message();
        std::set<std::string> named;
        for (const Unreadable& u : store->unreadable())
            named.insert(u.part);
        EXPECT_EQ(named, (std::set<std::string>{"balance", "lights", "time plan", "history"}))
            << "also the second time";
        EXPECT_FALSE(store->job().balanceFault(2).empty());
        EXPECT_TRUE(store->job().balanceFault(1).empty());
        EXPECT_EQ(store->job().frame(5).rating, 5) << "the rest is there";
    }
}

TEST(OldJob, KilledWhileItIsBroughtUpToDateIsOpenedAgainWithAllOfIt)
{
    const TemporaryFolder folder;
    int killed = 0;
    // From the first microseconds to after the end, so that it is hit at its beginning, middle and end.
    for (int microseconds = 200; microseconds < 40000; microseconds = microseconds * 5 / 4) {
        const fs::path file = oldJob(folder, 2);
        for (const char* left : {"-wal", "-shm", "-lock", "-format2"})
            fs::remove(file.string() + left);
        const pid_t child = fork();
        if (child == 0) {
            const bool isOpen = JobStore::open(file).has_value();
            ::_exit(isOpen ? 0 : 1);
        }
        ::usleep(static_cast<useconds_t>(microseconds));
        ::kill(child, SIGKILL);
        int status = 0;
        ::waitpid(child, &status, 0);
        killed += WIFSIGNALED(status);
        auto store = JobStore::open(file);
        ASSERT_TRUE(store) << microseconds << ": " << store.error().message();
        expectAllOfFormat2(*store);
        auto kept = JobStore::open(file.string() + "-format2");
        ASSERT_TRUE(kept) << microseconds << ": " << kept.error().message();
        EXPECT_EQ(kept->job().looks.size(), 2u) << "what is kept beside is whole";
        fs::remove(file.string() + "-format2-format2");
    }
    EXPECT_GT(killed, 3) << "some were killed before they had ended";
}

}  // namespace
}  // namespace amber
