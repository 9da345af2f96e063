// The way out and back: what is sent is the picture as it stands, what comes back is known and takes its frame's place,
// and nobody's pixel is graded twice.
#include "core/base/json_text.h"
#include "core/handover/job_batch.h"
#include "core/image/metadata.h"
#include "core/job/rounds.h"
#include "core/retouch/hand_off_list.h"
#include "core/retouch/take_back.h"
#include "demo/retoucher/retoucher.h"
#include "tests/support/picture_files.h"
#include "tests/support/temporary_folder.h"

#include <gtest/gtest.h>

namespace amber {
namespace {

using namespace test;
namespace fs = std::filesystem;

const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo/frames";

/// Five steps: pointwise, by place, by an area, over the whole picture.
Look fiveSteps()
{
    Look look;
    look.name = "Warm evening";
    ToneCurve curve;
    curve.all = {{0, 0}, {0.3, 0.22}, {0.7, 0.8}, {1, 1}};
    SplitToning toning;
    toning.dyes = {{0.25, 230, 0.03, 0.4, {}}, {0.8, 70, 0.04, 0.4, {}}};
    Chroma chroma;
    chroma.even = 1.15;
    LocalContrast local;
    local.amount = 0.5;
    Warmth warmth;
    warmth.warmth = 25;
    look.roles.resize(1);
    look.roles[0].name = "bench";
    for (const StepParameters& parameters : {StepParameters(curve), StepParameters(toning), StepParameters(chroma),
                                             StepParameters(local), StepParameters(warmth)})
        look.steps.emplace_back().parameters = parameters;
    look.steps[0].strength = 0.8;
    look.steps[4].guard.where.role = "bench";
    return look;
}

/// A job of some demo frames, balanced and turned, with a look that has five steps and an area.
class OutAndBack : public ::testing::Test {
protected:
    void SetUp() override { open({"yard-03", "dusk-terrace-02", "lamp-shelf-03", "north-window-04"}); }

    void open(const std::vector<std::string>& names)
    {
        fs::create_directories(folder / "shoot");
        std::vector<fs::path> pictures;
        for (const std::string& name : names) {
            pictures.push_back(folder / "shoot" / (name + ".jpg"));
            fs::copy_file(kDemo / (name + ".jpg"), pictures.back());
        }
        store.emplace(*JobStore::open(folder / "shoot/shoot.amberjob"));
        ASSERT_TRUE(store->addFrames(pictures));
        look = *store->addLook(fiveSteps());
        Job job = store->job();
        for (const Frame& frame : store->frames()) {
            FrameBalance& balance = job.frames[frame.id].balance;
            balance.light.exposureStops = 0.2 * static_cast<double>(frame.id);
            balance.light.kelvin = 5600;
            balance.geometry.straightenDegrees = 1.2, balance.geometry.crop = {0.05, 0.06, 0.93, 0.95};
            Area area;
            area.state = Area::State::Confirmed;
            area.parts.push_back({AreaPart::Join::Add, Ellipse{{0.4, 0.5}, 0.2, 0.15, 20, 0.6}, false, 1});
            ColourRange light;
            light.colours.toneLow = 0.3, light.colours.toneFeather = 0.2;
            area.parts.push_back({AreaPart::Join::Within, light, false, 1});
            job.areas[{frame.id, "bench"}] = area;
        }
        ASSERT_TRUE(store->commit(job, "Balanced"));
    }

    std::vector<SentFile> send(std::size_t steps, const std::vector<FrameId>& frames = {})
    {
        SendChoices choices;
        choices.steps = steps, choices.note = "Heal the bench", choices.minutes = 20;
        for (const Frame& frame : store->frames())
            if (frames.empty() || std::find(frames.begin(), frames.end(), frame.id) != frames.end())
                choices.frames.push_back(frame.id);
        const SendOrder order = sendOrderOf(*store, store->frames(), look, choices);
        EXPECT_TRUE(order.faults.empty());
        const auto report = sendOut(order, out());
        EXPECT_TRUE(report) << (report ? "" : report.error().message());
        EXPECT_EQ(report->sent.size(), choices.frames.size());
        EXPECT_TRUE(report->warning.empty()) << report->warning;
        EXPECT_TRUE(addSent(*store, *report, out()));
        return sentFilesOf(*store);
    }

    fs::path out() const { return folder / "out"; }

