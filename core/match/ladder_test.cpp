// References matched row by row.
#include "core/engine/render_plan.h"
#include "core/image/metadata.h"
#include "core/image/read.h"
#include "core/image/write.h"
#include "core/look/look_json.h"
#include "core/match/ladder.h"
#include "tests/support/temporary_folder.h"
#include "tests/support/treatment.h"

#include <cmath>
#include <gtest/gtest.h>

namespace amber {
namespace {

namespace fs = std::filesystem;
const fs::path kDemo = fs::path(AMBER_SOURCE_DIR) / "demo";

Image demoFrame(const std::string& name) { return readReduced(kDemo / "frames" / (name + ".jpg"), 750, false)->image; }

Image through(const Look& look, const Image& picture)
{
    Image out = picture;
    render(RenderPlan::compile(look).value(), picture.view(), out.mutableView());
    return out;
}

std::vector<Image> small(const Image& picture)
{
    std::vector<Image> all;
    all.push_back(forMatching(picture.view()));
    return all;
}

/// Of light and colour.
bool isOfColour(const LadderRow& row)
{
    return row.kind() != RungKind::Frame && row.kind() != RungKind::Fall && row.kind() != RungKind::Texture;
}

std::set<std::size_t> allSupported(const Ladder& ladder)
{
    std::set<std::size_t> rows;
    for (std::size_t i = 0; i < ladder.rows.size(); ++i)
        if (isOfColour(ladder.rows[i]) && ladder.rows[i].isSupported())
            rows.insert(i);
    return rows;
}
/// In a whole ladder.
constexpr std::size_t at(Rung rung) { return static_cast<std::size_t>(rung); }

TEST(Ladder, HiddenLooksAreReachedOnOtherFramesRowByRow)
{
    const std::vector<std::string> frames{"north-window-02", "north-window-06", "lamp-shelf-02",
                                          "yard-04",         "yard-08",         "dusk-terrace-02"};
    std::vector<Image> all;
    for (const std::string& name : frames)
        all.push_back(demoFrame(name));
    int rows = 0, fallen = 0, worse = 0;
    for (std::uint64_t seed = 1; seed <= 6; ++seed) {
        const std::size_t one = seed % all.size();
        const Fingerprint reference =
            fingerprintOf(through(test::treatment(seed), all[one]).view(), "hidden", 3000, 100);
        for (std::size_t other = 0; other < all.size(); ++other) {
            if (other == one)
                continue;
            const auto ours = small(all[other]);
            const Ladder start = ladderOf(reference, measureForMatch(ours, membershipOf(ours, false)));
            const auto taken = takeRows(Look{}, ours, reference, allSupported(start), "hidden");
            ASSERT_TRUE(taken) << taken.error().message();
            ASSERT_TRUE(std::all_of(taken->look.steps.begin(), taken->look.steps.end(),
                                    [](const Step& s) { return s.group == "hidden"; }));
            for (std::size_t i = 0; i < start.rows.size(); ++i) {
                if (!isOfColour(start.rows[i]) || !start.rows[i].isSupported())
                    continue;
                const double before = start.rows[i].difference, after = taken->after.rows[i].difference;
                ++rows, worse += after > before + 0.1;
                // What lay within a quarter of the tolerance is left alone.
                fallen += after <= 0.2 * before || after < 0.25 * start.rows[i].tolerance;
            }
        }
    }
    std::printf("%d rows with support: %d fallen by four fifths, %d worse\n", rows, fallen, worse);
    EXPECT_GE(fallen, 0.93 * rows);
    EXPECT_EQ(worse, 0);
}

TEST(Ladder, TakenAgainAfterAnEditOnlyWhatChangedMoves)
{
    const Fingerprint reference =
        fingerprintOf(through(test::treatment(3), demoFrame("north-window-02")).view(), "evening", 3000, 100);
    const auto ours = small(demoFrame("north-window-06"));
    Look look;
    Step sharpening;
    sharpening.parameters = OutputSharpening{};
    look.steps.push_back(sharpening);
    const Ladder start = ladderOf(reference, measuredThrough(look, ours, membershipBefore(look, ours, "evening")));
    const auto rows = allSupported(start);
    const auto first = takeRows(look, ours, reference, rows, "evening");
    ASSERT_TRUE(first);
    ASSERT_EQ(first->look.steps.size(), 4u) << "curve, hues and tint, before the sharpening for output";
    EXPECT_TRUE(std::holds_alternative<OutputSharpening>(first->look.steps.back().parameters));
    EXPECT_LT(first->after.distance(), 0.2 * first->before.distance());
    EXPECT_TRUE(takeRows(first->look, ours, reference, rows, "evening")->moved.empty())
        << "what lies as it should is left alone";

    Look edited = first->look;
    auto& tint = std::get<SplitToning>(edited.steps[2].parameters);
    tint.dyes[1].chroma += 0.02;
    const auto again = takeRows(edited, ours, reference, rows, "evening");
    ASSERT_TRUE(again);
    EXPECT_EQ(again->look.steps[0], edited.steps[0]) << "light was not touched";
    EXPECT_NEAR(std::get<SplitToning>(again->look.steps[2].parameters).dyes[1].chroma,
                std::get<SplitToning>(first->look.steps[2].parameters).dyes[1].chroma, 0.004);
    EXPECT_LT(again->after.distance(), 0.5);
    // Switched off and taken again, it is on.
    edited = first->look;
    edited.steps[2].enabled = false;
    EXPECT_EQ(takeRows(edited, ours, reference, rows, "evening")->look.steps[2].enabled, true);

    // One row, then as far as another: the rest keeps its numbers.
    constexpr std::size_t kBlack = at(Rung::BlackEnd), kWhite = at(Rung::WhiteEnd), kContrast = at(Rung::Contrast);
    const auto black = takeRows(look, ours, reference, {kBlack}, "evening");
    ASSERT_TRUE(black);
    EXPECT_LT(black->after.rows[kBlack].difference, 0.3);
    EXPECT_NEAR(black->after.rows[kWhite].ours, start.rows[kWhite].ours, 0.3) << "the white end stays";
    const auto light = takeRows(black->look, ours, reference, {kBlack, kWhite, at(Rung::Mid), kContrast}, "evening");
    for (std::size_t i = kBlack; i <= kContrast; ++i)
        EXPECT_LT(light->after.rows[i].difference, 0.3) << i;
    for (std::size_t i = 0; i < start.rows.size(); ++i)
        if (isOfColour(start.rows[i]) && !start.rows[i].isSupported()) {
            EXPECT_FALSE(takeRows(look, ours, reference, {i}, "evening"))
                << "without support a row cannot be asked for";
        }
}

TEST(Reference, TravelsWithTheLookAndSaysHowFarItMayBeTrusted)
{
    const Image picture = demoFrame("north-window-02"), other = demoFrame("yard-04");
    const Fingerprint one = fingerprintOf(picture.view(), "one", 1500, 92);
    Look look;
    look.reference = one;
    const auto read = lookFromText(lookToText(look, true), "look");
    ASSERT_TRUE(read) << read.error().message();
    ASSERT_TRUE(read->look.reference);
    EXPECT_TRUE(read->warnings.empty());
    const auto own = small(picture);
    const auto score = ladderOf(*read->look.reference, measureForMatch(own, membershipOf(own, true)));
    EXPECT_LT(score.distance(), 0.01) << "held against itself without the picture";
    // A file that holds less than was measured gives fewer rows, and those can be taken.
    Fingerprint part = one;
    part.tones.resize(3), part.families.clear();
    const Ladder fewer = ladderOf(part, measureForMatch(own, membershipOf(own, true)));
    EXPECT_EQ(fewer.rows.size(), 1 + 3 + kCastZones + 4) << "framing, falls, casts, textures";
    EXPECT_TRUE(takeRows(Look{}, own, part, allSupported(fewer), "part"));
    // Small, hard compressed, of something else: each lowers it.
    Fingerprint poor = one;
    poor.longEdge = 200, poor.quality = 30;
    const auto forest = small(other);
    const Fingerprint theirs = measureForMatch(forest, membershipOf(forest, true));
    EXPECT_LT(ladderOf(poor, theirs).confidence.size, 0.6);
    EXPECT_LT(ladderOf(poor, theirs).confidence.compression, 0.4);
    EXPECT_LT(ladderOf(one, theirs).confidence.subject, 0.8);
    EXPECT_EQ(score.confidence.subject, 1) << "nothing differs";
    EXPECT_EQ(ladderOf(one, theirs, true).confidence.subject, 1);
    // Several: what they do not agree in is no difference.
    Fingerprint lighter = one;
    for (ToneTrait& t : lighter.tones)
        t.tone += 0.06;
    const Fingerprint both = combined({one, lighter});
    EXPECT_EQ(both.references, 2);
    const Ladder wide = ladderOf(both, measureForMatch(own, membershipOf(own, true)));
    const LadderRow& mid = wide.rows[at(Rung::Mid)];
    EXPECT_GT(mid.difference, 3);
    EXPECT_GE(mid.tolerance, mid.difference - 0.01);
    EXPECT_TRUE(mid.isWithin());
    // Grain and falling edges are seen.
    Look film;
    Step grain, edges;
    Grain g;
    g.amount = 0.05;
    grain.parameters = g;
    EdgeDarkening e;
    e.net = -1.5;
    edges.parameters = e;
    film.steps = {grain, edges};
    const Fingerprint grainy = fingerprintOf(through(film, picture).view(), "film", 1500, 100);
    EXPECT_GT(grainy.grain, one.grain + 0.005);
    EXPECT_LT(grainy.cornerStops, one.cornerStops - 0.4);
}

TEST(Reference, TheQualityOfAJpegIsReadOffItsTables)
{
    test::TemporaryFolder folder;
    const Image picture = demoFrame("north-window-02");
    for (const int quality : {35, 60, 90}) {
        const fs::path path = folder.path() / (std::to_string(quality) + ".jpg");
        ASSERT_TRUE(writePicture(path, picture.view(), {}, {FileFormat::Jpeg, RgbSpace::Srgb, quality}, {}));
        EXPECT_NEAR(jpegQuality(path), quality, 3);
    }
    EXPECT_EQ(jpegQuality(kDemo / "looks/sea-fog.json"), 100);
    EXPECT_EQ(jpegQuality("/nowhere"), 100);
    // What there is nothing to learn from is refused.
    Image flat(200, 120), dot(20, 20);
    std::fill_n(flat.mutableView().data, 200 * 120 * 3, 0.2f);
    ASSERT_TRUE(writePicture(folder / "flat.png", flat.view(), {}, {FileFormat::Png8}, {}) &&
                writePicture(folder / "dot.png", dot.view(), {}, {FileFormat::Png8}, {}));
    EXPECT_NE(fingerprintOfFile(folder / "flat.png").error().message().find("flat"), std::string::npos);
    EXPECT_NE(fingerprintOfFile(folder / "dot.png").error().message().find("too small"), std::string::npos);
}

}  // namespace
}  // namespace amber
