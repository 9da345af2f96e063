// Common LUT Format, Hald pictures and ASC CDL: read, written, refused.
#include "core/colour/difference.h"
#include "core/engine/bake.h"
#include "core/table/cdl_fit.h"
#include "core/table/table_report.h"
#include "core/table_files/table_file.h"
#include "tests/support/random_look.h"
#include "tests/support/temporary_folder.h"

#include <chrono>
#include <gtest/gtest.h>
#include <map>

namespace amber {
namespace {

using test::Random;
using test::TemporaryFolder;
namespace fs = std::filesystem;

const fs::path kData = fs::path(AMBER_SOURCE_DIR) / "tests/data";

TEST(TableFiles, EveryLegalFileIsRead)
{
    int count = 0;
    for (const char* format : {"cube", "clf", "cdl", "hald"})
        for (const auto& entry : fs::directory_iterator(kData / format / "legal")) {
            const auto file = readTableFile(entry.path());
            ASSERT_TRUE(file) << file.error().message();
            EXPECT_EQ(nameOf(file->format), format) << entry.path();
            ++count;
        }
    EXPECT_GE(count, 20);
    const Table both = readTableFile(kData / "clf/legal/1d-then-3d.clf")->table;
    EXPECT_EQ(both.size1, 5);
    EXPECT_EQ(both.size3, 2);
    EXPECT_NEAR(readTableFile(kData / "clf/legal/domain-by-matrix.clf")->table.domainMin3[0], -0.5, 1e-9);
    const auto sampled = readTableFile(kData / "clf/legal/range-and-matrix.clf");
    EXPECT_NE(sampled->remark.find("sampled at 65"), std::string::npos);
    EXPECT_NEAR(evaluate(sampled->table, {1, 0, 0.5}).r, 0.9 * 0.9 + 0.1 * 0.1, 1e-5);
}

TEST(TableFiles, EveryIllegalFileIsRefusedForItsOneFault)
{
    const std::map<std::string, std::string> faults{
        {"clf/nan.clf", "line 6: not a finite number (expected a finite number, found nan)"},
        {"clf/infinity.clf", "line 6: not a finite number"},
        {"clf/decimal-comma.clf", "line 6: not a number"},
        {"clf/word-among-values.clf", "line 6: not a number"},
        {"clf/too-few-values.clf", "line 12: too few numbers in <Array> (expected 24, found 21)"},
        {"clf/too-many-values.clf", "too many numbers"},
        {"clf/size-one.clf", "line 4: size outside the limits"},
        {"clf/size-huge.clf", "line 4: size outside the limits (expected 2 to 129, found 100000)"},
        {"clf/size-word.clf", "line 4: wrong size in dim"},
        {"clf/document-type.clf", "line 2: a document type or entity"},
        {"clf/entity.clf", "line 3: an entity that XML does not define"},
        {"clf/cut-short.clf", "the file is cut short"},
        {"clf/crossed-tags.clf", "line 13: the elements do not nest"},
        {"clf/nested-deep.clf", "nested too deep"},
        {"clf/two-roots.clf", "line 16: a second root element"},
        {"clf/matrix-without-array.clf", "line 4: nothing in <Matrix> says what it does (expected <Array>)"},
        {"clf/matrix-closed-at-once.clf", "line 4: nothing in <Matrix>"},
        {"clf/array-empty.clf", "line 5: too few numbers in <Array>"},
        {"clf/unknown-operation.clf", "not a Common LUT Format file"},
        {"clf/no-operation.clf", "not a Common LUT Format file"},
        {"cdl/offset-nan.cc", "line 5: not a finite number"},
        {"cdl/slope-infinite.cc", "line 4: not a finite number"},
        {"cdl/slope-negative.cc", "line 4: number outside its limits in <Slope> (expected at least 0, found -1)"},
        {"cdl/power-zero.cc", "line 6: number outside its limits in <Power> (expected more than 0, found 0)"},
        {"cdl/saturation-negative.cc", "line 9: number outside"},
        {"cdl/decimal-comma.cc", "line 4: not a number"},
        {"cdl/two-slopes.cc", "line 4: too few numbers in <Slope> (expected 3, found 2)"},
        {"cdl/four-slopes.cc", "line 4: too many numbers"},
        {"cdl/no-correction.ccc", "holds no colour correction"},
        {"cdl/several-unnamed.ccc", "holds several colour corrections"},
        {"cdl/document-type.cc", "line 2: a document type"},
        {"cdl/cut-short.cc", "cut short"},
        {"cdl/foreign-element.cc", "line 2: an element that does not belong here"},
        {"cdl/instruction.cc", "line 2: an instruction among the elements"},
        {"cdl/another-format.cc", "line 2: another kind of file"},
        {"hald/eight-bits.png", "needs 16 bits"},
        {"hald/alpha.png", "no alpha"},
        {"hald/not-square.png", "found 8 x 9"},
        {"hald/size-between.png", "found 10 x 10"},
        {"hald/cut-short.png", "cut short"},
        {"hald/grey.png", "found grey"},
    };
    std::size_t count = 0;
    for (const char* format : {"clf", "cdl", "hald"})
        for (const auto& entry : fs::directory_iterator(kData / format / "illegal")) {
            ++count;
            const std::string name = std::string(format) + "/" + entry.path().filename().string();
            const auto file = readTableFile(entry.path());
            ASSERT_FALSE(file) << name;
            ASSERT_TRUE(faults.count(name)) << name;
            EXPECT_NE(file.error().message().find(faults.at(name)), std::string::npos) << file.error().message();
            EXPECT_NE(file.error().message().find(entry.path().filename().string()), std::string::npos)
                << file.error().message();
        }
    EXPECT_EQ(count, faults.size());
}

TEST(TableFiles, FoldersBombsAndEndlessFilesAreRefused)
{
    const TemporaryFolder folder;
    EXPECT_FALSE(readTableFile(folder.path()));
    EXPECT_FALSE(readTableFile(folder / "missing.cube"));
    for (const char* name : {"endless.cube", "endless.clf", "endless.cc", "endless.png"}) {
        folder.write(name, std::string(name) == "endless.png" ? "\x89PNG\r\n\x1a\n" : "<ProcessList>");
        fs::resize_file(folder / name, std::uintmax_t{10} << 30);  // a hole: no disk is used
        EXPECT_FALSE(readTableFile(folder / name)) << name;
    }
    // A billion laughs: entities of entities.
    std::string bomb = "<?xml version=\"1.0\"?>\n<!DOCTYPE l [<!ENTITY a0 \"ha\">";
    for (int i = 1; i < 30; ++i)
        bomb +=
            "<!ENTITY a" + std::to_string(i) + " \"&a" + std::to_string(i - 1) + ";&a" + std::to_string(i - 1) + ";\">";
    folder.write("bomb.clf", bomb + "]>\n<ProcessList>&a29;</ProcessList>");
    EXPECT_FALSE(readTableFile(folder / "bomb.clf"));
}

TEST(TableFiles, ComeBackAsTheyWereWritten)
{
    const TemporaryFolder folder;
    Random random(81);
    for (int i = 0; i < 6; ++i) {
        Table table = random.table(i % 2 ? random.whole(2, 40) : 0, i % 3 == 1 ? 0 : random.whole(2, 9));
        if (table.size1 == 0 && table.size3 == 0)
            table = random.table(0, 4);
        if (i > 2)
            table.domainMin3 = {-0.5, -0.5, -0.25}, table.domainMax3 = {1.5, 2, 1};
        if (table.size3 == 0)
            table.domainMin3 = {0, 0, 0}, table.domainMax3 = {1, 1, 1};
        for (const TableFormat format : {TableFormat::Cube, TableFormat::Clf}) {
            if (format == TableFormat::Cube && table.size1 > 0 && i > 2)
                continue;
            const fs::path path = folder / ("t." + std::string(nameOf(format)));
            ASSERT_TRUE(writeTableFile(path, table, format));
            const auto back = readTableFile(path);
            ASSERT_TRUE(back) << back.error().message();
            ASSERT_EQ(back->table.values1.size(), table.values1.size()) << i << " " << nameOf(format);
            ASSERT_EQ(back->table.values3.size(), table.values3.size()) << i << " " << nameOf(format);
            // CLF is written with seven digits.
            const double bound = format == TableFormat::Cube ? 0 : 1e-6;
            for (std::size_t n = 0; n < table.values1.size(); ++n)
                ASSERT_NEAR(back->table.values1[n], table.values1[n], bound);
            for (std::size_t n = 0; n < table.values3.size(); ++n)
                ASSERT_NEAR(back->table.values3[n], table.values3[n], bound);
            for (std::size_t k = 0; k < 3; ++k)
                EXPECT_NEAR(back->table.domainMax3[k], table.domainMax3[k], 1e-6);
        }
    }
    const Table cube = random.table(0, 16);
    ASSERT_TRUE(writeTableFile(folder / "hald.png", cube, TableFormat::Hald));
    const auto hald = readTableFile(folder / "hald.png");
    ASSERT_TRUE(hald) << hald.error().message();
    for (std::size_t i = 0; i < cube.values3.size(); ++i)
        ASSERT_NEAR(hald->table.values3[i], cube.values3[i], 0.51 / 65535);
    EXPECT_FALSE(writeTableFile(folder / "hald.png", random.table(0, 15), TableFormat::Hald));
    Table cdl;
    cdl.cdl = Cdl{{1.1, 0.95, 1}, {0.02, 0, -0.01}, {1, 1.2, 0.9}, 0.8};
    for (const char* name : {"g.cc", "g.ccc", "g.cdl"}) {
        ASSERT_TRUE(writeTableFile(folder / name, cdl, TableFormat::Cdl));
        EXPECT_EQ(readTableFile(folder / name)->table.cdl, cdl.cdl) << name;
    }
    EXPECT_FALSE(writeTableFile(folder / "no.cc", cube, TableFormat::Cdl));
    EXPECT_FALSE(writeTableFile(folder / "no.cube", cdl, TableFormat::Cube));
}

TEST(TableFiles, ALookTravelsInEveryKindOfTable)
{
    Look look;
    Ends ends;
    ends.black = 0.02, ends.floor = 0.04, ends.ceiling = 0.98;
    Chroma chroma;
    chroma.reserved = 0.2, chroma.shelter = 0.6;
    ToneBands bands;
    bands.dark = 0.2, bands.bright = -0.15;
    for (const StepParameters& parameters : std::initializer_list<StepParameters>{ends, bands, chroma})
        look.steps.push_back({parameters, true, 1, {}, {}});
    look.steps.push_back({Grain{0.03, 0.5, 0.7, 0, 1, {}}, true, 1, {}, {}});
    const TemporaryFolder folder;
    double last = 9;
    for (const auto& [format, size] :
         {std::pair{TableFormat::Cube, 17}, {TableFormat::Clf, 33}, {TableFormat::Hald, 36}, {TableFormat::Cube, 65}}) {
        const auto table = bake(look, size);
        ASSERT_TRUE(table);
        const fs::path path = folder / ("look." + std::string(format == TableFormat::Hald ? "png" : nameOf(format)));
        const Status written = writeTableFile(path, *table, format);
        ASSERT_TRUE(written) << written.error().message();
        const auto back = readTableFile(path);
        ASSERT_TRUE(back) << back.error().message();
        const auto travel =
            travelReport(look, back->table, RgbSpace::Srgb, {{0.2, 0.1, 0.05}, {0.5, 0.5, 0.4}, {0.02, 0.03, 0.05}});
        ASSERT_TRUE(travel);
        EXPECT_EQ(travel->left, std::vector<std::string>{"Grain"});
        EXPECT_EQ(travel->carried.size(), 3u);
        EXPECT_LT(travel->lattice.mean, size == 17 ? 0.4 : 0.25) << nameOf(format) << size;
        EXPECT_LT(travel->own.maximum, 1) << nameOf(format) << size;
        if (size != 36) {  // not a refinement of the one before
            EXPECT_LT(travel->lattice.mean, last);
            last = travel->lattice.mean;
        }
    }
}

TEST(TableFiles, ACdlStepIsTheCdlOnTheFastEngineToo)
{
    Table table;
    table.cdl = Cdl{{1.2, 0.9, 1}, {0.02, -0.01, 0.03}, {1.1, 0.8, 1.3}, 1.2};
    LookupTable step = lookupTable(table, "g.cc");
    EXPECT_EQ(*tableFromText(tableToText(table), "job"), table);
    Look look;
    look.steps.push_back({step, true, 1, {}, {}});
    Random random(82);
    const Image in = random.picture(50, 20, 0, 1);
    Image out(50, 20);
    ASSERT_TRUE(render(*RenderPlan::compile(look), in.view(), out.mutableView()));
    for (int i = 0; i < 1000; ++i) {
        const float *p = in.view().data + 3 * i, *q = out.view().data + 3 * i;
        EXPECT_LT(ciede2000(evaluate(look, {p[0], p[1], p[2]}), LinearRgb{q[0], q[1], q[2]}), 0.01);
    }
}

TEST(CdlFit, FindsACdlThatMadeTheColours)
{
    const Cdl made{{1.15, 0.9, 1.05}, {0.03, -0.02, 0.01}, {1.1, 0.9, 1.2}, 0.85};
    Random random(83);
    std::vector<EncodedRgb> in, out;
    for (int i = 0; i < 600; ++i) {
        in.push_back({random.between(0.1, 0.8), random.between(0.1, 0.8), random.between(0.1, 0.8)});
        out.push_back(evaluate(made, in.back()));
    }
    const Cdl found = fitCdl(in, out);
    for (std::size_t k = 0; k < 3; ++k) {
        EXPECT_NEAR(found.slope[k], made.slope[k], 2e-3);
        EXPECT_NEAR(found.offset[k], made.offset[k], 2e-3);
        EXPECT_NEAR(found.power[k], made.power[k], 2e-3);
    }
    EXPECT_NEAR(found.saturation, made.saturation, 2e-3);
}

TEST(TableReport, GamutReachIsTheVolumeOfItsColours)
{
    EXPECT_NEAR(report(identityTable(5)).reach, 1, 1e-6);
    EXPECT_NEAR(report(identityTable(5)).strongestChroma, 0.323, 0.002);
    Table half = identityTable(5);
    for (float& v : half.values3)
        v *= 0.5f;
    EXPECT_NEAR(report(half).reach, 0.125, 1e-4);
    for (float& v : half.values3)
        v = v * 2 + 0.1f;
    EXPECT_GT(report(half).outside, 0.1);
}

}  // namespace
}  // namespace amber