    Result<CameBack> back(const fs::path& file, bool withCure = false, std::optional<FrameId> frame = {})
    {
        return takeBack(backOrderOf(*store, store->frames(), file, frame), withCure);
    }
    void take(const CameBack& came)
    {
        const auto job = withReturned(*store, came);
        ASSERT_TRUE(job);
        ASSERT_TRUE(store->commit(*job, "came back"));
    }

    /// The frames as they are handed over now: 16 bits, wide.
    std::vector<RawPicture> delivered(const std::string& name)
    {
        std::vector<FrameId> all;
        for (const Frame& frame : store->frames())
            all.push_back(frame.id);
        Recipe recipe = sentRecipe();
        recipe.format = FileFormat::Png16;
        const auto report =
            exportAll(*store->currentLook(look),
                      consignmentsOf(
                          store->job(), store->frames(), all, [&](LookId id) { return store->currentLook(id); },
                          {shipmentOf(recipe, folder / name, store->frames())}, true),
                      {}, {});
        std::vector<RawPicture> pictures;
        for (const Delivery& d : report->deliveries) {
            EXPECT_TRUE(d.fault.empty()) << d.fault;
            EXPECT_EQ(d.target.stem(), d.source.stem()) << "the frame's own name";
            pictures.push_back(readRaw(d.target));
        }
        return pictures;
    }

