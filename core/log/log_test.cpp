// The log: a week of work read as it happened; looks made again from it; what changed since.
#include "core/base/content_hash.h"
#include "core/log/log.h"
#include "core/log/replay.h"
#include "core/look/look_json.h"
#include "core/look/step_edits.h"
#include "tests/support/temporary_folder.h"
#include "tests/support/week.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using test::Random;
using test::TemporaryFolder;
using test::Week;

std::string hashOf(const Look& look) { return contentHash(lookToText(look, true)); }

std::vector<std::int64_t> gesturesOf(const std::vector<LogEntry>& log, LookId look)
{
    std::vector<std::int64_t> all;
    for (const LogEntry& entry : log)
        if (entry.isDone && std::find(entry.looks.begin(), entry.looks.end(), look) != entry.looks.end())
            all.push_back(entry.gesture);
    return all;
}

bool has(const std::vector<std::string>& lines, const std::string& part)
{
    return std::any_of(lines.begin(), lines.end(),
                       [&](const std::string& l) { return l.find(part) != std::string::npos; });
}

TEST(Log, AWeekReadsAsItHappenedAndLooksAreMadeAgainFromIt)
{
    const TemporaryFolder folder;
    Week week(folder / "week.amberjob", 60, 7);
    week.work(400);
    week.crash(folder / "after.amberjob");
    week.work(200);
    const auto log = readLog(week.store());
    ASSERT_TRUE(log) << log.error().message();
    std::vector<LogEntry> done;
    int takenBack = 0;
    for (const LogEntry& entry : *log)
        entry.isDone ? done.push_back(entry) : (void)++takenBack;
    EXPECT_GT(takenBack, 20) << "what was taken back and passed over is there as well";
    // The looks that the week began with are gestures too, before all others.
    const auto& told = week.told();
    ASSERT_GE(done.size(), told.size());
    ASSERT_GT(told.size(), 250u);
    const std::size_t first = done.size() - told.size();
    for (std::size_t i = 0; i < told.size(); ++i) {
        const LogEntry& entry = done[first + i];
        EXPECT_EQ(entry.gesture, told[i].gesture);
        EXPECT_EQ(entry.what, told[i].what);
        EXPECT_EQ(entry.reason, told[i].reason);
        EXPECT_TRUE(has(entry.lines, told[i].line))
            << told[i].line << " in " << (entry.lines.empty() ? "" : entry.lines[0]);
    }
    for (const LookEntry& look : week.store().looks()) {
        const auto gestures = gesturesOf(*log, look.id);
        const auto again = replay(week.store(), look.id, gestures);
        ASSERT_TRUE(again) << again.error().message();
        EXPECT_TRUE(again->leftOut.empty());
        EXPECT_EQ(hashOf(again->look), hashOf(*week.store().currentLook(look.id))) << look.name;
    }
}

TEST(Log, IsFilteredByLookFrameKindReasonAndWords)
{
    const TemporaryFolder folder;
    Week week(folder / "week.amberjob", 12, 3);
    week.work(150);
    const auto log = *readLog(week.store());
    const auto count = [&](const LogFilter& filter) {
        return std::count_if(log.begin(), log.end(), [&](const LogEntry& e) { return passes(e, filter); });
    };
    LogFilter filter;
    const auto all = count(filter);
    EXPECT_EQ(static_cast<std::size_t>(all), week.store().journal()->size());
    filter.words = "EXPOSURE frame-3";
    ASSERT_GT(count(filter), 0);
    for (const LogEntry& entry : log)
        if (passes(entry, filter)) {
            EXPECT_TRUE(has(entry.lines, "frame-3")) << entry.lines.front();
        }
    filter.words = "exposure strength";
    EXPECT_EQ(count(filter), 0) << "no gesture was both";
    filter = {};
    filter.frame = week.store().frames()[2].id;
    const auto ofFrame = count(filter);
    EXPECT_GT(ofFrame, 0);
    EXPECT_LT(ofFrame, all / 3);
    filter.words = "frame-3";
    EXPECT_EQ(count(filter), ofFrame);
    filter = {};
    filter.kind = LogKind::Looks;
    const auto looks = count(filter);
    std::ptrdiff_t byLook = 0;
    for (const LookEntry& look : week.store().looks()) {
        LogFilter of;
        of.look = look.id;
        byLook += count(of);
    }
    EXPECT_EQ(byLook, looks);
    filter = {};
    filter.withReason = true;
    EXPECT_EQ(count(filter),
              std::count_if(week.told().begin(), week.told().end(), [](const auto& t) { return !t.reason.empty(); }));
    filter = {};
    filter.takenBack = true;
    EXPECT_EQ(static_cast<std::size_t>(count(filter)), log.size());
}