    TemporaryFolder folder;
    std::optional<JobStore> store;
    LookId look = 0;
};

/// The most by which codes differ; and of pixels that lie inside the file's gamut, away from its boundary, on which the
/// search for the nearest colour has a bound of its own.
struct Apart {
    int inside = 0, anywhere = 0;
};
Apart mostApart(const RawPicture& p, const RawPicture& q)
{
    constexpr int kBoundary = 16, kTop = 65535;
    EXPECT_EQ(p.codes.size(), q.codes.size());
    Apart most;
    for (std::size_t i = 0; i + 2 < std::min(p.codes.size(), q.codes.size()); i += 3) {
        int apart = 0;
        bool isInside = true;
        for (std::size_t k = i; k < i + 3; ++k) {
            apart = std::max(apart, std::abs(static_cast<int>(p.codes[k]) - static_cast<int>(q.codes[k])));
            isInside = isInside && p.codes[k] > kBoundary && p.codes[k] < kTop - kBoundary;
        }
        most.anywhere = std::max(most.anywhere, apart);
        most.inside = std::max(most.inside, isInside ? apart : 0);
    }
    return most;
}

TEST_F(OutAndBack, ALookSplitAnywhereGivesThePixelsOfTheWholeWhenNothingWasEdited)
{
    const auto whole = delivered("whole");
    for (const std::size_t steps : {0, 3, 5}) {
        for (const SentFile& sent : send(steps))
            if (sent.cameBack == 0) {
                EXPECT_EQ(sent.steps, steps);
                const auto came = back(out() / sent.name);
                ASSERT_TRUE(came) << came.error().message();
                EXPECT_TRUE(came->comparison.isAsSent()) << backWords(*came);
                take(*came);
            }
        const auto split = delivered("split-" + std::to_string(steps));
        ASSERT_EQ(split.size(), whole.size());
        for (std::size_t i = 0; i < whole.size(); ++i) {
            SCOPED_TRACE("split before step " + std::to_string(steps + 1) + ", picture " + std::to_string(i));
            const Apart apart = mostApart(whole[i], split[i]);
            EXPECT_LE(apart.inside, 1);
            EXPECT_LE(apart.anywhere, 16);
        }
        ASSERT_TRUE(fs::exists(out() / "hand-off.pdf"));
        for (std::size_t i = 0; i < whole.size(); ++i)
            ASSERT_TRUE(store->undo());
        fs::remove_all(out());
    }
    EXPECT_EQ(delivered("again")[0].codes, whole[0].codes) << "undo gives the earlier state back";
}

TEST_F(OutAndBack, SentAndReturnedStateIsKeptAndSaid)
{
    const FrameId yard = store->frames().front().id;
    const auto sent = send(2, {yard});
    ASSERT_EQ(sent.size(), 1u);
    EXPECT_EQ(ownXmp(out() / sent[0].name).at(kIdentity), sent[0].identity);
    EXPECT_EQ(readPictureInfo(out() / sent[0].name)->bits, 16);
    RetouchEdits edits;
    edits.heal = 6;
    ASSERT_TRUE(retouch(out() / sent[0].name, folder / "yard, final (2).tif", edits));
    const auto came = back(folder / "yard, final (2).tif");
    ASSERT_TRUE(came);
    ASSERT_FALSE(came->isAsking);
    EXPECT_EQ(came->recognised.by, Recognised::By::Identity);
    EXPECT_GT(came->comparison.touched, 0);
    take(*came);
    store.reset();
    store.emplace(*JobStore::open(folder / "shoot/shoot.amberjob"));
    const Frame& frame = store->frames().front();
    EXPECT_EQ(frame.path, came->made);
    EXPECT_EQ(frame.own(), folder / "shoot/yard-03.jpg");
    EXPECT_EQ(frame.hash, came->hash);
    EXPECT_EQ(standInWords(store->job(), yard, *store->currentLook(look)),
              "retouched; steps 1 to 2 of the look are in it");
    const Look shown = lookFor(*store->currentLook(look), store->job().pictureName(yard));
    EXPECT_FALSE(shown.steps[0].enabled) << "it is in the file";
    EXPECT_FALSE(shown.steps[1].enabled);
    EXPECT_TRUE(shown.steps[2].enabled);
    ASSERT_TRUE(store->undo());
    EXPECT_EQ(store->frames().front().path, folder / "shoot/yard-03.jpg");
    EXPECT_TRUE(fs::exists(came->made)) << "what came back stays";
    ASSERT_TRUE(store->redo());
    EXPECT_EQ(store->frames().front().path, came->made);
    // A step that is put before those in the file does not run; one behind them does.
    Look longer = *store->currentLook(look);
    Step chroma, warmth;
    chroma.parameters = Chroma{}, warmth.parameters = Warmth{};
    longer.steps.insert(longer.steps.begin(), chroma);
    longer.steps.push_back(warmth);
    EXPECT_EQ(stepsInside(longer, store->job().pictureName(yard)), 3u);
}

struct Edit {
    const char* what;
    const char* name;  ///< as it comes back; % is the sent name
    RetouchEdits edits;
    bool isKnown = true;
};

RetouchEdits with(const std::function<void(RetouchEdits&)>& set)
{
    RetouchEdits edits;
    edits.heal = 5;
    set(edits);
    return edits;
}

const std::vector<Edit>& editTable()
{
    static const std::vector<Edit> all{
        {"healed", "%.tif", with([](auto&) {})},
        {"renamed", "final for print.tif", with([](auto&) {})},
        {"bare, same name", "%.tif", with([](auto& e) { e.withMetadata = false; })},
        {"bare, name with more", "% retouched v2.tif", with([](auto& e) { e.withMetadata = false; })},
        {"bare, renamed", "untitled-1.tif", with([](auto& e) { e.withMetadata = false; })},
        {"8 bit", "%-8.tif", with([](auto& e) { e.bits = 8; })},
        {"8 bit, bare, renamed", "picture.tif", with([](auto& e) { e.bits = 8, e.withMetadata = false; })},
        {"png", "%.png", with([](auto&) {})},
        {"jpeg, bare, renamed", "mail.jpg", with([](auto& e) { e.bits = 8, e.withMetadata = false; })},
        {"cropped", "%.tif", with([](auto& e) {
             e.crop = {0.1, 0.08, 0.9, 0.97};
         })},
        {"cropped, bare, renamed", "cut.tif", with([](auto& e) {
             e.crop = {0.15, 0.1, 0.85, 0.9}, e.withMetadata = false;
         })},
        {"cropped much, bare, renamed", "square.tif", with([](auto& e) {
             e.crop = {0.2, 0.1, 0.65, 0.8}, e.withMetadata = false;
         })},
        {"drift of 1", "%.tif", with([](auto& e) { e.shift = 1; })},
        {"drift of 3", "%.tif", with([](auto& e) { e.shift = 3; })},
        {"drift of 2, 8 bit, bare", "%.tif", with([](auto& e) { e.shift = 2, e.bits = 8, e.withMetadata = false; })},
        {"drift of 2, cropped, renamed, bare", "x.tif", with([](auto& e) {
             e.shift = 2, e.crop = {0.1, 0.1, 0.9, 0.9}, e.withMetadata = false;
         })},
        {"painted", "%.tif", with([](auto& e) { e.paint = 0.25; })},
        {"painted, drift of 1.5, bare, renamed", "y.tif",
         with([](auto& e) { e.paint = 0.25, e.shift = 1.5, e.withMetadata = false; })},
        {"smaller, bare, renamed", "web.jpg", with([](auto& e) { e.scale = 0.5, e.bits = 8, e.withMetadata = false; })},
        {"mirrored, bare, renamed", "flip.tif", with([](auto& e) { e.mirror = true, e.withMetadata = false; }), false},
    };
    return all;
}

TEST_F(OutAndBack, TwentyWaysBackAreKnownOrAsked)
{
    const auto sent = send(1);
    unsigned seed = 0;
    for (const Edit& edit : editTable()) {
        SCOPED_TRACE(edit.what);
        const SentFile& file = sent[seed % sent.size()];
        RetouchEdits edits = edit.edits;
        edits.seed = ++seed;
        std::string name = edit.name;
        if (const auto at = name.find('%'); at != std::string::npos)
            name.replace(at, 1, fs::path(file.name).stem().string());
        const fs::path returned = folder / ("back-" + std::to_string(seed)) / name;
        fs::create_directories(returned.parent_path());
        const auto truth = retouch(out() / file.name, returned, edits);
        ASSERT_TRUE(truth) << truth.error().message();
        const auto came = back(returned);
        ASSERT_TRUE(came) << came.error().message();
        EXPECT_EQ(!came->isAsking, edit.isKnown) << came->recognised.words;
        if (came->isAsking || !edit.isKnown)
            continue;
        EXPECT_EQ(came->sent.frame, file.frame) << came->recognised.words;
        const double drift = came->comparison.drift ? came->comparison.drift->mean : 0;
        if (edits.scale == 1) {
            EXPECT_NEAR(drift, truth->shifted, 0.3);
        }
        if (edits.bits == 16 && edits.shift == 0 && edits.crop.isWhole()) {
            EXPECT_NEAR(came->comparison.touched, truth->touched, 0.25 * truth->touched);
        }
        if (edits.shift != 0) {
            EXPECT_LT(came->comparison.drift->after, 0.3) << "the cure brings it back";
            EXPECT_LT(came->comparison.touched, truth->touched + 0.05) << "the drift is no retouching";
        }
    }
}

TEST_F(OutAndBack, WhatIsNobodysIsAskedAboutAndWhatIsNoPictureIsRefused)
{
    send(0);
    const fs::path other = kDemo / "shop-front-04.jpg";
    const auto came = back(other);
    ASSERT_TRUE(came);
    EXPECT_TRUE(came->isAsking);
    EXPECT_TRUE(came->made.empty()) << "nothing is made before somebody says whose it is";
    EXPECT_FALSE(came->recognised.candidates.empty());
    EXPECT_FALSE(back(other, false, store->frames().front().id)) << "it is not in what was sent of that frame";
    std::ofstream(folder / "no picture.tif") << "words";
    EXPECT_FALSE(back(folder / "no picture.tif"));
    EXPECT_FALSE(back(folder / "is not there.tif"));
    // An identity on another picture is not believed.
    fs::copy_file(other, folder / "mixed up.jpg");
    MetadataRule rule;
    rule.own = {{kIdentity, sentFilesOf(*store).front().identity}};
    ASSERT_TRUE(copyMetadata({}, folder / "mixed up.jpg", rule));
    EXPECT_TRUE(back(folder / "mixed up.jpg")->isAsking);
}

TEST_F(OutAndBack, ACutFileTakesMarksAndAreasWithIt)
{
    const FrameId yard = store->frames().front().id;
    Job job = store->job();
    KeyColour key;
    key.name = "Bench", key.frame = yard, key.place = {0.4, 0.4, 0.5, 0.5};
    job.keys.push_back(key);
    ASSERT_TRUE(store->commit(job, "Marked"));
    const auto sent = send(0, {yard});
    RetouchEdits edits;
    edits.crop = {0.2, 0.2, 1, 1};
    ASSERT_TRUE(retouch(out() / sent[0].name, folder / "cut.tif", edits));
    const auto came = back(folder / "cut.tif");
    ASSERT_TRUE(came);
    ASSERT_EQ(came->comparison.lies, Comparison::Lies::Cut);
    EXPECT_EQ(came->comparison.touched, 0) << "pixel on pixel";
    take(*came);
    const Region place = store->job().keys.front().place;
    EXPECT_NEAR(place.left, 0.25, 0.005);
    EXPECT_NEAR(place.bottom, 0.375, 0.005);
    EXPECT_EQ(delivered("cut").size(), 4u);
}

TEST(Spots, DustIsFoundAndTextureIsNot)
{
    for (const char* name : {"dusk-terrace-02", "north-window-04"}) {
        auto clean = readPicture(kDemo / (std::string(name) + ".jpg"));
        ASSERT_TRUE(clean);
        const std::size_t before = spotsOf(clean->image.view()).size();
        // Soft dark disks, as dust on a sensor throws them, on even ground.
        const int width = clean->image.width(), height = clean->image.height();
        std::vector<Spot> put;
        for (int y = 1; y < 12; ++y)
            for (int x = 1; x < 16; ++x) {
                const Spot at{x / 16.0, y / 12.0};
                const Region round{at.x - 0.02, at.y - 0.03, at.x + 0.02, at.y + 0.03};
                double low = 1e9, high = 0;
                for (int i = 0; i < 400; ++i) {
                    const int px = static_cast<int>((round.left + 0.04 * (i % 20) / 20) * width),
                              py = static_cast<int>((round.top + 0.06 * (i / 20.0) / 20) * height);
                    const float* p = clean->image.view().row(py) + std::ptrdiff_t{3} * px;
                    low = std::min<double>(low, p[1]), high = std::max<double>(high, p[1]);
                }
                if (low < 0.1 || high > 1.25 * low)
                    continue;
                put.push_back(at);
                const double radius = 0.0025 * std::max(width, height);
                for (int py = 0; py < height; ++py)
                    for (int px = 0; px < width; ++px) {
                        const double far = std::hypot(px - at.x * width, py - at.y * height) / radius;
                        if (far < 2)
                            for (int k = 0; k < 3; ++k)
                                clean->image.mutableView().row(py)[3 * px + k] *=
                                    static_cast<float>(1 - 0.12 * std::exp(-far * far));
                    }
            }
        ASSERT_GT(put.size(), 5u) << name;
        const auto found = spotsOf(clean->image.view());
        std::size_t hits = 0;
        for (const Spot& at : put)
            hits += std::any_of(found.begin(), found.end(), [&](const DustSpot& s) {
                return std::hypot((s.at.x - at.x) * width, (s.at.y - at.y) * height) < 0.004 * width;
            });
        EXPECT_GE(static_cast<double>(hits), 0.85 * static_cast<double>(put.size())) << name;
        EXPECT_LE(before, 25u) << name << ": clean";
        EXPECT_LE(found.size(), before + put.size() + 5) << name;
    }
}

TEST_F(OutAndBack, RoundsOfAnAnswerBecomePins)
{
    const auto frames = store->frames();
    fs::create_directories(folder / "web");
    const auto round = ask(*store, folder / "web", "web",
                           {{"yard-03.jpg", frames[0].id, store->currentRevision(look), "Warm evening"},
                            {"dusk-terrace-02.jpg", frames[1].id, store->currentRevision(look), "Warm evening"}});
    ASSERT_TRUE(round);
    EXPECT_EQ(readQuestion(folder / "web/question.json")->files.size(), 2u);
    Answer answer{1,
                  {{"yard-03.jpg", false, {{"Too dark here", Spot{0.3, 0.4}}, {"Warmer", {}}}},
                   {"dusk-terrace-02.jpg", true, {}},
                   {"unknown.jpg", true, {}}}};
    std::ofstream(folder / "web/answer.json") << answerToText(answer);
    const auto read = readAnswer(folder / "web/answer.json");
    ASSERT_TRUE(read);
    const auto answered = withAnswer(*store, *read);
    ASSERT_TRUE(answered);
    EXPECT_EQ(answered->unknown, std::vector<std::string>{"unknown.jpg"});
    ASSERT_TRUE(store->commit(answered->job, roundWords(answered->round)));
    ASSERT_TRUE(keepRound(*store, answered->round));
    EXPECT_EQ(roundWords(roundsOf(*store).front()), "Round 1: 1 approved, 2 remarks");
    EXPECT_EQ(store->job().openPins(frames[0].id).size(), 2u);
    EXPECT_TRUE(store->job().openPins(frames[1].id).empty()) << "an approval is nothing to do";
    const Pin& pin = store->job().pins.begin()->second;
    EXPECT_EQ(pin.about, "Warm evening, round 1");
    EXPECT_EQ(pin.from, Pin::From::Client);
    EXPECT_EQ(pin.revision, store->currentRevision(look));
    EXPECT_FALSE(withAnswer(*store, *read)) << "a round is answered once";
    std::ofstream(folder / "web/other.json")
        << R"({"kind": "jolly-amber answer", "format": 1, "round": 1, "files": [{"name": "x", "verdict": "maybe"}]})";
    const auto wrong = readAnswer(folder / "web/other.json");
    ASSERT_FALSE(wrong);
    EXPECT_NE(wrong.error().message().find("approved or changes"), std::string::npos);
    store.reset();
    store.emplace(*JobStore::open(folder / "shoot/shoot.amberjob"));
    EXPECT_EQ(store->job().pins.size(), 3u);
}

}  // namespace
}  // namespace amber