TEST(Log, IsWrittenAsTextTableAndPages)
{
    const TemporaryFolder folder;
    Week week(folder / "week.amberjob", 5, 11);
    week.work(40);
    auto log = *readLog(week.store());
    log.back().reason = "she said \"warmer, please\"";
    const std::string text = logToText(log, "Spring batch"), csv = logToCsv(log);
    for (const LogEntry& entry : log)
        for (const std::string& line : entry.lines) {
            EXPECT_NE(text.find(line), std::string::npos);
            EXPECT_NE(csv.find(line), std::string::npos);
        }
    EXPECT_NE(csv.find("\"she said \"\"warmer, please\"\"\""), std::string::npos);
    const auto pdf = logToPdf(log, "Spring batch");
    ASSERT_TRUE(pdf);
    EXPECT_EQ(pdf->substr(0, 5), "%PDF-");
    EXPECT_TRUE(logToPdf({}, "Nothing"));
}

/// A look of these steps, told apart by their strength.
Look lookOf(const std::vector<StepParameters>& kinds)
{
    Look look;
    look.name = "Made";
    double strength = 0.5;
    for (const StepParameters& kind : kinds) {
        look.steps.emplace_back();
        look.steps.back().parameters = kind, look.steps.back().strength = strength += 0.1;
    }
    return look;
}

TEST(StepEdits, WhatWasDoneBetweenTwoVersionsGivesTheSecondFromTheFirst)
{
    Random random(5);
    const std::vector<StepParameters> kinds{Chroma{}, Contrast{},  ToneCurve{},
                                            Ends{},   HueShifts{}, test::evenChroma(1.2)};
    for (int i = 0; i < 300; ++i) {
        const auto draw = [&] {
            Look look;
            for (int n = random.whole(0, 6); n > 0; --n) {
                look.steps.emplace_back();
                look.steps.back().parameters = kinds[static_cast<std::size_t>(random.whole(0, 5))];
                look.steps.back().strength = random.whole(1, 4) / 4.0;
            }
            look.name = random.whole(0, 1) ? "a" : "b";
            return look;
        };
        const Look before = draw(), after = draw();
        EXPECT_TRUE(redone(before, before, after).look == after);
        // The same by its parts: on a look that is not the very same, but has the same steps.
        Look other = before;
        other.intent = "another mood";
        Look expected = after;
        expected.intent = "another mood";
        const Redone again = redone(other, before, after);
        EXPECT_TRUE(again.leftOut.empty());
        EXPECT_TRUE(again.look == expected);
        EXPECT_EQ(differenceWords(before, after).empty(), before == after);
    }
}

TEST(StepEdits, AChangeLandsOnItsStepWhereverThatIsAndLeavesTheRest)
{
    const Look before = lookOf({Contrast{}, Chroma{}, Ends{}});
    Look after = before;
    std::get<Chroma>(after.steps[1].parameters).even = 1.4;
    EXPECT_EQ(differenceWords(before, after), std::vector<std::string>{"2 Chroma: even 1 → 1.4"});
    // Meanwhile the step moved and another of its values was changed.
    Look other = before;
    std::get<Chroma>(other.steps[1].parameters).reserved = 0.3;
    std::swap(other.steps[0], other.steps[1]);
    const Redone again = redone(other, before, after);
    EXPECT_TRUE(again.leftOut.empty());
    EXPECT_EQ(std::get<Chroma>(again.look.steps[0].parameters).even, 1.4);
    EXPECT_EQ(std::get<Chroma>(again.look.steps[0].parameters).reserved, 0.3);
    // Without the step it is said.
    other = before;
    other.steps.erase(other.steps.begin() + 1);
    const Redone without = redone(other, before, after);
    EXPECT_EQ(without.leftOut, std::vector<std::string>{"2 Chroma: the step is not there"});
    EXPECT_TRUE(without.look == other);
}

TEST(Replay, LeavesOutWhatIsNotChosenAndNamesWhatCannotBeDone)
{
    const TemporaryFolder folder;
    auto store = JobStore::open(folder / "job.amberjob");
    Look look = lookOf({Contrast{}});
    const LookId id = *store->addLook(look, "Look made");
    const auto commit = [&](const char* what) {
        EXPECT_TRUE(store->commitLook(id, look, what));
        return store->journal()->back().id;
    };
    look.steps[0].strength = 1.5;
    const auto strength = commit("Strength set");
    look.steps.emplace_back();
    look.steps[1].parameters = Chroma{};
    const auto added = commit("Chroma added");
    std::get<Chroma>(look.steps[1].parameters).even = 1.3;
    const auto even = commit("Chroma set");
    const auto without = replay(*store, id, {added, even});
    ASSERT_TRUE(without);
    EXPECT_EQ(without->look.steps[0].strength, 1.5) << "from the version before the first that was chosen";
    EXPECT_EQ(replay(*store, id, {added, even}, strength)->look.steps[0].strength, 0.6) << "or from before another one";
    const auto later = replay(*store, id, {strength, even});
    ASSERT_TRUE(later);
    EXPECT_EQ(later->look.steps.size(), 1u);
    EXPECT_EQ(later->leftOut, std::vector<std::string>{"2 Chroma: the step is not there"});
    // What was taken back can be done again.
    ASSERT_TRUE(store->undo());
    const auto back = replay(*store, id, {strength, added, even});
    ASSERT_TRUE(back);
    EXPECT_TRUE(back->look == look);
    EXPECT_FALSE(replay(*store, id, {}));
    EXPECT_FALSE(replay(*store, id + 7, {strength}));
}

TEST(JobAfter, IsTheJobAsItWasThenAndWhatChangedSinceIsTold)
{
    const TemporaryFolder folder;
    Week week(folder / "week.amberjob", 8, 21);
    std::vector<std::pair<std::int64_t, Job>> then;
    for (int i = 0; i < 12; ++i) {
        week.work(6);
        then.emplace_back(week.told().back().gesture, week.store().job());
    }
    const auto journal = *week.store().journal();
    for (const auto& [gesture, job] : then) {
        const bool isDone =
            std::any_of(journal.begin(), journal.end(), [g = gesture](const Gesture& j) { return j.id == g; });
        const auto was = week.store().jobAfter(gesture);
        ASSERT_EQ(was.has_value(), isDone);
        if (!was)
            continue;
        EXPECT_TRUE(*was == job);
        const FrameId frame = week.store().frames().front().id;
        const auto only = week.store().jobAfter(gesture, frame);
        ASSERT_TRUE(only);
        EXPECT_TRUE(only->frame(frame) == job.frame(frame));
        EXPECT_TRUE(only->looks == job.looks);
    }
    EXPECT_TRUE(week.store().jobAfter(0)->frames.empty());
    // Done, then changed.
    Job job = week.store().job();
    const FrameId frame = week.store().frames()[2].id;
    job.frames[frame].isDone = true;
    ASSERT_TRUE(week.store().commit(job, "Ticked off"));
    const auto by = doneBy(*week.store().entries(), frame);
    EXPECT_EQ(by, week.store().journal()->back().id);
    job.frames[frame].balance.light.kelvin = 5200;
    ASSERT_TRUE(week.store().commit(job, "White set"));
    const auto lookAt = [&](RevisionId id) { return week.store().lookAt(id); };
    const auto lines = frameDifferences(*week.store().jobAfter(by, frame), week.store().job(), frame, 1, lookAt);
    EXPECT_EQ(lines, std::vector<std::string>{"white 6504 → 5200 K"});
}

TEST(VersionDifference, IsInWordsAndNumbersOverColoursAndOnPictures)
{
    Look before = lookOf({Chroma{}}), after = before;
    std::get<Chroma>(after.steps[0].parameters).even = 0;
    Image grey(16, 16), red(16, 16);
    for (int i = 0; i < 16 * 16; ++i) {
        float* p = red.mutableView().data + 3 * i;
        p[0] = 0.5F, p[1] = 0.05F, p[2] = 0.05F;
        for (int k = 0; k < 3; ++k)
            grey.mutableView().data[3 * i + k] = 0.3F;
    }
    const auto difference = versionDifference(before, after, {{"grey", grey}, {"red", red}});
    ASSERT_TRUE(difference);
    EXPECT_EQ(difference->words, std::vector<std::string>{"1 Chroma: even 1 → 0"});
    EXPECT_LT(difference->pictures[0].difference.maximum, 0.01);
    EXPECT_GT(difference->pictures[1].difference.mean, 10);
    EXPECT_GT(difference->colours.mean, 3);
    EXPECT_NE(differenceText(*difference).find("on red: ΔE00 mean"), std::string::npos);
}

TEST(Sentences, AreWithoutValuesWhereATextCannotBeRead)
{
    const LogNames names{{{4, "north"}}, [](RevisionId) -> Result<Look> { return fail("gone"); }};
    EXPECT_EQ(sentencesOf({Change::Part::Balance, "4", "{", "{}"}, names),
              std::vector<std::string>{"something that this version cannot read (balance)"});
    EXPECT_EQ(sentencesOf({Change::Part::Rating, "5", "", "2"}, names),
              std::vector<std::string>{"a frame that is gone: no stars → 2 stars"});
    EXPECT_EQ(sentencesOf({Change::Part::Done, "4", "", "true"}, names), std::vector<std::string>{"north: done"});
}

}  // namespace
}  // namespace amber
